package reckon

import (
	"errors"
	"fmt"
	"math"
	"strconv"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// Size is all that one sowing takes and gives.
type Size struct {
	Need       Need // of this sowing
	Plants     int
	SetOut     int
	Cells      int
	PerStation int // seeds to a cell or station
	Stations   int
	Seeds      int
	SeedGram   float64
	StockKg    float64
	DrillM     float64 // metres of drill sown
	Planted    int     // places that it takes in the bed
	Stand      Stand
	BedLength  float64 // m
	RowMetres  float64
	Area       float64 // m²

	PerPlant         float64 // kg or pieces a plant gives in this stand, for its run
	Low, Likely, Top float64 // 10, 50, 90 % points of what it gives, given that it stands
	Average          float64 // what an average year gives, losses counted
	Short            *NeedsAnotherSowing

	Bearing float64 // share of a full crop given this year
	Wants   int     // plants that are reckoned, where they were counted by hand
	Given   []Given // what each part has of it
}

// figures names the figures of one sowing: base/plants, base/seeds and so on.
type figures struct{ base string }

// Sow sizes one sowing for all that is asked of it; the parts are either all in
// pieces or all by weight. A sowing that serves table and jars is the sum of its
// parts, each with its own confidence.
func (d *Desk) Sow(base string, c *book.Crop, layout wish.Layout, ask Ask) Size {
	parts := ask.Parts
	z := Size{Need: Need{Pieces: parts[0].Need.Pieces}, Given: make([]Given, len(parts))}
	for i, p := range parts {
		z.Given[i].Need = p.Need.Amount / float64(p.Of)
		z.Need.Amount += z.Given[i].Need
	}
	f := figures{base}
	if c.Dense != nil {
		d.dense(f, c, z.Need, &z)
		z.share(classes(parts), parts)
		return z
	}
	z.Stand = StandIn(c, layout, d.Bed())
	all := classes(parts)
	d.plants(f, c, all, ask, &z)
	d.start(f, c, ask, &z)
	z.Bearing = ask.Bearing
	d.harvest(f, c, &z, float64(z.Plants), amount.Plant, "plants")
	z.share(all, parts)
	return z
}

// Count sizes plants that nobody weighs, by number, by area (m²) or by metres of row.
// A sowing has a share of them.
func (d *Desk) Count(base string, c *book.Crop, layout wish.Layout, ask Ask, w wish.Wish, share float64) Size {
	z := Size{Stand: StandIn(c, layout, d.Bed())}
	f := figures{base}
	s := d.Recorder.Open(f.base, "plants", c.Short(), "plants")
	s.Do(working.Start, "Wish", w.Amount.Number, w.Amount.Kind.Unit(), working.Household)
	if share < 1 {
		s.Do(working.Times, "Share of this sowing", share, amount.Share, working.Household)
	}
	switch w.Amount.Kind.Unit() {
	case amount.SquareMetre:
		s.Do(working.Over, "Space for one plant", z.Stand.Ground, amount.SquareMetre, working.Reckoned)
	case amount.Metre:
		s.Do(working.Over, "Spacing in the row", c.InRow.Value/100, amount.Metre, working.Reckoned)
	}
	s.Up("Plants", amount.Plant)
	z.Plants = int(s.Close(amount.Plant))
	d.start(f, c, ask, &z)
	return z
}

// plants reckons the plants of a sowing: of each class of its parts, and
// together.
func (d *Desk) plants(f figures, c *book.Crop, all []class, ask Ask, z *Size) {
	least := ask.Least
	var sum *working.Sheet
	var total, gives float64
	for i := range all {
		k := &all[i]
		at, title := f.base, "plants"
		if len(all) > 1 || ask.Counted > 0 {
			at, title = partBase(f.base, i), "plants for a part of what is asked"
		}
		s := d.Recorder.Open(at, "plants", c.Short(), title)
		d.classPlants(s, f, c, k, z, len(all) > 1, ask.Beside)
		k.plants = int(s.Close(amount.Plant))
		total += float64(k.plants)
		gives += float64(k.plants) * k.per
		sum = s
	}
	z.PerPlant = all[0].per
	if total > 0 {
		z.PerPlant = gives / total
	}
	if len(all) > 1 {
		sum = d.Recorder.Open(f.base, "plants", c.Short(), "plants")
		sum.Do(working.Start, "No plants yet", 0, amount.Plant, working.Reckoned)
		for i, k := range all {
			sum.Do(working.Plus, confidenceWords(k.Confidence), float64(k.plants), amount.Plant, working.Reckoned).Link(partBase(f.base, i), "plants")
		}
	}
	if ask.Counted > 0 {
		z.Wants = int(math.Ceil(total - 1e-9))
		sum = d.Recorder.Open(f.base, "plants", c.Short(), "plants")
		sum.Do(working.Start, "Number fixed by you", float64(ask.Counted), amount.Plant, working.Household)
		if sum.On() {
			sum.Note("what it is grown for would need %d", z.Wants)
		}
		z.Plants = int(sum.Close(amount.Plant))
		return
	}
	if block := z.Stand.wholeBlock(least, c); block > least && sum.Value() > 0 {
		sum.Do(working.AtLeast, "A block of four full rows, so that the wind pollinates the ears", float64(block), amount.Plant, working.Usual)
	} else if least > 1 && sum.Value() > 0 {
		sum.Do(working.AtLeast, "Smallest useful number", float64(least), amount.Plant, working.Usual)
	}
	z.Plants = int(sum.Close(amount.Plant))
}

func partBase(base string, i int) string { return fmt.Sprintf("%s/part%d", base, i+1) }

func confidenceWords(c float64) string {
	if c == 0 {
		return "Enough in 5 years of 10"
	}
	return "Enough in " + inTen(c) + " years of 10"
}

// counted says a number of things: one planting, 3 plantings.
func counted(n int, one string) string {
	if n == 1 {
		return "one " + one
	}
	return fmt.Sprintf("%d %ss", n, one)
}

// inTen says a chance as so many years of 10: 8, or 9.5.
func inTen(c float64) string { return strconv.FormatFloat(math.Round(100*c)/10, 'f', -1, 64) }

// classPlants reckons the plants of one class.
func (d *Desk) classPlants(s *working.Sheet, f figures, c *book.Crop, k *class, z *Size, several, beside bool) {
	unit, per, source := amount.Kilogram, c.Gives()*z.Stand.Factor*k.Share, amount.Kilogram
	need, confidence := k.Need, k.Confidence
	var pieces float64
	onePiece := false
	if need.Pieces {
		unit = amount.Piece
		pieces, _ = c.PiecesPerPlant(c.Gives() * z.Stand.Factor)
		onePiece = pieces == 1
		per = pieces * (1 - d.Rules.Unmarketable) * k.Share
		source = amount.Piece
	}
	k.per = per
	s.Do(working.Start, "Harvest needed", need.Amount, unit, working.Reckoned)
	switch {
	case beside:
		s.Note("what the patch you have does not give when full-grown")
	case k.Of > 1:
		s.Note("the whole lot")
	case !several:
		s.Link(f.base, "need")
	}
	op := working.Over
	if confidence > 0 {
		op = working.Beside // the least number is found by trying, not by dividing
	}
	if need.Pieces {
		s.Do(op, "Pieces a plant gives", pieces, source, working.Reckoned)
		if !onePiece {
			s.Note("a plant's yield at its spacing by the weight of a piece, %s", amount.Mark(c.Piece.Value, amount.Gram))
		}
		d.rule(s, keepOr(op), "unmarketable")
	} else {
		d.yield(s, op, c)
		if math.Abs(z.Stand.Factor-1) > 1e-9 {
			s.Do(op, "Share of the usual yield at this spacing", z.Stand.Factor, amount.Share, working.Reckoned)
			if s.On() {
				s.Note("a plant gets %s, r = %.3f of the usual space: (1 + k) r ÷ (r + k), k = %g", amount.Mark(z.Stand.Ground, amount.SquareMetre), z.Stand.Room, c.Closeness)
			}
		}
	}
	if k.Share < 1-1e-9 && (k.Share > 0 || need.Amount > 0) { // a planting of which nothing is asked has no share
		s.Do(op, "Share picked in the weeks it feeds", k.Share, amount.Share, working.Reckoned)
	}
	d.crop(s, keepOr(op), c, "fail_prob")
	d.leastPlants(s, c, k, z, onePiece)
	if k.Of > 1 {
		s.Do(working.Over, "Equal sowings", float64(k.Of), amount.Sowing, working.Household).Up("Plants of one sowing", amount.Plant)
	}
}

// yield does a step of a sum with the yield of a plant, and with what the household's plantings give of
// it.
func (d *Desk) yield(s *working.Sheet, op working.Op, c *book.Crop) {
	d.crop(s, op, c, "yield")
	own := c.OwnYield
	if own.Factor <= 0 {
		return
	}
	s.Do(op, "What yours give of that", own.Factor, amount.Share, working.Measured)
	if s.On() {
		s.Note("learned from %s in %s; in eight cases of ten between %.2f and %.2f", counted(own.Plantings, "planting"), counted(own.Years, "year"), own.Low, own.High)
	}
}

// leastPlants finds the least number of plants that meet what a class asks, with its
// confidence.
func (d *Desk) leastPlants(s *working.Sheet, c *book.Crop, k *class, z *Size, onePiece bool) {
	need, cv := k.Need, c.YieldCV.Value
	n, err := 0, error(nil)
	if onePiece {
		n, err = Pieces(need.Amount/k.Share, d.Rules.Unmarketable, c.FailProb, k.Of, k.Confidence)
	} else {
		n, err = Plants(need.Amount, k.per, c.FailProb, cv, k.Of, k.Confidence)
	}
	met := func(n int) float64 {
		if onePiece {
			return MetPieces(n, amount.CeilWhole(need.Amount/k.Share), d.Rules.Unmarketable, c.FailProb, k.Of)
		}
		return Met(n, need.Amount, k.per, c.FailProb, cv, k.Of)
	}
	var short *NeedsAnotherSowing
	if errors.As(err, &short) {
		z.Short = short
	}
	switch {
	case k.Confidence == 0:
		s.Up("Plants in an average year", amount.Plant)
	case short != nil:
		s.Do(working.Least, "Plants for an average year", float64(n), amount.Plant, working.Reckoned).Note("%s", short.Error())
	default:
		if !onePiece {
			d.crop(s, working.Beside, c, "yield_cv")
		}
		s.Do(working.Least, "", float64(n), amount.Plant, working.Reckoned).Called("Plants for %s years of 10", inTen(k.Confidence))
		if s.On() && n > 1 {
			s.Note("%d plants: %.1f %%; %d plants: %.1f %%", n, 100*met(n), n-1, 100*met(n-1))
		}
	}
}

func keepOr(op working.Op) working.Op {
	if op == working.Over {
		return working.Keep
	}
	return op
}

// ground reckons the bed that the sowing takes. Starts that only replace losses wait
// in their cells; cloves, sets and tubers, of which some fail, and stations all take
// their place.
func (d *Desk) ground(f figures, c *book.Crop, z *Size) {
	planted := z.Plants
	if z.SetOut > 0 && c.Start == book.Vegetative {
		planted = z.SetOut
	}
	if z.Stations > 0 {
		planted = z.Stations
	}
	z.Planted = planted
	z.BedLength, _, z.RowMetres = z.Stand.Takes(planted, d.Bed())
	s := d.Recorder.Open(f.base, "area", "", "Bed area")
	s.Do(working.Start, "Planted", float64(planted), amount.Plant, working.Reckoned)
	switch z.Stand.Layout {
	case wish.Plot:
		s.Do(working.Times, "Space for one plant", z.Stand.Ground, amount.SquareMetre, working.Reckoned)
	default:
		if z.Stand.Layout == wish.Across {
			s.Do(working.Over, "Plants in a row across the bed", float64(z.Stand.Rows), amount.Plant, working.Reckoned)
			s.Up("Rows", amount.Row)
		} else {
			s.Do(working.Over, "Rows along the bed", float64(z.Stand.Rows), amount.Row, working.Reckoned)
			s.Up("Plants in a row", amount.Plant)
		}
		s.Do(working.Times, "Bed length for each", z.Stand.Step, amount.Metre, working.Reckoned)
		s.Is("Bed length", amount.Metre)
		d.rule(s, working.Times, "bed_width")
	}
	z.Area = s.Is("Bed area", amount.SquareMetre).Close(amount.SquareMetre)
}

// harvest reckons what a count of plants (or m² of tray) gives in a poor, a
// middling and a good year, and in an average one.
func (d *Desk) harvest(f figures, c *book.Crop, z *Size, count float64, unit amount.Unit, counted string) {
	of := amount.Kilogram
	if z.Need.Pieces {
		of = amount.Piece
	}
	points := Deciles(c.YieldCV.Value, c.OwnYield.Sd)
	if z.Need.Pieces && z.pieceEach(c) {
		points = pieceDeciles(z.Plants, d.Rules.Unmarketable)
	}
	bearing := 1.0
	if c.Patch != nil {
		bearing = z.Bearing
	}
	mean := count * z.PerPlant * bearing
	z.Low, z.Likely, z.Top = mean*points[0], mean*points[1], mean*points[2]
	begin := func(s *working.Sheet) *working.Sheet {
		s.Do(working.Start, "Planted", count, unit, working.Reckoned).Link(f.base, counted)
		s.Do(working.Times, "Each gives, in the weeks it feeds", z.PerPlant, of, working.Reckoned)
		if c.Patch != nil {
			s.Do(working.Times, "Of a full crop, at its age", bearing, amount.Share, working.Usual)
		}
		return s
	}
	s := begin(d.Recorder.Open(f.base, "likely", c.Short(), "expected harvest"))
	s.Is("Average year, if it does not fail", of)
	s.Do(working.Beside, "Bad year, 1 in 10", z.Low, of, working.Reckoned)
	s.Do(working.Beside, "Good year, 1 in 10", z.Top, of, working.Reckoned)
	s.Do(working.Times, "Middle year, as a share of the average", points[1], amount.Share, working.Reckoned)
	s.Is("Middle year", of).Close(of)
	s = begin(d.Recorder.Open(f.base, "average", c.Short(), "an average year"))
	d.crop(s, working.Left, c, "fail_prob")
	z.Average = s.Is("Average year, failures counted", of).Close(of)
}

func (z *Size) pieceEach(c *book.Crop) bool {
	p, ok := c.PiecesPerPlant(c.Gives() * z.Stand.Factor)
	return ok && p == 1
}

var deciled = [3]float64{0.1, 0.5, 0.9}

// pieceDeciles returns the 10, 50 and 90 % points of the good pieces of n
// plants, one to a plant, as shares of their mean.
func pieceDeciles(n int, unmarketable float64) (out [3]float64) {
	mean := float64(n) * (1 - unmarketable)
	if mean <= 0 {
		return [3]float64{1, 1, 1}
	}
	good := 1 - unmarketable
	all := math.Pow(good, float64(n))
	if all < 1e-290 || unmarketable <= 0 { // too many to count down; the normal curve is as good
		for i, z := range deciles {
			out[i] = 1 + z*math.Sqrt(mean*unmarketable)/mean
		}
		return out
	}
	// Counted down from all good, each chance from the one before.
	chance, above, i := all, 0.0, 2
	for k := n; k >= 0 && i >= 0; k-- {
		for ; i >= 0 && 1-above >= deciled[i]-1e-12 && 1-above-chance < deciled[i]-1e-12; i-- {
			out[i] = float64(k) / mean
		}
		above += chance
		chance *= float64(k) / float64(n-k+1) * unmarketable / good
	}
	return out
}

// dense reckons shoots, sown by area on trays.
func (d *Desk) dense(f figures, c *book.Crop, need Need, z *Size) {
	s := d.Recorder.Open(f.base, "area", c.Short(), "area of tray")
	s.Do(working.Start, "Harvest needed", need.Amount, amount.Kilogram, working.Reckoned).Link(f.base, "need")
	d.crop(s, working.Over, c, "yield_per_area")
	d.crop(s, working.Keep, c, "fail_prob")
	z.Area = s.Is("Tray area", amount.SquareMetre).Close(amount.SquareMetre)
	s = d.Recorder.Open(f.base, "seeds", c.Short(), "seed")
	s.Do(working.Start, "Tray area", z.Area, amount.SquareMetre, working.Reckoned).Link(f.base, "area")
	d.crop(s, working.Times, c, "seed_per_area")
	z.SeedGram = 1000 * s.Is("Seed", amount.Kilogram).Close(amount.Kilogram)
	z.PerPlant = c.Dense.YieldKg
	d.harvest(f, c, z, z.Area, amount.SquareMetre, "area")
}
