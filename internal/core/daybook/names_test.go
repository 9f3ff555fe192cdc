package daybook

import (
	"slices"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/stock"
)

// A word stands for the things whose name has a word that begins so: kinds, preparations, beds, and
// the lots of what was put up.
func TestAWordStandsForWhatIsCalledSo(t *testing.T) {
	beds := []bed.Bed{{ID: "b1", Name: "Reed bed"}, {ID: "b2", Name: "Mill bed"}}
	lots := []stock.Lot{{ID: "l1", Food: "tomato", Preparation: "tomato-sauce-thick"}, {ID: "l2", Food: "potato"}}
	for word, want := range map[string][]string{"Reed": {"b1"}, "bed": {"b1", "b2"}, "sauce": {"tomato-sauce-thick", "l1"}, "potat": {"l2", "potato-early"}, "pickling": {"cucumber-pickling"}} {
		got := Names(word, book.Usual(), beds, lots)
		for _, id := range want {
			if !slices.Contains(got, id) {
				t.Errorf("%q stands for %v, without %s", word, got, id)
			}
		}
		if slices.Contains(got, "b2") != (word == "bed") || slices.Contains(got, "l2") != (word == "potat") {
			t.Errorf("%q stands for %v", word, got)
		}
	}
	if got := Names("zzz", book.Usual(), beds, lots); len(got) != 0 {
		t.Errorf("%v", got)
	}
}
