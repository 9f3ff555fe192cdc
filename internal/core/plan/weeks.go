package plan

import (
	"slices"

	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// weeks are the household's wishes with a source for each of their weeks.
type weeks struct {
	resolver *table.Resolver
	wishes   []table.Resolved // in the household's order
}

// sourcesOfWeeks gives each week of each wish its source, and draws down what is on the
// shelf today.
func sourcesOfWeeks(b *basis, rec recorded) weeks {
	h, rules := b.in.Household, b.desk.Rules
	out := weeks{&table.Resolver{
		Household: h, Book: b.desk.Book, Eaters: b.eaters, Seasons: b.season, Hands: rec.byCrop, Agreements: h.Agreements(),
		Batches: rules.Evenings * rules.Batches, Cull: rules.Cull, Spoil: rules.Spoil,
	}, make([]table.Resolved, len(h.Wishes))}
	for i, w := range h.Wishes {
		w.Fill()
		out.wishes[i] = out.resolver.Resolve(w)
	}
	out.resolver.OnTheShelf(out.wishes, b.in.AsOf)
	return out
}

// unfed are weeks that a demand was to be fed in and is not after all.
type unfed struct {
	demand *demand
	weeks  season.Weeks
}

// withoutUnfed returns the weeks with those taken out that no sowing feeds: they are gaps.
func (w weeks) withoutUnfed(gaps []unfed) weeks {
	out := weeks{w.resolver, slices.Clone(w.wishes)}
	own := map[int]bool{}
	for _, g := range gaps {
		d := g.demand
		if d.part {
			continue
		}
		r := &out.wishes[d.wish]
		if !own[d.wish] {
			own[d.wish] = true
			r.Uses = slices.Clone(r.Uses)
		}
		u := &r.Uses[d.of]
		for _, week := range (g.weeks & u.Weeks).List() {
			r.Source[week] = wish.Gap
			if r.Coming[week] == d.form {
				r.Coming[week] = wish.Gap
			}
		}
		u.Weeks &^= g.weeks
	}
	return out
}

// withoutComing returns the weeks with those of some demands taken out of the coming year.
func (w weeks) withoutComing(young []*demand) weeks {
	out := weeks{w.resolver, slices.Clone(w.wishes)}
	for _, d := range young {
		r := &out.wishes[d.wish]
		for _, week := range r.Uses[d.of].Weeks.List() {
			r.Coming[week] = wish.Gap
		}
	}
	return out
}
