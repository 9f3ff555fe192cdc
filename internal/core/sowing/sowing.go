// Package sowing staggers the sowings of a crop: on which days to begin it, and
// which weeks each sowing is to feed.
package sowing

import (
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// Sowing is one sowing of one use of a wish.
type Sowing struct {
	Start season.Start
	Run   season.Weeks          // the weeks it is to feed
	Share float64               // share of a plant's full harvest gathered for them
	Of    int                   // how many equal sowings share the need; 1 where it has its own
	Part  float64               // the share of the whole need that those sowings are to meet
	Hand  *table.RecordedSowing // nil unless somebody has set it
	Early bool                  // a row risked before the season: nothing is counted on it
}

// Known is what binds a plan of sowings beside the season.
type Known struct {
	// Now is the day it is, counted from the start of the table year.
	Now int
	// Today says that nothing is begun before Now.
	Today bool
	// Bound are the weeks that plantings really made were to feed: nothing can be
	// begun for them any more on a day that is past.
	Bound season.Weeks
	// Begin returns the start of a crop on another day, also outside its window, by the
	// same method as a start. It is called only for an early row.
	Begin func(like season.Start, day int) season.Start
	// Agreed are the days, counted the same way, of the plan agreed to.
	Agreed []int
	// Feeds returns those weeks of a run that the plants counted for a planting
	// can feed, in the order given.
	Feeds func(h *table.RecordedSowing, run []int) int
	// Gives returns the share of a lot that the plants counted for a planting
	// give.
	Gives func(h *table.RecordedSowing, share float64) float64
	// LetBe returns the share of a lot that a planting was to give for which nothing is to be
	// begun. It is called only for one that is let be.
	LetBe func(h *table.RecordedSowing) float64
}

// Plan staggers the sowings of one use: those of fresh food by the wish's way
// of staggering, a lot that is kept in its equal sowings. A week of the use is in no
// returned sowing only if a recorded planting has too few plants and no later sowing can
// feed it.
func Plan(u table.Use, stagger wish.Stagger, k Known) []Sowing {
	w := walk{use: u, known: k, first: len(u.Season.Starts) - len(u.Recorded)}
	switch {
	case u.Form != wish.Fresh:
		return w.lot()
	case stagger.Kind == wish.ByNeed:
		return w.byNeed(stagger.Early)
	}
	return w.byStart()
}

// walk is a use being staggered.
type walk struct {
	use   table.Use
	known Known
	first int // Starts[first:] are fixed by the user; the ones before are computed
	left  season.Weeks
	spent map[int]bool // plantings that have had their run
	out   []Sowing
}

// hand returns the planting a start belongs to; nil where it is not set by hand.
func (w *walk) hand(i int) *table.RecordedSowing {
	if i < w.first {
		return nil
	}
	return w.use.Recorded[i-w.first]
}

// Fewest is the share of a lot that is worth a sowing of its own; less than it is not missed.
const Fewest = 0.1

// lot divides what is kept among its starts. What the plants counted for a
// planting do not give is left to the others, or to one more sowing.
func (w *walk) lot() []Sowing {
	open, rest, letBe := w.counted()
	if len(open) == 0 && len(w.out) > 0 && rest > Fewest && !letBe {
		if i := w.another(); i >= 0 {
			open = append(open, w.whole(i))
		}
	}
	for _, s := range open {
		if s.Hand == nil && rest <= 1e-9 {
			continue
		}
		s.Of, s.Part = len(open), rest
		w.out = append(w.out, s)
	}
	slices.SortStableFunc(w.out, func(a, b Sowing) int { return a.Start.Day - b.Start.Day })
	return w.out
}

// whole returns a start as a sowing of a whole lot.
func (w *walk) whole(i int) Sowing {
	u := w.use
	st := u.Season.Starts[i]
	share := u.Season.Share(st, st.Ready, st.End)
	return Sowing{Start: st, Run: u.Weeks, Share: share, Of: 1, Part: 1, Hand: w.hand(i)}
}

// counted takes the plantings of a lot whose plants are counted, each with the share that they
// give, and those that are let be, which give none. It returns the starts among which the rest
// is divided, that rest, and whether something is let be.
func (w *walk) counted() (open []Sowing, rest float64, letBe bool) {
	rest = 1.0
	for _, i := range w.use.Lot {
		s := w.whole(i)
		switch {
		case s.Hand != nil && s.Hand.LetBe && w.known.LetBe != nil: // its share stays without
			letBe = true
			rest -= min(rest, w.known.LetBe(s.Hand))
			s.Part = 0
		case s.Hand == nil || s.Hand.Plants == 0 || w.known.Gives == nil:
			open = append(open, s)
			continue
		default:
			s.Part = min(rest, w.known.Gives(s.Hand, s.Share))
			rest -= s.Part
		}
		w.out = append(w.out, s)
	}
	return open, rest, letBe
}

// another returns the last permitted start that may still be begun, or -1.
func (w *walk) another() int {
	found := -1
	for i, st := range w.use.Season.Starts[:w.first] {
		if st.Sow >= w.known.Now && (found < 0 || st.Day > w.use.Season.Starts[found].Day) {
			found = i
		}
	}
	return found
}

// wait is how long before the fourth day of week w a start is ready.
func (w *walk) wait(i, week int) int {
	return ((7*week+3-w.use.Season.Starts[i].Sure)%place.Days + place.Days) % place.Days
}

// latest returns, of some starts, the one that feeds a week and is ready latest
// before its fourth day; one sown in place where a raised one is ready no later.
func (w *walk) latest(week int, among func(i int) bool) int {
	s := w.use.Season
	found, least := -1, place.Days
	for i, f := range s.Feeds {
		if !f.Has(week) || !among(i) {
			continue
		}
		wait := w.wait(i, week)
		if found >= 0 && s.Starts[found].Raised != s.Starts[i].Raised && i < w.first && found < w.first && w.mixed() {
			if s.Starts[i].Raised {
				continue // it goes in place where that feeds the week
			}
			found, least = i, wait
			continue
		}
		if wait < least {
			found, least = i, wait
		}
	}
	return found
}

// alike is by how much more ground one start may take than another and still count as
// taking as little.
const alike = 1.02

// thriftiest returns, of the starts a week apart that feed a week, the one that takes
// the least ground for the least time for each week it feeds, the latest of those that
// take as little. Hardy leaves that are picked on and on give no more than has grown:
// what is set out late has grown little.
func (w *walk) thriftiest(week int, among func(i int) bool) int {
	s := w.use.Season
	found, least := -1, 0.0
	for i := w.first - 1; i >= 0; i-- { // the latest first
		if !s.Feeds[i].Has(week) || s.Starts[i].Day%7 != 0 || !among(i) {
			continue
		}
		st := s.Starts[i]
		run, n := season.Weeks(0), 0
		for k := week; n < season.WeeksPerYear && w.left.Has(k) && s.Feeds[i].Has(k); k = (k + 1) % season.WeeksPerYear {
			run, n = run.With(k), n+1
		}
		share := s.RunShare(st, run)
		if share <= 0 {
			continue
		}
		lasts := w.wait(i, week) + st.Sure - st.Day + 7*n
		if takes := float64(lasts) / share; found < 0 || takes*alike < least {
			found, least = i, takes
		}
	}
	if found < 0 {
		return w.latest(week, among)
	}
	return found
}

// mixed reports whether the crop has starts of both ways.
func (w *walk) mixed() bool { return w.use.Season.Crop.Start == book.SownEither }

// byNeed walks the fresh weeks in order: the first unfed week takes a planting
// set by hand that feeds it, or a start of the plan agreed to, or the latest
// start that is ready for it; that feeds a run of weeks; and so on.
//
// One function, since a week is given to the first start that may feed it, by four rules in order.
func (w *walk) byNeed(early bool) []Sowing {
	u := w.use
	w.left = u.Weeks
	agreed := map[int]bool{}
	for _, day := range w.known.Agreed {
		for i, st := range u.Season.Starts[:w.first] {
			if d := ((st.Day-day)%place.Days + place.Days) % place.Days; d == 0 {
				agreed[i] = true
				break
			}
		}
	}
	near := func(i int) bool { return Beside(w.out, u.Season.Starts[i]) != nil }
	past := func(i, week int) bool { return w.known.Bound.Has(week) && u.Season.Starts[i].Sow < w.known.Now }
	first := 0
	for week := range season.WeeksPerYear { // begin behind a hole, so that no run is cut at the year's end
		if w.left.Has(week) && !w.left.Has((week+season.WeeksPerYear-1)%season.WeeksPerYear) {
			first = week
			break
		}
	}
	w.spent = map[int]bool{}
	earliest := -1
	for k := range season.WeeksPerYear {
		week := (first + k) % season.WeeksPerYear
		if !w.left.Has(week) {
			continue
		}
		i := w.latest(week, func(i int) bool { return i >= w.first && !w.spent[i] })
		if i < 0 {
			i = w.latest(week, func(i int) bool { return agreed[i] && !past(i, week) && !near(i) && !u.Season.TooDear(i) })
		}
		if may := func(i int) bool { return i < w.first && !past(i, week) && !near(i) && !u.Season.TooDear(i) }; i < 0 && u.Season.Grows() {
			i = w.thriftiest(week, may)
		} else if i < 0 {
			i = w.latest(week, may)
		}
		if i < 0 {
			continue
		}
		if earliest < 0 {
			earliest = i
		}
		w.spent[i] = i >= w.first
		w.run(i, week)
	}
	w.unused(w.spent)
	if early && earliest >= 0 && earliest < w.first {
		w.risk(earliest)
	}
	return w.out
}

// LeastApart is how many days lie between two sowings of a crop in one way that are
// made as the table needs it: nobody goes out again for less.
const LeastApart = 7

// Beside returns the sowing that a start would lie too near to, in the same way; nil
// where there is none.
func Beside(out []Sowing, st season.Start) *Sowing {
	for k := range out {
		o := &out[k]
		apart := away(st.Day - o.Start.Day)
		if o.Start.Raised != st.Raised { // nor are there two ways on one day
			if apart == 0 && !o.Early {
				return o
			}
			continue
		}
		if !o.Early && apart < LeastApart && apart > -LeastApart {
			return o
		}
	}
	return nil
}

// away counts a difference of days round the year, −182 to 182.
func away(days int) int {
	const half = place.Days / 2
	return ((days+half)%place.Days+place.Days)%place.Days - half
}

// run gives a start the weeks it feeds from one on, as far as its plants go.
func (w *walk) run(i, week int) {
	var weeks []int
	for left := w.left; left.Has(week) && w.use.Season.Feeds[i].Has(week); week = (week + 1) % season.WeeksPerYear {
		weeks = append(weeks, week)
		left &^= season.Weeks(0).With(week)
	}
	switch h := w.hand(i); {
	case h == nil:
		weeks = w.spare(weeks)
	case h.Plants > 0 && w.known.Feeds != nil:
		weeks = weeks[:w.known.Feeds(h, weeks)]
	}
	var run season.Weeks
	for _, week := range weeks {
		run = run.With(week)
	}
	w.left &^= run
	w.out = append(w.out, w.of(i, run))
}

// spare shortens a run of weeks so that a crop already in the ground is eaten first.
func (w *walk) spare(weeks []int) []int {
	var run season.Weeks
	for _, week := range weeks {
		run = run.With(week)
	}
	for i := w.first; i < len(w.use.Season.Starts); i++ {
		feeds := w.use.Season.Feeds[i] & w.left
		if w.spent[i] || feeds == 0 || feeds&^run != 0 {
			continue
		}
		for k, week := range weeks {
			if feeds.Has(week) && k > 0 {
				weeks = weeks[:k]
				break
			}
		}
	}
	return weeks
}

// unused adds the plantings that no week needed: they stand all the same.
func (w *walk) unused(used map[int]bool) {
	for i := w.first; i < len(w.use.Season.Starts); i++ {
		if !used[i] {
			w.out = append(w.out, w.of(i, 0))
		}
	}
}

// EarlyBy is how many days before the first sowing of a season a cheap row is
// risked.
const EarlyBy = 14

// risk adds a cheap row some days before a sowing, as large as that one. It is
// begun before the season allows, so nothing is counted on it.
func (w *walk) risk(i int) {
	s := w.of(i, 0)
	for _, o := range w.out {
		if o.Start == s.Start {
			s.Run, s.Share = o.Run, o.Share
		}
	}
	s.Early = true
	if s.Start = w.known.Begin(s.Start, s.Start.Day-EarlyBy); s.Start.Sow < w.known.Now && w.known.Today {
		return // the day on which it would be risked is past
	}
	w.out = append(w.out, s)
}

// byStart gives each fresh week to the planting or the start that is ready
// latest before it; starts that no week needs are left out.
func (w *walk) byStart() []Sowing {
	u := w.use
	weeks := make([][]int, len(u.Season.Starts))
	for _, week := range u.Weeks.List() {
		if i := w.latest(week, func(int) bool { return true }); i >= 0 {
			weeks[i] = append(weeks[i], week)
		}
	}
	for i, run := range weeks {
		h := w.hand(i)
		if h != nil && h.Plants > 0 && w.known.Feeds != nil {
			run = run[:w.known.Feeds(h, run)]
		}
		var set season.Weeks
		for _, week := range run {
			set = set.With(week)
		}
		if set != 0 || h != nil {
			w.out = append(w.out, w.of(i, set))
		}
	}
	return w.out
}

func (w *walk) of(i int, run season.Weeks) Sowing {
	s := w.use.Season
	st := s.Starts[i]
	return Sowing{Start: st, Run: run, Share: s.ShareOf(st, run), Of: 1, Part: 1, Hand: w.hand(i)}
}
