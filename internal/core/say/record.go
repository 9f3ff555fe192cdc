package say

import (
	"cmp"
	"fmt"
	"math"
	"strings"

	"inventory/internal/core/amount"
)

// Facts of what was recorded: what came in, where it went, what was drawn and counted.

// CameIn is told of a harvest.
type CameIn struct {
	Food string
	Gram int
	// Pieces were counted, and not weighed; 0 where it was weighed. Measure is what was counted,
	// where it was no pieces.
	Pieces  float64
	Measure string
	Last    bool
	Bought  bool // or given to us
}

func (x CameIn) String() string {
	text := first(x.Food) + ": " + weight(x.Gram) + " came in"
	if x.Pieces > 0 {
		counted := fmt.Sprintf("%g", x.Pieces)
		if x.Measure != "" {
			counted += " " + x.Measure
			if x.Pieces != 1 {
				counted += "s"
			}
		}
		text = fmt.Sprintf("%s: %s came in, about %s", first(x.Food), counted, weight(x.Gram))
	}
	if x.Bought {
		text += ", bought or given to you"
	}
	if x.Last {
		text += ", the last"
	}
	return text
}

// Went is told of where something went.
type Went struct {
	Food   string
	Gram   int
	To     string
	Reason string
}

// goneTo says where something went.
var goneTo = map[string]string{
	"table": "eaten", "storage": "into storage", "put-up": "put up", "given": "given away", "animals": "for the animals",
	"compost": "to the compost", "lost": "lost", "seed": "kept for seed", "dried": "dried and trimmed",
}

func (x Went) String() string {
	text := first(x.Food) + ": " + weight(x.Gram) + " " + goneTo[x.To]
	if x.Reason != "" {
		text += " (" + x.Reason + ")"
	}
	return text
}

// PutUpNow is told of what was put up.
type PutUpNow struct {
	Preparation string
	Filled      float64
	Failed      int
	Gram        int // of the food that it took; 0: not said
}

func (x PutUpNow) String() string {
	text := fmt.Sprintf("%s: %g filled", first(x.Preparation), x.Filled)
	if x.Failed > 0 {
		text += fmt.Sprintf(", %d did not seal", x.Failed)
	}
	if x.Gram > 0 {
		text += ", from " + weight(x.Gram)
	}
	return text
}

// Drawn is told of what was taken from the shelf.
type Drawn struct {
	What   string
	Jars   float64 // containers; 0 where it goes by weight
	Gram   int
	To     string
	Reason string
}

func (x Drawn) String() string {
	text := first(x.What) + ": " + amountOf(x.Jars, x.Gram) + " taken from the shelf"
	if x.To != "" && x.To != "table" {
		text += ", " + goneTo[x.To]
	}
	if x.Reason != "" {
		text += " (" + x.Reason + ")"
	}
	return text
}

// ShelfCounted is told of a count of the shelf.
type ShelfCounted struct {
	What string
	Jars float64
	Gram int
}

func (x ShelfCounted) String() string {
	return first(x.What) + ": " + amountOf(x.Jars, x.Gram) + " counted on the shelf"
}

// Noted is told of a note, or of photographs.
type Noted struct {
	Text        string
	Photographs int
}

func (x Noted) String() string {
	switch {
	case x.Text != "":
		return "Noted: " + x.Text
	case x.Photographs == 1:
		return "A photograph"
	}
	return fmt.Sprintf("%d photographs", x.Photographs)
}

// amountOf says containers where there are any, or where there is nothing at all; else a weight.
func amountOf(jars float64, gram int) string {
	return Measured(gram > 0 && jars == 0, cmp.Or(gram, int(math.Round(1000*jars))))
}

// Measured says thousandths of a kilogram, or of a container.
func Measured(byWeight bool, thousandths int) string {
	if byWeight {
		return weight(thousandths)
	}
	return fmt.Sprintf("%g", float64(thousandths)/1000)
}

// weight marks a weight in kilograms, for the reader's units.
func weight(gram int) string { return amount.Mark(float64(gram)/1000, amount.Kilogram) }

// first puts a name at the beginning of a sentence.
func first(name string) string {
	if name == "" {
		return ""
	}
	return strings.ToUpper(name[:1]) + name[1:]
}

// Sureness is how sure a difference to what was expected is.
type Sureness int

// How sure it is.
const (
	Chance Sureness = iota // it may be chance
	Likely
	Sure
)

// SeasonSoFar is told of a food of which something was picked: whether it is ahead of what was
// expected by now or behind, kg.
type SeasonSoFar struct {
	Picked, ByNow float64
	Sure          Sureness
}

// Side is where a season stands against what was expected by now.
type Side string

// The sides.
const (
	AsExpected Side = "as-expected"
	Ahead      Side = "ahead"
	Behind     Side = "behind"
)

// nearly is how little a season may differ to be told as expected, as a share of what was expected.
const nearly = 0.1

// Side says on which side of what was expected the season is.
func (x SeasonSoFar) Side() Side {
	switch {
	case math.Abs(x.Picked-x.ByNow) <= nearly*x.ByNow:
		return AsExpected
	case x.Picked > x.ByNow:
		return Ahead
	}
	return Behind
}

// how says how sure a difference is.
func (x SeasonSoFar) how() string {
	return map[Sureness]string{Chance: "that may be chance", Likely: "it is likely to stay so", Sure: "it is nearly sure to stay so"}[x.Sure]
}

// Short says the side without the figures.
func (x SeasonSoFar) Short() string {
	switch {
	case x.ByNow <= 0:
		return "earlier than expected"
	case x.Side() == AsExpected:
		return "as expected"
	}
	return string(x.Side()) + "; " + x.how()
}

func (x SeasonSoFar) String() string {
	if x.ByNow <= 0 {
		return "Earlier than expected"
	}
	text := fmt.Sprintf("%s picked, %s expected by now", amount.Mark(x.Picked, amount.Kilogram), amount.Mark(x.ByNow, amount.Kilogram))
	switch x.Side() {
	case Ahead:
		return "Ahead: " + text + "; " + x.how()
	case Behind:
		return "Behind: " + text + "; " + x.how()
	}
	return "As expected: " + text
}

// Weighs is told of a measure that was weighed once.
type Weighs struct {
	Measure, Food string
	Kg            float64
}

func (x Weighs) String() string {
	return fmt.Sprintf("A %s of %s is %s from now on", x.Measure, x.Food, amount.Mark(x.Kg, amount.Kilogram))
}
