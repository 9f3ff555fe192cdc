package yearend_test

import (
	"bytes"
	"fmt"
	"math"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
	"inventory/internal/core/yearend"
	"inventory/internal/exchange"
)

func meals(n float64) wish.Wish {
	w := wish.Wish{ID: "w", Food: "carrot", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: n}}
	w.Fill()
	return w
}

// Two meals a week were wished, 83 of a hundred were eaten, yours give nine tenths of the book, and 26 of
// 30 weeks were fed in an ordinary year: a meal and three quarters a week, and surer.
func ExamplePropose() {
	p := yearend.Propose(meals(2), 0, yearend.Facts{Appetite: 0.83, Weeks: 30, Own: 0.9, Plantings: 5, Fed: 26, Wanted: 30, Fair: true, Came: 0.85})
	fmt.Printf("%g meals a week, enough in %g years of 10\n", p.Wish.Amount.Number, 10**p.Wish.Confidence)
	for _, why := range p.Why {
		fmt.Println(why)
	}
	// Output:
	// 1.75 meals a week, enough in 7 years of 10
	// You ate 17 % less than you wanted (30 weeks are recorded).
	// It fed 26 of 30 weeks, and the year was no poor one: plan it so that it is enough in 7 years of 10.
	// It is grown by what yours give: 90 % of the book (5 plantings).
}

func TestWhatIsProposed(t *testing.T) {
	jars := wish.Wish{ID: "j", Food: "tomato", Forms: []wish.Form{wish.Canned}, Preparations: []string{"tomato-sauce-thick"}, Amount: wish.Amount{Kind: wish.Jars, Number: 35}}
	jars.Fill()
	sure := meals(2)
	most := 0.9
	sure.Confidence = &most
	well := yearend.Facts{Appetite: 1, Weeks: 40, Fed: 52, Wanted: 52, Fair: true, Came: 1}
	with := func(change func(*yearend.Facts)) yearend.Facts {
		f := well
		change(&f)
		return f
	}
	for _, c := range []struct {
		name   string
		w      wish.Wish
		f      yearend.Facts
		number float64
		drop   bool
		conf   float64 // -1: as it was
	}{
		{"as it was", meals(2), well, 2, false, -1},
		{"more was eaten", meals(2), with(func(f *yearend.Facts) { f.Appetite = 1.3 }), 2.5, false, -1},
		{"too little is known of it", meals(2), with(func(f *yearend.Facts) { f.Appetite, f.Weeks = 0.5, 3 }), 2, false, -1},
		{"hardly any away", meals(2), with(func(f *yearend.Facts) { f.Appetite = 0.97 }), 2, false, -1},
		{"whole jars", jars, with(func(f *yearend.Facts) { f.Appetite = 0.81 }), 28, false, -1},
		{"the shelf will do", jars, with(func(f *yearend.Facts) { f.Appetite, f.Remainder = 0.4, 15 }), 14, true, -1},
		{"the shelf will not quite do", jars, with(func(f *yearend.Facts) { f.Appetite, f.Remainder = 0.4, 13 }), 14, false, -1},
		{"it failed in a poor year", meals(2), with(func(f *yearend.Facts) { f.Fed, f.Came, f.Fair = 40, 0.6, false }), 2, false, -1},
		{"it failed in a fair year", meals(2), with(func(f *yearend.Facts) { f.Fed, f.Came = 40, 0.6 }), 2, false, 0.7},
		{"gaps were planned, and what was planned came in", meals(2), with(func(f *yearend.Facts) { f.Fed = 40 }), 2, false, -1},
		{"it ran out, people said", meals(2), with(func(f *yearend.Facts) { f.Weeks, f.Said = 0, record.SaidRanOut }), 2.5, false, -1},
		{"it was too much, people said", jars, with(func(f *yearend.Facts) { f.Weeks, f.Said = 0, record.SaidTooMuch }), 26, false, -1},
		{"what was eaten goes before what was said", meals(2), with(func(f *yearend.Facts) { f.Appetite, f.Said = 1.3, record.SaidTooMuch }), 2.5, false, -1},
		{"nobody eats it", meals(2), with(func(f *yearend.Facts) { f.Appetite, f.Said = 1.3, record.SaidNobody }), 2, true, -1},
		{"it is as sure as it can be", sure, with(func(f *yearend.Facts) { f.Fed, f.Came = 40, 0.6 }), 2, false, 0.9},
	} {
		p := yearend.Propose(c.w, 0, c.f)
		conf := -1.0
		if p.Wish.Confidence != nil {
			conf = *p.Wish.Confidence
		}
		if p.Wish.Amount.Number != c.number || p.Drop != c.drop || conf != c.conf {
			t.Errorf("%s: %g, dropped %v, %g; want %g, %v, %g", c.name, p.Wish.Amount.Number, p.Drop, conf, c.number, c.drop, c.conf)
		}
		if changed := c.number != c.w.Amount.Number || c.drop || conf != -1 && c.w.Confidence == nil; p.Changed != changed {
			t.Errorf("%s: changed %v", c.name, p.Changed)
		}
	}
	// Jars are planned for seven years of ten where nobody says more: a step surer is eight.
	if p := yearend.Propose(jars, 0.7, with(func(f *yearend.Facts) { f.Fed, f.Came = 40, 0.6 })); p.Wish.Confidence == nil || *p.Wish.Confidence != 0.8 {
		t.Errorf("a step surer than 0.7 is %v", p.Wish.Confidence)
	}
	for k, want := range map[wish.AmountKind]float64{wish.Meals: 2.25, wish.Jars: 2, wish.WeightYear: 2.5} {
		if got := yearend.Rounded(k, 2.3); got != want {
			t.Errorf("2.3 %s are %g, want %g", k, got, want)
		}
	}
}

// lookedAt is the demo's year on a day, with all that its household recorded.
func lookedAt(t *testing.T, day civil.Date) []yearend.Food {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	y, err := demo.TwoYears(h, day)
	if err != nil {
		t.Fatal(err)
	}
	h.Past = y.Past
	in := plan.Input{AsOf: day, Household: h, Memory: &plan.Memory{}}
	begun, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 4, 28), Household: h})
	if err != nil {
		t.Fatal(err)
	}
	if in, _, err = in.Logged(demo.Begun(begun)); err != nil {
		t.Fatal(err)
	}
	entries := map[string]*record.Entry{}
	this, err := demo.ThisYear(in)
	if err != nil {
		t.Fatal(err)
	}
	for i, e := range append(y.Entries, this...) {
		e.ID = fmt.Sprint("e", i)
		entries[e.ID] = &e
	}
	rec := (&record.Record{}).Changed(entries)
	l, in, err := plan.Learned(in, rec)
	if err != nil {
		t.Fatal(err)
	}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	foods, err := yearend.Look(yearend.Now{Input: in, Plan: p, Learned: l, Record: rec, Lots: y.Lots})
	if err != nil {
		t.Fatal(err)
	}
	return foods
}

// Every wish that is eaten stands in the year once; what came in of a food is shared among its wishes, and
// nothing of it twice.
func TestTheYearOfTheDemo(t *testing.T) {
	foods := lookedAt(t, civil.Of(2027, 11, 20))
	rows, came, proposed := 0, 0, 0
	for _, f := range foods {
		sum := 0.0
		for _, r := range f.Wishes {
			rows++
			if r.HarvestUnit == "kg" {
				sum += r.Came
			}
			if r.Came > 0 {
				came++
			}
			if r.Proposal.Changed {
				proposed++
				if len(r.Proposal.Why) == 0 {
					t.Errorf("%s is proposed otherwise without a reason", r.Title)
				}
			}
			if r.Planned < 0 || math.IsNaN(r.Came) || r.Appetite <= 0 || r.WeeksFed > r.WeeksWanted || r.Left < 0 {
				t.Errorf("%s: %+v", r.Title, r)
			}
		}
		if sum > float64(f.CameIn)/1000+0.01 {
			t.Errorf("%s: %.2f kg are shared out of %.2f", f.Food, sum, float64(f.CameIn)/1000)
		}
	}
	if rows < 25 || came < 15 {
		t.Errorf("%d wishes, of %d something came in, %d are proposed otherwise", rows, came, proposed)
	}
	for _, f := range foods {
		for _, r := range f.Wishes {
			if strings.Contains(r.Title, "Tomato sauce") && r.Weeks < 4 {
				t.Errorf("of the sauce, which is taken from the shelf all winter, %g weeks are known", r.Weeks)
			}
		}
	}
}

// The years stand side by side: what came in, what was put up, each crop and each bed through them. What
// came in of the crops adds up to what came in in all.
func TestTheYearsSideBySide(t *testing.T) {
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	day := civil.Of(2027, 4, 21)
	y, err := demo.TwoYears(h, day)
	if err != nil {
		t.Fatal(err)
	}
	h.Past = y.Past
	warm := 25.0
	for d := civil.Of(2026, 5, 1); d < civil.Of(2026, 8, 1); d++ {
		h.Weather = append(h.Weather, place.Day{Date: d, Max: warm, Min: warm})
	}
	entries := map[string]*record.Entry{}
	for i := range y.Entries {
		entries[y.Entries[i].ID] = &y.Entries[i]
	}
	s, err := yearend.SideBySide(plan.Input{AsOf: day, Household: h}, (&record.Record{}).Changed(entries))
	if err != nil {
		t.Fatal(err)
	}
	if len(s.Years) < 2 || s.Years[len(s.Years)-1].Year != 2026 {
		t.Fatalf("%+v", s.Years)
	}
	last, before := s.Years[len(s.Years)-1], s.Years[len(s.Years)-2]
	if last.Kg >= before.Kg || last.Kg < 0.5*before.Kg || last.Jars <= 0 || last.Expected <= 0 || last.Area != 360 {
		t.Errorf("2025 gave %.0f kg, the poor 2026 %.0f of %.0f; %.0f jars, %.0f m²", before.Kg, last.Kg, last.Expected, last.Jars, last.Area)
	}
	if last.Warmer == nil || *last.Warmer < 3 || before.Warmer != nil {
		t.Errorf("2026, of which a hot summer is recorded, was warmer by %v, 2025 by %v", last.Warmer, before.Warmer)
	}
	sum := map[int]float64{}
	for _, c := range s.Crops {
		for _, x := range c.Years {
			sum[x.Year] += x.Kg
			if x.Kg > 0 && (x.First == nil || x.Last == nil || *x.Last < *x.First) {
				t.Errorf("%s %d was picked from %v to %v", c.Name, x.Year, x.First, x.Last)
			}
		}
	}
	for _, one := range s.Years {
		if math.Abs(sum[one.Year]-one.Kg) > 0.01 {
			t.Errorf("%d: the crops gave %.2f kg, in all it was %.2f", one.Year, sum[one.Year], one.Kg)
		}
	}
	if len(s.Beds) < 8 || len(s.Beds[0].Years) == 0 || s.Beds[0].Years[0].Kg <= 0 || len(s.Beds[0].Years[0].Crops) == 0 {
		t.Errorf("%d beds: %+v", len(s.Beds), s.Beds[0])
	}
}
