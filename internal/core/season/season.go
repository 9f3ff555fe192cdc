// Package season works out when each crop can be started here, when it is then
// ready, until when it is picked, and which weeks that feeds. The spring edge of
// a window follows the frost dates or the temperature, as the household has it;
// how long a crop takes follows the heat it needs (degree days, slowed by short
// days), beside the catalogue's own days.
package season

import (
	"fmt"
	"math"
	"math/bits"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// Weeks is a set of weeks of the table year, 0 to 51.
type Weeks uint64

// WeeksPerYear is the length of the table year.
const WeeksPerYear = 52

// AllYear holds every week.
const AllYear Weeks = 1<<WeeksPerYear - 1

// Has tells whether week w is in the set.
func (s Weeks) Has(w int) bool { return s>>uint(w)&1 == 1 }

// With returns the set with week w in it.
func (s Weeks) With(w int) Weeks { return s | 1<<uint(w) }

// Count returns how many weeks the set holds.
func (s Weeks) Count() int { return bits.OnesCount64(uint64(s)) }

// List returns the weeks in order.
func (s Weeks) List() []int {
	out := make([]int, 0, s.Count())
	for w := range WeeksPerYear {
		if s.Has(w) {
			out = append(out, w)
		}
	}
	return out
}

// WeekOf returns the week of a day counted from the start of the table year;
// days beyond the year wrap round, day 365 belongs to week 51.
func WeekOf(day int) int { return min(mod(day, place.Days)/7, WeeksPerYear-1) }

// Start is one day on which a crop may be begun, and what follows from it. Days
// count from the start of the table year; Ready lies within 0 to 364.
type Start struct {
	Day    int  // the day it takes ground: sown in place or planted out
	Sow    int  // the day the seed is sown: Day, or earlier indoors
	Raised bool // planted out as a start, raised here or bought
	Bought bool // bought as a start: nothing is sown
	Ready  int  // first harvest, by the heat it needs
	Sure   int  // the same with the slack of the household's risk: feeding and limits go by it
	Plain  int  // the same by the catalogue's days alone
	End    int  // the day after the last picking, or after it no longer holds

	Lost    float64 // share of its weight that the heat takes
	Winters bool    // it stands through the winter unripe and goes on in spring
	Safe    bool    // it is ready long enough before the limit for a lot that is kept
	Lift    int     // the last day on which it is lifted to be stored
}

// Window is a run of days on which a crop may be started, with the reason at
// each edge.
type Window struct {
	First, Last         Start
	FirstWhy, LastWhy   string
	ReadyFirst, EndLast int
}

// Season is a crop's year at a place. Once Of has returned it, nothing changes it.
type Season struct {
	Crop    *book.Crop
	Starts  []Start // in the order of their ready day
	Feeds   []Weeks // the weeks each start feeds
	Windows []Window
	Why     string // why there is no start at all; empty when there is one
	main    int    // how many of the starts are begun in the usual way; the rest only where no other feeds the week
	cumul   []float64
	leaves  *leaves     // what the heat leaves of each day's picking; nil where all
	grows   *place.Sums // what a hardy crop that goes on grows by each day, days of full growth; else nil
	peaks   []float64   // the most that one plant of each start gives in a week
	endless bool        // nothing limits it here
	shift   int         // from days of the table year to those of grows
}

// pickings remembers, while a season is worked out, which weeks a picking of a
// length feeds, by the weekday of its ready day. It is no part of the season: a
// finished season is never written to, so that several plans may read one at once.
type pickings [7]struct {
	length int
	weeks  Weeks
	peak   float64
}

// Fresh returns the weeks that some permitted start feeds.
func (s *Season) Fresh() (all Weeks) {
	for _, f := range s.Feeds {
		all |= f
	}
	return all
}

// Of works out a crop's season at a place, for a household with its rules.
// yearStart is the year day (0 to 364) on which the table year begins.
func Of(c *book.Crop, y *place.Year, r Rules, yearStart int) *Season {
	ways := waysOf(c, r.Way)
	g := newGround(c, y, r, ways[0])
	s := &Season{Crop: c, cumul: g.cumul, endless: g.limit >= never}
	s.leaves = g.leaving(yearStart)
	if c.GoesOn && !tender(c) && !c.Perennial() {
		s.grows, s.shift = y.GrowthSums(c.TBase, c.TCap, c.TRef), mod(yearStart-y.Last, place.Days)-hotFrom
	}
	if c.Perennial() {
		s.patch(g, yearStart)
	} else {
		s.scan(g, yearStart)
	}
	s.main = len(s.Starts)
	s.Feeds = make([]Weeks, len(s.Starts))
	var seen pickings
	for i, st := range s.Starts {
		var peak float64
		s.Feeds[i], peak = s.feeds(st, &seen)
		s.peaks = append(s.peaks, peak)
	}
	if len(ways) > 1 {
		s.besides(newGround(c, y, r, ways[1]), yearStart)
	}
	return s
}

// dear is how many times the plants of a good week the weeks of a start may take.
const dear = 3

// Dear returns how many times the plants the best week of a start takes that the same
// food takes in the week in which one plant gives most; 0 for what is gathered once
// and for what is picked level: a plant that is picked for forty weeks gives less in a
// week than one picked for ten, and is the thriftier.
func (s *Season) Dear(i int) float64 {
	if i >= len(s.peaks) || s.peaks[i] <= 0 || s.Crop.Perennial() || s.grows != nil {
		return 0
	}
	return slices.Max(s.peaks) / s.peaks[i]
}

// TooDear tells whether a start takes more than three times the plants for what it
// feeds: nobody grows so many for so little.
func (s *Season) TooDear(i int) bool { return s.Dear(i) > dear+1e-9 }

// besides adds the starts of a second way that feed weeks which the first way
// cannot: what usually goes in place is raised where only that feeds the week.
func (s *Season) besides(g *ground, yearStart int) {
	second := &Season{Crop: s.Crop, cumul: s.cumul, leaves: g.leaving(yearStart), grows: s.grows, shift: s.shift}
	second.scan(g, yearStart)
	fed, from := s.Fresh(), -1
	direct := map[int]bool{}
	for _, st := range s.Starts {
		direct[mod(st.Day, place.Days)] = true
	}
	var seen pickings
	for i, st := range second.Starts {
		feeds, peak := second.feeds(st, &seen)
		if feeds&^fed == 0 {
			continue
		}
		if from < 0 || second.Starts[i-1].Day != st.Day-1 {
			from = len(s.Windows)
			s.Windows = append(s.Windows, Window{First: st, ReadyFirst: st.Ready, FirstWhy: "raised: " + second.edge(st)})
		}
		w := &s.Windows[from]
		w.Last, w.EndLast, w.LastWhy = st, st.End, "raised: "+second.lastEdge(st)
		if direct[mod(st.Day+1, place.Days)] {
			w.LastWhy = "from then on, sown in place, it feeds the same weeks"
		} else if i+1 < len(second.Starts) && second.Starts[i+1].Day == st.Day+1 {
			w.LastWhy = "raised later, it feeds no week that is not fed already"
		}
		s.Starts, s.Feeds, s.peaks = append(s.Starts, st), append(s.Feeds, feeds), append(s.peaks, peak)
	}
	if len(s.Starts) > 0 {
		s.Why = ""
	}
	slices.SortStableFunc(s.Windows, func(a, b Window) int { return a.First.Day - b.First.Day })
}

// edge says why the window of a start begins when it does.
func (s *Season) edge(st Start) string {
	for _, w := range s.Windows {
		if mod(st.Day-w.First.Day, place.Days) <= mod(w.Last.Day-w.First.Day, place.Days) {
			return w.FirstWhy
		}
	}
	return ""
}

// lastEdge says why the window of a start ends when it does.
func (s *Season) lastEdge(st Start) string {
	for _, w := range s.Windows {
		if mod(st.Day-w.First.Day, place.Days) <= mod(w.Last.Day-w.First.Day, place.Days) {
			return w.LastWhy
		}
	}
	return ""
}

// scan tries every day of the year and keeps the permitted ones.
func (s *Season) scan(g *ground, yearStart int) {
	from, to := g.span()
	var room [place.Days + 200]Start // most are refused; what stands is copied out
	starts := room[:0]
	run := -1 // index of the first start of the window being read
	var last Start
	var before, nearest refusal
	miss := math.Inf(1)
	closeWindow := func(why string) {
		w := &s.Windows[len(s.Windows)-1]
		w.Last, w.LastWhy, w.EndLast = last, why, last.End
		run = -1
	}
	for x := from; x <= to; x++ {
		st, r := g.try(x)
		if r.rule != permitted {
			if run >= 0 {
				closeWindow(g.words(r))
			}
			before = r
			if m := g.miss(st, r); m < miss || nearest.rule == permitted {
				miss, nearest = m, r
			}
			continue
		}
		st = canonical(st, mod(yearStart-g.year.Last, place.Days))
		if run < 0 {
			run = len(starts)
			why := g.words(before)
			if x == from {
				if _, r := g.try(x - 1); g.limit >= never && r.rule != permitted {
					why = g.words(r)
				} else {
					why = g.firstWhy()
				}
			}
			s.Windows = append(s.Windows, Window{First: st, FirstWhy: why, ReadyFirst: st.Ready})
		}
		starts, last = append(starts, st), st
	}
	if run >= 0 {
		why := g.lastWhy()
		if _, r := g.try(to + 1); g.limit >= never && r.rule != permitted {
			why = g.words(r)
		}
		closeWindow(why)
	}
	s.Starts = slices.Clone(starts)
	if len(s.Starts) == place.Days && len(s.Windows) == 1 && g.crop.Dense == nil {
		s.Windows[0].FirstWhy, s.Windows[0].LastWhy = anyTime, anyTime
	}
	if len(s.Starts) == 0 {
		s.Why = g.words(nearest)
		if s.Why == "" {
			s.Why = g.noDay()
		}
	}
}

// patch gives a perennial its one picking a year, in weeks from the last frost.
func (s *Season) patch(g *ground, yearStart int) {
	p := s.Crop.Patch
	first := 0
	if g.year.FrostFree { // the first week with mean ≥ base + 2
		for first < place.Days && g.year.Mean[g.year.Day(first)] < s.Crop.TBase+2 {
			first++
		}
		if first == place.Days {
			s.Why = fmt.Sprintf("the mean never reaches %.0f °C here", s.Crop.TBase+2)
			return
		}
	}
	st := Start{Day: first + int(7*s.Crop.PlantOutWeeks.Or(0)), Ready: first + int(7*p.FirstPickWeeks)}
	st.Sow = st.Day
	if s.Crop.Start != "vegetative" {
		st.Raised, st.Sow = true, st.Day-int(7*s.Crop.RaiseWeeks.Or(0))
	}
	st.End = st.Ready + int(7*p.PickWeeks)
	st.Sure, st.Plain = st.Ready, st.Ready
	st = canonical(st, mod(yearStart-g.year.Last, place.Days))
	s.Starts = []Start{st}
	s.Windows = []Window{{First: st, Last: st, FirstWhy: "a patch in full bearing is picked at its own time", LastWhy: "a patch in full bearing is picked at its own time", ReadyFirst: st.Ready, EndLast: st.End}}
}

// canonical counts a start's days from the table year's start and moves it by
// whole years until it is ready within the table year.
func canonical(st Start, offset int) Start {
	shift := -offset
	for st.Ready+shift < 0 {
		shift += place.Days
	}
	for st.Ready+shift >= place.Days {
		shift -= place.Days
	}
	st.Day, st.Sow, st.Ready, st.End = st.Day+shift, st.Sow+shift, st.Ready+shift, st.End+shift
	st.Sure, st.Plain, st.Lift = st.Sure+shift, st.Plain+shift, st.Lift+shift
	return st
}

// Stored returns what a start comes to where its harvest is stored: it is left
// standing while it may, and lifted when it must be, or in the first of the weeks in
// which it is wanted, so that the store's weeks begin then. What is eaten from the bed
// in winter, and what is picked, stays as it is.
func (s *Season) Stored(st Start, wanted Weeks) Start {
	if s.Crop.Harvest != book.Once || s.Crop.Store == "ground" || s.Crop.Perennial() {
		return st
	}
	lift := max(st.Ready, st.Sure, st.Lift)
	if wanted != AllYear && wanted != 0 && !wanted.Has(WeekOf(max(st.Ready, st.Sure))) {
		for d := max(st.Ready, st.Sure); d < lift; d++ {
			if wanted.Has(WeekOf(d + 7)) { // it is eaten from the week after
				lift = d
			}
		}
	} else if wanted != AllYear && wanted != 0 {
		lift = max(st.Ready, st.Sure)
	}
	st.Ready, st.Sure = lift, lift
	st.End = max(st.End, lift+1)
	return st
}

// ForStore returns the season with every start as it comes to where the harvest is
// stored and wanted in some weeks.
func (s *Season) ForStore(wanted Weeks) *Season {
	out := *s
	out.Starts = make([]Start, len(s.Starts))
	for i, st := range s.Starts {
		out.Starts[i] = s.Stored(st, wanted)
	}
	return &out
}

func mod(a, b int) int { return ((a % b) + b) % b }

// Only returns the season with nothing but the given starts (indices into
// Starts, in order), for a household that fixes how often it sows.
func (s *Season) Only(starts []int) *Season {
	out := *s
	out.Starts, out.Feeds, out.peaks = make([]Start, len(starts)), make([]Weeks, len(starts)), nil
	for i, k := range starts {
		out.Starts[i], out.Feeds[i] = s.Starts[k], s.Feeds[k]
	}
	out.main = len(starts)
	return &out
}

// Spread returns m starts spread evenly over the permitted days, the first and
// the last of them among them; for one, that which feeds most of the weeks
// wanted.
func (s *Season) Spread(m int, wanted Weeks) (starts []int) {
	if m == 1 {
		if best := s.Best(wanted); best >= 0 {
			return []int{best}
		}
	}
	var use []int // the starts that feed something that is wanted
	for i, f := range s.Feeds[:s.main] {
		if f&wanted != 0 {
			use = append(use, i)
		}
	}
	if len(use) <= m {
		return use
	}
	for k := range m {
		starts = append(starts, use[k*(len(use)-1)/(m-1)])
	}
	return starts
}

// Series returns m starts so many days apart, those that together feed most of the
// weeks wanted, the earliest of those that feed as many; fewer than m where no window
// is long enough.
func (s *Season) Series(m, days int, wanted Weeks) (starts []int) {
	byDay := map[int]int{}
	for i, st := range s.Starts[:s.main] {
		byDay[mod(st.Day, place.Days)] = i
	}
	best := -1
	for i, st := range s.Starts[:s.main] {
		series, fed := []int{i}, s.Feeds[i]
		for k := 1; k < m; k++ {
			next, there := byDay[mod(st.Day+k*days, place.Days)]
			if !there {
				break
			}
			series, fed = append(series, next), fed|s.Feeds[next]
		}
		if n := (fed & wanted).Count() + WeeksPerYear*len(series); n > best {
			best, starts = n, series
		}
	}
	return starts
}

// Evenly returns m starts of which the i-th feeds the week (i − ½) / m of the way
// through the weeks wanted that some start feeds: the latest that is ready for it.
func (s *Season) Evenly(m int, wanted Weeks) (starts []int) {
	var fed Weeks
	for _, f := range s.Feeds[:s.main] {
		fed |= f
	}
	weeks := (fed & wanted).List()
	if len(weeks) == 0 {
		return nil
	}
	// The weeks in their order round the year, from behind the longest hole.
	first := 0
	for k := range weeks {
		before := weeks[(k+len(weeks)-1)%len(weeks)]
		if hole, most := mod(weeks[k]-before, WeeksPerYear), mod(weeks[first]-weeks[(first+len(weeks)-1)%len(weeks)], WeeksPerYear); hole > most {
			first = k
		}
	}
	for i := range m {
		week := weeks[(first+(2*i+1)*len(weeks)/(2*m))%len(weeks)]
		found, least := -1, place.Days
		for k, f := range s.Feeds[:s.main] {
			if wait := mod(7*week+3-s.Starts[k].Sure, place.Days); f.Has(week) && wait < least && !slices.Contains(starts, k) {
				found, least = k, wait
			}
		}
		if found >= 0 {
			starts = append(starts, found)
		}
	}
	slices.Sort(starts)
	return starts
}

// With returns the season with more starts in it, which a household has made
// or set by hand, permitted or not.
func (s *Season) With(more ...Start) *Season {
	out := *s
	out.Starts, out.Feeds = slices.Clone(s.Starts), slices.Clone(s.Feeds)
	for _, st := range more {
		out.Starts, out.Feeds = append(out.Starts, st), append(out.Feeds, s.FedBy(st))
	}
	return &out
}

// FedBy returns the weeks that a start feeds, permitted or not.
func (s *Season) FedBy(st Start) Weeks {
	if st.End <= st.Ready {
		return 0
	}
	weeks, _ := s.feeds(st, &pickings{})
	return weeks
}

// Every returns the starts of a fixed interval: the first day of each window
// and every so many days after it while the window lasts.
func (s *Season) Every(days int) (starts []int) {
	next := math.MinInt
	for i, st := range s.Starts[:s.main] {
		if i > 0 && st.Day != s.Starts[i-1].Day+1 && st.Day != s.Starts[i-1].Day+1-place.Days {
			next = math.MinInt // a new window
		}
		if i > 0 && st.Day < s.Starts[i-1].Day && next != math.MinInt {
			next -= place.Days // the window runs on past the end of the table year
		}
		if st.Day >= next {
			starts = append(starts, i)
			next = st.Day + days
		}
	}
	return starts
}

// Best returns the start that feeds most of the given weeks, the earliest of
// those that feed as many; -1 where there is none.
func (s *Season) Best(wanted Weeks) int {
	best, most := -1, -1
	for i, f := range s.Feeds {
		if n := (f & wanted).Count(); n > most {
			best, most = i, n
		}
	}
	return best
}

// lotApart is how many days lie between the starts of a lot that is gathered in
// several sowings.
const lotApart = 14

// Lot returns the m starts, a fortnight apart, of a lot that is gathered to be kept.
// None is squeezed against its limit: those that are ready long enough before it come
// first, and only where there are none the first permitted one. A late lot ends with
// the last of them; any other begins with the one that is liked best, the first where
// all are liked alike. It returns fewer than m where the window is too short, none
// where there is no window.
func (s *Season) Lot(late bool, m int, liked func(Start) int) (starts []int) {
	if s.main == 0 {
		return nil
	}
	safe := s.safe(late)
	if len(safe) == 0 {
		return []int{0}
	}
	at, step := safe[0], 1
	switch {
	case late:
		at, step = safe[len(safe)-1], -1
	case liked != nil:
		at = s.mostLiked(safe, liked)
	}
	for k := range m {
		i := at + step*lotApart*k
		if i < 0 || i >= s.main || !slices.Contains(safe, i) || mod(s.Starts[i].Day-s.Starts[at].Day, place.Days) != mod(step*lotApart*k, place.Days) {
			break
		}
		starts = append(starts, i)
	}
	if late { // in the order of their days
		slices.Reverse(starts)
	}
	return starts
}

// nearlyAsGood is by how many weeks less a start may be liked and still be taken for
// being the earlier.
const nearlyAsGood = 2

// mostLiked returns, of the starts a week apart from the first on, the earliest that
// is liked nearly as well as the best.
func (s *Season) mostLiked(safe []int, liked func(Start) int) int {
	best := math.MinInt
	var weekly, score []int
	for _, i := range safe {
		if mod(s.Starts[i].Day-s.Starts[safe[0]].Day, 7) == 0 {
			n := liked(s.Starts[i])
			weekly, score, best = append(weekly, i), append(score, n), max(best, n)
		}
	}
	for k, i := range weekly {
		if score[k] >= best-nearlyAsGood {
			return i
		}
	}
	return safe[0]
}

// safe returns the starts of one window that a lot may take: of the window that is
// lifted last for a late lot, of the first for any other.
func (s *Season) safe(late bool) (out []int) {
	for i, st := range s.Starts[:s.main] {
		if !st.Safe {
			continue
		}
		if len(out) > 0 && mod(st.Day-s.Starts[out[len(out)-1]].Day, place.Days) != 1 {
			if !late {
				return out
			}
			out = nil
		}
		out = append(out, i)
	}
	return out
}

// Endless tells whether nothing ever stops the crop's growth here, so that no lot of
// it is late.
func (s *Season) Endless() bool { return s.endless }
