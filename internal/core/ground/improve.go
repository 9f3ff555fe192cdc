package ground

import (
	"cmp"
	"slices"
)

// worth is what a layout is judged by: the need that is placed, by priority; how much lies where
// it is held; then faults, pieces, and over how many beds the families are spread. Only what
// must be grown goes before what is held: for anything else nothing is moved to another bed.
type worth struct {
	placed                       [3]int
	home, faults, pieces, spread int
}

func (a worth) better(b worth) bool {
	switch {
	case a.placed[0] != b.placed[0]:
		return a.placed[0] > b.placed[0]
	case a.home != b.home:
		return a.home > b.home
	case a.placed[1] != b.placed[1]:
		return a.placed[1] > b.placed[1]
	case a.placed[2] != b.placed[2]:
		return a.placed[2] > b.placed[2]
	case a.faults != b.faults:
		return a.faults < b.faults
	case a.pieces != b.pieces:
		return a.pieces < b.pieces
	}
	return a.spread < b.spread
}

// draw returns a number below n, from a small generator of its own (splitmix64,
// Steele et al. 2014), so that the same seed gives the same layout everywhere.
func (f *search) draw(n int) int {
	f.dice += 0x9e3779b97f4a7c15
	z := f.dice
	z = (z ^ z>>30) * 0xbf58476d1ce4e5b9
	z = (z ^ z>>27) * 0x94d049bb133111eb
	return int((z ^ z>>31) % uint64(n))
}

// usualWork is how much looking about a search may cost: beds looked at, each with what lies
// in it. Small gardens get more steps for it than large ones.
const usualWork = 1_600_000

// stepWork is what a step costs whatever it looks at, so that every search ends.
const stepWork = 50

// A search may take a layout that is a little worse than the best so far, to come out of a
// corner: by at most this share of all that is wanted in the beginning, and less and less
// towards the end (record-to-record travel, Dueck 1993).
const mostWorse = 0.002

// improve repeats ruin and recreate (Schrimpf et al. 2000): it lifts a part of the layout and
// lays it again, with what is left out first. The best layout is kept. Where places are held,
// only what must be grown and has no bed, though it had one or is new, makes the rest move; all
// else may take what nothing held lies on.
//
// One function, since a step is taken, judged and kept or taken back in one place.
func (f *search) improve(order []int) {
	n := len(f.in.Plantings)
	if n == 0 || len(f.in.Beds) == 0 {
		return
	}
	rank := make([]int, n)
	for r, i := range order {
		rank[i] = r
	}
	total := 0
	for i := range n {
		total += f.weigh(i)
	}
	slack := mostWorse * float64(total)
	if f.in.Baseline != nil { // what is kept does not wander
		slack = 0
	}
	best := f.saved()
	for step := 0; ; step++ {
		gone := f.spent(step)
		if gone >= 1 || step%64 == 0 && f.ctx.Err() != nil {
			break
		}
		left, keep := f.leftOut(true), false
		if f.in.Baseline != nil && !slices.ContainsFunc(left, func(i int) bool { return f.in.Plantings[i].Priority == 0 }) {
			left, keep = f.leftOut(false), true
		}
		now := f.now
		if len(left) == 0 && (now.faults == 0 && now.pieces == n || keep) {
			break
		}
		f.work += stepWork
		f.log = f.log[:0]
		again := f.ruin(left, keep)
		f.shuffle(again, rank)
		for _, i := range again {
			f.put(i)
		}
		switch worse := best.now.weight() - f.now.weight(); {
		case f.now.better(best.now):
			best = f.saved()
		case now.better(f.now) && float64(worse) > (1-gone)*slack:
			f.takeBack()
		}
	}
	f.restore(best)
}

// spent returns which share of its budget a search has used.
func (f *search) spent(step int) float64 {
	if f.in.Steps > 0 {
		return float64(step) / float64(f.in.Steps)
	}
	return float64(f.work) / (usualWork * cmp.Or(f.in.Work, 1))
}

// weigh is what it is worth to place a planting: its ground and time, three times as much
// where it is wanted and nine times where it must be.
func (f *search) weigh(i int) int {
	return f.size(i) * worthOf[f.in.Plantings[i].Priority]
}

var worthOf = [3]int{9, 3, 1}

// weight is what all that is placed is worth.
func (a worth) weight() (sum int) {
	for k, v := range a.placed {
		sum += v * worthOf[k]
	}
	return sum
}

// layoutSaved is a layout to come back to.
type layoutSaved struct {
	beds [][]piece
	at   [][]spot
	kin  [][]int
	now  worth
}

// saved returns a copy of the layout.
func (f *laying) saved() layoutSaved {
	return layoutSaved{copied(f.beds), copied(f.at), copied(f.kin), f.now}
}

// restore takes a saved layout.
func (f *laying) restore(s layoutSaved) { f.beds, f.at, f.kin, f.now = s.beds, s.at, s.kin, s.now }

func copied[T any](lists [][]T) [][]T {
	out := make([][]T, len(lists))
	for i, l := range lists {
		out[i] = slices.Clone(l)
	}
	return out
}

// leftOut returns the plantings without a bed. If fresh, it omits those that had none in the
// kept plan.
func (f *search) leftOut(fresh bool) (out []int) {
	for i := range f.at {
		if len(f.at[i]) == 0 && !(fresh && f.known[i]) {
			out = append(out, i)
		}
	}
	return out
}

// fewLeft is how many of the plantings left out are tried again at a time.
const fewLeft = 8

// ruin lifts what stands in one or two beds around a time, or all of them, and
// returns it with what was left out. What is to keep its agreed ground stays.
func (f *search) ruin(left []int, keep bool) []int {
	again := slices.Clone(left)
	for len(again) > fewLeft { // each time some of what is left out
		j := f.draw(len(again))
		again[j] = again[len(again)-1]
		again = again[:len(again)-1]
	}
	about := f.draw(len(f.in.Plantings))
	if len(left) > 0 && f.draw(3) > 0 {
		about = left[f.draw(len(left))]
	}
	p := &f.in.Plantings[about]
	for range 1 + f.draw(3) {
		k := f.draw(len(f.in.Beds))
		wide := f.draw(4) == 0
		for _, q := range slices.Clone(f.beds[k]) {
			if q.planting < 0 || f.held[q.planting] || len(f.at[q.planting]) == 0 || keep && f.atHome(k, q) {
				continue
			}
			if wide || q.meets(p.From, p.To) {
				f.lift(q.planting)
				again = append(again, q.planting)
			}
		}
	}
	slices.Sort(again)
	return slices.Compact(again)
}

// shuffle orders what is put again: by its rank, with some of it moved about.
func (f *search) shuffle(again, rank []int) {
	spread := 1 + len(rank)/(1+f.draw(6))
	for _, i := range again {
		f.key[i] = f.in.Plantings[i].Priority*10*len(rank) + rank[i] + f.draw(spread)
	}
	slices.SortFunc(again, func(a, b int) int {
		if f.key[a] != f.key[b] {
			return f.key[a] - f.key[b]
		}
		return a - b
	})
}
