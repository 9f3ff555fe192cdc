package reckon

import (
	"math"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// Whatever size is wanted, the density law gives it at the spacing found, or the
// mistake says that it cannot.
func TestSpacingGivesTheSizeWanted(t *testing.T) {
	bed := Bed{1.2, 0.1}
	for _, c := range book.Usual().Crops() {
		n, ok := c.PiecesPerPlant(c.Yield.Value)
		if !ok || n != 1 {
			continue
		}
		for _, layout := range []wish.Layout{"", wish.Across, wish.Block, wish.Plot} {
			for _, share := range []float64{0.6, 0.9, 1.1, 1.5} {
				want := share * c.Piece.Value
				spaced, err := ForPiece(c, want, layout, bed)
				got := c.Piece.Value * StandIn(spaced, layout, bed).Factor
				if err != nil {
					continue // told, and the nearest is returned
				}
				// Whole rows make the law step; within a row's step it is met.
				if math.Abs(got-want) > 0.25*want {
					t.Errorf("%s %s: %g g wanted, its spacing gives %g", c.ID, layout, want, got)
				}
				if !spaced.Spaced() || spaced.UsualGround() != c.UsualGround() {
					t.Errorf("%s: the ground at which its yield holds has moved", c.ID)
				}
			}
		}
	}
	if c := book.Usual().Crop("zucchini"); true {
		if same, err := ForPiece(c, 100, "", bed); same != c || err != nil {
			t.Error("a plant of many fruits is spaced for one")
		}
	}
	if _, err := ForPiece(book.Usual().Crop("carrot"), 900, "", bed); err == nil {
		t.Error("carrots of 900 g by spacing alone")
	}
}
