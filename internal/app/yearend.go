package app

import (
	"context"

	"inventory/internal/core/yearend"
)

// YearEnd holds the year against its wishes, food by food, and proposes those of the next.
func (a *App) YearEnd(ctx context.Context) ([]yearend.Food, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	fed := map[string]int{}
	if len(now.Input.Household.Beds) > 0 {
		laid, err := a.layoutOf(now)
		if err != nil {
			return nil, err
		}
		if laid.Fed != nil {
			for _, w := range laid.Fed.Wishes { // what has no room feeds nobody
				fed[w.Wish] = w.WeeksFed
			}
		}
	}
	return yearend.Look(yearend.Now{Fed: fed, Input: now.Input, Plan: now.Plan, Learned: now.Learned, Record: now.Snapshot.Record, Lots: now.Snapshot.Known.Lots})
}

// Years puts the years that were recorded side by side.
func (a *App) Years(ctx context.Context) (yearend.Years, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return yearend.Years{}, err
	}
	return yearend.SideBySide(now.Input, now.Snapshot.Record)
}
