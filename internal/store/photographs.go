package store

import (
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/hex"
	"errors"
	"slices"
	"time"

	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/store/gen/rows"
)

// Photograph is a photograph as it is kept: both are JPEG.
type Photograph struct {
	Body  []byte // as large as it is shown
	Small []byte // for lists
}

// ErrNoPhotograph is returned where no photograph of an id is kept.
var ErrNoPhotograph = errors.New("this photograph is not kept here")

// unusedDays is how long a photograph is kept that no entry names, so that the removal of an entry
// can be undone.
const unusedDays = 60

// PhotographID returns the id of a photograph, which is made of what it holds.
func PhotographID(body []byte) string {
	sum := sha256.Sum256(body)
	return "p" + hex.EncodeToString(sum[:])[:20]
}

// AddPhotograph keeps a photograph and returns its id, which is made of what it holds. It belongs
// to no entry yet: an entry that is recorded names it.
func (s *Store) AddPhotograph(ctx context.Context, p Photograph) (string, error) {
	id := PhotographID(p.Body)
	s.edits.Lock()
	defer s.edits.Unlock()
	err := s.q.AddPhotograph(ctx, rows.AddPhotographParams{ID: id, Sent: time.Now().UTC().Format(time.DateOnly), Body: p.Body, Small: p.Small})
	if err == nil {
		s.settleSoon()
	}
	return id, explain(s.file, err)
}

// Photograph returns a photograph, as it is shown or small; ErrNoPhotograph where there is none.
func (s *Store) Photograph(ctx context.Context, id string, small bool) (body []byte, err error) {
	if small {
		body, err = s.q.GetSmallPhotograph(ctx, id)
	} else {
		body, err = s.q.GetPhotograph(ctx, id)
	}
	if errors.Is(err, sql.ErrNoRows) {
		return nil, ErrNoPhotograph
	}
	return body, explain(s.file, err)
}

// Photographs lists the ids of all photographs.
func (s *Store) Photographs(ctx context.Context) ([]string, error) {
	ids, err := s.q.ListPhotographs(ctx)
	return ids, explain(s.file, err)
}

// forgetUnused removes photographs that no entry has named for long.
func (s *Store) forgetUnused(ctx context.Context) error {
	return s.q.RemoveUnusedPhotographs(ctx, time.Now().UTC().AddDate(0, 0, -unusedDays).Format(time.DateOnly))
}

// photographed looks whether the photographs of an entry that are new to it were sent.
func (d *drafter) photographed(e, was *record.Entry) error {
	for _, id := range e.Photos {
		if was != nil && slices.Contains(was.Photos, id) {
			continue
		}
		if there, err := d.photograph(id); err != nil {
			return err
		} else if !there {
			return &invalid.Field{Field: "photos", Value: id, Allowed: "Choose the photograph again. It was not sent yet."}
		}
	}
	return nil
}

// isKept reports whether a photograph is kept.
func isKept(ctx context.Context, q *rows.Queries, id string) (bool, error) {
	_, err := q.GetSmallPhotograph(ctx, id)
	if errors.Is(err, sql.ErrNoRows) {
		return false, nil
	}
	return err == nil, err
}
