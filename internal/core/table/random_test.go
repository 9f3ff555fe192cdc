package table

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// randomWish makes a wish that the book allows, of any kind and form.
func randomWish(r *rand.Rand, b *book.Book) wish.Wish {
	kinds := []wish.AmountKind{wish.Meals, wish.WeightWeek, wish.WeightYear, wish.PiecesWeek, wish.PiecesYear, wish.Jars, wish.Litres, wish.DriedKg}
	for {
		c := b.Crops()[r.IntN(len(b.Crops()))]
		w := wished(c.Food, kinds[r.IntN(len(kinds))], 0.5+r.Float64()*20)
		if r.IntN(2) == 0 {
			w.Variety = c.ID
		}
		prep := b.Preparations()[r.IntN(len(b.Preparations()))]
		w.Forms = []wish.Form{wish.Fresh, wish.Cellar, wish.Form(prep.Form)}
		r.Shuffle(3, func(i, j int) { w.Forms[i], w.Forms[j] = w.Forms[j], w.Forms[i] })
		w.Forms = w.Forms[:1+r.IntN(3)]
		if slices.ContainsFunc(w.Forms, wish.Form.PutUp) {
			w.Preparations = []string{prep.ID}
		}
		w.Season = []wish.Season{{Kind: wish.AllYear}, {Kind: wish.While}, {Kind: wish.Months, From: 1 + r.IntN(12), To: 1 + r.IntN(12)}}[r.IntN(3)]
		w.Stagger = []wish.Stagger{{Kind: wish.ByNeed}, {Kind: wish.Every, Days: 7 + r.IntN(40)}, {Kind: wish.OneGo}}[r.IntN(3)]
		check := invalid.NewCheck()
		if w.Validate(check, b); check.Err() == nil {
			return w
		}
	}
}

// Wanted = fed + gap in every week and in the wish's own unit, each week has one
// source among the wish's forms, and what a form feeds lies within its life.
func TestEveryWeekHasOneSource(t *testing.T) {
	b := book.Usual()
	r := rand.New(rand.NewPCG(11, 12))
	for i := range 600 {
		h := fiveEaters()
		h.Place = place.Examples()[i%3].Place
		h.Storage = []stock.StoragePlace{{ID: "s", Name: "S", Temperature: r.Float64() * 15, Damp: r.IntN(2) == 0}}
		w := randomWish(r, b)
		got := resolver(h).Resolve(w)
		var wanted, byUses float64
		for week, source := range got.Source {
			gap := got.Wanted[week] - got.Fed(week)
			if got.Wanted[week] < 0 || gap < 0 || (got.Wanted[week] > 0) != (source != "") {
				t.Fatalf("%+v week %d: wanted %g, fed %g, %q", w, week, got.Wanted[week], got.Fed(week), source)
			}
			if source != "" && source != wish.Gap && !slices.Contains(w.Forms, source) {
				t.Fatalf("%+v week %d is fed by %q", w, week, source)
			}
			wanted += got.Fed(week)
			var feeding []wish.Form
			for _, u := range got.Uses {
				if u.Weeks.Has(week) {
					feeding = append(feeding, u.Form)
				}
			}
			if len(feeding) > 1 || len(feeding) == 1 && feeding[0] != source {
				t.Fatalf("%+v week %d is %q and fed by %v", w, week, source, feeding)
			}
		}
		for _, u := range got.Uses {
			byUses += u.Total()
			checkLife(t, w, u)
		}
		if math.Abs(wanted-byUses) > 1e-9 {
			t.Fatalf("%+v: %g fed, %g by its uses", w, wanted, byUses)
		}
		if !w.Amount.Kind.Weekly() && wanted > 0 && math.Abs(wanted-w.Amount.Number) > 1e-9 && !slices.Contains(got.Source[:], wish.Gap) {
			t.Fatalf("%+v: %g of the year's amount is fed", w, wanted)
		}
	}
}

// checkLife holds what is kept within its weeks after storing or putting up.
func checkLife(t *testing.T, w wish.Wish, u Use) {
	t.Helper()
	for _, week := range u.Weeks.List() {
		after := (week - u.Kept + season.WeeksPerYear) % season.WeeksPerYear
		switch {
		case u.Form == wish.Fresh:
			if !u.Season.Fresh().Has(week) {
				t.Fatalf("%+v: no start of %s feeds week %d", w, u.Crop.ID, week)
			}
		case u.Form == wish.Cellar:
			if after < 1 || after > u.Life || u.Crop.Store != book.GroundStorage && float64(u.Life) > u.Crop.StoreWeeks.Value {
				t.Fatalf("%+v: %s eaten in week %d after storing, it keeps %d", w, u.Crop.ID, after, u.Life)
			}
		default:
			if months := float64(after) / 4.345; after >= u.Life || months > u.Prep.KeepsMonths+0.2 {
				t.Fatalf("%+v: eaten %d weeks after putting up, it keeps %g months", w, after, u.Prep.KeepsMonths)
			}
		}
	}
}

func TestAStagedIntervalLeavesItsGapsOpen(t *testing.T) {
	rs := resolver(fiveEaters())
	w := wished("lettuce", wish.PiecesWeek, 6, wish.Fresh)
	w.Stagger = wish.Stagger{Kind: wish.Every, Days: 40} // heads hold for nine days only
	r := rs.Resolve(w)
	fresh := 0
	for _, s := range r.Source {
		if s == wish.Fresh {
			fresh++
		}
	}
	if all := rs.Resolve(wished("lettuce", wish.PiecesWeek, 6, wish.Fresh)); fresh == 0 || fresh >= all.Uses[0].Weeks.Count() {
		t.Errorf("sown every 40 days %d weeks are fresh, by need %d", fresh, all.Uses[0].Weeks.Count())
	}
	if wish.JarName(amount.LitresPerQuart) != "quart" || wish.JarName(0.75) != "0.75 L" {
		t.Error("jars are named wrongly")
	}
}
