package plan

import (
	"slices"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
)

// logged returns the input after an event.
func after(t *testing.T, in Input, e Event) Input {
	t.Helper()
	p, words, err := Log(in, e)
	if err != nil || words == "" {
		t.Fatalf("%+v: %v %q", e, err, words)
	}
	in.Household.Plantings = slices.Clone(in.Household.Plantings)
	if k := slices.IndexFunc(in.Household.Plantings, func(o table.Planting) bool { return o.ID == p.ID }); k >= 0 {
		in.Household.Plantings[k] = p
	} else {
		in.Household.Plantings = append(in.Household.Plantings, p)
	}
	return in
}

func sowingOf(t *testing.T, p Plan, id string) Sowing {
	t.Helper()
	k := slices.IndexFunc(p.Sowings, func(s Sowing) bool { return s.ID == id })
	if k < 0 {
		t.Fatalf("the plan has no sowing %s", id)
	}
	return p.Sowings[k]
}

// To hold a sowing where it is changes nothing, whichever it is.
func TestANoughtMoveChangesNothing(t *testing.T) {
	in := everything()
	in.Memory = &Memory{}
	before := planned(t, in)
	for _, s := range before.Sowings {
		if s.Method == "patch" || s.Early {
			continue
		}
		now := planned(t, after(t, in, Event{Sowing: s.ID, What: "set"}))
		if m := Moves(before.Agreement().Sowings, now.Agreement().Sowings); len(m) > 0 {
			t.Errorf("%s of %s held: %+v", s.ID, s.Date, m)
		}
		if !sowingOf(t, now, s.ID).Set || now.Tally.WeeksFed != before.Tally.WeeksFed {
			t.Errorf("%s: set %v, %d weeks fed, before %d", s.ID, sowingOf(t, now, s.ID).Set, now.Tally.WeeksFed, before.Tally.WeeksFed)
		}
	}
}

var _ = civil.Of
var _ = season.Raised
