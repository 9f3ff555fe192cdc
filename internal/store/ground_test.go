package store

import (
	"context"
	"encoding/json"
	"fmt"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// What is said of the ground lies in the file: read again it is the same, to the
// last field; and all of it can be taken back.
func TestTheGroundLiesInTheFile(t *testing.T) {
	ctx, file := context.Background(), filepath.Join(t.TempDir(), "a.db")
	s := opened(t, file)
	begun, err := s.Apply(ctx, Edit{Client: "t", ID: "begin", Command: "begin", Household: millHouse(t)})
	if err != nil {
		t.Fatal(err)
	}
	first := text(t, begun.Household)
	plot := bed.Plot{Length: 60, Width: 30, Bearing: 12, Obstacles: []bed.Obstacle{{Name: "Hedge", Height: 2, Distance: 15, Bearing: 200, Breadth: 30}}}
	full := bed.Bed{
		ID: "full", Name: "Full", X: 40, Y: 1, Length: 9, Width: 1.2, Turned: true, Soil: 0.4, Sun: "part", Climb: true, Measured: 2025, Settles: 0.05, Edge: 0.15, Cover: place.Tunnel,
		Stood:  []bed.Stood{{Year: 2025, Families: []string{"Fabaceae"}}},
		Stands: []bed.Standing{{Name: "Leek", Family: "Amaryllidaceae", At: 1, Length: 4, Until: civil.Of(2027, 4, 1)}},
	}
	pots := bed.Bed{ID: "pots", Name: "Pots", Kind: bed.Containers, Count: 12, Litre: 40, X: 45, Y: 20}
	customs := bed.Customs{Exceptions: []string{"Poaceae"}, Pairs: []string{"carrot-radish"}, Barrels: 900, Roof: 40, Emitters: 0.2, Posts: 3,
		Materials: []bed.Material{{Name: "Compost", Over: "beds", Depth: 0.03, Bulk: 1, BulkPrice: 40, Bag: 40, BagPrice: 5}},
		Recipe:    []bed.Amendment{{Name: "Manure", Amount: 2, Unit: "kg", Per: 1, Of: "m²", Nitrogen: 0.005, Manure: true}}}
	rev, edits := begun.Revision, 0
	do := func(e Edit) Snapshot {
		t.Helper()
		edits++
		e.Client, e.ID, e.Revision = "t", fmt.Sprint("e", edits), rev
		snap, err := s.Apply(ctx, e)
		if err != nil {
			t.Fatalf("%s: %v", e.Command, err)
		}
		rev = snap.Revision
		return snap
	}
	do(Edit{Command: "add-beds", Plot: &plot})
	do(Edit{Command: "add-further-plot", Plot: &bed.Plot{ID: "road", Name: "By the road", Length: 9, Width: 6, Warmth: place.Warmth{Earlier: -8}, Water: bed.ByCan}})
	wider := bed.Plot{ID: "road", Name: "By the road", Length: 9, Width: 7, Warmth: place.Warmth{Earlier: -8}, Water: bed.ByCan}
	do(Edit{Command: "add-beds", Plot: &wider, Beds: []bed.Bed{{Name: "Roadside", Length: 8, Width: 1.2, Plot: "road", Warmth: place.Warmth{Warmer: 1}}}})
	do(Edit{Command: "add-bed", Bed: &full})
	do(Edit{Command: "add-bed", Bed: &pots})
	do(Edit{Command: "set-customs", Customs: &customs})
	do(Edit{Command: "put-placement", Placement: &bed.Placement{Sowing: "27-w1-fresh-1", Bed: "full", At: 2, Stands: true, Parts: []bed.Laid{{Sowing: "27-w1-fresh-1", Bed: "full", At: 2, Planted: 9}, {Sowing: "27-w1-fresh-1", Bed: "pots", Planted: 4}}}})
	pots.Name = "Grow bags"
	before := do(Edit{Command: "change-beds", Beds: []bed.Bed{full, pots}})
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	s = opened(t, file)
	after, err := s.Load(ctx)
	if err != nil {
		t.Fatal(err)
	}
	if a, z := text(t, before.Household), text(t, after.Household); a != z {
		t.Errorf("read again, the household is\n%s\nnot\n%s", z, a)
	}
	h := after.Household
	if len(h.Plots) != 1 || h.Plots[0].Width != 7 || h.Plots[0].Earlier != -8 || h.Beds[slices.IndexFunc(h.Beds, func(b bed.Bed) bool { return b.Plot == "road" })].Warmer != 1 {
		t.Errorf("the plots are %+v", h.Plots)
	}
	i := slices.IndexFunc(h.Beds, func(b bed.Bed) bool { return b.ID == "full" })
	want, _ := json.Marshal(full)
	if got, _ := json.Marshal(h.Beds[i]); string(got) != string(want) || h.Beds[i+1].Width != 0.342 || h.Customs.Recipe[0].ID != "a1" || len(h.Plot.Obstacles) != 1 {
		t.Errorf("the bed is\n%s\nnot\n%s", got, want)
	}
	// Divided, its history and what stands go with the parts, and what was put in it by hand is let go.
	divided := do(Edit{Command: "divide-bed", Target: "full", Parts: 3})
	parts := slices.DeleteFunc(slices.Clone(divided.Household.Beds), func(b bed.Bed) bool { return !strings.HasPrefix(b.Name, "Full ") })
	if len(parts) != 3 || len(parts[0].Stands) != 1 || len(parts[1].Stands) != 1 || len(parts[2].Stands) != 0 || len(parts[2].Stood) != 1 || len(divided.Household.Placements) != len(begun.Household.Placements) {
		t.Errorf("%+v, %+v", parts, divided.Household.Placements)
	}
	for k := range edits {
		steps(t, s, "undo", fmt.Sprint("back", k))
	}
	if now, err := s.Load(ctx); err != nil || text(t, now.Household) != first {
		t.Errorf("taken back, it is another household (%v)", err)
	}
}

// What cannot be is refused at its field, and changes nothing.
func TestTheGroundRefuses(t *testing.T) {
	ctx := context.Background()
	s, begun := begun(t)
	one := begun.Household.Beds[0].ID
	odd := begun.Household.Beds[0]
	odd.Stood = []bed.Stood{{Year: 2026, Families: []string{"Dragonaceae"}}}
	for name, c := range map[string]struct {
		e     Edit
		field string
	}{
		"into one":          {Edit{Command: "divide-bed", Target: one, Parts: 1}, "parts"},
		"into a hundred":    {Edit{Command: "divide-bed", Target: one, Parts: 100}, "parts"},
		"no such bed":       {Edit{Command: "divide-bed", Target: "gone", Parts: 2}, "target"},
		"no customs":        {Edit{Command: "set-customs"}, "customs"},
		"no beds":           {Edit{Command: "change-beds"}, "beds"},
		"a bed gone":        {Edit{Command: "change-beds", Beds: []bed.Bed{{ID: "gone", Name: "x", Length: 1, Width: 1}}}, "beds[0].id"},
		"an unknown family": {Edit{Command: "change-beds", Beds: []bed.Bed{odd}}, "beds[0].stood[0].families"},
		"an unknown pair":   {Edit{Command: "set-customs", Customs: &bed.Customs{Pairs: []string{"cat-mouse"}, Emitters: 0.3, Posts: 2}}, "customs.pairs[0]"},
	} {
		c.e.Client, c.e.ID, c.e.Revision = "t", name, begun.Revision
		_, err := s.Apply(ctx, c.e)
		found := invalid.All(err)
		if len(found) == 0 || !strings.HasSuffix(c.field, found[0].Field) && found[0].Field != c.field {
			t.Errorf("%s: %v", name, err)
		}
	}
	if now, err := s.Load(ctx); err != nil || now.Revision != begun.Revision {
		t.Errorf("revision %d, %v", now.Revision, err)
	}
}
