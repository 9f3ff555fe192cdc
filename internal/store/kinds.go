package store

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/store/gen/rows"
)

// kind is all that the store knows of one kind of item: where it is in a household, how it
// becomes rows and comes back, what an edit carries of it, and what it is called. A new
// kind is one more value in kinds; loading, writing, undo, commands and errors follow.
type kind struct {
	name  string // in commands, in the journal and in files that other versions wrote
	list  string // its list in the household, for paths of errors; empty: there is one at most
	alone string // of one that there is at most once: its path in the household; empty: the root
	said  bool   // its id follows from what it is about, such as a crop: two of them say the same

	// load adds every item that the file has; write and remove make the rows follow.
	load   func(ctx context.Context, q *rows.Queries, add adder) error
	write  func(ctx context.Context, q *rows.Queries, at float64, id string, value json.RawMessage) error
	remove func(ctx context.Context, q *rows.Queries, id string) error

	put    func(h *household.Household, it item) error                                // puts an item into a household
	ids    func(h *household.Household) []string                                      // of the items of a household
	each   func(h *household.Household, tell func(id *string, value any) error) error // tells of every item
	ofEdit func(e *Edit) (id *string, value any)                                      // what an edit carries; nil: nothing
	words  func(value json.RawMessage, b *book.Book) string                           // an item in a few words
}

// adder takes one loaded item.
type adder func(id string, position float64, value any) error

// kinds are the kinds of item, in the order in which they are loaded. A kind that names
// another in its rows comes after it.
var kinds = []*kind{
	householdKind, placeKind, memberKind, guestKind, storeKind, wishKind, ownCropKind, ownPrepKind, lotKind, patchKind, measureKind,
	habitKind, careKind, choreKind, sightingKind, plantingKind, bedKind, placementKind, overruleKind, baselineKind, weatherKind, plotKind, furtherPlotKind, customsKind, learningKind, pastKind,
}

// kindOf returns a kind by its name.
func kindOf(name string) (*kind, error) {
	for _, k := range kinds {
		if k.name == name {
			return k, nil
		}
	}
	if name == entryKind.name {
		return entryKind, nil
	}
	return nil, fmt.Errorf("nothing of kind %q is kept", name)
}

// listed makes a kind that a household has a list of. Of finds the list, id the name of an
// item, edited what an edit carries.
func listed[T any](name, list string, of func(*household.Household) *[]T, id func(*T) *string, edited func(*Edit) *T) *kind {
	return &kind{
		name: name, list: list,
		put: func(h *household.Household, it item) error {
			t, err := read[T](it)
			all := of(h)
			*all = append(*all, t)
			return err
		},
		ids: func(h *household.Household) (out []string) {
			all := *of(h)
			for i := range all {
				out = append(out, *id(&all[i]))
			}
			return out
		},
		each: func(h *household.Household, tell func(*string, any) error) error {
			all := *of(h)
			for i := range all {
				fill(&all[i])
				if err := tell(id(&all[i]), &all[i]); err != nil {
					return err
				}
			}
			return nil
		},
		ofEdit: func(e *Edit) (*string, any) {
			if t := edited(e); t != nil {
				fill(t)
				return id(t), t
			}
			return nil, nil
		},
	}
}

// fill puts in what an item may leave unsaid.
func fill(item any) {
	if f, ok := item.(interface{ Fill() }); ok {
		f.Fill()
	}
}

// single makes a kind that a household has at most one of. Of finds it; there reports
// whether a household has it.
func single[T any](name, path string, of func(*household.Household) *T, there func(*household.Household) bool) *kind {
	return &kind{
		name: name, alone: path,
		put: func(h *household.Household, it item) (err error) {
			*of(h), err = read[T](it)
			return err
		},
		ids: func(*household.Household) []string { return nil },
		each: func(h *household.Household, tell func(*string, any) error) error {
			none := ""
			if !there(h) {
				return nil
			}
			return tell(&none, of(h))
		},
		ofEdit: func(*Edit) (*string, any) { return nil, nil },
	}
}

// rowsOf gives a kind its rows.
func (k *kind) rowsOf(load func(context.Context, *rows.Queries, adder) error, write func(context.Context, *rows.Queries, float64, string, json.RawMessage) error, remove func(context.Context, *rows.Queries, string) error) *kind {
	k.load, k.write, k.remove = load, write, remove
	return k
}

// called gives a kind its words.
func (k *kind) called(words func(json.RawMessage, *book.Book) string) *kind {
	k.words = words
	return k
}

// saidOf marks a kind whose id follows from what it is about.
func (k *kind) saidOf() *kind {
	k.said = true
	return k
}

// nameOf returns the words of an item, or else the name of its kind.
func (k *kind) nameOf(value json.RawMessage, b *book.Book) string {
	if k.words != nil {
		if words := k.words(value, b); words != "" {
			return words
		}
	}
	return k.name
}

// path returns where an item is in a household, as errors write it, with what follows it:
// wishes[2]. or plot.
func (k *kind) path(h *household.Household, id string) string {
	if k.list == "" {
		if k.alone == "" {
			return ""
		}
		return k.alone + "."
	}
	if i := slices.Index(k.ids(h), id); i >= 0 {
		return invalid.Element(k.list, i) + "."
	}
	return ""
}

// named is what has a name of its own: that is what it is called.
func named(value json.RawMessage, _ *book.Book) string {
	var n struct{ Name string }
	_ = json.Unmarshal(value, &n) // without a name it is called by its kind
	return n.Name
}

// as decodes an item and writes it.
func as[T any](write func(ctx context.Context, q *rows.Queries, at float64, t T) error) func(context.Context, *rows.Queries, float64, string, json.RawMessage) error {
	return func(ctx context.Context, q *rows.Queries, at float64, _ string, value json.RawMessage) error {
		var t T
		if err := json.Unmarshal(value, &t); err != nil {
			return err
		}
		return write(ctx, q, at, t)
	}
}

// without drops the id of what there is at most one of.
func without(remove func(*rows.Queries, context.Context) error) func(context.Context, *rows.Queries, string) error {
	return func(ctx context.Context, q *rows.Queries, _ string) error { return remove(q, ctx) }
}

// by removes an item by its id.
func by(remove func(*rows.Queries, context.Context, string) error) func(context.Context, *rows.Queries, string) error {
	return func(ctx context.Context, q *rows.Queries, id string) error { return remove(q, ctx, id) }
}
