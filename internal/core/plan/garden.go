package plan

import (
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
	j.Kept = slices.ContainsFunc(s.For, func(f Served) bool { return f.Form == string(wish.Cellar) })
	if s.Cover != "" && s.Method != "tray" {
		j.Cover, j.Covers = coverNames[place.Cover(s.Cover).Kind()], c.covered(s)
		switch place.Cover(s.Cover).Kind() {
		case place.Fleece, place.Net, place.Shade:
			j.Hoops = int(math.Ceil(s.BedLength/hoopsApart-1e-9)) + 1
		}
	}
	return j
}

// hoopsApart is how far apart the hoops stand that hold a cover, m.
const hoopsApart = 1

// coverNames says a cover in the middle of a sentence.
var coverNames = map[place.Cover]string{place.Fleece: "fleece", place.Net: "net", place.Frame: "frame", place.Tunnel: "tunnel", place.Shade: "shade cloth"}

// Nobody takes a cover off for less than a fortnight, or puts one on for less than a
// week.
const leastOpen, leastCovered = 14, 7

// covered returns when the cover of a sowing lies while it stands: a warming one in cool
// days, shade in warm ones, a net always.
func (c *computation) covered(s *Sowing) (out []work.Covered) {
	cover := place.Coverings[place.Cover(s.Cover).Kind()]
	lying, _ := place.Cover(s.Cover).Lying()
	lies := func(d int) bool {
		day := c.start + civil.Date(d)
		if !lying.OnDay(day.YearDay(), s.FirstPick != nil && day >= *s.FirstPick) {
			return false
		}
		if !lying.From.IsZero() { // the household's own days go before the weather's
			return true
		}
		warm := c.year.Max[((d+c.start.YearDay())%place.Days+place.Days)%place.Days] > place.OpenAbove
		return cover == (place.Covering{}) || warm == (cover.Max < 0)
	}
	day := func(d int) civil.Date { return c.start + civil.Date(d) }
	for d := s.ground.from; d < s.ground.to; d++ {
		if !lies(d) {
			continue
		}
		on := d
		for d < s.ground.to && lies(d) {
			d++
		}
		if last := len(out) - 1; last >= 0 && day(on)-out[last].Off < leastOpen {
			out[last].Off = day(d)
			continue
		}
		out = append(out, work.Covered{On: day(on), Off: day(d)})
	}
	return slices.DeleteFunc(out, func(x work.Covered) bool { return x.Off-x.On < leastCovered })
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
	day := ((s.ground.from % place.Days) + place.Days) % place.Days
	for left := min(s.ground.to-s.ground.from, place.Days); left > 0; {
		w, next := season.WeekOf(day), place.Days
		if w < season.WeeksPerYear-1 {
			next = 7 * (w + 1)
		}
		days := min(left, next-day)
		hours[w] += daily * float64(days)
		left, day = left-days, next%place.Days
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
