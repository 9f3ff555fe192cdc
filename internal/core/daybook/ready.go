package daybook

import (
	"cmp"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
)

// Picking is a planting that is likely to be picked: now, or within the next days.
type Picking struct {
	Sowing   string     `json:"sowing"`
	Food     string     `json:"food"`
	Crop     string     `json:"crop"`
	CropName string     `json:"crop_name"`
	First    civil.Date `json:"first"` // the first picking, as reckoned
	Last     civil.Date `json:"last,omitzero"`
	Now      bool       `json:"now"`     // it can be picked today
	Counted  bool       `json:"counted"` // it may be counted in pieces
}

// soon is how many days before its first picking a planting is shown: what is early is picked
// earlier than it was reckoned.
const soon = 21

// Pickings lists what is likely to come in on a day: what can be picked, the plantings that are
// over first at the top, then what will be ready soon, and what should be over already last.
func Pickings(p *plan.Plan, b *book.Book, day civil.Date) []Picking {
	out := []Picking{}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		c := b.Crop(s.Crop)
		if c == nil || !c.Weighed() || s.FirstPick == nil || s.Over || !s.InBed && !s.Stands || *s.FirstPick > day+soon {
			continue
		}
		out = append(out, pickingOf(s, c, day))
	}
	rank := func(x Picking) int {
		switch {
		case x.Now:
			return 0
		case x.First > day:
			return 1
		}
		return 2
	}
	slices.SortStableFunc(out, func(a, b Picking) int {
		return cmp.Or(cmp.Compare(rank(a), rank(b)), cmp.Compare(a.First, b.First), cmp.Compare(a.CropName, b.CropName), cmp.Compare(a.Sowing, b.Sowing))
	})
	return out
}

// pickingOf is a sowing as it is picked on a day.
func pickingOf(s *plan.Sowing, c *book.Crop, day civil.Date) Picking {
	x := Picking{Sowing: s.ID, Food: c.Food, Crop: s.Crop, CropName: s.CropName, First: *s.FirstPick}
	if s.LastPick != nil {
		x.Last = *s.LastPick
	}
	x.Now = x.First <= day && (x.Last == 0 || day <= x.Last)
	_, x.Counted = c.PiecesPerPlant(c.Yield.Value)
	return x
}
