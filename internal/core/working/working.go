// Package working lays a sum out as it would be done on paper: ordered lines,
// each with its value, its unit, where it comes from, and whether it may be
// overruled right there.
package working

import (
	"math"

	"inventory/internal/core/amount"
)

// Source says where a value comes from.
type Source string

// The sources of a value.
const (
	Household Source = "household" // the household said so
	Usual     Source = "usual"     // a usual figure of the book
	Place     Source = "place"     // the place's climate
	Measured  Source = "measured"  // learnt from the household's own log
	Reckoned  Source = "reckoned"  // follows from the lines above or another figure
)

// Op says what a line does to the running value.
type Op string

// The steps of a sum.
const (
	Start    Op = ""      // begins the sum with the value
	Times    Op = "×"     // multiplies by the value
	Over     Op = "÷"     // divides by the value
	Keep     Op = "÷ 1 −" // divides by one less the value: a share that is lost
	Left     Op = "× 1 −" // multiplies by one less the value
	Plus     Op = "+"     // adds the value
	Minus    Op = "−"     // takes the value away
	Equals   Op = "="     // the running value, said out loud
	RoundUp  Op = "⌈ ⌉"   // the running value rounded up to whole ones
	Least    Op = "least" // the least whole number that satisfies the note
	AtLeast  Op = "≥"     // the running value, raised to the value where it is less
	Beside   Op = "·"     // stands beside the sum, changes nothing
	Together Op = "Σ"     // a sum over many terms, given as its total
)

// Overrule names an assumption that the household may set for itself.
type Overrule struct {
	Subject string  // such as "crop/carrot" or "household"
	Field   string  // such as "yield"
	Usual   float64 // what the book says
	Least   float64 // least value allowed
	Most    float64 // greatest value allowed
	Set     bool    // whether the household has overruled it
}

// Line is one step of a sum.
type Line struct {
	Op       Op
	Name     string
	Value    float64
	Unit     amount.Unit
	Source   Source
	Note     string    // what the grower should know about the step
	Figure   string    // the figure this value is, with a working of its own
	Overrule *Overrule // nil where it may not be overruled here
}

// Working is the whole sum of one figure.
type Working struct {
	Figure string
	Title  string
	Value  float64
	Unit   amount.Unit
	Lines  []Line
}

// Check does the sum again from its lines and returns the greatest relative
// difference at any line that states a result, the figure itself included.
// A sum that is right gives next to nothing.
func (w Working) Check() float64 {
	var v, worst float64
	differ := func(a, b float64) {
		worst = math.Max(worst, math.Abs(a-b)/math.Max(1e-9, math.Max(math.Abs(a), math.Abs(b))))
	}
	for _, l := range w.Lines {
		switch l.Op {
		case Start, Least, Together:
			v = l.Value
		case Times:
			v *= l.Value
		case Over:
			v /= l.Value
		case Keep:
			v /= 1 - l.Value
		case Left:
			v *= 1 - l.Value
		case Plus:
			v += l.Value
		case Minus:
			v -= l.Value
		case AtLeast:
			v = math.Max(v, l.Value)
		case RoundUp:
			v = math.Ceil(v - 1e-9)
			differ(v, l.Value)
		case Equals:
			differ(v, l.Value)
		}
	}
	if len(w.Lines) > 0 && math.Max(math.Abs(v), math.Abs(w.Value)) > 1e-9 {
		differ(v, w.Value)
	}
	return worst
}
