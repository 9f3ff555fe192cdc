package season

import (
	"inventory/internal/core/book"
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

// slack is how much more heat than a crop needs is planned for: in heat, since
// in autumn a little heat is many days.
func (r Risk) slack() float64 {
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

// Way is how a crop comes into the ground.
type Method string

// The ways. The usual one is what the book says of the crop.
const (
	UsualMethod Method = ""
	Direct      Method = "direct" // sown in place
	Indoors     Method = "raised" // sown indoors and planted out
	Bought      Method = "bought" // bought as a start and planted out
)

// Rules are a household's rules for one crop.
type Rules struct {
	Risk      Risk
	School    School         // empty: by frost
	Method    Method         // empty: as the book has it
	NotBefore civil.MonthDay // of the day it takes the ground; none: no such limit
	NotAfter  civil.MonthDay
}

// MayBe tells whether a household may have a crop come into the ground in a way: what
// is grown from seed in any, whatever is usual.
func MayBe(c *book.Crop, w Method) bool {
	seed := !c.Perennial() && c.Start != "vegetative" && c.Dense == nil
	return w == UsualMethod || seed || w == Direct && c.Dense != nil
}

// CanBe tells whether a crop can come into the ground in a way, by the figures that the
// book has for it.
func CanBe(c *book.Crop, w Method) bool {
	switch {
	case w == UsualMethod:
		return true
	case !MayBe(c, w):
		return false
	case w == Direct:
		return c.Dense != nil || c.DirectWeeks.Known
	}
	return c.PlantOutWeeks.Known && c.RaiseWeeks.Known
}

// waysOf returns the ways in which a crop's starts are looked for: the first for
// all weeks, a second only for those that the first cannot feed.
func methodsOf(c *book.Crop, w Method) []Method {
	switch {
	case w != UsualMethod && CanBe(c, w):
		return []Method{w}
	case c.Dense != nil || c.Perennial() || c.Start == "vegetative" || c.Start == "direct":
		return []Method{Direct}
	case c.Start == "either" && c.DirectWeeks.Known:
		if CanBe(c, Indoors) {
			return []Method{Direct, Indoors}
		}
		return []Method{Direct}
	}
	return []Method{Indoors}
}
