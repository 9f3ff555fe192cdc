package plan_test

import (
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
)

// What is foreseen is what the plan comes to once the change is taken.
func TestWhatIsForeseenIsWhatComes(t *testing.T) {
	in := demoInput(t)
	now, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []plan.Change{
		{Command: plan.SetRule, Overrule: &book.Overrule{Subject: "crop/carrot", Field: "yield", Value: 0.2}},
		{Command: plan.SetRule, Overrule: &book.Overrule{Subject: "crop/spinach", Field: "harvest", Choice: "once"}},
		{Command: plan.SetHabit, Habit: &household.Habit{Crop: "parsnip", Method: season.Indoors}},
	} {
		f, err := plan.Foresee(in, c)
		if err != nil {
			t.Fatal(err)
		}
		changed := in
		if c.Overrule != nil {
			changed.Household.Overrules = append(changed.Household.Overrules[:len(changed.Household.Overrules):len(changed.Household.Overrules)], *c.Overrule)
		} else {
			changed.Household.Habits = append(changed.Household.Habits[:len(changed.Household.Habits):len(changed.Household.Habits)], *c.Habit)
		}
		then, err := plan.Compute(changed)
		if err != nil {
			t.Fatal(err)
		}
		if f.Before != now.Tally || f.After != then.Tally || f.Before == f.After || len(f.Moves) == 0 {
			t.Errorf("%+v: %+v", c, f)
		}
		for _, w := range f.Wishes {
			if w.Was == w.Is {
				t.Errorf("%s is told though nothing changes", w.Title)
			}
		}
	}
	if _, err := plan.Foresee(in, plan.Change{Command: plan.SetRule, Overrule: &book.Overrule{Subject: "crop/carrot", Field: "yield", Value: -3}}); err == nil || !strings.Contains(err.Error(), "value") {
		t.Errorf("a yield below nothing: %v", err)
	}
}

// A crop that the book sows in place is raised where the household says so, with the
// weeks indoors that it gives.
func TestAnyCropIsRaisedWhereAHouseholdRaisesIt(t *testing.T) {
	in := demoInput(t)
	in.Household.Habits = append(in.Household.Habits, household.Habit{Crop: "parsnip", Method: season.Indoors})
	in.Household.Overrules = append(in.Household.Overrules, book.Overrule{Subject: "crop/parsnip", Field: "raise_weeks", Value: 6})
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for _, s := range p.Sowings {
		if s.Crop != "parsnip" {
			continue
		}
		found = true
		if s.Method != season.Indoors || s.PlantOut == nil || *s.PlantOut-s.Date != 42 || s.Cells == 0 {
			t.Errorf("%s: %s on %s, out on %v, %d cells", s.ID, s.Method, s.Date, s.PlantOut, s.Cells)
		}
	}
	if !found || len(p.Unknown) > 0 {
		t.Errorf("no parsnips, or %+v", p.Unknown)
	}
}
