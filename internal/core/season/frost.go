package season

import (
	"math"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// heatSpread is the standard deviation of the heat that a crop needs, as a share of it
// (model 4).
const heatSpread = 0.08

// BeforeFrost returns the chance that a start is ready before the first autumn frost, and
// whether that frost ends the crop: it ends tender crops and tubers, where there is one; what
// is hardier stands on until it freezes. The day of the frost and the heat of the year both vary about their middle, as normal
// deviates that do not hang together; a start that is ready in another year than this table
// year's autumn has the frost of its own year. The place's tables and the table year's first day
// of the year are those of the start.
func BeforeFrost(c *book.Crop, y *place.Year, risk Risk, yearStart int, st Start) (chance float64, ends bool) {
	if y.FrostFree || !tender(c) && c.Group != book.Tuber {
		return 0, false
	}
	first := mod(y.First-yearStart, place.Days)
	for first < st.Day { // the frost of the autumn after it is begun
		first += place.Days
	}
	days := float64(st.Ready-st.Day) * heatSpread
	if slack := risk.Slack() - 1; slack > 0 && st.Sure > st.Ready { // a little heat is many days in autumn
		days = float64(st.Sure-st.Ready) / slack * heatSpread
	}
	ahead, spread := float64(first-st.Ready), math.Hypot(y.FrostSpread, days)
	switch {
	case spread > 0:
		return 0.5 * math.Erfc(-ahead/spread/math.Sqrt2), true
	case ahead > 0:
		return 1, true
	}
	return 0, true
}
