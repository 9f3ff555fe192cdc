package plan

import (
	"math"
	"math/rand/v2"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// bareKitchen is a kitchen of a capacity for two wishes.
func bareKitchen(capacity float64) *kitchenWork {
	return newKitchen(capacity, []Wish{{ID: "w1", Title: "One"}, {ID: "w2", Title: "Two"}})
}

// Whatever comes in: all of it is put up, in its time, and the kitchen goes over
// only where something would spoil.
func TestTheKitchenPutsUpAllThatComes(t *testing.T) {
	r := rand.New(rand.NewPCG(31, 32))
	for range 300 {
		k := bareKitchen(1 + 5*r.Float64())
		var lots []lot
		var come float64
		for range 1 + r.IntN(25) {
			from := r.IntN(season.WeeksPerYear)
			l := lot{wish: r.IntN(2), from: from, by: from + r.IntN(8), batches: 0.1 + 6*r.Float64(), minutes: 60}
			l.kg = 10 * l.batches
			come += l.batches
			lots = append(lots, l)
		}
		lots = k.putUp(lots, false)
		k.putUp(lots, true)
		if got := sum(k.Batches); math.Abs(got-come) > 1e-6 {
			t.Fatalf("%g batches come, %g are put up", come, got)
		}
		var kg float64
		for w, done := range k.done {
			for _, l := range done {
				kg += l.kg
				if l.from > w && l.from >= 0 && l.by < season.WeeksPerYear {
					t.Fatalf("what comes in week %d is put up in week %d", l.from, w)
				}
			}
			if over := k.Batches[w] - k.Capacity; over > 0.05 && math.Abs(over-k.Over[w]) > 1e-6 {
				t.Fatalf("week %d: %g batches, %g can be done, %g are said to be over", w, k.Batches[w], k.Capacity, k.Over[w])
			}
			if k.Over[w] > 0 && k.Batches[w] < k.Capacity-1e-9 {
				t.Fatalf("week %d is over with room to spare", w)
			}
			if math.Abs(k.Hours[w]-k.Batches[w]) > 1e-9 {
				t.Fatalf("week %d: %g hours for %g batches of an hour", w, k.Hours[w], k.Batches[w])
			}
		}
		if math.Abs(kg-10*come) > 1e-6 {
			t.Fatalf("%g kg come, %g are put up", 10*come, kg)
		}
	}
}

// What keeps waits for room: six batches that keep three weeks fill three weeks
// of two; six that spoil are all done at once.
func TestWhatKeepsWaits(t *testing.T) {
	k := bareKitchen(2)
	k.putUp([]lot{{from: 10, by: 12, batches: 6}}, true)
	if b := k.Batches; b[10] != 2 || b[11] != 2 || b[12] != 2 || sum(k.Over) != 0 {
		t.Errorf("%v", b[8:14])
	}
	k = bareKitchen(2)
	k.putUp([]lot{{from: 10, by: 10, batches: 6}, {wish: 1, from: 10, by: 20, batches: 1}}, true)
	if k.Batches[10] != 6 || k.Over[10] != 4 || k.Batches[11] != 1 {
		t.Errorf("%v over %v", k.Batches[9:13], k.Over[9:13])
	}
	if p := k.Overloads; len(p) != 1 || p[0].Week != 10 || len(p[0].Parts) != 1 || p[0].Parts[0].Wish != "w1" {
		t.Errorf("%+v", p)
	}
}

// What stands on the shelf: past its time, eaten by a day, or too much of it.
func TestWhatStandsOnTheShelf(t *testing.T) {
	in := ford(sauce(26), meals("carrot", 2, wish.Cellar))
	jar := 0.946353
	in.Household.Lots = []stock.Lot{
		itemOf("tomato", "canned", "tomato-sauce-thick", 5, jar, "L", "2026-08-20"),
		itemOf("tomato", "canned", "tomato-sauce-thick", 60, jar, "L", "2026-09-20"),
		itemOf("tomato", "canned", "tomato-sauce-thick", 3, jar, "L", "2025-09-01"),
		itemOf("beet", "cellar", "", 1, 10, "kg", "2026-11-01"),
	}
	p := planned(t, in)
	by := map[string]ShelfItem{}
	for _, s := range p.Shelf {
		by[s.Lot] = s
	}
	old, young, gone, beets := by["l-tomatocanned2026-08-20"], by["l-tomatocanned2026-09-20"], by["l-tomatocanned2025-09-01"], by["l-beetcellar2026-11-01"]
	// Half a jar a week: the five old ones last ten weeks, from 12 January on.
	if old.RunsOut == nil || *old.RunsOut != civil.Of(2027, 1, 12)+7*9 || old.Wish != "w1" {
		t.Errorf("five jars: %+v", old)
	}
	if young.RunsOut != nil || young.Wasted <= 0 || young.Until != civil.Of(2026, 9, 20)+365 {
		t.Errorf("sixty jars: %+v", young)
	}
	if !gone.Expired || beets.Wish != "" || beets.RunsOut != nil {
		t.Errorf("%+v %+v", gone, beets)
	}
	if eaten := young.Amount - young.Wasted; math.Abs(eaten-jar*0.5*math.Ceil(float64(young.Until-*old.RunsOut)/7)) > jar {
		t.Errorf("of sixty jars %g L are eaten before they expire", eaten)
	}
}
