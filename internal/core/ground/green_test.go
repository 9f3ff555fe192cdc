package ground

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
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
		if out := Fit(in); len(out.Unplaced) != c.left {
			t.Errorf("%s from day %d on: %+v", c.crop.ID, c.from-spring, out.Unplaced)
		}
	}
	vetch.Under = true
	in.Beds[0].Green = []bed.Green{vetch}
	in.Plantings = []Planting{{ID: "p", Crop: carrot, Planted: 50, From: spring, To: spring + 90}}
	if out := Fit(in); len(out.Unplaced) != 0 {
		t.Errorf("sown under a crop it takes no ground: %+v", out.Unplaced)
	}
	if got := greenBrings(in.Beds[0], bed.Customs{}, 2027); math.Abs(got-12) > 1e-9 {
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

// A household's own pair lets a short crop stand on a long one's ground where the bed is
// full otherwise, for so many weeks and on so much of it.
func TestAPairOfOnesOwn(t *testing.T) {
	own := bed.OwnPair{Long: "leek", Short: "radish", Weeks: 6, Share: 0.5}
	u := bed.UsualCustoms()
	u.OwnPairs = []bed.OwnPair{own}
	h := household.Household{Customs: &u, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: 1.2}}, Place: place.Examples()[0].Place}
	in, err := InputOf(plan.Input{Household: h}, plan.Plan{})
	if err != nil || len(in.Pairs) != 1 || in.Pairs[0].ID != own.ID() {
		t.Fatalf("%+v %v", in.Pairs, err)
	}
	in.Year = 2027
	leek, radish := book.Usual().Crop("leek"), book.Usual().Crop("radish")
	for weeks, left := range map[civil.Date]int{6: 0, 7: 1} {
		in.Plantings = []Planting{
			{ID: "long", Crop: leek, Planted: 60, From: spring, To: spring + 200, Priority: 0},
			{ID: "short", Crop: radish, Planted: 100, From: spring + 1, To: spring + 1 + 7*weeks, Priority: 1},
		}
		f := newSite(in)
		in.Plantings[0].Planted = f.holds(0, 0, 4*tenths)
		if out := Fit(in); len(out.Unplaced) != left {
			t.Errorf("for %d weeks: %+v", weeks, out.Unplaced)
		}
	}
	for field, wrong := range map[string]bed.OwnPair{"short": {Long: "leek", Short: "leek", Weeks: 3, Share: 0.3}, "weeks": {Long: "leek", Short: "radish", Share: 0.3}, "share": {Long: "leek", Short: "radish", Weeks: 3, Share: 1.2}} {
		u.OwnPairs = []bed.OwnPair{wrong}
		c := invalid.NewCheck()
		u.Validate(c, nil, nil)
		if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != "own_pairs[0]."+field {
			t.Errorf("%+v: %v", wrong, c.Err())
		}
	}
}

// A short crop is cleared early to keep to a pair where a third of its picking is had
// (or one cut, or its one gathering), and what that costs is said; else it does not share.
func TestAShortCropIsClearedEarly(t *testing.T) {
	b := book.Usual()
	for _, c := range []struct {
		short string
		weeks float64
		to    civil.Date // days after spring on which it is cleared; 0: it does not share
		lost  string
	}{
		{"bush-bean", 9, 57, ""},
		{"bush-bean", 6, 42, "9 of 21 days of picking are lost"},
		{"bush-bean", 5, 0, ""},
		{"spinach", 5.3, 37, "14 of 21 days of picking are lost"},
		{"spinach", 5, 0, ""},
		{"radish", 5, 35, ""},
		{"radish", 4, 0, ""},
	} {
		in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: 1.2}}}
		in.Pairs = []book.Pairing{{ID: "p", Long: "leek", Short: c.short, WeeksTogether: c.weeks, RoomFraction: 0.5}}
		in.Plantings = []Planting{
			{ID: "long", Crop: b.Crop("leek"), Planted: 1, From: spring - 7, To: spring + 200},
			{ID: "short", Crop: b.Crop(c.short), Planted: 20, From: spring, First: spring + 30, Last: spring + 50, To: spring + 57, Priority: 1},
		}
		f := newSite(in)
		in.Plantings[0].Planted = f.holds(0, 0, 4*tenths)
		out := Fit(in)
		check(t, c.short, in, out)
		i := slices.IndexFunc(out.Pieces, func(p Piece) bool { return p.Planting == "short" })
		switch {
		case c.to == 0 && i >= 0, c.to > 0 && i < 0:
			t.Errorf("%s, %g weeks: %+v", c.short, c.weeks, out)
		case c.to > 0 && (out.Pieces[i].To != spring+c.to || !strings.Contains(fmt.Sprint(out.Pieces[i].Drawbacks), c.lost)):
			t.Errorf("%s, %g weeks: cleared after %d days, %q", c.short, c.weeks, out.Pieces[i].To-spring, out.Pieces[i].Drawbacks)
		}
	}
}

// What is set out into a crop that still stands shares its ground until that is cleared.
func TestSetOutIntoWhatStillStands(t *testing.T) {
	b := book.Usual()
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: 1.2}}}
	in.Pairs = []book.Pairing{{ID: "p", Long: "winter-squash", Short: "shelling-pea", WeeksTogether: 3, RoomFraction: 1}}
	for together, left := range map[civil.Date]int{20: 0, 28: 1} {
		in.Plantings = []Planting{
			{ID: "squash", Crop: b.Crop("winter-squash"), Planted: 4, From: spring + 60, To: spring + 160},
			{ID: "peas", Crop: b.Crop("shelling-pea"), Planted: 1, From: spring, To: spring + 60 + together, Priority: 1},
		}
		f := newSite(in)
		in.Plantings[0].Planted = max(1, f.holds(0, 0, 4*tenths))
		in.Plantings[1].Planted = f.holds(1, 0, 3*tenths)
		out := Fit(in)
		check(t, "relay", in, out)
		if len(out.Unplaced) != left {
			t.Errorf("%d days together: %+v", together, out.Unplaced)
		}
	}
}

// In a narrow bed with a trellis two climbers take a face each; in a wide one a climber's
// two rows take both, and without a trellis nothing is shared.
func TestTheTwoFacesOfATrellis(t *testing.T) {
	b := book.Usual()
	for _, c := range []struct {
		width float64
		climb bool
		other string
		left  int
	}{{0.8, true, "cucumber-slicing", 0}, {1.2, true, "cucumber-slicing", 1}, {0.8, false, "cucumber-slicing", 1}, {0.8, true, "tomato-paste", 1}} {
		in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: c.width, Climb: c.climb}}}
		in.Plantings = []Planting{
			{ID: "beans", Crop: b.Crop("pole-bean"), Planted: 1, From: spring, To: spring + 120},
			{ID: "other", Crop: b.Crop(c.other), Planted: 1, From: spring + 10, To: spring + 110, Priority: 1},
		}
		f := newSite(in)
		in.Plantings[0].Planted, in.Plantings[1].Planted = f.holds(0, 0, 4*tenths), f.holds(1, 0, 4*tenths)
		if out := Fit(in); len(out.Unplaced) != c.left {
			t.Errorf("%+v: %+v", c, out.Unplaced)
		}
	}
}
