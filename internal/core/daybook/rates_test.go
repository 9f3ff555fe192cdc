package daybook

import (
	"math"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
)

// Eight quarts were taken in eight weeks: one a week. Six are left of the older lot, twelve of the
// newer one, which is begun when the older one is empty.
func TestTheRateReallyDrawn(t *testing.T) {
	today := civil.Of(2027, 2, 1)
	lot := func(id string, count float64, putUp civil.Date) stock.Lot {
		return stock.Lot{ID: id, Food: "tomato", Form: "canned", Preparation: "tomato-sauce-thick", Count: count, Size: 0.946353, Unit: "L", PutUp: putUp}
	}
	lots := []stock.Lot{lot("new", 12, today-100), lot("old", 14, today-140),
		{ID: "sack", Food: "potato", Form: "cellar", Count: 2, Size: 15, Unit: "kg", PutUp: today - 20},
		{ID: "jam", Food: "strawberry", Form: "jam", Preparation: "strawberry-jam", Count: 8, Size: 0.24, Unit: "L", PutUp: today - 200}}
	var all []*record.Entry
	for i := range 8 {
		all = append(all, &record.Entry{ID: string(rune('a' + i)), Day: today - civil.Date(7*i), Act: record.Draw, Lot: "old", Food: "tomato", Jars: 1, To: record.Table})
	}
	all = append(all,
		&record.Entry{ID: "long", Day: today - rateDays, Act: record.Draw, Lot: "jam", Food: "strawberry", Jars: 3, To: record.Table}, // too long ago
		&record.Entry{ID: "p", Day: today - 3, Act: record.Draw, Lot: "sack", Food: "potato", Gram: 6000, To: record.Table})
	of := map[string]LotRate{}
	for _, r := range Rates(record.Of(all), lots, today) {
		of[r.Lot] = r
	}
	all = append(all, &record.Entry{ID: "count", Day: today, Act: record.Count, Lot: "jam", Food: "strawberry", Jars: 4})
	for _, r := range Rates(record.Of(all), lots, today) {
		if r.Lot == "jam" && (r.Unrecorded != 1 || r.PerWeek != 0) {
			t.Errorf("eight, three taken, four counted: %+v", r)
		}
	}
	// Put up three days ago, one taken: a fortnight is the least that is reckoned with. What is spoiled tells no rate.
	fresh := []stock.Lot{lot("f", 5, today-3), {ID: "kraut", Food: "cabbage", Form: "fermented", Preparation: "sauerkraut", Count: 4, Size: 1, Unit: "L", PutUp: today - 90}}
	young := record.Of([]*record.Entry{{ID: "y", Day: today, Act: record.Draw, Lot: "f", Food: "tomato", Jars: 1, To: record.Table}, {ID: "z", Day: today, Act: record.Draw, Lot: "kraut", Food: "cabbage", Jars: 2, To: record.Lost}})
	if r := Rates(young, fresh, today); len(r) != 1 || r[0].Lot != "f" || math.Abs(r[0].PerWeek-0.5) > 1e-9 {
		t.Errorf("of the last days: %+v", r)
	}
	if len(of) != 3 {
		t.Fatalf("%+v", of)
	}
	if r := of["old"]; math.Abs(r.PerWeek-1) > 1e-9 || r.RunsOut != today+42 {
		t.Errorf("the older lot: %+v", r)
	}
	if r := of["new"]; r.RunsOut != today+42+84 {
		t.Errorf("the newer lot: %+v", r)
	}
	if r := of["sack"]; math.Abs(r.PerWeek-2) > 1e-9 || r.RunsOut != today+84 { // 6 kg in the 21 days since it was put in; 24 kg are left
		t.Errorf("the potatoes: %+v", r)
	}
	if none := Rates(record.Of(nil), lots, today); len(none) != 0 {
		t.Errorf("nobody took anything: %+v", none)
	}
}
