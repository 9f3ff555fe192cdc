// Package app is the application: one function a use case, over the store and the
// core. What the browser and the command line both do stands here.
package app

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/store"
)

// Proof says what a household's file was found to hold when it was opened and
// planned again.
type Proof struct {
	Name     string // of the household
	Revision int
	Wishes   int
	Unknown  int // entries that the crop book does not know; they are kept and not planned
}

// Backup writes a copy of a household into a new file, opens the copy and plans it
// again. It may run while the household is edited. The file has its name only once
// it has stood that test; before, and where it fails, there is no file of that name.
func Backup(ctx context.Context, st *store.Store, out string, asOf civil.Date) (Proof, error) {
	return proven(ctx, out, asOf, st.CopyTo)
}

// Restore writes the household of a backup into a new file, in the same way. The
// backup itself is not changed, whatever version wrote it.
func Restore(ctx context.Context, backup, out string, asOf civil.Date) (Proof, error) {
	if _, err := os.Stat(backup); err != nil {
		return Proof{}, fmt.Errorf("there is no file %s", backup)
	}
	return proven(ctx, out, asOf, func(ctx context.Context, part string) error { return store.CopyFile(ctx, backup, part) })
}

// proven lets a copy be written beside the file it is to become, looks whether it
// holds a household, and gives it its name.
func proven(ctx context.Context, out string, asOf civil.Date, write func(context.Context, string) error) (p Proof, err error) {
	if _, err := os.Stat(out); err == nil {
		return p, fmt.Errorf("%s is there already; name a file that is not", out)
	} else if !errors.Is(err, fs.ErrNotExist) {
		return p, err
	}
	part := out + ".part"
	_ = os.Remove(part) // of an attempt that did not end
	defer func() {
		for _, end := range []string{"", "-wal", "-shm"} {
			_ = os.Remove(part + end)
		}
	}()
	if err := write(ctx, part); err != nil {
		return p, err
	}
	if p, err = look(ctx, part, asOf); err != nil {
		return p, fmt.Errorf("the copy was written, but it does not hold what it should: %w", err)
	}
	if err := os.Rename(part, out); err != nil {
		return p, err
	}
	return p, store.OnDisk(out)
}

// look opens a household's file, plans it, and closes it.
func look(ctx context.Context, file string, asOf civil.Date) (p Proof, err error) {
	st, err := store.OpenThere(ctx, file)
	if err != nil {
		return p, err
	}
	defer func() { err = errors.Join(err, st.Close()) }()
	snap, err := st.Load(ctx)
	if err != nil {
		return p, err
	}
	if snap.Household == nil {
		return p, errors.New("it holds no household yet")
	}
	made, err := plan.Compute(plan.Input{AsOf: asOf, Household: *snap.Household})
	if err != nil {
		return p, err
	}
	return Proof{Name: snap.Household.Name, Revision: snap.Revision, Wishes: len(snap.Household.Wishes), Unknown: len(made.Unknown)}, nil
}

// Begin puts a household into a file that has none yet.
func Begin(ctx context.Context, st *store.Store, client, id string, h household.Household) (store.Snapshot, error) {
	snap, err := st.Load(ctx)
	if err != nil {
		return snap, err
	}
	if snap.Household != nil {
		return snap, fmt.Errorf("%s has a household already, %s; name a file that is not there", st.File(), snap.Household.Name)
	}
	return st.Apply(ctx, store.Edit{Client: client, ID: id, Command: "begin", Household: &h})
}
