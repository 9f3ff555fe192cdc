package api

import (
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// reference is what the interface needs to know of the book and the units.
func reference(b *book.Book) Reference {
	r := Reference{Foods: []Food{}, Preparations: []Preparation{}, Cautions: []Caution{}, Units: []Unit{}, Climates: []Climate{}, Bands: []Band{}, Assumptions: []Assumption{}, Pairings: []Pairing{}, Customs: bed.UsualCustoms(), Green: []BookGreen{}, AmountKinds: wish.AmountKinds(), Forms: wish.FormsKnown(), Sources: wish.SourcesKnown(), Methods: season.Methods(), Jars: amount.Jars(), Dividing: bed.UsualDividing(), Causes: record.Causes()}
	for _, g := range b.GreenManures {
		r.Green = append(r.Green, BookGreen{ID: g.ID, Name: g.Name, Seed: g.SeedGram, Weeks: g.WeeksToWorth, Wait: g.WaitWeeks, Nitrogen: g.Nitrogen})
	}
	for _, name := range b.Foods() {
		f := Food{Name: name, Kinds: []FoodKind{}}
		for _, c := range b.Food(name) {
			n, pieces := c.PiecesPerPlant(c.Yield.Value)
			k := FoodKind{ID: c.ID, Name: c.Name, Family: c.Family, FamilyName: c.FamilyName, OnePiece: pieces && n == 1, Perennial: c.Perennial(), Own: c.Own, Keeps: wish.KeepsWhole(c), Weighed: c.Weighed(), SetOut: c.Start == book.Transplanted || c.Start == book.Vegetative, AmountKinds: wish.KindsFor(c, b), Forms: wish.FormsFor(c, b), Methods: season.MethodsFor(c), Bulbing: household.Bulbing(c)}
			if c.Portion.Known {
				k.Portion = &c.Portion.Value
			}
			if c.Piece.Known {
				k.Piece = &c.Piece.Value
			}
			f.Kinds = append(f.Kinds, k)
		}
		r.Foods = append(r.Foods, f)
	}
	for _, p := range b.Preparations() {
		r.Preparations = append(r.Preparations, Preparation{ID: p.ID, Name: p.Name, Form: Form(p.Form), Unit: PreparationUnit(p.Unit), Crops: p.Crops, JarLitre: p.JarLitre, Jar: p.Jar, Own: p.Own})
	}
	for _, c := range b.Cautions {
		r.Cautions = append(r.Cautions, Caution{ID: c.ID, Topic: c.Topic, Level: CautionLevel(c.Level), Text: c.Text})
	}
	for _, p := range b.Pairings {
		r.Pairings = append(r.Pairings, Pairing{ID: p.ID, Long: p.Long, LongName: b.Crop(p.Long).Short(), Short: p.Short, ShortName: b.Crop(p.Short).Short(), Weeks: p.WeeksTogether, Room: p.RoomFraction, Why: p.Why, Timing: p.Timing})
	}
	shown := func(s amount.Shown) Shown {
		return Shown{Unit: s.Unit, Factor: s.Factor, Offset: s.Offset, Decimals: s.Decimal, Style: ShownStyle(s.Style)}
	}
	us := amount.Units(amount.US)
	for u, m := range amount.Units(amount.Metric) {
		r.Units = append(r.Units, Unit{Unit: string(u), Metric: shown(m), Us: shown(us[u])})
	}
	slices.SortFunc(r.Units, func(a, b Unit) int {
		if a.Unit < b.Unit {
			return -1
		}
		return 1
	})
	for _, e := range place.Examples() {
		r.Climates = append(r.Climates, Climate{ID: e.ID, Words: e.Words, Place: e.Place})
	}
	for _, band := range []household.Band{household.Adult, household.Teen, household.Child, household.SmallChild, household.Infant} {
		r.Bands = append(r.Bands, Band{Band: string(band), Appetite: household.UsualAppetite(band)})
	}
	rules := book.UsualRules()
	for kind, as := range book.Assumptions() {
		for _, a := range as {
			out := Assumption{Kind: AssumptionKind(kind), Field: a.Field, Name: a.Name, Unit: string(a.Unit)}
			if rule, ok := rules.Assumed(nil, a.Field); ok && kind == "household" {
				out.Usual = &rule.Value
			}
			r.Assumptions = append(r.Assumptions, out)
		}
	}
	slices.SortFunc(r.Assumptions, func(a, b Assumption) int {
		if a.Kind+"/"+AssumptionKind(a.Field) < b.Kind+"/"+AssumptionKind(b.Field) {
			return -1
		}
		return 1
	})
	return r
}
