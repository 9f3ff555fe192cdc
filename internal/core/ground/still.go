package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Patch is a stretch of a bed that is free from a day on.
type FreeStretch struct {
	Stretch
	Until     civil.Date  `json:"until,omitzero"` // the day on which something else takes it; zero: nothing does
	Next      string      `json:"next,omitempty"` // the planting that then does
	CanFollow []CanFollow `json:"goes"`           // what can still go in, the most useful first

	Under string           `json:"under,omitempty"` // the planting that stands there, under which a green manure can be sown
	Green []GreenCanFollow `json:"green"`           // green manures that can go in

	family string // of what stands there
}

// Goes is a crop that can still go into a patch.
type CanFollow struct {
	Crop      string      `json:"crop"`
	Name      string      `json:"name"`
	Sow       civil.Date  `json:"sow"` // the first thing to do
	In        civil.Date  `json:"in"`  // when it takes the ground
	First     civil.Date  `json:"first"`
	Last      civil.Date  `json:"last"` // the last picking
	Plants    int         `json:"plants"`
	Gives     float64     `json:"gives"` // of an average year, the chance of losing it all reckoned in
	Unit      amount.Unit `json:"unit"`
	Gaps      int         `json:"gaps"` // weeks without that it could feed
	Of        string      `json:"of"`   // the wish they are of, in words; empty: nobody wishes it
	Exception int         `json:"bend,omitempty"`
	wished    bool
}

// StillGoes returns the stretches of a bed that are free on a day, each with what
// can still go in and what it would feed. Errors are invalid.Fields.
func StillGoes(in plan.Input, p plan.Plan, fit Input, l Layout, bedID string, day civil.Date) ([]FreeStretch, error) {
	k := slices.IndexFunc(fit.Beds, func(b bed.Bed) bool { return b.ID == bedID })
	if k < 0 {
		return nil, &invalid.Field{Field: "bed", Value: bedID, Allowed: "Choose one of your beds. This one may have been removed."}
	}
	h := in.Household
	own, rules, _, err := h.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	day = max(day, in.AsOf)
	year := place.Build(h.Place, place.ThisYear(h.Place, h.Weather, in.AsOf)...)
	year = year.In(h.AirOf(year, &fit.Beds[k]))
	greens := h.Customs.GreenManures(own)
	out := []FreeStretch{}
	for _, free := range freeOn(fit, l, k, day) {
		for _, crop := range own.Crops() {
			if crop.Perennial() || crop.Dense != nil || !crop.Weighed() {
				continue
			}
			if g, ok := goes(crop, year, h.Rules(crop.ID), h.YearStart(), in.AsOf, day); ok && g.clearedBy(free.Until, civil.Date(rules.ClearDays), crop) {
				free.size(&g, crop, fit, k, rules)
				if g.Plants > 0 {
					g.serve(crop, p, h.Wishes)
					free.CanFollow = append(free.CanFollow, g)
				}
			}
		}
		slices.SortStableFunc(free.CanFollow, func(a, b CanFollow) int {
			return cmp.Or(cmp.Compare(b.Gaps, a.Gaps), cmp.Compare(order(b.wished), order(a.wished)), cmp.Compare(order(a.Exception > 0), order(b.Exception > 0)), cmp.Compare(a.First, b.First))
		})
		free.green(greens, year, fit, k, day)
		out = append(out, free)
	}
	for _, under := range underOn(fit, l, k, day) {
		if under.green(greens, year, fit, k, day); len(under.Green) > 0 {
			out = append(out, under)
		}
	}
	return out, nil
}

func order(b bool) int {
	if b {
		return 1
	}
	return 0
}

// freeOn returns the stretches of a bed that are free on a day, each until the
// first thing that takes some of it.
//
// One function, since a stretch ends at the first thing that takes some of it.
func freeOn(fit Input, l Layout, k int, day civil.Date) (out []FreeStretch) {
	f := newLaying(newSite(fit))
	f.layAs(l, func(p Piece) bool { return p.Bed == fit.Beds[k].ID })
	for _, g := range f.empty(k, day, day+1, nil) {
		if g.length < shortest {
			continue
		}
		free := FreeStretch{Stretch: Stretch{float64(g.at) / tenths, float64(g.at+g.length) / tenths}, CanFollow: []CanFollow{}}
		for _, q := range f.beds[k] {
			if q.from > day && q.at < g.at+g.length && g.at < q.at+q.length && q.planting < 0 && (free.Until == 0 || q.from < free.Until) {
				free.Until, free.Next = q.from, ""
			}
			if q.planting >= 0 && q.from > day && q.at < g.at+g.length && g.at < q.at+q.length && (free.Until == 0 || q.from < free.Until) {
				free.Until, free.Next = q.from, fit.Plantings[q.planting].ID
			}
		}
		out = append(out, free)
	}
	return out
}

// goes returns what follows where a crop takes its ground on the first day that it
// can, from a day on: what is raised is sown today and planted out when it is fit.
func goes(c *book.Crop, y *place.Year, r season.Rules, start, asOf, day civil.Date) (CanFollow, bool) {
	for later := civil.Date(0); later <= 21; later += 7 { // a crop of the coming weeks will do too
		at := int(day + later - start)
		st, why := season.Begin(c, y, r, start.YearDay(), at)
		if why.IsZero() && !st.Bought && start+civil.Date(st.Sow) < asOf { // its starts would have had to be sown by now
			at += int(asOf-start) - st.Sow
			st, why = season.Begin(c, y, r, start.YearDay(), at)
		}
		if why.IsZero() && st.End > st.Ready {
			return CanFollow{
				Crop: c.ID, Name: c.Short(), Sow: start + civil.Date(st.Sow), In: start + civil.Date(st.Day),
				First: start + civil.Date(st.Ready), Last: start + civil.Date(st.End-1),
			}, true
		}
	}
	return CanFollow{}, false
}

// clearedBy lets what still stands be cleared before the next thing needs the ground,
// and reports whether enough of it can be picked until then: what is gathered once is
// ready, the rest gives a third of its picking or a fortnight of it.
func (g *CanFollow) clearedBy(until, days civil.Date, c *book.Crop) bool {
	if until == 0 {
		return true
	}
	least := 0
	if c.Harvest != book.Once {
		least = int(math.Min(14, c.HarvestDays/3))
	}
	g.Last = min(g.Last, until-days-1)
	return g.Last >= g.First+civil.Date(least)
}

// size reckons how many plants the patch holds and what they give.
func (free *FreeStretch) size(g *CanFollow, c *book.Crop, fit Input, k int, rules book.Rules) {
	b := fit.Beds[k]
	s, _, cannot := standIn(&Planting{Crop: c}, b, fit.Edge)
	if cannot != nil || c.LeastRows.Known && s.Layout == wish.Across && (free.To-free.From)/s.Step < c.LeastRows.Value-1e-9 {
		return
	}
	g.Plants = int((free.To-free.From)/s.Step+1e-9) * s.Rows
	if float64(g.Plants) < c.MinPlants {
		g.Plants = 0
		return
	}
	stand := float64(g.Plants) * (1 - c.FailProb)
	each := c.Gives() * s.Factor
	if picking := float64(g.Last - g.First + 1); c.Harvest != book.Once && picking < c.HarvestDays {
		each *= picking / c.HarvestDays
	}
	if g.Gives, g.Unit = stand*each, amount.Kilogram; c.Harvest == book.Once && c.Piece.Known && math.Abs(c.Yield.Value*1000/c.Piece.Value-1) <= 0.25 {
		g.Gives, g.Unit = stand*(1-rules.Unmarketable), amount.Piece
	}
	g.Exception = RotationOn(b, c, fit.Year, free.From, free.To-free.From)
	if slices.Contains(fit.Exceptions, c.Family) {
		g.Exception = 0
	}
}

// serve finds the wish that a crop would feed, and how many weeks of it that are
// without.
func (g *CanFollow) serve(c *book.Crop, p plan.Plan, wishes []wish.Wish) {
	for i, w := range wishes {
		if w.Food != c.Food || w.Variety != "" && w.Variety != c.ID || i >= len(p.Wishes) {
			continue
		}
		gaps := 0
		for week, from := range p.Weeks {
			if p.Wishes[i].Source[week] == wish.Gap && from+3 >= g.First && from+3 <= g.Last+civil.Date(c.KeepDays.Or(0)) {
				gaps++
			}
		}
		if !g.wished || gaps > g.Gaps {
			g.wished, g.Gaps, g.Of = true, gaps, p.Wishes[i].Title
		}
	}
	if !g.wished {
		g.Of = ""
	}
}
