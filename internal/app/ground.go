package app

import (
	"context"

	"inventory/internal/core/ground"
)

// Laid is a layout with the plan that it belongs to.
type Laid struct {
	Of     *Planned
	Input  ground.Input
	Layout ground.Layout
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
	a.laid = out
	return out, nil
}
