package main

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"

	"inventory/internal/exchange"
	"inventory/internal/store"
)

// leavePhotographs writes all photographs of a household into a new folder, each named by its id.
func leavePhotographs(ctx context.Context, st *store.Store, folder string) error {
	if err := os.Mkdir(folder, 0o700); errors.Is(err, os.ErrExist) {
		return fmt.Errorf("%s is there already; name a folder that is not", folder)
	} else if err != nil {
		return err
	}
	ids, err := st.Photographs(ctx)
	if err != nil {
		return err
	}
	for _, id := range ids {
		body, err := st.Photograph(ctx, id, false)
		if err != nil {
			return err
		}
		if err := os.WriteFile(filepath.Join(folder, id+".jpg"), body, 0o600); err != nil {
			return err
		}
	}
	return nil
}

// takePhotographs takes the photographs of a folder in; without a folder none. They keep the ids
// that they are named by.
func takePhotographs(ctx context.Context, st *store.Store, folder string) error {
	if folder == "" {
		return nil
	}
	files, err := filepath.Glob(filepath.Join(folder, "*.jpg"))
	if err != nil {
		return err
	}
	if len(files) == 0 {
		return fmt.Errorf("%s has no photographs (.jpg)", folder)
	}
	for _, file := range files {
		body, err := os.ReadFile(file)
		if err != nil {
			return err
		}
		_, small, err := exchange.ReadPhotograph(bytes.NewReader(body))
		if err != nil {
			return fmt.Errorf("%s: %w", file, err)
		}
		// As it was exported: written anew it would be another, with another id.
		if store.PhotographID(body)+".jpg" != filepath.Base(file) {
			return fmt.Errorf("%s is no photograph that Inventory exported: its name does not fit what it holds", file)
		}
		if _, err := st.AddPhotograph(ctx, store.Photograph{Body: body, Small: small}); err != nil {
			return err
		}
	}
	return nil
}
