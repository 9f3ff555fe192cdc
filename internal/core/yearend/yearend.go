// Package yearend holds a year against what was wished of it: what was planned, what came in, what was
// eaten and what is left, wish by wish, and what follows for the next.
package yearend

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/learn"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Food is a food of the year with its wishes.
type Food struct {
	Food string `json:"food"`
	record.Balance
	Wishes []Row `json:"wishes"`
}

// Row is one wish of the year.
type Row struct {
	ID          string      `json:"id"`
	Title       string      `json:"title"`
	Words       string      `json:"words"`
	HarvestUnit amount.Unit `json:"harvest_unit"` // kg or pieces, of Planned and Came
	Planned     float64     `json:"planned"`      // that an average year gives
	Came        float64     `json:"came"`         // in, of its sowings; 0: nothing was recorded
	WeeksFed    int         `json:"weeks_fed"`
	WeeksWanted int         `json:"weeks_wanted"`
	Left        float64     `json:"left"` // on the shelf today, in the unit that it is wished in
	LeftUnit    amount.Unit `json:"left_unit"`
	RanOut      *civil.Date `json:"ran_out,omitempty"` // when the last of it was taken from the shelf
	Appetite    float64     `json:"appetite"`          // eaten of what was wished
	Weeks       float64     `json:"weeks"`             // of which that is known
	Proposal    Proposal    `json:"proposal"`
}

// Now is what a year's end is looked at from.
type Now struct {
	Input   plan.Input // with what was learned
	Plan    plan.Plan
	Learned *learn.Learned
	Record  *record.Record
	Lots    []stock.Lot    // all, as they were put in
	Fed     map[string]int // weeks, by wish, of those that lose some since there is no room; nil: all have room
}

// desk is a year's end being worked out.
type desk struct {
	Now
	book     *book.Book
	cull     float64
	from, to civil.Date
	came     map[string]float64 // kg, by wish
	fair     bool
}

// Look holds a year against its wishes, food by food in the family's order.
func Look(now Now) ([]Food, error) {
	h := now.Input.Household
	b, rules, _, err := h.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	d := &desk{Now: now, book: b.Taught(now.Input.Taught), cull: rules.Cull, from: h.YearStart(), to: min(now.Input.AsOf, h.YearStart()+season.WeeksPerYear*7), came: map[string]float64{}}
	d.fair = now.Learned.Yields.Of(learn.Year(h.Year)).Mean >= fairYear
	d.share()
	out := []Food{}
	at := map[string]int{}
	for i := range now.Plan.Wishes {
		p := &now.Plan.Wishes[i]
		k := slices.IndexFunc(h.Wishes, func(w wish.Wish) bool { return w.ID == p.ID })
		if k < 0 || len(p.Uses) == 0 {
			continue
		}
		w := h.Wishes[k]
		w.Fill()
		j, seen := at[w.Food]
		if !seen {
			j = len(out)
			at[w.Food] = j
			l, _ := now.Record.LedgerOf(w.Food, record.KeepDays(b, w.Food)) // what does not hold was refused
			out = append(out, Food{Food: w.Food, Balance: l.Over(d.from, d.to), Wishes: []Row{}})
		}
		out[j].Wishes = append(out[j].Wishes, d.row(w, p))
	}
	return out, nil
}

// fairYear is how many standard deviations a year may lie under the ordinary and still be a fair one.
const fairYear = -0.5

// share puts what came in to the wishes, as the sowings were to serve them: a harvest that names its sowing
// to the wishes of that, else to those of its kind, else to those of its food.
func (d *desk) share() {
	type shares map[string]float64
	bySowing, byCrop, byFood := map[string]shares{}, map[string]shares{}, map[string]shares{}
	add := func(to map[string]shares, key, id string, n float64) {
		if to[key] == nil {
			to[key] = shares{}
		}
		to[key][id] += n
	}
	for _, s := range d.Plan.Sowings {
		crop := d.book.Crop(s.Crop)
		for _, f := range s.For {
			if crop == nil || f.Average <= 0 {
				continue
			}
			id := f.Wish
			if f.Part { // what a preparation of another food takes is none of its own
				id = ""
			}
			add(bySowing, s.ID, id, f.Average)
			add(byCrop, s.Crop, id, f.Average)
			add(byFood, crop.Food, id, f.Average)
		}
	}
	for _, e := range d.Record.Span(d.from, d.to) {
		if e.Act != record.Harvest {
			continue
		}
		of := bySowing[e.Sowing]
		if of == nil {
			of = byCrop[e.Crop]
		}
		if of == nil {
			of = byFood[e.Food]
		}
		sum := 0.0
		for _, n := range of {
			sum += n
		}
		for id, n := range of {
			d.came[id] += float64(e.Gram) / 1000 * n / sum
		}
	}
}

// row works out one wish.
func (d *desk) row(w wish.Wish, p *plan.Wish) Row {
	crop := d.book.Crop(p.Uses[0].Crop)
	r := Row{ID: p.ID, Title: p.Title, Words: p.Words, HarvestUnit: p.HarvestUnit, Planned: p.Average, Came: d.came[p.ID], WeeksFed: p.WeeksFed, WeeksWanted: p.WeeksWanted, LeftUnit: w.Amount.Kind.Unit(), Appetite: 1}
	if fed, is := d.Fed[p.ID]; is {
		r.WeeksFed = fed
	}
	if r.HarvestUnit == amount.Piece && crop != nil && crop.Piece.Value > 0 {
		r.Came /= crop.Piece.Value / 1000
	}
	lots, weekly := d.lotsOf(w), w.Amount.Number/season.WeeksPerYear
	eaten, share := d.drawn(w, lots), 1.0
	if !w.Amount.Kind.PutUp() {
		weekly = d.weeklyKg(p)
		eaten = d.eaten(w, p, lots)
		r.LeftUnit = amount.Kilogram
		share = d.ofFood(w, p)
	}
	for _, l := range d.Record.Standing(lots, d.Input.AsOf) {
		r.Left += share * inUnit(w, l, l.Count)
		if !w.Amount.Kind.PutUp() && record.Containers(l) { // heads and bulbs that are counted
			r.LeftUnit = amount.Piece
		}
	}
	r.Appetite, r.Weeks = d.appetite(w.Amount.Kind, eaten, weekly, float64(p.WeeksWanted), r.Left)
	if r.Left == 0 && len(eaten) > 0 && len(lots) > 0 {
		r.RanOut = &eaten[len(eaten)-1].day
	}
	f := Facts{Said: d.said(w.Food), Appetite: r.Appetite, Weeks: r.Weeks, Fed: r.WeeksFed + p.WeeksBought, Wanted: r.WeeksWanted, Fair: d.fair}
	if r.Planned > 0 {
		f.Came = r.Came / r.Planned
	}
	if crop != nil {
		f.Own, f.Plantings = crop.OwnYield.Factor, crop.OwnYield.Plantings
	}
	if w.Amount.Kind.PutUp() {
		f.Remainder = r.Left - weekly*r.Appetite*d.weeksUntilNext(p)
	}
	r.Proposal = Propose(w, p.Confidence, f)
	return r
}

// appetite returns how much of a wish was eaten: of what is wanted week by week, or of what is wanted for a
// year.
func (d *desk) appetite(k wish.AmountKind, eaten []meal, weekly, wanted, left float64) (share, weeks float64) {
	switch {
	case k.Weekly():
		return appetite(eaten, weekly)
	case !k.PutUp(): // its weeks alone, in a year
		weekly *= wanted / season.WeeksPerYear
	}
	return d.appetiteOfYear(eaten, weekly, left)
}

// said returns what was said of a food in passing, last in the year that is looked at.
func (d *desk) said(food string) (last record.Said) {
	for _, e := range d.Record.Span(d.to-365, d.to) {
		if e.Food == food && e.Said != "" {
			last = e.Said
		}
	}
	return last
}

// weeklyKg is what a week that is fed takes of a wish, kg as it comes to the table: what must be harvested of
// it, less what is cleaned off.
func (d *desk) weeklyKg(p *plan.Wish) float64 {
	kg := 0.0
	for _, u := range p.Uses {
		switch crop := d.book.Crop(u.Crop); {
		case u.Part || crop == nil:
		case u.Unit == amount.Piece:
			kg += u.Harvested * crop.Piece.Value / 1000
		default:
			kg += u.Harvested
		}
	}
	return kg * (1 - d.cull) / math.Max(1, float64(p.WeeksFed))
}

// weeksUntilNext is how long it is until the wish's next lot is put up; a year where that is not known.
func (d *desk) weeksUntilNext(p *plan.Wish) float64 {
	for _, u := range p.Uses {
		if u.Kept != nil {
			days := int(*u.Kept - d.Input.AsOf)
			if days < 0 {
				days += 365
			}
			return float64(days) / 7
		}
	}
	return season.WeeksPerYear
}

// lotsOf returns the lots that a wish takes from.
func (d *desk) lotsOf(w wish.Wish) (out []stock.Lot) {
	for _, l := range d.Lots {
		switch {
		case l.Food != w.Food:
		case l.Preparation != "" && slices.Contains(w.Preparations, l.Preparation):
			out = append(out, l)
		case l.Preparation == "" && l.Form == string(wish.Cellar) && slices.Contains(w.Forms, wish.Cellar):
			out = append(out, l)
		}
	}
	return out
}

// inUnit returns so many containers of a lot in the unit that a wish is put in.
func inUnit(w wish.Wish, l stock.Lot, containers float64) float64 {
	if k := w.Amount.Kind; k.PutUp() && k.Unit() == amount.Jar {
		return containers
	}
	return containers * l.Size
}

// meal is what was eaten on a day.
type meal struct {
	day  civil.Date
	much float64
}

// drawn returns what was taken from lots to be eaten, in the wish's unit, in the order of the days.
func (d *desk) drawn(w wish.Wish, lots []stock.Lot) (out []meal) {
	by := map[string]stock.Lot{}
	for _, l := range lots {
		by[l.ID] = l
	}
	for _, e := range d.Record.Span(d.to-365, d.to) {
		l, is := by[e.Lot]
		if !is || e.Act != record.Draw || e.To != record.Table {
			continue
		}
		if record.Containers(l) {
			out = append(out, meal{e.Day, inUnit(w, l, e.Jars)})
		} else {
			out = append(out, meal{e.Day, float64(e.Gram) / 1000})
		}
	}
	return out
}

// eaten returns what was eaten fresh and from storage of a wish, kg: of what its food had to give, its share.
func (d *desk) eaten(w wish.Wish, p *plan.Wish, lots []stock.Lot) []meal {
	out := d.drawn(w, lots)
	if slices.Contains(w.Forms, wish.Fresh) {
		for _, e := range d.Record.Span(d.to-365, d.to) {
			if e.Act == record.Use && e.To == record.Table && e.Food == w.Food {
				out = append(out, meal{e.Day, float64(e.Gram) / 1000})
			}
		}
	}
	share := d.ofFood(w, p)
	for i := range out {
		out[i].much *= share
	}
	slices.SortStableFunc(out, func(a, b meal) int { return cmp.Compare(a.day, b.day) })
	return out
}

// appetiteOfYear returns how much was eaten of what is wished for a year, whenever in it: of what is put up
// most is eaten in winter. It is known of the weeks since something was first taken from the shelf. Where it
// was eaten up and was less than wished, nobody knows whether more would have been eaten.
func (d *desk) appetiteOfYear(meals []meal, weekly, left float64) (share, weeks float64) {
	first := d.to
	for _, e := range d.Record.Span(d.to-365, d.to) {
		if e.Act == record.Draw {
			first = min(first, e.Day)
		}
	}
	weeks = math.Min(season.WeeksPerYear, float64(d.to-first)/7)
	if len(meals) == 0 || weeks < leastWeeks || weekly <= 0 {
		return 1, 0
	}
	sum := 0.0
	for _, m := range meals {
		sum += m.much
	}
	if share = learn.Appetite(sum/weekly, int(math.Round(weeks))); share < 1 && left <= 0 {
		return 1, 0
	}
	return share, weeks
}

// ofFood returns the share that a wish has in what its food gives the table: several wishes may eat of it.
func (d *desk) ofFood(w wish.Wish, p *plan.Wish) float64 {
	mine, all := d.weeklyKg(p), 0.0
	for i := range d.Plan.Wishes {
		q := &d.Plan.Wishes[i]
		for _, x := range d.Input.Household.Wishes {
			if x.ID == q.ID && x.Food == w.Food && !x.Amount.Kind.PutUp() {
				all += d.weeklyKg(q)
			}
		}
	}
	if all <= 0 {
		return 1
	}
	return mine / all
}

// The days for which one entry speaks, at least and at most: what is taken from the shelf is eaten until
// the next is taken.
const (
	leastSpan = 7
	mostSpan  = 42
)

// appetite returns how much of what was wished was eaten, and the weeks of which that is known.
func appetite(meals []meal, weekly float64) (share, weeks float64) {
	if weekly <= 0 || len(meals) == 0 {
		return 1, 0
	}
	sum, days, last := 0.0, 0, meals[0].day-leastSpan
	for _, m := range meals {
		if m.day > last {
			days += max(0, min(mostSpan, int(m.day-last)))
			last = m.day
		}
		sum += m.much
	}
	weeks = float64(days) / 7
	return learn.Appetite(sum/weekly, int(math.Round(weeks))), weeks
}
