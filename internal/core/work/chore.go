package work

import (
	"cmp"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
)

// Due is one time of a chore.
type Due struct {
	Chore   string     `json:"chore"` // its id
	Name    string     `json:"name"`
	Bed     string     `json:"bed,omitempty"`
	Day     civil.Date `json:"day"`
	Minutes float64    `json:"minutes"`
	State   State      `json:"state"`
	Done    civil.Date `json:"done,omitzero"`
}

// Chores returns the times of chores that were done or fall on days from one to another, by day.
// What comes again is due so many days after it was last done; while it is overdue, the times
// after it are counted from today.
func Chores(chores []household.Chore, from, to, today civil.Date) []Due {
	out := []Due{}
	for _, c := range chores {
		d := Due{Chore: c.ID, Name: c.Name, Bed: c.Bed, Minutes: c.Minutes}
		for _, done := range c.Done {
			if done >= from && done <= to {
				d.Day, d.Done, d.State = done, done, Finished
				out = append(out, d)
			}
		}
		d.Done = 0
		for day := c.Next(); day != 0 && day <= to && (c.Until == 0 || day <= c.Until); day = max(day, today) + civil.Date(c.Every) {
			if d.Day, d.State = day, Open; day < today {
				d.State = Overdue
			}
			if day >= from || d.State == Overdue {
				out = append(out, d)
			}
			if c.Every == 0 {
				break
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Due) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.Name, b.Name)) })
	return out
}
