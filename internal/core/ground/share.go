package ground

import (
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
)

// is reports whether a crop is what a pairing names: the crop, or one of the
// household's own that was made from it.
func is(c *book.Crop, id string) bool { return c.ID == id || c.From == id }

// pairUp sets pairs[i][j] to 1 + the index of the interplanting that lets planting i share
// the bed of planting j, else 0.
//
// One function, since the pairs of a planting are tried in the order of the household.
func (f *site) pairUp() {
	if slices.ContainsFunc(f.in.Beds, func(b bed.Bed) bool { return b.Climb }) {
		f.in.Pairs = append(slices.Clone(f.in.Pairs), faces)
	}
	if len(f.in.Pairs) == 0 {
		return
	}
	n := len(f.in.Plantings)
	f.pairs, f.early = make([][]int, n), make([][]civil.Date, n)
	for i := range f.pairs {
		f.pairs[i], f.early[i] = make([]int, n), make([]civil.Date, n)
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
				if p.ID == twoFaces {
					if f.pairs[i][j] == 0 && climbs(short.Crop) && climbs(long.Crop) {
						f.pairs[i][j] = k + 1
					}
					continue
				}
				if !is(short.Crop, p.Short) || !is(long.Crop, p.Long) {
					continue
				}
				if weeks <= p.WeeksTogether+1e-9 {
					f.pairs[i][j], f.early[i][j] = k+1, 0
					break
				}
				by := max(short.From, long.From) + civil.Date(math.Floor(7*p.WeeksTogether+1e-9))
				if f.pairs[i][j] == 0 && short.enough(by) {
					f.pairs[i][j], f.early[i][j] = k+1, by
				}
			}
		}
	}
}

// twoFaces names the two faces of a trellis: where two climbers each stand in one row
// along it, as in a narrow bed, one takes the other face. Two rows take both.
const twoFaces = "two-faces"

var faces = book.Pairing{ID: twoFaces, WeeksTogether: 60, RoomFraction: 1, Why: "each climbs its own side of the trellis.", Timing: "easy"}

func climbs(c *book.Crop) bool { return c.Support == book.Trellis && !c.Perennial() }

// enoughPicking and aCut are what a short crop must have given before it may be cleared
// early: a third of its picking, or one cut, which comes a week after the one before.
const (
	enoughPicking = 1.0 / 3
	aCut          = 7
)

// enough reports whether a planting may be cleared by a day to keep to a pair: what is
// gathered once is in by then, of the rest a third of the picking or one cut is had.
func (p *Planting) enough(by civil.Date) bool {
	if p.First == 0 || by <= p.First {
		return false
	}
	had := float64(by - p.First)
	switch p.Crop.Harvest {
	case book.Once:
		return true
	case book.Cut:
		return had >= aCut
	}
	return had >= enoughPicking*float64(p.Last-p.First+1)-1e-9
}

// until returns the day on which a planting is gone from the ground of another: its own,
// or earlier where only that keeps to their pair.
func (f *site) until(i, long int) civil.Date {
	if by := f.early[i][long]; by > 0 {
		return by
	}
	return f.in.Plantings[i].To
}

// below returns where under a piece a planting may lie: within the stretch, on
// ground that nothing else takes while it stands, and with what lies there
// already no more than the pair's fraction of it.
//
// One function, since a place is tried against all that lies there.
func (f *laying) below(i, k int, long piece) (at int, ok bool) {
	p, need, to := &f.in.Plantings[i], f.whole[i][k], f.until(i, long.planting)
	pair := f.in.Pairs[f.pairs[i][long.planting]-1]
	if pair.ID == twoFaces && (!f.in.Beds[k].Climb || f.stand[i][k].Rows != 1 || f.stand[long.planting][k].Rows != 1) {
		return 0, false
	}
	taken := need
	tries := []int{long.at}
	for _, q := range f.beds[k] {
		if q == long || q.at >= long.at+long.length || long.at >= q.at+q.length {
			continue
		}
		if q.meets(long.from, long.to) { // it shares the ground of the same piece
			taken += q.length
		}
		if q.meets(p.From, to) {
			tries = append(tries, q.at+q.length)
		}
	}
	if float64(taken) > pair.RoomFraction*float64(long.length)+1e-6 {
		return 0, false
	}
	slices.Sort(tries)
	for _, a := range tries {
		free := a >= long.at && a+need <= long.at+long.length && f.open(i, k, a, need)
		for _, q := range f.beds[k] {
			free = free && (q == long || !q.meets(p.From, to) || q.at >= a+need || a >= q.at+q.length)
		}
		if free {
			return a, true
		}
	}
	return 0, false
}

// with returns the planting that piece q shares its space with and the id of the
// interplanting; both are empty if there is none.
func (f *laying) with(k int, q piece) (planting, pair string) {
	if f.pairs == nil {
		return "", ""
	}
	for _, o := range f.beds[k] {
		if o.planting >= 0 && f.pairs[q.planting][o.planting] > 0 && o.meets(q.from, q.to) && o.at < q.at+q.length && q.at < o.at+o.length {
			pair := f.in.Pairs[f.pairs[q.planting][o.planting]-1].ID
			if pair == twoFaces && q.planting < o.planting {
				continue // each stands with the other; it is told of one, whose ground is then not counted twice
			}
			return f.in.Plantings[o.planting].ID, pair
		}
	}
	return "", ""
}
