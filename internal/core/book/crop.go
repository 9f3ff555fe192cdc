package book

import (
	"strings"

	"inventory/internal/core/say"
)

// Maybe is a figure that the book may not have.
type Maybe struct {
	Value float64
	Known bool
}

// Or returns the figure, or other where the book has none.
func (m Maybe) Or(other float64) float64 {
	if m.Known {
		return m.Value
	}
	return other
}

// Crop is one crop or kind of the book. Lengths are cm, temperatures °C,
// yields kg of market-ready produce per plant and season.
type Crop struct {
	ID, Food, Name, Botanical, Family string
	// FamilyName is the family as gardeners call it, such as "carrot family".
	FamilyName string
	Group      Group
	Life       string // annual, biennial, perennial
	Start      Start  // usual practice
	Unit       string // seed, clove, set, tuber, slip, crown, plant
	Frost      Frost

	DirectWeeks   Maybe // earliest direct sowing, weeks from the median last spring frost
	PlantOutWeeks Maybe // earliest planting out, weeks from the median last spring frost
	RaiseWeeks    Maybe // weeks from indoor sowing to planting out

	SoilMin, SoilOpt Maybe // germination soil temperature
	GermDaysMin      Maybe
	GermDaysMax      Maybe

	HeatMax   Maybe // mean daily maximum above which it bolts, turns bitter or sets no fruit
	FrostKill float64
	TBase     float64
	TCap      float64
	TRef      float64

	DTMMin, DTM, DTMMax float64 // catalogue days to maturity
	DTMFrom             string  // sow, plant

	Harvest     Harvest
	HarvestDays float64
	HoldDays    float64
	KeepDays    Maybe

	InRow, RowGap, Block Maybe  // spacing, cm; blank for what is sown by area
	Depth                Maybe  // at which its seed or planting stock is put, cm
	SetDepth             string // how deep a young plant is set, in words
	PerStation           Maybe
	SeedsPerMetre        Maybe

	YieldMin, Yield, YieldMax Maybe // kg per plant and season at InRow × RowGap
	OwnYield                  Own   // what the household's plantings give of it
	Piece                     Maybe // g of one saleable piece
	YieldCV                   Maybe // coefficient of variation of the yield from year to year
	FailProb                  float64

	Height          float64
	Support         Support
	Sun             Sunlight
	Feed            string
	RotationYears   Maybe
	SeedsPerGram    Maybe
	StockGram       Maybe // g of planting stock per plant
	Germination     Maybe // share of fresh seed that comes up
	SeedLife        Maybe // years
	MinPlants       float64
	Edible          float64
	Store           Storage // none, cool-moist, cool-dry, warm-dry, dry, ground
	StoreWeeks      Maybe
	StoreLoss       Maybe // share lost a month in its store
	CureDays        Maybe
	WaterMM         Maybe  // usual need, mm a week
	StoreWhen       string // late, own
	RootDepth       Maybe  // cm
	Sprawls, GoesOn bool
	Hill            bool // earth is drawn up to it, as with potatoes and leeks
	LatestWeeks     Maybe
	StoreIdeal      Maybe  // °C at which it keeps longest, where it is not its store's
	Winter          Winter // whether it may or must stand through the winter unripe
	BoltHours       Maybe  // length of the day in spring at which what has wintered runs to seed, h
	LeastRows       Maybe  // of a block of a crop that the wind pollinates
	Basis           string

	// Survive is the share of starts set out that stand; for vegetative stock
	// it is the share that comes up.
	Survive float64
	// Closeness is k of the reciprocal yield-density law.
	Closeness float64
	// Portion is a usual adult portion, g edible and raw.
	Portion Maybe
	Energy  Maybe // kcal per 100 g edible
	Protein Maybe // g per 100 g edible

	Patch *Patch // nil unless perennial
	Dense *Dense // nil unless sown by area

	Own  bool   // the household's own
	From string // the row of the book it started from, where it is the household's own

	taught     map[string]lesson  // figures that the record teaches
	usual      map[string]float64 // what the book says where the household overruled it; noFigure where it says nothing
	chosen     map[string]string  // the same of what is chosen
	spacedFrom float64            // m² of ground at which the yield holds, where the spacing follows a wanted size
}

// Respaced returns a copy of the crop whose spacing may be set without moving
// the ground at which its yield holds.
func (c *Crop) Respaced() *Crop {
	out := *c
	out.spacedFrom = c.UsualGround()
	return &out
}

// Spaced reports whether the spacing follows a wanted size.
func (c *Crop) Spaced() bool { return c.spacedFrom > 0 }

// Short returns the name without what stands in brackets behind it.
func (c *Crop) Short() string {
	short, _, _ := strings.Cut(c.Name, " (")
	return short
}

// LacksIn says what a crop lacks in ground of a class of sun: full, part or shade; nothing where
// it has enough.
func (c *Crop) LacksIn(sun string) say.Note {
	switch {
	case sun == "shade":
		return say.That(say.LittleSun)
	case sun == "part" && c.Sun == FullSun:
		return say.That(say.WantsFullSun)
	}
	return say.Note{}
}

// Perennial reports whether the crop stands as a patch for years.
func (c *Crop) Perennial() bool { return c.Patch != nil }

// WindPollinated reports whether the wind pollinates the crop, which then fills its ears only
// in a block of rows.
func (c *Crop) WindPollinated() bool { return c.LeastRows.Known }

// Weighed reports whether the crop gives anything that is weighed for the table.
func (c *Crop) Weighed() bool {
	return c.Dense != nil || c.Yield.Known && c.Yield.Value > 0 && c.Edible > 0
}

// usually returns what the book says of a figure, whatever the household does.
func (c *Crop) usually(field string, now float64) float64 {
	if v, set := c.usual[field]; set && v != noFigure {
		return v
	}
	return now
}

// UsualGround returns the ground, m², at which the book's yield holds: in-row
// by row spacing. A household's own spacing does not move it; yields follow
// that by the density law.
func (c *Crop) UsualGround() float64 {
	if c.spacedFrom > 0 {
		return c.spacedFrom
	}
	return c.usually("in_row", c.InRow.Value) / 100 * c.usually("row", c.RowGap.Value) / 100
}

// PiecesPerPlant returns how many pieces a plant gives at yield kg a plant, and
// false where nobody counts the crop in pieces. It is 1 where the book's yield
// is within a quarter of one piece, as for heads, bulbs, ears and most roots: a
// household's heavier heads are still one to a plant.
func (c *Crop) PiecesPerPlant(yield float64) (float64, bool) {
	if !c.Piece.Known || c.Piece.Value <= 0 || !c.Yield.Known || c.Yield.Value <= 0 {
		return 0, false
	}
	if r := c.usually("yield", c.Yield.Value) * 1000 / c.usually("piece", c.Piece.Value); r >= 0.75 && r <= 1.25 {
		return 1, true
	}
	return yield * 1000 / c.Piece.Value, true
}

// RaisedAfterCheck returns the days from planting out to the first harvest of
// plants raised indoors, and DirectDays those from sowing in place. Where the
// book counts from the other day, the days indoors are taken off or put on,
// with 10 days for the check at planting out.
func (c *Crop) RaisedAfterCheck() float64 {
	if c.DTMFrom == "sow" {
		return c.DTM - 7*c.RaiseWeeks.Or(0) + 10
	}
	return c.DTM
}

// DirectDays returns the days from sowing in place to the first harvest.
func (c *Crop) DirectDays() float64 {
	if c.DTMFrom == "plant" && c.Start != Vegetative {
		return c.DTM + 7*c.RaiseWeeks.Or(0) - 10
	}
	return c.DTM
}

// Patch says when a perennial is picked and how it comes into bearing.
type Patch struct {
	FirstPickWeeks  float64 // weeks from the median last spring frost
	PickWeeks       float64
	FullBearingYear float64
	Share           [3]float64 // share of a full crop in its first three years
	StandYears      float64
}

// Bears returns the share of a full crop that a patch gives in a year of its
// life, its first being 1. Between the third year and full bearing it rises
// evenly.
func (p *Patch) Bears(year int) float64 {
	switch {
	case year < 1:
		return 0
	case float64(year) >= p.FullBearingYear:
		return 1
	case year <= 3:
		return p.Share[year-1]
	}
	return p.Share[2] + (1-p.Share[2])*float64(year-3)/(p.FullBearingYear-3)
}

// Dense says how shoots are sown by area.
type Dense struct {
	ID               string
	SeedGram         float64 // g of seed per m²
	SoakHours        float64
	DaysMin, DaysMax float64
	YieldKg          float64 // kg per m²
	Notes            string
}

// Preparation is one way of putting a crop up.
type Preparation struct {
	ID       string
	Crops    []string // what it may be made of, best first
	Name     string
	Form     string
	Method   string
	Unit     string // litre, kg
	Raw      float64
	Jar      string  // its usual container, in words
	JarLitre float64 // size of that container; 0 for what is counted by weight

	KeepsMonths float64
	ReadyWeeks  float64 // from putting up to the first eating
	Acidity     string
	Minutes     float64 // hands-on minutes a batch
	BatchUnits  float64 // litres or dried kg a batch
	Cautions    []string
	Basis       string
	Parts       []Part
	Own         bool   // the household's own: no tested recipe
	From        string // the row of the book it started from

	usual  map[string]float64
	taught map[string]lesson
}

// Load returns how many jars of a size make a full load: the batch in whole jars.
func (p *Preparation) Load(jarLitre float64) int {
	if jarLitre <= 0 {
		return 0
	}
	return max(1, int(p.BatchUnits/jarLitre+0.5))
}

// Part is another crop that a preparation takes.
type Part struct {
	Crops []string
	Raw   float64 // kg per litre or dried kg
	Note  string
}

// Pairing says which short crop may share a long crop's room.
type Pairing struct {
	ID, Long, Short string
	WeeksTogether   float64
	RoomFraction    float64
	Why, Timing     string
}

// Caution is a usual safety warning.
type Caution struct {
	ID, Topic, Level, Text string
	// When says where it belongs: any of the alternatives, in which all
	// conditions must hold.
	When [][]Condition
}

// Condition holds where what is looked at is one of the values: "crop:a,b".
type Condition struct {
	Kind   string // crop, group, store, task, screen, form, method, acidity, prep
	Values []string
}

// ParseWhen reads a "when" of the book: alternatives stand between " | ", the
// conditions of one between ";", the values of one between ",". It returns
// false where a condition has no kind or no value.
func ParseWhen(when string) (out [][]Condition, ok bool) {
	for alternative := range strings.SplitSeq(when, " | ") {
		var all []Condition
		for condition := range strings.SplitSeq(alternative, ";") {
			kind, values, found := strings.Cut(strings.TrimSpace(condition), ":")
			if !found || kind == "" || values == "" {
				return nil, false
			}
			all = append(all, Condition{kind, strings.Split(values, ",")})
		}
		out = append(out, all)
	}
	return out, true
}

// Winter says how a crop stands to a winter in the open.
type Winter string

// A crop is ripe before the winter, may stand through it unripe and go on in spring,
// or has to.
const (
	BeforeWinter   Winter = ""
	MayWinter      Winter = "yes"
	MustHaveWinter Winter = "must"
)
