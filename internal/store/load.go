package store

import (
	"context"
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
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/store/gen/rows"
)

// The kinds of things that an edit changes.
const (
	kindHousehold = "household"
	kindPlace     = "place"
	kindMember    = "member"
	kindGuest     = "guest"
	kindStore     = "store"
	kindWish      = "wish"
	kindOverrule  = "overrule"
	kindLot       = "lot"
	kindPatch     = "patch"
	kindOwnCrop   = "own-crop"
	kindOwnPrep   = "own-preparation"
	kindHabit     = "habit"
	kindPlanting  = "planting"
	kindAgreement = "agreement"
	kindWeather   = "weather"
	kindPlot      = "plot"
	kindBed       = "bed"
	kindPlacement = "placement"
	kindCustoms   = "customs"
)

// Settings are the household's own fields, its lists and its place aside.
type Settings struct {
	Name  string         `json:"name"`
	Year  int            `json:"year"`
	Start civil.MonthDay `json:"start"`
	Risk  season.Risk    `json:"risk"`

	School season.School `json:"school,omitempty"`
}

// item is a thing that an edit changes: its place in its list and its value.
type item struct {
	Position float64         `json:"position"`
	Value    json.RawMessage `json:"value"`
}

// key names an item in the whole household.
type key struct{ Kind, ID string }

// state is a household as stored, item by item, with the lists in order.
type state struct {
	items map[key]item
	order []key
}

func (s *state) add(kind, id string, position float64, value any) error {
	v, err := json.Marshal(value)
	if err != nil {
		return err
	}
	k := key{kind, id}
	s.items[k] = item{position, v}
	s.order = append(s.order, k)
	return nil
}

// load reads the household item by item.
func load(ctx context.Context, q *rows.Queries) (*state, error) {
	s := &state{items: map[key]item{}}
	for _, read := range []func(context.Context, *rows.Queries, *state) error{loadSettings, loadPlace, loadMembers, loadGuests, loadStores, loadWishes, loadOverrules, loadLots, loadPatches, loadOwn, loadSeason, loadGround} {
		if err := read(ctx, q, s); err != nil {
			return nil, explain("", err)
		}
	}
	return s, nil
}

func loadSettings(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.GetHousehold(ctx)
	if err != nil || len(all) == 0 {
		return err
	}
	h := all[0]
	start, err := monthDay(h.Start)
	if err != nil {
		return err
	}
	return s.add(kindHousehold, "", 0, Settings{h.Name, int(h.Year), start, season.Risk(h.Risk), season.School(h.School)})
}

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

func loadPlace(ctx context.Context, q *rows.Queries, s *state) error {
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
	return s.add(kindPlace, "", 0, p)
}

func loadMembers(ctx context.Context, q *rows.Queries, s *state) error {
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
		if err := s.add(kindMember, r.ID, r.Position, m); err != nil {
			return err
		}
	}
	return nil
}

func loadGuests(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListGuests(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		sp, err := span(r.FromDay, r.ToDay)
		if err != nil {
			return err
		}
		if err := s.add(kindGuest, r.ID, r.Position, household.Guest{ID: r.ID, Name: r.Name, AdultEquivalents: r.Eaters, Span: sp}); err != nil {
			return err
		}
	}
	return nil
}

func loadStores(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListStores(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		if err := s.add(kindStore, r.ID, r.Position, stock.StoragePlace{ID: r.ID, Name: r.Name, Temperature: r.Temperature, Damp: r.Damp != 0, RoomKg: r.RoomKg}); err != nil {
			return err
		}
	}
	return nil
}

func loadWishes(ctx context.Context, q *rows.Queries, s *state) error {
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
		if r.Story != "" {
			if err := json.Unmarshal([]byte(r.Story), &w.Story); err != nil {
				return err
			}
		}
		if r.Whom != "" {
			if err := json.Unmarshal([]byte(r.Whom), &w.For); err != nil {
				return err
			}
		}
		if r.AlsoMonths != "" {
			if err := json.Unmarshal([]byte(r.AlsoMonths), &w.Season.Also); err != nil {
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
		if err := s.add(kindWish, r.ID, r.Position, w); err != nil {
			return err
		}
	}
	return nil
}

func loadOverrules(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListOverrules(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		if err := s.add(kindOverrule, r.Subject+" "+r.Field, r.Position, book.Overrule{Subject: r.Subject, Field: r.Field, Value: r.Value, Choice: r.Choice, Why: r.Why}); err != nil {
			return err
		}
	}
	return nil
}

func loadLots(ctx context.Context, q *rows.Queries, s *state) error {
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
		if err := s.add(kindLot, r.ID, r.Position, l); err != nil {
			return err
		}
	}
	return nil
}

func loadPatches(ctx context.Context, q *rows.Queries, s *state) error {
	all, err := q.ListPatches(ctx)
	if err != nil {
		return err
	}
	for _, r := range all {
		if err := s.add(kindPatch, r.ID, r.Position, household.Patch{ID: r.ID, Crop: r.Crop, Plants: int(r.Plants), Planted: int(r.Planted)}); err != nil {
			return err
		}
	}
	return nil
}

func loadOwn(ctx context.Context, q *rows.Queries, s *state) error {
	crops, err := q.ListOwnCrops(ctx)
	if err != nil {
		return err
	}
	for _, r := range crops {
		if err := s.add(kindOwnCrop, r.ID, r.Position, book.OwnCrop{ID: r.ID, From: r.FromCrop, Food: r.Food, Name: r.Name}); err != nil {
			return err
		}
	}
	preparations, err := q.ListOwnPreparations(ctx)
	if err != nil {
		return err
	}
	for _, r := range preparations {
		o := book.OwnPreparation{ID: r.ID, From: r.FromPreparation, Name: r.Name}
		if err := json.Unmarshal([]byte(r.Crops), &o.Crops); err != nil {
			return err
		}
		if err := s.add(kindOwnPrep, r.ID, r.Position, o); err != nil {
			return err
		}
	}
	return nil
}

// household puts the items together; nil where there is no household yet.
func (s *state) household() (*household.Household, error) {
	root, ok := s.items[key{Kind: kindHousehold}]
	if !ok {
		return nil, nil
	}
	var set Settings
	if err := json.Unmarshal(root.Value, &set); err != nil {
		return nil, err
	}
	h := &household.Household{
		Name: set.Name, Year: set.Year, Start: set.Start, Risk: set.Risk, School: set.School,
		Members: []household.Member{}, Guests: []household.Guest{}, Storage: []stock.StoragePlace{}, Wishes: []wish.Wish{}, Overrules: []book.Overrule{},
		Lots: []stock.Lot{}, Patches: []household.Patch{}, OwnCrops: []book.OwnCrop{}, OwnPreparations: []book.OwnPreparation{},
		Habits: []household.Habit{}, Plantings: []record.Planting{}, Weather: []place.Day{}, Beds: []bed.Bed{}, Placements: []bed.Placement{},
	}
	for _, k := range s.order {
		v := s.items[k].Value
		var err error
		switch k.Kind {
		case kindPlace:
			err = json.Unmarshal(v, &h.Place)
		case kindMember:
			h.Members, err = appended(h.Members, v)
		case kindGuest:
			h.Guests, err = appended(h.Guests, v)
		case kindStore:
			h.Storage, err = appended(h.Storage, v)
		case kindWish:
			h.Wishes, err = appended(h.Wishes, v)
		case kindOverrule:
			h.Overrules, err = appended(h.Overrules, v)
		case kindLot:
			h.Lots, err = appended(h.Lots, v)
		case kindPatch:
			h.Patches, err = appended(h.Patches, v)
		case kindOwnCrop:
			h.OwnCrops, err = appended(h.OwnCrops, v)
		case kindOwnPrep:
			h.OwnPreparations, err = appended(h.OwnPreparations, v)
		case kindHabit:
			h.Habits, err = appended(h.Habits, v)
		case kindPlanting:
			h.Plantings, err = appended(h.Plantings, v)
		case kindAgreement:
			err = json.Unmarshal(v, &h.Baseline)
		case kindPlot:
			err = json.Unmarshal(v, &h.Plot)
		case kindPlacement:
			h.Placements, err = appended(h.Placements, v)
		case kindBed:
			h.Beds, err = appended(h.Beds, v)
		case kindCustoms:
			err = json.Unmarshal(v, &h.Customs)
		case kindWeather:
			err = json.Unmarshal(v, &h.Weather)
		}
		if err != nil {
			return nil, fmt.Errorf("%s %s: %w", k.Kind, k.ID, err)
		}
	}
	return h, nil
}

func appended[T any](list []T, value json.RawMessage) ([]T, error) {
	var t T
	err := json.Unmarshal(value, &t)
	return append(list, t), err
}
