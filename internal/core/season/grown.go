package season

import (
	"math"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// What becomes of a start: when it is ready, what winter and heat do, when it ends.

// grown lets a start grow in the year it is begun. What would not be ready before
// growth stops may stand through the winter, where the crop does.
func (g *ground) grown(st Start) (Start, refusal) {
	c := g.crop
	limit := g.limitOf(st.Day)
	st.Ready = max(g.gathers(st.Day, g.need, 0), st.Day+g.least)
	st.Sure = max(g.gathers(st.Day, g.sureNeed, 1), st.Ready)
	if st.Sure >= limit && limit < never {
		if stop := after(g.turns.stop, st.Day); c.Winter == book.MayWinter && stop <= st.Sure {
			if winter, r := g.throughWinter(st); r.rule == permitted || st.Day > upTo(g.turns.longest, stop) {
				return winter, r
			}
		}
		return st, refusal{readyTooLate, float64(st.Sure)}
	}
	if st.Ready > st.Day+g.most || st.Sure >= never {
		return st, refusal{neverReady, g.need}
	}
	st.End = g.ends(st, limit, after(g.turns.freeze, st.Day))
	counted := limit
	if c.Winter == book.MayWinter && g.turns.young >= never {
		counted = never // it does not freeze: it is picked on until it runs to seed
	}
	if st, r := g.bears(st, counted, after(g.turns.freeze, st.Day)); r.rule != permitted {
		return st, r
	}
	lot := max(g.gathers(st.Day, g.lotNeed, 2), st.Ready)
	last := limit
	if c.Group == book.Tuber && last < never { // lifted a fortnight after the frost at the latest
		last += lotAfterFrost
	}
	st.Safe = last >= never || lot+lotBefore <= last
	st.Lift = g.lifted(st, limit)
	return g.worn(st)
}

// lifted returns the day on which what is to be stored is lifted at the latest: the
// last of its standing, a fortnight after growth has stopped; tender crops before the
// frost, tubers a fortnight after it.
func (g *ground) lifted(st Start, limit int) int {
	last := st.End - 1
	if g.crop.Group == book.Tuber && limit < never {
		last = min(last, limit+lotAfterFrost)
	}
	if stop := after(g.turns.stop, st.Ready-1); stop < never {
		last = min(last, max(st.Sure, stop+lotAfterFrost))
	}
	return max(st.Ready, last)
}

// How long before its limit a lot that is kept must be ready, and how long after the
// frost tubers may be lifted.
const (
	lotBefore     = 28
	lotAfterFrost = 14
)

// throughWinter lets a start stand through the winter unripe and go on in spring. The
// days in which it stands still give no heat and are not counted.
//
// One function, since the rules for a winter are tried in one order.
func (g *ground) throughWinter(st Start) (Start, refusal) {
	c := g.crop
	stop, goes := after(g.turns.stop, st.Day), never
	if g.mustWinter() && g.turns.stop >= never {
		stop = after(g.turns.shortest, st.Day)
		goes = stop
	} else if stop < never {
		goes = after(g.turns.restart, stop)
	}
	if stop >= never {
		return st, refusal{readyTooLate, float64(st.Sure)}
	}
	before := g.heatOf(st.Day, stop)
	if g.mustWinter() {
		before = 0
		if st.Day < stop-7*mustFrom {
			return st, refusal{tooEarlyForWinter, 0}
		}
		if st.Day > stop-7*mustTo {
			return st, refusal{tooSmallForWinter, 0}
		}
	} else if st.Day <= upTo(g.turns.longest, stop) || setsFruit(c) && before > g.need*mostFruit {
		return st, refusal{tooEarlyForWinter, 0}
	}
	switch {
	case stop-st.Day < rooted:
		return st, refusal{tooSmallForWinter, 0}
	case g.turns.young < never:
		return st, refusal{freezesInWinter, c.FrostKill}
	}
	st.Winters = true
	st.Ready = max(g.gathers(goes, g.need-before, 0), goes)
	st.Sure = max(g.gathers(goes, g.sureNeed-before, 1), st.Ready)
	st.Safe = true // the winter is behind it
	if waits := goes - stop; !g.mustWinter() {
		st.Ready = max(st.Ready, st.Day+g.least+waits)
		st.Sure = max(st.Sure, st.Ready)
		if st.Ready > st.Day+g.most+waits {
			return st, refusal{neverReady, g.need}
		}
	}
	if st.Sure >= never {
		return st, refusal{neverReady, g.need}
	}
	st.End = g.ends(st, after(g.limit, goes), after(g.turns.freeze, goes))
	if st, r := g.bears(st, after(g.limit, goes), after(g.turns.freeze, goes)); r.rule != permitted {
		return st, r
	}
	return g.worn(st)
}

// When what has to stand through the winter is planted, weeks before growth stops; and
// how much of its heat a crop that sets fruit may have had by then.
const (
	mustFrom, mustTo = 24, 14
	mostFruit        = 1.0 / 3
)

// ends returns the day after the last on which a start is picked or stands: when its
// picking is over, or it no longer holds, or it freezes, or runs to seed; tender crops
// by their limit.
func (g *ground) ends(st Start, limit, freeze int) int {
	end := st.Ready + g.picking()
	switch {
	case g.crop.Harvest == book.Once:
		end = g.stands(st.Sure)
	case g.crop.GoesOn && !tender(g.crop):
		end = st.Ready + place.Days
	}
	if tender(g.crop) {
		return min(end, limit)
	}
	return min(end, freeze, g.boltsAfter(st))
}

// boltsAfter returns the day on which a start runs to seed, once it has stood rooted
// through a shortest day.
func (g *ground) boltsAfter(st Start) int {
	return g.bolts(after(g.turns.shortest, st.Day+rooted-1))
}

// How fast a ripe crop uses up the days it holds: never slower and never faster.
const slowest, fastest = 0.05, 1.5

// stands returns the first day on which what is ripe on a day no longer holds: a day
// uses up more of it the warmer it is.
func (g *ground) stands(ripe int) int {
	c := g.crop
	left, d := max(1, c.HoldDays)-1e-9, g.year.Day(ripe)
	for x := ripe; x < ripe+place.Days; x++ {
		if left -= max(slowest, min(fastest, (g.year.Mean[d]-c.TBase)/(c.TRef-c.TBase))); left <= 0 {
			return x + 1
		}
		if d++; d == place.Days {
			d = 0
		}
	}
	return ripe + place.Days
}

// bears looks whether a start that is ready then gives enough before its limit, and
// before it runs to seed.
func (g *ground) bears(st Start, limit, freeze int) (Start, refusal) {
	bolts := g.boltsAfter(st)
	if tender(g.crop) {
		bolts = never
	}
	if st.Sure >= bolts {
		return st, refusal{runsToSeed, float64(bolts)}
	}
	slow := st
	slow.Ready = st.Sure // with the slack, its picking ends later too
	last := min(g.ends(slow, limit, freeze), limit, bolts)
	switch c := g.crop; {
	case c.Harvest == book.Once:
		if last <= st.Sure {
			return st, refusal{readyTooLate, float64(st.Sure)}
		}
	default:
		got, days := float64(last-st.Sure), last-st.Sure
		if g.leaves != nil {
			_, days = g.leaves.between(st.Sure, last)
		}
		if enough := math.Min(leastDays, c.HarvestDays*leastPicking); float64(days) < enough-1e-9 {
			if float64(days) < got && got >= enough {
				return st, g.tooHot()
			}
			if bolts < limit && bolts < freeze {
				return st, refusal{pickedToSeed, math.Max(0, got)}
			}
			return st, refusal{pickedTooShort, math.Max(0, got)}
		}
	}
	return st, refusal{}
}
