package daybook

import (
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

// The hens get two kilograms of kale a week and the neighbours three heads of lettuce, of what came
// in and is not said of; what went there since Monday counts.
func TestWhatIsInTheBag(t *testing.T) {
	tuesday := civil.Of(2027, 7, 6)
	p := &plan.Plan{Weeks: []civil.Date{civil.Of(2027, 4, 28)}}
	wishes := []wish.Wish{
		{ID: "w1", Food: "kale", For: &wish.Whom{Use: wish.ForAnimals}},
		{ID: "w2", Food: "kale"},
		{ID: "w3", Food: "lettuce", For: &wish.Whom{Use: wish.ForGiving}, Note: "next door"},
		{ID: "w4", Food: "kale", For: &wish.Whom{Use: wish.ForGiving}},
	}
	weekly := func(n float64, unit amount.Unit) plan.Wish {
		x := plan.Wish{Wanted: make([]float64, 52), Unit: unit}
		for i := range x.Wanted {
			x.Wanted[i] = n
		}
		return x
	}
	p.Wishes = []plan.Wish{weekly(2, amount.Kilogram), weekly(5, amount.Kilogram), weekly(3, amount.Piece), weekly(1, amount.Kilogram)}
	head := int(pieceGram(book.Usual(), "lettuce", ""))
	rec := record.Of([]*record.Entry{
		{ID: "a", Day: tuesday - 1, Act: record.Harvest, Food: "kale", Gram: 3000},
		{ID: "b", Day: tuesday - 1, Act: record.Use, Food: "kale", Gram: 600, To: record.Animals},
		{ID: "c", Day: tuesday - 2, Act: record.Use, Food: "kale", Gram: 900, To: record.Animals}, // last week
		{ID: "d", Day: tuesday - 3, Act: record.Harvest, Food: "kale", Gram: 900},
		{ID: "e", Day: tuesday, Act: record.Harvest, Food: "lettuce", Gram: 2 * head},
	})
	all := Bags(p, wishes, book.Usual(), rec, tuesday)
	if len(all) != 3 {
		t.Fatalf("%+v", all)
	}
	if x := all[0]; x.To != record.Animals || x.Wanted != 2000 || x.Gone != 600 || x.Now != 1400 {
		t.Errorf("the hens: %+v", x)
	}
	if x := all[1]; x.To != record.Given || x.Note != "next door" || x.Wanted != 3*head || x.Gone != 0 || x.Now != 2*head {
		t.Errorf("next door: %+v", x)
	}
	if x := all[2]; x.Wanted != 1000 || x.Now != 1000 { // what the hens left
		t.Errorf("after the hens: %+v", x)
	}
}
