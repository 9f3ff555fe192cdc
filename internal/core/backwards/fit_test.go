package backwards_test

import (
	"bytes"
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"reflect"
	"runtime"
	"slices"
	"testing"

	"inventory/demo"
	"inventory/internal/core/backwards"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
	"inventory/internal/exchange"
)

// garden is the demo household in January, changed.
type garden struct {
	in     plan.Input
	plan   plan.Plan
	fit    ground.Input
	layout ground.Layout
}

func mill(t testing.TB, change func(*household.Household)) garden {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	if change != nil {
		change(&h)
	}
	g := garden{in: plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h, Memory: &plan.Memory{}}}
	if g.plan, g.fit, g.layout, err = ground.Of(g.in); err != nil {
		t.Fatal(err)
	}
	return g
}

func (g garden) fitted(t testing.TB) *backwards.Proposal {
	t.Helper()
	p, err := backwards.FitWishes(context.Background(), g.in, g.plan, g.fit, g.layout)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// holds takes a proposal and checks what it promises: all has ground, as many weeks are fed
// as it says and no fewer than before, and what is cut is a whole batch less than was wished.
func (g garden) holds(t *testing.T, name string, p *backwards.Proposal) {
	t.Helper()
	in, err := g.in.With(p.Change)
	if err != nil {
		t.Fatal(err)
	}
	after, _, l, err := ground.Of(in)
	if err != nil {
		t.Fatal(err)
	}
	fed, before := ground.FedBy(after, l), ground.FedBy(g.plan, g.layout)
	for _, q := range l.Unplaced {
		if x := after.Sowings[slices.IndexFunc(after.Sowings, func(x plan.Sowing) bool { return x.ID == q.Planting })]; !x.Begun && !x.Set && !x.Stands {
			t.Errorf("%s: %s has no ground", name, x.CropName)
		}
	}
	if fed.WeeksFed != p.After.WeeksFed || fed.Jars != p.After.Jars || before.WeeksFed != p.Before.WeeksFed || p.After.WeeksFed < p.Before.WeeksFed {
		t.Errorf("%s: %+v is told, %d weeks and %d jars come of it, before %d", name, p, fed.WeeksFed, fed.Jars, before.WeeksFed)
	}
	if len(p.Lines) != len(g.in.Household.Wishes) {
		t.Fatalf("%s: %d lines of %d wishes", name, len(p.Lines), len(g.in.Household.Wishes))
	}
	for i, x := range p.Lines {
		w := g.in.Household.Wishes[i]
		now := slices.IndexFunc(in.Household.Wishes, func(y wish.Wish) bool { return y.ID == w.ID })
		switch {
		case x.Wish != w.ID, x.Kept == backwards.Whole != (x.Is == x.Was), x.Kept == backwards.LeftOut != (now < 0), x.Is > x.Was:
			t.Errorf("%s: %+v", name, x)
		case x.Kept == backwards.Cut && in.Household.Wishes[now].Amount.Number != x.Is:
			t.Errorf("%s: %s is %g, said %g", name, x.Title, in.Household.Wishes[now].Amount.Number, x.Is)
		}
		if load := g.plan.Wishes[i].Load; x.Kept == backwards.Cut && load != nil && math.Mod(x.Is, float64(load.Jars)) != 0 {
			t.Errorf("%s: %g jars are no whole loads of %d", name, x.Is, load.Jars)
		}
		if x.Kept == backwards.Cut && w.Amount.Kind == wish.Meals && math.Mod(x.Is, 0.25) != 0 {
			t.Errorf("%s: %g meals are no quarters", name, x.Is)
		}
	}
}

// The demo household with all its beds and with fewer: at least so many weeks are fed, and no
// must is left out before what is only nice to have.
func TestTheWishesOfTheDemoAreFittedToItsBeds(t *testing.T) {
	for beds, least := range map[int]int{11: 1090, 8: 990, 6: 800, 4: 530} {
		g := mill(t, func(h *household.Household) { h.Beds = h.Beds[:beds] })
		p := g.fitted(t)
		if p == nil {
			t.Fatalf("%d beds: no proposal", beds)
		}
		g.holds(t, "the demo", p)
		if p.After.WeeksFed < least {
			t.Errorf("%d beds feed %d weeks, want %d\n%s", beds, p.After.WeeksFed, least, p)
		}
		if len(p.Full) == 0 {
			t.Errorf("%d beds: it is not said when they are full", beds)
		}
		for i, x := range p.Lines {
			if g.in.Household.Wishes[i].Priority == wish.MustHave && x.Kept != backwards.Whole {
				t.Errorf("%d beds: the must %s is %s", beds, x.Title, x.Kept)
			}
		}
	}
}

// Gardens made of some of the demo's beds and wishes, with other priorities.
func TestFittedWishesAlwaysHaveGround(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 14))
	proposals := 0
	for n := range 6 {
		g := mill(t, func(h *household.Household) {
			r.Shuffle(len(h.Beds), func(a, b int) { h.Beds[a], h.Beds[b] = h.Beds[b], h.Beds[a] })
			h.Beds = h.Beds[:2+r.IntN(5)]
			h.Wishes = slices.DeleteFunc(h.Wishes, func(wish.Wish) bool { return r.IntN(3) == 0 })
			for i := range h.Wishes {
				h.Wishes[i].Priority = []wish.Priority{wish.MustHave, wish.WouldLike, wish.NiceToHave}[r.IntN(3)]
			}
			h.Placements, h.Baseline = nil, nil
		})
		if p := g.fitted(t); p != nil {
			proposals++
			g.holds(t, string(rune('a'+n)), p)
		} else if len(g.layout.Unplaced) > 0 {
			t.Logf("%c: nothing found for %d sowings without ground", 'a'+n, len(g.layout.Unplaced))
		}
	}
	if proposals < 4 {
		t.Errorf("only %d of 6 gardens have a proposal", proposals)
	}
}

// One core and two give the same proposal.
func TestFittedWishesAreTheSameOnOneCore(t *testing.T) {
	g := mill(t, func(h *household.Household) { h.Beds = h.Beds[:6] })
	two := g.fitted(t)
	cores := runtime.GOMAXPROCS(1)
	defer runtime.GOMAXPROCS(cores)
	if one := g.fitted(t); !reflect.DeepEqual(one, two) {
		t.Errorf("on one core %s\non two %s", one, two)
	}
}

func TestNothingIsFittedWhereAllHasGround(t *testing.T) {
	for name, change := range map[string]func(*household.Household){
		"few wishes": func(h *household.Household) { h.Wishes = h.Wishes[:3] },
		"no bed":     func(h *household.Household) { h.Beds, h.Placements = nil, nil },
	} {
		if p := mill(t, change).fitted(t); p != nil {
			t.Errorf("%s: %s", name, p)
		}
	}
}

func TestFittingEndsWhenNobodyWaits(t *testing.T) {
	g := mill(t, nil)
	ctx, end := context.WithCancel(context.Background())
	end()
	if _, err := backwards.FitWishes(ctx, g.in, g.plan, g.fit, g.layout); !errors.Is(err, context.Canceled) {
		t.Error(err)
	}
}

func BenchmarkFitWishes(b *testing.B) {
	g := mill(b, func(h *household.Household) { h.Beds = h.Beds[:4] })
	for b.Loop() {
		g.fitted(b)
	}
}
