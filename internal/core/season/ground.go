package season

import (
	"math"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
)

// ground holds the rules of one crop at one place. Days x count from the median
// last spring frost, or from 1 January where there is none.
type ground struct {
	crop   *book.Crop
	year   *place.Year
	rules  Rules
	method Method
	turns  turns
	limit  int // it must be ready before this day, first time round
	last   int // where there is frost: that day of the season whose starts are tried
	why    say.Limit
	// What is the same for every start: days from planting or sowing by the
	// catalogue, days indoors before, the heat needed without slack, with it and for
	// a lot that is kept, the least and most days it may take.
	days, need, sureNeed, lotNeed float64
	counted, indoors, least, most int
	isRaised, bought, inAutumn    bool

	hands [3]int // where the last searches of the heat ended
	// The day on which it runs to seed after a shortest day, as last looked for.
	boltsFor, boltsOn int
	heat              *place.Sums // degree days × light; nil for what grows on trays
	stress            *place.Sums // of the heat; nil where it takes nothing
	leaves            *leaves     // what the heat leaves of a picking; nil where all
	cumul             []float64   // as in Season
}

// newGround works out the limits of one crop, begun in one way.
func newGround(c *book.Crop, y *place.Year, r Rules, w Method) *ground {
	g := &ground{crop: c, year: y, rules: r, method: w, cumul: curve(c)}
	if c.Dense == nil && !c.Perennial() {
		g.heat = y.HeatSums(c.TBase, c.TCap)
		if c.HeatMax.Known {
			g.stress = y.StressSums(c.HeatMax.Value)
		}
		g.limits()
	} else {
		g.limit = never
	}
	g.count()
	return g
}

func (g *ground) tenderShift() int {
	if g.crop.Frost == book.Hardy {
		return 0
	}
	return g.rules.Risk.shift()
}

func (g *ground) raised() bool { return g.method == Indoors || g.method == Bought }

func (g *ground) earliest() book.Maybe {
	if g.crop.Start == book.Vegetative || g.raised() {
		return g.crop.PlantOutWeeks
	}
	return g.crop.DirectWeeks
}

// byTemperature reports whether the spring edge is found by the normals. What is
// planted in autumn goes by the frost or the mean in either school.
func (g *ground) byTemperature() bool {
	return g.crop.Dense == nil && !g.autumnPlanted() && (g.year.FrostFree || g.rules.School == ByTemperature)
}

func (g *ground) autumnPlanted() bool {
	e := g.earliest()
	return e.Known && e.Value < -20
}

// mustWinter reports whether the crop has to stand through a winter before it is ripe.
func (g *ground) mustWinter() bool { return g.crop.Winter == book.MustHaveWinter }

// bulb reports whether a crop makes its bulbs by the length of the day.
func (g *ground) bulb() bool { return g.crop.Group == book.Bulb }

// bulbWeeks is for how long before its latest day a bulb may go in where growth never
// stops.
const bulbWeeks = 20

// span is the run of days worth trying.
func (g *ground) span() (from, to int) {
	y := g.year
	switch {
	case g.crop.Dense != nil:
		return 0, place.Days - 1
	case g.autumnPlanted():
		if y.FrostFree { // when the mean falls under 15 °C, if it does
			for x := range place.Days {
				if y.Mean[y.Day(x)] < 15 && y.Mean[y.Day(x-1)] >= 15 {
					return x - 14, x + 42
				}
			}
			return 0, -1
		}
		first := mod(y.First-y.Last, place.Days)
		return first - 14, first + 42
	case y.FrostFree:
		return g.round(0)
	}
	from = int(math.Round(7*g.earliest().Or(0))) + g.tenderShift()
	if g.byTemperature() { // from midwinter on, but for what waits four weeks and more
		if e := g.earliest().Or(0); e >= 4 {
			from = int(math.Round(7 * e))
		} else {
			from = g.turns.coldest - place.Days*order(g.turns.coldest > 0)
		}
	}
	if g.bulb() && g.turns.stop >= never && g.crop.LatestWeeks.Known {
		from = min(from, int(7*(g.crop.LatestWeeks.Value-bulbWeeks)))
	}
	if g.limit >= never {
		return g.round(from)
	}
	g.last = after(g.limit, from)
	return from, g.last + 7
}

func order(b bool) int {
	if b {
		return 1
	}
	return 0
}

// round returns a whole year of days that begins where nothing may be started, so
// that no window is cut in two; from a day on where there is no such day.
func (g *ground) round(from int) (first, last int) {
	for x := from; x < from+place.Days; x++ {
		if _, r := g.try(x); r.rule != permitted {
			return x, x + place.Days - 1
		}
	}
	return from, from + place.Days - 1
}

// warmEnough is the temperature rule for the spring edge where there is no
// frost to count from: °C of the mean daily minimum.
func (g *ground) warmEnough(x int) (float64, bool) {
	need := 8.0
	switch g.crop.Frost {
	case book.Hardy:
		need = 2
	case book.HalfHardy:
		need = 4
	case book.Tender:
		need = 7
	}
	return need, g.year.Min[g.year.Day(x)] >= need
}

// inSpring reports whether a day lies between the coldest and the warmest.
func (g *ground) inSpring(x int) bool {
	warmest := mod(g.year.Warmest-g.year.Last, place.Days)
	return mod(x-g.turns.coldest, place.Days) < mod(warmest-g.turns.coldest, place.Days)
}

// count works out once what is the same for every start.
func (g *ground) count() {
	c := g.crop
	g.days, g.inAutumn = c.DirectDays(), g.autumnPlanted()
	if g.raised() && c.Dense == nil {
		g.isRaised, g.indoors, g.days = true, int(7*c.RaiseWeeks.Or(0)), c.RaisedAfterCheck()
	}
	if g.method == Bought {
		g.bought, g.indoors = true, 0
	}
	g.counted = max(1, int(math.Round(g.days)))
	g.need = Needs(c, g.days)
	g.sureNeed, g.lotNeed = g.need*g.rules.Risk.Slack(), g.need*g.rules.Risk.lotSlack()
	in := 0.0
	if g.isRaised { // the days indoors count, whoever raised it
		in = 7 * c.RaiseWeeks.Or(0)
	}
	g.least, g.most = int(math.Ceil(leastShare*(in+g.days)-in-1e-9)), int(math.Round(mostShare*(in+g.days)-in))
}

// try starts the crop on day x and returns what follows, or why it may not be
// started then.
func (g *ground) try(x int) (Start, refusal) {
	c := g.crop
	st := Start{Day: x, Sow: x - g.indoors, Raised: g.isRaised, Bought: g.bought, Plain: x + g.counted}
	if r := g.said(x); r.rule != permitted {
		return st, r
	}
	if c.Dense != nil {
		st.Ready, st.Sure, st.Safe = st.Plain, st.Plain, true
		st.End = st.Ready + g.picking()
		return st, refusal{}
	}
	if g.byTemperature() && g.inSpring(x) {
		if need, ok := g.warmEnough(x); !ok {
			return st, refusal{tooCold, need}
		}
	}
	if !st.Raised && c.SoilMin.Known && g.year.Soil[g.year.Day(x)] < c.SoilMin.Value {
		return st, refusal{soilTooCold, c.SoilMin.Value}
	}
	if g.mustWinter() {
		return g.throughWinter(st)
	}
	if r := g.tooLate(x); r.rule != permitted {
		if c.Winter == book.MayWinter {
			winter, no := g.throughWinter(st)
			if no.rule == permitted || g.turns.stop < never && x > upTo(g.turns.longest, after(g.turns.stop, x)) {
				return winter, no
			}
		}
		return st, r
	}
	return g.grown(st)
}

// limitOf returns the day before which what is begun on day x must be ready.
func (g *ground) limitOf(x int) int {
	switch {
	case g.inAutumn:
		return after(g.limit, place.Days) // the autumn after the next last frost
	case g.last > 0:
		return g.last
	}
	return after(g.limit, x)
}

// tooLate looks whether it is later than the crop makes its harvest of the season.
func (g *ground) tooLate(x int) refusal {
	late := g.crop.LatestWeeks
	if !late.Known {
		return refusal{}
	}
	from := 0
	if g.year.FrostFree { // weeks count from the coolest one
		from = g.turns.coldest
	}
	latest := from + int(7*late.Value)
	no := refusal{tooLateToPlant, late.Value}
	switch {
	case g.turns.stop >= never && !g.bulb():
	case g.turns.stop >= never:
		if before := mod(latest-x, place.Days); before > (place.Days+7*bulbWeeks)/2 {
			return no
		} else if before > 7*bulbWeeks {
			return refusal{tooEarlyForBulbs, 0}
		}
	case g.year.FrostFree:
		if mod(x-from, place.Days) > mod(latest-from, place.Days) {
			return no
		}
	case x > latest:
		return no
	}
	return refusal{}
}

// tooHot is the refusal of a start of which the heat leaves too little.
func (g *ground) tooHot() refusal {
	if fruiting(g.crop) {
		return refusal{setsInHeat, g.crop.HeatMax.Value}
	}
	return refusal{pickedInHeat, g.crop.HeatMax.Value}
}

// What a start must give of its picking: so many days, or that share of them.
const leastDays, leastPicking = 14.0, 1.0 / 3

// worn lets the heat take what it takes.
func (g *ground) worn(st Start) (Start, refusal) {
	r := g.wears(&st)
	return st, r
}

// picking returns how many days it is picked, or holds, where nothing ends it.
func (g *ground) picking() int {
	full := int(math.Round(g.crop.HarvestDays))
	switch {
	case g.crop.Harvest == book.Once:
		full = int(math.Round(g.crop.HoldDays))
	case g.crop.GoesOn:
		full *= 2
	}
	return max(1, full)
}

// said looks whether the household has ruled a day out.
func (g *ground) said(x int) refusal {
	d := g.year.Day(x)
	if day := g.rules.NotBefore; !day.IsZero() {
		if b := day.YearDay(); mod(b-d, place.Days) > 0 && mod(b-d, place.Days) <= place.Days/2 {
			return refusal{notBefore, float64(b - g.year.Last)}
		}
	}
	if day := g.rules.NotAfter; !day.IsZero() {
		if a := day.YearDay(); mod(d-a, place.Days) > 0 && mod(d-a, place.Days) <= place.Days/2 {
			return refusal{notAfter, float64(a - g.year.Last)}
		}
	}
	return refusal{}
}

// Needs returns the heat a crop needs to its first harvest, °C·days, where its
// catalogue days are so many: they hold at the crop's reference temperature.
func Needs(c *book.Crop, days float64) float64 {
	return days * (math.Min(c.TRef, c.TCap) - c.TBase)
}

// How much a catalogue's days may shrink and stretch, the days indoors counted.
const leastShare, mostShare = 0.8, 3.0

// heatOf returns the heat of the days from a to b, b excluded.
func (g *ground) heatOf(a, b int) float64 {
	at := func(x int) float64 { return g.heat[max(0, min(len(g.heat)-1, x-hotFrom))] }
	return at(b) - at(a)
}

// gathers returns the first day by which so much heat has come since a start,
// whose own day counts and the ready day does not; never where it does not come
// within the tables. Starts are tried day after day, so the search goes on from
// where it last ended, one hand for each of the heats looked for.
func (g *ground) gathers(start int, need float64, hand int) int {
	from := max(0, start-hotFrom)
	if from >= len(g.heat) {
		return never
	}
	want := g.heat[from] + need - 1e-9
	i := min(g.hands[hand], len(g.heat)-1)
	if i < from || g.heat[i] >= want {
		i = from
	}
	for i < len(g.heat) && g.heat[i] < want {
		i++
	}
	g.hands[hand] = max(from, i-1)
	if i == len(g.heat) {
		return never
	}
	return hotFrom + i
}
