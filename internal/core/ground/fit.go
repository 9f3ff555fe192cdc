// Package ground fits plantings into beds over time: no two on the same ground
// at once, rotation kept, in few pieces, each where it does best.
package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/reckon"
	"inventory/internal/core/table"
)

// Planting is what needs ground for a time.
type Planting struct {
	ID       string // of its sowing
	Crop     *book.Crop
	Layout   table.Layout
	Planted  int        // stations or plants
	From, To civil.Date // To is the first day on which the ground is free again
	Priority int        // 0 must, 1 want, 2 nice to have
}

// Input is all that a layout follows from.
type Input struct {
	Plantings []Planting
	Beds      []bed.Bed
	Placed    []bed.Placement // by hand: they stay where they are
	Edge      float64         // m, kept free at each edge of a bed
	Year      int             // whose seasons the plantings are of, for the rotation
	Steps     int             // of improvement; 0: as many as are usual
	Seed      uint64
}

// Piece is a planting, or a part of one, in a bed.
type Piece struct {
	Planting string     `json:"planting"`
	Bed      string     `json:"bed"`
	At       float64    `json:"at"`     // m along the bed
	Length   float64    `json:"length"` // m
	Planted  int        `json:"planted"`
	From     civil.Date `json:"from"`
	To       civil.Date `json:"to"`
	Held     bool       `json:"held,omitempty"`   // put there by hand
	Bent     int        `json:"bent,omitempty"`   // the year in which its family stood there, the rotation being bent
	Faults   []string   `json:"faults,omitempty"` // what is not as one would wish
}

// Left is what found no ground.
type Left struct {
	Planting string  `json:"planting"`
	Planted  int     `json:"planted"`
	Need     float64 `json:"need"` // m² · weeks
	Why      string  `json:"why"`
}

// Layout is where everything stands.
type Layout struct {
	Pieces []Piece `json:"pieces"`
	Left   []Left  `json:"left"`
	Need   float64 `json:"need"`   // m² · weeks that all plantings want
	Placed float64 `json:"placed"` // m² · weeks of them that found ground
}

const (
	mostPieces = 3    // of one planting
	shortest   = 500  // mm of a piece
	usualSteps = 1500 // of improvement
)

// PlantingsOf returns what of a plan needs ground in beds.
func PlantingsOf(p plan.Plan, b *book.Book, wishes []table.Wish) (out []Planting) {
	priority := map[string]int{}
	for _, w := range wishes {
		priority[w.ID] = map[table.Priority]int{table.Must: 0, table.Nice: 2}[w.Priority]
		if w.Priority == table.Want || w.Priority == "" {
			priority[w.ID] = 1
		}
	}
	for _, s := range p.Sowings {
		crop := b.Crop(s.Crop)
		if crop == nil || s.Method == "tray" || s.Layout == table.Plot || s.Plants == 0 || s.Clear <= s.Day {
			continue
		}
		g := Planting{ID: s.ID, Crop: crop, Layout: s.Layout, Planted: max(s.Plants, s.SetOut, s.Stations), From: s.Day, To: s.Clear, Priority: 2}
		for _, f := range s.For {
			g.Priority = min(g.Priority, priority[f.Wish])
		}
		if s.Method == "patch" { // it holds its ground through the whole year that is planned
			g.From, g.To = p.Weeks[0]-60, p.Weeks[0]+365
		}
		out = append(out, g)
	}
	return out
}

// fitting is a layout being made. Lengths are whole millimetres.
type fitting struct {
	in    Input
	stand [][]reckon.Stand // of planting and bed
	whole [][]int          // mm that a planting takes in a bed
	may   [][]bool         // whether the rotation lets it
	fault [][]int          // how far a bed is from what it wishes
	beds  [][]piece
	at    [][]place // pieces by planting
	held  []bool    // plantings put by hand
	now   worth     // of what is laid
	log   []move    // since the last try began
	dice  uint64
}

// move is a piece laid or lifted.
type move struct {
	laid bool
	bed  int
	q    piece
}

type piece struct {
	planting, at, length, planted int
	from, to                      civil.Date
}

type place struct{ bed, at int }

// Fit fits plantings into beds. The same input gives the same layout.
func Fit(in Input) Layout {
	f := newFitting(in)
	f.hold()
	order := make([]int, len(in.Plantings))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int {
		p, q := &in.Plantings[a], &in.Plantings[b]
		return cmp.Or(cmp.Compare(p.Priority, q.Priority), cmp.Compare(f.size(b), f.size(a)), cmp.Compare(p.From, q.From), cmp.Compare(p.ID, q.ID))
	})
	for _, i := range order {
		if !f.held[i] {
			f.put(i)
		}
	}
	f.improve(order)
	return f.layout()
}

func newFitting(in Input) *fitting {
	n := len(in.Plantings)
	f := &fitting{in: in, dice: in.Seed*2 + 1, beds: make([][]piece, len(in.Beds)), at: make([][]place, n), held: make([]bool, n)}
	f.stand, f.whole, f.may, f.fault = make([][]reckon.Stand, n), make([][]int, n), make([][]bool, n), make([][]int, n)
	for i := range in.Plantings {
		p := &in.Plantings[i]
		f.stand[i], f.whole[i] = make([]reckon.Stand, len(in.Beds)), make([]int, len(in.Beds))
		f.may[i], f.fault[i] = make([]bool, len(in.Beds)), make([]int, len(in.Beds))
		for k, b := range in.Beds {
			shape := reckon.Bed{Width: b.Width, Edge: math.Min(in.Edge, b.Width/3)}
			f.stand[i][k] = reckon.StandIn(p.Crop, p.Layout, shape)
			length, _, _ := f.stand[i][k].Takes(p.Planted, shape)
			f.whole[i][k] = int(math.Ceil(length*1000 - 1e-6))
			f.may[i][k] = Rotation(b, p.Crop, in.Year) == 0
			f.fault[i][k] = len(faults(b, p.Crop))
		}
	}
	return f
}

// Rotation returns the year in which a crop's family last stood in a bed, where
// that is too lately for it to return; 0 where it may.
func Rotation(b bed.Bed, c *book.Crop, year int) (last int) {
	years := int(c.RotationYears.Or(0))
	for _, s := range b.Stood {
		if s.Year < year && s.Year >= year-years && slices.Contains(s.Families, c.Family) {
			last = max(last, s.Year)
		}
	}
	return last
}

// faults says what of a bed is not as a crop would have it.
func faults(b bed.Bed, c *book.Crop) (out []string) {
	if b.Sun == "part" && c.Sun == "full" {
		out = append(out, "it wants full sun")
	}
	if c.Support == "trellis" && !b.Climb {
		out = append(out, "there is nothing to climb")
	}
	if c.RootDepth.Known && b.Soil > 0 && b.Soil*100 < c.RootDepth.Value/2 {
		out = append(out, "the soil is shallow for its roots")
	}
	return out
}

// size is the ground and time that a planting wants, mm · days in the first bed.
func (f *fitting) size(i int) int {
	p := &f.in.Plantings[i]
	if len(f.in.Beds) == 0 {
		return 0
	}
	return f.whole[i][0] * int(p.To-p.From)
}

// gapIn is a free stretch of a bed through a span of time.
type gapIn struct{ at, length int }

// gaps returns the free stretches of a bed while a planting would stand.
func (f *fitting) gaps(k int, from, to civil.Date, out []gapIn) []gapIn {
	at := 0
	for _, q := range f.beds[k] { // in the order of where they lie
		if q.to <= from || to <= q.from {
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

func (f *fitting) long(k int) int { return int(math.Round(f.in.Beds[k].Length * 1000)) }

// put gives a planting its ground: whole in the stretch that suits it best and
// wastes least, or in a few pieces. It tells whether it found any.
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
			score := f.fault[i][k]*1_000_000 + (g.length - f.whole[i][k])
			if score < best {
				best, bed, at = score, k, g.at
			}
		}
	}
	if bed >= 0 {
		f.lay(i, bed, at, f.whole[i][bed], p.Planted)
		return true
	}
	return f.split(i)
}

// split lays a planting in up to three pieces, the longest stretches first; all
// of it or nothing.
func (f *fitting) split(i int) bool {
	p := &f.in.Plantings[i]
	rest := p.Planted
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
	if rest > 0 {
		f.lift(i)
		return false
	}
	return true
}

// holds returns how many plants a stretch of a bed holds, takes how much of it a
// number of them takes, mm.
func (f *fitting) holds(i, k, length int) int {
	s := f.stand[i][k]
	return int(float64(length)/1000/s.Step+1e-9) * s.Rows
}

func (f *fitting) takes(i, k, planted int) int {
	s := f.stand[i][k]
	return int(math.Ceil(math.Ceil(float64(planted)/float64(s.Rows))*s.Step*1000 - 1e-6))
}

func (f *fitting) lay(i, k, at, length, planted int) {
	p := &f.in.Plantings[i]
	q := piece{i, at, length, planted, p.From, p.To}
	f.insert(k, q)
	f.log = append(f.log, move{true, k, q})
}

func (f *fitting) insert(k int, q piece) {
	i := q.planting
	if len(f.at[i]) == 0 {
		f.now.placed[f.in.Plantings[i].Priority] += f.size(i)
	}
	f.now.pieces++
	f.now.faults += f.fault[i][k]
	j, _ := slices.BinarySearchFunc(f.beds[k], q, func(a, b piece) int {
		return cmp.Or(cmp.Compare(a.at, b.at), cmp.Compare(a.from, b.from), cmp.Compare(a.planting, b.planting))
	})
	f.beds[k] = slices.Insert(f.beds[k], j, q)
	f.at[i] = append(f.at[i], place{k, q.at})
}

func (f *fitting) remove(k int, q piece) {
	i := q.planting
	f.beds[k] = slices.DeleteFunc(f.beds[k], func(o piece) bool { return o == q })
	f.at[i] = slices.DeleteFunc(f.at[i], func(p place) bool { return p == place{k, q.at} })
	f.now.pieces--
	f.now.faults -= f.fault[i][k]
	if len(f.at[i]) == 0 {
		f.now.placed[f.in.Plantings[i].Priority] -= f.size(i)
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

// layout says where everything stands.
func (f *fitting) layout() Layout {
	out := Layout{Pieces: []Piece{}, Left: []Left{}}
	for k, list := range f.beds {
		b := f.in.Beds[k]
		for _, q := range list {
			p := &f.in.Plantings[q.planting]
			out.Pieces = append(out.Pieces, Piece{Planting: p.ID, Bed: b.ID, At: float64(q.at) / 1000, Length: float64(q.length) / 1000, Planted: q.planted, From: q.from, To: q.to, Faults: faults(b, p.Crop), Held: f.held[q.planting], Bent: Rotation(b, p.Crop, f.in.Year)})
		}
	}
	for i := range f.in.Plantings {
		p := &f.in.Plantings[i]
		need := f.need(i)
		out.Need += need
		if len(f.at[i]) > 0 {
			out.Placed += need
			continue
		}
		out.Left = append(out.Left, Left{p.ID, p.Planted, need, f.why(i)})
	}
	return out
}

// need is the ground and time that a planting wants, m² · weeks, as it would
// stand in the first bed.
func (f *fitting) need(i int) float64 {
	p := &f.in.Plantings[i]
	if len(f.in.Beds) == 0 {
		return 0
	}
	return float64(f.whole[i][0]) / 1000 * f.in.Beds[0].Width * float64(p.To-p.From) / 7
}

// why says why a planting found no ground.
func (f *fitting) why(i int) string {
	may, fits := false, false
	for k := range f.in.Beds {
		may = may || f.may[i][k]
		fits = fits || f.may[i][k] && f.whole[i][k] <= f.long(k)
	}
	switch {
	case len(f.in.Beds) == 0:
		return "there is no bed yet"
	case !may:
		return "its family stood in every bed too lately"
	case !fits:
		return "it is longer than any bed, and the free pieces are not enough"
	}
	return "no bed has so much free ground at that time"
}
