package store

import (
	"fmt"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
)

// callIt puts a name of the crop book in place of one that it does not know,
// wherever the household names it.
func (d *drafter) callIt(call *Call) error {
	if call == nil {
		return missing("call")
	}
	h, unknown, err := d.unknown()
	if err != nil {
		return err
	}
	if !slices.ContainsFunc(unknown, func(u household.Unknown) bool { return u.Of == call.Of && u.Name == call.Unknown }) {
		return &invalid.Field{Field: "call.unknown", Value: call.Unknown, Allowed: "Choose another name. The crop book knows this one now."}
	}
	h.CallIt(call.Of, call.Unknown, call.Known)
	entries := map[key]bool{}
	err = lists(h, func(of *kind, id *string, value any) error {
		k := key{of.name, *id}
		if entries[k] && of.said { // the household says it of the known one already
			return nil
		}
		entries[k] = true
		return d.set(of, *id, 0, value)
	})
	if err != nil {
		return err
	}
	for _, k := range slices.Clone(d.state.order) { // what is named after the crop has another name now
		if of, err := kindOf(k.Kind); err == nil && of.said && !entries[k] {
			if err := d.drop(of, k.ID); err != nil {
				return err
			}
		}
	}
	d.about = key{}
	d.words = fmt.Sprintf("called %s now %s", call.Unknown, call.Known)
	return nil
}

// removeUnknown removes every entry that names something the crop book does not
// know. Beds and the rules of the ground stay; only the name goes out of them.
func (d *drafter) removeUnknown(name string) error {
	h, unknown, err := d.unknown()
	if err != nil {
		return err
	}
	known, _, _ := h.Fitting(book.Usual())
	gone := 0
	for _, u := range unknown {
		if u.Name != name {
			continue
		}
		gone++
		switch u.Kind {
		case bedKind.name:
			i := slices.IndexFunc(known.Beds, func(b bed.Bed) bool { return b.ID == u.ID })
			err = d.set(bedKind, u.ID, 0, &known.Beds[i])
		case customsKind.name:
			err = d.set(customsKind, "", 0, known.Customs)
		default:
			var of *kind
			if of, err = kindOf(u.Kind); err == nil {
				err = d.drop(of, u.ID)
			}
		}
		if err != nil {
			return err
		}
	}
	if gone == 0 {
		return &invalid.Field{Field: "target", Value: name, Allowed: "Choose another name. The crop book knows this one now."}
	}
	d.about = key{}
	d.words = fmt.Sprintf("removed what names %s", name)
	return nil
}

// unknown returns the household as drafted and what of it the book does not know.
func (d *drafter) unknown() (*household.Household, []household.Unknown, error) {
	h, err := d.state.household()
	if err != nil {
		return nil, nil, err
	}
	_, unknown, _ := h.Fitting(book.Usual()) // what else cannot stand is told when the draft is validated
	return h, unknown, nil
}
