package plan_test

import (
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
)

// What keeps a pest off follows from the day it was first seen: a net before it, where no bees
// must come; planting after it; or being ready before it. Each can be foreseen and stands.
func TestProtectionsFollowFromTheDay(t *testing.T) {
	in := demoInput(t)
	for _, c := range []struct {
		crop        string
		net         bool
		cover       string
		later, soon string
	}{
		{"kale", true, "net 05-10 to 08-18", "06-19", ""},
		{"zucchini", false, "", "06-19", ""},
	} {
		seen := household.Sighting{ID: "s1", Pest: "flea beetle", Crop: c.crop, Day: civil.Of(2027, 5, 20)}
		all, err := plan.Protections(in, seen)
		if err != nil {
			t.Fatal(err)
		}
		net := false
		for _, x := range all {
			if x.Words == "" || !strings.HasSuffix(x.Words, ".") {
				t.Errorf("%s: %q", c.crop, x.Words)
			}
			if h := x.Change.Habit; h != nil && h.NotBefore.String() != "" && h.NotAfter.IsZero() && h.NotBefore.String() != c.later {
				t.Errorf("%s: not before %s, want %s", c.crop, h.NotBefore, c.later)
			}
			for _, w := range x.Change.Wishes {
				net = true
				if string(w.Cover) != c.cover {
					t.Errorf("%s: cover %q, want %q", c.crop, w.Cover, c.cover)
				}
			}
			if _, err := plan.Foresee(in, x.Change); err != nil {
				t.Errorf("%s: %q cannot stand: %v", c.crop, x.Words, err)
			}
		}
		if net != c.net || len(all) < 2 {
			t.Errorf("%s: %d ways, with a net %v", c.crop, len(all), net)
		}
	}
	dtm := household.Sighting{Crop: "carrot", Day: civil.Of(2027, 8, 1)}
	all, err := plan.Protections(in, dtm)
	if err != nil {
		t.Fatal(err)
	}
	last := all[len(all)-1].Change.Habit.NotAfter
	if want := dtm.Day - 70; last.In(2027) < want-20 || last.In(2027) > want+20 {
		t.Errorf("carrots that are ready by 1 August are in the bed by %s", last)
	}
	if none, err := plan.Protections(in, household.Sighting{Crop: "moonflower"}); err != nil || len(none) != 0 {
		t.Errorf("of an unknown crop: %v, %v", none, err)
	}
}
