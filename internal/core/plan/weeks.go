package plan

import (
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// weeks are the household's wishes with a source for each of their weeks.
type weeks struct {
	resolver *table.Resolver
	wishes   []*table.Resolved // in the household's order
	titles   []string          // of the wishes
}

// sourcesOfWeeks gives each week of each wish its source, and draws down what is on the
// shelf today.
func sourcesOfWeeks(b *basis, rec recorded) weeks {
	h, rules := b.in.Household, b.desk.Rules
	out := weeks{&table.Resolver{
		Household: h, Today: b.in.AsOf, Book: b.desk.Book, AdultEquivalents: b.eaters, Seasons: b.season, Whole: b.seasonUnder, Before: b.before, Recorded: rec.byCrop, BaselineDays: h.BaselineDays(),
		Batches: rules.Evenings * rules.Batches, Cull: rules.Cull, Spoil: rules.Spoil,
		StandOf: b.stand,
	}, make([]*table.Resolved, len(h.Wishes)), make([]string, len(h.Wishes))}
	for i, w := range h.Wishes {
		w.Fill()
		out.wishes[i] = out.resolver.Resolve(w)
		b.wantWhatPlantsGive(out.wishes[i])
		out.titles[i] = wish.Title(out.wishes[i].Wish, b.desk.Book)
	}
	out.resolver.OnTheShelf(out.wishes, b.in.AsOf)
	return out
}

// stand returns how a crop's plants stand in the usual bed.
func (b *basis) stand(c *book.Crop, layout wish.Layout) table.Stand {
	s := reckon.StandIn(c, layout, b.desk.Bed())
	return table.Stand{Ground: s.Ground, Factor: s.Factor}
}

// wantWhatPlantsGive makes a wish of so many plants want what they give: as much as is left
// of it to be eaten, losses in storage and kitchen taken off.
func (b *basis) wantWhatPlantsGive(r *table.Resolved) {
	if r.Plants == 0 || r.Gives <= 0 {
		return
	}
	u := r.Uses[0]
	if need := b.trying.Harvest("", "harvested", "", r, u, u.Weeks).Amount; need > 0 {
		r.Times(r.Gives / need)
	}
}

// unfed are weeks that a demand was to be fed in and is not after all.
type unfed struct {
	demand *demand
	weeks  season.Weeks
}

// own returns the weeks with copies of some wishes, which may then be changed.
func (w weeks) own(demands []*demand) weeks {
	out := weeks{w.resolver, slices.Clone(w.wishes), w.titles}
	for _, d := range demands {
		if out.wishes[d.wish] == w.wishes[d.wish] {
			r := *w.wishes[d.wish]
			r.Uses = slices.Clone(r.Uses)
			out.wishes[d.wish] = &r
		}
	}
	return out
}

// withoutUnfed returns the weeks with those taken out that no sowing feeds: they are gaps.
func (w weeks) withoutUnfed(gaps []unfed) weeks {
	gaps = slices.DeleteFunc(gaps, func(g unfed) bool { return g.demand.part })
	demands := make([]*demand, len(gaps))
	for i, g := range gaps {
		demands[i] = g.demand
	}
	out := w.own(demands)
	for _, g := range gaps {
		r := out.wishes[g.demand.wish]
		u := &r.Uses[g.demand.of]
		for _, week := range (g.weeks & u.Weeks).List() {
			r.Source[week] = wish.Gap
			if r.Coming[week] == g.demand.form {
				r.Coming[week] = wish.Gap
			}
		}
		u.Weeks &^= g.weeks
	}
	return out
}

// withoutComing returns the weeks with those of some demands taken out of the coming year.
func (w weeks) withoutComing(young []*demand) weeks {
	out := w.own(young)
	for _, d := range young {
		r := out.wishes[d.wish]
		for _, week := range r.Uses[d.of].Weeks.List() {
			r.Coming[week] = wish.Gap
		}
	}
	return out
}
