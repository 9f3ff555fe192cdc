package say

import (
	"fmt"
	"strings"

	"inventory/internal/core/amount"
)

// Facts of what was recorded: what came in, where it went, what was drawn and counted.

// CameIn is told of a harvest.
type CameIn struct {
	Food string
	Gram int
	// Pieces were counted, and not weighed; 0 where it was weighed.
	Pieces float64
	Last   bool
	Bought bool // or given to us
}

func (x CameIn) String() string {
	text := weight(x.Gram) + " of " + strings.ToLower(x.Food) + " came in"
	if x.Pieces > 0 {
		text = fmt.Sprintf("%g %s came in, about %s", x.Pieces, strings.ToLower(x.Food), weight(x.Gram))
	}
	if x.Bought {
		text += ", bought or given to us"
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
	"compost": "on the compost", "lost": "lost", "seed": "kept for seed", "dried": "dried and trimmed away",
}

func (x Went) String() string {
	text := weight(x.Gram) + " of " + strings.ToLower(x.Food) + " " + goneTo[x.To]
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
	text := fmt.Sprintf("%g %s filled: %s", x.Filled, plural(x.Filled, "container"), strings.ToLower(x.Preparation))
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

// Amount says how much it is.
func (x Drawn) Amount() string {
	if x.Jars > 0 {
		return fmt.Sprintf("%g of %s", x.Jars, strings.ToLower(x.What))
	}
	return weight(x.Gram) + " of " + strings.ToLower(x.What)
}

func (x Drawn) String() string {
	text := x.Amount() + " taken from the shelf"
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
	how := weight(x.Gram)
	if x.Jars > 0 || x.Gram == 0 {
		how = fmt.Sprintf("%g", x.Jars)
	}
	return how + " of " + strings.ToLower(x.What) + " counted on the shelf"
}

// Noted is told of a note.
type Noted struct{ Text string }

func (x Noted) String() string { return "noted: " + x.Text }

// weight marks a weight in kilograms, for the reader's units.
func weight(gram int) string { return amount.Mark(float64(gram)/1000, amount.Kilogram) }

func plural(n float64, word string) string {
	if n == 1 {
		return word
	}
	return word + "s"
}
