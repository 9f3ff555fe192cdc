// Package plan computes a household's plan: from its wishes to weeks, sowings, plants,
// bed area, harvest and work. Compute is a line of steps, listed in the function computedOf.
//
// It is pure: the same Input gives the same Plan, to the byte. Days are counted from the
// start of the table year, lengths are in metres, weights in kilograms, volumes in litres.
// A Plan is a value; functions that try a change compute a changed copy of the Input.
package plan

import (
	"cmp"
	"errors"
	"fmt"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/say"
	"inventory/internal/core/working"
)

// Input is all that a plan follows from.
type Input struct {
	AsOf      civil.Date // the date it is; what is past binds
	Household household.Household
	Memory    *Memory // keeps a place's seasons from plan to plan; nil: they are worked out anew

	// Unknown is what was left out of the household because the crop book does not
	// know it. Fitted finds it; a household that was not fitted is fitted by every
	// function that reckons.
	Unknown []household.Unknown

	Taught book.Taught       // what the record teaches of the book's figures
	Picked map[string]Picked // what came in until today, by the sowing; it moves the coming year alone
}

// Fitted returns the input with nothing in its household that the crop book does
// not know. The error is about the rest, as an invalid.Fields.
func (in Input) Fitted() (Input, error) {
	h, unknown, err := in.Household.Fitting(book.Usual())
	in.Household, in.Unknown = h, append(slices.Clone(in.Unknown), unknown...)
	return in, err
}

// Compute works a plan out of an input. A household that cannot stand gives
// invalid.Fields.
func Compute(in Input) (Plan, error) {
	w, err := worked(in, nil)
	if err != nil {
		return Plan{}, err
	}
	return w.plan, nil
}

// ComputeFitted is Compute for an input that Fitted has returned and nobody has changed
// since: it is not held against the book and the rules again.
func ComputeFitted(in Input) (Plan, error) {
	b, err := basisOf(in, nil)
	if err != nil {
		return Plan{}, err
	}
	return computedOf(b).plan, nil
}

// ErrNoFigure is the error of a figure that the plan does not have.
var ErrNoFigure = errors.New("the plan has no figure")

// Explain returns the working of one figure of the plan; ErrNoFigure where it has none.
func Explain(in Input, figure string) (working.Working, error) {
	rec := working.Record(func(f string) bool { return f == figure })
	if _, err := worked(in, rec); err != nil {
		return working.Working{}, err
	}
	if len(rec.Found) == 0 {
		return working.Working{}, fmt.Errorf("%w %q", ErrNoFigure, figure)
	}
	return *rec.Found[0], nil
}

// Workings returns the workings of every figure of the plan.
func Workings(in Input) ([]*working.Working, error) {
	rec := working.Record(func(string) bool { return true })
	if _, err := worked(in, rec); err != nil {
		return nil, err
	}
	return rec.Found, nil
}

// computed is a plan with all that was worked out on the way to it.
type computed struct {
	*basis
	weeks   weeks
	demands []*demand
	sown    []*sown    // by date
	served  [][]served // of every wish
	kitchen kitchenWork
	plan    Plan
	inTime  *computed // the plan as if nothing were past; nil until it is asked for
}

// worked fits an input to the book and computes its plan.
func worked(in Input, rec *working.Recorder) (*computed, error) {
	in, err := in.Fitted()
	if err != nil {
		return nil, err
	}
	b, err := basisOf(in, rec)
	if err != nil {
		return nil, err
	}
	return computedOf(b), nil
}

// computedOf computes a plan, one step after the other. The numbers are those of the steps of
// the model. Each step is in the file of its name: it takes what it reads and returns what
// it makes.
func computedOf(b *basis) *computed { // 1, 4: household, book, climate
	p := yearOf(b)
	past := recordedSowings(b)            // 6: what was sown binds
	b, past, s, missed := inTime(b, past) // 3, 5, 6: weeks, demands, sowings; what is past is past
	w, asked, next := s.weeks, s.asked, s.next
	size := sized(b, past, w, s.rows, next.used) // 7, 8: plants, seed, area, harvest

	w = w.withoutUnfed(append(next.unfed, size.unfed...))
	p.Wishes = wishesOf(b, w, asked, size.sown, asked.notes, next.notes, size.notes)
	all := byDate(size.sown)
	served := servedBy(len(p.Wishes), size.sown)
	for i := range p.Wishes {
		b.wishFigures(&p.Wishes[i], served[i])
	}
	tell(p.Wishes, smallBatches(asked.demands, p.Wishes))
	p.Missed, p.Over = missed.list, overOf(p.Wishes)
	tell(p.Wishes, missed.notes(w))
	w = w.withoutComing(youngPatches(asked.demands, p.Wishes))
	for i := range p.Wishes {
		x := &p.Wishes[i]
		x.Coming, x.ToFill = w.wishes[i].Coming[:], b.toFill(i, w.wishes[i], asked.demands, next.lots)
		if n := filled(w.wishes[i]); n > 0 {
			x.Notes = append(x.Notes, say.That(say.FilledAlready{Jars: n}))
		}
	}
	toCome := b.factors(served) // of what is picked already
	if toCome != nil {
		w = b.byWhatCame(w, p.Wishes, served, toCome)
		for i := range p.Wishes {
			p.Wishes[i].Coming = w.wishes[i].Coming[:]
		}
	}

	p.Windows = windowsOf(b, all)
	p.Tally = tallyOf(b, p.Wishes, len(all))
	p.Tally.Area, p.Tally.AreaWeek = fullestWeek(b, all)
	kitchen := kitchenOf(b, w, p.Wishes, all, served) // 13: what the kitchen must do
	p.Kitchen, p.Tally.Overloads = kitchen.Kitchen, len(kitchen.Overloads)
	if toCome != nil {
		p.Kitchen.Ahead = b.kitchenAhead(p.Wishes, served, toCome)
	}
	stores := storageOf(b, w, p.Wishes)
	p.Storage, p.Tally.Freezer = stores.rooms, stores.freezer
	for i := range p.Wishes {
		x := &p.Wishes[i]
		x.Batches, x.Hours, x.Frozen = kitchen.byWish[i].batches, kitchen.byWish[i].hours, stores.frozen[i]
	}
	p.Goals = goalsOf(b, w, p.Wishes, p.Tally.Jars)
	p.Shelf = shelfOf(b, w)
	crosses := crossings(b, all)
	hours, tasks := workOf(b, all) // 13: what the garden asks of people
	p.Work, p.Green, p.Chores = hours, greenOf(b), b.choresOf()
	p.Sowings = make([]Sowing, len(all))
	for i, back := range keptBack(all) {
		all[i].Crosses, all[i].Tasks, all[i].KeepBack = crosses[i], tasks[i], back
		p.Sowings[i] = all[i].Sowing
	}
	p.Changed = changedFrom(b.in.Household, &p)
	return &computed{basis: b, weeks: w, demands: asked.demands, sown: all, served: served, kitchen: kitchen, plan: p}
}

// byDate returns the sowings by date, then by name.
func byDate(all []*sown) []*sown {
	out := slices.Clone(all)
	slices.SortStableFunc(out, func(a, b *sown) int {
		return cmp.Or(cmp.Compare(a.Date, b.Date), cmp.Compare(a.CropName, b.CropName), cmp.Compare(a.ID, b.ID))
	})
	return out
}
