package household

import (
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
)

// Habit is how a household grows one crop, where it does not go by the book or
// by its own general rule.
type Habit struct {
	Crop      string         `json:"crop"`
	School    season.School  `json:"school,omitempty"`     // empty: the household's
	Method    season.Method  `json:"way,omitempty"`        // empty: as the book has it
	NotBefore civil.MonthDay `json:"not_before,omitzero"`  // of the day it takes the ground
	NotAfter  civil.MonthDay `json:"not_after,omitzero"`   //
	DayLength string         `json:"day_length,omitempty"` // of bulbing onions: short, intermediate, long
	Crosses   bool           `json:"crosses,omitempty"`    // it may flower with other kinds: the household accepts the cross
	InOne     int            `json:"in_one,omitempty"`     // plants in one pot or grow bag; 0: as many as its spacing lets in
}

// DayLengths are the types of bulbing onions, with the latitudes, in degrees
// from the equator, that each suits.
var DayLengths = map[string][2]float64{"short": {0, 35}, "intermediate": {33, 42}, "long": {38, 90}}

// Empty reports whether the habit says nothing.
func (h Habit) Empty() bool { return h == Habit{Crop: h.Crop} }

// Bulbing reports whether a crop makes its bulbs by the length of the day.
func Bulbing(c *book.Crop) bool { return c.Group == book.Bulb && c.Food == "onion" }

// Validate looks at a habit.
func (h Habit) Validate(c invalid.Check, b *book.Book) {
	crop := b.Crop(h.Crop)
	if crop == nil {
		c.OfBook().Add("crop", h.Crop, "a crop of the book")
		return
	}
	c.OneOf("school", string(h.School), "", string(season.ByFrost), string(season.ByTemperature))
	c.OneOf("way", string(h.Method), season.Chosen()...)
	if !season.MayBe(crop, h.Method) {
		c.OfBook().Add("way", string(h.Method), "a way in which "+crop.Short()+" can be grown")
	}
	if !h.NotBefore.IsZero() && !h.NotBefore.Valid() {
		c.Add("not_before", h.NotBefore.String(), "a day such as 05-20, or none")
	}
	if !h.NotAfter.IsZero() && !h.NotAfter.Valid() {
		c.Add("not_after", h.NotAfter.String(), "a day such as 08-10, or none")
	}
	c.Number("in_one", float64(h.InOne), 0, 200)
	c.OneOf("day_length", h.DayLength, "", "short", "intermediate", "long")
	if h.DayLength != "" && !Bulbing(crop) {
		c.OfBook().Add("day_length", h.DayLength, "Choose none: only bulb onions depend on the day length.")
	}
}

// plantedOut returns the crops whose method the household has chosen: whether they are
// planted out, or else sown in the bed.
func (h Household) plantedOut() map[string]bool {
	var out map[string]bool
	for _, x := range h.Habits {
		if x.Method != season.UsualMethod {
			if out == nil {
				out = map[string]bool{}
			}
			out[x.Crop] = x.Method != season.Direct
		}
	}
	return out
}

// Rules returns the household's rules for a crop.
func (h Household) Rules(crop string) season.Rules {
	r := season.Rules{Risk: h.Risk, School: h.School}
	for _, x := range h.Habits {
		if x.Crop == crop {
			r.Method, r.NotBefore, r.NotAfter = x.Method, x.NotBefore, x.NotAfter
			if x.School != "" {
				r.School = x.School
			}
		}
	}
	if r.School == season.ByFrost {
		r.School = "" // one way of saying it, so that rules compare
	}
	return r
}

// MayCross reports whether the household accepts that a crop crosses with other kinds.
func (h Household) MayCross(crop string) bool {
	return slices.ContainsFunc(h.Habits, func(x Habit) bool { return x.Crop == crop && x.Crosses })
}

// PlotOf returns the plot that a bed lies on; one of which nothing is said where none is measured.
func (h Household) PlotOf(b *bed.Bed) *bed.Plot {
	if p := bed.PlotOf(h.Plot, h.Plots, b.Plot); p != nil {
		return p
	}
	return &bed.Plot{}
}

// AirOver returns the air over the bed that a sowing was put in by hand, or stands in: the
// default of what is placed there. The daily tables are those of the place.
func (h Household) AirOver(year *place.Year, sowing string) place.Air {
	for _, p := range h.Placements {
		if p.Sowing != sowing {
			continue
		}
		for i := range h.Beds {
			if h.Beds[i].ID == p.Bed {
				return h.AirOf(year, &h.Beds[i])
			}
		}
	}
	return place.Air{}
}

// AirOf returns the air over a bed: its cover, and by how much it and its plot are warmer than
// the place, of which the daily tables are.
func (h Household) AirOf(year *place.Year, b *bed.Bed) place.Air {
	return place.Air{Cover: b.Cover, Warmer: year.Degrees(h.PlotOf(b).Warmth, b.Warmth)}
}

// InOne returns how many plants of a crop go into one pot or grow bag; 0 where nobody has said.
func (h Household) InOne(crop string) int {
	for _, x := range h.Habits {
		if x.Crop == crop {
			return x.InOne
		}
	}
	return 0
}

// CareOf returns what the household does for a crop while it grows.
func (h Household) CareOf(crop string) (steps []book.CareStep) {
	for _, s := range h.Care {
		if s.Crop == crop {
			steps = append(steps, s)
		}
	}
	return steps
}
