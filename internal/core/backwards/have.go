package backwards

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// What is what somebody has at hand.
type What string

// What there can be at hand, and what its number counts.
const (
	Plants What = "plants" // starts to set out
	Seeds  What = "seeds"  // of a packet
	Stock  What = "stock"  // kg of tubers, cloves, sets or slips
	Row    What = "row"    // m of a row
	Ground What = "bed"    // m of a bed; its width beside it
	Empty  What = "jars"   // empty jars to fill; what one holds beside them
)

// Have is something at hand.
type Have struct {
	What   What    `json:"what"`
	Crop   string  `json:"crop,omitempty"` // a kind of the book; may be left out for a bed and for jars: what is wished for is tried
	Number float64 `json:"number"`
	Width  float64 `json:"width,omitempty"` // of a bed, m
	Litre  float64 `json:"litre,omitempty"` // that one jar holds
}

// MostHaves bounds what is asked about at once.
const MostHaves = 40

// kindsOfBed is how many kinds are told for a bed of which nothing is said.
const kindsOfBed = 6

// JarsOf is what a harvest fills, put up in one way.
type JarsOf struct {
	Preparation string      `json:"preparation"`
	Count       float64     `json:"count"` // whole containers; of what is dried, kg
	Unit        amount.Unit `json:"unit"`  // jars, or kg
	Each        float64     `json:"each"`  // L a container holds; 0 of what goes by weight
}

// Gives is what one kind makes of something at hand: what it gives, and when, begun as soon
// as that can still be. The harvest is that of a planting that stands, between one year in
// ten and nine; Lost is the chance that it does not.
type Gives struct {
	Have     int           `json:"have"` // which of what was asked about
	Crop     string        `json:"crop"`
	CropName string        `json:"crop_name"`
	Method   season.Method `json:"method"`
	Plants   int           `json:"plants"` // that will stand
	Begin    civil.Date    `json:"begin"`  // the first thing to do
	First    civil.Date    `json:"first"`  // the first picking
	Last     civil.Date    `json:"last"`
	Weeks    int           `json:"weeks"` // of fresh eating
	Gaps     int           `json:"gaps"`  // of them, weeks in which a wish for it goes unfed
	Wish     string        `json:"wish"`  // whose gaps those are; empty: nobody wishes for it
	Area     float64       `json:"area"`  // m² in the usual bed
	Low      float64       `json:"low"`
	Likely   float64       `json:"likely"`
	High     float64       `json:"high"`
	Unit     amount.Unit   `json:"unit"`
	Lost     float64       `json:"lost"`            // chance that it is lost outright
	Meals    float64       `json:"meals"`           // of the household's usual portions, from the likely harvest
	Jars     []JarsOf      `json:"jars"`            // what the likely harvest fills, one way or the other
	InTime   *float64      `json:"in_time"`         // chance that it is ready before the first frost; nil: frost does not end it
	Again    *civil.Date   `json:"again,omitempty"` // it can be begun no more in time for this year: from when again
}

// at is what the answers are reckoned with.
type at struct {
	in     plan.Input
	plan   *plan.Plan
	book   *book.Book
	rules  book.Rules
	year   *place.Year
	start  civil.Date
	eaters float64
}

// From says what can be made of what is at hand, the most useful first. Nothing is sown beside it to make up. Mistakes
// are invalid.Fields.
func From(in plan.Input, p plan.Plan, haves []Have) ([]Gives, error) {
	own, rules, _, err := in.Household.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	h := in.Household
	a := &at{in: in, plan: &p, book: own, rules: rules, start: h.YearStart(), year: place.Build(h.Place, place.ThisYear(h.Place, h.Weather, in.AsOf)...)}
	for _, e := range h.AdultEquivalents() {
		a.eaters += e / season.WeeksPerYear
	}
	if err := validate(haves, own); err != nil {
		return nil, err
	}
	out := []Gives{}
	for i, x := range haves {
		var found []Gives
		for _, c := range a.kinds(x) {
			if g, ok := a.gives(x, c); ok {
				g.Have = i
				found = append(found, g)
			}
		}
		slices.SortStableFunc(found, useful)
		if x.Crop == "" {
			found = found[:min(kindsOfBed, len(found))]
		}
		out = append(out, found...)
	}
	slices.SortStableFunc(out, useful)
	return out, nil
}

// useful orders answers: what can still be begun in time for this year, then by the gap weeks
// that it closes, by the weeks that it feeds, and by the chance that it comes to anything.
func useful(a, b Gives) int {
	later := func(g Gives) int {
		if g.Again != nil {
			return 1
		}
		return 0
	}
	return cmp.Or(cmp.Compare(later(a), later(b)), cmp.Compare(b.Gaps, a.Gaps), cmp.Compare(b.Weeks, a.Weeks), cmp.Compare(b.chance(), a.chance()), cmp.Compare(a.Have, b.Have))
}

// chance is that of a harvest at all: it is not lost, and ready before the frost.
func (g *Gives) chance() float64 {
	out := 1 - g.Lost
	if g.InTime != nil {
		out *= *g.InTime
	}
	return out
}

func validate(haves []Have, b *book.Book) error {
	c := invalid.NewCheck()
	if len(haves) == 0 || len(haves) > MostHaves {
		c.Add("haves", fmt.Sprint(len(haves)), fmt.Sprintf("1 to %d things at hand", MostHaves))
	}
	for i, x := range haves {
		x.validate(c.Index("haves", i), b)
	}
	return c.Err()
}

// validate looks at one thing at hand.
func (x Have) validate(c invalid.Check, b *book.Book) {
	c.OneOf("what", string(x.What), string(Plants), string(Seeds), string(Stock), string(Row), string(Ground), string(Empty))
	c.Positive("number", x.Number, 100000)
	crop := b.Crop(x.Crop)
	switch {
	case x.What == Ground:
		c.Positive("width", x.Width, 100)
	case x.What == Empty:
		c.Positive("litre", x.Litre, 20)
	case crop == nil:
		c.OfBook().Add("crop", x.Crop, "a variety of the crop book")
	case x.What == Stock && (crop.Start != book.Vegetative || !crop.StockGram.Known):
		c.Add("what", string(x.What), "Choose plants or seeds: "+crop.Short()+" is not planted from stock that is weighed")
	case x.What == Seeds && crop.Start == book.Vegetative:
		c.Add("what", string(x.What), "Choose plants, or stock by weight: "+crop.Short()+" is not grown from seed here")
	}
	if crop != nil && !ofTheYear(crop) {
		c.Add("crop", x.Crop, "a variety that is weighed and harvested in the year in which it is sown")
	}
}

// ofTheYear reports whether a kind is begun and harvested in one season, and weighed.
func ofTheYear(c *book.Crop) bool { return !c.Perennial() && c.Dense == nil && c.Weighed() }

// kinds lists what is tried for something at hand: the kind that is named, or all that the
// household wishes for.
func (a *at) kinds(x Have) (out []*book.Crop) {
	if c := a.book.Crop(x.Crop); c != nil {
		return []*book.Crop{c}
	}
	for _, c := range a.book.Crops() {
		wished := slices.ContainsFunc(a.in.Household.Wishes, func(w wish.Wish) bool { return slices.Contains(a.book.Kinds(w.Food), c) })
		if wished && ofTheYear(c) {
			out = append(out, c)
		}
	}
	return out
}

// gives says what a kind makes of something at hand; false where nothing comes of it at all.
func (a *at) gives(x Have, c *book.Crop) (Gives, bool) {
	rules := a.in.Household.Rules(c.ID)
	if x.What == Plants && c.Start != book.Vegetative && season.CanBe(c, season.Bought) {
		rules.Method = season.Bought // they are there already: nothing is raised
	}
	whole := season.Of(c, a.year, rules, a.start.YearDay())
	s := whole.From(int(a.in.AsOf - a.start))
	var again *civil.Date
	if _, _, over := s.Over(); over { // the next year's
		s = whole
		from := a.next(s.Starts[0])
		for _, st := range s.Starts {
			from = min(from, a.next(st))
		}
		again = &from
	}
	st := bestOf(s)
	if st == nil {
		return Gives{}, false
	}
	g := Gives{Crop: c.ID, CropName: c.Short(), Jars: []JarsOf{}, Lost: c.FailProb, Again: again}
	g.Method, _ = season.MethodOf(c, *st)
	share := s.Share(*st, st.Ready, st.End)
	p := a.fills(x, c)
	if x.What == Empty && p == nil {
		return Gives{}, false
	}
	a.stand(&g, x, c, st)
	if x.What == Empty {
		a.toFill(&g, x, c, p, share)
	}
	if g.Plants == 0 {
		return Gives{}, false
	}
	shift := civil.Date(0)
	if again != nil {
		shift = a.next(*st) - a.start - civil.Date(st.Sow)
	}
	day := func(d int) civil.Date { return a.start + civil.Date(d) + shift }
	g.Begin, g.First, g.Last = day(st.Sow), day(st.Ready), day(max(st.Ready, st.End-1))
	weeks := s.FedBy(*st)
	g.Weeks = weeks.Count()
	a.harvest(&g, c, share)
	switch {
	case x.What == Empty:
		a.filled(&g, x, p, again == nil)
	case again == nil:
		a.gaps(&g, c, weeks)
	}
	if chance, ends := season.BeforeFrost(c, a.year, a.in.Household.Risk, a.start.YearDay(), *st); ends {
		g.InTime = &chance
	}
	return g, true
}

// next returns the day on which a start of this table year comes again, from today on.
func (a *at) next(st season.Start) civil.Date {
	day := a.start + civil.Date(st.Sow)
	for day < a.in.AsOf {
		day += place.Days
	}
	return day
}

// nearlyAll is the share of the most weeks that a start must feed to be taken for being sooner:
// what is at hand is not kept for months for a week more.
const nearlyAll = 0.8

// bestOf returns the start that is begun first of those that feed nearly as many weeks as any
// does; nil where there is none.
func bestOf(s *season.Season) (best *season.Start) {
	most := 0
	for _, feeds := range s.Feeds {
		most = max(most, feeds.Count())
	}
	for i := range s.Starts {
		st := &s.Starts[i]
		if float64(s.Feeds[i].Count()) >= nearlyAll*float64(most) && (best == nil || st.Sow < best.Sow) {
			best = st
		}
	}
	return best
}

// stand reckons how many plants stand of something at hand, and the ground that they take:
// model 7 the other way round.
func (a *at) stand(g *Gives, x Have, c *book.Crop, st *season.Start) {
	s := reckon.StandIn(c, "", reckon.Bed{Width: a.rules.BedWidth, Edge: a.rules.Edge})
	up := c.Germination.Or(1)
	var n float64
	switch x.What {
	case Plants:
		n = x.Number * c.Survive
	case Stock:
		n = math.Floor(x.Number*1000/c.StockGram.Value) * c.Survive
	case Seeds:
		n = a.fromSeeds(x.Number, c, st, up)
	case Row:
		n = float64(reckon.PlantsInRow(c, x.Number))
	case Empty: // as many as fill them, in the usual bed
	case Ground:
		s = reckon.StandIn(c, "", reckon.Bed{Width: x.Width, Edge: math.Min(a.rules.Edge, x.Width/3)})
		n = float64(reckon.PlantsOnBed(c, x.Number, x.Width, a.rules.Edge))
	}
	g.Plants = amount.FloorWhole(n)
	g.Area = float64(g.Plants) * s.Ground
	if x.What == Ground { // what sprawls runs over the bed's edges, and takes no more of it
		g.Area = math.Min(g.Area, x.Number*x.Width)
	}
	g.Likely = c.Gives() * s.Factor // of a plant, until harvest takes it times
}

// fromSeeds returns how many plants stand of so many seeds.
func (a *at) fromSeeds(seeds float64, c *book.Crop, st *season.Start, up float64) float64 {
	switch {
	case st.Raised:
		m := c.PerStation.Or(2)
		return math.Floor(seeds/m) * (1 - math.Pow(1-up, m)) * a.rules.Keep * c.Survive
	case c.SeedsPerMetre.Known: // a drill, thinned to its spacing
		return math.Min(seeds*up*reckon.DrillGrow, seeds/c.SeedsPerMetre.Value/(c.InRow.Value/100))
	}
	m, occupied := reckon.SeedsToAStation(up)
	return math.Floor(seeds/float64(m)) * occupied
}

// gaps counts the weeks that a planting would feed and in which a wish for its food is unfed: no
// more of them than the likely harvest is enough for.
func (a *at) gaps(g *Gives, c *book.Crop, weeks season.Weeks) {
	for i := range a.plan.Wishes {
		p := &a.plan.Wishes[i]
		w := a.in.Household.Wishes[i]
		if !slices.Contains(a.book.Kinds(w.Food), c) {
			continue
		}
		n := 0
		for week, source := range p.Source {
			if source == wish.Gap && weeks.Has(week) {
				n++
			}
		}
		n = min(n, g.enoughFor(w.Amount))
		if g.Wish == "" || n > g.Gaps {
			g.Wish, g.Gaps = p.Title, n
		}
	}
}

// enoughFor returns for how many weeks the likely harvest is enough at a weekly amount; of an
// amount of the year any week will do.
func (g *Gives) enoughFor(a wish.Amount) int {
	has := 0.0
	switch {
	case a.Number <= 0 || !a.Kind.Weekly():
		return season.WeeksPerYear
	case a.Kind.Counts(wish.CountsMeals):
		has = g.Meals
	case a.Kind.Unit() == g.Unit:
		has = g.Likely
	default:
		return season.WeeksPerYear
	}
	return amount.FloorWhole(has / a.Number)
}

// harvest reckons what the plants give between one year in ten and nine, and what it comes to
// in meals and jars. Share is what is left of the full picking.
func (a *at) harvest(g *Gives, c *book.Crop, share float64) {
	each := g.Likely * share
	g.Unit = amount.Kilogram
	kg := float64(g.Plants) * each
	if pieces, counted := c.PiecesPerPlant(c.Gives()); counted && pieces == 1 && c.Harvest == book.Once {
		good := float64(g.Plants) * (1 - a.rules.Unmarketable)
		g.Unit, g.Likely = amount.Piece, math.Round(good)
		spread := 1.2816 * math.Sqrt(good*a.rules.Unmarketable) // 10 and 90 % of a binomial count
		g.Low, g.High = math.Max(0, math.Round(good-spread)), math.Min(float64(g.Plants), math.Round(good+spread))
	} else {
		sigma := math.Sqrt(math.Log(1 + c.YieldCV.Or(0.3)*c.YieldCV.Or(0.3)))
		at := func(z float64) float64 { return kg * math.Exp(-sigma*sigma/2+z*sigma) }
		g.Low, g.Likely, g.High = at(-1.2816), kg, at(1.2816)
	}
	market := kg * (1 - a.rules.Cull)
	if portion := c.Portion.Or(0); portion > 0 && a.eaters > 0 {
		g.Meals = market * c.Edible * 1000 / (portion * a.eaters)
	}
	for _, p := range a.book.Preparations() {
		if !slices.Contains(p.Crops, c.ID) || p.Raw <= 0 || p.Own {
			continue
		}
		units := market * (1 - a.rules.Spoil) / p.Raw
		j := JarsOf{Preparation: p.Name, Count: units, Unit: amount.Kilogram}
		if p.Unit == "litre" && p.JarLitre > 0 {
			j = JarsOf{Preparation: p.Name, Count: float64(amount.FloorWhole(units / p.JarLitre)), Unit: amount.Jar, Each: p.JarLitre}
		}
		if j.Count >= 0.1 {
			g.Jars = append(g.Jars, j)
		}
	}
}
