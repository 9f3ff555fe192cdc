package book

import (
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

// Each usual step suits at least one crop of the book, and stands for every crop it suits.
func TestUsualCareSuitsCrops(t *testing.T) {
	b := Usual()
	words := map[string]bool{}
	for _, c := range b.Crops() {
		words[c.Food], words[string(c.Group)] = true, true
		for _, s := range b.CareFor(c) {
			check := invalid.NewCheck()
			s.Validate(check, b)
			if err := check.Err(); err != nil || s.Crop != c.ID {
				t.Errorf("%s: %q cannot stand: %v", c.ID, s.Do, err)
			}
		}
	}
	for _, u := range b.care {
		for _, w := range u.Suits {
			if !words[w] {
				t.Errorf("%q suits %q, which the book does not have", u.Do, w)
			}
		}
	}
}

// What practised growers do for a few crops is offered for them, and nothing that does
// them harm: nobody ties up a cabbage or stops watering a tomato.
func TestUsualCareIsWhatGrowersDo(t *testing.T) {
	b := Usual()
	for crop, want := range map[string]struct{ has, not string }{
		"potato-maincrop": {"earth-up presprout stop-water", "tie soak thin-first"},
		"tomato-slicing":  {"tie side-shoots mulch-on side-feed", "stop-water earth-up"},
		"carrot":          {"thin-first thin-last", "tie soak side-feed"},
		"leek":            {"earth-up", "stop-water bend"},
		"garlic":          {"mulch-on mulch-off stop-water bend", "soak tie"},
		"pea-shoots":      {"soak weight uncover damp", "mulch-on"},
		"strawberry":      {"first-flowers mulch-on", "earth-up"},
		"cabbage-early":   {"side-feed", "tie stop-water blanch"},
	} {
		var ids []string
		for _, s := range b.CareFor(b.Crop(crop)) {
			ids = append(ids, s.ID)
		}
		for id := range strings.FieldsSeq(want.has) {
			if !slices.Contains(ids, id) {
				t.Errorf("%s: growers do %q, offered is %v", crop, id, ids)
			}
		}
		for id := range strings.FieldsSeq(want.not) {
			if slices.Contains(ids, id) {
				t.Errorf("%s: nobody does %q", crop, id)
			}
		}
	}
}

func TestACareStepIsRefused(t *testing.T) {
	good := CareStep{Crop: "carrot", Do: "Thin", From: StageUp, Per: PerTime}
	for field, change := range map[string]func(*CareStep){
		"crop":    func(s *CareStep) { s.Crop = "moonflower" },
		"do":      func(s *CareStep) { s.Do = "" },
		"from":    func(s *CareStep) { s.From = "full-moon" },
		"until":   func(s *CareStep) { s.Until = "full-moon" },
		"days":    func(s *CareStep) { s.Days = 401 },
		"every":   func(s *CareStep) { s.Every = -1 },
		"times":   func(s *CareStep) { s.Times = 61 },
		"minutes": func(s *CareStep) { s.Minutes = 601 },
		"per":     func(s *CareStep) { s.Per = "acre" },
		"instead": func(s *CareStep) { s.Instead = "pick" },
	} {
		bad := good
		change(&bad)
		check := invalid.NewCheck()
		bad.Validate(check, Usual())
		if fs := invalid.All(check.Err()); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: refused is %v", field, check.Err())
		}
	}
	check := invalid.NewCheck()
	good.Validate(check, Usual())
	if err := check.Err(); err != nil {
		t.Errorf("a plain step is refused: %v", err)
	}
}
