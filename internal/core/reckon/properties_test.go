package reckon

import (
	"math"
	"math/rand/v2"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

func TestPlantsAreTheLeastThatDo(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 500 {
		h, y := math.Exp(r.Float64()*8), 0.01+r.Float64()*4
		f, cv := r.Float64()*0.15, r.Float64()*0.6
		m, c := 1+r.IntN(4), 0.5+r.Float64()*0.35
		n, err := Plants(h, y, f, cv, m, c)
		if err != nil {
			t.Fatalf("h %g y %g f %g cv %g m %d C %g: %v", h, y, f, cv, m, c, err)
		}
		if p := Met(n, h, y, f, cv, m); p < c {
			t.Fatalf("%d plants are met with %g, less than %g", n, p, c)
		}
		if n > 1 && Met(n-1, h, y, f, cv, m) >= c {
			t.Fatalf("%d plants would do already, not %d", n-1, n)
		}
	}
}

func TestMoreWishedNeverNeedsLess(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for range 300 {
		h, y, f, cv := 1+r.Float64()*100, 0.05+r.Float64(), r.Float64()*0.1, r.Float64()*0.5
		for _, c := range []float64{0, 0.7, 0.8} {
			less, _ := Plants(h, y, f, cv, 1, c)
			more, _ := Plants(h*(1+r.Float64()), y, f, cv, 1, c)
			if more < less {
				t.Fatalf("%g kg at C %g wants %d plants, more of it %d", h, c, less, more)
			}
		}
	}
}

func TestMetRisesWithPlantsAndStaysAChance(t *testing.T) {
	for m := 1; m <= 4; m++ {
		last := 0.0
		for n := 1; n <= 400; n++ {
			p := Met(n, 30, 0.3, 0.08, 0.35, m)
			if p < last-1e-12 || p < 0 || p > 1 || math.IsNaN(p) {
				t.Fatalf("m %d: P(met | %d) = %g after %g", m, n, p, last)
			}
			last = p
		}
	}
}

func TestSpacingBeyondAnyBedStillStands(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for _, c := range book.Usual().Crops() {
		if c.Dense != nil {
			continue
		}
		for range 20 {
			b := Bed{0.3 + r.Float64()*2.5, r.Float64() * 0.14}
			for _, layout := range []wish.Layout{wish.Rows, wish.Across, wish.Block, wish.Plot} {
				s := StandIn(c, layout, b)
				n := 1 + r.IntN(500)
				length, area, rows := s.Takes(n, b)
				if s.Rows < 1 || !(s.Factor > 0) || !(length > 0) || !(area > 0) || math.IsNaN(rows) {
					t.Fatalf("%s %s in %+v: %+v, %g m, %g m²", c.ID, layout, b, s, length, area)
				}
				if more, moreArea, _ := s.Takes(n+50, b); more < length || moreArea < area {
					t.Fatalf("%s: more plants take less ground", c.ID)
				}
			}
		}
	}
}

func TestPieceDecilesAreThoseOfTheBinomial(t *testing.T) {
	for _, n := range []int{1, 2, 12, 80, 300, 2000} {
		for _, u := range []float64{0, 0.02, 0.1, 0.4} {
			got, near := pieceDeciles(n, u), 1e-9
			if n == 2000 && u == 0.4 {
				near = 1.0 / float64(n) // by the normal curve
			}
			for i, share := range deciled {
				k := 0
				for sum := binomial(n, 0, 1-u); sum < share-1e-9; sum += binomial(n, k, 1-u) {
					k++
				}
				if want := float64(k) / (float64(n) * (1 - u)); math.Abs(got[i]-want) > near {
					t.Errorf("n %d, %g no good: the %g point is %g, want %g", n, u, share, got[i], want)
				}
			}
		}
	}
}
