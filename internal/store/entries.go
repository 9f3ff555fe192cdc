package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/store/gen/rows"
)

// entryKind is the kind of what was recorded. Entries are many, so that they are kept beside the
// other items, in a record of their own; changes, journal and undo are the same.
var entryKind = (&kind{name: "entry", list: "entries"}).rowsOf(nil,
	func(ctx context.Context, q *rows.Queries, _ float64, id string, value json.RawMessage) error {
		var e record.Entry
		if err := json.Unmarshal(value, &e); err != nil {
			return err
		}
		return q.PutEntry(ctx, rows.PutEntryParams{ID: id, Day: e.Day.String(), Act: string(e.Act), Food: e.Food, Lot: e.Lot, Body: string(value)})
	},
	by((*rows.Queries).DeleteEntry))

// loadEntries reads what was recorded.
func loadEntries(ctx context.Context, q *rows.Queries) (*record.Record, error) {
	all, err := q.ListEntries(ctx)
	if err != nil {
		return nil, err
	}
	out := make([]*record.Entry, len(all))
	for i, body := range all {
		out[i] = &record.Entry{}
		if err := json.Unmarshal([]byte(body), out[i]); err != nil {
			return nil, fmt.Errorf("entry %d: %w", i+1, err)
		}
	}
	return record.Of(out), nil
}

// withEntries makes the changes of entries to the record; others are passed over.
func (s *state) withEntries(cs []Change) error {
	by := map[string]*record.Entry{}
	for _, c := range cs {
		if c.Kind != entryKind.name {
			continue
		}
		by[c.ID] = nil
		if c.After != nil {
			e := &record.Entry{}
			if err := json.Unmarshal(c.After.Value, e); err != nil {
				return err
			}
			by[c.ID] = e
		}
	}
	if len(by) > 0 {
		s.record = s.record.Changed(by)
	}
	return nil
}

// enter puts entries into the draft, each in place of the one with its id.
func (d *drafter) enter(entries []record.Entry) error {
	before := len(d.changes)
	next := d.state.record.Next()
	for i := range entries {
		if entries[i].Order == 0 {
			entries[i].Order, next = next, next+1
		}
		if err := d.change(&entries[i]); err != nil {
			return err
		}
	}
	return d.state.withEntries(d.changes[before:])
}

// change adds the change that an entry is.
func (d *drafter) change(e *record.Entry) error {
	value, err := json.Marshal(e)
	if err != nil {
		return err
	}
	after := newItem(0, value)
	c := Change{Kind: entryKind.name, ID: e.ID, After: &after}
	if was := d.state.record.Find(e.ID); was != nil {
		old, err := json.Marshal(was)
		if err != nil {
			return err
		}
		if string(old) == string(value) {
			return nil
		}
		before := newItem(0, old)
		c.Before = &before
	}
	d.changes = append(d.changes, c)
	return nil
}

// fit gives entries their ids, and looks for what cannot stand in them.
func fit(entries []record.Entry, b *book.Book) error {
	check := invalid.NewCheck()
	for i := range entries {
		if entries[i].ID == "" {
			entries[i].ID = NewID("e")
		}
		entries[i].Validate(check.Index("entries", i), b)
	}
	return check.Err()
}

// recordAll enters what happened, with the lots that it made.
func (d *drafter) recordAll(e *Edit) error {
	if len(e.Entries) == 0 {
		return missing("entries")
	}
	b := d.book()
	if err := fit(e.Entries, b); err != nil {
		return err
	}
	put := (*drafter).putPlantings
	if len(e.Plantings) == 0 {
		put = func(d *drafter, e *Edit) error { return d.shelve(e.Lots) }
	}
	if err := put(d, e); err != nil {
		return err
	}
	touched := map[string]bool{}
	for i := range e.Entries {
		x := &e.Entries[i]
		was := d.state.record.Find(x.ID)
		if was != nil {
			touched[was.Food] = true
		}
		if err := d.photographed(x, was); err != nil {
			return err
		}
		touched[x.Food] = true
	}
	if err := d.enter(e.Entries); err != nil {
		return err
	}
	d.words, d.about = e.Words, key{}
	return d.holds(b, touched)
}

// removeEntry takes an entry back, and the lot that it made; the lot must be untouched.
func (d *drafter) removeEntry(id string) error {
	was := d.state.record.Find(id)
	if was == nil {
		return &invalid.Field{Field: "target", Value: id, Allowed: "Choose another entry. This one may have been removed."}
	}
	old, err := json.Marshal(was)
	if err != nil {
		return err
	}
	before := newItem(0, old)
	c := Change{Kind: entryKind.name, ID: id, Before: &before}
	d.changes = append(d.changes, c)
	if err := d.state.withEntries([]Change{c}); err != nil {
		return err
	}
	if made := was.Lot != "" && was.Goes() != ""; made {
		for _, e := range d.state.record.Entries() {
			if e.Lot == was.Lot {
				return &invalid.Field{Field: "target", Value: id, Allowed: "Something was taken from this since. Undo that first."}
			}
		}
		if _, there := d.state.items[key{lotKind.name, was.Lot}]; there {
			if err := d.drop(lotKind, was.Lot); err != nil {
				return err
			}
		}
	}
	d.words, d.about = "removed an entry of "+was.Day.Short(), key{}
	return d.holds(d.book(), map[string]bool{was.Food: true})
}

// holds looks whether the record holds: of no food more was used than came in, and from no lot
// more was taken than there was.
func (d *drafter) holds(b *book.Book, foods map[string]bool) error {
	for food := range foods {
		var much *record.TooMuch
		if _, err := d.state.record.LedgerOf(food, record.KeepDays(b, food)); errors.As(err, &much) {
			return &invalid.Field{Field: "gram", Value: kilograms(much.Entry.Gram), Allowed: fmt.Sprintf(
				"at most %s: so much %s came in until %s of which nothing is said yet. Enter first what else came in", kilograms(much.There), food, much.Entry.Day.Short())}
		}
	}
	for _, k := range d.state.order {
		if k.Kind != lotKind.name {
			continue
		}
		l, err := read[stock.Lot](d.state.items[k])
		if err != nil {
			return err
		}
		var not *record.NotThere
		if _, err := d.state.record.BalanceOf(l, lastDay); errors.As(err, &not) {
			return &invalid.Field{Field: "jars", Value: lotAmount(l, not.Asked), Allowed: fmt.Sprintf(
				"at most %s, which is all that is on the shelf. If there is more, correct it in Shelves.", lotAmount(l, not.There))}
		}
	}
	return nil
}

// lastDay is after every day that can be entered.
var lastDay = civil.Of(2152, 1, 1)

// lotAmount says thousandths of a lot in words.
func lotAmount(l stock.Lot, thousandths int) string {
	if !record.Containers(l) {
		return kilograms(thousandths)
	}
	return invalid.FormatNumber(float64(thousandths) / 1000)
}

// kilograms says grams in kilograms.
func kilograms(gram int) string {
	return invalid.FormatNumber(math.Round(float64(gram))/1000) + " kg"
}

// File returns the household with all that was recorded, as a household file holds it.
func (s Snapshot) File() household.Household {
	h := *s.Household
	for _, e := range s.Record.Entries() {
		h.Entries = append(h.Entries, *e)
	}
	return h
}
