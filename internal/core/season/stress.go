package season

import (
	"math"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// How many days before the picking the heat keeps fruit from setting.
const setFrom, setTo = 28, 14

// pauseFrom is the first day, counted from the start of the table year, that a
// table of what the heat leaves holds.
const pauseFrom = -place.Days

// leaves is what the heat leaves of each day's picking, summed over three years: of
// fruit by the days on which it set, of the rest by the day itself.
type leaves struct {
	share [3*place.Days + 1]float64 // summed shares of the days before
	days  [3*place.Days + 1]int16   // days that give something
	from  int                       // the first day
}

// between returns the summed shares of the days from a to b, b excluded, and how many
// of them give something; without a table, all of them do.
func (l *leaves) between(a, b int) (share float64, days int) {
	if l == nil {
		return float64(b - a), b - a
	}
	i, j := l.index(a), l.index(b)
	return l.share[j] - l.share[i], int(l.days[j] - l.days[i])
}

func (l *leaves) index(d int) int { return max(0, min(len(l.days)-1, d-l.from)) }

// left returns what the heat leaves of a day's picking; d is a year day.
func (g *ground) left(d int) float64 {
	if !fruiting(g.crop) {
		return 1 - g.year.Stress(d, g.crop.HeatMax.Value)
	}
	var stress float64
	for k := setTo; k <= setFrom; k++ {
		stress += g.year.Stress(mod(d-k, place.Days), g.crop.HeatMax.Value)
	}
	if stress = 1 - stress/(setFrom-setTo+1); stress < 1e-9 {
		return 0
	}
	return stress
}

// leaving makes the tables of what the heat leaves: for the ground, counted like x,
// and for the season, counted from the start of the table year. The latter is nil
// where the heat takes nothing.
func (g *ground) leaving(yearStart int) *leaves {
	c, y := g.crop, g.year
	if !c.HeatMax.Known || c.Perennial() || c.Dense != nil || y.Max[hottest(y)] <= c.HeatMax.Value {
		return nil
	}
	var left [place.Days]float64
	for d := range left {
		left[d] = g.left(d)
	}
	table := func(first int) *leaves {
		l := &leaves{}
		for i := range l.days[1:] {
			v := left[mod(first+i, place.Days)]
			l.share[i+1], l.days[i+1] = l.share[i]+v, l.days[i]
			if v > 0 {
				l.days[i+1]++
			}
		}
		return l
	}
	g.leaves = table(y.Day(hotFrom))
	g.leaves.from = hotFrom
	out := table(mod(yearStart+pauseFrom, place.Days))
	out.from = pauseFrom
	return out
}

func hottest(y *place.Year) (day int) {
	for d, v := range y.Max {
		if v > y.Max[day] {
			day = d
		}
	}
	return day
}

// mostStress is the mean stress of 28 days running that no start is put through.
const (
	mostStress = 0.5
	stressDays = 28
	leastLeft  = 1.0 / 3 // of the weight; what the heat leaves less of is not begun
)

// stressed reports whether some 28 days running from a day in the open to the harvest
// (all of them, where there are fewer) are too hot.
func (g *ground) stressed(from, ready int) bool {
	if g.stress == nil || fruiting(g.crop) {
		return false
	}
	n := min(stressDays, ready-from)
	for d := from; n > 0 && d+n <= ready; d++ {
		if g.between(d, d+n) >= mostStress*float64(n)-1e-9 {
			return true
		}
	}
	return false
}

// between returns the summed stress of the days from a to b, b excluded.
func (g *ground) between(a, b int) float64 {
	if g.stress == nil {
		return 0
	}
	at := func(x int) float64 { return g.stress[max(0, min(len(g.stress)-1, x-hotFrom))] }
	return at(b) - at(a)
}

// wears ends the picking and standing of what the heat takes on the first day of full
// stress, and works out which share of its weight the heat takes. It refuses a start
// of which too little is left.
//
// One function, since it is one formula with its cases.
func (g *ground) wears(st *Start) refusal {
	if g.stress == nil {
		return refusal{}
	}
	limit := g.crop.HeatMax.Value
	if !fruiting(g.crop) {
		if g.stressed(st.Day, st.Ready) {
			return refusal{ripensInHeat, limit}
		}
		for d := st.Ready; d < st.End; d++ {
			if g.between(d, d+1) >= 1-1e-9 {
				st.End = max(d, st.Ready)
			}
		}
	}
	switch once := g.crop.Harvest == book.Once; {
	case once && fruiting(g.crop):
		st.Lost = 1 - g.left(g.year.Day(st.Ready))
	case once:
		third := max(1, (st.Ready-st.Day)/3)
		st.Lost = g.between(st.Ready-third, st.Ready) / float64(third)
	case g.leaves != nil && g.cumul != nil:
		var got, whole float64
		for d := st.Ready; d < st.End && d-st.Ready+1 < len(g.cumul); d++ {
			share := g.cumul[d-st.Ready+1] - g.cumul[d-st.Ready]
			left, _ := g.leaves.between(d, d+1)
			got, whole = got+share*left, whole+share
		}
		st.Lost = 1 - got/math.Max(whole, 1e-9)
	case g.leaves != nil:
		got, days := g.leaves.between(st.Ready, st.End)
		n := float64(st.End - st.Ready)
		st.Lost = 1 - got/math.Max(g.crop.HarvestDays, float64(days))*math.Max(g.crop.HarvestDays, n)/n
	}
	if 1-st.Lost < leastLeft-1e-9 || st.End <= st.Ready {
		return g.tooHot()
	}
	return refusal{}
}
