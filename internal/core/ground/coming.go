package ground

import (
	"cmp"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
)

// Coming is the next table year as it would be if it began with what stands: its sums, what of
// it has ground, and what is to be begun for it.
type Coming struct {
	Tally   plan.Tally     `json:"tally"`
	Fed     *Fed           `json:"fed,omitempty"` // nil where there is no bed yet
	Sowings []ComingSowing `json:"sowings"`       // by their days
}

// ComingSowing is a sowing of the next table year.
type ComingSowing struct {
	Date     civil.Date `json:"date"`
	CropName string     `json:"crop_name"`
	For      string     `json:"for"` // the wish that it serves first
	Plants   int        `json:"plants"`
	Ground   bool       `json:"ground"` // it has ground, in part at least
}

// LookAhead plans the next table year with what goes over into it, so that both years can be
// looked at while this one runs. Nothing is changed by it.
func LookAhead(in plan.Input, turn Turn) (*Coming, error) {
	next := in
	next.Household.Year, next.Household.Beds, next.Household.Placements = turn.Year, turn.Beds, turn.Placements
	p, _, l, err := Of(next)
	if err != nil {
		return nil, err
	}
	out := &Coming{Tally: p.Tally, Sowings: []ComingSowing{}}
	if len(next.Household.Beds) > 0 {
		out.Fed = FedBy(p, l)
	}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if s.Begun || s.Stands || s.Early {
			continue
		}
		has := slices.ContainsFunc(l.Pieces, func(q Piece) bool { return q.Planting == s.ID })
		out.Sowings = append(out.Sowings, ComingSowing{s.Date, s.CropName, s.WishTitle, s.Plants, has || !s.Method.InBed()})
	}
	slices.SortStableFunc(out.Sowings, func(a, b ComingSowing) int { return cmp.Compare(a.Date, b.Date) })
	return out, nil
}
