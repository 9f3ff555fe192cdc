package app

import (
	"context"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/store"
)

// Done is the household after an edit, and as it was when its client made the edit; Before is
// nil where that is no longer kept.
type Done struct {
	*Planned
	Before *Planned
}

// done plans what an edit has left. Since is the revision that it was made against.
func (a *App) done(since int, snap store.Snapshot, err error) (Done, error) {
	if err != nil {
		return Done{}, err
	}
	before := a.At(since)
	now, err := a.planOf(snap)
	return Done{now, before}, err
}

// Edit does one edit. To keep the plan is to keep it as it is now, with its layout.
func (a *App) Edit(ctx context.Context, e store.Edit) (Done, error) {
	if e.Household != nil && e.Household.Year == 0 { // a newcomer's: the year that lies ahead
		e.Household.Year, e.Household.Since = e.Household.FirstYear(a.asOf()), a.asOf()
	}
	before, err := a.Now(ctx)
	if err != nil {
		return Done{}, err
	}
	if e.Wish != nil && e.Wish.Cover != "" && before.Snapshot.Household != nil {
		if err := plan.NewCover(before.Input, *e.Wish); err != nil {
			return Done{}, err
		}
	}
	if e.Command == "agree" && before.Snapshot.Household != nil && before.Snapshot.Revision == e.Revision {
		if e.Agreement, err = a.baseline(before); err != nil {
			return Done{}, err
		}
	}
	snap, err := a.store.Apply(ctx, e)
	return a.done(e.Revision, snap, err)
}

// baseline returns what is kept of a plan: its sowings, and where everything grows by it.
// What was kept before stays where it can.
func (a *App) baseline(p *Planned) (*record.Baseline, error) {
	_, _, l, err := ground.Of(p.Input)
	if err != nil {
		return nil, err
	}
	out := p.Plan.Baseline()
	out.Year, out.Laid = p.Input.Household.Year, l.Laid()
	return &out, nil
}

// Stamp says whose edit it is, its own id, and the revision it was made against.
type Stamp struct {
	Client   string
	ID       string
	Revision int
}

// Log records what somebody did to a sowing or saw of it. What follows from it is worked out
// against the plan as it is.
func (a *App) Log(ctx context.Context, by Stamp, event plan.Event) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		out, err := plan.Log(now.Input, event)
		if err != nil {
			return store.Edit{}, err
		}
		e := store.Edit{Command: "put-planting", Planting: out.Planting, Lot: out.Lot, Words: out.Happened.String()}
		if e.Placement, err = a.growsAt(now, out.Planting); err != nil {
			return store.Edit{}, err
		}
		if out.Planting != nil {
			if e.Customs, err = a.holds(now, *out.Planting); err != nil {
				return store.Edit{}, err
			}
		}
		if out.Patch != nil {
			e.Command, e.Patch = "add-patch", out.Patch
		}
		return e, nil
	})
}

// LogAll puts several events down as one edit, which one undo takes back.
func (a *App) LogAll(ctx context.Context, by Stamp, events []plan.Event) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		return a.put(now, events)
	})
}

// put returns the edit that puts events down: what becomes of their sowings, where they then
// stand and what goes on the shelf.
func (a *App) put(now *Planned, events []plan.Event) (store.Edit, error) {
	changed, outcomes, err := now.Input.Logged(events)
	if err != nil {
		return store.Edit{}, err
	}
	e := store.Edit{Command: "put-plantings"}
	for i, out := range outcomes {
		if out.Planting == nil {
			return store.Edit{}, &invalid.Field{Field: invalid.Element("events", i), Value: events[i].Sowing, Allowed: "Choose sowings of one season. Record a plant that stays for years by itself."}
		}
		e.Words = out.Happened.String()
		e.Plantings = slices.DeleteFunc(e.Plantings, func(p record.Planting) bool { return p.ID == out.Planting.ID })
		e.Plantings = append(e.Plantings, *out.Planting)
		if out.Lot != nil {
			e.Lots = append(e.Lots, *out.Lot)
		}
	}
	if e.Placements, err = a.growAt(changed, e.Plantings); err != nil {
		return store.Edit{}, err
	}
	if len(e.Plantings) > 1 {
		e.Words = say.Recorded{Sowings: len(e.Plantings)}.String()
	}
	e.Customs, err = a.holds(now, e.Plantings...)
	return e, err
}

// Grow puts down what grows already, or is to be begun from what is at hand, as one edit.
func (a *App) Grow(ctx context.Context, by Stamp, all []plan.Growing) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		changed, grown, err := now.Input.Grow(all)
		if err != nil {
			return store.Edit{}, err
		}
		at, err := ground.PlacesOf(changed, all, grown)
		return store.Edit{
			Command: "put-plantings", Plantings: grown.Plantings, Patches: grown.Patches, Placements: at,
			Words: grown.Happened.String(),
		}, err
	})
}

// holds returns the customs that hold every place as the layout has it, where something is put
// down as begun: who works in the beds relies on what is told of them. It returns nil where
// nothing is begun, or all is held.
func (a *App) holds(now *Planned, put ...record.Planting) (*bed.Customs, error) {
	if len(now.Input.Household.Beds) == 0 || !slices.ContainsFunc(put, func(p record.Planting) bool { return p.Begun() }) {
		return nil, nil
	}
	l, err := a.layoutOf(now)
	if err != nil {
		return nil, err
	}
	return ground.HoldPlaces(now.Input, l.Layout), nil
}

// Hold holds every place as the layout has it now. Where all is held it is an invalid.Field.
func (a *App) Hold(ctx context.Context, by Stamp) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		l, err := a.layoutOf(now)
		if err != nil {
			return store.Edit{}, err
		}
		u := ground.HoldPlaces(now.Input, l.Layout)
		if u == nil {
			return store.Edit{}, &invalid.Field{Field: "places", Allowed: "Nothing to keep: every bed is kept already."}
		}
		return store.Edit{Command: "set-customs", Customs: u, Words: say.PlacesHeld{}.String()}, nil
	})
}

// growAt returns where several sowings grow that were put down at once: where one layout has
// all of them. What it has no room for is left out, and asked about in Ground.
func (a *App) growAt(changed plan.Input, put []record.Planting) (out []bed.Placement, err error) {
	if len(changed.Household.Beds) == 0 {
		return nil, nil
	}
	p, in, l, err := ground.Of(changed)
	if err != nil {
		return nil, err
	}
	for _, s := range p.Sowings {
		if !s.InBed || !slices.ContainsFunc(put, func(x record.Planting) bool { return x.ID == s.ID }) {
			continue
		}
		if at := ground.StandsAt(in, l, s.ID); at != nil {
			out = append(out, *at)
		}
	}
	return out, nil
}

// once makes an edit against the household as it is and does it; an edit of the same id that
// was done before is not made again.
func (a *App) once(ctx context.Context, by Stamp, edit func(now *Planned) (store.Edit, error)) (Done, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return Done{}, err
	}
	if again, snap, err := a.store.Seen(ctx, by.ID); err != nil || again {
		return a.done(by.Revision, snap, err)
	}
	e, err := edit(now)
	if err != nil {
		return Done{}, err
	}
	e.Client, e.ID, e.Revision = by.Client, by.ID, by.Revision
	snap, err := a.store.Apply(ctx, e)
	return a.done(by.Revision, snap, err)
}

// growsAt returns where a sowing grows once it is in the ground: where the layout had it
// when it was sown or planted out; nil where it is indoors still.
func (a *App) growsAt(now *Planned, p *record.Planting) (*bed.Placement, error) {
	if p == nil || p.Out == nil && p.Sown == nil {
		return nil, nil
	}
	l, err := a.layoutOf(now)
	if err != nil {
		return nil, err
	}
	i := slices.IndexFunc(now.Plan.Sowings, func(x plan.Sowing) bool { return x.ID == p.ID })
	if i < 0 || !p.InBed(now.Plan.Sowings[i].Method == season.Indoors, a.asOf()) {
		return nil, nil
	}
	return ground.StandsAt(l.Input, l.Layout, p.ID), nil
}

// Placing asks for a sowing to be put in a bed: At is where, m from its beginning, or less
// than 0 for the first free stretch; Exception lets it break the rotation; Stays puts it
// where the layout has it.
type Placing struct {
	Sowing    string
	Bed       string
	At        float64
	Exception bool
	Stays     bool
}

// Place puts a sowing in a bed.
func (a *App) Place(ctx context.Context, by Stamp, ask Placing) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		l, err := a.layoutOf(now)
		if err != nil {
			return store.Edit{}, err
		}
		p, words, err := placed(l, ask)
		return store.Edit{Command: "put-placement", Placement: p, Words: words}, err
	})
}

// placed works out where a sowing is put, and says it. What is growing already is put down
// where it grows, whatever grew there before.
func placed(l *Laid, ask Placing) (*bed.Placement, string, error) {
	name, grows := ask.Sowing, false
	if i := slices.IndexFunc(l.Of.Plan.Sowings, func(x plan.Sowing) bool { return x.ID == ask.Sowing }); i >= 0 {
		x := l.Of.Plan.Sowings[i]
		name = x.CropName + " of " + x.Date.Short()
		grows = x.InBed
	}
	if ask.Stays {
		if p := ground.StandsAt(l.Input, l.Layout, ask.Sowing); p != nil && grows {
			return p, "recorded where " + name + " stands", nil
		}
		return nil, "", &invalid.Field{Field: "sowing", Value: ask.Sowing, Allowed: "Choose a crop that is growing already, has its bed in the layout and has not been recorded there."}
	}
	p, err := ground.Put(l.Input, ask.Sowing, ask.Bed, ask.At, grows || ask.Exception)
	if err != nil {
		return nil, "", err
	}
	p.Stands = p.Stands || grows
	words := "moved it to another bed"
	for _, k := range l.Input.Beds {
		if k.ID == p.Bed {
			words = "put " + name + " in " + k.Name
		}
	}
	return &p, words, nil
}

// Undo takes back the last edit, which the client names.
func (a *App) Undo(ctx context.Context, client, id string, of store.LastEdit) (Done, error) {
	return a.step(ctx, func() (store.Snapshot, error) { return a.store.Undo(ctx, client, id, of) })
}

// Redo does the last edit again that was taken back.
func (a *App) Redo(ctx context.Context, client, id string, of store.LastEdit) (Done, error) {
	return a.step(ctx, func() (store.Snapshot, error) { return a.store.Redo(ctx, client, id, of) })
}

func (a *App) step(ctx context.Context, do func() (store.Snapshot, error)) (Done, error) {
	before, err := a.Now(ctx) // what was before is wanted for the differences
	if err != nil {
		return Done{}, err
	}
	snap, err := do()
	return a.done(before.Snapshot.Revision, snap, err)
}
