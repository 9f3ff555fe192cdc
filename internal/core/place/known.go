package place

import (
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Winters says how cold the nights of the coldest month are, beside its days.
type Winters string

// The winters. What each means in °C is in nightsBelowDays.
const (
	Mild  Winters = "mild"
	Even  Winters = "even"
	Harsh Winters = "hard"
)

// nightsBelowDays is how far the nights of the coldest month are below its days on average, °C.
// A coast has some 5 °C, a plain 7, the middle of a continent 10.
var nightsBelowDays = map[Winters]float64{Mild: 5, Even: 7, Harsh: 10}

const (
	// summerSwing is the same of the warmest month, °C; where there is no frost the air is moister, and
	// the nights are warmer.
	summerSwing, moistSwing = 12, 9
	// frostNights is the average low on the day of the usual last and first frost, °C: single nights
	// are some 5 to 6 °C colder than the average of their week.
	frostNights = 5.5
)

// Known is what people know of their climate without a record of its weather: the usual frosts, and how warm
// the days of the warmest and the coldest month are.
type Known struct {
	Latitude   float64        `json:"latitude"` // degrees, north positive
	FrostFree  bool           `json:"frost_free"`
	LastFrost  civil.MonthDay `json:"last_frost"`
	FirstFrost civil.MonthDay `json:"first_frost"`
	Warmest    float64        `json:"warmest"` // average high of the warmest month, °C
	Coldest    float64        `json:"coldest"` // average high of the coldest month, °C
	Winters    Winters        `json:"winters"`
}

// Place returns the twelve months that fit what is known. Highs and lows each follow one wave through the year,
// whose crest lies in the middle of the frost-free season (without frost: five weeks after the longest day).
// The wave of the lows comes as near as it can (least squares) to the nights of the coldest month, those at the
// usual frosts, and those of the warmest month. Rain is 60 mm in every month, since nothing is said of it. What
// cannot be is an invalid.Fields.
func (k Known) Place(name string) (Place, error) {
	c := invalid.NewCheck()
	c.Number("latitude", k.Latitude, -70, 70)
	c.Number("warmest", k.Warmest, 5, 50)
	c.Number("coldest", k.Coldest, -40, 40)
	c.OneOf("winters", string(k.Winters), string(Mild), string(Even), string(Harsh))
	if k.Coldest > k.Warmest {
		c.Add("coldest", invalid.FormatNumber(k.Coldest), "a temperature below that of the warmest month")
	}
	if err := c.Err(); err != nil {
		return Place{}, err
	}
	p := Place{Name: name, Latitude: k.Latitude, FrostFree: k.FrostFree, LastFrost: k.LastFrost, FirstFrost: k.FirstFrost}
	if !k.FrostFree {
		p.FrostSpread = 10
	}
	crest := k.crest()
	points := []known{{phase: math.Pi, value: k.Coldest - nightsBelowDays[k.Winters]}, {phase: 0, value: k.Warmest - summerSwing}}
	if k.FrostFree {
		points[1].value = k.Warmest - moistSwing
	} else if k.LastFrost.Valid() && k.FirstFrost.Valid() {
		half := float64(mod(k.FirstFrost.YearDay()-k.LastFrost.YearDay(), Days)) / 2
		points = append(points, known{phase: 2 * math.Pi * half / Days, value: frostNights})
	}
	mean, swing := wave(points)
	for m := range 12 {
		at := math.Cos(2 * math.Pi * (float64(monthMiddle(m)) - crest) / Days)
		p.MeanMax[m] = tenth((k.Warmest+k.Coldest)/2 + (k.Warmest-k.Coldest)/2*at)
		p.MeanMin[m] = math.Min(tenth(mean+swing*at), p.MeanMax[m]-2)
		p.Rain[m] = 60
	}
	p.Validate(c)
	return p, c.Err()
}

// crest is the warmest day of the year, by the middle of the season or by the sun.
func (k Known) crest() float64 {
	if !k.FrostFree && k.LastFrost.Valid() && k.FirstFrost.Valid() {
		first := k.LastFrost.YearDay()
		return float64(first) + float64(mod(k.FirstFrost.YearDay()-first, Days))/2
	}
	const longest, lag = 172, 35 // the 21st of June; the days after it
	if k.Latitude < 0 {
		return longest + lag - Days/2.0
	}
	return longest + lag
}

// known is one point of a wave: how far it is from the crest, in radians, and its value.
type known struct{ phase, value float64 }

// wave returns the mean and the swing of mean + swing · cos(phase) that lie nearest to points.
func wave(points []known) (mean, swing float64) {
	var c, cc, v, cv float64
	n := float64(len(points))
	for _, p := range points {
		x := math.Cos(p.phase)
		c, cc, v, cv = c+x, cc+x*x, v+p.value, cv+x*p.value
	}
	swing = (n*cv - c*v) / (n*cc - c*c)
	return (v - swing*c) / n, swing
}

// monthMiddle is the middle day of a month in the year, from 0.
func monthMiddle(m int) int { return civil.MonthDay{Month: m + 1, Day: 15}.YearDay() }

// tenth rounds to a tenth.
func tenth(v float64) float64 { return math.Round(10*v) / 10 }
