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
	"os"
	"strings"
	"sync"
	"time"

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
	db   *sql.DB
	q    *rows.Queries
	file string

	edits sync.Mutex // one edit at a time, and the household below
	now   *loaded    // the household as it was last read or made; nil: not yet

	idle      *time.Timer   // runs from the last edit; then the log is folded into the file
	idleAfter time.Duration // how long it runs
	settled   func(error)   // told after it has been folded in; nil: nobody asks
}

// Open opens a household file, making it where there is none, and brings its
// tables up to date. It refuses a file that is no database, one of another
// application, and one of a newer version of Inventory.
func Open(ctx context.Context, file string) (*Store, error) {
	if err := ready(file); err != nil {
		return nil, err
	}
	db, err := connect(file, "_pragma=busy_timeout(5000)&_pragma=journal_mode(wal)&_pragma=foreign_keys(1)&_pragma=synchronous(full)&_txlock=immediate")
	if err != nil {
		return nil, explain(file, err)
	}
	s := &Store{db: db, file: file, idleAfter: usualIdle}
	if err := s.prepare(ctx, file); err != nil {
		return nil, errors.Join(err, db.Close())
	}
	if s.q, err = rows.Prepare(ctx, db); err != nil {
		return nil, errors.Join(explain(file, err), db.Close())
	}
	_ = s.forgetUnused(ctx) // a file that may only be read keeps them
	return s, nil
}

// connect opens a file with one connection: one file, one writer; reads take well
// under a millisecond.
func connect(file, options string) (*sql.DB, error) {
	db, err := sql.Open("sqlite", (&url.URL{Scheme: "file", Opaque: escapePath(file)}).String()+"?"+options)
	if err == nil {
		db.SetMaxOpenConns(1)
	}
	return db, err
}

// number reads one number.
func (s *Store) number(ctx context.Context, query string) (n int, err error) {
	err = explain(s.file, s.db.QueryRowContext(ctx, query).Scan(&n))
	return n, err
}

// File returns the name of the file.
func (s *Store) File() string { return s.file }

// escapePath keeps the characters of a path that a URI would take as its own.
func escapePath(file string) string {
	return strings.NewReplacer("%", "%25", "?", "%3f", "#", "%23").Replace(file)
}

func (s *Store) prepare(ctx context.Context, file string) error {
	id, err := s.number(ctx, "PRAGMA application_id")
	if err != nil {
		return err
	}
	tables, err := s.number(ctx, "SELECT count(*) FROM sqlite_master")
	if err != nil {
		return err
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
	newest := p.ListSources()[len(p.ListSources())-1].Version
	if have == newest {
		return nil
	}
	if have > 0 {
		if err := s.copyBefore(ctx, have); err != nil {
			return err
		}
	}
	if _, err := p.Up(ctx); err != nil {
		return explain(file, err)
	}
	return nil
}

// OpenThere opens a household file that must be there.
func OpenThere(ctx context.Context, file string) (*Store, error) {
	if _, err := os.Stat(file); errors.Is(err, fs.ErrNotExist) {
		return nil, fmt.Errorf("there is no file %s", file)
	}
	return Open(ctx, file)
}

// Close folds the log into the file and closes it.
func (s *Store) Close() error {
	s.edits.Lock()
	if s.idle != nil {
		s.idle.Stop()
	}
	s.edits.Unlock()
	return errors.Join(s.q.Close(), s.db.Close()) // SQLite folds the log in when the last connection goes
}

// ErrFull is returned where the disk has no room; your change was not saved then.
var ErrFull = errors.New("the disk is full; your change was not saved")

// Unusable is returned where the household's file cannot be read or written;
// nothing was changed then.
type Unusable struct {
	File string
	Why  string // what follows the file's name in a sentence
	Busy bool   // another program holds it: trying again may help
}

// Error says which file it is and what is wrong with it.
func (u *Unusable) Error() string { return u.File + " " + u.Why }

// explain says an error of the database in plain words. An error of the system or
// of the disk is an *Unusable or ErrFull; others stay as they are.
func explain(file string, err error) error {
	var e *sqlite.Error
	if !errors.As(err, &e) {
		return err
	}
	if file == "" {
		file = "the household's file"
	}
	unusable := func(why string) error { return &Unusable{File: file, Why: why} }
	switch e.Code() & 0xff {
	case sqlite3.SQLITE_FULL:
		return ErrFull
	case sqlite3.SQLITE_NOTADB:
		return unusable("is not a database; name a new file or an Inventory one")
	case sqlite3.SQLITE_CANTOPEN:
		return unusable("cannot be opened; is its folder there, and may it be written?")
	case sqlite3.SQLITE_READONLY:
		if e.Code() == sqlite3.SQLITE_READONLY_DBMOVED {
			return unusable("was moved or removed while it was open; end Inventory, put the file back and start again")
		}
		return unusable("may not be written; your change was not saved")
	case sqlite3.SQLITE_PERM, sqlite3.SQLITE_AUTH:
		return unusable("may not be written; your change was not saved")
	case sqlite3.SQLITE_IOERR:
		return unusable("could not be read or written; is the disk full, or has it gone away?")
	case sqlite3.SQLITE_CORRUPT:
		return unusable("is damaged; restore a backup")
	case sqlite3.SQLITE_BUSY, sqlite3.SQLITE_LOCKED:
		return &Unusable{File: file, Why: "is in use by another program; your change was not saved. Try again", Busy: true}
	}
	return fmt.Errorf("%s: %w", file, err)
}
