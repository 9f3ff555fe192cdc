// Package place is where a household grows: latitude, the normals of its
// months, its frosts; and the daily curves that follow from them.
package place

import (
	"encoding/json"
	"fmt"
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Place is what a household says of its climate. Temperatures are °C, rain mm.
type Place struct {
	Name        string         `json:"name"`
	Latitude    float64        `json:"latitude"` // degrees, north positive
	Altitude    float64        `json:"altitude"` // m above the sea
	MeanMax     Months         `json:"mean_max"` // mean daily maximum, January first
	MeanMin     Months         `json:"mean_min"`
	Rain        Months         `json:"rain"`
	FrostFree   bool           `json:"frost_free"`
	LastFrost   civil.MonthDay `json:"last_frost"`   // median last spring frost; none where frost-free
	FirstFrost  civil.MonthDay `json:"first_frost"`  // median first autumn frost
	FrostSpread float64        `json:"frost_spread"` // standard deviation of both, days
}

// Months holds a figure for each month, January first.
type Months [12]float64

// UnmarshalJSON reads a list of twelve; another number of them is an invalid.Field.
func (m *Months) UnmarshalJSON(body []byte) error {
	var list []float64
	if err := json.Unmarshal(body, &list); err != nil {
		return err
	}
	if len(list) != len(m) {
		return &invalid.Field{Field: "months", Value: fmt.Sprintf("a list of %d", len(list)), Allowed: "twelve figures, January first"}
	}
	*m = Months(list)
	return nil
}

// Validate looks for what cannot be: numbers out of range, minima above
// maxima, frosts that leave no season or contradict the normals.
func (p Place) Validate(c invalid.Check) {
	if len([]rune(p.Name)) > 80 {
		c.Text("name", p.Name, 80)
	}
	c.Number("latitude", p.Latitude, -70, 70)
	c.Number("altitude", p.Altitude, -450, 6000)
	sound := true
	for m := range 12 {
		c.Number(fmt.Sprintf("mean_max[%d]", m), p.MeanMax[m], -60, 60)
		c.Number(fmt.Sprintf("mean_min[%d]", m), p.MeanMin[m], -70, 50)
		c.Number(fmt.Sprintf("rain[%d]", m), p.Rain[m], 0, 3000)
		if p.MeanMin[m] >= p.MeanMax[m] {
			c.Add(fmt.Sprintf("mean_min[%d]", m), invalid.FormatNumber(p.MeanMin[m]), fmt.Sprintf("less than the month's mean maximum of %s °C", invalid.FormatNumber(p.MeanMax[m])))
			sound = false
		}
	}
	if p.FrostFree {
		if !p.LastFrost.IsZero() || !p.FirstFrost.IsZero() {
			c.Add("frost_free", "true", "Remove the frost dates, or say that there is frost.")
		}
		return
	}
	c.Number("frost_spread", p.FrostSpread, 0, 40)
	ok := true
	for _, f := range []struct {
		field string
		day   civil.MonthDay
	}{{"last_frost", p.LastFrost}, {"first_frost", p.FirstFrost}} {
		if f.day.IsZero() {
			c.Add(f.field, "", "a day such as 04-28, or say that the place has no frost")
			ok = false
		} else if !f.day.Valid() {
			c.Add(f.field, f.day.String(), "a day of the year such as 04-28")
			ok = false
		}
	}
	if !ok || !sound || !finite(p) {
		return
	}
	p.validateFrosts(c)
}

func finite(p Place) bool {
	for m := range 12 {
		for _, v := range []float64{p.MeanMax[m], p.MeanMin[m]} {
			if math.IsNaN(v) || math.IsInf(v, 0) {
				return false
			}
		}
	}
	return true
}

// validateFrosts holds the frost dates against the normals. A median frost
// falls where the mean minimum is a few degrees above freezing; −5 to 12 °C
// leaves room for frost hollows and for warm slopes.
func (p Place) validateFrosts(c invalid.Check) {
	length := mod(p.FirstFrost.YearDay()-p.LastFrost.YearDay(), Days)
	if length < 30 {
		c.Add("first_frost", p.FirstFrost.String(), fmt.Sprintf("a day at least 30 days after the last spring frost, %s; these dates leave a season of %d days", p.LastFrost, length))
		return
	}
	minimum := Curve(p.MeanMin)
	for _, f := range []struct {
		field string
		day   civil.MonthDay
	}{{"last_frost", p.LastFrost}, {"first_frost", p.FirstFrost}} {
		if v := minimum[f.day.YearDay()]; v < -5 || v > 12 {
			c.Add(f.field, f.day.String(), fmt.Sprintf("a day on which the normals have a mean minimum of −5 to 12 °C; they have %.1f °C", v))
			return
		}
	}
	var inside, outside float64
	for d := range Days {
		if mod(d-p.LastFrost.YearDay(), Days) < length {
			inside += minimum[d] / float64(length)
		} else {
			outside += minimum[d] / float64(Days-length)
		}
	}
	if inside <= outside {
		c.Add("last_frost", p.LastFrost.String(), fmt.Sprintf("a day that begins the warm half of the year; by the normals the days from %s to %s are the colder ones", p.LastFrost, p.FirstFrost))
	}
}

// Days is the length of the year that daily tables hold.
const Days = 365

// midMonths are the days on which a month's mean is taken to hold.
var midMonths = [12]float64{16, 45.5, 75, 105.5, 136, 166.5, 197, 228, 258.5, 289, 319.5, 350}

// Curve draws a daily curve through twelve monthly means: the least-squares
// harmonic of order 2 through mid-months, for days 0 to 364.
func Curve(months [12]float64) (daily [Days]float64) {
	basis := func(day float64) [5]float64 {
		a := 2 * math.Pi * day / Days
		return [5]float64{1, math.Cos(a), math.Sin(a), math.Cos(2 * a), math.Sin(2 * a)}
	}
	var m [5][6]float64 // normal equations
	for i, mid := range midMonths {
		b := basis(mid)
		for r := range 5 {
			for col := range 5 {
				m[r][col] += b[r] * b[col]
			}
			m[r][5] += b[r] * months[i]
		}
	}
	for p := range 5 { // the system is symmetric and positive definite: no pivoting needed
		for r := range 5 {
			if r == p {
				continue
			}
			f := m[r][p] / m[p][p]
			for col := p; col < 6; col++ {
				m[r][col] -= f * m[p][col]
			}
		}
	}
	for d := range Days {
		for k, v := range basis(float64(d + 1)) {
			daily[d] += m[k][5] / m[k][k] * v
		}
	}
	return daily
}

// MidMonth returns the day of the year on which the mean of a month, 0 to 11, is
// taken to hold.
func MidMonth(month int) float64 { return midMonths[month] }

// Declination returns how far the sun stands north of the equator on day 1 to
// 365, in radians (Forsythe et al. 1995).
func Declination(day int) float64 {
	theta := 0.2163108 + 2*math.Atan(0.9671396*math.Tan(0.00860*float64(day-186)))
	return math.Asin(0.39795 * math.Cos(theta))
}

// DayLength returns the hours from sunrise to sunset, by the upper limb of the
// sun, on day 1 to 365 at a latitude: the CBM model of Forsythe et al. (1995),
// "A model comparison for daylength as a function of latitude and day of year".
func DayLength(latitude float64, day int) float64 {
	const p = 0.8333 * math.Pi / 180
	phi := Declination(day)
	l := latitude * math.Pi / 180
	x := (math.Sin(p) + math.Sin(l)*math.Sin(phi)) / (math.Cos(l) * math.Cos(phi))
	return 24 - 24/math.Pi*math.Acos(max(-1, min(1, x)))
}

// Year is a place with its daily tables, built once and read often. Index 0 of
// a table is 1 January.
type Year struct {
	Place
	Min, Max, Mean, Light [Days]float64 // °C, °C, °C, hours
	Last, First           int           // year days of the median frosts; Last is 0 where frost-free
	Soil                  [Days]float64 // °C, of open soil
	Warmest               int           // year day of the greatest mean

	pace [Days]float64 // of growth, by the length of the day
	heat map[heatKey]*[Days]float64
	sums map[heatKey]*Sums
	hot  map[float64]*Sums

	growth map[growthKey]*Sums
}

// Build makes a place's daily tables. The days of this year that have been, if
// there are any, stand in place of the normals.
func Build(p Place, been ...Day) *Year {
	y := &Year{Place: p, Min: Curve(p.MeanMin), Max: Curve(p.MeanMax)}
	for _, d := range been {
		y.Min[d.Date.YearDay()], y.Max[d.Date.YearDay()] = d.Min, d.Max
	}
	for d := range Days {
		y.Mean[d] = (y.Min[d] + y.Max[d]) / 2
		y.Light[d] = DayLength(p.Latitude, d+1)
		y.pace[d] = LightFactor(y.Light[d])
		if y.Mean[d] > y.Mean[y.Warmest] {
			y.Warmest = d
		}
	}
	y.soil()
	if !p.FrostFree {
		y.Last, y.First = p.LastFrost.YearDay(), p.FirstFrost.YearDay()
	}
	return y
}

// Day returns the table index of the day x days after the median last spring
// frost (after 1 January where there is no frost).
func (y *Year) Day(x int) int { return mod(y.Last+x, Days) }

func mod(a, b int) int { return ((a % b) + b) % b }
