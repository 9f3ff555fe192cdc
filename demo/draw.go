package demo

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"math"
	"math/rand/v2"
)

// The size of a drawn photograph, pixels.
const drawnWidth, drawnHeight = 640, 420

// sketch is a picture that is drawn with soft dots.
type sketch struct {
	*image.RGBA
	r *rand.Rand
}

// drawn draws what stands for a photograph: a bed, rows, a leaf, starts or jars.
func drawn(what string, seed uint64) []byte {
	s := &sketch{image.NewRGBA(image.Rect(0, 0, drawnWidth, drawnHeight)), rand.New(rand.NewPCG(seed, 77))}
	switch what {
	case "leaf":
		s.wash(color.RGBA{196, 205, 170, 255}, color.RGBA{120, 140, 90, 255})
		s.oval(320, 215, 250, 140, -0.35, color.RGBA{70, 118, 50, 255})
		s.oval(320, 215, 235, 6, -0.35, color.RGBA{150, 180, 110, 255})
		for range 14 {
			s.oval(120+400*s.r.Float64(), 120+190*s.r.Float64(), 6+14*s.r.Float64(), 5+10*s.r.Float64(), 0, color.RGBA{90, 70, 42, 255})
		}
	case "jars":
		s.wash(color.RGBA{214, 200, 178, 255}, color.RGBA{150, 126, 98, 255})
		for i := range 7 {
			x := 70 + 84*float64(i)
			for y := 170.0; y < 350; y += 4 {
				s.oval(x, y, 32, 10, 0, color.RGBA{158, uint8(40 + 12*s.r.IntN(3)), 28, 255})
			}
			s.oval(x, 164, 30, 12, 0, color.RGBA{205, 200, 190, 255})
		}
	case "starts":
		s.wash(color.RGBA{232, 226, 214, 255}, color.RGBA{176, 160, 140, 255})
		for i := range 18 {
			x, y := 60+100*float64(i%6), 150+90*float64(i/6)
			s.oval(x, y+26, 34, 16, 0, color.RGBA{74, 56, 40, 255})
			for range 4 {
				s.oval(x-16+32*s.r.Float64(), y-14+24*s.r.Float64(), 15, 8, 3*s.r.Float64(), color.RGBA{88, 140, 60, 255})
			}
		}
	default: // a bed, or rows of one
		s.wash(color.RGBA{150, 170, 190, 255}, color.RGBA{104, 82, 58, 255})
		for row := range 6 {
			y := 190 + 38*float64(row)
			for i := range 16 {
				if what == "rows" && s.r.IntN(5) == 0 {
					continue // gaps
				}
				size := 8 + 3.4*float64(row)
				s.oval(20+40*float64(i)+8*s.r.Float64(), y+6*s.r.Float64(), size, size*0.7, 3*s.r.Float64(), color.RGBA{uint8(66 + s.r.IntN(30)), uint8(116 + s.r.IntN(40)), 52, 255})
			}
		}
	}
	var body bytes.Buffer
	_ = jpeg.Encode(&body, s, nil) // into memory; it cannot fail
	return body.Bytes()
}

// wash paints the ground, from a colour above to one below.
func (s *sketch) wash(above, below color.RGBA) {
	for y := range drawnHeight {
		part := float64(y) / drawnHeight
		for x := range drawnWidth {
			mix := func(a, b uint8) uint8 { return uint8(float64(a)*(1-part) + float64(b)*part + 6*s.r.Float64()) }
			s.SetRGBA(x, y, color.RGBA{mix(above.R, below.R), mix(above.G, below.G), mix(above.B, below.B), 255})
		}
	}
}

// oval fills an oval with its middle, half axes and turn.
func (s *sketch) oval(x, y, a, b, turn float64, c color.RGBA) {
	most := int(math.Max(a, b)) + 1
	sin, cos := math.Sincos(turn)
	for dy := -most; dy <= most; dy++ {
		for dx := -most; dx <= most; dx++ {
			u := (float64(dx)*cos + float64(dy)*sin) / a
			v := (float64(dy)*cos - float64(dx)*sin) / b
			if u*u+v*v <= 1 && image.Pt(int(x)+dx, int(y)+dy).In(s.Bounds()) {
				s.SetRGBA(int(x)+dx, int(y)+dy, c)
			}
		}
	}
}
