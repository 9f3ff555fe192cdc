package plan

import (
	"fmt"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// Task is one dated thing to do for a sowing.
type Task struct {
	What string // sow, harden-off, plant-out, up-by, pick, clear: the same from plan to plan
	Day  civil.Date
	Do   string // in words, before the name of the crop
	More string // counts and ground
}

// Tasks returns the dated things to do for a sowing, in their order; say writes
// a quantity.
func Tasks(s *Sowing, say func(float64, amount.Unit) string) (out []Task) {
	add := func(what string, day *civil.Date, do, more string) {
		if day != nil {
			out = append(out, Task{what, *day, do, more})
		}
	}
	ground := fmt.Sprintf("%d plants on %s of bed", s.Plants, say(s.Area, amount.SquareMetre))
	switch s.Method {
	case "raised":
		add("sow", &s.Date, "Sow indoors:", fmt.Sprintf("%d cells, %d seeds", s.Cells, s.Seeds))
		add("harden-off", s.HardenOff, "Harden off:", "")
		add("plant-out", s.PlantOut, "Plant out:", fmt.Sprintf("%d starts; %s", s.SetOut, ground))
	case "stock", "patch":
		add("plant-out", &s.Date, "Plant:", fmt.Sprintf("%d %s; %s", s.SetOut, s.StockUnit, ground))
	case "tray":
		add("sow", &s.Date, "Sow on trays:", say(s.SeedGram, amount.Gram)+" of seed")
	default:
		how := fmt.Sprintf("%d stations, %d seeds to each", s.Stations, s.PerPlace)
		if s.DrillM > 0 {
			how = fmt.Sprintf("%s of drill, %d seeds; thin to %d plants", say(s.DrillM, amount.Metre), s.Seeds, s.Plants)
		}
		add("sow", &s.Date, "Sow:", how+"; "+ground)
	}
	add("up-by", s.UpBy, "Up by now, or sow again:", "")
	if s.FirstPick != nil {
		gives := fmt.Sprintf("likely %s, %s to %s", say(s.Likely, s.Unit), say(s.Low, s.Unit), say(s.High, s.Unit))
		add("pick", s.FirstPick, "First of:", gives)
	}
	if s.Method != "patch" && s.Method != "tray" {
		add("clear", &s.Clear, "Clear:", say(s.Area, amount.SquareMetre)+" of bed is free")
	}
	return out
}
