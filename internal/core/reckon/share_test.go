package reckon

import (
	"math"
	"math/rand/v2"
	"testing"

	"inventory/internal/core/book"
)

// Whatever is asked of one sowing: its parts' plants, ground and harvest add up
// to the sowing's, each part has at least nothing, and needs that are met alike
// cost no more together than apart.
func TestPartsAddUpToTheSowing(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 22))
	d := &Desk{Book: book.Usual(), Rules: book.UsualRules()}
	chances := []float64{0, 0.7, 0.8}
	for range 400 {
		crops := d.Book.Crops()
		c := crops[r.IntN(len(crops))]
		if !c.Weighed() || c.Dense != nil {
			continue
		}
		ask := Ask{Least: r.IntN(4), Bearing: 1}
		var apart int
		for range 1 + r.IntN(4) {
			p := Part{Need: Need{Amount: r.Float64() * 20 * c.Yield.Value}, Confidence: chances[r.IntN(3)], Share: 1, Of: 1 + r.IntN(2)}
			ask.Parts = append(ask.Parts, p)
			apart += d.Sow("", c, "", Ask{Parts: []Part{p}, Bearing: 1}).Plants
		}
		z := d.Sow("", c, "", ask)
		var plants int
		var area, average, need float64
		for _, g := range z.Given {
			if g.Plants < 0 || g.Area < 0 || g.Average < 0 {
				t.Fatalf("%s: a part has %+v", c.ID, g)
			}
			plants, area, average, need = plants+g.Plants, area+g.Area, average+g.Average, need+g.Need
		}
		if plants != z.Plants || math.Abs(area-z.Area) > 1e-9 || math.Abs(average-z.Average) > 1e-9*(1+average) || math.Abs(need-z.Need.Amount) > 1e-9*(1+need) {
			t.Fatalf("%s: the parts have %d plants, %g m², %g kg of %g; the sowing %d, %g, %g of %g", c.ID, plants, area, average, need, z.Plants, z.Area, z.Average, z.Need.Amount)
		}
		if most := max(apart, ask.Least, z.Stand.wholeBlock(ask.Least, c)); z.Plants > most {
			t.Fatalf("%s: together %d plants, apart %d", c.ID, z.Plants, apart)
		}
	}
}

// A patch that stands is counted for no more than the need, and gives by its age.
func TestAPatchStandsForItsShare(t *testing.T) {
	d := &Desk{Book: book.Usual(), Rules: book.UsualRules()}
	c := d.Book.Crop("asparagus")
	whole := d.Sow("", c, "", Ask{Parts: []Part{{Need: Need{Amount: 10}, Share: 1, Of: 1}}, Bearing: 1})
	half := whole.Plants / 2
	z := d.Stands("", c, "", half, float64(half)*0.5, whole, 0.5)
	if z.Plants != half || math.Abs(z.Need.Amount-5) > 1e-9 || z.Bearing != 0.5 {
		t.Errorf("%+v", z)
	}
	if full := whole.Average * float64(half) / float64(whole.Plants); math.Abs(z.Average-full/2) > 1e-9*full {
		t.Errorf("half borne, it gives %g of %g", z.Average, full)
	}
	two := d.Sow("", c, "", Ask{Parts: []Part{{Need: Need{Amount: 6}, Share: 1, Of: 1}, {Need: Need{Amount: 4}, Share: 1, Of: 1}}, Bearing: 1})
	both := d.Stands("", c, "", half, float64(half), two, 0.5)
	if math.Abs(both.Given[0].Area-0.6*both.Area) > 1e-9 || math.Abs(both.Given[1].Area-0.4*both.Area) > 1e-9 || both.Given[0].Plants+both.Given[1].Plants != half {
		t.Errorf("of %g m² the parts are given %+v", both.Area, both.Given)
	}
	if z.Given[0].Plants != half || math.Abs(z.Given[0].Average-z.Average) > 1e-9 {
		t.Errorf("%+v", z.Given)
	}
}

// Two wishes on one tray are each credited with what it is sized for, however surely
// each is to be met.
func TestATraysPartsHaveWhatTheyAskedFor(t *testing.T) {
	c := book.Usual().Crop("pea-shoots")
	z := (&Desk{Book: book.Usual(), Rules: book.UsualRules()}).Sow("s", c, "", Ask{Parts: []Part{{Need: Need{Amount: 4}, Share: 1, Of: 1}, {Need: Need{Amount: 0.4}, Confidence: 0.8, Share: 1, Of: 1}}})
	if a, b := z.Given[0], z.Given[1]; math.Abs(a.Average/b.Average-10) > 1e-9 || math.Abs(a.Area/b.Area-10) > 1e-9 || math.Abs(a.Average+b.Average-z.Average) > 1e-9 {
		t.Errorf("4 kg and 0.4 kg are credited with %g and %g of %g", a.Average, b.Average, z.Average)
	}
}
