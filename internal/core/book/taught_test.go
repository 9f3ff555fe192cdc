package book

import (
	"math"
	"testing"
)

// What the record teaches goes before the book, and what the household has set goes before both.
func TestWhatIsTaughtGoesBeforeTheBook(t *testing.T) {
	usual := Usual()
	leek, kale := usual.Crop("leek"), usual.Crop("kale")
	set, _, _, err := usual.With([]Overrule{{Subject: "crop/leek", Field: "yield", Value: 0.3}, {Subject: "crop/leek", Field: "fail_prob", Value: 0.2}})
	if err != nil {
		t.Fatal(err)
	}
	b := set.Taught(Taught{
		Yields: map[string]Own{"leek": {Factor: 0.5, Sd: 0.2}, "kale": {Factor: 0.8, Sd: 0.2, Plantings: 4, Years: 2}, "gone": {Factor: 2}},
		Losses: map[string]Lesson{"leek": {0.4, 3}, "kale": {0.11, 4}},
		Raw:    map[string]Lesson{"tomato-sauce-thick": {3.3, 5}, "gone": {1, 1}},
	})
	if c := b.Crop("leek"); c.Gives() != 0.3 || c.FailProb != 0.2 {
		t.Errorf("what the household set is %g and %g", c.Gives(), c.FailProb)
	}
	c := b.Crop("kale")
	if want := 0.8 * kale.Yield.Value; math.Abs(c.Gives()-want) > 1e-9 || c.FailProb != 0.11 {
		t.Errorf("kale gives %g, fails with %g", c.Gives(), c.FailProb)
	}
	if a, _ := c.Assumed("fail_prob"); a.From != 4 || a.Set || a.Usual != kale.FailProb || a.Value != 0.11 {
		t.Errorf("it is told as %+v", a)
	}
	p := b.Preparation("tomato-sauce-thick")
	if a, _ := p.Assumed("raw"); p.Raw != 3.3 || a.From != 5 || a.Usual != usual.Preparation(p.ID).Raw {
		t.Errorf("sauce takes %g, told as %+v", p.Raw, a)
	}
	if usual.Crop("kale") != kale || kale.OwnYield.Factor != 0 || leek.Gives() != leek.Yield.Value {
		t.Error("the book that was taught has changed")
	}
	if usual.Taught(Taught{}) != usual {
		t.Error("taught nothing, it is another book")
	}
}
