package work

import (
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// Thirst is a planting as far as water goes.
type Thirst struct {
	Crop     *book.Crop
	Name     string
	Area     float64 // m²
	From, To civil.Date
	Sown     bool       // in place, so that its seed must not dry out
	Up       civil.Date // of what is sown: the day by which seedlings are up; zero: it is not known
	First    civil.Date // its first picking; zero: it is not known
}

// Watering is the water of one week.
type Watering struct {
	Day      civil.Date `json:"day"`      // its first
	Need     float64    `json:"need"`     // litres that the crops need
	Rain     float64    `json:"rain"`     // mm of the normals
	Give     float64    `json:"give"`     // litres that the rain leaves to be given
	Barrels  float64    `json:"barrels"`  // litres of that from the barrels
	Tap      float64    `json:"tap"`      // litres that the barrels do not have
	Left     float64    `json:"left"`     // litres in the barrels at its end
	Critical []string   `json:"critical"` // crops for which it matters most, with why
}

// runoff is the share of the rain on a roof that comes into the barrels: the rest
// wets the roof, splashes and overflows the gutter.
const runoff = 0.8

// dormant is the mean of the day, °C, below which nothing grows that would want
// water given: evaporation is then small, and what stands rests.
const dormant = 5

// usualWater is what a crop needs a week where the book has no figure, mm.
const usualWater = 25

// Water reckons the water of the weeks that begin on given days: what the crops
// need, less the rain of the normals, out of barrels that a roof fills; the barrels
// are taken to be full before the first week. In weeks too cold to grow nothing is given. Sums are over the plantings' areas.
func Water(weeks []civil.Date, crops []Thirst, p place.Place, barrels, roof float64) []Watering {
	out := make([]Watering, 0, len(weeks))
	stock := barrels
	daily, high, low := rainOf(p.Rain), place.Curve(p.MeanMax), place.Curve(p.MeanMin)
	for _, day := range weeks {
		w := Watering{Day: day}
		for d := day; d < day+7; d++ {
			w.Rain += daily[d.YearDay()]
		}
		w.Need, w.Give, w.Critical = drink(day, crops, w.Rain, rests(high, low, day))
		stock = math.Min(barrels, stock+w.Rain*roof*runoff)
		w.Barrels = math.Min(stock, w.Give)
		stock -= w.Barrels
		w.Tap, w.Left = w.Give-w.Barrels, stock
		out = append(out, w)
	}
	return out
}

// rests reports whether a week is too cold for anything to grow that wants water.
func rests(high, low [place.Days]float64, day civil.Date) bool {
	middle := (day + 3).YearDay()
	return (high[middle]+low[middle])/2 < dormant
}

// drink returns what crops need in the week from a day and what the rain, mm, leaves of that to
// be given, litres; and the crops for which it matters most, with why.
func drink(day civil.Date, crops []Thirst, rain float64, rests bool) (need, give float64, critical []string) {
	critical = []string{}
	if rests {
		return 0, 0, critical
	}
	for _, c := range crops {
		days := float64(min(c.To, day+7) - max(c.From, day))
		if days <= 0 {
			continue
		}
		mm := c.Crop.WaterMM.Or(usualWater)
		need += c.Area * mm * days / 7
		give += c.Area * math.Max(0, mm-rain) * days / 7
		if why := criticalIn(c, day); why != "" {
			if words := c.Name + ": " + why; !slices.Contains(critical, words) {
				critical = append(critical, words)
			}
		}
	}
	return need, give, critical
}

// rainOf spreads the rain of the months over their days, mm.
func rainOf(months [12]float64) (daily [place.Days]float64) {
	for d := range daily {
		_, m, _ := (civil.Of(2023, 1, 1) + civil.Date(d)).Split() // a common year
		days := civil.Of(2023, m+1, 1) - civil.Of(2023, m, 1)
		if m == 12 {
			days = 31
		}
		daily[d] = months[m-1] / float64(days)
	}
	return daily
}

// criticalIn says why a week is one in which a crop must not go dry: while seed comes
// up or a start roots; while fruit and seed set; while roots, bulbs and heads swell
// in the weeks before they are lifted. These are the stages that extension guides to
// vegetable watering name.
func criticalIn(c Thirst, day civil.Date) string {
	switch {
	case day <= c.From+6 && c.From < day+7 || day == c.From+7:
		if c.Sown {
			return "seed coming up"
		}
		return "rooting"
	case c.First == 0:
		return ""
	}
	before := c.First - day
	switch c.Crop.Group {
	case "fruit", "legume", "grain", "berry":
		if before > 0 && before <= 28 {
			return "setting"
		}
	case "root", "tuber", "bulb", "stem", "head":
		if before > 0 && before <= 28 {
			return "swelling"
		}
	}
	return ""
}
