package work

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// A planting drinks what the rain leaves; the barrels give until they are empty.
func TestWater(t *testing.T) {
	bean := book.Usual().Crop("bush-bean")
	need := bean.WaterMM.Value
	start := civil.Of(2027, 6, 1)
	weeks := []civil.Date{start, start + 7, start + 14}
	crops := []Thirst{{Crop: bean, Name: "Bush bean", Area: 10, From: start, To: start + 11, Sown: true, First: start + 20}}
	here := place.Examples()[0].Place
	here.Rain = [12]float64{}
	dry := Water(weeks, crops, here, 150, 20)
	if w := dry[0]; math.Abs(w.Need-10*need) > 1e-9 || math.Abs(w.Barrels-math.Min(150, 10*need)) > 1e-9 || math.Abs(w.Tap-math.Max(0, 10*need-150)) > 1e-9 {
		t.Errorf("first week %+v", w)
	}
	if w := dry[1]; math.Abs(w.Give-10*need*4/7) > 1e-9 {
		t.Errorf("it stands 4 days of the second: %+v", w)
	}
	if w := dry[2]; w.Give != 0 || w.Need != 0 {
		t.Errorf("it is gone: %+v", w)
	}
	if !slices.Contains(dry[0].Critical, "Bush bean: seed coming up") {
		t.Errorf("critical: %v", dry[0].Critical)
	}
	here.Rain[5] = 30 // June: a millimetre a day
	wet := Water(weeks, crops, here, 150, 20)
	if math.Abs(wet[0].Rain-7) > 1e-9 || math.Abs(wet[0].Give-10*(need-7)) > 1e-9 {
		t.Errorf("with rain %+v", wet[0])
	}
	for i, w := range wet {
		if w.Left < 0 || w.Left > 150 || math.Abs(w.Barrels+w.Tap-w.Give) > 1e-9 {
			t.Errorf("week %d: %+v", i, w)
		}
	}
	if full := wet[2].Left; full <= 0 {
		t.Errorf("the roof fills no barrel: %g", full)
	}
	here.MeanMax, here.MeanMin = [12]float64{}, [12]float64{}
	if cold := Water(weeks, crops, here, 150, 20); cold[0].Give != 0 || cold[0].Need != 0 {
		t.Errorf("at 0 °C it drinks %g litres", cold[0].Give)
	}
	year := 0.0
	for _, mm := range rainOf([12]float64{10, 20, 30, 40, 50, 60, 70, 80, 90, 100, 110, 120}) {
		year += mm
	}
	if math.Abs(year-780) > 1e-6 {
		t.Errorf("the rain of the year is %g", year)
	}
}
