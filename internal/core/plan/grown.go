package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
)

// GrownIn returns the plantings of the table year that were begun, and the patches that are picked, with what
// the book expects of them: nothing that the record teaches is counted in. Beds are left open: the layout
// knows them.
func GrownIn(in Input) ([]record.Grown, error) { return allGrown(in, (*sown).stood) }

// GrownAsPlanned is GrownIn of a plan of which every sowing was made: of a year that was planned and not
// written down.
func GrownAsPlanned(in Input) ([]record.Grown, error) {
	return allGrown(in, func(*sown) bool { return true })
}

// stood reports whether a sowing was begun, or is a patch.
func (s *sown) stood() bool { return s.Begun || s.Method == season.Patch }

func allGrown(in Input, counts func(*sown) bool) ([]record.Grown, error) {
	in.Taught = book.Taught{}
	c, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	out := []record.Grown{}
	for _, s := range c.sown {
		if g, ok := c.whatGrew(s); ok && counts(s) {
			out = append(out, g)
		}
	}
	slices.SortFunc(out, func(a, b record.Grown) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID)) })
	return out, nil
}

// whatGrew returns a sowing as what came in of it is held against; false where
// nothing is weighed of it.
func (c *computed) whatGrew(s *sown) (g record.Grown, ok bool) {
	crop := c.desk.Book.Crop(s.Crop)
	if crop == nil || s.FirstPick == nil || s.LastPick == nil || s.Plants == 0 {
		return g, false
	}
	kg := s.gives / (1 - crop.FailProb)
	if s.Unit == amount.Piece {
		kg *= crop.Piece.Value / 1000
	}
	if kg <= 0 {
		return g, false
	}
	g = record.Grown{
		ID: s.ID, Crop: s.Crop, Food: crop.Food, Method: string(place.Cover(s.Cover).Kind()), Day: s.Day, First: *s.FirstPick, Last: *s.LastPick,
		Year: c.in.Household.Year, Plants: float64(s.Plants), Kg: kg, CV: crop.YieldCV.Or(usualCV),
		Over: s.Over || s.gone() || *s.LastPick < c.in.AsOf,
	}
	if s.hand != nil && s.hand.Planting != nil {
		g.Lost, g.Said = s.hand.Lost && s.hand.Ended != nil && *s.hand.Ended <= g.First, s.hand.Said
	}
	g.Beds = bedsOf(c.in.Household, s.ID)
	switch {
	case g.First < c.start:
		g.Year--
	case g.First >= c.date(place.Days):
		g.Year++
	}
	return g, true
}

// bedsOf returns the beds that a sowing was put in, by the plants that stand in each.
func bedsOf(h household.Household, sowing string) (out []record.InBed) {
	for _, p := range h.Placements {
		if p.Sowing != sowing {
			continue
		}
		all := 0
		for _, part := range p.Parts {
			all += part.Planted
		}
		if all == 0 {
			return []record.InBed{{Bed: p.Bed, Share: 1}}
		}
		for _, part := range p.Parts {
			out = append(out, record.InBed{Bed: part.Bed, Share: float64(part.Planted) / float64(all)})
		}
	}
	return out
}
