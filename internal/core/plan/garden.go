package plan

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
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

// workOf lists what there is to do for every sowing, in their order, and adds the hours and
// the trays up by week.
func workOf(b *basis, all []*sown) (w Work, tasks [][]work.Task) {
	rules := b.desk.Rules
	w = Work{Hours: make([]float64, season.WeeksPerYear), Trays: make([]float64, season.WeeksPerYear), Over: []int{}, Can: rules.GardenHours, Room: rules.Trays}
	var trays [place.Days]float64
	circle := func(d civil.Date) int { return (b.dayOf(d)%place.Days + place.Days) % place.Days }
	for _, s := range all {
		todo := []work.Task{}
		if !s.Stands {
			todo = work.Tasks(b.jobOf(s), rules)
		}
		todo = ticked(s, todo, b.in.AsOf)
		tasks = append(tasks, todo)
		b.hours(s, todo, func(week int, _ string, hours float64) { w.Hours[week] += hours })
		if s.Method == season.Indoors && s.PlantOut != nil {
			for d := s.Date; d < *s.PlantOut; d++ {
				trays[circle(d)] += work.Trays(s.Cells, rules)
			}
		}
	}
	b.choreHours(func(week int, _ string, hours float64) { w.Hours[week] += hours })
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
	s := b.desk.Recorder.Open("work", "total", "", "Hours in the garden, in the year")
	s.Do(working.Start, "Nothing to do yet", 0, amount.Hour, working.Reckoned)
	if s.On() {
		for week, h := range w.Hours {
			if h > 0 {
				s.Do(working.Plus, "Week of "+b.weekStart(week).Short(), h, amount.Hour, working.Reckoned)
			}
		}
	}
	s.Is("Together", amount.Hour).Close(amount.Hour)
	return w, tasks
}

// jobOf returns a sowing as the work sees it.
func (b *basis) jobOf(s *sown) work.Job {
	crop := b.desk.Book.Crop(s.Crop)
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
	j.Steps = b.in.Household.CareOf(s.Crop)
	j.Kept = slices.ContainsFunc(s.For, func(f Served) bool { return f.Form == string(wish.Cellar) })
	if s.Cover != "" && s.Method != season.Tray {
		j.Cover, j.Covers = coverNames[place.Cover(s.Cover).Kind()], b.covered(s)
		switch place.Cover(s.Cover).Kind() {
		case place.Fleece, place.Net, place.Shade:
			j.Hoops = int(math.Ceil(s.BedLength/hoopsApart-1e-9)) + 1
		}
	}
	return j
}

// hours tells the hours of a sowing with the weeks they fall in: those of its tasks, and weeding
// while it has its ground.
func (b *basis) hours(s *sown, tasks []work.Task, add func(week int, do string, hours float64)) {
	circle := func(d civil.Date) int { return (b.dayOf(d)%place.Days + place.Days) % place.Days }
	for _, t := range tasks {
		if t.Until <= t.Day {
			add(season.WeekOf(circle(t.Day)), t.Do, t.Minutes/60)
			continue
		}
		n := float64(t.Until - t.Day + 1)
		for d := t.Day; d <= t.Until; d++ {
			add(season.WeekOf(circle(d)), t.Do, t.Minutes/60/n)
		}
	}
	if s.Method == season.Tray {
		return
	}
	daily := s.Area * b.desk.Rules.MinutesWeed / 60 / 7
	day := ((s.ground.from % place.Days) + place.Days) % place.Days
	for left := min(s.ground.to-s.ground.from, place.Days); left > 0; {
		w, next := season.WeekOf(day), place.Days
		if w < season.WeeksPerYear-1 {
			next = 7 * (w + 1)
		}
		days := min(left, next-day)
		add(w, weeding, daily*float64(days))
		left, day = left-days, next%place.Days
	}
}

// choreHours tells the hours of the household's own jobs with the weeks of the table year that
// they fall in.
func (b *basis) choreHours(add func(week int, do string, hours float64)) {
	from := b.weekStart(0)
	for _, d := range work.Chores(b.in.Household.Chores, from, from+place.Days-1, b.in.AsOf) {
		if d.Day >= from {
			add(season.WeekOf(int(d.Day-from)), d.Name, d.Minutes/60)
		}
	}
}

// How far back and ahead of today the household's own jobs are listed, days.
const (
	choresBack  = 14
	choresAhead = 400
)

// choresOf lists the household's own jobs around today.
func (b *basis) choresOf() []work.Due {
	return work.Chores(b.in.Household.Chores, b.in.AsOf-choresBack, b.in.AsOf+choresAhead, b.in.AsOf)
}

// weeding is what all that has ground asks for; it is no task of a day.
const weeding = "Weed and look after"

// GardenHours is what a kind of work in the garden takes in one week.
type GardenHours struct {
	Do    string  `json:"do"`
	Hours float64 `json:"hours"`
}

// gardenIn says what the hours of a week are for, the most first.
func (c *computed) gardenIn(week int) []GardenHours {
	out := []GardenHours{}
	add := func(w int, do string, hours float64) {
		if w != week || hours <= 0 {
			return
		}
		i := slices.IndexFunc(out, func(g GardenHours) bool { return g.Do == do })
		if i < 0 {
			out, i = append(out, GardenHours{Do: do}), len(out)
		}
		out[i].Hours += hours
	}
	for _, s := range c.sown {
		var todo []work.Task
		if !s.Stands {
			todo = work.Tasks(c.jobOf(s), c.desk.Rules)
		}
		c.hours(s, todo, add)
	}
	c.choreHours(add)
	slices.SortStableFunc(out, func(a, b GardenHours) int { return cmp.Compare(b.Hours, a.Hours) })
	return out
}

// ticked marks the tasks of a sowing that have been done, and those that lie before the
// last one done.
//
// One function, since each task is one case.
func ticked(s *sown, tasks []work.Task, today civil.Date) []work.Task {
	for i := range tasks {
		tasks[i].State = tasks[i].StateOn(today, i == 0, s.Begun, s.Late)
	}
	if s.hand == nil {
		leftUndone(tasks, today)
		return tasks
	}
	p := s.hand.Planting
	for i := range tasks {
		t := &tasks[i]
		seen := func(day *civil.Date) {
			if day != nil {
				t.Done = *day
			}
		}
		switch t.What {
		case work.Sow:
			seen(p.Sown)
		case work.PlantOut:
			if p.Out == nil && s.Method != season.Indoors {
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
		t.State = t.StateOn(today, i == 0, s.Begun, s.Late)
	}
	leftUndone(tasks, today)
	if s.Over {
		for k := range tasks {
			if tasks[k].Done == 0 && tasks[k].What != work.Clear {
				tasks[k].State = work.Skipped
			}
		}
	}
	return tasks
}

// leftUndone marks what will not be done any more: what was left undone before the last
// thing done, and each time of a step of care whose next time is due. Care that was done says
// nothing of the rest.
func leftUndone(tasks []work.Task, today civil.Date) {
	last, started := -1, -1
	for i, t := range tasks {
		if t.Done != 0 && t.CareOf() == "" {
			last = i
			if t.Starts() {
				started = i
			}
		}
	}
	for k := range tasks {
		t, after := &tasks[k], last
		if t.CareOf() != "" {
			after = started
		}
		if t.Done != 0 {
			continue
		}
		if k < after && t.Day <= tasks[after].Day {
			t.State = work.Skipped
		}
		if of := t.CareOf(); of != "" && slices.ContainsFunc(tasks[k+1:], func(next work.Task) bool {
			return next.CareOf() == of && (next.Day <= today || next.Done != 0)
		}) {
			t.State = work.Skipped
		}
	}
}

// keptBack returns how much seed of each sowing's packet the later ones want, g.
func keptBack(all []*sown) []float64 {
	out, later := make([]float64, len(all)), map[string]float64{}
	for i := len(all) - 1; i >= 0; i-- {
		s := all[i]
		if s.SeedGram <= 0 || s.Method == season.Bought {
			continue
		}
		out[i] = later[s.Crop]
		if !s.Begun {
			later[s.Crop] += s.SeedGram
		}
	}
	return out
}
