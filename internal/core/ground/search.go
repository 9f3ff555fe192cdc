package ground

import (
	"context"
	"math"
	"slices"
)

// search is the search for a better layout: a layout, and the dice that it throws.
type search struct {
	*laying
	ctx  context.Context // ends where nobody waits any longer
	key  []int           // by which what is put again is ordered
	dice uint64
	work int // beds looked at, each with what lies in it
}

func newSearch(ctx context.Context, l *laying) *search {
	return &search{laying: l, ctx: ctx, key: make([]int, len(l.in.Plantings)), dice: l.in.Seed*2 + 1}
}

// Beside its faults, a bed is chosen by how much of a stretch is left over;
// one where the family stands already counts as so much better a fit.
const (
	aFault   = 10_000_000
	together = 4000
)

// suits returns how badly a stretch suits a planting: the less the better.
func (f *laying) suits(i, k int, g gapIn) int {
	score := f.fault[i][k]*aFault + g.length - f.whole[i][k]
	if f.kin[k][f.family[i]] > 0 {
		score -= together
	}
	return score
}

// put gives a planting its ground: whole in the stretch that suits it best and
// wastes least, or below a crop that it may share ground with, or in a few pieces.
// It reports whether it found any.
func (f *search) put(i int) bool {
	p := &f.in.Plantings[i]
	best, bed, at := math.MaxInt, -1, 0
	var room [64]gapIn
	for k := range f.in.Beds {
		if !f.may[i][k] || f.whole[i][k] > f.long(k) {
			continue
		}
		f.work += 1 + len(f.beds[k])
		for _, g := range f.gaps(i, k, p.From, p.To, room[:0]) {
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
func (f *search) split(i int) bool {
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
func (f *search) inPart(i int) {
	p := &f.in.Plantings[i]
	laid := p.Planted - f.pieces(i)
	least := max(leastPart*float64(p.Planted), p.Crop.MinPlants)
	if p.Crop.WindPollinated() { // a block that fills its ears must be whole
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
func (f *search) pieces(i int) (rest int) {
	p := &f.in.Plantings[i]
	rest = p.Planted
	for n := 0; n < mostPieces && rest > 0; n++ {
		bed, at, most := -1, 0, 0
		var room [64]gapIn
		for k := range f.in.Beds {
			if !f.may[i][k] {
				continue
			}
			for _, g := range f.gaps(i, k, p.From, p.To, room[:0]) {
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
		f.lay(i, bed, at, f.partLength(i, bed, at, take), take)
		rest -= take
	}
	return rest
}

// share lays a planting below one that it may share ground with, where there is
// room for it: of the stretch that the other takes, no more than the pair's
// fraction; cleared early to keep to the pair only where that is said. It reports whether
// there was.
func (f *search) share(i int, early bool) bool {
	if f.pairs == nil {
		return false
	}
	best, bed, at, long := int(^uint(0)>>1), -1, 0, -1
	for k := range f.in.Beds {
		if !f.may[i][k] || f.fault[i][k]*aFault >= best {
			continue
		}
		for _, q := range f.beds[k] {
			if q.planting < 0 || f.pairs[i][q.planting] == 0 || early != (f.early[i][q.planting] > 0) {
				continue
			}
			if a, ok := f.below(i, k, q); ok {
				best, bed, at, long = f.fault[i][k]*aFault, k, a, q.planting
				break
			}
		}
	}
	if bed < 0 {
		return false
	}
	f.layUntil(i, bed, at, f.whole[i][bed], f.in.Plantings[i].Planted, f.until(i, long))
	return true
}

// putAll gives every planting without a bed its place, in an order. What had none in the
// kept plan comes last.
func (f *search) putAll(order []int) {
	for _, known := range []bool{false, true} {
		for _, i := range order {
			if f.known[i] == known && len(f.at[i]) == 0 {
				f.put(i)
			}
		}
	}
}

// putParts lays of what found no place as much as there is room for.
func (f *search) putParts(order []int) {
	for _, i := range order {
		if len(f.at[i]) == 0 {
			f.inPart(i)
		}
	}
}
