package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/reckon"
)

const (
	mostPieces = 3      // of one planting
	tenths     = 10_000 // tenths of a millimetre in a metre: inches are whole in them
	shortest   = 5000   // tenths of a millimetre of a piece
)

// site is the beds and plantings with all that the rules say of them. It does not change
// while a layout is made. Lengths are whole tenths of a millimetre.
type site struct {
	in     Input
	stand  [][]reckon.Stand // of planting and bed
	whole  [][]int          // length that a planting takes in a bed; 0: it cannot grow there
	may    [][]bool         // whether its kind and the rotation let it
	bars   [][][]gapIn      // stretches that the rotation keeps from it, by where they lie
	fault  [][]int          // drawbacks of a bed for a planting
	longs  []int            // length of a bed
	shades [][]int          // beds in the noon shadow of a bed
	end    []int            // of a bed, towards the pole
	family []int            // of a planting, counted
	kinds  int              // families
	pairs  [][]int          // of a planting: those that may grow below it, by their pair
	early  [][]civil.Date   // when a planting is cleared to keep to that pair; zero: it need not be
}

// newSite works out what the rules say of every planting in every bed.
func newSite(in Input) *site {
	n, beds := len(in.Plantings), len(in.Beds)
	f := &site{in: in, stand: make([][]reckon.Stand, n), whole: make([][]int, n), may: make([][]bool, n), bars: make([][][]gapIn, n), fault: make([][]int, n)}
	f.lie()
	f.families()
	f.pairUp()
	for _, b := range in.Beds {
		f.longs = append(f.longs, int(math.Round(b.Length*tenths)))
	}
	for i := range in.Plantings {
		p := &in.Plantings[i]
		f.stand[i], f.whole[i] = make([]reckon.Stand, beds), make([]int, beds)
		f.may[i], f.fault[i], f.bars[i] = make([]bool, beds), make([]int, beds), make([][]gapIn, beds)
		bent := slices.Contains(in.Exceptions, p.Crop.Family)
		for k, b := range in.Beds {
			s, shape, cannot := standIn(p, b, in.Edge)
			if cannot != nil {
				continue
			}
			f.stand[i][k] = s
			length, _, _ := s.Takes(p.Planted, shape)
			f.whole[i][k] = int(math.Ceil(length*tenths - 1e-5))
			f.may[i][k] = bent || Rotation(b, p.Crop, in.Year) == 0 && !b.Kin(p.Crop.Family, int(p.Crop.RotationYears.Or(0)), p.From)
			if !bent {
				f.bars[i][k] = barred(b, p.Crop, in.Year)
			}
			f.fault[i][k] = f.badly(i, k)
		}
	}
	return f
}

// families counts the families, so that pieces of one can be kept together.
func (f *site) families() {
	number := map[string]int{}
	for i := range f.in.Plantings {
		name := f.in.Plantings[i].Crop.Family
		if _, known := number[name]; !known {
			number[name] = len(number)
		}
		f.family = append(f.family, number[name])
	}
	f.kinds = len(number)
}

// order is that in which plantings are put: by priority, then the largest first.
func (f *site) order() []int {
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

// size is the ground and time that a planting wants, length · days in the first bed
// that can have it; without one, what is needed in the open counts.
func (f *site) size(i int) int {
	p := &f.in.Plantings[i]
	if k := f.first(i); k >= 0 {
		return f.whole[i][k] * int(p.To-p.From)
	}
	return p.Planted * int(p.To-p.From)
}

// first is the first bed of a kind that can have a planting; -1: there is none.
func (f *site) first(i int) int {
	for k := range f.whole[i] {
		if f.whole[i][k] > 0 {
			return k
		}
	}
	return -1
}

func (f *site) long(k int) int { return f.longs[k] }

// where returns at which end of a stretch a planting lies: a tall one towards the
// pole, what is low away from it.
func (f *site) where(i, k int, g gapIn) int {
	isTall := f.in.Plantings[i].Crop.Height >= tall
	if f.end[k] > 0 && isTall || f.end[k] < 0 && !isTall {
		return g.at + g.length - f.whole[i][k]
	}
	return g.at
}

// holds returns how many plants a stretch of a bed holds, takes how much of it a
// number of them takes.
func (f *site) holds(i, k, length int) int {
	s := f.stand[i][k]
	return int(float64(length)/tenths/s.Step+1e-9) * s.Rows
}

func (f *site) takes(i, k, planted int) int {
	s := f.stand[i][k]
	return int(math.Ceil(math.Ceil(float64(planted)/float64(s.Rows))*s.Step*tenths - 1e-5))
}

// area is the ground that a planting takes, m², as it would stand in the first bed
// that can have it; without one, in the open.
func (f *site) area(i int) float64 {
	if k := f.first(i); k >= 0 {
		return float64(f.whole[i][k]) / tenths * f.in.Beds[k].Width
	}
	p := &f.in.Plantings[i]
	return float64(p.Planted) * p.Crop.InRow.Value * p.Crop.RowGap.Value / 10000
}

// need is the ground and time that a planting wants, m² · weeks.
func (f *site) need(i int) float64 {
	p := &f.in.Plantings[i]
	return f.area(i) * float64(p.To-p.From) / 7
}

func (f *site) planting(id string) int {
	return slices.IndexFunc(f.in.Plantings, func(q Planting) bool { return q.ID == id })
}

func (f *site) bedOf(id string) int {
	return slices.IndexFunc(f.in.Beds, func(b bed.Bed) bool { return b.ID == id })
}

// partLength returns the length of a piece with a part of a planting's plants: nobody makes a
// shorter one than is worth it.
func (f *site) partLength(i, k, at, plants int) int {
	return max(f.takes(i, k, plants), min(shortest, f.long(k)-at))
}
