package wish

import (
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func wished(food string, kind AmountKind, number float64, forms ...Form) Wish {
	w := Wish{ID: "w", Food: food, Forms: forms, Amount: Amount{Kind: kind, Number: number}}
	w.Fill()
	return w
}

func TestWhatCannotBeWished(t *testing.T) {
	b := book.Usual()
	cases := []struct {
		name  string
		spoil func(*Wish)
		field string
	}{
		{"negative", func(w *Wish) { w.Amount.Number = -1 }, "amount.number"},
		{"zero", func(w *Wish) { w.Amount.Number = 0 }, "amount.number"},
		{"NaN", func(w *Wish) { w.Amount.Number = math.NaN() }, "amount.number"},
		{"infinite", func(w *Wish) { w.Amount.Number = math.Inf(1) }, "amount.number"},
		{"1e12", func(w *Wish) { w.Amount.Number = 1e12 }, "amount.number"},
		{"unknown food", func(w *Wish) { w.Food = "carot" }, "food"},
		{"a kind of another food", func(w *Wish) { w.Variety = "leek" }, "kind"},
		{"a form it has not", func(w *Wish) { w.Forms = []Form{"smoked"} }, "forms[0]"},
		{"a form twice", func(w *Wish) { w.Forms = []Form{Fresh, Fresh} }, "forms[1]"},
		{"no form", func(w *Wish) { w.Forms = nil }, "forms"},
		{"put up without a preparation", func(w *Wish) { w.Forms = []Form{Frozen} }, "preparations"},
		{"a preparation of another crop", func(w *Wish) { w.Forms, w.Preparations = []Form{Frozen}, []string{"pea-frozen"} }, "preparations[0]"},
		{"a preparation nothing is put up by", func(w *Wish) { w.Preparations = []string{"carrot-frozen"} }, "preparations[0]"},
		{"jars of something dried", func(w *Wish) {
			w.Forms, w.Preparations, w.Amount = []Form{Dried}, []string{"carrot-dried"}, Amount{Kind: Jars, Number: 3}
		}, "amount.kind"},
		{"months out of range", func(w *Wish) { w.Season = Season{Kind: Months, From: 0, To: 13} }, "season.from"},
		{"a chance of 2", func(w *Wish) { two := 2.0; w.Confidence = &two }, "confidence"},
		{"left below nothing", func(w *Wish) { w.Left = -2 }, "left"},
		{"every day", func(w *Wish) { w.Stagger = Stagger{Kind: Every, Days: 1} }, "stagger.days"},
		{"a priority there is not", func(w *Wish) { w.Priority = "perhaps" }, "priority"},
		{"an unknown amount", func(w *Wish) { w.Amount.Kind = "buckets" }, "amount.kind"},
		{"a long note", func(w *Wish) { w.Note = strings.Repeat("x", 501) }, "note"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			w := wished("carrot", Meals, 2, Fresh)
			c.spoil(&w)
			check := invalid.NewCheck()
			w.Validate(check, b)
			err := check.Err()
			if !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == c.field }) {
				t.Fatalf("got %v, want a mistake at %s", err, c.field)
			}
		})
	}
	check := invalid.NewCheck()
	jars := wished("tomato", Jars, 400000, Canned)
	jars.Preparations = []string{"tomato-sauce-thick"}
	jars.Validate(check, b)
	if check.Err() == nil {
		t.Error("400 000 jars were taken")
	}
	cellar := wished("spinach", Meals, 2, Cellar)
	check = invalid.NewCheck()
	cellar.Validate(check, b)
	if check.Err() == nil {
		t.Error("spinach was taken into the cellar")
	}
}

// What is set by hand and what stands on the shelf, where it cannot be.
func TestWhatCannotBeSetByHand(t *testing.T) {
	b := book.Usual()
	for field, spoil := range map[string]func(*Wish){
		"cover":           func(w *Wish) { w.Cover = "blanket" },
		"piece":           func(w *Wish) { w.Piece = 90000 },
		"pins[0].day":     func(w *Wish) { w.Pins = []Pin{{Day: civil.MonthDay{Month: 2, Day: 31}, Source: Fresh}} },
		"pins[0].source":  func(w *Wish) { w.Pins = []Pin{{Day: civil.MonthDay{Month: 2, Day: 1}, Source: Frozen}} },
		"pins":            func(w *Wish) { w.Pins = make([]Pin, 60) },
		"story.had":       func(w *Wish) { w.Story = &Story{Had: 3} },
		"preparations":    func(w *Wish) { w.Forms = append(w.Forms, Canned) },
		"preparations[0]": func(w *Wish) { w.Preparations = []string{"sauerkraut"} },
	} {
		w := wished("carrot", Meals, 2, Fresh, Cellar)
		spoil(&w)
		check := invalid.NewCheck()
		w.Validate(check, b)
		if err := check.Err(); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == field }) {
			t.Errorf("want a mistake at %s, got %v", field, err)
		}
	}
	for field, story := range map[string]Story{
		"story.left": {Had: 10, Left: 7, Given: 4}, "story.ran_out": {Had: 10, From: civil.MonthDay{Month: 9, Day: 1}, RanOut: civil.MonthDay{Month: 2, Day: 30}},
		"story.from": {Had: 10, RanOut: civil.MonthDay{Month: 2, Day: 3}}, "story.given": {Had: 10, Given: -1},
	} {
		w := wished("beet", WeightYear, 20, Cellar)
		w.Story = &story
		check := invalid.NewCheck()
		w.Validate(check, b)
		if err := check.Err(); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == field }) {
			t.Errorf("want a mistake at %s, got %v", field, err)
		}
	}
}

// An older file's one preparation becomes the first of several.
func TestFillMovesTheOnePreparation(t *testing.T) {
	w := Wish{Food: "tomato", Forms: []Form{Canned}, Preparation: "tomato-juice"}
	w.Fill()
	w.Fill()
	if len(w.Preparations) != 1 || w.Preparations[0] != "tomato-juice" || w.Preparation != "" {
		t.Errorf("%+v", w)
	}
}

func TestWhomThatCannotBe(t *testing.T) {
	for field, change := range map[string]func(*Wish){
		"for.per":     func(w *Wish) { w.For = &Whom{Per: "uncle"} },
		"for.use":     func(w *Wish) { w.For = &Whom{Use: "compost"} },
		"for.people":  func(w *Wish) { w.For = &Whom{People: 51} },
		"amount.kind": func(w *Wish) { w.For = &Whom{Use: ForAnimals} },
		"season.also": func(w *Wish) { w.Season.Also = []MonthRun{{From: 1, To: 2}} },
		"season.also[0].to": func(w *Wish) {
			w.Season = Season{Kind: Months, From: 1, To: 2, Also: []MonthRun{{From: 3, To: 13}}}
		},
	} {
		w := wished("carrot", Meals, 1, Fresh)
		change(&w)
		c := invalid.NewCheck()
		w.Validate(c, book.Usual())
		if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: %v", field, c.Err())
		}
	}
	for _, w := range []Wish{wished("carrot", WeightYear, 1, Fresh), wished("marigold", Plants, 5)} {
		w.For = &Whom{People: 2}
		c := invalid.NewCheck()
		w.Validate(c, book.Usual())
		if c.Err() == nil {
			t.Errorf("%s for two people stands", w.Amount.Kind)
		}
	}
}
