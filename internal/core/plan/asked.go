package plan

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// asked is what one use of a wish, or another crop that its preparation takes,
// asks of one crop.
type asked struct {
	wish, res  int // of plan.Wishes, and of its Uses
	key        groupKey
	use        *table.Use
	crop       *book.Crop // spaced as the wish wants it
	form       wish.Form
	base       string      // of its figures
	lot        reckon.Need // what a kept form brings in; fresh ones go by the run
	part       bool
	confidence float64
}

// groupKey is what must be alike for uses to be sown together: several wishes
// for one crop add up by use.
type groupKey struct {
	crop      string
	fresh     bool
	pieces    bool
	stagger   wish.Stagger
	once      season.Weeks
	sowings   int // of a lot that is kept
	layout    wish.Layout
	cover     place.Cover
	piece     float64
	unweighed string // the wish of plants nobody weighs, which stands alone
}

// bed is the part of a key by which sowings of one day become one sowing: one
// sowing may serve the table and the jars.
func (k groupKey) bed() groupKey {
	return groupKey{crop: k.crop, pieces: k.pieces, layout: k.layout, cover: k.cover, piece: k.piece, unweighed: k.unweighed}
}

// row is a sowing being put together: a start and all that is asked of it.
type row struct {
	key  groupKey
	id   string
	crop *book.Crop
	of   int // sowings of its group, for the fewest plants worth growing
	uses []rowUse

	hand   *table.Hand
	early  bool
	merged string
}

type rowUse struct {
	a *asked
	s sowing.Sowing
}

// sowAll staggers all that is asked, use by use, and sizes every sowing.
func (c *computation) sowAll() {
	groups := map[groupKey][]*asked{}
	var order []groupKey
	for _, a := range c.asked {
		if groups[a.key] == nil {
			order = append(order, a.key)
		}
		groups[a.key] = append(groups[a.key], a)
	}
	type day struct {
		bed    groupKey
		day    int
		raised bool
		early  bool
		hand   *record.Planting
	}
	var rows []*row
	byDay := map[day]*row{}
	used := map[*record.Planting]bool{}
	for _, key := range order {
		for _, r := range c.stagger(key, groups[key]) {
			start := r.uses[0].s.Start
			at := day{bed: key.bed(), day: start.Day, raised: start.Raised, early: r.early}
			if r.hand != nil {
				at.hand = r.hand.Planting
				used[at.hand] = true
			}
			if same := byDay[at]; same != nil {
				same.uses = append(same.uses, r.uses...)
				same.of = min(same.of, r.of)
				continue
			}
			byDay[at] = r
			rows = append(rows, r)
		}
	}
	c.servedBy = make([][]served, len(c.plan.Wishes))
	c.keepApart(rows)
	for _, r := range c.merge(rows) {
		c.size(r)
	}
	c.orphans(used)
}

// stagger makes the sowings of one group: the fresh weeks of all its uses are
// walked together.
func (c *computation) stagger(key groupKey, group []*asked) (rows []*row) {
	first := group[0]
	all := *first.use
	all.Weeks = 0
	for _, a := range group {
		all.Weeks |= a.use.Weeks
		c.handsOf(&all, a.use)
	}
	w := c.resolved[first.wish].Wish
	known := sowing.Known{
		Now:    int(c.in.AsOf - c.start),
		Bound:  c.bound(all.Season, all.Hands),
		Begin:  func(like season.Start, day int) season.Start { return c.like(first.crop, key.cover, like, day) },
		Agreed: c.resolver.Agreements.Days(first.crop.ID, key.cover, key.fresh),
		Feeds:  func(h *table.Hand, run []int) int { return c.feedsOf(key, group, all.Season, h, run) },
		Gives:  func(h *table.Hand, share float64) float64 { return c.givesOf(group, h, share) },
	}
	prefix := fmt.Sprintf("%02d-%s-%s-", c.in.Household.Year%100, w.ID, nameOf(first))
	n := 0
	var fed season.Weeks
	sowings := sowing.Plan(all, w.Stagger, known)
	for _, s := range sowings {
		r := &row{key: key, crop: first.crop, hand: s.Hand, early: s.Early}
		switch {
		case s.Hand != nil:
			r.id = s.Hand.ID
		case s.Early:
			r.id = prefix + "early"
		default:
			for n++; c.taken[prefix+strconv.Itoa(n)]; n++ {
			}
			r.id = prefix + strconv.Itoa(n)
		}
		if !s.Early {
			fed |= s.Run
		}
		for _, a := range group {
			mine := s
			mine.Run = s.Run & a.use.Weeks
			if mine.Run != 0 || a.form == "" {
				r.uses = append(r.uses, rowUse{a, mine})
			}
		}
		if len(r.uses) == 0 && s.Hand != nil { // it stands though no week needs it
			r.uses = []rowUse{{first, s}}
		}
		if len(r.uses) > 0 {
			rows = append(rows, r)
		}
	}
	for _, r := range rows {
		r.of = len(rows)
	}
	if key.fresh {
		c.starve(group, all.Weeks&^fed, all.Season, sowings)
	}
	return rows
}

func nameOf(a *asked) string {
	if !a.part {
		return formName(a.form)
	}
	return a.base[len("wish/"):][len(wishOf(a.base))+1:]
}

// wishOf returns the id of the wish in a figure's base, wish/<id>/….
func wishOf(base string) string {
	id := base[len("wish/"):]
	for i := range id {
		if id[i] == '/' {
			return id[:i]
		}
	}
	return id
}

// size sizes one sowing for all that is asked of it and adds it to the plan.
func (c *computation) size(r *row) {
	base := "sowing/" + r.id
	first := r.uses[0]
	if first.a.form == "" {
		w := c.resolved[first.a.wish].Wish
		if n := counted(r); n > 0 {
			w.Amount = wish.Amount{Kind: wish.Plants, Number: float64(n)}
		}
		of := 1
		if r.hand == nil {
			of = first.s.Of
		}
		z := c.desk.Count(base, r.crop, w.Layout, reckon.Ask{Raised: first.s.Start.Raised, Bought: first.s.Start.Bought}, w, first.s.Part/float64(of))
		z.Given = []reckon.Given{{Plants: z.Plants, Area: z.Area}}
		c.add(r, z, r.id, []string{base}, false)
		return
	}
	parts, figures := make([]reckon.Part, len(r.uses)), make([]string, len(r.uses))
	for i, u := range r.uses {
		figures[i] = base
		if len(r.uses) > 1 {
			figures[i] = fmt.Sprintf("%s/%s-%s", base, c.resolved[u.a.wish].Wish.ID, nameOf(u.a))
		}
		need := u.a.lot
		if u.a.form == wish.Fresh && !u.a.part {
			w := &c.resolved[u.a.wish]
			need = c.desk.Harvest(figures[i], "need", u.a.crop.Short(), w, *u.a.use, u.s.Run)
		} else {
			need.Amount *= u.s.Part
			c.lotNeed(figures[i], u.a, need, u.s)
		}
		parts[i] = reckon.Part{Need: need, Confidence: u.a.confidence, Share: u.s.Share, Of: u.s.Of}
	}
	c.sumNeed(base, r, parts, figures)
	least := int(math.Ceil(r.crop.MinPlants / math.Max(1, float64(r.of))))
	if r.crop.WindPollinatedCorn() {
		least = int(r.crop.MinPlants) // each sowing must pollinate itself
	}
	ask := reckon.Ask{Raised: first.s.Start.Raised, Bought: first.s.Start.Bought, Parts: parts, Least: least, Bearing: 1, Counted: counted(r)}
	if !r.crop.Perennial() {
		z := c.desk.Sow(base, r.crop, r.key.layout, ask)
		c.tooMuch(r, z, least)
		c.add(r, z, r.id, figures, false)
		return
	}
	c.patch(base, r, ask, figures)
}

// tooMuch says so where the fewest plants worth growing, or the least block of corn, give more than twice what a
// sowing is for, and how long one sowing could feed at that rate. It is said once.
func (c *computation) tooMuch(r *row, z reckon.Size, least int) {
	if !r.key.fresh || r.hand != nil || r.early || z.Plants > least && !r.crop.WindPollinatedCorn() || least < 2 || z.Need.Amount <= 0 || z.Average <= 2*z.Need.Amount {
		return
	}
	weeks := r.uses[0].s.Run.Count()
	out := &c.plan.Wishes[r.uses[0].a.wish]
	const begins = "the fewest plants worth sowing, "
	if weeks == 0 || slices.ContainsFunc(out.Notes, func(n string) bool { return strings.HasPrefix(n, begins) }) {
		return
	}
	unit := amount.Kilogram
	if z.Need.Pieces {
		unit = amount.Piece
	}
	out.Notes = append(out.Notes, fmt.Sprintf("%s%d, give %s where %s is needed: a sowing every %.0f days would do", begins, z.Plants,
		amount.Mark(z.Average, unit), amount.Mark(z.Need.Amount, unit), math.Round(7*float64(weeks)*z.Average/z.Need.Amount)))
}

// sumNeed adds up what several parts ask of one sowing.
func (c *computation) sumNeed(base string, r *row, parts []reckon.Part, figures []string) {
	if len(parts) < 2 {
		return
	}
	unit := amount.Kilogram
	if parts[0].Need.Pieces {
		unit = amount.Piece
	}
	s := c.desk.Recorder.Open(base, "need", r.crop.Short(), "to bring in")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing asked yet", 0, unit, working.Reckoned)
	for i, p := range parts {
		a := r.uses[i].a
		s.Do(working.Plus, c.plan.Wishes[a.wish].Title+", "+string(a.form), p.Need.Amount/float64(p.Of), unit, working.Reckoned).Link(figures[i], "need")
	}
	s.Is("To bring in", unit).Close(unit)
}

// lotNeed is the working of what one of the equal sowings of a lot brings in.
func (c *computation) lotNeed(base string, a *asked, n reckon.Need, sown sowing.Sowing) {
	unit := amount.Kilogram
	if n.Pieces {
		unit = amount.Piece
	}
	s := c.desk.Recorder.Open(base, "need", a.crop.Short(), "to bring in")
	s.Do(working.Start, "The whole lot", a.lot.Amount, unit, working.Reckoned).Link(a.base, "harvested")
	if sown.Part < 1 {
		s.Do(working.Times, "Beside what was counted in other sowings", sown.Part, amount.Share, working.Household)
	}
	if sown.Of > 1 {
		s.Do(working.Over, "Equal sowings", float64(sown.Of), amount.Sowing, working.Household)
	}
	s.Is("To bring in", unit).Close(unit)
}

// patch plans a perennial: what stands already, by its age, and what is still to
// be planted for the household to have a full crop one day.
func (c *computation) patch(base string, r *row, ask reckon.Ask, figures []string) {
	p := r.crop.Patch
	var stand int
	var bearing float64
	for _, h := range c.in.Household.Patches {
		if h.Crop != r.crop.ID {
			continue
		}
		age := c.in.Household.Year - h.Planted + 1
		stand += h.Plants
		bearing += float64(h.Plants) * p.Bears(age)
		if float64(age) > p.StandYears {
			c.note(r, fmt.Sprintf("the patch planted in %d is in its year %d; one usually stands for %.0f", h.Planted, age, p.StandYears))
		}
	}
	ask.Bearing = p.Bears(1)
	plant := func() {
		c.add(r, c.desk.Sow(base, r.crop, r.key.layout, ask), r.id, figures, false)
		c.newPatch(c.sowings[len(c.sowings)-1], r, stand == 0)
	}
	if stand == 0 {
		plant()
		return
	}
	c.note(r, fmt.Sprintf("the %d %s that stand give %.0f %% of a full crop this year", stand, strings.ToLower(r.crop.Short()), 100*bearing/float64(stand)))
	whole := (&reckon.Desk{Book: c.desk.Book, Rules: c.desk.Rules, UsualRules: c.desk.UsualRules}).Sow(base, r.crop, r.key.layout, ask)
	share := math.Min(1, float64(stand)/math.Max(1, float64(whole.Plants)))
	stands := c.desk.Stands("sowing/"+r.id+"-stands", r.crop, r.key.layout, stand, bearing, whole, share)
	c.add(r, stands, r.id+"-stands", figures, true)
	if share < 1-1e-9 {
		for i := range ask.Parts {
			ask.Parts[i].Need.Amount *= 1 - share
		}
		ask.Beside = true
		plant()
	}
}

// newPatch moves a new patch to the coming spring, and lets it be picked only from the
// year in which it first bears. Where nothing else stands, the weeks it is to feed are
// gaps until then.
func (c *computation) newPatch(sw *Sowing, r *row, alone bool) {
	if sw.Stands {
		return
	}
	by := civil.Date(0)
	for sw.Date+by < c.in.AsOf {
		by += place.Days
	}
	for sw.Date+by-place.Days >= c.in.AsOf {
		by -= place.Days
	}
	for _, day := range []*civil.Date{sw.HardenOff, sw.PlantOut, sw.UpBy, sw.FirstPick, sw.LastPick} {
		if day != nil {
			*day += by
		}
	}
	sw.Date, sw.Day, sw.Clear = sw.Date+by, sw.Day+by, sw.Clear+by
	p := r.crop.Patch
	first := 1
	for p.Bears(first) <= 0 {
		first++
	}
	year, _, _ := sw.Day.Split()
	if first == 1 {
		c.note(r, fmt.Sprintf("newly planted it gives %.0f %% of a full crop in its first year, all of it from its year %.0f; enter a patch that stands already in House", 100*p.Bears(1), p.FullBearingYear))
		return
	}
	sw.FirstPick, sw.LastPick, sw.Feeds = nil, nil, []int{}
	for i := range sw.For {
		f := &sw.For[i]
		out := &c.plan.Wishes[f.asked.wish]
		out.Harvested -= f.Need
		if f.asked.form == wish.Fresh {
			out.Uses[f.asked.res].Harvested -= f.Need
		}
		f.Need = 0
	}
	c.note(r, fmt.Sprintf("planted in spring %d it is first picked in %d, with %.0f %% of a full crop, all of it from %d; enter a patch that stands already in House", year, year+first-1, 100*p.Bears(first), year+int(p.FullBearingYear)-1))
	if alone {
		for _, u := range r.uses {
			c.gaps(u.a, u.a.use.Weeks)
		}
	}
}

func (c *computation) note(r *row, text string) {
	out := &c.plan.Wishes[r.uses[0].a.wish]
	out.Notes = append(out.Notes, text)
}

// add puts a sized sowing into the plan and gives each wish its part of it.
func (c *computation) add(r *row, z reckon.Size, id string, figures []string, stands bool) {
	first := r.uses[0]
	if z.Plants == 0 && z.Area == 0 && r.hand == nil {
		return // there is nothing to sow for it
	}
	if r.hand != nil && r.hand.Lost && !r.hand.Begun() { // it was never sown: it takes and gives nothing
		z = reckon.Size{Need: reckon.Need{Pieces: z.Need.Pieces}, Stand: z.Stand, Given: make([]reckon.Given, len(z.Given))}
	}
	sw := c.dates(r.crop, first.a.form, first.s)
	for _, u := range r.uses[1:] {
		sw.extend(c.dates(r.crop, u.a.form, u.s))
	}
	w := &c.plan.Wishes[first.a.wish]
	sw.ID, sw.Wish, sw.WishTitle, sw.Stands = id, w.ID, w.Title, stands
	if sw.Cover = string(r.key.cover); r.hand != nil {
		sw.Cover = string(r.hand.Under)
	}
	sw.FirstWhy, sw.LastWhy = edges(first.a.use.Season, first.s.Start.Sow)
	sw.fill(z, r.crop)
	if stands {
		sw.StockUnit = ""
	}
	if sw.hand, sw.Merged = r.hand, r.merged; r.hand != nil && r.hand.Plants > 0 {
		sw.Wants = max(sw.Wants, r.hand.Asked) // what the plan wanted when they were counted
	}
	if z.Short != nil {
		for _, u := range r.uses {
			if u.a.confidence > 0 {
				out := &c.plan.Wishes[u.a.wish]
				out.Uses[u.a.res].Short = z.Short.Error()
				out.Notes = append(out.Notes, z.Short.Error())
				break
			}
		}
	}
	sw.gives, sw.season = z.Average, first.a.use.Season
	for i, u := range r.uses {
		g := z.Given[i]
		sw.For = append(sw.For, Served{
			Wish: c.plan.Wishes[u.a.wish].ID, Title: c.plan.Wishes[u.a.wish].Title, Form: string(u.a.form), Part: u.a.part,
			Need: g.Need, Plants: g.Plants, Area: g.Area, Average: g.Average,
			figure: figures[i], asked: u.a, sown: u.s,
		})
	}
	c.sowings = append(c.sowings, &sw)
	if sw.Early { // its harvest is a gift: no week and no sum counts on it
		sw.Feeds, sw.gives = []int{}, 0
		for i := range sw.For {
			sw.For[i].Average, sw.For[i].Need = 0, 0
		}
	}
	for i, u := range r.uses {
		c.give(&sw, &sw.For[i], u.a, z.RowMetres)
	}
}

// fill puts the counts of a sowing in.
func (s *Sowing) fill(z reckon.Size, crop *book.Crop) {
	s.Unit, s.Need = amount.Kilogram, z.Need.Amount
	if z.Need.Pieces {
		s.Unit = amount.Piece
	}
	s.Plants, s.SetOut, s.Cells, s.Stations, s.Wants = z.Plants, z.SetOut, z.Cells, z.Stations, z.Wants
	s.Seeds, s.SeedGram, s.PerPlace, s.StockKg, s.DrillM = z.Seeds, z.SeedGram, z.PerStation, z.StockKg, z.DrillM
	s.Layout, s.Rows, s.InRow, s.RowGap = z.Stand.Layout, z.Stand.Rows, crop.InRow.Value, crop.RowGap.Value
	s.Planted, s.RowMetres, s.BedLength, s.Area = z.Planted, z.RowMetres, z.BedLength, z.Area
	s.Low, s.Likely, s.High, s.LossShare = z.Low, z.Likely, z.Top, crop.FailProb
	if s.Cells > 0 { // a cell in which one comes up, and of those the best
		occupied := 1 - math.Pow(1-crop.Germination.Or(1), float64(z.PerStation))
		s.Spare = max(0, int(float64(s.Cells)*occupied)-s.SetOut)
	}
	switch {
	case s.Method == "bought":
		s.StockUnit = "starts"
	case crop.Start == "vegetative":
		s.StockUnit = crop.Unit + "s"
	}
}

// give adds a sowing's part to a wish.
func (c *computation) give(sw *Sowing, f *Served, a *asked, rowMetres float64) {
	out := &c.plan.Wishes[a.wish]
	res := &out.Uses[a.res]
	c.servedBy[a.wish] = append(c.servedBy[a.wish], served{sw, f})
	res.Plants += f.Plants
	res.Area += f.Area
	res.Average += f.Average
	out.SowingCount++
	out.Plants += f.Plants
	if sw.Plants > 0 {
		out.RowMetres += rowMetres * float64(f.Plants) / float64(sw.Plants)
	}
	if sw.Method != "tray" {
		out.Area += f.Area
	}
	if a.part {
		return
	}
	out.Average += f.Average
	if a.form != "" {
		out.Harvested += f.Need
		if a.form == wish.Fresh {
			res.Harvested += f.Need
		}
	}
}
