package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/civil"
)

// laying is a layout being made on a site: what lies where, and what it is worth.
type laying struct {
	*site
	beds  [][]piece // by where they lie
	at    [][]spot  // pieces by planting
	held  []bool    // plantings fixed by hand, or growing there
	home  [][]spot  // where a planting was in the kept plan
	known []bool    // it had no bed in the kept plan
	kin   [][]int   // pieces of a family in a bed
	now   worth     // of what is laid
	log   []move    // since the last try began
}

// newLaying returns an empty layout, with what is growing there now.
func newLaying(s *site) *laying {
	n := len(s.in.Plantings)
	f := &laying{site: s, beds: make([][]piece, len(s.in.Beds)), at: make([][]spot, n), held: make([]bool, n), home: make([][]spot, n), known: make([]bool, n), kin: make([][]int, len(s.in.Beds))}
	for k, b := range s.in.Beds {
		f.kin[k] = make([]int, s.kinds)
		for _, x := range b.Stands {
			f.beds[k] = append(f.beds[k], piece{-1, int(math.Round(x.At * tenths)), int(math.Round(x.Length * tenths)), 0, math.MinInt32, x.Until + s.in.Clear})
		}
		for _, g := range b.Green {
			if !g.Under {
				f.beds[k] = append(f.beds[k], piece{-1, int(math.Round(g.At * tenths)), int(math.Round(g.Length * tenths)), 0, g.Sown, g.Ready})
			}
		}
		slices.SortFunc(f.beds[k], byPlace)
	}
	return f
}

// move is a piece laid or lifted.
type move struct {
	laid bool
	bed  int
	q    piece
}

// piece is a stretch of a bed for a time; planting -1 is what stands there now.
type piece struct {
	planting, at, length, planted int
	from, to                      civil.Date
}

func (q piece) meets(from, to civil.Date) bool { return q.from < to && from < q.to }

type spot struct{ bed, at int }

// gapIn is a free stretch of a bed through a span of time.
type gapIn struct{ at, length int }

// gaps returns the stretches of a bed that are free for a planting from a day to another: also
// of the rotation, where that keeps it from some.
func (f *laying) gaps(i, k int, from, to civil.Date, out []gapIn) []gapIn {
	out = f.empty(k, from, to, out)
	if len(f.bars[i][k]) == 0 {
		return out
	}
	var open []gapIn
	for _, g := range out {
		at, end := g.at, g.at+g.length
		for _, b := range f.bars[i][k] {
			if b.at+b.length <= at || b.at >= end {
				continue
			}
			if b.at > at {
				open = append(open, gapIn{at, b.at - at})
			}
			at = b.at + b.length
		}
		if end > at {
			open = append(open, gapIn{at, end - at})
		}
	}
	return open
}

// open reports whether the rotation lets a planting into a stretch of a bed.
func (f *site) open(i, k, at, length int) bool {
	return !slices.ContainsFunc(f.bars[i][k], func(b gapIn) bool { return b.at < at+length && at < b.at+b.length })
}

// empty returns the stretches of a bed in which nothing stands from a day to another.
func (f *laying) empty(k int, from, to civil.Date, out []gapIn) []gapIn {
	at := 0
	for _, q := range f.beds[k] { // in the order of where they lie
		if !q.meets(from, to) {
			continue
		}
		if q.at > at {
			out = append(out, gapIn{at, q.at - at})
		}
		at = max(at, q.at+q.length)
	}
	if end := f.long(k); end > at {
		out = append(out, gapIn{at, end - at})
	}
	return out
}

// laid returns how many plants of a planting lie.
func (f *laying) laid(i int) (n int) {
	for _, at := range f.at[i] {
		for _, q := range f.beds[at.bed] {
			if q.planting == i && q.at == at.at {
				n += q.planted
			}
		}
	}
	return n
}

func (f *laying) lay(i, k, at, length, planted int) {
	f.layUntil(i, k, at, length, planted, f.in.Plantings[i].To)
}

// layUntil lays a planting that is cleared on a day.
func (f *laying) layUntil(i, k, at, length, planted int, to civil.Date) {
	q := piece{i, at, length, planted, f.in.Plantings[i].From, to}
	f.insert(k, q)
	f.log = append(f.log, move{true, k, q})
}

func byPlace(a, b piece) int {
	return cmp.Or(cmp.Compare(a.at, b.at), cmp.Compare(a.from, b.from), cmp.Compare(a.planting, b.planting))
}

func (f *laying) insert(k int, q piece) {
	i := q.planting
	if len(f.at[i]) == 0 {
		f.now.placed[f.in.Plantings[i].Priority] += f.size(i)
	}
	f.count(k, q, 1)
	j, _ := slices.BinarySearchFunc(f.beds[k], q, byPlace)
	f.beds[k] = slices.Insert(f.beds[k], j, q)
	f.at[i] = append(f.at[i], spot{k, q.at})
}

func (f *laying) remove(k int, q piece) {
	i := q.planting
	f.beds[k] = slices.DeleteFunc(f.beds[k], func(o piece) bool { return o == q })
	f.at[i] = slices.DeleteFunc(f.at[i], func(p spot) bool { return p == spot{k, q.at} })
	f.count(k, q, -1)
	if len(f.at[i]) == 0 {
		f.now.placed[f.in.Plantings[i].Priority] -= f.size(i)
	}
}

// count adds a piece to what the layout is judged by, or takes it off.
func (f *laying) count(k int, q piece, by int) {
	i := q.planting
	f.now.pieces += by
	f.now.faults += by * f.fault[i][k]
	if f.atHome(k, q) {
		f.now.home += by
	}
	kin := &f.kin[k][f.family[i]]
	before := *kin > 0
	*kin += by
	if after := *kin > 0; before != after {
		f.now.spread += by
	}
}

// lift takes a planting off the ground again.
func (f *laying) lift(i int) {
	for len(f.at[i]) > 0 {
		at := f.at[i][0]
		j := slices.IndexFunc(f.beds[at.bed], func(q piece) bool { return q.planting == i && q.at == at.at })
		q := f.beds[at.bed][j]
		f.remove(at.bed, q)
		f.log = append(f.log, move{false, at.bed, q})
	}
}

// takeBack undoes everything since the last try began.
func (f *laying) takeBack() {
	for _, m := range slices.Backward(f.log) {
		if m.laid {
			f.remove(m.bed, m.q)
		} else {
			f.insert(m.bed, m.q)
		}
	}
	f.log = f.log[:0]
}

// layAs lays those pieces of a finished layout that are wanted, as they lie there.
func (f *laying) layAs(l Layout, want func(Piece) bool) {
	for _, p := range l.Pieces {
		i, k := f.planting(p.Planting), f.bedOf(p.Bed)
		if i >= 0 && k >= 0 && want(p) {
			f.layUntil(i, k, int(p.At*tenths+0.5), int(p.Length*tenths+0.5), p.Planted, p.To)
		}
	}
}
