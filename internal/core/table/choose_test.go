package table

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/wish"
)

// The kind that a practised grower would take for a use, where none is named.
func TestTheKindForAUse(t *testing.T) {
	for _, c := range []struct{ food, preparation, want string }{
		{"cabbage", "sauerkraut", "cabbage-storage"},
		{"cabbage", "cabbage-frozen", "cabbage-storage"},
		{"cucumber", "bread-butter-pickles", "cucumber-pickling"},
		{"cucumber", "dill-pickles-fermented", "cucumber-pickling"},
		{"tomato", "tomato-sauce-thick", "tomato-paste"},
		{"tomato", "tomato-dried", "tomato-paste"},
		{"snap bean", "green-bean-canned", "bush-bean"},
		{"snap bean", "dilly-beans", "bush-bean"},
		{"winter squash", "winter-squash-frozen", "winter-squash"},
		{"onion", "onion-pickled", "onion-bulb"},
		{"sweet corn", "corn-frozen", "sweet-corn-early"},
	} {
		prep := book.Usual().Preparation(c.preparation)
		w := wished(c.food, wish.Litres, 10, wish.Form(prep.Form))
		w.Preparations = []string{prep.ID}
		r := resolver(fiveEaters()).Resolve(w)
		if len(r.Uses) != 1 || r.Uses[0].Crop.ID != c.want {
			t.Errorf("%s for %s: %s (%s), want %s", c.food, c.preparation, r.Uses[0].Crop.ID, r.Uses[0].Why, c.want)
		}
	}
}

// A kind that asks for over a quarter more ground than another is passed over for what
// is not put up whole.
func TestAThirstyKindIsPassedOver(t *testing.T) {
	known := func(v float64) book.Maybe { return book.Maybe{Value: v, Known: true} }
	kind := func(id string, yield float64) *book.Crop {
		return &book.Crop{ID: id, InRow: known(40), RowGap: known(50), Yield: known(yield)}
	}
	prep := &book.Preparation{Form: "canned", Crops: []string{"first", "second"}}
	for _, c := range []struct {
		yield float64 // of the second; of the first it is 1
		want  string
	}{{1.24, "first"}, {1.26, "second"}, {0.8, "first"}} {
		if got := forPuttingUp([]*book.Crop{kind("second", c.yield), kind("first", 1)}, prep).ID; got != c.want {
			t.Errorf("at %g times the yield the %s is taken, want the %s", c.yield, got, c.want)
		}
	}
	prep.Form = "pickled"
	if got := forPuttingUp([]*book.Crop{kind("second", 3), kind("first", 1)}, prep).ID; got != "first" {
		t.Errorf("what is pickled goes by the order alone, not %s", got)
	}
}

// A crock is filled in autumn, whatever kind is named for it.
func TestACrockIsFilledInAutumn(t *testing.T) {
	w := wished("cabbage", wish.Litres, 10, wish.Fermented)
	w.Variety, w.Preparations = "cabbage-early", []string{"sauerkraut"}
	h := fiveEaters()
	y, start := place.Build(h.Place), h.YearStart().YearDay()
	for _, u := range resolver(h).Resolve(w).Uses {
		for _, i := range u.Lot {
			if day := (u.Season.Starts[i].Ready + start) % place.Days; day < y.Warmest+30 {
				t.Errorf("ready on day %d, want well after the warmest, %d", day, y.Warmest)
			}
		}
	}
}
