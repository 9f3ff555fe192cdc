package plan

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/caution"
	"inventory/internal/core/civil"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// wish begins the plan of one resolved wish, and says what its uses ask of the
// garden.
func (c *computation) wish(i int) {
	r := &c.resolved[i]
	w := r.Wish
	out := Wish{
		ID: w.ID, Title: wish.Title(w, c.desk.Book), Words: wish.Words(r.Said, c.desk.Book), Unit: r.Unit, Number: r.Said.Amount.Number,
		Wanted: r.Wanted[:], Source: r.Source[:], Coming: r.Coming[:],
		Uses: []Use{}, Notes: r.Notes, Cautions: []string{},
		HarvestUnit: amount.Kilogram, Enough: r.Enough, Confidence: w.ConfidenceFor(""),
	}
	if out.Notes == nil {
		out.Notes = []string{}
	}
	for k, s := range r.Source {
		if r.Wanted[k] > 0 {
			out.WeeksWanted++
			switch s {
			case wish.Bought:
				out.WeeksBought++
			case wish.Gap:
			default:
				out.WeeksFed++
			}
		}
	}
	if k := w.Amount.Kind; k == wish.PiecesWeek || k == wish.PiecesYear {
		out.HarvestUnit = amount.Piece
	}
	if len(r.Uses) > 0 {
		out.Confidence = w.ConfidenceFor(r.Uses[0].Form)
	}
	c.story(w)
	enough := len(r.Uses) > 0
	for k := range r.Uses {
		u := &r.Uses[k]
		if u.OnShelf {
			out.OnShelf = true
		}
		if u.Weeks != 0 && u.LeftShare < 1 {
			enough = false
		}
		c.ask(&out, i, r, u)
	}
	out.Enough = out.Enough || enough && out.OnShelf
	if out.Enough {
		out.Notes = append(out.Notes, "enough is left on the shelf: grow none for it this year")
	}
	c.load(&out, w)
	c.plan.Wishes = append(c.plan.Wishes, out)
}

// story records how an amount follows from last year's.
func (c *computation) story(w wish.Wish) {
	if w.Story == nil {
		return
	}
	unit, st := w.Amount.Kind.Unit(), *w.Story
	s := c.desk.Recorder.Open("wish/"+w.ID, "wished", wish.Title(w, c.desk.Book), "wished, from last year's story")
	s.Do(working.Start, "There were", st.Had, unit, working.Household)
	s.Do(working.Minus, "Left when the new came", st.Left, unit, working.Household)
	s.Do(working.Minus, "Given away", st.Given, unit, working.Household)
	s.Is("Eaten", unit)
	s.Do(working.Over, "Weeks that it lasted", st.Lasted(), amount.Week, working.Household)
	if !st.RanOut.IsZero() {
		s.Note("from %s until it ran out, %s", st.From.In(2001).Short(), st.RanOut.In(2001).Short())
	}
	s.Do(working.Times, "Weeks in a year", 365.0/7, amount.Week, working.Reckoned)
	s.Is("A whole year at that rate", unit).Close(unit)
}

// ask puts one use of a wish, with what its preparation takes besides, among
// what is asked of the garden.
func (c *computation) ask(out *Wish, i int, r *table.Resolved, u *table.Use) {
	w := r.Wish
	base := "wish/" + w.ID + "/" + formName(u.Form)
	res := Use{Form: string(u.Form), Crop: u.Crop.ID, CropName: u.Crop.Short(), Why: u.Why, Weeks: u.Weeks.Count(), Unit: out.HarvestUnit, Figure: base}
	if u.Form != wish.Fresh && u.Form != "" && len(u.Lot) > 0 {
		kept := c.start + civil.Date(7*u.Kept)
		res.Kept, res.Life = &kept, u.Life
	}
	if u.Store != nil {
		res.Store = u.Store.Name
	}
	if u.Prep != nil {
		res.Preparation = u.Prep.Name
	}
	if u.OnShelf {
		res.Left, res.LeftUnit = u.Left, u.DrawnIn(w)
	}
	c.cautions(out, u)
	a := asked{
		wish: i, use: u, crop: u.Crop, base: base, form: u.Form, confidence: w.ConfidenceFor(u.Form),
		key: groupKey{crop: u.Crop.ID, fresh: u.Form == wish.Fresh, pieces: out.HarvestUnit == amount.Piece, layout: w.Layout, piece: w.Piece, cover: w.Cover},
	}
	if w.Piece > 0 {
		spaced, err := reckon.ForPiece(u.Crop, w.Piece, w.Layout, c.desk.Bed())
		if a.crop = spaced; err != nil {
			out.Notes = append(out.Notes, err.Error())
		}
	}
	switch u.Form {
	case "":
		a.key.unweighed = w.ID
	case wish.Fresh:
		a.key.stagger = w.Stagger
		if w.Stagger.Kind == wish.OneGo {
			a.key.once = u.Weeks // the one start is the best for these weeks
		}
	default:
		a.key.sowings = max(1, len(u.Lot))
		a.lot = c.desk.Harvest(base, "harvested", out.Title, r, *u, u.Weeks)
		res.Harvested = a.lot.Amount
	}
	a.res = len(out.Uses)
	out.Uses = append(out.Uses, res)
	c.asked = append(c.asked, &a)
	if u.Prep != nil && a.lot.Amount > 0 {
		for n, part := range u.Prep.Parts {
			c.askPart(out, i, w, u, n, part, c.desk.Units(a.lot, u.Prep))
		}
	}
}

// beside returns how a part of a preparation likes its starts: by how much of its
// picking falls into the weeks in which the main crop is put up.
func (c *computation) beside(s *season.Season, main *table.Use) func(season.Start) int {
	var weeks season.Weeks
	for _, i := range main.Lot {
		st := main.Season.Starts[i]
		for w, v := range main.Season.ByWeek(st) {
			if v > 0 {
				weeks = weeks.With(w)
			}
		}
	}
	return func(st season.Start) int { return int(100 * s.RunShare(st, weeks)) }
}

// askPart asks for another crop that a preparation takes, timed to the same
// putting-up where the crop's season allows it.
func (c *computation) askPart(out *Wish, i int, w wish.Wish, u *table.Use, n int, part book.Part, units float64) {
	crop := c.desk.Book.Crop(part.Crops[0])
	base := fmt.Sprintf("wish/%s/part%d", w.ID, n+1)
	if u.Form != w.Forms[0] {
		base = fmt.Sprintf("wish/%s/%s-part%d", w.ID, formName(u.Form), n+1)
	}
	res := Use{Form: string(u.Form), Part: true, Crop: crop.ID, CropName: crop.Short(), Why: u.Prep.Name + " takes it", Weeks: u.Weeks.Count(), Unit: amount.Kilogram, Figure: base}
	s := c.season(crop, "")
	pu := &table.Use{Form: u.Form, Crop: crop, Season: s, Lot: s.Lot(table.Late(crop, s), 1, c.beside(s, u)), Weeks: u.Weeks}
	if pu.Hands = c.resolver.ByHand(crop, "", w.ID, u.Form, true); len(pu.Hands) > 0 {
		pu.Season, pu.Lot = s.With(), nil
		for _, h := range pu.Hands {
			pu.Season = pu.Season.With(h.Start)
			pu.Lot = append(pu.Lot, len(pu.Season.Starts)-1)
		}
	}
	if len(pu.Lot) == 0 {
		out.Notes = append(out.Notes, fmt.Sprintf("%s, which it takes too, cannot be grown here: %s", crop.Short(), s.Why))
	}
	need := c.desk.Part(base, "harvested", crop.Short(), units, u.Prep, part)
	res.Harvested = need.Amount
	out.Uses = append(out.Uses, res)
	c.asked = append(c.asked, &asked{
		wish: i, res: len(out.Uses) - 1, use: pu, crop: crop, base: base, form: u.Form, part: true, lot: need, confidence: w.ConfidenceFor(u.Form),
		key: groupKey{crop: crop.ID, layout: w.Layout, sowings: 1},
	})
}

func formName(f wish.Form) string {
	if f == "" {
		return "plants"
	}
	return string(f)
}

// cautions adds the book's warnings that belong to a use, each once: those of
// the preparation first, then those of the crop and of its store.
func (c *computation) cautions(out *Wish, u *table.Use) {
	setting := caution.Of(u.Crop)
	if u.Form == wish.Cellar {
		setting.Store = u.Crop.Store
	}
	ids := caution.For(c.desk.Book, setting)
	if u.Prep != nil {
		ids = append(caution.OfPreparation(c.desk.Book, u.Prep), ids...)
	}
	for _, id := range ids {
		if !slices.Contains(out.Cautions, id) {
			out.Cautions = append(out.Cautions, id)
		}
	}
}

// load sets a wish in jars against full loads.
func (c *computation) load(out *Wish, w wish.Wish) {
	prep := w.Made(c.desk.Book)
	if w.Amount.Kind != wish.Jars || prep == nil {
		return
	}
	jar := wish.JarLitre(w, prep)
	out.JarLitre = jar
	per := prep.Load(jar)
	if per == 0 {
		return
	}
	whole := amount.FloorWhole(w.Amount.Number / float64(per))
	out.Load = &Load{Jars: per, Below: whole * per, Above: amount.CeilWhole(w.Amount.Number/float64(per)) * per}
}

// batch says so where the best days of picking do not fill one batch.
func (c *computation) batch(out *Wish, a *asked, res *Use) {
	u := a.use
	if u.Prep == nil || a.part || len(u.Lot) == 0 || res.Average <= 0 || u.Crop.Harvest == book.Once || !canner(u.Prep) {
		return
	}
	batch := u.Prep.BatchUnits * u.Prep.Raw
	keep := max(1, int(u.Crop.KeepDays.Or(1)))
	st := u.Season.Starts[u.Lot[0]]
	best := 0.0
	for d := st.Ready; d < st.End; d++ {
		best = math.Max(best, u.Season.Share(st, d, d+keep))
	}
	share := u.Season.Share(st, st.Ready, st.End)
	gathered := best / share * res.Average / float64(len(u.Lot))
	if gathered < batch && gathered > 0 {
		plants := amount.CeilWhole(float64(res.Plants) * batch / gathered)
		out.Notes = append(out.Notes, fmt.Sprintf("one batch takes %s, but the best %d days of picking, as long as it keeps, give %s: about %d plants would fill one batch, or gather it in the freezer",
			amount.Mark(batch, amount.Kilogram), keep, amount.Mark(gathered, amount.Kilogram), plants))
	}
}

// canner tells whether a preparation comes in loads: half a load costs a whole
// evening. A dryer or a freezer takes what there is.
func canner(p *book.Preparation) bool {
	return p.Method == "boiling-water" || p.Method == "pressure-canner"
}

// served is one sowing's part in a wish.
type served struct {
	s *Sowing
	f *Served
}

// wishFigures records the sums of a wish and what an average year leaves over.
func (c *computation) wishFigures(i int) {
	out := &c.plan.Wishes[i]
	base := "wish/" + out.ID
	mine := c.servedBy[i]
	total := func(name, title string, unit amount.Unit, value func(served) float64, whole func(*Sowing) float64, part string) {
		s := c.desk.Recorder.Open(base, name, out.Title, title)
		if !s.On() {
			return
		}
		s.Do(working.Start, "Nothing sown yet", 0, unit, working.Reckoned)
		for _, m := range mine {
			v := value(m)
			if v <= 0 {
				continue
			}
			s.Do(working.Plus, m.s.CropName+", "+m.s.Date.Words(), v, unit, working.Reckoned).Link("sowing/"+m.s.ID, part)
			if all := whole(m.s); math.Abs(all-v) > 1e-9*math.Max(1, all) {
				s.Note("its share of %s, which the sowing has for all that is asked of it", amount.Mark(all, unit))
			}
		}
		s.Is("Together", unit).Close(unit)
	}
	total("plants", "plants", amount.Plant, func(m served) float64 { return float64(m.f.Plants) }, func(s *Sowing) float64 { return float64(s.Plants) }, "plants")
	total("area", "bed area of all its sowings", amount.SquareMetre, func(m served) float64 {
		if m.s.Method == "tray" {
			return 0
		}
		return m.f.Area
	}, func(s *Sowing) float64 { return s.Area }, "area")
	total("harvested", "to be brought in", out.HarvestUnit, func(m served) float64 {
		if m.f.Part {
			return 0
		}
		return m.f.Need
	}, func(s *Sowing) float64 { return s.Need }, "need")
	s := c.desk.Recorder.Open(base, "left_over", out.Title, "what an average year leaves over")
	s.Do(working.Start, "An average year gives", out.Average, out.HarvestUnit, working.Reckoned).Link(base, "average")
	s.Do(working.Minus, "To be brought in", out.Harvested, out.HarvestUnit, working.Reckoned).Link(base, "harvested")
	out.LeftOver = s.Is("Left over in an average year", out.HarvestUnit).Close(out.HarvestUnit)
	if math.Abs(out.LeftOver) < 1e-9 {
		out.LeftOver = 0
	}
	c.average(out)
	c.freshSums(i)
	s = c.desk.Recorder.Open(base, "fed", out.Title, "weeks fed")
	s.Do(working.Start, "Weeks it is wanted", float64(out.WeeksWanted), amount.Week, working.Household)
	if out.WeeksBought > 0 {
		s.Do(working.Minus, "Weeks you buy for", float64(out.WeeksBought), amount.Week, working.Household)
	}
	s.Do(working.Minus, "Weeks that nothing feeds", float64(out.WeeksWanted-out.WeeksFed-out.WeeksBought), amount.Week, working.Reckoned)
	s.Is("Weeks fed", amount.Week).Close(amount.Week)
}

// average records what an average year gives, use by use.
func (c *computation) average(out *Wish) {
	s := c.desk.Recorder.Open("wish/"+out.ID, "average", out.Title, "an average year")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing picked yet", 0, out.HarvestUnit, working.Reckoned)
	for _, u := range out.Uses {
		if !u.Part {
			s.Do(working.Plus, u.CropName+", "+u.Form, u.Average, u.Unit, working.Reckoned).Note("plants × yield × (1 − chance that it is lost), over its sowings")
		}
	}
	s.Is("Together", out.HarvestUnit).Close(out.HarvestUnit)
}

// freshSums records what is brought in fresh, a sum over sowings.
func (c *computation) freshSums(i int) {
	out := &c.plan.Wishes[i]
	for _, u := range out.Uses {
		if u.Form != string(wish.Fresh) || u.Part {
			continue
		}
		s := c.desk.Recorder.Open(u.Figure, "harvested", out.Title, "to bring in, fresh")
		if !s.On() {
			continue
		}
		s.Do(working.Start, "Nothing yet", 0, out.HarvestUnit, working.Reckoned)
		for _, m := range c.servedBy[i] {
			if m.f.Form == u.Form && !m.f.Part {
				s.Do(working.Plus, "Sowing of "+m.s.Date.Words(), m.f.Need, out.HarvestUnit, working.Reckoned).Link(m.f.figure, "need")
			}
		}
		s.Is("To be brought in", out.HarvestUnit).Close(out.HarvestUnit)
	}
}
