package season_test

import (
	"fmt"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
)

// The days on which carrots can be sown at a place with frost, counted from a table year that
// begins with the usual last frost, and the weeks in which they are then fresh.
func ExampleOf() {
	y := place.Build(place.Examples()[0].Place)
	s := season.Of(book.Usual().Crop("carrot"), y, season.Rules{Risk: season.UsualRisk}, y.Last)
	for _, w := range s.Windows {
		fmt.Printf("sown from day %d (%s) to day %d (%s)\n", w.First.Sow, w.FirstWhy, w.Last.Sow, w.LastWhy)
	}
	fmt.Println(s.Fresh().Count(), "weeks fresh")
	// Output:
	// sown from day -21 (3 weeks before the usual last frost) to day 97 (ready 12 Nov, too late for the cold, short days in which it stops growing, about 10 Nov)
	// 24 weeks fresh
}
