package place

import (
	"fmt"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// MostDays bounds the days of weather that a household keeps.
const MostDays = 800

// ThisYear returns those of the days that replace the normals: the ones of the
// growing year up to a day, which begins at midwinter. It is 1 January in the
// north and 1 July in the south.
func ThisYear(p Place, days []Day, asOf civil.Date) (out []Day) {
	year, month, _ := asOf.Split()
	from := civil.Of(year, 1, 1)
	if p.Latitude < 0 {
		if month < 7 {
			year--
		}
		from = civil.Of(year, 7, 1)
	}
	for _, d := range days {
		if d.Date >= from && d.Date <= asOf {
			out = append(out, d)
		}
	}
	return out
}

// ValidateDays looks at the days of weather of a household.
func ValidateDays(c invalid.Check, days []Day) {
	if len(days) > MostDays {
		c.Add("weather", fmt.Sprint(len(days)), fmt.Sprintf("at most %d days", MostDays))
		return
	}
	for i, d := range days {
		at := c.Index("weather", i)
		if d.Date < civil.Of(1900, 1, 1) {
			at.Add("date", "", "a day such as 2026-05-14")
		}
		at.Number("max", d.Max, -60, 65)
		at.Number("min", d.Min, -75, 60)
		if d.Min > d.Max {
			at.Add("min", invalid.FormatNumber(d.Min), "no more than the day's highest, "+invalid.FormatNumber(d.Max)+" °C")
		}
		if d.Rain != nil {
			at.Number("rain", *d.Rain, 0, 2000)
		}
	}
	if !slices.IsSortedFunc(days, func(a, b Day) int { return int(a.Date - b.Date) }) {
		c.Add("weather", "", "days in their order")
	}
}
