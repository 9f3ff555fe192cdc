package ground

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// What a practised grower would sow, and would not, at a place with its last frost in
// late April and the first in mid October.
func TestGreenManuresAsPractised(t *testing.T) {
	y := place.Build(place.Examples()[0].Place)
	for _, c := range []struct {
		crop       string
		day, until civil.Date
		goes, dies bool
	}{
		{"buckwheat", civil.Of(2027, 3, 10), civil.Of(2027, 8, 1), false, false},     // tender, the soil is cold
		{"buckwheat", civil.Of(2027, 6, 10), civil.Of(2027, 8, 1), true, false},      // a summer gap of seven weeks
		{"buckwheat", civil.Of(2027, 6, 10), civil.Of(2027, 7, 10), false, false},    // a month is too short
		{"buckwheat", civil.Of(2027, 9, 25), civil.Of(2028, 4, 20), false, false},    // the frost is too near
		{"phacelia", civil.Of(2027, 8, 10), civil.Of(2028, 4, 20), true, false},      // after beans; its weeks are over before the hard frost
		{"white-mustard", civil.Of(2027, 8, 25), civil.Of(2028, 4, 20), true, false}, // quick after early potatoes
		{"buckwheat", civil.Of(2027, 8, 25), civil.Of(2028, 4, 20), true, true},      // the first frost ends it
		{"oats", civil.Of(2027, 8, 25), civil.Of(2028, 4, 20), true, true},           // a mulch in spring
		{"winter-rye", civil.Of(2027, 9, 25), civil.Of(2028, 5, 10), true, false},    // stands through the winter
		{"winter-rye", civil.Of(2027, 9, 25), civil.Of(2027, 11, 20), false, false},  // no time until then
		{"winter-field-bean", civil.Of(2027, 10, 5), civil.Of(2028, 5, 20), true, false},
		{"winter-field-bean", civil.Of(2027, 6, 5), civil.Of(2028, 5, 20), false, false}, // it is sown in autumn
		{"sudangrass", civil.Of(2027, 6, 1), civil.Of(2027, 8, 20), true, false},
		{"crimson-clover", civil.Of(2027, 7, 25), 0, true, false},
		{"oats", civil.Of(2027, 1, 20), civil.Of(2027, 6, 1), false, false}, // it is winter
	} {
		g := book.Usual().GreenManure(c.crop)
		out, ok := sownOn(g, y, c.day, c.until)
		if ok != c.goes || ok && out.Dies != c.dies {
			t.Errorf("%s sown on %s until %s: %t, %+v", c.crop, c.day, c.until, ok, out)
			continue
		}
		if ok && c.until > 0 && out.Ready > c.until {
			t.Errorf("%s is ready on %s, the next crop comes on %s", c.crop, out.Ready, c.until)
		}
	}
	// Where there is no frost only the time counts, at any place the soil.
	warm := place.Build(place.Examples()[1].Place)
	if out, ok := sownOn(book.Usual().GreenManure("buckwheat"), warm, civil.Of(2027, 11, 1), 0); !ok || out.Dies {
		t.Errorf("in November without frost: %t %+v", ok, out)
	}
}

// A green manure keeps its ground until it is ready, but for one sown under a crop; its
// family then stays away for the years of the rotation.
func TestAGreenManureTakesItsGround(t *testing.T) {
	pea := book.Usual().Crop("shelling-pea")
	carrot := book.Usual().Crop("carrot")
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: 1.2}}}
	vetch := bed.Green{Crop: "winter-vetch", Name: "Winter vetch", Family: "Fabaceae", Length: 4, Sown: spring - 200, Until: spring + 10, Ready: spring + 38}
	in.Beds[0].Green = []bed.Green{vetch}
	for _, c := range []struct {
		crop *book.Crop
		from civil.Date
		left int
	}{{carrot, spring, 1}, {carrot, spring + 38, 0}, {pea, spring + 38, 1}, {pea, spring + 38 + 365*4, 0}} {
		in.Plantings = []Planting{{ID: "p", Crop: c.crop, Planted: 50, From: c.from, To: c.from + 90}}
		if out := Fit(in); len(out.Left) != c.left {
			t.Errorf("%s from day %d on: %+v", c.crop.ID, c.from-spring, out.Left)
		}
	}
	vetch.Under = true
	in.Beds[0].Green = []bed.Green{vetch}
	in.Plantings = []Planting{{ID: "p", Crop: carrot, Planted: 50, From: spring, To: spring + 90}}
	if out := Fit(in); len(out.Left) != 0 {
		t.Errorf("sown under a crop it takes no ground: %+v", out.Left)
	}
	if got := greenBrings(in.Beds[0], 2027); math.Abs(got-12) > 1e-9 {
		t.Errorf("it brings %g g of nitrogen a m², want 12", got)
	}
}

// Every green manure of the book can be sown on some day at some place.
func TestEveryGreenManureGoesSomewhere(t *testing.T) {
	for _, g := range book.Usual().GreenManures {
		if !slices.ContainsFunc(place.Examples(), func(x place.Example) bool {
			y := place.Build(x.Place)
			for day := civil.Of(2027, 1, 1); day < civil.Of(2028, 1, 1); day += 7 {
				if _, ok := sownOn(&g, y, day, 0); ok {
					return true
				}
			}
			return false
		}) {
			t.Errorf("%s goes nowhere", g.ID)
		}
	}
}
