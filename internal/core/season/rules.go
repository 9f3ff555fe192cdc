package season

import (
	"inventory/internal/core/civil"
)

// Risk says how close to the frost a household plans.
type Risk string

// The three schools of risk: half-hardy and tender crops are shifted by +7, 0
// or −7 days in spring, and the first frost by −7, 0, +7.
const (
	Careful    Risk = "careful"
	UsualRisk  Risk = "usual"
	Bold       Risk = "bold"
	springWeek      = 7
)

func (r Risk) shift() int {
	switch r {
	case Careful:
		return springWeek
	case Bold:
		return -springWeek
	}
	return 0
}

// Slack is how much more heat than a crop needs is planned for: in heat, since
// in autumn a little heat is many days.
func (r Risk) Slack() float64 {
	switch r {
	case Careful:
		return 1.10
	case Bold:
		return 1
	}
	return 1.04
}

// lotSlack is how much more heat than a crop needs a lot that is kept is planned for:
// nobody squeezes the winter's carrots against the frost.
func (r Risk) lotSlack() float64 {
	switch r {
	case Careful:
		return 1.20
	case Bold:
		return 1.10
	}
	return 1.15
}

// School is how a household finds the first day of spring on which it plants.
type School string

// The two schools: counting weeks from the median last frost, or waiting for the
// normals to be warm enough. Without frost there is only the second.
const (
	ByFrost       School = "frost"
	ByTemperature School = "temperature"
)

// Rules are a household's rules for one crop.
type Rules struct {
	Risk      Risk
	School    School         // empty: by frost
	Method    Method         // empty: as the book has it
	NotBefore civil.MonthDay // of the day it takes the ground; none: no such limit
	NotAfter  civil.MonthDay
}
