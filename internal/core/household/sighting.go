package household

import (
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Sighting is the day on which a pest or a disease was first seen on a crop in a year.
type Sighting struct {
	ID   string     `json:"id"`
	Pest string     `json:"pest"`          // as people call it: carrot fly, aphids, mildew
	Crop string     `json:"crop"`          // its id in the crop book
	Bed  string     `json:"bed,omitempty"` // where; empty: not said
	Day  civil.Date `json:"day"`
}

// Validate looks at a sighting.
func (x Sighting) Validate(c invalid.Check, b *book.Book) {
	c.Text("pest", x.Pest, 60)
	if b.Crop(x.Crop) == nil {
		c.OfBook().Add("crop", x.Crop, "a crop of the book")
	}
	if x.Day < civil.Of(1950, 1, 1) || x.Day > civil.Of(2151, 1, 1) {
		c.Add("day", x.Day.String(), "a day such as 2027-05-20")
	}
}
