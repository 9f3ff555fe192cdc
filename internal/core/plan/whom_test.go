package plan_test

import (
	"strings"
	"testing"

	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
)

// A wish is shown as it was said, however many get it and whatever it weighs, so that its
// number can be changed where it stands; what it comes to follows from that.
func TestAWishIsShownAsItWasSaid(t *testing.T) {
	in := demoInput(t)
	each := wish.Wish{ID: "a", Food: "carrot", Forms: []wish.Form{wish.Fresh, wish.Cellar}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: 5}, For: &wish.Whom{Per: wish.PerChild}}
	ears := wish.Wish{ID: "b", Food: "sweet corn", Forms: []wish.Form{wish.Frozen}, Preparations: []string{"corn-frozen"}, Amount: wish.Amount{Kind: wish.PiecesYear, Number: 36}}
	in.Household.Wishes, in.Household.Plantings = []wish.Wish{each, ears}, nil
	for i := range in.Household.Wishes {
		in.Household.Wishes[i].Fill()
	}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	children := 0.0
	for _, m := range in.Household.Members {
		if m.Band == household.Teen || m.Band == household.Child || m.Band == household.SmallChild {
			children++
		}
	}
	if w := p.Wishes[0]; w.Number != 5 || !strings.HasPrefix(w.Words, "5 pieces a week") || !strings.Contains(w.Words, "for each child") || w.Wanted[30] != 5*children {
		t.Errorf("%g, %q, %g wanted a week", w.Number, w.Words, w.Wanted[30])
	}
	if w := p.Wishes[1]; w.Number != 36 || !strings.HasPrefix(w.Words, "36 pieces a year") || w.Harvested < 8 || w.Harvested > 14 {
		t.Errorf("%g, %q, %g %s to bring in", w.Number, w.Words, w.Harvested, w.HarvestUnit)
	}
}
