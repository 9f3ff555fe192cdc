package book

import (
	"maps"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/invalid"
)

// Overrule is a household's own figure in place of a usual one.
type Overrule struct {
	Subject string  `json:"subject"` // "household", "crop/<id>" or "preparation/<id>"
	Field   string  `json:"field"`
	Value   float64 `json:"value"`
	Choice  string  `json:"choice,omitempty"` // of what is chosen, in place of a value
	Why     string  `json:"why,omitempty"`    // the household's reason
}

// LongestWhy is how many characters a reason may have.
const LongestWhy = 200

// Assumption is a usual figure that a household may overrule.
type Assumption struct {
	Field       string
	Name        string
	Unit        amount.Unit
	Least, Most float64
	Part        string   // what of a crop it is about, to put figures together
	Choices     []Choice // of what is chosen and not a number
	crop        func(*Crop) *float64
	option      func(*Crop) *Maybe // of a figure that the book may not have, and the household may give
	get         func(*Crop) string // of a choice
	put         func(*Crop, string)
	preparation func(*Preparation) *float64
	rule        func(*Rules) *float64
}

// Choice is one of the words that an assumption may have.
type Choice struct {
	Value string
	Words string
}

// Rules are the household-wide assumptions of the reckoning.
type Rules struct {
	Cull         float64 // share lost between picking and kitchen
	Spoil        float64 // share of jars that fail to seal, freezer burn
	Unmarketable float64 // share of pieces that are no good
	Keep         float64 // share of cells kept when the best are picked
	BedWidth     float64 // m, the usual bed
	Edge         float64 // m, kept free on each side of a bed
	ClearDays    float64 // days to clear and refill
	OverdueDays  float64 // days for which a sowing that is overdue counts as put down

	Evenings float64 // evenings a week on which the kitchen puts up
	Batches  float64 // batches in one of them
	Freezer  float64 // litres the freezer holds; 0: not measured

	GardenHours float64 // hours a week that the household has for the garden; 0: not said
	TrayCells   float64 // cells in a tray of the raising shelf
	Trays       float64 // trays the shelf holds; 0: not measured

	// Minutes that garden work takes.
	MinutesCell  float64 // to sow or pot on a cell
	MinutesPlant float64 // to set out or tie up a plant
	MinutesSow   float64 // to sow a square metre of bed
	MinutesThin  float64 // to thin or hill one
	MinutesWeed  float64 // to weed and water one, a week
	MinutesPick  float64 // to bring in a kilogram
	MinutesClear float64 // to clear and refill a square metre

	GoalJars    float64 // jars of anything a year; 0: no goal
	GoalGreen   float64 // weeks with something green; 0: no goal
	GoalEnergy  float64 // share of the household's energy from the garden; 0: no goal
	GoalProtein float64 // share of its protein; 0: no goal
	NeedEnergy  float64 // kcal an adult eats a day
	NeedProtein float64 // g of protein
}

// UsualRules are the model's defaults.
func UsualRules() Rules {
	return Rules{Cull: 0.05, Spoil: 0.02, Unmarketable: 0.10, Keep: 0.95, BedWidth: 1.2, Edge: 0.10, ClearDays: 7, OverdueDays: 14,
		Evenings: 2, Batches: 2, NeedEnergy: 2300, NeedProtein: 60,
		GardenHours: 20, TrayCells: 40, MinutesCell: 0.3, MinutesPlant: 0.7, MinutesSow: 3, MinutesThin: 3, MinutesWeed: 1.5, MinutesPick: 4, MinutesClear: 4}
}

func maybe(m *Maybe) *float64 {
	if !m.Known {
		return nil // what the book does not have cannot be overruled
	}
	return &m.Value
}

// What may be overruled, by kind of subject.
var (
	ruleAssumptions = []Assumption{
		{Field: "cull", Name: "Thrown away before cooking", Unit: amount.Share, Most: 0.5, rule: func(r *Rules) *float64 { return &r.Cull }},
		{Field: "spoil", Name: "Jars that fail, freezer burn", Unit: amount.Share, Most: 0.5, rule: func(r *Rules) *float64 { return &r.Spoil }},
		{Field: "unmarketable", Name: "Share of bad pieces", Unit: amount.Share, Most: 0.5, rule: func(r *Rules) *float64 { return &r.Unmarketable }},
		{Field: "keep", Name: "Share of seedlings kept", Unit: amount.Share, Least: 0.3, Most: 1, rule: func(r *Rules) *float64 { return &r.Keep }},
		{Field: "bed_width", Name: "Usual bed width", Unit: amount.Metre, Least: 0.3, Most: 3, rule: func(r *Rules) *float64 { return &r.BedWidth }},
		{Field: "edge", Name: "Kept free at each edge of a bed", Unit: amount.Metre, Most: 0.4, rule: func(r *Rules) *float64 { return &r.Edge }},
		{Field: "evenings", Name: "Kitchen evenings a week", Unit: amount.None, Most: 7, rule: func(r *Rules) *float64 { return &r.Evenings }},
		{Field: "batches", Name: "Batches in an evening", Unit: amount.Batch, Most: 20, rule: func(r *Rules) *float64 { return &r.Batches }},
		{Field: "freezer", Name: "The freezer holds", Unit: amount.Litre, Most: 5000, rule: func(r *Rules) *float64 { return &r.Freezer }},
		{Field: "garden_hours", Name: "Hours a week for the garden", Unit: amount.Hour, Most: 200, rule: func(r *Rules) *float64 { return &r.GardenHours }},
		{Field: "trays", Name: "Trays the seedling shelf holds", Unit: amount.None, Most: 2000, rule: func(r *Rules) *float64 { return &r.Trays }},
		{Field: "tray_cells", Name: "Cells in a tray", Unit: amount.Cell, Least: 1, Most: 1000, rule: func(r *Rules) *float64 { return &r.TrayCells }},
		{Field: "minutes_cell", Name: "Minutes to sow or pot on a cell", Unit: amount.Minute, Most: 60, rule: func(r *Rules) *float64 { return &r.MinutesCell }},
		{Field: "minutes_plant", Name: "Minutes to plant out or tie up a plant", Unit: amount.Minute, Most: 60, rule: func(r *Rules) *float64 { return &r.MinutesPlant }},
		{Field: "minutes_sow", Name: "Minutes to sow a square metre", Unit: amount.Minute, Most: 240, rule: func(r *Rules) *float64 { return &r.MinutesSow }},
		{Field: "minutes_thin", Name: "Minutes to thin or hill a square metre", Unit: amount.Minute, Most: 240, rule: func(r *Rules) *float64 { return &r.MinutesThin }},
		{Field: "minutes_weed", Name: "Minutes a week to weed and water a square metre", Unit: amount.Minute, Most: 240, rule: func(r *Rules) *float64 { return &r.MinutesWeed }},
		{Field: "minutes_pick", Name: "Minutes to pick a kilogram", Unit: amount.Minute, Most: 240, rule: func(r *Rules) *float64 { return &r.MinutesPick }},
		{Field: "minutes_clear", Name: "Minutes to clear a square metre", Unit: amount.Minute, Most: 240, rule: func(r *Rules) *float64 { return &r.MinutesClear }},
		{Field: "goal_jars", Name: "Goal: jars", Unit: amount.Jar, Most: 5000, rule: func(r *Rules) *float64 { return &r.GoalJars }},
		{Field: "goal_green", Name: "Goal: weeks with fresh greens", Unit: amount.Week, Most: 52, rule: func(r *Rules) *float64 { return &r.GoalGreen }},
		{Field: "goal_energy", Name: "Goal: energy from the garden", Unit: amount.Share, Most: 1, rule: func(r *Rules) *float64 { return &r.GoalEnergy }},
		{Field: "goal_protein", Name: "Goal: protein from the garden", Unit: amount.Share, Most: 1, rule: func(r *Rules) *float64 { return &r.GoalProtein }},
		{Field: "need_energy", Name: "Energy an adult eats a day", Unit: amount.Kcal, Least: 500, Most: 6000, rule: func(r *Rules) *float64 { return &r.NeedEnergy }},
		{Field: "need_protein", Name: "Protein an adult eats a day", Unit: amount.Gram, Least: 10, Most: 300, rule: func(r *Rules) *float64 { return &r.NeedProtein }},
		{Field: "clear_days", Name: "Days to clear and refill", Unit: amount.Day, Most: 60, rule: func(r *Rules) *float64 { return &r.ClearDays }},
		{Field: "overdue_days", Name: "Days for which an overdue sowing counts as done; 0: only recorded work counts", Unit: amount.Day, Most: 60, rule: func(r *Rules) *float64 { return &r.OverdueDays }},
	}
	preparationAssumptions = []Assumption{
		{Field: "raw", Name: "Harvested weight it takes", Unit: amount.KgPerLitre, Least: 0.01, Most: 50, preparation: func(p *Preparation) *float64 { return &p.Raw }},
		{Field: "batch_units", Name: "A batch makes", Unit: amount.Litre, Least: 0.01, Most: 500, preparation: func(p *Preparation) *float64 { return &p.BatchUnits }},
		{Field: "minutes", Name: "Hands-on minutes a batch", Unit: amount.Minute, Most: 1440, preparation: func(p *Preparation) *float64 { return &p.Minutes }},
		{Field: "keeps_months", Name: "Months it keeps", Unit: amount.Month, Least: 0.25, Most: 120, preparation: func(p *Preparation) *float64 { return &p.KeepsMonths }},
	}
)

// With lays a household's own figures over the book. The book itself stays as
// it is. An unknown subject or field, or a value out of range, is an
// invalid.Fields with the path overrules[i].
func (b *Book) With(overrules []Overrule) (*Book, Rules, map[string]float64, error) {
	check := invalid.NewCheck()
	o := overruling{usual: b, book: *b, rules: UsualRules(), usualRules: map[string]float64{}, changed: map[string]bool{}}
	for i, x := range overrules {
		o.take(check.Index("overrules", i), x)
	}
	if 2*o.rules.Edge >= o.rules.BedWidth {
		check.Add("overrules", "edge", "The edges must leave some of the bed's width.")
	}
	o.book.relink(b, o.changed, o.prepared)
	return &o.book, o.rules, o.usualRules, check.Err()
}

// overruling is a book being overruled: what is changed is copied first.
type overruling struct {
	usual      *Book
	book       Book
	rules      Rules
	usualRules map[string]float64
	changed    map[string]bool // crops
	prepared   bool            // some preparation
}

// take puts one overrule in, or says what is wrong with it.
func (b *overruling) take(at invalid.Check, o Overrule) {
	kind, id, _ := strings.Cut(o.Subject, "/")
	var slot *float64
	var assumption *Assumption
	switch kind {
	case "household":
		if assumption = find(ruleAssumptions, o.Field); assumption != nil {
			slot = assumption.rule(&b.rules)
			b.usualRules[o.Field] = *slot
		}
	case "crop":
		if b.book.byCrop[id] == nil {
			at.OfBook().Add("subject", o.Subject, "a crop of the book")
			return
		}
		if assumption = find(cropAssumptions, o.Field); assumption != nil {
			c := b.crop(id)
			if assumption.Choices != nil {
				assumption.choose(at, c, o)
				return
			}
			slot = assumption.open(c, o.Field)
		}
	case "preparation":
		if b.book.byPrep[id] == nil {
			at.OfBook().Add("subject", o.Subject, "a preparation of the book")
			return
		}
		if assumption = find(preparationAssumptions, o.Field); assumption != nil {
			p := b.preparation(id)
			slot = assumption.preparation(p)
			p.usual[o.Field] = *slot
		}
	default:
		at.Add("subject", o.Subject, "household, crop/<id> or preparation/<id>")
		return
	}
	if slot == nil {
		at.OfBook().Add("field", o.Field, "an assumption that "+o.Subject+" has")
		return
	}
	at.Number("value", o.Value, assumption.Least, assumption.Most)
	*slot = o.Value
	why(at, o)
}

// crop returns a crop of its own to be changed.
func (b *overruling) crop(id string) *Crop {
	c := b.book.byCrop[id]
	if c == b.usual.byCrop[id] {
		if len(b.changed) == 0 {
			b.book.byCrop = maps.Clone(b.usual.byCrop)
		}
		c = c.own()
		b.book.byCrop[id], b.changed[id] = c, true
	}
	return c
}

// preparation returns a preparation of its own to be changed.
func (b *overruling) preparation(id string) *Preparation {
	p := b.book.byPrep[id]
	if p == b.usual.byPrep[id] {
		if !b.prepared {
			b.book.byPrep, b.prepared = maps.Clone(b.usual.byPrep), true
		}
		own := *p
		if own.usual = maps.Clone(p.usual); own.usual == nil {
			own.usual = map[string]float64{}
		}
		p = &own
		b.book.byPrep[id] = p
	}
	return p
}

// open returns where a crop keeps a figure, marked as overruled; nil where it has no such
// figure.
func (a *Assumption) open(c *Crop, field string) *float64 {
	if slot := a.slot(c); slot != nil {
		c.usual[field] = *slot
		return slot
	}
	m := a.optional(c)
	if m == nil {
		return nil
	}
	c.usual[field] = noFigure
	m.Known = true
	return &m.Value
}

// noFigure stands for what the book says of a figure that it does not have.
var noFigure = math.Inf(-1)

// own copies a crop so that figures can be set on it.
func (c *Crop) own() *Crop {
	copied := *c
	copied.usual, copied.chosen = maps.Clone(c.usual), maps.Clone(c.chosen)
	if copied.usual == nil {
		copied.usual = map[string]float64{}
	}
	if copied.chosen == nil {
		copied.chosen = map[string]string{}
	}
	if c.Dense != nil {
		d := *c.Dense
		copied.Dense = &d
	}
	return &copied
}

// relink makes the lists hold the changed crops too.
func (b *Book) relink(from *Book, changed map[string]bool, prepared bool) {
	if len(changed) > 0 {
		b.crops = slices.Clone(from.crops)
		b.foods = maps.Clone(from.foods)
		for i, c := range b.crops {
			if changed[c.ID] {
				b.crops[i] = b.byCrop[c.ID]
				kinds := slices.Clone(b.foods[c.Food])
				kinds[slices.Index(kinds, c)] = b.crops[i]
				b.foods[c.Food] = kinds
			}
		}
	}
	if prepared {
		b.preparations = slices.Clone(from.preparations)
		for i, p := range b.preparations {
			b.preparations[i] = b.byPrep[p.ID]
		}
	}
}

func find(as []Assumption, field string) *Assumption {
	for i := range as {
		if as[i].Field == field {
			return &as[i]
		}
	}
	return nil
}

// Assumed is an assumption as it stands: the value in use, what the book says,
// and whether the household has set it.
type Assumed struct {
	*Assumption
	Value, Usual float64 // Usual is not to be read where NoUsual is set
	Set          bool
	From         int // plantings or batches that it was learned from; 0: it was not learned
	Unit         amount.Unit
	NoUsual      bool   // the book has no figure
	Known        bool   // false where neither the book nor the household has a figure
	Chosen       string // of a choice
	UsualChoice  string
}

// Assumed returns an assumption of a crop; false where the crop has none of that name.
func (c *Crop) Assumed(field string) (Assumed, bool) {
	a := find(cropAssumptions, field)
	if a == nil {
		return Assumed{}, false
	}
	if a.Choices != nil {
		usual, set := c.chosen[field]
		if !set {
			usual = a.get(c)
		}
		if !a.fits(c) {
			return Assumed{}, false
		}
		return Assumed{Assumption: a, Set: set, Known: true, Chosen: a.get(c), UsualChoice: usual}, true
	}
	slot, known := a.slot(c), true
	if slot == nil {
		m := a.optional(c)
		if m == nil {
			return Assumed{}, false
		}
		slot, known = &m.Value, m.Known
	}
	usual, set := c.usual[field]
	taught, learned := c.taught[field]
	switch {
	case learned && !set:
		usual = taught.usual
	case !set:
		usual = *slot
	}
	return Assumed{Assumption: a, Value: *slot, Usual: usual, Set: set, From: taught.From, Unit: a.Unit, Known: known, NoUsual: !known || usual == noFigure}, true
}

// Assumed does for a preparation what Crop.Assumed does for a crop.
func (p *Preparation) Assumed(field string) (Assumed, bool) {
	a := find(preparationAssumptions, field)
	if a == nil {
		return Assumed{}, false
	}
	value := *a.preparation(p)
	usual, set := p.usual[field]
	taught, learned := p.taught[field]
	switch {
	case learned && !set:
		usual = taught.usual
	case !set:
		usual = value
	}
	unit := a.Unit
	if (field == "raw" || field == "batch_units") && p.Unit == "kg" {
		unit = amount.Kilogram
	}
	return Assumed{Assumption: a, Value: value, Usual: usual, Set: set, From: taught.From, Unit: unit, Known: true}, true
}

// Assumed does for the household's rules what Crop.Assumed does for a crop;
// usualRules holds the usual values of those overruled.
func (r *Rules) Assumed(usualRules map[string]float64, field string) (Assumed, bool) {
	a := find(ruleAssumptions, field)
	if a == nil {
		return Assumed{}, false
	}
	value := *a.rule(r)
	usual, set := usualRules[field]
	if !set {
		usual = value
	}
	return Assumed{Assumption: a, Value: value, Usual: usual, Set: set, Unit: a.Unit, Known: true}, true
}

// Assumptions lists what may be overruled, by kind of subject: household, crop
// and preparation.
func Assumptions() map[string][]Assumption {
	return map[string][]Assumption{"household": ruleAssumptions, "crop": cropAssumptions, "preparation": preparationAssumptions}
}
