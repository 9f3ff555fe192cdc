package exchange

import (
	"fmt"
	"strings"

	"github.com/boombuler/barcode/qr"

	"inventory/internal/core/invalid"
)

// quiet is the margin around a code that readers ask for, in modules.
const quiet = 4

// Code draws a text as a QR code (ISO/IEC 18004) in SVG, with its quiet margin. What is too long for
// a code is an invalid.Field named "text".
func Code(text string) (string, error) {
	code, err := qr.Encode(text, qr.M, qr.Auto)
	if err != nil {
		return "", &invalid.Field{Field: "text", Value: text, Allowed: "a text that a code can hold"}
	}
	side := code.Bounds().Dx()
	dark := func(x, y int) bool {
		r, _, _, _ := code.At(x, y).RGBA()
		return r == 0
	}
	var out strings.Builder
	fmt.Fprintf(&out, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" shape-rendering="crispEdges"><rect width="100%%" height="100%%" fill="#fff"/><path d="`, side+2*quiet, side+2*quiet)
	for y := range side {
		for x := 0; x < side; x++ {
			from := x
			for x < side && dark(x, y) {
				x++
			}
			if x > from { // one stroke for all that are dark beside each other
				fmt.Fprintf(&out, "M%d %dh%dv1h-%dz", from+quiet, y+quiet, x-from, x-from)
			}
		}
	}
	out.WriteString(`" fill="#000"/></svg>`)
	return out.String(), nil
}
