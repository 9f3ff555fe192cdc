package season

import (
	"fmt"
	"math"

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
	tooEarlyForWinter
	tooSmallForWinter
	freezesInWinter
	runsToSeed
	pickedToSeed
	tooEarlyForBulbs
)

// refusal is why a day is not permitted, kept as a rule and a number, since it
// is put in words only at the edge of a window.
type refusal struct {
	rule  refusalRule
	value float64
}

// farness ranks the rules by how far what they refuse is from being permitted.
var farness = [...]float64{notBefore: 9e4, notAfter: 9e4, tooCold: 8e4, soilTooCold: 7e4, tooLateToPlant: 6e4, tooEarlyForBulbs: 6e4,
	tooEarlyForWinter: 5e4, tooSmallForWinter: 5e4, neverReady: 4e4, freezesInWinter: 3e4, readyTooLate: 2e4, ripensInHeat: 1e4,
	runsToSeed: 1e4, pickedTooShort: 5e3, pickedToSeed: 5e3, setsInHeat: 5e3, pickedInHeat: 5e3}

// miss tells how far a refused start is from being permitted, in days and parts of
// them: the reason of the one that comes nearest is the one to tell. Rules that are
// looked at later count as nearer.
func (g *ground) miss(st Start, r refusal) float64 {
	far := farness[r.rule]
	switch r.rule {
	case readyTooLate:
		if limit := g.limitOf(st.Day); limit < never {
			far += math.Min(9e3, float64(st.Sure-limit))
		}
	case neverReady:
		far += math.Min(9e3, float64(st.Ready-st.Day))
	case pickedTooShort, pickedToSeed:
		far -= r.value
	case ripensInHeat, setsInHeat, pickedInHeat:
		far += g.between(st.Day, st.Ready)
	}
	return far
}

// tooFar is how many days after its limit a ready day says nothing any more.
const tooFar = 90

// anyTime is the reason of both edges where every day of the year is permitted.
const anyTime = "it can be begun at any time of the year here"

// words says a refusal.
//
// One function, since each reason is one case.
func (g *ground) words(r refusal) string {
	switch r.rule {
	case tooCold:
		return fmt.Sprintf("the mean minimum is under %.0f °C", r.value)
	case tooLateToPlant:
		return fmt.Sprintf("planted later than week %+.0f from the last frost it makes no crop", r.value)
	case readyTooLate:
		if limit := g.limit; limit < never && mod(int(r.value)-limit, place.Days) > tooFar {
			return "it does not get ready before " + g.why
		}
		return fmt.Sprintf("ready %s, too late for %s", words(g.year, int(r.value)), g.why)
	case neverReady:
		return fmt.Sprintf("the %.0f degree-days it needs do not come within three times its catalogue days", r.value)
	case soilTooCold:
		return fmt.Sprintf("the soil is under %.0f °C", r.value)
	case pickedTooShort:
		return fmt.Sprintf("only %.0f days of picking before %s", r.value, g.why)
	case ripensInHeat:
		return fmt.Sprintf("it would grow through four weeks of days well over %.0f °C, too hot for it", r.value)
	case pickedInHeat:
		return fmt.Sprintf("days over %.0f °C would leave less than a third of its weight", r.value)
	case setsInHeat:
		return fmt.Sprintf("two to four weeks before it is picked, days over %.0f °C keep it from setting", r.value)
	case tooEarlyForWinter:
		return "too early for the winter: it would be too far on when the cold comes"
	case tooSmallForWinter:
		return "too small before the winter to stand through it"
	case freezesInWinter:
		return "it freezes in a usual winter here before it is ripe"
	case runsToSeed:
		return "it runs to seed before it is ready, about " + words(g.year, int(r.value))
	case pickedToSeed:
		return fmt.Sprintf("only %.0f days of picking before it runs to seed", r.value)
	case tooEarlyForBulbs:
		return "planted earlier, it would make its bulbs too soon"
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
