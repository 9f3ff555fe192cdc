package daybook

import (
	"cmp"
	"math"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/line"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/work"
)

// taskOf is which task of a sowing a word for work is.
var taskOf = map[string]string{
	"thin": work.Thin, "hill": work.Hill, "cover on": work.CoverOn, "cover off": work.CoverOff, "harden off": work.Harden, "stake": work.Support,
}

// causeOf is the cause of a loss that a word stands for.
var causeOf = map[string]record.Cause{
	"frost": "frost", "aphids": "pests", "slugs": "pests", "snails": "pests", "caterpillars": "pests", "beetles": "pests", "flea beetles": "pests", "blight": "pests",
	"mildew": "pests", "rust": "pests", "whitefly": "pests", "bugs": "pests", "ants": "pests", "rot": "wet", "rain": "wet", "flood": "wet",
	"deer": "animals", "rabbits": "animals", "pigeons": "animals", "mice": "animals", "voles": "animals", "birds": "animals", "moles": "animals",
	"drought": "drought", "heat": "drought", "bolted": "bolted", "did not come up": "seed",
}

// cause returns the cause that a reason stands for; something else where the list has none.
func cause(reason string) record.Cause {
	if c, known := causeOf[strings.TrimSpace(reason)]; known || reason == "" {
		return c
	}
	return "other"
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
	e := plan.Event{Sowing: s.ID, Day: l.Day, Cause: cause(l.Reason)}
	words := s.CropName + " of " + s.Date.Short() + ": "
	switch l.Act {
	case line.LogSown, line.LogPlanted, line.LogPottedOn:
		return d.begun(l, s, words)
	case line.LogUp:
		e.What, e.Count = plan.Survived, 100*l.Number
		if l.Of > 0 {
			e.Count = 100 * l.Number / l.Of
		}
		words += strconv.FormatFloat(math.Round(e.Count), 'f', -1, 64) + " in 100 came up"
	case line.LogLost:
		e.What, e.Count = plan.Survived, 100*(1-l.Number)
		if l.Unit == "plant" {
			e.Count = 100 * (1 - l.Number/math.Max(1, float64(s.Plants)))
		}
		if e.Count = math.Max(0, math.Round(e.Count)); e.Count == 0 {
			e.What = plan.Ended
		}
		words += "lost"
		if e.Count > 0 {
			words += ", " + strconv.FormatFloat(e.Count, 'f', -1, 64) + " in 100 are left"
		}
	case line.LogEnded:
		e.What = plan.Ended
		if l.Reason == "" {
			e.What, e.Task = plan.Done, work.Clear
		}
		words += cmp.Or(l.Reason, "cleared")
	case line.LogSeen:
		e.What = plan.Ready
		words += "ready"
		if l.Unit == "days" {
			e.What, e.Count = plan.Behind, -l.Number
			words = strings.TrimSuffix(words, "ready") + strconv.FormatFloat(math.Abs(l.Number), 'f', -1, 64) + " days " + map[bool]string{true: "behind", false: "ahead"}[l.Number < 0]
		}
	}
	d.out.Events, d.out.Words = append(d.out.Events, e), append(d.out.Words, words)
	return nil
}

// begun works out what was sown or planted: as it was planned, or so many plants.
func (d *desk) begun(l line.Logged, s *plan.Sowing, words string) error {
	e := plan.Event{Sowing: s.ID, What: plan.AsPlanned, Day: l.Day}
	switch {
	case l.Act == line.LogPottedOn:
		e = plan.Event{Sowing: s.ID, What: plan.Done, Task: work.PotOn, Day: l.Day}
		words += "potted on"
	case s.Begun && l.Act == line.LogPlanted:
		e = plan.Event{Sowing: s.ID, What: plan.Done, Task: work.PlantOut, Day: l.Day}
		words += "planted out"
	case l.Act == line.LogPlanted:
		words += "planted"
	default:
		words += "sown"
	}
	if l.Unit == "share" && l.Number < 1 {
		e.Count = math.Round(100 * l.Number)
		words += ", " + strconv.FormatFloat(e.Count, 'f', -1, 64) + " in 100"
	}
	d.out.Events, d.out.Words = append(d.out.Events, e), append(d.out.Words, words)
	if l.Unit == "plant" && l.Number > 0 && l.Act != line.LogPottedOn {
		d.out.Events = append(d.out.Events, plan.Event{Sowing: s.ID, What: plan.Counted, Count: l.Number})
		d.out.Words[len(d.out.Words)-1] += ", " + strconv.FormatFloat(l.Number, 'f', -1, 64) + " plants"
	}
	return nil
}

// done works out work: a task of a sowing where it has such a one, else a note.
func (d *desk) done(l line.Logged, text string) error {
	task := taskOf[l.What]
	if l.Food != "" && task != "" {
		for _, s := range d.sowings(l.Food, l.Kind) {
			if s.Begun && !s.Over && slices.ContainsFunc(s.Tasks, func(t work.Task) bool { return t.What == task && t.State != work.Finished && t.State != work.Skipped }) {
				d.out.Events = append(d.out.Events, plan.Event{Sowing: s.ID, What: plan.Done, Task: task, Day: l.Day})
				d.out.Words = append(d.out.Words, s.CropName+" of "+s.Date.Short()+": done")
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
		return nil, ask("", "No sowing of %s is planned. Wish for it on Table, or enter it under “what grows already”.", l.Food)
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
		return nil, ask("", "No sowing of %s is still to be begun. Enter it under “what grows already”.", l.Food)
	}
	return nil, ask("", "No %s grows, as far as is recorded. Say first that it was sown: “sowed %s”.", l.Food, l.Food)
}
