package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/store/gen/rows"
)

// Change is one thing that an edit changed; Before or After is nil where there
// was or is none.
type Change struct {
	Kind   string `json:"kind"`
	ID     string `json:"id"`
	Before *item  `json:"before"`
	After  *item  `json:"after"`
}

// inverse returns the changes that take an edit back.
func inverse(cs []Change) []Change {
	out := make([]Change, len(cs))
	for i, c := range cs {
		out[len(cs)-1-i] = Change{c.Kind, c.ID, c.After, c.Before}
	}
	return out
}

// write makes the rows follow a change.
func write(ctx context.Context, q *rows.Queries, c Change) error {
	if c.After == nil {
		return remove(ctx, q, c)
	}
	if done, err := writeSeason(ctx, q, c); done {
		return err
	}
	v, at := c.After.Value, c.After.Position
	switch c.Kind {
	case kindHousehold:
		return decoded(v, func(s Settings) error {
			return q.PutHousehold(ctx, rows.PutHouseholdParams{Name: s.Name, Year: int64(s.Year), Start: s.Start.String(), Risk: string(s.Risk), School: string(s.School)})
		})
	case kindPlace:
		return decoded(v, func(p place.Place) error { return writePlace(ctx, q, p) })
	case kindMember:
		return decoded(v, func(m household.Member) error { return writeMember(ctx, q, at, m) })
	case kindGuest:
		return decoded(v, func(g household.Guest) error {
			return q.PutGuest(ctx, rows.PutGuestParams{ID: g.ID, Position: at, Name: g.Name, Eaters: g.AdultEquivalents, FromDay: g.From.String(), ToDay: g.To.String()})
		})
	case kindStore:
		return decoded(v, func(s stock.StoragePlace) error {
			return q.PutStore(ctx, rows.PutStoreParams{ID: s.ID, Position: at, Name: s.Name, Temperature: s.Temperature, Damp: integer(s.Damp), RoomKg: s.RoomKg})
		})
	case kindWish:
		return decoded(v, func(w wish.Wish) error { return writeWish(ctx, q, at, w) })
	case kindOverrule:
		return decoded(v, func(o book.Overrule) error {
			return q.PutOverrule(ctx, rows.PutOverruleParams{Subject: o.Subject, Field: o.Field, Position: at, Value: o.Value, Choice: o.Choice, Why: o.Why})
		})
	case kindLot:
		return decoded(v, func(l stock.Lot) error { return writeLot(ctx, q, at, l) })
	case kindPatch:
		return decoded(v, func(p household.Patch) error {
			return q.PutPatch(ctx, rows.PutPatchParams{ID: p.ID, Position: at, Crop: p.Crop, Plants: int64(p.Plants), Planted: int64(p.Planted)})
		})
	case kindOwnCrop:
		return decoded(v, func(o book.OwnCrop) error {
			return q.PutOwnCrop(ctx, rows.PutOwnCropParams{ID: o.ID, Position: at, FromCrop: o.From, Food: o.Food, Name: o.Name})
		})
	case kindOwnPrep:
		return decoded(v, func(o book.OwnPreparation) error {
			crops, err := json.Marshal(o.Crops)
			if err != nil {
				return err
			}
			return q.PutOwnPreparation(ctx, rows.PutOwnPreparationParams{ID: o.ID, Position: at, FromPreparation: o.From, Name: o.Name, Crops: string(crops)})
		})
	}
	return fmt.Errorf("nothing of kind %q is kept", c.Kind)
}

func writeLot(ctx context.Context, q *rows.Queries, at float64, l stock.Lot) error {
	until := ""
	if l.Until != 0 {
		until = l.Until.String()
	}
	return q.PutLot(ctx, rows.PutLotParams{
		ID: l.ID, Position: at, Food: l.Food, Form: l.Form, Preparation: l.Preparation, Count: l.Count, Size: l.Size, Unit: l.Unit,
		PutUp: l.PutUp.String(), KeepsUntil: until, StoreID: l.Store, Note: l.Note,
	})
}

func decoded[T any](value json.RawMessage, then func(T) error) error {
	var t T
	if err := json.Unmarshal(value, &t); err != nil {
		return err
	}
	return then(t)
}

func integer(b bool) int64 {
	if b {
		return 1
	}
	return 0
}

func nullable(v *float64) sql.NullFloat64 {
	if v == nil {
		return sql.NullFloat64{}
	}
	return sql.NullFloat64{Float64: *v, Valid: true}
}

func writePlace(ctx context.Context, q *rows.Queries, p place.Place) error {
	err := q.PutPlace(ctx, rows.PutPlaceParams{
		Name: p.Name, Latitude: p.Latitude, Altitude: p.Altitude, FrostFree: integer(p.FrostFree),
		LastFrost: p.LastFrost.String(), FirstFrost: p.FirstFrost.String(), FrostSpread: p.FrostSpread,
	})
	for m := 0; m < 12 && err == nil; m++ {
		err = q.PutPlaceMonth(ctx, rows.PutPlaceMonthParams{Month: int64(m + 1), MeanMax: p.MeanMax[m], MeanMin: p.MeanMin[m], Rain: p.Rain[m]})
	}
	return err
}

func writeMember(ctx context.Context, q *rows.Queries, at float64, m household.Member) error {
	if err := q.PutMember(ctx, rows.PutMemberParams{ID: m.ID, Position: at, Name: m.Name, Band: string(m.Band), Appetite: nullable(m.Appetite)}); err != nil {
		return err
	}
	if err := q.DeleteMemberAways(ctx, m.ID); err != nil {
		return err
	}
	for i, s := range m.Away {
		if err := q.PutMemberAway(ctx, rows.PutMemberAwayParams{MemberID: m.ID, Position: int64(i), FromDay: s.From.String(), ToDay: s.To.String()}); err != nil {
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

func remove(ctx context.Context, q *rows.Queries, c Change) error {
	if done, err := removeSeason(ctx, q, c); done {
		return err
	}
	switch c.Kind {
	case kindHousehold:
		return q.DeleteHousehold(ctx)
	case kindPlace:
		if err := q.DeletePlaceMonths(ctx); err != nil {
			return err
		}
		return q.DeletePlace(ctx)
	case kindMember:
		return q.DeleteMember(ctx, c.ID)
	case kindGuest:
		return q.DeleteGuest(ctx, c.ID)
	case kindStore:
		return q.DeleteStore(ctx, c.ID)
	case kindWish:
		return q.DeleteWish(ctx, c.ID)
	case kindLot:
		return q.DeleteLot(ctx, c.ID)
	case kindPatch:
		return q.DeletePatch(ctx, c.ID)
	case kindOwnCrop:
		return q.DeleteOwnCrop(ctx, c.ID)
	case kindOwnPrep:
		return q.DeleteOwnPreparation(ctx, c.ID)
	case kindOverrule:
		subject, field, _ := strings.Cut(c.ID, " ")
		return q.DeleteOverrule(ctx, rows.DeleteOverruleParams{Subject: subject, Field: field})
	}
	return fmt.Errorf("nothing of kind %q is kept", c.Kind)
}
