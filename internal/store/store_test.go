package store

import (
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/pressly/goose/v3"

	"inventory/demo"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/exchange"
)

func opened(t *testing.T, file string) *Store {
	t.Helper()
	s, err := Open(context.Background(), file)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	return s
}

func millHouse(t *testing.T) *household.Household {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	return &h
}

// begun is a store with the demo household in it.
func begun(t *testing.T) (*Store, Snapshot) {
	t.Helper()
	s := opened(t, filepath.Join(t.TempDir(), "a.db"))
	snap, err := s.Apply(context.Background(), Edit{Client: "t", ID: "begin", Command: "begin", Household: millHouse(t)})
	if err != nil {
		t.Fatal(err)
	}
	return s, snap
}

func text(t *testing.T, h any) string {
	t.Helper()
	out, err := json.Marshal(h)
	if err != nil {
		t.Fatal(err)
	}
	return string(out)
}

// steps undoes or redoes ("undo", "redo") the last edit, naming it as it stands.
func steps(t *testing.T, s *Store, do, id string) Snapshot {
	t.Helper()
	ctx := context.Background()
	now, err := s.Load(ctx)
	if err != nil {
		t.Fatal(err)
	}
	if do == "undo" {
		now, err = s.Undo(ctx, "t", id, *now.Undo)
	} else {
		now, err = s.Redo(ctx, "t", id, *now.Redo)
	}
	if err != nil {
		t.Fatal(err)
	}
	return now
}

func TestAHouseholdComesBackAsItWentIn(t *testing.T) {
	s, snap := begun(t)
	if got, want := text(t, snap.Household), text(t, millHouse(t)); got != want {
		t.Errorf("got  %s\nwant %s", got, want)
	}
	w := snap.Household.Wishes[0]
	w.For = &wish.Whom{Use: wish.ForGiving}
	w.Season = wish.Season{Kind: wish.Months, From: 3, To: 5, Also: []wish.MonthRun{{From: 9, To: 11}}}
	w.Amount.Kind = wish.WeightYear
	changed, err := s.Apply(context.Background(), Edit{Client: "t", ID: "whom", Revision: snap.Revision, Command: "change-wish", Wish: &w})
	if err != nil {
		t.Fatal(err)
	}
	if got, want := text(t, changed.Household.Wishes[0]), text(t, w); got != want {
		t.Errorf("got  %s\nwant %s", got, want)
	}
}

func TestEditsUndoAndRedoAcrossARestart(t *testing.T) {
	ctx := context.Background()
	file := filepath.Join(t.TempDir(), "a.db")
	s := opened(t, file)
	if _, err := s.Apply(ctx, Edit{Client: "t", ID: "begin", Command: "begin", Household: millHouse(t)}); err != nil {
		t.Fatal(err)
	}
	start, err := s.Load(ctx)
	if err != nil {
		t.Fatal(err)
	}
	versions := []string{text(t, start.Household)}
	rev := start.Revision
	w := start.Household.Wishes[2]
	w.Amount.Number = 26
	fresh := wish.Wish{Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}}
	m := start.Household.Members[0]
	m.Name = "Wen"
	place := start.Household.Place
	place.Altitude = 170
	for i, e := range []Edit{
		{Command: "change-wish", Wish: &w}, {Command: "add-wish", Wish: &fresh}, {Command: "remove-wish", Target: "w5"},
		{Command: "move-wish", Target: "w7", After: "w1"}, {Command: "move-wish", Target: "w9"},
		{Command: "overrule", Overrule: &book.Overrule{Subject: "crop/carrot", Field: "yield", Value: 0.1}},
		{Command: "put-back", Overrule: &book.Overrule{Subject: "crop/carrot", Field: "yield"}},
		{Command: "change-member", Member: &m}, {Command: "remove-member", Target: "m4"}, {Command: "set-place", Place: &place},
		{Command: "add-store", Store: &stock.StoragePlace{Name: "Shed", Temperature: 1}}, {Command: "remove-store", Target: "s1"},
		{Command: "remove-guest", Target: "g1"}, {Command: "set-household", Settings: &Settings{Name: "The weir", Year: 2028, Risk: "bold"}},
	} {
		e.Client, e.ID, e.Revision = "t", fmt.Sprint("e", i), rev
		snap, err := s.Apply(ctx, e)
		if err != nil {
			t.Fatalf("%s: %v", e.Command, err)
		}
		if snap.Revision != rev+1 || snap.Words == "" || *snap.Undo != (LastEdit{snap.Revision, e.ID, snap.Words, false}) {
			t.Fatalf("%s: revision %d after %d, words %q, undo %v", e.Command, snap.Revision, rev, snap.Words, snap.Undo)
		}
		rev = snap.Revision
		versions = append(versions, text(t, snap.Household))
	}
	if order := versions[5]; strings.Index(order, `"id":"w9"`) > strings.Index(order, `"id":"w1"`) {
		t.Error("a wish moved to the front stands behind the first")
	}
	back := func(do, id, want string) {
		t.Helper()
		if got := text(t, steps(t, s, do, id).Household); got != want {
			t.Fatalf("%s\ngot  %s\nwant %s", id, got, want)
		}
	}
	for i := len(versions) - 2; i >= 0; i-- {
		back("undo", fmt.Sprint("u", i), versions[i])
		if i == 7 { // the stack lives in the file, not in the memory
			if err := s.Close(); err != nil {
				t.Fatal(err)
			}
			s = opened(t, file)
		}
	}
	var none *NotLast
	if _, err := s.Undo(ctx, "t", "too far", LastEdit{1, "begin", "", false}); !errors.As(err, &none) || none.Last != nil {
		t.Errorf("undo before the first edit: %v", err)
	}
	for i := 1; i < len(versions); i++ {
		back("redo", fmt.Sprint("r", i), versions[i])
	}
	if _, err := s.Redo(ctx, "t", "too far on", LastEdit{2, "e0", "", false}); !errors.As(err, &none) || none.Last != nil {
		t.Errorf("redo after the last edit: %v", err)
	}
}

// Random edits, then as many undos: the household is what it was.
func TestUndoTakesBackWhateverWasDone(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	want := text(t, snap.Household)
	r := rand.New(rand.NewPCG(9, 10))
	done := 0
	for i := range 40 {
		h := snap.Household
		e := Edit{Client: "t", ID: fmt.Sprint("e", i), Revision: snap.Revision}
		pick := h.Wishes[r.IntN(len(h.Wishes))]
		switch r.IntN(9) {
		case 8:
			other := h.Wishes[(slices.IndexFunc(h.Wishes, func(w wish.Wish) bool { return w.ID == pick.ID })+1)%len(h.Wishes)]
			other.Amount.Number++
			e.Command, e.Wishes, e.Remove = "put-wishes", []wish.Wish{other}, []string{pick.ID}
		case 4:
			e.Command, e.Lot = "add-lot", &stock.Lot{Food: "beet", Form: "cellar", Count: 3, Size: 10, Unit: "kg", PutUp: civil.Of(2026, 10, 2), Until: civil.Of(2027, 4, 1), Store: "s1"}
		case 5:
			e.Command, e.Patch = "add-patch", &household.Patch{Crop: "rhubarb", Plants: 2, Planted: 2019}
		case 6:
			e.Command, e.OwnCrop = "add-own-crop", &book.OwnCrop{From: "kale", Food: "kale", Name: fmt.Sprint("Kale ", i)}
		case 7:
			pick.Pins = []wish.Pin{{Day: civil.MonthDay{Month: 1 + r.IntN(12), Day: 9}, Source: wish.Bought}}
			pick.Cover = "fleece"
			e.Command, e.Wish = "change-wish", &pick
			if pick.Amount.Kind.Unweighed() {
				e.Command, e.Wish, e.Lots = "add-lots", nil, []stock.Lot{{Food: "carrot", Form: "cellar", Count: 1, Size: 9, Unit: "kg", PutUp: civil.Of(2026, 10, 2)}}
			}
		case 0:
			pick.Amount.Number += float64(1 + r.IntN(3))
			e.Command, e.Wish = "change-wish", &pick
		case 1:
			e.Command, e.Target = "remove-wish", pick.ID
		case 2:
			e.Command, e.Target, e.After = "move-wish", pick.ID, ""
		case 3:
			pick.ID = ""
			e.Command, e.Wish = "add-wish", &pick
		}
		next, err := s.Apply(ctx, e)
		if err != nil {
			t.Fatalf("%+v: %v", e, err)
		}
		if next.Revision > snap.Revision {
			done++
		}
		snap = next
		inFile(t, s, e.Command, snap)
	}
	for i := range done {
		snap = steps(t, s, "undo", fmt.Sprint("u", i))
		inFile(t, s, "undo", snap)
	}
	if got := text(t, snap.Household); got != want {
		t.Errorf("got  %s\nwant %s", got, want)
	}
}

// inFile holds the household in memory to what a reader of the file finds.
func inFile(t *testing.T, s *Store, what string, snap Snapshot) {
	t.Helper()
	st, err := load(context.Background(), s.q)
	if err != nil {
		t.Fatal(err)
	}
	h, err := st.household()
	if err != nil {
		t.Fatal(err)
	}
	if got, want := text(t, snap.Household), text(t, h); got != want {
		t.Fatalf("after %s memory has\n%s\nthe file has\n%s", what, got, want)
	}
}

// Another program that writes to the file is noticed, by its entry in the journal.
func TestAnotherProgramsEditIsNoticed(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	other, err := Open(ctx, s.File())
	if err != nil {
		t.Fatal(err)
	}
	defer other.Close()
	if _, err := other.Apply(ctx, Edit{Client: "o", ID: "o1", Revision: snap.Revision, Command: "remove-wish", Target: snap.Household.Wishes[0].ID}); err != nil {
		t.Fatal(err)
	}
	now, err := s.Load(ctx)
	if err != nil || now.Revision != snap.Revision+1 || len(now.Household.Wishes) != len(snap.Household.Wishes)-1 {
		t.Fatalf("revision %d, %d wishes: %v", now.Revision, len(now.Household.Wishes), err)
	}
	inFile(t, s, "another program", now)
}

// Two people look at the same last edit; one edits once more, the other takes back:
// it is not the newer edit that is taken back.
func TestUndoTakesBackOnlyWhatItNames(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	edit := func(id, wish string) Snapshot {
		now, err := s.Apply(ctx, Edit{Client: "t", ID: id, Revision: snap.Revision, Command: "remove-wish", Target: wish})
		if err != nil {
			t.Fatal(err)
		}
		return now
	}
	seen := edit("first", "w1")
	newer := edit("second", "w2")
	var not *NotLast
	if _, err := s.Undo(ctx, "other", "u", *seen.Undo); !errors.As(err, &not) || *not.Last != *newer.Undo || !strings.Contains(err.Error(), newer.Words) {
		t.Fatalf("undo of an edit that is no longer the last: %v", err)
	}
	for name, of := range map[string]LastEdit{"nothing": {}, "another id": {Revision: newer.Revision, Edit: "first"}, "another revision": {Revision: 2, Edit: "second"}} {
		if _, err := s.Undo(ctx, "other", name, of); err == nil {
			t.Errorf("undo naming %s was done", name)
		}
	}
	if _, err := s.Undo(ctx, "other", "", *newer.Undo); err == nil {
		t.Error("undo without an id of its own was done")
	}
	now, err := s.Undo(ctx, "other", "u2", *newer.Undo)
	if err != nil || len(now.Household.Wishes) != len(seen.Household.Wishes) {
		t.Errorf("undo of the last edit: %v", err)
	}
	if _, err := s.Redo(ctx, "other", "r", *seen.Undo); !errors.As(err, &not) || *not.Last != *now.Redo {
		t.Errorf("redo of an edit that was not undone: %v", err)
	}
}

// A plan that has changed since it was looked at is not agreed to.
func TestAgreeingNamesThePlanThatWasSeen(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	if _, err := s.Apply(ctx, Edit{Client: "t", ID: "x", Revision: snap.Revision, Command: "remove-wish", Target: "w1"}); err != nil {
		t.Fatal(err)
	}
	var clash *Clash
	agree := Edit{Client: "t", ID: "a", Revision: snap.Revision, Command: "agree", Agreement: &record.Baseline{On: civil.Of(2027, 1, 12), Year: 2027}}
	if _, err := s.Apply(ctx, agree); !errors.As(err, &clash) || clash.Kind != "plan" {
		t.Errorf("a plan that nobody has seen was agreed to: %v", err)
	}
	agree.Revision++
	if _, err := s.Apply(ctx, agree); err != nil {
		t.Error(err)
	}
}

// Several edits of one thing that a client made while it had no connection do not
// clash with each other; with somebody else's they do.
func TestEditsMadeWithoutAConnectionFollowEachOther(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	change := func(id string, number float64, follows ...string) error {
		w := snap.Household.Wishes[0]
		w.Amount.Number = number
		_, err := s.Apply(ctx, Edit{Client: "phone", ID: id, Revision: snap.Revision, Command: "change-wish", Wish: &w, Follows: follows})
		return err
	}
	if err := errors.Join(change("a", 3), change("b", 4, "a"), change("c", 5, "a", "b")); err != nil {
		t.Fatal(err)
	}
	var clash *Clash
	if err := change("d", 6, "a", "b"); !errors.As(err, &clash) {
		t.Errorf("an edit that does not follow c clashes with nothing: %v", err)
	}
}

func TestTheSameEditTwiceIsDoneOnce(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	w := wish.Wish{Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}}
	for range 3 {
		again := w
		got, err := s.Apply(ctx, Edit{Client: "t", ID: "once", Revision: snap.Revision, Command: "add-wish", Wish: &again})
		if err != nil || len(got.Household.Wishes) != len(snap.Household.Wishes)+1 || got.Revision != snap.Revision+1 {
			t.Fatalf("%d wishes at revision %d, %v", len(got.Household.Wishes), got.Revision, err)
		}
	}
}

func TestTwoEditAtOnce(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	edit := func(id string, wish int, number float64) error {
		w := snap.Household.Wishes[wish]
		w.Amount.Number = number
		_, err := s.Apply(ctx, Edit{Client: id, ID: id, Revision: snap.Revision, Command: "change-wish", Wish: &w})
		return err
	}
	if err := edit("a", 0, 3); err != nil {
		t.Fatal(err)
	}
	if err := edit("b", 1, 2); err != nil {
		t.Errorf("another wish can be changed meanwhile: %v", err)
	}
	var clash *Clash
	if err := edit("c", 0, 4); !errors.As(err, &clash) || !strings.Contains(string(clash.Theirs), `"number":3`) {
		t.Fatalf("the same wish changed meanwhile: %v", err)
	}
	now, err := s.Load(ctx)
	if err != nil || now.Household.Wishes[0].Amount.Number != 3 {
		t.Errorf("the first edit was overwritten: %v", err)
	}
	if _, err := s.Apply(ctx, Edit{ID: "d", Revision: now.Revision, Command: "remove-wish", Target: "w1"}); err != nil {
		t.Fatal(err)
	}
	if err := edit("e", 0, 5); !errors.As(err, &clash) || string(clash.Theirs) != "null" {
		t.Errorf("a wish removed meanwhile: %v", err)
	}
}

func TestWhatCannotStandChangesNothing(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	bad := snap.Household.Wishes[0]
	bad.Amount.Number = -2
	place := snap.Household.Place
	place.Latitude = 91
	for name, c := range map[string]struct {
		e     Edit
		field string
	}{
		"wish":             {Edit{Command: "change-wish", Wish: &bad}, "amount.number"},
		"place":            {Edit{Command: "set-place", Place: &place}, "latitude"},
		"no such wish":     {Edit{Command: "remove-wish", Target: "w99"}, "target"},
		"no such command":  {Edit{Command: "paint-wish"}, "command"},
		"begin twice":      {Edit{Command: "begin", Household: millHouse(t)}, "command"},
		"nothing to do":    {Edit{Command: "add-wish"}, "wish"},
		"own figure":       {Edit{Command: "overrule", Overrule: &book.Overrule{Subject: "crop/carrot", Field: "yield", Value: -1}}, "value"},
		"unknown figure":   {Edit{Command: "overrule", Overrule: &book.Overrule{Subject: "crop/carrot", Field: "mood", Value: 1}}, "field"},
		"from the future":  {Edit{Command: "remove-wish", Target: "w1", Revision: 99}, "revision"},
		"no wishes":        {Edit{Command: "put-wishes"}, "wishes"},
		"a wish gone":      {Edit{Command: "put-wishes", Wishes: []wish.Wish{{ID: "w99"}}}, "wishes[0].id"},
		"left out twice":   {Edit{Command: "put-wishes", Remove: []string{"w1", "w1"}}, "target"},
		"move behind none": {Edit{Command: "move-wish", Target: "w1", After: "w77"}, "after"},
		"taken id":         {Edit{Command: "add-wish", Wish: &snap.Household.Wishes[1]}, "id"},
		"nameless":         {Edit{Command: "add-member", Member: &household.Member{Band: household.Adult}}, "name"},
	} {
		c.e.Client, c.e.ID = "t", name
		if c.e.Revision == 0 {
			c.e.Revision = snap.Revision
		}
		_, err := s.Apply(ctx, c.e)
		fs := invalid.All(err)
		if len(fs) == 0 || fs[0].Field != c.field {
			t.Errorf("%s: got %v, want a mistake at %s", name, err, c.field)
		}
	}
	if _, err := s.Apply(ctx, Edit{Client: "t", Revision: snap.Revision, Command: "remove-wish", Target: "w1"}); err == nil {
		t.Error("an edit without an id was taken")
	}
	for i := range snap.Household.Members {
		id := snap.Household.Members[i].ID
		now, err := s.Load(ctx)
		if err != nil {
			t.Fatal(err)
		}
		_, err = s.Apply(ctx, Edit{Client: "t", ID: "m" + id, Revision: now.Revision, Command: "remove-member", Target: id})
		if last := i == len(snap.Household.Members)-1; (err != nil) != last {
			t.Errorf("removing member %d of %d: %v", i+1, len(snap.Household.Members), err)
		}
	}
	now, err := s.Load(ctx)
	if err != nil || len(now.Household.Members) != 1 {
		t.Errorf("somebody must be left: %v", err)
	}
}

func TestFilesThatAreNoHousehold(t *testing.T) {
	ctx := context.Background()
	dir := t.TempDir()
	notes := filepath.Join(dir, "notes.txt")
	if err := os.WriteFile(notes, []byte(strings.Repeat("we planted beans today\n", 100)), 0o600); err != nil {
		t.Fatal(err)
	}
	other := filepath.Join(dir, "other.db")
	db, err := sql.Open("sqlite", other)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := db.Exec("CREATE TABLE birds (name TEXT)"); err != nil {
		t.Fatal(err)
	}
	if err := db.Close(); err != nil {
		t.Fatal(err)
	}
	newer := filepath.Join(dir, "newer.db")
	s := opened(t, newer)
	if _, err := s.db.Exec("INSERT INTO goose_db_version (version_id, is_applied) VALUES (99999, 1)"); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	for file, want := range map[string]string{
		notes: "is not a database", other: "another application", newer: "newer version",
		filepath.Join(dir, "none", "a.db"): "is not there", dir: "cannot be opened",
	} {
		if s, err := Open(ctx, file); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: got %v, want it to say %q", file, err, want)
			if err == nil {
				_ = s.Close()
			}
		}
	}
	odd := opened(t, filepath.Join(dir, "a ?#%20 b.db"))
	if _, err := odd.Load(ctx); err != nil {
		t.Error(err)
	}
	if _, err := os.Stat(filepath.Join(dir, "a ?#%20 b.db")); err != nil {
		t.Errorf("the file has another name: %v", err)
	}
}

func TestTheJournalKeepsWhoDidWhat(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	w := snap.Household.Wishes[2]
	w.Amount.Number = 26
	if _, err := s.Apply(ctx, Edit{Client: "Wenna's phone", ID: "x", Revision: snap.Revision, Command: "change-wish", Wish: &w}); err != nil {
		t.Fatal(err)
	}
	e, err := s.q.JournalEntry(ctx, int64(snap.Revision+1))
	if err != nil {
		t.Fatal(err)
	}
	var cs []Change
	if err := json.Unmarshal([]byte(e.Changes), &cs); err != nil {
		t.Fatal(err)
	}
	if e.Client != "Wenna's phone" || e.Command != "change-wish" || len(cs) != 1 || !strings.Contains(string(cs[0].Before.Value), `"number":35`) || !strings.Contains(string(cs[0].After.Value), `"number":26`) {
		t.Errorf("%+v", e)
	}
}

func TestAFullDiskChangesNothing(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	var pages int
	if err := s.db.QueryRow("PRAGMA page_count").Scan(&pages); err != nil {
		t.Fatal(err)
	}
	if _, err := s.db.Exec(fmt.Sprintf("PRAGMA max_page_count = %d", pages)); err != nil {
		t.Fatal(err)
	}
	var err error
	for i := 0; i < 400 && err == nil; i++ { // until the pages there are, are full
		now, loadErr := s.Load(ctx)
		if loadErr != nil {
			t.Fatal(loadErr)
		}
		snap = now
		w := wish.Wish{Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}, Note: strings.Repeat("n", 500)}
		_, err = s.Apply(ctx, Edit{Client: "t", ID: fmt.Sprint("f", i), Revision: now.Revision, Command: "add-wish", Wish: &w})
	}
	if !errors.Is(err, ErrFull) {
		t.Fatalf("a full disk gives %v", err)
	}
	now, loadErr := s.Load(ctx)
	if loadErr != nil || now.Revision != snap.Revision || text(t, now.Household) != text(t, snap.Household) {
		t.Errorf("the failed edit left something behind: %v", loadErr)
	}
}

// A file and a journal of the first version go on: the one preparation of a wish
// becomes the first of several, in what stands and in what undo brings back.
func TestAFileOfTheFirstVersion(t *testing.T) {
	ctx := context.Background()
	file := filepath.Join(t.TempDir(), "old.db")
	db, err := sql.Open("sqlite", file)
	if err != nil {
		t.Fatal(err)
	}
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		t.Fatal(err)
	}
	p, err := goose.NewProvider(goose.DialectSQLite3, db, sub)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(ctx, 1); err != nil {
		t.Fatal(err)
	}
	before := `{"id":"w1","food":"tomato","forms":["canned"],"preparation":"tomato-sauce-thick","amount":{"kind":"jars","number":20},"season":{"kind":"all-year"},"priority":"want","stagger":{"kind":"need"}}`
	for _, q := range []string{
		fmt.Sprintf("PRAGMA application_id = %d", applicationID),
		`INSERT INTO household VALUES (1, 'Old', 2027, '', 'usual')`,
		`INSERT INTO place VALUES (1, 'P', 47, 100, 0, '04-28', '10-14', 10)`,
		`INSERT INTO member VALUES ('m1', 1, 'A', 'adult', NULL)`,
		`INSERT INTO wish VALUES ('w1', 1, 'tomato', '', 'tomato-sauce-thick', 'jars', 12, 0, 0, 'all-year', 0, 0, 'want', NULL, 0, 'need', 0, 0, '', '')`,
		`INSERT INTO wish_form VALUES ('w1', 0, 'canned')`,
		`INSERT INTO journal VALUES (1, '2026-01-01T00:00:00Z', 'c', 'e1', 'edit', 0, 'begin', 'began', '[]')`,
		`INSERT INTO journal VALUES (2, '2026-01-01T00:00:00Z', 'c', 'e2', 'edit', 0, 'change-wish', 'changed', '[{"kind":"wish","id":"w1","before":{"position":1,"value":` + before + `},"after":null}]')`,
	} {
		if _, err := db.ExecContext(ctx, q); err != nil {
			t.Fatalf("%s: %v", q, err)
		}
	}
	places := []float64{3, 5, 10, 15, 20, 23, 26, 25, 21, 15, 8, 4}
	for i, v := range places {
		if _, err := db.ExecContext(ctx, `INSERT INTO place_month VALUES (?, ?, ?, 50)`, i+1, v, v-8); err != nil {
			t.Fatal(err)
		}
	}
	if err := db.Close(); err != nil {
		t.Fatal(err)
	}
	s := opened(t, file)
	snap, err := s.Load(ctx)
	if err != nil || len(snap.Household.Wishes) != 1 || len(snap.Household.Wishes[0].Preparations) != 1 || snap.Household.Wishes[0].Preparations[0] != "tomato-sauce-thick" {
		t.Fatalf("%+v %v", snap.Household, err)
	}
	snap = steps(t, s, "undo", "u1")
	if w := snap.Household.Wishes[0]; w.Amount.Number != 20 || len(w.Preparations) != 1 || w.Preparation != "" {
		t.Errorf("undo brought back %+v", w)
	}
}

// A new edit leaves nothing to do again, and an edit that changes nothing is no edit.
func TestANewEditClearsRedo(t *testing.T) {
	ctx := context.Background()
	s, snap := begun(t)
	snap, err := s.Apply(ctx, Edit{Client: "t", ID: "a", Revision: snap.Revision, Command: "remove-wish", Target: snap.Household.Wishes[0].ID})
	if err != nil {
		t.Fatal(err)
	}
	if snap = steps(t, s, "undo", "b"); snap.Redo == nil {
		t.Fatal("nothing to do again after undo")
	}
	same := snap.Household.Wishes[0]
	still, err := s.Apply(ctx, Edit{Client: "t", ID: "c", Revision: snap.Revision, Command: "change-wish", Wish: &same})
	if err != nil || still.Revision != snap.Revision || still.Redo == nil {
		t.Fatalf("a wish that is the same: revision %d, was %d, redo %v: %v", still.Revision, snap.Revision, still.Redo, err)
	}
	same.Note = "sweeter ones"
	now, err := s.Apply(ctx, Edit{Client: "t", ID: "d", Revision: snap.Revision, Command: "change-wish", Wish: &same})
	if err != nil || now.Revision != snap.Revision+1 || now.Redo != nil {
		t.Errorf("after a new edit: revision %d, redo %+v: %v", now.Revision, now.Redo, err)
	}
}

// The day on which a household began stays, whatever else of it is changed.
func TestTheDayItBeganStays(t *testing.T) {
	s := opened(t, filepath.Join(t.TempDir(), "h.db"))
	h := millHouse(t)
	h.Since = civil.Of(2027, 7, 20)
	for i, e := range []Edit{{Command: "begin", Household: h}, {Command: "set-household", Settings: &Settings{Name: "The weir", Year: 2027, Risk: "usual"}}} {
		e.Client, e.ID, e.Revision = "t", fmt.Sprint("since", i), i
		if _, err := s.Apply(t.Context(), e); err != nil {
			t.Fatal(err)
		}
	}
	snap, err := s.Load(t.Context())
	if err != nil || snap.Household.Since != h.Since || snap.Household.Name != "The weir" {
		t.Errorf("%v: since %s, %s", err, snap.Household.Since, snap.Household.Name)
	}
}
