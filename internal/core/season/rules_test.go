package season

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// Where the heat keeps fruit from setting, the weeks after it give nothing; what
// is picked before and after counts.
func TestHeatPausesTheFruit(t *testing.T) {
	y := place.Build(place.Examples()[2].Place) // the hot place
	s := Of(book.Usual().Crop("tomato-slicing"), y, Rules{Risk: UsualRisk}, 0)
	if len(s.Starts) == 0 {
		t.Fatal(s.Why)
	}
	hottest := y.Warmest
	if y.Max[hottest] <= s.Crop.HeatMax.Value {
		t.Fatalf("the hottest days have %g °C only", y.Max[hottest])
	}
	for _, st := range s.Starts {
		for d := st.Ready; d < st.End; d++ {
			var stress float64 // of the days on which its fruit set
			for k := setTo; k <= setFrom; k++ {
				stress += y.Stress(mod(d-k, place.Days), s.Crop.HeatMax.Value) / (setFrom - setTo + 1)
			}
			got, cool := s.Share(st, d, d+1), s.Share(st, st.Ready, st.End)/s.left(st.Ready, st.End)
			if math.Abs(got-cool*(1-stress)) > 1e-9 {
				t.Fatalf("begun on %d, day %d gives %g of %g with a stress of %g before it", st.Day, d, got, cool, stress)
			}
		}
	}
	for _, id := range []string{"tomato-slicing", "zucchini", "sweet-corn-late"} { // at the demo's place nothing pauses
		if s := at(t, "river-plain", id, UsualRisk); s.leaves != nil {
			t.Errorf("%s loses to the heat on the river plain", id)
		}
	}
}

// Begin agrees with the season wherever the season permits, and says why where
// it does not.
func TestBeginAgreesWithTheSeason(t *testing.T) {
	for _, e := range place.Examples() {
		y := place.Build(e.Place)
		for _, id := range []string{"pea-shelling", "shelling-pea", "tomato-paste", "lettuce-head", "garlic", "spinach", "winter-squash", "carrot-storage", "kale"} {
			c := book.Usual().Crop(id)
			if c == nil {
				continue
			}
			s := Of(c, y, Rules{Risk: UsualRisk}, y.Last)
			permitted := map[int]bool{}
			for _, st := range s.Starts[:s.main] {
				permitted[mod(st.Day, place.Days)] = true
				if got, why := Begin(c, y, Rules{Risk: UsualRisk}, y.Last, st.Day); got != st || !why.IsZero() {
					t.Fatalf("%s %s: begun on %d: %+v %q, the season has %+v", e.ID, id, st.Day, got, why, st)
				}
			}
			for d := -180; d < 180; d += 9 {
				st, why := Begin(c, y, Rules{Risk: UsualRisk}, y.Last, d)
				if st.Day != d || st.Ready < st.Day || st.End < st.Ready || (why.IsZero()) != permitted[mod(d, place.Days)] {
					t.Errorf("%s %s on day %d: %+v %q, permitted %v", e.ID, id, d, st, why, permitted[mod(d, place.Days)])
				}
			}
		}
	}
}

// What usually goes in place is raised where only that feeds the week.
func TestRaisedWhereOnlyThatFeeds(t *testing.T) {
	s := at(t, "river-plain", "zucchini", UsualRisk)
	direct := Of(s.Crop, place.Build(place.Examples()[0].Place), Rules{Risk: UsualRisk, Method: Direct}, 117)
	if s.main == len(s.Starts) || s.Fresh().Count() <= direct.Fresh().Count() {
		t.Errorf("%d of %d starts are in place; %d weeks fed, in place alone %d", s.main, len(s.Starts), s.Fresh().Count(), direct.Fresh().Count())
	}
	var fed Weeks
	for _, f := range s.Feeds[:s.main] {
		fed |= f
	}
	for i, st := range s.Starts {
		if st.Raised != (i >= s.main) || i >= s.main && s.Feeds[i]&^fed == 0 {
			t.Errorf("start %+v feeds nothing that one in place does not", st)
		}
	}
	for _, w := range s.Windows {
		if w.FirstWhy.IsZero() || w.LastWhy.IsZero() {
			t.Errorf("an edge without a reason: %+v", w)
		}
	}
}

// By temperature the spring edge is the first day warm enough, whatever the risk.
func TestTheTemperatureSchool(t *testing.T) {
	y := place.Build(place.Examples()[0].Place)
	for id, need := range map[string]float64{"shelling-pea": 2, "lettuce-head": 4, "tomato-paste": 7, "pepper-sweet": 8} {
		for _, risk := range []Risk{Careful, UsualRisk, Bold} {
			c := book.Usual().Crop(id)
			s := Of(c, y, Rules{Risk: risk, School: ByTemperature}, y.Last)
			if len(s.Windows) == 0 {
				t.Fatalf("%s: %s", id, s.Why)
			}
			need := need
			switch c.Frost { // the book's class decides
			case book.Hardy:
				need = 2
			case book.HalfHardy:
				need = 4
			}
			d := mod(s.Windows[0].First.Day+y.Last, place.Days)
			if y.Min[d] < need || y.Min[mod(d-1, place.Days)] >= need && !strings.Contains(s.Windows[0].FirstWhy.String(), "soil") {
				t.Errorf("%s, %s: from a mean minimum of %.1f °C, the day before %.1f: %s", id, risk, y.Min[d], y.Min[mod(d-1, place.Days)], s.Windows[0].FirstWhy)
			}
		}
	}
}

// A household's own limits cut the window, on either side of New Year.
func TestNotBeforeAndNotAfter(t *testing.T) {
	for _, e := range place.Examples() {
		y := place.Build(e.Place)
		c := book.Usual().Crop("kale")
		open := Of(c, y, Rules{Risk: UsualRisk}, y.Last)
		middle := open.Starts[len(open.Starts)/2]
		_, m, d := (civil.Of(2001, 1, 1) + civil.Date(mod(middle.Day+y.Last, place.Days))).Split()
		day := civil.MonthDay{Month: m, Day: d}
		for _, r := range []Rules{{Risk: UsualRisk, NotBefore: day}, {Risk: UsualRisk, NotAfter: day}} {
			s := Of(c, y, r, y.Last)
			if len(s.Starts) == 0 || len(s.Starts) >= len(open.Starts) {
				t.Errorf("%s: %d of %d starts are left", e.ID, len(s.Starts), len(open.Starts))
			}
			for _, st := range s.Starts {
				if away := mod(st.Day-middle.Day+182, place.Days) - 182; !r.NotBefore.IsZero() && away < 0 || !r.NotAfter.IsZero() && away > 0 {
					t.Errorf("%s: begun %d days from the limit", e.ID, away)
				}
			}
		}
	}
}

// Example R: a head or root of nine days stands for nine days where it is as warm as its
// catalogue days want, longer in the cool, and never more than half as fast again.
func TestStandingLife(t *testing.T) {
	for mean, want := range map[float64]int{18: 9, 11: 18, 5: 126, 30: 6} {
		y := &place.Year{}
		for d := range y.Mean {
			y.Mean[d] = mean
		}
		g := &ground{crop: &book.Crop{HoldDays: 9, TBase: 4, TRef: 18}, year: y}
		if got := g.stands(100) - 100; got != want {
			t.Errorf("at %g °C it stands %d days, want %d", mean, got, want)
		}
	}
}
