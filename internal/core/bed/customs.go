package bed

import (
	"fmt"
	"slices"

	"inventory/internal/core/invalid"
)

// Customs are how a household keeps its ground: which rules it bends, what it
// plants together, how it fills, feeds and waters.
type Customs struct {
	Exceptions []string    `json:"bent"`  // families whose rotation it does not keep
	Pairs      []string    `json:"pairs"` // interplantings of the book that it admits
	OwnPairs   []OwnPair   `json:"own_pairs,omitempty"`
	OwnGreen   []OwnGreen  `json:"own_green,omitempty"` // green manures of its own
	Materials  []Material  `json:"materials"`           // what beds and paths are filled and covered with
	Recipe     []Amendment `json:"recipe"`              // what every bed is given in a year
	Barrels    float64     `json:"barrels"`             // litres that the rain barrels hold
	Roof       float64     `json:"roof"`                // m² of roof that runs into them
	Emitters   float64     `json:"emitters"`            // m between the emitters of a drip line
	Flow       float64     `json:"flow,omitempty"`      // litres an hour that an emitter gives; 0: as usual
	Posts      float64     `json:"posts"`               // m between the posts of a trellis
	Arranged   *Arranged   `json:"arranged,omitempty"`  // a layout that the household took
}

// Arranged is a layout that was found by searching on, and that the household took: from
// then on its plantings stay where it has them.
type Arranged struct {
	Year int    `json:"year"` // the year that was planned
	Laid []Laid `json:"laid"`
}

// mostArranged bounds the pieces of a layout that is kept.
const mostArranged = 5000

// Material is what beds or paths are filled or covered with.
type Material struct {
	ID        string  `json:"id"`
	Name      string  `json:"name"`
	Over      string  `json:"over"`       // beds, paths, containers
	Depth     float64 `json:"depth"`      // m; of containers nothing: they are filled
	Bulk      float64 `json:"bulk"`       // m³ of the supplier's unit: what is delivered is a whole number of them
	BulkPrice float64 `json:"bulk_price"` // of one such unit; 0: not known
	Bag       float64 `json:"bag"`        // litres in a bag
	BagPrice  float64 `json:"bag_price"`
	OnHand    float64 `json:"on_hand,omitempty"` // m³ that there are already, and that cost nothing
}

// OverContainers is a material that pots and grow bags are filled with, whatever their depth.
const OverContainers = "containers"

// Amendment is one line of the recipe that beds are given: once a year, or each time that
// something is planted.
type Amendment struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Amount   float64  `json:"amount"`         // of Unit
	Unit     string   `json:"unit"`           // g, kg, oz, lb; or a volume: L, cup, qt, gal
	Bulk     float64  `json:"bulk,omitempty"` // kg that a litre of it weighs, where Unit is a volume
	Per      float64  `json:"per"`            // of Of
	Of       string   `json:"of"`             // m², sq ft, m of row, ft of row, plant hole
	Nitrogen float64  `json:"nitrogen"`       // share of its weight
	Manure   bool     `json:"manure"`         // raw or fresh manure
	Turn     bool     `json:"turn,omitempty"` // given at each planting, not once a year
	Beds     []string `json:"beds,omitempty"` // the beds that are given it; none: all
}

// For reports whether a bed is given an amendment.
func (a Amendment) For(bed string) bool { return len(a.Beds) == 0 || slices.Contains(a.Beds, bed) }

// UsualCustoms are what holds where a household has said nothing.
func UsualCustoms() Customs {
	return Customs{Exceptions: []string{}, Pairs: []string{}, Materials: []Material{}, Recipe: []Amendment{}, Emitters: 0.3, Flow: usualFlow, Posts: 2.5}
}

// usualFlow is what most drip emitters give, litres an hour.
const usualFlow = 2

// FlowOf returns the litres an hour that an emitter gives.
func (u Customs) FlowOf() float64 {
	if u.Flow > 0 {
		return u.Flow
	}
	return usualFlow
}

// Number gives ids to materials and amendments that have none, and makes empty
// lists of none.
func (u *Customs) Number() {
	u.Exceptions, u.Pairs = append([]string{}, u.Exceptions...), append([]string{}, u.Pairs...)
	u.Materials, u.Recipe = append([]Material{}, u.Materials...), append([]Amendment{}, u.Recipe...)
	for i := range u.Materials {
		u.Materials[i].ID = fmt.Sprintf("m%d", i+1)
	}
	for i := range u.Recipe {
		u.Recipe[i].ID = fmt.Sprintf("a%d", i+1)
	}
}

// OwnPair is an interplanting of the household's own: a short crop that may stand on the
// ground of a long one.
type OwnPair struct {
	Long  string  `json:"long"`  // crop ids
	Short string  `json:"short"` //
	Weeks float64 `json:"weeks"` // that they may stand together, to the last cut of the short one
	Share float64 `json:"share"` // of the long crop's stretch that the short one may take
}

// ID names a pair of the household's own; no pair of the book is called so.
func (p OwnPair) ID() string { return "own " + p.Long + " " + p.Short }

// Basis is what an amendment is given by.
type Basis int

// What amendments are given by.
const (
	ByArea  Basis = iota // m² of bed
	ByRow                // m of row
	ByPlant              // hole of a plant
)

// Units of weight in kg, of volume in litres, and of what an amendment is given by, in m², m
// and holes. A cup, quart and gallon are those of US customary measure.
var (
	weights = map[string]float64{"g": 0.001, "kg": 1, "oz": 0.45359237 / 16, "lb": 0.45359237}
	volumes = map[string]float64{"L": 1, "cup": 0.2365882365, "qt": 0.946352946, "gal": 3.785411784}
	grounds = map[string]struct {
		size  float64
		basis Basis
	}{"m²": {1, ByArea}, "sq ft": {0.3048 * 0.3048, ByArea}, "m of row": {1, ByRow}, "ft of row": {0.3048, ByRow}, "plant hole": {1, ByPlant}}
)

// Rate returns how much of an amendment goes to a square metre of bed, a metre of row or a
// plant hole, kg.
func (a Amendment) Rate() (kg float64, by Basis) {
	of := grounds[a.Of]
	if a.Per <= 0 || of.size == 0 {
		return 0, ByArea
	}
	one := weights[a.Unit]
	if litres, volume := volumes[a.Unit]; volume {
		one = litres * a.Bulk
	}
	return a.Amount * one / (a.Per * of.size), of.basis
}

// Validate looks at customs: pairs and families are those of the book.
func (u Customs) Validate(c invalid.Check, families, pairs []string) {
	if len(u.Materials) > 40 || len(u.Recipe) > 40 || len(u.Exceptions) > 100 || len(u.Pairs) > 200 {
		c.Add("materials", fmt.Sprint(len(u.Materials)), "at most 40 materials and amendments, 100 families and 200 pairs")
		return
	}
	among := func(field string, all, known []string, what string) {
		for i, v := range all {
			found := false
			for _, k := range known {
				found = found || k == v
			}
			if !found {
				c.OfBook().Add(invalid.Element(field, i), v, what)
			}
		}
	}
	among("bent", u.Exceptions, families, "a family of the crop book, such as Solanaceae")
	among("pairs", u.Pairs, pairs, "a pairing of the crop book, such as carrot-radish")
	u.validateOwnPairs(c)
	u.validateOwnGreen(c)
	if a := u.Arranged; a != nil {
		c.Number("arranged.year", float64(a.Year), 1900, 2200)
		if len(a.Laid) > mostArranged {
			c.Add("arranged", fmt.Sprint(len(a.Laid)), fmt.Sprintf("at most %d pieces", mostArranged))
		}
	}
	c.Number("barrels", u.Barrels, 0, 1e6)
	c.Number("roof", u.Roof, 0, 1e5)
	c.Number("emitters", u.Emitters, 0.05, 5)
	c.Number("flow", u.Flow, 0, 60)
	c.Number("posts", u.Posts, 0.3, 20)
	for i, m := range u.Materials {
		at := c.Index("materials", i)
		at.Text("name", m.Name, 60)
		at.OneOf("over", m.Over, "beds", "paths", OverContainers)
		if m.Over != OverContainers {
			at.Positive("depth", m.Depth, 3)
		}
		at.Positive("bulk", m.Bulk, 100)
		at.Positive("bag", m.Bag, 5000)
		at.Number("bulk_price", m.BulkPrice, 0, 1e6)
		at.Number("bag_price", m.BagPrice, 0, 1e6)
		at.Number("on_hand", m.OnHand, 0, 1e5)
	}
	for i, a := range u.Recipe {
		at := c.Index("recipe", i)
		at.Text("name", a.Name, 60)
		at.Positive("amount", a.Amount, 1e5)
		at.OneOf("unit", a.Unit, "g", "kg", "oz", "lb", "L", "cup", "qt", "gal")
		if volumes[a.Unit] > 0 {
			at.Positive("bulk", a.Bulk, 5)
		}
		at.Positive("per", a.Per, 1e5)
		at.OneOf("of", a.Of, "m²", "sq ft", "m of row", "ft of row", "plant hole")
		at.Number("nitrogen", a.Nitrogen, 0, 0.5)
	}
}

// mostOwnPairs bounds the household's own interplantings.
const mostOwnPairs = 100

func (u Customs) validateOwnPairs(c invalid.Check) {
	if len(u.OwnPairs) > mostOwnPairs {
		c.Add("own_pairs", fmt.Sprint(len(u.OwnPairs)), fmt.Sprintf("at most %d pairs of your own", mostOwnPairs))
		return
	}
	for i, p := range u.OwnPairs {
		at := c.Index("own_pairs", i)
		if p.Long == "" || p.Short == "" || p.Long == p.Short {
			at.Add("short", p.Short, "two different crops: the slow one and the quick one")
		}
		at.Positive("weeks", p.Weeks, 60)
		at.Positive("share", p.Share, 1)
	}
}
