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
	Subject string  `json:"subject"` // such as "crop/carrot" or "household"
	Field   string  `json:"field"`   // such as "yield"
	Usual   float64 `json:"usual"`   // what the book says
	Least   float64 `json:"least"`   // least value allowed
	Most    float64 `json:"most"`    // greatest value allowed
	Set     bool    `json:"set"`     // whether the household has overruled it
}

// Line is one step of a sum.
type Line struct {
	Op       Op          `json:"op"`
	Name     string      `json:"name"`
	Value    float64     `json:"value"`
	Unit     amount.Unit `json:"unit"`
	Source   Source      `json:"source"`
	Note     string      `json:"note,omitempty"`     // what the grower should know about the step
	Figure   string      `json:"figure,omitempty"`   // the figure this value is, with a working of its own
	Overrule *Overrule   `json:"overrule,omitempty"` // nil where it may not be overruled here
}

// Working is the whole sum of one figure.
type Working struct {
	Figure string      `json:"figure"`
	Title  string      `json:"title"`
	Value  float64     `json:"value"`
	Unit   amount.Unit `json:"unit"`
	Lines  []Line      `json:"lines"`
}

// si turns a value of a small unit into the one sums are done in.
func si(v float64, u amount.Unit) float64 {
	switch u {
	case amount.Gram, amount.GramPerArea:
		return v / 1000
	case amount.Centimetre:
		return v / 100
	}
	return v
}

// apply does one step to the running value. Rounding has 1e-9 in hand.
func apply(op Op, v, x float64) float64 {
	switch op {
	case Start, Least, Together:
		return x
	case Times:
		return v * x
	case Over:
		return v / x
	case Keep:
		return v / (1 - x)
	case Left:
		return v * (1 - x)
	case Plus:
		return v + x
	case Minus:
		return v - x
	case AtLeast:
		return math.Max(v, x)
	case RoundUp:
		return math.Ceil(v - 1e-9)
	}
	return v
}

// Check does the sum again from its lines and returns the greatest relative
// difference at any line that states a result, the figure itself included.
// A sum that is right gives next to nothing.
func (w Working) Check() float64 {
	var v, worst float64
	differ := func(a, b float64) {
		if scale := math.Max(math.Abs(a), math.Abs(b)); scale > 1e-9 {
			worst = math.Max(worst, math.Abs(a-b)/scale)
		}
	}
	for _, l := range w.Lines {
		v = apply(l.Op, v, si(l.Value, l.Unit))
		if l.Op == RoundUp || l.Op == Equals {
			differ(v, si(l.Value, l.Unit))
		}
	}
	if len(w.Lines) > 0 {
		differ(v, si(w.Value, w.Unit))
	}
	return worst
}
