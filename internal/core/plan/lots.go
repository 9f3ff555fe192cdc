package plan

import (
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
)

// lotAt names what is kept or put up of a wish: the wish and its use.
type lotAt struct{ wish, use int }

// lots says of what is kept or put up which share of it no sowing brings in any more: what was
// begun for it was lost or is too little, and nothing can be begun in time.
type lots map[lotAt]float64

// missing returns the share of a group's lots that its sowings do not bring in.
func missing(sowings []sowing.Sowing) float64 {
	rest := 1.0
	for _, s := range sowings {
		rest -= s.Part / float64(max(1, s.Of))
	}
	return rest
}

// short notes what is missing of the lots of a group for which something was begun: what does
// not grow at the place at all is told elsewhere, or bought as part of a preparation. A
// preparation goes as far as the scarcest of its crops.
func (l lots) short(g *group, sowings []sowing.Sowing) {
	begun := slices.ContainsFunc(sowings, func(s sowing.Sowing) bool { return s.Hand != nil })
	if !begun || g.key.fresh || g.demands[0].form == "" {
		return
	}
	share := missing(sowings)
	if share <= sowing.Fewest {
		return
	}
	for _, d := range g.demands {
		at := lotAt{d.wish, d.of}
		l[at] = max(l[at], min(1, share))
	}
}

// unfed returns the weeks that what is missing was to feed: the last of the year, since what
// there is is eaten first. It says so of each wish.
func (l lots) unfed(demands []*demand, said *notes) (out []unfed) {
	for _, d := range demands {
		share, short := l[lotAt{d.wish, d.of}]
		if !short || d.part {
			continue
		}
		if weeks := lastOf(d.use, share); weeks != 0 {
			out = append(out, unfed{d, weeks})
			said.add(d.wish, say.CannotFeedNow{Weeks: weeks.Count()})
		}
	}
	return out
}

// lastOf returns the weeks of a use that go unfed where a share of its new crop is missing.
func lastOf(u *table.Use, share float64) (out season.Weeks) {
	weeks := season.InOrder(u.Weeks.List(), u.Kept)
	fed := u.LeftShare + (1-u.LeftShare)*(1-share)
	for _, week := range weeks[amount.FloorWhole(fed*float64(len(weeks))):] {
		out = out.With(week)
	}
	return out
}

// letBe returns the weeks of a group's use that recorded sowings were to feed fresh which are
// let be.
func (g *group) letBe(u table.Use) (weeks season.Weeks) {
	if !g.key.fresh {
		return 0
	}
	for _, h := range u.Recorded {
		for _, week := range h.Weeks {
			weeks = weeks.With(week)
		}
	}
	return weeks & u.Weeks
}

// leftWithout returns the weeks of each demand that stay without since the household let a
// sowing be, and says so.
func (g *group) leftWithout(weeks season.Weeks, said *notes) (out []unfed) {
	for _, d := range g.demands {
		if mine := d.use.Weeks & weeks; mine != 0 {
			out = append(out, unfed{d, mine})
			said.add(d.wish, say.LeftWithout{Weeks: mine.Count()})
		}
	}
	return out
}

// wasToGive returns the share of a group's lots that a sowing which is let be was to give.
func (g *group) wasToGive(h *table.RecordedSowing) float64 {
	was := *h
	was.Start, _ = g.begin(g.demands[0].crop, h.Air, h.Method, g.dayOf(h.Day))
	s := g.demands[0].use.Season
	return g.givesOf(&was, s.Share(was.Start, was.Start.Ready, was.Start.End))
}
