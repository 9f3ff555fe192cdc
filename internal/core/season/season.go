// Package season works out when each crop can be started here, when it is then
// ready, until when it is picked, and which weeks that feeds. The spring edge of
// a window follows the frost dates or the temperature, as the household has it;
// how long a crop takes follows the heat it needs (degree days, slowed by short
// days), beside the catalogue's own days.
package season

import (
	"cmp"
	"math"
	"math/bits"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
)

// Weeks is a set of weeks of the table year, 0 to 51.
type Weeks uint64

// WeeksPerYear is the length of the table year.
const WeeksPerYear = 52

// AllYear holds every week.
const AllYear Weeks = 1<<WeeksPerYear - 1

// Has reports whether week w is in the set.
func (s Weeks) Has(w int) bool { return s>>uint(w)&1 == 1 }

// With returns the set with week w in it.
func (s Weeks) With(w int) Weeks { return s | 1<<uint(w) }

// Count returns how many weeks the set holds.
func (s Weeks) Count() int { return bits.OnesCount64(uint64(s)) }

// InOrder sorts weeks as they follow one another on the circle of the year, from a week on.
func InOrder(weeks []int, from int) []int {
	after := func(week int) int { return (week - from + WeeksPerYear) % WeeksPerYear }
	slices.SortFunc(weeks, func(a, b int) int { return after(a) - after(b) })
	return weeks
}

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
	FirstWhy, LastWhy   say.Note
	ReadyFirst, EndLast int
}

// Season is a crop's year at a place. Once Of has returned it, nothing changes it.
type Season struct {
	Crop    *book.Crop
	Starts  []Start // in the order of their ready day
	Feeds   []Weeks // the weeks each start feeds
	Windows []Window
	Why     say.Note // why there is no start at all; it says nothing when there is one
	main    int      // how many of the starts are begun in the usual way; the rest only where no other feeds the week
	cumul   []float64
	leaves  *leaves     // what the heat leaves of each day's picking; nil where all
	grows   *place.Sums // what a hardy crop that goes on grows by each day, days of full growth; else nil
	peaks   []float64   // the most that one plant of each start gives in a week
	peak    float64     // the highest of them
	endless bool        // nothing limits it here
	over    bool        // all its starts are past; first and last are then the days on which they were begun
	first   int
	last    int
	shift   int // from days of the table year to those of grows
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
	ways := methodsOf(c, r.Method)
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
		s.peaks, s.peak = append(s.peaks, peak), max(s.peak, peak)
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
	return s.peak / s.peaks[i]
}

// TooDear reports whether a start takes more than three times the plants for what it
// feeds: nobody grows so many for so little.
func (s *Season) TooDear(i int) bool { return s.Dear(i) > dear+1e-9 }

// besides adds the starts of a second way that feed weeks which the first way
// cannot: what usually goes in place is raised where only that feeds the week.
func (s *Season) besides(g *ground, yearStart int) {
	second := &Season{Crop: s.Crop, cumul: s.cumul, leaves: g.leaving(yearStart), grows: s.grows, shift: s.shift}
	second.scan(g, yearStart)
	fed, from := s.Fresh(), -1
	var direct [place.Days]bool
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
			s.Windows = append(s.Windows, Window{First: st, ReadyFirst: st.Ready, FirstWhy: say.That(say.Raised{Why: second.edge(st)})})
		}
		w := &s.Windows[from]
		w.Last, w.EndLast, w.LastWhy = st, st.End, say.That(say.Raised{Why: second.lastEdge(st)})
		if direct[mod(st.Day+1, place.Days)] {
			w.LastWhy = say.That(say.SownInPlaceFeeds)
		} else if i+1 < len(second.Starts) && second.Starts[i+1].Day == st.Day+1 {
			w.LastWhy = say.That(say.RaisedLaterNoMore)
		}
		s.Starts, s.Feeds = append(s.Starts, st), append(s.Feeds, feeds)
		s.peaks, s.peak = append(s.peaks, peak), max(s.peak, peak)
	}
	if len(s.Starts) > 0 {
		s.Why = say.Note{}
	}
	slices.SortStableFunc(s.Windows, func(a, b Window) int { return a.First.Day - b.First.Day })
}

// edge says why the window of a start begins when it does.
func (s *Season) edge(st Start) say.Note {
	for _, w := range s.Windows {
		if mod(st.Day-w.First.Day, place.Days) <= mod(w.Last.Day-w.First.Day, place.Days) {
			return w.FirstWhy
		}
	}
	return say.Note{}
}

// lastEdge says why the window of a start ends when it does.
func (s *Season) lastEdge(st Start) say.Note {
	for _, w := range s.Windows {
		if mod(st.Day-w.First.Day, place.Days) <= mod(w.Last.Day-w.First.Day, place.Days) {
			return w.LastWhy
		}
	}
	return say.Note{}
}

// scan tries every day of the year and keeps the permitted ones.
//
// One function, since a window is opened and closed in one pass over the days.
func (s *Season) scan(g *ground, yearStart int) {
	from, to := g.span()
	var room [place.Days + 200]Start // most are refused; what stands is copied out
	starts := room[:0]
	run := -1 // index of the first start of the window being read
	var last Start
	var before, nearest refusal
	miss := math.Inf(1)
	closeWindow := func(why say.Fact) {
		w := &s.Windows[len(s.Windows)-1]
		w.Last, w.LastWhy, w.EndLast = last, say.That(why), last.End
		run = -1
	}
	for x := from; x <= to; x++ {
		st, r := g.try(x)
		if r.rule != permitted {
			if run >= 0 {
				closeWindow(g.reason(r))
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
			why := g.reason(before)
			if x == from {
				if _, r := g.try(x - 1); g.limit >= never && r.rule != permitted {
					why = g.reason(r)
				} else {
					why = g.firstWhy()
				}
			}
			s.Windows = append(s.Windows, Window{First: st, FirstWhy: say.That(why), ReadyFirst: st.Ready})
		}
		starts, last = append(starts, st), st
	}
	if run >= 0 {
		why := g.lastWhy()
		if _, r := g.try(to + 1); g.limit >= never && r.rule != permitted {
			why = g.reason(r)
		}
		closeWindow(why)
	}
	s.Starts = slices.Clone(starts)
	if len(s.Starts) == place.Days && len(s.Windows) == 1 && g.crop.Dense == nil {
		s.Windows[0].FirstWhy, s.Windows[0].LastWhy = say.That(say.AnyTime), say.That(say.AnyTime)
	}
	if len(s.Starts) == 0 {
		s.Why = say.That(cmp.Or(g.reason(nearest), g.noDay()))
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
			s.Why = say.That(say.MeanTooLow{C: s.Crop.TBase + 2})
			return
		}
	}
	st := Start{Day: first + int(7*s.Crop.PlantOutWeeks.Or(0)), Ready: first + int(7*p.FirstPickWeeks)}
	st.Sow = st.Day
	if s.Crop.Start != book.Vegetative {
		st.Raised, st.Sow = true, st.Day-int(7*s.Crop.RaiseWeeks.Or(0))
	}
	st.End = st.Ready + int(7*p.PickWeeks)
	st.Sure, st.Plain = st.Ready, st.Ready
	st = canonical(st, mod(yearStart-g.year.Last, place.Days))
	s.Starts = []Start{st}
	s.Windows = []Window{{First: st, Last: st, FirstWhy: say.That(say.PatchAtItsTime), LastWhy: say.That(say.PatchAtItsTime), ReadyFirst: st.Ready, EndLast: st.End}}
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

func mod(a, b int) int { return ((a % b) + b) % b }
