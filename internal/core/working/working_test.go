package working

import (
	"math"
	"testing"

	"inventory/internal/core/amount"
)

func sauce(r *Recorder) float64 {
	s := r.Open("wish/a", "harvested", "Sauce", "harvest needed")
	s.Do(Start, "Wish", 35, amount.Jar, Household)
	s.Do(Minus, "Left", 9, amount.Jar, Household)
	s.Do(Times, "A jar holds", 0.946353, amount.Litre, Usual).Note("%s jar", "quart")
	s.Is("To put up", amount.Litre)
	s.Do(Times, "It takes", 3.1497, amount.KgPerLitre, Usual).May(Overrule{Subject: "preparation/a", Field: "raw"})
	s.Do(Beside, "For comparison", 1e6, amount.Kilogram, Usual)
	s.Do(Keep, "Spoilt", 0.02, amount.Share, Usual)
	s.Do(Keep, "", 0.05, amount.Share, Usual).Called("Lost, %d in all", 2)
	return s.Is("Harvested weight", amount.Kilogram).Close(amount.Kilogram)
}

func TestTheSameSumWithAndWithoutWriting(t *testing.T) {
	r := Record(func(figure string) bool { return figure == "wish/a/harvested" })
	written, silent, other := sauce(r), sauce(nil), sauce(Record(func(string) bool { return false }))
	if written != silent || written != other || math.Abs(written-83.24) > 0.05 {
		t.Errorf("written %g, silent %g, not asked for %g", written, silent, other)
	}
	if len(r.Found) != 1 {
		t.Fatalf("%d workings", len(r.Found))
	}
	w := r.Found[0]
	if w.Title != "Sauce: harvest needed" || w.Value != written || w.Unit != amount.Kilogram || len(w.Lines) != 9 {
		t.Errorf("%+v", w)
	}
	if w.Lines[2].Note != "quart jar" || w.Lines[4].Overrule.Field != "raw" || w.Lines[7].Name != "Lost, 2 in all" {
		t.Errorf("%+v", w.Lines)
	}
	if d := w.Check(); d > 1e-12 {
		t.Errorf("off by %g", d)
	}
}

func TestCheckFindsWhatIsWrong(t *testing.T) {
	r := Record(func(string) bool { return true })
	sauce(r)
	for name, spoil := range map[string]func(*Working){
		"a result":     func(w *Working) { w.Lines[8].Value *= 1.01 },
		"a line":       func(w *Working) { w.Lines[4].Value *= 1.01 },
		"the figure":   func(w *Working) { w.Value += 1 },
		"a lost line":  func(w *Working) { w.Lines = append(w.Lines[:1:1], w.Lines[2:]...) },
		"another step": func(w *Working) { w.Lines[6].Op = Left },
	} {
		spoilt := *r.Found[0]
		spoilt.Lines = append([]Line(nil), spoilt.Lines...)
		spoil(&spoilt)
		if d := spoilt.Check(); d < 1e-3 {
			t.Errorf("%s changed, and the check finds %g", name, d)
		}
	}
}

func TestSteps(t *testing.T) {
	for _, c := range []struct {
		op         Op
		v, x, want float64
	}{
		{Start, 9, 3, 3}, {Times, 4, 3, 12}, {Over, 12, 3, 4}, {Keep, 9, 0.1, 10}, {Left, 10, 0.1, 9}, {Plus, 1, 2, 3}, {Minus, 5, 2, 3},
		{RoundUp, 3.2, 0, 4}, {RoundUp, 3.0000000001, 0, 3}, {AtLeast, 3, 16, 16}, {AtLeast, 20, 16, 20}, {Beside, 7, 3, 7}, {Least, 7, 3, 3}, {Together, 7, 3, 3},
	} {
		if got := apply(c.op, c.v, c.x); math.Abs(got-c.want) > 1e-12 {
			t.Errorf("%g %s %g is %g, want %g", c.v, c.op, c.x, got, c.want)
		}
	}
	s := (*Recorder)(nil).Open("a", "b", "", "grams")
	s.Do(Start, "n", 10, amount.Plant, Reckoned).Do(Times, "each", 250, amount.Gram, Usual)
	if s.Value() != 2.5 {
		t.Errorf("ten of 250 g are %g kg", s.Value())
	}
	s.Do(Start, "length", 20, amount.Plant, Reckoned).Do(Times, "apart", 30, amount.Centimetre, Usual)
	if s.Value() != 6 || s.On() {
		t.Errorf("twenty at 30 cm are %g m", s.Value())
	}
}
