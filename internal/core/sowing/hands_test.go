package sowing

import (
	"slices"
	"testing"

	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// withHand puts a planting with so many plants on a start of a use.
func withHand(u table.Use, i, plants int) table.Use {
	h := &table.RecordedSowing{Planting: &record.Planting{ID: "h", Crop: u.Crop.ID, Plants: plants}, Start: u.Season.Starts[i]}
	u.Recorded = append(slices.Clone(u.Recorded), h)
	u.Season = u.Season.With(h.Start)
	return u
}

// A planting feeds what it can as far as its plants reach; the weeks left over
// are walked again, and no week is fed twice.
func TestAPlantingFeedsFirst(t *testing.T) {
	plain := use(t, 0, "lettuce-head", wish.Fresh)
	last := len(plain.Season.Starts) - 1
	for plain.Season.Feeds[last] == 0 { // ready so late that it is eaten on no week's fourth day
		last--
	}
	for _, i := range []int{0, len(plain.Season.Starts) / 3, last} {
		u := withHand(plain, i, 0)
		got := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{})
		checkRuns(t, "uncounted", u, got, u.Weeks)
		k := slices.IndexFunc(got, func(s Sowing) bool { return s.Hand != nil })
		if k < 0 || got[k].Run&^u.Season.FedBy(got[k].Start) != 0 {
			t.Fatalf("start %d: the planting is not among them", i)
		}
		u = withHand(plain, i, 5)
		one := Known{Feeds: func(_ *table.RecordedSowing, run []int) int { return min(1, len(run)) }}
		got = Plan(u, wish.Stagger{Kind: wish.ByNeed}, one)
		for _, s := range got {
			if s.Hand != nil && s.Run.Count() != 1 {
				t.Errorf("start %d: plants for one week feed %v", i, s.Run.List())
			}
		}
		checkRuns(t, "counted", u, got, u.Weeks)
	}
}

// Weeks that plantings were to feed take no start on a day that is past.
func TestThePastBinds(t *testing.T) {
	u := use(t, 0, "lettuce-head", wish.Fresh)
	now := u.Season.Starts[len(u.Season.Starts)/2].Sow
	var bound season.Weeks
	for _, w := range u.Weeks.List()[:10] {
		bound = bound.With(w)
	}
	var fed season.Weeks
	got := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{Now: now, Bound: bound})
	for _, s := range got {
		fed |= s.Run
		if first := s.Run.List()[0]; s.Start.Sow < now && bound.Has(first) {
			t.Errorf("week %d, which is bound, is to be sown for on %d, %d days ago", first, s.Start.Sow, now-s.Start.Sow)
		}
	}
	for _, week := range (u.Weeks &^ bound &^ fed).List() {
		if !only(u, got, week) {
			t.Errorf("week %d is not bound, and not fed", week)
		}
	}
	if fed == u.Weeks {
		t.Errorf("fed %v of %v, bound %v", fed.List(), u.Weeks.List(), bound.List())
	}
}

// What was agreed is chosen before what is latest, where it feeds the week.
func TestAgreedDaysComeFirst(t *testing.T) {
	u := use(t, 0, "lettuce-head", wish.Fresh)
	plain := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{})
	var days []int
	for _, s := range plain {
		days = append(days, s.Start.Day-2) // two days sooner than the walk would choose
	}
	got := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{Agreed: days})
	checkRuns(t, "agreed", u, got, u.Weeks)
	kept := 0
	for _, s := range got {
		if slices.Contains(days, s.Start.Day) {
			kept++
		}
	}
	if kept < len(got)*2/3 {
		t.Errorf("%d of %d sowings are on agreed days", kept, len(got))
	}
	same := make([]int, len(plain))
	for i, s := range plain {
		same[i] = s.Start.Day
	}
	if again := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{Agreed: same}); !slices.EqualFunc(again, plain, func(a, b Sowing) bool { return a.Start == b.Start && a.Run == b.Run }) {
		t.Error("agreed as it is, the plan comes out otherwise")
	}
}

// A lot whose plants were counted leaves the rest to the others, or to one more.
func TestACountedLot(t *testing.T) {
	u := use(t, 0, "carrot-storage", wish.Cellar)
	u.Lot = u.Season.Lot(true, 1, nil)
	u = withHand(u, u.Lot[0]-20, 50)
	u.Lot = []int{len(u.Season.Starts) - 1}
	for share, want := range map[float64]int{1: 1, 0.95: 1, 0.6: 2, 0.01: 2} {
		got := Plan(u, wish.Stagger{}, Known{Now: -1000, Gives: func(*table.RecordedSowing, float64) float64 { return share }})
		var sum float64
		for _, s := range got {
			sum += s.Part / float64(s.Of)
		}
		if len(got) != want || want == 2 && (sum < 1-1e-9 || sum > 1+1e-9) {
			t.Errorf("a planting that gives %g of it: %d sowings, %g of the lot together", share, len(got), sum)
		}
	}
	if late := Plan(u, wish.Stagger{}, Known{Now: place.Days, Gives: func(*table.RecordedSowing, float64) float64 { return 0.5 }}); len(late) != 1 {
		t.Errorf("when no start is left, %d sowings", len(late))
	}
}

// A cheap row lies two weeks before the first sowing and feeds nothing.
func TestTheEarlyRow(t *testing.T) {
	u := use(t, 0, "bush-bean", wish.Fresh)
	plain := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{})
	y := place.Build(place.Examples()[0].Place)
	begin := func(_ season.Start, day int) season.Start {
		st, _ := season.Begin(u.Crop, y, season.Rules{Risk: season.UsualRisk}, y.Last, day)
		return st
	}
	got := Plan(u, wish.Stagger{Kind: wish.ByNeed, Early: true}, Known{Begin: begin})
	if len(got) != len(plain)+1 {
		t.Fatalf("%d sowings, %d without the row", len(got), len(plain))
	}
	row := got[len(got)-1]
	if !row.Early || row.Start.Day != plain[0].Start.Day-14 || row.Start.Ready <= row.Start.Day || row.Start.Ready > plain[0].Start.Ready || row.Run != plain[0].Run {
		t.Errorf("%+v beside %+v", row, plain[0])
	}
}

// Nobody sows a crop again within a week of a sowing by the same method, nor by two methods
// on one day.
func TestSowingsLieAWeekApart(t *testing.T) {
	made := []Sowing{{Start: season.Start{Day: 100}}, {Start: season.Start{Day: 200}, Early: true}}
	for _, c := range []struct {
		day    int
		indoor bool
		near   bool
	}{{100, false, true}, {106, false, true}, {94, false, true}, {107, false, false}, {93, false, false}, {100, true, true}, {101, true, false}, {200, false, false}} {
		if got := Beside(made, season.Start{Day: c.day, Raised: c.indoor}); (got != nil) != c.near {
			t.Errorf("day %d, indoors %v: %+v", c.day, c.indoor, got)
		}
	}
}
