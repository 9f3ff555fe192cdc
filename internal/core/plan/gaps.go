package plan

import (
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
)

// gaps returns the weeks of each demand that no sowing of the group feeds: those that
// recorded sowings were to feed and cannot, and those for which one would have to sow
// again within some days. It says which it is, and which sowing would close the gap.
func (g *group) gaps(weeks season.Weeks, s *season.Season, sowings []sowing.Sowing, said *notes) (out []unfed) {
	for _, d := range g.demands {
		mine := d.use.Weeks & weeks
		if mine == 0 {
			continue
		}
		out = append(out, unfed{d, mine})
		left := g.tooNear(d, mine, s, sowings, said)
		left = g.tooDear(d, left, s, said)
		if left != 0 {
			said.add(d.wish, say.CannotFeedNow{Weeks: left.Count()})
		}
	}
	return out
}

// tooNear says for which weeks one would have to sow again too near to another sowing,
// and returns the others. Weeks that one sowing would close are told together; of a day that
// has gone by nothing is said.
func (g *group) tooNear(d *demand, weeks season.Weeks, s *season.Season, sowings []sowing.Sowing, said *notes) season.Weeks {
	type near struct{ sow, beside int }
	closes := map[near][]int{}
	var order []near
	left := weeks
	for _, w := range weeks.List() {
		st, beside := crowded(s, sowings, w)
		if beside == nil {
			continue
		}
		left &^= season.Weeks(0).With(w)
		k := near{st.Sow, beside.Start.Sow}
		if closes[k] == nil {
			order = append(order, k)
		}
		closes[k] = append(closes[k], w)
	}
	for _, k := range order {
		if g.date(k.sow) < g.in.AsOf {
			continue // the day has gone by: it is no choice any more
		}
		said.add(d.wish, say.TooNear{Weeks: g.daysOf(closes[k]), Would: g.date(k.sow), Beside: g.date(k.beside)})
	}
	return left
}

// tooDear says which weeks would take so many times the plants of a good week, and
// returns the others.
func (g *group) tooDear(d *demand, weeks season.Weeks, s *season.Season, said *notes) season.Weeks {
	dear := map[float64][]int{}
	var prices []float64
	left := weeks
	for _, w := range weeks.List() {
		least := math.Inf(1)
		for i := range s.Starts {
			if s.Feeds[i].Has(w) {
				least = math.Min(least, s.Dear(i))
			}
		}
		if math.IsInf(least, 1) || least <= 0 {
			continue
		}
		left &^= season.Weeks(0).With(w)
		price := math.RoundToEven(least*10) / 10
		if dear[price] == nil {
			prices = append(prices, price)
		}
		dear[price] = append(dear[price], w)
	}
	for _, price := range prices {
		said.add(d.wish, say.TooDear{Weeks: g.daysOf(dear[price]), Times: price})
	}
	return left
}

// crowded returns the latest start that feeds a week and lies too near to another sowing,
// with that one; nil where there is none.
func crowded(s *season.Season, sowings []sowing.Sowing, week int) (found season.Start, beside *sowing.Sowing) {
	for i, st := range s.Starts {
		if s.Feeds[i].Has(week) {
			if o := sowing.Beside(sowings, st); o != nil {
				found, beside = st, o
			}
		}
	}
	return found, beside
}

// daysOf returns the first days of weeks.
func (b *basis) daysOf(weeks []int) []civil.Date {
	days := make([]civil.Date, len(weeks))
	for i, w := range weeks {
		days[i] = b.weekStart(w)
	}
	return days
}
