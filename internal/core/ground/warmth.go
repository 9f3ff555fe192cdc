package ground

import (
	"inventory/internal/core/bed"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
)

// bearings returns to which side, degrees clockwise from north, y points on each plot that is
// measured.
func bearings(h household.Household) map[string]float64 {
	out := map[string]float64{}
	if h.Plot != nil {
		out[""] = h.Plot.Bearing
	}
	for _, p := range h.Plots {
		out[p.ID] = p.Bearing
	}
	return out
}

// pathsOf returns the ground between the beds of the plots that are measured and have beds, m².
func pathsOf(h household.Household) (sum float64) {
	paths := func(plot *bed.Plot) {
		beds := bed.OnPlot(h.Beds, plot.ID)
		if len(beds) == 0 {
			return
		}
		left := plot.Length * plot.Width
		for _, b := range beds {
			left -= b.Area()
		}
		sum += max(0, left)
	}
	if h.Plot != nil {
		paths(h.Plot)
	}
	for i := range h.Plots {
		paths(&h.Plots[i])
	}
	return sum
}

// outOfSeason looks at the beds that are warmer or colder than the place, and puts down why a
// planting is there outside its crop's season, though it is not in the open air of the place:
// frost lasts longer in a hollow. What stands already is left alone.
func outOfSeason(in plan.Input, p plan.Plan, plantings []Planting, beds []bed.Bed) {
	h := in.Household
	year := place.Build(h.Place, place.ThisYear(h.Place, h.Weather, in.AsOf)...)
	years := map[float64]*place.Year{}
	for _, b := range beds {
		warmer := h.AirOf(year, &b).Warmer
		if warmer == 0 {
			continue
		}
		if years[warmer] == nil {
			years[warmer] = year.In(place.Air{Warmer: warmer})
		}
		for i := range plantings {
			q := &plantings[i]
			s := p.Sowing(q.ID)
			if s.InBed || !s.Method.OneYear() {
				continue
			}
			rules, day := h.Rules(q.Crop.ID), int(q.From-h.YearStart())
			if s.Choice != season.UsualMethod {
				rules.Method = s.Choice
			}
			begin := func(y *place.Year) say.Note {
				_, why := season.Begin(q.Crop, y.Under(q.Cover), rules, h.YearStart().YearDay(), day)
				return why
			}
			if why := begin(years[warmer]); !why.IsZero() && begin(year).IsZero() {
				if q.OutOfSeason == nil {
					q.OutOfSeason = map[string]say.Note{}
				}
				q.OutOfSeason[b.ID] = why
			}
		}
	}
}
