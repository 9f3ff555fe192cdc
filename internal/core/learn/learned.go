package learn

import (
	"cmp"
	"maps"
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
)

// Record is what a household recorded, as far as it teaches anything.
type Record struct {
	Grown    []record.Grown  // of all years
	Entries  []*record.Entry // of all years
	Usual    record.Weighed  // the usual answer to "was it weighed?"
	Known    []Known         // effects that are switched off or overruled
	Switched map[string]bool // other figures that are switched off: loss/<crop>, raw/<preparation>
}

// Known is an effect that the household has switched off, or says itself.
type Known struct {
	Effect
	Factor float64 `json:"factor"` // 1 is switched off
}

// Learned is what a record teaches. It is not changed once it is made.
type Learned struct {
	Yields   *Yields
	Doubtful []Doubtful
	Losses   map[string]Loss    // by crop
	Raw      map[string]Batches // by preparation
}

// Loss is the chance that a sowing of a crop fails, with what it was learned from.
type Loss struct {
	Chance, Book    float64
	Plantings, Lost int
}

// Batches is what a preparation takes, with what it was learned from.
type Batches struct {
	Raw, Book float64 // kg for a unit
	Batches   int
}

// Of works out what a record teaches.
func Of(r Record, b *book.Book) *Learned {
	var harvests []*record.Entry
	for _, e := range r.Entries {
		if e.Act == record.Harvest {
			harvests = append(harvests, e)
		}
	}
	plantings, doubtful := Observed(r.Grown, harvests, r.Usual)
	known := map[Effect]float64{}
	for _, k := range r.Known {
		known[k.Effect] = math.Log(k.Factor)
	}
	l := &Learned{Yields: Fit(plantings, known), Doubtful: doubtful, Losses: map[string]Loss{}, Raw: map[string]Batches{}}
	for crop, seasons := range Fared(r.Grown, harvests) {
		if c := b.Crop(crop); c != nil && !r.Switched["loss/"+crop] {
			x := Loss{Book: c.FailProb, Chance: Losses(c.FailProb, seasons)}
			for _, s := range seasons {
				x.Plantings, x.Lost = x.Plantings+s.Plantings, x.Lost+s.Lost
			}
			l.Losses[crop] = x
		}
	}
	for id, took := range batchesOf(r.Entries, b) {
		if p := b.Preparation(id); !r.Switched["raw/"+id] {
			l.Raw[id] = Batches{Book: p.Raw, Raw: CookingDown(p.Raw, took), Batches: len(took)}
		}
	}
	return l
}

// batchesOf returns what batches of each preparation took for a unit, as a share of the book's.
func batchesOf(entries []*record.Entry, b *book.Book) map[string][]float64 {
	out := map[string][]float64{}
	for _, e := range entries {
		p := b.Preparation(e.Preparation)
		if e.Act != record.PutUp || p == nil || p.Unit != "litre" || p.Raw <= 0 || e.Gram == 0 || e.Jars*e.Litre <= 0 {
			continue
		}
		ratio := float64(e.Gram) / 1000 / (e.Jars * e.Litre) / p.Raw
		if ratio > littleAsked && ratio < muchAsked { // else a slip of the pen
			out[p.ID] = append(out[p.ID], ratio)
		}
	}
	return out
}

// NoBed is the bed of a planting that has none yet: nobody knows what it will give.
const NoBed = ""

// Taught returns what is learned as the book takes it: the yields of all kinds of the foods that were
// recorded, in a bed that is not known yet; the chances of loss; what preparations take.
func (l *Learned) Taught(b *book.Book) book.Taught {
	t := book.Taught{Yields: map[string]book.Own{}, Losses: map[string]book.Lesson{}, Raw: map[string]book.Lesson{}}
	count := map[string]book.Own{} // plantings and years of each food
	years := map[string]map[int]bool{}
	for _, p := range l.Yields.all {
		if years[p.Food] == nil {
			years[p.Food] = map[int]bool{}
		}
		years[p.Food][p.Year] = true
		n := count[p.Food]
		n.Plantings, n.Years = n.Plantings+1, len(years[p.Food])
		count[p.Food] = n
	}
	for _, c := range b.Crops() {
		if n := count[c.Food]; n.Plantings > 0 {
			e := l.Yields.Own(Planting{Food: c.Food, Kind: c.ID, Beds: []Part{{NoBed, 1}}})
			n.Factor, n.Low, n.High, n.Sd = e.Middle(), e.Low(), e.High(), e.Sd
			t.Yields[c.ID] = n
		}
	}
	for id, x := range l.Losses {
		t.Losses[id] = book.Lesson{Value: x.Chance, From: x.Plantings}
	}
	for id, x := range l.Raw {
		t.Raw[id] = book.Lesson{Value: x.Raw, From: x.Batches}
	}
	return t
}

// Told is one effect as it is shown.
type Told struct {
	Effect
	Estimate
	Plantings int
	Years     []int
}

// How far a year must lie from others to be called good or poor, in standard deviations; and the spread
// of a crop that its words take for an example.
const (
	toldYear = 0.5
	example  = 0.0862 // ln(1 + 0.30²)
)

// YearWords says what a year was like. What it gave is not counted against kinds and beds.
func (l *Learned) YearWords(t Told) say.Note {
	share := math.Exp(t.Mean*math.Sqrt(example*ofYear)) - 1
	return say.That(say.YearWas{Good: t.Mean >= toldYear, Poor: t.Mean <= -toldYear, Share: share})
}

// Told lists the effects that were found, those of a sort together, the greatest first.
func (l *Learned) Told() []Told {
	out := []Told{}
	for _, e := range l.Yields.Effects() {
		x := Told{Effect: e, Estimate: l.Yields.Of(e)}
		years := map[int]bool{}
		for _, p := range l.Yields.Plantings(e) {
			x.Plantings++
			years[p.Year] = true
		}
		x.Years = slices.Sorted(maps.Keys(years))
		out = append(out, x)
	}
	slices.SortStableFunc(out, func(a, b Told) int {
		return cmp.Or(cmp.Compare(a.Sort, b.Sort), cmp.Compare(math.Abs(b.Mean), math.Abs(a.Mean)))
	})
	return out
}
