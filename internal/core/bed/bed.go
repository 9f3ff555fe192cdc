// Package bed is the ground to scale: the plot, its beds with size and place,
// and what stood in them.
package bed

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/invalid"
)

// Plot is the piece of land that the beds lie on: a rectangle. Places in it are
// counted from its left front corner, x along its length and y along its width.
type Plot struct {
	Length  float64 `json:"length"`  // m
	Width   float64 `json:"width"`   // m
	Bearing float64 `json:"bearing"` // degrees clockwise from north, to which y points
}

// Bed is one bed.
type Bed struct {
	ID     string  `json:"id"`
	Name   string  `json:"name"`
	X      float64 `json:"x"` // m, of its left front corner
	Y      float64 `json:"y"`
	Length float64 `json:"length"`          // m
	Width  float64 `json:"width"`           // m
	Turned bool    `json:"turned"`          // its length runs along y, not along x
	Soil   float64 `json:"soil,omitempty"`  // m deep; 0: not measured
	Sun    string  `json:"sun,omitempty"`   // full, part; empty: full
	Climb  bool    `json:"climb,omitempty"` // there is a trellis
	Stood  []Stood `json:"stood,omitempty"` // what stood in it in years that have been
}

// Stood is what families stood in a bed in a calendar year.
type Stood struct {
	Year     int      `json:"year"`
	Families []string `json:"families"`
}

// Placement is a sowing that somebody has put in a bed by hand.
type Placement struct {
	Sowing string  `json:"sowing"`
	Bed    string  `json:"bed"`
	At     float64 `json:"at"`             // m along the bed
	Bend   bool    `json:"bend,omitempty"` // though its family stood there too lately
}

// Validate looks at a placement.
func (p Placement) Validate(c invalid.Check) {
	c.Text("sowing", p.Sowing, 100)
	c.Text("bed", p.Bed, 64)
	c.Number("at", p.At, 0, 500)
}

// MostBeds bounds the beds of a household.
const MostBeds = 500

// Across returns the extent of a bed along the plot's length and width, m.
func (b Bed) Across() (x, y float64) {
	if b.Turned {
		return b.Width, b.Length
	}
	return b.Length, b.Width
}

// Area returns the ground of a bed, m².
func (b Bed) Area() float64 { return b.Length * b.Width }

// crumb is a millimetre: beds that share an edge do not overlap.
const crumb = 0.001

// Overlap returns how far two beds lie over each other, m each way; 0 where they
// do not.
func Overlap(a, b Bed) (x, y float64) {
	ax, ay := a.Across()
	bx, by := b.Across()
	x = math.Min(a.X+ax, b.X+bx) - math.Max(a.X, b.X)
	y = math.Min(a.Y+ay, b.Y+by) - math.Max(a.Y, b.Y)
	if x <= crumb || y <= crumb {
		return 0, 0
	}
	return x, y
}

// Validate looks at a plot.
func (p Plot) Validate(c invalid.Check) {
	c.Positive("length", p.Length, 2000)
	c.Positive("width", p.Width, 2000)
	c.Number("bearing", p.Bearing, 0, 360)
}

// Validate looks at a bed by itself. The families that stood are those the book
// knows.
func (b Bed) Validate(c invalid.Check, families []string) {
	c.Text("name", b.Name, 60)
	c.Number("x", b.X, 0, 2000)
	c.Number("y", b.Y, 0, 2000)
	c.Number("length", b.Length, 0.2, 500)
	c.Number("width", b.Width, 0.2, 50)
	c.Number("soil", b.Soil, 0, 3)
	c.OneOf("sun", b.Sun, "", "full", "part")
	for i, s := range b.Stood {
		at := c.Index("stood", i)
		at.Number("year", float64(s.Year), 1950, 2150)
		for _, f := range s.Families {
			if !slices.Contains(families, f) {
				at.Add("families", f, "a family of the crop book, such as Solanaceae")
			}
		}
	}
}

// ValidateAll looks at how beds lie: on the plot, where there is one, and not
// over each other. The first bed that lies wrong is told with how far.
func ValidateAll(c invalid.Check, plot *Plot, beds []Bed) {
	for i, b := range beds {
		at := c.Index("beds", i)
		if x, y := b.Across(); plot != nil && (b.X+x > plot.Length+crumb || b.Y+y > plot.Width+crumb) {
			at.Add("x", fmt.Sprintf("%.2f, %.2f", b.X, b.Y), fmt.Sprintf("a place on the plot: the bed is %.2f × %.2f m, the plot %.2f × %.2f m", x, y, plot.Length, plot.Width))
		}
		for _, o := range beds[:i] {
			if x, y := Overlap(b, o); x > 0 {
				at.Add("x", fmt.Sprintf("%.2f, %.2f", b.X, b.Y), fmt.Sprintf("a place beside %s: they overlap by %.2f × %.2f m", o.Name, x, y))
			}
		}
	}
}

// Share is one way of dividing a plot into beds.
type Share struct {
	Turned bool    `json:"turned"` // the beds' length runs along y
	Beds   []Bed   `json:"beds"`
	Area   float64 `json:"area"` // m² of bed
	Paths  float64 `json:"paths"`
	Left   float64 `json:"left"` // m that remain beside the last bed
}

// WidestBed is the widest bed that an arm reaches into from both sides, m.
const WidestBed = 1.2

// Divide proposes how a plot is divided into beds of a width with paths between
// them and a margin around: lengthwise, and across where that differs; the one
// with more bed first. It returns none where not even one bed fits.
func Divide(p Plot, width, path, margin float64) (out []Share) {
	for _, turned := range []bool{false, true} {
		along, over := p.Length-2*margin, p.Width-2*margin
		if turned {
			along, over = over, along
		}
		if along < 0.5 || over < width-crumb {
			continue
		}
		n := int((over+path)/(width+path) + 1e-9)
		s := Share{Turned: turned, Left: over - float64(n)*width - float64(n-1)*path}
		for k := range n {
			b := Bed{Name: fmt.Sprintf("Bed %d", k+1), Length: along, Width: width, Turned: turned, X: margin, Y: margin}
			if turned {
				b.X += float64(k) * (width + path)
			} else {
				b.Y += float64(k) * (width + path)
			}
			s.Beds = append(s.Beds, b)
			s.Area += b.Area()
		}
		s.Paths = p.Length*p.Width - s.Area
		out = append(out, s)
	}
	slices.SortStableFunc(out, func(a, b Share) int {
		switch {
		case a.Area > b.Area+1e-9:
			return -1
		case b.Area > a.Area+1e-9:
			return 1
		}
		return 0
	})
	return out
}
