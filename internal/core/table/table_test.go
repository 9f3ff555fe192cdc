package table

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

func fiveEaters() household.Household {
	return household.Household{
		Name: "The ford", Year: 2027, Risk: season.UsualRisk, Place: place.Examples()[0].Place,
		Members: []household.Member{
			{ID: "1", Name: "A", Band: household.Adult}, {ID: "2", Name: "B", Band: household.Adult}, {ID: "3", Name: "C", Band: household.Teen},
			{ID: "4", Name: "D", Band: household.Child}, {ID: "5", Name: "E", Band: household.SmallChild},
		},
	}
}

func wished(food string, kind wish.AmountKind, number float64, forms ...wish.Form) wish.Wish {
	w := wish.Wish{ID: "w", Food: food, Forms: forms, Amount: wish.Amount{Kind: kind, Number: number}}
	w.Fill()
	return w
}

func resolver(h household.Household) *Resolver {
	y, start := place.Build(h.Place), h.YearStart().YearDay()
	return &Resolver{Household: h, Book: book.Usual(), AdultEquivalents: h.AdultEquivalents(), Cull: 0.05, Spoil: 0.02, Seasons: func(c *book.Crop, cover place.Cover) *season.Season {
		return season.Of(c, y.Under(cover), season.Rules{Risk: h.Risk}, start)
	}}
}

func TestWeeksAreFedByTheFormsInOrder(t *testing.T) {
	rs := resolver(fiveEaters())
	w := wished("carrot", wish.Meals, 2, wish.Fresh, wish.Cellar)
	r := rs.Resolve(w)
	count := map[wish.Form]int{}
	for week, s := range r.Source {
		count[s]++
		if r.Wanted[week] != 2 || r.Fed(week) != 2 && s != wish.Gap {
			t.Fatalf("week %d: wanted %g, fed %g by %q", week, r.Wanted[week], r.Fed(week), s)
		}
	}
	if count[wish.Fresh] < 16 || count[wish.Cellar] == 0 || count[wish.Fresh]+count[wish.Cellar]+count[wish.Gap] != 52 {
		t.Errorf("carrots: %v", count)
	}
	if r.Uses[0].Crop.ID != "carrot" || r.Uses[1].Crop.ID != "carrot-storage" {
		t.Errorf("kinds: %s and %s", r.Uses[0].Crop.ID, r.Uses[1].Crop.ID)
	}
	// The store first: it feeds all the weeks it keeps, fresh the rest.
	w.Forms = []wish.Form{wish.Cellar, wish.Fresh}
	turned := rs.Resolve(w)
	if turned.Uses[0].Weeks.Count() != 26 || turned.Uses[1].Weeks.Count() >= count[wish.Fresh] {
		t.Errorf("the store first: %d weeks from it, %d fresh", turned.Uses[0].Weeks.Count(), turned.Uses[1].Weeks.Count())
	}
	// A warmer cellar keeps for fewer weeks.
	rs.Household.Storage = []stock.StoragePlace{{ID: "s", Name: "S", Temperature: 10, Damp: true}}
	if warm := rs.Resolve(w); warm.Uses[0].Life != 13 {
		t.Errorf("at 10 °C it keeps %d weeks, want 13", warm.Uses[0].Life)
	}
}

func TestSeasonsOfAWish(t *testing.T) {
	rs := resolver(fiveEaters())
	w := wished("lettuce", wish.PiecesWeek, 6, wish.Fresh)
	w.Season = wish.Season{Kind: wish.Months, From: 5, To: 10}
	r := rs.Resolve(w)
	wanted := 0
	for week := range r.Wanted {
		if r.Wanted[week] > 0 {
			wanted++
		}
	}
	if wanted < 26 || wanted > 27 || r.Uses[0].Crop.ID != "lettuce-head" {
		t.Errorf("May to October is %d weeks of %s", wanted, r.Uses[0].Crop.ID)
	}
	w.Season = wish.Season{Kind: wish.Months, From: 11, To: 2} // over New Year
	r = rs.Resolve(w)
	if r.Wanted[season.WeekOf(250)] == 0 || r.Wanted[season.WeekOf(60)] != 0 {
		t.Error("November to February must run over New Year")
	}
	w.Season = wish.Season{Kind: wish.While}
	r = rs.Resolve(w)
	if slices.Contains(r.Source[:], wish.Gap) || !slices.Contains(r.Source[:], wish.Fresh) {
		t.Errorf("while it lasts no gap is counted: %v", r.Source)
	}
}

func TestJarsFeedTheWeeksTheyKeep(t *testing.T) {
	rs := resolver(fiveEaters())
	w := wished("cabbage", wish.Litres, 15, wish.Fermented)
	w.Preparations = []string{"sauerkraut"} // keeps six months, and is not eaten for the first four weeks
	r := rs.Resolve(w)
	var sum float64
	fed := 0
	for week := range r.Wanted {
		sum += r.Fed(week)
		if r.Source[week] == wish.Fermented {
			fed++
		}
	}
	if math.Abs(sum-15) > 1e-9 || fed != 22 {
		t.Errorf("15 L feed %g over %d weeks", sum, fed)
	}
	w.Left = 15
	if !rs.Resolve(w).Enough {
		t.Error("as much left as wished is enough")
	}
}

func TestTheKindSuitsTheUse(t *testing.T) {
	rs := resolver(fiveEaters())
	sauce := wished("tomato", wish.Jars, 35, wish.Canned)
	sauce.Preparations = []string{"tomato-sauce-thick"}
	for _, c := range []struct {
		w    wish.Wish
		want string
	}{
		{sauce, "tomato-paste"}, {wished("tomato", wish.Meals, 3, wish.Fresh), "tomato-slicing"}, {wished("snap bean", wish.Meals, 2, wish.Fresh), "pole-bean"},
		{wished("potato", wish.Meals, 2, wish.Cellar), "potato-maincrop"}, {wished("lettuce", wish.PiecesWeek, 2, wish.Fresh), "lettuce-head"},
		{wished("marigold", wish.Plants, 12), "marigold"},
	} {
		r := rs.Resolve(c.w)
		if r.Uses[0].Crop.ID != c.want || r.Uses[0].Why.IsZero() {
			t.Errorf("%s for %v: %s (%s), want %s", c.w.Food, c.w.Forms, r.Uses[0].Crop.ID, r.Uses[0].Why, c.want)
		}
	}
}

// A week that the shelf feeds for three quarters only is a gap: part of a week's food is no
// week's food.
func TestAPartOfAWeeksFoodIsNoWeeksFood(t *testing.T) {
	for share, fed := range map[float64]bool{0.75: false, 1.01: true} {
		h := fiveEaters()
		w := wished("beet", wish.WeightWeek, 1, wish.Cellar)
		h.Wishes = []wish.Wish{w}
		week := 1 / (1 - 0.05) // taken from storage for a kilogram in the kitchen
		h.Lots = []stock.Lot{{ID: "l", Food: "beet", Form: "cellar", Count: 1, Size: share * week, Unit: "kg", PutUp: h.YearStart() - 10, Until: h.YearStart() + 300}}
		rs := resolver(h)
		r := rs.Resolve(w)
		all := []*Resolved{r}
		rs.OnTheShelf(all, h.YearStart())
		first := slices.IndexFunc(r.Source[:], func(s wish.Form) bool { return s != "" })
		if got := r.Coming[first] == wish.Cellar; got != fed {
			t.Errorf("%g of a week's food on the shelf: week %d is %q", share, first, r.Coming[first])
		}
	}
}

// A lot is split where the kitchen could not put it up while it is picked and keeps: one
// sowing for every load of the kitchen, four at most.
func TestALotIsSplitForTheKitchen(t *testing.T) {
	h := fiveEaters()
	b := book.Usual()
	c, prep := b.Crop("tomato-paste"), b.Preparation("tomato-sauce-thick")
	weeks := math.Max(1, math.Floor((c.HarvestDays+c.KeepDays.Or(0))/7))
	for loads, want := range map[float64]int{0.5: 1, 1: 1, 1.1: 2, 2.9: 3, 9: 4} {
		rs := resolver(h)
		rs.Batches = 2
		litres := loads * prep.BatchUnits * rs.Batches * weeks
		w := wished("tomato", wish.Litres, litres, wish.Canned)
		w.Preparations = []string{prep.ID}
		if got := rs.split(&Use{Crop: c, Prep: prep, Form: wish.Canned}, w); got != want {
			t.Errorf("%g loads of the kitchen: %d sowings, want %d", loads, got, want)
		}
	}
}
