package app

import (
	"context"

	"inventory/internal/core/civil"
	plain "inventory/internal/core/questions"
)

// Facts returns what plain questions are answered from, and the day of today.
func (a *App) Facts(ctx context.Context) (plain.Facts, civil.Date, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return plain.Facts{}, 0, err
	}
	laid, err := a.layoutOf(now)
	if err != nil {
		return plain.Facts{}, 0, err
	}
	h := now.Snapshot.Household
	return plain.Facts{Plan: &now.Plan, Wishes: now.Input.Household.Wishes, Book: b, Beds: h.Beds, Pieces: laid.Layout.Pieces, Record: now.Snapshot.Record, Year: h.Year}, now.Today, nil
}
