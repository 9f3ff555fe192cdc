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
	return fmt.Sprintf("the soil is shallow: %s of the %s it roots to", amount.Mark(x.Soil, amount.Centimetre), amount.Mark(x.Roots, amount.Centimetre))
}
func (x NoCoverThere) String() string { return "no " + x.Cover + " stands there" }
func (x Shades) String() string       { return "it shades " + x.Bed }
func (x ClearedEarly) String() string {
	return fmt.Sprintf("cleared on %s for what it stands between: %d of %d days of picking are lost", x.On.Short(), x.Lost, x.Of)
}
func (x BedTooShort) String() string {
	return fmt.Sprintf("it takes %s, the bed has %s", metres(x.Takes), metres(x.Has))
}
func (x NoFreeLength) String() string {
	return fmt.Sprintf("what stands there or was put there by hand leaves no %s free at that time", metres(x.Takes))
}
func (x TooManyPlants) String() string {
	return fmt.Sprintf("%d pieces of it, the most that one planting is laid in, hold %d of %d plants in the longest beds that may have it, all empty", x.Pieces, x.Hold, x.Of)
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
	// StoodLately: its family stood too lately in these beds.
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
	return fmt.Sprintf("It lies in part, and %d plants are short: %s.", x.Short, x.Why)
}
func (x FoundNoGround) String() string { return "It has found no ground: " + x.Why.String() + "." }
func (x SharesGround) String() string  { return "It shares this ground: " + x.Why }
func (x AgreedElsewhere) String() string {
	return "It was agreed to stand in " + x.Bed + ", where it can stand no more."
}
func (x StoodLately) String() string { return x.Family + " stood too lately in " + list(x.Beds) + "." }
func (x NoFreeStretch) String() string {
	return fmt.Sprintf("At that time there is no free stretch that long in %s.", list(x.Beds))
}
func (x CannotLie) String() string      { return "It cannot lie in " + list(x.Beds) + "." }
func (x NothingAgainst) String() string { return "Nothing speaks against " + x.Bed + "." }
func (x OnlyAgainst) String() string {
	return "Against " + x.Bed + " speaks only this: " + join(x.Drawbacks) + "."
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
func (x NextBestMoving) String() string { return "Next best: " + x.Bed + ", if others make room." }
func (x NextBestBending) String() string {
	return fmt.Sprintf("Next best: %s, if the rotation is bent (%s stood there in %d).", x.Bed, x.Family, x.Year)
}
