package place

import (
	"math"

	"inventory/internal/core/civil"
)

// Moon is a phase of the moon: information for those who like to know it. No
// date of any plan hangs on it.
type Moon struct {
	Day   civil.Date `json:"day"`
	Phase string     `json:"phase"` // new, first quarter, full, last quarter
}

var phases = [4]string{"new", "first quarter", "full", "last quarter"}

// Moons returns the phases of the moon from one day to another, both included,
// by the day in universal time. The instants follow Meeus, "Astronomical
// Algorithms" (1998), chapter 49, with its largest terms; they are within an hour.
func Moons(from, to civil.Date) (out []Moon) {
	first := civil.Of(2000, 1, 6) // a new moon
	k := math.Floor(float64(from-first)/29.530588861) - 1
	for ; ; k += 0.25 {
		jde := instant(k)
		day := civil.Of(1970, 1, 1) + civil.Date(math.Floor(jde-2440587.5))
		if day > to {
			return out
		}
		if day >= from {
			out = append(out, Moon{day, phases[int(math.Round(4*(k-math.Floor(k))))%4]})
		}
	}
}

// instant returns the Julian day of phase k, counted in lunations from the new
// moon of January 2000.
func instant(k float64) float64 {
	t := k / 1236.85
	rad := func(d float64) float64 { return math.Mod(d, 360) * math.Pi / 180 }
	e := 1 - 0.002516*t
	sun := rad(2.5534 + 29.10535670*k)
	moon := rad(201.5643 + 385.81693528*k)
	node := rad(160.7108 + 390.67050284*k)
	jde := 2451550.09766 + 29.530588861*k + 0.00015437*t*t
	switch quarter := int(math.Round(4*(k-math.Floor(k)))) % 4; quarter {
	case 0, 2:
		a := -0.40720
		b := 0.17241
		if quarter == 2 {
			a, b = -0.40614, 0.17302
		}
		jde += a*math.Sin(moon) + b*e*math.Sin(sun) + 0.01608*math.Sin(2*moon) + 0.01039*math.Sin(2*node) + 0.00739*e*math.Sin(moon-sun)
	default:
		w := 0.00306
		if quarter == 3 {
			w = -w
		}
		jde += -0.62801*math.Sin(moon) + 0.17172*e*math.Sin(sun) - 0.01183*e*math.Sin(moon+sun) + 0.00862*math.Sin(2*moon) + 0.00804*math.Sin(2*node) + 0.00454*e*math.Sin(moon-sun) + w
	}
	return jde
}
