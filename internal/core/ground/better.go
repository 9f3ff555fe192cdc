package ground

import (
	"context"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
)

// How far a search goes on: from so many seeds, each with so many times the usual work.
const (
	moreSeeds = 6
	moreWork  = 8
)

// Better searches on for a layout in which more lies than in the one that stands, from
// several seeds, two at a time, and returns it as a remedy: the household decides whether it
// is taken. It returns none where nothing better was found. The same input gives the same
// remedy, to the byte. It ends early, with the context's error, where nobody waits any longer.
func Better(ctx context.Context, in plan.Input, fit Input, l Layout) ([]plan.Remedy, error) {
	none := []plan.Remedy{}
	if l.Short < worthwhile || l.Most-l.Placed < worthwhile {
		return none, nil
	}
	found := make([]*laying, moreSeeds)
	inTurns(ctx, moreSeeds, nil, func(i int) {
		more := fit
		more.Seed, more.Work = fit.Seed+uint64(i)+1, moreWork
		found[i] = fitted(ctx, more)
	})
	if ctx.Err() != nil {
		return nil, ctx.Err()
	}
	best := found[0]
	for _, f := range found[1:] {
		if f.now.better(best.now) {
			best = f
		}
	}
	better := best.layout()
	if l.Short-better.Short < worthwhile || !weighs(fit, better, l) {
		return none, nil
	}
	u := customsOf(in)
	u.Arranged = &bed.Arranged{Year: in.Household.Year, Laid: better.Laid()}
	return []plan.Remedy{{
		Words:  say.That(say.LayAnew{Moves: movesBetween(l, better)}),
		Change: plan.Change{Command: plan.SetCustoms, Customs: &u},
		Effect: plan.Effect{Short: better.Short, Gains: l.Short - better.Short},
	}}, nil
}

// weighs reports whether what finds ground in a layout is worth more than in another one,
// by priority.
func weighs(in Input, a, b Layout) bool {
	worth := func(l Layout) (sum float64) {
		for _, q := range l.Unplaced {
			i := slices.IndexFunc(in.Plantings, func(p Planting) bool { return p.ID == q.Planting })
			sum -= q.Need * float64(worthOf[in.Plantings[i].Priority])
		}
		return sum
	}
	return worth(a) > worth(b)
}

// movesBetween counts the plantings that lie in other beds in one layout than in another.
func movesBetween(a, b Layout) (n int) {
	beds := func(l Layout) map[string][]string {
		out := map[string][]string{}
		for _, p := range l.Pieces {
			if !slices.Contains(out[p.Planting], p.Bed) {
				out[p.Planting] = append(out[p.Planting], p.Bed)
			}
		}
		return out
	}
	was := beds(a)
	for id, now := range beds(b) {
		slices.Sort(now)
		slices.Sort(was[id])
		if !slices.Equal(now, was[id]) {
			n++
		}
	}
	return n
}

// customsOf returns a household's customs to be changed: the usual ones where it has none.
func customsOf(in plan.Input) bed.Customs {
	if u := in.Household.Customs; u != nil {
		out := *u
		out.Exceptions, out.Pairs = slices.Clone(u.Exceptions), slices.Clone(u.Pairs)
		return out
	}
	return bed.UsualCustoms()
}
