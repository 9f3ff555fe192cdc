package ground_test

import (
	"fmt"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
)

// Two plantings that want the same bed, one after the other: both find room in it.
func ExampleFit() {
	spring := civil.Of(2027, 4, 1)
	kale, beans := book.Usual().Crop("kale"), book.Usual().Crop("bush-bean")
	l := ground.Fit(ground.Input{
		Edge: 0.1, Year: 2027,
		Beds: []bed.Bed{{ID: "b1", Name: "Weir bed", Length: 4, Width: 1.2}},
		Plantings: []ground.Planting{
			{ID: "beans", Crop: beans, Planted: 100, From: spring + 40, To: spring + 110},
			{ID: "kale", Crop: kale, Planted: 16, From: spring + 110, To: spring + 240},
		},
	})
	for _, p := range l.Pieces {
		fmt.Printf("%s: %d plants in %s, %.1f m from %.1f m on, %s to %s\n", p.Planting, p.Planted, p.Bed, p.Length, p.At, p.From, p.To)
	}
	fmt.Printf("%.0f of %.0f m²·weeks placed\n", l.Placed, l.Need)
	// Output:
	// beans: 100 plants in b1, 2.7 m from 0.0 m on, 2027-05-11 to 2027-07-20
	// kale: 16 plants in b1, 3.6 m from 0.0 m on, 2027-07-20 to 2027-11-27
	// 113 of 113 m²·weeks placed
}
