package table

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
	"inventory/internal/core/shelf"
)

// validateLots looks at what stands on the shelf.
func validateLots(c invalid.Check, lots []shelf.Lot, b *book.Book) {
	for i, l := range lots {
		ValidateLot(c.Index("lots", i), l, b)
	}
}

// ValidateLot looks for what cannot stand in one lot.
func ValidateLot(c invalid.Check, l shelf.Lot, b *book.Book) {
	l.Validate(c)
	c = c.OfBook()
	kinds := b.Food(l.Food)
	f := Form(l.Form)
	switch {
	case kinds == nil:
		c.Add("food", l.Food, "a food of the crop book"+nearestWords(b, l.Food))
		return
	case f == Fresh || !slices.Contains(Forms, f):
		c.OneOf("form", l.Form, "cellar", "canned", "juiced", "frozen", "dried", "pickled", "fermented", "jam")
		return
	}
	p := b.Preparation(l.Preparation)
	switch {
	case l.Preparation != "" && (p == nil || p.Form != l.Form):
		c.Add("preparation", l.Preparation, "a preparation that is "+l.Form+", or none")
	case p != nil && !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return slices.Contains(p.Crops, k.ID) }):
		c.Add("preparation", l.Preparation, "a preparation of "+l.Food)
	case f.PutUp() && l.Unit == "pieces":
		c.Add("unit", l.Unit, "L or kg, for what is put up")
	case p != nil && (p.Unit == "kg") != (l.Unit == "kg"):
		c.Add("unit", l.Unit, map[string]string{"kg": "kg", "litre": "L"}[p.Unit]+": so "+p.Name+" is measured")
	case f == Cellar && l.Unit == "L":
		c.Add("unit", l.Unit, "kg or pieces, for what is kept whole")
	case f == Cellar && !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return k.StoreWeeks.Value > 0 }):
		c.Add("form", l.Form, "another form: "+l.Food+" does not keep whole")
	}
}

// Keeps returns the day until which a lot keeps: as it says itself, or as long
// as its preparation, or its kind in the store it stands in.
func (rs *Resolver) Keeps(l shelf.Lot) civil.Date {
	if l.Until != 0 {
		return l.Until
	}
	if Form(l.Form) == Cellar {
		weeks := 0.0
		for _, c := range rs.Book.Food(l.Food) {
			life := c.StoreWeeks.Or(0)
			for _, s := range rs.Household.Stores {
				if s.ID == l.Store {
					life = shelf.Life(c, s.Temperature, s.Damp)
				}
			}
			if l.Store == "" {
				_, life = shelf.Best(c, rs.Household.Stores)
			}
			weeks = math.Max(weeks, life)
		}
		return l.PutUp + civil.Date(7*weeks)
	}
	months := 0.0
	if p := rs.Book.Preparation(l.Preparation); p != nil {
		months = p.KeepsMonths
	} else {
		for _, p := range rs.Book.Preparations() {
			if p.Form == l.Form && slices.ContainsFunc(p.Crops, func(id string) bool { return rs.Book.Crop(id).Food == l.Food }) {
				months = math.Max(months, p.KeepsMonths)
			}
		}
	}
	return l.PutUp + civil.Date(months*365.25/12)
}

// serves tells whether a lot can feed a use of a wish.
func (l lotOf) serves(w *Wish, u *Use) bool {
	if l.Food != w.Food || l.Form != string(u.Form) || l.Unit != string(u.drawnIn(w)) {
		return false
	}
	return l.Preparation == "" || u.Prep == nil || l.Preparation == u.Prep.ID
}

type lotOf struct{ shelf.Lot }

// drawnIn returns the unit in which a use is taken out of the store.
func (u *Use) drawnIn(w *Wish) amount.Unit {
	switch {
	case u.Prep != nil && u.Prep.Unit == "litre":
		return amount.Litre
	case w.Amount.Kind == PiecesWeek || w.Amount.Kind == PiecesYear:
		return amount.Piece
	}
	return amount.Kilogram
}

// Drawn returns what a use takes out of its store for an amount in the wish's
// unit in week w: kg as they come out of the store, pieces, litres or kg dried.
func (rs *Resolver) Drawn(w *Wish, u *Use, week int, a float64) float64 {
	switch w.Amount.Kind {
	case Meals:
		edible := a * rs.Eaters[week] * rs.portion(w, u.Crop) / 1000
		if u.Crop.Edible <= 0 {
			return 0
		}
		if u.Prep != nil {
			return edible / u.Crop.Edible / u.Prep.Raw
		}
		return edible / u.Crop.Edible / (1 - rs.Cull)
	case Jars:
		return a * JarLitre(*w, u.Prep)
	case WeightWeek, WeightYear:
		if u.Prep != nil { // wished as harvested weight
			return a * (1 - rs.Cull) * (1 - rs.Spoil) / u.Prep.Raw
		}
	}
	return a
}

func (rs *Resolver) portion(w *Wish, c *book.Crop) float64 {
	if w.Amount.Portion > 0 {
		return w.Amount.Portion
	}
	return c.Portion.Value
}

// user is one use of a wish that draws on the shelf.
type user struct {
	r     *Resolved
	u     *Use
	lots  []int // of the household, that may serve it
	until civil.Date
}

// OnTheShelf draws today's lots down week by week, at the rates of the wishes
// and the oldest first, from asOf until each use's new crop is stored or put
// up. It sets what will then be left of each use (Use.Left), and which weeks of
// the coming year the shelf really feeds (Resolved.Coming).
func (rs *Resolver) OnTheShelf(all []Resolved, asOf civil.Date) {
	start := rs.Household.YearStart()
	stocks := make([]shelf.Stock, len(rs.Household.Lots))
	for i, l := range rs.Household.Lots {
		stocks[i] = shelf.Stock{Amount: l.Amount(), PutUp: l.PutUp, Until: rs.Keeps(l)}
		if Form(l.Form) == Cellar {
			if kinds := rs.Book.Food(l.Food); len(kinds) > 0 {
				stocks[i].Loss = kinds[0].StoreLoss.Or(0)
			}
		}
	}
	var users []user
	for i := range all {
		r := &all[i]
		r.Coming = r.Source
		for k := range r.Uses {
			u := &r.Uses[k]
			if u.Form == Fresh || u.Form == "" || len(u.Lot) == 0 {
				continue
			}
			x := user{r: r, u: u, until: start + civil.Date(7*u.Kept)}
			for l, lot := range rs.Household.Lots {
				if (lotOf{lot}).serves(&r.Wish, u) {
					x.lots = append(x.lots, l)
				}
			}
			u.OnShelf = len(x.lots) > 0
			users = append(users, x)
		}
	}
	rs.drawDown(users, stocks, asOf, start)
}

// drawDown walks the weeks from asOf to the end of the table year.
func (rs *Resolver) drawDown(users []user, stocks []shelf.Stock, asOf, start civil.Date) {
	pools := make([]*shelf.Pool, len(users))
	byLots := map[string]*shelf.Pool{}
	everything := shelf.NewPool(stocks)
	for i, x := range users {
		key := make([]byte, 0, 2*len(x.lots))
		for _, l := range x.lots {
			key = append(key, byte(l), byte(l>>8))
		}
		if byLots[string(key)] == nil {
			byLots[string(key)] = everything.Of(stocks, x.lots)
		}
		pools[i] = byLots[string(key)]
	}
	end := start + 7*season.WeeksPerYear
	done := make([]bool, len(users))
	for day := asOf; day < end; day += 7 {
		for i := range users {
			x := &users[i]
			if !done[i] && day >= x.until {
				done[i] = true
				if asOf < x.until {
					rs.claim(x, pools[i], day)
				}
			}
			week := season.WeekOf(int(day - start))
			a := x.r.Takes(x.u, week)
			if done[i] || a == 0 {
				continue
			}
			fed := false
			if len(x.lots) > 0 {
				want := rs.Drawn(&x.r.Wish, x.u, week, a)
				fed = pools[i].Draw(want, day) >= want*0.99
			}
			switch {
			case day < start:
			case fed:
				x.r.Coming[week] = x.u.Form
			default:
				x.r.Coming[week] = Gap // a part of a week's food is no week's food
			}
		}
		if len(stocks) > 0 {
			everything.Wait(7)
		}
	}
}

// Takes returns what a use takes in a week, in the wish's unit, from what stands
// on the shelf: its own weeks, and those that nothing else will feed, as long as
// the shelf holds something of it.
func (r *Resolved) Takes(u *Use, week int) float64 {
	switch {
	case u.Weeks.Has(week):
		return u.Amount[week]
	case u.OnShelf && r.Source[week] == Gap:
		return r.Wanted[week]
	}
	return 0
}

// claim says what is left for a use on the day its new crop comes, and takes it
// out of the pool so that no other wish counts on it.
func (rs *Resolver) claim(x *user, pool *shelf.Pool, day civil.Date) {
	var year float64
	for week, a := range x.u.Amount {
		year += rs.Drawn(&x.r.Wish, x.u, week, a)
	}
	if len(x.lots) == 0 || year <= 0 {
		return
	}
	x.u.Left = pool.Draw(year, day)
	x.u.LeftShare = math.Min(1, x.u.Left/year)
	if x.u.LeftShare > 1-1e-9 {
		x.u.LeftShare = 1
	}
}

// Serves tells whether a lot can feed a use of a wish: the same food in the same
// form, and the same preparation where the lot names one.
func Serves(l shelf.Lot, w *Wish, u *Use) bool { return lotOf{l}.serves(w, u) }
