package plan

import (
	"fmt"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/wish"
)

// Protection is one way to keep a pest off a crop next year, by the day on which it was first
// seen.
type Protection struct {
	Words  string `json:"words"`
	Change Change `json:"change"`
}

// The days around a first sighting: a net goes on so long before it, since what is seen has
// been there for some days; what is planted so long after it misses the first flight.
const (
	netBefore   = 10
	netLies     = 90
	afterFlight = 30
)

// openToBees are the groups of crops that insects must reach: no net lies over them while they
// flower, so none is offered.
var openToBees = []book.Group{book.Fruit, book.Berry, book.Flower}

// Protections returns what may keep a pest off next year, for a day on which it was first seen.
// A crop that is not wished has no net to be put over.
func Protections(in Input, seen household.Sighting) ([]Protection, error) {
	h := in.Household
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	crop, out := b.Crop(seen.Crop), []Protection{}
	if crop == nil {
		return out, nil
	}
	monthDay := func(d civil.Date) civil.MonthDay {
		_, m, day := d.Split()
		return civil.MonthDay{Month: m, Day: day}
	}
	if !slices.Contains(openToBees, crop.Group) {
		from, to := monthDay(seen.Day-netBefore), monthDay(seen.Day+netLies)
		cover := place.Cover(fmt.Sprintf("%s %s to %s", place.Net, from, to))
		var wishes []wish.Wish
		for _, w := range h.Wishes {
			if w.Variety == crop.ID || w.Variety == "" && w.Food == crop.Food {
				w.Cover = cover
				wishes = append(wishes, w)
			}
		}
		if len(wishes) > 0 {
			out = append(out, Protection{fmt.Sprintf("Keep a net over it from %s to %s.", (seen.Day - netBefore).Short(), (seen.Day + netLies).Short()),
				Change{Command: PutWishes, Wishes: wishes}})
		}
	}
	habit := household.Habit{Crop: crop.ID}
	if i := slices.IndexFunc(h.Habits, func(x household.Habit) bool { return x.Crop == crop.ID }); i >= 0 {
		habit = h.Habits[i]
	}
	later, sooner := habit, habit
	later.NotBefore = monthDay(seen.Day + afterFlight)
	sooner.NotAfter = monthDay(seen.Day - civil.Date(crop.DTM))
	return append(out,
		Protection{fmt.Sprintf("Do not put it in the bed before %s, when the first ones are over.", (seen.Day + afterFlight).Short()), Change{Command: SetHabit, Habit: &later}},
		Protection{fmt.Sprintf("Have it in the bed by %s, so that it is ready before they come.", (seen.Day - civil.Date(crop.DTM)).Short()), Change{Command: SetHabit, Habit: &sooner}},
	), nil
}
