package place

import (
	"math"
	"testing"

	"inventory/internal/core/civil"
)

// The phases of early 2024 as the almanacs have them (universal time).
func TestMoons(t *testing.T) {
	want := []Moon{
		{civil.Of(2024, 1, 4), "last quarter"}, {civil.Of(2024, 1, 11), "new"}, {civil.Of(2024, 1, 18), "first quarter"}, {civil.Of(2024, 1, 25), "full"},
		{civil.Of(2024, 2, 2), "last quarter"}, {civil.Of(2024, 2, 9), "new"}, {civil.Of(2024, 2, 16), "first quarter"}, {civil.Of(2024, 2, 24), "full"},
	}
	got := Moons(civil.Of(2024, 1, 1), civil.Of(2024, 2, 28))
	if len(got) != len(want) {
		t.Fatalf("%d phases", len(got))
	}
	for i := range want {
		if got[i] != want[i] {
			t.Errorf("%+v, want %+v", got[i], want[i])
		}
	}
	if n := len(Moons(civil.Of(1990, 1, 1), civil.Of(2089, 12, 31))); n < 4940 || n > 4960 { // 1236.8 lunations a century
		t.Errorf("%d phases in a century", n)
	}
}

// Made-up weather has the place's normals and its frosts, and is the same for
// the same seed.
func TestGeneratedWeatherIsThePlaces(t *testing.T) {
	for _, e := range Examples() {
		days := Generate(e.Place, 7, civil.Of(2000, 1, 1), civil.Of(2029, 12, 31))
		again := Generate(e.Place, 7, civil.Of(2000, 1, 1), civil.Of(2029, 12, 31))
		for i, d := range days {
			if d.Max != again[i].Max || d.Min >= d.Max || d.Rain == nil || *d.Rain < 0 {
				t.Fatalf("%s %+v, again %+v", e.ID, d, again[i])
			}
		}
		r, err := FromWeather(Place{Latitude: e.Place.Latitude}, days)
		if err != nil {
			t.Fatal(err)
		}
		for m := range 12 {
			if math.Abs(r.Place.MeanMax[m]-e.Place.MeanMax[m]) > 1.5 || math.Abs(r.Place.Rain[m]-e.Place.Rain[m]) > 0.25*e.Place.Rain[m]+8 {
				t.Errorf("%s month %d: %g °C and %g mm, wanted %g and %g", e.ID, m+1, r.Place.MeanMax[m], r.Place.Rain[m], e.Place.MeanMax[m], e.Place.Rain[m])
			}
		}
		if r.Place.FrostFree != e.Place.FrostFree {
			t.Errorf("%s: frost-free %v", e.ID, r.Place.FrostFree)
		}
	}
}

// Days that have been stand in place of the normals, this year's alone.
func TestThisYear(t *testing.T) {
	north, south := Examples()[0].Place, Examples()[1].Place
	var days []Day
	for d := civil.Of(2026, 1, 1); d <= civil.Of(2027, 12, 31); d++ {
		days = append(days, Day{Date: d, Max: 40, Min: 30})
	}
	if got := ThisYear(north, days, civil.Of(2027, 3, 1)); len(got) != 60 || got[0].Date != civil.Of(2027, 1, 1) {
		t.Errorf("%d days in the north", len(got))
	}
	if got := ThisYear(south, days, civil.Of(2027, 3, 1)); len(got) != 244 || got[0].Date != civil.Of(2026, 7, 1) {
		t.Errorf("%d days in the south", len(got))
	}
	y := Build(north, ThisYear(north, days, civil.Of(2027, 3, 1))...)
	if y.Max[59] != 40 || y.Max[60] == 40 || y.Mean[10] != 35 {
		t.Errorf("%g on 1 March, %g the day after", y.Max[59], y.Max[60])
	}
}

// The chance of frost falls through spring, is next to nothing in summer and
// rises through autumn; at the medians it is a half.
func TestFrostOn(t *testing.T) {
	for _, e := range Examples() {
		y := Build(e.Place)
		if y.FrostFree {
			if y.FrostOn(10) != 0 {
				t.Errorf("%s has frost", e.ID)
			}
			continue
		}
		longWinter := mod(y.Last-y.First, Days) > 160 // between mild ones every night is uncertain
		if math.Abs(y.FrostOn(y.Last)-0.5) > 1e-9 || math.Abs(y.FrostOn(y.First)-0.5) > 1e-9 || y.FrostOn(mod(y.Last+80, Days)) > 1e-6 || longWinter && y.FrostOn(mod(y.Last-80, Days)) < 1-1e-6 {
			t.Errorf("%s: %g, %g", e.ID, y.FrostOn(y.Last), y.FrostOn(y.First))
		}
		for x := 1; x < 60; x++ {
			if y.FrostOn(y.Day(x)) > y.FrostOn(y.Day(x-1)) {
				t.Errorf("%s: the chance rises on day %d of spring", e.ID, x)
			}
		}
	}
}
