package plan

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// What a practised grower covers by the forecast: at 4 °C nothing, at 1 °C tomatoes and basil but
// neither lettuce nor leeks, at -2 °C head lettuce too; leeks and kale stand through -8 °C.
// Tomatoes under fleece bear two degrees more.
func TestWhatFrostMayKill(t *testing.T) {
	p := Plan{Sowings: []Sowing{
		{ID: "tomato", Crop: "tomato-slicing", CropName: "Tomato", InBed: true, Plants: 12},
		{ID: "basil", Crop: "basil", CropName: "Basil", InBed: true, Plants: 6},
		{ID: "lettuce", Crop: "lettuce-head", CropName: "Head lettuce", InBed: true, Plants: 20},
		{ID: "leek", Crop: "leek", CropName: "Leek", InBed: true, Plants: 80},
		{ID: "kale", Crop: "kale", CropName: "Kale", InBed: true, Plants: 10},
		{ID: "indoors", Crop: "tomato-slicing", CropName: "Tomato", Plants: 9},
		{ID: "over", Crop: "tomato-slicing", CropName: "Tomato", InBed: true, Over: true, Plants: 9},
		{ID: "fleeced", Crop: "tomato-slicing", CropName: "Tomato", Cover: string(place.Fleece), InBed: true, Plants: 3},
	}}
	for _, c := range []struct {
		min  float64
		kill []string
	}{
		{4, nil},
		{1, []string{"tomato", "basil"}},
		{-0.5, []string{"tomato", "basil"}},
		{-2, []string{"lettuce", "tomato", "basil", "fleeced"}},
		{-8, []string{"lettuce", "tomato", "basil", "fleeced"}},
	} {
		got := FrostNights(p, book.Usual(), []place.Night{{Date: civil.Of(2027, 10, 3), Min: c.min}})
		if len(got) == 0 && c.kill == nil {
			continue
		}
		var ids []string
		for _, x := range got[0].AtRisk {
			ids = append(ids, x.Sowing)
		}
		if len(ids) != len(c.kill) {
			t.Errorf("at %g °C: %v, wanted %v", c.min, ids, c.kill)
			continue
		}
		for i := range ids {
			if ids[i] != c.kill[i] {
				t.Errorf("at %g °C: %v, wanted %v", c.min, ids, c.kill)
			}
		}
	}
}
