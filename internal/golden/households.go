// Package golden holds the plans and layouts of many households to what they were.
//
// testdata/plans.csv keeps, for each household, a hash of the input and of what Compute
// and Fit make of it. A change that is meant to keep every plan as it was must leave the
// file alone; one that is meant to change plans renews it:
//
//	go test ./internal/golden -update
//
// and its commit says which plans changed and why. Floating-point results are those of
// a 64-bit x86 processor; another kind may round the last digit otherwise.
package golden

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// generator draws households from a seed.
type generator struct {
	r *rand.Rand
	b *book.Book
}

// below returns a whole number from 0 to n-1.
func (g generator) below(n int) int { return g.r.IntN(n) }

// oneIn reports true in one of n draws.
func (g generator) oneIn(n int) bool { return g.r.IntN(n) == 0 }

// Household returns the household of a seed: the same one for the same seed. It has
// wishes of every amount kind and form, and, now and then, stores, lots, patches, habits,
// sowings recorded, beds and a kept plan.
func Household(seed int, places []place.Place) plan.Input {
	g := generator{rand.New(rand.NewPCG(uint64(seed), 1303)), book.Usual()}
	h := household.Household{
		Name: fmt.Sprintf("Household %d", seed), Year: 2027, Risk: []season.Risk{season.UsualRisk, season.Careful, season.Bold}[g.below(3)],
		Place: places[seed%len(places)], Members: g.members(),
	}
	if g.oneIn(3) {
		h.School = season.ByTemperature
	}
	if g.oneIn(4) {
		h.Start = civil.MonthDay{Month: 1 + g.below(12), Day: 1}
	}
	if g.oneIn(3) {
		h.Guests = []household.Guest{{ID: "g1", Name: "Guests", AdultEquivalents: 1 + g.r.Float64()*4, Span: household.Span{From: civil.MonthDay{Month: 7, Day: 1}, To: civil.MonthDay{Month: 8, Day: 15}}}}
	}
	for n := range g.below(3) {
		h.Storage = append(h.Storage, stock.StoragePlace{ID: fmt.Sprintf("s%d", n), Name: fmt.Sprintf("Store %d", n), Temperature: g.r.Float64() * 15, Damp: g.oneIn(2), RoomKg: float64(g.below(3) * 100)})
	}
	for n := range 2 + g.below(9) {
		w := g.wish()
		w.ID = fmt.Sprintf("w%d", n+1)
		h.Wishes = append(h.Wishes, w)
	}
	g.shelf(&h)
	g.crops(&h)
	if seed%3 == 0 {
		g.beds(&h)
	}
	in := plan.Input{AsOf: civil.Of(2027, 1, 12) + civil.Date(g.below(2)*g.below(500)), Household: h}
	return g.season(in)
}

func (g generator) members() (out []household.Member) {
	for n := range 1 + g.below(6) {
		m := household.Member{ID: fmt.Sprintf("m%d", n), Name: fmt.Sprintf("Member %d", n), Band: []household.Band{household.Adult, household.Adult, household.Teen, household.Child, household.SmallChild, household.Infant}[g.below(6)]}
		if g.oneIn(5) {
			m.Away = []household.Span{{From: civil.MonthDay{Month: 1 + g.below(12), Day: 5}, To: civil.MonthDay{Month: 1 + g.below(12), Day: 20}}}
		}
		out = append(out, m)
	}
	return out
}

// wish returns a wish that the book allows, of any amount kind and form.
func (g generator) wish() wish.Wish {
	kinds := []wish.AmountKind{wish.Meals, wish.WeightWeek, wish.WeightYear, wish.PiecesWeek, wish.PiecesYear, wish.Jars, wish.Litres, wish.DriedKg, wish.Plants, wish.Area, wish.RowLength}
	for {
		c := g.b.Crops()[g.below(len(g.b.Crops()))]
		prep := g.b.Preparations()[g.below(len(g.b.Preparations()))]
		if g.oneIn(2) {
			c = g.b.Crop(prep.Crops[0])
		}
		w := wish.Wish{Food: c.Food, Amount: wish.Amount{Kind: kinds[g.below(len(kinds))], Number: 0.5 + float64(g.below(80))/4}}
		if g.oneIn(2) {
			w.Variety = c.ID
		}
		if !w.Amount.Kind.Unweighed() || g.oneIn(2) {
			w.Forms = []wish.Form{wish.Fresh, wish.Cellar, wish.Form(prep.Form)}
			g.r.Shuffle(3, func(i, j int) { w.Forms[i], w.Forms[j] = w.Forms[j], w.Forms[i] })
			w.Forms = w.Forms[:1+g.below(3)]
			if slices.ContainsFunc(w.Forms, wish.Form.PutUp) {
				w.Preparations = []string{prep.ID}
			}
		}
		w.Season = []wish.Season{{Kind: wish.AllYear}, {Kind: wish.While}, {Kind: wish.Months, From: 1 + g.below(12), To: 1 + g.below(12)}}[g.below(3)]
		w.Stagger = []wish.Stagger{{Kind: wish.ByNeed}, {Kind: wish.ByNeed}, {Kind: wish.Every, Days: 7 + g.below(40)}, {Kind: wish.Times, Sowings: 1 + g.below(4), Days: 14 * g.below(2)}, {Kind: wish.OneGo}}[g.below(5)]
		w.Priority = []wish.Priority{wish.MustHave, wish.WouldLike, wish.NiceToHave}[g.below(3)]
		w.Layout = []wish.Layout{"", "", wish.Rows, wish.Across, wish.Block, wish.Plot}[g.below(6)]
		w.Cover = []place.Cover{"", "", "", place.Fleece, place.Tunnel, place.Net, place.Shade, place.Frame}[g.below(8)]
		if g.oneIn(4) {
			sure := 0.5 + float64(g.below(10))/20
			w.Confidence = &sure
		}
		if g.oneIn(6) {
			w.For = []*wish.Whom{{Per: wish.PerChild}, {Per: wish.PerMember}, {Use: wish.ForGiving}, {Use: wish.ForAnimals}}[g.below(4)]
		}
		check := invalid.NewCheck()
		if w.Validate(check, g.b); check.Err() == nil {
			w.Fill()
			return w
		}
	}
}

// shelf puts lots of what is wished on the shelf.
func (g generator) shelf(h *household.Household) {
	for n := range g.below(4) {
		w := h.Wishes[g.below(len(h.Wishes))]
		if len(w.Forms) == 0 {
			continue
		}
		l := stock.Lot{ID: fmt.Sprintf("l%d", n), Food: w.Food, Form: string(w.Forms[len(w.Forms)-1]), Count: float64(1 + g.below(20)), Size: 1, Unit: "kg", PutUp: civil.Of(2026, 9, 1+g.below(28))}
		if len(w.Preparations) > 0 && wish.Form(l.Form).PutUp() {
			l.Preparation, l.Unit = w.Preparations[0], "L"
		}
		check := invalid.NewCheck()
		if stock.ValidateLot(check, l, g.b); check.Err() == nil {
			h.Lots = append(h.Lots, l)
		}
	}
}

// crops decides how some crops are grown, and which figures are the household's own.
func (g generator) crops(h *household.Household) {
	for _, w := range h.Wishes {
		c := g.b.Food(w.Food)[0]
		if g.oneIn(5) && season.MayBe(c, season.Indoors) && !slices.ContainsFunc(h.Habits, func(x household.Habit) bool { return x.Crop == c.ID }) {
			h.Habits = append(h.Habits, household.Habit{Crop: c.ID, Method: season.Indoors})
		}
		if g.oneIn(5) && c.Perennial() {
			h.Patches = append(h.Patches, household.Patch{ID: "p" + c.ID, Crop: c.ID, Plants: 5 + g.below(30), Planted: 2020 + g.below(7)})
		}
	}
	if g.oneIn(3) {
		h.Overrules = []book.Overrule{{Subject: "household", Field: "cull", Value: 0.08}}
	}
}

// beds gives the household ground of its own.
func (g generator) beds(h *household.Household) {
	for n := range 2 + g.below(8) {
		b := bed.Bed{ID: fmt.Sprintf("b%d", n), Name: fmt.Sprintf("Bed %d", n), Length: 3 + float64(g.below(20))/2, Width: []float64{0.75, 0.9, 1.2, 1.5}[g.below(4)], X: 1, Y: float64(2 * n)}
		h.Beds = append(h.Beds, b.Filled())
	}
	if g.oneIn(2) {
		usual := bed.UsualCustoms()
		h.Customs = &usual
		for _, p := range g.b.Pairings {
			if g.oneIn(3) {
				h.Customs.Pairs = append(h.Customs.Pairs, p.ID)
			}
		}
	}
}

// season records some of the sowings of a household's plan, and keeps the plan now and
// then, so that later dates have a season behind them.
func (g generator) season(in plan.Input) plan.Input {
	if !g.oneIn(2) {
		return in
	}
	p, err := plan.Compute(in)
	if err != nil {
		return in
	}
	if g.oneIn(2) {
		a := p.Baseline()
		a.Year = in.Household.Year
		in.Household.Baseline = &a
	}
	for range g.below(6) {
		if len(p.Sowings) == 0 {
			break
		}
		s := p.Sowings[g.below(len(p.Sowings))]
		e := plan.Event{Sowing: s.ID, What: []plan.EventKind{"set", "count", "done", "done", "behind", "ended"}[g.below(6)], Day: s.Date + civil.Date(g.below(9)), Count: float64(1 + g.below(60))}
		if e.What == "done" {
			if len(s.Tasks) == 0 {
				continue
			}
			e.Task, e.Count = s.Tasks[0].What, 0
			in.AsOf = max(in.AsOf, e.Day)
		}
		out, err := plan.Log(in, e)
		if err != nil || out.Planting == nil {
			continue
		}
		in.Household.Plantings = append(slices.DeleteFunc(slices.Clone(in.Household.Plantings), func(x record.Planting) bool { return x.ID == out.Planting.ID }), *out.Planting)
		if p, err = plan.Compute(in); err != nil {
			break
		}
	}
	return in
}
