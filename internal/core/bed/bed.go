// Package bed is the ground to scale: the plot, its beds with size and place,
// and what stood in them.
package bed

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// Plot is the piece of land that the beds lie on: a rectangle. Places in it are
// counted from its left front corner, x along its length and y along its width. A household
// may have several: behind the house, by the road. One without beds may be a site that it
// thinks of.
type Plot struct {
	ID      string  `json:"id,omitempty"`   // empty: the first plot
	Name    string  `json:"name,omitempty"` // the first may have none
	Length  float64 `json:"length"`         // m
	Width   float64 `json:"width"`          // m
	Bearing float64 `json:"bearing"`        // degrees clockwise from north, to which y points

	Obstacles []Obstacle `json:"obstacles,omitempty"` // what throws shadows on it

	place.Warmth
	Sun   string `json:"sun,omitempty"`   // full, part, shade: of its beds, where no obstacles are measured; empty: full
	Water string `json:"water,omitempty"` // how its beds are watered; empty: as the household does
}

// How the beds of a plot are watered, where there is no tap for drip lines.
const (
	ByCan   = "can"  // carried there
	NoWater = "none" // rain alone
)

// CanLitres is what a usual watering can holds, litres.
const CanLitres = 10

// Bed is one bed.
type Bed struct {
	ID      string  `json:"id"`
	Name    string  `json:"name"`
	X       float64 `json:"x"` // m, of its left front corner
	Y       float64 `json:"y"`
	Length  float64 `json:"length"`            // m
	Width   float64 `json:"width"`             // m
	Turned  bool    `json:"turned"`            // its length runs along y, not along x
	Plot    string  `json:"plot,omitempty"`    // on which it lies; empty: the first
	Soil    float64 `json:"soil,omitempty"`    // m deep; 0: not measured
	Texture string  `json:"texture,omitempty"` // of its soil: sand, loam, clay; empty: not said
	Sun     string  `json:"sun,omitempty"`     // full, part, shade; empty: as the obstacles let it, full where there are none
	Climb   bool    `json:"climb,omitempty"`   // there is a trellis
	Stood   []Stood `json:"stood,omitempty"`   // what stood in it in years that have been

	Kind     Kind        `json:"kind,omitempty"`
	Count    int         `json:"count,omitempty"`    // of the containers
	Litre    float64     `json:"litre,omitempty"`    // that one of them holds
	Measured int         `json:"measured,omitempty"` // year in which the soil was that deep
	Settles  float64     `json:"settles,omitempty"`  // share of its depth that the soil loses in a year
	Edge     float64     `json:"edge,omitempty"`     // m kept free at each edge; 0: as the household does
	Cover    place.Cover `json:"cover,omitempty"`    // that stands over it
	Stands   []Standing  `json:"stands,omitempty"`   // what stands in it now
	Green    []Green     `json:"green,omitempty"`    // green manures, sown and to be sown

	place.Warmth // than the plot
}

// The textures of soil.
const (
	Sand = "sand"
	Loam = "loam"
	Clay = "clay"
)

// Kind is a kind of ground.
type Kind string

// The kinds of ground.
const (
	Raised     Kind = ""           // a bed with paths around it
	Open       Kind = "open"       // rows in an open plot
	Containers Kind = "containers" // pots or grow bags in a row
)

// Standing is a crop of the year before, or a bush, that stands in a bed and
// keeps its ground until it is cleared.
type Standing struct {
	Name   string     `json:"name"`
	Family string     `json:"family,omitempty"` // for the rotation; empty: unknown
	At     float64    `json:"at"`               // m along the bed
	Length float64    `json:"length"`           // m
	Until  civil.Date `json:"until"`            // when it is expected to be cleared
}

// Stood is what families stood in a bed, or in a stretch of it, in a calendar year.
type Stood struct {
	Year     int      `json:"year"`
	Families []string `json:"families"`
	At       float64  `json:"at,omitempty"`     // m along the bed
	Length   float64  `json:"length,omitempty"` // m of the stretch; 0: the whole bed
}

// Laid is a piece of a layout that the household agreed to.
type Laid struct {
	Sowing  string  `json:"sowing"`
	Bed     string  `json:"bed"`
	At      float64 `json:"at"` // m along the bed
	Planted int     `json:"planted"`
}

// Placement is a sowing that stays where it is: put there by hand, or really
// standing there.
type Placement struct {
	Sowing    string  `json:"sowing"`
	Bed       string  `json:"bed"`
	At        float64 `json:"at"`               // m along the bed
	Exception bool    `json:"bend,omitempty"`   // though its family stood there too lately
	Stands    bool    `json:"stands,omitempty"` // it was sown or planted there
	Parts     []Laid  `json:"parts,omitempty"`  // where it lies in pieces, all of them
}

// Validate looks at a placement.
func (p Placement) Validate(c invalid.Check) {
	c.Text("sowing", p.Sowing, 100)
	c.Text("bed", p.Bed, 64)
	c.Number("at", p.At, 0, 500)
	if len(p.Parts) > 10 {
		c.Add("parts", fmt.Sprint(len(p.Parts)), "at most 10")
	}
}

// MostBeds and MostPlots bound the beds and the further plots of a household.
const (
	MostBeds  = 500
	MostPlots = 20
)

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
// do not, as on two plots.
func Overlap(a, b Bed) (x, y float64) {
	if a.Plot != b.Plot {
		return 0, 0
	}
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
	if p.ID != "" {
		c.Text("name", p.Name, 60)
	}
	c.OneOf("sun", p.Sun, "", "full", "part", "shade")
	c.OneOf("water", p.Water, "", ByCan, NoWater)
	p.Warmth.Validate(c)
	if len(p.Obstacles) > 40 {
		c.Add("obstacles", fmt.Sprint(len(p.Obstacles)), "at most 40")
		return
	}
	for i, o := range p.Obstacles {
		o.Validate(c.Index("obstacles", i))
	}
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
	c.OneOf("texture", b.Texture, "", Sand, Loam, Clay)
	c.OneOf("sun", b.Sun, "", "full", "part", "shade")
	c.OneOf("kind", string(b.Kind), string(Raised), string(Open), string(Containers))
	place.ValidateCover(c, "cover", b.Cover)
	b.Warmth.Validate(c)
	c.Number("settles", b.Settles, 0, 0.5)
	c.Number("edge", b.Edge, 0, 0.6)
	if b.Measured != 0 {
		c.Number("measured", float64(b.Measured), 1950, 2150)
	}
	if b.Kind == Containers {
		c.Number("count", float64(b.Count), 1, 2000)
		c.Number("litre", b.Litre, 1, 2000)
	}
	b.validateStanding(c, families)
	b.validateGreen(c)
	for i, s := range b.Stood {
		at := c.Index("stood", i)
		at.Number("year", float64(s.Year), 1950, 2150)
		at.Number("at", s.At, 0, 500)
		at.Number("length", s.Length, 0, 500)
		for _, f := range s.Families {
			if !slices.Contains(families, f) {
				at.OfBook().Add("families", f, "a family of the crop book, such as Solanaceae")
			}
		}
	}
}

// validateStanding looks at what stands in a bed now.
func (b Bed) validateStanding(c invalid.Check, families []string) {
	if len(b.Stands) > 60 || len(b.Stood) > 1000 {
		c.Add("stands", fmt.Sprint(len(b.Stands)), "at most 60 growing crops and 1000 earlier ones")
		return
	}
	for i, s := range b.Stands {
		at := c.Index("stands", i)
		at.Text("name", s.Name, 60)
		if s.Family != "" && !slices.Contains(families, s.Family) {
			at.OfBook().Add("family", s.Family, "a family of the crop book, such as Amaryllidaceae, or none")
		}
		if s.Until < civil.Of(1950, 1, 1) || s.Until > civil.Of(2151, 1, 1) {
			at.Add("until", s.Until.String(), "a day from 1950 to 2150")
		}
		at.Number("at", s.At, 0, b.Length)
		at.Positive("length", s.Length, 500)
		if s.At+s.Length > b.Length+crumb {
			at.Add("length", invalid.FormatNumber(s.Length), fmt.Sprintf("at most %.2f m: the bed ends there", math.Max(0, b.Length-s.At)))
		}
		for _, o := range b.Stands[:i] {
			if s.At < o.At+o.Length-crumb && o.At < s.At+s.Length-crumb {
				at.Add("at", invalid.FormatNumber(s.At), fmt.Sprintf("Choose space beside %s, which grows from %.2f to %.2f m.", o.Name, o.At, o.At+o.Length))
			}
		}
	}
}

// ValidateAll looks at how beds lie: each on its plot, where that is measured, and not
// over each other. The first bed that lies wrong is told with how far.
func ValidateAll(c invalid.Check, first *Plot, others []Plot, beds []Bed) {
	for i, b := range beds {
		at := c.Index("beds", i)
		plot := PlotOf(first, others, b.Plot)
		if plot == nil && b.Plot != "" {
			at.Add("plot", b.Plot, "Choose one of your plots. This one may have been removed.")
		}
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

// PlotOf returns the plot of an id; nil where it is not measured, or there is none.
func PlotOf(first *Plot, others []Plot, id string) *Plot {
	if id == "" {
		return first
	}
	for i := range others {
		if others[i].ID == id {
			return &others[i]
		}
	}
	return nil
}

// OnPlot returns the beds that lie on a plot; an empty id is the first.
func OnPlot(beds []Bed, id string) []Bed {
	return slices.DeleteFunc(slices.Clone(beds), func(b Bed) bool { return b.Plot != id })
}

// Beside returns a bed laid so far, m, from another one: right of it, left of it,
// behind it or before it, in line with its near edge. Another side is an
// invalid.Field.
func (b Bed) Beside(o Bed, side string, apart float64) (Bed, error) {
	w, h := b.Across()
	ow, oh := o.Across()
	b.X, b.Y = o.X, o.Y
	switch side {
	case "right":
		b.X += ow + apart
	case "left":
		b.X -= w + apart
	case "behind":
		b.Y += oh + apart
	case "before":
		b.Y -= h + apart
	default:
		return b, &invalid.Field{Field: "side", Value: side, Allowed: "right, left, behind or before"}
	}
	if b.X < -crumb || b.Y < -crumb {
		return b, &invalid.Field{Field: "side", Value: side, Allowed: "Choose another side: here the bed would lie outside the plot."}
	}
	b.X, b.Y = math.Max(0, math.Round(b.X*1000)/1000), math.Max(0, math.Round(b.Y*1000)/1000)
	return b, nil
}

// Share is one way of dividing a plot into beds.
type Share struct {
	Turned bool    `json:"turned"` // the beds' length runs along y
	Beds   []Bed   `json:"beds"`
	Area   float64 `json:"area"` // m² of bed
	Paths  float64 `json:"paths"`
	Left   float64 `json:"left"`   // m that remain beside the last bed
	Narrow float64 `json:"narrow"` // m that the last bed is wide, where it is reached from one side only; 0: there is no such bed
}

// WidestBed is the widest bed that an arm reaches into from both sides, m.
const WidestBed = 1.2

// PathWidth is how wide a path is that a barrow goes along, m.
const PathWidth = 0.9

// usualMargin is what is left free around the beds of a plot, m.
const usualMargin = 0.5

// Dividing is how a plot is divided into beds where nobody says otherwise, m.
type Dividing struct {
	Width       float64 `json:"width"`         // of a bed; no arm reaches the middle of a wider one
	FromOneSide float64 `json:"from_one_side"` // of a bed that is reached from one side only
	Path        float64 `json:"path"`
	Margin      float64 `json:"margin"`
}

// UsualDividing is how a plot is divided where nobody says otherwise.
func UsualDividing() Dividing {
	return Dividing{Width: WidestBed, FromOneSide: WidestFromOneSide, Path: PathWidth, Margin: usualMargin}
}

// WidestFromOneSide is the same from one side, m; a bed of less than the narrowest
// is not worth an edge.
const (
	WidestFromOneSide = 0.75
	narrowest         = 0.4
)

// Divide proposes how a plot is divided into beds of a width with paths between
// them and a margin around: lengthwise, and across where that differs; and where
// enough is left over, each with a narrow bed more, along the edge. The one with
// most bed is first. It returns none where not even one bed fits.
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
		lay := func(at, wide float64) {
			b := Bed{Name: fmt.Sprintf("Bed %d", len(s.Beds)+1), Length: along, Width: wide, Turned: turned, X: margin, Y: margin}
			if turned {
				b.X += at
			} else {
				b.Y += at
			}
			s.Beds = append(s.Beds, b)
			s.Area += b.Area()
			s.Paths = p.Length*p.Width - s.Area
		}
		for k := range n {
			lay(float64(k)*(width+path), width)
		}
		out = append(out, s)
		if narrow := math.Floor(math.Min(WidestFromOneSide, s.Left-path)*100+1e-6) / 100; narrow >= narrowest && narrow < width {
			s.Beds = slices.Clone(s.Beds)
			s.Left, s.Narrow = s.Left-path-narrow, narrow
			lay(over-narrow, narrow)
			out = append(out, s)
		}
	}
	slices.SortStableFunc(out, func(a, b Share) int { return cmp.Compare(math.Round(b.Area*1e6), math.Round(a.Area*1e6)) })
	return out
}
