package app

import (
	"context"
	"time"

	"inventory/internal/core/civil"
	"inventory/internal/core/daybook"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/exchange"
)

// How often a scale is asked while it settles, and for how long it may swing.
const (
	scaleAsked    = 150 * time.Millisecond
	scalePatience = 6 * time.Second
)

// Pickings returns what is likely to come in today.
func (a *App) Pickings(ctx context.Context) ([]daybook.Picking, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	return daybook.Pickings(&now.Plan, b, now.Today), nil
}

// Outlooks returns what is still to come of every planting of which something was picked.
func (a *App) Outlooks(ctx context.Context) ([]daybook.Outlook, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, "outlooks", now, func(context.Context) ([]daybook.Outlook, error) {
		courses, err := plan.Courses(now.Input)
		if err != nil {
			return nil, err
		}
		return daybook.Outlooks(courses, now.Input.Picked, now.Today), nil
	})
}

// Seasons returns what was expected of every food this year, what came in and what is to come.
func (a *App) Seasons(ctx context.Context) ([]daybook.FoodSeason, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, "seasons", now, func(context.Context) ([]daybook.FoodSeason, error) {
		courses, err := plan.Courses(now.Input)
		if err != nil {
			return nil, err
		}
		return daybook.Seasons(courses, now.Snapshot.Record, b, now.Plan.Weeks[0], now.Today), nil
	})
}

// Rates returns how fast the lots on the shelf are really drawn on.
func (a *App) Rates(ctx context.Context) ([]daybook.LotRate, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	return daybook.Rates(now.Snapshot.Record, now.Snapshot.Known.Lots, now.Today), nil
}

// Bags returns what the animals and others want of what came in this week.
func (a *App) Bags(ctx context.Context) ([]daybook.Bag, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	return daybook.Bags(&now.Plan, now.Input.Household.Wishes, b, now.Snapshot.Record, now.Today), nil
}

// Kitchen returns what waits to be put up today.
func (a *App) Kitchen(ctx context.Context) ([]daybook.Waits, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	return daybook.Kitchen(&now.Plan, now.Input.Household.Wishes, b, now.Snapshot.Record, now.Today), nil
}

// Balances returns what came in of every food from one day to another, and where it went.
func (a *App) Balances(ctx context.Context, from, to civil.Date) ([]daybook.FoodBalance, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	return daybook.Balances(now.Snapshot.Record, b, from, to), nil
}

// scaleAt returns where the household's scale answers: as it says in House, or else the one that
// the command line names.
func (a *App) scaleAt(ctx context.Context, known string) (string, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return "", err
	}
	if at := now.Snapshot.Household.Scale; at != "" {
		return at, nil
	}
	if known == "" {
		return "", &invalid.Field{Field: "scale", Allowed: "Enter the address of a kitchen scale in House."}
	}
	return known, nil
}

// Scale returns what the household's scale shows. Known is the address that the command line names.
func (a *App) Scale(ctx context.Context, known string) (exchange.ScaleReading, error) {
	at, err := a.scaleAt(ctx, known)
	if err != nil {
		return exchange.ScaleReading{}, err
	}
	return exchange.ReadScale(ctx, at)
}

// Tare calls what lies on the household's scale nothing: the empty basket.
func (a *App) Tare(ctx context.Context, known string) error {
	at, err := a.scaleAt(ctx, known)
	if err != nil {
		return err
	}
	return exchange.TareScale(ctx, at)
}

// Load puts something on the household's scale, where it is a simulated one.
func (a *App) Load(ctx context.Context, known string, kg float64) error {
	at, err := a.scaleAt(ctx, known)
	if err != nil {
		return err
	}
	return exchange.SimulateScale(ctx, at, kg)
}

// Weigh waits until the household's scale has settled, and enters what lies on it as a harvest.
// The weight is the server's to read: what a browser says of it may be old.
func (a *App) Weigh(ctx context.Context, by Stamp, known string, e record.Entry) (Done, error) {
	at, err := a.scaleAt(ctx, known)
	if err != nil {
		return Done{}, err
	}
	r, err := settled(ctx, at)
	if err != nil {
		return Done{}, err
	}
	e.Act, e.Gram, e.Day = record.Harvest, r.Gram, a.Today()
	return a.Record(ctx, by, []record.Entry{e})
}

// settled reads a scale until its weight is stable.
func settled(ctx context.Context, at string) (exchange.ScaleReading, error) {
	ctx, cancel := context.WithTimeout(ctx, scalePatience)
	defer cancel()
	unsettled := &invalid.Field{Field: "scale", Allowed: "Keep the scale still: its weight does not settle."}
	tick := time.NewTicker(scaleAsked)
	defer tick.Stop()
	for {
		r, err := exchange.ReadScale(ctx, at)
		switch {
		case err != nil && ctx.Err() != nil:
			return r, unsettled
		case err != nil:
			return r, err
		case r.Overload:
			return r, &invalid.Field{Field: "scale", Allowed: "Take something off the scale: it is overloaded."}
		case r.Stable && r.Gram <= 0:
			return r, &invalid.Field{Field: "scale", Allowed: "Put something on the scale: it shows nothing. Tare it with the empty basket first."}
		case r.Stable:
			return r, nil
		}
		select {
		case <-ctx.Done():
			return r, unsettled
		case <-tick.C:
		}
	}
}
