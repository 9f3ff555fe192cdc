package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/say"
)

// Stretch is a run of a bed, m from its beginning.
type Stretch struct {
	From float64 `json:"from"`
	To   float64 `json:"to"`
}

// Choice is how a planting would do in a bed, the others lying as they do.
type Choice struct {
	Bed       string     `json:"bed"`
	Name      string     `json:"name"`
	Length    float64    `json:"length"`           // m that it takes there
	Free      []Stretch  `json:"free"`             // where it may lie without anything making room
	Room      bool       `json:"room"`             // it may lie there if others make room
	Drawbacks []say.Note `json:"faults"`           // what is not as it would have it
	Exception int        `json:"bend,omitempty"`   // the year in which its family stood there, too lately
	Refused   say.Note   `json:"refused,omitzero"` // why it cannot lie there at all
	spare     int        // left over in the stretch that suits best
}

// Look is why a planting stands where it does, and how it would do elsewhere.
type Look struct {
	Planting string     `json:"planting"`
	Why      []say.Note `json:"why"`
	Choices  []Choice   `json:"choices"` // the best first
}

// LookAt says of a planting why it stands where it does in a layout, and how it
// would do in every bed. The error is an invalid.Field where there is no such
// planting.
func LookAt(in Input, l Layout, id string) (Look, error) {
	f := newLaying(newSite(in))
	i := f.planting(id)
	if i < 0 {
		return Look{}, &invalid.Field{Field: "sowing", Value: id, Allowed: "Choose a sowing that grows in a bed. The plan may have changed since."}
	}
	fixed := newLaying(f.site)
	fixed.hold(slices.DeleteFunc(slices.Clone(in.Placed), func(p bed.Placement) bool { return p.Sowing == id }))
	var mine []Piece
	f.layAs(l, func(p Piece) bool {
		if p.Planting == id {
			mine = append(mine, p)
		}
		return p.Planting != id
	})
	out := Look{Planting: id}
	for k := range in.Beds {
		out.Choices = append(out.Choices, f.choice(fixed, i, k))
	}
	slices.SortStableFunc(out.Choices, func(a, b Choice) int {
		return cmp.Or(cmp.Compare(a.class(), b.class()), cmp.Compare(len(a.Drawbacks), len(b.Drawbacks)), cmp.Compare(a.spare, b.spare))
	})
	out.Why = f.reasons(mine, out.Choices, l, i)
	return out, nil
}

// class ranks options: 0 free, 1 others must move, 2 exception to rotation, 3 impossible.
func (c Choice) class() int {
	switch {
	case !c.Refused.IsZero():
		return 3
	case c.Exception > 0:
		return 2
	case len(c.Free) == 0:
		return 1
	}
	return 0
}

func (f *laying) choice(fixed *laying, i, k int) Choice {
	p, b := &f.in.Plantings[i], f.in.Beds[k]
	c := Choice{Bed: b.ID, Name: b.Name, Length: float64(f.whole[i][k]) / tenths, Free: []Stretch{}, Drawbacks: append([]say.Note{}, drawbacks(p, &b, f.in.Year)...)}
	if _, _, cannot := standIn(p, b, f.in.Edge); cannot != nil {
		c.Refused = say.That(cannot)
		return c
	}
	if !f.may[i][k] {
		c.Exception = Rotation(b, p.Crop, f.in.Year)
	}
	if f.whole[i][k] > f.long(k) {
		c.Refused = say.That(say.BedTooShort{Takes: c.Length, Has: b.Length})
		return c
	}
	c.spare = f.long(k)
	for _, g := range f.gaps(i, k, p.From, p.To, nil) {
		if g.length >= f.whole[i][k] {
			c.Free = append(c.Free, Stretch{float64(g.at) / tenths, float64(g.at+g.length) / tenths})
			c.spare = min(c.spare, g.length-f.whole[i][k])
		}
	}
	if len(c.Free) == 0 && c.Exception == 0 && slices.ContainsFunc(f.empty(k, p.From, p.To, nil), func(g gapIn) bool { return g.length >= f.whole[i][k] }) {
		c.Exception = RotationOn(b, p.Crop, f.in.Year, 0, b.Length) // only where its family stood
	}
	c.Room = slices.ContainsFunc(fixed.empty(k, p.From, p.To, nil), func(g gapIn) bool { return g.length >= f.whole[i][k] })
	if !c.Room {
		c.Refused = say.That(say.NoFreeLength{Takes: c.Length})
	}
	c.Drawbacks = append(c.Drawbacks, f.shaded(k, piece{i, 0, f.long(k), 0, p.From, p.To})...)
	return c
}

// overrun is how far a crop that sprawls may run over each edge of a bed at most, m.
const overrun = 0.3

// reasons says in a few sentences why a planting stands where it does.
func (f *laying) reasons(mine []Piece, choices []Choice, l Layout, i int) []say.Note {
	crop := f.in.Plantings[i].Crop
	out := f.whyHere(mine, l, i)
	out = append(out, whyNotElsewhere(crop, mine, choices)...)
	out = append(out, whatOfIt(mine, choices)...)
	out = append(out, f.overEdges(crop, mine)...)
	return append(out, nextBest(crop, mine, choices)...)
}

// inBed reports whether a planting has a piece in a bed.
func inBed(mine []Piece, bed string) bool {
	return slices.ContainsFunc(mine, func(p Piece) bool { return p.Bed == bed })
}

// whyHere says what put a planting where it is, or that it found no room.
func (f *laying) whyHere(mine []Piece, l Layout, i int) (out []say.Note) {
	for _, left := range l.Unplaced {
		switch {
		case left.Planting != f.in.Plantings[i].ID:
		case left.Laid > 0:
			out = append(out, say.That(say.LiesInPart{Short: left.Planted, Why: left.Why}))
		default:
			out = append(out, say.That(say.FoundNoGround{Why: left.Why}))
		}
	}
	for _, p := range mine {
		switch {
		case p.Stands:
			out = append(out, say.That(say.SownHere))
		case p.Held:
			out = append(out, say.That(say.PutByHand))
		case p.With != "":
			for _, pair := range f.in.Pairs {
				if pair.ID == p.Pair {
					out = append(out, say.That(say.SharesGround{Why: pair.Why}))
				}
			}
		case p.Was != "":
			out = append(out, say.That(say.AgreedElsewhere{Bed: f.in.Beds[f.bedOf(p.Was)].Name}))
		}
	}
	return out
}

// whyNotElsewhere says why other beds cannot have it.
func whyNotElsewhere(crop *book.Crop, mine []Piece, choices []Choice) (out []say.Note) {
	var lately, full, short []string
	for _, c := range choices {
		switch {
		case inBed(mine, c.Bed):
		case c.Exception > 0:
			lately = append(lately, c.Name)
		case !c.Refused.IsZero():
			short = append(short, c.Name)
		case len(c.Free) == 0:
			full = append(full, c.Name)
		}
	}
	if len(lately) > 0 {
		out = append(out, say.That(say.StoodLately{Family: crop.FamilyName, Beds: lately}))
	}
	if len(full) > 0 {
		out = append(out, say.That(say.NoFreeStretch{Beds: full}))
	}
	if len(short) > 0 {
		out = append(out, say.That(say.CannotLie{Beds: short}))
	}
	return out
}

// whatOfIt says the drawbacks of the one bed that it is in.
func whatOfIt(mine []Piece, choices []Choice) (out []say.Note) {
	for _, c := range choices {
		if inBed(mine, c.Bed) && len(mine) == 1 && !mine[0].Held {
			if len(c.Drawbacks) == 0 {
				out = append(out, say.That(say.NothingAgainst{Bed: c.Name}))
			} else {
				out = append(out, say.That(say.OnlyAgainst{Bed: c.Name, Drawbacks: c.Drawbacks}))
			}
			if c.spare == 0 {
				out = append(out, say.That(say.FillsTheStretch))
			}
		}
	}
	return out
}

// overEdges says how far a sprawling crop may run over the edges of its bed.
func (f *laying) overEdges(crop *book.Crop, mine []Piece) (out []say.Note) {
	for _, p := range mine {
		b := f.in.Beds[f.bedOf(p.Bed)]
		if over := math.Min(overrun, (crop.RowGap.Value/100-b.Width)/2); crop.Sprawls && p.Lines == 1 && over > 0.05 && b.Kind == bed.Raised {
			out = append(out, say.That(say.OverEdges{Each: over}))
			break
		}
	}
	return out
}

// nextBest says which other bed would do, and on what terms.
func nextBest(crop *book.Crop, mine []Piece, choices []Choice) (out []say.Note) {
	for _, c := range choices {
		if inBed(mine, c.Bed) {
			continue
		}
		switch c.class() {
		case 0:
			out = append(out, say.That(say.NextBest{Bed: c.Name, Drawbacks: c.Drawbacks, Spare: float64(c.spare) / tenths}))
		case 1:
			out = append(out, say.That(say.NextBestMoving{Bed: c.Name}))
		case 2:
			out = append(out, say.That(say.NextBestBending{Bed: c.Name, Family: crop.FamilyName, Year: c.Exception}))
		}
		break
	}
	return out
}

// metres marks a length, so that it is read in the reader's own units.
func metres(m float64) string { return amount.Mark(m, amount.Metre) }
