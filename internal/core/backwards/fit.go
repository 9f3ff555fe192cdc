// Package backwards goes from what there is to the most that it can give. FitWishes says what
// of a household's wishes to grow so that all of it has ground: rows says what the wishes take
// of it, simplex finds the best shares, and every proposal is reckoned and laid out anew
// before it is made. The same input gives the same proposal, to the byte.
package backwards

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"sync"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
)

// Kept says what becomes of a wish.
type Kept string

// What becomes of the wishes of a proposal.
const (
	Whole   Kept = "whole"
	Cut     Kept = "cut"
	LeftOut Kept = "left-out"
)

// Line is what a proposal makes of one wish.
type Line struct {
	Wish  string          `json:"wish"`
	Title string          `json:"title"`
	Kept  Kept            `json:"kept"`
	Kind  wish.AmountKind `json:"kind"`
	Unit  amount.Unit     `json:"unit"` // of Was and Is
	Was   float64         `json:"was"`
	Is    float64         `json:"is"`
	Area  float64         `json:"area"` // m² of its sowings as it is wished now
}

// Grown is what has ground.
type Grown struct {
	WeeksFed int `json:"weeks_fed"`
	Jars     int `json:"jars"`
}

// Span is a run of weeks, its last day included.
type Span struct {
	From civil.Date `json:"from"`
	To   civil.Date `json:"to"`
}

// Proposal is what to grow so that all of it has ground.
type Proposal struct {
	Change plan.Change `json:"change"`
	Lines  []Line      `json:"lines"` // of all wishes, in the family's order
	Before Grown       `json:"before"`
	After  Grown       `json:"after"`
	Full   []Span      `json:"full"` // when the beds are full, so that something had to give way
}

// How the search goes: how often the shares are solved again with less ground counted on in
// the weeks in which something found none, by how much less, and how many wishes that are not
// whole are tried larger.
const (
	mostTries  = 12
	lessGround = 0.97
	mostFills  = 14
)

// search is the search for a proposal.
type search struct {
	ctx    context.Context
	in     plan.Input
	plan   plan.Plan
	rows   rows
	before Grown
	full   []float64 // of each week, the price of its ground at the last solution
}

// attempt is a set of wishes with what comes of them.
type attempt struct {
	share  []float64 // of each wish, 0 to 1
	change plan.Change
	grown  Grown
	value  float64 // what it is worth
	lacks  []ground.Unplaced
	plan   plan.Plan
	bad    bool // it could not be reckoned
}

// FitWishes returns what to grow so that all of it has ground and no fewer weeks are fed than
// are truly fed now; nil where all has ground already or nothing of the kind was found. p, fit
// and l are the plan and the layout as they stand. It ends early, with the context's error,
// where nobody waits any longer.
func FitWishes(ctx context.Context, in plan.Input, p plan.Plan, fit ground.Input, l ground.Layout) (*Proposal, error) {
	fed := ground.FedBy(p, l)
	if fed == nil || len(l.Unplaced) == 0 {
		return nil, nil
	}
	s := &search{ctx: ctx, in: in, plan: p, rows: rowsOf(&p, fit), before: Grown{fed.WeeksFed, fed.Jars}}
	best := s.fill(s.first())
	if err := ctx.Err(); err != nil {
		return nil, err
	}
	if best == nil || best.grown.WeeksFed < s.before.WeeksFed {
		return nil, nil
	}
	return s.proposal(best), nil
}

// first solves for the shares until all that is then grown has ground; nil where it never
// comes to that.
func (s *search) first() *attempt {
	counted := make([]float64, len(s.rows.takes))
	for k := range counted {
		counted[k] = 1
	}
	var last *attempt
	for range mostTries {
		last = s.try(s.solve(counted))
		if last.bad || s.ctx.Err() != nil {
			return nil
		}
		if len(last.lacks) == 0 {
			return last
		}
		for k := range counted {
			if s.lacksIn(last, k) {
				counted[k] *= lessGround
			}
		}
	}
	return s.cut(last)
}

// cut grows less of what found no ground until all has some; nil where it never comes to that.
func (s *search) cut(last *attempt) *attempt {
	for range mostTries {
		share := slices.Clone(last.share)
		for _, q := range last.lacks {
			for _, i := range s.servedBy(last, q.Planting) {
				share[i] = math.Min(share[i], last.share[i]*math.Min(0.9, float64(q.Laid)/float64(max(1, q.Laid+q.Planted))))
			}
		}
		last = s.try(share)
		if last.bad || s.ctx.Err() != nil {
			return nil
		}
		if len(last.lacks) == 0 {
			return last
		}
	}
	return nil
}

// fill tries what is not whole whole, and by half of what it lacks, the most worth for its
// ground first, and keeps what then still has all its ground and feeds no less.
func (s *search) fill(best *attempt) *attempt {
	if best == nil {
		return nil
	}
	for _, i := range s.lackingMost(best) {
		if s.ctx.Err() != nil {
			return nil
		}
		tries := [2]*attempt{}
		var both sync.WaitGroup
		for n, to := range []float64{1, (1 + best.share[i]) / 2} {
			share := slices.Clone(best.share)
			share[i] = to
			both.Go(func() { tries[n] = s.try(share) })
		}
		both.Wait()
		for _, t := range tries {
			if !t.bad && len(t.lacks) == 0 && t.value > best.value && t.grown.WeeksFed >= best.grown.WeeksFed {
				best = t
				break
			}
		}
	}
	return best
}

// lackingMost lists the wishes that are not whole, those first of which a square metre for a
// week is worth most.
func (s *search) lackingMost(a *attempt) (out []int) {
	gain := make([]float64, len(a.share))
	for i := range a.share {
		if a.share[i] >= 1 || s.rows.never[i] {
			continue
		}
		var ground float64
		for k := range s.rows.takes {
			ground += s.rows.takes[k][i]
		}
		gain[i] = worthOf(&s.in.Household.Wishes[i], &s.plan.Wishes[i]) / math.Max(1, ground)
		out = append(out, i)
	}
	slices.SortStableFunc(out, func(a, b int) int { return cmp.Compare(gain[b], gain[a]) })
	return out[:min(mostFills, len(out))]
}

// solve returns the best shares where so much of the ground of each week is counted on. Each
// wish has two columns, of which the second is worth less.
func (s *search) solve(counted []float64) []float64 {
	n := len(s.plan.Wishes)
	p := program{worth: make([]float64, 2*n), most: make([]float64, 2*n)}
	for i := range n {
		worth := worthOf(&s.in.Household.Wishes[i], &s.plan.Wishes[i])
		p.worth[2*i], p.most[2*i] = worth, firstPart
		p.worth[2*i+1], p.most[2*i+1] = worth*lastWorth, lastPart
		if s.rows.never[i] {
			p.most[2*i], p.most[2*i+1] = 0, 0
		}
	}
	for k, takes := range s.rows.takes {
		row := make([]float64, 2*n)
		for i, m2 := range takes {
			row[2*i], row[2*i+1] = m2, m2
		}
		p.takes, p.room = append(p.takes, row), append(p.room, s.rows.room(k, counted[k]))
	}
	found := p.solve()
	s.full = found.price
	share := make([]float64, n)
	for i := range n {
		share[i] = math.Min(1, found.x[2*i]+found.x[2*i+1])
	}
	return share
}

// lacksIn reports whether something that found no ground was to stand in a week.
func (s *search) lacksIn(a *attempt, week int) bool {
	middle := s.rows.first + civil.Date(7*week+3)
	return slices.ContainsFunc(a.lacks, func(q ground.Unplaced) bool {
		x := a.plan.Sowing(q.Planting)
		return x != nil && x.Day <= middle && middle < x.Clear
	})
}

// servedBy lists the wishes that a sowing of an attempt serves and that are not grown by hand.
func (s *search) servedBy(a *attempt, sowing string) (out []int) {
	x := a.plan.Sowing(sowing)
	for i := range s.plan.Wishes {
		if x != nil && slices.ContainsFunc(x.For, func(f plan.Served) bool { return f.Wish == s.plan.Wishes[i].ID }) {
			out = append(out, i)
		}
	}
	return out
}

// try reckons and lays out the wishes with shares of what is wished; each share becomes that
// of the whole batch, quarter meal or piece that it comes to.
func (s *search) try(share []float64) *attempt {
	a := &attempt{share: make([]float64, len(share)), change: plan.Change{Command: plan.PutWishes}}
	for i := range share {
		w, p := s.in.Household.Wishes[i], &s.plan.Wishes[i]
		number := s.numberOf(i, share[i])
		a.share[i] = 1
		switch {
		case number >= p.Number:
		case number <= 0:
			a.share[i] = 0
			a.change.Remove = append(a.change.Remove, w.ID)
		default:
			a.share[i] = number / p.Number
			w.Amount.Number, w.Story = number, nil
			a.change.Wishes = append(a.change.Wishes, w)
		}
		a.value += worthOf(&w, p) * valueOf(a.share[i])
	}
	in, p, l := s.in, s.plan, ground.Layout{}
	var err error
	if len(a.change.Wishes)+len(a.change.Remove) > 0 {
		in, p, err = s.in.Changed(a.change)
	}
	if err == nil {
		var fit ground.Input
		if fit, err = ground.InputOf(in, p); err == nil {
			l = ground.Fit(fit)
		}
	}
	fed := ground.FedBy(p, l)
	if err != nil || fed == nil {
		return &attempt{bad: true}
	}
	a.plan, a.grown = p, Grown{fed.WeeksFed, fed.Jars}
	for _, q := range l.Unplaced { // what stands or is fixed by hand stays as it is
		if x := p.Sowing(q.Planting); x == nil || !x.Begun && !x.Set && !x.Stands {
			a.lacks = append(a.lacks, q)
		}
	}
	return a
}

// numberOf returns a share of the amount of a wish, down to whole loads of jars, quarter
// meals, whole pieces and plants, and tenths of anything else.
func (s *search) numberOf(i int, share float64) float64 {
	w, p := &s.in.Household.Wishes[i], &s.plan.Wishes[i]
	if share >= 1-1e-9 {
		return p.Number
	}
	step := 0.1
	switch kind := w.Amount.Kind; {
	case p.Load != nil && p.Load.Jars > 0:
		step = float64(p.Load.Jars)
	case kind.Counts(wish.CountsMeals):
		step = 0.25
	case kind.Counts(wish.CountsPieces), kind == wish.Plants, kind.Unit() == amount.Jar:
		step = 1
	}
	return math.Round(math.Floor(p.Number*share/step+1e-9)*step*1000) / 1000
}

// proposal tells an attempt.
func (s *search) proposal(a *attempt) *Proposal {
	out := &Proposal{Change: a.change, Before: s.before, After: a.grown, Lines: []Line{}, Full: []Span{}}
	for i := range s.plan.Wishes {
		w, p := &s.in.Household.Wishes[i], &s.plan.Wishes[i]
		x := Line{Wish: p.ID, Title: p.Title, Kept: Whole, Kind: w.Amount.Kind, Unit: p.Unit, Was: p.Number, Is: p.Number, Area: p.Area}
		switch {
		case a.share[i] == 0:
			x.Kept, x.Is = LeftOut, 0
		case a.share[i] < 1:
			x.Kept = Cut
			x.Is = a.change.Wishes[slices.IndexFunc(a.change.Wishes, func(y wish.Wish) bool { return y.ID == w.ID })].Amount.Number
		}
		out.Lines = append(out.Lines, x)
	}
	for k, price := range s.full {
		if price <= 0 {
			continue
		}
		from := s.rows.first + civil.Date(7*k)
		if n := len(out.Full) - 1; n >= 0 && out.Full[n].To+1 >= from-21 { // a gap of three weeks is no rest
			out.Full[n].To = from + 6
			continue
		}
		out.Full = append(out.Full, Span{from, from + 6})
	}
	return out
}

// String tells a proposal in one line a wish, for tests and examples.
func (p *Proposal) String() string {
	var b strings.Builder
	fmt.Fprintf(&b, "%d weeks and %d jars, before %d and %d\n", p.After.WeeksFed, p.After.Jars, p.Before.WeeksFed, p.Before.Jars)
	for _, x := range p.Lines {
		if x.Kept != Whole {
			fmt.Fprintf(&b, "%s: %s, %g of %g\n", x.Title, x.Kept, x.Is, x.Was)
		}
	}
	return b.String()
}
