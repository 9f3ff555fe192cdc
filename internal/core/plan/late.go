package plan

import (
	"cmp"
	"maps"
	"slices"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// Over is a crop of a wish that can be begun no more for this year.
type Over struct {
	Wish     string     `json:"wish"`
	Title    string     `json:"title"`
	CropName string     `json:"crop_name"`
	Last     civil.Date `json:"last"`  // on which it could be begun
	Again    civil.Date `json:"again"` // from which it can be, for the year that follows
	Gaps     int        `json:"gaps"`  // weeks of the wish that nothing feeds
}

// overOf lists what can be begun no more, as the wishes say it.
func overOf(wishes []Wish) (out []Over) {
	for i := range wishes {
		w := &wishes[i]
		for _, n := range w.Notes {
			if told, ok := n.Fact.(say.NoMoreThisYear); ok {
				out = append(out, Over{w.ID, w.Title, told.Crop, told.Last, told.Again, gapsOf(w)})
			}
		}
	}
	return out
}

// staggered is the first half of a plan: from the wishes to sowings that are not yet sized.
type staggered struct {
	weeks weeks
	asked asked
	next  succession
	rows  []*row
}

// staggeredOf gives the wishes' weeks their sources and staggers the sowings that feed them.
func staggeredOf(b *basis, past recorded) staggered {
	w := sourcesOfWeeks(b, past)                   // 3, 5: which form feeds which week
	asked := demandsOf(b, w)                       // 3, 7: what that asks of the garden
	next := successions(b, past, w, asked.demands) // 6: staggered sowings
	return staggered{w, asked, next, merged(b, w, floweringApart(b, next.rows))}
}

// Missed is a sowing of the plan that is overdue for so long that it counts no more.
type Missed struct {
	ID       string     `json:"id"`
	Crop     string     `json:"crop"`
	CropName string     `json:"crop_name"`
	Date     civil.Date `json:"date"` // the first thing that was to do
	For      []string   `json:"for"`  // titles of the wishes that it was to serve
	Weeks    int        `json:"weeks"`
}

// missed are the sowings that count no more, and the weeks as they would be with them.
type missed struct {
	list  []Missed
	rows  []*row
	b     *basis
	whole weeks
}

// inTime holds a plan to the day it is. It is first made as if nothing were past. What of it
// is overdue and not recorded counts as put down on its day for some days, and then no more.
// The rest is reckoned anew with what can still be begun. A plan of which nothing is overdue
// stays as it is.
func inTime(b *basis, past recorded) (*basis, recorded, staggered, missed) {
	quiet := *b // what is only tried is not recorded
	quiet.desk = b.trying
	first := staggeredOf(&quiet, past)
	now := b.dayOf(b.in.AsOf)
	var late []*row
	for _, r := range first.rows {
		if overdue(r, now) {
			late = append(late, r)
		}
	}
	gone := missed{list: []Missed{}, b: b}
	if len(late) == 0 || b.anyDay {
		if b.desk.Recorder != nil {
			first = staggeredOf(b, past)
		}
		return b, past, first, gone
	}
	then := *b
	then.today, then.before, then.named = true, map[string]*table.Resolved{}, map[namedAt]string{}
	for _, r := range first.weeks.wishes {
		then.before[r.Wish.ID] = r
	}
	for _, r := range first.rows {
		if r.hand == nil && !slices.Contains(late, r) {
			then.named[at(r.id[:strings.LastIndex(r.id, "-")+1], r.uses[0].s.Start)] = r.id
		}
	}
	left := gone.sortOut(past, first, late)
	gone.whole = first.weeks.withoutUnfed(first.next.unfed)
	gone.list = gone.told(first.weeks)
	return &then, left, staggeredOf(&then, left), gone
}

// sortOut returns the recorded sowings with those that are overdue and count as put down, and
// without recorded ones that count no more; it keeps what is missed. The names of all sowings
// are taken.
func (m *missed) sortOut(past recorded, first staggered, late []*row) recorded {
	b := m.b
	left := recorded{byCrop: maps.Clone(past.byCrop), taken: maps.Clone(past.taken), leftover: past.leftover}
	for _, r := range first.rows {
		left.taken[r.id] = true
	}
	for _, r := range late {
		day := r.uses[0].s.Start.Sow
		switch counts := day >= b.dayOf(b.in.AsOf)-int(b.desk.Rules.OverdueDays); {
		case b.date(day) < b.in.Household.Since && r.hand == nil: // the household had no plan then
		case !counts:
			m.rows = append(m.rows, r)
			if r.hand != nil {
				left.byCrop[r.crop.ID] = slices.DeleteFunc(slices.Clone(left.byCrop[r.crop.ID]), func(h *table.RecordedSowing) bool { return h == r.hand })
			}
		case r.hand == nil:
			left.byCrop[r.crop.ID] = append(slices.Clip(left.byCrop[r.crop.ID]), b.presumed(first.weeks, r))
		}
	}
	return left
}

// overdue reports whether the day of a sowing is past and nobody recorded that it was begun
// or given up. A row that is risked early counts for nothing, and a perennial moves to the
// next spring.
func overdue(r *row, now int) bool {
	return r.uses[0].s.Start.Sow < now && !r.early && !r.crop.Perennial() && (r.hand == nil || !r.hand.Begun() && !r.hand.Lost)
}

// presumed returns a sowing of the plan as if it had been put down on its day.
func (b *basis) presumed(w weeks, r *row) *table.RecordedSowing {
	st := r.uses[0].s.Start
	planned := b.date(st.Sow)
	_, method := season.MethodOf(r.crop, st)
	p := &record.Planting{ID: r.id, Crop: r.crop.ID, Cover: r.key.cover, Method: method, Day: b.date(st.Day), Planned: &planned}
	for _, u := range r.uses {
		to := record.Purpose{Wish: w.wishes[u.d.wish].Wish.ID, Form: u.d.form, Part: u.d.part}
		if !slices.Contains(p.For, to) {
			p.For = append(p.For, to)
		}
	}
	return &table.RecordedSowing{Planting: p, Air: place.Air{Cover: r.key.cover}, Start: st, Presumed: true}
}

// told lists the missed sowings by date.
func (m missed) told(w weeks) []Missed {
	out := make([]Missed, 0, len(m.rows))
	for _, r := range m.rows {
		x := Missed{ID: r.id, Crop: r.crop.ID, CropName: r.crop.Short(), Date: m.b.date(r.uses[0].s.Start.Sow), For: []string{}}
		var run season.Weeks
		for _, u := range r.uses {
			if title := w.titles[u.d.wish]; !slices.Contains(x.For, title) {
				x.For = append(x.For, title)
			}
			run |= u.s.Run
		}
		x.Weeks = run.Count()
		out = append(out, x)
	}
	slices.SortStableFunc(out, func(a, b Missed) int { return cmp.Or(cmp.Compare(a.Date, b.Date), cmp.Compare(a.ID, b.ID)) })
	return out
}

// notes says of each wish which of its sowings count no more, and how many weeks are gaps
// by that.
func (m missed) notes(now weeks) (said notes) {
	for i, r := range now.wishes {
		x := say.NotPutDown{}
		for _, row := range m.rows {
			if !slices.ContainsFunc(row.uses, func(u rowUse) bool { return u.d.wish == i }) {
				continue
			}
			day := m.b.date(row.uses[0].s.Start.Sow)
			if x.Sowings++; x.Sowings == 1 {
				x.First, x.Last = day, day
			}
			x.First, x.Last = min(x.First, day), max(x.Last, day)
		}
		if x.Sowings == 0 {
			continue
		}
		for week, was := range m.whole.wishes[i].Source {
			if r.Source[week] == wish.Gap && was != wish.Gap && was != "" {
				x.Weeks++
			}
		}
		said.add(i, x)
	}
	return said
}

// asIfInTime computes the plan as if nothing were past, in which missed sowings are found.
func (c *computed) asIfInTime() (*computed, error) {
	if c.inTime == nil {
		b, err := basisOf(c.in, nil)
		if err != nil {
			return nil, err
		}
		b.anyDay = true
		c.inTime = computedOf(b)
	}
	return c.inTime, nil
}
