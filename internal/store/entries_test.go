package store

import (
	"context"
	"path/filepath"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
)

// What is recorded is an edit like every other: it is undone to the byte, done again, corrected
// and removed, it is there after a restart, and it goes into the household file.
func TestWhatIsRecordedIsAnEdit(t *testing.T) {
	ctx := context.Background()
	file := filepath.Join(t.TempDir(), "h.db")
	s := opened(t, file)
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "b", Command: "begin", Household: millHouse(t)})
	if err != nil {
		t.Fatal(err)
	}
	day := civil.Of(2027, 8, 1)
	n := 0
	do := func(e Edit) (Snapshot, error) {
		n++
		e.Client, e.ID, e.Revision = "t", string(rune('a'+n))+"x", snap.Revision
		next, err := s.Apply(ctx, e)
		if err == nil {
			snap = next
		}
		return next, err
	}
	must := func(e Edit) {
		t.Helper()
		if _, err := do(e); err != nil {
			t.Fatal(err)
		}
	}
	before := text(t, snap.File())
	picked := record.Entry{ID: "p", Day: day, Act: record.Harvest, Food: "snap bean", Gram: 8000}
	must(Edit{Command: "record", Entries: []record.Entry{picked}, Words: "picked beans"})
	jars := stock.Lot{ID: "lot7", Food: "snap bean", Form: "canned", Preparation: "green-bean-canned", Count: 6, Size: 0.9464, Unit: "L", PutUp: day}
	must(Edit{Command: "record", Entries: []record.Entry{{ID: "q", Day: day, Act: record.PutUp, Food: "snap bean", Gram: 7000, Jars: 7, Failed: 1, Litre: 0.9464, Preparation: "green-bean-canned", Lot: "lot7"}}, Lots: []stock.Lot{jars}})
	must(Edit{Command: "record", Entries: []record.Entry{{ID: "d", Day: day + 60, Act: record.Draw, Lot: "lot7", Jars: 2, To: record.Table}}})
	lived := text(t, snap.File())

	// Refused: more than there is, what others rest on, and what is not there.
	for what, e := range map[string]Edit{
		"2 kg more than there is":   {Command: "record", Entries: []record.Entry{{Day: day, Act: record.Use, Food: "snap bean", Gram: 3000, To: record.Given}}},
		"more jars than there are":  {Command: "record", Entries: []record.Entry{{Day: day + 90, Act: record.Draw, Lot: "lot7", Jars: 5, To: record.Table}}},
		"a harvest that is used":    {Command: "remove-entry", Target: "p"},
		"a lot that was drawn from": {Command: "remove-entry", Target: "q"},
		"an entry that is not":      {Command: "remove-entry", Target: "z"},
		"nothing":                   {Command: "record"},
	} {
		if _, err := do(e); invalid.All(err) == nil {
			t.Errorf("%s: %v", what, err)
		}
	}
	if now, _ := s.Load(ctx); text(t, now.File()) != lived {
		t.Error("what was refused has changed something")
	}

	// Corrected in its place, and taken back later.
	picked.Gram = 9500
	must(Edit{Command: "record", Entries: []record.Entry{picked}})
	if e := snap.Record.Find("p"); e.Gram != 9500 || len(snap.Record.Entries()) != 3 {
		t.Errorf("corrected: %+v", e)
	}
	must(Edit{Command: "remove-entry", Target: "d"})
	must(Edit{Command: "remove-entry", Target: "q"})
	if len(snap.Household.Lots) != len(millHouse(t).Lots) {
		t.Error("the lot that the entry made stands still")
	}

	// There after a restart; undone to the byte, and done again.
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	s = opened(t, file)
	if now, err := s.Load(ctx); err != nil || text(t, now.File()) != text(t, snap.File()) {
		t.Errorf("after a restart %v", err)
	}
	for range 3 {
		snap = steps(t, s, "undo", "u"+string(rune('a'+snap.Revision)))
	}
	if text(t, snap.File()) != lived {
		t.Error("undone, it is not as it was")
	}
	for range 3 {
		snap = steps(t, s, "undo", "u"+string(rune('a'+snap.Revision)))
	}
	if text(t, snap.File()) != before {
		t.Error("with all undone, it is not as it was")
	}
	for range 3 {
		snap = steps(t, s, "redo", "r"+string(rune('a'+snap.Revision)))
	}
	if text(t, snap.File()) != lived {
		t.Error("done again, it is not as it was")
	}

	// A household file brings the record with it.
	h := snap.File()
	other := opened(t, filepath.Join(t.TempDir(), "other.db"))
	again, err := other.Apply(ctx, Edit{Client: "t", ID: "b", Command: "begin", Household: &h})
	if err != nil || text(t, again.File()) != lived {
		t.Errorf("from its file: %v", err)
	}
}
