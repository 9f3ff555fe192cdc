package app

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/daybook"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/store"
)

// ReadLine says what a line of the daybook comes to; nothing is changed.
func (a *App) ReadLine(ctx context.Context, text string) (daybook.Meaning, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return daybook.Meaning{}, err
	}
	return readLine(now, text)
}

func readLine(now *Planned, text string) (daybook.Meaning, error) {
	return daybook.Understand(daybook.Now{Input: now.Input, Plan: &now.Plan, Record: now.Snapshot.Record, Lots: now.Snapshot.Known.Lots, NewID: store.NewID}, text)
}

// WriteLine enters what a line of the daybook comes to, as one edit which one undo takes back.
// Photographs go with the first entry of the line; with them, a line that is no entry is a note.
func (a *App) WriteLine(ctx context.Context, by Stamp, text string, photos []string) (Done, error) {
	d, err := a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		m, err := readLine(now, text)
		switch {
		case len(photos) > 0 && (err != nil || len(m.Entries) == 0):
			e := record.Entry{Day: now.Today, Act: record.Note, Note: strings.TrimSpace(text), Photos: photos}
			m.Entries, m.Words = append(m.Entries, e), append(m.Words, daybook.Words(e, book.Usual(), nil))
		case err != nil:
			return store.Edit{}, err
		case len(photos) > 0:
			m.Entries[0].Photos = photos
		}
		var e store.Edit
		if len(m.Events) > 0 {
			if e, err = a.put(now, m.Events); err != nil {
				return e, err
			}
		}
		if m.Measure != nil {
			e.Command, e.Measure = "change-measure", m.Measure
			if m.Measure.ID == "" {
				e.Command = "add-measure"
			}
		}
		if len(m.Entries) > 0 {
			e.Command, e.Entries, e.Lots = "record", entered(by, m.Entries), append(e.Lots, m.Lots...)
			e.Words = strings.Join(m.Words, "; ")
		}
		return e, nil
	})
	return d, ofLine(err)
}

// ofLine makes a mistake of an entry one of the line that it was read from.
func ofLine(err error) error {
	if all := invalid.All(err); len(all) > 0 && all[0].Field != "line" {
		return &invalid.Field{Field: "line", Value: all[0].Value, Allowed: all[0].Advice()}
	}
	return err
}

// entered says whose the entries are.
func entered(by Stamp, all []record.Entry) []record.Entry {
	for i := range all {
		if all[i].Who == "" {
			all[i].Who = firstRunes(by.Client, 60)
		}
	}
	return all
}

func firstRunes(s string, n int) string {
	if r := []rune(s); len(r) > n {
		return string(r[:n])
	}
	return s
}

// Record enters what happened, each entry new or in the place of the one with its id; the lot that
// a corrected entry made is corrected with it. An entry of a day to come, or of a planting that was
// not begun, is an invalid.Field.
func (a *App) Record(ctx context.Context, by Stamp, entries []record.Entry) (Done, error) {
	return a.once(ctx, by, func(now *Planned) (store.Edit, error) {
		b, _, _, err := now.Input.Household.Book(book.Usual())
		if err != nil {
			return store.Edit{}, err
		}
		var lots []stock.Lot
		words := make([]string, len(entries))
		for i := range entries {
			e := &entries[i]
			if err := happened(now, *e); err != nil {
				var f *invalid.Field
				if errors.As(err, &f) {
					f.Field = invalid.Element("entries", i) + "." + f.Field
				}
				return store.Edit{}, err
			}
			if was := now.Snapshot.Record.Find(e.ID); was != nil {
				e.Lot, e.Order = was.Lot, was.Order
			}
			daybook.Measured(e, now.Input.Household)
			if lot := daybook.Complete(e, b, now.Snapshot.Record, store.NewID); lot != nil {
				lots = append(lots, asItStood(*lot, now.Snapshot.Known.Lots))
			}
			words[i] = daybook.Words(*e, b, now.Snapshot.Known.Lots)
		}
		return store.Edit{Command: "record", Entries: entered(by, entries), Lots: lots, Words: strings.Join(words, "; ")}, nil
	})
}

// asItStood gives a lot that is corrected what was said of it besides: where it is kept, until when,
// and its note.
func asItStood(l stock.Lot, lots []stock.Lot) stock.Lot {
	for _, was := range lots {
		if was.ID == l.ID {
			l.Store, l.Until, l.Note = was.Store, was.Until, was.Note
		}
	}
	return l
}

// happened looks whether an entry can have happened.
func happened(now *Planned, e record.Entry) error {
	if e.Day > now.Today {
		return &invalid.Field{Field: "day", Value: e.Day.String(), Allowed: "today or an earlier day, until " + now.Today.Short()}
	}
	if e.Act != record.Harvest || e.Sowing == "" {
		return nil
	}
	for i := range now.Plan.Sowings {
		if s := &now.Plan.Sowings[i]; s.ID == e.Sowing && !s.Begun && !s.Stands {
			return &invalid.Field{Field: "sowing", Value: e.Sowing, Allowed: fmt.Sprintf("Record first that %s was sown or planted.", s.CropName)}
		}
	}
	return nil
}
