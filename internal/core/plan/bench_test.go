package plan_test

import (
	"bytes"
	"fmt"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
	"inventory/internal/exchange"
)

func demoInput(tb testing.TB) plan.Input {
	tb.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		tb.Fatal(err)
	}
	return plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h}
}

// The demo shows every amount kind, and all its workings add up.
func TestTheDemoHousehold(t *testing.T) {
	in := demoInput(t)
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if len(p.Wishes) < 16 {
		t.Errorf("%d wishes, want at least sixteen", len(p.Wishes))
	}
	kinds, forms := map[wish.AmountKind]bool{}, map[wish.Form]bool{}
	for _, w := range in.Household.Wishes {
		kinds[w.Amount.Kind] = true
		for _, f := range w.Forms {
			forms[f] = true
		}
	}
	if len(kinds) != 10 {
		t.Errorf("the demo has %d of the 10 amount kinds: %v", len(kinds), kinds)
	}
	for _, f := range wish.Forms {
		if !forms[f] {
			t.Errorf("no wish of the demo is %s", f)
		}
	}
	all, err := plan.Workings(in)
	if err != nil {
		t.Fatal(err)
	}
	for _, w := range all {
		if d := w.Check(); d > 1e-9 {
			t.Errorf("%s is off by %g", w.Figure, d)
		}
	}
}

func BenchmarkComputeDemo(b *testing.B) {
	in := demoInput(b)
	for b.Loop() {
		if _, err := plan.Compute(in); err != nil {
			b.Fatal(err)
		}
	}
}

// An edit's plan: the place and the book's crops are as they were.
func BenchmarkComputeAgain(b *testing.B) {
	in := demoInput(b)
	in.Memory = &plan.Memory{}
	for b.Loop() {
		if _, err := plan.Compute(in); err != nil {
			b.Fatal(err)
		}
	}
}

// As the application does it at an edit: the household was checked when the edit was stored.
func BenchmarkComputeFitted(b *testing.B) {
	in := demoInput(b)
	in.Memory = &plan.Memory{}
	in, err := in.Fitted()
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, err := plan.ComputeFitted(in); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkComputeTenHouseholds(b *testing.B) {
	in := demoInput(b)
	wishes := in.Household.Wishes
	in.Household.Wishes = nil
	for i := range 10 {
		for _, w := range wishes {
			w.ID = fmt.Sprintf("h%d-%s", i, w.ID)
			in.Household.Wishes = append(in.Household.Wishes, w)
		}
	}
	for b.Loop() {
		if _, err := plan.Compute(in); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkExplain(b *testing.B) {
	in := demoInput(b)
	for b.Loop() {
		if _, err := plan.Explain(in, "tally/area"); err != nil {
			b.Fatal(err)
		}
	}
}

// In July with nothing put down the first half of the plan is made twice.
func BenchmarkComputeInJuly(b *testing.B) {
	in := demoInput(b)
	in.AsOf, in.Memory = civil.Of(2027, 7, 15), &plan.Memory{}
	for b.Loop() {
		if _, err := plan.Compute(in); err != nil {
			b.Fatal(err)
		}
	}
}
