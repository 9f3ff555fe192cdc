package table

import (
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// user is one use of a wish that draws on the shelf.
type user struct {
	r     *Resolved
	u     *Use
	lots  []int // of the household, that may serve it
	until civil.Date
}

// users lists the uses of the wishes that may draw on the shelf, in the family's
// order.
func (rs *Resolver) users(all []*Resolved) (out []user) {
	start := rs.Household.YearStart()
	for i := range all {
		r := all[i]
		for k := range r.Uses {
			u := &r.Uses[k]
			if u.Form == wish.Fresh || u.Form == "" {
				continue
			}
			x := user{r: r, u: u, until: start + civil.Date(7*u.Kept)}
			for l, lot := range rs.Household.Lots {
				if Serves(lot, &r.Wish, u) {
					x.lots = append(x.lots, l)
				}
			}
			out = append(out, x)
		}
	}
	return out
}

// stocks returns the household's lots as they are drawn from: until when each keeps
// and what it loses.
func (rs *Resolver) stocks() []stock.Stock {
	out := make([]stock.Stock, len(rs.Household.Lots))
	for i, l := range rs.Household.Lots {
		out[i] = stock.Stock{Amount: l.Amount(), PutUp: l.PutUp, Until: rs.Keeps(l)}
		if wish.Form(l.Form) == wish.Cellar {
			if kind, _ := rs.keptAs(l); kind != nil {
				out[i].Loss = kind.StoreLoss.Or(0)
			}
		}
	}
	return out
}

// walk goes through the weeks from one day to another. In each, every user draws in
// turn, from the lots that serve it, the oldest first; then what stands loses what a
// week takes. It is the one way in which the shelf is drawn down.
func (rs *Resolver) walk(users []user, stocks []stock.Stock, from, to civil.Date, draw func(x *user, pool *stock.Pool, day civil.Date, week int), after func(day civil.Date)) {
	start := rs.Household.YearStart()
	pools := make([]*stock.Pool, len(users))
	byLots := map[string]*stock.Pool{}
	everything := stock.NewPool(stocks)
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
	for day := from; day < to; day += 7 {
		week := season.WeekOf(int(day - start))
		for i := range users {
			draw(&users[i], pools[i], day, week)
		}
		if after != nil {
			after(day)
		}
		if len(stocks) > 0 {
			everything.Wait(7)
		}
	}
}

// take draws what a use wants in a week and reports whether it got all of it.
func (rs *Resolver) take(x *user, pool *stock.Pool, day civil.Date, week int) bool {
	a := x.r.Takes(x.u, week)
	if a == 0 || len(x.lots) == 0 {
		return false
	}
	want := rs.Drawn(&x.r.Wish, x.u, week, a)
	return pool.Draw(want, day) >= want*0.99
}

// OnTheShelf draws today's lots down, from asOf until each use's new crop is stored
// or put up. It sets what will then be left of each use (Use.Left), and which weeks
// of the coming year the shelf really feeds (Resolved.Coming).
func (rs *Resolver) OnTheShelf(all []*Resolved, asOf civil.Date) {
	start := rs.Household.YearStart()
	for i := range all {
		all[i].Coming = all[i].Source
	}
	var users []user
	for _, x := range rs.users(all) {
		if len(x.u.Lot) > 0 { // what is not grown here has no new crop to wait for
			x.u.OnShelf = len(x.lots) > 0
			users = append(users, x)
		}
	}
	rs.fromThisYear(users, asOf)
	done := map[*Use]bool{}
	rs.walk(users, rs.stocks(), asOf, start+7*season.WeeksPerYear, func(x *user, pool *stock.Pool, day civil.Date, week int) {
		if !done[x.u] && day >= x.until {
			done[x.u] = true
			if asOf < x.until {
				rs.claim(x, pool, day)
			}
		}
		if done[x.u] || x.r.Takes(x.u, week) == 0 {
			return
		}
		fed := rs.take(x, pool, day, week)
		switch {
		case day < start:
		case fed:
			x.r.Coming[week] = x.u.Form
		default:
			x.r.Coming[week] = wish.Gap // a part of a week's food is no week's food
		}
	}, nil)
}

// fromThisYear sets how much each use has from this year's harvest (Use.PutUp), what was eaten of it
// since counted too: no more than its year takes, and no lot for two of them.
func (rs *Resolver) fromThisYear(users []user, asOf civil.Date) {
	start, lots := rs.Household.YearStart(), rs.Household.PutIn
	if lots == nil {
		lots = rs.Household.Lots
	}
	rest := make([]float64, len(lots))
	for i, l := range lots {
		if l.PutUp >= start && l.PutUp <= asOf {
			rest[i] = l.Amount()
		}
	}
	for _, x := range users {
		year := rs.yearOf(&x)
		for l, lot := range lots {
			if rest[l] == 0 || !Serves(lot, &x.r.Wish, x.u) {
				continue
			}
			takes := math.Min(rest[l], year-x.u.PutUp)
			rest[l] -= takes
			x.u.PutUp += takes
		}
	}
}

// yearOf returns what a use draws in a whole year.
func (rs *Resolver) yearOf(x *user) (year float64) {
	for week, a := range x.u.Amount {
		year += rs.Drawn(&x.r.Wish, x.u, week, a)
	}
	return year
}

// Fate is what becomes of a lot at the rate of the wishes that draw on it.
type Fate struct {
	Wish    string     // the first wish that draws on it; empty: none does
	Until   civil.Date // it keeps until then
	RunsOut civil.Date // the day by which it is eaten up; zero: it is not
	Wasted  float64    // what is still there when it no longer keeps, in the lot's unit
}

// crumbs is the share of a lot below which it counts as empty. It absorbs rounding (a quart
// is stored as 0.946353 L).
const crumbs = 1e-4

// fateYears is for how many years a lot is followed.
const fateYears = 2

// Fates says what becomes of each of the household's lots: drawn down in the same
// way as OnTheShelf does, on through the years until it is gone or no longer keeps.
func (rs *Resolver) Fates(all []*Resolved, asOf civil.Date) []Fate {
	stocks := rs.stocks()
	users := slices.DeleteFunc(rs.users(all), func(x user) bool { return len(x.lots) == 0 })
	fates := make([]Fate, len(stocks))
	for i := range stocks {
		fates[i].Until = stocks[i].Until
	}
	for _, x := range users {
		for _, l := range x.lots {
			if fates[l].Wish == "" {
				fates[l].Wish = x.r.Wish.ID
			}
		}
	}
	rs.walk(users, stocks, asOf, asOf+fateYears*365, func(x *user, pool *stock.Pool, day civil.Date, week int) {
		rs.take(x, pool, day, week)
	}, func(day civil.Date) {
		for i := range stocks {
			f := &fates[i]
			switch {
			case f.RunsOut != 0 || f.Wasted > 0:
			case stocks[i].Amount <= crumbs*rs.Household.Lots[i].Amount():
				f.RunsOut = day
			case day > f.Until:
				f.Wasted = stocks[i].Amount
			}
		}
	})
	return fates
}

// Takes returns what a use takes in a week, in the wish's unit, from what stands
// on the shelf: its own weeks, and those that nothing else will feed, as long as
// the shelf holds something of it.
func (r *Resolved) Takes(u *Use, week int) float64 {
	switch {
	case u.Weeks.Has(week):
		return u.Amount[week]
	case u.OnShelf && r.Source[week] == wish.Gap:
		return r.Wanted[week]
	}
	return 0
}

// claim sets how much a use has left when its next harvest comes and removes it from the
// pool, so that no other wish counts it too.
func (rs *Resolver) claim(x *user, pool *stock.Pool, day civil.Date) {
	if len(x.lots) == 0 {
		return
	}
	year := rs.yearOf(x)
	if year <= 0 {
		return
	}
	x.u.Left = pool.Draw(year, day)
	x.u.LeftShare = math.Min(1, x.u.Left/year)
	if x.u.LeftShare > 1-1e-9 {
		x.u.LeftShare = 1
	}
}

// Serves reports whether a lot can feed a use of a wish: the same food in the same
// form, and the same preparation where the lot names one.
func Serves(l stock.Lot, w *wish.Wish, u *Use) bool { return lotOf{l}.serves(w, u) }
