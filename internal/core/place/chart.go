package place

import (
	"math"
)

// ChartStep is how many days lie between two points of a chart.
const ChartStep = 5

// Chart is a place's year as it is drawn: a point every five days, from 1
// January on.
type Chart struct {
	Max       []float64 `json:"max"` // °C
	Min       []float64 `json:"min"`
	Soil      []float64 `json:"soil"`
	Light     []float64 `json:"light"`      // hours
	Frost     []float64 `json:"frost"`      // chance that a killing frost is still to come in spring, or has come in autumn
	FrostFree int       `json:"frost_free"` // days between the median frosts
}

// Chart draws the year of a place.
func (y *Year) Chart() Chart {
	c := Chart{FrostFree: Days}
	if !y.FrostFree {
		c.FrostFree = mod(y.First-y.Last, Days)
	}
	round := func(v float64, by float64) float64 { return math.Round(v*by) / by }
	for at := 0; at <= Days; at += ChartStep { // the last point is the first of the next year
		d := at % Days
		c.Max, c.Min = append(c.Max, round(y.Max[d], 10)), append(c.Min, round(y.Min[d], 10))
		c.Soil, c.Light = append(c.Soil, round(y.Soil[d], 10)), append(c.Light, round(y.Light[d], 100))
		c.Frost = append(c.Frost, round(y.FrostOn(d), 1000))
	}
	return c
}

// FrostOn returns the chance that a year day lies outside the frost-free time:
// that a killing frost is still to come in spring, or has come in autumn. Frosts
// are normally spread about their medians.
func (y *Year) FrostOn(d int) float64 {
	if y.FrostFree {
		return 0
	}
	length := mod(y.First-y.Last, Days)
	x := mod(d-y.Last, Days)
	if x > (length+Days)/2 { // nearer to the coming spring than to the autumn that was
		x -= Days
	}
	if x < length/2 {
		return y.FrostAfter(x)
	}
	return y.FrostAfter(length - x)
}
