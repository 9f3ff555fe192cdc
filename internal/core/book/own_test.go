package book

import (
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

func TestOwnCropsAndPreparations(t *testing.T) {
	b, err := Usual().WithOwn(
		[]OwnCrop{{ID: "mine", From: "pole-bean", Food: "Snap bean", Name: "River bean"}, {ID: "oca", From: "potato-early", Food: "oca", Name: "Oca"}},
		[]OwnPreparation{{ID: "relish", From: "cucumber-relish", Name: "Relish", Crops: []string{"zucchini", "mine"}}, {ID: "sauce", From: "tomato-salsa-canned", Name: "Our salsa"}})
	if err != nil {
		t.Fatal(err)
	}
	own, from := b.Crop("mine"), b.Crop("pole-bean")
	if own.Yield != from.Yield || !own.Own || own.Food != "snap bean" || from.Own || len(b.Food("snap bean")) != len(Usual().Food("snap bean"))+1 || b.Food("oca") == nil {
		t.Errorf("%+v", own)
	}
	if r := b.Preparation("relish"); !strings.Contains(r.Name, "not a tested recipe") || len(r.Crops) != 2 || len(r.Parts) != 0 || !r.Own {
		t.Errorf("%+v", r)
	}
	if s := b.Preparation("sauce"); len(s.Parts) != 2 || len(s.Crops) != 2 {
		t.Errorf("a preparation begun from salsa keeps its parts: %+v", s)
	}
	if p := b.Preparation("green-bean-canned"); p.Crops[len(p.Crops)-1] != "mine" {
		t.Errorf("an own bean is put up like the one it comes from: %v", p.Crops)
	}
	if Usual().Crop("mine") != nil || len(Usual().Preparation("green-bean-canned").Crops) != 2 {
		t.Error("the usual book has been changed")
	}
	over, _, _, err := b.With([]Overrule{{Subject: "crop/mine", Field: "yield", Value: 0.5}})
	if a, _ := over.Crop("mine").Assumed("yield"); err != nil || a.Value != 0.5 || a.Usual != from.Yield.Value || !a.Set || over.Crop("pole-bean").Yield != from.Yield {
		t.Errorf("%+v %v", a, err)
	}
}

func TestOwnRowsThatCannotStand(t *testing.T) {
	for field, own := range map[string]OwnCrop{
		"own_crops[0].from": {ID: "x", From: "moon-cheese", Food: "a", Name: "A"},
		"own_crops[0].id":   {ID: "carrot", From: "carrot", Food: "a", Name: "A"},
		"own_crops[0].name": {ID: "x", From: "carrot", Food: "a", Name: "storage CARROT"},
		"own_crops[0].food": {ID: "x", From: "carrot", Food: " ", Name: "A"},
	} {
		_, err := Usual().WithOwn([]OwnCrop{own}, nil)
		if fs := invalid.All(err); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	for field, own := range map[string]OwnPreparation{
		"own_preparations[0].from":  {ID: "x", From: "moon", Name: "A"},
		"own_preparations[0].id":    {ID: "sauerkraut", From: "sauerkraut", Name: "A"},
		"own_preparations[0].crops": {ID: "x", From: "sauerkraut", Name: "A", Crops: []string{"gourd-ornamental"}},
	} {
		_, err := Usual().WithOwn(nil, []OwnPreparation{own})
		if fs := invalid.All(err); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

func TestPatchesComeIntoBearing(t *testing.T) {
	p := &Patch{FullBearingYear: 5, Share: [3]float64{0, 0.2, 0.6}}
	for year, want := range map[int]float64{0: 0, 1: 0, 2: 0.2, 3: 0.6, 4: 0.8, 5: 1, 20: 1} {
		if got := p.Bears(year); got < want-1e-12 || got > want+1e-12 {
			t.Errorf("in its year %d it bears %g, want %g", year, got, want)
		}
	}
}
