package store

import (
	"context"
	"path/filepath"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
)

// older is the demo household as another version of the crop book may have left it:
// some of its crops are not in the book.
func older(t *testing.T) *household.Household {
	h := millHouse(t)
	h.Wishes[0].Food, h.Wishes[0].Variety = "dragon bean", ""
	h.Lots[0].Food = "dragon bean"
	h.Plantings = append(h.Plantings, record.Planting{ID: "27-w1-f-1", Crop: "dragon", Day: civil.Of(2027, 5, 3), For: []record.Purpose{}})
	h.Habits = append(h.Habits, household.Habit{Crop: "dragon", School: "temperature"}, household.Habit{Crop: "kale", School: "temperature"})
	h.Overrules = append(h.Overrules, book.Overrule{Subject: "crop/dragon", Field: "yield", Value: 2})
	h.Beds[0].Stood = append(h.Beds[0].Stood, bed.Stood{Year: 2026, Families: []string{"Draconidae"}})
	return h
}

func TestWhatTheBookDoesNotKnowLocksNothing(t *testing.T) {
	ctx := context.Background()
	s := opened(t, filepath.Join(t.TempDir(), "a.db"))
	want := text(t, older(t))
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "begin", Command: "begin", Household: older(t)})
	if err != nil || text(t, snap.Household) != want {
		t.Fatalf("the household is not kept as it is: %v", err)
	}
	do := func(e Edit) (Snapshot, error) {
		e.Client, e.ID, e.Revision = "t", NewID("e"), snap.Revision
		now, err := s.Apply(ctx, e)
		if err == nil {
			snap = now
		}
		return now, err
	}
	w := snap.Household.Wishes[3]
	w.Note = "less next year"
	if _, err := do(Edit{Command: "change-wish", Wish: &w}); err != nil {
		t.Errorf("another wish cannot be edited: %v", err)
	}
	strange := w
	strange.Food, strange.Variety = "griffin", ""
	if _, err := do(Edit{Command: "change-wish", Wish: &strange}); len(invalid.All(err)) == 0 || invalid.All(err)[0].Field != "food" {
		t.Errorf("an edit brought in another name that is not known: %v", err)
	}
	if _, err := do(Edit{Command: "call-it", Call: &Call{"crop", "dragon", "griffin"}}); invalid.All(err) == nil {
		t.Errorf("one unknown name took the place of another: %v", err)
	}
	if _, err := do(Edit{Command: "call-it", Call: &Call{"crop", "kale", "leek"}}); invalid.All(err) == nil {
		t.Errorf("a known name was taken away: %v", err)
	}

	// By hand: the food is given a name of the book, the crop is removed.
	before := text(t, snap.Household)
	if _, err := do(Edit{Command: "call-it", Call: &Call{"food", "dragon bean", "carrot"}}); err != nil {
		t.Fatal(err)
	}
	if h := snap.Household; h.Wishes[0].Food != "carrot" || h.Lots[0].Food != "carrot" {
		t.Errorf("%s, %s", h.Wishes[0].Food, h.Lots[0].Food)
	}
	if _, err := do(Edit{Command: "remove-unknown", Target: "dragon"}); err != nil {
		t.Fatal(err)
	}
	if _, err := do(Edit{Command: "remove-unknown", Target: "Draconidae"}); err != nil {
		t.Fatal(err)
	}
	if _, unknown, err := snap.Household.Fitting(book.Usual()); len(unknown) != 0 || err != nil {
		t.Errorf("left: %+v, %v", unknown, err)
	}
	if len(snap.Household.Beds) != len(older(t).Beds) {
		t.Error("a bed went with the family that stood in it")
	}
	for _, id := range []string{"u1", "u2", "u3"} {
		snap = steps(t, s, "undo", id)
	}
	if text(t, snap.Household) != before {
		t.Error("taken back, it is another household")
	}
}

// A crop whose name changed takes what is said of it along; what is said of the
// known one already stays.
func TestANewNameTakesEverythingAlong(t *testing.T) {
	ctx := context.Background()
	s := opened(t, filepath.Join(t.TempDir(), "a.db"))
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "begin", Command: "begin", Household: older(t)})
	if err != nil {
		t.Fatal(err)
	}
	snap, err = s.Apply(ctx, Edit{Client: "t", ID: "x", Revision: snap.Revision, Command: "call-it", Call: &Call{"crop", "dragon", "kale"}})
	if err != nil {
		t.Fatal(err)
	}
	h := snap.Household
	if p := h.Plantings[len(h.Plantings)-1]; p.Crop != "kale" || p.ID != "27-w1-f-1" {
		t.Errorf("%+v", p)
	}
	if len(h.Habits) != len(older(t).Habits)-1 {
		t.Errorf("%+v", h.Habits)
	}
	if o := h.Overrules[len(h.Overrules)-1]; o.Subject != "crop/kale" || o.Value != 2 {
		t.Errorf("%+v", o)
	}
}
