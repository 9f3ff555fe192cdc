package store

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"syscall"
	"time"
)

// A household's file is written through a log that lies beside it (SQLite's
// write-ahead log). Until the log is folded into the file, the file alone is not
// the household: whoever copies it with a file manager leaves the newest edits
// behind. So the log is folded in after everything large and whenever no edit has
// come for a while.

// usualIdle is how long no edit must have come before the log is folded in.
const usualIdle = time.Second

// Settle folds the log into the file, so that the file alone holds everything.
func (s *Store) Settle(ctx context.Context) error {
	s.edits.Lock()
	defer s.edits.Unlock()
	return s.settle(ctx)
}

func (s *Store) settle(ctx context.Context) error {
	// Another program that reads the file may hold the log; then it is folded in
	// later, after the next edit or when the file is closed.
	_, err := s.db.ExecContext(ctx, "PRAGMA wal_checkpoint(TRUNCATE)")
	return explain(s.file, err)
}

// settleSoon folds the log in once no edit has come for a while.
func (s *Store) settleSoon() {
	if s.idle != nil {
		s.idle.Stop()
	}
	s.idle = time.AfterFunc(s.idleAfter, func() {
		err := s.Settle(context.Background())
		if s.settled != nil {
			s.settled(err)
		}
	})
}

// large tells the commands that write much at once; the log is folded in after
// them without a wait.
func large(command string) bool {
	switch command {
	case "begin", "add-lots", "set-weather", "add-beds":
		return true
	}
	return false
}

// CopyTo writes a copy of the household as it stands into a new file, which is
// whole and needs no other file beside it. It may be called while the household
// is edited. A file that is there already is refused.
func (s *Store) CopyTo(ctx context.Context, out string) error {
	s.edits.Lock()
	defer s.edits.Unlock()
	return s.copyTo(ctx, out)
}

func (s *Store) copyTo(ctx context.Context, out string) (err error) {
	if err := create(out); err != nil {
		return err
	}
	defer func() {
		if err != nil {
			err = errors.Join(err, os.Remove(out)) // half a copy is none
		}
	}()
	if _, err := s.db.ExecContext(ctx, "VACUUM INTO ?", out); err != nil {
		return explain(out, err)
	}
	return OnDisk(out)
}

// create makes an empty file that its owner alone may read and write.
func create(file string) error {
	f, err := os.OpenFile(file, os.O_CREATE|os.O_EXCL|os.O_WRONLY, 0o600)
	switch {
	case errors.Is(err, fs.ErrExist):
		return fmt.Errorf("%s is there already; name a file that is not", file)
	case errors.Is(err, fs.ErrNotExist):
		return fmt.Errorf("the folder %s is not there", filepath.Dir(file))
	case errors.Is(err, fs.ErrPermission):
		return fmt.Errorf("the folder %s may not be written to", filepath.Dir(file))
	case err != nil:
		return err
	}
	return f.Close()
}

// CopyFile writes a copy of a household file, of this version or an older one, into
// a new file, and changes nothing of the first.
func CopyFile(ctx context.Context, from, out string) error {
	options := "mode=ro&_pragma=busy_timeout(5000)"
	if _, err := os.Stat(from + "-wal"); errors.Is(err, fs.ErrNotExist) {
		options += "&immutable=1" // nobody has it open: it can be read where nothing may be written
	}
	db, err := connect(from, options)
	if err != nil {
		return explain(from, err)
	}
	s := &Store{db: db, file: from}
	id, err := s.number(ctx, "PRAGMA application_id")
	if err == nil && id != applicationID {
		err = fmt.Errorf("%s is not a household's file of Inventory", from)
	}
	if err == nil {
		err = s.copyTo(ctx, out)
	}
	return errors.Join(err, db.Close())
}

// OnDisk waits until a file and its name are on the disk.
func OnDisk(file string) error {
	for _, name := range []string{file, filepath.Dir(file)} {
		f, err := os.Open(name)
		if err != nil {
			return err
		}
		if err := errors.Join(f.Sync(), f.Close()); err != nil {
			return err
		}
	}
	return nil
}

// ready makes sure that a household's file is there, may be written, and is
// readable by its owner alone, whoever made it. Where its owner has let others in
// and this user may not change that, it stays so.
func ready(file string) error {
	info, err := os.Stat(file)
	switch {
	case errors.Is(err, fs.ErrNotExist):
		return create(file)
	case err != nil || !info.Mode().IsRegular():
		return nil // the database says what is wrong
	}
	f, err := os.OpenFile(file, os.O_RDWR, 0)
	if errors.Is(err, fs.ErrPermission) || errors.Is(err, syscall.EROFS) {
		return &Unusable{File: file, Why: "may not be written; give yourself leave to write it, or name another file"}
	} else if err == nil {
		err = f.Close()
	}
	if err != nil || info.Mode().Perm()&0o077 == 0 {
		return err
	}
	for _, name := range []string{file, file + "-wal", file + "-shm"} {
		_ = os.Chmod(name, 0o600) // a disk that knows no owners, such as a stick, keeps it as it was
	}
	return nil
}

// copyBefore keeps a copy of a file whose tables are about to be brought up to
// date, beside it. A copy of the same version that is there already stays: it was
// made before an attempt that did not end.
func (s *Store) copyBefore(ctx context.Context, version int64) error {
	out := fmt.Sprintf("%s.version-%d", s.file, version)
	if _, err := os.Stat(out); err == nil {
		return nil
	}
	if err := s.copyTo(ctx, out); err != nil {
		return fmt.Errorf("%s is of an older version; before it is brought up to date a copy is kept, and that failed: %w", s.file, err)
	}
	return nil
}
