package plan

import (
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/work"
)

// Care is ticked by itself: what is done of it makes nothing else moot, and a time of it whose
// next time is due is skipped; only what starts the sowing makes care before it moot.
func TestCareAndWhatWasLeftUndone(t *testing.T) {
	d := civil.Of(2027, 5, 1)
	tasks := func() []work.Task {
		return []work.Task{
			{What: work.Care + "soak", Day: d - 1, State: work.Overdue}, {What: work.Sow, Day: d, State: work.Overdue},
			{What: work.Care + "tie", Day: d + 10, State: work.Overdue}, {What: work.Thin, Day: d + 12, State: work.Overdue},
			{What: work.Care + "tie/2", Day: d + 20, State: work.Open}, {What: work.Pick, Day: d + 40, State: work.Open},
		}
	}
	states := func(all []work.Task) (out []work.State) {
		leftUndone(all, d+15)
		for _, x := range all {
			out = append(out, x.State)
		}
		return out
	}
	done := func(which ...int) []work.Task {
		all := tasks()
		for _, k := range which {
			all[k].Done, all[k].State = d+14, work.Finished
		}
		return all
	}
	for name, c := range map[string]struct {
		tasks []work.Task
		want  []work.State
	}{
		"nothing is done":        {tasks(), []work.State{"overdue", "overdue", "overdue", "overdue", "open", "open"}},
		"it is sown":             {done(1), []work.State{"skipped", "done", "overdue", "overdue", "open", "open"}},
		"it is tied":             {done(2), []work.State{"overdue", "overdue", "done", "overdue", "open", "open"}},
		"it is thinned":          {done(3), []work.State{"overdue", "skipped", "overdue", "done", "open", "open"}},
		"it is tied a 2nd time":  {done(4), []work.State{"overdue", "overdue", "skipped", "overdue", "done", "open"}},
		"it is sown and thinned": {done(1, 3), []work.State{"skipped", "done", "overdue", "done", "open", "open"}},
	} {
		got := states(c.tasks)
		for i := range got {
			if got[i] != c.want[i] {
				t.Errorf("%s: %s is %s, want %s", name, c.tasks[i].What, got[i], c.want[i])
			}
		}
	}
}
