package api

import (
	"fmt"
	"slices"
	"testing"

	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/store"
)

// The enums of the contract list what the tables of facts list: a new line in a table
// must be let through, and a line that is gone must not.
func TestEnumsOfTheContractFollowTheFacts(t *testing.T) {
	doc := strict(t)
	enum := func(schema, field string) (out []string) {
		s := doc.Components.Schemas[schema].Value
		if field != "" {
			s = s.Properties[field].Value
		}
		for _, v := range s.Enum {
			out = append(out, fmt.Sprint(v))
		}
		return out
	}
	var kinds, forms, events []string
	for _, f := range wish.AmountKinds() {
		kinds = append(kinds, string(f.Kind))
	}
	for _, f := range wish.Forms {
		forms = append(forms, string(f))
	}
	for _, e := range plan.Events() {
		events = append(events, string(e))
	}
	commands := slices.DeleteFunc(store.Commands(), func(c string) bool {
		return c == "put-planting" || c == "put-placement" // made by the log and by placing alone
	})
	for _, c := range []struct {
		schema, field string
		want          []string
	}{
		{"AmountKind", "", kinds}, {"Form", "", forms}, {"SowingWay", "", season.Chosen()},
		{"SowingEvent", "what", events}, {"Edit", "command", commands},
	} {
		got := enum(c.schema, c.field)
		slices.Sort(got)
		want := slices.Sorted(slices.Values(c.want))
		if !slices.Equal(got, want) {
			t.Errorf("%s %s: the contract has %v, the table %v", c.schema, c.field, got, want)
		}
	}
}
