package learn

import (
	"math"
	"reflect"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

func grownOf(id, crop string, year int, kg float64) record.Grown {
	return record.Grown{ID: id, Crop: crop, Food: crop, Year: year, Day: civil.Of(year, 4, 1), First: civil.Of(year, 7, 1), Last: civil.Of(year, 8, 15), Plants: 20, Kg: kg, CV: 0.3, Over: true, Beds: []record.InBed{{Bed: "b1", Share: 1}}}
}

func harvest(crop, sowing, bed string, day civil.Date, gram int) *record.Entry {
	return &record.Entry{Act: record.Harvest, Food: crop, Crop: crop, Sowing: sowing, Bed: bed, Day: day, Gram: gram}
}

// What came in is held against what was expected: by the sowing where it is named, else by crop and
// year, all plantings that nobody named together.
func TestHarvestsAreHeldAgainstWhatWasExpected(t *testing.T) {
	grown := []record.Grown{grownOf("a", "kale", 2026, 10), grownOf("b", "kale", 2026, 10), grownOf("c", "kale", 2026, 30), grownOf("d", "leek", 2026, 5), grownOf("e", "kale", 2025, 10)}
	july := civil.Of(2026, 7, 10)
	got, doubtful := Observed(grown, []*record.Entry{
		harvest("kale", "a", "", july, 8000),
		harvest("kale", "", "b2", july, 15000), harvest("kale", "", "b3", july+5, 5000), // of b and c together
		harvest("leek", "", "", civil.Of(2026, 12, 24), 4000), // nowhere near its picking
		harvest("kale", "e", "", civil.Of(2025, 7, 3), 900),   // a slip of the pen?
	}, record.AllWeighed)
	if len(got) != 2 || len(doubtful) != 1 || doubtful[0].Year != 2025 || math.Abs(doubtful[0].Ratio-0.09) > 1e-9 {
		t.Fatalf("%d plantings, %v", len(got), doubtful)
	}
	if p := got[0]; p.ID != "a" || math.Abs(p.Ratio-0.8) > 1e-9 || p.Plants != 20 || !reflect.DeepEqual(p.Beds, []Part{{"b1", 1}}) {
		t.Errorf("by its name: %+v", p)
	}
	if p := got[1]; math.Abs(p.Ratio-0.5) > 1e-9 || p.Plants != 40 || !reflect.DeepEqual(p.Beds, []Part{{"b2", 0.75}, {"b3", 0.25}}) {
		t.Errorf("together: %+v", p)
	}
}

// How much was weighed is divided out and makes a planting count for less; what was counted and not
// weighed likewise. What is not over yet, was lost or not weighed teaches nothing of yields.
func TestWhatWasNotWeighed(t *testing.T) {
	july := civil.Of(2026, 7, 10)
	one := func(change func(*record.Grown, *record.Entry), usual record.Weighed) (out []Planting) {
		g, e := grownOf("a", "kale", 2026, 10), harvest("kale", "a", "", july, 4000)
		change(&g, e)
		out, _ = Observed([]record.Grown{g}, []*record.Entry{e}, usual)
		return out
	}
	for _, c := range []struct {
		name          string
		change        func(*record.Grown, *record.Entry)
		usual         record.Weighed
		ratio, unsure float64 // 0: it teaches nothing
	}{
		{"all", func(*record.Grown, *record.Entry) {}, record.AllWeighed, 0.4, 0},
		{"usually most", func(*record.Grown, *record.Entry) {}, "", 0.5, 0.0225},
		{"half, though usually all", func(g *record.Grown, _ *record.Entry) { g.Said = record.HalfWeighed }, record.AllWeighed, 0.8, 0.0625},
		{"not weighed", func(g *record.Grown, _ *record.Entry) { g.Said = record.NoneWeighed }, record.AllWeighed, 0, 0},
		{"counted", func(_ *record.Grown, e *record.Entry) { e.Pieces = 20 }, record.AllWeighed, 0.4, 0.0225},
		{"picked still", func(g *record.Grown, _ *record.Entry) { g.Over = false }, record.AllWeighed, 0, 0},
		{"over with the last picking", func(g *record.Grown, e *record.Entry) { g.Over, e.Last = false, true }, record.AllWeighed, 0.4, 0},
	} {
		got := one(c.change, c.usual)
		if c.ratio == 0 {
			if len(got) != 0 {
				t.Errorf("%s: it teaches %+v", c.name, got)
			}
			continue
		}
		if len(got) != 1 || math.Abs(got[0].Ratio-c.ratio) > 1e-9 || math.Abs(got[0].Unsure-c.unsure) > 1e-9 {
			t.Errorf("%s: %+v, want %g", c.name, got, c.ratio)
		}
	}
}

// Silence teaches nothing of losses: a planting counts where something came in of it, or it was lost.
func TestHowPlantingsFared(t *testing.T) {
	lost, silent := grownOf("b", "kale", 2026, 10), grownOf("c", "kale", 2026, 10)
	lost.Lost = true
	got := Fared([]record.Grown{grownOf("a", "kale", 2026, 10), lost, silent, grownOf("d", "kale", 2025, 10)}, []*record.Entry{harvest("kale", "a", "", civil.Of(2026, 7, 2), 900), harvest("kale", "d", "", civil.Of(2025, 7, 2), 900)})
	if want := map[string][]Stood{"kale": {{1, 0}, {2, 1}}}; !reflect.DeepEqual(got, want) {
		t.Errorf("%v, want %v", got, want)
	}
}
