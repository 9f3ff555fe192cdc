package plan

import (
	"errors"
	"reflect"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// A change needs what its command takes, changes that alone, and leaves the input that it
// is made from as it was.
func TestWithAChange(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh), meals("leek", 1, wish.Fresh))
	in.Household.Overrules = []book.Overrule{{Subject: "household", Field: "evenings", Value: 2}}
	in.Household.Habits = []household.Habit{{Crop: "leek", Method: season.Direct}}
	other := in.Household.Wishes[0]
	other.Amount.Number = 5
	event := Event{Sowing: planned(t, in).Sowings[0].ID, What: Fix, Day: planned(t, in).Sowings[0].Date + 3}
	for _, c := range []struct {
		change Change
		holds  func(household.Household) bool
	}{
		{Change{Command: ChangeWish, Wish: &other}, func(h household.Household) bool { return len(h.Wishes) == 2 && h.Wishes[0].Amount.Number == 5 }},
		{Change{Command: RemoveWish, Target: in.Household.Wishes[0].ID}, func(h household.Household) bool { return len(h.Wishes) == 1 && h.Wishes[0].Food == "leek" }},
		{Change{Command: SetRule, Overrule: &book.Overrule{Subject: "household", Field: "evenings", Value: 3}}, func(h household.Household) bool { return len(h.Overrules) == 1 && h.Overrules[0].Value == 3 }},
		{Change{Command: SetRule, Overrule: &book.Overrule{Subject: "household", Field: "clear_days", Value: 2}}, func(h household.Household) bool { return len(h.Overrules) == 2 }},
		{Change{Command: SetCustoms, Customs: &bed.Customs{Barrels: 300}}, func(h household.Household) bool { return h.Customs.Barrels == 300 }},
		{Change{Command: SetHabit, Habit: &household.Habit{Crop: "leek", Method: season.Bought}}, func(h household.Household) bool { return len(h.Habits) == 1 && h.Habits[0].Method == season.Bought }},
		{Change{Command: AddBed, Bed: &bed.Bed{Name: "New"}}, func(h household.Household) bool { return len(h.Beds) == 1 && h.Beds[0].ID != "" }},
		{Change{Command: LogEvent, Event: &event}, func(h household.Household) bool { return len(h.Plantings) == 1 }},
	} {
		before := planned(t, in)
		got, err := in.With(c.change)
		if err != nil || !c.holds(got.Household) {
			t.Errorf("%s: %v, %+v", c.change.Command, err, got.Household)
		}
		if !reflect.DeepEqual(before, planned(t, in)) {
			t.Errorf("%s changed the input that it was made from", c.change.Command)
		}
		var bad *invalid.Field
		if _, err := in.With(Change{Command: c.change.Command}); !errors.As(err, &bad) {
			t.Errorf("%s with nothing to change: %v", c.change.Command, err)
		}
	}
	if _, err := in.With(Change{Command: "begin"}); err == nil {
		t.Error("a command that is no change is taken")
	}
}
