package store

import (
	"bufio"
	"context"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"inventory/internal/core/wish"
)

// TestEditUntilKilled is no test of its own: TestNothingIsLostByKills runs it as
// another process, which edits and says each revision once it is done.
func TestEditUntilKilled(t *testing.T) {
	file, ok := os.LookupEnv("INVENTORY_EDIT_UNTIL_KILLED")
	if !ok {
		return
	}
	ctx := context.Background()
	s, err := Open(ctx, file)
	if err != nil {
		fmt.Println("failed:", err)
		return
	}
	snap, err := s.Load(ctx)
	for err == nil {
		w := wish.Wish{Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}}
		if len(snap.Household.Wishes) > 60 {
			snap, err = s.Apply(ctx, Edit{Client: "t", ID: NewID("e"), Revision: snap.Revision, Command: "remove-wish", Target: snap.Household.Wishes[60].ID})
		} else {
			snap, err = s.Apply(ctx, Edit{Client: "t", ID: NewID("e"), Revision: snap.Revision, Command: "add-wish", Wish: &w})
		}
		fmt.Println("done", snap.Revision)
	}
	fmt.Println("failed:", err)
}

// A process that edits is killed two hundred times, in the middle of whatever it
// does. Between, and while it edits, copies are taken. No edit that was said to be
// done is lost, in the file or in a copy.
func TestNothingIsLostByKills(t *testing.T) {
	const kills = 200
	ctx := context.Background()
	s, _ := begun(t)
	file := s.file
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	dir := t.TempDir()
	last := 1
	for k := range kills {
		cmd := exec.Command(os.Args[0], "-test.run=^TestEditUntilKilled$")
		cmd.Env = append(os.Environ(), "INVENTORY_EDIT_UNTIL_KILLED="+file)
		out, err := cmd.StdoutPipe()
		if err != nil {
			t.Fatal(err)
		}
		if err := cmd.Start(); err != nil {
			t.Fatal(err)
		}
		lines := bufio.NewScanner(out)
		for n := 0; n <= k%4 && lines.Scan(); n++ {
			text, ok := strings.CutPrefix(lines.Text(), "done ")
			if !ok {
				t.Fatalf("kill %d: %s", k, lines.Text())
			}
			if last, err = strconv.Atoi(text); err != nil {
				t.Fatal(err)
			}
		}
		if k%20 == 7 { // while it edits
			backup := filepath.Join(dir, fmt.Sprint(k, ".db"))
			if err := CopyFile(ctx, file, backup); err != nil {
				t.Fatalf("kill %d: %v", k, err)
			}
			holds(t, backup, last)
		}
		if err := cmd.Process.Kill(); err != nil {
			t.Fatal(err)
		}
		for lines.Scan() { // what it said before it was killed
			if text, ok := strings.CutPrefix(lines.Text(), "done "); ok {
				if n, err := strconv.Atoi(text); err == nil {
					last = n
				}
			}
		}
		_ = cmd.Wait() // it was killed
	}
	holds(t, file, last)
}

// holds looks whether a file is whole and holds a revision at least.
func holds(t *testing.T, file string, revision int) {
	t.Helper()
	s := opened(t, file)
	var sound string
	if err := s.db.QueryRow("PRAGMA integrity_check").Scan(&sound); err != nil || sound != "ok" {
		t.Errorf("%s: %s %v", file, sound, err)
	}
	snap, err := s.Load(context.Background())
	if err != nil || snap.Revision < revision {
		t.Errorf("%s holds revision %d, and %d was done (%v)", file, snap.Revision, revision, err)
	}
}
