package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
)

// taker is a planting as the bound sees it: when it takes an area, the least that it takes,
// and the area that it is counted for, m².
type taker struct {
	from, to    civil.Date
	worth, area float64
}

// most returns how much of what is wanted any layout could place at most, m² · weeks.
//
// It is a relaxation: on every day the beds are one area, plantings may be cut and may be
// moved from day to day, and each takes the least area that a bed which may have it asks
// for; those that may share a bed take none. What is then best is found day by day, the
// plantings that take least for what they are worth first (Dantzig 1957). A real layout
// places no more.
func (f *site) most() (sum float64) {
	owned := 0.0
	for k := range f.in.Beds {
		owned += float64(f.longs[k]) / tenths * f.in.Beds[k].Width
	}
	all := f.takers()
	var days []civil.Date
	for _, t := range all {
		days = append(days, t.from, t.to)
	}
	slices.Sort(days)
	days = slices.Compact(days)
	for n := 1; n < len(days); n++ {
		sum += placedOn(all, days[n-1], days[n], owned) * float64(days[n]-days[n-1]) / 7
	}
	return sum
}

// takers returns the plantings that some bed may have, those first that take least for what
// they are worth.
func (f *site) takers() (all []taker) {
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
	}
	slices.SortStableFunc(all, func(a, b taker) int { return cmp.Compare(a.area*b.worth, b.area*a.worth) })
	return all
}

// Taken is what a planting takes of the ground at the least, in the bed where that is least.
type Taken struct {
	Planting string
	From, To civil.Date
	Area     float64 // m²; +Inf where no bed may have it
	Held     bool    // it is fixed by hand, or stands there
}

// LeastTaken returns what each planting takes at the least, and the ground of all beds, m².
// Of two that may share a bed the short one counts half: for some of its time it lies alone.
func LeastTaken(in Input) (all []Taken, owned float64) {
	f := newSite(in)
	for k := range f.in.Beds {
		owned += float64(f.longs[k]) / tenths * f.in.Beds[k].Width
	}
	for i := range f.in.Plantings {
		p := &f.in.Plantings[i]
		t := Taken{Planting: p.ID, From: p.From, To: p.To, Area: math.Inf(1)}
		t.Held = slices.ContainsFunc(f.in.Placed, func(x bed.Placement) bool { return x.Sowing == p.ID })
		for k, b := range f.in.Beds {
			if f.whole[i][k] > 0 && (f.may[i][k] || t.Held) {
				t.Area = math.Min(t.Area, float64(f.whole[i][k])/tenths*b.Width)
			}
		}
		if f.pairs != nil && slices.ContainsFunc(f.pairs[i], func(pair int) bool { return pair > 0 }) {
			t.Area /= 2
		}
		all = append(all, t)
	}
	return all, owned
}

// placedOn returns the most that a room of an area can be worth from a day to another on
// which nothing comes or goes.
func placedOn(all []taker, from, to civil.Date, room float64) (placed float64) {
	for _, t := range all {
		switch {
		case t.from > from || t.to < to:
		case t.area > room:
			return placed + t.worth*room/t.area
		default:
			placed, room = placed+t.worth, room-t.area
		}
	}
	return placed
}
