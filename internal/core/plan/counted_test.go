package plan_test

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
)

// countedPlan plans one wish that counts plants, at the mill house.
func countedPlan(t *testing.T, asOf civil.Date, w wish.Wish) plan.Plan {
	t.Helper()
	in := demoInput(t)
	in.AsOf = asOf
	in.Household.Wishes, in.Household.Plantings, in.Household.Lots = []wish.Wish{w}, nil, nil
	in.Household.Wishes[0].ID = "w"
	in.Household.Wishes[0].Fill()
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// So many plants are begun once, as many as were said, and give what such plants give in an
// average year: nothing is sown beside them, and nothing is asked of them that they do not give.
func TestPlantsThatAreCountedGiveWhatTheyGive(t *testing.T) {
	january, july := civil.Of(2027, 1, 10), civil.Of(2027, 7, 1)
	for _, c := range []struct {
		name                  string
		asOf                  civil.Date
		w                     wish.Wish
		plants                int
		least, most           float64 // kg in an average year
		fewestWeeks, mostWeek int
	}{
		// 24 slicing tomatoes give about 4 kg each until the frost, eaten from July to October.
		{"24 tomatoes", january, wish.Wish{Food: "tomato", Variety: "tomato-slicing", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Plants, Number: 24}}, 24, 60, 130, 8, 16},
		// Thirty potatoes give 20 to 30 kg, kept from autumn until spring.
		{"30 potatoes", january, wish.Wish{Food: "potato", Variety: "potato-maincrop", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.Plants, Number: 30}}, 30, 18, 40, 15, 40},
		// A row of 10 m of bush beans at 8 cm: 125 plants.
		{"10 m of beans", january, wish.Wish{Food: "snap bean", Variety: "bush-bean", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.RowLength, Number: 10}}, 125, 8, 30, 2, 8},
		{"12 cabbages for the crock", january, wish.Wish{Food: "cabbage", Forms: []wish.Form{wish.Fermented}, Preparations: []string{"sauerkraut"}, Amount: wish.Amount{Kind: wish.Plants, Number: 12}}, 12, 10, 30, 10, 52},
		// In July beans may still be sown: they give as much.
		{"beans in July", july, wish.Wish{Food: "snap bean", Variety: "bush-bean", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.RowLength, Number: 10}}, 125, 8, 30, 2, 8},
	} {
		p := countedPlan(t, c.asOf, c.w)
		w := p.Wishes[0]
		if len(p.Sowings) != 1 || p.Sowings[0].Plants != c.plants || w.Number != c.w.Amount.Number {
			t.Errorf("%s: %d sowings, %+v", c.name, len(p.Sowings), p.Sowings)
			continue
		}
		got := p.Wishes[0].Average
		if got < c.least || got > c.most || w.WeeksFed < c.fewestWeeks || w.WeeksFed > c.mostWeek || (w.WeeksWanted-w.WeeksFed) != 0 {
			t.Errorf("%s: %.1f kg in an average year, %d weeks fed, %d unfed", c.name, got, w.WeeksFed, (w.WeeksWanted - w.WeeksFed))
		}
		if math.Abs(got-w.Harvested) > 0.005*got {
			t.Errorf("%s: %.2f kg are wanted of plants that give %.2f", c.name, w.Harvested, got)
		}
	}
}

// Plants that it is too late for want nothing and leave no gap; the wish says from when
// they can again.
func TestPlantsThatCanBeBegunNoMore(t *testing.T) {
	for _, form := range []wish.Form{wish.Cellar, wish.Fresh} {
		p := countedPlan(t, civil.Of(2027, 9, 20), wish.Wish{Food: "potato", Forms: []wish.Form{form}, Amount: wish.Amount{Kind: wish.Plants, Number: 30}})
		w := p.Wishes[0]
		if w.WeeksWanted != 0 || w.WeeksFed != 0 || w.Harvested != 0 || len(p.Sowings) != 0 || p.Tally.WeeksWanted != 0 {
			t.Errorf("%s: %d weeks wanted, %g kg, %d sowings", form, w.WeeksWanted, w.Harvested, len(p.Sowings))
		}
		said := false
		for _, n := range w.Notes {
			said = said || strings.Contains(n.String(), "it is too late for ")
		}
		if !said {
			t.Errorf("%s: nothing is said: %v", form, w.Notes)
		}
	}
}

// Twice the plants give twice as much, over the same weeks, whatever they are counted in.
func TestTwiceThePlantsGiveTwiceAsMuch(t *testing.T) {
	for _, kind := range []wish.AmountKind{wish.Plants, wish.Area, wish.RowLength} {
		of := func(n float64) plan.Plan {
			return countedPlan(t, civil.Of(2027, 1, 10), wish.Wish{Food: "carrot", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: kind, Number: n}})
		}
		once, twice := of(60), of(120)
		if a, b := once.Wishes[0], twice.Wishes[0]; b.Plants < 2*a.Plants || b.Plants > 2*a.Plants+1 || math.Abs(b.Average-2*a.Average) > 0.02*a.Average || once.Sowings[0].Date != twice.Sowings[0].Date {
			t.Errorf("%s: %d plants give %.1f kg, %d give %.1f", kind, a.Plants, a.Average, b.Plants, b.Average)
		}
		if once.Wishes[0].WeeksFed != twice.Wishes[0].WeeksFed {
			t.Errorf("%s: %d and %d weeks fed", kind, once.Wishes[0].WeeksFed, twice.Wishes[0].WeeksFed)
		}
	}
}
