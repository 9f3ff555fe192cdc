package store

import (
	"context"
	"encoding/json"
	"fmt"

	"inventory/internal/core/household"
	"inventory/internal/store/gen/rows"
)

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
	for _, k := range kinds {
		err := k.load(ctx, q, func(id string, position float64, value any) error { return s.add(k.name, id, position, value) })
		if err != nil {
			return nil, explain("", err)
		}
	}
	return s, nil
}

// household puts the items together; nil where there is no household yet.
func (s *state) household() (*household.Household, error) {
	if _, there := s.items[key{Kind: householdKind.name}]; !there {
		return nil, nil
	}
	h := household.Empty()
	for _, k := range s.order {
		kind, err := kindOf(k.Kind)
		if err == nil {
			err = kind.put(h, s.items[k].Value)
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
