package daybook

import (
	"cmp"
	"math"
	"slices"
	"strconv"

	"inventory/internal/core/civil"
	"inventory/internal/core/line"
	"inventory/internal/core/plan"
	"inventory/internal/core/work"
)

// taskOf is which task of a sowing a word for work is.
var taskOf = map[string]string{
	"thin": work.Thin, "hill": work.Hill, "cover on": work.CoverOn, "cover off": work.CoverOff, "harden off": work.Harden, "stake": work.Support,
}

// event works out what was done to a sowing or seen of it.
func (d *desk) event(l line.Logged, text string) error {
	if l.Act == line.LogDone {
		return d.done(l, text)
	}
	s, err := d.meant(l)
	if err != nil {
		return err
	}
	e := plan.Event{Sowing: s.ID, Day: l.Day, Cause: line.CauseOf(l.Reason)}
	switch l.Act {
	case line.LogSown, line.LogPlanted, line.LogPottedOn:
		d.begun(l, s)
		return nil
	case line.LogUp:
		e.What, e.Count = cameUp(l, s)
	case line.LogLost:
		e.What, e.Count = plan.Survived, 100*(1-l.Number)
		if l.Unit == "plant" {
			e.Count = 100 * (1 - l.Number/math.Max(1, float64(s.Plants)))
		}
		if e.Count = math.Max(0, math.Round(e.Count)); e.Count == 0 {
			e.What = plan.Ended
		}
	case line.LogEnded:
		e.What = plan.Ended
		if l.Reason == "" {
			e.What, e.Task = plan.Done, work.Clear
		}
	case line.LogSeen:
		e.What = plan.Ready
		if l.Unit == "days" {
			e.What, e.Count = plan.Behind, -l.Number
		}
	}
	d.out.Events = append(d.out.Events, e)
	return nil
}

// cameUp returns what is said of a sowing of which so much is up: so many of its own places, or else
// so many in a hundred.
func cameUp(l line.Logged, s *plan.Sowing) (plan.EventKind, float64) {
	of := int(l.Of)
	switch {
	case of == 0:
		return plan.Survived, 100 * l.Number
	case of == s.Stations || of == s.Cells || of == s.Plants:
		return plan.Standing, l.Number
	}
	return plan.Survived, 100 * l.Number / l.Of
}

// begun works out what was sown or planted: as it was planned, or so many plants.
func (d *desk) begun(l line.Logged, s *plan.Sowing) {
	e := plan.Event{Sowing: s.ID, What: plan.AsPlanned, Day: l.Day}
	switch {
	case l.Act == line.LogPottedOn:
		e.What, e.Task = plan.Done, work.PotOn
	case s.Begun && l.Act == line.LogPlanted:
		e.What, e.Task = plan.Done, work.PlantOut
	case l.Unit == "share" && l.Number < 1:
		e.Count = math.Round(100 * l.Number)
	}
	d.out.Events = append(d.out.Events, e)
	if l.Unit == "plant" && l.Number > 0 && l.Act != line.LogPottedOn {
		d.out.Events = append(d.out.Events, plan.Event{Sowing: s.ID, What: plan.Counted, Count: l.Number})
	}
}

// done works out work: a task of a sowing where it has such a one, else a note.
func (d *desk) done(l line.Logged, text string) error {
	task := taskOf[l.What]
	if l.Food != "" && task != "" {
		for _, s := range d.sowings(l.Food, l.Kind) {
			if s.Begun && !s.Over && slices.ContainsFunc(s.Tasks, func(t work.Task) bool { return t.What == task && t.State != work.Finished && t.State != work.Skipped }) {
				d.out.Events = append(d.out.Events, plan.Event{Sowing: s.ID, What: plan.Done, Task: task, Day: l.Day})
				return nil
			}
		}
	}
	d.note(l, text)
	return nil
}

// sowings lists the sowings of a food by their days.
func (d *desk) sowings(food, kind string) (out []*plan.Sowing) {
	for i := range d.Plan.Sowings {
		s := &d.Plan.Sowings[i]
		if c := d.book.Crop(s.Crop); c != nil && c.Food == food && (kind == "" || s.Crop == kind) && !s.Stands {
			out = append(out, s)
		}
	}
	slices.SortStableFunc(out, func(a, b *plan.Sowing) int { return cmp.Compare(a.Date, b.Date) })
	return out
}

// nearest returns the sowing of which a thing can be said whose day is nearest to that of the
// line; nil where there is none.
func nearest(all []*plan.Sowing, l line.Logged) (best *plan.Sowing) {
	least := civil.Date(math.MaxInt32)
	for _, s := range all {
		fits, day := s.Begun && !s.Over, s.Date
		switch {
		case l.Act == line.LogPlanted && s.Begun:
			fits = !s.InBed && !s.Over // sown indoors, and not yet planted out
		case l.Act == line.LogSown || l.Act == line.LogPlanted:
			fits = !s.Begun && !s.Over
		}
		if l.Act == line.LogPlanted && s.PlantOut != nil {
			day = *s.PlantOut
		}
		if off := max(day-l.Day, l.Day-day); fits && off < least {
			best, least = s, off
		}
	}
	return best
}

// meant returns the sowing that a line means: the one of its number in the order of days; of what
// is begun, the one whose day is nearest; of what is seen, one that grows.
func (d *desk) meant(l line.Logged) (*plan.Sowing, error) {
	all := d.sowings(l.Food, l.Kind)
	if len(all) == 0 {
		return nil, ask("", "No sowing of %s is planned. Add a wish in Table, or enter it under “what is growing already”.", l.Food)
	}
	if n, err := strconv.Atoi(l.Which); err == nil {
		if n > len(all) {
			return nil, ask(l.Which, "There are %d sowings of %s.", len(all), l.Food)
		}
		return all[n-1], nil
	}
	if l.Which == "last" {
		return all[len(all)-1], nil
	}
	if s := nearest(all, l); s != nil {
		return s, nil
	}
	if l.Act == line.LogSown || l.Act == line.LogPlanted {
		return nil, ask("", "All sowings of %s are recorded already. Enter another one under “what is growing already”.", l.Food)
	}
	return nil, ask("", "No growing %s is recorded. Record first that it was sown: “sowed %s”.", l.Food, l.Food)
}
