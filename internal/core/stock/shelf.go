// Package stock holds what is kept: storage places, how long a crop keeps in them, the items
// on the shelf, and pools from which they are drawn, the oldest first.
package stock

import (
	"math"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
)

// Store is a place in the house where crops are kept whole.
type StoragePlace struct {
	ID          string  `json:"id"`
	Name        string  `json:"name"`
	Temperature float64 `json:"temperature"` // °C in the storing season
	Damp        bool    `json:"damp"`
	RoomKg      float64 `json:"room_kg"` // what it holds, kg; 0 where nobody has measured it
}

// Validate looks for what cannot be.
func (s StoragePlace) Validate(c invalid.Check) {
	c.Text("name", s.Name, 60)
	c.Number("temperature", s.Temperature, -30, 40)
	c.Number("room_kg", s.RoomKg, 0, 100000)
}

// ideals are the conditions that the book's kinds of store stand for.
var ideals = map[book.Storage]struct {
	temperature float64
	damp        bool
}{book.CoolMoist: {2, true}, book.CoolDry: {2, false}, book.WarmDry: {13, false}, book.DryStorage: {15, false}}

// Life returns the weeks a crop keeps at a temperature: its life in the ideal
// store, at a temperature of its own where it has one, halved for every 8 °C away
// from it and once more where the damp is
// wrong. Standing in the ground is no store of the house: its life is the book's.
func Life(c *book.Crop, temperature float64, damp bool) float64 {
	weeks := c.StoreWeeks.Or(0)
	ideal, ok := ideals[c.Store]
	if !ok {
		return weeks
	}
	weeks *= math.Exp2(-math.Abs(temperature-c.StoreIdeal.Or(ideal.temperature)) / 8)
	if damp != ideal.damp {
		weeks /= 2
	}
	return weeks
}

// Best returns the household's store in which a crop keeps longest, and its
// life there in weeks. Without stores it is the ideal one, as yet unnamed;
// standing in the ground needs none.
func Best(c *book.Crop, stores []StoragePlace) (best *StoragePlace, life float64) {
	if c.Store == book.NoStorage {
		return nil, 0
	}
	if c.Store == book.GroundStorage || len(stores) == 0 {
		return nil, c.StoreWeeks.Or(0)
	}
	life = -1
	for i := range stores {
		if l := Life(c, stores[i].Temperature, stores[i].Damp); l > life || l == life && stores[i].ID < best.ID {
			best, life = &stores[i], l
		}
	}
	return best, life
}
