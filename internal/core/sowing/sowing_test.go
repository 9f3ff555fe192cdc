package sowing

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

func use(t *testing.T, at int, crop string, form wish.Form) table.Use {
	t.Helper()
	y := place.Build(place.Examples()[at].Place)
	c := book.Usual().Crop(crop)
	s := season.Of(c, y, season.Rules{Risk: season.UsualRisk}, y.Last)
	return table.Use{Form: form, Crop: c, Season: s, Weeks: s.Fresh(), CanFeed: s.Fresh()}
}

// checkRuns holds what every way of staggering must keep: runs do not overlap,
// each is fed by its start, and together they are the weeks given.
func checkRuns(t *testing.T, name string, u table.Use, got []Sowing, want season.Weeks) {
	t.Helper()
	var all season.Weeks
	for _, s := range got {
		if s.Run == 0 || all&s.Run != 0 {
			t.Errorf("%s: run %v is empty or fed twice", name, s.Run.List())
		}
		all |= s.Run
		fed := false
		for i, st := range u.Season.Starts {
			if st == s.Start {
				fed = u.Season.Feeds[i]&s.Run == s.Run
			}
		}
		if !fed {
			t.Errorf("%s: start %+v does not feed %v", name, s.Start, s.Run.List())
		}
		if s.Share <= 0 || s.Share > 1+1e-9 {
			t.Errorf("%s: a share of %g is picked", name, s.Share)
		}
	}
	for _, week := range (all ^ want).List() {
		if all.Has(week) || !only(u, got, week) {
			t.Errorf("%s: fed %v, want %v", name, all.List(), want.List())
		}
	}
	for i, a := range got {
		for _, b := range got[:i] {
			if apart := away(a.Start.Day - b.Start.Day); a.Hand == nil && b.Hand == nil && a.Of == 1 && a.Start.Raised == b.Start.Raised && apart < LeastApart && apart > -LeastApart {
				t.Errorf("%s: sown on %d and again on %d", name, b.Start.Day, a.Start.Day)
			}
		}
	}
}

// only reports whether every start that feeds a week lies too near to a sowing, or takes
// too many plants.
func only(u table.Use, out []Sowing, week int) bool {
	for i, st := range u.Season.Starts[:len(u.Season.Starts)-len(u.Recorded)] {
		if u.Season.Feeds[i].Has(week) && Beside(out, st) == nil && !u.Season.TooDear(i) {
			return false
		}
	}
	return true
}

// By need, no week that a permitted start could feed goes unfed: every crop at
// every place, with all its weeks wanted and with some.
func TestByNeedLeavesNoWeekUnfed(t *testing.T) {
	for p := range place.Examples() {
		for _, c := range book.Usual().Crops() {
			u := use(t, p, c.ID, wish.Fresh)
			checkRuns(t, c.ID, u, Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{}), u.Weeks)
			u.Weeks &= 0x5a5a5a5a5a5a5 // with holes
			checkRuns(t, c.ID+" with holes", u, Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{}), u.Weeks)
		}
	}
}

func TestByNeedTakesTheLatestStartThatIsReady(t *testing.T) {
	u := use(t, 0, "lettuce-head", wish.Fresh)
	for _, s := range Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{}) {
		first := s.Run.List()[0]
		for i, st := range u.Season.Starts {
			if u.Season.Feeds[i].Has(first) && st.Sure > s.Start.Sure && st.Sure <= 7*first+3 {
				t.Fatalf("week %d takes a start ready on day %d, %d would do", first, s.Start.Ready, st.Ready)
			}
		}
	}
}

func TestLettuceJoinsWithoutAHole(t *testing.T) {
	u := use(t, 0, "lettuce-head", wish.Fresh)
	weeks := u.Weeks.List()
	for i := 1; i < len(weeks); i++ {
		if weeks[i] != weeks[i-1]+1 {
			t.Errorf("a hole between week %d and %d", weeks[i-1], weeks[i])
		}
	}
	got := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{})
	if len(got) < 8 {
		t.Errorf("heads that hold nine days want more than %d sowings", len(got))
	}
}

func TestAtAnInterval(t *testing.T) {
	u := use(t, 0, "bush-bean", wish.Fresh)
	u.Season = u.Season.Only(u.Season.Every(21))
	u.Weeks, u.CanFeed = u.Season.Fresh(), u.Season.Fresh()
	got := Plan(u, wish.Stagger{Kind: wish.Every, Days: 21}, Known{})
	checkRuns(t, "every three weeks", u, got, u.Weeks)
	for i := 1; i < len(got); i++ {
		if gap := got[i].Start.Day - got[i-1].Start.Day; gap%21 != 0 || gap == 0 {
			t.Errorf("sowings %d days apart", gap)
		}
	}
}

func TestAllAtOnce(t *testing.T) {
	u := use(t, 0, "kale", wish.Fresh)
	best := u.Season.Best(u.Weeks)
	u.Season = u.Season.Only([]int{best})
	u.Weeks = u.Season.Fresh()
	got := Plan(u, wish.Stagger{Kind: wish.OneGo}, Known{})
	if len(got) != 1 {
		t.Fatalf("%d sowings at once", len(got))
	}
	checkRuns(t, "once", u, got, u.Weeks)
}

func TestALotIsSharedByItsSowings(t *testing.T) {
	u := use(t, 0, "tomato-paste", wish.Canned)
	u.Lot = u.Season.Lot(false, 3, nil)
	got := Plan(u, wish.Stagger{Kind: wish.ByNeed, Sowings: 3}, Known{})
	if len(got) != 3 {
		t.Fatalf("%d sowings, want 3", len(got))
	}
	for _, s := range got {
		if s.Of != 3 || s.Run != u.Weeks || s.Share < 0.99 {
			t.Errorf("%+v", s)
		}
	}
	u.Lot = nil
	if none := Plan(u, wish.Stagger{}, Known{}); len(none) != 0 {
		t.Errorf("a lot that cannot be started has %d sowings", len(none))
	}
}

// Over the turn of the table year a run is one run.
func TestARunOverTheYearsEnd(t *testing.T) {
	var u table.Use
	for _, c := range book.Usual().Crops() { // at the frost-free place, what goes on and is fresh all year
		if v := use(t, 2, c.ID, wish.Fresh); c.GoesOn && v.Weeks == season.AllYear {
			u = v
			break
		}
	}
	if u.Season == nil || u.Weeks != season.AllYear {
		t.Fatalf("fresh in %d weeks", u.Weeks.Count())
	}
	checkRuns(t, "all year", u, Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{}), season.AllYear)
	u.Weeks = season.Weeks(0).With(50).With(51).With(0).With(1)
	got := Plan(u, wish.Stagger{Kind: wish.ByNeed}, Known{})
	checkRuns(t, "over the end", u, got, u.Weeks)
	if len(got) != 1 {
		t.Errorf("four weeks in a row want %d sowings of a crop that goes on", len(got))
	}
}
