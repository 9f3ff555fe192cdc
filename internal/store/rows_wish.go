package store

import (
	"context"
	"encoding/json"
	"fmt"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/store/gen/rows"
)

var wishKind = listed("wish", "wishes", func(h *household.Household) *[]wish.Wish { return &h.Wishes }, func(w *wish.Wish) *string { return &w.ID }, func(e *Edit) *wish.Wish { return e.Wish }).rowsOf(loadWishes, as(writeWish), by((*rows.Queries).DeleteWish)).called(func(value json.RawMessage, b *book.Book) string {
	var w wish.Wish
	if json.Unmarshal(value, &w) != nil || w.Food == "" {
		return ""
	}
	return wish.Words(w, b)
})

func loadWishes(ctx context.Context, q *rows.Queries, add adder) error {
	all, err := q.ListWishes(ctx)
	if err != nil {
		return err
	}
	forms, err := q.ListWishForms(ctx)
	if err != nil {
		return err
	}
	pins, err := q.ListWishPins(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		w := wish.Wish{
			ID: r.ID, Food: r.Food, Variety: r.Kind, Preparations: strings.Fields(r.Preparations), Forms: []wish.Form{},
			Amount:   wish.Amount{Kind: wish.AmountKind(r.AmountKind), Number: r.Number, Portion: r.Portion, Jar: r.Jar},
			Season:   wish.Season{Kind: wish.SeasonKind(r.SeasonKind), From: int(r.FromMonth), To: int(r.ToMonth)},
			Priority: wish.Priority(r.Priority), Left: r.LeftOnShelf,
			Stagger: wish.Stagger{Kind: wish.StaggerKind(r.StaggerKind), Days: int(r.StaggerDays), Sowings: int(r.StaggerSowings), Early: r.StaggerEarly != 0},
			Layout:  wish.Layout(r.Layout), Cover: place.Cover(r.Cover), Piece: r.Piece, Note: r.Note,
		}
		for _, part := range []struct {
			text string
			into any
		}{{r.Story, &w.Story}, {r.Whom, &w.For}, {r.AlsoMonths, &w.Season.Also}} {
			if part.text == "" {
				continue
			}
			if err := json.Unmarshal([]byte(part.text), part.into); err != nil {
				return err
			}
		}
		if r.Confidence.Valid {
			w.Confidence = &r.Confidence.Float64
		}
		for _, f := range forms {
			if f.WishID == r.ID {
				w.Forms = append(w.Forms, wish.Form(f.Form))
			}
		}
		for _, p := range pins {
			if p.WishID == r.ID {
				day, err := monthDay(p.Day)
				if err != nil {
					return err
				}
				w.Pins = append(w.Pins, wish.Pin{Day: day, Source: wish.Form(p.Source)})
			}
		}
		if err := add(r.ID, r.Position, w); err != nil {
			return err
		}
	}
	return nil
}

// textOf writes a value as JSON where there is one, else nothing.
func textOf(is bool, v any) (string, error) {
	if !is {
		return "", nil
	}
	text, err := json.Marshal(v)
	return string(text), err
}

func writeWish(ctx context.Context, q *rows.Queries, at float64, w wish.Wish) error {
	w.Fill() // the journal may hold a wish as an older version wrote it
	story, err := textOf(w.Story != nil, w.Story)
	if err != nil {
		return err
	}
	whom, err := textOf(w.For != nil, w.For)
	if err != nil {
		return err
	}
	also, err := textOf(len(w.Season.Also) > 0, w.Season.Also)
	if err != nil {
		return err
	}
	if err := q.PutWish(ctx, rows.PutWishParams{
		ID: w.ID, Position: at, Food: w.Food, Kind: w.Variety, Preparations: strings.Join(w.Preparations, " "),
		AmountKind: string(w.Amount.Kind), Number: w.Amount.Number, Portion: w.Amount.Portion, Jar: w.Amount.Jar,
		SeasonKind: string(w.Season.Kind), FromMonth: int64(w.Season.From), ToMonth: int64(w.Season.To),
		Priority: string(w.Priority), Confidence: nullable(w.Confidence), LeftOnShelf: w.Left,
		StaggerKind: string(w.Stagger.Kind), StaggerDays: int64(w.Stagger.Days), StaggerSowings: int64(w.Stagger.Sowings), StaggerEarly: integer(w.Stagger.Early),
		Layout: string(w.Layout), Cover: string(w.Cover), Piece: w.Piece, Story: story, Note: w.Note, Whom: whom, AlsoMonths: also,
	}); err != nil {
		return err
	}
	if err := q.DeleteWishForms(ctx, w.ID); err != nil {
		return err
	}
	for i, f := range w.Forms {
		if err := q.PutWishForm(ctx, rows.PutWishFormParams{WishID: w.ID, Position: int64(i), Form: string(f)}); err != nil {
			return err
		}
	}
	if err := q.DeleteWishPins(ctx, w.ID); err != nil {
		return err
	}
	for i, p := range w.Pins {
		if err := q.PutWishPin(ctx, rows.PutWishPinParams{WishID: w.ID, Position: int64(i), Day: p.Day.String(), Source: string(p.Source)}); err != nil {
			return err
		}
	}
	return nil
}

var lotKind = listed("lot", "lots", func(h *household.Household) *[]stock.Lot { return &h.Lots }, func(l *stock.Lot) *string { return &l.ID }, func(e *Edit) *stock.Lot { return e.Lot }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListLots(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			l := stock.Lot{ID: r.ID, Food: r.Food, Form: r.Form, Preparation: r.Preparation, Count: r.Count, Size: r.Size, Unit: r.Unit, Store: r.StoreID, Note: r.Note}
			if l.PutUp, err = civil.Parse(r.PutUp); err != nil {
				return err
			}
			if r.KeepsUntil != "" {
				if l.Until, err = civil.Parse(r.KeepsUntil); err != nil {
					return err
				}
			}
			if err := add(r.ID, r.Position, l); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, l stock.Lot) error {
		until := ""
		if l.Until != 0 {
			until = l.Until.String()
		}
		return q.PutLot(ctx, rows.PutLotParams{
			ID: l.ID, Position: at, Food: l.Food, Form: l.Form, Preparation: l.Preparation, Count: l.Count, Size: l.Size, Unit: l.Unit,
			PutUp: l.PutUp.String(), KeepsUntil: until, StoreID: l.Store, Note: l.Note,
		})
	}),
	by((*rows.Queries).DeleteLot)).called(func(value json.RawMessage, _ *book.Book) string {
	var l stock.Lot
	if json.Unmarshal(value, &l) != nil {
		return ""
	}
	return fmt.Sprintf("%s %s %s", invalid.FormatNumber(l.Count), l.Form, l.Food)
})
