package season

import (
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
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

// reason returns why a day is refused, as a fact; nil where it is permitted.
//
// One function, since each reason is one case.
func (g *ground) reason(r refusal) say.Fact {
	switch r.rule {
	case tooCold:
		return say.TooCold{Minimum: r.value}
	case tooLateToPlant:
		return say.TooLateToPlant{Weeks: r.value}
	case readyTooLate:
		if limit := g.limit; limit < never && mod(int(r.value)-limit, place.Days) > tooFar {
			return say.NeverReadyBefore{Limit: g.why}
		}
		return say.ReadyTooLate{Ready: monthDay(g.year, int(r.value)), Limit: g.why}
	case neverReady:
		return say.NeverReady{DegreeDays: r.value}
	case soilTooCold:
		return say.SoilTooCold{Least: r.value}
	case pickedTooShort:
		return say.PickedTooShort{Days: r.value, Limit: g.why}
	case ripensInHeat:
		return say.RipensInHeat{Most: r.value}
	case pickedInHeat:
		return say.PickedInHeat{Most: r.value}
	case setsInHeat:
		return say.SetsInHeat{Most: r.value}
	case tooEarlyForWinter:
		return say.TooEarlyForWinter
	case tooSmallForWinter:
		return say.TooSmallForWinter
	case freezesInWinter:
		return say.FreezesInWinter
	case runsToSeed:
		return say.RunsToSeed{About: monthDay(g.year, int(r.value))}
	case pickedToSeed:
		return say.PickedToSeed{Days: r.value}
	case tooEarlyForBulbs:
		return say.TooEarlyForBulbs
	case notBefore:
		return say.SaidNotBefore{Day: monthDay(g.year, int(r.value))}
	case notAfter:
		return say.SaidNotAfter{Day: monthDay(g.year, int(r.value))}
	}
	return nil
}

// firstWhy says why a window that begins on the first day tried does not begin
// earlier.
func (g *ground) firstWhy() say.Fact {
	switch {
	case g.crop.Dense != nil:
		return say.OnATray
	case g.autumnPlanted():
		return say.BeforeAutumnFrost
	case g.year.FrostFree:
		return say.WarmFromJanuary
	case g.byTemperature() && g.earliest().Or(0) < 4:
		return say.WarmFromMidwinter
	}
	careful := say.Usual
	switch s := g.tenderShift(); {
	case s > 0:
		careful = say.Careful
	case s < 0:
		careful = say.Bold
	}
	return say.FromLastFrost{Weeks: g.earliest().Or(0), Caution: careful}
}

// lastWhy says why a window that ends on the last day tried does not go on.
func (g *ground) lastWhy() say.Fact {
	switch {
	case g.crop.Dense != nil:
		return say.OnATray
	case g.autumnPlanted():
		return say.AfterAutumnFrost
	}
	return say.NothingStopsIt
}

// monthDay returns the month and day of day x of a place's year.
func monthDay(y *place.Year, x int) civil.MonthDay {
	_, m, d := (civil.Of(2001, 1, 1) + civil.Date(y.Day(x))).Split() // a year of 365 days
	return civil.MonthDay{Month: m, Day: d}
}

// noDay says why no day of the year is tried at all.
func (g *ground) noDay() say.Fact {
	if g.autumnPlanted() {
		return say.NeverCoolEnough
	}
	return say.NoWarmDay
}
