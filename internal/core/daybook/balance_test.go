package daybook

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// The balance of a span holds what came in during it, the most first, and where that went, also
// where it went later.
func TestTheBalanceOfASpan(t *testing.T) {
	day := civil.Of(2027, 8, 1)
	rec := record.Of([]*record.Entry{
		{ID: "a", Day: day, Act: record.Harvest, Food: "tomato", Gram: 5000},
		{ID: "b", Day: day + 3, Act: record.Use, Food: "tomato", Gram: 2000, To: record.Given},
		{ID: "c", Day: day + 1, Act: record.Bought, Food: "potato", Gram: 9000},
		{ID: "d", Day: day + 40, Act: record.Harvest, Food: "kale", Gram: 700},
		{ID: "e", Day: day, Act: record.Note, Food: "carrot", Note: "set it deeper"},
	})
	all := Balances(rec, book.Usual(), day, day+2)
	if len(all) != 2 || all[0].Food != "potato" || all[0].NotSaid != 9000 || all[1].CameIn != 5000 || all[1].Went[record.Given] != 2000 || all[1].NotSaid != 3000 {
		t.Errorf("%+v", all)
	}
	if none := Balances(rec, book.Usual(), day+60, day+70); len(none) != 0 {
		t.Errorf("%+v", none)
	}
}
