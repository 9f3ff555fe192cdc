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
// days from a to b (b excluded), counted as Start counts. Days on which the heat
// of some weeks before leaves nothing to pick give nothing.
func (s *Season) Share(st Start, a, b int) float64 {
	a, b = max(a, st.Ready), min(b, st.End)
	if a >= b {
		return 0
	}
	switch {
	case s.Crop.Harvest == book.Once:
		if a == st.Ready {
			return 1
		}
		return 0
	case s.Crop.Perennial(): // level over its picking
		return float64(b-a) / float64(st.End-st.Ready)
	case s.Crop.GoesOn: // level; a season shorter than the book's loses the rest
		return float64(s.picked(a, b)) / math.Max(s.Crop.HarvestDays, float64(s.picked(st.Ready, st.End)))
	}
	at := func(d int) float64 { return s.cumul[min(d-st.Ready, len(s.cumul)-1)] }
	if s.idle == nil || s.picked(a, b) == b-a {
		return at(b) - at(a)
	}
	var sum float64
	for d := a; d < b; d++ {
		if s.picked(d, d+1) == 1 {
			sum += at(d+1) - at(d)
		}
	}
	return sum
}

// picked returns how many of the days from a to b the heat does not pause.
func (s *Season) picked(a, b int) int {
	if s.idle == nil {
		return b - a
	}
	at := func(d int) int { return int(s.idle[max(0, min(len(s.idle)-1, d-pauseFrom))]) }
	return b - a - (at(b) - at(a))
}

// ByWeek returns the share of a plant's full harvest that a start gives in each
// week of the table year; what runs past the year's end wraps round.
func (s *Season) ByWeek(st Start) (out [WeeksPerYear]float64) {
	for a := st.Ready; a < st.End; {
		w, day := WeekOf(a), mod(a, place.Days)
		b := a + 7*(w+1) - day
		if w == WeeksPerYear-1 {
			b = a + place.Days - day
		}
		out[w] += s.Share(st, a, b)
		a = b
	}
	return out
}

// feeds returns the weeks a start feeds: a crop gathered once feeds the weeks
// on whose fourth day it can be eaten, from the ready day while it holds and at
// most 4 days of keeping; a picked or cut one those that give at least half of
// its best week's picking.
func (s *Season) feeds(st Start, seen *pickings) (out Weeks) {
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
		return out
	}
	slot, length := &seen[st.Ready%7], st.End-st.Ready
	if s.idle == nil && slot.length == length && st.End < 7*WeeksPerYear { // the same picking, some weeks later
		return slot.weeks << uint(st.Ready/7)
	}
	shares := s.ByWeek(st)
	best := slices.Max(shares[:])
	for w, v := range shares {
		if v > 0 && v >= best/2-1e-12 {
			out = out.With(w)
		}
	}
	if s.idle == nil && st.End < 7*WeeksPerYear {
		slot.length, slot.weeks = length, out>>uint(st.Ready/7)
	}
	return out
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
