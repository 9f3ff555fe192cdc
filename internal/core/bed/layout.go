package bed

import (
	"fmt"
	"math"
)

// inColumn is how many beds lie behind each other before a new column begins.
const inColumn = 8

// LayOut gives beds that have only a length and a width a name and a place on the plot: behind each other with
// a path in between, in columns of eight, beyond the beds that lie there already. It returns them and the plot,
// made as large as they need. A nil plot is one of which nothing is known yet. No bed lies over another.
func LayOut(plot *Plot, have, add []Bed) (Plot, []Bed) {
	out := Plot{}
	if plot != nil {
		out = *plot
	}
	names := map[string]bool{}
	column := usualMargin
	for _, b := range have {
		names[b.Name] = true
		w, _ := b.Across()
		column = math.Max(column, b.X+w+PathWidth)
	}
	laid := make([]Bed, len(add))
	number, down, widest := 1, usualMargin, 0.0
	for i, b := range add {
		for names[fmt.Sprintf("Bed %d", number)] {
			number++
		}
		if i > 0 && i%inColumn == 0 {
			column, down, widest = column+widest+PathWidth, usualMargin, 0
		}
		b.Name, b.X, b.Y = fmt.Sprintf("Bed %d", number), milli(column), milli(down)
		names[b.Name] = true
		long, wide := b.Across()
		down, widest = down+wide+PathWidth, math.Max(widest, long)
		out.Length = math.Max(out.Length, milli(b.X+long+usualMargin))
		out.Width = math.Max(out.Width, milli(b.Y+wide+usualMargin))
		laid[i] = b
	}
	return out, laid
}

// milli rounds to a millimetre.
func milli(m float64) float64 { return math.Round(m*1000) / 1000 }
