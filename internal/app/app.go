// Package app is the application: one function a use case, over the store and the core.
// What the browser and the command line do is here; api only translates, and no rule of
// growing is here.
//
// An App may be used by several goroutines. What it returns is shared and must not be
// changed.
package app

import (
	"context"
	"errors"
	"slices"
	"sync"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/daybook"
	"inventory/internal/core/household"
	"inventory/internal/core/learn"
	"inventory/internal/core/plan"
	"inventory/internal/store"
)

// ErrNoHousehold is returned where a household is needed and the file has none yet.
var ErrNoHousehold = errors.New("there is no household yet")

// App answers for the household of one file.
type App struct {
	store *store.Store
	asOf  func() civil.Date

	memory plan.Memory // of the place's seasons, from one plan to the next

	mu      sync.Mutex
	planned []*Planned // the last revisions, the newest last

	fitting sync.Mutex
	laid    *Laid // the last layout

	teaching  teaching
	questions questions
	forecasts forecasts
}

// New returns the application over an open store. AsOf tells the date it is.
func New(st *store.Store, asOf func() civil.Date) *App { return &App{store: st, asOf: asOf} }

// Today returns the date it is.
func (a *App) Today() civil.Date { return a.asOf() }

// Planned is the household at a revision with its plan.
type Planned struct {
	Snapshot store.Snapshot
	Input    plan.Input // without what the crop book does not know; zero where there is no household
	Plan     plan.Plan
	Today    civil.Date
	Learned  *learn.Learned // what the record teaches; nil where there is no household
}

// remembered is how many revisions are kept with their plans, for those who ask what has
// changed since the one they have.
const remembered = 6

// planOf returns the plan of a snapshot, computed once for a revision and a day.
func (a *App) planOf(snap store.Snapshot) (*Planned, error) {
	a.mu.Lock()
	defer a.mu.Unlock()
	today := a.asOf()
	for _, p := range a.planned {
		if p.Snapshot.Revision == snap.Revision && p.Today == today {
			return p, nil
		}
	}
	p := &Planned{Snapshot: snap, Today: today}
	if snap.Household != nil {
		if snap.Wrong != nil {
			return nil, snap.Wrong
		}
		p.Input = plan.Input{AsOf: today, Household: snap.Known, Memory: &a.memory, Unknown: snap.Unknown}
		p.Input.Picked = daybook.PickedOf(snap.Record, today)
		p.Input.Household.PutIn = snap.Record.PutIn(snap.Known.Lots, today)
		p.Input.Household.Lots = snap.Record.Standing(snap.Known.Lots, today)
		var err error
		if p.Input, p.Learned, err = a.teaching.teach(p.Input, snap.Record); err != nil {
			return nil, err
		}
		if p.Plan, err = plan.ComputeFitted(p.Input); err != nil {
			return nil, err
		}
	}
	a.planned = append(a.planned, p)
	if n := len(a.planned) - remembered; n > 0 {
		a.planned = slices.Clone(a.planned[n:])
	}
	return p, nil
}

// At returns the household as it was at a revision, today; nil where that is no longer kept.
func (a *App) At(revision int) *Planned {
	a.mu.Lock()
	defer a.mu.Unlock()
	today := a.asOf()
	for _, p := range a.planned {
		if p.Snapshot.Revision == revision && p.Today == today {
			return p
		}
	}
	return nil
}

// Now returns the household as it is, with its plan.
func (a *App) Now(ctx context.Context) (*Planned, error) {
	snap, err := a.store.Load(ctx)
	if err != nil {
		return nil, err
	}
	return a.planOf(snap)
}

// Begun returns the household as it is, or ErrNoHousehold.
func (a *App) Begun(ctx context.Context) (*Planned, error) {
	p, err := a.Now(ctx)
	if err == nil && p.Snapshot.Household == nil {
		err = ErrNoHousehold
	}
	return p, err
}

// withBook returns the household as it is, with its crop book; or ErrNoHousehold.
func (a *App) withBook(ctx context.Context) (*Planned, *book.Book, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, nil, err
	}
	b, _, _, err := now.Input.Household.Book(book.Usual())
	return now, b, err
}

// Book returns the crop book as the household has it and the household; the usual book and
// nil where there is none yet.
func (a *App) Book(ctx context.Context) (*book.Book, *household.Household, error) {
	p, err := a.Now(ctx)
	if err != nil || p.Snapshot.Household == nil {
		return book.Usual(), nil, err
	}
	b, _, _, err := p.Input.Household.Book(book.Usual())
	return b, &p.Input.Household, err
}
