package household

import (
	"fmt"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Chore is a job of the household's own that no sowing asks for: on one day, or again
// every so many days.
type Chore struct {
	ID      string       `json:"id"`
	Name    string       `json:"name"`            // Clean out the shed
	Day     civil.Date   `json:"day"`             // the first time
	Every   int          `json:"every,omitempty"` // days between two times; 0: once
	Until   civil.Date   `json:"until,omitzero"`  // the last day on which it may fall; none: for good
	Minutes float64      `json:"minutes"`         // one time of it
	Bed     string       `json:"bed,omitempty"`   // the bed it is done in; empty: none
	Done    []civil.Date `json:"done"`            // when it was done, in order
}

// The bounds of a chore; of the days on which it was done the last ones are kept.
const (
	mostChoreDays = 3660
	MostDone      = 400
)

// Fill puts in what may be left unsaid.
func (x *Chore) Fill() {
	x.Done = slices.Clone(x.Done)
	slices.Sort(x.Done)
	x.Done = append([]civil.Date{}, slices.Compact(x.Done)...)
	if len(x.Done) > MostDone {
		x.Done = x.Done[len(x.Done)-MostDone:]
	}
}

// Validate looks at a chore.
func (x Chore) Validate(c invalid.Check) {
	c.Text("name", x.Name, 80)
	if x.Day < civil.Of(1950, 1, 1) || x.Day > civil.Of(2151, 1, 1) {
		c.Add("day", x.Day.String(), "a day such as 2027-04-20")
	}
	c.Number("every", float64(x.Every), 0, mostChoreDays)
	if x.Until != 0 && x.Until < x.Day {
		c.Add("until", x.Until.String(), "a day that is not before the first one, or none")
	}
	c.Number("minutes", x.Minutes, 0, 6000)
	if len(x.Done) > MostDone {
		c.Add("done", fmt.Sprint(len(x.Done)), fmt.Sprintf("at most %d days", MostDone))
	}
}

// Next returns the next day on which a chore is to be done; zero where it is done for good.
func (x Chore) Next() civil.Date {
	if len(x.Done) == 0 {
		return x.Day
	}
	if x.Every == 0 {
		return 0
	}
	return max(x.Day, x.Done[len(x.Done)-1]+civil.Date(x.Every))
}
