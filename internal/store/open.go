// Package store keeps one household in one SQLite file. Everything that changes
// goes through a named command, written to an append-only journal in the same
// transaction; undo and redo walk that journal.
package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"net/url"
	"strings"
	"sync"

	"github.com/pressly/goose/v3"
	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"

	"inventory/internal/store/gen/rows"
)

//go:embed migrations/*.sql
var migrations embed.FS

// applicationID marks a database file as Inventory's ("INVT").
const applicationID = 0x494e5654

// Store is an open household database. Its methods may be called from several
// goroutines; edits go one after another.
type Store struct {
	db *sql.DB
	q  *rows.Queries

	edits sync.Mutex // one edit at a time, and the log below
	log   log        // the journal as far as it has been read
}

// Open opens a household file, making it where there is none, and brings its
// tables up to date. It refuses a file that is no database, one of another
// application, and one of a newer version of Inventory.
func Open(ctx context.Context, file string) (*Store, error) {
	dsn := (&url.URL{Scheme: "file", Opaque: escapePath(file)}).String() +
		"?_pragma=busy_timeout(5000)&_pragma=journal_mode(wal)&_pragma=foreign_keys(1)&_pragma=synchronous(full)&_txlock=immediate"
	db, err := sql.Open("sqlite", dsn)
	if err != nil {
		return nil, explain(file, err)
	}
	db.SetMaxOpenConns(1) // one file, one writer; reads take well under a millisecond
	s := &Store{db: db, q: rows.New(db)}
	if err := s.prepare(ctx, file); err != nil {
		return nil, errors.Join(err, db.Close())
	}
	return s, nil
}

// escapePath keeps the characters of a path that a URI would take as its own.
func escapePath(file string) string {
	return strings.NewReplacer("%", "%25", "?", "%3f", "#", "%23").Replace(file)
}

func (s *Store) prepare(ctx context.Context, file string) error {
	var id, tables int
	if err := s.db.QueryRowContext(ctx, "PRAGMA application_id").Scan(&id); err != nil {
		return explain(file, err)
	}
	if err := s.db.QueryRowContext(ctx, "SELECT count(*) FROM sqlite_master").Scan(&tables); err != nil {
		return explain(file, err)
	}
	if id != applicationID {
		if tables > 0 {
			return fmt.Errorf("%s is a database of another application; name a new file or an Inventory one", file)
		}
		if _, err := s.db.ExecContext(ctx, fmt.Sprintf("PRAGMA application_id = %d", applicationID)); err != nil {
			return explain(file, err)
		}
	}
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectSQLite3, s.db, sub)
	if err != nil {
		return err
	}
	have, err := p.GetDBVersion(ctx)
	if err != nil {
		return explain(file, err)
	}
	if all := p.ListSources(); have > all[len(all)-1].Version {
		return fmt.Errorf("%s was written by a newer version of Inventory (its tables are version %d, this one knows %d)", file, have, all[len(all)-1].Version)
	}
	if _, err := p.Up(ctx); err != nil {
		return explain(file, err)
	}
	return nil
}

// Close closes the file.
func (s *Store) Close() error { return s.db.Close() }

// ErrFull is returned where the disk has no room; nothing was changed then.
var ErrFull = errors.New("the disk is full; nothing was changed")

// explain says an error of the database in plain words.
func explain(file string, err error) error {
	var e *sqlite.Error
	if errors.As(err, &e) {
		switch e.Code() & 0xff {
		case sqlite3.SQLITE_NOTADB:
			return fmt.Errorf("%s is not a database; name a new file or an Inventory one", file)
		case sqlite3.SQLITE_CANTOPEN:
			return fmt.Errorf("%s cannot be opened; is its folder there, and may it be written?", file)
		case sqlite3.SQLITE_READONLY:
			return fmt.Errorf("%s may not be written", file)
		case sqlite3.SQLITE_FULL:
			return ErrFull
		case sqlite3.SQLITE_CORRUPT:
			return fmt.Errorf("%s is damaged; put back a copy of it", file)
		}
	}
	if file == "" {
		return err
	}
	return fmt.Errorf("%s: %w", file, err)
}
