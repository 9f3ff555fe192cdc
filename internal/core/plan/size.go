package plan

import (
	"fmt"
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/reckon"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// sown is a sowing with its dates and counts, and the demands that it serves.
type sown struct {
	Sowing
	parts     []part // of the same order as Sowing.For
	hand      *table.RecordedSowing
	ground    span // days of the table year that it takes bed space
	gives     float64
	season    *season.Season
	rowMetres float64
	barren    bool // a new patch that is not picked in its first year
	short     shortOf
}

// shortOf says why the confidence of a demand cannot be had; its demand is nil where it
// can.
type shortOf struct {
	d   *demand
	why say.Note
}

// part is what a sowing has for one demand.
type part struct {
	d      *demand
	s      sowing.Sowing
	figure string  // of its need
	need   float64 // harvest needed, before a new patch takes it back
}

// span is a run of days counted from the start of the table year, the last one excluded.
type span struct{ from, to int }

// sizes is the result of sizing: the sowings in the order in which they were sized, the
// weeks that young patches leave unfed, and what there is to say.
type sizes struct {
	sown  []*sown
	unfed []unfed
	notes notes
}

// sizer sizes sowings one after the other.
type sizer struct {
	*basis
	weeks weeks
	out   sizes
	told  map[int]bool // wishes of which it was said that the fewest plants are too many
}

// sized gives every sowing its plants, seed, area and harvest. Recorded sowings that no
// wish uses come last: they take bed space all the same.
func sized(b *basis, rec recorded, w weeks, rows []*row, used map[*record.Planting]bool) sizes {
	z := &sizer{basis: b, weeks: w, told: map[int]bool{}}
	for _, r := range rows {
		z.size(r)
	}
	for i := range b.in.Household.Plantings {
		p := &b.in.Household.Plantings[i]
		if h := rec.find(p); h != nil && !used[p] { // nil: of another year, or overdue for too long
			z.unwanted(h)
		}
	}
	for _, h := range rec.leftover {
		z.leftover(h)
	}
	return z.out
}

// size sizes one sowing for all that is asked of it.
func (z *sizer) size(r *row) {
	base := "sowing/" + r.id
	first := r.uses[0]
	if first.d.form == "" {
		z.sizeUnweighed(base, r)
		return
	}
	parts, figures := make([]reckon.Part, len(r.uses)), make([]string, len(r.uses))
	for i, u := range r.uses {
		figures[i] = base
		w := z.weeks.wishes[u.d.wish]
		if len(r.uses) > 1 {
			figures[i] = fmt.Sprintf("%s/%s-%s", base, w.Wish.ID, u.d.name())
		}
		need := u.d.lot
		if u.d.form == wish.Fresh && !u.d.part {
			need = z.desk.Harvest(figures[i], "need", u.d.crop.Short(), w, *u.d.use, u.s.Run)
		} else {
			need.Amount *= u.s.Part
			z.lotNeed(figures[i], u.d, need, u.s)
		}
		parts[i] = reckon.Part{Need: need, Confidence: u.d.confidence, Share: u.s.Share, Of: u.s.Of}
	}
	z.sumNeed(base, r, parts, figures)
	least := int(math.Ceil(r.crop.MinPlants / math.Max(1, float64(r.of))))
	if r.crop.WindPollinated() {
		least = int(r.crop.MinPlants) // each sowing must pollinate itself
	}
	ask := reckon.Ask{Raised: first.s.Start.Raised, Bought: first.s.Start.Bought, Parts: parts, Least: least, Bearing: 1, Counted: counted(r)}
	if r.crop.Perennial() {
		z.patch(base, r, ask, figures)
		return
	}
	size := z.desk.Sow(base, r.crop, r.key.layout, ask)
	z.tooMuch(r, size, least)
	z.add(r, size, r.id, figures, false)
}

// sizeUnweighed sizes a sowing of plants that nobody weighs: as many as were wished.
func (z *sizer) sizeUnweighed(base string, r *row) {
	first := r.uses[0]
	w := z.weeks.wishes[first.d.wish].Wish
	if n := counted(r); n > 0 {
		w.Amount = wish.Amount{Kind: wish.Plants, Number: float64(n)}
	}
	of := 1
	if r.hand == nil {
		of = first.s.Of
	}
	size := z.desk.Count(base, r.crop, w.Layout, reckon.Ask{Raised: first.s.Start.Raised, Bought: first.s.Start.Bought}, w, first.s.Part/float64(of))
	size.Given = []reckon.Given{{Plants: size.Plants, Area: size.Area}}
	z.add(r, size, r.id, []string{base}, false)
}

// counted returns how many plants somebody has counted for a sowing, or a wish for all its
// sowings; 0 where the plan counts them.
func counted(r *row) int {
	if r.hand == nil || r.hand.Plants == 0 && r.uses[0].d.plants > 0 {
		return amount.CeilWhole(float64(r.uses[0].d.plants) / float64(max(1, r.of)))
	}
	if r.hand.Plants == 0 && r.uses[0].s.Run == 0 && r.uses[0].d.form == wish.Fresh {
		return max(1, r.hand.Asked) // nothing is asked of it: as many as were when it was recorded
	}
	return r.hand.Plants
}

// tooMuch says so where the fewest plants worth growing, or the least block of corn, give
// more than twice what a sowing is for, and how long one sowing could feed at that rate.
// It is said once for each wish.
func (z *sizer) tooMuch(r *row, size reckon.Size, least int) {
	if !r.key.fresh || r.hand != nil || r.early || size.Plants > least && !r.crop.WindPollinated() || least < 2 || size.Need.Amount <= 0 || size.Average <= 2*size.Need.Amount {
		return
	}
	weeks, of := r.uses[0].s.Run.Count(), r.uses[0].d.wish
	if weeks == 0 || z.told[of] {
		return
	}
	z.told[of] = true
	unit := unitOfNeed(size.Need)
	z.out.notes.add(of, say.MoreThanNeeded{Plants: size.Plants,
		Gives: size.Average, Needs: size.Need.Amount, Unit: unit, Every: math.Round(7 * float64(weeks) * size.Average / size.Need.Amount)})
}

// unitOfNeed is what a need is counted in: kg, or pieces.
func unitOfNeed(n reckon.Need) amount.Unit {
	if n.Pieces {
		return amount.Piece
	}
	return amount.Kilogram
}

// sumNeed adds up what several parts ask of one sowing.
func (z *sizer) sumNeed(base string, r *row, parts []reckon.Part, figures []string) {
	if len(parts) < 2 {
		return
	}
	unit := unitOfNeed(parts[0].Need)
	s := z.desk.Recorder.Open(base, "need", r.crop.Short(), "harvest needed")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing to grow yet", 0, unit, working.Reckoned)
	for i, p := range parts {
		d := r.uses[i].d
		s.Do(working.Plus, z.title(d.wish)+", "+string(d.form), p.Need.Amount/float64(p.Of), unit, working.Reckoned).Link(figures[i], "need")
	}
	s.Is("Harvest needed", unit).Close(unit)
}

func (z *sizer) title(i int) string { return z.weeks.titles[i] }

// lotNeed is the working of what one of the equal sowings of a lot brings in.
func (z *sizer) lotNeed(base string, d *demand, n reckon.Need, sown sowing.Sowing) {
	unit := unitOfNeed(n)
	s := z.desk.Recorder.Open(base, "need", d.crop.Short(), "harvest needed")
	s.Do(working.Start, "The whole lot", d.lot.Amount, unit, working.Reckoned).Link(d.base, "harvested")
	if sown.Part < 1 {
		s.Do(working.Times, "Beside what was counted in other sowings", sown.Part, amount.Share, working.Household)
	}
	if sown.Of > 1 {
		s.Do(working.Over, "Equal sowings", float64(sown.Of), amount.Sowing, working.Household)
	}
	s.Is("Harvest needed", unit).Close(unit)
}

// add keeps a sized sowing with its dates. It returns nil where there is nothing to sow.
//
// One function, since it fills the whole of a sowing.
func (z *sizer) add(r *row, size reckon.Size, id string, figures []string, stands bool) *sown {
	first := r.uses[0]
	if size.Plants == 0 && size.Area == 0 && r.hand == nil {
		return nil
	}
	if r.hand != nil && r.hand.Lost && !r.hand.Begun() { // it was never sown: it takes and gives nothing
		size = reckon.Size{Need: reckon.Need{Pieces: size.Need.Pieces}, Stand: size.Stand, Given: make([]reckon.Given, len(size.Given))}
	}
	dates := z.dates(r.crop, first.d.form, first.s)
	for _, u := range r.uses[1:] {
		dates = dates.and(z.dates(r.crop, u.d.form, u.s))
	}
	sw := &sown{Sowing: dates.Sowing, ground: dates.ground, hand: r.hand, gives: size.Average, season: first.d.use.Season, rowMetres: size.RowMetres}
	x := &z.weeks.wishes[first.d.wish].Wish
	sw.ID, sw.Wish, sw.WishTitle, sw.Stands, sw.Merged = id, x.ID, z.title(first.d.wish), stands, r.merged
	if sw.Cover = string(r.key.cover); r.hand != nil {
		sw.Cover = string(r.hand.Air.Cover)
		sw.Warmer = r.hand.Air.Warmer
	}
	sw.FirstWhy, sw.LastWhy = edges(sw.season, first.s.Start.Sow)
	sw.fill(size, r.crop)
	if stands {
		sw.StockUnit, sw.InBed = "", true
	}
	if r.hand != nil && r.hand.Plants > 0 {
		sw.Wants = max(sw.Wants, r.hand.Asked) // what the plan wanted when they were counted
	}
	if sw.Early { // its harvest is a gift: no week and no sum counts on it
		sw.Feeds, sw.gives = []int{}, 0
	}
	for i, u := range r.uses {
		g := size.Given[i]
		if sw.Early {
			g.Need, g.Average = 0, 0
		}
		y := &z.weeks.wishes[u.d.wish].Wish
		sw.For = append(sw.For, Served{Wish: y.ID, Title: z.title(u.d.wish), Form: string(u.d.form), Part: u.d.part, Need: g.Need, Plants: g.Plants, Area: g.Area, Average: g.Average})
		sw.parts = append(sw.parts, part{u.d, u.s, figures[i], g.Need})
	}
	if size.Short != nil {
		for _, u := range r.uses {
			if u.d.confidence > 0 {
				z.out.notes.add(u.d.wish, size.Short.Fact())
				sw.short = shortOf{u.d, say.That(size.Short.Fact())}
				break
			}
		}
	}
	z.out.sown = append(z.out.sown, sw)
	return sw
}

// unwanted keeps a recorded sowing that no wish uses.
func (z *sizer) unwanted(h *table.RecordedSowing) {
	crop := z.desk.Book.Crop(h.Crop)
	n := max(1, h.Plants, h.Asked)
	size := z.desk.Count("sowing/"+h.ID, crop, "", reckon.Ask{Raised: h.Start.Raised, Bought: h.Start.Bought}, wish.Wish{Amount: wish.Amount{Kind: wish.Plants, Number: float64(n)}}, 1)
	dates := z.dates(crop, "", sowing.Sowing{Start: h.Start, Of: 1, Part: 1, Hand: h})
	sw := &sown{Sowing: dates.Sowing, ground: dates.ground, hand: h}
	sw.ID, sw.Cover, sw.Warmer, sw.For, sw.Feeds = h.ID, string(h.Planting.Cover), h.Air.Warmer, []Served{}, []int{}
	sw.fill(size, crop)
	z.out.sown = append(z.out.sown, sw)
}

// leftover keeps a sowing of the year before that stands still. It feeds no week of this
// table year and takes none of its hours; it is picked and cleared, and has its bed until then.
func (z *sizer) leftover(h *table.RecordedSowing) {
	z.unwanted(h)
	sw := z.out.sown[len(z.out.sown)-1]
	first, last := z.date(h.Start.Ready), z.date(h.Start.End-1)
	sw.FirstPick, sw.LastPick, sw.ground = &first, &last, span{}
}

// fill puts the counts of a sowing in.
func (s *Sowing) fill(z reckon.Size, crop *book.Crop) {
	s.Unit, s.Need = unitOfNeed(z.Need), z.Need.Amount
	s.Plants, s.SetOut, s.Cells, s.Stations, s.Wants = z.Plants, z.SetOut, z.Cells, z.Stations, z.Wants
	s.Seeds, s.SeedGram, s.PerPlace, s.StockKg, s.DrillM = z.Seeds, z.SeedGram, z.PerStation, z.StockKg, z.DrillM
	s.Layout, s.Rows, s.InRow, s.RowGap = z.Stand.Layout, z.Stand.Rows, crop.InRow.Value, crop.RowGap.Value
	s.Planted, s.RowMetres, s.BedLength, s.Area = z.Planted, z.RowMetres, z.BedLength, z.Area
	s.Low, s.Likely, s.High, s.LossShare = z.Low, z.Likely, z.Top, crop.FailProb
	s.depths(crop)
	if s.Cells > 0 { // a cell in which one comes up, and of those the best
		occupied := 1 - math.Pow(1-crop.Germination.Or(1), float64(z.PerStation))
		s.Spare = max(0, int(float64(s.Cells)*occupied)-s.SetOut)
	}
	switch {
	case s.Method == season.Bought:
		s.StockUnit = "starts"
	case crop.Start == book.Vegetative:
		s.StockUnit = crop.Unit + "s"
	}
}
