package household

import (
	"strconv"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

// PastYear is what the household had wished for and planned in a table year that has ended: what the
// record of that year is held against. It is never changed.
type PastYear struct {
	ID     string          `json:"id"`              // the calendar year in which it began
	Plan   record.Baseline `json:"plan"`            // as it was agreed to, or else as it stood at the end
	Grown  []record.Grown  `json:"grown,omitempty"` // what really stood, and what the book expected of it
	Wishes []wish.Wish     `json:"wishes"`          // as they stood at the end; what the book no longer knows among them stays
}

// MostYears bounds the years that are kept.
const MostYears = 120

// Validate looks at a year that has ended.
func (y PastYear) Validate(c invalid.Check, _ *book.Book) {
	if n, err := strconv.Atoi(y.ID); err != nil || n < 1950 || n > 2150 {
		c.Add("id", y.ID, "a year from 1950 to 2150")
	}
	if len(y.Wishes) > MostWishes || len(y.Plan.Sowings)+len(y.Grown) > 2*record.MostPlantings {
		c.Add("wishes", strconv.Itoa(len(y.Wishes)), "no more wishes and sowings than a year can have")
	}
}
