package store

import (
	"context"
	"database/sql"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/store/gen/rows"
)

// Settings are the household's own fields, its lists and its place aside.
type Settings struct {
	Name  string         `json:"name"`
	Year  int            `json:"year"`
	Start civil.MonthDay `json:"start"`
	Risk  season.Risk    `json:"risk"`

	School season.School `json:"school,omitempty"`
	Since  civil.Date    `json:"since,omitzero"`  // kept as it is by set-household
	Scale  string        `json:"scale,omitempty"` // where the kitchen scale answers; kept as it is by set-household
}

var householdKind = (&kind{
	name: "household",
	put: func(h *household.Household, it item) error {
		s, err := read[Settings](it)
		h.Name, h.Year, h.Start, h.Risk, h.School, h.Since, h.Scale = s.Name, s.Year, s.Start, s.Risk, s.School, s.Since, s.Scale
		return err
	},
	ids: func(*household.Household) []string { return nil },
	each: func(h *household.Household, tell func(*string, any) error) error {
		none := ""
		return tell(&none, Settings{h.Name, h.Year, h.Start, h.Risk, h.School, h.Since, h.Scale})
	},
	ofEdit: func(*Edit) (*string, any) { return nil, nil },
}).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.GetHousehold(ctx)
		if err != nil || len(all) == 0 {
			return err
		}
		h := all[0]
		start, err := monthDay(h.Start)
		if err != nil {
			return err
		}
		var since civil.Date
		if h.Since != "" {
			if since, err = civil.Parse(h.Since); err != nil {
				return err
			}
		}
		return add("", 0, Settings{h.Name, int(h.Year), start, season.Risk(h.Risk), season.School(h.School), since, h.Scale})
	},
	as(func(ctx context.Context, q *rows.Queries, _ float64, s Settings) error {
		since := ""
		if s.Since != 0 {
			since = s.Since.String()
		}
		return q.PutHousehold(ctx, rows.PutHouseholdParams{Name: s.Name, Year: int64(s.Year), Start: s.Start.String(), Risk: string(s.Risk), School: string(s.School), Since: since, Scale: s.Scale})
	}),
	without((*rows.Queries).DeleteHousehold))

var placeKind = single("place", "place", func(h *household.Household) *place.Place { return &h.Place }, func(*household.Household) bool { return true }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.GetPlace(ctx)
		if err != nil || len(all) == 0 {
			return err
		}
		r := all[0]
		p := place.Place{Name: r.Name, Latitude: r.Latitude, Altitude: r.Altitude, FrostFree: r.FrostFree != 0, FrostSpread: r.FrostSpread}
		if p.LastFrost, err = monthDay(r.LastFrost); err != nil {
			return err
		}
		if p.FirstFrost, err = monthDay(r.FirstFrost); err != nil {
			return err
		}
		months, err := q.ListPlaceMonths(ctx)
		if err != nil {
			return err
		}
		for _, m := range months {
			p.MeanMax[m.Month-1], p.MeanMin[m.Month-1], p.Rain[m.Month-1] = m.MeanMax, m.MeanMin, m.Rain
		}
		return add("", 0, p)
	},
	as(func(ctx context.Context, q *rows.Queries, _ float64, p place.Place) error {
		err := q.PutPlace(ctx, rows.PutPlaceParams{
			Name: p.Name, Latitude: p.Latitude, Altitude: p.Altitude, FrostFree: integer(p.FrostFree),
			LastFrost: p.LastFrost.String(), FirstFrost: p.FirstFrost.String(), FrostSpread: p.FrostSpread,
		})
		for m := 0; m < 12 && err == nil; m++ {
			err = q.PutPlaceMonth(ctx, rows.PutPlaceMonthParams{Month: int64(m + 1), MeanMax: p.MeanMax[m], MeanMin: p.MeanMin[m], Rain: p.Rain[m]})
		}
		return err
	}),
	func(ctx context.Context, q *rows.Queries, _ string) error {
		if err := q.DeletePlaceMonths(ctx); err != nil {
			return err
		}
		return q.DeletePlace(ctx)
	})

var memberKind = listed("member", "members", func(h *household.Household) *[]household.Member { return &h.Members }, func(m *household.Member) *string { return &m.ID }, func(e *Edit) *household.Member { return e.Member }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListMembers(ctx)
		if err != nil {
			return err
		}
		aways, err := q.ListMemberAways(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			m := household.Member{ID: r.ID, Name: r.Name, Band: household.Band(r.Band)}
			if r.Appetite.Valid {
				m.Appetite = &r.Appetite.Float64
			}
			for _, a := range aways {
				if a.MemberID != r.ID {
					continue
				}
				sp, err := span(a.FromDay, a.ToDay)
				if err != nil {
					return err
				}
				m.Away = append(m.Away, sp)
			}
			if err := add(r.ID, r.Position, m); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, m household.Member) error {
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
	}),
	by((*rows.Queries).DeleteMember)).called(named)

var guestKind = listed("guest", "guests", func(h *household.Household) *[]household.Guest { return &h.Guests }, func(g *household.Guest) *string { return &g.ID }, func(e *Edit) *household.Guest { return e.Guest }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListGuests(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			sp, err := span(r.FromDay, r.ToDay)
			if err != nil {
				return err
			}
			if err := add(r.ID, r.Position, household.Guest{ID: r.ID, Name: r.Name, AdultEquivalents: r.Eaters, Span: sp}); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, g household.Guest) error {
		return q.PutGuest(ctx, rows.PutGuestParams{ID: g.ID, Position: at, Name: g.Name, Eaters: g.AdultEquivalents, FromDay: g.From.String(), ToDay: g.To.String()})
	}),
	by((*rows.Queries).DeleteGuest)).called(named)

var storeKind = listed("store", "stores", func(h *household.Household) *[]stock.StoragePlace { return &h.Storage }, func(s *stock.StoragePlace) *string { return &s.ID }, func(e *Edit) *stock.StoragePlace { return e.Store }).rowsOf(
	func(ctx context.Context, q *rows.Queries, add adder) error {
		all, err := q.ListStores(ctx)
		if err != nil {
			return err
		}
		for _, r := range all {
			if err := add(r.ID, r.Position, stock.StoragePlace{ID: r.ID, Name: r.Name, Temperature: r.Temperature, Damp: r.Damp != 0, RoomKg: r.RoomKg}); err != nil {
				return err
			}
		}
		return nil
	},
	as(func(ctx context.Context, q *rows.Queries, at float64, s stock.StoragePlace) error {
		return q.PutStore(ctx, rows.PutStoreParams{ID: s.ID, Position: at, Name: s.Name, Temperature: s.Temperature, Damp: integer(s.Damp), RoomKg: s.RoomKg})
	}),
	by((*rows.Queries).DeleteStore)).called(named)

func monthDay(text string) (m civil.MonthDay, err error) {
	err = m.UnmarshalText([]byte(text))
	return m, err
}

func span(from, to string) (household.Span, error) {
	a, err := monthDay(from)
	if err != nil {
		return household.Span{}, err
	}
	b, err := monthDay(to)
	return household.Span{From: a, To: b}, err
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
