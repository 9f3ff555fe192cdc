package wish

import (
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
)

// AmountKind says what the number of a wish counts, and for how long.
type AmountKind string

// The amount kinds. What is known of each is in amountKinds.
const (
	Meals      AmountKind = "meals"
	WeightWeek AmountKind = "weight-week"
	WeightYear AmountKind = "weight-year"
	PiecesWeek AmountKind = "pieces-week"
	PiecesYear AmountKind = "pieces-year"
	Jars       AmountKind = "jars"
	Litres     AmountKind = "litres"
	DriedKg    AmountKind = "dried"
	Plants     AmountKind = "plants"
	Area       AmountKind = "area"
	RowLength  AmountKind = "row"
)

// Counted is what an amount counts.
type Counted string

// What amounts count.
const (
	CountsMeals  Counted = "meals"
	CountsWeight Counted = "weight" // as harvested
	CountsPieces Counted = "pieces" // heads, ears, bulbs
	CountsVolume Counted = "volume" // of what is put up, in jars or litres
	CountsDried  Counted = "dried"  // kg of what is put up and weighed
	CountsPlants Counted = "plants" // by number, area or row
)

// KindFacts is all that is known of an amount kind.
type KindFacts struct {
	Kind   AmountKind  `json:"kind"`
	Counts Counted     `json:"counts"`
	Unit   amount.Unit `json:"unit"`   // of the number
	Weekly bool        `json:"weekly"` // it is an amount of each week, not of the year
	Most   float64     `json:"most"`   // large enough for a large household, small enough to catch a slip of the finger
	// What the number counts, and the choice in a list. {unit} is the unit's symbol.
	Words  string `json:"words"`
	Choice string `json:"choice"`
}

// amountKinds are the facts of every amount kind, in the order of choices. A new kind is
// one more line here, the line of its reading in room line, and its value in the contract.
var amountKinds = []KindFacts{
	{Meals, CountsMeals, amount.Meal, true, 100, "meals a week", "meals a week"},
	{WeightWeek, CountsWeight, amount.Kilogram, true, 500, "{unit} a week", "{unit} a week"},
	{WeightYear, CountsWeight, amount.Kilogram, false, 10000, "{unit} a year", "{unit} a year"},
	{PiecesWeek, CountsPieces, amount.Piece, true, 1000, "pieces a week", "pieces a week"},
	{PiecesYear, CountsPieces, amount.Piece, false, 20000, "pieces a year", "pieces a year"},
	{Jars, CountsVolume, amount.Jar, false, 5000, "jars", "jars"},
	{Litres, CountsVolume, amount.Litre, false, 5000, "litres", "{unit} put up"},
	{DriedKg, CountsDried, amount.Kilogram, false, 1000, "{unit} dried", "{unit} dried"},
	{Plants, CountsPlants, amount.Plant, false, 20000, "plants", "plants"},
	{Area, CountsPlants, amount.SquareMetre, false, 10000, "{unit}", "{unit} of bed space"},
	{RowLength, CountsPlants, amount.Metre, false, 20000, "{unit} of row", "{unit} of row"},
}

// AmountKinds returns the facts of every amount kind, in the order of choices.
func AmountKinds() []KindFacts { return slices.Clone(amountKinds) }

// kindNamed finds the facts of a kind by its name; it is only read.
var kindNamed = func() map[AmountKind]*KindFacts {
	out := map[AmountKind]*KindFacts{}
	for i := range amountKinds {
		out[amountKinds[i].Kind] = &amountKinds[i]
	}
	return out
}()

// facts finds the facts of a kind; nil for one that there is not.
func (k AmountKind) facts() *KindFacts { return kindNamed[k] }

// Facts returns what is known of an amount kind, and whether there is such a kind. An
// unknown kind has the facts of plants, with a most of 0.
func (k AmountKind) Facts() (KindFacts, bool) {
	if f := k.facts(); f != nil {
		return *f, true
	}
	return KindFacts{Kind: k, Counts: CountsPlants, Unit: amount.Plant}, false
}

// Counted returns what the amount counts; nothing for a kind that there is not.
func (k AmountKind) Counted() Counted {
	if f := k.facts(); f != nil {
		return f.Counts
	}
	return ""
}

// Counts reports what the amount counts.
func (k AmountKind) Counts(what Counted) bool { return k.Counted() == what }

// Weekly reports whether the amount is one of each week, not of the year.
func (k AmountKind) Weekly() bool {
	f := k.facts()
	return f != nil && f.Weekly
}

// PutUp reports whether the amount counts what is put up.
func (k AmountKind) PutUp() bool {
	c := k.Counted()
	return c == CountsVolume || c == CountsDried
}

// Unweighed reports whether the amount counts plants, and not what they give.
func (k AmountKind) Unweighed() bool { return k.Counted() == CountsPlants }

// Unit returns the unit of the amount's number.
func (k AmountKind) Unit() amount.Unit {
	if f := k.facts(); f != nil {
		return f.Unit
	}
	return amount.Plant
}

// Words returns what the number counts, in words with metric units.
func (k AmountKind) Words() string {
	f, _ := k.Facts()
	return strings.ReplaceAll(f.Words, "{unit}", string(f.Unit))
}

// kindNames lists the kinds as a file or the contract writes them.
func kindNames() []string {
	out := make([]string, len(amountKinds))
	for i, f := range amountKinds {
		out[i] = string(f.Kind)
	}
	return out
}

// KindsFor returns the kinds in which an amount of a crop can be given: by weight and
// meals if it is weighed, in pieces if one counts them, as what is put up if the book has
// such a preparation, as plants if it grows in a bed.
func KindsFor(c *book.Crop, b *book.Book) []AmountKind {
	out := []AmountKind{}
	made := func(unit string) bool {
		return slices.ContainsFunc(b.Preparations(), func(p *book.Preparation) bool { return p.Unit == unit && slices.Contains(p.Crops, c.ID) })
	}
	can := map[Counted]bool{
		CountsMeals: c.Weighed(), CountsWeight: c.Weighed(), CountsPieces: CountedInPieces(c),
		CountsVolume: made("litre"), CountsDried: made("kg"), CountsPlants: c.Dense == nil,
	}
	for _, f := range amountKinds {
		if can[f.Counts] {
			out = append(out, f.Kind)
		}
	}
	return out
}
