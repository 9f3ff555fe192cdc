package place

import (
	"math"

	"inventory/internal/core/civil"
)

// Generate makes up the daily weather of a place from one day to another, both
// included: its normals, with a noise that carries over from day to day
// (first-order autoregression) and an anomaly of each year. The same seed gives
// the same days.
func Generate(p Place, seed uint64, from, to civil.Date) []Day {
	const carry, spread, yearly = 0.65, 3.0, 0.7 // share carried over; °C
	low, high := Curve(p.MeanMin), Curve(p.MeanMax)
	d := dice{seed}
	noise, anomaly, year := 0.0, 0.0, 0
	var out []Day
	for day := from; day <= to; day++ {
		y, m, _ := day.Split()
		if y != year {
			year, anomaly = y, yearly*d.normal()
		}
		noise = carry*noise + spread*math.Sqrt(1-carry*carry)*d.normal()
		k := day.YearDay()
		swing := (high[k] - low[k]) / 2 * (1 + 0.25*d.normal())
		mean := (high[k]+low[k])/2 + noise + anomaly
		round := func(v float64) float64 { return math.Round(v*10) / 10 }
		rain := 0.0
		if d.uniform() < 0.35 { // of what falls on a wet day, the shape is exponential
			rain = round(-math.Log(1-d.uniform()) * p.Rain[m-1] / (0.35 * 30.44))
		}
		out = append(out, Day{Date: day, Max: round(mean + math.Max(0.5, swing)), Min: round(mean - math.Max(0.5, swing)), Rain: &rain})
	}
	return out
}

// dice is a small generator of its own (splitmix64, Steele et al. 2014), so that
// the same seed gives the same weather everywhere.
type dice struct{ state uint64 }

func (d *dice) uniform() float64 {
	d.state += 0x9e3779b97f4a7c15
	z := d.state
	z = (z ^ z>>30) * 0xbf58476d1ce4e5b9
	z = (z ^ z>>27) * 0x94d049bb133111eb
	return float64((z^z>>31)>>11) / (1 << 53)
}

// normal returns a standard normal number (Box & Muller 1958).
func (d *dice) normal() float64 {
	return math.Sqrt(-2*math.Log(1-d.uniform())) * math.Cos(2*math.Pi*d.uniform())
}
