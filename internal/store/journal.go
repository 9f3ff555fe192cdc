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
	"inventory/internal/store/gen/rows"
)

// Snapshot is the household at a revision.
type Snapshot struct {
	Revision  int
	Household *household.Household // nil where there is none yet
	Undo      *LastEdit            // what undo would take back; nil for nothing
	Redo      *LastEdit            // what redo would do again
	Words     string               // what the last edit did
	Calendar  string               // the part of the calendar's address that nobody can guess
}

// LastEdit names the edit that undo would take back, or redo do again.
type LastEdit struct {
	Revision int    `json:"revision"`
	Edit     string `json:"edit"` // the id that its client gave it
	Words    string `json:"words"`
}

// NotLast is returned where an undo or redo names an edit that is no longer the
// last. Nothing was changed.
type NotLast struct {
	Do       string    // undo, redo
	Last     *LastEdit // what stands instead; nil for nothing
	Revision int
}

// Error says what would be taken back or done again now.
func (n *NotLast) Error() string {
	verb := map[string]string{"undo": "take back", "redo": "do again"}[n.Do]
	if n.Last == nil {
		return "there is nothing left to " + verb + "; nothing was changed"
	}
	return fmt.Sprintf("something else came in between: the last edit to %s is now “%s”; nothing was changed", verb, n.Last.Words)
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
	return fmt.Sprintf("somebody has changed this %s since you began (revision %d); nothing was overwritten", c.Kind, c.Revision)
}

// Load returns the household as it stands.
func (s *Store) Load(ctx context.Context) (Snapshot, error) {
	s.edits.Lock()
	defer s.edits.Unlock()
	snap, log, err := snapshot(ctx, s.q, s.log)
	if err == nil {
		s.log = log
	}
	return snap, err
}

func snapshot(ctx context.Context, q *rows.Queries, from log) (Snapshot, log, error) {
	st, err := load(ctx, q)
	if err != nil {
		return Snapshot{}, log{}, err
	}
	h, err := st.household()
	if err != nil {
		return Snapshot{}, log{}, err
	}
	l, err := from.read(ctx, q)
	if err != nil {
		return Snapshot{}, log{}, err
	}
	secret, err := q.GetSecret(ctx, "calendar")
	if err != nil {
		return Snapshot{}, log{}, explain("", err)
	}
	return Snapshot{Revision: l.revision, Household: h, Words: l.words, Undo: last(l.undo), Redo: last(l.redo), Calendar: secret}, l, nil
}

// log is the journal as stacks: what can be undone and what done again.
type log struct {
	revision   int
	words      string // of the last entry
	undo, redo []LastEdit
}

// last returns the edit on top of a stack; nil where it is empty.
func last(stack []LastEdit) *LastEdit {
	if len(stack) == 0 {
		return nil
	}
	return &stack[len(stack)-1]
}

// read returns the log with what was written to the journal since; the log
// itself stays as it is, so that a transaction taken back leaves no trace.
func (l log) read(ctx context.Context, q *rows.Queries) (log, error) {
	all, err := q.JournalStack(ctx, int64(l.revision))
	if err != nil {
		return log{}, explain("", err)
	}
	if len(all) > 0 {
		l.undo, l.redo = slices.Clone(l.undo), slices.Clone(l.redo)
	}
	take := func(from []LastEdit, revision int) (LastEdit, []LastEdit) {
		i := slices.IndexFunc(from, func(s LastEdit) bool { return s.Revision == revision })
		if i < 0 {
			return LastEdit{Revision: revision}, from
		}
		found := from[i]
		return found, slices.Delete(from, i, i+1)
	}
	for _, r := range all {
		l.revision, l.words = int(r.Revision), r.Words
		var s LastEdit
		switch {
		case r.Kind == "undo":
			s, l.undo = take(l.undo, int(r.OfRevision))
			l.redo = append(l.redo, s)
		case r.Kind == "redo":
			s, l.redo = take(l.redo, int(r.OfRevision))
			l.undo = append(l.undo, s)
		case r.Command != "begin": // undo reaches every edit of a household, not the household itself
			l.undo, l.redo = append(l.undo, LastEdit{l.revision, r.Edit, r.Words}), nil
		}
	}
	return l, nil
}

// Apply does an edit: in one transaction it checks it, changes the rows and
// writes the journal. An edit sent twice does nothing the second time. What
// cannot stand gives invalid.Fields, named from the edited thing; an edit
// against an old revision of the same thing gives a Clash.
func (s *Store) Apply(ctx context.Context, e Edit) (Snapshot, error) {
	if e.ID == "" || len(e.ID) > 100 {
		return Snapshot{}, &invalid.Field{Field: "id", Value: e.ID, Allowed: "the edit's own id, 1 to 100 characters"}
	}
	snap, err := s.transact(ctx, func(q *rows.Queries) error {
		if seen, err := q.JournalByEdit(ctx, e.ID); err != nil || len(seen) > 0 {
			return err
		}
		st, err := load(ctx, q)
		if err != nil {
			return err
		}
		log, err := s.log.read(ctx, q)
		if err != nil {
			return err
		}
		if e.Revision > log.revision || e.Revision < 0 {
			return &invalid.Field{Field: "revision", Value: fmt.Sprint(e.Revision), Allowed: fmt.Sprintf("a revision from 0 to %d", log.revision)}
		}
		if e.Command == "agree" && e.Revision != log.revision {
			return &Clash{Revision: log.revision, Kind: "plan", Theirs: json.RawMessage("null")}
		}
		d := &drafter{state: st}
		if err := d.draft(&e); err != nil {
			return cmp.Or(findClash(ctx, q, e, log.revision, aboutOf(&e)), err)
		}
		for _, c := range d.changes {
			if err := findClash(ctx, q, e, log.revision, key{c.Kind, c.ID}); err != nil {
				return err
			}
		}
		if len(d.changes) == 0 {
			return nil // nothing was changed, so nothing is written
		}
		if err := d.validate(func() (*state, error) { return load(ctx, q) }); err != nil {
			return err
		}
		return journalize(ctx, q, log.revision+1, e, "edit", 0, d.words, d.changes)
	})
	if err == nil && large(e.Command) {
		_ = s.Settle(ctx) // the edit is done; where another program holds the log, it is folded in later
	}
	return snap, err
}

// Seen tells whether an edit of this id was done already, and returns the
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

// validate holds the household as it would be against the rules, and names the
// fields from the edited thing. What the crop book does not know may stay where it
// stood before the edit, which before loads; no edit but begin may bring it in.
func (d *drafter) validate(before func() (*state, error)) error {
	h, err := d.state.household()
	if err != nil || h == nil {
		return err
	}
	known, unknown, err := h.Fitting(book.Usual())
	if len(unknown) > 0 && !d.begins {
		was, err := before()
		if err != nil {
			return err
		}
		if err := newlyUnknown(was, unknown); err != nil {
			return err
		}
	}
	h = &known
	fields := invalid.All(err)
	if fields == nil {
		return err
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

// newlyUnknown returns what of the unknown entries was not unknown before, as the
// mistakes of an edit.
func newlyUnknown(was *state, unknown []household.Unknown) error {
	h, err := was.household()
	if err != nil || h == nil {
		return err
	}
	_, old, _ := h.Fitting(book.Usual())
	var fields invalid.Fields
	for _, u := range unknown {
		if !slices.Contains(old, u) {
			fields = append(fields, &invalid.Field{Field: u.Field, Value: u.Name, Allowed: u.Allowed})
		}
	}
	if fields == nil {
		return nil
	}
	return fields
}

// journalize writes the changes and their journal entry.
func journalize(ctx context.Context, q *rows.Queries, revision int, e Edit, kind string, of int, words string, cs []Change) error {
	for _, c := range cs {
		if err := write(ctx, q, c); err != nil {
			return err
		}
	}
	text, err := json.Marshal(cs)
	if err != nil {
		return err
	}
	return q.AddJournal(ctx, rows.AddJournalParams{
		Revision: int64(revision), At: time.Now().UTC().Format(time.RFC3339), Client: e.Client, Edit: e.ID,
		Kind: kind, OfRevision: int64(of), Command: e.Command, Words: words, Changes: string(text),
	})
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
	return s.transact(ctx, func(q *rows.Queries) error {
		if seen, err := q.JournalByEdit(ctx, id); err != nil || len(seen) > 0 {
			return err
		}
		log, err := s.log.read(ctx, q)
		if err != nil {
			return err
		}
		top := last(log.undo)
		if kind == "redo" {
			top = last(log.redo)
		}
		if top == nil || top.Revision != of.Revision || top.Edit != of.Edit {
			return &NotLast{kind, top, log.revision}
		}
		entry, err := q.JournalEntry(ctx, int64(top.Revision))
		if err != nil {
			return err
		}
		var cs []Change
		if err := json.Unmarshal([]byte(entry.Changes), &cs); err != nil {
			return err
		}
		words := "did again: " + entry.Words
		if kind == "undo" {
			cs, words = inverse(cs), "took back: "+entry.Words
		}
		return journalize(ctx, q, log.revision+1, Edit{Client: client, ID: id, Command: kind}, kind, top.Revision, words, cs)
	})
}

// transact runs one edit in a transaction and returns the household after it;
// after an error nothing is changed.
func (s *Store) transact(ctx context.Context, do func(*rows.Queries) error) (out Snapshot, err error) {
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
	if err = do(q); err != nil {
		return Snapshot{}, explain(s.file, err)
	}
	var now log
	if out, now, err = snapshot(ctx, q, s.log); err != nil {
		return Snapshot{}, err
	}
	if err = tx.Commit(); err != nil {
		return Snapshot{}, explain(s.file, err)
	}
	s.log = now
	s.settleSoon()
	return out, nil
}
