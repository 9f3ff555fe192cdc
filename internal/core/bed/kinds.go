package bed

import (
	"math"
)

// Filled returns a bed with the measures that follow from others: pots and grow
// bags of so many litres are taken as cubes set side by side.
func (b Bed) Filled() Bed {
	if b.Kind != Containers || b.Litre <= 0 || b.Count <= 0 {
		return b
	}
	side := math.Round(math.Cbrt(b.Litre)*100) / 1000 // m, in whole millimetres
	b.Width, b.Length, b.Soil = math.Max(0.2, side), math.Max(0.2, side)*float64(b.Count), side
	return b
}

// Holds returns the volume of all containers of a bed, litres; 0 for other ground.
func (b Bed) Holds() float64 {
	if b.Kind != Containers {
		return 0
	}
	return b.Litre * float64(b.Count)
}

// One returns the length of one container, m; 0 for ground that is not divided so.
func (b Bed) One() float64 {
	if b.Kind != Containers || b.Count <= 0 {
		return 0
	}
	return b.Length / float64(b.Count)
}

// SoilIn returns the depth of the soil in a year, m: what was measured, less what
// has settled since. It is 0 where nothing was measured.
func (b Bed) SoilIn(year int) float64 {
	if b.Measured == 0 || year <= b.Measured || b.Settles <= 0 {
		return b.Soil
	}
	return b.Soil * math.Pow(1-b.Settles, float64(year-b.Measured))
}

// Divided returns the equal parts that a bed is divided into along its length,
// so that the rotation of each can be told apart: each is a bed of its own, with
// what stood in the whole and what stands in its stretch.
func (b Bed) Divided(parts int) (out []Bed) {
	at := 0.0
	for i := range parts {
		p := b
		p.ID, p.Name, p.Length = "", b.Name+" "+string(rune('a'+i)), b.Length/float64(parts)
		if b.Kind == Containers { // whole ones
			p.Count = (b.Count + parts - 1 - i) / parts
			p.Length = b.One() * float64(p.Count)
		}
		if b.Turned {
			p.Y += at
		} else {
			p.X += at
		}
		end := at + p.Length
		p.Stands, p.Green, p.Stood = nil, nil, nil
		for _, s := range b.Stood {
			if s.Length > 0 {
				from, to := math.Max(s.At, at), math.Min(s.At+s.Length, end)
				if to-from <= crumb {
					continue
				}
				s.At, s.Length = from-at, to-from
			}
			p.Stood = append(p.Stood, s)
		}
		for _, g := range b.Green {
			if from, to := math.Max(g.At, at), math.Min(g.At+g.Length, end); to-from > crumb {
				g.At, g.Length = from-at, to-from
				p.Green = append(p.Green, g)
			}
		}
		for _, s := range b.Stands {
			from, to := math.Max(s.At, at), math.Min(s.At+s.Length, end)
			if to-from > crumb {
				s.At, s.Length = from-at, to-from
				p.Stands = append(p.Stands, s)
			}
		}
		out = append(out, p)
		at = end
	}
	return out
}

// Fill puts in what a bed may leave unsaid.
func (b *Bed) Fill() { *b = b.Filled() }
