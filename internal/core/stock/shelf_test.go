package stock

import (
	"math"
	"testing"

	"inventory/internal/core/book"
)

// Example N: store life.
func TestStoreLife(t *testing.T) {
	carrot := *book.Usual().Crop("carrot-storage")
	carrot.StoreWeeks.Value = 22 // at 2 °C, damp
	for temperature, want := range map[float64]float64{2: 22, 6: 15.6, 10: 11} {
		if got := Life(&carrot, temperature, true); math.Abs(got-want) > 0.005*want {
			t.Errorf("at %g °C it keeps %g weeks, want %g", temperature, got, want)
		}
	}
	if got := Life(&carrot, 2, false); got != 11 {
		t.Errorf("in the dry it keeps %g weeks, want half", got)
	}
}

// A crop that has an ideal of its own keeps longest there: potatoes at 5 °C, and
// less in what is colder.
func TestACropsOwnIdealTemperature(t *testing.T) {
	potato := book.Usual().Crop("potato-maincrop")
	if got := Life(potato, 5, true); got != potato.StoreWeeks.Value {
		t.Errorf("at its own 5 °C it keeps %g weeks, the book has %g", got, potato.StoreWeeks.Value)
	}
	if cold, warm := Life(potato, 2, true), Life(potato, 8, true); math.Abs(cold-warm) > 1e-9 || cold >= potato.StoreWeeks.Value {
		t.Errorf("three degrees less keep it %g weeks, three more %g", cold, warm)
	}
}

func TestTheBestStore(t *testing.T) {
	stores := []StoragePlace{{ID: "a", Temperature: 14, Damp: false}, {ID: "b", Temperature: 3, Damp: true}, {ID: "c", Temperature: 5, Damp: false}}
	for crop, want := range map[string]string{"carrot-storage": "b", "onion-bulb": "c", "winter-squash": "a"} {
		if best, _ := Best(book.Usual().Crop(crop), stores); best == nil || best.ID != want {
			t.Errorf("%s goes into %+v, want %s", crop, best, want)
		}
	}
	if best, life := Best(book.Usual().Crop("parsnip"), stores); best != nil || life != 24 {
		t.Errorf("parsnips stand in the ground: %+v, %g weeks", best, life)
	}
	if best, life := Best(book.Usual().Crop("spinach"), stores); best != nil || life != 0 {
		t.Errorf("spinach keeps in no store: %+v, %g weeks", best, life)
	}
	if _, life := Best(book.Usual().Crop("carrot-storage"), nil); life != 26 {
		t.Errorf("without stores the ideal one is taken: %g weeks", life)
	}
}
