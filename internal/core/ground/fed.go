package ground

import (
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// Fed is what of a plan has ground: what the plan itself reckons as if there were room for
// all. Weeks are counted wish by wish.
type Fed struct {
	WeeksFed int       `json:"weeks_fed"`
	Jars     int       `json:"jars"`
	Sowings  int       `json:"sowings"` // that have no ground, or not for all of it
	Wishes   []WishFed `json:"wishes"`  // those that lose something by it
}

// WishFed is what of a wish has ground.
type WishFed struct {
	Wish     string `json:"wish"`
	WeeksFed int    `json:"weeks_fed"`
	Jars     int    `json:"jars"`
	Without  []int  `json:"without"` // weeks of the table year that the plan feeds and the ground does not
}

// FedBy counts what of a plan a layout has ground for; nil where there is no bed yet.
//
// A sowing of which a share lies feeds that share of its weeks in full, the first ones: to
// feed them all by halves would be no food for any. A lot that is kept is eaten from the week
// of its storing on until it is gone; a preparation is put up as far as the scarcest of its
// crops goes. What is left on the shelf needs no ground.
func FedBy(p plan.Plan, l Layout) *Fed {
	if l.Owned == 0 {
		return nil
	}
	c := counting{plan: &p, share: map[string]float64{}, by: map[string][]part{}}
	for _, q := range l.Unplaced {
		c.share[q.Planting] = float64(q.Laid) / float64(max(1, q.Laid+q.Planted))
	}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		for _, f := range s.For {
			c.by[f.Wish] = append(c.by[f.Wish], part{s, f})
		}
	}
	out := &Fed{Sowings: len(l.Unplaced), Wishes: []WishFed{}}
	for i := range p.Wishes {
		w := &p.Wishes[i]
		fed := c.wish(w)
		out.WeeksFed += fed.WeeksFed
		out.Jars += fed.Jars
		if fed.WeeksFed < w.WeeksFed || fed.Jars < w.ToFill {
			out.Wishes = append(out.Wishes, fed)
		}
	}
	return out
}

// part is what a sowing gives to a wish.
type part struct {
	s *plan.Sowing
	f plan.Served
}

// counting is what the count reads.
type counting struct {
	plan  *plan.Plan
	share map[string]float64 // of sowings that have not all their ground, 0 to 1
	by    map[string][]part  // of each wish
}

// laid returns how much of a sowing has ground, 0 to 1.
func (c *counting) laid(s *plan.Sowing) float64 {
	if share, short := c.share[s.ID]; short {
		return share
	}
	return 1
}

// wish counts what of a wish has ground.
func (c *counting) wish(w *plan.Wish) WishFed {
	out := WishFed{Wish: w.ID, Without: []int{}, Jars: w.ToFill}
	lack := map[int]bool{}
	for k := range w.Uses {
		u := &w.Uses[k]
		if u.Part || u.Form == "" {
			continue
		}
		weeks := c.weeks(w, wish.Form(u.Form))
		if wish.Form(u.Form) == wish.Fresh {
			c.fresh(w, weeks, lack)
			continue
		}
		share := c.kept(w, u)
		if wish.Form(u.Form).PutUp() {
			out.Jars = min(out.Jars, amount.FloorWhole(share*float64(w.ToFill)))
		}
		weeks = season.InOrder(weeks, c.week(u.Kept))
		share = u.LeftShare + (1-u.LeftShare)*share
		for _, week := range weeks[amount.FloorWhole(share*float64(len(weeks))):] {
			lack[week] = true
		}
	}
	for week := range season.WeeksPerYear {
		if lack[week] {
			out.Without = append(out.Without, week)
		}
	}
	out.WeeksFed = w.WeeksFed - len(out.Without)
	return out
}

// weeks returns the wanted weeks of a wish that a form feeds.
func (c *counting) weeks(w *plan.Wish, form wish.Form) (out []int) {
	for week, source := range w.Source {
		if source == form && w.Wanted[week] > 0 {
			out = append(out, week)
		}
	}
	return out
}

// fresh marks the weeks that lack the ground of the sowings that were to feed them. Weeks
// that no sowing claims (of a yearly amount, or picked from what stands) go by all of them.
func (c *counting) fresh(w *plan.Wish, weeks []int, lack map[int]bool) {
	fed, claimed := map[int]bool{}, map[int]bool{}
	var need, has float64
	for _, p := range c.by[w.ID] {
		if wish.Form(p.f.Form) != wish.Fresh || p.f.Part {
			continue
		}
		share := c.laid(p.s)
		need, has = need+p.f.Need, has+share*p.f.Need
		var run []int
		for _, week := range weeks {
			if slices.Contains(p.s.Feeds, week) {
				run = append(run, week)
				claimed[week] = true
			}
		}
		run = season.InOrder(run, c.week(p.s.FirstPick))
		for _, week := range run[:amount.FloorWhole(share*float64(len(run)))] {
			fed[week] = true
		}
	}
	var rest []int
	for _, week := range weeks {
		switch {
		case !claimed[week]:
			rest = append(rest, week)
		case !fed[week]:
			lack[week] = true
		}
	}
	if need > 0 {
		for _, week := range rest[amount.FloorWhole(has/need*float64(len(rest))):] {
			lack[week] = true
		}
	}
}

// week returns the week of a day; 0 where there is none.
func (c *counting) week(day *civil.Date) int {
	if day == nil {
		return 0
	}
	return season.WeekOf(int(*day - c.plan.Weeks[0]))
}

// kept returns how much of what is kept in a form has ground, 0 to 1: of a preparation as far
// as the scarcest of its crops goes.
func (c *counting) kept(w *plan.Wish, u *plan.Use) float64 {
	type sum struct{ need, has float64 }
	of := map[string]sum{} // by crop; the other crops of a preparation are apart
	for _, p := range c.by[w.ID] {
		if p.f.Form != u.Form {
			continue
		}
		key := p.s.Crop
		if !p.f.Part {
			key = ""
		}
		x := of[key]
		x.need += p.f.Need
		x.has += c.laid(p.s) * p.f.Need
		of[key] = x
	}
	share := 1.0
	for _, x := range of {
		if x.need > 0 {
			share = min(share, x.has/x.need)
		}
	}
	return share
}

// Explains reports whether a working is one that Fed.Explain goes on with.
func Explains(figure string) bool {
	return figure == "tally/weeks_fed" || figure == "tally/jars" || strings.HasPrefix(figure, "wish/") && strings.HasSuffix(figure, "/fed")
}

// Explain goes on with the plan's working of the weeks fed or the jars, of all wishes or of
// one: it takes off what has no ground. Other workings stay as they are.
func (f *Fed) Explain(p plan.Plan, w *working.Working) {
	if f == nil {
		return
	}
	sheet := working.Resume(w)
	changed := false
	less := func(name string, n int, unit amount.Unit) {
		if n > 0 {
			sheet.Do(working.Minus, name, float64(n), unit, working.Reckoned)
			changed = true
		}
	}
	for _, of := range f.Wishes {
		i := slices.IndexFunc(p.Wishes, func(x plan.Wish) bool { return x.ID == of.Wish })
		if i < 0 {
			continue
		}
		mine := &p.Wishes[i]
		switch w.Figure {
		case "tally/weeks_fed":
			less(mine.Title+": no room for it", mine.WeeksFed-of.WeeksFed, amount.Week)
		case "tally/jars":
			less(mine.Title+": no room for it", mine.ToFill-of.Jars, amount.Jar)
		case "wish/" + of.Wish + "/fed":
			less("No room for it", mine.WeeksFed-of.WeeksFed, amount.Week)
		}
	}
	if changed {
		sheet.Is("What has room", w.Unit).Close(w.Unit)
	}
}
