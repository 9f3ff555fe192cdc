package shelf

import (
	"math"
	"testing"

	"inventory/internal/core/book"
)

// Example N: store life.
func TestStoreLife(t *testing.T) {
	carrot := book.Usual().Crop("carrot-storage") // 22 weeks at 2 °C, damp
	for temperature, want := range map[float64]float64{2: 22, 6: 15.6, 10: 11} {
		if got := Life(carrot, temperature, true); math.Abs(got-want) > 0.005*want {
			t.Errorf("at %g °C it keeps %g weeks, want %g", temperature, got, want)
		}
	}
	if got := Life(carrot, 2, false); got != 11 {
		t.Errorf("in the dry it keeps %g weeks, want half", got)
	}
}

func TestTheBestStore(t *testing.T) {
	stores := []Store{{ID: "a", Temperature: 14, Damp: false}, {ID: "b", Temperature: 3, Damp: true}, {ID: "c", Temperature: 5, Damp: false}}
	for crop, want := range map[string]string{"carrot-storage": "b", "onion-bulb": "c", "winter-squash": "a"} {
		if best, _ := Best(book.Usual().Crop(crop), stores); best == nil || best.ID != want {
			t.Errorf("%s goes into %+v, want %s", crop, best, want)
		}
	}
	if best, life := Best(book.Usual().Crop("parsnip"), stores); best != nil || life != 20 {
		t.Errorf("parsnips stand in the ground: %+v, %g weeks", best, life)
	}
	if best, life := Best(book.Usual().Crop("spinach"), stores); best != nil || life != 0 {
		t.Errorf("spinach keeps in no store: %+v, %g weeks", best, life)
	}
	if _, life := Best(book.Usual().Crop("carrot-storage"), nil); life != 22 {
		t.Errorf("without stores the ideal one is taken: %g weeks", life)
	}
}
