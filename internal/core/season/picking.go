package season

import (
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// curve returns the share of a plant's harvest gathered before day i of its
// picking, i from 0 to the full picking; nil for crops gathered once and for
// those that go on.
func curve(c *book.Crop) []float64 {
	if c.Harvest == book.Once || c.GoesOn {
		return nil
	}
	n := max(1, int(math.Round(c.HarvestDays)))
	day := make([]float64, n)
	var sum float64
	for i := range day {
		switch t := (float64(i) + 0.5) / float64(n); {
		case c.Harvest == book.Cut: // equal cuts a week apart
			if i%7 == 0 {
				day[i] = 1
			}
		case t < 0.2:
			day[i] = t / 0.2
		case t <= 0.7:
			day[i] = 1
		default: // falls to a fifth of the plateau
			day[i] = 1 - 0.8*(t-0.7)/0.3
		}
		sum += day[i]
	}
	out := make([]float64, n+1)
	for i, d := range day {
		out[i+1] = out[i] + d/sum
	}
	return out
}

// Share returns the share of a plant's full harvest that a start gives in the
// days from a to b (b excluded), counted as Start counts. What the heat takes is
// left out.
func (s *Season) Share(st Start, a, b int) float64 {
	a, b = max(a, st.Ready), min(b, st.End)
	if a >= b {
		return 0
	}
	switch {
	case s.Crop.Harvest == book.Once:
		if a == st.Ready {
			return 1 - st.Lost
		}
		return 0
	case s.Crop.Perennial(): // level over its picking
		return float64(b-a) / float64(st.End-st.Ready)
	case s.grows != nil: // level, and never more than has grown
		return s.level(st, st.Ready, st.End) * s.left(a, b)
	case s.Crop.GoesOn: // level; a season shorter than the book's loses the rest
		_, days := s.leaves.between(st.Ready, st.End)
		return s.left(a, b) / math.Max(s.Crop.HarvestDays, float64(days))
	}
	at := func(d int) float64 { return s.cumul[min(d-st.Ready, len(s.cumul)-1)] }
	if s.leaves == nil || s.left(a, b) >= float64(b-a)-1e-9 {
		return at(b) - at(a)
	}
	var sum float64
	for d := a; d < b; d++ {
		sum += (at(d+1) - at(d)) * s.left(d, d+1)
	}
	return sum
}

// left returns what the heat leaves of the days from a to b, in days.
func (s *Season) left(a, b int) float64 {
	left, _ := s.leaves.between(a, b)
	return left
}

// ahead is for how many days of picking a hardy crop that goes on has leaves when it
// is first picked.
const ahead = 14

// grown returns the share of a plant's full harvest that has grown by the end of day d:
// it begins with some days of picking, and puts on more as it is warm and light.
func (s *Season) grown(st Start, d int) float64 {
	at := func(d int) float64 { return s.grows[max(0, min(len(s.grows)-1, d+s.shift))] }
	return math.Min(1, (ahead+at(d+1)-at(st.Ready))/s.Crop.HarvestDays)
}

// Grows reports whether no more can be picked than has grown: hardy leaves that are
// picked on and on.
func (s *Season) Grows() bool { return s.grows != nil }

// level returns the share that can be picked on each day from a to b, day after day
// alike, so that no week's sum is more than has grown by then.
func (s *Season) level(st Start, a, b int) float64 {
	most := math.Inf(1)
	for end := a + 7; ; end += 7 {
		end = min(end, b)
		most = math.Min(most, s.grown(st, end-1)/float64(end-a))
		if end == b {
			return most
		}
	}
}

// RunShare returns the share of a plant's full harvest that a start gives in the weeks
// of a run.
func (s *Season) RunShare(st Start, run Weeks) (share float64) {
	if s.grows == nil {
		for w, v := range s.ByWeek(st) {
			if run.Has(w) {
				share += v
			}
		}
		return share
	}
	// The weeks of the run, as they come after the ready day; what is not picked
	// before them is still there.
	var days, level = 0, math.Inf(1)
	var left float64
	for a := st.Ready; a < st.End; {
		b := s.weekEnd(a)
		if end := min(b, st.End); run.Has(WeekOf(a)) {
			days += end - a
			left += s.left(a, end)
			level = math.Min(level, s.grown(st, end-1)/float64(days))
		}
		a = b
	}
	if days == 0 {
		return 0
	}
	return level * left
}

// ShareOf returns the share of a plant's full harvest that a start gives in the weeks of a run; all
// it gives where the run is empty, or where it is harvested once.
func (s *Season) ShareOf(st Start, run Weeks) float64 {
	if s.Crop.Harvest == book.Once && !s.Crop.Perennial() {
		return 1
	}
	if run == 0 {
		return s.Share(st, st.Ready, st.End)
	}
	return s.RunShare(st, run)
}

// weekEnd returns the day after the week of the table year that a day lies in.
func (s *Season) weekEnd(a int) int {
	w, day := WeekOf(a), mod(a, place.Days)
	if w == WeeksPerYear-1 {
		return a + place.Days - day
	}
	return a + 7*(w+1) - day
}

// ByWeek returns the share of a plant's full harvest that a start gives in each
// week of the table year; what runs past the year's end wraps round.
func (s *Season) ByWeek(st Start) (out [WeeksPerYear]float64) {
	level := 1.0
	if s.grows != nil {
		level = s.level(st, st.Ready, max(st.End, st.Ready+1))
	}
	for a := st.Ready; a < st.End; {
		b := s.weekEnd(a)
		if s.grows != nil {
			out[WeekOf(a)] += level * s.left(a, min(b, st.End))
		} else {
			out[WeekOf(a)] += s.Share(st, a, b)
		}
		a = b
	}
	return out
}

// feeds returns the weeks a start feeds: a crop gathered once feeds the weeks
// on whose fourth day it can be eaten, from the ready day while it holds and at
// most 4 days of keeping; a picked or cut one those that give at least half of
// its best week's picking.
func (s *Season) feeds(st Start, seen *pickings) (out Weeks, peak float64) {
	if s.Crop.Harvest == book.Once && !s.Crop.Perennial() {
		end := st.End + int(math.Min(4, s.Crop.KeepDays.Or(0)))
		end = min(end, st.Sure+place.Days)
		for year := 0; year < end; year += place.Days { // a week's fourth day, in this table year and the next
			for w := max(0, (st.Sure-year+3)/7); w < WeeksPerYear && year+7*w+3 < end; w++ {
				if year+7*w+3 >= st.Sure {
					out = out.With(w)
				}
			}
		}
		return out, 0
	}
	slot, length := &seen[st.Ready%7], st.End-st.Ready
	quick := s.leaves == nil && s.grows == nil && st.End < 7*WeeksPerYear
	if quick && slot.length == length { // the same picking, some weeks later
		return slot.weeks << uint(st.Ready/7), slot.peak
	}
	shares := s.ByWeek(st)
	best := slices.Max(shares[:])
	for w, v := range shares {
		if v > 0 && v >= best/2-1e-12 {
			out = out.With(w)
		}
	}
	if quick {
		slot.length, slot.weeks, slot.peak = length, out>>uint(st.Ready/7), best
	}
	return out, best
}

// HalfGathered returns the day by which half of what a start gives is in.
func (s *Season) HalfGathered(st Start) int {
	whole := s.Share(st, st.Ready, st.End)
	for d := st.Ready; d < st.End; d++ {
		if s.Share(st, st.Ready, d+1) >= whole/2-1e-12 {
			return d
		}
	}
	return st.Ready
}
