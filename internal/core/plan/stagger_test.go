package plan_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

// Plants that nobody weighs are sown as often as the wish says, so many of them each.
func TestPlantsThatNobodyWeighsAreStaggered(t *testing.T) {
	in := demoInput(t)
	for _, c := range []struct {
		stagger wish.Stagger
		want    []int // plants of each sowing
		apart   int
	}{
		{wish.Stagger{Kind: wish.ByNeed}, []int{24}, 0},
		{wish.Stagger{Kind: wish.Times, Sowings: 3, Days: 10}, []int{8, 8, 8}, 10},
		{wish.Stagger{Kind: wish.Times, Sowings: 2}, []int{12, 12}, 0},
	} {
		w := wish.Wish{ID: "m", Food: "nasturtium", Forms: []wish.Form{}, Amount: wish.Amount{Kind: wish.Plants, Number: 24}, Stagger: c.stagger}
		w.Fill()
		in.Household.Wishes = []wish.Wish{w}
		p, err := plan.Compute(in)
		if err != nil {
			t.Fatal(err)
		}
		var got []int
		for i, s := range p.Sowings {
			if s.Crop != "nasturtium" {
				continue
			}
			if got = append(got, s.Plants); c.apart > 0 && len(got) > 1 && s.Day-p.Sowings[i-1].Day != civil.Date(c.apart) {
				t.Errorf("%+v: %d days apart", c.stagger, s.Day-p.Sowings[i-1].Day)
			}
		}
		if !slices.Equal(got, c.want) {
			t.Errorf("%+v: sown %v, want %v", c.stagger, got, c.want)
		}
	}
}

// A row of so many metres takes the plants that stand in it.
func TestPlantsByTheMetreOfRow(t *testing.T) {
	in := demoInput(t)
	w := wish.Wish{ID: "m", Food: "nasturtium", Forms: []wish.Form{}, Amount: wish.Amount{Kind: wish.RowLength, Number: 6}}
	w.Fill()
	in.Household.Wishes = []wish.Wish{w}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	want := int(math.Ceil(6*100/book.Usual().Crop("nasturtium").InRow.Value - 1e-9))
	if p.Wishes[0].Plants != want {
		t.Errorf("6 m of row hold %d plants, want %d", p.Wishes[0].Plants, want)
	}
}

// The least block of corn gives more than is needed: it is said, with how often would do.
func TestTheLeastBlockIsTold(t *testing.T) {
	in := demoInput(t)
	for number, told := range map[float64]bool{3: true, 16: false} {
		w := wish.Wish{ID: "m", Food: "sweet corn", Variety: "sweet-corn-late", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: number}, Season: wish.Season{Kind: wish.Months, From: 8, To: 9}}
		w.Fill()
		in.Household.Wishes, in.Household.Plantings = []wish.Wish{w}, nil
		p, err := plan.Compute(in)
		if err != nil {
			t.Fatal(err)
		}
		if got := slices.ContainsFunc(p.Wishes[0].Notes, func(n say.Note) bool { return strings.Contains(n.String(), "A sowing every") }); got != told {
			t.Errorf("%g ears a week: %q", number, p.Wishes[0].Notes)
		}
	}
}
