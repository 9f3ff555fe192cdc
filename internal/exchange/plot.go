package exchange

import (
	"encoding/xml"
	"fmt"
	"io"
	"math"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
)

// plotScale is what the plot is drawn to: one to so many.
const plotScale = 100

// WritePlot writes the beds, and what stands in them on a day, as SVG to scale:
// one unit of the drawing is a metre, and its size on paper is that of the plot at
// 1 : 100. names gives what a planting is called.
func WritePlot(w io.Writer, plot *bed.Plot, beds []bed.Bed, pieces []ground.Piece, day civil.Date, names func(planting string) string) error {
	length, width := 1.0, 1.0
	if plot != nil {
		length, width = plot.Length, plot.Width
	}
	for _, b := range beds {
		x, y := b.Across()
		length, width = math.Max(length, b.X+x), math.Max(width, b.Y+y)
	}
	top := func(y, height float64) float64 { return width - y - height } // y points up on the ground
	e := &svg{w: w}
	e.print(`<svg xmlns="http://www.w3.org/2000/svg" width="%gmm" height="%gmm" viewBox="0 0 %g %g" font-family="sans-serif">`+"\n",
		length*1000/plotScale, width*1000/plotScale, length, width)
	e.print("<title>%s</title>\n", "The beds on "+day.Words()+", 1 : 100, in metres")
	e.print(`<rect width="%g" height="%g" fill="none" stroke="#999" stroke-width="0.02"/>`+"\n", length, width)
	if plot != nil {
		for _, o := range plot.Obstacles {
			x1, y1, x2, y2 := plot.Wall(o)
			e.print(`<line class="obstacle" x1="%.3f" y1="%.3f" x2="%.3f" y2="%.3f" stroke="#666" stroke-width="0.3"><title>%s</title></line>`+"\n",
				x1, width-y1, x2, width-y2, fmt.Sprintf("%s, %g m high", o.Name, o.Height))
		}
	}
	for _, b := range beds {
		x, y := b.Across()
		e.print(`<g id="%s"><rect x="%g" y="%g" width="%g" height="%g" fill="white" stroke="black" stroke-width="0.03"/>`+"\n", "bed-"+b.ID, b.X, top(b.Y, y), x, y)
		stretch := func(at, long float64) (px, py, pw, ph float64) {
			if b.Turned {
				return b.X, top(b.Y+at, long), b.Width, long
			}
			return b.X + at, top(b.Y, y), long, b.Width
		}
		for _, s := range b.Stands {
			if day < s.Until {
				px, py, pw, ph := stretch(s.At, s.Length)
				e.print(`<rect class="stands" x="%g" y="%g" width="%g" height="%g" fill="#eee" stroke="#888" stroke-width="0.02" stroke-dasharray="0.2 0.1"><title>%s</title></rect>`+"\n",
					px, py, pw, ph, s.Name+", until "+s.Until.Words())
			}
		}
		for i, p := range pieces {
			if p.Bed != b.ID || p.From > day || day >= p.To {
				continue
			}
			px, py, pw, ph := stretch(p.At, p.Length)
			e.print(`<rect class="planting" x="%g" y="%g" width="%g" height="%g" fill="#cfe0c6" stroke="#4a7c35" stroke-width="0.02"><title>%s</title></rect>`+"\n",
				px, py, pw, ph, fmt.Sprintf("%s, %d plants", names(p.Planting), p.Planted))
			e.plants(i, p, b, px, py, pw, ph)
			if long := math.Max(pw, ph); long > 0.16*float64(len([]rune(names(p.Planting)))) {
				turn := ""
				if ph > pw {
					turn = fmt.Sprintf("rotate(-90 %g %g)", px+pw/2, py+ph/2)
				}
				e.print(`<text x="%g" y="%g" font-size="0.28" text-anchor="middle" dominant-baseline="central" transform="%s">%s</text>`+"\n", px+pw/2, py+ph/2, turn, names(p.Planting))
			}
		}
		e.print(`<text x="%g" y="%g" font-size="0.3">%s</text></g>`+"\n", b.X, top(b.Y, y)-0.08, b.Name)
	}
	bearing := 0.0
	if plot != nil {
		bearing = plot.Bearing
	}
	e.print(`<g transform="translate(%g 0.9) rotate(%g)"><path d="M0 0.5V-0.5M-0.2 -0.15L0 -0.5L0.2 -0.15" fill="none" stroke="black" stroke-width="0.04"/><text x="0.15" y="0.5" font-size="0.3">N</text></g>`+"\n", length-0.6, -bearing)
	e.print(`<path d="M0.3 %gh5m-5 -0.15v0.3m1 -0.3v0.3m4 -0.3v0.3" fill="none" stroke="black" stroke-width="0.04"/><text x="5.5" y="%g" font-size="0.3">5 m</text>`+"\n", width-0.3, width-0.2)
	e.print("</svg>\n")
	return e.err
}

// plants draws the plants of a piece as they really stand, as a pattern of dots.
func (e *svg) plants(i int, p ground.Piece, b bed.Bed, x, y, w, h float64) {
	along, over, lines := p.Plant, p.Line, p.Lines
	if p.Across {
		along, over, lines = p.Line, p.Plant, min(p.Lines, int(b.Width/p.Plant+1e-6)+1)
	}
	rows := float64(max(1, lines)) * over
	start, high := (b.Width-rows)/2, over // the lines lie in the middle of the bed
	from := math.Max(0, start)
	fill := math.Min(b.Width, start+rows) - from
	dots := [][2]float64{{along / 2, over / 2}}
	if p.Shifted {
		high, dots = 2*over, [][2]float64{{along / 4, over / 2}, {along * 3 / 4, over * 3 / 2}}
	}
	wide, px, py := along, x, y+start
	if b.Turned {
		px, py, wide, high = x+start, y, high, wide
		x, w = x+from, fill
	} else {
		y, h = y+from, fill
	}
	e.print(`<pattern id="%s" x="%g" y="%g" width="%g" height="%g" patternUnits="userSpaceOnUse">`, fmt.Sprint("plants", i), px, py, wide, high)
	for _, d := range dots {
		if b.Turned {
			d[0], d[1] = d[1], d[0]
		}
		e.print(`<circle cx="%g" cy="%g" r="%g" fill="#4a7c35"/>`, d[0], d[1], math.Min(0.08, 0.25*math.Min(along, over)))
	}
	e.print(`</pattern><rect x="%g" y="%g" width="%g" height="%g" fill="%s"/>`+"\n", x, y, w, h, fmt.Sprintf("url(#plants%d)", i))
}

// svg writes markup, texts escaped, and keeps the first error.
type svg struct {
	w   io.Writer
	err error
}

func (e *svg) print(format string, values ...any) {
	for i, v := range values {
		if text, ok := v.(string); ok {
			values[i] = escaped(text)
		}
	}
	if e.err == nil {
		_, e.err = fmt.Fprintf(e.w, format, values...)
	}
}

// markup collects escaped text.
type markup []byte

// Write adds to it.
func (m *markup) Write(p []byte) (int, error) {
	*m = append(*m, p...)
	return len(p), nil
}

func escaped(text string) string {
	var out markup
	if err := xml.EscapeText(&out, []byte(text)); err != nil {
		return ""
	}
	return string(out)
}
