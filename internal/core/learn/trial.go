package learn

import (
	"fmt"
	"math"

	"inventory/internal/core/civil"
)

// Verdict is what can be said of two kinds or methods that stood side by side.
type Verdict string

// The verdicts: one gave more, one looks better but it is not sure, or too little is known.
const (
	GaveMore    Verdict = "gave-more"
	LooksBetter Verdict = "looks-better"
	TooFew      Verdict = "too-few"
)

// The chance from which on a difference is named, and from which on it is said to look so.
const (
	sure   = 0.95
	likely = 0.80
)

// MostYears is after how many years of a trial it is said that it cannot be told this way.
const MostYears = 10

// Outcome is the difference of two things that were tried: the logarithm of what the first gave of what
// the second did.
type Outcome struct {
	Estimate
	Chance  float64 // that the one which looks better is better
	Verdict Verdict
	Years   int // of the last layout until it would be named; 0: it is; MostYears + 1: it cannot be told this way
}

// normal is the share of the normal distribution below a value.
func normal(x float64) float64 { return math.Erfc(-x/math.Sqrt2) / 2 }

func outcome(e Estimate) Outcome {
	o := Outcome{Estimate: e, Verdict: TooFew, Chance: normal(math.Abs(e.Mean) / e.Sd)}
	switch {
	case o.Chance >= sure:
		o.Verdict = GaveMore
	case o.Chance >= likely:
		o.Verdict = LooksBetter
	}
	return o
}

// Tried returns what can be said of two kinds, or two methods, from all plantings.
func Tried(all []Planting, known map[Effect]float64, a, b Effect) Outcome {
	o := outcome(Fit(all, known).Apart(a, b))
	if o.Verdict == GaveMore {
		return o
	}
	last, difference := lastTrial(all, a, b)
	if len(last) == 0 {
		return o
	}
	more := append([]Planting{}, all...)
	for o.Years = 1; o.Years <= MostYears; o.Years++ {
		more = append(more, another(last, o.Years, a, difference)...)
		if outcome(Fit(more, known).Apart(a, b)).Verdict == GaveMore {
			break
		}
	}
	return o
}

// carries reports whether a planting is of a kind or a method.
func (p *Planting) carries(e Effect) bool {
	return e.Sort == OfKind && p.Kind == e.Of || e.Sort == OfMethod && p.Method == e.Of
}

// lastTrial returns the plots of the last year in which both stood, and the raw difference of their
// means over all years.
func lastTrial(all []Planting, a, b Effect) (last []Planting, difference float64) {
	var sum, n [2]float64
	year := 0
	var plots [2][]Planting
	for _, p := range all {
		for i, e := range []Effect{a, b} {
			if p.carries(e) && p.Sowing != "" {
				sum[i] += math.Log(p.Ratio)
				n[i]++
				year = max(year, p.Year)
				plots[i] = append(plots[i], p)
			}
		}
	}
	if n[0] == 0 || n[1] == 0 {
		return nil, 0
	}
	for _, side := range plots {
		for _, p := range side {
			if p.Year == year {
				last = append(last, p)
			}
		}
	}
	return last, sum[0]/n[0] - sum[1]/n[1]
}

// another lays the plots of a year out once more, so many years later, and lets them differ by as much
// as they did.
func another(last []Planting, later int, a Effect, difference float64) (out []Planting) {
	for _, p := range last {
		p.Year += later
		p.Day += civil.Date(366 * later)
		p.ID, p.Sowing = fmt.Sprint(p.ID, "+", later), fmt.Sprint(p.Sowing, "+", later)
		half := difference / 2
		if !p.carries(a) {
			half = -half
		}
		p.Ratio = math.Exp(half - (p.Spread+ofPlant/p.Plants)/2)
		out = append(out, p)
	}
	return out
}

// YearsToTell returns how many years a trial must stand until a difference, such as 1.2 for twenty
// percent, is named four times in five: so many plots a kind of so many plants each, of a crop whose
// yields vary by so much.
func YearsToTell(times, spread, plots, plants float64) int {
	const named, often, prior = 1.645, 0.842, 2 * 0.20 * 0.20
	for k := 1; k <= MostYears; k++ {
		v := 2 / float64(k) * (spread*ofKindYear + (ofPlots(spread)+ofPlant/plants)/plots)
		if w := prior / (prior + v); named*math.Sqrt(v/w)+often*math.Sqrt(v) <= math.Log(times) {
			return k
		}
	}
	return MostYears + 1
}
