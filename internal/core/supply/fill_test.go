package supply

import (
	"math"
	"testing"

	"inventory/internal/core/bed"
)

// Example L: two beds filled, in bulk by the cubic yard and in bags of 40 L.
func TestSoil(t *testing.T) {
	o := Fill(2*1.2*6, bed.Material{Depth: 0.20, Bulk: CubicYard, BulkPrice: 45, Bag: 40, BagPrice: 4})
	if math.Abs(o.Cubic-2.88) > 1e-9 || math.Abs(o.Yards-3.77) > 0.005 || o.Units != 4 || o.Bags != 72 {
		t.Errorf("%+v", o)
	}
	if o.BulkCost != 180 || o.BagCost != 288 || o.Cheaper != "bulk" || o.Saves != 108 || math.Abs(o.Leftover-(4*CubicYard-2.88)) > 1e-9 {
		t.Errorf("costs %+v", o)
	}
	few := Fill(1, bed.Material{Depth: 0.05, Bulk: 1, BulkPrice: 60, Bag: 25, BagPrice: 3})
	if few.Units != 1 || few.Bags != 2 || few.Cheaper != "bags" || few.Saves != 54 {
		t.Errorf("a little: %+v", few)
	}
	if none := Fill(0, bed.Material{Depth: 0.05, Bulk: 1, BulkPrice: 60, Bag: 25, BagPrice: 3}); none.Units != 0 || none.Bags != 0 || none.Cheaper != "" {
		t.Errorf("nothing: %+v", none)
	}
	if unknown := Fill(5, bed.Material{Depth: 0.1, Bulk: 1, Bag: 25, BagPrice: 3}); unknown.Cheaper != "" || unknown.BulkCost != 0 {
		t.Errorf("a price that is not known: %+v", unknown)
	}
}

func TestFeeding(t *testing.T) {
	b := bed.Bed{ID: "b", Length: 5, Width: 1.2}
	heavy := []Crop{{Feed: "heavy", Area: 3, Rows: 6}, {Feed: "fixer", Area: 3, Rows: 9}}
	for _, c := range []struct {
		name         string
		recipe       []bed.Amendment
		kg, brings   float64
		much, little bool
	}{
		{"nothing", nil, 0, 0, false, false},
		{"by area", []bed.Amendment{{Name: "compost", Amount: 4, Unit: "kg", Per: 1, Of: "m²", Nitrogen: 0.002}}, 24, 8, false, false},
		{"too much", []bed.Amendment{{Amount: 300, Unit: "g", Per: 1, Of: "m²", Nitrogen: 0.05}}, 1.8, 15, true, false},
		{"by row, in pounds", []bed.Amendment{{Amount: 1, Unit: "lb", Per: 10, Of: "ft of row", Nitrogen: 0.05}}, 2.2322, 18.601, true, false},
		{"by hundred square feet", []bed.Amendment{{Amount: 2, Unit: "lb", Per: 100, Of: "sq ft", Nitrogen: 0.10}}, 0.5859, 9.765, false, false},
		{"half of it", []bed.Amendment{{Amount: 38, Unit: "g", Per: 1, Of: "m²", Nitrogen: 0.1}}, 0.228, 3.8, false, false},
		{"under half", []bed.Amendment{{Amount: 36, Unit: "g", Per: 1, Of: "m²", Nitrogen: 0.1}}, 0.216, 3.6, false, true},
		{"too little", []bed.Amendment{{Amount: 20, Unit: "g", Per: 1, Of: "m²", Nitrogen: 0.1}}, 0.12, 2, false, true},
	} {
		f := Feed(b, c.recipe, heavy, 0)
		kg := 0.0
		for _, d := range f.Doses {
			kg += d.Kg
		}
		if math.Abs(f.Takes-7.5) > 1e-9 || math.Abs(kg-c.kg) > 1e-3 || math.Abs(f.Brings-c.brings) > 1e-2 || f.Much != c.much || f.Little != c.little {
			t.Errorf("%s: %g kg, %+v", c.name, kg, f)
		}
	}
}

func TestPostsAndEmitters(t *testing.T) {
	for _, c := range []struct {
		length, apart float64
		posts         int
	}{{0, 2.5, 0}, {2.5, 2.5, 2}, {2.6, 2.5, 3}, {10, 2.5, 5}} {
		if got := Posts(c.length, c.apart); got != c.posts {
			t.Errorf("%g m: %d posts, want %d", c.length, got, c.posts)
		}
	}
	if got := Emitters(6, 0.3); got != 20 {
		t.Errorf("%d emitters", got)
	}
}

// What is on hand is not ordered, and costs nothing.
func TestWhatIsOnHandIsNotOrdered(t *testing.T) {
	m := bed.Material{Depth: 0.05, Bulk: 1, BulkPrice: 40, OnHand: 1.5}
	if o := Fill(60, m); math.Abs(o.Wanted-3) > 1e-9 || math.Abs(o.Cubic-1.5) > 1e-9 || o.Units != 2 || o.BulkCost != 80 || o.OnHand != 1.5 {
		t.Errorf("%+v", o)
	}
	m.OnHand = 9
	if o := Fill(60, m); o.Cubic != 0 || o.Units != 0 || math.Abs(o.OnHand-3) > 1e-9 {
		t.Errorf("enough is there: %+v", o)
	}
}

// A dose goes by the bed once a year, or by the ground, rows or plants of the crops each time.
func TestDoseOf(t *testing.T) {
	b := bed.Bed{ID: "b1", Length: 10, Width: 1}
	crops := []Crop{{Area: 4, Rows: 12, Plants: 20}, {Area: 3, Rows: 3, Plants: 5}}
	for name, c := range map[string]struct {
		a    bed.Amendment
		want float64
	}{
		"once a year by area":       {bed.Amendment{Amount: 2, Unit: "kg", Per: 1, Of: "m²"}, 20},
		"at each planting, by area": {bed.Amendment{Amount: 2, Unit: "kg", Per: 1, Of: "m²", Turn: true}, 14},
		"by row":                    {bed.Amendment{Amount: 100, Unit: "g", Per: 1, Of: "m of row"}, 1.5},
		"by plant hole":             {bed.Amendment{Amount: 10, Unit: "g", Per: 1, Of: "plant hole"}, 0.25},
		"for another bed":           {bed.Amendment{Amount: 2, Unit: "kg", Per: 1, Of: "m²", Beds: []string{"b2"}}, 0},
	} {
		if got := DoseOf(c.a, b, crops).Kg; math.Abs(got-c.want) > 1e-9 {
			t.Errorf("%s: %g kg, wanted %g", name, got, c.want)
		}
	}
}
