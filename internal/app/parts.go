package app

import (
	"reflect"
	"strings"

	"inventory/internal/core/household"
	"inventory/internal/core/plan"
)

// Part is one thing that is other in a newer state than in an older one. Of a list of named
// things it tells all their names, in order, and only those that are other; of anything else
// its whole value.
type Part struct {
	Path  string   // such as plan.tally or household.wishes
	Value any      // the whole value; nil where Names is set
	Names []string // of all things of the list, in order; nil where Value is the whole
	Items []any    // those of them that are new or other
}

// names finds the name of a thing by the key that its list goes by in JSON.
var names = map[string]string{
	"household.members": "id", "household.guests": "id", "household.stores": "id", "household.wishes": "id", "household.lots": "id",
	"household.patches": "id", "household.own_crops": "id", "household.own_preparations": "id", "household.habits": "crop", "household.care": "id", "household.chores": "id", "household.sightings": "id", "household.plots": "id",
	"household.plantings": "id", "household.beds": "id", "household.placements": "sowing",
	"plan.wishes": "id", "plan.sowings": "id",
}

// NameOf returns the JSON key by which the things of a list are named; empty: by none.
func NameOf(path string) string { return names[path] }

// Parts returns what is other in a household and its plan than before.
func Parts(before, now *Planned) []Part {
	out := parts("household", reflect.ValueOf(before.Snapshot.Household).Elem(), reflect.ValueOf(now.Snapshot.Household).Elem(), nil)
	return parts("plan", reflect.ValueOf(&before.Plan).Elem(), reflect.ValueOf(&now.Plan).Elem(), out)
}

// The types whose fields are compared must be structs with JSON keys.
var _ = []any{household.Household{}, plan.Plan{}}

// parts compares two structs field by field.
func parts(path string, was, is reflect.Value, out []Part) []Part {
	t := was.Type()
	for i := range t.NumField() {
		key, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
		if key == "" || key == "-" {
			continue
		}
		at := path + "." + key
		old, now := was.Field(i), is.Field(i)
		if name := names[at]; name != "" {
			if p, other := listParts(at, name, old, now); other {
				out = append(out, p)
			}
			continue
		}
		if !same(old, now) {
			out = append(out, Part{Path: at, Value: now.Interface()})
		}
	}
	return out
}

// listParts compares two lists of named things.
func listParts(path, name string, was, is reflect.Value) (p Part, other bool) {
	field := -1
	t := is.Type().Elem()
	for i := range t.NumField() {
		if key, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ","); key == name {
			field = i
		}
	}
	old := make(map[string]int, was.Len())
	for i := range was.Len() {
		old[was.Index(i).Field(field).String()] = i
	}
	p = Part{Path: path, Names: make([]string, is.Len()), Items: []any{}}
	other = was.Len() != is.Len()
	for i := range is.Len() {
		x := is.Index(i)
		p.Names[i] = x.Field(field).String()
		k, there := old[p.Names[i]]
		if !there || !same(was.Index(k), x) {
			p.Items = append(p.Items, x.Interface())
			other = true
		}
		other = other || k != i
	}
	return p, other
}
