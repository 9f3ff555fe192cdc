package store

import (
	"context"
	"encoding/json"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/store/gen/rows"
)

var ownCropKind = listed("own-crop", "own_crops", func(h *household.Household) *[]book.OwnCrop { return &h.OwnCrops }, func(o *book.OwnCrop) *string { return &o.ID }, func(e *Edit) *book.OwnCrop { return e.OwnCrop }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListOwnCrops(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			if err := add(r.ID, r.Position, book.OwnCrop{ID: r.ID, From: r.FromCrop, Food: r.Food, Name: r.Name}); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, o book.OwnCrop) error {
		return q.PutOwnCrop(ctx, rows.PutOwnCropParams{ID: o.ID, Position: at, FromCrop: o.From, Food: o.Food, Name: o.Name})
	}),
	by((*rows.Queries).DeleteOwnCrop)).called(named)

var ownPrepKind = listed("own-preparation", "own_preparations", func(h *household.Household) *[]book.OwnPreparation { return &h.OwnPreparations }, func(o *book.OwnPreparation) *string { return &o.ID }, func(e *Edit) *book.OwnPreparation { return e.OwnPreparation }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListOwnPreparations(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			o := book.OwnPreparation{ID: r.ID, From: r.FromPreparation, Name: r.Name}
			if err := json.Unmarshal([]byte(r.Crops), &o.Crops); err != nil {
				return err
			}
			if err := add(r.ID, r.Position, o); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, o book.OwnPreparation) error {
		crops, err := json.Marshal(o.Crops)
		if err != nil {
			return err
		}
		return q.PutOwnPreparation(ctx, rows.PutOwnPreparationParams{ID: o.ID, Position: at, FromPreparation: o.From, Name: o.Name, Crops: string(crops)})
	}),
	by((*rows.Queries).DeleteOwnPreparation)).called(named)

// An overrule is named after what it is about; its id is made of both names.
var overruleKind = overrules()

func overrules() *kind {
	k := listed("overrule", "overrules", func(h *household.Household) *[]book.Overrule { return &h.Overrules }, func(o *book.Overrule) *string {
		id := overruleID(o)
		return &id
	}, func(e *Edit) *book.Overrule { return e.Overrule })
	return k.saidOf().rowsOf(
		func(ctx context.Context, q *rows.Queries, add adder) error {
			all, err := q.ListOverrules(ctx)
			if err != nil {
				return err
			}
			for _, r := range all {
				o := book.Overrule{Subject: r.Subject, Field: r.Field, Value: r.Value, Choice: r.Choice, Why: r.Why}
				if err := add(overruleID(&o), r.Position, o); err != nil {
					return err
				}
			}
			return nil
		},
		as(func(ctx context.Context, q *rows.Queries, at float64, o book.Overrule) error {
			return q.PutOverrule(ctx, rows.PutOverruleParams{Subject: o.Subject, Field: o.Field, Position: at, Value: o.Value, Choice: o.Choice, Why: o.Why})
		}),
		func(ctx context.Context, q *rows.Queries, id string) error {
			subject, field, _ := strings.Cut(id, " ")
			return q.DeleteOverrule(ctx, rows.DeleteOverruleParams{Subject: subject, Field: field})
		}).called(func(value json.RawMessage, _ *book.Book) string {
		var o book.Overrule
		if json.Unmarshal(value, &o) != nil {
			return ""
		}
		_, what, _ := strings.Cut(o.Subject, "/")
		return strings.TrimSpace(strings.ReplaceAll(o.Field, "_", " ") + " " + what)
	})
}

func overruleID(o *book.Overrule) string { return o.Subject + " " + o.Field }
