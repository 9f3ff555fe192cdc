package ground

import (
	"cmp"
	"context"
	"math"
	"slices"
	"strings"
	"sync"
	"sync/atomic"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Tried is told how many of so many changes have been tried. It is called by one goroutine
// at a time.
type Tried func(done, of int)

// shortage looks for what makes a shortage of ground less.
type shortage struct {
	ctx    context.Context // ends where nobody waits any longer
	tried  Tried
	in     plan.Input
	plan   plan.Plan
	fit    Input
	layout Layout
	fed    *Fed
	book   *book.Book
	trials []trial
	out    []plan.Remedy
}

// Of works out the plan of a household and the layout of its ground.
func Of(in plan.Input) (plan.Plan, Input, Layout, error) {
	p, err := plan.Compute(in)
	if err != nil {
		return p, Input{}, Layout{}, err
	}
	fit, err := InputOf(in, p)
	if err != nil {
		return p, fit, Layout{}, err
	}
	return p, fit, Fit(fit), nil
}

// Remedies returns what would make a shortage of ground less: first what feeds as much
// as before, then what takes something away, each with the greatest gain first; none
// where nothing is short. p, fit and l are the plan and the layout as they stand. It
// ends early, with the context's error, where nobody waits any longer; tried, unless it is
// nil, is told how far it has come.
func Remedies(ctx context.Context, in plan.Input, p plan.Plan, fit Input, l Layout, tried Tried) ([]plan.Remedy, error) {
	b, _, _, err := in.Household.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	w := &shortage{ctx: ctx, tried: tried, in: in, plan: p, fit: fit, layout: l, fed: FedBy(p, l), book: b, out: []plan.Remedy{}}
	if l.Short <= 0 {
		return w.out, nil
	}
	w.wishes()
	w.bend()
	w.pairs()
	w.sooner()
	w.later()
	w.runTrials()
	w.moreGround()
	if ctx.Err() != nil {
		return nil, ctx.Err()
	}
	slices.SortStableFunc(w.out, func(a, b plan.Remedy) int {
		return cmp.Or(cmp.Compare(order(a.Costs()), order(b.Costs())), cmp.Compare(math.Round(b.Gains*10), math.Round(a.Gains*10)), cmp.Compare(b.Fed, a.Fed), cmp.Compare(b.Jars, a.Jars), strings.Compare(a.Words.String(), b.Words.String()))
	})
	return w.out, nil
}

// worthwhile is the least that a way must gain to be told, m² · weeks.
const worthwhile = 0.5

// trial is a remedy to be tried, and the planting that is to find ground by it; empty: none
// in particular.
type trial struct {
	plan.Remedy
	places string
}

// try puts a change among those to be tried.
func (w *shortage) try(what say.Fact, c plan.Change) {
	w.trials = append(w.trials, trial{Remedy: plan.Remedy{Words: say.That(what), Change: c}})
}

// workers is how many pieces of work run at once.
const workers = 2

// inTurns does n pieces of work, several at once, until the context ends, and tells how many
// are done.
func inTurns(ctx context.Context, n int, tried Tried, work func(i int)) {
	var next atomic.Int64
	var all sync.WaitGroup
	var mu sync.Mutex
	done := 0
	for range workers {
		all.Go(func() {
			for {
				i := int(next.Add(1)) - 1
				if i >= n || ctx.Err() != nil {
					return
				}
				work(i)
				mu.Lock()
				if done++; tried != nil {
					tried(done, n)
				}
				mu.Unlock()
			}
		})
	}
	all.Wait()
}

// runTrials tries the changes gathered so far, several at once, and keeps those that help, in
// the order in which they were gathered.
func (w *shortage) runTrials() {
	helps := make([]bool, len(w.trials))
	inTurns(w.ctx, len(w.trials), w.tried, func(i int) { helps[i] = w.run(&w.trials[i]) })
	for i, t := range w.trials {
		if helps[i] {
			w.out = append(w.out, t.Remedy)
		}
	}
	w.trials = nil
}

// run computes the plan and the layout of a changed household, and reports whether the change
// helps.
func (w *shortage) run(t *trial) bool {
	in, p, err := w.in.Changed(t.Change)
	if err != nil {
		return false // the book or the household does not allow it
	}
	fit, err := InputOf(in, p)
	if err != nil {
		return false
	}
	l, less := Fit(fit), t.Less
	t.Effect = plan.Between(&w.plan, &p)
	if fed := FedBy(p, l); fed != nil && w.fed != nil { // what truly comes of it: with its ground
		t.Fed, t.Jars = fed.WeeksFed-w.fed.WeeksFed, fed.Jars-w.fed.Jars
	}
	t.Less, t.Short, t.Gains = less, l.Short, w.layout.Short-l.Short
	unplaced := t.places != "" && slices.ContainsFunc(l.Unplaced, func(x Unplaced) bool { return x.Planting == t.places })
	return t.Gains >= worthwhile && !unplaced
}

// mostWishes is for how many wishes at most something is tried.
const mostWishes = 4

// wishes tries less, and closer, of what has no ground, and doing without what is
// only nice to have.
func (w *shortage) wishes() {
	need := map[string]float64{}
	for _, l := range w.layout.Unplaced {
		if s := w.plan.Sowing(l.Planting); s != nil {
			for _, f := range s.For {
				need[f.Wish] += l.Need
			}
		}
	}
	h := w.in.Household
	order := []int{}
	for i := range h.Wishes {
		order = append(order, i)
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(need[h.Wishes[b].ID], need[h.Wishes[a].ID]) })
	put := func(i int, what say.Fact, less bool, change func(*wish.Wish)) {
		wish := h.Wishes[i]
		wish.Fill()
		change(&wish)
		w.try(say.OfWish{Wish: w.plan.Wishes[i].Title, What: what}, plan.Change{Command: plan.ChangeWish, Wish: &wish})
		w.trials[len(w.trials)-1].Less = less
	}
	for _, i := range order[:min(mostWishes, len(order))] {
		mine := h.Wishes[i]
		if need[mine.ID] == 0 {
			break
		}
		if fewer, what := less(mine, w.plan.Wishes[i]); fewer > 0 && mine.Story == nil {
			put(i, what, true, func(x *wish.Wish) { x.Amount.Number = fewer })
		}
		if mine.Layout != wish.Block && mine.Layout != wish.Plot {
			put(i, say.CloserTogether, false, func(x *wish.Wish) { x.Layout = wish.Block })
		}
	}
	nice := 0
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(w.plan.Wishes[b].Area, w.plan.Wishes[a].Area) })
	for _, i := range order {
		mine := h.Wishes[i]
		if mine.Priority != wish.NiceToHave || w.plan.Wishes[i].Area == 0 || nice == mostWishes {
			continue
		}
		nice++
		w.try(say.DoWithout{Wish: w.plan.Wishes[i].Title}, plan.Change{Command: plan.RemoveWish, Target: mine.ID})
		w.trials[len(w.trials)-1].Less = true
	}
}

// less returns a smaller amount of a wish, with its words: a full load of jars
// less, or a quarter less.
func less(w wish.Wish, p plan.Wish) (number float64, what say.Fact) {
	n := w.Amount.Number
	kind := w.Amount.Kind
	switch {
	case p.Load != nil && p.Load.Jars > 0 && p.Load.Below > p.Load.Jars:
		number = float64(p.Load.Below)
		if number >= n {
			number -= float64(p.Load.Jars)
		}
	case kind.Counts(wish.CountsMeals), n < 4:
		number = math.Round(n*0.75*4) / 4
	default:
		number = math.Round(n * 0.75)
	}
	if number <= 0 || number >= n {
		return 0, nil
	}
	if kind.Unit().Converts() {
		return number, say.AQuarterLess
	}
	return number, say.Less{To: number, Words: kind.Words(), Of: n}
}

// keep tries other customs.
func (w *shortage) keep(what say.Fact, u bed.Customs) {
	w.try(what, plan.Change{Command: plan.SetCustoms, Customs: &u})
}

// bend tries not to keep the rotation of the families that have no ground.
func (w *shortage) bend() {
	var seen []string
	for _, l := range w.layout.Unplaced {
		s := w.plan.Sowing(l.Planting)
		if s == nil {
			continue
		}
		crop := w.book.Crop(s.Crop)
		family := crop.Family
		if slices.Contains(seen, family) || slices.Contains(w.fit.Exceptions, family) {
			continue
		}
		seen = append(seen, family)
		u := customsOf(w.in)
		u.Exceptions = append(u.Exceptions, family)
		w.keep(say.BendRotation{Family: crop.FamilyName}, u)
	}
}

// pairs tries the interplantings of the book that the household does not admit and
// that could come together in its plan.
func (w *shortage) pairs() {
	u := customsOf(w.in)
	grown := func(id string) bool {
		return slices.ContainsFunc(w.fit.Plantings, func(p Planting) bool { return is(p.Crop, id) })
	}
	all := customsOf(w.in)
	for _, p := range w.book.Pairings {
		if slices.Contains(u.Pairs, p.ID) || !grown(p.Long) || !grown(p.Short) {
			continue
		}
		left := slices.ContainsFunc(w.layout.Unplaced, func(l Unplaced) bool {
			s := w.plan.Sowing(l.Planting)
			return s != nil && is(w.book.Crop(s.Crop), p.Short)
		})
		all.Pairs = append(all.Pairs, p.ID)
		if left {
			one := customsOf(w.in)
			one.Pairs = append(one.Pairs, p.ID)
			w.keep(say.StandBetween{Short: w.book.Crop(p.Short).Short(), Long: w.book.Crop(p.Long).Short()}, one)
		}
	}
	if n := len(all.Pairs) - len(u.Pairs); n > 1 {
		w.keep(say.AdmitPairs{Pairs: n}, all)
	}
}

// sooner tries to clear and refill a bed in fewer days.
func (w *shortage) sooner() {
	_, rules, _, err := w.in.Household.Book(book.Usual())
	if err != nil || rules.ClearDays <= 2 {
		return
	}
	o := book.Overrule{Subject: "household", Field: "clear_days", Value: math.Floor(rules.ClearDays / 2)}
	w.try(say.ClearSooner{Days: o.Value, Of: rules.ClearDays}, plan.Change{Command: plan.SetRule, Overrule: &o})
}

// How many sowings are tried on a later day, and how much later at most.
const (
	mostLater = 3
	latest    = 45
)

// later tries to begin what has no ground when ground falls free.
func (w *shortage) later() {
	f := newLaying(newSite(w.fit))
	f.layAs(w.layout, func(Piece) bool { return true })
	left := slices.Clone(w.layout.Unplaced)
	slices.SortStableFunc(left, func(a, b Unplaced) int { return cmp.Compare(b.Need, a.Need) })
	tried := 0
	for _, l := range left {
		s, i := w.plan.Sowing(l.Planting), f.planting(l.Planting)
		if s == nil || s.Begun || s.Method == season.Patch || tried == mostLater {
			continue
		}
		by, k := f.firstLater(i)
		if by == 0 {
			continue
		}
		tried++
		e := plan.Event{Sowing: s.ID, What: "set", Day: s.Date + civil.Date(by)}
		out, err := plan.Log(w.in, e)
		if err != nil || out.Planting == nil {
			continue
		}
		later := say.BeginLater{Crop: s.CropName, Of: s.Date, Begin: e.Day, Bed: f.in.Beds[k].Name}
		w.try(later, plan.Change{Command: plan.LogEvent, Event: &e})
		w.trials[len(w.trials)-1].places = out.Planting.ID
	}
}

// firstLater returns by how many days later a planting would first find ground, and
// in which bed; 0 where it would not.
func (f *laying) firstLater(i int) (by, bed int) {
	p := &f.in.Plantings[i]
	for d := civil.Date(3); d <= latest; d += 3 {
		for k := range f.in.Beds {
			if !f.may[i][k] {
				continue
			}
			for _, g := range f.gaps(i, k, p.From+d, p.To+d, nil) {
				if g.length >= f.whole[i][k] {
					return int(d), k
				}
			}
		}
	}
	return 0, 0
}
