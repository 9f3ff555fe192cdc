package wish

import (
	"slices"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
)

// Every amount kind, form and source has its own line of facts, with the words that
// screens and papers need.
func TestFactsAreWhole(t *testing.T) {
	seen := map[string]bool{}
	own := func(what, name string, texts ...string) {
		if seen[what+name] || slices.Contains(texts, "") {
			t.Errorf("%s %q: two lines, or words missing from %q", what, name, texts)
		}
		seen[what+name] = true
	}
	for _, k := range AmountKinds() {
		own("kind", string(k.Kind), k.Words, k.Choice, string(k.Unit), string(k.Counts))
		if k.Most <= 0 {
			t.Errorf("%s has no most", k.Kind)
		}
	}
	for _, f := range FormsKnown() {
		own("form", string(f.Form), f.Words)
		if f.Eaten != (f.Choice != "") || f.PutUp && !f.Eaten {
			t.Errorf("%+v", f)
		}
		if !slices.ContainsFunc(SourcesKnown(), func(s SourceFacts) bool { return s.Source == f.Source }) {
			t.Errorf("%s comes from nowhere that is known", f.Form)
		}
	}
	for _, s := range SourcesKnown() {
		own("source", string(s.Source), s.Legend, s.Title)
	}
}

// What an amount counts decides everything else about it.
func TestWhatAmountsCount(t *testing.T) {
	for _, c := range []struct {
		kind                     AmountKind
		weekly, putUp, unweighed bool
		unit                     amount.Unit
		words                    string
	}{
		{Meals, true, false, false, amount.Meal, "meals a week"}, {WeightWeek, true, false, false, amount.Kilogram, "kg a week"},
		{WeightYear, false, false, false, amount.Kilogram, "kg a year"}, {PiecesWeek, true, false, false, amount.Piece, "pieces a week"},
		{PiecesYear, false, false, false, amount.Piece, "pieces a year"}, {Jars, false, true, false, amount.Jar, "jars"},
		{Litres, false, true, false, amount.Litre, "litres"}, {DriedKg, false, true, false, amount.Kilogram, "kg dried"},
		{Plants, false, false, true, amount.Plant, "plants"}, {Area, false, false, true, amount.SquareMetre, "m²"}, {RowLength, false, false, true, amount.Metre, "m of row"},
	} {
		k := c.kind
		if k.Weekly() != c.weekly || k.PutUp() != c.putUp || k.Unweighed() != c.unweighed || k.Unit() != c.unit || k.Words() != c.words {
			t.Errorf("%s: weekly %v, put up %v, unweighed %v, %s, %q", k, k.Weekly(), k.PutUp(), k.Unweighed(), k.Unit(), k.Words())
		}
	}
	if _, known := AmountKind("barrels").Facts(); known || AmountKind("barrels").PutUp() || Form("smoked").PutUp() {
		t.Error("an unknown kind or form has facts")
	}
}

// Which amounts and forms a crop can have, for crops that differ in what they can.
func TestWhatACropCanHave(t *testing.T) {
	b := book.Usual()
	for id, want := range map[string]struct {
		kinds []AmountKind
		forms []Form
		not   []AmountKind
	}{
		"carrot":        {[]AmountKind{Meals, WeightYear, Plants}, []Form{Fresh, Cellar}, nil},
		"sweet-alyssum": {[]AmountKind{Plants, Area, RowLength}, nil, []AmountKind{Meals, WeightWeek, Jars}},
		"pea-shoots":    {[]AmountKind{Meals, WeightWeek}, []Form{Fresh}, []AmountKind{Plants, Area}},
		"lettuce-head":  {[]AmountKind{PiecesWeek, Meals}, []Form{Fresh}, []AmountKind{Jars, DriedKg}},
	} {
		c := b.Crop(id)
		if c == nil {
			t.Fatalf("the book has no %s", id)
		}
		kinds, forms := KindsFor(c, b), FormsFor(c, b)
		for _, k := range want.kinds {
			if !slices.Contains(kinds, k) {
				t.Errorf("%s cannot be given in %s: %v", id, k, kinds)
			}
		}
		for _, k := range want.not {
			if slices.Contains(kinds, k) {
				t.Errorf("%s can be given in %s", id, k)
			}
		}
		for _, f := range want.forms {
			if !slices.Contains(forms, f) {
				t.Errorf("%s cannot be had %s: %v", id, f, forms)
			}
		}
	}
}
