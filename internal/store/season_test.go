package store

import (
	"context"
	"errors"
	"fmt"
	"path/filepath"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// What is said and done of a season lies in the file: read again by another
// program it is the same, to the last field.
func TestSeasonIsStored(t *testing.T) {
	ctx, file := context.Background(), filepath.Join(t.TempDir(), "a.db")
	s := opened(t, file)
	begun, err := s.Apply(ctx, Edit{Client: "t", ID: "begin", Command: "begin", Household: millHouse(t)})
	if err != nil {
		t.Fatal(err)
	}
	sown, out, rain := civil.Of(2027, 3, 20), civil.Of(2027, 4, 20), 3.5
	planting := record.Planting{
		ID: "27-w5-fresh-1", Crop: "lettuce-head", Cover: place.Fleece, Method: season.Indoors, Day: out, Sown: &sown, Out: &out, Up: &out, Planned: &sown, Ended: &out,
		Asked: 15, Plants: 12, Behind: -4, Lost: true, Note: "slugs", For: []record.Purpose{{Wish: "w5", Form: wish.Fresh}, {Wish: "w6", Form: wish.Canned, Part: true}},
		Done: []record.Done{{What: "sow", Day: sown, Count: 16}},
	}
	settings := Settings{Name: "The weir", Year: 2027, Risk: season.Bold, School: season.ByTemperature}
	habit := household.Habit{Crop: "onion-bulb", School: season.ByFrost, Method: season.Bought, NotBefore: civil.MonthDay{Month: 4, Day: 1}, NotAfter: civil.MonthDay{Month: 6, Day: 1}, DayLength: "long", Crosses: true}
	agreement := record.Baseline{On: sown, Year: 2027, Fed: 900, Wanted: 1200, Plants: 5000, Area: 390.5, Jars: 140, Sowings: []record.BaselineSowing{{ID: "27-w5-fresh-1", Crop: "lettuce-head", CropName: "Head lettuce", Fresh: true, Date: sown, Day: out, Plants: 15, Area: 1.4, Likely: 14}}}
	days := []place.Day{{Date: civil.Of(2027, 1, 1), Max: 4.5, Min: -2, Rain: &rain}, {Date: civil.Of(2027, 1, 2), Max: 5, Min: 1}}
	rev := begun.Revision
	for i, e := range []Edit{
		{Command: "put-planting", Planting: &planting, Words: "sown"}, {Command: "set-household", Settings: &settings}, {Command: "set-habit", Habit: &habit},
		{Command: "agree", Agreement: &agreement}, {Command: "set-weather", Weather: days},
	} {
		e.Client, e.ID, e.Revision = "t", fmt.Sprint("e", i), rev
		snap, err := s.Apply(ctx, e)
		if err != nil {
			t.Fatalf("%s: %v", e.Command, err)
		}
		rev = snap.Revision
	}
	before, err := s.Load(ctx)
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	s = opened(t, file)
	after, err := s.Load(ctx)
	if err != nil {
		t.Fatal(err)
	}
	if a, z := text(t, before.Household), text(t, after.Household); a != z {
		t.Errorf("before %s\nafter %s", a, z)
	}
	h := after.Household
	if got := h.Plantings[len(h.Plantings)-1]; text(t, got) != text(t, planting) {
		t.Errorf("%+v", got)
	}
	if text(t, h.Habits[len(h.Habits)-1]) != text(t, habit) || text(t, h.Baseline) != text(t, agreement) || text(t, h.Weather) != text(t, days) || h.School != season.ByTemperature {
		t.Errorf("%+v %+v %+v %s", h.Habits, h.Baseline, h.Weather, h.School)
	}
	// What cannot be is refused at its field, and changes nothing.
	for field, e := range map[string]Edit{
		"crop":     {Command: "put-planting", Planting: &record.Planting{ID: "x", Crop: "nothing", Day: sown}},
		"behind":   {Command: "put-planting", Planting: &record.Planting{ID: "x", Crop: "carrot", Day: sown, Behind: 900}},
		"way":      {Command: "set-habit", Habit: &household.Habit{Crop: "garlic", Method: season.Indoors}},
		"planting": {Command: "put-planting"},
		"target":   {Command: "remove-planting", Target: "nobody"},
	} {
		e.Client, e.ID, e.Revision = "t", "wrong-"+field, rev
		_, err := s.Apply(ctx, e)
		var one *invalid.Field
		if all := invalid.All(err); len(all) > 0 {
			one = all[0]
		} else if !errors.As(err, &one) {
			t.Fatalf("%s: %v", field, err)
		}
		if one.Field != field || one.Allowed == "" {
			t.Errorf("%s: %v", field, err)
		}
	}
}
