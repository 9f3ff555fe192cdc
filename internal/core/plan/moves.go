package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Move is one difference between two plans' sowings.
type Move struct {
	What     string     `json:"what"` // moved, sized, added, dropped
	Sowing   string     `json:"sowing"`
	CropName string     `json:"crop_name"`
	From     civil.Date `json:"from,omitzero"` // the first thing to do, before
	To       civil.Date `json:"to,omitzero"`   // and after
	Was      int        `json:"was"`           // plants before
	Is       int        `json:"is"`            // and after
}

// Agreement returns what is kept of a plan when a household agrees to it.
func (p *Plan) Baseline() record.Baseline {
	a := record.Baseline{On: p.AsOf, Sowings: []record.BaselineSowing{}, Fed: p.Tally.WeeksFed, Wanted: p.Tally.WeeksWanted, Plants: p.Tally.Plants, Area: p.Tally.Area, Jars: p.Tally.Jars}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if s.Method == season.Patch {
			continue
		}
		fresh := slices.ContainsFunc(s.For, func(f Served) bool { return f.Form == string(wish.Fresh) })
		a.Sowings = append(a.Sowings, baselineSowing(s, fresh))
		if fresh && slices.ContainsFunc(s.For, func(f Served) bool { return f.Form != string(wish.Fresh) }) {
			a.Sowings = append(a.Sowings, baselineSowing(s, false)) // the same sowing, timed as a lot that is kept
		}
	}
	return a
}

func baselineSowing(s *Sowing, fresh bool) record.BaselineSowing {
	return record.BaselineSowing{ID: s.ID, Crop: s.Crop, CropName: s.CropName, Cover: place.Cover(s.Cover), Fresh: fresh, Date: s.Date, Day: s.Day, Plants: s.Plants, Area: s.Area, Likely: s.Likely}
}

// Moves lists what differs between the sowings of two plans, in the order of
// their dates. Sowings of one crop are matched by their days, whatever they are
// called.
func Moves(before, after []record.BaselineSowing) (out []Move) {
	type kind struct {
		crop  string
		cover string
	}
	type side struct{ was, is []record.BaselineSowing }
	kinds := map[kind]*side{}
	var order []kind
	put := func(all []record.BaselineSowing, into func(*side) *[]record.BaselineSowing) {
		seen := map[string]bool{}
		for _, s := range all {
			if seen[s.ID] {
				continue
			}
			seen[s.ID] = true
			k := kind{s.Crop, string(s.Cover)}
			if kinds[k] == nil {
				kinds[k] = &side{}
				order = append(order, k)
			}
			list := into(kinds[k])
			*list = append(*list, s)
		}
	}
	put(before, func(s *side) *[]record.BaselineSowing { return &s.was })
	put(after, func(s *side) *[]record.BaselineSowing { return &s.is })
	for _, k := range order {
		out = append(out, moved(kinds[k].was, kinds[k].is)...)
	}
	slices.SortStableFunc(out, func(a, b Move) int {
		return cmp.Or(cmp.Compare(a.when(), b.when()), cmp.Compare(a.CropName, b.CropName))
	})
	if out == nil {
		out = []Move{}
	}
	return out
}

func (m Move) when() civil.Date {
	if m.To != 0 {
		return m.To
	}
	return m.From
}

// near is how many days apart two sowings may be and still be one that moved.
const near = 60

// moved matches the sowings of one crop, those on the same day first and then
// the nearest ones.
func moved(was, is []record.BaselineSowing) (out []Move) {
	matched := make([]bool, len(is))
	left := []record.BaselineSowing{}
	pair := func(a, b record.BaselineSowing) {
		m := Move{Sowing: b.ID, CropName: b.CropName, From: a.Date, To: b.Date, Was: a.Plants, Is: b.Plants}
		switch {
		case a.Date != b.Date:
			m.What = "moved"
		case a.Plants != b.Plants:
			m.What = "sized"
		default:
			return
		}
		out = append(out, m)
	}
	for _, a := range was {
		k := slices.IndexFunc(is, func(b record.BaselineSowing) bool { return b.Date == a.Date })
		if k < 0 || matched[k] {
			left = append(left, a)
			continue
		}
		matched[k] = true
		pair(a, is[k])
	}
	for _, a := range left {
		best := -1
		for k, b := range is {
			if !matched[k] && away(a, b) <= near && (best < 0 || away(a, b) < away(a, is[best])) {
				best = k
			}
		}
		if best < 0 {
			out = append(out, Move{What: "dropped", Sowing: a.ID, CropName: a.CropName, From: a.Date, Was: a.Plants})
			continue
		}
		matched[best] = true
		pair(a, is[best])
	}
	for k, b := range is {
		if !matched[k] {
			out = append(out, Move{What: "added", Sowing: b.ID, CropName: b.CropName, To: b.Date, Is: b.Plants})
		}
	}
	return out
}

func away(a, b record.BaselineSowing) civil.Date { return max(a.Date-b.Date, b.Date-a.Date) }

// changedFrom lists what differs from the plan that the household keeps, where it keeps one
// of this year.
func changedFrom(h household.Household, p *Plan) []Move {
	if h.Baseline == nil || h.Baseline.Year != h.Year {
		return []Move{}
	}
	return Moves(h.Baseline.Sowings, p.Baseline().Sowings)
}
