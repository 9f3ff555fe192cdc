package store

import (
	"context"
	"errors"
	"maps"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
)

// A search finds entries by their words, also by the beginning of one and in the plural, and what
// was found follows every edit, undo and copy of the file.
func TestASearchFollowsTheRecord(t *testing.T) {
	ctx := context.Background()
	dir := t.TempDir()
	s := opened(t, filepath.Join(dir, "h.db"))
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "b", Command: "begin", Household: millHouse(t)})
	if err != nil {
		t.Fatal(err)
	}
	day := civil.Of(2027, 7, 3)
	enter := func(id string, entries ...record.Entry) {
		t.Helper()
		if snap, err = s.Apply(ctx, Edit{Client: "t", ID: id, Revision: snap.Revision, Command: "record", Entries: entries}); err != nil {
			t.Fatal(err)
		}
	}
	enter("one",
		record.Entry{ID: "a", Day: day, Act: record.Harvest, Food: "snap bean", Crop: "bush-bean", Gram: 8000},
		record.Entry{ID: "b", Day: day + 1, Act: record.Use, Food: "snap bean", Gram: 500, To: record.Lost, Reason: "slugs"},
		record.Entry{ID: "c", Day: day + 2, Act: record.Note, Bed: "bed-7", Note: "Die Saat kam spät: the Café's cold frame helped", Photos: nil})
	finds := func(on *Store, words ...string) string {
		t.Helper()
		var wanted []Wanted
		for _, w := range words {
			wanted = append(wanted, Wanted{Word: w})
		}
		f, err := on.Find(ctx, wanted, day, day+40)
		if err != nil {
			t.Fatalf("%v: %v", words, err)
		}
		return strings.Join(slices.Sorted(maps.Keys(f.Entries)), "")
	}
	for text, want := range map[string]string{
		"beans": "ab", "bean slug": "b", "picked": "a", "harvest": "a", "sp": "bc", "cafe": "c", "moon": "",
		`" OR "`: "", "bean* -slugs": "b", "NEAR(bean": "", "x'; drop table entry": "", "bean\x00": "ab",
	} {
		if got := finds(s, strings.Fields(text)...); got != want {
			t.Errorf("%q finds %q, want %q", text, got, want)
		}
	}
	if f, err := s.Find(ctx, []Wanted{{Word: "reed", IDs: []string{"bed-7"}}}, day, day+40); err != nil || !f.Entries["c"] || len(f.Entries) != 1 {
		t.Errorf("by the bed's name: %v %v", f, err)
	}
	if f, _ := s.Find(ctx, []Wanted{{Word: "bean"}}, day+1, day+40); len(f.Entries) != 1 {
		t.Errorf("a day later: %v", f.Entries)
	}
	if f, _ := s.Find(ctx, []Wanted{{Word: "sauce"}}, day, day); len(f.Lots) == 0 {
		t.Error("the sauce on the shelf is not found")
	}

	// Corrected, removed and undone.
	enter("two", record.Entry{ID: "b", Day: day + 1, Act: record.Use, Food: "snap bean", Gram: 500, To: record.Lost, Reason: "hail"})
	if finds(s, "slugs") != "" || finds(s, "hail") != "b" {
		t.Error("a correction is not found")
	}
	undone, err := s.Undo(ctx, "t", "u", *snap.Undo)
	if err != nil || finds(s, "slugs") != "b" {
		t.Errorf("undone: %v", err)
	}
	snap = undone
	if snap, err = s.Apply(ctx, Edit{Client: "t", ID: "r", Revision: snap.Revision, Command: "remove-entry", Target: "b"}); err != nil || finds(s, "slugs") != "" {
		t.Errorf("removed: %v", err)
	}
	copied := filepath.Join(dir, "copy.db")
	if err := s.CopyTo(ctx, copied); err != nil {
		t.Fatal(err)
	}
	other := opened(t, copied)
	if finds(other, "beans") != "a" || finds(other, "cafe") != "c" {
		t.Error("the copy does not find it")
	}
}

// A photograph is kept once, by what it holds; an entry may only name one that is there, and one
// that no entry names is forgotten after a while.
func TestPhotographsAreKept(t *testing.T) {
	ctx := context.Background()
	file := filepath.Join(t.TempDir(), "h.db")
	s := opened(t, file)
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "b", Command: "begin", Household: millHouse(t)})
	if err != nil {
		t.Fatal(err)
	}
	id, err := s.AddPhotograph(ctx, Photograph{Body: []byte("large"), Small: []byte("small")})
	again, err2 := s.AddPhotograph(ctx, Photograph{Body: []byte("large"), Small: []byte("small")})
	unused, err3 := s.AddPhotograph(ctx, Photograph{Body: []byte("another"), Small: []byte("s")})
	if err := errors.Join(err, err2, err3); err != nil || id != again || id == unused {
		t.Fatal(id, again, unused, err)
	}
	note := record.Entry{ID: "n", Day: civil.Of(2027, 5, 1), Act: record.Note, Note: "aphids", Photos: []string{id}}
	if snap, err = s.Apply(ctx, Edit{Client: "t", ID: "n", Revision: snap.Revision, Command: "record", Entries: []record.Entry{note}}); err != nil {
		t.Fatal(err)
	}
	note.ID, note.Photos = "m", []string{"pnone"}
	if _, err := s.Apply(ctx, Edit{Client: "t", ID: "m", Revision: snap.Revision, Command: "record", Entries: []record.Entry{note}}); len(invalid.All(err)) != 1 {
		t.Errorf("a photograph that was never sent: %v", err)
	}
	if body, err := s.Photograph(ctx, id, true); err != nil || string(body) != "small" {
		t.Errorf("%q %v", body, err)
	}
	if _, err := s.db.ExecContext(ctx, "UPDATE photograph SET sent = '2020-01-01'"); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	s = opened(t, file)
	if body, err := s.Photograph(ctx, id, false); err != nil || string(body) != "large" {
		t.Errorf("after a restart: %q %v", body, err)
	}
	if _, err := s.Photograph(ctx, unused, false); !errors.Is(err, ErrNoPhotograph) {
		t.Errorf("the unused one: %v", err)
	}
	if ids, err := s.Photographs(ctx); err != nil || !slices.Equal(ids, []string{id}) {
		t.Errorf("%v %v", ids, err)
	}
}
