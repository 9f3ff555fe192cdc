// Package sowing staggers the sowings of a crop: on which days to begin it, and
// which weeks each sowing is to feed.
package sowing

import (
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
)

// Sowing is one sowing of one use of a wish.
type Sowing struct {
	Start season.Start
	Run   season.Weeks // the weeks it is to feed
	Share float64      // share of a plant's full harvest gathered for them
	Of    int          // how many equal sowings share the need; 1 where it has its own
}

// Plan staggers the sowings of one use: those of fresh food by the wish's way
// of staggering, a lot that is kept in its equal sowings.
func Plan(u table.Use, stagger table.Stagger) []Sowing {
	switch {
	case u.Form != table.Fresh:
		return lot(u)
	case stagger.Kind == table.ByNeed:
		return byNeed(u)
	}
	return byStart(u)
}

// lot divides what is kept among its starts.
func lot(u table.Use) []Sowing {
	out := make([]Sowing, 0, len(u.Lot))
	for _, i := range u.Lot {
		st := u.Season.Starts[i]
		out = append(out, Sowing{Start: st, Run: u.Weeks, Share: u.Season.Share(st, st.Ready, st.End), Of: len(u.Lot)})
	}
	return out
}

// latest returns the start that feeds week w and is ready latest before its
// fourth day, or -1.
func latest(s *season.Season, w int) int {
	found, least := -1, place.Days
	for i, f := range s.Feeds {
		if !f.Has(w) {
			continue
		}
		if wait := ((7*w+3-s.Starts[i].Sure)%place.Days + place.Days) % place.Days; wait < least {
			found, least = i, wait
		}
	}
	return found
}

// byNeed walks the fresh weeks in order: the first unfed week takes the latest
// start that is ready for it; that feeds a run of weeks; and so on.
func byNeed(u table.Use) (out []Sowing) {
	left := u.Weeks
	first := 0
	for w := range season.WeeksPerYear { // begin behind a hole, so that no run is cut at the year's end
		if left.Has(w) && !left.Has((w+season.WeeksPerYear-1)%season.WeeksPerYear) {
			first = w
			break
		}
	}
	for k := range season.WeeksPerYear {
		w := (first + k) % season.WeeksPerYear
		if !left.Has(w) {
			continue
		}
		i := latest(u.Season, w)
		if i < 0 {
			continue
		}
		var run season.Weeks
		for ; left.Has(w) && u.Season.Feeds[i].Has(w); w = (w + 1) % season.WeeksPerYear {
			run = run.With(w)
			left &^= season.Weeks(0).With(w)
		}
		out = append(out, of(u.Season, i, run))
	}
	return out
}

// byStart gives each fresh week to the start that is ready latest before it;
// starts that no week needs are left out.
func byStart(u table.Use) (out []Sowing) {
	runs := make([]season.Weeks, len(u.Season.Starts))
	for _, w := range u.Weeks.List() {
		if i := latest(u.Season, w); i >= 0 {
			runs[i] = runs[i].With(w)
		}
	}
	for i, run := range runs {
		if run != 0 {
			out = append(out, of(u.Season, i, run))
		}
	}
	return out
}

func of(s *season.Season, i int, run season.Weeks) Sowing {
	st := s.Starts[i]
	share := 1.0
	if s.Crop.Harvest != "once" || s.Crop.Perennial() {
		share = 0
		for w, v := range s.ByWeek(st) {
			if run.Has(w) {
				share += v
			}
		}
	}
	return Sowing{Start: st, Run: run, Share: share, Of: 1}
}
