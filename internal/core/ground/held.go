package ground

import (
	"cmp"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
)

// HoldPlaces returns the customs of a household that keeps what has a place in a layout where
// it is: from then on an edit moves it only where it must. What was held before, or agreed to,
// keeps its old place. It returns nil where there is nothing new to hold.
func HoldPlaces(in plan.Input, l Layout) *bed.Customs {
	u := customsOf(in)
	held := &bed.Arranged{Year: in.Household.Year}
	switch base := in.Household.Baseline; {
	case u.Arranged != nil && u.Arranged.Year == held.Year:
		held.Laid = slices.Clone(u.Arranged.Laid)
	case base != nil && base.Year == held.Year:
		held.Laid = slices.Clone(base.Laid)
	}
	known := map[string]bool{}
	for _, x := range held.Laid {
		known[x.Sowing] = true
	}
	before := len(held.Laid)
	for _, x := range l.Laid() {
		if !known[x.Sowing] {
			held.Laid = append(held.Laid, x)
		}
	}
	if len(held.Laid) == before {
		return nil
	}
	u.Arranged = held
	return &u
}

// Held reports whether a household holds places in its table year.
func Held(in plan.Input) bool {
	h := in.Household
	return h.Customs != nil && h.Customs.Arranged != nil && h.Customs.Arranged.Year == h.Year || h.Baseline != nil && h.Baseline.Year == h.Year
}

// lately is for how many days something that was begun shows that the season goes on: garlic of
// autumn does not in January.
const lately = 60

// InSeason reports whether the work in the ground of a plan has begun: something was begun
// lately, or was to be.
func InSeason(p plan.Plan) bool {
	begun := func(s plan.Sowing) bool {
		return s.Method.OneYear() && (s.Late || s.Begun && s.Date <= p.AsOf && p.AsOf-s.Date <= lately)
	}
	return slices.ContainsFunc(p.Sowings, begun) || len(p.Missed) > 0
}

// Freed is a stretch of a bed that something leaves, and that is free from then on for a time.
type Freed struct {
	Bed   string     `json:"bed"`
	From  float64    `json:"from"` // m along the bed
	To    float64    `json:"to"`
	Day   civil.Date `json:"day"`            // the first on which it is free
	After string     `json:"after"`          // the planting that leaves it
	Until civil.Date `json:"until,omitzero"` // the day on which something else takes some of it; zero: nothing does
	Next  string     `json:"next,omitempty"` // the planting that then does
}

// worthFreeing is for how many days a stretch must be free to be told.
const worthFreeing = 28

// longEnough is how long a stretch must be to be told, m.
const longEnough = 0.5

// aheadOfFreeing is for how many days ahead it is told what falls free.
const aheadOfFreeing = 91

// FallsFree lists what falls free in a layout from a day on, by its days.
func FallsFree(l Layout, today civil.Date) []Freed {
	out := []Freed{}
	for _, p := range l.Pieces {
		if p.To <= today || p.To > today+aheadOfFreeing || p.With != "" || p.Length < longEnough {
			continue
		}
		if f, free := l.after(p); free && (f.Until == 0 || f.Until-f.Day >= worthFreeing) {
			out = append(out, f)
		}
	}
	slices.SortFunc(out, func(a, b Freed) int {
		return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.Bed, b.Bed), cmp.Compare(a.From, b.From))
	})
	return out
}

// after returns the stretch that a piece leaves, and whether it is free then.
func (l *Layout) after(p Piece) (Freed, bool) {
	f := Freed{Bed: p.Bed, From: p.At, To: p.At + p.Length, Day: p.To, After: p.Planting}
	const touches = 1e-6 // m
	for _, q := range l.Pieces {
		switch {
		case q.Bed != p.Bed || q.Planting == p.Planting || q.To <= f.Day:
		case q.At+q.Length <= f.From+touches || q.At >= f.To-touches:
		case q.From <= f.Day: // something stands there then, or goes in at once
			return f, false
		case f.Until == 0 || q.From < f.Until:
			f.Until, f.Next = q.From, q.Planting
		}
	}
	return f, true
}
