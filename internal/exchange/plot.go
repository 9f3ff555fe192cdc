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
	for _, b := range beds {
		x, y := b.Across()
		e.print(`<g id="%s"><rect x="%g" y="%g" width="%g" height="%g" fill="white" stroke="black" stroke-width="0.03"/>`+"\n", "bed-"+b.ID, b.X, top(b.Y, y), x, y)
		for _, p := range pieces {
			if p.Bed != b.ID || p.From > day || day >= p.To {
				continue
			}
			px, py, pw, ph := b.X+p.At, top(b.Y, y), p.Length, b.Width
			if b.Turned {
				px, py, pw, ph = b.X, top(b.Y+p.At, p.Length), b.Width, p.Length
			}
			e.print(`<rect x="%g" y="%g" width="%g" height="%g" fill="#cfe0c6" stroke="#4a7c35" stroke-width="0.02"><title>%s</title></rect>`+"\n",
				px, py, pw, ph, fmt.Sprintf("%s, %d plants", names(p.Planting), p.Planted))
		}
		e.print(`<text x="%g" y="%g" font-size="0.3">%s</text></g>`+"\n", b.X, top(b.Y, y)-0.08, b.Name)
	}
	e.print("</svg>\n")
	return e.err
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
