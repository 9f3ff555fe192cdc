package plan

import (
	"fmt"
	"math"
	"strings"

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
			said.add(d.wish, fmt.Sprintf("what was sown and counted leaves %d weeks that nothing else can feed any more", left.Count()))
		}
	}
	return out
}

// tooNear says for which weeks one would have to sow again too near to another sowing,
// and returns the others. Weeks that one sowing would close are told together.
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
		said.add(d.wish, fmt.Sprintf("%s not fed: a sowing on %s would do it, but nobody sows again so near to that of %s",
			g.weeksOf(closes[k]), g.date(k.sow).Short(), g.date(k.beside).Short()))
	}
	return left
}

// tooDear says which weeks would take so many times the plants of a good week, and
// returns the others.
func (g *group) tooDear(d *demand, weeks season.Weeks, s *season.Season, said *notes) season.Weeks {
	dear := map[string][]int{}
	var prices []string
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
		price := fmt.Sprintf("%.1f", least)
		if dear[price] == nil {
			prices = append(prices, price)
		}
		dear[price] = append(dear[price], w)
	}
	for _, price := range prices {
		said.add(d.wish, fmt.Sprintf("%s not fed: it would take %s times the plants of a good week", g.weeksOf(dear[price]), price))
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

// weeksOf names weeks by their first days: the week of 12 May is, the weeks of 12 and
// 19 May are.
func (b *basis) weeksOf(weeks []int) string {
	days := make([]string, len(weeks))
	for i, w := range weeks {
		days[i] = b.weekStart(w).Short()
	}
	if len(days) == 1 {
		return "the week of " + days[0] + " is"
	}
	return "the weeks of " + strings.Join(days[:len(days)-1], ", ") + " and " + days[len(days)-1] + " are"
}
