package plan

import (
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Kitchen is what the kitchen must handle each week against what it can.
type Kitchen struct {
	Capacity  float64    `json:"capacity"`        // batches a week
	HarvestKg []float64  `json:"harvest_kg"`      // each of 52 weeks: brought in, in an average year
	Batches   []float64  `json:"batches"`         // put up each week
	Ahead     []float64  `json:"ahead,omitempty"` // the same in the coming year, as what came in foretells it; none: nothing came in yet
	Over      []float64  `json:"over"`            // of those, more than the kitchen can do
	Hours     []float64  `json:"hours"`           // hands on
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

// putUp is what a wish brings to the kitchen in the year.
type putUp struct {
	batches float64
	hours   float64 // hands on
}

// kitchenWork is the kitchen's year: what is told of it, what is put up in which week, and
// what each wish brings.
type kitchenWork struct {
	Kitchen
	wishes []Wish  // for their names
	done   [][]lot // what is put up, by week
	byWish []putUp
}

// kitchenOf works out what comes in each week and puts it up, what spoils first first: as
// much as the kitchen can, and more where something would spoil.
func kitchenOf(b *basis, w weeks, wishes []Wish, all []*sown, served [][]served) kitchenWork {
	k := newKitchen(b.desk.Rules.Evenings*b.desk.Rules.Batches, wishes)
	var lots []lot
	for _, s := range all {
		for i := range s.parts {
			m := s.part(i)
			for week, kg := range m.arrives() {
				k.HarvestKg[week] += kg
			}
			if p := m.part(); p.d.form.PutUp() && !p.d.part {
				lots = append(lots, b.lots(m)...)
			}
		}
	}
	for _, l := range lots {
		k.byWish[l.wish].batches += l.batches
		k.byWish[l.wish].hours += l.batches * l.minutes / 60
		k.Total += l.batches
		k.TotalHour += l.batches * l.minutes / 60
	}
	// Twice round the year, so that what is left over from autumn is where it belongs; the
	// second year is the one that is kept.
	for year := range 2 {
		lots = k.putUp(lots, year == 1)
	}
	b.kitchenFigures(w, k, all, served)
	return *k
}

// newKitchen returns a kitchen that has put up nothing yet.
func newKitchen(capacity float64, wishes []Wish) *kitchenWork {
	year := func() []float64 { return make([]float64, season.WeeksPerYear) }
	return &kitchenWork{
		Kitchen: Kitchen{Capacity: capacity, HarvestKg: year(), Batches: year(), Over: year(), Hours: year(), Overloads: []Overload{}},
		wishes:  wishes, done: make([][]lot, season.WeeksPerYear), byWish: make([]putUp, len(wishes)),
	}
}

// putUp works through one year of weeks and returns the lots, a year later.
func (k *kitchenWork) putUp(lots []lot, keep bool) []lot {
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
			k.week(w, done, over)
		}
	}
	for i := range waiting { // into the next year
		waiting[i].from, waiting[i].by = -1, waiting[i].by-season.WeeksPerYear
	}
	fresh := slices.DeleteFunc(lots, func(l lot) bool { return l.from < 0 })
	return append(waiting, fresh...)
}

// week keeps what is put up in one week.
func (k *kitchenWork) week(w int, done []lot, over float64) {
	k.done[w] = done
	for _, l := range done {
		k.Batches[w] += l.batches
		k.Hours[w] += l.batches * l.minutes / 60
	}
	if over < 0.05 { // a jar over is no evening
		return
	}
	k.Over[w] = over
	o := Overload{Week: w, Over: over, Parts: k.parts(w)}
	k.Overloads = append(k.Overloads, o)
}

// parts returns what is put up in a week, wish by wish.
func (k *kitchenWork) parts(w int) (out []Batch) {
	out = []Batch{}
	for _, l := range k.done[w] {
		wish := &k.wishes[l.wish]
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

// part returns a sowing's part in what it serves.
func (s *sown) part(k int) served { return served{s, k} }

// lots returns what a sowing brings to the kitchen for one wish, week by week,
// with how long each week's picking can wait.
func (b *basis) lots(m served) (out []lot) {
	f, p := m.f(), m.part()
	prep := p.d.use.Prep
	if prep == nil || prep.BatchUnits <= 0 || p.s.Share <= 0 {
		return nil
	}
	perKg := (1 - b.desk.Rules.Spoil) * (1 - b.desk.Rules.Cull) / prep.Raw / prep.BatchUnits
	wait := int(p.d.crop.KeepDays.Or(0)) / 7
	if p.d.crop.Store != book.NoStorage {
		_, life := stock.Best(p.d.crop, b.in.Household.Storage)
		wait = max(wait, min(26, int(life)))
	}
	for w, share := range p.d.use.Season.ByWeek(p.s.Start) {
		if share > 1e-9 {
			kg := f.Need * share / p.s.Share
			out = append(out, lot{wish: p.d.wish, from: w, by: w + wait, batches: kg * perKg, kg: kg, minutes: prep.Minutes})
		}
	}
	return out
}

// arrives returns the kg that a sowing brings in for one wish in each week of an
// average year. What holds in the bed is brought in as it is eaten.
func (m served) arrives() (kg [season.WeeksPerYear]float64) {
	f, p := m.f(), m.part()
	a := p.d
	if a.form == "" || p.s.Share <= 0 {
		return kg
	}
	per := 1.0 // kg a unit
	if a.key.pieces {
		per = a.crop.Piece.Or(0) / 1000
	}
	if n := p.s.Run.Count(); n > 0 && a.crop.Harvest == book.Once && (a.form == wish.Fresh || a.crop.Store == book.GroundStorage && a.form == wish.Cellar) {
		for _, w := range p.s.Run.List() {
			kg[w] = f.Average * per / float64(n)
		}
		return kg
	}
	for w, share := range a.use.Season.ByWeek(p.s.Start) {
		kg[w] = f.Average * per * share / p.s.Share
	}
	return kg
}
