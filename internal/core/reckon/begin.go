package reckon

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// start reckons what is sown, raised or planted, and the bed it takes.
func (d *Desk) start(f figures, c *book.Crop, ask Ask, z *Size) {
	switch {
	case c.Start == book.Vegetative:
		d.stock(f, c, z)
	case ask.Bought:
		d.setOut(f, c, z, "young plants to buy and plant out")
	case ask.Raised:
		d.raised(f, c, z)
	case c.SeedsPerMetre.Known:
		d.drill(f, c, z)
	default:
		d.stations(f, c, z)
	}
	d.ground(f, c, z)
}

// setOut reckons what is planted so that enough stand.
func (d *Desk) setOut(f figures, c *book.Crop, z *Size, name string) {
	s := d.Recorder.Open(f.base, "set_out", c.Short(), name)
	s.Do(working.Start, "Plants needed", float64(z.Plants), amount.Plant, working.Reckoned).Link(f.base, "plants")
	d.crop(s, working.Over, c, "survive")
	s.Up("Plant out", amount.Start)
	z.SetOut = int(s.Close(amount.Start))
}

// raised reckons cells and seeds of what is sown indoors.
func (d *Desk) raised(f figures, c *book.Crop, z *Size) {
	d.setOut(f, c, z, "young plants to plant out")
	z.PerStation = int(c.PerStation.Or(2))
	occupied := 1 - math.Pow(1-c.Germination.Or(1), float64(z.PerStation))
	s := d.Recorder.Open(f.base, "cells", c.Short(), "cells to sow")
	s.Do(working.Start, "Young plants to plant out", float64(z.SetOut), amount.Start, working.Reckoned).Link(f.base, "set_out")
	d.crop(s, working.Beside, c, "germination")
	s.Do(working.Over, "", occupied, amount.Share, working.Reckoned).Called("Cells where at least 1 of %d seeds comes up", z.PerStation)
	d.rule(s, working.Over, "keep")
	s.Up("Cells", amount.Cell)
	z.Cells = int(s.Close(amount.Cell))
	s = d.Recorder.Open(f.base, "seeds", c.Short(), "seeds")
	s.Do(working.Start, "Cells", float64(z.Cells), amount.Cell, working.Reckoned).Link(f.base, "cells")
	s.Do(working.Times, "Seeds in a cell", float64(z.PerStation), amount.Seed, working.Usual)
	z.Seeds = int(s.Is("Seeds", amount.Seed).Close(amount.Seed))
	z.weighSeed(c)
}

func (z *Size) weighSeed(c *book.Crop) {
	if c.SeedsPerGram.Known {
		z.SeedGram = float64(z.Seeds) / c.SeedsPerGram.Value
	}
}

// stations reckons stations and seeds of what is sown in place.
func (d *Desk) stations(f figures, c *book.Crop, z *Size) {
	m, occupied := SeedsToAStation(c.Germination.Or(1))
	z.PerStation = m
	s := d.Recorder.Open(f.base, "stations", c.Short(), "stations")
	s.Do(working.Start, "Plants", float64(z.Plants), amount.Plant, working.Reckoned).Link(f.base, "plants")
	d.crop(s, working.Beside, c, "germination")
	s.Do(working.Over, "", occupied, amount.Share, working.Reckoned).Called("Spots where at least 1 of %d seeds comes up", m)
	s.Note("the smallest number of seeds so that 95 spots of 100 have a plant; thin to one")
	s.Up("Spots", amount.Station)
	z.Stations = int(s.Close(amount.Station))
	s = d.Recorder.Open(f.base, "seeds", c.Short(), "seeds")
	s.Do(working.Start, "Spots", float64(z.Stations), amount.Station, working.Reckoned).Link(f.base, "stations")
	s.Do(working.Times, "Seeds in a spot", float64(m), amount.Seed, working.Reckoned)
	z.Seeds = int(s.Is("Seeds", amount.Seed).Close(amount.Seed))
	z.weighSeed(c)
}

// drill reckons the seed of what is sown thick in a drill and thinned.
func (d *Desk) drill(f figures, c *book.Crop, z *Size) {
	_, _, z.DrillM = z.Stand.Takes(z.Plants, d.Bed())
	s := d.Recorder.Open(f.base, "seeds", c.Short(), "seeds")
	s.Do(working.Start, "Plants", float64(z.Plants), amount.Plant, working.Reckoned).Link(f.base, "plants")
	rows := float64(z.Stand.Rows)
	switch z.Stand.Layout {
	case wish.Across:
		s.Do(working.Over, "Plants in a row across the bed", rows, amount.Plant, working.Reckoned)
		s.Up("Rows", amount.Row)
		s.Do(working.Times, "A row is long", d.Rules.BedWidth-2*d.Rules.Edge, amount.Metre, working.Reckoned)
	case wish.Plot:
		d.inRow(s, c)
	default:
		s.Do(working.Over, "Rows along the bed", rows, amount.Row, working.Reckoned)
		s.Up("Plants in a row", amount.Plant)
		if z.Stand.Layout == wish.Block {
			s.Do(working.Times, "From plant to plant in a block", z.Stand.Step, amount.Metre, working.Reckoned)
		} else {
			d.inRow(s, c)
		}
		s.Do(working.Times, "Rows along the bed", rows, amount.Row, working.Reckoned)
	}
	s.Is("Metres of row", amount.Metre)
	s.Do(working.Times, "Seeds a metre", c.SeedsPerMetre.Value, amount.PerMetre, working.Usual)
	s.Up("Seeds", amount.Seed)
	if g := c.Germination.Or(1); z.Plants > 0 {
		fewest := amount.CeilWhole(float64(z.Plants) / (g * DrillGrow))
		s.Do(working.AtLeast, "Never fewer than", float64(fewest), amount.Seed, working.Reckoned).Note("plants by germination of %.0f %% and four in five that grow", 100*g)
	}
	z.Seeds = int(s.Close(amount.Seed))
	z.weighSeed(c)
}

// DrillGrow is the share of the seedlings of a drill that grow on.
const DrillGrow = 0.8

// inRow multiplies by the spacing of plants in the row.
func (d *Desk) inRow(s *working.Sheet, c *book.Crop) {
	if c.Spaced() {
		s.Do(working.Times, "Spacing in the row, for the size wanted", c.InRow.Value, amount.Centimetre, working.Reckoned)
	} else {
		d.crop(s, working.Times, c, "in_row")
	}
}

// stock reckons cloves, sets, tubers, slips, crowns or bought plants.
func (d *Desk) stock(f figures, c *book.Crop, z *Size) {
	d.setOut(f, c, z, c.Unit+"s to plant")
	if c.StockGram.Known {
		s := d.Recorder.Open(f.base, "stock", c.Short(), "planting stock")
		s.Do(working.Start, "To plant", float64(z.SetOut), amount.Start, working.Reckoned).Link(f.base, "set_out")
		s.Do(working.Times, "A "+c.Unit+" weighs", c.StockGram.Value, amount.Gram, working.Usual)
		z.StockKg = s.Is("Planting stock", amount.Kilogram).Close(amount.Kilogram)
	}
}
