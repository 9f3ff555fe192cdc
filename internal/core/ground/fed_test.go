package ground_test

import (
	"slices"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// oneWish is a plan of one wish, fed in some weeks of the year by some forms.
func oneWish(source map[wish.Form][]int, uses []plan.Use, jars int, sowings ...plan.Sowing) plan.Plan {
	w := plan.Wish{ID: "w1", Title: "Carrot", Wanted: make([]float64, season.WeeksPerYear), Source: make([]wish.Form, season.WeeksPerYear), Uses: uses, ToFill: jars}
	for form, weeks := range source {
		for _, k := range weeks {
			w.Source[k], w.Wanted[k] = form, 1
			w.WeeksFed++
		}
	}
	p := plan.Plan{Wishes: []plan.Wish{w}, Sowings: sowings, Weeks: make([]civil.Date, season.WeeksPerYear)}
	for k := range p.Weeks {
		p.Weeks[k] = civil.Of(2027, 4, 28) + civil.Date(7*k)
	}
	p.Tally.WeeksFed, p.Tally.Jars = w.WeeksFed, jars
	return p
}

// sown is a sowing for the one wish.
func sown(id, crop, form string, part bool, need float64, feeds ...int) plan.Sowing {
	s := plan.Sowing{ID: id, Crop: crop, Feeds: feeds, For: []plan.Served{{Wish: "w1", Form: form, Part: part, Need: need}}}
	if len(feeds) > 0 {
		first := civil.Of(2027, 4, 28) + civil.Date(7*feeds[0])
		s.FirstPick = &first
	}
	return s
}

// weeksOf lists the weeks from one to another, both included, over the year's end too.
func weeksOf(from, to int) (out []int) {
	for k := from; ; k = (k + 1) % season.WeeksPerYear {
		out = append(out, k)
		if k == to {
			return out
		}
	}
}

func TestFedCountsOnlyWhatHasGround(t *testing.T) {
	week := func(k int) *civil.Date { d := civil.Of(2027, 4, 28) + civil.Date(7*k); return &d }
	fresh := []plan.Use{{Form: "fresh"}}
	cellar := []plan.Use{{Form: "cellar", Kept: week(24)}}
	canned := []plan.Use{{Form: "canned", Kept: week(20)}}
	for _, c := range []struct {
		name    string
		plan    plan.Plan
		left    []ground.Unplaced
		without []int
		jars    int
	}{
		{"all has ground", oneWish(map[wish.Form][]int{wish.Fresh: weeksOf(10, 15)}, fresh, 0, sown("a", "carrot", "fresh", false, 6, weeksOf(10, 15)...)), nil, []int{}, 0},
		{"half of a sowing feeds the first half of its weeks",
			oneWish(map[wish.Form][]int{wish.Fresh: weeksOf(10, 15)}, fresh, 0, sown("a", "carrot", "fresh", false, 6, weeksOf(10, 15)...)),
			[]ground.Unplaced{{Planting: "a", Planted: 50, Laid: 50}}, []int{13, 14, 15}, 0},
		{"a little less than half feeds a week less",
			oneWish(map[wish.Form][]int{wish.Fresh: weeksOf(10, 15)}, fresh, 0, sown("a", "carrot", "fresh", false, 6, weeksOf(10, 15)...)),
			[]ground.Unplaced{{Planting: "a", Planted: 51, Laid: 49}}, []int{12, 13, 14, 15}, 0},
		{"the other sowings go on feeding theirs",
			oneWish(map[wish.Form][]int{wish.Fresh: weeksOf(10, 17)}, fresh, 0, sown("a", "carrot", "fresh", false, 4, weeksOf(10, 13)...), sown("b", "carrot", "fresh", false, 4, weeksOf(14, 17)...)),
			[]ground.Unplaced{{Planting: "a", Planted: 10}}, []int{10, 11, 12, 13}, 0},
		{"what is picked over the year's end is picked first before it",
			oneWish(map[wish.Form][]int{wish.Fresh: weeksOf(50, 1)}, fresh, 0, sown("a", "kale", "fresh", false, 4, 50, 51, 0, 1)),
			[]ground.Unplaced{{Planting: "a", Planted: 1, Laid: 1}}, []int{0, 1}, 0},
		{"a lot in the store is eaten from its storing on",
			oneWish(map[wish.Form][]int{wish.Cellar: weeksOf(24, 3)}, cellar, 0, sown("a", "carrot", "cellar", false, 32)),
			[]ground.Unplaced{{Planting: "a", Planted: 1, Laid: 3}}, []int{0, 1, 2, 3, 48, 49, 50, 51}, 0},
		{"jars are whole",
			oneWish(map[wish.Form][]int{wish.Canned: weeksOf(0, 51)}, canned, 35, sown("a", "tomato", "canned", false, 83)),
			[]ground.Unplaced{{Planting: "a", Planted: 30, Laid: 70}}, weeksOf(4, 19), 24},
		{"the scarcest crop of a preparation decides",
			oneWish(map[wish.Form][]int{wish.Canned: weeksOf(0, 9)}, canned, 10, sown("a", "tomato", "canned", false, 20), sown("b", "pepper", "canned", true, 3)),
			[]ground.Unplaced{{Planting: "b", Planted: 8, Laid: 2}}, weeksOf(2, 9), 2},
	} {
		l := ground.Layout{Owned: 10, Unplaced: c.left}
		fed := ground.FedBy(c.plan, l)
		without, jars := []int{}, c.plan.Tally.Jars
		if len(fed.Wishes) > 0 {
			without, jars = fed.Wishes[0].Without, fed.Wishes[0].Jars
		}
		if !slices.Equal(without, c.without) || fed.WeeksFed != c.plan.Tally.WeeksFed-len(c.without) || fed.Jars != jars || c.jars != 0 && jars != c.jars {
			t.Errorf("%s: without %v, fed %d of %d, %d jars; want without %v, %d jars", c.name, without, fed.WeeksFed, c.plan.Tally.WeeksFed, jars, c.without, c.jars)
		}
	}
	if ground.FedBy(oneWish(nil, nil, 0), ground.Layout{}) != nil {
		t.Error("where there is no bed, nothing is counted as lacking ground")
	}
}

// What is left on the shelf needs no ground: half of it left and half of the rest without
// ground feeds three quarters of the weeks.
func TestFedCountsWhatIsLeftOnTheShelf(t *testing.T) {
	kept := civil.Of(2027, 10, 13)
	p := oneWish(map[wish.Form][]int{wish.Cellar: weeksOf(24, 43)}, []plan.Use{{Form: "cellar", Kept: &kept, LeftShare: 0.5}}, 0, sown("a", "carrot", "cellar", false, 10))
	fed := ground.FedBy(p, ground.Layout{Owned: 10, Unplaced: []ground.Unplaced{{Planting: "a", Planted: 1, Laid: 1}}})
	if fed.WeeksFed != 15 {
		t.Errorf("%d of 20 weeks are fed, want 15", fed.WeeksFed)
	}
}

// The fewer beds the demo household has, the less is counted; never more than the plan says,
// and every week that is not counted is named.
func TestFedOfTheDemoWithFewerBeds(t *testing.T) {
	last := 1 << 20
	for _, beds := range []int{11, 8, 6, 4} {
		_, p, _, l := mill(t, func(h *household.Household) { h.Beds = h.Beds[:beds] })
		fed := ground.FedBy(p, l)
		lost, jars := 0, 0
		for _, w := range fed.Wishes {
			lost += len(w.Without)
			mine := p.Wishes[slices.IndexFunc(p.Wishes, func(x plan.Wish) bool { return x.ID == w.Wish })]
			jars += mine.ToFill - w.Jars
			for _, k := range w.Without {
				if s := mine.Source[k]; mine.Wanted[k] == 0 || s == wish.Gap || s == wish.Bought {
					t.Errorf("%d beds: %s lacks ground in week %d, which the plan does not feed", beds, mine.Title, k)
				}
			}
		}
		if fed.WeeksFed != p.Tally.WeeksFed-lost || fed.Jars != p.Tally.Jars-jars || fed.WeeksFed > last || fed.WeeksFed <= 0 {
			t.Errorf("%d beds feed %d weeks and %d jars (before %d), the plan %d and %d, lost %d and %d", beds, fed.WeeksFed, fed.Jars, last, p.Tally.WeeksFed, p.Tally.Jars, lost, jars)
		}
		last = fed.WeeksFed
	}
}

// The working of what is fed ends with what has ground.
func TestTheWorkingOfWeeksFedTakesOffWhatLacksGround(t *testing.T) {
	in, p, _, l := mill(t, nil)
	fed := ground.FedBy(p, l)
	for figure, want := range map[string]int{"tally/weeks_fed": fed.WeeksFed, "tally/jars": fed.Jars, "wish/" + fed.Wishes[0].Wish + "/fed": fed.Wishes[0].WeeksFed} {
		w, err := plan.Explain(in, figure)
		if err != nil {
			t.Fatal(err)
		}
		if !ground.Explains(figure) {
			t.Errorf("%s is not gone on with", figure)
		}
		fed.Explain(p, &w)
		if last := w.Lines[len(w.Lines)-1]; int(w.Value) != want || last.Op != working.Equals || last.Value != w.Value {
			t.Errorf("%s ends with %v %q, want %d", figure, w.Value, last.Name, want)
		}
	}
	w := working.Working{Figure: "tally/plants", Value: 3, Unit: amount.Plant}
	fed.Explain(p, &w)
	if ground.Explains(w.Figure) || len(w.Lines) > 0 {
		t.Error("plants are counted with or without ground")
	}
}
