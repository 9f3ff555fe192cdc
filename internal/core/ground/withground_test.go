package ground_test

import (
	"context"
	"errors"
	"slices"
	"testing"

	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
)

// In a garden that is full, what closes a gap by growing more says that it needs ground that
// is not there, and comes after what needs none; with ground to spare nothing lacks any.
func TestRemediesThatNeedGroundSaySoAndComeLast(t *testing.T) {
	lacking, whole := 0, 0
	for _, beds := range []int{4, 11} {
		in, p, fit, l := mill(t, func(h *household.Household) {
			h.Beds = h.Beds[:beds]
			if beds == 11 {
				h.Wishes = h.Wishes[:9]
			}
		})
		for _, w := range p.Wishes {
			if w.WeeksFed+w.WeeksBought == w.WeeksWanted {
				continue
			}
			list, err := plan.Remedies(context.Background(), in, w.ID)
			if err != nil {
				t.Fatal(err)
			}
			got, err := ground.WithGround(context.Background(), in, p, fit, l, list)
			if err != nil {
				t.Fatal(err)
			}
			if len(got) != len(list) {
				t.Fatalf("%s: %d remedies of %d", w.Title, len(got), len(list))
			}
			for k, r := range got {
				if k > 0 && got[k-1].Lacks > 0 && r.Lacks == 0 {
					t.Errorf("%s: %s needs no ground and comes after what does", w.Title, r.Words)
				}
				if r.Lacks > 0 {
					lacking++
				} else {
					whole++
				}
				if beds == 11 && r.Lacks > 0 {
					t.Errorf("%s: %s lacks %g m² in a garden with room", w.Title, r.Words, r.Lacks)
				}
				if i := slices.IndexFunc(list, func(x plan.Remedy) bool { return x.Words == r.Words }); i < 0 {
					t.Errorf("%s: %s is another remedy", w.Title, r.Words)
				}
			}
		}
	}
	if lacking == 0 || whole == 0 {
		t.Errorf("%d remedies lack ground, %d do not: this shows nothing", lacking, whole)
	}
}

func TestWithGroundEndsWhenNobodyWaits(t *testing.T) {
	in, p, fit, l := mill(t, nil)
	list, err := plan.Remedies(context.Background(), in, p.Wishes[0].ID)
	if err != nil || len(list) == 0 {
		t.Fatal(list, err)
	}
	ctx, end := context.WithCancel(context.Background())
	end()
	if _, err := ground.WithGround(ctx, in, p, fit, l, list); !errors.Is(err, context.Canceled) {
		t.Error(err)
	}
}
