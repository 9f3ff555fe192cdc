package place

import (
	"math"
)

// DegreeDays returns the heat of one day above a base, °C·days, by the single
// sine of its minimum and maximum (Baskerville & Emin 1969), with a horizontal
// cut-off: what lies above the cap counts as the cap.
func DegreeDays(lowest, highest, base, limit float64) float64 {
	return above(lowest, highest, base) - above(lowest, highest, limit)
}

// above is the area of a day's sine above a threshold.
func above(lowest, highest, threshold float64) float64 {
	mean, swing := (lowest+highest)/2, (highest-lowest)/2
	switch {
	case lowest >= threshold:
		return mean - threshold
	case highest <= threshold:
		return 0
	}
	angle := math.Asin((threshold - mean) / swing)
	return ((mean-threshold)*(math.Pi/2-angle) + swing*math.Cos(angle)) / math.Pi
}

// LightFactor returns how fast growth goes by the length of the day: at full
// pace from 12 h, falling evenly to a fifth of it at 8 h and below.
func LightFactor(hours float64) float64 {
	return math.Max(0.2, math.Min(1, 0.2+0.8*(hours-8)/4))
}

// heatKey names a table of degree days.
type heatKey struct{ base, limit float64 }

// Heat returns the degree days × light of every day of the year for a base and a
// cap, °C·days, built once for a year and a pair.
func (y *Year) Heat(base, limit float64) *[Days]float64 {
	key := heatKey{base, limit}
	if t := y.heat[key]; t != nil {
		return t
	}
	t := new([Days]float64)
	for d := range t {
		t[d] = DegreeDays(y.Min[d], y.Max[d], base, limit) * y.pace[d]
	}
	if y.heat == nil {
		y.heat = map[heatKey]*[Days]float64{}
	}
	y.heat[key] = t
	return t
}

// Sums holds what has come of something by each day of three years, beginning a
// year before the median last frost: element i is the sum of the first i days.
type Sums [3*Days + 1]float64

// HeatSums returns the sums of Heat for a base and a cap, °C·days, built once for
// a year and a pair.
func (y *Year) HeatSums(base, limit float64) *Sums {
	key := heatKey{base, limit}
	if s := y.sums[key]; s != nil {
		return s
	}
	table, s := y.Heat(base, limit), new(Sums)
	d := y.Day(-Days)
	for i := range s[1:] {
		s[i+1] = s[i] + table[d]
		if d++; d == Days {
			d = 0
		}
	}
	if y.sums == nil {
		y.sums = map[heatKey]*Sums{}
	}
	y.sums[key] = s
	return s
}

// GrowthSums returns the sums of growth as shares of that of a day at the reference
// temperature, never more than 1, as Sums are counted, built once for a crop's figures.
func (y *Year) GrowthSums(base, limit, reference float64) *Sums {
	key := growthKey{base, limit, reference}
	if s := y.growth[key]; s != nil {
		return s
	}
	table, s := y.Heat(base, limit), new(Sums)
	d := y.Day(-Days)
	for i := range s[1:] {
		s[i+1] = s[i] + min(1, table[d]/(min(reference, limit)-base))
		if d++; d == Days {
			d = 0
		}
	}
	if y.growth == nil {
		y.growth = map[growthKey]*Sums{}
	}
	y.growth[key] = s
	return s
}

// growthKey names a table of growth.
type growthKey struct{ base, limit, reference float64 }

// warmth is how many degrees over its limit a crop can bear nothing more, °C.
const warmth = 4

// Stress returns how much the heat of a day takes from a crop with a limit, 0 to 1:
// heat wears, it is no wall. d is a year day.
func (y *Year) Stress(d int, limit float64) float64 {
	return max(0, min(1, (y.Max[d]-limit)/warmth))
}

// StressSums returns the sums of Stress for a limit, as Sums are counted, built once
// for a year and a limit.
func (y *Year) StressSums(limit float64) *Sums {
	if s := y.hot[limit]; s != nil {
		return s
	}
	s := new(Sums)
	d := y.Day(-Days)
	for i := range s[1:] {
		s[i+1] = s[i] + y.Stress(d, limit)
		if d++; d == Days {
			d = 0
		}
	}
	if y.hot == nil {
		y.hot = map[float64]*Sums{}
	}
	y.hot[limit] = s
	return s
}

// soil fills in the warmth of open soil, °C: the mean air of the day and the six
// before it, and 2 °C more while days are longer than 12 h, the sun lying on bare
// ground.
func (y *Year) soil() {
	var sum float64
	for d := -6; d < 0; d++ {
		sum += y.Mean[mod(d, Days)]
	}
	for d := range Days {
		sum += y.Mean[d]
		y.Soil[d] = sum / 7
		if y.Light[d] > 12 {
			y.Soil[d] += 2
		}
		sum -= y.Mean[mod(d-6, Days)]
	}
}

// FrostAfter returns the chance of a killing frost after day x counted from the
// median last spring frost: the last frost is spread about its median as the
// place says. Where there is no frost it is 0.
func (y *Year) FrostAfter(x int) float64 {
	if y.FrostFree {
		return 0
	}
	if y.FrostSpread <= 0 {
		if x < 0 {
			return 1
		}
		return 0
	}
	return 0.5 * math.Erfc(float64(x)/y.FrostSpread/math.Sqrt2)
}
