package store

import (
	"context"
	"inventory/internal/store/gen/rows"
	"slices"
)

// LastEdit names the edit that undo would take back, or redo do again.
type LastEdit struct {
	Revision int    `json:"revision"`
	Edit     string `json:"edit"` // the id that its client gave it
	Words    string `json:"words"`
	Turns    bool   `json:"-"` // it ended a table year
}

// log is the journal as stacks: what can be undone and what done again.
type log struct {
	revision   int
	words      string // of the last entry
	undo, redo []LastEdit
}

// turned returns the revision by which a table year was ended last; 0 for none.
func (l log) turned() (revision int) {
	for _, e := range l.undo {
		if e.Turns {
			revision = e.Revision
		}
	}
	return revision
}

// last returns the edit on top of a stack; nil where it is empty.
func last(stack []LastEdit) *LastEdit {
	if len(stack) == 0 {
		return nil
	}
	return &stack[len(stack)-1]
}

// read returns the log with what was written to the journal since; the log itself stays as
// it is, so that a transaction taken back leaves no trace.
func (l log) read(ctx context.Context, q *rows.Queries) (log, error) {
	all, err := q.JournalStack(ctx, int64(l.revision))
	if err != nil {
		return log{}, explain("", err)
	}
	return l.with(all...), nil
}

// with returns the log with further entries of the journal. A new edit clears what could be
// done again.
func (l log) with(all ...rows.JournalStackRow) log {
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
			l.undo, l.redo = append(l.undo, LastEdit{l.revision, r.Edit, r.Words, r.Command == turnsYear}), nil
		}
	}
	return l
}
