package plan_test

import (
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"testing"
)

// No note of a wish tells of a sowing that could have been made on a day that has gone by.
func TestNoNoteOfSowingsThatHaveGoneBy(t *testing.T) {
	told := 0
	for _, day := range []civil.Date{civil.Of(2027, 2, 1), civil.Of(2027, 7, 15)} {
		in := demoInput(t)
		in.AsOf = day
		p, err := plan.Compute(in)
		if err != nil {
			t.Fatal(err)
		}
		for _, w := range p.Wishes {
			for _, n := range w.Notes {
				if near, ok := n.Fact.(say.TooNear); ok {
					told++
					if near.Would < day {
						t.Errorf("%s, %s: %s", day, w.Title, near)
					}
				}
			}
		}
	}
	if told == 0 {
		t.Error("nothing was told at all")
	}
}
