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
	idle    []int16 // paused days among the first i from pauseFrom; nil where heat never pauses it
}

// pickings remembers, while a season is worked out, which weeks a picking of a
// length feeds, by the weekday of its ready day. It is no part of the season: a
// finished season is never written to, so that several plans may read one at once.
type pickings [7]struct {
	length int
	weeks  Weeks
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
	s := &Season{Crop: c}
	s.cumul = curve(c)
	ways := waysOf(c, r.Way)
	g := newGround(c, y, r, ways[0])
	s.idle = g.pauses(yearStart)
	if c.Perennial() {
		s.patch(g, yearStart)
	} else {
		s.scan(g, yearStart)
	}
	s.main = len(s.Starts)
	s.Feeds = make([]Weeks, len(s.Starts))
	var seen pickings
	for i, st := range s.Starts {
		s.Feeds[i] = s.feeds(st, &seen)
	}
	if len(ways) > 1 {
		s.besides(newGround(c, y, r, ways[1]), yearStart)
	}
	return s
}

// besides adds the starts of a second way that feed weeks which the first way
// cannot: what usually goes in place is raised where only that feeds the week.
func (s *Season) besides(g *ground, yearStart int) {
	second := &Season{Crop: s.Crop, cumul: s.cumul, idle: g.pauses(yearStart)}
	second.scan(g, yearStart)
	fed, from := s.Fresh(), -1
	var seen pickings
	for i, st := range second.Starts {
		feeds := second.feeds(st, &seen)
		if feeds&^fed == 0 {
			continue
		}
		if from < 0 || second.Starts[i-1].Day != st.Day-1 {
			from = len(s.Windows)
			w := Window{First: st, ReadyFirst: st.Ready, FirstWhy: "raised: " + second.edge(st), LastWhy: "from then on, sown in place, it feeds the same weeks"}
			s.Windows = append(s.Windows, w)
		}
		s.Windows[from].Last, s.Windows[from].EndLast = st, st.End
		s.Starts, s.Feeds = append(s.Starts, st), append(s.Feeds, feeds)
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

// scan tries every day of the year and keeps the permitted ones.
func (s *Season) scan(g *ground, yearStart int) {
	from, to := g.span()
	var room [place.Days + 200]Start // most are refused; what stands is copied out
	starts := room[:0]
	run := -1 // index of the first start of the window being read
	var last Start
	var before refusal
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
			continue
		}
		st = canonical(st, mod(yearStart-g.year.Last, place.Days))
		if run < 0 {
			run = len(starts)
			why := g.words(before)
			if x == from {
				why = g.firstWhy()
			}
			s.Windows = append(s.Windows, Window{First: st, FirstWhy: why, ReadyFirst: st.Ready})
		}
		starts, last = append(starts, st), st
	}
	if run >= 0 {
		closeWindow(g.lastWhy())
	}
	s.Starts = slices.Clone(starts)
	if len(s.Starts) == 0 {
		s.Why = g.words(before)
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
	st.Sure, st.Plain = st.Sure+shift, st.Plain+shift
	return st
}

func mod(a, b int) int { return ((a % b) + b) % b }

// Only returns the season with nothing but the given starts (indices into
// Starts, in order), for a household that fixes how often it sows.
func (s *Season) Only(starts []int) *Season {
	out := *s
	out.Starts, out.Feeds = make([]Start, len(starts)), make([]Weeks, len(starts))
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
	return s.feeds(st, &pickings{})
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

// Lot returns the m starts, a fortnight apart, of a lot that is gathered to be
// kept: timed to be lifted near the autumn limit, or else begun at the first permitted day. It returns fewer than m where the
// window is too short, none where there is no window.
func (s *Season) Lot(late bool, m int) (starts []int) {
	const apart = 14
	if s.main == 0 {
		return nil
	}
	// The window that is lifted last serves a late lot, the first one any other.
	from, to := 0, 0
	for i := 1; i <= s.main; i++ {
		if i == s.main || s.Starts[i].Day != s.Starts[i-1].Day+1 {
			if to = i; !late {
				break
			}
			if i < s.main {
				from = i
			}
		}
	}
	step, at := 1, from
	if late {
		step, at = -1, to-1
	}
	for k := range m {
		i := at + step*apart*k
		if i < from || i >= to {
			break
		}
		starts = append(starts, i)
	}
	if late { // in the order of their days
		for i, j := 0, len(starts)-1; i < j; i, j = i+1, j-1 {
			starts[i], starts[j] = starts[j], starts[i]
		}
	}
	return starts
}
