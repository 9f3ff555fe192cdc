// Package reckon turns what must be eaten into what must be harvested, and that
// into plants, seed and starts, rows and bed area, with the working of every
// figure (model 3, 7 and 8).
package reckon

import (
	"fmt"
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/say"
)

// NeedsAnotherSowing is returned where no number of plants can meet a need with
// the confidence asked for, because all sowings may be lost outright.
type NeedsAnotherSowing struct {
	Confidence float64
	Sowings    int     // sowings there are
	Reach      float64 // the greatest chance they can have: 1 − f^m
	Better     int     // plants that would do with one more sowing; 0 where that is not enough either
}

// Error says what is missing and how much another sowing would help.
func (e *NeedsAnotherSowing) Error() string { return e.Fact().String() }

// Fact is the same as something to be told.
func (e *NeedsAnotherSowing) Fact() say.Fact {
	return say.AnotherSowing{Sowings: e.Sowings, Reach: e.Reach, Better: e.Better}
}

// mostPlants bounds a search; no garden sets out more of one thing.
const mostPlants = 50_000_000

// normal is the standard normal distribution function.
func normal(x float64) float64 { return math.Erfc(-x/math.Sqrt2) / 2 }

// binomial returns P(X = k) for n trials with chance p.
func binomial(n, k int, p float64) float64 {
	switch {
	case p <= 0:
		if k == 0 {
			return 1
		}
		return 0
	case p >= 1:
		if k == n {
			return 1
		}
		return 0
	}
	a, _ := math.Lgamma(float64(n + 1))
	b, _ := math.Lgamma(float64(k + 1))
	c, _ := math.Lgamma(float64(n - k + 1))
	return math.Exp(a - b - c + float64(k)*math.Log(p) + float64(n-k)*math.Log1p(-p))
}

// atLeast returns P(X ≥ k) for n trials with chance p.
func atLeast(n, k int, p float64) float64 {
	if k <= 0 {
		return 1
	}
	if n > 5000 { // the normal approximation with continuity correction is good to 1e-3 there
		mean, sd := float64(n)*p, math.Sqrt(float64(n)*p*(1-p))
		return normal((mean - float64(k) + 0.5) / sd)
	}
	var sum float64
	for i := k; i <= n; i++ {
		sum += binomial(n, i, p)
	}
	return math.Min(1, sum)
}

// sigma2 is the variance of the logarithm of a lognormal factor with mean 1 and
// a coefficient of variation; with s surviving sowings half of the variance is
// the season's own and shared.
func sigma2(cv float64, s int) float64 {
	return math.Log1p(cv * cv * (0.5 + 0.5/float64(s)))
}

// exceeds returns P(Y ≥ x) of the yield factor Y.
func exceeds(x, s2 float64) float64 {
	switch {
	case x <= 0:
		return 1
	case s2 <= 0:
		if x <= 1+1e-12 {
			return 1
		}
		return 0
	}
	return normal(-(math.Log(x) + s2/2) / math.Sqrt(s2))
}

// The 10, 50 and 90 % points of a standard normal variable.
var deciles = [3]float64{-1.2815515655446004, 0, 1.2815515655446004}

// Deciles returns the 10, 50 and 90 % points of the yield factor of one sowing
// that stands. Doubt is the standard deviation of the logarithm of what the household's own
// plantings give of the book's yield: it makes poor years poorer and good ones better.
func Deciles(cv, doubt float64) (out [3]float64) {
	s2 := sigma2(cv, 1)
	for i, z := range deciles {
		out[i] = math.Exp(math.Sqrt(s2+doubt*doubt)*z - s2/2)
	}
	return out
}

// Met returns P(met | n): the chance that n plants in m equal sowings, each lost
// outright with chance f, give at least h, at y a plant and cv from year to year.
func Met(n int, h, y, f, cv float64, m int) float64 {
	var p float64
	for s := 1; s <= m; s++ {
		p += binomial(m, s, 1-f) * exceeds(h*float64(m)/(float64(n)*y*float64(s)), sigma2(cv, s))
	}
	return p
}

// Plants returns the plants wanted for a need h (kg, or pieces where a plant
// gives several) at y a plant. Confidence 0 is a typical year; otherwise it is
// the least number whose chance of meeting the need is at least the confidence.
// Where no number is enough it returns a typical year's and NeedsAnotherSowing.
func Plants(h, y, f, cv float64, m int, confidence float64) (int, error) {
	if h <= 0 {
		return 0, nil
	}
	if y <= 0 || f >= 1 {
		return 0, fmt.Errorf("a plant gives nothing, so no number of plants gives %g", h)
	}
	typical := amount.CeilWhole(h / (y * (1 - f)))
	if confidence == 0 {
		return typical, nil
	}
	return search(typical, f, m, confidence, func(n, m int) float64 { return Met(n, h, y, f, cv, m) })
}

// Pieces returns the plants wanted for a number of pieces, one to a plant, of
// which a share is no good. It never goes by weight.
func Pieces(pieces, unmarketable, f float64, m int, confidence float64) (int, error) {
	if pieces <= 0 {
		return 0, nil
	}
	typical := amount.CeilWhole(pieces / ((1 - unmarketable) * (1 - f)))
	if confidence == 0 {
		return typical, nil
	}
	want := amount.CeilWhole(pieces)
	return search(typical, f, m, confidence, func(n, m int) float64 { return MetPieces(n, want, unmarketable, f, m) })
}

// MetPieces is Met for pieces, one to a plant.
func MetPieces(n, want int, unmarketable, f float64, m int) float64 {
	var p float64
	for s := 1; s <= m; s++ {
		p += binomial(m, s, 1-f) * atLeast(n*s/m, want, 1-unmarketable)
	}
	return p
}

// search finds the least n with met(n, m) ≥ confidence; met rises with n.
func search(typical int, f float64, m int, confidence float64, met func(n, m int) float64) (int, error) {
	if reach := 1 - math.Pow(f, float64(m)); reach <= confidence+1e-9 {
		e := &NeedsAnotherSowing{Confidence: confidence, Sowings: m, Reach: reach}
		if 1-math.Pow(f, float64(m+1)) > confidence+1e-9 {
			e.Better, _ = search(typical, f, m+1, confidence, met)
		}
		return typical, e
	}
	high := max(1, typical)
	for met(high, m) < confidence && high < mostPlants {
		high *= 2
	}
	low := 0
	for low+1 < high {
		if mid := (low + high) / 2; met(mid, m) >= confidence {
			high = mid
		} else {
			low = mid
		}
	}
	return high, nil
}
