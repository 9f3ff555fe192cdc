package app

import (
	"context"
	"strconv"

	"inventory/internal/core/backwards"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
	"inventory/internal/store"
)

// Laid is a layout with the plan that it belongs to.
type Laid struct {
	Of     *Planned
	Input  ground.Input
	Layout ground.Layout
	Fed    *ground.Fed // what of the plan has ground; nil where there is no bed yet
}

// Layout returns where everything grows.
func (a *App) Layout(ctx context.Context) (*Laid, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	return a.layoutOf(now)
}

// layoutOf returns the layout of a plan. What changes nothing in the beds is not fitted
// again, and whoever asks for the same layout waits for it.
func (a *App) layoutOf(p *Planned) (*Laid, error) {
	a.fitting.Lock()
	defer a.fitting.Unlock()
	last := a.laid
	if last != nil && last.Of == p {
		return last, nil
	}
	in, err := ground.InputOf(p.Input, p.Plan)
	if err != nil {
		return nil, err
	}
	out := &Laid{Of: p, Input: in}
	if last != nil && ground.Same(last.Input, in) {
		out.Layout = last.Layout
	} else {
		out.Layout = ground.Fit(in)
	}
	out.Fed = ground.FedBy(p.Plan, out.Layout)
	a.laid = out
	return out, nil
}

// FitWishes returns what of the wishes to grow so that all of it has ground; nil where all
// has, or where nothing was found that feeds as many weeks.
func (a *App) FitWishes(ctx context.Context) (*backwards.Proposal, error) {
	l, err := a.Layout(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, "fitted wishes", l.Of, func(ctx context.Context) (*backwards.Proposal, error) {
		return backwards.FitWishes(ctx, l.Of.Input, l.Of.Plan, l.Input, l.Layout)
	})
}

// YearTurn says what goes over into the next table year, and what that would be.
func (a *App) YearTurn(ctx context.Context) (ground.Turn, error) {
	l, err := a.Layout(ctx)
	if err != nil {
		return ground.Turn{}, err
	}
	return ask(ctx, a, "year turn", l.Of, func(context.Context) (ground.Turn, error) {
		turn, err := ground.TurnOf(l.Of.Input, l.Of.Plan, l.Input, l.Layout)
		if err != nil {
			return ground.Turn{}, err
		}
		turn.Coming, err = ground.LookAhead(l.Of.Input, turn)
		return turn, err
	})
}

// YearBefore returns the table year that was ended last, as it was on its last day; nil where
// none was ended in this file.
func (a *App) YearBefore(ctx context.Context) (*ground.OtherYear, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, "year before", now, func(ctx context.Context) (*ground.OtherYear, error) {
		h, err := a.store.YearBefore(ctx)
		if err != nil || h == nil {
			return nil, err
		}
		last := h.YearStart() + place.Days - 1
		return ground.LookBack(plan.Input{AsOf: min(last, now.Today), Household: *h, Memory: &a.memory})
	})
}

// ended returns the year that ends, as it is kept: its wishes, and its plan as it was agreed to, or
// else as it stands.
func ended(now *Planned, h *household.Household) (*household.PastYear, error) {
	y := &household.PastYear{ID: strconv.Itoa(h.Year), Plan: now.Plan.Baseline(), Wishes: h.Wishes}
	if y.Plan.Year = h.Year; h.Baseline != nil && h.Baseline.Year == h.Year {
		y.Plan = *h.Baseline
	}
	grown, err := plan.GrownIn(now.Input)
	y.Grown = grown
	return y, err
}

// TurnYear begins the next table year as one edit, which one undo takes back: with the wishes that were
// changed for it, and without those that are left out.
func (a *App) TurnYear(ctx context.Context, by Stamp, wishes []wish.Wish, without []string) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		l, err := a.layoutOf(now)
		if err != nil {
			return store.Edit{}, err
		}
		turn, err := ground.TurnOf(now.Input, now.Plan, l.Input, l.Layout)
		if err != nil {
			return store.Edit{}, err
		}
		h := now.Snapshot.Household
		past, err := ended(now, h)
		if err != nil {
			return store.Edit{}, err
		}
		return store.Edit{Command: "turn-year", Past: past, Wishes: wishes, Remove: without, Beds: turn.Beds, Placements: turn.Placements, Settings: &store.Settings{Name: h.Name, Year: turn.Year, Start: h.Start, Risk: h.Risk, School: h.School}}, nil
	})
}

// Explain returns the working of a figure; of weeks fed and jars down to what has ground. The
// error is plan.ErrNoFigure where there is no such figure.
func (a *App) Explain(ctx context.Context, figure string) (working.Working, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return working.Working{}, err
	}
	w, err := plan.Explain(now.Input, figure)
	if err != nil {
		return w, err
	}
	if len(now.Snapshot.Household.Beds) > 0 && ground.Explains(figure) {
		laid, err := a.layoutOf(now)
		if err != nil {
			return w, err
		}
		laid.Fed.Explain(now.Plan, &w)
	}
	return w, nil
}
