package record

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Every cause has words, and no two the same; a cause that is none is refused.
func TestCausesOfLosses(t *testing.T) {
	seen := map[string]bool{}
	for _, f := range Causes() {
		words, ok := f.Cause.Words()
		if !ok || words != f.Words || words == "" || seen[words] {
			t.Errorf("%q: %q", f.Cause, words)
		}
		seen[words] = true
	}
	if words, ok := Cause("").Words(); !ok || words != "" {
		t.Errorf("nobody said why: %q %v", words, ok)
	}
	if _, ok := Cause("dragons").Words(); ok {
		t.Error("dragons are a cause")
	}
	p := Planting{ID: "a", Crop: "kale", Day: civil.Of(2027, 5, 1), For: []Purpose{}, Losses: []Loss{{Day: civil.Of(2027, 6, 1), Left: 40, Cause: "pests"}}}
	check := func(want string) {
		c := invalid.NewCheck()
		p.Validate(c, book.Usual())
		all := invalid.All(c.Err())
		if want == "" && len(all) > 0 || want != "" && (len(all) != 1 || all[0].Field != want) {
			t.Errorf("want a mistake at %q: %v", want, c.Err())
		}
	}
	check("")
	p.Losses[0].Cause = "dragons"
	check("losses[0].cause")
	p.Losses[0].Cause, p.Losses[0].Left = "pests", 140
	check("losses[0].left")
}
