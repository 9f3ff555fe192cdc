package store

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/pressly/goose/v3"

	"inventory/internal/core/wish"
)

// alone copies nothing but the file itself, as a file manager does, and returns
// the household that the copy holds.
func alone(t *testing.T, file string) Snapshot {
	t.Helper()
	body, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	out := filepath.Join(t.TempDir(), "copy.db")
	if err := os.WriteFile(out, body, 0o600); err != nil {
		t.Fatal(err)
	}
	snap, err := opened(t, out).Load(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	return snap
}

func TestTheFileAloneIsTheHouseholdOnceItHasBegun(t *testing.T) {
	s, snap := begun(t)
	got := alone(t, s.file)
	if got.Revision != snap.Revision || text(t, got.Household) != text(t, snap.Household) {
		t.Errorf("a copy of the file alone holds revision %d, want %d", got.Revision, snap.Revision)
	}
}

func TestTheFileAloneIsTheHouseholdOnceNoEditComes(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	settled := make(chan error, 10)
	s.edits.Lock()
	s.idleAfter, s.settled = time.Millisecond, func(err error) { settled <- err }
	s.edits.Unlock()
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "x", Revision: snap.Revision, Command: "remove-wish", Target: "w1"})
	if err != nil {
		t.Fatal(err)
	}
	if err := <-settled; err != nil {
		t.Fatal(err)
	}
	if got := alone(t, s.file); got.Revision != snap.Revision {
		t.Errorf("a copy of the file alone holds revision %d, want %d", got.Revision, snap.Revision)
	}
}

func TestACopyIsWholeAndItsOwnersAlone(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	out := filepath.Join(t.TempDir(), "copy.db")
	if err := s.CopyTo(ctx, out); err != nil {
		t.Fatal(err)
	}
	for _, file := range []string{s.file, out} {
		if info, err := os.Stat(file); err != nil || info.Mode().Perm() != 0o600 {
			t.Errorf("%s: %v %v, want readable by its owner alone", file, info.Mode(), err)
		}
	}
	got, err := opened(t, out).Load(ctx)
	if err != nil || got.Revision != snap.Revision || text(t, got.Household) != text(t, snap.Household) {
		t.Errorf("the copy holds revision %d (%v), want %d", got.Revision, err, snap.Revision)
	}
	if err := s.CopyTo(ctx, out); err == nil || !strings.Contains(err.Error(), "is there already") {
		t.Errorf("a file that is there was overwritten: %v", err)
	}
	if err := s.CopyTo(ctx, filepath.Join(out, "none", "a.db")); err == nil {
		t.Error("a copy was made in a folder that is none")
	}
}

func TestAFileThatOthersMayReadIsClosedToThem(t *testing.T) {
	s, _ := begun(t)
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	if err := os.Chmod(s.file, 0o644); err != nil {
		t.Fatal(err)
	}
	opened(t, s.file)
	if info, err := os.Stat(s.file); err != nil || info.Mode().Perm() != 0o600 {
		t.Errorf("%v %v", info.Mode(), err)
	}
}

// Before the tables of an older version are changed, the file as it was is kept
// beside it.
func TestACopyIsKeptBeforeEveryMigration(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	file := s.file
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		t.Fatal(err)
	}
	p, err := goose.NewProvider(goose.DialectSQLite3, s.db, sub)
	if err != nil {
		t.Fatal(err)
	}
	newest := p.ListSources()[len(p.ListSources())-1].Version
	if _, err := p.DownTo(ctx, newest-1); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	now, err := opened(t, file).Load(ctx)
	if err != nil || now.Revision != snap.Revision {
		t.Fatalf("the file brought up to date holds revision %d: %v", now.Revision, err)
	}
	kept := fmt.Sprintf("%s.version-%d", file, newest-1)
	info, err := os.Stat(kept)
	if err != nil || info.Mode().Perm() != 0o600 {
		t.Fatalf("no copy is kept: %v", err)
	}
	if got := alone(t, kept); got.Revision != snap.Revision || len(got.Household.Wishes) != len(snap.Household.Wishes) {
		t.Errorf("the copy holds revision %d", got.Revision)
	}
}

// What the system refuses is said in words, with the file's name, at an edit too.
func TestAFileThatMayNotBeWrittenSaysSo(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	if _, err := s.db.Exec("PRAGMA query_only = 1"); err != nil { // as a file system turned read-only does
		t.Fatal(err)
	}
	_, err := s.Apply(ctx, Edit{Client: "t", ID: "x", Revision: snap.Revision, Command: "add-wish", Wish: &wish.Wish{Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}}})
	var unusable *Unusable
	if !errors.As(err, &unusable) || unusable.File != s.file || !strings.Contains(err.Error(), "may not be written") {
		t.Errorf("an edit of a file that may not be written gives %v", err)
	}
	if now, err := s.Load(ctx); err != nil || now.Revision != snap.Revision {
		t.Errorf("it can still be read: %v", err)
	}
}
