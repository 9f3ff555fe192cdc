// Package wish describes what a household wants to eat: a food, an amount of one of the
// amount kinds, the forms in which it may come to the table, and the part of the year.
package wish

import (
	"fmt"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// Amount is how much is wished.
type Amount struct {
	Kind    AmountKind `json:"kind"`
	Number  float64    `json:"number"`
	Portion float64    `json:"portion,omitempty"` // g edible and raw, an adult's; 0: the usual one
	Jar     float64    `json:"jar,omitempty"`     // litres a jar; 0: the preparation's usual one
}

// Span of the year in which a wish holds.
type SeasonKind string

// The seasons of a wish.
const (
	AllYear SeasonKind = "all-year"
	Months  SeasonKind = "months"
	While   SeasonKind = "while" // while it lasts: only in its fresh weeks, no gap counted outside
)

// Season says in which part of the year a wish holds.
type Season struct {
	Kind SeasonKind `json:"kind"`
	From int        `json:"from,omitempty"` // first month, 1 to 12
	To   int        `json:"to,omitempty"`   // last month, included
	Also []MonthRun `json:"also,omitempty"` // further months: spring and autumn, say
}

// MonthRun is a run of months, both included; it may run on over New Year.
type MonthRun struct {
	From int `json:"from"` // 1 to 12
	To   int `json:"to"`
}

// holds reports whether the season has a month.
func (s Season) Holds(month int) bool {
	return s.Kind != Months || inMonths(month, s.From, s.To) || slices.ContainsFunc(s.Also, func(o MonthRun) bool { return inMonths(month, o.From, o.To) })
}

// Priority of a wish.
type Priority string

// The priorities.
const (
	MustHave   Priority = "must"
	WouldLike  Priority = "want"
	NiceToHave Priority = "nice"
)

// StaggerKind says how sowings follow each other.
type StaggerKind string

// The ways of staggering.
const (
	ByNeed StaggerKind = "need"  // so that the table never goes empty
	Every  StaggerKind = "every" // at a fixed interval
	Times  StaggerKind = "times" // so many sowings, spread over the season or so many days apart
	OneGo  StaggerKind = "once"  // all at once
)

// Stagger is how the sowings of a wish follow each other.
type Stagger struct {
	Kind    StaggerKind `json:"kind"`
	Days    int         `json:"days,omitempty"`    // the interval, for every
	Sowings int         `json:"sowings,omitempty"` // for times: how many; of a lot that is kept: equal sowings; 0: one
	Early   bool        `json:"early,omitempty"`   // risk one cheap row before the season, whose loss is accepted
}

// Layout is how plants stand in a bed.
type Layout string

// The layouts.
const (
	Rows   Layout = "rows"   // rows along the bed
	Across Layout = "across" // rows across the bed
	Block  Layout = "block"  // the same distance every way
	Plot   Layout = "plot"   // open ground without beds
)

// Wish is one thing the family wants on the table or on the shelf.
type Wish struct {
	ID           string   `json:"id"`
	Food         string   `json:"food"`
	Variety      string   `json:"kind,omitempty"`         // crop id; empty: the kind that suits each use
	Forms        []Form   `json:"forms"`                  // acceptable forms in the family's order
	Preparations []string `json:"preparations,omitempty"` // of the forms that are put up, one for each
	// Preparation is how older files name the one preparation there could be;
	// Fill moves it into Preparations.
	Preparation string   `json:"preparation,omitempty"`
	Amount      Amount   `json:"amount"`
	Season      Season   `json:"season"`
	For         *Whom    `json:"for,omitempty"` // nil: for everybody at the table
	Priority    Priority `json:"priority"`
	// Confidence is the chance with which the wish is to be met: nil is the
	// default of its use, 0 a typical year.
	Confidence *float64    `json:"confidence,omitempty"`
	Left       float64     `json:"left,omitempty"` // still on the shelf when the new crop is put up, in the amount's unit
	Stagger    Stagger     `json:"stagger"`
	Layout     Layout      `json:"layout,omitempty"`
	Cover      place.Cover `json:"cover,omitempty"` // over its sowings
	Piece      float64     `json:"piece,omitempty"` // g, the wanted size of a root, head or bulb; 0: as it comes
	Pins       []Pin       `json:"pins,omitempty"`  // weeks given a source by hand
	Story      *Story      `json:"story,omitempty"` // what became of last year's, from which the amount follows
	Note       string      `json:"note,omitempty"`
}

// Pin gives one week its source by hand.
type Pin struct {
	Day    civil.MonthDay `json:"day"`    // a day of that week
	Source Form           `json:"source"` // one of the wish's forms, or bought
}

// PreparationFor returns the preparation of a form that is put up, or nil.
func (w Wish) PreparationFor(f Form, b *book.Book) *book.Preparation {
	if !f.PutUp() {
		return nil
	}
	for _, id := range w.Preparations {
		if p := b.Preparation(id); p != nil && p.Form == string(f) {
			return p
		}
	}
	return nil
}

// Made returns what a wish counted in jars, litres or kg dried is made into.
func (w Wish) Made(b *book.Book) *book.Preparation {
	if len(w.Forms) == 0 || !w.Amount.Kind.PutUp() {
		return nil
	}
	return w.PreparationFor(w.Forms[0], b)
}

// Validate looks for what cannot stand in a wish.
func (w Wish) Validate(c invalid.Check, b *book.Book) {
	if k, ok := w.Amount.Kind.Facts(); !ok {
		c.OneOf("amount.kind", string(w.Amount.Kind), kindNames()...)
	} else {
		c.Positive("amount.number", w.Amount.Number, k.Most)
		c.Number("left", w.Left, 0, k.Most)
	}
	c.Number("amount.portion", w.Amount.Portion, 0, 2000)
	if w.Amount.Jar != 0 {
		c.Number("amount.jar", w.Amount.Jar, 0.05, 25)
	}
	c.OneOf("priority", string(w.Priority), string(MustHave), string(WouldLike), string(NiceToHave))
	if w.Confidence != nil && *w.Confidence != 0 {
		c.Number("confidence", *w.Confidence, 0.5, 0.99)
	}
	w.validateSeason(c)
	w.validateWhom(c)
	c.OneOf("stagger.kind", string(w.Stagger.Kind), string(ByNeed), string(Every), string(Times), string(OneGo))
	if w.Stagger.Kind == Every {
		c.Number("stagger.days", float64(w.Stagger.Days), 3, 120)
	}
	least := 0.0
	if w.Stagger.Kind == Times && w.Stagger.Days != 0 {
		c.Number("stagger.days", float64(w.Stagger.Days), 3, 120)
	}
	if w.Stagger.Kind == Times {
		least = 1
	}
	c.Number("stagger.sowings", float64(w.Stagger.Sowings), least, 26)
	c.OneOf("layout", string(w.Layout), "", string(Rows), string(Across), string(Block), string(Plot))
	if len([]rune(w.Note)) > 500 {
		c.Text("note", w.Note, 500)
	}
	if w.Story != nil {
		w.Story.validate(c.At("story"), w.Amount.Kind)
	}
	w.validateFood(c.OfBook(), b)
}

func (w Wish) validateSeason(c invalid.Check) {
	c.OneOf("season.kind", string(w.Season.Kind), string(AllYear), string(Months), string(While))
	if w.Season.Kind == Months {
		c.Number("season.from", float64(w.Season.From), 1, 12)
		c.Number("season.to", float64(w.Season.To), 1, 12)
	}
	if len(w.Season.Also) > 0 && w.Season.Kind != Months || len(w.Season.Also) > 3 {
		c.Add("season.also", fmt.Sprint(len(w.Season.Also)), "at most three more groups of months")
		return
	}
	for i, s := range w.Season.Also {
		at := c.Index("season.also", i)
		at.Number("from", float64(s.From), 1, 12)
		at.Number("to", float64(s.To), 1, 12)
	}
}

// validateFood is one function, since each rule is one case.
func (w Wish) validateFood(c invalid.Check, b *book.Book) {
	kinds := b.Food(w.Food)
	if kinds == nil {
		c.Add("food", w.Food, "a food of the crop book"+NearestWords(b, w.Food))
		return
	}
	if w.Variety != "" {
		crop := b.Crop(w.Variety)
		if crop == nil || crop.Food != w.Food {
			c.Add("kind", w.Variety, "a variety of "+w.Food+", or none")
			return
		}
		kinds = []*book.Crop{crop}
	}
	some := func(ok func(*book.Crop) bool) bool { return slices.ContainsFunc(kinds, ok) }
	w.validateHand(c, kinds)
	k := w.Amount.Kind
	if k.Unweighed() {
		if !some(func(c *book.Crop) bool { return c.Dense == nil }) {
			c.Add("amount.kind", string(k), "a weight or meals: shoots are sown by area on trays")
		}
		if w.FeedsNobody() {
			return
		}
		w.validateCounted(c, kinds)
		kinds = slices.DeleteFunc(slices.Clone(kinds), (*book.Crop).Perennial)
	}
	if !some((*book.Crop).Weighed) {
		c.Add("amount.kind", string(k), "Measure by plants or bed space: nobody weighs "+w.Food)
		return
	}
	if k.Counts(CountsPieces) {
		if !some(CountedInPieces) {
			c.Add("amount.kind", string(k), "Measure by weight or meals: nobody counts "+w.Food+" in pieces")
		}
	}
	if k.Counts(CountsMeals) && w.Amount.Portion == 0 && !some(func(c *book.Crop) bool { return c.Portion.Value > 0 }) {
		c.Add("amount.portion", "", "a portion in g: the book has none for "+w.Food)
	}
	if len(w.Forms) == 0 {
		c.Add("forms", "", "at least one form, such as fresh")
	}
	if k.PutUp() && len(w.Forms) > 1 {
		c.Add("forms", fmt.Sprint(len(w.Forms)), "one form for what is put up")
	}
	w.validateForms(c, b, kinds)
}

// validateCounted looks at a wish that counts plants and says how they are eaten.
func (w Wish) validateCounted(c invalid.Check, kinds []*book.Crop) {
	switch {
	case len(w.Forms) > 1:
		c.Add("forms", fmt.Sprint(len(w.Forms)), "Choose one way of eating: all these plants give is eaten in one way.")
	case !slices.ContainsFunc(kinds, func(x *book.Crop) bool { return !x.Perennial() }):
		c.Add("forms", string(w.Forms[0]), "Choose no way of eating. For plants that stay for years, wish for what they give.")
	}
	if w.Stagger.Kind != ByNeed && w.Stagger.Kind != OneGo {
		c.Add("stagger.kind", string(w.Stagger.Kind), "Choose all at once: a number of plants is started together.")
	}
	if len(w.Pins) > 0 {
		c.Add("pins", fmt.Sprint(len(w.Pins)), "Choose no fixed weeks: the plants feed the weeks they can.")
	}
}

// FeedsNobody reports whether a wish counts plants of which nobody says that they are eaten:
// flowers, edging, fodder. They take ground, days and seed, and feed no week.
func (w Wish) FeedsNobody() bool { return w.Amount.Kind.Unweighed() && len(w.Forms) == 0 }

func CountedInPieces(c *book.Crop) bool {
	_, ok := c.PiecesPerPlant(c.Yield.Value)
	return ok
}

// validateForms is one function, since each rule is one case.
func (w Wish) validateForms(c invalid.Check, b *book.Book, kinds []*book.Crop) {
	for i, f := range w.Forms {
		field := invalid.Element("forms", i)
		switch {
		case !slices.Contains(Forms, f):
			c.OneOf(field, string(f), formNames()...)
		case slices.Contains(w.Forms[:i], f):
			c.Add(field, string(f), "each form once")
		case f == Cellar && !slices.ContainsFunc(kinds, KeepsWhole):
			c.Add(field, string(f), "Choose another way of eating: "+w.Food+" does not keep whole")
		case w.Amount.Kind.PutUp() && !f.PutUp():
			c.Add(field, string(f), "a form that is put up, for an amount in jars, litres or kg dried")
		case f.PutUp() && w.Amount.Kind.Counts(CountsPieces) && (w.Amount.Kind.Weekly() || len(w.Forms) > 1):
			c.Add(field, string(f), "fresh or cellar, for an amount in pieces; or this form alone, for pieces a year")
		case f.PutUp() && w.PreparationFor(f, b) == nil && !slices.ContainsFunc(w.Preparations, func(id string) bool { return b.Preparation(id) == nil }):
			c.Add("preparations", "", "a preparation of "+w.Food+" that is "+string(f))
		}
	}
	for i, id := range w.Preparations {
		w.validatePreparation(c, invalid.Element("preparations", i), id, b, kinds, i)
	}
}

func (w Wish) validatePreparation(c invalid.Check, field, id string, b *book.Book, kinds []*book.Crop, i int) {
	prep := b.Preparation(id)
	jars := w.Amount.Kind.Counts(CountsVolume)
	switch {
	case prep == nil:
		c.Add(field, id, "a preparation of the book")
	case !slices.Contains(w.Forms, Form(prep.Form)):
		c.Add(field, id, "a preparation of one of the wish's forms; this one is "+prep.Form)
	case slices.ContainsFunc(w.Preparations[:i], func(o string) bool { p := b.Preparation(o); return p != nil && p.Form == prep.Form }):
		c.Add(field, id, "one preparation for each form")
	case !slices.ContainsFunc(kinds, func(c *book.Crop) bool { return slices.Contains(prep.Crops, c.ID) }):
		c.Add(field, id, "a preparation of "+w.Food+"; this one is of other crops")
	case jars && prep.Unit != "litre":
		c.Add("amount.kind", string(w.Amount.Kind), "Measure in kg dried: "+prep.Name+" is weighed")
	case w.Amount.Kind.Counts(CountsDried) && prep.Unit != "kg":
		c.Add("amount.kind", string(w.Amount.Kind), "Measure in jars or litres: "+prep.Name+" is measured by volume")
	}
}

// validateHand looks at what is set by hand: pins, cover, size of a piece.
func (w Wish) validateHand(c invalid.Check, kinds []*book.Crop) {
	place.ValidateCover(c, "cover", w.Cover)
	if w.Cover != place.NoCover && !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return k.Dense == nil }) {
		c.Add("cover", string(w.Cover), "Choose none: shoots grow on trays indoors.")
	}
	if w.Piece != 0 {
		c.Number("piece", w.Piece, 1, 50000)
		if !slices.ContainsFunc(kinds, func(k *book.Crop) bool { n, ok := k.PiecesPerPlant(k.Yield.Value); return ok && n == 1 }) {
			c.Add("piece", invalid.FormatNumber(w.Piece), "Leave the size empty. It can be set only for crops with one piece per plant.")
		}
	}
	if len(w.Pins) > 52 {
		c.Add("pins", fmt.Sprint(len(w.Pins)), "This week is fixed twice. Remove one.")
		return
	}
	for i, p := range w.Pins {
		at := c.Index("pins", i)
		if !p.Day.Valid() {
			at.Add("day", p.Day.String(), "a day such as 08-01")
		}
		if p.Source != Bought && !slices.Contains(w.Forms, p.Source) {
			at.Add("source", string(p.Source), "one of the wish's forms, or bought")
		}
	}
}

// ConfidenceFor returns the chance with which a use of the wish is to be met:
// the household's, or by default a typical year (0) for fresh food and for
// plants nobody weighs, and 0.7 for stores and jars, 0.8 of a must.
func (w Wish) ConfidenceFor(f Form) float64 {
	switch {
	case w.Confidence != nil:
		return *w.Confidence
	case f == Fresh || f == "":
		return 0
	case w.Priority == MustHave:
		return 0.8
	}
	return 0.7
}

// Fill puts in what a wish may leave unsaid: all year, wanted, sown by need.
func (w *Wish) Fill() {
	if w.Season.Kind == "" {
		w.Season.Kind = AllYear
	}
	if w.Priority == "" {
		w.Priority = WouldLike
	}
	if w.Stagger.Kind == "" {
		w.Stagger.Kind = ByNeed
	}
	if w.Forms == nil {
		w.Forms = []Form{}
	}
	if w.Preparation != "" {
		if !slices.Contains(w.Preparations, w.Preparation) {
			w.Preparations = append(w.Preparations, w.Preparation)
		}
		w.Preparation = ""
	}
}

// inMonths reports whether a month lies in a run of months, which may go on over New Year.
func inMonths(m, from, to int) bool {
	if from <= to {
		return from <= m && m <= to
	}
	return m >= from || m <= to
}
