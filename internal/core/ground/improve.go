package ground

import (
	"slices"
)

// worth is what a layout is judged by: the need that is placed, by priority; then
// how much lies where it was agreed to lie, then faults, pieces, and over how many
// beds the families are spread.
type worth struct {
	placed                       [3]int
	home, faults, pieces, spread int
}

func (a worth) better(b worth) bool {
	for k := range a.placed {
		if a.placed[k] != b.placed[k] {
			return a.placed[k] > b.placed[k]
		}
	}
	switch {
	case a.home != b.home:
		return a.home > b.home
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

// improve ruins a part of the layout and makes it again, with what is left out
// first, as many times as the budget has steps; what is no worse stays (ruin and
// recreate, Schrimpf et al. 2000). Where a layout was agreed to, only what has no
// ground and had it then, or is new, makes the rest move; what was agreed to
// without ground may take what nothing agreed lies on.
func (f *search) improve(order []int) {
	steps := f.in.Steps
	if steps == 0 {
		steps = usualSteps
	}
	n := len(f.in.Plantings)
	if n == 0 || len(f.in.Beds) == 0 {
		return
	}
	rank := make([]int, n)
	for r, i := range order {
		rank[i] = r
	}
	for range steps {
		left, keep := f.leftOut(true), false
		if f.in.Baseline != nil && len(left) == 0 {
			left, keep = f.leftOut(false), true
		}
		best := f.now
		if len(left) == 0 && (best.faults == 0 && best.pieces == n || keep) {
			return
		}
		f.log = f.log[:0]
		again := f.ruin(left, keep)
		f.shuffle(again, rank)
		for _, i := range again {
			f.put(i)
		}
		if best.better(f.now) {
			f.takeBack()
		}
	}
}

// leftOut lists what has no ground; those that were agreed to without it only
// where they are wanted too.
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
