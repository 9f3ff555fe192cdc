package season

import (
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
)

const (
	never   = 10 * place.Days
	hotFrom = -place.Days
)

// fruiting are the groups whose harvest is set fruit. In the heat they pause; of
// the others, and of the hardy legumes, the heat takes what stands.
func fruiting(c *book.Crop) bool {
	switch c.Group {
	case "fruit", "legume", "grain", "berry":
		return !(c.Group == book.Legume && c.Frost == book.Hardy)
	}
	return false
}

// setsFruit reports whether a crop's harvest is set fruit, hardy legumes among them.
func setsFruit(c *book.Crop) bool { return fruiting(c) || c.Group == book.Legume }

func tender(c *book.Crop) bool { return c.Frost == book.Tender || c.Frost == book.VeryTender }

// turns are the days on which a crop's year turns at a place. Each counts like x and
// comes round every year; never where it does not come.
type turns struct {
	stop, restart     int // growth stops, and restarts
	longest, shortest int // day of the year
	coldest           int
	frost             int // the median first autumn frost, moved by the risk
	freeze, young     int // a grown plant freezes, and a young one
}

// after returns the first time that a day comes round after x.
func after(day, x int) int {
	if day >= never {
		return never
	}
	return x + 1 + mod(day-x-1, place.Days)
}

// upTo returns the last time that a day came round, x among them.
func upTo(day, x int) int {
	if day >= never {
		return never
	}
	return x - mod(x-day, place.Days)
}

// quick is the mean growth of seven days under which a crop stands still, °C·days a
// day.
const quick = 1

// youngStands is how many degrees more than a grown plant a young one stands.
const youngStands = 4

func (g *ground) turning() turns {
	y, c := g.year, g.crop
	at := func(list *[place.Days]float64, pick func([]float64) float64) int {
		return mod(slices.Index(list[:], pick(list[:]))-y.Last, place.Days)
	}
	t := turns{stop: never, restart: never, frost: never, freeze: never, young: never,
		longest: at(&y.Light, slices.Max), shortest: at(&y.Light, slices.Min), coldest: at(&y.Mean, slices.Min)}
	growth := func(x int) float64 { return (g.heat[x+7-hotFrom] - g.heat[x-hotFrom]) / 7 }
	warmest := mod(y.Warmest-y.Last, place.Days)
	for x := warmest + 1; x < warmest+place.Days && t.stop == never; x++ {
		if growth(mod(x, place.Days)) < quick {
			t.stop = x
		}
	}
	if t.stop < never {
		for x := t.coldest + 1; x <= t.coldest+place.Days && t.restart == never; x++ {
			if growth(mod(x, place.Days)) >= quick {
				t.restart = x
			}
		}
	}
	if y.FrostFree {
		return t
	}
	first := mod(y.First-y.Last, place.Days)
	t.frost = first - g.rules.Risk.shift()
	fallen := func(by float64) int {
		for x := first; x < first+place.Days; x++ {
			if y.Min[y.Day(x)] <= y.Min[y.Day(first)]-by {
				return x
			}
		}
		return never
	}
	kill := math.Max(0, -c.FrostKill)
	t.freeze, t.young = fallen(kill), fallen(kill+youngStands)
	return t
}

// limits finds before which day a crop must be ready, first time round.
func (g *ground) limits() {
	c, y := g.crop, g.year
	g.limit = never
	if c.Dense != nil {
		return // shoots grow on a tray indoors
	}
	g.turns = g.turning()
	switch {
	case tender(c) || c.Group == book.Tuber:
		g.limit = g.turns.frost
		g.why.What = say.FirstAutumnFrost
	default:
		g.limit, g.why.What = g.turns.stop, say.ColdShortDays
		if c.FrostKill >= -4 && g.turns.freeze < g.limit {
			g.limit, g.why.What = g.turns.freeze, say.KillingFreeze{C: c.FrostKill}
		}
	}
	if g.limit < never {
		g.why.About = monthDay(y, g.limit)
	}
}

// bolts returns the day in spring on which what has stood through the shortest day
// before it runs to seed: the day is then longer than it bears, and it has grown
// again for 28 days. It is never where the crop does not run to seed.
func (g *ground) bolts(shortest int) int {
	if !g.crop.BoltHours.Known {
		return never
	}
	if g.boltsFor != shortest || g.boltsOn == 0 {
		g.boltsFor, g.boltsOn = shortest, g.firstBolting(shortest)
	}
	return g.boltsOn
}

func (g *ground) firstBolting(shortest int) int {
	x := shortest
	if restart := after(g.turns.restart, shortest); restart < never {
		x = restart + growsAgain
	}
	for ; x < shortest+place.Days; x++ {
		if d := g.year.Day(x); g.year.Light[d] >= g.crop.BoltHours.Value && mod(x-shortest, place.Days) < place.Days/2+growsAgain {
			return x
		}
	}
	return never
}

const (
	growsAgain = 28 // days after growth restarts before anything runs to seed
	rooted     = 30 // days in the open before the winter, or the shortest day, by which a crop stands through it
)
