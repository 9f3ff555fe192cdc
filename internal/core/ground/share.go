package ground

import (
	"slices"

	"inventory/internal/core/book"
)

// is tells whether a crop is what a pairing names: the crop, or one of the
// household's own that was made from it.
func is(c *book.Crop, id string) bool { return c.ID == id || c.From == id }

// pairUp finds for every planting those that it may stand below, by the admitted
// pairs: the pair's number + 1, or 0.
func (f *fitting) pairUp() {
	if len(f.in.Pairs) == 0 {
		return
	}
	n := len(f.in.Plantings)
	f.pairs = make([][]int, n)
	for i := range f.pairs {
		f.pairs[i] = make([]int, n)
		for j := range f.pairs[i] {
			short, long := &f.in.Plantings[i], &f.in.Plantings[j]
			if i == j || short.From >= long.To || long.From >= short.To {
				continue
			}
			until := short.To
			if short.Last > short.From { // to its last cut: the days to clear it take nothing from the other
				until = short.Last + 1
			}
			weeks := float64(min(until, long.To)-max(short.From, long.From)) / 7
			for k, p := range f.in.Pairs {
				if is(short.Crop, p.Short) && is(long.Crop, p.Long) && weeks <= p.WeeksTogether+1e-9 {
					f.pairs[i][j] = k + 1
					break
				}
			}
		}
	}
}

// share lays a planting below one that it may share ground with, where there is
// room for it: of the stretch that the other takes, no more than the pair's
// fraction. It tells whether there was.
func (f *fitting) share(i int) bool {
	if f.pairs == nil {
		return false
	}
	best, bed, at := int(^uint(0)>>1), -1, 0
	for k := range f.in.Beds {
		if !f.may[i][k] || f.fault[i][k]*aFault >= best {
			continue
		}
		for _, q := range f.beds[k] {
			if q.planting < 0 || f.pairs[i][q.planting] == 0 {
				continue
			}
			if a, ok := f.below(i, k, q); ok {
				best, bed, at = f.fault[i][k]*aFault, k, a
				break
			}
		}
	}
	if bed < 0 {
		return false
	}
	f.lay(i, bed, at, f.whole[i][bed], f.in.Plantings[i].Planted)
	return true
}

// below returns where under a piece a planting may lie: within the stretch, on
// ground that nothing else takes while it stands, and with what lies there
// already no more than the pair's fraction of it.
func (f *fitting) below(i, k int, long piece) (at int, ok bool) {
	p, need := &f.in.Plantings[i], f.whole[i][k]
	pair := f.in.Pairs[f.pairs[i][long.planting]-1]
	taken := need
	tries := []int{long.at}
	for _, q := range f.beds[k] {
		if q == long || q.at >= long.at+long.length || long.at >= q.at+q.length {
			continue
		}
		if q.meets(long.from, long.to) { // it shares the ground of the same piece
			taken += q.length
		}
		if q.meets(p.From, p.To) {
			tries = append(tries, q.at+q.length)
		}
	}
	if float64(taken) > pair.RoomFraction*float64(long.length)+1e-6 {
		return 0, false
	}
	slices.Sort(tries)
	for _, a := range tries {
		free := a >= long.at && a+need <= long.at+long.length
		for _, q := range f.beds[k] {
			free = free && (q == long || !q.meets(p.From, p.To) || q.at >= a+need || a >= q.at+q.length)
		}
		if free {
			return a, true
		}
	}
	return 0, false
}

// with returns the planting whose ground a piece shares, and by which pair.
func (f *fitting) with(k int, q piece) (planting, pair string) {
	if f.pairs == nil {
		return "", ""
	}
	for _, o := range f.beds[k] {
		if o.planting >= 0 && f.pairs[q.planting][o.planting] > 0 && o.meets(q.from, q.to) && o.at < q.at+q.length && q.at < o.at+o.length {
			return f.in.Plantings[o.planting].ID, f.in.Pairs[f.pairs[q.planting][o.planting]-1].ID
		}
	}
	return "", ""
}
