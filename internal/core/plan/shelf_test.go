package plan

import (
	"context"
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/shelf"
	"inventory/internal/core/table"
	"inventory/internal/core/work"
)

// The Shelves page and the plan are one sum: what a lot still holds on the last day
// that it keeps is what the plan counts as left when the new crop comes on that day.
func TestOneShelfOneSum(t *testing.T) {
	wish := table.Wish{ID: "w1", Food: "beet", Forms: []table.Form{table.Cellar}, Amount: table.Amount{Kind: table.WeightYear, Number: 18}, Season: table.Season{Kind: table.AllYear}, Priority: table.Want, Stagger: table.Stagger{Kind: table.ByNeed}}
	lot := shelf.Lot{ID: "l1", Food: "beet", Form: "cellar", Count: 30, Size: 1, Unit: "kg", PutUp: civil.Of(2026, 10, 18), Until: civil.Of(2028, 10, 1)}
	in := wanting(wish)
	in.Household.Lots = []shelf.Lot{lot}
	p := planned(t, in)
	left, kept := p.Wishes[0].Uses[0].Left, p.Wishes[0].Uses[0].Kept
	if left < 2 || left > 17 {
		t.Fatalf("of 30 kg in October, %g are left on %s", left, kept)
	}
	// The same lot, thrown out on the last of the weekly looks before the new crop.
	in.Household.Lots[0].Until = *kept - 7 + (in.AsOf-*kept)%7
	for in.Household.Lots[0].Until+7 < *kept {
		in.Household.Lots[0].Until += 7
	}
	thrown := planned(t, in).Shelf[0].Wasted
	if math.Abs(thrown-left) > 0.5 {
		t.Errorf("the plan counts on %g kg when the new crop comes; Shelves says that %g kg are left by then", left, thrown)
	}
}

// What is stored loses as its keeping kind does, not as the first kind of its food:
// maincrop potatoes and storage cabbages lose by the month.
func TestWhatIsStoredLoses(t *testing.T) {
	for _, food := range []string{"potato", "cabbage", "carrot"} {
		wish := table.Wish{ID: "w1", Food: food, Forms: []table.Form{table.Cellar}, Amount: table.Amount{Kind: table.WeightYear, Number: 1}, Season: table.Season{Kind: table.AllYear}, Priority: table.Want, Stagger: table.Stagger{Kind: table.ByNeed}}
		in := wanting(wish)
		in.Household.Lots = []shelf.Lot{{ID: "l1", Food: food, Form: "cellar", Count: 40, Size: 1, Unit: "kg", PutUp: civil.Of(2026, 10, 18), Until: in.AsOf + 70}}
		wasted := planned(t, in).Shelf[0].Wasted
		if wasted >= 39 || wasted < 20 {
			t.Errorf("of 40 kg of %s that nearly nobody eats, %g kg are left after ten weeks: it loses nothing", food, wasted)
		}
	}
}

// The ways of every wish of a large household are found, whatever the change that is
// tried: one that the book does not allow is passed over.
func TestEveryWishHasItsWays(t *testing.T) {
	in := everything()
	in.Memory = &Memory{}
	some := 0
	for _, w := range in.Household.Wishes {
		ways, err := Ways(context.Background(), in, w.ID)
		if err != nil {
			t.Errorf("%s: %v", w.ID, err)
		}
		some += len(ways)
	}
	if some < 10 {
		t.Errorf("only %d ways", some)
	}
}

// A patch is planted in the coming spring and picked from the year in which it first
// bears; until then its weeks are gaps, and the note says from when.
func TestANewPatchWaitsUntilItBears(t *testing.T) {
	rhubarb := table.Wish{ID: "w1", Food: "rhubarb", Forms: []table.Form{table.Fresh}, Amount: table.Amount{Kind: table.Meals, Number: 1}, Season: table.Season{Kind: table.While}, Priority: table.Want, Stagger: table.Stagger{Kind: table.ByNeed}}
	in := wanting(rhubarb)
	p := planned(t, in)
	w := p.Wishes[0]
	if w.WeeksFed != 0 || w.WeeksWanted == 0 || w.Harvested != 0 || w.Plants == 0 || !strings.Contains(strings.Join(w.Notes, " "), "planted in spring 2027 it is first picked in 2028, with 50 % of a full crop") {
		t.Errorf("%d of %d weeks are fed by %g kg of %d new plants: %q", w.WeeksFed, w.WeeksWanted, w.Harvested, w.Plants, w.Notes)
	}
	for _, s := range p.Sowings {
		if s.FirstPick != nil || slices.ContainsFunc(s.Tasks, func(x work.Task) bool { return x.What == "pick" }) {
			t.Errorf("a new patch is to be picked on %v: %+v", s.FirstPick, s.Tasks)
		}
		if s.Date < in.AsOf || s.Date > in.AsOf+200 {
			t.Errorf("it is planted on %s", s.Date)
		}
	}
	in.Household.Patches = []table.Patch{{ID: "p", Crop: "rhubarb", Plants: 60, Planted: 2020}}
	if w := planned(t, in).Wishes[0]; w.WeeksFed != w.WeeksWanted || !strings.Contains(strings.Join(w.Notes, " "), "that stand give 100 % of a full crop") {
		t.Errorf("%d of %d weeks are fed by what stands: %q", w.WeeksFed, w.WeeksWanted, w.Notes)
	}
}

// Fifty kilograms of tomatoes as sauce are jars, batches and hours, as the jars that
// they come to are.
func TestWhatIsPutUpByWeightFillsJars(t *testing.T) {
	sauce := func(kind table.Kind, n float64) Wish {
		return planned(t, wanting(table.Wish{ID: "w1", Food: "tomato", Forms: []table.Form{table.Canned}, Preparations: []string{"tomato-sauce-thick"}, Amount: table.Amount{Kind: kind, Number: n}, Season: table.Season{Kind: table.AllYear}, Priority: table.Want, Stagger: table.Stagger{Kind: table.ByNeed}})).Wishes[0]
	}
	byWeight := sauce(table.WeightYear, 50)
	if want := int(math.Ceil(50 * 0.98 * 0.95 / 3.15 / 0.946353)); byWeight.ToFill != want {
		t.Errorf("50 kg fill %d jars, want %d", byWeight.ToFill, want)
	}
	byJars := sauce(table.Jars, float64(byWeight.ToFill))
	if math.Abs(byJars.Harvested-50) > 3.2 || math.Abs(byJars.Batches-byWeight.Batches) > 0.15 || byJars.Plants-byWeight.Plants > 3 {
		t.Errorf("as jars %g kg, %g batches, %d plants; by weight 50 kg, %g, %d", byJars.Harvested, byJars.Batches, byJars.Plants, byWeight.Batches, byWeight.Plants)
	}
}
