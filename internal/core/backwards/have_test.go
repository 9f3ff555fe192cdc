package backwards_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"inventory/internal/core/backwards"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// from asks about one thing at hand on a day and returns the first answer.
func (g garden) from(t *testing.T, day civil.Date, x backwards.Have) backwards.Gives {
	t.Helper()
	g.in.AsOf = day
	got, err := backwards.From(g.in, g.plan, []backwards.Have{x})
	if err != nil || len(got) == 0 {
		t.Fatalf("%+v: %v, %v", x, got, err)
	}
	return got[0]
}

// Plants at hand are reckoned by hand: of 24 young plants 95 in 100 stand; of a packet two seeds
// go into a cell, of which the best are kept and set out; tubers by their weight; a row by the
// spacing in it.
func TestPlantsOfWhatIsAtHand(t *testing.T) {
	g, april := mill(t, nil), civil.Of(2027, 4, 21)
	crop := func(id string) *book.Crop { return book.Usual().Crop(id) }
	kale, potato, bean := crop("kale"), crop("potato-early"), crop("bush-bean")
	inCells := 50 * (1 - math.Pow(1-kale.Germination.Value, 2)) * 0.95 * 0.95
	for _, c := range []struct {
		have backwards.Have
		want float64
	}{
		{backwards.Have{What: backwards.Plants, Crop: "tomato-paste", Number: 24}, 24 * 0.95},
		{backwards.Have{What: backwards.Seeds, Crop: "kale", Number: 100}, inCells},
		{backwards.Have{What: backwards.Stock, Crop: "potato-early", Number: 2.3}, math.Floor(2300/potato.StockGram.Value) * potato.Survive},
		{backwards.Have{What: backwards.Row, Crop: "bush-bean", Number: 10}, 10 / (bean.InRow.Value / 100)},
	} {
		if got := g.from(t, april, c.have); got.Plants != int(c.want+1e-9) {
			t.Errorf("%+v: %d plants, want %g", c.have, got.Plants, c.want)
		}
	}
	// A bed of 8 by 4 ft with a margin of 10 cm holds three rows of beans 45 cm apart.
	bed := g.from(t, april, backwards.Have{What: backwards.Ground, Crop: "bush-bean", Number: 2.4384, Width: 1.2192})
	if want := 3 * int(2.4384/(bean.InRow.Value/100)); bed.Plants != want || math.Abs(bed.Area-2.4384*1.2192) > 0.15 {
		t.Errorf("%d plants on %g m², want %d on 2.97", bed.Plants, bed.Area, want)
	}
}

// A grower with 24 paste tomato plants in April sets them out in mid May and picks from August;
// in mid July it is too late for them, and the next year is told.
func TestTooLateIsSaid(t *testing.T) {
	g := mill(t, nil)
	have := backwards.Have{What: backwards.Plants, Crop: "tomato-paste", Number: 24}
	spring := g.from(t, civil.Of(2027, 4, 21), have)
	if spring.Again != nil || spring.Begin < civil.Of(2027, 5, 1) || spring.Begin > civil.Of(2027, 5, 31) || spring.First < civil.Of(2027, 7, 20) || spring.First > civil.Of(2027, 9, 1) {
		t.Errorf("in April: set out %v, picked from %v", spring.Begin, spring.First)
	}
	if spring.InTime == nil || *spring.InTime < 0.95 {
		t.Errorf("in time with the chance %v", spring.InTime)
	}
	summer := g.from(t, civil.Of(2027, 7, 15), have)
	if summer.Again == nil || *summer.Again < civil.Of(2028, 4, 1) || summer.Begin < *summer.Again || summer.Gaps != 0 {
		t.Errorf("in July: %+v", summer)
	}
}

// Later in summer the same beans are less surely ready before the frost.
func TestTheChanceBeforeTheFrostFalls(t *testing.T) {
	g := mill(t, nil)
	last := 1.1
	fell := 0
	for day := civil.Of(2027, 5, 20); day <= civil.Of(2027, 8, 20); day += 10 {
		got := g.from(t, day, backwards.Have{What: backwards.Row, Crop: "bush-bean", Number: 10})
		if got.Again != nil {
			break
		}
		if got.InTime == nil || *got.InTime > last+1e-9 || *got.InTime <= 0 {
			t.Fatalf("%v: the chance is %v after %g", day, got.InTime, last)
		}
		if *got.InTime < last-0.01 {
			fell++
		}
		last = *got.InTime
	}
	if fell < 1 || last > 0.995 {
		t.Errorf("the chance ends at %g", last)
	}
}

// On any day and with any kind: nothing is begun in the past, the days follow one another, the
// likely harvest lies between the low and the high one, and twice as much gives no less.
func TestWhatIsAtHandIsNeverBegunInThePast(t *testing.T) {
	g, r := mill(t, nil), rand.New(rand.NewPCG(3, 14))
	crops := book.Usual().Crops()
	asked := 0
	for range 150 {
		c := crops[r.IntN(len(crops))]
		if c.Perennial() || c.Dense != nil || !c.Weighed() {
			continue
		}
		have := backwards.Have{What: []backwards.What{backwards.Plants, backwards.Row, backwards.Ground}[r.IntN(3)], Crop: c.ID, Number: float64(1 + r.IntN(60)), Width: 1.2}
		if have.What == backwards.Plants && c.Start != book.Vegetative && r.IntN(2) == 0 {
			have.What, have.Number = backwards.Seeds, have.Number*20
		}
		g.in.AsOf = civil.Of(2027, 1, 1) + civil.Date(r.IntN(480))
		twice := have
		twice.Number *= 2
		got, err := backwards.From(g.in, g.plan, []backwards.Have{have, twice})
		if err != nil {
			t.Fatal(err)
		}
		plants := map[int]int{}
		for _, x := range got {
			asked++
			plants[x.Have] = x.Plants
			if x.Begin < g.in.AsOf || x.First < x.Begin || x.Last < x.First || x.Again != nil && *x.Again < g.in.AsOf {
				t.Errorf("%v %s: begun %v, picked %v to %v, again %v", g.in.AsOf, c.ID, x.Begin, x.First, x.Last, x.Again)
			}
			if x.Low > x.Likely+1e-9 || x.Likely > x.High+1e-9 || x.Plants <= 0 || x.Gaps > x.Weeks || x.Meals < 0 {
				t.Errorf("%v %s: %+v", g.in.AsOf, c.ID, x)
			}
		}
		if plants[1] < plants[0] {
			t.Errorf("%s: %d plants, of twice as much %d", c.ID, plants[0], plants[1])
		}
	}
	if asked < 100 {
		t.Errorf("only %d answers", asked)
	}
}

// A harvest closes no more gap weeks than it is enough for: of squash wished once a week, one
// plant in a short bed gives meals for some weeks, and no more gaps are closed; and what sprawls
// takes no more of a bed than there is.
func TestGapsAreClosedOnlyAsFarAsTheHarvestGoes(t *testing.T) {
	g, april := mill(t, nil), civil.Of(2027, 4, 21)
	last := 0
	for _, long := range []float64{1.2, 2.4, 6, 12} {
		got := g.from(t, april, backwards.Have{What: backwards.Ground, Crop: "winter-squash", Number: long, Width: 1.2})
		if got.Gaps > int(got.Meals) || got.Gaps < last || got.Gaps > got.Weeks {
			t.Errorf("%g m: %d gaps closed by %.1f meals in %d weeks, of a shorter bed %d", long, got.Gaps, got.Meals, got.Weeks, last)
		}
		if got.Area > long*1.2+1e-9 {
			t.Errorf("%g m: takes %g m²", long, got.Area)
		}
		last = got.Gaps
	}
	if short := g.from(t, april, backwards.Have{What: backwards.Ground, Crop: "winter-squash", Number: 1.2, Width: 1.2}); short.Gaps == 0 || short.Gaps >= short.Weeks {
		t.Errorf("one plant closes %d gaps of %d weeks: this shows nothing", short.Gaps, short.Weeks)
	}
}

func TestWhatCannotBeAtHandIsRefused(t *testing.T) {
	g := mill(t, nil)
	for _, c := range []struct {
		have  backwards.Have
		field string
	}{
		{backwards.Have{What: "wishes", Crop: "kale", Number: 3}, "haves[0].what"},
		{backwards.Have{What: backwards.Seeds, Crop: "dragon", Number: 3}, "haves[0].crop"},
		{backwards.Have{What: backwards.Stock, Crop: "kale", Number: 3}, "haves[0].what"},
		{backwards.Have{What: backwards.Seeds, Crop: "garlic", Number: 3}, "haves[0].what"},
		{backwards.Have{What: backwards.Plants, Crop: "asparagus", Number: 3}, "haves[0].crop"},
		{backwards.Have{What: backwards.Plants, Crop: "kale", Number: -1}, "haves[0].number"},
		{backwards.Have{What: backwards.Ground, Number: 3}, "haves[0].width"},
	} {
		_, err := backwards.From(g.in, g.plan, []backwards.Have{c.have})
		if all := invalid.All(err); len(all) == 0 || all[0].Field != c.field {
			t.Errorf("%+v: %v, want a mistake at %s", c.have, err, c.field)
		}
	}
	if _, err := backwards.From(g.in, g.plan, nil); invalid.All(err) == nil {
		t.Errorf("nothing at hand: %v", err)
	}
}

// What a packet of kale comes to in July.
func ExampleFrom() {
	g := mill(&testing.T{}, nil)
	g.in.AsOf = civil.Of(2027, 7, 15)
	got, err := backwards.From(g.in, g.plan, []backwards.Have{{What: backwards.Seeds, Crop: "kale", Number: 100}})
	if err != nil {
		fmt.Println(err)
		return
	}
	x := got[0]
	fmt.Printf("%d plants, begun %v, picked from %v: %.1f kg, fresh for %d weeks\n", x.Plants, x.Begin, x.First, x.Likely, x.Weeks)
	// Output:
	// 43 plants, begun 2027-07-15, picked from 2027-10-08: 9.9 kg, fresh for 28 weeks
}

// Twelve empty quart jars in April: for sauce of paste tomatoes a grower sets out about a dozen
// plants. As many plants as fill them are told, and not one more; twice as many jars take twice
// as many plants; in July it is too late for tomatoes; what nobody puts up in jars fills none.
func TestWhatFillsEmptyJars(t *testing.T) {
	g, april := mill(t, nil), civil.Of(2027, 4, 21)
	const quart = 0.946353
	of := func(day civil.Date, crop string, jars float64) []backwards.Gives {
		t.Helper()
		g.in.AsOf = day
		got, err := backwards.From(g.in, g.plan, []backwards.Have{{What: backwards.Empty, Crop: crop, Number: jars, Litre: quart}})
		if err != nil {
			t.Fatal(err)
		}
		return got
	}
	one := of(april, "tomato-paste", 12)[0]
	if one.Plants < 8 || one.Plants > 30 || len(one.Jars) != 1 || one.Jars[0].Count != 12 || one.Weeks != 0 || one.Begin < april {
		t.Errorf("twelve quarts of tomatoes: %+v", one)
	}
	sauce := book.Usual().Preparation("tomato-sauce-thick")
	_, rules, _, err := g.in.Household.Book(book.Usual())
	if err != nil {
		t.Fatal(err)
	}
	fills := func(kg float64) float64 { return kg * (1 - rules.Cull) * (1 - rules.Spoil) / sauce.Raw / quart }
	if one.Jars[0].Preparation != sauce.Name || fills(one.Likely) < 12-1e-9 || fills(one.Likely*float64(one.Plants-1)/float64(one.Plants)) >= 12 {
		t.Errorf("%g kg of %d plants fill %.2f jars of %s", one.Likely, one.Plants, fills(one.Likely), one.Jars[0].Preparation)
	}
	if two := of(april, "tomato-paste", 24)[0]; two.Plants < 2*one.Plants-1 || two.Plants > 2*one.Plants {
		t.Errorf("twice as many jars: %d plants, before %d", two.Plants, one.Plants)
	}
	if july := of(civil.Of(2027, 7, 25), "tomato-paste", 12)[0]; july.Again == nil || july.Gaps != 0 {
		t.Errorf("in July: %+v", july)
	}
	if got := of(april, "lettuce-head", 12); len(got) != 0 {
		t.Errorf("lettuce in jars: %+v", got)
	}
	wished := of(april, "", 12)
	if len(wished) < 3 || len(wished) > 6 {
		t.Errorf("%d answers for what is wished in jars", len(wished))
	}
	if _, err := backwards.From(g.in, g.plan, []backwards.Have{{What: backwards.Empty, Number: 12}}); len(invalid.All(err)) != 1 {
		t.Errorf("jars of no size: %v", err)
	}
}
