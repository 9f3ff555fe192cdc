package ground_test

import (
	"bytes"
	"slices"
	"testing"

	"inventory/demo"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/exchange"
)

// What of a plan needs ground: every sowing in a bed, none on a tray, a patch for
// the whole year, each with the best priority of the wishes it serves.
func TestWhatNeedsGround(t *testing.T) {
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	p, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h})
	if err != nil {
		t.Fatal(err)
	}
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		t.Fatal(err)
	}
	got := ground.PlantingsOf(p, b, h.Wishes)
	for _, s := range p.Sowings {
		i := slices.IndexFunc(got, func(g ground.Planting) bool { return g.ID == s.ID })
		if (i < 0) != (s.Method == season.Tray) {
			t.Errorf("%s, %s: among what needs ground %v", s.ID, s.Method, i >= 0)
			continue
		}
		if i < 0 {
			continue
		}
		g := got[i]
		if g.Planted < s.Plants || g.To <= g.From || s.Method == season.Patch && g.To-g.From < 365 {
			t.Errorf("%+v of %s", g, s.ID)
		}
		best := 2
		for _, f := range s.For {
			for _, w := range h.Wishes {
				if w.ID == f.Wish && w.Priority == wish.MustHave {
					best = 0
				} else if w.ID == f.Wish && w.Priority == wish.WouldLike {
					best = min(best, 1)
				}
			}
		}
		if g.Priority != best {
			t.Errorf("%s has priority %d, want %d", s.ID, g.Priority, best)
		}
	}
}
