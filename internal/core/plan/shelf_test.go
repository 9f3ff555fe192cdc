package plan

import (
	"math"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// The Shelves page and the plan are one sum: what a lot still holds on the last day
// that it keeps is what the plan counts as left when the new crop comes on that day.
func TestOneShelfOneSum(t *testing.T) {
	wish := wish.Wish{ID: "w1", Food: "beet", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 18}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	lot := stock.Lot{ID: "l1", Food: "beet", Form: "cellar", Count: 30, Size: 1, Unit: "kg", PutUp: civil.Of(2026, 10, 18), Until: civil.Of(2028, 10, 1)}
	in := wanting(wish)
	in.Household.Lots = []stock.Lot{lot}
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
		wish := wish.Wish{ID: "w1", Food: food, Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 1}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
		in := wanting(wish)
		in.Household.Lots = []stock.Lot{{ID: "l1", Food: food, Form: "cellar", Count: 40, Size: 1, Unit: "kg", PutUp: civil.Of(2026, 10, 18), Until: in.AsOf + 70}}
		wasted := planned(t, in).Shelf[0].Wasted
		if wasted >= 39 || wasted < 20 {
			t.Errorf("of 40 kg of %s that nearly nobody eats, %g kg are left after ten weeks: it loses nothing", food, wasted)
		}
	}
}
