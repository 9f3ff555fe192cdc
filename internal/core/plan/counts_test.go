package plan

import (
	"math"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// ceil rounds up with the 1e-9 in hand that the model asks for.
func ceil(v float64) int { return int(math.Ceil(v - 1e-9)) }

// Every sowing's counts follow from its plants by model 7 and 8, worked out
// here on their own from the book's figures.
func TestEverySowingsCounts(t *testing.T) {
	const width, edge = 1.2, 0.1
	checked := map[string]int{}
	for _, s := range planned(t, everything()).Sowings {
		c := book.Usual().Crop(s.Crop)
		if s.Method == season.Tray {
			if math.Abs(s.SeedGram-s.Area*c.Dense.SeedGram) > 1e-9 {
				t.Errorf("%s: %g g of seed on %g m²", s.ID, s.SeedGram, s.Area)
			}
			checked["tray"]++
			continue
		}
		along := func(apart float64) int {
			return int(math.Round((width-2*edge)*10000))/int(math.Round(apart*100)) + 1
		}
		n, on := float64(s.Plants), s.Plants
		switch {
		case c.Start == book.Vegetative:
			survive := c.Germination.Or(0.95)
			if c.Unit == "plant" {
				survive = 0.95
			}
			on = ceil(n / survive)
			if s.SetOut != on || math.Abs(s.StockKg-float64(on)*c.StockGram.Value/1000) > 1e-9 || s.Seeds != 0 {
				t.Errorf("%s: %d to plant, %g kg; want %d", s.ID, s.SetOut, s.StockKg, on)
			}
			checked["stock"]++
		case s.Cells > 0:
			starts := ceil(n / 0.95) // those that replace losses take no bed
			m := c.PerStation.Or(2)
			occupied := 1 - math.Pow(1-c.Germination.Value, m)
			cells := ceil(float64(starts) / (occupied * 0.95))
			if s.SetOut != starts || s.Cells != cells || s.Seeds != int(m)*cells {
				t.Errorf("%s: %d set out, %d cells, %d seeds; want %d, %d, %d", s.ID, s.SetOut, s.Cells, s.Seeds, starts, cells, int(m)*cells)
			}
			if s.PlantOut == nil || *s.PlantOut-s.Date != civil.Date(7*c.RaiseWeeks.Value) || *s.PlantOut-*s.HardenOff != 7 {
				if s.Method != season.Patch {
					t.Errorf("%s: sown %s, hardened off %v, planted out %v", s.ID, s.Date, s.HardenOff, s.PlantOut)
				}
			}
			checked["raised"]++
		case s.DrillM > 0:
			rows, step := along(c.RowGap.Value), c.InRow.Value
			if s.Layout == wish.Block {
				rows, step = along(0.866*c.Block.Value), c.Block.Value
			}
			metres := math.Ceil(n/float64(rows)) * step / 100 * float64(rows)
			seeds := max(ceil(metres*c.SeedsPerMetre.Value), ceil(n/(c.Germination.Value*0.8)))
			if math.Abs(s.DrillM-metres) > 1e-9 || s.Seeds != seeds {
				t.Errorf("%s: %g m, %d seeds; want %g, %d", s.ID, s.DrillM, s.Seeds, metres, seeds)
			}
			checked["drill"]++
		default:
			m, occupied := 1, c.Germination.Value
			for occupied < 0.95-1e-9 {
				m++
				occupied = 1 - math.Pow(1-c.Germination.Value, float64(m))
			}
			on = ceil(n / occupied)
			if s.Stations != on || s.PerPlace != m || s.Seeds != m*on {
				t.Errorf("%s: %d stations of %d; want %d of %d", s.ID, s.Stations, s.PerPlace, on, m)
			}
			checked["stations"]++
		}
		var length float64
		switch s.Layout {
		case wish.Across:
			length = math.Ceil(float64(on)/float64(along(c.InRow.Value))) * c.RowGap.Value / 100
		case wish.Block:
			length = math.Ceil(float64(on)/float64(along(0.866*c.Block.Value))) * c.Block.Value / 100
		default:
			length = math.Ceil(float64(on)/float64(along(c.RowGap.Value))) * c.InRow.Value / 100
		}
		if math.Abs(s.BedLength-length) > 1e-9 || math.Abs(s.Area-length*width) > 1e-9 {
			t.Errorf("%s in %s: %g m, %g m²; want %g m", s.ID, s.Layout, s.BedLength, s.Area, length)
		}
		checked[string(s.Layout)]++
	}
	for _, way := range []string{"tray", "stock", "raised", "drill", "stations", "rows", "across", "block"} {
		if checked[way] == 0 {
			t.Errorf("no sowing was checked that goes by %s: %v", way, checked)
		}
	}
}
