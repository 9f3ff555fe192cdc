package store

import (
	"cmp"
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"time"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/store/gen/rows"
)

// Snapshot is the household at a revision.
type Snapshot struct {
	Revision  int
	Household *household.Household // nil where there is none yet; nobody may change it

	// Known is the household without what the crop book does not know, which is Unknown;
	// Wrong says what of the rest cannot be, and is nil for what an edit has let through.
	Known   household.Household
	Unknown []household.Unknown
	Wrong   error

	Record   *record.Record // what was recorded; nobody may change it
	Undo     *LastEdit      // what undo would take back; nil for nothing
	Redo     *LastEdit      // what redo would do again
	Words    string         // what the last edit did
	Ended    int            // the table year that was ended last in this file; 0 where none was
	Calendar string         // the part of the calendar's address that nobody can guess
}

// NotLast is returned where an undo or redo names an edit that is no longer the
// last. Nothing was changed.
type NotLast struct {
	Do       string    // undo, redo
	Last     *LastEdit // what stands instead; nil for nothing
	Revision int
}

// Error says what would be undone or redone now.
func (n *NotLast) Error() string {
	if n.Last == nil {
		return "there is nothing left to " + n.Do
	}
	return fmt.Sprintf("something else was changed in between. The last change is now “%s”, and nothing was done to it. Press %s again if you mean that one", n.Last.Words, n.Do)
}

// Clash is returned where an edit was made against an old revision and somebody
// has changed the same thing since. Nothing was changed.
type Clash struct {
	Revision int
	Kind, ID string
	Theirs   json.RawMessage // the thing as it stands; null where it was removed
}

// Error says what happened.
func (c *Clash) Error() string {
	return fmt.Sprintf("somebody has changed this %s since you began (revision %d); your change was not saved, theirs is shown", c.Kind, c.Revision)
}

// Load returns the household as it is now.
func (s *Store) Load(ctx context.Context) (Snapshot, error) {
	s.edits.Lock()
	defer s.edits.Unlock()
	now, err := s.current(ctx, s.q)
	if err != nil {
		return Snapshot{}, err
	}
	s.now = now
	return now.snapshot, nil
}

// loaded is the household at a revision, as it was read or made.
type loaded struct {
	state    *state
	log      log
	snapshot Snapshot
}

// current returns the household as it is in the file: the one in memory where the journal
// has nothing newer. Another program may have written to the file.
func (s *Store) current(ctx context.Context, q *rows.Queries) (*loaded, error) {
	was := s.now
	if was == nil {
		was = &loaded{}
	}
	l, err := was.log.read(ctx, q)
	if err != nil {
		return nil, err
	}
	if s.now != nil && l.revision == s.now.log.revision {
		return s.now, nil
	}
	st, err := load(ctx, q)
	if err != nil {
		return nil, err
	}
	secret, err := q.GetSecret(ctx, "calendar")
	if err != nil {
		return nil, explain("", err)
	}
	return made(st, l, secret)
}

// made puts a household together from its items, and finds what of it the crop book does
// not know.
func made(st *state, l log, secret string) (*loaded, error) {
	h, err := st.household()
	if err != nil {
		return nil, err
	}
	out := &loaded{st, l, Snapshot{Revision: l.revision, Household: h, Record: st.record, Words: l.words, Undo: last(l.undo), Redo: last(l.redo), Calendar: secret}}
	if h != nil {
		if l.turned() > 0 {
			out.snapshot.Ended = h.Year - 1
		}
		out.snapshot.Known, out.snapshot.Unknown, out.snapshot.Wrong = h.Fitting(book.Usual())
	}
	return out, nil
}

// Apply does an edit: in one transaction it checks it, changes the rows and
// writes the journal. An edit sent twice does nothing the second time. What
// cannot stand gives invalid.Fields, named from the edited thing; an edit
// against an old revision of the same thing gives a Clash.
func (s *Store) Apply(ctx context.Context, e Edit) (Snapshot, error) {
	if e.ID == "" || len(e.ID) > 100 {
		return Snapshot{}, &invalid.Field{Field: "id", Value: e.ID, Allowed: "the edit's own id, 1 to 100 characters"}
	}
	snap, err := s.transact(ctx, func(q *rows.Queries, now *loaded) (*loaded, error) {
		if seen, err := q.JournalByEdit(ctx, e.ID); err != nil || len(seen) > 0 {
			return now, err
		}
		revision := now.log.revision
		if e.Revision > revision || e.Revision < 0 {
			return nil, &invalid.Field{Field: "revision", Value: fmt.Sprint(e.Revision), Allowed: fmt.Sprintf("a revision from 0 to %d", revision)}
		}
		if e.Command == "agree" && e.Revision != revision {
			return nil, &Clash{Revision: revision, Kind: "plan", Theirs: json.RawMessage("null")}
		}
		d := &drafter{state: now.state.copy(), photograph: func(id string) (bool, error) { return isKept(ctx, q, id) }}
		if err := d.draft(&e); err != nil {
			return nil, cmp.Or(findClash(ctx, q, e, revision, aboutOf(&e)), err)
		}
		for _, c := range d.changes {
			if err := findClash(ctx, q, e, revision, key{c.Kind, c.ID}); err != nil {
				return nil, err
			}
		}
		if len(d.changes) == 0 {
			return now, nil // nothing was changed, so nothing is written
		}
		return s.after(ctx, q, now, entry{edit: e, kind: "edit", words: d.words, changes: d.changes}, d)
	})
	if err == nil && large(e.Command) {
		_ = s.Settle(ctx) // the edit is done; where another program holds the log, it is folded in later
	}
	return snap, err
}

// Seen reports whether an edit of this id was done already, and returns the
// household as it stands then.
func (s *Store) Seen(ctx context.Context, id string) (bool, Snapshot, error) {
	s.edits.Lock()
	seen, err := s.q.JournalByEdit(ctx, id)
	s.edits.Unlock()
	if err != nil || len(seen) == 0 {
		return false, Snapshot{}, err
	}
	snap, err := s.Load(ctx)
	return true, snap, err
}

// aboutOf names the thing an edit is about, as far as the edit says it.
func aboutOf(e *Edit) key {
	for _, k := range kinds {
		if id, _ := k.ofEdit(e); id != nil {
			return key{k.name, *id}
		}
	}
	_, name, _ := strings.Cut(e.Command, "-")
	return key{name, e.Target}
}

// findClash looks whether a thing was changed after the revision of an edit,
// and returns the Clash, or why the journal cannot tell.
func findClash(ctx context.Context, q *rows.Queries, e Edit, revision int, about key) error {
	if e.Revision == revision {
		return nil
	}
	since, err := q.JournalSince(ctx, int64(e.Revision))
	if err != nil {
		return err
	}
	var clash *Clash
	for _, r := range since {
		if slices.Contains(e.Follows, r.Edit) {
			continue // its own, made before this one while there was no connection
		}
		var cs []Change
		if err := json.Unmarshal([]byte(r.Changes), &cs); err != nil {
			return fmt.Errorf("journal entry %d: %w", r.Revision, err)
		}
		for _, c := range cs {
			if c.Kind == about.Kind && c.ID == about.ID {
				clash = &Clash{Revision: revision, Kind: c.Kind, ID: c.ID, Theirs: json.RawMessage("null")}
				if c.After != nil {
					clash.Theirs = c.After.Value
				}
			}
		}
	}
	if clash == nil {
		return nil // not a nil *Clash, which would be an error that is none
	}
	return clash
}

// validate holds the household as it would be against the rules, and names the fields from
// the edited thing. What the crop book does not know may stay where it was before the edit;
// no edit but begin may bring it in.
func (d *drafter) validate(was, now Snapshot) error {
	if now.Household == nil {
		return nil
	}
	if len(now.Unknown) > 0 && !d.begins {
		var fields invalid.Fields
		for _, u := range now.Unknown {
			if !slices.Contains(was.Unknown, u) {
				fields = append(fields, &invalid.Field{Field: u.Field, Value: u.Name, Allowed: u.Allowed})
			}
		}
		if fields != nil {
			return fields
		}
	}
	h := &now.Known
	fields := invalid.All(now.Wrong)
	if fields == nil {
		return now.Wrong
	}
	prefix := ""
	if k, err := kindOf(d.about.Kind); err == nil {
		prefix = k.path(h, d.about.ID)
	}
	out := make(invalid.Fields, len(fields))
	for i, f := range fields {
		named := *f
		named.Field = strings.TrimPrefix(f.Field, prefix)
		out[i] = &named
	}
	return out
}

// entry is a line of the journal to be written.
type entry struct {
	edit    Edit
	kind    string // edit, undo, redo
	of      int    // the revision that an undo or redo is of
	words   string
	changes []Change
}

// after makes the rows follow the changes of an entry, writes it into the journal and
// returns the household after it. A draft is held against the rules before anything is
// written. What undo and redo bring back was let through when it was made, perhaps by an
// older version: it is read again from its rows.
func (s *Store) after(ctx context.Context, q *rows.Queries, now *loaded, e entry, draft *drafter) (next *loaded, err error) {
	l := now.log.with(rows.JournalStackRow{
		Revision: int64(now.log.revision + 1), Edit: e.edit.ID, Kind: e.kind, OfRevision: int64(e.of), Command: e.edit.Command, Words: e.words,
	})
	if draft != nil {
		st, err := now.state.with(e.changes)
		if err != nil {
			return nil, err
		}
		if next, err = made(st, l, now.snapshot.Calendar); err != nil {
			return nil, err
		}
		if err := draft.validate(now.snapshot, next.snapshot); err != nil {
			return nil, err
		}
	}
	for _, c := range e.changes {
		if err := write(ctx, q, c); err != nil {
			return nil, err
		}
	}
	text, err := json.Marshal(e.changes)
	if err != nil {
		return nil, err
	}
	err = q.AddJournal(ctx, rows.AddJournalParams{
		Revision: int64(l.revision), At: time.Now().UTC().Format(time.RFC3339), Client: e.edit.Client, Edit: e.edit.ID,
		Kind: e.kind, OfRevision: int64(e.of), Command: e.edit.Command, Words: e.words, Changes: string(text),
	})
	if err != nil || draft != nil {
		return next, err
	}
	st, err := loadItems(ctx, q)
	if err != nil {
		return nil, err
	}
	st.record = now.state.record // entries are many: they are not read again
	if err := st.withEntries(e.changes); err != nil {
		return nil, err
	}
	return made(st, l, now.snapshot.Calendar)
}

// Undo takes back the last edit that still stands, which the caller names by its
// revision and id; Redo does the last one undone again. Both are edits of their own
// in the journal, and a repeat of the same id does nothing. Where the edit named is
// no longer the last, a NotLast says what stands.
func (s *Store) Undo(ctx context.Context, client, id string, of LastEdit) (Snapshot, error) {
	return s.step(ctx, client, id, "undo", of)
}

// Redo does the last edit undone again.
func (s *Store) Redo(ctx context.Context, client, id string, of LastEdit) (Snapshot, error) {
	return s.step(ctx, client, id, "redo", of)
}

func (s *Store) step(ctx context.Context, client, id, kind string, of LastEdit) (Snapshot, error) {
	switch {
	case id == "" || len(id) > 100:
		return Snapshot{}, &invalid.Field{Field: "id", Value: id, Allowed: "an id of its own, 1 to 100 characters"}
	case of.Edit == "" || of.Revision < 1:
		return Snapshot{}, &invalid.Field{Field: "edit", Value: of.Edit, Allowed: "the id and the revision of the edit that is meant"}
	}
	return s.transact(ctx, func(q *rows.Queries, now *loaded) (*loaded, error) {
		if seen, err := q.JournalByEdit(ctx, id); err != nil || len(seen) > 0 {
			return now, err
		}
		top := last(now.log.undo)
		if kind == "redo" {
			top = last(now.log.redo)
		}
		if top == nil || top.Revision != of.Revision || top.Edit != of.Edit {
			return nil, &NotLast{kind, top, now.log.revision}
		}
		done, err := q.JournalEntry(ctx, int64(top.Revision))
		if err != nil {
			return nil, err
		}
		var cs []Change
		if err := json.Unmarshal([]byte(done.Changes), &cs); err != nil {
			return nil, err
		}
		words := "redid: " + done.Words
		if kind == "undo" {
			cs, words = inverse(cs), "undid: "+done.Words
		}
		return s.after(ctx, q, now, entry{Edit{Client: client, ID: id, Command: kind}, kind, top.Revision, words, cs}, nil)
	})
}

// transact runs one edit in a transaction and returns the household after it; after an error
// nothing is changed.
func (s *Store) transact(ctx context.Context, do func(*rows.Queries, *loaded) (*loaded, error)) (out Snapshot, err error) {
	s.edits.Lock()
	defer s.edits.Unlock()
	tx, err := s.db.BeginTx(ctx, &sql.TxOptions{})
	if err != nil {
		return Snapshot{}, explain(s.file, err)
	}
	defer func() {
		if err != nil {
			_ = tx.Rollback() // the first error is the one to tell
		}
	}()
	q := s.q.WithTx(tx)
	now, err := s.current(ctx, q)
	if err != nil {
		return Snapshot{}, err
	}
	next, err := do(q, now)
	if err != nil {
		return Snapshot{}, explain(s.file, err)
	}
	if err = tx.Commit(); err != nil {
		return Snapshot{}, explain(s.file, err)
	}
	s.now = next
	s.settleSoon()
	return next.snapshot, nil
}
