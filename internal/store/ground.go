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
	customs, err := q.GetCustoms(ctx)
	if err != nil {
		return err
	}
	for _, body := range customs {
		if err := s.add(kindCustoms, "", 0, json.RawMessage(body)); err != nil {
			return err
		}
	}
	placements, err := q.ListPlacements(ctx)
	if err != nil {
		return err
	}
	for _, r := range placements {
		p := bed.Placement{Sowing: r.Sowing, Bed: r.Bed, At: r.At, Exception: r.Bend != 0, Stands: r.Stands != 0}
		if r.Parts != "" {
			if err := json.Unmarshal([]byte(r.Parts), &p.Parts); err != nil {
				return err
			}
		}
		if err := s.add(kindPlacement, r.Sowing, r.Position, p); err != nil {
			return err
		}
	}
	return nil
}

func putPlacement(ctx context.Context, q *rows.Queries, at float64, p bed.Placement) error {
	parts := ""
	if len(p.Parts) > 0 {
		text, err := json.Marshal(p.Parts)
		if err != nil {
			return err
		}
		parts = string(text)
	}
	return q.PutPlacement(ctx, rows.PutPlacementParams{Sowing: p.Sowing, Position: at, Bed: p.Bed, At: p.At, Bend: integer(p.Exception), Stands: integer(p.Stands), Parts: parts})
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
		if beds[i] = beds[i].Filled(); beds[i].ID == "" {
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

// changeBeds changes several beds at once.
func (d *drafter) changeBeds(beds []bed.Bed) error {
	if len(beds) == 0 {
		return missing("beds")
	}
	for i, b := range beds {
		if _, there := d.state.items[key{kindBed, b.ID}]; !there {
			return &invalid.Field{Field: invalid.Element("beds", i) + ".id", Value: b.ID, Allowed: "a bed that is there; somebody may have removed it"}
		}
		if err := d.set(kindBed, b.ID, 0, b.Filled()); err != nil {
			return err
		}
	}
	d.words, d.about = fmt.Sprintf("changed %d beds", len(beds)), key{}
	return nil
}

// mostParts is into how many parts at most a bed is divided.
const mostParts = 12

// divideBed puts the equal parts of a bed in its place; sowings put in it by hand
// find their own bed again.
func (d *drafter) divideBed(id string, parts int) error {
	if parts < 2 || parts > mostParts {
		return &invalid.Field{Field: "parts", Value: fmt.Sprint(parts), Allowed: fmt.Sprintf("2 to %d parts", mostParts)}
	}
	old, there := d.state.items[key{kindBed, id}]
	var whole bed.Bed
	if there {
		if err := json.Unmarshal(old.Value, &whole); err != nil {
			return err
		}
	}
	if whole.Kind == bed.Containers && parts > whole.Count {
		return &invalid.Field{Field: "parts", Value: fmt.Sprint(parts), Allowed: fmt.Sprintf("at most %d, one for each container", whole.Count)}
	}
	if err := d.drop(kindBed, id); err != nil {
		return err
	}
	for k, it := range d.state.items {
		var p bed.Placement
		if k.Kind == kindPlacement && json.Unmarshal(it.Value, &p) == nil && p.Bed == id {
			if err := d.drop(kindPlacement, k.ID); err != nil {
				return err
			}
		}
	}
	for i, part := range whole.Divided(parts) {
		part.ID = newID("b")
		if err := d.set(kindBed, part.ID, old.Position+float64(i)/float64(2*parts), part); err != nil {
			return err
		}
	}
	d.words, d.about = fmt.Sprintf("divided %s into %d", whole.Name, parts), key{}
	return nil
}
