package store

import (
	"cmp"
	"encoding/json"
	"fmt"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/invalid"
)

// unplace lets a sowing find its own bed again.
func (d *drafter) unplace(e *Edit) error {
	err := d.drop(placementKind, e.Target)
	if d.words = e.Words; d.words == "" {
		d.words = "let the plan choose the bed again"
	}
	return err
}

func (d *drafter) setCustoms(e *Edit) error {
	if e.Customs == nil {
		return missing("customs")
	}
	e.Customs.Number()
	d.words = cmp.Or(e.Words, "changed the rules for beds")
	return d.set(customsKind, "", 0, e.Customs)
}

func (d *drafter) setLearning(e *Edit) error {
	if e.Learning == nil {
		return missing("learning")
	}
	d.words = cmp.Or(e.Words, "changed what is learned from the record")
	return d.set(learningKind, "", 0, e.Learning)
}

// place puts a sowing in a bed.
func (d *drafter) place(e *Edit) error {
	if e.Placement == nil || e.Placement.Sowing == "" {
		return missing("placement")
	}
	err := d.set(placementKind, e.Placement.Sowing, 0, e.Placement)
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
		of, about := plotKind, key{Kind: plotKind.name}
		if plot.ID != "" {
			of, about = furtherPlotKind, key{furtherPlotKind.name, plot.ID}
		}
		if err := d.set(of, plot.ID, 0, plot); err != nil {
			return err
		}
		d.about = about
	}
	for i := range beds {
		if beds[i] = beds[i].Filled(); beds[i].ID == "" {
			beds[i].ID = NewID("b")
		}
		k := key{bedKind.name, beds[i].ID}
		if _, twice := d.state.items[k]; twice {
			return &invalid.Field{Field: "id", Value: beds[i].ID, Allowed: "an id of its own; another bed has it"}
		}
		if err := d.set(bedKind, beds[i].ID, 0, beds[i]); err != nil {
			return err
		}
	}
	d.words = fmt.Sprintf("laid out %d beds", len(beds))
	if len(beds) == 0 {
		d.words = "changed the plot"
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
		if _, there := d.state.items[key{bedKind.name, b.ID}]; !there {
			return &invalid.Field{Field: invalid.Element("beds", i) + ".id", Value: b.ID, Allowed: "Choose one of your beds. This one may have been removed."}
		}
		if err := d.set(bedKind, b.ID, 0, b.Filled()); err != nil {
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
	old, there := d.state.items[key{bedKind.name, id}]
	var whole bed.Bed
	if there {
		if err := json.Unmarshal(old.Value, &whole); err != nil {
			return err
		}
	}
	if whole.Kind == bed.Containers && parts > whole.Count {
		return &invalid.Field{Field: "parts", Value: fmt.Sprint(parts), Allowed: fmt.Sprintf("at most %d, one for each container", whole.Count)}
	}
	if err := d.drop(bedKind, id); err != nil {
		return err
	}
	for _, k := range slices.Clone(d.state.order) {
		var p bed.Placement
		if k.Kind == placementKind.name && json.Unmarshal(d.state.items[k].Value, &p) == nil && p.Bed == id {
			if err := d.drop(placementKind, k.ID); err != nil {
				return err
			}
		}
	}
	for i, part := range whole.Divided(parts) {
		part.ID = NewID("b")
		if err := d.set(bedKind, part.ID, old.Position+float64(i)/float64(2*parts), part); err != nil {
			return err
		}
	}
	d.words, d.about = fmt.Sprintf("divided %s into %d", whole.Name, parts), key{}
	return nil
}

// putWishes changes several wishes and leaves others out, as one edit that one undo takes
// back: so wishes are fitted to the ground.
func (d *drafter) putWishes(e *Edit) error {
	if len(e.Wishes)+len(e.Remove) == 0 {
		return missing("wishes")
	}
	for i := range e.Wishes {
		w := &e.Wishes[i]
		if _, there := d.state.items[key{wishKind.name, w.ID}]; !there {
			return &invalid.Field{Field: invalid.Element("wishes", i) + ".id", Value: w.ID, Allowed: "Choose one of your wishes. This one may have been removed."}
		}
		if err := d.set(wishKind, w.ID, 0, w); err != nil {
			return err
		}
	}
	for _, id := range e.Remove {
		if err := d.drop(wishKind, id); err != nil {
			return err
		}
	}
	d.words, d.about = fmt.Sprintf("fitted the wishes to the beds: %d cut, %d left out", len(e.Wishes), len(e.Remove)), key{}
	return nil
}
