package plan

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// Kitchen is what the kitchen must handle each week against what it can.
type Kitchen struct {
	Capacity  float64    `json:"capacity"`   // batches a week
	HarvestKg []float64  `json:"harvest_kg"` // each of 52 weeks: brought in, in an average year
	Batches   []float64  `json:"batches"`    // put up each week
	Over      []float64  `json:"over"`       // of those, more than the kitchen can do
	Hours     []float64  `json:"hours"`      // hands on
	Overloads []Overload `json:"overloads"`
	Total     float64    `json:"total"`       // batches in the year
	TotalHour float64    `json:"total_hours"` // hours in the year
}

// Overload is a week with more putting up than the kitchen can do.
type Overload struct {
	Week  int     `json:"week"`
	Over  float64 `json:"over"` // batches
	Parts []Batch `json:"parts"`
}

// Batch is what one wish brings to the kitchen in a week.
type Batch struct {
	Wish    string  `json:"wish"`
	Title   string  `json:"title"`
	Batches float64 `json:"batches"`
	Kg      float64 `json:"kg"` // harvested weight that goes into them
}

// lot is what waits to be put up: it came in one week and must be done by another.
type lot struct {
	wish    int
	from    int // weeks, counted on through the years
	by      int
	batches float64
	kg      float64
	minutes float64 // a batch
}

// kitchen works out what comes in each week and puts it up, what spoils first
// first: as much as the kitchen can, and more where something would spoil.
func (c *computation) kitchen() {
	k := &c.plan.Kitchen
	k.Capacity = c.desk.Rules.Evenings * c.desk.Rules.Batches
	k.HarvestKg, k.Batches = make([]float64, season.WeeksPerYear), make([]float64, season.WeeksPerYear)
	k.Over, k.Hours = make([]float64, season.WeeksPerYear), make([]float64, season.WeeksPerYear)
	k.Overloads = []Overload{}
	c.done = make([][]lot, season.WeeksPerYear)
	var lots []lot
	for _, s := range c.sowings {
		for i := range s.For {
			f := &s.For[i]
			for w, kg := range f.arrives() {
				k.HarvestKg[w] += kg
			}
			if f.asked.form.PutUp() && !f.Part {
				lots = append(lots, c.lots(f)...)
			}
		}
	}
	for _, l := range lots {
		w := &c.plan.Wishes[l.wish]
		w.Batches += l.batches
		w.Hours += l.batches * l.minutes / 60
		k.Total += l.batches
		k.TotalHour += l.batches * l.minutes / 60
	}
	// Twice round the circle, so that what is left over from autumn stands where
	// it belongs; the second year is the one that is kept.
	for year := range 2 {
		lots = c.putUp(lots, year == 1)
	}
	c.plan.Tally.Overloads = len(k.Overloads)
	c.kitchenFigures()
}

// putUp works through one year of weeks and returns the lots, a year later.
func (c *computation) putUp(lots []lot, keep bool) []lot {
	k := &c.plan.Kitchen
	var waiting []lot
	for w := range season.WeeksPerYear {
		for _, l := range lots {
			if l.from == w || w == 0 && l.from < 0 {
				waiting = append(waiting, l)
			}
		}
		slices.SortStableFunc(waiting, func(a, b lot) int { return a.by - b.by })
		room, over := k.Capacity, 0.0
		var still, done []lot
		for _, l := range waiting {
			take := math.Min(l.batches, room)
			if l.by <= w && take < l.batches { // it would spoil: an evening more
				over += l.batches - take
				take = l.batches
			}
			room = math.Max(0, room-take)
			if take > 0 {
				part := l
				part.kg, part.batches = l.kg*take/l.batches, take
				done = append(done, part)
			}
			if rest := l.batches - take; rest > 1e-9 {
				l.kg, l.batches = l.kg*rest/l.batches, rest
				still = append(still, l)
			}
		}
		waiting = still
		if keep {
			c.week(w, done, over)
		}
	}
	for i := range waiting { // into the next year
		waiting[i].from, waiting[i].by = -1, waiting[i].by-season.WeeksPerYear
	}
	fresh := slices.DeleteFunc(lots, func(l lot) bool { return l.from < 0 })
	return append(waiting, fresh...)
}

// week keeps what is put up in one week.
func (c *computation) week(w int, done []lot, over float64) {
	k := &c.plan.Kitchen
	c.done[w] = done
	for _, l := range done {
		k.Batches[w] += l.batches
		k.Hours[w] += l.batches * l.minutes / 60
	}
	if over < 0.05 { // a jar over is no evening
		return
	}
	k.Over[w] = over
	o := Overload{Week: w, Over: over, Parts: c.parts(w)}
	k.Overloads = append(k.Overloads, o)
}

// parts returns what is put up in a week, wish by wish.
func (c *computation) parts(w int) (out []Batch) {
	out = []Batch{}
	for _, l := range c.done[w] {
		wish := &c.plan.Wishes[l.wish]
		i := slices.IndexFunc(out, func(b Batch) bool { return b.Wish == wish.ID })
		if i < 0 {
			i = len(out)
			out = append(out, Batch{Wish: wish.ID, Title: wish.Title})
		}
		out[i].Batches += l.batches
		out[i].Kg += l.kg
	}
	return out
}

// lots returns what a sowing brings to the kitchen for one wish, week by week,
// with how long each week's picking can wait.
func (c *computation) lots(f *Served) (out []lot) {
	prep := f.asked.use.Prep
	if prep == nil || prep.BatchUnits <= 0 || f.sown.Share <= 0 {
		return nil
	}
	perKg := (1 - c.desk.Rules.Spoil) * (1 - c.desk.Rules.Cull) / prep.Raw / prep.BatchUnits
	wait := int(f.asked.crop.KeepDays.Or(0)) / 7
	if f.asked.crop.Store != "none" {
		_, life := stock.Best(f.asked.crop, c.in.Household.Stores)
		wait = max(wait, min(26, int(life)))
	}
	for w, share := range f.asked.use.Season.ByWeek(f.sown.Start) {
		if share > 1e-9 {
			kg := f.Need * share / f.sown.Share
			out = append(out, lot{wish: f.asked.wish, from: w, by: w + wait, batches: kg * perKg, kg: kg, minutes: prep.Minutes})
		}
	}
	return out
}

// arrives returns the kg that a sowing brings in for one wish in each week of an
// average year. What holds in the bed is brought in as it is eaten.
func (f *Served) arrives() (kg [season.WeeksPerYear]float64) {
	a := f.asked
	if a.form == "" || f.sown.Share <= 0 {
		return kg
	}
	per := 1.0 // kg a unit
	if a.key.pieces {
		per = a.crop.Piece.Or(0) / 1000
	}
	if n := f.sown.Run.Count(); n > 0 && a.crop.Harvest == book.Once && (a.form == wish.Fresh || a.crop.Store == "ground" && a.form == wish.Cellar) {
		for _, w := range f.sown.Run.List() {
			kg[w] = f.Average * per / float64(n)
		}
		return kg
	}
	for w, share := range a.use.Season.ByWeek(f.sown.Start) {
		kg[w] = f.Average * per * share / f.sown.Share
	}
	return kg
}

func (c *computation) kitchenFigures() {
	for i := range c.plan.Wishes {
		w := &c.plan.Wishes[i]
		if w.Batches == 0 {
			continue
		}
		s := c.desk.Recorder.Open("wish/"+w.ID, "hours", w.Title, "hours of putting up")
		if !s.On() {
			continue
		}
		s.Do(working.Start, "Nothing put up yet", 0, amount.Hour, working.Reckoned)
		for _, u := range c.resolved[i].Uses {
			if u.Prep == nil {
				continue
			}
			var batches float64
			for _, m := range c.servedBy[i] {
				if m.f.Form == string(u.Form) && !m.f.Part {
					for _, l := range c.lots(m.f) {
						batches += l.batches
					}
				}
			}
			s.Do(working.Plus, u.Prep.Name, batches*u.Prep.Minutes/60, amount.Hour, working.Reckoned)
			s.Note("%.1f batches of %s, %.0f minutes hands on each", batches, amount.Mark(u.Prep.BatchUnits, unitOf(u.Prep)), u.Prep.Minutes)
		}
		s.Is("Together", amount.Hour).Close(amount.Hour)
	}
	c.harvestFigure()
	s := c.desk.Recorder.Open("kitchen", "capacity", "", "What the kitchen can put up in a week")
	c.desk.Rule(s, working.Start, "evenings")
	c.desk.Rule(s, working.Times, "batches")
	s.Is("Batches a week", amount.Batch).Close(amount.Batch)
}

// harvestFigure records what comes in in the fullest week, sowing by sowing.
func (c *computation) harvestFigure() {
	k := &c.plan.Kitchen
	peak := 0
	for w, kg := range k.HarvestKg {
		if kg > k.HarvestKg[peak] {
			peak = w
		}
	}
	s := c.desk.Recorder.Open("kitchen", "harvest", "", "Brought in in the fullest week of an average year")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing yet", 0, amount.Kilogram, working.Reckoned)
	for _, sw := range c.sowings {
		var kg float64
		for i := range sw.For {
			kg += sw.For[i].arrives()[peak]
		}
		if kg > 1e-9 {
			s.Do(working.Plus, sw.CropName+", "+sw.Date.Short(), kg, amount.Kilogram, working.Reckoned).Link("sowing/"+sw.ID, "average")
			s.Note("this week's share of what the sowing gives")
		}
	}
	s.Is("In the week of "+c.plan.Weeks[peak].Words(), amount.Kilogram).Close(amount.Kilogram)
}

func unitOf(p *book.Preparation) amount.Unit {
	if p.Unit == "kg" {
		return amount.Kilogram
	}
	return amount.Litre
}

// Room is a store or the freezer against what is put into it.
type Room struct {
	ID    string      `json:"id"` // a store's, or freezer
	Name  string      `json:"name"`
	Unit  amount.Unit `json:"unit"`  // kg, or L
	Peak  float64     `json:"peak"`  // in it when it is fullest
	Week  int         `json:"week"`  // when that is
	Holds float64     `json:"holds"` // 0: nobody has measured it
}

// rooms works out how full each store and the freezer become.
func (c *computation) rooms() {
	c.plan.Rooms = []Room{}
	for _, st := range c.in.Household.Stores {
		c.room(Room{ID: st.ID, Name: st.Name, Unit: amount.Kilogram, Holds: st.RoomKg}, func(u *table.Use) bool { return u.Store != nil && u.Store.ID == st.ID })
	}
	r := c.room(Room{ID: "freezer", Name: "Freezer", Unit: amount.Litre, Holds: c.desk.Rules.Freezer}, func(u *table.Use) bool { return u.Form == wish.Frozen })
	c.plan.Tally.Freezer = r.Peak
	for i := range c.resolved {
		r := &c.resolved[i]
		for k := range r.Uses {
			if u := &r.Uses[k]; u.Form == wish.Frozen {
				c.plan.Wishes[i].Frozen += c.stored(r, u)
			}
		}
	}
}

// stored returns what goes into a use's store this year, in what it is drawn in.
func (c *computation) stored(r *table.Resolved, u *table.Use) (sum float64) {
	for w, a := range u.Amount {
		sum += c.storeUnit(r, u, w, a)
	}
	return sum * (1 - u.LeftShare)
}

// storeUnit is what is drawn in a week in kg or litres; pieces are weighed.
func (c *computation) storeUnit(r *table.Resolved, u *table.Use, week int, a float64) float64 {
	if a == 0 {
		return 0
	}
	v := c.resolver.Drawn(&r.Wish, u, week, a)
	if u.DrawnIn(r.Wish) == amount.Piece {
		v *= u.Crop.Piece.Or(0) / 1000
	}
	return v
}

// room adds up, use by use, what lies in a store each week: it is filled when
// the new crop comes and drawn from in the weeks it feeds.
func (c *computation) room(out Room, in func(*table.Use) bool) Room {
	var level [season.WeeksPerYear]float64
	any := false
	for i := range c.resolved {
		r := &c.resolved[i]
		for k := range r.Uses {
			u := &r.Uses[k]
			if !in(u) || u.Weeks == 0 {
				continue
			}
			any = true
			var drawn [season.WeeksPerYear]float64
			var there float64
			for w, a := range u.Amount {
				drawn[w] = c.storeUnit(r, u, w, a)
				there += drawn[w]
			}
			for n := range season.WeeksPerYear {
				w := (u.Kept + n) % season.WeeksPerYear
				level[w] += there
				there -= drawn[w]
			}
		}
	}
	for w, v := range level {
		if v > out.Peak+1e-9 {
			out.Peak, out.Week = v, w
		}
	}
	if any || out.Holds > 0 {
		c.plan.Rooms = append(c.plan.Rooms, out)
		c.roomFigure(out, in)
	}
	return out
}

// roomFigure records what lies in a store when it is fullest, use by use.
func (c *computation) roomFigure(out Room, in func(*table.Use) bool) {
	s := c.desk.Recorder.Open("room/"+out.ID, "peak", out.Name, "in it when it is fullest")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing in it", 0, out.Unit, working.Reckoned)
	for i := range c.resolved {
		r := &c.resolved[i]
		for k := range r.Uses {
			u := &r.Uses[k]
			if !in(u) || u.Weeks == 0 {
				continue
			}
			var whole, eaten float64
			for n := range season.WeeksPerYear {
				w := (u.Kept + n) % season.WeeksPerYear
				drawn := c.storeUnit(r, u, w, u.Amount[w])
				whole += drawn
				if n < (out.Week-u.Kept+season.WeeksPerYear)%season.WeeksPerYear {
					eaten += drawn
				}
			}
			if there := whole - eaten; there > 1e-9 {
				s.Do(working.Plus, c.plan.Wishes[i].Title, there, out.Unit, working.Reckoned)
				s.Note("of %s, the rest eaten by then", amount.Mark(whole, out.Unit))
			}
		}
	}
	s.Is("In the week of "+c.plan.Weeks[out.Week].Words(), out.Unit).Close(out.Unit)
}
