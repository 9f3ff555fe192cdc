package ground

import (
	"cmp"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
)

// OtherYear is a table year beside the one that runs: its sums, what of it had or has ground,
// and its sowings. Of the next one those that are to be begun; of the one before those that were.
type OtherYear struct {
	Year    int          `json:"year"`
	Tally   plan.Tally   `json:"tally"`
	Fed     *Fed         `json:"fed,omitempty"` // nil where there is no bed yet
	Sowings []YearSowing `json:"sowings"`       // by their days
}

// YearSowing is a sowing of another table year.
type YearSowing struct {
	Date     civil.Date `json:"date"`
	CropName string     `json:"crop_name"`
	For      string     `json:"for"` // the wish that it serves first
	Plants   int        `json:"plants"`
	Ground   bool       `json:"ground"` // it has ground, in part at least
}

// LookAhead plans the next table year with what goes over into it, so that both years can be
// looked at while this one runs. Nothing is changed by it.
func LookAhead(in plan.Input, turn Turn) (*OtherYear, error) {
	next := in
	next.Household.Year, next.Household.Beds, next.Household.Placements = turn.Year, turn.Beds, turn.Placements
	return yearOf(next, func(s *plan.Sowing) bool { return !s.Begun && !s.Stands && !s.Early })
}

// LookBack returns a table year as it was on its last day: the sowings that were begun in it,
// and what they fed.
func LookBack(in plan.Input) (*OtherYear, error) {
	return yearOf(in, func(s *plan.Sowing) bool { return s.Begun })
}

// yearOf plans a table year and lists some of its sowings.
func yearOf(in plan.Input, listed func(*plan.Sowing) bool) (*OtherYear, error) {
	p, _, l, err := Of(in)
	if err != nil {
		return nil, err
	}
	out := &OtherYear{Year: in.Household.Year, Tally: p.Tally, Sowings: []YearSowing{}}
	if len(in.Household.Beds) > 0 {
		out.Fed = FedBy(p, l)
	}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if !listed(s) {
			continue
		}
		has := slices.ContainsFunc(l.Pieces, func(q Piece) bool { return q.Planting == s.ID })
		out.Sowings = append(out.Sowings, YearSowing{s.Date, s.CropName, s.WishTitle, s.Plants, has || !s.Method.InBed()})
	}
	slices.SortStableFunc(out.Sowings, func(a, b YearSowing) int { return cmp.Compare(a.Date, b.Date) })
	return out, nil
}
