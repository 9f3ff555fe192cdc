package say

import (
	"fmt"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// Why a use of a wish has the kind that it has.
type (
	// KeepsLongest: of its kinds it keeps longest, so many weeks.
	KeepsLongest struct{ Weeks float64 }
	// ComesWithin: it suits the preparation best, and comes within so many days.
	ComesWithin struct{ Days float64 }
	// GoesOnGiving: it goes on giving, fresh in so many weeks.
	GoesOnGiving struct{ Weeks int }
	// FreshLongest: it is fresh in most weeks, so many.
	FreshLongest struct{ Weeks int }
	// PreparationTakes: a preparation takes it beside the main crop.
	PreparationTakes struct{ Preparation string }
)

func (x KeepsLongest) String() string {
	return fmt.Sprintf("of its kinds it keeps longest, %.0f weeks", x.Weeks)
}
func (x ComesWithin) String() string {
	return fmt.Sprintf("of its kinds it suits this best, and comes within %.0f days", x.Days)
}
func (x GoesOnGiving) String() string {
	return fmt.Sprintf("of its kinds it goes on giving, fresh in %d weeks", x.Weeks)
}
func (x FreshLongest) String() string {
	return fmt.Sprintf("of its kinds it is fresh in most weeks, %d", x.Weeks)
}
func (x PreparationTakes) String() string { return x.Preparation + " takes it" }

// What the family should know of a wish.
type (
	// NoKindServes: no kind of a food serves for a form.
	NoKindServes struct{ Food, Form string }
	// PinFeedsNot: a week is pinned to a form that cannot feed it.
	PinFeedsNot struct {
		Week civil.Date
		Form string
	}
	// NotHere: a crop has no season here; Instead are crops that have, Covered whether it
	// has one itself under a tunnel.
	NotHere struct {
		Crop    string
		Why     Note
		Instead []string
		Covered bool
	}
	// NoMoreThisYear: a crop can be begun no more; Last was the last day, Again is the first
	// day of the next year.
	NoMoreThisYear struct {
		Crop        string
		Last, Again civil.Date
		Now         bool // it can be begun today, but is ready only after this year
	}
	// NotPutDown: so many sowings, begun from First to Last by the plan, are not recorded and
	// count no more; Weeks that they were to feed are gaps now.
	NotPutDown struct {
		Sowings     int
		First, Last civil.Date
		Weeks       int
	}
	// PartNotHere: a crop that a preparation takes too has no season here.
	PartNotHere struct {
		Crop string
		Why  Note
	}
	// IdleCover: a cover changes no day of a crop.
	IdleCover struct{ Cover, Crop string }
	// OnionDays: a type of onion does not suit the latitude, where another does: short,
	// intermediate or long.
	OnionDays struct{ Type, Suits string }
	// PiecesWeigh: so many pieces of so many g each are so many kg.
	PiecesWeigh struct{ Pieces, Gram, Kilogram float64 }
	// TooSmall and TooLarge: spacing alone does not give pieces of the wanted weight, g.
	TooSmall struct{ Wanted, Least float64 }
	TooLarge struct{ Wanted, Most float64 }
	// AnotherSowing: a need can be met with a chance of Reach at most, since all sowings may
	// be lost; with one more, Better plants would do (0: not even then).
	AnotherSowing struct {
		Sowings int
		Reach   float64
		Better  int
	}
	// CannotFeedNow: what was recorded leaves so many weeks that nothing can feed any more.
	CannotFeedNow struct{ Weeks int }
	// TooNear: weeks that a sowing would feed which lies too near to another one.
	TooNear struct {
		Weeks         []civil.Date
		Would, Beside civil.Date
	}
	// TooDear: weeks that would take so many times the plants of a good week.
	TooDear struct {
		Weeks []civil.Date
		Times float64
	}
	// MoreThanNeeded: the fewest plants worth sowing give much more than is needed.
	MoreThanNeeded struct {
		Plants       int
		Gives, Needs float64
		Unit         amount.Unit
		Every        float64 // days between sowings that would do
	}
	// BatchNotFilled: the best days of picking do not fill one batch, kg.
	BatchNotFilled struct {
		Batch, Gathered float64
		Days, Plants    int
	}
	// FilledAlready: so many jars of a wish were put up from this year's harvest.
	FilledAlready struct{ Jars int }
	// LeftWithout: weeks that a sowing was to feed which is let be.
	LeftWithout struct{ Weeks int }
	// PatchIsOld: a patch stands longer than one usually does.
	PatchIsOld struct {
		Planted, Age int
		Stands       float64
	}
	// PatchGives: so many plants that stand give a share of a full crop this year.
	PatchGives struct {
		Plants int
		Crop   string
		Share  float64
	}
	// NewPatchGives: newly planted it gives a share of a full crop, all of it from a year on.
	NewPatchGives struct{ Share, FullFrom float64 }
	// NewPatchBears: planted in a spring it is first picked in a later year.
	NewPatchBears struct {
		Planted, First int
		Share          float64
		Full           int
	}
)

func (x NoKindServes) String() string {
	return fmt.Sprintf("no kind of %s serves for %s", x.Food, x.Form)
}
func (x PinFeedsNot) String() string {
	return fmt.Sprintf("the week of %s is pinned to %s, which cannot feed it; it goes by your order of forms", x.Week.Short(), x.Form)
}
func (x NotHere) String() string {
	text := fmt.Sprintf("%s cannot be grown here: %s", x.Crop, x.Why)
	instead := x.Instead
	if x.Covered {
		instead = append(instead[:len(instead):len(instead)], "the same under a tunnel")
	}
	if len(instead) > 0 {
		text += "; what would do: " + strings.Join(instead, ", or ")
	}
	return text
}
func (x NoMoreThisYear) String() string {
	if x.Now {
		return fmt.Sprintf("%s that is begun now is ready only next year; for this year the last day was %s", x.Crop, x.Last.Short())
	}
	return fmt.Sprintf("%s can be begun no more this year, the last day was %s; again from %s", x.Crop, x.Last.Short(), x.Again.Words())
}
func (x NotPutDown) String() string {
	text := fmt.Sprintf("the sowing of %s was not put down and counts no more", x.First.Short())
	if x.Sowings > 1 {
		text = fmt.Sprintf("%d sowings, of %s to %s, were not put down and count no more", x.Sowings, x.First.Short(), x.Last.Short())
	}
	if x.Weeks > 0 {
		text += ": " + weeks(float64(x.Weeks)) + " less"
	}
	return text
}
func (x PartNotHere) String() string {
	return fmt.Sprintf("%s, which it takes too, cannot be grown here: %s", x.Crop, x.Why)
}
func (x IdleCover) String() string {
	return fmt.Sprintf("the %s does nothing for %s here: it is begun and picked on the same days without it", x.Cover, strings.ToLower(x.Crop))
}
func (x OnionDays) String() string {
	return x.Type + "-day onions do not suit this latitude: here the " + x.Suits + "-day ones make bulbs"
}
func (x PiecesWeigh) String() string {
	return fmt.Sprintf("%s of about %s are %s", amount.Mark(x.Pieces, amount.Piece), amount.Mark(x.Gram, amount.Gram), amount.Mark(x.Kilogram, amount.Kilogram))
}
func (x TooSmall) String() string {
	return fmt.Sprintf("spacing alone cannot make them as small as %s; at their closest they weigh about %s", amount.Mark(x.Wanted, amount.Gram), amount.Mark(x.Least, amount.Gram))
}
func (x TooLarge) String() string {
	return fmt.Sprintf("spacing alone cannot make them as large as %s; at their widest they weigh about %s", amount.Mark(x.Wanted, amount.Gram), amount.Mark(x.Most, amount.Gram))
}
func (x AnotherSowing) String() string {
	text := fmt.Sprintf("needs another sowing: %d can be met with a chance of %.0f %% at most, since all may be lost", x.Sowings, 100*x.Reach)
	if x.Better > 0 {
		text += fmt.Sprintf("; with %d sowings %d plants would do", x.Sowings+1, x.Better)
	}
	return text
}
func (x CannotFeedNow) String() string {
	return fmt.Sprintf("what was sown and counted leaves %d weeks that nothing else can feed any more", x.Weeks)
}
func (x TooNear) String() string {
	return fmt.Sprintf("%s not fed: a sowing on %s would do it, but nobody sows again so near to that of %s", weeksFrom(x.Weeks), x.Would.Short(), x.Beside.Short())
}
func (x TooDear) String() string {
	return fmt.Sprintf("%s not fed: it would take %.1f times the plants of a good week", weeksFrom(x.Weeks), x.Times)
}
func (x MoreThanNeeded) String() string {
	return fmt.Sprintf("the fewest plants worth sowing, %d, give %s where %s is needed: a sowing every %.0f days would do",
		x.Plants, amount.Mark(x.Gives, x.Unit), amount.Mark(x.Needs, x.Unit), x.Every)
}
func (x BatchNotFilled) String() string {
	return fmt.Sprintf("one batch takes %s, but the best %d days of picking, as long as it keeps, give %s: about %d plants would fill one batch, or gather it in the freezer",
		amount.Mark(x.Batch, amount.Kilogram), x.Days, amount.Mark(x.Gathered, amount.Kilogram), x.Plants)
}
func (x FilledAlready) String() string {
	if x.Jars == 1 {
		return "1 jar is put up already this year"
	}
	return fmt.Sprintf("%d jars are put up already this year", x.Jars)
}
func (x LeftWithout) String() string {
	if x.Weeks == 1 {
		return "1 week stays without, as you decided"
	}
	return fmt.Sprintf("%d weeks stay without, as you decided", x.Weeks)
}
func (x PatchIsOld) String() string {
	return fmt.Sprintf("the patch planted in %d is in its year %d; one usually stands for %.0f", x.Planted, x.Age, x.Stands)
}
func (x PatchGives) String() string {
	return fmt.Sprintf("the %d %s that stand give %.0f %% of a full crop this year", x.Plants, strings.ToLower(x.Crop), 100*x.Share)
}
func (x NewPatchGives) String() string {
	return fmt.Sprintf("newly planted it gives %.0f %% of a full crop in its first year, all of it from its year %.0f; enter a patch that stands already in House", 100*x.Share, x.FullFrom)
}
func (x NewPatchBears) String() string {
	return fmt.Sprintf("planted in spring %d it is first picked in %d, with %.0f %% of a full crop, all of it from %d; enter a patch that stands already in House", x.Planted, x.First, 100*x.Share, x.Full)
}

// What should be known of a sowing.
type (
	// SownWith: what was sown with it, being of so few plants only.
	SownWith struct {
		Date   civil.Date
		Plants int
	}
	// FlowersApart: it is begun on another day, so that kinds of corn do not flower together.
	FlowersApart struct{ Begun, Instead civil.Date }
	// Crosses: it flowers within so many days of another kind; Apart is the day on which it
	// could be begun to avoid that, the zero Date where there is none.
	Crosses struct {
		Within int
		Other  string
		Sown   civil.Date
		Apart  civil.Date
		Avoids bool
	}
)

func (x SownWith) String() string {
	return fmt.Sprintf("the sowing of %s would have been of %d plants only; this one feeds its weeks as well", x.Date.Short(), x.Plants)
}
func (x FlowersApart) String() string {
	return fmt.Sprintf("begun on %s and not on %s, so that it does not flower with another kind of corn", x.Begun.Short(), x.Instead.Short())
}
func (x Crosses) String() string {
	text := fmt.Sprintf("in flower within %d days of the %s of %s, whose pollen spoils the ears", x.Within, lower(x.Other), x.Sown.Short())
	if x.Avoids {
		return text + fmt.Sprintf("; begun on %s it would flower two weeks apart", x.Apart.Short())
	}
	return text + "; no day of its season keeps them apart: grow one of them, or far from each other"
}

// FillByWhatCame is told of jars to fill: how many of them what came in is likely to fill.
type FillByWhatCame struct{ Jars, Likely int }

func (x FillByWhatCame) String() string {
	return fmt.Sprintf("by what came in until now, about %d of the %d jars still to fill can be filled", x.Likely, x.Jars)
}
