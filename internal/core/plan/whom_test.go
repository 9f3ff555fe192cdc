package plan_test

import (
	"strings"
	"testing"

	"inventory/internal/core/plan"
	"inventory/internal/core/table"
)

// A wish is shown as it was said, however many get it and whatever it weighs, so that its
// number can be changed where it stands; what it comes to follows from that.
func TestAWishIsShownAsItWasSaid(t *testing.T) {
	in := demoInput(t)
	each := table.Wish{ID: "a", Food: "carrot", Forms: []table.Form{table.Fresh, table.Cellar}, Amount: table.Amount{Kind: table.PiecesWeek, Number: 5}, For: &table.Whom{Per: table.PerChild}}
	ears := table.Wish{ID: "b", Food: "sweet corn", Forms: []table.Form{table.Frozen}, Preparations: []string{"corn-frozen"}, Amount: table.Amount{Kind: table.PiecesYear, Number: 36}}
	in.Household.Wishes, in.Household.Plantings = []table.Wish{each, ears}, nil
	for i := range in.Household.Wishes {
		in.Household.Wishes[i].Fill()
	}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	children := 0.0
	for _, m := range in.Household.Members {
		if m.Band == table.Teen || m.Band == table.Child || m.Band == table.SmallChild {
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
