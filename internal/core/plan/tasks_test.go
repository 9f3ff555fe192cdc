package plan

import (
	"strings"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
)

// Every sowing of a full plan has its tasks in the order of their days, each
// named once, with the counts of the sowing in them.
func TestTasksFollowTheSowing(t *testing.T) {
	p := planned(t, everything())
	say := func(v float64, u amount.Unit) string { return amount.Format(v, u, amount.Metric) }
	methods := map[season.Method]bool{}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		methods[s.Method] = true
		seen := map[string]civil.Date{}
		for _, task := range s.Tasks {
			if _, twice := seen[task.What]; twice || task.Do == "" {
				t.Errorf("%s: %+v", s.ID, task)
			}
			seen[task.What] = task.Day
			if words := task.Words(say); strings.Contains(words, "NaN") || strings.Contains(words, "%!") {
				t.Errorf("%s: %q", s.ID, words)
			}
		}
		begun, ok := seen["sow"]
		if !ok {
			begun, ok = seen["plant-out"]
		}
		if s.Stands {
			continue
		}
		if !ok || begun != s.Date {
			t.Errorf("%s begins on %s: %v", s.ID, s.Date, seen)
		}
		if s.Method == season.Indoors && (seen["harden-off"] < seen["sow"] || seen["plant-out"]-seen["harden-off"] != hardeningDays) {
			t.Errorf("%s is hardened off on %s and planted on %s", s.ID, seen["harden-off"], seen["plant-out"])
		}
		if pick, ok := seen["pick"]; ok && s.Method != season.Patch && (pick < begun || seen["clear"] != 0 && seen["clear"] <= pick) {
			t.Errorf("%s is picked on %s, begun on %s, cleared on %s", s.ID, pick, begun, seen["clear"])
		}
		if s.SurePick != nil && (*s.SurePick < *s.FirstPick || s.PlainPick == nil) {
			t.Errorf("%s: picked from %s, planned for %s", s.ID, s.FirstPick, s.SurePick)
		}
	}
	for _, m := range []season.Method{"raised", "direct", "stock", "tray", "patch"} {
		if !methods[m] {
			t.Errorf("the plan has no sowing that is %s", m)
		}
	}
}

// No sowing begins outside the field of its crop.
func TestSowingsLieInTheirFields(t *testing.T) {
	p := planned(t, everything())
	for _, s := range p.Sowings {
		for _, f := range p.Windows {
			if f.Crop != s.Crop || f.Cover != s.Cover {
				continue
			}
			in := false
			for _, w := range f.Windows {
				for _, year := range []civil.Date{-365, 0, 365} {
					in = in || w.First+year <= s.Date && s.Date <= w.Last+year
				}
				if w.FirstWhy.IsZero() || w.LastWhy.IsZero() || w.Last < w.First {
					t.Errorf("%s: %+v", f.Crop, w)
				}
			}
			if !in {
				t.Errorf("%s is begun on %s, outside %+v", s.ID, s.Date, f.Windows)
			}
		}
	}
}
