// Package ground fits plantings into beds over time: no two on the same ground
// at once, rotation kept, in few pieces, each where it does best.
package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/reckon"
)

const (
	mostPieces = 3      // of one planting
	tenths     = 10_000 // tenths of a millimetre in a metre: inches are whole in them
	shortest   = 5000   // tenths of a millimetre of a piece
	usualSteps = 1500   // of improvement
)

// fitting is a layout being made. Lengths are whole tenths of a millimetre.
type fitting struct {
	in     Input
	stand  [][]reckon.Stand // of planting and bed
	whole  [][]int          // length that a planting takes in a bed
	may    [][]bool         // whether its kind and the rotation let it
	fault  [][]int          // how far a bed is from what it wishes
	longs  []int            // length of a bed
	shades [][]int          // beds in the noon shadow of a bed
	end    []int            // of a bed, towards the pole
	family []int            // of a planting, counted
	kin    [][]int          // pieces of a family in a bed
	pairs  [][]int          // of a planting: those that may stand below it, by their pair
	early  [][]civil.Date   // when a planting is cleared to keep to that pair; zero: it need not be
	home   [][]spot         // where a planting was agreed to stand
	known  []bool           // it was agreed to without ground
	beds   [][]piece
	at     [][]spot // pieces by planting
	held   []bool   // plantings put by hand
	now    worth    // of what is laid
	log    []move   // since the last try began
	key    []int    // by which what is put again is ordered
	dice   uint64
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

// Fit fits plantings into beds. The same input gives the same layout.
func Fit(in Input) Layout {
	f := newFitting(in)
	f.hold()
	f.goHome()
	order := f.order()
	for _, known := range []bool{false, true} { // what was agreed to without ground comes last
		for _, i := range order {
			if f.known[i] == known && len(f.at[i]) == 0 {
				f.put(i)
			}
		}
	}
	f.improve(order)
	for _, i := range order {
		if len(f.at[i]) == 0 {
			f.inPart(i)
		}
	}
	return f.layout()
}

// order is that in which plantings are put: by priority, then the largest first.
func (f *fitting) order() []int {
	order := make([]int, len(f.in.Plantings))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int {
		p, q := &f.in.Plantings[a], &f.in.Plantings[b]
		return cmp.Or(cmp.Compare(p.Priority, q.Priority), cmp.Compare(f.size(b), f.size(a)), cmp.Compare(p.From, q.From), cmp.Compare(p.ID, q.ID))
	})
	return order
}

func newFitting(in Input) *fitting {
	n, beds := len(in.Plantings), len(in.Beds)
	f := &fitting{in: in, dice: in.Seed*2 + 1, beds: make([][]piece, beds), at: make([][]spot, n), held: make([]bool, n), known: make([]bool, n), key: make([]int, n), home: make([][]spot, n)}
	f.stand, f.whole, f.may, f.fault = make([][]reckon.Stand, n), make([][]int, n), make([][]bool, n), make([][]int, n)
	f.lie()
	f.families()
	f.pairUp()
	for k, b := range in.Beds {
		f.longs = append(f.longs, int(math.Round(b.Length*tenths)))
		for _, s := range b.Stands {
			f.beds[k] = append(f.beds[k], piece{-1, int(math.Round(s.At * tenths)), int(math.Round(s.Length * tenths)), 0, math.MinInt32, s.Until + in.Clear})
		}
		for _, g := range b.Green {
			if !g.Under {
				f.beds[k] = append(f.beds[k], piece{-1, int(math.Round(g.At * tenths)), int(math.Round(g.Length * tenths)), 0, g.Sown, g.Ready})
			}
		}
		slices.SortFunc(f.beds[k], byPlace)
	}
	for i := range in.Plantings {
		p := &in.Plantings[i]
		f.stand[i], f.whole[i] = make([]reckon.Stand, beds), make([]int, beds)
		f.may[i], f.fault[i] = make([]bool, beds), make([]int, beds)
		bent := slices.Contains(in.Bent, p.Crop.Family)
		for k, b := range in.Beds {
			s, shape, cannot := standIn(p, b, in.Edge)
			if cannot != "" {
				continue
			}
			f.stand[i][k] = s
			length, _, _ := s.Takes(p.Planted, shape)
			f.whole[i][k] = int(math.Ceil(length*tenths - 1e-5))
			f.may[i][k] = bent || Rotation(b, p.Crop, in.Year) == 0 && !b.Kin(p.Crop.Family, int(p.Crop.RotationYears.Or(0)), p.From)
			f.fault[i][k] = f.badly(i, k)
		}
	}
	return f
}

// families counts the families, so that pieces of one can be kept together.
func (f *fitting) families() {
	number := map[string]int{}
	for i := range f.in.Plantings {
		name := f.in.Plantings[i].Crop.Family
		if _, known := number[name]; !known {
			number[name] = len(number)
		}
		f.family = append(f.family, number[name])
	}
	f.kin = make([][]int, len(f.in.Beds))
	for k := range f.kin {
		f.kin[k] = make([]int, len(number))
	}
}

// size is the ground and time that a planting wants, length · days in the first bed
// that can have it; without one, what is needed in the open counts.
func (f *fitting) size(i int) int {
	p := &f.in.Plantings[i]
	if k := f.first(i); k >= 0 {
		return f.whole[i][k] * int(p.To-p.From)
	}
	return p.Planted * int(p.To-p.From)
}

// first is the first bed of a kind that can have a planting; -1: there is none.
func (f *fitting) first(i int) int {
	for k := range f.whole[i] {
		if f.whole[i][k] > 0 {
			return k
		}
	}
	return -1
}

// gapIn is a free stretch of a bed through a span of time.
type gapIn struct{ at, length int }

// gaps returns the free stretches of a bed while a planting would stand.
func (f *fitting) gaps(k int, from, to civil.Date, out []gapIn) []gapIn {
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

func (f *fitting) long(k int) int { return f.longs[k] }

// Beside its faults, a bed is chosen by how much of a stretch is left over;
// one where the family stands already counts as so much better a fit.
const (
	aFault   = 10_000_000
	together = 4000
)

// suits returns how badly a stretch suits a planting: the less the better.
func (f *fitting) suits(i, k int, g gapIn) int {
	score := f.fault[i][k]*aFault + g.length - f.whole[i][k]
	if f.kin[k][f.family[i]] > 0 {
		score -= together
	}
	return score
}

// where returns at which end of a stretch a planting lies: a tall one towards the
// pole, what is low away from it.
func (f *fitting) where(i, k int, g gapIn) int {
	isTall := f.in.Plantings[i].Crop.Height >= tall
	if f.end[k] > 0 && isTall || f.end[k] < 0 && !isTall {
		return g.at + g.length - f.whole[i][k]
	}
	return g.at
}

// put gives a planting its ground: whole in the stretch that suits it best and
// wastes least, or below a crop that it may share ground with, or in a few pieces.
// It tells whether it found any.
func (f *fitting) put(i int) bool {
	p := &f.in.Plantings[i]
	best, bed, at := math.MaxInt, -1, 0
	var room [64]gapIn
	for k := range f.in.Beds {
		if !f.may[i][k] || f.whole[i][k] > f.long(k) {
			continue
		}
		for _, g := range f.gaps(k, p.From, p.To, room[:0]) {
			if g.length < f.whole[i][k] {
				continue
			}
			if score := f.suits(i, k, g); score < best {
				best, bed, at = score, k, f.where(i, k, g)
			}
		}
	}
	if bed >= 0 {
		f.lay(i, bed, at, f.whole[i][bed], p.Planted)
		return true
	}
	return f.share(i, false) || f.split(i) || f.share(i, true)
}

// split lays a planting in up to three pieces, the longest stretches first; all
// of it or nothing.
func (f *fitting) split(i int) bool {
	if rest := f.pieces(i); rest > 0 {
		f.lift(i)
		return false
	}
	return true
}

// leastPart is the share of a planting that is worth laying by itself.
const leastPart = 1.0 / 3

// inPart lays of what cannot lie whole as much as there is room for, where that is worth
// it: a third of it, and no fewer plants than are worth growing.
func (f *fitting) inPart(i int) {
	p := &f.in.Plantings[i]
	laid := p.Planted - f.pieces(i)
	least := max(leastPart*float64(p.Planted), p.Crop.MinPlants)
	if p.Crop.WindPollinatedCorn() { // a block that fills its ears must be whole
		for _, at := range f.at[i] {
			j := slices.IndexFunc(f.beds[at.bed], func(q piece) bool { return q.planting == i && q.at == at.at })
			if float64(f.beds[at.bed][j].planted) < p.Crop.MinPlants {
				laid = 0
			}
		}
	}
	if float64(laid) < least-1e-9 {
		f.lift(i)
	}
}

// pieces lays a planting in up to three pieces, the longest stretches first, and returns
// how many plants found no room.
func (f *fitting) pieces(i int) (rest int) {
	p := &f.in.Plantings[i]
	rest = p.Planted
	for n := 0; n < mostPieces && rest > 0; n++ {
		bed, at, most := -1, 0, 0
		var room [64]gapIn
		for k := range f.in.Beds {
			if !f.may[i][k] {
				continue
			}
			for _, g := range f.gaps(k, p.From, p.To, room[:0]) {
				if g.length < shortest {
					continue
				}
				if holds := f.holds(i, k, g.length); holds > most {
					bed, at, most = k, g.at, holds
				}
			}
		}
		if bed < 0 {
			break
		}
		take := min(rest, most)
		f.lay(i, bed, at, max(f.takes(i, bed, take), min(shortest, f.long(bed)-at)), take)
		rest -= take
	}
	return rest
}

// laid returns how many plants of a planting lie.
func (f *fitting) laid(i int) (n int) {
	for _, at := range f.at[i] {
		for _, q := range f.beds[at.bed] {
			if q.planting == i && q.at == at.at {
				n += q.planted
			}
		}
	}
	return n
}

// holds returns how many plants a stretch of a bed holds, takes how much of it a
// number of them takes.
func (f *fitting) holds(i, k, length int) int {
	s := f.stand[i][k]
	return int(float64(length)/tenths/s.Step+1e-9) * s.Rows
}

func (f *fitting) takes(i, k, planted int) int {
	s := f.stand[i][k]
	return int(math.Ceil(math.Ceil(float64(planted)/float64(s.Rows))*s.Step*tenths - 1e-5))
}

func (f *fitting) lay(i, k, at, length, planted int) {
	f.layUntil(i, k, at, length, planted, f.in.Plantings[i].To)
}

// layUntil lays a planting that is cleared on a day.
func (f *fitting) layUntil(i, k, at, length, planted int, to civil.Date) {
	q := piece{i, at, length, planted, f.in.Plantings[i].From, to}
	f.insert(k, q)
	f.log = append(f.log, move{true, k, q})
}

func byPlace(a, b piece) int {
	return cmp.Or(cmp.Compare(a.at, b.at), cmp.Compare(a.from, b.from), cmp.Compare(a.planting, b.planting))
}

func (f *fitting) insert(k int, q piece) {
	i := q.planting
	if len(f.at[i]) == 0 {
		f.now.placed[f.in.Plantings[i].Priority] += f.size(i)
	}
	f.count(k, q, 1)
	j, _ := slices.BinarySearchFunc(f.beds[k], q, byPlace)
	f.beds[k] = slices.Insert(f.beds[k], j, q)
	f.at[i] = append(f.at[i], spot{k, q.at})
}

func (f *fitting) remove(k int, q piece) {
	i := q.planting
	f.beds[k] = slices.DeleteFunc(f.beds[k], func(o piece) bool { return o == q })
	f.at[i] = slices.DeleteFunc(f.at[i], func(p spot) bool { return p == spot{k, q.at} })
	f.count(k, q, -1)
	if len(f.at[i]) == 0 {
		f.now.placed[f.in.Plantings[i].Priority] -= f.size(i)
	}
}

// count adds a piece to what the layout is judged by, or takes it off.
func (f *fitting) count(k int, q piece, by int) {
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
func (f *fitting) lift(i int) {
	for len(f.at[i]) > 0 {
		at := f.at[i][0]
		j := slices.IndexFunc(f.beds[at.bed], func(q piece) bool { return q.planting == i && q.at == at.at })
		q := f.beds[at.bed][j]
		f.remove(at.bed, q)
		f.log = append(f.log, move{false, at.bed, q})
	}
}

// takeBack undoes everything since the last try began.
func (f *fitting) takeBack() {
	for _, m := range slices.Backward(f.log) {
		if m.laid {
			f.remove(m.bed, m.q)
		} else {
			f.insert(m.bed, m.q)
		}
	}
	f.log = f.log[:0]
}
