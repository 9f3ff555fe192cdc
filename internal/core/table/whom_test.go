package table

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
)

// The household has two adults, a teen, a child of nine and one of four: 4.4 eaters, of
// whom 1.15 + 0.75 + 0.5 are children and teens.
func TestWhoEatsOfAWish(t *testing.T) {
	h := household()
	h.Guests = []Guest{{ID: "g", Name: "G", Eaters: 3, Span: Span{From: h.Place.LastFrost, To: h.Place.FirstFrost}}}
	for _, c := range []struct {
		whom         *Whom
		kind         Kind
		eaters       float64 // in midwinter, without guests
		heads, total float64 // and what one a week comes to
	}{
		{nil, Meals, 4.4, 0, 1},
		{&Whom{People: 2}, Meals, 2, 0, 1},
		{&Whom{Per: PerChild}, Meals, 2.4, 0, 1},
		{&Whom{Per: PerInfant}, Meals, 0, 0, 0},
		{&Whom{Use: ForGuests}, Meals, 0, 0, 0},
		{&Whom{Per: PerMember}, PiecesWeek, 4.4, 5, 5},
		{&Whom{Per: PerChild}, PiecesWeek, 2.4, 3, 3},
		{&Whom{Per: PerInfant}, PiecesWeek, 0, 0, 0},
		{&Whom{Use: ForAnimals}, WeightWeek, 4.4, 0, 1},
	} {
		w := wish("carrot", c.kind, 1, Fresh, Cellar)
		w.For = c.whom
		r := resolver(h).Resolve(w)
		const midwinter = 40
		if math.Abs(r.Eaters[midwinter]-c.eaters) > 1e-9 || r.Heads != c.heads || r.Wanted[midwinter] != c.total {
			t.Errorf("%+v: %g eaters, %g heads, %g wanted; want %g, %g, %g", c.whom, r.Eaters[midwinter], r.Heads, r.Wanted[midwinter], c.eaters, c.heads, c.total)
		}
	}
	w := wish("carrot", WeightWeek, 1, Fresh)
	w.For = &Whom{Per: PerEater}
	if r := resolver(h).Resolve(w); r.Heads <= 4.4 || r.Heads >= 7.4 || math.Abs(r.Wish.Amount.Number-r.Heads) > 1e-9 {
		t.Errorf("each eater: %g heads and %g in all, want the mean of the year's", r.Heads, r.Wish.Amount.Number)
	}
	w = wish("carrot", Meals, 1, Fresh, Cellar)
	w.For = &Whom{Use: ForGuests}
	if r := resolver(h).Resolve(w); math.Abs(r.Eaters[10]-3) > 1e-9 || r.Wanted[10] != 1 {
		t.Errorf("the guests of summer: %g eaters, %g wanted", r.Eaters[10], r.Wanted[10])
	}
}

func TestWhomThatCannotBe(t *testing.T) {
	for field, change := range map[string]func(*Wish){
		"for.per":           func(w *Wish) { w.For = &Whom{Per: "uncle"} },
		"for.use":           func(w *Wish) { w.For = &Whom{Use: "compost"} },
		"for.people":        func(w *Wish) { w.For = &Whom{People: 51} },
		"amount.kind":       func(w *Wish) { w.For = &Whom{Use: ForAnimals} },
		"season.also":       func(w *Wish) { w.Season.Also = []MonthRun{{1, 2}} },
		"season.also[0].to": func(w *Wish) { w.Season = Season{Kind: Months, From: 1, To: 2, Also: []MonthRun{{3, 13}}} },
	} {
		w := wish("carrot", Meals, 1, Fresh)
		change(&w)
		c := invalid.NewCheck()
		w.Validate(c, book.Usual())
		if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: %v", field, c.Err())
		}
	}
	for _, w := range []Wish{wish("carrot", WeightYear, 1, Fresh), wish("marigold", Plants, 5)} {
		w.For = &Whom{People: 2}
		c := invalid.NewCheck()
		w.Validate(c, book.Usual())
		if c.Err() == nil {
			t.Errorf("%s for two people stands", w.Amount.Kind)
		}
	}
}

// Spring and autumn: a wish holds in both, and not between them.
func TestAWishInTwoSeasons(t *testing.T) {
	w := wish("spinach", Meals, 1, Fresh)
	w.Season = Season{Kind: Months, From: 4, To: 5, Also: []MonthRun{{9, 10}}}
	h := household()
	r := resolver(h).Resolve(w)
	start := h.YearStart()
	for week := range season.WeeksPerYear {
		_, m, _ := (start + civil.Date(7*week+3)).Split()
		if wanted := m == 4 || m == 5 || m == 9 || m == 10; wanted != (r.Wanted[week] > 0) {
			t.Errorf("week %d lies in month %d and wants %g", week, m, r.Wanted[week])
		}
	}
	if got := Words(w, book.Usual()); !strings.Contains(got, "April to May and September to October") {
		t.Error(got)
	}
}

// 36 ears of about 300 g for the freezer are a weight.
func TestPiecesThatArePutUpAreWeighed(t *testing.T) {
	w := wish("sweet corn", PiecesYear, 36, Frozen)
	w.Preparations = []string{"corn-frozen"}
	c := invalid.NewCheck()
	if w.Validate(c, book.Usual()); c.Err() != nil {
		t.Fatal(c.Err())
	}
	r := resolver(household()).Resolve(w)
	want := 36 * r.Uses[0].Crop.Piece.Value / 1000
	if r.Wish.Amount.Kind != WeightYear || math.Abs(r.Wish.Amount.Number-want) > 1e-9 || want < 8 || len(r.Notes) == 0 || !strings.Contains(r.Notes[0], "36") {
		t.Errorf("%g %s, want %g kg; %v", r.Wish.Amount.Number, r.Wish.Amount.Kind, want, r.Notes)
	}
}
