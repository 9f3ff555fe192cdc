package plan

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

func use(t *testing.T, w Wish, form string) Use {
	t.Helper()
	for _, u := range w.Uses {
		if u.Form == form && !u.Part {
			return u
		}
	}
	t.Fatalf("%s has no use that is %s", w.Title, form)
	return Use{}
}

func weeksOf(w Wish, source wish.Form) (weeks []int) {
	for i, s := range w.Source {
		if s == source {
			weeks = append(weeks, i)
		}
	}
	return weeks
}

func itemOf(food, form, prep string, count, size float64, unit, putUp string) stock.Lot {
	d, err := civil.Parse(putUp)
	if err != nil {
		panic(err)
	}
	return stock.Lot{ID: "l-" + food + form + putUp, Food: food, Form: form, Preparation: prep, Count: count, Size: size, Unit: unit, PutUp: d}
}

// What is stored in autumn is eaten over New Year and past the end of the table
// year; a store of 48 weeks all but closes the circle.
func TestTheStoreWrapsRoundTheYear(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Cellar))
	in.Household.Overrules = []book.Overrule{{Subject: "crop/carrot-storage", Field: "store_weeks", Value: 48}}
	w := planned(t, in).Wishes[0]
	kept := weeksOf(w, "cellar")
	if len(kept) != 48 || w.WeeksFed != 48 {
		t.Fatalf("a store of 48 weeks feeds %d", len(kept))
	}
	u := use(t, w, "cellar")
	stored := int(*u.Kept-in.Household.YearStart()) / 7
	for k := 1; k <= 48; k++ {
		if week := (stored + k) % 52; w.Source[week] != "cellar" {
			t.Errorf("week %d after storing is %q", k, w.Source[week])
		}
	}
	if w.Source[0] != "cellar" || w.Source[51] != "cellar" {
		t.Error("the store does not reach over the end of the table year")
	}
}

// Spinach has a spring and an autumn, and what stands small through the winter is cut
// again before it runs to seed: three runs of fresh weeks, with nothing between them
// unless it is put up.
func TestACropWithTwoSeasons(t *testing.T) {
	p := planned(t, ford(meals("spinach", 1, wish.Fresh)))
	runs := 0
	for i, s := range p.Wishes[0].Source {
		if s == "fresh" && p.Wishes[0].Source[(i+51)%52] != "fresh" {
			runs++
		}
	}
	if runs != 3 {
		t.Errorf("spinach is fresh in %d runs of weeks: %v", runs, weeksOf(p.Wishes[0], "fresh"))
	}
	frozen := meals("spinach", 1, wish.Fresh, wish.Frozen)
	frozen.Preparations = []string{"greens-frozen"}
	w := planned(t, ford(frozen)).Wishes[0]
	if len(weeksOf(w, "frozen")) == 0 || w.WeeksFed <= p.Wishes[0].WeeksFed {
		t.Errorf("frozen, %d weeks are fed, fresh alone %d", w.WeeksFed, p.Wishes[0].WeeksFed)
	}
}

func TestTheOrderOfFormsDecides(t *testing.T) {
	both := func(forms ...wish.Form) Wish { return planned(t, ford(meals("carrot", 2, forms...))).Wishes[0] }
	a, b := both(wish.Fresh, wish.Cellar), both(wish.Cellar, wish.Fresh)
	if a.WeeksFed != b.WeeksFed {
		t.Errorf("the order changes the weeks fed: %d and %d", a.WeeksFed, b.WeeksFed)
	}
	if len(weeksOf(b, "cellar")) <= len(weeksOf(a, "cellar")) {
		t.Error("the store first feeds no more weeks from the store")
	}
	for week := range 52 { // where both can, the first of the order does
		if a.Source[week] == "cellar" && b.Source[week] != "cellar" || b.Source[week] == "fresh" && a.Source[week] != "fresh" {
			t.Errorf("week %d: %q and %q", week, a.Source[week], b.Source[week])
		}
	}
}

// Jars that expire before the new ones come leave nothing; those that last are
// taken off, less what is eaten until then, the oldest first.
func TestWhatTheShelfLeaves(t *testing.T) {
	need := func(lots ...stock.Lot) (float64, Wish) {
		in := ford(sauce(26))
		in.Household.Lots = lots
		w := planned(t, in).Wishes[0]
		return w.Harvested, w
	}
	jar := 0.946353
	none, _ := need()
	expired, _ := need(itemOf("tomato", "canned", "tomato-sauce-thick", 40, jar, "L", "2026-01-20"))
	if expired != none {
		t.Errorf("jars that expire in midwinter take %g off the need of %g", none-expired, none)
	}
	fresh, w := need(itemOf("tomato", "canned", "tomato-sauce-thick", 40, jar, "L", "2026-09-01"))
	u := use(t, w, "canned")
	weeks := math.Ceil(float64(*u.Kept-civil.Of(2027, 1, 12)) / 7) // eaten from, half a jar a week
	left := 40 - weeks*26/52
	if got := u.Left / jar; math.Abs(got-left) > 1e-6 || math.Abs(fresh-none*(26-left)/26) > 1e-6*none {
		t.Errorf("%g jars are left, want %g; the need is %g of %g", got, left, fresh, none)
	}
	if w.ToFill != int(math.Ceil(26-left-1e-9)) {
		t.Errorf("%d jars are to be filled, want ⌈26 − %g⌉", w.ToFill, left)
	}
	// Oldest first: the old jars are eaten, the young ones stay.
	two, _ := need(itemOf("tomato", "canned", "tomato-sauce-thick", 20, jar, "L", "2026-06-20"), itemOf("tomato", "canned", "tomato-sauce-thick", 20, jar, "L", "2026-09-01"))
	if two >= none || two < fresh-1e-9 {
		t.Errorf("twenty old and twenty young jars leave a need of %g; forty young %g", two, fresh)
	}
}

func TestEnoughOnTheShelfIsGrownNoMore(t *testing.T) {
	in := ford(sauce(10))
	in.Household.Lots = []stock.Lot{itemOf("tomato", "canned", "", 80, 0.946353, "L", "2026-11-01")}
	p := planned(t, in)
	w := p.Wishes[0]
	if !w.Enough || w.Harvested != 0 || w.Plants != 0 || len(p.Sowings) != 0 || w.ToFill != 0 {
		t.Errorf("a wish met from stock alone: %+v", w)
	}
	if w.WeeksFed != w.WeeksWanted || !strings.Contains(fmt.Sprint(w.Notes), "grow none") {
		t.Errorf("it is fed in %d of %d weeks: %q", w.WeeksFed, w.WeeksWanted, w.Notes)
	}
}

// Two wishes for the same jars share the shelf; what one counts on the other
// does not.
func TestTheShelfIsSharedOnce(t *testing.T) {
	in := ford(sauce(12), sauce(12))
	in.Household.Lots = []stock.Lot{itemOf("tomato", "canned", "tomato-sauce-thick", 24, 0.946353, "L", "2026-10-01")}
	p := planned(t, in)
	one, two := use(t, p.Wishes[0], "canned").Left, use(t, p.Wishes[1], "canned").Left
	eaten := math.Ceil(float64(*p.Wishes[0].Uses[0].Kept-civil.Of(2027, 1, 12))/7) * 24.0 / 52
	if sum := (one + two) / 0.946353; math.Abs(sum-(24-eaten)) > 1e-6 {
		t.Errorf("together they count on %g jars, %g will be left", sum, 24-eaten)
	}
}

// The coming year begins with what really stands there.
func TestTheComingYearBeginsWithTheShelf(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh, wish.Cellar))
	w := planned(t, in).Wishes[0]
	gaps := func(w Wish) (n int) {
		for i, s := range w.Coming {
			if s == "gap" && w.Wanted[i] > 0 {
				n++
			}
		}
		return n
	}
	bare := gaps(w)
	in.Household.Lots = []stock.Lot{itemOf("carrot", "cellar", "", 1, 60, "kg", "2026-12-20")}
	w = planned(t, in).Wishes[0]
	if full := gaps(w); full >= bare || w.Coming[0] != "cellar" {
		t.Errorf("60 kg in the cellar leave %d gaps in the coming year, an empty one %d; the first week is %q", full, bare, w.Coming[0])
	}
	if !slices.ContainsFunc(weeksOf(w, "gap"), func(k int) bool { return w.Coming[k] == "cellar" }) && bare <= len(weeksOf(w, "gap")) {
		t.Errorf("the shelf feeds nothing of the coming year: %v", w.Coming)
	}
}

func TestAwayAllAugustAndGuestsAtMidwinter(t *testing.T) {
	in := ford(meals("tomato", 3, wish.Fresh), meals("potato", 3, wish.Cellar))
	home := planned(t, in)
	for i := range in.Household.Members {
		in.Household.Members[i].Away = []household.Span{{From: civil.MonthDay{Month: 8, Day: 1}, To: civil.MonthDay{Month: 8, Day: 31}}}
	}
	away := planned(t, in)
	if away.Wishes[0].WeeksWanted >= home.Wishes[0].WeeksWanted || away.Wishes[0].Harvested >= home.Wishes[0].Harvested {
		t.Error("nobody at home all August still eats tomatoes")
	}
	in.Household.Guests = []household.Guest{{ID: "g", Name: "Cousins", AdultEquivalents: 6, Span: household.Span{From: civil.MonthDay{Month: 12, Day: 20}, To: civil.MonthDay{Month: 1, Day: 3}}}}
	guests := planned(t, in)
	if guests.Wishes[1].Harvested <= away.Wishes[1].Harvested || guests.Wishes[0].Harvested != away.Wishes[0].Harvested {
		t.Errorf("guests at midwinter eat potatoes from the store, no fresh tomatoes: %g → %g, %g → %g",
			away.Wishes[1].Harvested, guests.Wishes[1].Harvested, away.Wishes[0].Harvested, guests.Wishes[0].Harvested)
	}
}

// As example N: 26 weeks at 2 °C are 13 at 10 °C.
func TestAStoreAtTenDegrees(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Cellar))
	if got := use(t, planned(t, in).Wishes[0], "cellar").Life; got != 26 {
		t.Errorf("%d weeks at 2 °C", got)
	}
	in.Household.Storage[0].Temperature = 10
	w := planned(t, in).Wishes[0]
	if got := use(t, w, "cellar").Life; got != 13 || w.WeeksFed != 13 {
		t.Errorf("%d weeks at 10 °C, %d fed", got, w.WeeksFed)
	}
}

// The same household half a world away: the same weeks, counted from its frost.
func TestTheWholeTableMirrored(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh, wish.Cellar), sauce(20), meals("spinach", 1, wish.Fresh))
	north := planned(t, in)
	p := &in.Household.Place
	p.Latitude = -p.Latitude
	mirror := func(m [12]float64) (out [12]float64) {
		for i := range m {
			out[(i+6)%12] = m[i]
		}
		return out
	}
	p.MeanMax, p.MeanMin, p.Rain = mirror(p.MeanMax), mirror(p.MeanMin), mirror(p.Rain)
	p.LastFrost, p.FirstFrost = civil.MonthDay{Month: 10, Day: 28}, civil.MonthDay{Month: 4, Day: 14}
	in.AsOf = civil.Of(2027, 7, 12)
	south := planned(t, in)
	for i := range north.Wishes {
		a, b := north.Wishes[i], south.Wishes[i]
		if d := a.WeeksFed - b.WeeksFed; d < -2 || d > 2 || math.Abs(float64(a.Plants-b.Plants)) > 0.12*float64(a.Plants)+3 {
			t.Errorf("%s: %d weeks and %d plants in the north, %d and %d in the south", a.Title, a.WeeksFed, a.Plants, b.WeeksFed, b.Plants)
		}
	}
}

// Several wishes for one crop add up by use: one sowing, sized for their sum.
func TestWishesForOneCropAddUp(t *testing.T) {
	one := planned(t, ford(meals("kale", 2, wish.Fresh)))
	two := planned(t, ford(meals("kale", 1, wish.Fresh), meals("kale", 1, wish.Fresh)))
	if one.Tally.Plants != two.Tally.Plants || one.Tally.Sowings != two.Tally.Sowings || math.Abs(one.Tally.Area-two.Tally.Area) > 1e-9 {
		t.Errorf("two meals a week are %+v, twice one %+v", one.Tally, two.Tally)
	}
	given := 0
	for _, s := range two.Sowings {
		var need float64
		for _, f := range s.For {
			given += f.Plants
			need += f.Need
		}
		if math.Abs(need-s.Need) > 1e-9 {
			t.Errorf("%s is asked for %g and brings in %g", s.ID, need, s.Need)
		}
	}
	if given != two.Tally.Plants || two.Wishes[0].Plants+two.Wishes[1].Plants != two.Tally.Plants {
		t.Errorf("%d plants are given out of %d", given, two.Tally.Plants)
	}
	// Sauce and juice of one kind are one sowing, each with its own confidence.
	must := sauce(20)
	must.Priority = wish.MustHave
	juice := wish.Wish{Food: "tomato", Forms: []wish.Form{wish.Juiced}, Preparations: []string{"tomato-juice"}, Amount: wish.Amount{Kind: wish.Jars, Number: 10}}
	p := planned(t, ford(must, juice))
	if len(p.Sowings) != 1 || len(p.Sowings[0].For) != 2 {
		t.Fatalf("sauce and juice have %d sowings", len(p.Sowings))
	}
	alone := planned(t, ford(must)).Tally.Plants + planned(t, ford(juice)).Tally.Plants
	if p.Tally.Plants != alone {
		t.Errorf("together %d plants, each with its own confidence %d", p.Tally.Plants, alone)
	}
}

// With the sowings held, more wished or less on the shelf never lessens the
// harvest; twice the eaters is twice the weight.
func TestMoreAsksForMore(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	b := book.Usual()
	for range 60 {
		c := b.Crops()[r.IntN(len(b.Crops()))]
		if !c.Weighed() || c.Portion.Value <= 0 || c.Perennial() {
			continue
		}
		w := meals(c.Food, 1+3*r.Float64(), wish.Fresh)
		w.Variety = c.ID
		if c.Store != book.NoStorage && c.StoreWeeks.Value > 0 {
			w.Forms = append(w.Forms, wish.Cellar)
		}
		in := ford(w)
		base := planned(t, in)
		more := in
		more.Household.Wishes = slices.Clone(in.Household.Wishes)
		more.Household.Wishes[0].Amount.Number *= 1.3
		if a, z := base.Wishes[0].Average, planned(t, more).Wishes[0].Average; z < a-1e-9 {
			t.Errorf("%s: %g wished give %g, 1.3 times as much %g", c.ID, w.Amount.Number, a, z)
		}
		double := in
		double.Household.Members = slices.Clone(in.Household.Members)
		for _, m := range in.Household.Members {
			m.ID += "twin"
			double.Household.Members = append(double.Household.Members, m)
		}
		if a, z := base.Wishes[0].Harvested, planned(t, double).Wishes[0].Harvested; math.Abs(z-2*a) > 1e-9*(1+a) {
			t.Errorf("%s: twice the eaters take %g, not twice %g", c.ID, z, a)
		}
		stocked := in
		stocked.Household.Lots = []stock.Lot{itemOf(c.Food, "cellar", "", 1, 30, "kg", "2026-12-01")}
		if len(w.Forms) > 1 {
			if a, z := planned(t, stocked).Wishes[0].Average, base.Wishes[0].Average; z < a-1e-9 {
				t.Errorf("%s: with 30 kg on the shelf %g, with none %g", c.ID, a, z)
			}
		}
	}
}

// A story: twenty jars that ran out after half a year are forty for a whole one.
func TestTheAmountFollowsFromLastYear(t *testing.T) {
	w := sauce(5)
	w.Story = &wish.Story{Had: 20, From: civil.MonthDay{Month: 9, Day: 1}, RanOut: civil.MonthDay{Month: 3, Day: 2}}
	p := planned(t, ford(w))
	if got := p.Wishes[0].Number; math.Abs(got-20.0/26*365/7) > 1e-9 {
		t.Errorf("20 jars in 26 weeks are %g a year", got)
	}
	w.Story = &wish.Story{Had: 30, Left: 8, Given: 4}
	if got := planned(t, ford(w)).Wishes[0].Number; math.Abs(got-18) > 1e-9 {
		t.Errorf("30 less 8 left and 4 given are %g", got)
	}
	work, err := Explain(ford(w), "wish/w1/wished")
	if err != nil || work.Check() > 1e-9 || math.Abs(work.Value-18) > 1e-9 {
		t.Errorf("%+v %v", work, err)
	}
}

func TestPinsGiveAWeekItsSource(t *testing.T) {
	w := meals("carrot", 2, wish.Fresh, wish.Cellar)
	w.Pins = []wish.Pin{{Day: civil.MonthDay{Month: 12, Day: 12}, Source: wish.Bought}, {Day: civil.MonthDay{Month: 8, Day: 3}, Source: wish.Cellar}}
	p := planned(t, ford(w))
	if got := weeksOf(p.Wishes[0], "bought"); len(got) != 1 || p.Wishes[0].WeeksBought != 1 {
		t.Errorf("bought in weeks %v", got)
	}
	if !strings.Contains(fmt.Sprint(p.Wishes[0].Notes), "fixed to “from storage”, which cannot feed it") {
		t.Errorf("a pin that nothing can meet is not told: %q", p.Wishes[0].Notes)
	}
	free := planned(t, ford(meals("carrot", 2, wish.Fresh, wish.Cellar))).Wishes[0]
	if p.Wishes[0].WeeksFed != free.WeeksFed-1 {
		t.Errorf("%d weeks fed with a pin, %d without", p.Wishes[0].WeeksFed, free.WeeksFed)
	}
}

// Patches give by their age, need no sowing again, and what they lack is planted.
func TestPatchesGiveByTheirAge(t *testing.T) {
	in := ford(meals("asparagus", 1, wish.Fresh))
	bare := planned(t, in)
	n := bare.Wishes[0].Plants
	in.Household.Patches = []household.Patch{{ID: "p", Crop: "asparagus", Plants: 3 * n, Planted: 2020}}
	old := planned(t, in)
	if len(old.Sowings) != 1 || !old.Sowings[0].Stands || old.Wishes[0].Average < old.Wishes[0].Harvested {
		t.Errorf("an old patch thrice as large as needed: %+v", old.Sowings)
	}
	in.Household.Patches[0].Planted, in.Household.Patches[0].Plants = 2027, n
	young := planned(t, in)
	if young.Wishes[0].Average > 0.3*young.Wishes[0].Harvested {
		t.Errorf("a patch of this year gives %g of %g", young.Wishes[0].Average, young.Wishes[0].Harvested)
	}
	for _, w := range weeksOf(young.Wishes[0], "fresh") { // on the circle it feeds them, this year it does not
		if young.Wishes[0].Coming[w] != "gap" || old.Wishes[0].Coming[w] != "fresh" {
			t.Errorf("week %d of the coming year: %q of a young patch, %q of an old one", w, young.Wishes[0].Coming[w], old.Wishes[0].Coming[w])
		}
	}
	in.Household.Patches[0].Plants = max(1, n/2)
	if half := planned(t, in); len(half.Sowings) != 2 || half.Sowings[0].Stands == half.Sowings[1].Stands {
		t.Errorf("half a patch: %d sowings", len(half.Sowings))
	}
}

func TestTheKitchenAndWhatHelps(t *testing.T) {
	in := ford(wish.Wish{Food: "snap bean", Variety: "bush-bean", Forms: []wish.Form{wish.Canned}, Preparations: []string{"green-bean-canned"}, Amount: wish.Amount{Kind: wish.Jars, Number: 120}, Stagger: wish.Stagger{Sowings: 1}})
	p := planned(t, in)
	if len(p.Kitchen.Overloads) == 0 || p.Kitchen.Capacity != 4 {
		t.Fatalf("120 quarts of beans are no overload: %+v", p.Kitchen)
	}
	if math.Abs(sum(p.Kitchen.Batches)-p.Kitchen.Total) > 1e-6 {
		t.Errorf("%g batches come, %g are put up", p.Kitchen.Total, sum(p.Kitchen.Batches))
	}
	helps, err := KitchenRemedies(context.Background(), in, p.Kitchen.Overloads[0].Week)
	if err != nil || len(helps) < 2 {
		t.Fatalf("%d helps, %v", len(helps), err)
	}
	for _, h := range helps {
		changed, err := in.With(h.Change)
		if err != nil {
			t.Fatal(err)
		}
		if after := planned(t, changed); math.Abs(sum(p.Kitchen.Over)-sum(after.Kitchen.Over)-h.Batches) > 1e-9 {
			t.Errorf("%s says %g batches, does %g", h.Words, h.Batches, sum(p.Kitchen.Over)-sum(after.Kitchen.Over))
		}
	}
}

func TestWaysCloseWhatTheySay(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh, wish.Cellar))
	now := planned(t, in).Wishes[0]
	ways, err := Remedies(context.Background(), in, "w1")
	if err != nil || len(ways) < 5 {
		t.Fatalf("%d ways, %v", len(ways), err)
	}
	for _, way := range ways {
		changed, err := in.With(way.Change)
		if err != nil {
			t.Fatal(err)
		}
		after := planned(t, changed)
		if got := gapsOf(&now) - gapsOf(&after.Wishes[0]); got != way.Weeks {
			t.Errorf("%s says it closes %d weeks, it closes %d", way.Words, way.Weeks, got)
		}
	}
	if _, err := Remedies(context.Background(), in, "w9"); err == nil {
		t.Error("ways for a wish there is not")
	}
}

// A week's page agrees with the ledger.
func TestTheWeekIsTheLedgers(t *testing.T) {
	in := everything()
	in.Household.Lots = []stock.Lot{itemOf("carrot", "cellar", "", 1, 30, "kg", "2026-11-01")}
	p := planned(t, in)
	for n := 0; n < 52; n += 3 {
		w, err := WeekOf(in, n)
		if err != nil {
			t.Fatal(err)
		}
		var kg float64
		for _, c := range w.Coming {
			kg += c.Kg
		}
		if math.Abs(kg-p.Kitchen.HarvestKg[n]) > 1e-6 || w.Batches != p.Kitchen.Batches[n] {
			t.Errorf("week %d: %g kg and %g batches, the ledger has %g and %g", n, kg, w.Batches, p.Kitchen.HarvestKg[n], p.Kitchen.Batches[n])
		}
		hours := 0.0
		for _, g := range w.Garden {
			hours += g.Hours
		}
		if math.Abs(hours-p.Work.Hours[n]) > 1e-9 {
			t.Errorf("week %d: what its %g hours are for takes %g", n, p.Work.Hours[n], hours)
		}
		for _, e := range w.Eaten {
			i := slices.IndexFunc(p.Wishes, func(x Wish) bool { return x.ID == e.Wish })
			if string(p.Wishes[i].Source[n]) != e.Source || p.Wishes[i].Wanted[n] != e.Amount {
				t.Errorf("week %d: %+v", n, e)
			}
			if e.Source != "gap" && !slices.Contains(e.Sources, e.Source) {
				t.Errorf("week %d could not be pinned to what it has: %+v", n, e)
			}
		}
	}
	if _, err := WeekOf(in, 52); err == nil {
		t.Error("there is a week 52")
	}
}

// Goals: jars are those to be filled, energy follows the book.
func TestGoalsAddUp(t *testing.T) {
	in := ford(meals("potato", 3, wish.Cellar))
	in.Household.Overrules = []book.Overrule{{Subject: "household", Field: "goal_energy", Value: 0.05}}
	p := planned(t, in)
	c := book.Usual().Crop("potato-maincrop")
	w := p.Wishes[0]
	eaten := float64(w.WeeksFed) * 3 * p.AdultEquivalents * c.Portion.Value / 1000
	want := eaten * 10 * c.Energy.Value / (52 * 7 * p.AdultEquivalents) / 2300
	if g := p.Goals.Energy; math.Abs(g.Value-want) > 1e-9 || g.Aim != 0.05 || g.Most != "Potato" || g.Share != 1 {
		t.Errorf("%+v, want %g", g, want)
	}
	if p.Goals.Green.Value != 0 {
		t.Error("potatoes are green")
	}
	if g := planned(t, ford(meals("kale", 1, wish.Fresh))); g.Goals.Green.Value != float64(g.Wishes[0].WeeksFed) {
		t.Errorf("kale is green in %g of %d weeks", g.Goals.Green.Value, g.Wishes[0].WeeksFed)
	}
}

// A size wanted sets the spacing, and the yield follows it.
func TestTheSizeWantedSetsTheSpacing(t *testing.T) {
	w := wish.Wish{Food: "celeriac", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.PiecesYear, Number: 40}}
	usual := planned(t, ford(w))
	w.Piece = book.Usual().Crop("celeriac").Piece.Value * 0.75
	small := planned(t, ford(w))
	if small.Sowings[0].InRow >= usual.Sowings[0].InRow || small.Tally.Plants != usual.Tally.Plants || small.Tally.Area >= usual.Tally.Area {
		t.Errorf("smaller ones stand %g cm apart on %g m², usual ones %g cm on %g m²", small.Sowings[0].InRow, small.Tally.Area, usual.Sowings[0].InRow, usual.Tally.Area)
	}
	w.Piece = 20000
	if p := planned(t, ford(w)); !strings.Contains(fmt.Sprint(p.Wishes[0].Notes), "spacing alone cannot make them as large") {
		t.Errorf("20 kg celeriac: %q", p.Wishes[0].Notes)
	}
}

// A cover lengthens the season of what is eaten fresh and of that alone.
func TestACoverLengthensTheSeason(t *testing.T) {
	w := meals("lettuce", 2, wish.Fresh)
	open := planned(t, ford(w)).Wishes[0].WeeksFed
	w.Cover = place.Tunnel
	p := planned(t, ford(w))
	if p.Wishes[0].WeeksFed <= open || p.Sowings[0].Cover != "tunnel" {
		t.Errorf("%d weeks under a tunnel, %d in the open", p.Wishes[0].WeeksFed, open)
	}
	w.Cover = place.Net
	if got := planned(t, ford(w)).Wishes[0].WeeksFed; got != open {
		t.Errorf("a net changes %d weeks to %d", open, got)
	}
}
