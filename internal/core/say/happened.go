package say

import (
	"fmt"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// What happened to a sowing.
type (
	// HeldSowing: it stays on its day.
	HeldSowing struct {
		Crop string
		On   civil.Date
	}
	// MovedSowing: from a day to another.
	MovedSowing struct {
		Crop     string
		From, To civil.Date
	}
	// CountedPlants: so many of a crop.
	CountedPlants struct {
		Plants int
		Crop   string
	}
	// BegunBy: it is begun by another method, in the words of the method.
	BegunBy struct {
		Crop   string
		On     civil.Date
		Method string
	}
	// CountedUp: so many places of a sowing are up, of those that were sown.
	CountedUp struct {
		Crop   string
		Up, Of int
	}
	// GapsRefilled: the gaps of a sowing were sown again.
	GapsRefilled struct {
		Crop string
		Gaps int
	}
	// Stands: so many in a hundred of a crop stand.
	Stands struct {
		Share float64
		Crop  string
	}
	// DaysBehind: a sowing is so many days behind the plan; less than 0 ahead of it.
	DaysBehind struct {
		Crop string
		Of   civil.Date
		Days float64
	}
	// FirstPicked: the first of a crop.
	FirstPicked struct {
		Crop string
		On   civil.Date
	}
	// BegunOn: a crop was begun on a day, all of it or so many plants in a hundred.
	BegunOn struct {
		Crop  string
		On    civil.Date
		Share float64 // 0: all
	}
	// Recorded: so many sowings at once.
	Recorded struct{ Sowings int }
	// Grows: so many things that grow already were put down; the one where it is one.
	Grows struct {
		Things int
		Crop   string
	}
	// MeansTo: a crop is to be begun on a day.
	MeansTo struct {
		Crop string
		On   civil.Date
	}
	// PlacesHeld: everything that has a place in a bed keeps it.
	PlacesHeld struct{}
	// NotSown: it was given up before it was sown.
	NotSown struct {
		Crop string
		Of   civil.Date
	}
	// WasWeighed: how much of what came in was weighed; Usual: as much as usually.
	WasWeighed struct {
		Crop  string
		Of    civil.Date
		Usual bool
		Share float64
	}
	// LetBe: it was not begun, and nothing is to be begun in its place.
	LetBe struct {
		Crop string
		Of   civil.Date
	}
	// EndedOn: it bolted, failed or was eaten.
	EndedOn struct {
		Crop   string
		Of, On civil.Date
		Why    string // in words; empty: nobody said
	}
	// PlantedPatch: so many plants of a perennial.
	PlantedPatch struct {
		Plants int
		Crop   string
	}
	// DidTask: a task, its crop, the day, and how much of how many was done; 0 for all.
	DidTask struct {
		Task, Crop string
		Done, Of   float64
		Unit       string
		On         civil.Date
		Stored     float64 // of it in a storage place from then on, in StoredUnit; 0: none
		StoredUnit string
	}
)

func (x HeldSowing) String() string {
	return "fixed the date of " + lower(x.Crop) + " of " + x.On.Short()
}
func (x MovedSowing) String() string {
	return fmt.Sprintf("moved %s from %s to %s", lower(x.Crop), x.From.Short(), x.To.Short())
}
func (x CountedPlants) String() string {
	return fmt.Sprintf("counted %d plants of %s", x.Plants, lower(x.Crop))
}
func (x BegunBy) String() string {
	return fmt.Sprintf("%s of %s: %s", lower(x.Crop), x.On.Short(), x.Method)
}
func (x Stands) String() string {
	return fmt.Sprintf("%.0f of 100 plants of %s survived", x.Share, lower(x.Crop))
}
func (x DaysBehind) String() string {
	if x.Days < 0 {
		return fmt.Sprintf("%s of %s is %.0f days ahead", lower(x.Crop), x.Of.Short(), -x.Days)
	}
	return fmt.Sprintf("%s of %s is %.0f days behind", lower(x.Crop), x.Of.Short(), x.Days)
}
func (x FirstPicked) String() string {
	return fmt.Sprintf("first picked %s on %s", lower(x.Crop), x.On.Short())
}
func (x BegunOn) String() string {
	if x.Share > 0 && x.Share < 100 {
		return fmt.Sprintf("started %g of 100 plants of %s on %s", x.Share, lower(x.Crop), x.On.Short())
	}
	return fmt.Sprintf("started %s on %s", lower(x.Crop), x.On.Short())
}
func (x Recorded) String() string {
	return fmt.Sprintf("recorded what happened to %d sowings", x.Sowings)
}
func (x Grows) String() string {
	if x.Things == 1 {
		return fmt.Sprintf("recorded that %s is growing already", lower(x.Crop))
	}
	return fmt.Sprintf("recorded %d crops that are growing already", x.Things)
}
func (x MeansTo) String() string {
	return fmt.Sprintf("%s is to be started on %s", lower(x.Crop), x.On.Short())
}
func (PlacesHeld) String() string { return "kept every bed as it is" }
func (x NotSown) String() string {
	return fmt.Sprintf("%s of %s is not sown", lower(x.Crop), x.Of.Short())
}
func (x WasWeighed) String() string {
	what := "about half of it was weighed"
	switch {
	case x.Usual:
		what = "as much of it was weighed as usually"
	case x.Share >= 1:
		what = "all of it was weighed"
	case x.Share > 0.5:
		what = "most of it was weighed"
	case x.Share == 0:
		what = "hardly any of it was weighed"
	}
	return fmt.Sprintf("%s of %s: %s", lower(x.Crop), x.Of.Short(), what)
}
func (x LetBe) String() string {
	return fmt.Sprintf("%s of %s is left out", lower(x.Crop), x.Of.Short())
}
func (x EndedOn) String() string {
	why := ""
	if x.Why != "" {
		why = ": " + x.Why
	}
	return fmt.Sprintf("%s of %s ended on %s%s", lower(x.Crop), x.Of.Short(), x.On.Short(), why)
}
func (x PlantedPatch) String() string {
	return fmt.Sprintf("planted a patch of %d %s", x.Plants, lower(x.Crop))
}
func (x DidTask) String() string {
	text := fmt.Sprintf("%s: %s", lower(x.Task), lower(x.Crop))
	if x.Done > 0 {
		text += fmt.Sprintf(", %g of %g %s", x.Done, x.Of, x.Unit)
	}
	text += ", " + x.On.Short()
	if x.Stored > 0 {
		text += "; " + amount.Mark(x.Stored, amount.Unit(x.StoredUnit)) + " now on the shelf"
	}
	return text
}

func (x CountedUp) String() string { return fmt.Sprintf("%d of %d of %s came up", x.Up, x.Of, x.Crop) }

func (x GapsRefilled) String() string {
	return fmt.Sprintf("sowed %d gaps of %s again", x.Gaps, x.Crop)
}
