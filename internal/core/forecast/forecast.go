// Package forecast holds what a planting was expected to give against what was really picked, and
// says what is still to come of it: a normal prior for the logarithm of the season's factor, and the
// picking so far as one observation of it (the precision-weighted mean of two normals).
package forecast

import (
	"math"

	"inventory/internal/core/learn"
	"inventory/internal/core/record"
)

// Figures of the model: the spread that is not known before anything was recorded, the least share
// of the curve that is reckoned with, the error of weighing itself, and how much a week's picking
// swings.
const (
	unknownVariance = 0.1525
	leastShare      = 0.02
	weighingError   = 0.1
	weeklySwing     = 0.2
)

// Variance returns the variance of the logarithm of a season's yield, from the book's coefficient
// of variation.
func Variance(cv float64) float64 { return math.Log(1 + cv*cv) }

// Prior is what is believed of the logarithm of a planting's factor before it is picked.
type Prior struct{ Mean, Variance float64 }

// Unrecorded is the prior where nothing was ever recorded of the crop.
func Unrecorded(variance float64) Prior {
	return Prior{-variance / 2, variance + unknownVariance}
}

// Own is the prior where the household's own factor is known.
func Own(own, variance float64) Prior {
	return Prior{math.Log(own) - variance/2, variance}
}

// Picking is how far the picking of a planting has come.
type Picking struct {
	Expected float64        // kg that the whole planting was expected to give
	Picked   float64        // kg so far
	Share    float64        // of its curve that is over, 0 to 1
	Weeks    float64        // that are left of it
	Weighed  record.Weighed // how much of what was picked was weighed
	Variance float64        // of the logarithm of a season's yield
}

// Outlook is what is still to come of a planting, kg: in one season of ten no more than Low, in one
// no less than High.
type Outlook struct {
	Factor     float64 // what is to come, as a share of what was expected of it
	Low        float64
	Likely     float64
	High       float64
	NearlyOver bool    // under a tenth of the curve is to come
	Below      float64 // chance that the season gives this planting less than was expected
}

// ToCome returns what is still to come. Before the first picking the prior alone speaks: the factor
// is its middle, the household's own or 1.
func ToCome(prior Prior, p Picking) Outlook {
	mean, variance := prior.Mean, prior.Variance
	out := Outlook{Factor: math.Exp(mean + p.Variance/2), NearlyOver: p.Share > 0.9}
	// What was hardly weighed says nothing of the rest.
	if weighed, unsure := p.Weighed.Share(); p.Picked > 0 && p.Expected > 0 && weighed > 0 {
		share := math.Max(leastShare, math.Min(1, p.Share))
		q := p.Picked / (p.Expected * share * weighed)
		v := p.Variance*(1-share)/share + weighingError*weighingError + unsure
		precision := 1/prior.Variance + 1/v
		mean, variance = (prior.Mean/prior.Variance+math.Log(q)/v)/precision, 1/precision
		out.Factor = math.Exp(mean + variance/2)
	}
	out.Below = math.Erfc(mean/math.Sqrt(2*variance)) / 2
	left := p.Expected * math.Max(0, 1-p.Share)
	spread := learn.Z80 * math.Sqrt(variance+weeklySwing/math.Max(1, p.Weeks))
	out.Likely = left * out.Factor
	out.Low, out.High = left*math.Exp(mean-spread), left*math.Exp(mean+spread)
	return out
}
