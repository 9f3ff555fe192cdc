// Package amount has the quantities and units of the garden and the kitchen.
// Inside, everything is SI: kg, g, m, m², L, °C, days. People read and type US
// customary units too; this package knows both and converts between them.
package amount

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"golang.org/x/text/language"
	"golang.org/x/text/message"
	"golang.org/x/text/number"
)

// Unit names what a number counts. The word of a unit is what a person reads
// beside the number in metric.
type Unit string

// The units that figures carry.
const (
	None         Unit = ""
	Kilogram     Unit = "kg"
	Gram         Unit = "g"
	Litre        Unit = "L"
	Metre        Unit = "m"
	Centimetre   Unit = "cm"
	SquareMetre  Unit = "m²"
	CubicMetre   Unit = "m³"
	Celsius      Unit = "°C"
	Degrees      Unit = "degrees" // °C by which something is warmer or colder
	Millimetre   Unit = "mm"
	KgPerLitre   Unit = "kg/L"
	KgPerArea    Unit = "kg/m²"
	GramPerArea  Unit = "g/m²"
	Nitrogen     Unit = "g N/m²" // grams of nitrogen on a square metre
	Share        Unit = "share"
	Chance       Unit = "chance"
	Day          Unit = "days"
	Week         Unit = "weeks"
	Month        Unit = "months"
	Eater        Unit = "eaters"
	Meal         Unit = "meals"
	MealsPerWeek Unit = "meals a week"
	Plant        Unit = "plants"
	Start        Unit = "starts"
	Cell         Unit = "cells"
	Seed         Unit = "seeds"
	Station      Unit = "stations"
	Piece        Unit = "pieces"
	Jar          Unit = "jars"
	Row          Unit = "rows"
	Sowing       Unit = "sowings"
	PerMetre     Unit = "a metre"
	Batch        Unit = "batches"
	Hour         Unit = "hours"
	Minute       Unit = "minutes"
	Kcal         Unit = "kcal"
)

// System is a system of units to read figures in.
type System string

// The two systems.
const (
	Metric System = "metric"
	US     System = "us"
)

// Shown says how a unit is shown in a system: value × Factor + Offset, written
// with Unit beside it.
type Shown struct {
	Unit    string
	Factor  float64
	Offset  float64
	Decimal int // decimals worth showing for a number of ordinary size
	Style   Style
}

// Exact factors of the international yard and pound (1959) and the US gallon.
const (
	kgPerPound   = 0.45359237
	metrePerFoot = 0.3048
	litrePerQt   = 0.946352946
	cubicPerYard = 0.764554857984
)

// LitresPerQuart is the US quart in litres.
const LitresPerQuart = litrePerQt

var metricShown = map[Unit]Shown{
	Kilogram: {"kg", 1, 0, 1, Decimal}, Gram: {"g", 1, 0, 0, Decimal}, Litre: {"L", 1, 0, 1, Decimal}, Metre: {"m", 1, 0, 1, Decimal},
	Centimetre: {"cm", 1, 0, 1, Decimal}, SquareMetre: {"m²", 1, 0, 1, Decimal}, CubicMetre: {"m³", 1, 0, 2, Decimal}, Celsius: {"°C", 1, 0, 1, Decimal}, Degrees: {"°C", 1, 0, 1, Decimal},
	Millimetre: {"mm", 1, 0, 0, Decimal}, KgPerLitre: {"kg/L", 1, 0, 3, Decimal}, KgPerArea: {"kg/m²", 1, 0, 2, Decimal}, GramPerArea: {"g/m²", 1, 0, 0, Decimal}, Nitrogen: {"g/m²", 1, 0, 1, Decimal},
	Share: {"%", 100, 0, 1, Decimal}, Chance: {"%", 100, 0, 1, Decimal}, Eater: {"adults", 1, 0, 2, Decimal}, Meal: {"meals", 1, 0, 1, Decimal},
	MealsPerWeek: {"meals a week", 1, 0, 1, Decimal}, Batch: {"batches", 1, 0, 1, Decimal}, Hour: {"h", 1, 0, 1, Decimal},
	Month: {"months", 1, 0, 1, Decimal},
}

var usShown = map[Unit]Shown{
	Kilogram: {"lb", 1 / kgPerPound, 0, 1, Pounds}, Gram: {"oz", 1 / (kgPerPound * 1000 / 16), 0, 1, Decimal}, Litre: {"qt", 1 / litrePerQt, 0, 1, Quarts},
	Metre: {"ft", 1 / metrePerFoot, 0, 1, Feet}, Centimetre: {"in", 1 / 2.54, 0, 1, Inches}, SquareMetre: {"sq ft", 1 / (metrePerFoot * metrePerFoot), 0, 0, Decimal},
	CubicMetre: {"cu yd", 1 / cubicPerYard, 0, 2, Decimal}, Celsius: {"°F", 1.8, 32, 0, Decimal}, Degrees: {"°F", 1.8, 0, 1, Decimal}, Millimetre: {"in", 1 / 25.4, 0, 1, Decimal},
	KgPerLitre: {"lb/qt", litrePerQt / kgPerPound, 0, 3, Decimal}, KgPerArea: {"lb/sq ft", metrePerFoot * metrePerFoot / kgPerPound, 0, 2, Decimal},
	GramPerArea: {"oz/sq ft", metrePerFoot * metrePerFoot / (kgPerPound * 1000 / 16), 0, 2, Decimal}, Nitrogen: {"lb/1000 sq ft", metrePerFoot * metrePerFoot / kgPerPound, 0, 1, Decimal}, PerMetre: {"a foot", metrePerFoot, 0, 0, Decimal},
}

// Units lists every unit that converts or needs more than a whole number, with
// how it is shown in a system.
func Units(s System) map[Unit]Shown {
	out := make(map[Unit]Shown, len(metricShown)+len(usShown))
	for u := range metricShown {
		out[u] = Show(u, s)
	}
	for u := range usShown {
		out[u] = Show(u, s)
	}
	return out
}

// Show says how a unit is shown in a system.
func Show(u Unit, s System) Shown {
	if s == US {
		if sh, ok := usShown[u]; ok {
			return sh
		}
	}
	if sh, ok := metricShown[u]; ok {
		return sh
	}
	return Shown{Unit: string(u), Factor: 1}
}

// thin stands between thousands, so that no comma is taken for a decimal one.
const thin = "\u2009"

// english writes digits and groups as English does. It keeps nothing between calls.
var english = message.NewPrinter(language.English)

// Written writes a value of a unit in a system as a number and the unit beside it, such
// as "112.1" and "kg". The interface writes numbers by the same rules; the tests of both
// read testdata/numbers.csv.
//
// Three figures are enough to work by: large numbers lose their decimals, small ones get
// one more, and whole numbers need none. What is counted shows one decimal below ten:
// three and a half jars are not four. A half is rounded to the even digit.
func Written(v float64, u Unit, s System) (digits, unit string) {
	sh := Show(u, s)
	n := v*sh.Factor + sh.Offset
	if sh.Style != Decimal {
		return customary(n, sh)
	}
	digits = inDigits(n, decimals(n, sh.Decimal))
	return digits, one(sh.Unit, digits)
}

// decimals says how many decimals to write of a number whose unit has so many as a rule.
func decimals(n float64, usual int) int {
	if math.Abs(n-math.Round(n)) < 1e-9 {
		return 0
	}
	switch a := math.Abs(n); {
	case a >= 1000:
		return 0
	case a >= 100:
		return min(usual, 1)
	case a < 1 && usual == 1 && math.Abs(n*10-math.Round(n*10)) > 1e-9:
		return 2
	case a < 10 && usual == 0:
		return 1
	}
	return usual
}

func inDigits(n float64, d int) string {
	// Rounded before it is written, so that every library writes the same digits.
	tens := math.Pow10(d)
	n = math.RoundToEven(n*tens) / tens
	text := english.Sprint(number.Decimal(n, number.MinFractionDigits(d), number.MaxFractionDigits(d)))
	text = strings.ReplaceAll(text, ",", thin)
	if strings.Trim(text, "-0.") == "" { // nothing is not less than nothing
		return strings.TrimPrefix(text, "-")
	}
	return strings.Replace(text, "-", "−", 1)
}

// counted are the units whose words have a form for one of them.
var counted = []string{"pieces", "jars", "plants", "seeds", "cells", "meals", "starts", "stations", "weeks", "days", "sowings", "rows", "months"}

// one says the unit of one: "1 piece", but "2 pieces".
func one(unit, digits string) string {
	first, rest, _ := strings.Cut(unit, " ")
	if digits != "1" || !slices.Contains(counted, first) {
		return unit
	}
	return strings.TrimSuffix(first, "s") + strings.TrimSuffix(" "+rest, " ")
}

// Format writes a value of a unit in a system, such as "112.1 kg".
func Format(v float64, u Unit, s System) string {
	digits, unit := Written(v, u, s)
	if unit == "" {
		return digits
	}
	return digits + " " + unit
}

// Mark puts a quantity into a text that is read in either system: Render, or the
// interface, replaces {value|unit} by the quantity in the reader's units.
func Mark(v float64, u Unit) string {
	return "{" + strconv.FormatFloat(v, 'g', -1, 64) + "|" + string(u) + "}"
}

// Render writes the marked quantities of a text in a system.
func Render(text string, s System) string {
	var out strings.Builder
	for {
		head, rest, found := strings.Cut(text, "{")
		out.WriteString(head)
		if !found {
			return out.String()
		}
		mark, tail, closed := strings.Cut(rest, "}")
		number, unit, ok := strings.Cut(mark, "|")
		v, err := strconv.ParseFloat(number, 64)
		if !closed || !ok || err != nil {
			out.WriteString("{")
			text = rest
			continue
		}
		out.WriteString(Format(v, Unit(unit), s))
		text = tail
	}
}

var vulgar = map[rune]float64{'½': 0.5, '¼': 0.25, '¾': 0.75, '⅓': 1.0 / 3, '⅔': 2.0 / 3, '⅛': 0.125}

// ParseNumber reads a number as typed: "35", "2.5", "2,5", "1,200", "1/2", "½", "1½".
//
// One function, since each way of writing a number is one case.
func ParseNumber(s string) (float64, bool) {
	s = strings.TrimSpace(s)
	if s == "" {
		return 0, false
	}
	if r := []rune(s); vulgar[r[len(r)-1]] != 0 {
		if len(r) == 1 {
			return vulgar[r[0]], true
		}
		whole, ok := ParseNumber(string(r[:len(r)-1]))
		return whole + vulgar[r[len(r)-1]], ok
	}
	if a, b, found := strings.Cut(s, "/"); found {
		x, ok1 := ParseNumber(a)
		y, ok2 := ParseNumber(b)
		if !ok1 || !ok2 || y == 0 {
			return 0, false
		}
		return x / y, true
	}
	if head, tail, found := strings.Cut(s, ","); found {
		// "1,200" groups thousands; "2,5" is a decimal comma.
		if len(tail) == 3 && len(head) <= 3 && head != "0" {
			s = head + tail
		} else {
			s = head + "." + tail
		}
	}
	for _, r := range s { // no signs, exponents, hexadecimals or infinities in a garden
		if (r < '0' || r > '9') && r != '.' {
			return 0, false
		}
	}
	v, err := strconv.ParseFloat(s, 64)
	return v, err == nil
}

// CeilWhole rounds up to whole ones with 1e-9 in hand, so that 3.0000000001
// from a sum in floating point stays 3.
func CeilWhole(v float64) int { return int(math.Ceil(v - 1e-9)) }

// FloorWhole rounds down to whole ones with 1e-9 in hand.
func FloorWhole(v float64) int { return int(math.Floor(v + 1e-9)) }

// Converts reports whether a unit is another one in US units, so that a bare number of it
// must not be written.
func (u Unit) Converts() bool {
	_, converts := usShown[u]
	return converts
}
