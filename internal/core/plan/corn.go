package plan

import (
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/season"
)

// apartDays is how many days two kinds of corn must flower apart, and green and
// ripe how long before the harvest they flower: eaten green, and ripened on the
// stalk. The book has no flowering dates; these are usual for garden maize.
const apartDays, greenDays, ripeDays = 14, 20, 55

// flowers returns the day on which a start of corn flowers.
func flowers(s *season.Season, st season.Start) int {
	if s.Crop.HoldDays > 20 || s.Crop.Store != "none" { // ripened on the stalk
		return st.Ready - ripeDays
	}
	return st.Ready - greenDays
}

// keepApart moves the lots of one kind of corn to a day on which it flowers
// apart from the other kinds, where its season has one.
func (c *computation) keepApart(rows []*row) {
	var corn []*row
	for _, r := range rows {
		if r.crop.WindPollinatedCorn() && r.uses[0].a.form != "" {
			corn = append(corn, r)
		}
	}
	clear := func(r *row, st season.Start) bool {
		for _, o := range corn {
			if o.crop.ID == r.crop.ID {
				continue
			}
			d := flowers(r.uses[0].a.use.Season, st) - flowers(o.uses[0].a.use.Season, o.uses[0].s.Start)
			if max(d, -d) < apartDays {
				return false
			}
		}
		return true
	}
	for _, r := range corn {
		now := r.uses[0].s.Start
		if r.hand != nil || r.key.fresh || c.in.Household.MayCross(r.crop.ID) || clear(r, now) {
			continue
		}
		s := r.uses[0].a.use.Season
		best := -1
		for i, st := range s.Starts {
			if s.Feeds[i] == 0 && r.key.fresh || !clear(r, st) {
				continue
			}
			if best < 0 || gap(st.Day, now.Day) < gap(s.Starts[best].Day, now.Day) {
				best = i
			}
		}
		if best < 0 {
			continue
		}
		for k := range r.uses {
			r.uses[k].s.Start = s.Starts[best]
			r.uses[k].s.Share = s.Share(s.Starts[best], s.Starts[best].Ready, s.Starts[best].End)
		}
		r.merged = fmt.Sprintf("begun on %s and not on %s, so that it does not flower with another kind of corn", (c.start + dateOf(s.Starts[best].Sow)).Short(), (c.start + dateOf(now.Sow)).Short())
	}
}

// gap is how far apart two days are.
func gap(a, b int) int { return max(a-b, b-a) }

// crossing says which sowings of corn flower together with another kind, and
// which day would avoid it.
func (c *computation) crossing() {
	type flowering struct {
		s   *Sowing
		day int
	}
	var corn []flowering
	for i := range c.plan.Sowings {
		s := &c.plan.Sowings[i]
		crop := c.desk.Book.Crop(s.Crop)
		if crop.WindPollinatedCorn() && s.season != nil && s.FirstPick != nil {
			corn = append(corn, flowering{s, flowers(s.season, season.Start{Ready: int(*s.FirstPick - c.start)})})
		}
	}
	for _, a := range corn {
		if c.in.Household.MayCross(a.s.Crop) {
			continue
		}
		var others []int
		for _, b := range corn {
			if a.s.Crop != b.s.Crop {
				others = append(others, b.day)
			}
		}
		for _, b := range corn {
			if a.s.Crop == b.s.Crop || gap(a.day, b.day) >= apartDays {
				continue
			}
			a.s.Crosses = fmt.Sprintf("in flower within %d days of the %s of %s, whose pollen spoils the ears", gap(a.day, b.day), lower(b.s.CropName), b.s.Date.Short())
			if day, ok := c.avoids(a.s, others); ok {
				a.s.Crosses += fmt.Sprintf("; begun on %s it would flower two weeks apart", day.Short())
			} else {
				a.s.Crosses += "; no day of its season keeps them apart: grow one of them, or far from each other"
			}
			break
		}
	}
}

// avoids returns the day nearest to a sowing's own on which it flowers apart
// from every sowing of another kind.
func (c *computation) avoids(s *Sowing, others []int) (civil.Date, bool) {
	found, ok := civil.Date(0), false
	for _, st := range s.season.Starts {
		day := c.start + dateOf(st.Sow)
		near := func(other int) bool { return gap(flowers(s.season, st), other) < apartDays }
		if !slices.ContainsFunc(others, near) && (!ok || max(day-s.Date, s.Date-day) < max(found-s.Date, s.Date-found)) {
			found, ok = day, true
		}
	}
	return found, ok
}

// lower writes a name as it stands within a sentence.
func lower(name string) string {
	if name == "" {
		return ""
	}
	return strings.ToLower(name[:1]) + name[1:]
}
