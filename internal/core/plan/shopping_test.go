package plan_test

import (
	"math"
	"testing"

	"inventory/internal/core/plan"
	"inventory/internal/core/season"
)

// The list holds the seed, stock and young plants of every sowing that is still to be begun, and
// of no other; each crop is on it once, by the day of its first sowing.
func TestShoppingIsOfWhatIsToBeBegun(t *testing.T) {
	p, err := plan.Compute(demoInput(t))
	if err != nil {
		t.Fatal(err)
	}
	list := plan.Shopping(&p)
	crops := map[string]plan.Buy{}
	for i, b := range list {
		if _, twice := crops[b.Crop]; twice || i > 0 && b.By < list[i-1].By {
			t.Errorf("%s stands twice, or out of its order", b.Name)
		}
		crops[b.Crop] = b
	}
	gram, kg, plants, sowings := 0.0, 0.0, 0, 0
	for _, s := range p.Sowings {
		b, on := crops[s.Crop]
		if s.Begun || s.Over || s.Stands {
			continue
		}
		if !on || b.By > s.Date {
			t.Errorf("%s of %v is not on the list by then", s.CropName, s.Date)
		}
		sowings++
		switch s.Method {
		case season.Bought:
			plants += s.SetOut
		case season.Stock, season.Patch:
			kg += s.StockKg
		default:
			gram += s.SeedGram
		}
	}
	for _, b := range list {
		gram, kg, plants, sowings = gram-b.Gram, kg-b.Kg, plants-b.Plants, sowings-b.Sowings
	}
	if math.Abs(gram) > 1e-6 || math.Abs(kg) > 1e-6 || plants != 0 || sowings != 0 || len(list) < 20 {
		t.Errorf("left over: %g g, %g kg, %d plants, %d sowings, of %d lines", gram, kg, plants, sowings, len(list))
	}
}

// Seed is sown at its depth, a young plant set as the book says; shoots lie on the tray.
func TestDepths(t *testing.T) {
	p, err := plan.Compute(demoInput(t))
	if err != nil {
		t.Fatal(err)
	}
	seen := map[season.Method]bool{}
	for _, s := range p.Sowings {
		seen[s.Method] = true
		indoors := s.Method == season.Indoors || s.Method == season.Bought
		if (s.SetDepth != "") != indoors {
			t.Errorf("%s, %s: set %q", s.CropName, s.Method, s.SetDepth)
		}
		if s.Crop == "leek" && s.Depth != 1 || s.Method == season.Tray && s.Depth != 0 {
			t.Errorf("%s: sown %g cm deep", s.CropName, s.Depth)
		}
	}
	if !seen[season.Indoors] || !seen[season.Direct] {
		t.Error("nothing is sown indoors or in the bed")
	}
}
