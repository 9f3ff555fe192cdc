package store

import (
	"context"
	"encoding/json"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
)

// YearBefore returns the household as it stood when the last table year was ended, by going
// the journal back; nil where no year was ended in this file.
func (s *Store) YearBefore(ctx context.Context) (*household.Household, error) {
	s.edits.Lock()
	defer s.edits.Unlock()
	now, err := s.current(ctx, s.q)
	if err != nil {
		return nil, err
	}
	turned := now.log.turned()
	if turned == 0 {
		return nil, nil
	}
	since, err := s.q.JournalSince(ctx, int64(turned-1))
	if err != nil {
		return nil, explain("", err)
	}
	st := now.state
	for i := len(since) - 1; i >= 0; i-- {
		var cs []Change
		if err := json.Unmarshal([]byte(since[i].Changes), &cs); err != nil {
			return nil, err
		}
		if st, err = st.with(inverse(cs)); err != nil {
			return nil, err
		}
	}
	h, err := st.household()
	if err != nil || h == nil {
		return nil, err
	}
	known, _, err := h.Fitting(book.Usual())
	return &known, err
}
