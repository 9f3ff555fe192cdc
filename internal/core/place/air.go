package place

import (
	"math"
	"slices"

	"inventory/internal/core/invalid"
)

// Warmth is by how much a piece of ground is warmer than the place around it: below a
// wall that faces the sun, on a slope; below 0, by how much colder, as in a hollow where cold
// air gathers. It is said in degrees, or by how many days its last frost comes earlier.
type Warmth struct {
	Warmer  float64 `json:"warmer,omitempty"`  // °C, day and night
	Earlier int     `json:"earlier,omitempty"` // days; only where nothing is said in degrees
}

// The most that ground differs from the place a short walk away: more than this is another
// climate.
const (
	mostWarmer  = 6  // °C
	mostEarlier = 42 // days
)

// Validate looks at a warmth.
func (w Warmth) Validate(c invalid.Check) {
	c.Number("warmer", w.Warmer, -mostWarmer, mostWarmer)
	c.Number("earlier", float64(w.Earlier), -mostEarlier, mostEarlier)
	if w.Warmer != 0 && w.Earlier != 0 {
		c.Add("earlier", invalid.FormatNumber(float64(w.Earlier)), "Say it in degrees or in days, not in both.")
	}
}

// Air is what the air over a planting has of its own: the cover that lies over it, and by how
// many degrees, °C, the ground that it stands in is warmer than the place. The zero Air is that
// of the place.
type Air struct {
	Cover  Cover
	Warmer float64
}

// In returns the year in an air. What a cover adds comes on top of what the ground is warmer.
func (y *Year) In(a Air) *Year { return y.warmed(a.Warmer).Under(a.Cover) }

// warmed returns the year of ground that is warmer by so many degrees, every day. The frost
// dates move by the days in which the mean minimum changes by as much.
func (y *Year) warmed(by float64) *Year {
	if by == 0 {
		return y
	}
	out := *y
	out.heat, out.sums, out.hot, out.growth = nil, nil, nil, nil
	for d := range Days {
		out.Min[d], out.Max[d], out.Mean[d] = y.Min[d]+by, y.Max[d]+by, y.Mean[d]+by
	}
	out.soil()
	if y.FrostFree {
		return &out
	}
	out.Last = y.when(y.Last, y.Min[y.Last]-by, -1, by)
	out.First = y.when(y.First, y.Min[y.First]-by, 1, by)
	return &out
}

// when looks for the day on which the mean minimum is so high, on the same side of the summer
// as a frost date: earlier or later by a step a day where the ground is warmer, the other way
// where it is colder. It goes no further than to midwinter, or to midsummer.
func (y *Year) when(frost int, minimum float64, step int, by float64) int {
	coldest, hottest := slices.Index(y.Min[:], slices.Min(y.Min[:])), slices.Index(y.Min[:], slices.Max(y.Min[:]))
	end := coldest
	if by < 0 {
		step, end = -step, hottest
	}
	d := frost
	for n := 0; n < Days && mod(d+step, Days) != end; n++ {
		if by > 0 && y.Min[d] <= minimum || by < 0 && y.Min[d] >= minimum {
			break
		}
		d = mod(d+step, Days)
	}
	return d
}

// Degrees returns by how many °C ground is warmer whose warmths add up, such as that of a plot
// and of a bed on it, to a tenth. Days are turned into the degrees by which the mean minimum
// rises in them before the last frost; where there is no frost, before the day halfway
// from the coldest to the warmest.
func (y *Year) Degrees(all ...Warmth) (sum float64) {
	at := y.Last
	if y.FrostFree {
		coldest := slices.Index(y.Min[:], slices.Min(y.Min[:]))
		at = mod(coldest+mod(y.Warmest-coldest, Days)/2, Days)
	}
	for _, w := range all {
		sum += w.Warmer
		if w.Earlier != 0 {
			sum += y.Min[at] - y.Min[mod(at-w.Earlier, Days)]
		}
	}
	return math.Round(10*max(-mostWarmer, min(mostWarmer, sum))) / 10
}
