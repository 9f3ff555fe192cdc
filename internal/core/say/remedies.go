package say

import (
	"fmt"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// What would mend a gap in the year, a week with too much putting up, or a shortage of
// ground.
type (
	// PutUp: some of it by a preparation.
	PutUp struct{ Preparation string }
	// Grow: another kind.
	Grow struct{ Kind string }
	// GrowUnder: under a cover.
	GrowUnder struct{ Cover string }
	// BuyStarts: it is planted from bought young plants.
	BuyStarts struct{ Crop string }
	// BuyPieces, BuyJars, BuyVolume (L), BuyDried (kg), BuyWeight (kg): how much is bought;
	// Kilogram is about what the pieces weigh.
	BuyPieces struct{ Pieces, Kilogram float64 }
	BuyJars   struct{ Jars float64 }
	BuyVolume struct{ Litre float64 }
	BuyDried  struct{ Kilogram float64 }
	BuyWeight struct{ Kilogram float64 }
	// SowingsApart: a wish in so many sowings a fortnight apart.
	SowingsApart struct {
		Wish    string
		Sowings int
	}
	// FewerJars: fewer jars of a wish.
	FewerJars struct {
		Wish   string
		To, Of float64
	}
	// Less: a smaller amount of a wish, in the words of its kind.
	Less struct {
		To    float64
		Words string
		Of    float64
	}
	// OfWish: what is done with one wish.
	OfWish struct {
		Wish string
		What Fact
	}
	// DoWithout: a wish that is only nice to have is left out.
	DoWithout struct{ Wish string }
	// BendRotation: the rotation of a family is not kept.
	BendRotation struct{ Family string }
	// StandBetween: a short crop stands between a long one for its first weeks.
	StandBetween struct{ Short, Long string }
	// AdmitPairs: so many interplantings of the book.
	AdmitPairs struct{ Pairs int }
	// ClearSooner: a bed is cleared and filled again in fewer days.
	ClearSooner struct{ Days, Of float64 }
	// BeginLater: a sowing begins when ground falls free in a bed.
	BeginLater struct {
		Crop  string
		Of    civil.Date
		Begin civil.Date
		Bed   string
	}
	// LayAnew: the beds are laid out anew, so many plantings lying elsewhere.
	LayAnew struct{ Moves int }
	// BedMore: one bed more, m.
	BedMore struct{ Length, Width float64 }
)

// covers are what a crop is grown under, with the article.
var covers = map[string]string{"fleece": "fleece", "net": "a net", "frame": "a frame", "tunnel": "a tunnel", "shade": "shade"}

func (x PutUp) String() string     { return "put some up: " + x.Preparation }
func (x Grow) String() string      { return "grow " + x.Kind }
func (x GrowUnder) String() string { return "grow it under " + covers[x.Cover] }
func (x BuyStarts) String() string { return "plant " + lower(x.Crop) + " from bought young plants" }
func (x BuyPieces) String() string {
	return fmt.Sprintf("buy %.0f pieces, about %s", x.Pieces, amount.Mark(x.Kilogram, amount.Kilogram))
}
func (x BuyJars) String() string { return fmt.Sprintf("buy %.0f filled jars", x.Jars) }
func (x BuyVolume) String() string {
	return "buy " + amount.Mark(x.Litre, amount.Litre) + " of it, ready put up"
}
func (x BuyDried) String() string {
	return "buy " + amount.Mark(x.Kilogram, amount.Kilogram) + " of it dried"
}
func (x BuyWeight) String() string { return "buy " + amount.Mark(x.Kilogram, amount.Kilogram) }
func (x SowingsApart) String() string {
	return fmt.Sprintf("%s: %d sowings two weeks apart", x.Wish, x.Sowings)
}
func (x FewerJars) String() string {
	return fmt.Sprintf("%s: %.0f jars instead of %.0f", x.Wish, x.To, x.Of)
}
func (x Less) String() string      { return fmt.Sprintf("%g %s instead of %g", x.To, x.Words, x.Of) }
func (x OfWish) String() string    { return fmt.Sprintf("%s: %s", x.Wish, x.What) }
func (x DoWithout) String() string { return "do without " + x.Wish + ", which is nice to have" }
func (x BendRotation) String() string {
	return "allow " + "the " + x.Family + " to come back to a bed sooner"
}
func (x StandBetween) String() string {
	return fmt.Sprintf("let %s share the bed of %s for its first weeks", lower(x.Short), lower(x.Long))
}
func (x AdmitPairs) String() string {
	return fmt.Sprintf("allow the %d shared beds of the book whose crops you both grow", x.Pairs)
}
func (x ClearSooner) String() string {
	return fmt.Sprintf("clear and refill a bed in %.0f days instead of %.0f", x.Days, x.Of)
}
func (x BeginLater) String() string {
	return fmt.Sprintf("start the %[1]s of %[2]s on %[3]s instead, when %[4]s has room", lower(x.Crop), x.Of.Short(), x.Begin.Short(), x.Bed)
}
func (x LayAnew) String() string {
	if x.Moves == 1 {
		return "another layout, with 1 planting in another bed"
	}
	return fmt.Sprintf("another layout, with %d plantings in other beds", x.Moves)
}
func (x BedMore) String() string {
	return fmt.Sprintf("one more bed of %s × %s", metres(x.Length), metres(x.Width))
}
