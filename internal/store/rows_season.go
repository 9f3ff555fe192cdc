package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/store/gen/rows"
)

var patchKind = listed("patch", "patches", func(h *household.Household) *[]household.Patch { return &h.Patches }, func(p *household.Patch) *string { return &p.ID }, func(e *Edit) *household.Patch { return e.Patch }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListPatches(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			if err := add(r.ID, r.Position, household.Patch{ID: r.ID, Crop: r.Crop, Plants: int(r.Plants), Planted: int(r.Planted)}); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, p household.Patch) error {
		return q.PutPatch(ctx, rows.PutPatchParams{ID: p.ID, Position: at, Crop: p.Crop, Plants: int64(p.Plants), Planted: int64(p.Planted)})
	}),
	by((*rows.Queries).DeletePatch)).called(func(value json.RawMessage, _ *book.Book) string {
	var p household.Patch
	if json.Unmarshal(value, &p) != nil {
		return ""
	}
	return fmt.Sprintf("the patch of %d %s", p.Plants, p.Crop)
})

var measureKind = listed("measure", "measures", func(h *household.Household) *[]household.Measure { return &h.Measures }, func(m *household.Measure) *string { return &m.ID }, func(e *Edit) *household.Measure { return e.Measure }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListMeasures(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			if err := add(r.ID, r.Position, household.Measure{ID: r.ID, Name: r.Name, Food: r.Food, Kg: r.Kg}); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, m household.Measure) error {
		return q.PutMeasure(ctx, rows.PutMeasureParams{ID: m.ID, Position: at, Name: m.Name, Food: m.Food, Kg: m.Kg})
	}),
	by((*rows.Queries).DeleteMeasure)).called(func(value json.RawMessage, _ *book.Book) string {
	var m household.Measure
	if json.Unmarshal(value, &m) != nil {
		return ""
	}
	return "a " + m.Name + " of " + m.Food
})

// documents loads items that are kept as one document each.
func documents[R any](list func(*rows.Queries, context.Context) ([]R, error), of func(R) (id string, position float64, body string)) func(context.Context, *rows.Queries, adder) error {
	return func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := list(q, ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			id, position, body := of(r)
			if err := add(id, position, json.RawMessage(body)); err != nil {
				return err
			}
		}
		return nil
	}
}

var careKind = listed("care-step", "care", func(h *household.Household) *[]book.CareStep { return &h.Care }, func(x *book.CareStep) *string { return &x.ID }, func(e *Edit) *book.CareStep { return e.CareStep }).rowsOf(
	documents((*rows.Queries).ListCareSteps, func(r rows.CareStep) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error {
		return q.PutCareStep(ctx, rows.PutCareStepParams{ID: id, Position: at, Body: string(value)})
	},
	by((*rows.Queries).DeleteCareStep)).called(func(value json.RawMessage, b *book.Book) string {
	var x book.CareStep
	if json.Unmarshal(value, &x) != nil || b.Crop(x.Crop) == nil {
		return ""
	}
	return "“" + x.Do + "” for " + strings.ToLower(b.Crop(x.Crop).Short())
})

var choreKind = listed("chore", "chores", func(h *household.Household) *[]household.Chore { return &h.Chores }, func(x *household.Chore) *string { return &x.ID }, func(e *Edit) *household.Chore { return e.Chore }).rowsOf(
	documents((*rows.Queries).ListChores, func(r rows.Chore) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error {
		return q.PutChore(ctx, rows.PutChoreParams{ID: id, Position: at, Body: string(value)})
	},
	by((*rows.Queries).DeleteChore)).called(func(value json.RawMessage, b *book.Book) string {
	return "the job “" + named(value, b) + "”"
})

var sightingKind = listed("sighting", "sightings", func(h *household.Household) *[]household.Sighting { return &h.Sightings }, func(x *household.Sighting) *string { return &x.ID }, func(e *Edit) *household.Sighting { return e.Sighting }).rowsOf(
	documents((*rows.Queries).ListSightings, func(r rows.Sighting) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error {
		return q.PutSighting(ctx, rows.PutSightingParams{ID: id, Position: at, Body: string(value)})
	},
	by((*rows.Queries).DeleteSighting)).called(func(value json.RawMessage, b *book.Book) string {
	var x household.Sighting
	if json.Unmarshal(value, &x) != nil || b.Crop(x.Crop) == nil {
		return ""
	}
	return "“" + x.Pest + "” on " + strings.ToLower(b.Crop(x.Crop).Short())
})

// A year that has ended is named after itself.
var pastKind = listed("past-year", "past", func(h *household.Household) *[]household.PastYear { return &h.Past }, func(y *household.PastYear) *string { return &y.ID }, func(e *Edit) *household.PastYear { return e.Past }).saidOf().rowsOf(
	documents((*rows.Queries).ListPastYears, func(r rows.PastYear) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error {
		return q.PutPastYear(ctx, rows.PutPastYearParams{ID: id, Position: at, Body: string(value)})
	},
	by((*rows.Queries).DeletePastYear)).called(func(value json.RawMessage, _ *book.Book) string {
	var y household.PastYear
	_ = json.Unmarshal(value, &y) // without a year it is called by its kind
	return "the year " + y.ID
})

// A habit is named after its crop: a household has one for each.
var habitKind = listed("habit", "habits", func(h *household.Household) *[]household.Habit { return &h.Habits }, func(x *household.Habit) *string { return &x.Crop }, func(e *Edit) *household.Habit { return e.Habit }).saidOf().rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListHabits(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			h := household.Habit{Crop: r.Crop, School: season.School(r.School), Method: season.Method(r.Way), DayLength: r.DayLength, Crosses: r.Crosses != 0, InOne: int(r.InOne)}
			if h.NotBefore, err = monthDay(r.NotBefore); err != nil {
				return err
			}
			if h.NotAfter, err = monthDay(r.NotAfter); err != nil {
				return err
			}
			if err := add(r.Crop, r.Position, h); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, h household.Habit) error {
		return q.PutHabit(ctx, rows.PutHabitParams{
			Crop: h.Crop, Position: at, School: string(h.School), Way: string(h.Method),
			NotBefore: h.NotBefore.String(), NotAfter: h.NotAfter.String(), DayLength: h.DayLength, Crosses: integer(h.Crosses), InOne: int64(h.InOne),
		})
	}),
	by((*rows.Queries).DeleteHabit)).called(func(value json.RawMessage, b *book.Book) string {
	var h household.Habit
	if json.Unmarshal(value, &h) != nil || b.Crop(h.Crop) == nil {
		return ""
	}
	return strings.ToLower(b.Crop(h.Crop).Short())
})

var plantingKind = listed("planting", "plantings", func(h *household.Household) *[]record.Planting { return &h.Plantings }, func(p *record.Planting) *string { return &p.ID }, func(e *Edit) *record.Planting { return e.Planting }).rowsOf(
	documents((*rows.Queries).ListPlantings, func(r rows.Planting) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, _ string, value json.RawMessage) error {
		var p record.Planting
		if err := json.Unmarshal(value, &p); err != nil {
			return err
		}
		return q.PutPlanting(ctx, rows.PutPlantingParams{ID: p.ID, Position: at, Crop: p.Crop, Day: p.Day.String(), Body: string(value)})
	},
	by((*rows.Queries).DeletePlanting)).called(func(value json.RawMessage, b *book.Book) string {
	var p record.Planting
	if json.Unmarshal(value, &p) != nil || b.Crop(p.Crop) == nil {
		return ""
	}
	return strings.ToLower(b.Crop(p.Crop).Short()) + " of " + p.Day.Short()
})

var baselineKind = single("agreement", "agreed", func(h *household.Household) **record.Baseline { return &h.Baseline }, func(h *household.Household) bool { return h.Baseline != nil }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.GetAgreement(ctx)
		if err != nil || len(all) == 0 {
			return err
		}
		return add("", 0, json.RawMessage(all[0].Body))
	},
	func(ctx context.Context, q *rows.Queries, _ float64, _ string, value json.RawMessage) error {
		return q.PutAgreement(ctx, string(value))
	},
	without((*rows.Queries).DeleteAgreement))

var weatherKind = single("weather", "weather", func(h *household.Household) *[]place.Day { return &h.Weather }, func(h *household.Household) bool { return len(h.Weather) > 0 }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
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
		return add("", 0, days)
	},
	as(func(ctx context.Context, q *rows.Queries, _ float64, days []place.Day) error {
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
	}),
	without((*rows.Queries).DeleteWeatherDays))

var plotKind = single("plot", "plot", func(h *household.Household) **bed.Plot { return &h.Plot }, func(h *household.Household) bool { return h.Plot != nil }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.GetPlot(ctx)
		if err != nil || len(all) == 0 {
			return err
		}
		return add("", 0, json.RawMessage(all[0].Body))
	},
	func(ctx context.Context, q *rows.Queries, _ float64, _ string, value json.RawMessage) error {
		return q.PutPlot(ctx, string(value))
	},
	without((*rows.Queries).DeletePlot))

var furtherPlotKind = listed("further-plot", "plots", func(h *household.Household) *[]bed.Plot { return &h.Plots }, func(p *bed.Plot) *string { return &p.ID }, func(e *Edit) *bed.Plot { return e.Plot }).rowsOf(
	documents((*rows.Queries).ListFurtherPlots, func(r rows.FurtherPlot) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error {
		return q.PutFurtherPlot(ctx, rows.PutFurtherPlotParams{ID: id, Position: at, Body: string(value)})
	},
	by((*rows.Queries).DeleteFurtherPlot)).called(func(value json.RawMessage, b *book.Book) string {
	return "the plot “" + named(value, b) + "”"
})

var bedKind = listed("bed", "beds", func(h *household.Household) *[]bed.Bed { return &h.Beds }, func(b *bed.Bed) *string { return &b.ID }, func(e *Edit) *bed.Bed { return e.Bed }).rowsOf(
	documents((*rows.Queries).ListBeds, func(r rows.Bed) (string, float64, string) { return r.ID, r.Position, r.Body }),
	func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error {
		return q.PutBed(ctx, rows.PutBedParams{ID: id, Position: at, Body: string(value)})
	},
	by((*rows.Queries).DeleteBed)).called(named)

var customsKind = single("customs", "customs", func(h *household.Household) **bed.Customs { return &h.Customs }, func(h *household.Household) bool { return h.Customs != nil }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.GetCustoms(ctx)
		if err != nil || len(all) == 0 {
			return err
		}
		return add("", 0, json.RawMessage(all[0]))
	},
	func(ctx context.Context, q *rows.Queries, _ float64, _ string, value json.RawMessage) error {
		return q.PutCustoms(ctx, string(value))
	},
	without((*rows.Queries).DeleteCustoms))

var learningKind = single("learning", "learning", func(h *household.Household) **household.Learning { return &h.Learning }, func(h *household.Household) bool { return h.Learning != nil }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.GetLearning(ctx)
		if err != nil || len(all) == 0 {
			return err
		}
		return add("", 0, json.RawMessage(all[0]))
	},
	func(ctx context.Context, q *rows.Queries, _ float64, _ string, value json.RawMessage) error {
		return q.PutLearning(ctx, string(value))
	},
	without((*rows.Queries).DeleteLearning))

// A placement is named after the sowing that it places.
var placementKind = listed("placement", "placements", func(h *household.Household) *[]bed.Placement { return &h.Placements }, func(p *bed.Placement) *string { return &p.Sowing }, func(e *Edit) *bed.Placement { return e.Placement }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListPlacements(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			p := bed.Placement{Sowing: r.Sowing, Bed: r.Bed, At: r.At, Exception: r.Bend != 0, Stands: r.Stands != 0}
			if r.Parts != "" {
				if err := json.Unmarshal([]byte(r.Parts), &p.Parts); err != nil {
					return err
				}
			}
			if err := add(r.Sowing, r.Position, p); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, p bed.Placement) error {
		parts, err := textOf(len(p.Parts) > 0, p.Parts)
		if err != nil {
			return err
		}
		return q.PutPlacement(ctx, rows.PutPlacementParams{Sowing: p.Sowing, Position: at, Bed: p.Bed, At: p.At, Bend: integer(p.Exception), Stands: integer(p.Stands), Parts: parts})
	}),
	by((*rows.Queries).DeletePlacement))
