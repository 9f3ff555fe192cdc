package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/civil"
)

// most returns how much of what is wanted any layout could place at most, m² · weeks.
//
// It is a relaxation: on every day the beds are one area, plantings may be cut and may be
// moved from day to day, and each takes the least area that a bed which may have it asks
// for; those that may share a bed take none. What is then best is found day by day, the
// plantings that take least for what they are worth first (Dantzig 1957). A real layout
// places no more.
func (f *site) most() float64 {
	type taker struct {
		from, to    civil.Date
		worth, area float64 // m² that it is counted for, and the least that it takes
	}
	var all []taker
	var days []civil.Date
	owned := 0.0
	for k := range f.in.Beds {
		owned += float64(f.longs[k]) / tenths * f.in.Beds[k].Width
	}
	held := map[string]bool{} // fixed by hand, a planting may lie where the rules would not let it
	for _, p := range f.in.Placed {
		held[p.Sowing] = true
	}
	for i := range f.in.Plantings {
		p := &f.in.Plantings[i]
		least := math.Inf(1)
		for k, b := range f.in.Beds {
			if f.whole[i][k] > 0 && (f.may[i][k] || held[p.ID]) {
				least = math.Min(least, float64(f.whole[i][k])/tenths*b.Width)
			}
		}
		if math.IsInf(least, 1) {
			continue
		}
		if f.pairs != nil && slices.ContainsFunc(f.pairs[i], func(pair int) bool { return pair > 0 }) {
			least = 0
		}
		all = append(all, taker{p.From, p.To, f.area(i), least})
		days = append(days, p.From, p.To)
	}
	slices.SortStableFunc(all, func(a, b taker) int { return cmp.Compare(a.area*b.worth, b.area*a.worth) })
	slices.Sort(days)
	days = slices.Compact(days)
	sum := 0.0
	for n := 1; n < len(days); n++ {
		room, placed := owned, 0.0
		for _, t := range all {
			if t.from > days[n-1] || t.to < days[n] {
				continue
			}
			if t.area <= room {
				placed, room = placed+t.worth, room-t.area
				continue
			}
			placed += t.worth * room / t.area
			break
		}
		sum += placed * float64(days[n]-days[n-1]) / 7
	}
	return sum
}
