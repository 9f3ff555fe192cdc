package store

import (
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"maps"
	"slices"

	"inventory/internal/core/household"
	"inventory/internal/core/record"
	"inventory/internal/store/gen/rows"
)

// item is a thing that an edit changes: its place in its list and its value.
type item struct {
	Position float64         `json:"position"`
	Value    json.RawMessage `json:"value"`

	read *any // what the value was read as; nil inside: not yet
}

func newItem(position float64, value json.RawMessage) item { return item{position, value, new(any)} }

// read returns what an item is, reading its value once.
func read[T any](it item) (T, error) {
	if it.read != nil {
		if t, done := (*it.read).(T); done {
			return t, nil
		}
	}
	var t T
	err := json.Unmarshal(it.Value, &t)
	if err == nil && it.read != nil {
		*it.read = t
	}
	return t, err
}

// key names an item in the whole household.
type key struct{ Kind, ID string }

// state is a household as stored, item by item, with the lists in order.
type state struct {
	items  map[key]item
	order  []key
	record *record.Record // what was recorded: many entries, that no edit but their own changes
}

func (s *state) add(kind, id string, position float64, value any) error {
	v, err := json.Marshal(value)
	if err != nil {
		return err
	}
	k := key{kind, id}
	s.items[k] = newItem(position, v)
	s.order = append(s.order, k)
	return nil
}

// load reads the household item by item, and what was recorded.
func load(ctx context.Context, q *rows.Queries) (*state, error) {
	s, err := loadItems(ctx, q)
	if err != nil {
		return nil, err
	}
	if s.record, err = loadEntries(ctx, q); err != nil {
		return nil, explain("", err)
	}
	return s, nil
}

// loadItems reads the household item by item.
func loadItems(ctx context.Context, q *rows.Queries) (*state, error) {
	s := &state{items: map[key]item{}}
	for _, k := range kinds {
		err := k.load(ctx, q, func(id string, position float64, value any) error { return s.add(k.name, id, position, value) })
		if err != nil {
			return nil, explain("", err)
		}
	}
	return s, nil
}

// copy returns the state as a draft that may be changed.
func (s *state) copy() *state {
	return &state{items: maps.Clone(s.items), order: slices.Clone(s.order), record: s.record}
}

// with returns the state with changes made to it.
func (s *state) with(cs []Change) (*state, error) {
	out := s.copy()
	for _, c := range cs {
		if c.Kind == entryKind.name {
			continue
		}
		k := key{c.Kind, c.ID}
		_, there := out.items[k]
		switch {
		case c.After == nil:
			delete(out.items, k)
			out.order = slices.DeleteFunc(out.order, func(o key) bool { return o == k })
			continue
		case !there:
			out.order = append(out.order, k)
		}
		out.items[k] = newItem(c.After.Position, c.After.Value)
	}
	out.sort()
	return out, out.withEntries(cs)
}

// sort puts the items in the order in which they are loaded: by kind, position and id.
func (s *state) sort() {
	rank := make(map[string]int, len(kinds))
	for i, k := range kinds {
		rank[k.name] = i
	}
	slices.SortStableFunc(s.order, func(a, b key) int {
		return cmp.Or(cmp.Compare(rank[a.Kind], rank[b.Kind]), cmp.Compare(s.items[a].Position, s.items[b].Position), cmp.Compare(a.ID, b.ID))
	})
}

// household puts the items together; nil where there is no household yet. Items keep what
// they were read as, so that an edit reads only what it changes; nobody may change what a
// household holds.
func (s *state) household() (*household.Household, error) {
	if _, there := s.items[key{Kind: householdKind.name}]; !there {
		return nil, nil
	}
	h := household.Empty()
	for _, k := range s.order {
		kind, err := kindOf(k.Kind)
		if err == nil {
			err = kind.put(h, s.items[k])
		}
		if err != nil {
			return nil, fmt.Errorf("%s %s: %w", k.Kind, k.ID, err)
		}
	}
	return h, nil
}

// Change is one thing that an edit changed; Before or After is nil where there was or is
// none.
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
	k, err := kindOf(c.Kind)
	switch {
	case err != nil:
		return err
	case c.After == nil:
		return k.remove(ctx, q, c.ID)
	}
	return k.write(ctx, q, c.After.Position, c.ID, c.After.Value)
}

// lists tells of every entry of the household's lists, in their order: its kind, its id,
// which may be given one, and its value.
func lists(h *household.Household, tell func(k *kind, id *string, value any) error) error {
	for _, k := range kinds {
		if k.list == "" {
			continue
		}
		if err := k.each(h, func(id *string, value any) error { return tell(k, id, value) }); err != nil {
			return err
		}
	}
	return nil
}
