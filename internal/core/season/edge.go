package season

import (
	"fmt"

	"inventory/internal/core/place"
)

// refusalRule names the rule that refuses a day.
type refusalRule int

const (
	permitted refusalRule = iota
	tooCold
	tooLateToPlant
	readyTooLate
	neverReady
	soilTooCold
	pickedTooShort
	ripensInHeat
	pickedInHeat
	setsInHeat
	notBefore
	notAfter
)

// refusal is why a day is not permitted, kept as a rule and a number, since it
// is put in words only at the edge of a window.
type refusal struct {
	rule  refusalRule
	value float64
}

// words says a refusal.
func (g *ground) words(r refusal) string {
	switch r.rule {
	case tooCold:
		return fmt.Sprintf("the mean minimum is under %.0f °C", r.value)
	case tooLateToPlant:
		return fmt.Sprintf("planted later than week %+.0f from the last frost it makes no crop", r.value)
	case readyTooLate:
		return fmt.Sprintf("ready %s, too late for %s", words(g.year, int(r.value)), g.why)
	case neverReady:
		return fmt.Sprintf("the %.0f degree-days it needs do not come within three times its catalogue days", r.value)
	case soilTooCold:
		return fmt.Sprintf("the soil is under %.0f °C", r.value)
	case pickedTooShort:
		return fmt.Sprintf("only %.0f days of picking before %s", r.value, g.why)
	case ripensInHeat:
		return fmt.Sprintf("its last third would stand in days over %.0f °C, too hot for it", r.value)
	case pickedInHeat:
		return fmt.Sprintf("days over %.0f °C would end its picking before half of it", r.value)
	case setsInHeat:
		return fmt.Sprintf("two to four weeks before it is ready, days over %.0f °C keep it from setting", r.value)
	case notBefore:
		return "you said not before " + words(g.year, int(r.value))
	case notAfter:
		return "you said not after " + words(g.year, int(r.value))
	}
	return ""
}

// firstWhy says why a window that begins on the first day tried does not begin
// earlier.
func (g *ground) firstWhy() string {
	switch {
	case g.crop.Dense != nil:
		return "sown on a tray at any time"
	case g.autumnPlanted():
		return "two weeks before the first autumn frost"
	case g.year.FrostFree:
		return "warm enough from the first of January"
	case g.byTemperature() && g.earliest().Or(0) < 4:
		return "warm enough from midwinter on"
	}
	weeks := g.earliest().Or(0)
	text := "at the median last frost"
	if weeks < 0 {
		text = fmt.Sprintf("%s before the median last frost", weekWords(-weeks))
	} else if weeks > 0 {
		text = fmt.Sprintf("%s after the median last frost", weekWords(weeks))
	}
	switch s := g.tenderShift(); {
	case s > 0:
		text += ", and a week to be careful"
	case s < 0:
		text += ", a week bold"
	}
	return text
}

// lastWhy says why a window that ends on the last day tried does not go on.
func (g *ground) lastWhy() string {
	switch {
	case g.crop.Dense != nil:
		return "sown on a tray at any time"
	case g.autumnPlanted():
		return "six weeks after the first autumn frost"
	}
	return "nothing stops it here"
}

// words writes day x as "14 Oct".
func words(y *place.Year, x int) string {
	names := [12]string{"Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"}
	lengths := [12]int{31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31}
	d := y.Day(x)
	for m, n := range lengths {
		if d < n {
			return fmt.Sprintf("%d %s", d+1, names[m])
		}
		d -= n
	}
	return ""
}

func weekWords(n float64) string {
	if n == 1 {
		return "1 week"
	}
	return fmt.Sprintf("%.0f weeks", n)
}

// noDay says why no day of the year is tried at all.
func (g *ground) noDay() string {
	if g.autumnPlanted() {
		return "the mean never falls under 15 °C here, when it would be planted"
	}
	return "no day of the year is warm enough"
}
