package amount

import (
	"math"
	"strconv"
)

// Style is how numbers of a unit are written beside it.
type Style string

// The styles. All but the first write US customary measures as they stand on a ruler, a
// kitchen scale and a jar: in fractions, and in two units where people say two.
const (
	Decimal Style = ""       // with a decimal point
	Inches  Style = "inches" // 1 3/4 in, from a yard on 4 ft 2 in
	Feet    Style = "feet"   // 4 ft 2 in, from 100 ft on whole feet
	Pounds  Style = "pounds" // 2 lb 4 oz, from 10 lb on with a decimal point
	Quarts  Style = "quarts" // 3/4 cup, 1 pint, 1 1/2 qt, from a gallon on gallons
)

// customary writes a number of a unit's own size in its style, with the last of its units.
func customary(n float64, sh Shown) (digits, unit string) {
	if n < 0 {
		digits, unit = customary(-n, sh)
		if digits == "0" {
			return digits, unit
		}
		return "−" + digits, unit
	}
	switch sh.Style {
	case Inches:
		return inches(n)
	case Feet:
		return feet(n)
	case Pounds:
		return pounds(n)
	}
	return quarts(n)
}

// How finely inches are told: in eighths while they are few, in whole ones where nobody
// measures closer. What is more than nothing is at least an eighth.
func inches(n float64) (digits, unit string) {
	step := 1.0
	switch {
	case n >= 36:
		return feet(n / 12)
	case n < 3:
		step = 1.0 / 8
	case n < 6:
		step = 1.0 / 4
	case n < 12:
		step = 1.0 / 2
	}
	if n > 1e-9 {
		n = math.Max(step, math.RoundToEven(n/step)*step)
	}
	return fraction(n), "in"
}

// feet writes feet with their inches.
func feet(n float64) (digits, unit string) {
	if n >= 100 {
		return inDigits(n, 0), "ft"
	}
	whole := math.RoundToEven(n * 12)
	switch {
	case n < 1 && whole < 12:
		digits, unit = inches(n * 12)
		if n == 0 {
			unit = "ft"
		}
		return digits, unit
	case math.Mod(whole, 12) == 0:
		return plain(whole / 12), "ft"
	}
	return plain(math.Floor(whole/12)) + " ft " + plain(math.Mod(whole, 12)), "in"
}

// pounds writes pounds with their ounces.
func pounds(n float64) (digits, unit string) {
	ounces := math.RoundToEven(n * 16)
	switch {
	case n >= 10:
		return inDigits(n, decimals(n, 1)), "lb"
	case n == 0:
		return "0", "lb"
	case ounces < 1:
		return inDigits(n*16, decimals(n*16, 1)), "oz"
	case ounces < 16:
		return plain(ounces), "oz"
	case math.Mod(ounces, 16) == 0:
		return plain(ounces / 16), "lb"
	}
	return plain(math.Floor(ounces/16)) + " lb " + plain(math.Mod(ounces, 16)), "oz"
}

// quarts writes cups, pints, quarts or gallons.
func quarts(n float64) (digits, unit string) {
	near := func(size float64) bool { return math.Abs(n-size) < 0.01*size }
	switch {
	case n == 0:
		return "0", "qt"
	case n >= 3.995:
		return inDigits(n/4, decimals(n/4, 1)), "gal"
	case near(0.5):
		return "1", "pint"
	case near(0.25):
		return "1", "half-pint"
	case n >= 0.995:
		return fraction(math.RoundToEven(n*4) / 4), "qt"
	case n < 0.03:
		return inDigits(n*32, decimals(n*32, 1)), "fl oz"
	}
	cups := math.RoundToEven(n*16) / 4
	if cups > 1 {
		return fraction(cups), "cups"
	}
	return fraction(cups), "cup"
}

// plain writes a whole number.
func plain(n float64) string { return strconv.Itoa(int(n)) }

// fraction writes a number of eighths: 1 3/4.
func fraction(n float64) string {
	whole, part := math.Modf(n)
	eighths := int(math.RoundToEven(part * 8))
	if eighths == 0 {
		return plain(whole)
	}
	of := 8
	for eighths%2 == 0 {
		eighths, of = eighths/2, of/2
	}
	text := strconv.Itoa(eighths) + "/" + strconv.Itoa(of)
	if whole > 0 {
		return plain(whole) + " " + text
	}
	return text
}
