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

// Every food, crop and preparation is found by its own words, and what is found
// for several words is found for each of them.
func TestEverythingIsFoundByItsName(t *testing.T) {
	b := Usual()
	n := b.Names()
	has := func(words []string, is func(*Name) bool) bool {
		return slices.ContainsFunc(n.With(words), is)
	}
	for _, f := range b.Foods() {
		if !has(Words(f), func(x *Name) bool { return x.Food == f && x.Crop == nil && x.Prep == nil }) {
			t.Errorf("the food %s is not found", f)
		}
	}
	for _, c := range b.Crops() {
		if !has(Words(c.Short()), func(x *Name) bool { return x.Crop == c }) {
			t.Errorf("the crop %s is not found", c.Name)
		}
	}
	for _, p := range b.Preparations() {
		if !has(Words(p.Name), func(x *Name) bool { return x.Prep == p }) {
			t.Errorf("the preparation %s is not found", p.Name)
		}
	}
	if n.With([]string{"moon"}) != nil || n.With(nil) != nil {
		t.Error("something is called moon, or nothing")
	}
	if len(n.Foods()) != len(b.Foods()) {
		t.Error("the foods and their names do not go together")
	}
}
