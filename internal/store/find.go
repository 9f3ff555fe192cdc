package store

import (
	"context"
	"database/sql"
	"errors"
	"strings"
	"unicode"

	"inventory/internal/core/civil"
)

// Wanted is one word that is looked for: it is found where a text has a word that begins so, or one
// of the names that stand for it, such as the id of a bed.
type Wanted struct {
	Word string
	IDs  []string
}

// Found is what a search finds, each by its id.
type Found struct {
	Entries   map[string]bool
	Plantings []string
	Lots      []string
}

// mostFound bounds the sowings and lots that a search finds. Of entries all are found, since whoever asks
// may want few of them: the notes among all that is said of carrots.
const mostFound = 2000

// Find looks for entries from one day to another, plantings and lots that have every word.
func (s *Store) Find(ctx context.Context, words []Wanted, from, to civil.Date) (Found, error) {
	out := Found{Entries: map[string]bool{}}
	match := matching(words)
	if match == "" {
		return out, nil
	}
	err := s.each(ctx, func(rows *sql.Rows) error {
		var id string
		if err := rows.Scan(&id); err != nil {
			return err
		}
		out.Entries[id] = true
		return nil
	}, `SELECT entry.id FROM entry_words JOIN entry ON entry.number = entry_words.rowid
		WHERE entry_words MATCH ? AND entry.day BETWEEN ? AND ?`, match, from.String(), to.String())
	if err != nil {
		return out, err
	}
	return out, s.each(ctx, func(rows *sql.Rows) error {
		var kind, id string
		if err := rows.Scan(&kind, &id); err != nil {
			return err
		}
		if kind == lotKind.name {
			out.Lots = append(out.Lots, id)
		} else {
			out.Plantings = append(out.Plantings, id)
		}
		return nil
	}, `SELECT kind, id FROM item_words WHERE item_words MATCH ? ORDER BY id LIMIT ?`, match, mostFound)
}

// each reads the rows of a question. The full-text match is no part of what the queries are
// generated from.
func (s *Store) each(ctx context.Context, take func(*sql.Rows) error, question string, args ...any) (err error) {
	rows, err := s.db.QueryContext(ctx, question, args...)
	if err != nil {
		return explain(s.file, err)
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		if err := take(rows); err != nil {
			return explain(s.file, err)
		}
	}
	return explain(s.file, rows.Err())
}

// matching writes words as a question to the full-text index. What is no letter or digit cannot
// be looked for, and nobody can write a question of their own.
func matching(words []Wanted) string {
	var all []string
	for _, w := range words {
		var any []string
		if p := phrase(w.Word); p != "" {
			any = append(any, p+"*")
		}
		for _, id := range w.IDs {
			if p := phrase(id); p != "" {
				any = append(any, p)
			}
		}
		if len(any) > 0 {
			all = append(all, "("+strings.Join(any, " OR ")+")")
		}
	}
	return strings.Join(all, " AND ")
}

// phrase writes a text as a phrase of the full-text index; empty where no word is in it.
func phrase(text string) string {
	text = strings.Map(func(r rune) rune {
		if r == '"' || r == 0 {
			return ' '
		}
		return r
	}, text)
	if !strings.ContainsFunc(text, func(r rune) bool { return unicode.IsLetter(r) || unicode.IsDigit(r) }) {
		return ""
	}
	return `"` + text + `"`
}
