package say

import (
	"fmt"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// What of a bed is not ideal for a planting, and why it cannot lie there at all.
type (
	// ShallowSoil: the soil and the depth that the crop roots to, cm.
	ShallowSoil struct{ Soil, Roots float64 }
	// NoCoverThere: the bed has no such cover.
	NoCoverThere struct{ Cover string }
	// Shades: it shades a bed.
	Shades struct{ Bed string }
	// ClearedEarly: days of picking are lost for what it stands between.
	ClearedEarly struct {
		On       civil.Date
		Lost, Of int // days of picking
	}
	// BedTooShort: the length that it takes and that of the bed, m.
	BedTooShort struct{ Takes, Has float64 }
	// NoFreeLength: what stands there or was put by hand leaves no such length free, m.
	NoFreeLength struct{ Takes float64 }
	// TooManyPlants: the most pieces that a planting is laid in hold so many of its plants.
	TooManyPlants struct{ Pieces, Hold, Of int }
)

func (x ShallowSoil) String() string {
	return fmt.Sprintf("the soil is %s deep; its roots need %s", amount.Mark(x.Soil, amount.Centimetre), amount.Mark(x.Roots, amount.Centimetre))
}
func (x NoCoverThere) String() string { return "no " + x.Cover + " is there" }
func (x Shades) String() string       { return "it shades " + x.Bed }
func (x ClearedEarly) String() string {
	return fmt.Sprintf("cleared on %s to make room for the crop beside it: %d of %d days of picking are lost", x.On.Short(), x.Lost, x.Of)
}
func (x BedTooShort) String() string {
	return fmt.Sprintf("it needs %s, the bed has %s", metres(x.Takes), metres(x.Has))
}
func (x NoFreeLength) String() string {
	return fmt.Sprintf("what is growing there, or was placed there by you, leaves no %s free at that time", metres(x.Takes))
}
func (x TooManyPlants) String() string {
	return fmt.Sprintf("even with all beds empty there is room for %[2]d of %[3]d plants, in %[1]d pieces", x.Pieces, x.Hold, x.Of)
}

// Why a planting stands where it does: whole sentences.
type (
	// LiesInPart: so many plants have found no ground.
	LiesInPart struct {
		Short int
		Why   Note
	}
	// FoundNoGround: none of it has.
	FoundNoGround struct{ Why Note }
	// SharesGround: it stands together with another crop.
	SharesGround struct{ Why string }
	// AgreedElsewhere: it was agreed to stand in a bed where it can stand no more.
	AgreedElsewhere struct{ Bed string }
	// StoodLately: its family grew too recently in these beds.
	StoodLately struct {
		Family string
		Beds   []string
	}
	// NoFreeStretch: these beds have no free stretch that long.
	NoFreeStretch struct{ Beds []string }
	// CannotLie: it cannot lie in these beds.
	CannotLie struct{ Beds []string }
	// NothingAgainst: nothing speaks against its bed.
	NothingAgainst struct{ Bed string }
	// OnlyAgainst: what speaks against its bed.
	OnlyAgainst struct {
		Bed       string
		Drawbacks []Note
	}
	// OverEdges: a sprawling crop may run over the edges of its bed, m on each side.
	OverEdges struct{ Each float64 }
	// NextBest: another bed would do, with drawbacks or with so many m left over beside it.
	NextBest struct {
		Bed       string
		Drawbacks []Note
		Spare     float64
	}
	// NextBestMoving: another bed would do if others make room.
	NextBestMoving struct{ Bed string }
	// NextBestBending: another bed would do if the rotation is bent.
	NextBestBending struct {
		Bed, Family string
		Year        int
	}
)

func (x LiesInPart) String() string {
	return fmt.Sprintf("There is room for a part of it only, %d plants too few: %s.", x.Short, x.Why)
}
func (x FoundNoGround) String() string { return "There is no room for it: " + x.Why.String() + "." }
func (x SharesGround) String() string  { return "It shares the bed: " + x.Why }
func (x AgreedElsewhere) String() string {
	return "The kept plan had it in " + x.Bed + ", where it no longer fits."
}
func (x StoodLately) String() string {
	return "The " + x.Family + " grew too recently in " + list(x.Beds) + "."
}
func (x NoFreeStretch) String() string {
	return fmt.Sprintf("At that time there is no free space that long in %s.", list(x.Beds))
}
func (x CannotLie) String() string      { return "It cannot grow in " + list(x.Beds) + "." }
func (x NothingAgainst) String() string { return x.Bed + " has no drawback." }
func (x OnlyAgainst) String() string {
	if len(x.Drawbacks) == 1 {
		return x.Bed + " has one drawback: " + join(x.Drawbacks) + "."
	}
	return x.Bed + " has drawbacks: " + join(x.Drawbacks) + "."
}
func (x OverEdges) String() string {
	return fmt.Sprintf("It may run over the bed's edges onto the paths, by %s on each side.", metres(x.Each))
}
func (x NextBest) String() string {
	if len(x.Drawbacks) > 0 {
		return "Next best: " + x.Bed + ", though " + join(x.Drawbacks) + "."
	}
	return fmt.Sprintf("Next best: %s, with %s left over beside it.", x.Bed, metres(x.Spare))
}
func (x NextBestMoving) String() string {
	return "Next best: " + x.Bed + "; other crops would have to move."
}
func (x NextBestBending) String() string {
	return fmt.Sprintf("Next best: %s, with an exception to rotation (%s grew there in %d).", x.Bed, "the "+x.Family, x.Year)
}
