package book

import (
	"slices"
	"testing"
)

func TestWordsAreSingularAndPlain(t *testing.T) {
	for text, want := range map[string][]string{
		"Tomatoes, whole or halved": {"tomato", "whole", "or", "halved"},
		"Berries":                   {"berry"}, "radishes": {"radish"}, "Asparagus": {"asparagus"}, "cress": {"cress"}, "half-pints": {"half-pint"},
		"peas": {"pea"}, "gas": {"gas"}, "bunches": {"bunch"}, "": {}, "35 !": {},
	} {
		if got := Words(text); !slices.Equal(got, want) {
			t.Errorf("%q has the words %q, want %q", text, got, want)
		}
	}
}

func TestEdits(t *testing.T) {
	for pair, want := range map[[2]string]int{
		{"carot", "carrot"}: 1, {"lettcue", "lettuce"}: 1, {"brocolli", "broccoli"}: 2, {"pea", "pear"}: 1, {"leek", "leek"}: 0, {"", "pea"}: 3, {"mâche", "mache"}: 1,
	} {
		if got := Edits(pair[0], pair[1]); got != want || Edits(pair[1], pair[0]) != want {
			t.Errorf("%s and %s are %d apart, want %d", pair[0], pair[1], got, want)
		}
	}
}
