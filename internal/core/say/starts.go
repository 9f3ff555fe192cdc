package say

import (
	"fmt"

	"inventory/internal/core/civil"
)

// Why a start is not permitted on a day. Temperatures are °C.
type (
	// TooCold: the mean minimum is under what the crop stands.
	TooCold struct{ Minimum float64 }
	// TooLateToPlant: later than so many weeks from the last frost it makes no crop.
	TooLateToPlant struct{ Weeks float64 }
	// ReadyTooLate: it would be ready on a day after its limit.
	ReadyTooLate struct {
		Ready civil.MonthDay
		Limit Limit
	}
	// NeverReadyBefore: it would be ready so long after its limit that the day says nothing.
	NeverReadyBefore struct{ Limit Limit }
	// NeverReady: the degree days (°C · days) that it needs do not come.
	NeverReady struct{ DegreeDays float64 }
	// SoilTooCold: the soil is under what the seed needs.
	SoilTooCold struct{ Least float64 }
	// PickedTooShort: so few days of picking are left before its limit.
	PickedTooShort struct {
		Days  float64
		Limit Limit
	}
	// RipensInHeat: it would grow through four weeks of days over so many degrees.
	RipensInHeat struct{ Most float64 }
	// PickedInHeat: days over so many degrees leave less than a third of its weight.
	PickedInHeat struct{ Most float64 }
	// SetsInHeat: days over so many degrees keep it from setting fruit.
	SetsInHeat struct{ Most float64 }
	// RunsToSeed: it runs to seed before it is ready.
	RunsToSeed struct{ About civil.MonthDay }
	// PickedToSeed: so few days of picking are left before it runs to seed.
	PickedToSeed struct{ Days float64 }
	// SaidNotBefore: the household begins it on no earlier day.
	SaidNotBefore struct{ Day civil.MonthDay }
	// SaidNotAfter: the household begins it on no later day.
	SaidNotAfter struct{ Day civil.MonthDay }
)

// Limit is what a crop must be ready before, and about when that is; the zero day leaves
// it out.
type Limit struct {
	What  Fact
	About civil.MonthDay
}

// KillingFreeze: the freeze, °C, that kills the crop.
type KillingFreeze struct{ C float64 }

func (x TooCold) String() string { return fmt.Sprintf("the average low is below %.0f °C", x.Minimum) }
func (x TooLateToPlant) String() string {
	return fmt.Sprintf("planted later than %+.0f weeks from the last frost it gives no crop", x.Weeks)
}
func (x ReadyTooLate) String() string {
	return fmt.Sprintf("ready %s, too late for %s", x.Ready.Short(), x.Limit)
}
func (x NeverReadyBefore) String() string { return "it is not ready before " + x.Limit.String() }
func (x NeverReady) String() string {
	return fmt.Sprintf("there is not enough warmth to ripen it (it needs %.0f degree-days)", x.DegreeDays)
}
func (x SoilTooCold) String() string { return fmt.Sprintf("the soil is colder than %.0f °C", x.Least) }
func (x PickedTooShort) String() string {
	return fmt.Sprintf("only %.0f days of picking before %s", x.Days, x.Limit)
}
func (x RipensInHeat) String() string {
	return fmt.Sprintf("it would grow through four weeks of days well over %.0f °C, which is too hot for it", x.Most)
}
func (x PickedInHeat) String() string {
	return fmt.Sprintf("days over %.0f °C would leave less than a third of its harvest", x.Most)
}
func (x SetsInHeat) String() string {
	return fmt.Sprintf("days over %.0f °C two to four weeks before picking keep it from setting", x.Most)
}
func (x RunsToSeed) String() string {
	return "it runs to seed before it is ready, about " + x.About.Short()
}
func (x PickedToSeed) String() string {
	return fmt.Sprintf("only %.0f days of picking before it runs to seed", x.Days)
}
func (x SaidNotBefore) String() string { return "you said not before " + x.Day.Short() }
func (x SaidNotAfter) String() string  { return "you said not after " + x.Day.Short() }
func (x KillingFreeze) String() string {
	return fmt.Sprintf("the freeze at %.0f °C that kills it", x.C)
}

func (l Limit) String() string {
	switch {
	case l.What == nil:
		return ""
	case l.About.IsZero():
		return l.What.String()
	}
	return l.What.String() + ", about " + l.About.Short()
}

// Caution is how careful a household is with the last frost.
type Caution int

// A week later than usual, as usual, or a week earlier.
const (
	Usual Caution = iota
	Careful
	Bold
)

type (
	// FromLastFrost: a window begins so many weeks after the usual last frost; less than 0
	// before it.
	FromLastFrost struct {
		Weeks   float64
		Caution Caution
	}
	// Earlier and Later: it lies outside what begins or ends for a reason.
	Earlier struct{ Than Fact }
	Later   struct{ Than Fact }
	// Raised: the reason is that of starts that are raised.
	Raised struct{ Why Note }
	// MeanTooLow: the mean never reaches so many degrees, °C.
	MeanTooLow struct{ C float64 }
)

func (x FromLastFrost) String() string {
	text := "at the usual last frost"
	switch {
	case x.Weeks < 0:
		text = weeks(-x.Weeks) + " before the usual last frost"
	case x.Weeks > 0:
		text = weeks(x.Weeks) + " after the usual last frost"
	}
	switch x.Caution {
	case Careful:
		text += ", and a week later to take less risk"
	case Bold:
		text += ", and a week earlier to take more risk"
	}
	return text
}
func (x Earlier) String() string { return "it is earlier than " + x.Than.String() }
func (x Later) String() string   { return "it is later than " + x.Than.String() }
func (x Raised) String() string  { return "sown indoors: " + x.Why.String() }
func (x MeanTooLow) String() string {
	return fmt.Sprintf("the average temperature never reaches %.0f °C here", x.C)
}

type (
	// FrostFreeYears: so few years of a record had a frost that the place counts as without.
	FrostFreeYears struct{ Without, Of int }
	// FewYears: a record is too short to tell how the frosts vary.
	FewYears struct{ Years int }
)

func (x FrostFreeYears) String() string {
	return fmt.Sprintf("%d of %d years had no frost, so the location counts as frost-free", x.Without, x.Of)
}
func (x FewYears) String() string {
	return fmt.Sprintf("%d years are too few to see how the frost dates vary, so the usual 10 days are used", x.Years)
}
