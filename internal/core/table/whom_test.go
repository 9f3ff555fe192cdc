package table

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// The household has two adults, a teen, a child of nine and one of four: 4.4 eaters, of
// whom 1.15 + 0.75 + 0.5 are children and teens.
func TestWhoEatsOfAWish(t *testing.T) {
	h := fiveEaters()
	h.Guests = []household.Guest{{ID: "g", Name: "G", AdultEquivalents: 3, Span: household.Span{From: h.Place.LastFrost, To: h.Place.FirstFrost}}}
	for _, c := range []struct {
		whom         *wish.Whom
		kind         wish.AmountKind
		eaters       float64 // in midwinter, without guests
		heads, total float64 // and what one a week comes to
	}{
		{nil, wish.Meals, 4.4, 0, 1},
		{&wish.Whom{People: 2}, wish.Meals, 2, 0, 1},
		{&wish.Whom{Per: wish.PerChild}, wish.Meals, 2.4, 0, 1},
		{&wish.Whom{Per: wish.PerInfant}, wish.Meals, 0, 0, 0},
		{&wish.Whom{Use: wish.ForGuests}, wish.Meals, 0, 0, 0},
		{&wish.Whom{Per: wish.PerMember}, wish.PiecesWeek, 4.4, 5, 5},
		{&wish.Whom{Per: wish.PerChild}, wish.PiecesWeek, 2.4, 3, 3},
		{&wish.Whom{Per: wish.PerInfant}, wish.PiecesWeek, 0, 0, 0},
		{&wish.Whom{Use: wish.ForAnimals}, wish.WeightWeek, 4.4, 0, 1},
	} {
		w := wished("carrot", c.kind, 1, wish.Fresh, wish.Cellar)
		w.For = c.whom
		r := resolver(h).Resolve(w)
		const midwinter = 40
		if math.Abs(r.AdultEquivalents[midwinter]-c.eaters) > 1e-9 || r.Heads != c.heads || r.Wanted[midwinter] != c.total {
			t.Errorf("%+v: %g eaters, %g heads, %g wanted; want %g, %g, %g", c.whom, r.AdultEquivalents[midwinter], r.Heads, r.Wanted[midwinter], c.eaters, c.heads, c.total)
		}
	}
	w := wished("carrot", wish.WeightWeek, 1, wish.Fresh)
	w.For = &wish.Whom{Per: wish.PerEater}
	if r := resolver(h).Resolve(w); r.Heads <= 4.4 || r.Heads >= 7.4 || math.Abs(r.Wish.Amount.Number-r.Heads) > 1e-9 {
		t.Errorf("each eater: %g heads and %g in all, want the mean of the year's", r.Heads, r.Wish.Amount.Number)
	}
	w = wished("carrot", wish.Meals, 1, wish.Fresh, wish.Cellar)
	w.For = &wish.Whom{Use: wish.ForGuests}
	if r := resolver(h).Resolve(w); math.Abs(r.AdultEquivalents[10]-3) > 1e-9 || r.Wanted[10] != 1 {
		t.Errorf("the guests of summer: %g eaters, %g wanted", r.AdultEquivalents[10], r.Wanted[10])
	}
}

// Spring and autumn: a wish holds in both, and not between them.
func TestAWishInTwoSeasons(t *testing.T) {
	w := wished("spinach", wish.Meals, 1, wish.Fresh)
	w.Season = wish.Season{Kind: wish.Months, From: 4, To: 5, Also: []wish.MonthRun{{From: 9, To: 10}}}
	h := fiveEaters()
	r := resolver(h).Resolve(w)
	start := h.YearStart()
	for week := range season.WeeksPerYear {
		_, m, _ := (start + civil.Date(7*week+3)).Split()
		if wanted := m == 4 || m == 5 || m == 9 || m == 10; wanted != (r.Wanted[week] > 0) {
			t.Errorf("week %d lies in month %d and wants %g", week, m, r.Wanted[week])
		}
	}
	if got := wish.Words(w, book.Usual()); !strings.Contains(got, "April to May and September to October") {
		t.Error(got)
	}
}

// 36 ears of about 300 g for the freezer are a weight.
func TestPiecesThatArePutUpAreWeighed(t *testing.T) {
	w := wished("sweet corn", wish.PiecesYear, 36, wish.Frozen)
	w.Preparations = []string{"corn-frozen"}
	c := invalid.NewCheck()
	if w.Validate(c, book.Usual()); c.Err() != nil {
		t.Fatal(c.Err())
	}
	r := resolver(fiveEaters()).Resolve(w)
	want := 36 * r.Uses[0].Crop.Piece.Value / 1000
	if r.Wish.Amount.Kind != wish.WeightYear || math.Abs(r.Wish.Amount.Number-want) > 1e-9 || want < 8 || len(r.Notes) == 0 || !strings.Contains(r.Notes[0].String(), "36") {
		t.Errorf("%g %s, want %g kg; %v", r.Wish.Amount.Number, r.Wish.Amount.Kind, want, r.Notes)
	}
}
