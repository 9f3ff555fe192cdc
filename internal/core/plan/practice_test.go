package plan

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/household"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// The ways of every wish of a large household are found, whatever the change that is
// tried: one that the book does not allow is passed over.
func TestEveryWishHasItsWays(t *testing.T) {
	in := everything()
	in.Memory = &Memory{}
	some := 0
	for _, w := range in.Household.Wishes {
		ways, err := Remedies(context.Background(), in, w.ID)
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
	rhubarb := wish.Wish{ID: "w1", Food: "rhubarb", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	in := wanting(rhubarb)
	p := planned(t, in)
	w := p.Wishes[0]
	if w.WeeksFed != 0 || w.WeeksWanted == 0 || w.Harvested != 0 || w.Plants == 0 || !strings.Contains(fmt.Sprint(w.Notes), "planted in spring 2027 it is first picked in 2028, with 50 % of a full crop") {
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
	in.Household.Patches = []household.Patch{{ID: "p", Crop: "rhubarb", Plants: 60, Planted: 2020}}
	if w := planned(t, in).Wishes[0]; w.WeeksFed != w.WeeksWanted || !strings.Contains(fmt.Sprint(w.Notes), "rhubarb plants give 100 % of a full crop") {
		t.Errorf("%d of %d weeks are fed by what stands: %q", w.WeeksFed, w.WeeksWanted, w.Notes)
	}
}

// Fifty kilograms of tomatoes as sauce are jars, batches and hours, as the jars that
// they come to are.
func TestWhatIsPutUpByWeightFillsJars(t *testing.T) {
	sauce := func(kind wish.AmountKind, n float64) Wish {
		return planned(t, wanting(wish.Wish{ID: "w1", Food: "tomato", Forms: []wish.Form{wish.Canned}, Preparations: []string{"tomato-sauce-thick"}, Amount: wish.Amount{Kind: kind, Number: n}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}})).Wishes[0]
	}
	byWeight := sauce(wish.WeightYear, 50)
	if want := int(math.Ceil(50 * 0.98 * 0.95 / 3.15 / 0.946353)); byWeight.ToFill != want {
		t.Errorf("50 kg fill %d jars, want %d", byWeight.ToFill, want)
	}
	byJars := sauce(wish.Jars, float64(byWeight.ToFill))
	if math.Abs(byJars.Harvested-50) > 3.2 || math.Abs(byJars.Batches-byWeight.Batches) > 0.15 || byJars.Plants-byWeight.Plants > 3 {
		t.Errorf("as jars %g kg, %g batches, %d plants; by weight 50 kg, %g, %d", byJars.Harvested, byJars.Batches, byJars.Plants, byWeight.Batches, byWeight.Plants)
	}
}

func corn(ears float64, stagger wish.Stagger) wish.Wish {
	return wish.Wish{ID: "w1", Food: "sweet corn", Variety: "sweet-corn-late", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesYear, Number: ears}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: stagger}
}

// An amount of the year that is eaten fresh claims no particular week: two dozen ears
// are two blocks of corn, not one for each week.
func TestAYearsFreshAmountClaimsNoWeek(t *testing.T) {
	for ears, want := range map[float64]int{6: 1, 24: 2, 40: 3} {
		p := planned(t, wanting(corn(ears, wish.Stagger{Kind: wish.ByNeed})))
		if len(p.Sowings) != want {
			t.Errorf("%g ears are %d sowings, want %d", ears, len(p.Sowings), want)
		}
		var sum float64
		for i, s := range p.Sowings {
			sum += s.Need
			if i > 0 && *s.SurePick-*p.Sowings[i-1].SurePick < 10 {
				t.Errorf("%g ears: ready on %s and %s", ears, p.Sowings[i-1].SurePick, s.SurePick)
			}
		}
		if w := p.Wishes[0]; math.Abs(sum-ears) > 1e-6 || w.WeeksFed != w.WeeksWanted {
			t.Errorf("%g ears: %g are harvest needed, %d of %d weeks fed", ears, sum, w.WeeksFed, w.WeeksWanted)
		}
	}
}

// Two lots three weeks apart are two lots three weeks apart.
func TestSoManySowingsSoManyDaysApart(t *testing.T) {
	p := planned(t, wanting(corn(60, wish.Stagger{Kind: wish.Times, Sowings: 2, Days: 21})))
	if len(p.Sowings) != 2 || p.Sowings[1].Date-p.Sowings[0].Date != 21 {
		t.Fatalf("%d sowings: %+v", len(p.Sowings), p.Sowings)
	}
	bad := wanting(corn(60, wish.Stagger{Kind: wish.Times, Sowings: 2, Days: 2}))
	if _, err := Compute(bad); err == nil || !strings.Contains(err.Error(), "stagger.days") {
		t.Errorf("two days apart: %v", err)
	}
}
