package work

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// A bed is given what its crops need less the rain: measured on the days that have been, usual
// on those to come; its drip lines run until that has come out of them.
func TestWaterOfABed(t *testing.T) {
	bean := book.Usual().Crop("bush-bean")
	need := bean.WaterMM.Value
	monday := civil.Of(2027, 6, 7)
	here := place.Examples()[0].Place
	here.Rain = [12]float64{}
	here.Rain[5] = 30 // June: a millimetre a day
	three := 3.0
	weather := []place.Day{{Date: monday, Rain: &three}, {Date: monday + 1, Rain: &three}, {Date: monday + 2, Rain: &three}, {Date: monday + 3}}
	by := "" // how it is watered
	of := func(texture string) BedWeek {
		return WaterBeds([]civil.Date{monday}, []Drinking{{ID: "b", Name: "Mill bed", Texture: texture, By: by,
			Crops:  []Thirst{{Crop: bean, Name: "Bush bean", Area: 10, From: monday - 20, To: monday + 50, First: monday + 30}, {Crop: bean, Name: "Late bean", Area: 1, From: monday + 2, To: monday + 60, Sown: true, Up: monday + 10}},
			Hourly: func(civil.Date) float64 { return 80 }}}, here, weather, monday+2)[0].Weeks[0]
	}
	w := of("")
	if want := 3.0 + 3 + 5; math.Abs(w.Rain-want) > 1e-9 { // the third day is today: nobody has its rain yet
		t.Errorf("rain %g mm, wanted %g", w.Rain, want)
	}
	if want := (need - 11) * (10 + 5.0/7); math.Abs(w.Litres-want) > 1e-6 || math.Abs(w.Minutes-want/80*60) > 1e-6 {
		t.Errorf("%g litres in %g minutes, wanted %g litres", w.Litres, w.Minutes, want)
	}
	if !slices.Equal(w.Seeds, []string{"Late bean"}) || !slices.Contains(w.Critical, "Late bean: seed coming up") {
		t.Errorf("seed rows %v, critical %v", w.Seeds, w.Critical)
	}
	for texture, goes := range map[string]int{"sand": 3, "loam": 2, "": 2, "clay": 1} {
		if got := of(texture).Goes; got != goes {
			t.Errorf("%q is watered in %d goes, wanted %d", texture, got, goes)
		}
	}
	litres := w.Litres
	if by = bed.ByCan; of("").Cans != int(math.Ceil(litres/10)) || of("").Minutes != 0 {
		t.Errorf("%g litres are %d cans of 10 litres, %g minutes", litres, of("").Cans, of("").Minutes)
	}
	if by = bed.NoWater; of("").Cans != 0 || of("").Minutes != 0 || of("").Litres != litres {
		t.Errorf("without water there: %+v", of(""))
	}
}
