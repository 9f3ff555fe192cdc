package season

import (
	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// Begin returns what follows when a crop is put into the ground on a day that a
// household has chosen, permitted or not, and why it is not where it is not. The
// day, and those of the start, count from the start of the table year, and may
// lie in the years beside it. A start that no harvest follows ends on the day
// it is ready.
func Begin(c *book.Crop, y *place.Year, r Rules, yearStart, day int) (st Start, why string) {
	if c.Perennial() {
		s := Of(c, y, r, yearStart)
		if len(s.Starts) == 0 {
			return Start{Day: day, Sow: day, Ready: day, Sure: day, Plain: day, End: day}, s.Why
		}
		return s.Starts[0], ""
	}
	g := newGround(c, y, r, waysOf(c, r.Way)[0])
	g.pauses(yearStart)
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
		st, why = g.force(x), g.words(refused)
	}
	switch {
	case why != "":
	case from > to:
		why = g.noDay()
	case x < from:
		why = "it is earlier than " + g.firstWhy()
	case x > to:
		why = "it is later than " + g.lastWhy()
	}
	by := years*place.Days - offset
	st.Day, st.Sow, st.Ready, st.Sure, st.Plain, st.End = st.Day+by, st.Sow+by, st.Ready+by, st.Sure+by, st.Plain+by, st.End+by
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
	stop := g.stop
	if g.inAutumn || x >= g.limit && g.limit < never {
		stop += place.Days
	}
	most := x + g.most
	st.Ready = min(most, max(g.gathers(x, g.need, &g.hand), x+g.least))
	st.Sure = min(most, max(g.gathers(x, g.sureNeed, &g.sureHand), st.Ready))
	st.End = max(st.Ready, min(st.Ready+g.picking(), stop))
	g.inHeat(&st, st.Ready-st.Day)
	if g.crop.Harvest == book.Once && g.idleDays(st.Ready, st.Ready+1) > 0 {
		st.End = st.Ready
	}
	return st
}
