package season

import (
	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
)

// Begin returns the start of a crop on any day, also outside its window, and the reason if
// it is outside. The
// day, and those of the start, count from the start of the table year, and may
// lie in the years beside it. A start that no harvest follows ends on the day
// it is ready.
func Begin(c *book.Crop, y *place.Year, r Rules, yearStart, day int) (st Start, why say.Note) {
	if c.Perennial() {
		s := Of(c, y, r, yearStart)
		if len(s.Starts) == 0 {
			return Start{Day: day, Sow: day, Ready: day, Sure: day, Plain: day, End: day}, s.Why
		}
		return s.Starts[0], say.Note{}
	}
	g := newGround(c, y, r, methodsOf(c, r.Method)[0])
	g.leaving(yearStart)
	offset := mod(yearStart-y.Last, place.Days)
	from, to := g.span()
	x, years := day+offset, 0
	for x > (from+to)/2+place.Days/2 {
		x, years = x-place.Days, years+1
	}
	for x < (from+to)/2-place.Days/2 {
		x, years = x+place.Days, years-1
	}
	st, refused := g.try(x)
	if refused.rule != permitted {
		st, why = g.force(x), say.That(g.reason(refused))
	}
	switch {
	case !why.IsZero():
	case from > to:
		why = say.That(g.noDay())
	case x < from:
		why = say.That(say.Earlier{Than: g.firstWhy()})
	case x > to:
		why = say.That(say.Later{Than: g.lastWhy()})
	}
	by := years*place.Days - offset
	st.Day, st.Sow, st.Ready, st.Sure, st.Plain, st.End, st.Lift = st.Day+by, st.Sow+by, st.Ready+by, st.Sure+by, st.Plain+by, st.End+by, st.Lift+by
	return st, why
}

// force starts the crop on a day on which it may not be started, and lets follow
// what then follows.
func (g *ground) force(x int) Start {
	st := Start{Day: x, Sow: x - g.indoors, Raised: g.isRaised, Bought: g.bought, Plain: x + g.counted}
	if g.crop.Dense != nil {
		st.Ready, st.Sure, st.End = st.Plain, st.Plain, st.Plain+g.picking()
		return st
	}
	most := x + g.most
	st.Ready = min(most, max(g.gathers(x, g.need, 0), x+g.least))
	st.Sure = min(most, max(g.gathers(x, g.sureNeed, 1), st.Ready))
	if winter, r := g.throughWinter(st); r.rule == permitted {
		return winter
	}
	st.End = max(st.Ready, g.ends(st, g.limitOf(x), after(g.turns.freeze, x)))
	if g.wears(&st).rule != permitted {
		st.End = max(st.Ready, st.End)
	}
	if st.Lost >= 1-1e-9 {
		st.End = st.Ready
	}
	st.Lift = g.lifted(st, g.limitOf(x))
	return st
}
