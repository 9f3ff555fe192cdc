package reckon

import (
	"inventory/internal/core/book"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

// ForPiece returns a crop spaced so that a piece of it, one to a plant, weighs a
// wanted number of grams: the density law read the other way. Where the law
// cannot give that size the nearest spacing is returned with the fact that it
// cannot. Rows along a bed and in open ground widen in the row, rows across it
// between the rows, blocks both ways.
func ForPiece(c *book.Crop, gram float64, layout wish.Layout, bed Bed) (*book.Crop, say.Fact) {
	pieces, ok := c.PiecesPerPlant(c.Gives())
	if !ok || pieces != 1 || gram <= 0 {
		return c, nil
	}
	if layout == "" {
		layout = UsualLayout(c)
	}
	out := c.Respaced()
	at := func(t float64) *book.Crop { // the usual spacing times t
		switch layout {
		case wish.Across:
			out.RowGap.Value = t * c.RowGap.Value
		case wish.Block:
			out.Block.Value = t * c.Block.Value
		default:
			out.InRow.Value = t * c.InRow.Value
		}
		return out
	}
	size := func(t float64) float64 { return c.Piece.Value * StandIn(at(t), layout, bed).Factor }
	low, high := 0.2, 5.0
	if g := size(low); gram < g {
		return at(low), say.TooSmall{Wanted: gram, Least: g}
	}
	if g := size(high); gram > g {
		return at(high), say.TooLarge{Wanted: gram, Most: g}
	}
	for range 50 {
		if t := (low + high) / 2; size(t) < gram {
			low = t
		} else {
			high = t
		}
	}
	return at(high), nil
}
