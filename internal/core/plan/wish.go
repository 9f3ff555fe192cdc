package plan

import (
	"fmt"
	"math"
	"slices"
	"strconv"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/caution"
	"inventory/internal/core/civil"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
	"inventory/internal/core/working"
)

// wish works out one wish and adds it and its sowings to the plan.
func (c *computation) wish(w table.Wish) {
	r := c.resolver.Resolve(w)
	out := Wish{
		ID: w.ID, Title: table.Title(w, c.desk.Book), Words: table.Words(w, c.desk.Book), Unit: r.Unit,
		Wanted: r.Wanted[:], Source: make([]string, season.WeeksPerYear), Uses: []Use{}, Notes: r.Notes, Cautions: []string{},
		HarvestUnit: amount.Kilogram, Enough: r.Enough, Confidence: w.ConfidenceFor(""),
	}
	if out.Notes == nil {
		out.Notes = []string{}
	}
	for i, s := range r.Source {
		out.Source[i] = string(s)
		if r.Wanted[i] > 0 {
			out.WeeksWanted++
			if s != table.Gap {
				out.WeeksFed++
			}
		}
	}
	if k := w.Amount.Kind; k == table.PiecesWeek || k == table.PiecesYear {
		out.HarvestUnit = amount.Piece
	}
	if len(r.Uses) > 0 {
		out.Confidence = w.ConfidenceFor(r.Uses[0].Form)
	}
	for _, u := range r.Uses {
		c.use(&out, w, r, u)
	}
	c.load(&out, w)
	c.wishFigures(&out)
	if out.Enough {
		out.Notes = append(out.Notes, "enough is left on the shelf: grow none for it this year")
	}
	c.plan.Wishes = append(c.plan.Wishes, out)
}

// use works out one use of a wish, with what its preparation takes besides.
func (c *computation) use(out *Wish, w table.Wish, r table.Resolved, u table.Use) {
	base := "wish/" + w.ID + "/" + formName(u.Form)
	res := Use{Form: string(u.Form), Crop: u.Crop.ID, CropName: u.Crop.Short(), Why: u.Why, Weeks: u.Weeks.Count(), Unit: out.HarvestUnit, Figure: base}
	if u.Form != table.Fresh && u.Form != "" && len(u.Lot) > 0 {
		kept := c.start + civil.Date(7*u.Kept)
		res.Kept, res.Life = &kept, u.Life
	}
	if u.Store != nil {
		res.Store = u.Store.Name
	}
	c.cautions(out, u)
	if p := u.Crop.Patch; p != nil {
		out.Notes = append(out.Notes, fmt.Sprintf("reckoned from a patch in full bearing, its year %.0f; newly planted it gives %.0f %% of that in its first year, %.0f %% in its second",
			p.FullBearingYear, 100*p.Share[0], 100*p.Share[1]))
	}
	if u.Form == "" {
		c.unweighed(out, &res, w, u)
		out.Uses = append(out.Uses, res)
		return
	}
	sowings := sowing.Plan(u, w.Stagger)
	var lot reckon.Need
	if u.Form != table.Fresh {
		lot = c.desk.Harvest(base, "harvested", out.Title, r, u, u.Weeks)
	}
	total := c.sow(out, &res, w, u.Crop, sowings, func(s sowing.Sowing, base string) reckon.Need {
		if u.Form != table.Fresh {
			return lot
		}
		return c.desk.Harvest(base, "need", u.Crop.Short(), r, u, s.Run)
	})
	if u.Form == table.Fresh {
		s := c.desk.Recorder.Open(base, "harvested", out.Title, "to bring in, fresh")
		c.sum(s, out.ID, u, "need", "To be brought in", out.HarvestUnit)
		res.Harvested = total
	} else {
		res.Harvested = lot.Amount
	}
	c.batch(out, w, u, &res, sowings)
	out.Uses = append(out.Uses, res)
	if u.Prep != nil && lot.Amount > 0 {
		for i, part := range u.Prep.Parts {
			c.part(out, w, u, i, part, c.desk.Units(lot, u.Prep))
		}
	}
}

// cautions adds the book's warnings that belong to a use, each once: those of
// the preparation first, then those of the crop and of its store.
func (c *computation) cautions(out *Wish, u table.Use) {
	setting := caution.Of(u.Crop)
	if u.Form == table.Cellar {
		setting.Store = u.Crop.Store
	}
	ids := caution.For(c.desk.Book, setting)
	if u.Prep != nil {
		ids = append(slices.Clone(u.Prep.Cautions), ids...)
	}
	for _, id := range ids {
		if !slices.Contains(out.Cautions, id) {
			out.Cautions = append(out.Cautions, id)
		}
	}
}

// part works out another crop that a preparation takes.
func (c *computation) part(out *Wish, w table.Wish, u table.Use, i int, part book.Part, units float64) {
	crop := c.desk.Book.Crop(part.Crops[0])
	base := fmt.Sprintf("wish/%s/part%d", w.ID, i+1)
	res := Use{Form: string(u.Form), Part: true, Crop: crop.ID, CropName: crop.Short(), Why: "the preparation takes it", Weeks: u.Weeks.Count(), Unit: amount.Kilogram, Figure: base}
	s := c.season(crop)
	late := crop.StoreWhen == "late" && crop.Harvest == book.Once
	pu := table.Use{Form: u.Form, Crop: crop, Season: s, Lot: s.Lot(late, 1), Weeks: u.Weeks}
	if len(pu.Lot) == 0 {
		out.Notes = append(out.Notes, fmt.Sprintf("%s, which it takes too, cannot be grown here: %s", crop.Short(), s.Why))
	}
	need := c.desk.Part(base, "harvested", crop.Short(), units, u.Prep, part)
	c.sow(out, &res, w, crop, sowing.Plan(pu, w.Stagger), func(sowing.Sowing, string) reckon.Need { return need })
	res.Harvested = need.Amount
	out.Uses = append(out.Uses, res)
}

func formName(f table.Form) string {
	if f == "" {
		return "plants"
	}
	return string(f)
}

// sow sizes the sowings of one use and adds them to the plan; it returns the
// sum of what each must bring in.
func (c *computation) sow(out *Wish, res *Use, w table.Wish, crop *book.Crop, sowings []sowing.Sowing, need func(s sowing.Sowing, base string) reckon.Need) (total float64) {
	confidence := w.ConfidenceFor(table.Form(res.Form))
	least := int(math.Ceil(crop.MinPlants / math.Max(1, float64(len(sowings)))))
	if crop.WindPollinatedCorn() {
		least = int(crop.MinPlants) // each sowing must pollinate itself
	}
	for i, s := range sowings {
		id := w.ID + "-" + formOrPart(res) + "-" + strconv.Itoa(i+1)
		base := "sowing/" + id
		n := need(s, base)
		if res.Form != string(table.Fresh) {
			c.lotNeed(base, res.Figure, crop, n, s.Of)
		}
		z := c.desk.Sow(base, crop, w.Layout, s, n, confidence, least)
		total += z.Need.Amount
		if z.Short != nil {
			res.Short = z.Short.Error()
			out.Notes = append(out.Notes, res.Short)
		}
		c.add(out, res, id, crop, s, z)
	}
	return total
}

func formOrPart(res *Use) string {
	if res.Part {
		return res.Figure[len(res.Figure)-len("part1"):]
	}
	return formName(table.Form(res.Form))
}

// lotNeed is the working of what one of the equal sowings of a lot brings in.
func (c *computation) lotNeed(base, whole string, crop *book.Crop, n reckon.Need, of int) {
	unit := amount.Kilogram
	if n.Pieces {
		unit = amount.Piece
	}
	s := c.desk.Recorder.Open(base, "need", crop.Short(), "to bring in")
	s.Do(working.Start, "The whole lot", n.Amount, unit, working.Reckoned).Link(whole, "harvested")
	if of > 1 {
		s.Do(working.Over, "Equal sowings", float64(of), amount.Sowing, working.Household)
	}
	s.Is("To bring in", unit).Close(unit)
}

// unweighed works out plants that nobody weighs.
func (c *computation) unweighed(out *Wish, res *Use, w table.Wish, u table.Use) {
	for i, s := range sowing.Plan(u, w.Stagger) {
		id := fmt.Sprintf("%s-plants-%d", w.ID, i+1)
		c.add(out, res, id, u.Crop, s, c.desk.Count("sowing/"+id, u.Crop, w.Layout, s, w))
	}
}

// add puts a sized sowing into the plan.
func (c *computation) add(out *Wish, res *Use, id string, crop *book.Crop, s sowing.Sowing, z reckon.Size) {
	sw := c.dates(crop, res, s)
	sw.ID, sw.Wish, sw.WishTitle = id, out.ID, out.Title
	sw.Unit, sw.Need = amount.Kilogram, z.Need.Amount
	if z.Need.Pieces {
		sw.Unit = amount.Piece
	}
	sw.Plants, sw.SetOut, sw.Cells, sw.Stations = z.Plants, z.SetOut, z.Cells, z.Stations
	sw.Seeds, sw.SeedGram, sw.PerPlace, sw.StockKg, sw.DrillM = z.Seeds, z.SeedGram, z.PerStation, z.StockKg, z.DrillM
	sw.Layout, sw.Rows, sw.InRow, sw.RowGap = z.Stand.Layout, z.Stand.Rows, crop.InRow.Value, crop.RowGap.Value
	sw.RowMetres, sw.BedLength, sw.Area = z.RowMetres, z.BedLength, z.Area
	sw.Low, sw.Likely, sw.High, sw.LossShare = z.Low, z.Likely, z.Top, crop.FailProb
	if crop.Start == "vegetative" {
		sw.StockUnit = crop.Unit + "s"
	}
	if s.Run == 0 && res.Form != "" || z.Plants == 0 && z.Area == 0 {
		return // there is nothing to sow for it
	}
	c.plan.Sowings = append(c.plan.Sowings, sw)
	res.Plants += z.Plants
	res.Area += z.Area
	res.Average += z.Average
	out.SowingCount++
	out.Plants += z.Plants
	out.RowMetres += z.RowMetres
	if crop.Dense == nil {
		out.Area += z.Area
	}
	if !res.Part {
		out.Average += z.Average
		out.Harvested += z.Need.Amount
	}
}

// load sets a wish in jars against full loads.
func (c *computation) load(out *Wish, w table.Wish) {
	prep := c.desk.Book.Preparation(w.Preparation)
	if w.Amount.Kind != table.Jars || prep == nil {
		return
	}
	jar := table.JarLitre(w, prep)
	out.JarLitre = jar
	per := prep.Load(jar)
	if per == 0 {
		return
	}
	whole := amount.FloorWhole(w.Amount.Number / float64(per))
	out.Load = &Load{Jars: per, Below: whole * per, Above: amount.CeilWhole(w.Amount.Number/float64(per)) * per}
}

// batch says so where the best days of picking do not fill one batch.
func (c *computation) batch(out *Wish, w table.Wish, u table.Use, res *Use, sowings []sowing.Sowing) {
	if u.Prep == nil || len(sowings) == 0 || res.Average <= 0 || u.Crop.Harvest == book.Once || !canner(u.Prep) {
		return
	}
	batch := u.Prep.BatchUnits * u.Prep.Raw
	keep := max(1, int(u.Crop.KeepDays.Or(1)))
	st := sowings[0].Start
	best := 0.0
	for d := st.Ready; d < st.End; d++ {
		best = math.Max(best, u.Season.Share(st, d, d+keep))
	}
	gathered := best / sowings[0].Share * res.Average / float64(sowings[0].Of)
	if whole := batch; gathered < whole && res.Average > 0 {
		plants := amount.CeilWhole(float64(res.Plants) * whole / gathered)
		out.Notes = append(out.Notes, fmt.Sprintf("one batch takes %s, but the best %d days of picking, as long as it keeps, give %s: about %d plants would fill one batch, or gather it in the freezer",
			amount.Mark(whole, amount.Kilogram), keep, amount.Mark(gathered, amount.Kilogram), plants))
	}
}

// canner tells whether a preparation comes in loads: half a load costs a whole
// evening. A dryer or a freezer takes what there is.
func canner(p *book.Preparation) bool {
	return p.Method == "boiling-water" || p.Method == "pressure-canner"
}

// wishFigures records the sums of a wish and what an average year leaves over.
func (c *computation) wishFigures(out *Wish) {
	base := "wish/" + out.ID
	mine := func(s *Sowing) bool { return s.Wish == out.ID }
	total := func(name, title string, unit amount.Unit, value func(*Sowing) float64, part string) {
		s := c.desk.Recorder.Open(base, name, out.Title, title)
		if !s.On() {
			return
		}
		s.Do(working.Start, "Nothing sown yet", 0, unit, working.Reckoned)
		for i := range c.plan.Sowings {
			if sw := &c.plan.Sowings[i]; mine(sw) && value(sw) > 0 {
				s.Do(working.Plus, sw.CropName+", "+sw.Date.Words(), value(sw), unit, working.Reckoned).Link("sowing/"+sw.ID, part)
			}
		}
		s.Is("Together", unit).Close(unit)
	}
	total("plants", "plants", amount.Plant, func(s *Sowing) float64 { return float64(s.Plants) }, "plants")
	total("area", "bed area of all its sowings", amount.SquareMetre, func(s *Sowing) float64 {
		if s.Method == "tray" {
			return 0
		}
		return s.Area
	}, "area")
	total("harvested", "to be brought in", out.HarvestUnit, func(s *Sowing) float64 {
		if slices.ContainsFunc(out.Uses, func(u Use) bool { return u.Part && u.Crop == s.Crop }) {
			return 0
		}
		return s.Need
	}, "need")
	s := c.desk.Recorder.Open(base, "left_over", out.Title, "what an average year leaves over")
	s.Do(working.Start, "An average year gives", out.Average, out.HarvestUnit, working.Reckoned).Link(base, "average")
	s.Do(working.Minus, "To be brought in", out.Harvested, out.HarvestUnit, working.Reckoned).Link(base, "harvested")
	out.LeftOver = s.Is("Left over in an average year", out.HarvestUnit).Close(out.HarvestUnit)
	if math.Abs(out.LeftOver) < 1e-9 {
		out.LeftOver = 0
	}
	c.average(out)
	s = c.desk.Recorder.Open(base, "fed", out.Title, "weeks fed")
	s.Do(working.Start, "Weeks it is wanted", float64(out.WeeksWanted), amount.Week, working.Household)
	s.Do(working.Minus, "Weeks that nothing feeds", float64(out.WeeksWanted-out.WeeksFed), amount.Week, working.Reckoned)
	s.Is("Weeks fed", amount.Week).Close(amount.Week)
}

// average records what an average year gives, sowing by sowing.
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

// sum records a sum over the sowings of one use of a wish.
func (c *computation) sum(s *working.Sheet, wish string, u table.Use, part, name string, unit amount.Unit) {
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing yet", 0, unit, working.Reckoned)
	for i := range c.plan.Sowings {
		if sw := &c.plan.Sowings[i]; sw.Wish == wish && sw.Form == string(u.Form) && sw.Crop == u.Crop.ID {
			s.Do(working.Plus, "Sowing of "+sw.Date.Words(), sw.Need, unit, working.Reckoned).Link("sowing/"+sw.ID, part)
		}
	}
	s.Is(name, unit).Close(unit)
}
