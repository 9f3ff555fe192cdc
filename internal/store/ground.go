package store

import (
	"context"
	"encoding/json"
	"fmt"

	"inventory/internal/core/bed"
	"inventory/internal/core/invalid"
	"inventory/internal/store/gen/rows"
)

// loadGround reads the plot and its beds.
func loadGround(ctx context.Context, q *rows.Queries, s *state) error {
	plots, err := q.GetPlot(ctx)
	if err != nil {
		return err
	}
	for _, r := range plots {
		if err := s.add(kindPlot, "", 0, json.RawMessage(r.Body)); err != nil {
			return err
		}
	}
	beds, err := q.ListBeds(ctx)
	if err != nil {
		return err
	}
	for _, r := range beds {
		if err := s.add(kindBed, r.ID, r.Position, json.RawMessage(r.Body)); err != nil {
			return err
		}
	}
	placements, err := q.ListPlacements(ctx)
	if err != nil {
		return err
	}
	for _, r := range placements {
		p := bed.Placement{Sowing: r.Sowing, Bed: r.Bed, At: r.At, Bend: r.Bend != 0}
		if err := s.add(kindPlacement, r.Sowing, r.Position, p); err != nil {
			return err
		}
	}
	return nil
}

// place puts a sowing in a bed.
func (d *drafter) place(e *Edit) error {
	if e.Placement == nil || e.Placement.Sowing == "" {
		return missing("placement")
	}
	err := d.set(kindPlacement, e.Placement.Sowing, 0, e.Placement)
	if d.words = e.Words; d.words == "" {
		d.words = "put " + e.Placement.Sowing + " in a bed"
	}
	return err
}

// addBeds lays several beds out at once, with the plot that they are laid out on
// where that is given.
func (d *drafter) addBeds(plot *bed.Plot, beds []bed.Bed) error {
	if plot == nil && len(beds) == 0 {
		return missing("beds")
	}
	if plot != nil {
		if err := d.set(kindPlot, "", 0, plot); err != nil {
			return err
		}
	}
	for i := range beds {
		if beds[i].ID == "" {
			beds[i].ID = newID("b")
		}
		k := key{kindBed, beds[i].ID}
		if _, twice := d.state.items[k]; twice {
			return &invalid.Field{Field: "id", Value: beds[i].ID, Allowed: "an id of its own; another bed has it"}
		}
		if err := d.set(kindBed, beds[i].ID, 0, beds[i]); err != nil {
			return err
		}
	}
	d.words = fmt.Sprintf("laid out %d beds", len(beds))
	if len(beds) == 0 {
		d.words = "changed the plot"
		d.about = key{Kind: kindPlot}
	} else if len(beds) > 1 {
		d.about = key{}
	}
	return nil
}
