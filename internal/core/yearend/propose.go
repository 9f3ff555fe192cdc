package yearend

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

// Facts is what a year showed of a wish, as far as a proposal for the next follows from it.
type Facts struct {
	Appetite  float64 // eaten of what was wished; 1 where too little was recorded
	Weeks     float64 // of which it is known what was eaten
	Own       float64 // what the household's plantings give of the book's yield; 0: nothing was learned
	Plantings int     // that it was learned from
	Fed       int     // weeks
	Wanted    int
	Fair      bool    // the year was an ordinary one, or better: a poor one is no reason to plant more
	Came      float64 // came in of what was planned; 0: nothing was recorded
	Said      record.Said
	Remainder float64 // that will be left on the shelf when the next harvest comes, in the wish's own unit
}

// leastWeeks is how many weeks must be recorded before an appetite is believed, and littleAway by how much
// it must differ to be worth a change.
const (
	leastWeeks = 4
	littleAway = 0.05
	fellShort  = 0.9 // of what was planned: less came in
)

// steps are the confidences of a wish, from a typical year up.
var steps = []float64{0, 0.7, 0.8, 0.9}

// Proposal is what a wish might be in the next year, with why; the same wish where nothing is to be
// changed.
type Proposal struct {
	Wish    wish.Wish  `json:"wish"`
	Drop    bool       `json:"drop"`    // none of it need be grown
	Changed bool       `json:"changed"` // it differs from what it was, or is dropped
	Why     []say.Note `json:"why"`
}

// Propose says what a wish might be in the next year: its amount by what was really eaten of it, nothing
// where the shelf will do, and surer by a step where it failed in a fair year.
func Propose(w wish.Wish, usual float64, f Facts) Proposal {
	p := Proposal{Wish: w, Why: []say.Note{}}
	if f.Said == record.SaidNobody {
		p.Drop, p.Changed = true, true
		p.Why = append(p.Why, say.That(say.SaidInPassing{}))
		return p
	}
	if p.byAppetite(f); !p.Changed {
		p.byWhatWasSaid(f.Said)
	}
	if !w.Amount.Kind.Weekly() && f.Remainder >= p.Wish.Amount.Number && p.Wish.Amount.Number > 0 {
		p.Drop, p.Changed = true, true
		p.Why = append(p.Why, say.That(say.ShelfWillDo{Left: f.Remainder, Unit: w.Amount.Kind.Unit()}))
		return p
	}
	p.surer(usual, f)
	if f.Own > 0 && math.Abs(f.Own-1) >= littleAway {
		p.Why = append(p.Why, say.That(say.GrownByOwn{Factor: f.Own, Plantings: f.Plantings}))
	}
	return p
}

// byAppetite makes the amount what was really eaten, where enough is known of that.
func (p *Proposal) byAppetite(f Facts) {
	if f.Weeks < leastWeeks || math.Abs(f.Appetite-1) < littleAway {
		return
	}
	a := &p.Wish.Amount
	if n := Rounded(a.Kind, a.Number*f.Appetite); n != a.Number {
		a.Number, p.Wish.Story, p.Changed = n, nil, true
		p.Why = append(p.Why, say.That(say.EatenOfWished{Share: f.Appetite, Weeks: f.Weeks}))
	}
}

// byWhatWasSaid makes the amount a quarter more or less, where the household said so and nothing better is
// known.
func (p *Proposal) byWhatWasSaid(said record.Said) {
	by := map[record.Said]float64{record.SaidRanOut: 1.25, record.SaidTooMuch: 0.75}[said]
	if by == 0 {
		return
	}
	a := &p.Wish.Amount
	if n := Rounded(a.Kind, a.Number*by); n != a.Number {
		a.Number, p.Wish.Story, p.Changed = n, nil, true
		p.Why = append(p.Why, say.That(say.SaidInPassing{RanOut: said == record.SaidRanOut, TooMuch: said == record.SaidTooMuch}))
	}
}

// surer plans a wish a step surer where too little came in for it in a fair year.
func (p *Proposal) surer(usual float64, f Facts) {
	if f.Fed >= f.Wanted || !f.Fair || f.Came <= 0 || f.Came >= fellShort {
		return
	}
	at := usual
	if p.Wish.Confidence != nil {
		at = *p.Wish.Confidence
	}
	if next, ok := stepUp(at); ok {
		p.Wish.Confidence, p.Changed = &next, true
		p.Why = append(p.Why, say.That(say.FailedInFairYear{Fed: f.Fed, Wanted: f.Wanted, Confidence: next}))
	}
}

// stepUp returns the next surer confidence; false where there is none.
func stepUp(confidence float64) (float64, bool) {
	for _, s := range steps {
		if s > confidence+1e-9 {
			return s, true
		}
	}
	return 0, false
}

// Rounded rounds an amount to what people say: quarter meals, whole jars, pieces and plants, half
// kilograms and litres.
func Rounded(k wish.AmountKind, n float64) float64 {
	step := 1.0
	switch {
	case k.Counts(wish.CountsMeals):
		step = 0.25
	case k.Unit() == amount.Kilogram || k.Unit() == amount.Litre || k.Unit() == amount.SquareMetre || k.Unit() == amount.Metre:
		step = 0.5
	}
	return math.Max(step, math.Round(n/step)*step)
}
