package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// hardeningDays is how long starts are hardened off before planting out.
const hardeningDays = 7

// dates fills in when a sowing is begun, planted, up, picked and cleared.
func (c *computation) dates(crop *book.Crop, form wish.Form, s sowing.Sowing) Sowing {
	day := func(d int) civil.Date { return c.start + civil.Date(d) }
	at := func(d int) *civil.Date { date := day(d); return &date }
	sw := Sowing{Crop: crop.ID, CropName: crop.Short(), Form: string(form), Date: day(s.Start.Sow), Feeds: s.Run.List(), Days: s.Start.Ready - s.Start.Day}
	switch {
	case crop.Perennial():
		sw.Method = "patch"
	case crop.Dense != nil:
		sw.Method = "tray"
	case s.Start.Bought:
		sw.Method = "bought"
	case s.Start.Raised:
		sw.Method = "raised"
		sw.HardenOff, sw.PlantOut = at(s.Start.Day-hardeningDays), at(s.Start.Day)
	case crop.Start == "vegetative":
		sw.Method = "stock"
		sw.PlantOut = at(s.Start.Day)
	default:
		sw.Method = "direct"
	}
	sw.Day, sw.Early = day(s.Start.Day), s.Early
	switch {
	case s.Start.Bought:
		sw.Way = season.Bought
	case s.Start.Raised:
		sw.Way = season.Raised
	case season.CanBe(crop, season.Direct):
		sw.Way = season.Direct
	}
	if crop.GermDaysMax.Known && sw.Method != "patch" && sw.Method != "bought" {
		sw.UpBy = at(s.Start.Sow + int(crop.GermDaysMax.Value))
	}
	last := lastPick(crop, form, s)
	if form != "" {
		sw.FirstPick, sw.LastPick = at(s.Start.Ready), at(last)
		if sw.Method != "patch" && sw.Method != "tray" {
			sw.PlainPick, sw.SurePick = at(s.Start.Plain), at(s.Start.Sure)
		}
	}
	if crop.Frost != book.Hardy && sw.Method != "patch" && sw.Method != "tray" {
		sw.Frost = c.year.FrostAfter(c.sinceFrost(s.Start.Day))
	}
	end := last + 1 + int(c.desk.Rules.ClearDays)
	sw.Clear = day(end)
	sw.ground = span{s.Start.Day, end}
	switch sw.Method {
	case "patch": // it holds its ground the year round
		sw.ground = span{s.Start.Day, s.Start.Day + place.Days}
		sw.Clear = sw.Date + civil.Date(365.25*crop.Patch.StandYears)
	case "tray":
		sw.ground, sw.Clear = span{}, day(last+1)
	}
	sw.Late = sw.Date < c.in.AsOf && sw.Method != "patch"
	if s.Hand != nil {
		c.byHand(&sw, s.Hand)
	}
	return sw
}

// sinceFrost returns the days from the nearest median last frost to a day of the
// table year.
func (c *computation) sinceFrost(day int) int {
	d := ((day+c.start.YearDay()-c.year.Last)%place.Days + place.Days) % place.Days
	if d > place.Days/2 {
		d -= place.Days
	}
	return d
}

// extend makes a sowing last as long as another part of it needs.
func (s *Sowing) extend(o Sowing) {
	for _, w := range o.Feeds {
		if i, found := slices.BinarySearch(s.Feeds, w); !found {
			s.Feeds = slices.Insert(s.Feeds, i, w)
		}
	}
	if o.LastPick != nil && (s.LastPick == nil || *o.LastPick > *s.LastPick) {
		s.LastPick = o.LastPick
	}
	s.Clear = max(s.Clear, o.Clear)
	s.ground.to = max(s.ground.to, o.ground.to)
}

// edges says why a sowing cannot be earlier or later, by its window.
func edges(in *season.Season, sow int) (first, last string) {
	for _, w := range in.Windows {
		if sow >= min(w.First.Sow, w.Last.Sow) && sow <= max(w.First.Sow, w.Last.Sow) || len(in.Windows) == 1 {
			return w.FirstWhy, w.LastWhy
		}
	}
	return "", ""
}

// lastPick is the last day on which something of a sowing is gathered for the
// weeks it feeds. Standing in the ground as a store it holds the bed until the
// last week eaten.
func lastPick(crop *book.Crop, form wish.Form, s sowing.Sowing) int {
	switch {
	case form == "":
		return s.Start.End - 1
	case form == wish.Cellar && crop.Store == "ground":
		last := s.Start.Ready
		for d := s.Start.Ready; d < s.Start.Ready+place.Days-7; d++ {
			if s.Run.Has(season.WeekOf(d)) {
				last = d
			}
		}
		return last
	case form != wish.Fresh && crop.Harvest == book.Once:
		return s.Start.Ready
	case form != wish.Fresh:
		return s.Start.End - 1
	}
	last := s.Start.Ready
	for d := s.Start.Ready; d < s.Start.End; d++ {
		if s.Run.Has(season.WeekOf(d)) {
			last = d
		}
	}
	return last
}

// finish orders the sowings by date and takes the tally.
func (c *computation) finish() {
	slices.SortStableFunc(c.sowings, func(a, b *Sowing) int {
		return cmp.Or(cmp.Compare(a.Date, b.Date), cmp.Compare(a.CropName, b.CropName), cmp.Compare(a.ID, b.ID))
	})
	for i := range c.servedBy {
		slices.SortStableFunc(c.servedBy[i], func(a, b served) int { return cmp.Compare(a.s.Date, b.s.Date) })
	}
	for i := range c.plan.Wishes {
		c.wishFigures(i)
	}
	for _, a := range c.asked {
		out := &c.plan.Wishes[a.wish]
		c.batch(out, a, &out.Uses[a.res])
		c.youngPatch(out, a, &out.Uses[a.res])
	}
	c.plan.Sowings = make([]Sowing, len(c.sowings))
	for i, s := range c.sowings {
		c.plan.Sowings[i] = *s
	}
	c.fields()
	c.tally()
	c.fullest()
}

// youngPatch says the coming year of a patch that does not yet bear half of what
// is asked of it: on the circle it feeds its weeks, this year it does not.
func (c *computation) youngPatch(out *Wish, a *asked, u *Use) {
	if a.form != wish.Fresh || !a.crop.Perennial() || u.Harvested <= 0 || u.Average >= u.Harvested/2 {
		return
	}
	for _, w := range a.use.Weeks.List() {
		out.Coming[w] = wish.Gap
	}
}

// fields says when each crop of the sowings may be begun, in the order in which
// they first are.
func (c *computation) fields() {
	c.plan.Fields = []Field{}
	seen := map[under]bool{}
	day := func(d int) civil.Date { return c.start + civil.Date(d) }
	for _, s := range c.sowings {
		key := under{c.desk.Book.Crop(s.Crop), place.Cover(s.Cover)}
		if seen[key] || s.Method == "patch" || s.Method == "tray" {
			continue
		}
		seen[key] = true
		f := Field{Crop: s.Crop, Cover: s.Cover, Windows: []Window{}}
		for _, w := range c.season(key.crop, key.cover).Windows {
			first, last := w.First, w.Last
			if last.Sow < first.Sow { // it runs on past the end of the table year
				last.Sow, last.End = last.Sow+place.Days, last.End+place.Days
			}
			f.Windows = append(f.Windows, Window{day(first.Sow), day(last.Sow), w.FirstWhy, w.LastWhy, day(first.Ready), day(last.End)})
		}
		c.plan.Fields = append(c.plan.Fields, f)
	}
}

// tally takes the sums over all wishes. A sowing that serves several wishes is
// counted once.
func (c *computation) tally() {
	t := &c.plan.Tally
	t.Sowings = len(c.plan.Sowings)
	fed := c.desk.Recorder.Open("tally", "weeks_fed", "", "Weeks fed, wish by wish")
	plants := c.desk.Recorder.Open("tally", "plants", "", "Plants")
	jars := c.desk.Recorder.Open("tally", "jars", "", "Jars to fill")
	for _, s := range []*working.Sheet{fed, plants, jars} {
		s.Do(working.Start, "No wish yet", 0, amount.None, working.Reckoned)
	}
	for i := range c.plan.Wishes {
		w := &c.plan.Wishes[i]
		t.WeeksFed += w.WeeksFed
		t.WeeksWanted += w.WeeksWanted
		t.Plants += w.Plants
		figure := "wish/" + w.ID
		if w.WeeksWanted > 0 {
			fed.Do(working.Plus, w.Title, float64(w.WeeksFed), amount.Week, working.Reckoned).Link(figure, "fed")
			if fed.On() {
				fed.Note("of %d wanted", w.WeeksWanted)
			}
		}
		if w.Plants > 0 {
			plants.Do(working.Plus, w.Title, float64(w.Plants), amount.Plant, working.Reckoned).Link(figure, "plants")
		}
		if w.ToFill = c.toFill(i); w.ToFill > 0 {
			t.Jars += w.ToFill
			jars.Do(working.Plus, w.Title, float64(w.ToFill), amount.Jar, working.Reckoned)
		}
	}
	fed.Is("Weeks fed", amount.Week).Close(amount.Week)
	plants.Is("Plants", amount.Plant).Close(amount.Plant)
	jars.Is("Jars to fill", amount.Jar).Close(amount.Jar)
}

// toFill returns the jars that a wish fills: those it is counted in, or, where it is
// wished by weight or as meals, those that what is put up comes to, in the
// preparation's usual jar. What is frozen or dried fills none; what is wished in litres
// is counted in litres.
func (c *computation) toFill(i int) (jars int) {
	r := &c.resolved[i]
	switch r.Wish.Amount.Kind {
	case wish.Jars:
		if len(r.Uses) > 0 {
			jars = amount.CeilWhole(reckon.ToFill(r.Wish, r.Uses[0]))
		}
	case wish.WeightWeek, wish.WeightYear, wish.Meals:
		for _, a := range c.asked {
			if p := a.use.Prep; a.wish == i && !a.part && p != nil && p.Unit == "litre" && p.JarLitre > 0 && a.form != wish.Frozen && a.lot.Amount > 0 {
				jars += amount.CeilWhole(c.desk.Units(a.lot, p) / p.JarLitre)
			}
		}
	}
	return max(0, jars)
}

// fullest finds the week in which the sowings take most bed.
func (c *computation) fullest() {
	var area [season.WeeksPerYear]float64
	takes := func(s *Sowing, week int) bool { // on the circle of the year, at the week's fourth day
		if s.ground.to-s.ground.from >= place.Days {
			return true
		}
		for d := 7*week + 3 - 2*place.Days; d < 3*place.Days; d += place.Days {
			if s.ground.from <= d && d < s.ground.to {
				return true
			}
		}
		return false
	}
	for i := range c.plan.Sowings {
		s := &c.plan.Sowings[i]
		if s.Method == "tray" {
			continue
		}
		for w := range area {
			if takes(s, w) {
				area[w] += s.Area
			}
		}
	}
	t := &c.plan.Tally
	for w, a := range area {
		if a > t.Area+1e-9 {
			t.Area, t.AreaWeek = a, w
		}
	}
	s := c.desk.Recorder.Open("tally", "area", "", "Bed area in the fullest week")
	s.Do(working.Start, "Nothing planted yet", 0, amount.SquareMetre, working.Reckoned)
	if s.On() {
		for i := range c.plan.Sowings {
			sw := &c.plan.Sowings[i]
			if sw.Method != "tray" && takes(sw, t.AreaWeek) && t.Area > 0 {
				from := sw.Date
				if sw.PlantOut != nil {
					from = *sw.PlantOut
				}
				s.Do(working.Plus, sw.CropName+", "+from.Short()+" to "+sw.Clear.Short(), sw.Area, amount.SquareMetre, working.Reckoned).Link("sowing/"+sw.ID, "area")
			}
		}
	}
	s.Is("Taken in the week of "+c.plan.Weeks[t.AreaWeek].Words(), amount.SquareMetre)
	s.Close(amount.SquareMetre)
}
