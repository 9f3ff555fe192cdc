package household

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

func fiveEaters() Household {
	return Household{
		Name: "The ford", Year: 2027, Risk: season.UsualRisk, Place: place.Examples()[0].Place,
		Members: []Member{
			{ID: "1", Name: "A", Band: Adult}, {ID: "2", Name: "B", Band: Adult}, {ID: "3", Name: "C", Band: Teen},
			{ID: "4", Name: "D", Band: Child}, {ID: "5", Name: "E", Band: SmallChild},
		},
	}
}

// Example G: eaters.
func TestEaters(t *testing.T) {
	h := fiveEaters()
	for w, e := range h.AdultEquivalents() {
		if math.Abs(e-4.4) > 1e-9 {
			t.Fatalf("week %d has %g eaters, want 4.4", w, e)
		}
	}
	// Away all August; the year begins on 28 April.
	h.Members[2].Away = []Span{{From: civil.MonthDay{Month: 8, Day: 1}, To: civil.MonthDay{Month: 8, Day: 31}}}
	h.Guests = []Guest{{ID: "g", Name: "G", AdultEquivalents: 3, Span: Span{From: civil.MonthDay{Month: 12, Day: 25}, To: civil.MonthDay{Month: 1, Day: 2}}}}
	e := h.AdultEquivalents()
	var away, guests float64
	for _, v := range e {
		away += math.Max(0, 4.4-v) * 7
		guests += math.Max(0, v-4.4) * 7
	}
	if math.Abs(away-1.15*31) > 1e-6 {
		t.Errorf("a teen away for 31 days is %g eater-days less, want %g", away, 1.15*31)
	}
	if math.Abs(guests-3*9) > 1e-6 {
		t.Errorf("three guests over New Year for 9 days are %g eater-days, want 27", guests)
	}
}

func TestWhatCannotBeAHousehold(t *testing.T) {
	for name, spoil := range map[string]func(*Household){
		"members":         func(h *Household) { h.Members = nil },
		"name":            func(h *Household) { h.Name = "  " },
		"year":            func(h *Household) { h.Year = 12 },
		"members[1].id":   func(h *Household) { h.Members[1].ID = "1" },
		"members[0].name": func(h *Household) { h.Members[0].Name = "" },
		"members[0].band": func(h *Household) { h.Members[0].Band = "giant" },
		"risk":            func(h *Household) { h.Risk = "reckless" },
		"wishes":          func(h *Household) { h.Wishes = make([]wish.Wish, MostWishes+1) },
		"overrules[1].field": func(h *Household) {
			h.Overrules = []book.Overrule{{Subject: "household", Field: "cull", Value: 0.1}, {Subject: "household", Field: "cull", Value: 0.2}}
		},
	} {
		h := fiveEaters()
		spoil(&h)
		if err := h.Validate(book.Usual()); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == name }) {
			t.Errorf("%s: got %v", name, err)
		}
	}
}

func TestTheFirstYear(t *testing.T) {
	h := fiveEaters()
	for asOf, want := range map[civil.Date]int{civil.Of(2026, 11, 25): 2027, civil.Of(2027, 3, 1): 2027, civil.Of(2027, 6, 1): 2027, civil.Of(2027, 7, 20): 2027, civil.Of(2027, 9, 1): 2028} {
		if got := h.FirstYear(asOf); got != want {
			t.Errorf("begun on %s the year is %d, want %d", asOf, got, want)
		}
	}
}
