package ground

import (
	"cmp"
	"context"
	"inventory/internal/core/plan"
	"math"
	"slices"
)

// lacksMore returns by how much more ground is short in some week of a layout than in the
// same week of another one, m².
func lacksMore(before, after Layout) (most float64) {
	for _, w := range after.Weeks {
		was := 0.0
		for _, x := range before.Weeks {
			if x.Day <= w.Day+3 && w.Day+3 < x.Day+7 {
				was = x.Short
			}
		}
		most = math.Max(most, w.Short-was)
	}
	return most
}

// littleGround is what two layouts of nearly the same plan differ by anyway, m².
const littleGround = 1

// WithGround lays out what the remedies of a gap come to, and says of each how much ground it
// needs that no bed has; what it feeds then counts only where it has ground. Those that need
// ground come last, each group in the order in which it was. p, fit and l are the plan and
// the layout as they stand. It ends early, with the context's error, where nobody waits.
func WithGround(ctx context.Context, in plan.Input, p plan.Plan, fit Input, l Layout, list []plan.Remedy) ([]plan.Remedy, error) {
	before := FedBy(p, l)
	if before == nil {
		return list, nil
	}
	out := slices.Clone(list)
	inTurns(ctx, len(out), nil, func(i int) {
		r := &out[i]
		changed, after, err := in.Changed(r.Change)
		if err != nil {
			return // what it costs is said by the plan alone
		}
		more, err := InputOf(changed, after)
		if err != nil || Same(fit, more) {
			return
		}
		laid := Fit(more)
		if fed := FedBy(after, laid); fed != nil {
			r.Fed, r.Jars = fed.WeeksFed-before.WeeksFed, fed.Jars-before.Jars
		}
		if lacks := lacksMore(l, laid); laid.Short-l.Short >= worthwhile && lacks >= littleGround {
			r.Lacks = lacks
		}
	})
	if ctx.Err() != nil {
		return nil, ctx.Err()
	}
	slices.SortStableFunc(out, func(a, b plan.Remedy) int { return cmp.Compare(order(a.Lacks > 0), order(b.Lacks > 0)) })
	return out, nil
}
