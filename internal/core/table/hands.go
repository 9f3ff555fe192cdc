package table

import (
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Hand is a planting of this table year with what follows from it.
type RecordedSowing struct {
	*record.Planting
	Air   place.Air    // over it: its own cover, else that of the bed it was put in; how much warmer it is there
	Start season.Start // counted from the start of the table year
	Why   say.Note     // why it may not be started then; empty where it may

	Presumed bool // nobody recorded it: it is overdue, and counts as put down on its day
}

// serves reports whether a planting is for a use of a wish. One whose wishes are
// gone serves whatever wants its crop in the same form.
func (rs *Resolver) serves(h *RecordedSowing, id string, f wish.Form, part bool) bool {
	known := false
	for _, p := range h.For {
		if p.Wish == id && p.Form == f && p.Part == part {
			return true
		}
		known = known || slices.ContainsFunc(rs.Household.Wishes, func(w wish.Wish) bool { return w.ID == p.Wish && slices.Contains(w.Forms, p.Form) })
	}
	if known || part {
		return false
	}
	return len(h.For) == 0 && f == wish.Fresh || slices.ContainsFunc(h.For, func(p record.Purpose) bool { return p.Form == f && !p.Part })
}

// ByHand returns the plantings of this year for a use of a wish.
func (rs *Resolver) RecordedFor(c *book.Crop, cover place.Cover, id string, f wish.Form, part bool) (out []*RecordedSowing) {
	for _, h := range rs.Recorded[c.ID] {
		if h.Cover == cover && rs.serves(h, id, f, part) {
			out = append(out, h)
		}
	}
	return out
}

// agreedStarts returns which starts of a season are on the agreed days.
func baselineStarts(a record.BaselineDays, c *book.Crop, cover place.Cover, fresh bool, s *season.Season) (out []int) {
	for _, day := range a.Days(c.ID, cover, fresh) {
		for i, st := range s.Starts {
			if distance(st.Day, day) == 0 {
				out = append(out, i)
				break
			}
		}
	}
	return out
}
