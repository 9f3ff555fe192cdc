package ground

import (
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

// standIn returns how a planting stands in a bed, and why it cannot where it
// cannot. In an open plot rows run across it; in a row of containers each holds
// what its width does, one plant at least, or as many as the household puts in one.
func standIn(p *Planting, b bed.Bed, edge float64) (s reckon.Stand, shape reckon.Bed, cannot say.Fact) {
	if b.Edge > 0 {
		edge = b.Edge
	}
	shape = reckon.Bed{Width: b.Width, Edge: math.Min(edge, b.Width/3)}
	c := p.Crop
	switch {
	case b.Kind == bed.Open:
		in, row := c.InRow.Value/100, c.RowGap.Value/100
		rows := max(1, int(b.Width/in+1e-9))
		s = reckon.Stand{Layout: wish.Across, Rows: rows, Step: row, Ground: in * row, Room: 1, Factor: 1}
	case p.Layout == wish.Plot:
		return s, shape, say.ForOpenGround
	case b.Kind == bed.Containers:
		one := b.One()
		side := max(1, int(one/(c.Block.Value/100)+1e-9))
		in := side * side
		if p.InOne > 0 {
			in = p.InOne
		}
		s = reckon.Stand{Layout: wish.Across, Rows: in, Step: one, Ground: one * one / float64(in), Room: 1, Factor: 1}
	default:
		s = reckon.StandIn(c, p.Layout, shape)
	}
	return s, shape, nil
}

// spacing returns how the plants of a stand lie: the lines along or across the
// bed, m between lines and m between plants of a line, and whether every second
// line is shifted.
func spacing(p *Planting, b bed.Bed, s reckon.Stand) (across bool, line, plant float64, shifted bool) {
	c := p.Crop
	switch {
	case b.Kind == bed.Containers:
		side := math.Sqrt(float64(s.Rows))
		return true, s.Step / side, s.Step / side, false
	case s.Layout == wish.Across:
		return true, s.Step, c.InRow.Value / 100, false
	case s.Layout == wish.Block:
		return false, 0.866 * c.Block.Value / 100, s.Step, true
	}
	return false, c.RowGap.Value / 100, s.Step, false
}

// Rotation returns the year in which a crop's family last stood in a bed as a whole, where
// that is too lately for it to return; 0 where it may. What stands there now
// counts as of the year before. A family that stood in a stretch of the bed keeps only that
// stretch from it: see RotationOn.
func Rotation(b bed.Bed, c *book.Crop, year int) (last int) {
	years := int(c.RotationYears.Or(0))
	for _, s := range b.Stood {
		if s.Length == 0 && s.Year < year && s.Year >= year-years && slices.Contains(s.Families, c.Family) {
			last = max(last, s.Year)
		}
	}
	for _, s := range b.Stands {
		if years > 0 && s.Family == c.Family {
			last = year - 1
		}
	}
	return last
}

// RotationOn is Rotation for a stretch of a bed, m: it counts what stood in the whole bed and
// in stretches that lie over it.
func RotationOn(b bed.Bed, c *book.Crop, year int, at, length float64) (last int) {
	const little = 0.01 // m: stretches that only touch do not lie over each other
	years := int(c.RotationYears.Or(0))
	last = Rotation(b, c, year)
	for _, s := range b.Stood {
		over := math.Min(at+length, s.At+s.Length) - math.Max(at, s.At)
		if s.Length > 0 && over > little && s.Year < year && s.Year >= year-years && slices.Contains(s.Families, c.Family) {
			last = max(last, s.Year)
		}
	}
	return last
}

// barred returns the stretches of a bed in which a crop's family stood too lately, in tenths of
// a millimetre, by where they lie; none lies over another.
func barred(b bed.Bed, c *book.Crop, year int) (out []gapIn) {
	years := int(c.RotationYears.Or(0))
	for _, s := range b.Stood {
		if s.Length > 0 && s.Year < year && s.Year >= year-years && slices.Contains(s.Families, c.Family) {
			out = append(out, gapIn{int(math.Round(s.At * tenths)), int(math.Round(s.Length * tenths))})
		}
	}
	slices.SortFunc(out, func(a, b gapIn) int { return a.at - b.at })
	merged := out[:0]
	for _, g := range out {
		if n := len(merged) - 1; n >= 0 && g.at <= merged[n].at+merged[n].length {
			merged[n].length = max(merged[n].length, g.at+g.length-merged[n].at)
			continue
		}
		merged = append(merged, g)
	}
	return merged
}

// How tall a crop must be to shade what grows behind it, and by how much taller
// than that, cm; and how far behind, m: about the length of a tall crop's shadow
// at noon in spring and autumn in the middle latitudes.
const (
	tall   = 150
	taller = 50
	behind = 1.6
)

// badly returns the number of drawbacks of bed k for planting i, one more than drawbacks if
// the planting shades a bed.
func (f *site) badly(i, k int) (n int) {
	p, b := &f.in.Plantings[i], &f.in.Beds[k]
	if p.Crop.Height >= tall && len(f.shades[k]) > 0 {
		n++
	}
	return n + len(drawbacks(p, b, f.in.Year))
}

// drawbacks says what of a bed is not ideal for a planting.
func drawbacks(p *Planting, b *bed.Bed, year int) (out []say.Note) {
	c := p.Crop
	if lacks := c.LacksIn(b.Sun); !lacks.IsZero() {
		out = append(out, lacks)
	}
	if c.Support == book.Trellis && !b.Climb {
		out = append(out, say.That(say.NothingToClimb))
	}
	if soil := b.SoilIn(year); c.RootDepth.Known && soil > 0 && soil*100 < c.RootDepth.Value/2 {
		out = append(out, say.That(say.ShallowSoil{Soil: soil * 100, Roots: c.RootDepth.Value}))
	}
	if kind := p.Cover.Kind(); (kind == place.Tunnel || kind == place.Frame) && b.Cover.Kind() != kind {
		out = append(out, say.That(say.NoCoverThere{Cover: string(kind)}))
	}
	if why, is := p.OutOfSeason[b.ID]; is {
		out = append(out, why)
	}
	return out
}

// pole returns the way to the pole on a plot: where the shadows of noon fall.
func (f *site) pole(plot string) (x, y float64) {
	bearing := f.in.Bearing[plot]
	if f.in.South {
		bearing += 180
	}
	return -math.Sin(bearing * math.Pi / 180), math.Cos(bearing * math.Pi / 180)
}

// lie works out which beds lie in the noon shadow of which, and which end of a bed
// is towards the pole: 1 its far end, -1 its near one, 0 neither.
func (f *site) lie() {
	n := len(f.in.Beds)
	f.shades, f.end = make([][]int, n), make([]int, n)
	extent := func(b bed.Bed, dx, dy float64) (least, most float64) {
		w, h := b.Across()
		x, y := (b.X+w/2)*dx+(b.Y+h/2)*dy, (math.Abs(w*dx)+math.Abs(h*dy))/2
		return x - y, x + y
	}
	for k, b := range f.in.Beds {
		px, py := f.pole(b.Plot)
		if along := map[bool]float64{true: py, false: px}[b.Turned]; math.Abs(along) > 0.5 {
			f.end[k] = int(math.Copysign(1, along))
		}
		_, edge := extent(b, px, py)
		left, right := extent(b, -py, px)
		for j, o := range f.in.Beds {
			from, _ := extent(o, px, py)
			l, r := extent(o, -py, px)
			if gap := from - edge; j != k && o.Plot == b.Plot && gap > -0.05 && gap < behind && math.Min(right, r)-math.Max(left, l) > 0.2 {
				f.shades[k] = append(f.shades[k], j)
			}
		}
	}
}

// shaded names the beds in which a piece throws its shadow on something that
// wants full sun and is lower.
func (f *laying) shaded(k int, q piece) (out []say.Note) {
	p := &f.in.Plantings[q.planting]
	if p.Crop.Height < tall {
		return nil
	}
	for _, j := range f.shades[k] {
		for _, o := range f.beds[j] {
			if o.planting < 0 || o.to <= q.from || q.to <= o.from {
				continue
			}
			c := f.in.Plantings[o.planting].Crop
			together := f.in.Beds[k].Turned != f.in.Beds[j].Turned || o.at < q.at+q.length && q.at < o.at+o.length
			if c.Sun == book.FullSun && c.Height+taller <= p.Crop.Height && together {
				out = append(out, say.That(say.Shades{Bed: f.in.Beds[j].Name}))
				break
			}
		}
	}
	return out
}
