package demo

import (
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/work"
)

// Begun returns what a made-up household put down of the sowings that its plan had to begin
// until today: most on their days, every ninth five days late.
func Begun(p plan.Plan) []plan.Event {
	type due struct {
		id  string
		day civil.Date
	}
	var all []due
	for _, m := range p.Missed {
		all = append(all, due{m.ID, m.Date})
	}
	for _, s := range p.Sowings {
		if s.Presumed {
			all = append(all, due{s.ID, s.Date})
		}
	}
	slices.SortStableFunc(all, func(a, b due) int { return int(a.day - b.day) })
	out := make([]plan.Event, len(all))
	for i, d := range all {
		out[i] = plan.Event{Sowing: d.id, What: plan.AsPlanned}
		if late := d.day + 5; i%9 == 4 && late <= p.AsOf {
			out[i].Day = late
		}
	}
	return out
}

// Seen returns what a made-up household saw of what it had begun: one sowing came up thin,
// one was lost, and what was ready was picked, a day or two after it was.
func Seen(p plan.Plan) (out []plan.Event) {
	grows := 0
	for _, s := range p.Sowings {
		if !s.Begun || s.Over || s.FirstPick == nil || s.UpBy == nil || *s.UpBy > p.AsOf {
			continue
		}
		grows++
		picked := *s.FirstPick + civil.Date(grows%3)
		switch {
		case grows == 4:
			out = append(out, plan.Event{Sowing: s.ID, What: plan.Survived, Count: 60, Day: *s.UpBy, Note: "thin after a dry week"})
		case grows == 7:
			out = append(out, plan.Event{Sowing: s.ID, What: plan.Ended, Day: min(p.AsOf, *s.UpBy+10), Note: "eaten by slugs"})
		case picked <= p.AsOf && picked > s.Day:
			out = append(out, plan.Event{Sowing: s.ID, What: plan.Ready, Day: picked})
		}
	}
	return out
}

// Cleared returns what a made-up household did of the work that was left in its beds: what
// had been due for three days is done, lifting and clearing among it.
func Cleared(p plan.Plan) (out []plan.Event) {
	for _, s := range p.Sowings {
		if !s.Begun || s.Over {
			continue
		}
		for _, t := range s.Tasks {
			if (t.State == work.Overdue || t.State == work.Forgotten) && t.Day <= p.AsOf-3 && t.Day > s.Day {
				out = append(out, plan.Event{Sowing: s.ID, What: plan.Done, Task: t.What, Day: t.Day})
			}
		}
	}
	return out
}

// Spoilt returns the lots that a made-up household throws out: they are past their time.
func Spoilt(p plan.Plan) (out []string) {
	for _, x := range p.Shelf {
		if x.Expired {
			out = append(out, x.Lot)
		}
	}
	return out
}
