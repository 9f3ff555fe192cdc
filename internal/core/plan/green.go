package plan

import (
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/work"
)

// Green is a green manure of the household's, with what there is to do for it.
type Green struct {
	Bed     string      `json:"bed"`
	BedName string      `json:"bed_name"`
	Name    string      `json:"name"`
	Sown    civil.Date  `json:"sown"`
	Until   civil.Date  `json:"until"`
	Under   bool        `json:"under"`
	Area    float64     `json:"area"` // m²
	Seed    float64     `json:"seed"` // g
	Tasks   []work.Task `json:"tasks"`
}

// The things there are to do for a green manure.
const (
	sowGreen    = "sow-green"
	workInGreen = "work-in-green"
)

// greenOf lists the green manures in the beds, in the order of their sowing.
func greenOf(b *basis) []Green {
	all := []Green{}
	rules := b.desk.Rules
	for _, bed := range b.in.Household.Beds {
		for _, g := range bed.Green {
			out := Green{Bed: bed.ID, BedName: bed.Name, Name: g.Name, Sown: g.Sown, Until: g.Until, Under: g.Under, Area: g.Length * bed.Width}
			do := "Sow"
			if g.Under {
				do = "Sow under what is growing there"
			}
			sow := work.Task{What: sowGreen, Do: do, Day: g.Sown, Unit: amount.Gram, Minutes: out.Area * rules.MinutesSow / 3}
			if m := b.in.Household.Customs.GreenManure(b.desk.Book, g.Crop); m != nil {
				out.Seed = m.SeedGram * out.Area
				sow.Count = out.Seed
			}
			in := work.Task{What: workInGreen, Do: "Cut, and work in or leave lying", Day: g.Until, Count: out.Area, Unit: amount.SquareMetre, Minutes: out.Area * rules.MinutesClear}
			out.Tasks = []work.Task{sow, in}
			for i := range out.Tasks {
				out.Tasks[i].State = out.Tasks[i].StateOn(b.in.AsOf, true, true, false)
			}
			all = append(all, out)
		}
	}
	slices.SortStableFunc(all, func(a, b Green) int { return int(a.Sown - b.Sown) })
	return all
}
