package daybook

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// What waits in the kitchen is what came in within its days and is not said of; what must be used
// first stands first, with what the plan wants of it in whole jars and full loads.
func TestWhatWaitsInTheKitchen(t *testing.T) {
	now := lived(t, civil.Of(2027, 8, 20))
	today := now.Input.AsOf
	rec := record.Of([]*record.Entry{
		{ID: "a", Day: today - 2, Act: record.Harvest, Food: "tomato", Gram: 25_000},
		{ID: "b", Day: today - 1, Act: record.Use, Food: "tomato", Gram: 5_000, To: record.Table},
		{ID: "c", Day: today - 60, Act: record.Harvest, Food: "tomato", Gram: 90_000}, // eaten long ago
		{ID: "d", Day: today, Act: record.Harvest, Food: "snap bean", Gram: 3_000},
		{ID: "e", Day: today, Act: record.Use, Food: "snap bean", Gram: 3_000, To: record.Given},
		{ID: "f", Day: today - 1, Act: record.Harvest, Food: "cucumber", Gram: 4_000},
	})
	all := Kitchen(now.Plan, now.Input.Household.Wishes, book.Usual(), rec, today)
	if len(all) != 2 {
		t.Fatalf("%+v", all)
	}
	var tomato Waits
	for i, w := range all {
		if i > 0 && w.By < all[i-1].By {
			t.Error("what must be used first does not stand first")
		}
		if w.Food == "tomato" {
			tomato = w
		}
	}
	keep := civil.Date(record.KeepDays(book.Usual(), "tomato"))
	if tomato.Gram != 20_000 || tomato.By != today-2+keep || len(tomato.Makes) < 2 {
		t.Fatalf("%+v", tomato)
	}
	sauce := tomato.Makes[0]
	p := book.Usual().Preparation(sauce.Preparation)
	if sauce.Wanted == 0 || sauce.Jars != int(20/p.Raw/sauce.Litre+1e-9) || sauce.Load != p.Load(sauce.Litre) || sauce.Loads != sauce.Jars/sauce.Load || sauce.Fill != min(sauce.Jars, sauce.Load, sauce.Wanted) || len(sauce.Cautions) == 0 {
		t.Errorf("%+v of %+v", sauce, *p)
	}
	frozen := false
	for _, m := range tomato.Makes {
		frozen = frozen || book.Usual().Preparation(m.Preparation).Form == "frozen"
	}
	if !frozen {
		t.Error("nobody says that tomatoes can be frozen")
	}
	if none := Kitchen(now.Plan, now.Input.Household.Wishes, book.Usual(), record.Of(nil), today); len(none) != 0 {
		t.Errorf("%+v", none)
	}
}

// What is ready to be picked stands first, then what will be within three weeks, then what should
// be over; what does not grow, or nobody weighs, is not among it.
func TestWhatIsReadyToBePicked(t *testing.T) {
	now := lived(t, civil.Of(2027, 8, 1))
	today := now.Input.AsOf
	all := Pickings(now.Plan, book.Usual(), today)
	group := func(x Picking) int {
		switch {
		case x.First <= today && (x.Last == 0 || today <= x.Last):
			return 0
		case x.First > today:
			return 1
		}
		return 2
	}
	seen := map[int]int{}
	for i, x := range all {
		if x.Now != (group(x) == 0) || i > 0 && group(x) < group(all[i-1]) || x.First > today+21 {
			t.Errorf("%d: %+v", i, x)
		}
		seen[group(x)]++
		if x.Crop == "lettuce-head" && !x.Counted || x.Crop == "kale" && x.Counted || x.Crop == "french-marigold" {
			t.Errorf("%+v", x)
		}
	}
	if seen[0] < 5 || seen[1] < 3 {
		t.Errorf("%v of %d", seen, len(all))
	}
	soonest := 0
	for i := range now.Plan.Sowings {
		if s := &now.Plan.Sowings[i]; s.InBed && s.FirstPick != nil && *s.FirstPick > today && *s.FirstPick <= today+21 && !s.Over {
			soonest++
		}
	}
	if soonest < seen[1] {
		t.Errorf("%d will be ready within three weeks, %d are shown", soonest, seen[1])
	}
}

// How long a food waits is the book's figure of its kinds, the longest; a week where it has none.
func TestHowLongAFoodWaits(t *testing.T) {
	for food, want := range map[string]int{"tomato": 12, "gourd ornamental": 7} {
		if got := record.KeepDays(book.Usual(), food); got != want {
			t.Errorf("%s waits %d days, want %d", food, got, want)
		}
	}
}
