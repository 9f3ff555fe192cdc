package plan

import (
	"encoding/json"
	"math"
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// standsUp holds a plan to what must be so whatever was done to its sowings.
func standsUp(t *testing.T, what string, p Plan) {
	t.Helper()
	ids := map[string]bool{}
	for _, s := range p.Sowings {
		if ids[s.ID] {
			t.Fatalf("%s: two sowings are called %s", what, s.ID)
		}
		ids[s.ID] = true
		for name, v := range map[string]float64{"area": s.Area, "likely": s.Likely, "need": s.Need, "low": s.Low, "high": s.High} {
			if math.IsNaN(v) || math.IsInf(v, 0) || v < 0 {
				t.Fatalf("%s: %s of %s is %g", what, name, s.ID, v)
			}
		}
		if s.Plants < 0 || s.SetOut < 0 || s.Cells < 0 || s.Seeds < 0 || s.Clear < s.Day && s.Method != season.Tray && !s.Over {
			t.Fatalf("%s: %+v", what, s)
		}
		if !slices.IsSorted(s.Feeds) || len(s.Feeds) > season.WeeksPerYear {
			t.Fatalf("%s: %s feeds %v", what, s.ID, s.Feeds)
		}
		for i, task := range s.Tasks {
			if i > 0 && task.Day < s.Tasks[i-1].Day || task.Minutes < 0 || math.IsNaN(task.Minutes) {
				t.Fatalf("%s: %s: %+v", what, s.ID, task)
			}
		}
	}
	for _, w := range p.Wishes {
		fed, gaps, bought, wanted := 0, 0, 0, 0
		for k, s := range w.Source {
			if w.Wanted[k] == 0 {
				continue
			}
			wanted++
			switch s {
			case wish.Gap:
				gaps++
			case wish.Bought:
				bought++
			default:
				fed++
			}
		}
		if wanted != w.WeeksWanted || fed != w.WeeksFed || bought != w.WeeksBought || fed+gaps+bought != wanted {
			t.Fatalf("%s: %s: %d of %d weeks fed, %d gaps, %d bought; it says %d of %d", what, w.ID, fed, wanted, gaps, bought, w.WeeksFed, w.WeeksWanted)
		}
	}
	for w, h := range p.Work.Hours {
		if h < 0 || math.IsNaN(h) || p.Work.Trays[w] < 0 {
			t.Fatalf("%s: week %d has %g hours, %g trays", what, w, h, p.Work.Trays[w])
		}
	}
}

// draws is a small seeded generator, so that a run can be had again.
type draws uint64

func (d *draws) below(n int) int {
	*d = *d*6364136223846793005 + 1442695040888963407
	return int(uint64(*d>>33) % uint64(n))
}

// Whatever a household puts down through a season, in whatever order, the plan
// stays sound; and taking back the last thing gives the plan before it.
func TestAnySeasonCanBePutDown(t *testing.T) {
	for seed := range 4 {
		d := draws(seed*7919 + 1)
		in := everything()
		in.Memory = &Memory{}
		in.AsOf = civil.Of(2027, 1, 12)
		p := planned(t, in)
		for range 30 {
			in.AsOf += civil.Date(d.below(12))
			p = planned(t, in)
			s := p.Sowings[d.below(len(p.Sowings))]
			e := Event{Sowing: s.ID, What: Events()[d.below(len(Events()))], Day: in.AsOf - civil.Date(d.below(10)), Count: float64(d.below(120))}
			switch e.What {
			case "set":
				e.Day = s.Date + civil.Date(d.below(60)-30)
			case "done":
				if len(s.Tasks) == 0 {
					continue
				}
				task := s.Tasks[d.below(len(s.Tasks))]
				e.Task, e.Count = task.What, math.Floor(task.Count*float64(d.below(4))/3)
			case "way":
				e.Method = []season.Method{season.Direct, season.Indoors, season.Bought, ""}[d.below(4)]
				if !season.CanBe(book.Usual().Crop(s.Crop), e.Method) {
					continue
				}
			case "behind":
				e.Count -= 60
			}
			out, err := Log(in, e)
			if err != nil || out.Planting == nil {
				continue // refused, which other tests look at
			}
			before, err := json.Marshal(p)
			if err != nil {
				t.Fatal(err)
			}
			next := after(t, in, e)
			now := planned(t, next)
			standsUp(t, out.Happened.String(), now)
			if again, _ := json.Marshal(planned(t, in)); string(again) != string(before) {
				t.Fatalf("seed %d: after %q the plan before it comes out otherwise", seed, out.Happened.String())
			}
			in = next
		}
		if len(in.Household.Plantings) < 8 {
			t.Errorf("seed %d: only %d plantings came about", seed, len(in.Household.Plantings))
		}
	}
}

// The hours of the weeks are those of the tasks and of weeding what stands; the
// trays are those of the cells.
func TestTheHoursAddUp(t *testing.T) {
	p := planned(t, everything())
	var tasks float64
	most := 0.0
	for _, s := range p.Sowings {
		for _, task := range s.Tasks {
			tasks += task.Minutes / 60
		}
		most = math.Max(most, float64(s.Cells)/40)
	}
	var sum float64
	for _, h := range p.Work.Hours {
		sum += h
	}
	if math.Abs(sum-p.Work.Total) > 1e-9 || sum < tasks || tasks <= 0 {
		t.Errorf("%g hours, %g in the year, %g of them tasks", sum, p.Work.Total, tasks)
	}
	if slices.Max(p.Work.Trays) < most-1e-9 {
		t.Errorf("%g trays at most, one sowing alone fills %g", slices.Max(p.Work.Trays), most)
	}
	w, err := Explain(everything(), "work/total")
	if err != nil || math.Abs(w.Value-p.Work.Total) > 1e-9 || w.Check() > 1e-9 {
		t.Errorf("%g of %g: %v", w.Value, p.Work.Total, err)
	}
	// Seed is kept back for the sowings that follow, and none for the last one.
	left := map[string]float64{}
	for _, s := range slices.Backward(p.Sowings) {
		if s.SeedGram > 0 && s.Method != season.Bought {
			if math.Abs(s.KeepBack-left[s.Crop]) > 1e-9 {
				t.Errorf("%s keeps back %g g, the later ones want %g", s.ID, s.KeepBack, left[s.Crop])
			}
			left[s.Crop] += s.SeedGram
		}
	}
}

// What lies before the last thing done is moot, not overdue.
func TestTasksBeforeTheLastDoneOneAreSkipped(t *testing.T) {
	in := wanting(lettuce(6))
	s := planned(t, in).Sowings[0]
	in.AsOf = s.Day + 3
	in = after(t, in, Event{Sowing: s.ID, What: "done", Task: work.Sow, Day: s.Date})
	in = after(t, in, Event{Sowing: s.ID, What: "done", Task: work.PlantOut, Day: in.AsOf})
	for _, task := range sowingOf(t, planned(t, in), s.ID).Tasks {
		done := task.What == work.Sow || task.What == work.PlantOut
		moot := task.What == work.Harden || task.What == work.UpBy
		if (task.Done != 0) != done || (task.State == work.Skipped) != moot {
			t.Errorf("%s: done %v, state %v", task.What, task.Done, task.State)
		}
	}
}
