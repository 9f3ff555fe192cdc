package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/store/gen/rows"
)

// loadSeason reads what a household has said and done of its season.
func loadSeason(ctx context.Context, q *rows.Queries, s *state) error {
	for _, read := range []func(context.Context, *rows.Queries, *state) error{loadHabits, loadPlantings, loadAgreement, loadWeather} {
		if err := read(ctx, q, s); err != nil {
			return err
		}
	}
	return nil
}

func loadHabits(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListHabits(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		h := household.Habit{Crop: r.Crop, School: season.School(r.School), Method: season.Method(r.Way), DayLength: r.DayLength, Crosses: r.Crosses != 0}
		if h.NotBefore, err = monthDay(r.NotBefore); err != nil {
			return err
		}
		if h.NotAfter, err = monthDay(r.NotAfter); err != nil {
			return err
		}
		if err := s.add(kindHabit, r.Crop, r.Position, h); err != nil {
			return err
		}
	}
	return nil
}

func loadPlantings(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListPlantings(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		if err := s.add(kindPlanting, r.ID, r.Position, json.RawMessage(r.Body)); err != nil {
			return err
		}
	}
	return nil
}

func loadAgreement(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.GetAgreement(ctx)
	if err != nil || len(all) == 0 {
		return err
	}
	return s.add(kindAgreement, "", 0, json.RawMessage(all[0].Body))
}

func loadWeather(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListWeatherDays(ctx)
	if err != nil || len(all) == 0 {
		return err
	}
	days := make([]place.Day, len(all))
	for i, r := range all {
		days[i] = place.Day{Max: r.High, Min: r.Low}
		if days[i].Date, err = civil.Parse(r.Day); err != nil {
			return err
		}
		if r.Rain.Valid {
			days[i].Rain = &r.Rain.Float64
		}
	}
	return s.add(kindWeather, "", 0, days)
}

// writeSeason makes the rows follow a change of the season or the ground; it tells
// whether the change was one of them.
func writeSeason(ctx context.Context, q *rows.Queries, c Change) (bool, error) {
	v, at := c.After.Value, c.After.Position
	switch c.Kind {
	case kindHabit:
		return true, decoded(v, func(h household.Habit) error {
			return q.PutHabit(ctx, rows.PutHabitParams{
				Crop: h.Crop, Position: at, School: string(h.School), Way: string(h.Method),
				NotBefore: h.NotBefore.String(), NotAfter: h.NotAfter.String(), DayLength: h.DayLength, Crosses: integer(h.Crosses),
			})
		})
	case kindPlanting:
		return true, decoded(v, func(p record.Planting) error {
			return q.PutPlanting(ctx, rows.PutPlantingParams{ID: p.ID, Position: at, Crop: p.Crop, Day: p.Day.String(), Body: string(v)})
		})
	case kindAgreement:
		return true, q.PutAgreement(ctx, string(v))
	case kindPlot:
		return true, q.PutPlot(ctx, string(v))
	case kindPlacement:
		return true, decoded(v, func(p bed.Placement) error {
			return putPlacement(ctx, q, at, p)
		})
	case kindCustoms:
		return true, q.PutCustoms(ctx, string(v))
	case kindBed:
		return true, q.PutBed(ctx, rows.PutBedParams{ID: c.ID, Position: at, Body: string(v)})
	case kindWeather:
		return true, decoded(v, func(days []place.Day) error {
			if err := q.DeleteWeatherDays(ctx); err != nil {
				return err
			}
			for _, d := range days {
				rain := sql.NullFloat64{}
				if d.Rain != nil {
					rain = sql.NullFloat64{Float64: *d.Rain, Valid: true}
				}
				if err := q.PutWeatherDay(ctx, rows.PutWeatherDayParams{Day: d.Date.String(), High: d.Max, Low: d.Min, Rain: rain}); err != nil {
					return err
				}
			}
			return nil
		})
	}
	return false, nil
}

// removeSeason does the same for what is gone.
func removeSeason(ctx context.Context, q *rows.Queries, c Change) (bool, error) {
	switch c.Kind {
	case kindHabit:
		return true, q.DeleteHabit(ctx, c.ID)
	case kindPlanting:
		return true, q.DeletePlanting(ctx, c.ID)
	case kindAgreement:
		return true, q.DeleteAgreement(ctx)
	case kindPlot:
		return true, q.DeletePlot(ctx)
	case kindPlacement:
		return true, q.DeletePlacement(ctx, c.ID)
	case kindBed:
		return true, q.DeleteBed(ctx, c.ID)
	case kindCustoms:
		return true, q.DeleteCustoms(ctx)
	case kindWeather:
		return true, q.DeleteWeatherDays(ctx)
	}
	return false, nil
}

// seasonEdit makes the changes of an edit of the season; it tells whether the
// edit was one.
func (d *drafter) seasonEdit(e *Edit) (bool, error) {
	switch e.Command {
	case "set-habit":
		if e.Habit == nil {
			return true, missing("habit")
		}
		if _, there := d.state.items[key{kindHabit, e.Habit.Crop}]; e.Habit.Empty() {
			if !there {
				return true, nil
			}
			return true, d.drop(kindHabit, e.Habit.Crop)
		}
		err := d.set(kindHabit, e.Habit.Crop, 0, e.Habit)
		d.words = "changed how " + d.name(d.about) + " is grown"
		return true, err
	case "put-planting":
		if e.Planting == nil || e.Planting.ID == "" {
			return true, missing("planting")
		}
		err := d.set(kindPlanting, e.Planting.ID, 0, e.Planting)
		if err == nil && e.Placement != nil { // it stands where it was to stand
			err = d.set(kindPlacement, e.Placement.Sowing, 0, e.Placement)
			d.about = key{kindPlanting, e.Planting.ID}
		}
		if d.words = e.Words; d.words == "" {
			d.words = "set " + d.name(d.about)
		}
		return true, err
	case "remove-planting":
		err := d.drop(kindPlanting, e.Target)
		if err == nil {
			d.words = "let go again: " + d.words[len("removed "):]
		}
		return true, err
	case "agree":
		if e.Agreement == nil {
			return true, missing("agreement")
		}
		d.words = "agreed to the plan"
		return true, d.set(kindAgreement, "", 0, e.Agreement)
	case "disagree":
		err := d.drop(kindAgreement, "")
		d.words = "took back the agreement"
		return true, err
	case "set-weather":
		return true, d.weather(e)
	case "put-placement":
		return true, d.place(e)
	case "remove-placement":
		err := d.drop(kindPlacement, e.Target)
		if d.words = e.Words; d.words == "" {
			d.words = "let a sowing find its own bed again"
		}
		return true, err
	case "add-beds":
		return true, d.addBeds(e.Plot, e.Beds)
	case "change-beds":
		return true, d.changeBeds(e.Beds)
	case "divide-bed":
		return true, d.divideBed(e.Target, e.Parts)
	case "set-customs":
		if e.Customs == nil {
			return true, missing("customs")
		}
		e.Customs.Number()
		d.words = "changed how the ground is kept"
		return true, d.set(kindCustoms, "", 0, e.Customs)
	}
	return false, nil
}

// weather keeps the days of weather that have been, with the place where that
// changed too.
func (d *drafter) weather(e *Edit) error {
	if e.Place != nil {
		if err := d.set(kindPlace, "", 0, e.Place); err != nil {
			return err
		}
	}
	k := key{Kind: kindWeather}
	if _, there := d.state.items[k]; len(e.Weather) == 0 && there {
		if err := d.drop(kindWeather, ""); err != nil {
			return err
		}
		d.words = "forgot the weather that has been"
	} else if len(e.Weather) > 0 {
		if err := d.set(kindWeather, "", 0, e.Weather); err != nil {
			return err
		}
		d.words = "took in the weather that has been"
	}
	if e.Place != nil {
		d.words = strings.TrimSuffix("changed the place and "+d.words, " and ")
		d.about = key{Kind: kindPlace}
	}
	return nil
}
