package season

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// ground holds the rules of one crop at one place. Days x count from the median
// last spring frost, or from 1 January where there is none.
type ground struct {
	crop  *book.Crop
	year  *place.Year
	rules Rules
	way   Way
	limit int // it must be ready before this day
	stop  int // picking ends before this day
	why   string
	// What is the same for every start: days from planting or sowing by the
	// catalogue, days indoors before, the heat needed without and with slack, the
	// least and most days it may take.
	days, need, sureNeed          float64
	counted, indoors, least, most int
	isRaised, bought, inAutumn    bool

	hand, sureHand int         // where the last searches of the heat ended
	idle           []int16     // paused days among the first i from x = hotFrom; nil where none
	heat           *place.Sums // degree days × light; nil for what grows on trays
	hot            *place.Sums // days over heat_max; nil where that is no limit
}

const (
	never   = 10 * place.Days
	hotFrom = -place.Days
)

// fruiting are the groups whose harvest is set fruit; their heat rule is a
// pause, not a limit, but for the peas and broad beans, which are hardy.
func fruiting(c *book.Crop) bool {
	switch c.Group {
	case "fruit", "legume", "grain", "berry":
		return !(c.Group == "legume" && c.Frost == book.Hardy)
	}
	return false
}

// newGround works out the limits of one crop, begun in one way.
func newGround(c *book.Crop, y *place.Year, r Rules, w Way) *ground {
	g := &ground{crop: c, year: y, rules: r, way: w}
	g.limits()
	g.count()
	return g
}

// How many days before the picking the heat stops the fruit from setting.
const setFrom, setTo = 28, 14

// pauseFrom is the first day, counted from the start of the table year, that a
// table of paused days holds.
const pauseFrom = -place.Days

// pauses finds the days on which a fruiting crop gives nothing, because a day 28
// to 14 days before was too hot for it to set; counted over three years from
// pauseFrom days of the table year. It is nil where there is none.
func (g *ground) pauses(yearStart int) []int16 {
	c, y := g.crop, g.year
	if !c.HeatMax.Known || !fruiting(c) || c.Perennial() || y.Max[y.Warmest] <= c.HeatMax.Value-3 {
		return nil
	}
	var paused [place.Days]bool
	some := false
	for d := range place.Days {
		if y.Max[d] <= c.HeatMax.Value {
			continue
		}
		some = true
		for k := setTo; k <= setFrom; k++ {
			paused[mod(d+k, place.Days)] = true
		}
	}
	if !some {
		return nil
	}
	count := func(first int) []int16 {
		out := make([]int16, 3*place.Days+1)
		for i := range out[1:] {
			out[i+1] = out[i]
			if paused[mod(first+i, place.Days)] {
				out[i+1]++
			}
		}
		return out
	}
	g.idle = count(y.Day(hotFrom))
	return count(mod(yearStart+pauseFrom, place.Days))
}

// idleDays returns how many of the days from x = a to b are paused.
func (g *ground) idleDays(a, b int) int {
	if g.idle == nil {
		return 0
	}
	at := func(x int) int { return int(g.idle[max(0, min(len(g.idle)-1, x-hotFrom))]) }
	return at(b) - at(a)
}

func (g *ground) limits() {
	c, y := g.crop, g.year
	if c.Dense == nil && !c.Perennial() {
		g.heat = y.HeatSums(c.TBase, c.TCap)
	}
	if c.HeatMax.Known && !fruiting(c) && !c.Perennial() {
		g.hot = y.HotDays(c.HeatMax.Value)
	}
	g.limit, g.stop = never, never
	if c.Dense != nil {
		return // shoots grow on a tray indoors
	}
	if c.Frost == book.Tender || c.Frost == book.VeryTender {
		if !y.FrostFree {
			g.limit = mod(y.First-y.Last, place.Days) - g.rules.Risk.shift()
			g.stop = g.limit
			g.why = fmt.Sprintf("the first autumn frost, %s", words(y, g.limit))
		}
		return
	}
	grow := g.growthStops()
	freeze := g.freezes()
	g.limit, g.why = grow, "the short, cold days that stop growth"
	if c.FrostKill >= -4 && freeze < grow {
		g.limit, g.why = freeze, fmt.Sprintf("the freeze at %.0f °C that kills it", c.FrostKill)
	}
	if g.limit < never {
		g.why += ", about " + words(y, g.limit)
		g.stop = max(freeze, g.limit)
		if g.stop >= never { // it never freezes: picked until growth restarts
			g.stop = place.Days
		}
	}
}

// growthStops returns the first day after midsummer on which the day is shorter
// than 10 h or the mean falls under the base + 1, or never.
func (g *ground) growthStops() int {
	y := g.year
	warmest := mod(y.Warmest-y.Last, place.Days)
	for x := warmest; x < warmest+place.Days; x++ {
		if d := y.Day(x); y.Light[d] < 10 || y.Mean[d] < g.crop.TBase+1 {
			return x
		}
	}
	return never
}

// freezes returns the first day on which the mean minimum has fallen by
// −frost_kill from its value on the median first frost, or never.
func (g *ground) freezes() int {
	y := g.year
	if y.FrostFree {
		return never
	}
	first := mod(y.First-y.Last, place.Days)
	kill := y.Min[y.Day(first)] + math.Min(0, g.crop.FrostKill)
	for x := first; x < place.Days; x++ {
		if y.Min[y.Day(x)] <= kill {
			return x - g.rules.Risk.shift()
		}
	}
	return never
}

func (g *ground) tenderShift() int {
	if g.crop.Frost == book.Hardy {
		return 0
	}
	return g.rules.Risk.shift()
}

func (g *ground) raised() bool { return g.way == Raised || g.way == Bought }

func (g *ground) earliest() book.Maybe {
	if g.crop.Start == "vegetative" || g.raised() {
		return g.crop.PlantOutWeeks
	}
	return g.crop.DirectWeeks
}

// byTemperature tells whether the spring edge is found by the normals. What is
// planted in autumn goes by the frost or the mean in either school.
func (g *ground) byTemperature() bool {
	return g.crop.Dense == nil && !g.autumnPlanted() && (g.year.FrostFree || g.rules.School == ByTemperature)
}

func (g *ground) autumnPlanted() bool {
	e := g.earliest()
	return e.Known && e.Value < -20
}

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
		return 0, place.Days - 1
	}
	from = int(math.Round(7*g.earliest().Or(0))) + g.tenderShift()
	if g.byTemperature() { // from midwinter on, but for what waits four weeks and more
		if e := g.earliest().Or(0); e >= 4 {
			from = int(math.Round(7 * e))
		} else {
			coldest := slices.Index(y.Mean[:], slices.Min(y.Mean[:]))
			from = -mod(y.Last-coldest, place.Days)
		}
	}
	return from, min(g.limit, place.Days) + 7
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

// count works out once what is the same for every start.
func (g *ground) count() {
	c := g.crop
	g.days, g.inAutumn = c.DirectDays(), g.autumnPlanted()
	if g.raised() && c.Dense == nil {
		g.isRaised, g.indoors, g.days = true, int(7*c.RaiseWeeks.Or(0)), c.RaisedAfterCheck()
	}
	if g.way == Bought {
		g.bought, g.indoors = true, 0
	}
	g.counted = max(1, int(math.Round(g.days)))
	g.need = Needs(c, g.days)
	g.sureNeed = g.need * g.rules.Risk.slack()
	in := 0.0
	if g.isRaised { // the days indoors count, whoever raised it
		in = 7 * c.RaiseWeeks.Or(0)
	}
	g.least, g.most = int(math.Round(leastShare*(in+g.days)-in)), int(math.Round(mostShare*(in+g.days)-in))
}

// try starts the crop on day x and returns what follows, or why it may not be
// started then.
func (g *ground) try(x int) (Start, refusal) {
	c := g.crop
	st := Start{Day: x, Sow: x - g.indoors, Raised: g.isRaised, Bought: g.bought, Plain: x + g.counted}
	if r := g.said(x); r.rule != permitted {
		return st, r
	}
	limit, stop := g.limit, g.stop
	if g.inAutumn { // it is lifted in the next year
		limit, stop = limit+place.Days, stop+place.Days
	}
	if g.byTemperature() && (g.year.FrostFree || x < mod(g.year.Warmest-g.year.Last, place.Days)) {
		if need, ok := g.warmEnough(x); !ok {
			return st, refusal{tooCold, need}
		}
	}
	if g.year.FrostFree && c.Dense == nil && !g.inAutumn {
		if st.Ready >= limit && x >= limit {
			limit, stop = limit+place.Days, stop+place.Days
		}
	}
	if c.LatestWeeks.Known && !g.year.FrostFree && x > int(7*c.LatestWeeks.Value) {
		return st, refusal{tooLateToPlant, c.LatestWeeks.Value}
	}
	if !st.Raised && c.Dense == nil && c.SoilMin.Known && g.year.Soil[g.year.Day(x)] < c.SoilMin.Value {
		return st, refusal{soilTooCold, c.SoilMin.Value}
	}
	if r := g.ready(&st, limit); r.rule != permitted {
		return st, r
	}
	st.End = min(st.Ready+g.picking(), stop)
	if r := g.inHeat(&st, st.Ready-st.Day); r.rule != permitted {
		return st, r
	}
	switch idle := g.idleDays(st.Ready, min(st.End, limit)); {
	case c.Harvest != book.Once:
		if got := float64(min(st.End, limit) - st.Ready - idle); got < 14 && got < c.HarvestDays/3 {
			if idle > 0 {
				return st, refusal{setsInHeat, c.HeatMax.Value}
			}
			return st, refusal{pickedTooShort, got}
		}
	case g.idleDays(st.Ready, st.Ready+1) > 0:
		return st, refusal{setsInHeat, c.HeatMax.Value}
	}
	return st, refusal{}
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

// inHeat ends the picking where the heat comes, and refuses a start that would be
// in its last third in the heat or would lose more than half of its picking.
func (g *ground) inHeat(st *Start, days int) refusal {
	if g.hot == nil {
		return refusal{}
	}
	at := func(x int) float64 { return g.hot[max(0, min(len(g.hot)-1, x-hotFrom))] }
	third := st.Ready - days/3
	if at(st.Ready+1)-at(third) > 0 {
		return refusal{ripensInHeat, g.crop.HeatMax.Value}
	}
	full := st.End - st.Ready
	if g.crop.GoesOn {
		full = min(full, int(math.Round(g.crop.HarvestDays)))
	}
	for st.End > st.Ready+1 && at(st.End)-at(st.Ready) > 0 {
		st.End--
	}
	if g.crop.Harvest != book.Once && 2*(st.End-st.Ready) < full {
		return refusal{pickedInHeat, g.crop.HeatMax.Value}
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

// ready works out when a start is ready by the heat it needs, with the slack of
// the risk and without, and refuses one that is ready too late.
func (g *ground) ready(st *Start, limit int) refusal {
	if g.crop.Dense != nil {
		st.Ready, st.Sure = st.Plain, st.Plain
		if st.Sure >= limit {
			return refusal{readyTooLate, float64(st.Sure)}
		}
		return refusal{}
	}
	st.Ready = max(g.gathers(st.Day, g.need, &g.hand), st.Day+g.least)
	st.Sure = max(g.gathers(st.Day, g.sureNeed, &g.sureHand), st.Ready)
	switch {
	case st.Sure >= limit && limit < never:
		return refusal{readyTooLate, float64(st.Sure)}
	case st.Ready > st.Day+g.most || st.Sure >= never:
		return refusal{neverReady, g.need}
	}
	return refusal{}
}

// gathers returns the first day by which so much heat has come since a start,
// whose own day counts and the ready day does not; never where it does not come
// within the tables. Starts are tried day after day, so the search goes on from
// where it last ended, one hand for each of the two heats looked for.
func (g *ground) gathers(start int, need float64, hand *int) int {
	from := max(0, start-hotFrom)
	want := g.heat[from] + need - 1e-9
	i := *hand
	if i < from || g.heat[i] >= want {
		i = from
	}
	for i < len(g.heat) && g.heat[i] < want {
		i++
	}
	*hand = max(from, i-1)
	if i == len(g.heat) {
		return never
	}
	return hotFrom + i
}
