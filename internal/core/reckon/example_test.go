package reckon_test

import (
	"fmt"

	"inventory/internal/core/book"
	"inventory/internal/core/reckon"
)

// Twenty kilograms of carrots in a typical year: plants, seed and bed area.
func ExampleDesk_Sow() {
	d := &reckon.Desk{Book: book.Usual(), Rules: book.UsualRules()}
	z := d.Sow("", d.Book.Crop("carrot"), "", reckon.Ask{Parts: []reckon.Part{{Need: reckon.Need{Amount: 20}, Share: 1, Of: 1}}, Bearing: 1})
	fmt.Printf("%d plants, %.1f g of seed, %.1f m of row, %.1f m²\n", z.Plants, z.SeedGram, z.RowMetres, z.Area)
	// Output:
	// 294 plants, 1.2 g of seed, 14.8 m of row, 4.4 m²
}
