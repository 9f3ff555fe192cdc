package place

import (
	"errors"
	"math"
	"testing"

	"inventory/internal/core/invalid"
)

// knownOf is what somebody who lives at a place would know of it.
func knownOf(p Place, winters Winters) Known {
	k := Known{Latitude: p.Latitude, FrostFree: p.FrostFree, LastFrost: p.LastFrost, FirstFrost: p.FirstFrost, Winters: winters, Warmest: -50, Coldest: 50}
	for m := range 12 {
		k.Warmest, k.Coldest = math.Max(k.Warmest, p.MeanMax[m]), math.Min(k.Coldest, p.MeanMax[m])
	}
	return k
}

// From the frosts and two temperatures the months of twelve known climates come out: highs within 4 °C, lows within
// 5 °C in each month, and within half of that on average over the year.
func TestMonthsFromWhatPeopleKnow(t *testing.T) {
	winters := map[string]Winters{"continental": Harsh, "desert": Harsh, "highland": Harsh, "south": Harsh, "oceanic": Mild, "north": Mild}
	for _, e := range Examples() {
		w := winters[e.ID]
		if w == "" {
			w = Even
		}
		got, err := knownOf(e.Place, w).Place("here")
		if err != nil {
			t.Errorf("%s: %v", e.ID, err)
			continue
		}
		var high, low float64
		for m := range 12 {
			dh, dl := math.Abs(got.MeanMax[m]-e.Place.MeanMax[m]), math.Abs(got.MeanMin[m]-e.Place.MeanMin[m])
			high, low = high+dh/12, low+dl/12
			if dh > 4 || dl > 5 {
				t.Errorf("%s, month %d: %g to %g °C, it has %g to %g", e.ID, m+1, got.MeanMin[m], got.MeanMax[m], e.Place.MeanMin[m], e.Place.MeanMax[m])
			}
		}
		if high > 2 || low > 2.5 {
			t.Errorf("%s: on average the highs are %.1f °C off, the lows %.1f", e.ID, high, low)
		}
	}
}

// Hard winters make colder nights in the cold months than mild ones, and change the summer little.
func TestHardWintersHaveColderNights(t *testing.T) {
	k := knownOf(Examples()[0].Place, Mild)
	mild, err := k.Place("")
	if err != nil {
		t.Fatal(err)
	}
	k.Winters = Harsh
	hard, err := k.Place("")
	if err != nil {
		t.Fatal(err)
	}
	if mild.MeanMin[0]-hard.MeanMin[0] < 3 || math.Abs(mild.MeanMin[6]-hard.MeanMin[6]) > 1.5 {
		t.Errorf("January %g and %g, July %g and %g °C", mild.MeanMin[0], hard.MeanMin[0], mild.MeanMin[6], hard.MeanMin[6])
	}
}

// What cannot be is told at its field.
func TestWhatCannotBeKnown(t *testing.T) {
	for field, change := range map[string]func(*Known){
		"latitude":    func(k *Known) { k.Latitude = 91 },
		"warmest":     func(k *Known) { k.Warmest = 60 },
		"coldest":     func(k *Known) { k.Coldest = 30 },
		"winters":     func(k *Known) { k.Winters = "endless" },
		"last_frost":  func(k *Known) { k.LastFrost.Month = 0 },
		"first_frost": func(k *Known) { k.FirstFrost = k.LastFrost },
	} {
		k := knownOf(Examples()[0].Place, Even)
		change(&k)
		_, err := k.Place("")
		var f invalid.Fields
		if !errors.As(err, &f) || f[0].Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}
