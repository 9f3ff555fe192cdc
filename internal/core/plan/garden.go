package plan

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/work"
	"inventory/internal/core/working"
)

// Work is what the garden asks of its people, week by week of the table year.
type Work struct {
	Hours []float64 `json:"hours"` // each of 52 weeks
	Can   float64   `json:"can"`   // hours a week that there are; 0: not said
	Trays []float64 `json:"trays"` // of the raising shelf, in the fullest days of the week
	Room  float64   `json:"room"`  // trays that it holds; 0: not measured
	Over  []int     `json:"over"`  // weeks with more hours than there are
	Total float64   `json:"total"` // hours in the year
}

// jobOf returns a sowing as the work sees it.
func (c *computation) jobOf(s *Sowing) work.Job {
	crop := c.desk.Book.Crop(s.Crop)
	j := work.Job{
		Crop: crop, Method: s.Method, Date: s.Date, Clear: s.Clear,
		Cells: s.Cells, SetOut: s.SetOut, Stations: s.Stations, Each: s.PerPlace, Plants: s.Plants,
		Drill: s.DrillM, SeedGram: s.SeedGram, Area: s.Area, Gives: s.Likely, Unit: s.Unit, Stock: s.StockUnit,
	}
	for _, d := range []struct {
		from *civil.Date
		to   *civil.Date
	}{{s.HardenOff, &j.Harden}, {s.PlantOut, &j.Out}, {s.UpBy, &j.Up}, {s.FirstPick, &j.First}, {s.LastPick, &j.Last}} {
		if d.from != nil {
			*d.to = *d.from
		}
	}
	j.Kept = slices.ContainsFunc(s.For, func(f Served) bool { return f.Form == string(table.Cellar) })
	if cover := place.Coverings[place.Cover(s.Cover)]; cover.Max > 0 { // off once the days are warm
		for d := int(s.Day - c.start); d < s.ground.to; d++ {
			if c.year.Max[((d+c.start.YearDay())%place.Days+place.Days)%place.Days] > place.OpenAbove {
				j.Uncover = c.start + civil.Date(d)
				break
			}
		}
	}
	return j
}

// garden lists what there is to do for every sowing, and adds the hours and the
// trays up by week.
func (c *computation) garden() {
	w := &c.plan.Work
	rules := c.desk.Rules
	w.Hours, w.Trays, w.Over = make([]float64, season.WeeksPerYear), make([]float64, season.WeeksPerYear), []int{}
	w.Can, w.Room = rules.GardenHours, rules.Trays
	var trays [place.Days]float64
	circle := func(d civil.Date) int { return ((int(d-c.start))%place.Days + place.Days) % place.Days }
	for i := range c.plan.Sowings {
		s := &c.plan.Sowings[i]
		if s.Stands {
			s.Tasks = []work.Task{}
		} else {
			s.Tasks = work.Tasks(c.jobOf(s), rules)
		}
		c.tick(s)
		c.hours(s, w.Hours, circle)
		if s.Method == "raised" && s.PlantOut != nil {
			for d := s.Date; d < *s.PlantOut; d++ {
				trays[circle(d)] += work.Trays(s.Cells, rules)
			}
		}
	}
	for d, n := range trays {
		week := season.WeekOf(d)
		w.Trays[week] = math.Max(w.Trays[week], n)
	}
	for week, h := range w.Hours {
		w.Total += h
		if w.Can > 0 && h > w.Can+0.05 {
			w.Over = append(w.Over, week)
		}
	}
	c.keepBack()
	s := c.desk.Recorder.Open("work", "total", "", "Hours in the garden, in the year")
	s.Do(working.Start, "Nothing to do yet", 0, amount.Hour, working.Reckoned)
	if s.On() {
		for week, h := range w.Hours {
			if h > 0 {
				s.Do(working.Plus, "Week of "+c.plan.Weeks[week].Short(), h, amount.Hour, working.Reckoned)
			}
		}
	}
	s.Is("Together", amount.Hour).Close(amount.Hour)
}

// hours adds a sowing's hours to the weeks they fall in: its tasks, and weeding
// while it stands.
func (c *computation) hours(s *Sowing, hours []float64, circle func(civil.Date) int) {
	for _, t := range s.Tasks {
		if t.Until <= t.Day {
			hours[season.WeekOf(circle(t.Day))] += t.Minutes / 60
			continue
		}
		n := float64(t.Until - t.Day + 1)
		for d := t.Day; d <= t.Until; d++ {
			hours[season.WeekOf(circle(d))] += t.Minutes / 60 / n
		}
	}
	if s.Method == "tray" {
		return
	}
	daily := s.Area * c.desk.Rules.MinutesWeed / 60 / 7
	for d := s.ground.from; d < min(s.ground.to, s.ground.from+place.Days); d++ {
		hours[season.WeekOf(((d%place.Days)+place.Days)%place.Days)] += daily
	}
}

// tick marks the tasks of a sowing that have been done.
func (c *computation) tick(s *Sowing) {
	if s.hand == nil {
		return
	}
	p := s.hand.Planting
	for i := range s.Tasks {
		t := &s.Tasks[i]
		seen := func(day *civil.Date) {
			if day != nil {
				t.Done = *day
			}
		}
		switch t.What {
		case work.Sow:
			seen(p.Sown)
		case work.PlantOut:
			if p.Out == nil && s.Method != "raised" {
				seen(p.Sown)
			}
			seen(p.Out)
		case work.UpBy:
			seen(p.Up)
		case work.Clear:
			seen(p.Ended)
		}
		for _, d := range p.Done {
			if d.What == t.What {
				t.Done, t.Got = d.Day, d.Count
			}
		}
	}
	for i := len(s.Tasks) - 1; i >= 0; i-- { // what was left undone before the last thing done is past
		if t := &s.Tasks[i]; t.Done != 0 {
			for k := range s.Tasks[:i] {
				s.Tasks[k].Moot = s.Tasks[k].Done == 0 && s.Tasks[k].Day <= t.Day
			}
			break
		}
	}
	if s.Over {
		for k := range s.Tasks {
			s.Tasks[k].Moot = s.Tasks[k].Done == 0 && s.Tasks[k].What != work.Clear
		}
	}
}

// keepBack says at each sowing from a packet how much seed the later ones want.
func (c *computation) keepBack() {
	later := map[string]float64{}
	for i := len(c.plan.Sowings) - 1; i >= 0; i-- {
		s := &c.plan.Sowings[i]
		if s.SeedGram <= 0 || s.Method == "bought" {
			continue
		}
		s.KeepBack = later[s.Crop]
		if !s.Begun {
			later[s.Crop] += s.SeedGram
		}
	}
}

// apartDays is how many days two kinds of corn must flower apart, and afterSilk
// how long before the harvest they flower: eaten green, and ripened dry.
const apartDays = 14

func flowers(s *season.Season, st season.Start) int {
	if s.Crop.HoldDays > 20 || s.Crop.Store != "none" { // ripened on the stalk
		return st.Ready - 55
	}
	return st.Ready - 20
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
		if r.hand != nil || r.key.fresh || clear(r, now) {
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
		for _, b := range corn {
			if a.s.Crop == b.s.Crop || gap(a.day, b.day) >= apartDays {
				continue
			}
			a.s.Crosses = fmt.Sprintf("in flower within %d days of the %s of %s, whose pollen spoils the ears", gap(a.day, b.day), lower(b.s.CropName), b.s.Date.Short())
			if day, ok := c.avoids(a.s, b.day); ok {
				a.s.Crosses += fmt.Sprintf("; begun on %s it would flower two weeks apart", day.Short())
			} else {
				a.s.Crosses += "; no day of its season keeps them apart: grow one of them, or far from each other"
			}
			break
		}
	}
}

// avoids returns the day nearest to a sowing's own on which it flowers apart
// from another.
func (c *computation) avoids(s *Sowing, other int) (civil.Date, bool) {
	found, ok := civil.Date(0), false
	for _, st := range s.season.Starts {
		day := c.start + dateOf(st.Sow)
		if gap(flowers(s.season, st), other) >= apartDays && (!ok || max(day-s.Date, s.Date-day) < max(found-s.Date, s.Date-found)) {
			found, ok = day, true
		}
	}
	return found, ok
}

func lower(name string) string {
	if name == "" {
		return name
	}
	b := []byte(name)
	if b[0] >= 'A' && b[0] <= 'Z' {
		b[0] += 'a' - 'A'
	}
	return string(b)
}
