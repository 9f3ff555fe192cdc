package season

import (
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// Which starts are taken: for a store, so many in a row, spread, evenly, for a lot.

// Stored returns what a start comes to where its harvest is stored: it is left
// standing while it may, and lifted when it must be, or in the first of the weeks in
// which it is wanted, so that the store's weeks begin then. What is eaten from the bed
// in winter, and what is picked, stays as it is.
func (s *Season) Stored(st Start, wanted Weeks) Start {
	if !s.lifted() {
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

// lifted reports whether the harvest is lifted in one go to be stored.
func (s *Season) lifted() bool {
	return s.Crop.Harvest == book.Once && s.Crop.Store != book.GroundStorage && !s.Crop.Perennial()
}

// ForStore returns the season with every start as it comes to where the harvest is
// stored and wanted in some weeks.
func (s *Season) ForStore(wanted Weeks) *Season {
	if !s.lifted() {
		return s
	}
	out := *s
	out.Starts = make([]Start, len(s.Starts))
	for i, st := range s.Starts {
		out.Starts[i] = s.Stored(st, wanted)
	}
	return &out
}

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

// From returns the season with those starts alone that are begun on a day or later,
// counted from the start of the table year: what is past can be begun no more. A
// perennial keeps its one start.
func (s *Season) From(day int) *Season {
	if s.Crop.Perennial() || !slices.ContainsFunc(s.Starts, func(st Start) bool { return st.Sow < day }) {
		return s
	}
	out := *s
	out.Starts, out.Feeds, out.peaks, out.main = nil, nil, nil, 0
	for i, st := range s.Starts {
		if st.Sow < day {
			continue
		}
		out.Starts, out.Feeds = append(out.Starts, st), append(out.Feeds, s.Feeds[i])
		if i < len(s.peaks) {
			out.peaks = append(out.peaks, s.peaks[i])
		}
		if i < s.main {
			out.main++
		}
	}
	if out.over = len(out.Starts) == 0; out.over {
		out.first, out.last = s.Starts[0].Sow, s.Starts[0].Sow
		for _, st := range s.Starts {
			out.first, out.last = min(out.first, st.Sow), max(out.last, st.Sow)
		}
	}
	return &out
}

// Over reports whether the crop can be begun here, but no more in this table year; first
// and last are the days of the year on which it could be.
func (s *Season) Over() (first, last int, over bool) { return s.first, s.last, s.over }

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
	first, end := s.safe(late)
	if first == end {
		return []int{0}
	}
	at, step := first, 1
	switch {
	case late:
		at, step = end-1, -1
	case liked != nil:
		at = s.mostLiked(first, end, liked)
	}
	for k := range m {
		i := at + step*lotApart*k
		if i < first || i >= end || mod(s.Starts[i].Day-s.Starts[at].Day, place.Days) != mod(step*lotApart*k, place.Days) {
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
func (s *Season) mostLiked(first, end int, liked func(Start) int) int {
	best := math.MinInt
	var score []int
	for i := first; i < end; i += 7 {
		n := liked(s.Starts[i])
		score, best = append(score, n), max(best, n)
	}
	for k, n := range score {
		if n >= best-nearlyAsGood {
			return first + 7*k
		}
	}
	return first
}

// safe returns the starts of one window, from first to end (end excluded), that a lot
// may take, a day apart: of the window that is lifted last for a late lot, of the
// first for any other. They are equal where there is none.
func (s *Season) safe(late bool) (first, end int) {
	for i, st := range s.Starts[:s.main] {
		if !st.Safe || late && st.Winters { // what stands through the winter is ready in spring
			continue
		}
		if first < end && (end < i || mod(st.Day-s.Starts[i-1].Day, place.Days) != 1) {
			if !late {
				return first, end
			}
			end = first
		}
		if first == end {
			first = i
		}
		end = i + 1
	}
	return first, end
}

// Endless reports whether nothing ever stops the crop's growth here, so that no lot of
// it is late.
func (s *Season) Endless() bool { return s.endless }
