package ground

import (
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/say"
)

// Piece is a planting, or a part of one, in a bed.
type Piece struct {
	Planting  string     `json:"planting"`
	Family    string     `json:"family"`
	Bed       string     `json:"bed"`
	At        float64    `json:"at"`     // m along the bed
	Length    float64    `json:"length"` // m
	Planted   int        `json:"planted"`
	From      civil.Date `json:"from"`
	To        civil.Date `json:"to"`
	Held      bool       `json:"held,omitempty"`   // put there by hand, or it stands there
	Stands    bool       `json:"stands,omitempty"` // it was sown or planted there
	Exception int        `json:"bent,omitempty"`   // the year in which its family stood there, the rotation being bent
	Drawbacks []say.Note `json:"faults,omitempty"` // what is not as one would wish
	With      string     `json:"with,omitempty"`   // the planting whose ground it shares
	Pair      string     `json:"pair,omitempty"`   // and by which pairing of the book
	Was       string     `json:"was,omitempty"`    // the bed that it was agreed to stand in, where it has moved

	Across  bool    `json:"across"`  // its lines run across the bed
	Line    float64 `json:"line"`    // m between lines
	Plant   float64 `json:"plant"`   // m between the plants of a line
	Lines   int     `json:"lines"`   // along the bed, or plants in a line across it
	Shifted bool    `json:"shifted"` // every second line is shifted by half
}

// Left is what found no ground, or not for all of it.
type Unplaced struct {
	Planting string   `json:"planting"`
	Planted  int      `json:"planted"` // plants that found none
	Laid     int      `json:"laid"`    // plants that did, where it lies in part
	Need     float64  `json:"need"`    // m² · weeks of those that found none
	Why      say.Note `json:"why"`
}

// Week is how much ground is taken in the middle of a week.
type Week struct {
	Day   civil.Date `json:"day"`   // its first
	Taken float64    `json:"taken"` // m²
	Short float64    `json:"short"` // m² that found none
}

// Layout gives each planting its stretches of bed and lists the unplaced.
type Layout struct {
	Pieces   []Piece    `json:"pieces"`
	Unplaced []Unplaced `json:"left"`
	Need     float64    `json:"need"`   // m² · weeks that all plantings want
	Placed   float64    `json:"placed"` // m² · weeks of them that found ground
	Most     float64    `json:"most"`   // m² · weeks of them that any layout could place at most
	Short    float64    `json:"short"`  // m² · weeks of them that found none
	Owned    float64    `json:"owned"`  // m² of all beds
	Weeks    []Week     `json:"weeks"`  // from the first day that anything stands to the last
}

// layout says where everything stands.
func (f *laying) layout() Layout {
	out := Layout{Pieces: []Piece{}, Unplaced: []Unplaced{}, Weeks: []Week{}}
	for k, list := range f.beds {
		out.Owned += f.in.Beds[k].Area()
		for _, q := range list {
			if q.planting >= 0 {
				out.Pieces = append(out.Pieces, f.tell(k, q))
			}
		}
	}
	for i := range f.in.Plantings {
		p := &f.in.Plantings[i]
		need := f.need(i)
		out.Need += need
		laid := f.laid(i)
		short := need * float64(p.Planted-laid) / float64(max(1, p.Planted))
		out.Placed += need - short
		if laid == p.Planted {
			continue
		}
		out.Short += short
		out.Unplaced = append(out.Unplaced, Unplaced{p.ID, p.Planted - laid, laid, short, say.That(f.why(i))})
	}
	out.Weeks, out.Most = f.weeks(), f.most()
	return out
}

// tell converts a piece, in tenths of a millimetre, to a Piece in metres with its drawbacks.
func (f *laying) tell(k int, q piece) Piece {
	p, b := &f.in.Plantings[q.planting], f.in.Beds[k]
	out := Piece{
		Planting: p.ID, Family: p.Crop.Family, Bed: b.ID, At: float64(q.at) / tenths, Length: float64(q.length) / tenths, Planted: q.planted, From: q.from, To: q.to,
		Drawbacks: append(drawbacks(p, &b, f.in.Year), f.shaded(k, q)...), Held: f.held[q.planting], Exception: RotationOn(b, p.Crop, f.in.Year, float64(q.at)/tenths, float64(q.length)/tenths),
		Lines: f.stand[q.planting][k].Rows,
	}
	out.Across, out.Line, out.Plant, out.Shifted = spacing(p, b, f.stand[q.planting][k])
	out.With, out.Pair = f.with(k, q)
	if lost := int(p.Last - q.to + 1); q.to < p.To && lost > 0 && p.Crop.Harvest != book.Once {
		out.Drawbacks = append(out.Drawbacks, say.That(say.ClearedEarly{On: q.to, Lost: lost, Of: int(p.Last-p.First) + 1}))
	}
	out.Stands = out.Held && slices.ContainsFunc(f.in.Placed, func(x bed.Placement) bool { return x.Sowing == p.ID && x.Stands })
	if home := f.home[q.planting]; len(home) > 0 && !f.atHome(k, q) {
		out.Was = f.in.Beds[home[0].bed].ID
	}
	return out
}

// weeks adds up by week what is taken and what is short.
func (f *laying) weeks() []Week {
	var first, last civil.Date
	for i := range f.in.Plantings {
		p := &f.in.Plantings[i]
		if first == 0 || p.From < first {
			first = p.From
		}
		last = max(last, p.To)
	}
	out := []Week{}
	for day := first; day < last && len(out) < 120; day += 7 {
		w := Week{Day: day}
		for k, list := range f.beds {
			for _, q := range list {
				if q.meets(day+3, day+4) && !f.shares(k, q) {
					w.Taken += float64(q.length) / tenths * f.in.Beds[k].Width
				}
			}
		}
		for i := range f.in.Plantings {
			if p := &f.in.Plantings[i]; p.From <= day+3 && day+3 < p.To {
				w.Short += f.area(i) * float64(p.Planted-f.laid(i)) / float64(max(1, p.Planted))
			}
		}
		out = append(out, w)
	}
	return out
}

// shares reports whether a piece lies on another's ground, which is counted once.
func (f *laying) shares(k int, q piece) bool {
	with := ""
	if q.planting >= 0 {
		with, _ = f.with(k, q)
	}
	return with != ""
}

// why says why a planting found no ground.
func (f *laying) why(i int) say.Fact {
	can, may := false, false
	var cannot say.Fact
	var holds []int // each bed that may have it, empty
	for k, b := range f.in.Beds {
		if f.whole[i][k] == 0 {
			_, _, cannot = standIn(&f.in.Plantings[i], b, f.in.Edge)
			continue
		}
		can = true
		if !f.may[i][k] {
			continue
		}
		longest := 0
		for _, g := range f.gaps(i, k, math.MinInt32, math.MinInt32, nil) { // of the empty bed: what the rotation leaves
			longest = max(longest, g.length)
		}
		if longest < min(f.whole[i][k], shortest) {
			continue
		}
		may = true
		holds = append(holds, -f.holds(i, k, longest))
	}
	slices.Sort(holds)
	most := 0
	for _, n := range holds[:min(len(holds), mostPieces)] {
		most -= n
	}
	switch {
	case len(f.in.Beds) == 0:
		return say.NoBedYet
	case !can:
		return cannot
	case !may:
		return say.FamilyTooLately
	case most < f.in.Plantings[i].Planted:
		return say.TooManyPlants{Pieces: mostPieces, Hold: most, Of: f.in.Plantings[i].Planted}
	}
	return say.BedsTaken
}
