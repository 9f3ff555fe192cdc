package app

import (
	"context"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/daybook"
	"inventory/internal/core/record"
	"inventory/internal/store"
)

// Told is an entry with its words.
type Told struct {
	record.Entry
	Words string `json:"words"` // quantities are marked
	Left  int    `json:"left"`  // grams of what came in by it of which nothing is said yet
	Keeps bool   `json:"keeps"` // what came in by it may go into storage
}

// FoundItem is a sowing or a lot that a search has found.
type FoundItem struct {
	ID   string     `json:"id"`
	Name string     `json:"name"`
	Food string     `json:"food"`
	Day  civil.Date `json:"day"` // on which it takes the ground, or was put up
}

// EntriesTold are entries, the newest first; of a search also the sowings and lots that it found.
type EntriesTold struct {
	Entries []Told      `json:"entries"`
	More    bool        `json:"more"` // there are older ones
	Sowings []FoundItem `json:"sowings,omitempty"`
	Lots    []FoundItem `json:"lots,omitempty"`
}

// Looked says which entries are looked for.
type Looked struct {
	From, To civil.Date
	Find     string // words that an entry has, each of them; empty: any

	Kind   string // an act, "photographs" or "lessons"; empty: any
	Food   string
	Bed    string
	Sowing string
	Lot    string
}

// What is looked for besides acts.
const (
	photographs = "photographs"
	lessons     = "lessons"
)

// takes reports whether an entry is of what is looked for, its words aside.
func (l *Looked) takes(e *record.Entry) bool {
	switch l.Kind {
	case "":
	case photographs:
		if len(e.Photos) == 0 {
			return false
		}
	case lessons:
		if !e.Lesson {
			return false
		}
	default:
		if string(e.Act) != l.Kind {
			return false
		}
	}
	return (l.Food == "" || e.Food == l.Food) && (l.Bed == "" || e.Bed == l.Bed) && (l.Sowing == "" || e.Sowing == l.Sowing) && (l.Lot == "" || e.Lot == l.Lot)
}

// mostTold is how many entries are told at once, and how many sowings and lots.
const (
	mostTold  = 300
	mostItems = 20
)

// Entries returns what was recorded and is looked for, the newest first, and no more than are told
// at once.
func (a *App) Entries(ctx context.Context, look Looked) (EntriesTold, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return EntriesTold{}, err
	}
	out := EntriesTold{Entries: []Told{}}
	var found *store.Found
	if words := strings.Fields(look.Find); len(words) > 0 {
		if found, err = a.found(ctx, now, b, words, look); err != nil {
			return out, err
		}
		if look.Kind == "" && look.Food == "" && look.Bed == "" { // sowings and lots have only their words
			out.Sowings, out.Lots = a.items(now, b, found)
		}
	}
	t := teller{now: now, book: b}
	all := now.Snapshot.Record.Span(look.From, look.To)
	for i := len(all) - 1; i >= 0; i-- {
		if e := all[i]; look.takes(e) && (found == nil || found.Entries[e.ID]) {
			if out.More = len(out.Entries) == mostTold; out.More {
				break
			}
			out.Entries = append(out.Entries, t.tell(e))
		}
	}
	return out, nil
}

// mostWords is how many words are looked for; more only make a search slow.
const mostWords = 8

// found asks the full-text index. A word of two letters or more stands for the things that are called
// so, too.
func (a *App) found(ctx context.Context, now *Planned, b *book.Book, words []string, look Looked) (*store.Found, error) {
	words = words[:min(len(words), mostWords)]
	wanted := make([]store.Wanted, len(words))
	for i, w := range words {
		wanted[i].Word = w
		if len([]rune(w)) > 1 {
			wanted[i].IDs = daybook.Names(w, b, now.Snapshot.Known.Beds, now.Snapshot.Known.Lots)
		}
	}
	f, err := a.store.Find(ctx, wanted, look.From, look.To)
	return &f, err
}

// items names the sowings and lots that were found, the newest first.
func (a *App) items(now *Planned, b *book.Book, found *store.Found) (sowings, lots []FoundItem) {
	for _, p := range now.Snapshot.Known.Plantings {
		if c := b.Crop(p.Crop); c != nil && slices.Contains(found.Plantings, p.ID) {
			sowings = append(sowings, FoundItem{p.ID, c.Name, c.Food, p.Day})
		}
	}
	for _, l := range now.Snapshot.Known.Lots {
		if slices.Contains(found.Lots, l.ID) {
			lots = append(lots, FoundItem{l.ID, daybook.LotName(l, b), l.Food, l.PutUp})
		}
	}
	return newest(sowings), newest(lots)
}

func newest(all []FoundItem) []FoundItem {
	slices.SortStableFunc(all, func(a, b FoundItem) int { return int(b.Day - a.Day) })
	return all[:min(len(all), mostItems)]
}

// teller says entries in words.
type teller struct {
	now     *Planned
	book    *book.Book
	ledgers map[string]*record.Ledger
}

func (t *teller) tell(e *record.Entry) Told {
	out := Told{Entry: *e, Words: daybook.Words(*e, t.book, t.now.Snapshot.Known.Lots)}
	if !e.ComesIn() {
		return out
	}
	l, there := t.ledgers[e.Food]
	if !there {
		if t.ledgers == nil {
			t.ledgers = map[string]*record.Ledger{}
		}
		l, _ = t.now.Snapshot.Record.LedgerOf(e.Food, record.KeepDays(t.book, e.Food)) // what does not hold was refused
		t.ledgers[e.Food] = l
	}
	out.Left, out.Keeps = l.LeftOf(e.ID), daybook.Keeps(t.book, e.Food)
	return out
}

// nearDays is how many days before and after a day of an earlier year are still "these days".
const nearDays = 4

// Earlier returns what was recorded in these days of earlier years, the newest first.
func (a *App) Earlier(ctx context.Context, day civil.Date) ([]Told, error) {
	now, b, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	out := []Told{}
	rec, t := now.Snapshot.Record, teller{now: now, book: b}
	if len(rec.Entries()) == 0 {
		return out, nil
	}
	first := rec.Entries()[0].Day
	year, month, date := day.Split()
	for back := 1; len(out) < mostTold; back++ {
		at := civil.Of(year-back, month, date)
		if at+nearDays < first {
			break
		}
		of := rec.Span(at-nearDays, at+nearDays)
		for i := len(of) - 1; i >= 0; i-- {
			out = append(out, t.tell(of[i]))
		}
	}
	return out, nil
}
