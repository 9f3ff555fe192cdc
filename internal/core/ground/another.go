package ground

import (
	"inventory/internal/core/bed"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"math"
	"slices"
)

// Beds that are tried: 3 m² and, where so little does not help, larger ones.
var moreLengths = []float64{2.5, 5, 10}

const moreWidth = 1.2

// moreGround tries one bed more, where the plot has room for it: the smallest that
// makes the shortage less.
func (w *shortage) moreGround() {
	for _, long := range moreLengths {
		before := len(w.out)
		found := w.anotherBed(bed.Bed{ID: "another", Name: "Another bed", Length: long, Width: moreWidth})
		w.runTrials()
		if !found || len(w.out) > before {
			return
		}
	}
}

// anotherBed tries a bed in the first place of the plot that has room for it; it
// reports whether there is one.
func (w *shortage) anotherBed(b bed.Bed) bool {
	h := w.in.Household
	beds := bed.OnPlot(h.Beds, "")
	for _, y := range steps(h.Plot, beds, false) {
		for _, x := range steps(h.Plot, beds, true) {
			b.X, b.Y = x, y
			if !fitsOn(h.Plot, beds, b) {
				continue
			}
			give := b
			give.ID = ""
			w.try(say.BedMore{Length: b.Length, Width: b.Width}, plan.Change{Command: plan.AddBed, Bed: &give})
			return true
		}
	}
	return false
}

// steps returns where along the plot a bed may begin: at half metres, and beyond
// what is there where no plot is measured.
func steps(plot *bed.Plot, beds []bed.Bed, along bool) (out []float64) {
	end := 1.0
	for _, b := range beds {
		x, y := b.Across()
		if along {
			end = math.Max(end, b.X+x)
		} else {
			end = math.Max(end, b.Y+y)
		}
	}
	if plot != nil {
		end = map[bool]float64{true: plot.Length, false: plot.Width}[along]
	} else {
		end += bed.PathWidth + moreLengths[len(moreLengths)-1]
	}
	for at := 0.0; at <= end && len(out) < 400; at += 0.5 {
		out = append(out, at)
	}
	return out
}

// fitsOn reports whether a bed lies on the plot, with a path to every other one.
func fitsOn(plot *bed.Plot, beds []bed.Bed, b bed.Bed) bool {
	x, y := b.Across()
	if plot != nil && (b.X+x > plot.Length || b.Y+y > plot.Width) {
		return false
	}
	const path = bed.PathWidth
	wide := bed.Bed{X: b.X - path, Y: b.Y - path, Length: x + 2*path, Width: y + 2*path}
	return !slices.ContainsFunc(beds, func(o bed.Bed) bool {
		over, _ := bed.Overlap(wide, o)
		return over > 0
	})
}
