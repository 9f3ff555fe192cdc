package reckon

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// weeksPerMonth is a month of the store-loss reckoning, in weeks.
const weeksPerMonth = 4.345

// Desk holds what the reckoning of one household looks up: its book with its
// own figures on top and its rules.
type Desk struct {
	Book       *book.Book
	Rules      book.Rules
	UsualRules map[string]float64
	Recorder   *working.Recorder
}

// Bed returns the household's usual bed.
func (d *Desk) Bed() Bed { return Bed{d.Rules.BedWidth, d.Rules.Edge} }

func (d *Desk) crop(s *working.Sheet, op working.Op, c *book.Crop, field string) *working.Sheet {
	a, _ := c.Assumed(field)
	return assume(s, op, a, "crop/", c.ID)
}

func (d *Desk) rule(s *working.Sheet, op working.Op, field string) *working.Sheet {
	a, _ := d.Rules.Assumed(d.UsualRules, field)
	return assume(s, op, a, "household", "")
}

// Rule does a step of a sum with one of the household's rules.
func (d *Desk) Rule(s *working.Sheet, op working.Op, field string) *working.Sheet {
	return d.rule(s, op, field)
}

func (d *Desk) preparation(s *working.Sheet, op working.Op, p *book.Preparation, field string) *working.Sheet {
	a, _ := p.Assumed(field)
	return assume(s, op, a, "preparation/", p.ID)
}

func assume(s *working.Sheet, op working.Op, a book.Assumed, kind, id string) *working.Sheet {
	if a.Assumption == nil {
		return s.Do(op, "", 0, amount.None, working.Usual)
	}
	source := working.Usual
	switch {
	case a.Set:
		source = working.Household
	case a.From > 0:
		source = working.Measured
	}
	s.Do(op, a.Name, a.Value, a.Unit, source)
	if a.From > 0 && !a.Set && s.On() {
		s.Note("learned from %d of yours", a.From)
	}
	if s.On() {
		s.May(working.Overrule{Subject: kind + id, Field: a.Field, Usual: a.Usual, Least: a.Least, Most: a.Most, Set: a.Set})
	}
	return s
}

// KeptShare returns how much of what is stored is eaten, where an amount is
// taken out in each of some weeks after storing: the amounts taken out over
// those that had to go in, with a share lost each month.
func KeptShare(amounts [season.WeeksPerYear]float64, stored int, loss float64) float64 {
	var out, in float64
	for w, a := range amounts {
		if a == 0 {
			continue
		}
		weeks := (w - stored + season.WeeksPerYear) % season.WeeksPerYear
		out += a
		in += a / math.Pow(1-loss, float64(weeks)/weeksPerMonth)
	}
	if in == 0 {
		return 1
	}
	return out / in
}

// Need is what one sowing, or the equal sowings of a lot, must bring in.
type Need struct {
	Pieces bool    // counted in pieces, never by weight
	Amount float64 // kg market-ready, or pieces
}

// Harvest reckons what must be brought in so that a use of a wish is fed in the
// weeks of run: from the plate back to the field.
func (d *Desk) Harvest(base, name, title string, r *table.Resolved, u table.Use, run season.Weeks) Need {
	s := d.Recorder.Open(base, name, title, "harvest needed")
	w := r.Wish
	var amounts [season.WeeksPerYear]float64
	total, weeks := 0.0, 0
	for week, a := range u.Amount {
		if run.Has(week) {
			amounts[week] = a
			total += a
			weeks++
		}
	}
	k := w.Amount.Kind
	switch {
	case k.PutUp():
		return Need{Amount: d.putUp(s, w, u, total)}
	case k.Counts(wish.CountsMeals):
		return Need{Amount: d.meals(s, r, u, amounts, weeks)}
	}
	unit := k.Unit()
	if k.Weekly() {
		s.Do(working.Together, "", total, unit, working.Household).Called("Wish, %s a week", amount.Mark(w.Amount.Number, unit))
		s.Note("over %d weeks", weeks)
		each(s, r)
	} else {
		d.wished(s, w, "Wish for the year", w.Amount.Number, unit)
		each(s, r)
		if math.Abs(total-w.Amount.Number) > 1e-9 && w.Amount.Number > 0 {
			s.Do(working.Times, "", total/w.Amount.Number, amount.Share, working.Reckoned).Called("Share eaten %s feeds", u.Form)
			s.Note("%d weeks of those it is spread over", weeks)
		}
		d.lessLeft(s, w)
	}
	d.lessShelf(s, w, u)
	if u.Form == wish.Cellar {
		d.kept(s, u, amounts)
	}
	if k.Counts(wish.CountsPieces) {
		return Need{Pieces: true, Amount: s.Is("Pieces needed", amount.Piece).Close(amount.Piece)}
	}
	return Need{Amount: s.Is("Harvested weight", amount.Kilogram).Close(amount.Kilogram)}
}

// each says that an amount is for each of some.
func each(s *working.Sheet, r *table.Resolved) {
	if r.Heads > 0 {
		s.Note("%.4g each, for %.4g", r.Wish.Amount.Number/r.Heads, r.Heads)
	}
}

// wished begins a sum with what is wished, which may follow from last year's story.
func (d *Desk) wished(s *working.Sheet, w wish.Wish, name string, v float64, unit amount.Unit) {
	s.Do(working.Start, name, v, unit, working.Household)
	if w.Story != nil && v == w.Amount.Number {
		s.Link("wish/"+w.ID, "wished")
	}
}

// lessShelf takes off what today's lots will leave of a use by the time the new
// crop comes. What the household says by hand goes before.
func (d *Desk) lessShelf(s *working.Sheet, w wish.Wish, u table.Use) {
	if !u.OnShelf || w.Left > 0 {
		return
	}
	s.Do(working.Left, "Still on the shelf at the next harvest, as a share", u.LeftShare, amount.Share, working.Reckoned)
	s.Note("today's shelf, eaten at this wish's rate until the new crop comes, leaves %s", amount.Mark(u.Left, u.DrawnIn(w)))
}

// lessLeft takes off what will still be on the shelf by the household's word.
func (d *Desk) lessLeft(s *working.Sheet, w wish.Wish) {
	if w.Left <= 0 || w.Amount.Number <= 0 {
		return
	}
	share := math.Min(1, w.Left/w.Amount.Number)
	s.Do(working.Left, "Still on the shelf at the next harvest, as a share", share, amount.Share, working.Household)
	s.Note("%s of %s", amount.Mark(w.Left, w.Amount.Kind.Unit()), amount.Mark(w.Amount.Number, w.Amount.Kind.Unit()))
}

// kept divides by the share that comes out of the store.
func (d *Desk) kept(s *working.Sheet, u table.Use, amounts [season.WeeksPerYear]float64) {
	loss := u.Crop.StoreLoss.Value
	d.crop(s, working.Beside, u.Crop, "store_loss")
	s.Do(working.Over, "Share still good after storage", KeptShare(amounts, u.Kept, loss), amount.Share, working.Reckoned)
	if s.On() {
		first, last := season.WeeksPerYear, 0
		for w, a := range amounts {
			if a > 0 {
				n := (w - u.Kept + season.WeeksPerYear) % season.WeeksPerYear
				first, last = min(first, n), max(last, n)
			}
		}
		s.Note("eaten from week %d to week %d after storing, %.0f %% lost each month", first, last, 100*loss)
	}
}

// meals reckons n meals a week × portion × eaters back to harvested weight.
func (d *Desk) meals(s *working.Sheet, r *table.Resolved, u table.Use, amounts [season.WeeksPerYear]float64, weeks int) float64 {
	w := r.Wish
	var meals, plates float64
	for week, a := range amounts {
		if a > 0 {
			meals += a
			plates += a * r.AdultEquivalents[week]
			amounts[week] = a * r.AdultEquivalents[week]
		}
	}
	s.Do(working.Together, "", meals, amount.Meal, working.Household).Called("Meals, %g a week", w.Amount.Number).Note("over %d weeks", weeks)
	if meals > 0 {
		s.Do(working.Times, "People, as adults", plates/meals, amount.Eater, working.Household).Link("house", "eaters")
	}
	if w.Amount.Portion > 0 {
		s.Do(working.Times, "A portion, edible and raw", w.Amount.Portion, amount.Gram, working.Household)
	} else {
		d.crop(s, working.Times, u.Crop, "portion")
	}
	s.Is("Eaten, edible weight", amount.Kilogram)
	d.lessShelf(s, w, u)
	d.crop(s, working.Over, u.Crop, "edible")
	switch {
	case u.Form == wish.Cellar:
		d.kept(s, u, amounts)
	case u.Form.PutUp():
		raw, unit := u.Prep.Raw, amount.Litre
		if u.Prep.Unit == "kg" {
			unit = amount.Kilogram
		}
		s.Do(working.Beside, "Put up, this becomes", s.Value()/raw, unit, working.Reckoned).Note("%s", u.Prep.Name)
		d.rule(s, working.Keep, "spoil")
	}
	d.rule(s, working.Keep, "cull")
	return s.Is("Harvested weight", amount.Kilogram).Close(amount.Kilogram)
}

// putUp reckons jars, litres or kg dried back to harvested weight.
func (d *Desk) putUp(s *working.Sheet, w wish.Wish, u table.Use, total float64) float64 {
	d.units(s, w, u, total)
	d.preparation(s, working.Times, u.Prep, "raw")
	d.rule(s, working.Keep, "spoil")
	d.rule(s, working.Keep, "cull")
	return s.Is("Harvested weight", amount.Kilogram).Close(amount.Kilogram)
}

// ToFill returns how many jars, litres or kg dried of a wish are to be put up
// this year, in the wish's unit.
func ToFill(w wish.Wish, u table.Use) float64 {
	total := u.Total()
	if w.Left > 0 {
		return math.Max(0, total-w.Left)
	}
	return total * (1 - u.LeftShare)
}

// units says the litres or dried kg to be put up.
func (d *Desk) units(s *working.Sheet, w wish.Wish, u table.Use, total float64) {
	unit := w.Amount.Kind.Unit()
	d.wished(s, w, "Wish", total, unit)
	if left := total - ToFill(w, u); w.Left > 0 || u.OnShelf {
		source, note := working.Household, ""
		if w.Left <= 0 {
			source, note = working.Reckoned, "today's shelf, eaten at this wish's rate until the new is put up, the oldest first"
		}
		s.Do(working.Minus, "Still on the shelf at the next harvest", left, unit, source)
		if note != "" {
			s.Note("%s", note)
		}
	}
	if w.Amount.Kind.Unit() == amount.Jar {
		jar := wish.JarLitre(w, u.Prep)
		s.Do(working.Times, "A jar holds", jar, amount.Litre, jarSource(w)).Note("%s jar", wish.JarName(jar))
		s.Is("To put up", amount.Litre)
	}
}

func jarSource(w wish.Wish) working.Source {
	if w.Amount.Jar > 0 {
		return working.Household
	}
	return working.Usual
}

// Units returns the litres or dried kg that a need of harvested weight makes.
func (d *Desk) Units(n Need, prep *book.Preparation) float64 {
	return n.Amount * (1 - d.Rules.Spoil) * (1 - d.Rules.Cull) / prep.Raw
}

// Part reckons what a preparation takes of another crop, for so many litres or
// kg dried of it.
func (d *Desk) Part(base, name, title string, units float64, prep *book.Preparation, part book.Part) Need {
	s := d.Recorder.Open(base, name, title, "harvest needed")
	unit, per := amount.Litre, amount.KgPerLitre
	if prep.Unit == "kg" {
		unit, per = amount.Kilogram, amount.Share
	}
	s.Do(working.Start, "To put up", units, unit, working.Reckoned).Note("%s", prep.Name)
	s.Do(working.Times, "Raw food for this", part.Raw, per, working.Usual).Note("%s", part.Note)
	d.rule(s, working.Keep, "spoil")
	d.rule(s, working.Keep, "cull")
	return Need{Amount: s.Is("Harvested weight", amount.Kilogram).Close(amount.Kilogram)}
}
