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
	// PreparationTakes: a preparation needs it beside the main crop.
	PreparationTakes struct{ Preparation string }
)

func (x KeepsLongest) String() string {
	return fmt.Sprintf("the variety that keeps longest, %.0f weeks", x.Weeks)
}
func (x ComesWithin) String() string {
	return fmt.Sprintf("the best variety for this; it ripens within %.0f days", x.Days)
}
func (x GoesOnGiving) String() string {
	return fmt.Sprintf("the variety with the longest picking, fresh in %d weeks", x.Weeks)
}
func (x FreshLongest) String() string {
	return fmt.Sprintf("the variety that is fresh in most weeks, %d", x.Weeks)
}
func (x PreparationTakes) String() string { return x.Preparation + " needs it" }

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
	return fmt.Sprintf("no variety of %s can be eaten as %s", x.Food, x.Form)
}
func (x PinFeedsNot) String() string {
	return fmt.Sprintf("the week of %s is fixed to “%s”, which cannot feed it. The usual order is used", x.Week.Short(), x.Form)
}
func (x NotHere) String() string {
	text := fmt.Sprintf("%s cannot be grown here: %s", x.Crop, x.Why)
	instead := x.Instead
	if x.Covered {
		instead = append(instead[:len(instead):len(instead)], "the same under a tunnel")
	}
	if len(instead) > 0 {
		text += "; what would work: " + strings.Join(instead, ", or ")
	}
	return text
}
func (x NoMoreThisYear) String() string {
	if x.Now {
		return fmt.Sprintf("%s started now is ready only next year; for this year the last day was %s", x.Crop, x.Last.Short())
	}
	return fmt.Sprintf("it is too late for %s this year: the last day was %s; you can start again from %s", x.Crop, x.Last.Short(), x.Again.Words())
}
func (x NotPutDown) String() string {
	text := fmt.Sprintf("the sowing of %s was not recorded and is no longer counted", x.First.Short())
	if x.Sowings > 1 {
		text = fmt.Sprintf("%d sowings, of %s to %s, were not recorded and are no longer counted", x.Sowings, x.First.Short(), x.Last.Short())
	}
	if x.Weeks > 0 {
		text += ": " + weeks(float64(x.Weeks)) + " less"
	}
	return text
}
func (x PartNotHere) String() string {
	return fmt.Sprintf("%s, which it also needs, cannot be grown here: %s", x.Crop, x.Why)
}
func (x IdleCover) String() string {
	return fmt.Sprintf("the %s does nothing for %s here: it is sown and picked on the same days without it", x.Cover, strings.ToLower(x.Crop))
}
func (x OnionDays) String() string {
	return x.Type + "-day onions do not suit this latitude: here " + x.Suits + "-day onions make bulbs"
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
	give := "gives"
	if x.Sowings > 1 {
		give = "give"
	}
	text := fmt.Sprintf("needs another sowing: %d %s enough in at most %.1f years of 10, since all may fail", x.Sowings, give, 10*x.Reach)
	if x.Better > 0 {
		text += fmt.Sprintf("; with %d sowings %d plants are enough", x.Sowings+1, x.Better)
	}
	return text
}
func (x CannotFeedNow) String() string {
	return fmt.Sprintf("%d gap weeks cannot be filled: it is too late to sow again", x.Weeks)
}
func (x TooNear) String() string {
	return fmt.Sprintf("%s not fed: only a sowing on %s would help, and that is too close to the one of %s", weeksFrom(x.Weeks), x.Would.Short(), x.Beside.Short())
}
func (x TooDear) String() string {
	return fmt.Sprintf("%s not fed: they would need %.1f times as many plants as a good week", weeksFrom(x.Weeks), x.Times)
}
func (x MoreThanNeeded) String() string {
	return fmt.Sprintf("the smallest useful sowing, %d plants, gives %s where %s is needed. A sowing every %.0f days would be enough",
		x.Plants, amount.Mark(x.Gives, x.Unit), amount.Mark(x.Needs, x.Unit), x.Every)
}
func (x BatchNotFilled) String() string {
	return fmt.Sprintf("one batch needs %s; the best %d days of picking give %s. Grow about %d plants, or collect it in the freezer",
		amount.Mark(x.Batch, amount.Kilogram), x.Days, amount.Mark(x.Gathered, amount.Kilogram), x.Plants)
}
func (x FilledAlready) String() string {
	if x.Jars == 1 {
		return "1 jar is already put up this year"
	}
	return fmt.Sprintf("%d jars are already put up this year", x.Jars)
}
func (x LeftWithout) String() string {
	if x.Weeks == 1 {
		return "1 week stays a gap, as you decided"
	}
	return fmt.Sprintf("%d weeks stay gaps, as you decided", x.Weeks)
}
func (x PatchIsOld) String() string {
	return fmt.Sprintf("the patch planted in %d is in its year %d; it usually lasts %.0f years", x.Planted, x.Age, x.Stands)
}
func (x PatchGives) String() string {
	return fmt.Sprintf("your %d %s plants give %.0f %% of a full crop this year", x.Plants, strings.ToLower(x.Crop), 100*x.Share)
}
func (x NewPatchGives) String() string {
	return fmt.Sprintf("a new patch gives %.0f %% of a full crop in its first year and all of it from year %.0f. Already have one? Add it in House", 100*x.Share, x.FullFrom)
}
func (x NewPatchBears) String() string {
	return fmt.Sprintf("planted in spring %d it is first picked in %d, with %.0f %% of a full crop, and all of it from %d. Already have one? Add it in House", x.Planted, x.First, 100*x.Share, x.Full)
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
	return fmt.Sprintf("sown together with the sowing of %s, which needed only %d plants", x.Date.Short(), x.Plants)
}
func (x FlowersApart) String() string {
	return fmt.Sprintf("started on %s and not on %s, so that it does not flower at the same time as another variety of corn", x.Begun.Short(), x.Instead.Short())
}
func (x Crosses) String() string {
	text := fmt.Sprintf("in flower within %d days of the %s of %s, whose pollen spoils the ears", x.Within, lower(x.Other), x.Sown.Short())
	if x.Avoids {
		return text + fmt.Sprintf("; started on %s it would flower two weeks apart", x.Apart.Short())
	}
	return text + "; no day of its season keeps them apart. Grow only one of them, or grow them far apart"
}

// FillByWhatCame is told of jars to fill: how many of them what came in is likely to fill.
type FillByWhatCame struct{ Jars, Likely int }

func (x FillByWhatCame) String() string {
	return fmt.Sprintf("with what has come in so far, about %d of the %d jars still to fill can be filled", x.Likely, x.Jars)
}
