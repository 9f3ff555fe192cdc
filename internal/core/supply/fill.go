// Package supply is what a garden has to be given: soil, compost and mulch by area
// and depth, amendments against what the crops take, drip line, posts and stakes.
package supply

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
)

// CubicYard is a cubic yard, m³ (international yard of 1959).
const CubicYard = 0.764554857984

// Order is what is to be ordered of a material.
type Order struct {
	Material string  `json:"material"` // its id
	Name     string  `json:"name"`
	Over     string  `json:"over"`    // beds, paths
	Area     float64 `json:"area"`    // m²
	Depth    float64 `json:"depth"`   // m
	Wanted   float64 `json:"wanted"`  // m³ that cover it
	OnHand   float64 `json:"on_hand"` // m³ of it that there are already
	Cubic    float64 `json:"cubic"`   // m³ to get
	Yards    float64 `json:"yards"`   // the same in cubic yards

	Units    int     `json:"units"` // of the supplier's bulk unit, whole ones
	Unit     float64 `json:"unit"`  // m³ of one
	BulkCost float64 `json:"bulk_cost"`
	Bags     int     `json:"bags"`
	Bag      float64 `json:"bag"` // litres in one
	BagCost  float64 `json:"bag_cost"`
	Cheaper  string  `json:"cheaper"`  // bulk, bags; empty where a price is not known
	Saves    float64 `json:"saves"`    // by it
	Leftover float64 `json:"leftover"` // m³ of the bulk that are not needed
}

// Fill returns what covers an area, m², with a material to its depth, beyond what is on hand.
func Fill(area float64, m bed.Material) Order { return order(area, area*m.Depth, m) }

// FillContainers returns what fills pots and grow bags of so many litres in all, beyond what is
// on hand.
func FillContainers(litres float64, m bed.Material) Order { return order(0, litres/1000, m) }

// order returns what is to be got of a material of which so many m³ are wanted.
func order(area, wanted float64, m bed.Material) Order {
	o := Order{Material: m.ID, Name: m.Name, Over: m.Over, Area: area, Depth: m.Depth, Wanted: wanted, Unit: m.Bulk, Bag: m.Bag}
	o.OnHand = math.Min(o.Wanted, m.OnHand)
	o.Cubic = o.Wanted - o.OnHand
	o.Yards = o.Cubic / CubicYard
	if m.Bulk > 0 {
		o.Units = amount.CeilWhole(o.Cubic / m.Bulk)
		o.BulkCost = float64(o.Units) * m.BulkPrice
		o.Leftover = float64(o.Units)*m.Bulk - o.Cubic
	}
	if m.Bag > 0 {
		o.Bags = amount.CeilWhole(o.Cubic * 1000 / m.Bag)
		o.BagCost = float64(o.Bags) * m.BagPrice
	}
	if m.BulkPrice > 0 && m.BagPrice > 0 && o.Cubic > 0 {
		o.Cheaper, o.Saves = "bulk", o.BagCost-o.BulkCost
		if o.Saves < 0 {
			o.Cheaper, o.Saves = "bags", -o.Saves
		}
	}
	return o
}

// Crop is what stands in a bed as far as feeding, lines and supports go.
type Crop struct {
	Feed    string       // light, medium, heavy, fixer
	Support book.Support // none, stake, cage, trellis, ridge-string
	Area    float64      // m²
	Rows    float64      // m of planted row, as long as its lines together
	Lines   int          // side by side along the bed
	Length  float64      // m of bed
	Plants  int
	Name    string
}

// takes is the nitrogen that a crop takes in its time, g/m²: light, medium and
// heavy feeders, as extension tables have it in round figures; what fixes its own
// takes none.
var takes = map[string]float64{"light": 5, "medium": 10, "heavy": 15, "fixer": 0}

// Fed is what a bed is given in a year against what its crops take.
type Fed struct {
	Bed    string  `json:"bed"`
	Name   string  `json:"name"`
	Area   float64 `json:"area"`
	Doses  []Dose  `json:"doses"`
	Brings float64 `json:"brings"` // g of nitrogen per m², of the recipe and of green manures
	Green  float64 `json:"green"`  // g of it that green manures bring
	Takes  float64 `json:"takes"`
	Much   bool    `json:"much"`   // it brings so much more that it is too much
	Little bool    `json:"little"` // it brings less than half
}

// Dose is how much of an amendment a bed is given.
type Dose struct {
	Name string  `json:"name"`
	Kg   float64 `json:"kg"`
}

// How much more than the crops take counts as too much: half as much again, and
// no less than 3 g/m², below which nothing is told apart.
const (
	tooMuch = 1.5
	noMind  = 3
)

// Feed reckons the recipe for one bed with the crops that stand in it in the year. What is
// given at each planting is given to each crop's own ground.
func Feed(b bed.Bed, recipe []bed.Amendment, crops []Crop, green float64) Fed {
	out := Fed{Bed: b.ID, Name: b.Name, Area: b.Area(), Doses: []Dose{}, Brings: green, Green: green}
	for _, c := range crops {
		if out.Area > 0 {
			out.Takes += takes[c.Feed] * c.Area / out.Area
		}
	}
	for _, a := range recipe {
		d := DoseOf(a, b, crops)
		out.Doses = append(out.Doses, d)
		if out.Area > 0 {
			out.Brings += d.Kg * 1000 * a.Nitrogen / out.Area
		}
	}
	out.Much = out.Brings > math.Max(out.Takes*tooMuch, out.Takes+noMind)
	out.Little = len(recipe) > 0 && out.Takes-out.Brings > noMind && out.Brings < out.Takes/2
	return out
}

// DoseOf returns how much of an amendment a bed is given for crops: by its own area once a
// year, or by theirs each time one is planted; by their rows; by their plants.
func DoseOf(a bed.Amendment, b bed.Bed, crops []Crop) Dose {
	d := Dose{Name: a.Name}
	if !a.For(b.ID) {
		return d
	}
	rate, by := a.Rate()
	over := 0.0
	if by == bed.ByArea && !a.Turn {
		over = b.Area()
	} else {
		for _, c := range crops {
			over += map[bed.Basis]float64{bed.ByArea: c.Area, bed.ByRow: c.Rows, bed.ByPlant: float64(c.Plants)}[by]
		}
	}
	d.Kg = rate * over
	return d
}

// Lines is what is laid and put up in a bed for its crops.
type Lines struct {
	Bed      string   `json:"bed"`
	Name     string   `json:"name"`
	Drip     float64  `json:"drip"`     // m of drip line, where it is most in the year
	Emitters int      `json:"emitters"` // on it
	Relays   []Relay  `json:"relays"`   // when it is laid anew
	Trellis  float64  `json:"trellis"`  // m
	Posts    int      `json:"posts"`
	Stakes   int      `json:"stakes"`
	Cages    int      `json:"cages"`
	For      []string `json:"for"` // the crops that climb or are held
}

// Relay is a change of the lines of a stretch.
type Relay struct {
	Day  string `json:"day"`
	Crop string `json:"crop"`
	From int    `json:"from"` // lines that lay there
	To   int    `json:"to"`
}

// Posts returns the posts of a trellis that long, m, with one at each end.
func Posts(length, apart float64) int {
	if length <= 0 {
		return 0
	}
	return amount.CeilWhole(length/math.Max(0.1, apart)) + 1
}

// Emitters returns the emitters on so many metres of line.
func Emitters(length, apart float64) int {
	return amount.CeilWhole(length / math.Max(0.01, apart))
}
