package plan

import (
	"cmp"
	"maps"
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/learn"
	"inventory/internal/core/record"
)

// Learned returns what the record teaches until today, and the input with it in its book's figures. The
// plantings of this year that are over count too: a plan without anything learned says what was
// expected of them.
func Learned(in Input, rec *record.Record) (*learn.Learned, Input, error) {
	h := in.Household
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		return nil, in, err
	}
	var thisYear []record.Grown
	if teachesThisYear(in, rec) {
		if thisYear, err = GrownIn(in); err != nil {
			return nil, in, err
		}
	}
	l := learn.Of(h.Teaches(thisYear, rec.Entries()), b)
	in.Taught = l.Taught(b)
	return l, in, nil
}

// teachesThisYear reports whether something of this year's plantings is over, or was lost, so that it may
// teach something.
func teachesThisYear(in Input, rec *record.Record) bool {
	start := in.Household.YearStart()
	for _, e := range rec.Span(start, in.AsOf) {
		if e.Act == record.Harvest {
			return true
		}
	}
	for _, p := range in.Household.Plantings {
		if p.Ended != nil && *p.Ended >= start {
			return true
		}
	}
	return false
}

// Moved is what the figures that were learned change of a crop in the plan, and how much they rest on.
type Moved struct {
	Crop      string  `json:"crop"`
	Name      string  `json:"name"`
	Plants    int     `json:"plants"`    // more than by the book
	Area      float64 `json:"area"`      // m² more
	Of        float64 `json:"of"`        // m² that it takes in the plan
	Plantings int     `json:"plantings"` // of its food that were learned from
	Factor    float64 `json:"factor"`    // of the yield that the book says; 1 where nothing was learned
	Low       float64 `json:"low"`       // in one case of ten it is less
	High      float64 `json:"high"`      // and in one case of ten more
	Years     int     `json:"years"`
}

// MovedBy says of each crop of the plan what was learned of it and what that changes, the greatest change
// of ground first. The input is one that Learned has returned.
func MovedBy(in Input) ([]Moved, error) {
	with, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	in.Taught = book.Taught{}
	without, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	by := map[string]*Moved{}
	of := func(id string) *Moved {
		if by[id] == nil {
			crop := with.desk.Book.Crop(id)
			by[id] = &Moved{Crop: id, Name: crop.Name, Factor: 1, Low: 1, High: 1}
			if own := crop.OwnYield; own.Factor > 0 {
				*by[id] = Moved{Crop: id, Name: crop.Name, Plantings: own.Plantings, Years: own.Years, Factor: own.Factor, Low: own.Low, High: own.High}
			}
		}
		return by[id]
	}
	for _, s := range with.plan.Sowings {
		if !with.desk.Book.Crop(s.Crop).Weighed() {
			continue
		}
		m := of(s.Crop)
		m.Plants, m.Area, m.Of = m.Plants+s.Plants, m.Area+s.Area, m.Of+s.Area
	}
	for _, s := range without.plan.Sowings {
		if !with.desk.Book.Crop(s.Crop).Weighed() {
			continue
		}
		m := of(s.Crop)
		m.Plants, m.Area = m.Plants-s.Plants, m.Area-s.Area
	}
	out := []Moved{}
	for _, id := range slices.Sorted(maps.Keys(by)) {
		out = append(out, *by[id])
	}
	slices.SortStableFunc(out, func(a, b Moved) int {
		return cmp.Or(cmp.Compare(math.Abs(b.Area), math.Abs(a.Area)), cmp.Compare(b.Of, a.Of))
	})
	return out, nil
}
