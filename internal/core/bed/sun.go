package bed

import (
	"cmp"
	"math"

	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// Obstacle is something upright that throws a shadow: a house, a hedge, a row of
// trees. It is measured from the middle of the plot, and taken as a wall that
// stands square to the way one looks at it from there.
type Obstacle struct {
	Name     string  `json:"name"`
	Height   float64 `json:"height"`   // m
	Distance float64 `json:"distance"` // m, from the middle of the plot
	Bearing  float64 `json:"bearing"`  // degrees clockwise from north
	Breadth  float64 `json:"breadth"`  // m
}

// Validate looks at an obstacle.
func (o Obstacle) Validate(c invalid.Check) {
	c.Text("name", o.Name, 60)
	c.Positive("height", o.Height, 200)
	c.Number("distance", o.Distance, 0, 2000)
	c.Number("bearing", o.Bearing, 0, 360)
	c.Positive("breadth", o.Breadth, 2000)
}

type point struct{ x, y float64 }

// toward returns the way of a compass bearing on the plot, y pointing to the
// plot's own bearing.
func (p Plot) toward(bearing float64) point {
	a := (bearing - p.Bearing) * math.Pi / 180
	return point{math.Sin(a), math.Cos(a)}
}

// Wall returns the ends of the wall that an obstacle is taken for, m on the plot.
func (p Plot) Wall(o Obstacle) (x1, y1, x2, y2 float64) {
	d := p.toward(o.Bearing)
	x, y := p.Length/2+d.x*o.Distance, p.Width/2+d.y*o.Distance
	h := o.Breadth / 2
	return x - d.y*h, y + d.x*h, x + d.y*h, y - d.x*h
}

// sunStep is how often the sun is looked at, minutes.
const sunStep = 10

// SunHours returns the hours of direct sun that the middle of a bed has on the
// middle day of each month: the sun's height and bearing from latitude, day and
// hour (declination as of the day lengths, Forsythe et al. 1995), and the walls
// that stand between.
func SunHours(latitude float64, p Plot, b Bed) (hours [12]float64) {
	ax, ay := b.Across()
	at := point{b.X + ax/2, b.Y + ay/2}
	l := latitude * math.Pi / 180
	for m := range hours {
		dec := place.Declination(int(place.MidMonth(m)))
		for t := sunStep / 2; t < 24*60; t += sunStep {
			h := (float64(t)/60 - 12) * math.Pi / 12
			sinUp := math.Sin(l)*math.Sin(dec) + math.Cos(l)*math.Cos(dec)*math.Cos(h)
			if sinUp <= 0 {
				continue
			}
			up := math.Asin(sinUp)
			bearing := math.Atan2(-math.Cos(dec)*math.Sin(h), math.Sin(dec)*math.Cos(l)-math.Cos(dec)*math.Sin(l)*math.Cos(h)) * 180 / math.Pi
			if !p.hidden(at, p.toward(bearing), math.Tan(up)) {
				hours[m] += sunStep / 60.0
			}
		}
	}
	return hours
}

// hidden reports whether a wall stands between a place and the sun.
func (p Plot) hidden(at, way point, slope float64) bool {
	for _, o := range p.Obstacles {
		x1, y1, x2, y2 := p.Wall(o)
		ex, ey := x2-x1, y2-y1
		across := way.x*ey - way.y*ex
		if math.Abs(across) < 1e-12 {
			continue
		}
		dx, dy := x1-at.x, y1-at.y
		far := (dx*ey - dy*ex) / across         // m to the wall along the way of the sun
		along := (dx*way.y - dy*way.x) / across // 0 to 1 on the wall
		if far > 0 && along >= 0 && along <= 1 && o.Height > far*slope {
			return true
		}
	}
	return false
}

// The hours of direct sun, in the mean of the six months with the longest days,
// from which ground counts as being in full or in part sun.
const (
	fullSun = 6
	partSun = 4
)

// SunClass returns what of the sun a bed gets: what is set by hand, or what
// follows from the obstacles: full from 6 h in the mean of the growing half of the
// year, part from 4 h, shade below; else what is said of its plot.
func SunClass(latitude float64, p *Plot, b Bed) string {
	switch {
	case b.Sun != "":
		return b.Sun
	case p == nil:
		return "full"
	case len(p.Obstacles) == 0:
		return cmp.Or(p.Sun, "full")
	}
	hours, mean := SunHours(latitude, *p, b), 0.0
	for m := range 6 {
		mean += hours[(m+3+map[bool]int{true: 6}[latitude < 0])%12] / 6
	}
	switch {
	case mean >= fullSun:
		return "full"
	case mean >= partSun:
		return "part"
	}
	return "shade"
}
