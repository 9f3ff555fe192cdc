package plan

import (
	"errors"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

// Remedy is a change that mends something, a gap in the year, a week with too much putting
// up, or a shortage of ground, with what the whole plan comes to after it. Every remedy is
// found by reckoning the changed input again.
type Remedy struct {
	Words say.Note `json:"words"`
	Change
	Effect
}

// Change is an edit: its command, and the one thing that the command takes.
type Change struct {
	Command  Command        `json:"command"`
	Wish     *wish.Wish     `json:"wish,omitempty"`     // as it would be
	Target   string         `json:"target,omitempty"`   // the wish that is left out
	Overrule *book.Overrule `json:"overrule,omitempty"` // the rule as it would be
	Customs  *bed.Customs   `json:"customs,omitempty"`
	Bed      *bed.Bed       `json:"bed,omitempty"` // one bed more
	Event    *Event         `json:"event,omitempty"`
	Events   []Event        `json:"events,omitempty"` // of log-all

	Habit *household.Habit `json:"habit,omitempty"` // how a crop is grown

	Growing []Growing `json:"growing,omitempty"` // of put-growing

	Wishes []wish.Wish `json:"wishes,omitempty"` // of put-wishes: each as it would be
	Remove []string    `json:"remove,omitempty"` // of put-wishes: the wishes that are left out
}

// Command names an edit that a change can be.
type Command string

// The commands of changes: of remedies, and of what is foreseen before it is taken.
const (
	ChangeWish Command = "change-wish"
	RemoveWish Command = "remove-wish"
	SetRule    Command = "overrule"
	SetCustoms Command = "set-customs"
	AddBed     Command = "add-bed"
	LogEvent   Command = "log"
	LogAll     Command = "log-all"
	SetHabit   Command = "set-habit"
	PutWishes  Command = "put-wishes"
	PutGrowing Command = "put-growing"
)

// Effect is what the whole plan comes to with a change, less what it comes to without. The
// figures that a remedy is not about are 0.
type Effect struct {
	Weeks   int     `json:"weeks"`   // gap weeks of the wish that it closes
	Batches float64 `json:"batches"` // batches too many that it takes away
	Left    int     `json:"left"`    // gap weeks, or weeks with too much to do, that remain
	Gains   float64 `json:"gains"`   // m² · weeks by which the shortage of ground falls
	Short   float64 `json:"short"`   // m² · weeks that are still short
	Lacks   float64 `json:"lacks"`   // m² of ground that it needs in some week and that no bed has
	Less    bool    `json:"less"`    // less is wished for, though as many weeks may be fed
	Fed     int     `json:"fed"`     // weeks fed
	Plants  int     `json:"plants"`
	Area    float64 `json:"area"` // m² of all sowings
	Jars    int     `json:"jars"`
	Freezer float64 `json:"freezer"` // L
	Hours   float64 `json:"hours"`   // of putting up
	Buy     float64 `json:"buy"`     // kg of the crop to buy; 0 where it is bought put up
}

// Costs reports whether a remedy takes something off the table or the shelf.
func (e Effect) Costs() bool { return e.Less || e.Fed < 0 || e.Jars < 0 }

func area(p *Plan) (sum float64) {
	for i := range p.Wishes {
		sum += p.Wishes[i].Area
	}
	return sum
}

// Between returns the effect of a change by the plans before and after it.
func Between(before, after *Plan) Effect {
	return Effect{
		Fed: after.Tally.WeeksFed - before.Tally.WeeksFed, Plants: after.Tally.Plants - before.Tally.Plants, Area: area(after) - area(before),
		Jars: after.Tally.Jars - before.Tally.Jars, Freezer: after.Tally.Freezer - before.Tally.Freezer, Hours: after.Kitchen.TotalHour - before.Kitchen.TotalHour,
	}
}

// errNotAllowed is what a change gives that the book does not know or allow.
var errNotAllowed = errors.New("the crop book does not allow it")

// complete reports whether a change has what its command takes.
func (c Change) complete() bool {
	switch c.Command {
	case ChangeWish:
		return c.Wish != nil
	case RemoveWish:
		return c.Target != ""
	case SetRule:
		return c.Overrule != nil
	case SetCustoms:
		return c.Customs != nil
	case AddBed:
		return c.Bed != nil
	case LogEvent:
		return c.Event != nil
	case LogAll:
		return len(c.Events) > 0
	case SetHabit:
		return c.Habit != nil
	case PutWishes:
		return len(c.Wishes)+len(c.Remove) > 0
	case PutGrowing:
		return len(c.Growing) > 0
	}
	return false
}

// With returns an input with a change made. The input itself stays as it is. The error is
// an invalid.Field where the change lacks what its command takes, or that of Log for an
// event that cannot be.
func (in Input) With(c Change) (Input, error) {
	if !c.complete() {
		return in, &invalid.Field{Field: "command", Value: string(c.Command), Allowed: "a command of a change, with what it takes"}
	}
	switch c.Command {
	case LogEvent:
		changed, _, err := in.Logged([]Event{*c.Event})
		return changed, err
	case LogAll:
		changed, _, err := in.Logged(c.Events)
		return changed, err
	case PutGrowing:
		changed, _, err := in.Grow(c.Growing)
		return changed, err
	}
	return in.decided(c), nil
}

// decided returns an input with something decided otherwise.
func (in Input) decided(c Change) Input {
	h := &in.Household
	switch c.Command {
	case ChangeWish:
		if i := slices.IndexFunc(h.Wishes, func(w wish.Wish) bool { return w.ID == c.Wish.ID }); i >= 0 {
			h.Wishes = slices.Clone(h.Wishes)
			h.Wishes[i] = *c.Wish
		}
	case RemoveWish:
		h.Wishes = slices.DeleteFunc(slices.Clone(h.Wishes), func(w wish.Wish) bool { return w.ID == c.Target })
	case SetRule:
		same := func(o book.Overrule) bool { return o.Subject == c.Overrule.Subject && o.Field == c.Overrule.Field }
		h.Overrules = append(slices.DeleteFunc(slices.Clone(h.Overrules), same), *c.Overrule)
	case SetCustoms:
		h.Customs = c.Customs
	case SetHabit:
		same := func(x household.Habit) bool { return x.Crop == c.Habit.Crop }
		h.Habits = append(slices.DeleteFunc(slices.Clone(h.Habits), same), *c.Habit)
	case PutWishes:
		h.Wishes = slices.DeleteFunc(slices.Clone(h.Wishes), func(w wish.Wish) bool { return slices.Contains(c.Remove, w.ID) })
		for _, x := range c.Wishes {
			if i := slices.IndexFunc(h.Wishes, func(w wish.Wish) bool { return w.ID == x.ID }); i >= 0 {
				h.Wishes[i] = x
			}
		}
	case AddBed:
		b := *c.Bed
		b.ID = "another" // until the household has it
		h.Beds = append(slices.Clone(h.Beds), b)
	}
	return in
}

// Changed works out the plan of an input with a change made. A change that would only be
// left out of the plan is an error.
func (in Input) Changed(c Change) (Input, Plan, error) {
	changed, err := in.With(c)
	if err != nil {
		return changed, Plan{}, err
	}
	p, err := Compute(changed)
	if err == nil && len(p.Unknown) > len(in.Unknown) {
		err = errNotAllowed
	}
	return changed, p, err
}
