package table

import (
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/say"
)

// dayLength says so where the type of a bulbing onion does not suit the place.
func (rs *Resolver) dayLength(r *Resolved, c *book.Crop) {
	if !household.Bulbing(c) {
		return
	}
	latitude := rs.Household.Place.Latitude
	if latitude < 0 {
		latitude = -latitude
	}
	for _, h := range rs.Household.Habits {
		span, ok := household.DayLengths[h.DayLength]
		if h.Crop == c.ID && ok && (latitude < span[0] || latitude > span[1]) {
			suits := "long"
			switch {
			case latitude < 34:
				suits = "short"
			case latitude < 40:
				suits = "intermediate"
			}
			r.note(say.OnionDays{Type: h.DayLength, Suits: suits})
		}
	}
}
