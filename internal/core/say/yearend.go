package say

import (
	"fmt"
	"math"

	"inventory/internal/core/amount"
)

// Why a wish is proposed otherwise for the next year: whole sentences.
type (
	// EatenOfWished: so much of what was wished was really eaten, in so many weeks of which that is known.
	EatenOfWished struct{ Share, Weeks float64 }
	// ShelfWillDo: so much will be left when the next harvest comes.
	ShelfWillDo struct {
		Left float64
		Unit amount.Unit
	}
	// FailedInFairYear: too little came in though the year was no poor one; it is planned surer.
	FailedInFairYear struct {
		Fed, Wanted int
		Confidence  float64
	}
	// SaidInPassing: the household said in passing that it ran out, that it was too much, or that nobody
	// eats it.
	SaidInPassing struct{ RanOut, TooMuch bool }
	// GrownByOwn: it is grown by what the household's plantings really give.
	GrownByOwn struct {
		Factor    float64
		Plantings int
	}
)

func (x EatenOfWished) String() string {
	what := "less"
	if x.Share > 1 {
		what = "more"
	}
	return fmt.Sprintf("You ate %.0f %% %s than you wanted (%.0f weeks are recorded).", math.Abs(100*(x.Share-1)), what, x.Weeks)
}
func (x ShelfWillDo) String() string {
	return fmt.Sprintf("%s will still be on the shelf when the next harvest comes: that will do.", amount.Mark(math.Floor(x.Left), x.Unit))
}
func (x FailedInFairYear) String() string {
	return fmt.Sprintf("It fed %d of %d weeks, and the year was no poor one: plan it so that it is enough in %g years of 10.", x.Fed, x.Wanted, math.Round(100*x.Confidence)/10)
}
func (x GrownByOwn) String() string {
	return fmt.Sprintf("It is grown by what yours give: %.0f %% of the book (%d plantings).", 100*x.Factor, x.Plantings)
}
func (x SaidInPassing) String() string {
	switch {
	case x.RanOut:
		return "You said that it ran out: a quarter more."
	case x.TooMuch:
		return "You said that it was too much: a quarter less."
	}
	return "You said that nobody eats it."
}

// SaidOfFood is what was said of a food in passing.
type SaidOfFood struct {
	Food            string
	RanOut, TooMuch bool
}

func (x SaidOfFood) String() string {
	switch {
	case x.RanOut:
		return first(x.Food) + " ran out"
	case x.TooMuch:
		return first(x.Food) + ": too much"
	}
	return first(x.Food) + ": nobody eats it"
}
