package line

import (
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// A food without an amount is offered in the ways that it is counted, and in no other.
func TestChoicesForABareFood(t *testing.T) {
	for text, want := range map[string][]wish.AmountKind{
		"carrots":      {wish.Meals, wish.Meals, wish.WeightYear, wish.Jars},
		"head lettuce": {wish.Meals, wish.Meals, wish.WeightYear, wish.PiecesYear},
		"sauerkraut":   {wish.Jars},
	} {
		got := Choices(text, book.Usual(), Where{}, 4, false)
		var kinds []wish.AmountKind
		for _, c := range got {
			kinds = append(kinds, c.Wish.Amount.Kind)
		}
		for _, k := range want {
			if !slices.Contains(kinds, k) {
				t.Errorf("%q is not offered as %s: %v", text, k, kinds)
			}
		}
	}
	for _, text := range []string{"", "carrots 2x week", "moonflower", "35 qt"} {
		if got := Choices(text, book.Usual(), Where{}, 4, false); len(got) > 0 {
			t.Errorf("%q is offered %q", text, got[0].Line)
		}
	}
	metric, us := Choices("kale", book.Usual(), Where{}, 4, false), Choices("kale", book.Usual(), Where{}, 4, true)
	lines := func(all []Choice) (out []string) {
		for _, c := range all {
			out = append(out, c.Line)
		}
		return out
	}
	if !slices.Contains(lines(metric), "20 kg kale") || !slices.Contains(lines(us), "40 lb kale") {
		t.Errorf("%q and %q", lines(metric), lines(us))
	}
}
