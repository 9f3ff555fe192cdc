package plan

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// Event is what somebody did to a sowing, or saw of it.
type Event struct {
	Sowing string        `json:"sowing"` // its id in the plan
	What   string        `json:"what"`   // one of Events
	Day    civil.Date    `json:"day,omitzero"`
	Count  float64       `json:"count,omitempty"`
	Task   string        `json:"task,omitempty"` // for done: which of its tasks
	Method season.Method `json:"way,omitempty"`
	Note   string        `json:"note,omitempty"`
}

// Events are the things that can be said of a sowing.
var Events = []string{
	"set",    // held where it is; with a day: begun on that day
	"count",  // so many plants: Count
	"way",    // begun in another way: Way
	"done",   // a task was done on a day, and of it so much: Task, Day, Count; 0 counts as all
	"share",  // so many in a hundred came up or stand: Count
	"behind", // so many days behind what is reckoned: Count; before it: less than 0
	"ready",  // the first was picked on a day
	"ended",  // bolted, failed or eaten by something: from a day on it gives nothing
}

// Outcome is what an event makes of a sowing: a planting, or, of a perennial that
// was planted, a patch.
type Outcome struct {
	Planting *record.Planting
	Patch    *household.Patch
	Words    string // what happened
}

// Log turns an event into what it makes of a sowing. An event that cannot be
// gives an invalid.Field.
func Log(in Input, e Event) (Outcome, error) {
	c, err := worked(in, nil)
	if err != nil {
		return Outcome{}, err
	}
	k := slices.IndexFunc(c.sown, func(s *sown) bool { return s.ID == e.Sowing })
	if k < 0 {
		return Outcome{}, &invalid.Field{Field: "sowing", Value: e.Sowing, Allowed: "a sowing of the plan; it may have changed since"}
	}
	s := c.sown[k]
	if s.Method == "patch" {
		return c.planted(s, e)
	}
	p := c.planting(s)
	words, err := c.happened(s, &p, e)
	if err != nil {
		return Outcome{}, err
	}
	if e.Note != "" {
		p.Note = e.Note
	}
	return Outcome{Planting: &p, Words: words}, nil
}

// planted makes a patch of a perennial that was planted.
func (c *computed) planted(s *sown, e Event) (Outcome, error) {
	if e.What != "done" || e.Task != work.PlantOut || s.Stands {
		return Outcome{}, &invalid.Field{Field: "sowing", Value: s.CropName, Allowed: "a sowing of a season: a patch that stands is entered in House"}
	}
	day := e.Day
	if day == 0 {
		day = c.in.AsOf
	}
	year, _, _ := day.Split()
	p := household.Patch{Crop: s.Crop, Plants: max(1, s.Plants), Planted: year}
	if e.Count >= 1 {
		p.Plants = int(e.Count)
	}
	return Outcome{Patch: &p, Words: fmt.Sprintf("planted a patch of %d %s", p.Plants, lower(s.CropName))}, nil
}

// planting returns what is known of a sowing so far as a planting.
func (c *computed) planting(s *sown) record.Planting {
	if s.hand != nil {
		p := *s.hand.Planting
		p.For, p.Done = slices.Clone(p.For), slices.Clone(p.Done)
		return p
	}
	planned := s.Date
	p := record.Planting{Planned: &planned, ID: s.ID, Crop: s.Crop, Cover: place.Cover(s.Cover), Method: s.Choice, Day: s.Day, Asked: s.Plants, For: []record.Purpose{}}
	if s.Early { // what was risked becomes a sowing like any other once it is there
		p.Note = "risked early"
	}
	for _, f := range s.For {
		to := record.Purpose{Wish: f.Wish, Form: wish.Form(f.Form), Part: f.Part}
		if !slices.Contains(p.For, to) {
			p.For = append(p.For, to)
		}
	}
	return p
}

// happened puts an event into a planting.
func (c *computed) happened(s *sown, p *record.Planting, e Event) (string, error) {
	name := lower(s.CropName)
	on := func() civil.Date {
		if e.Day == 0 {
			return c.in.AsOf
		}
		return e.Day
	}
	count := func(least, most float64, of string) error {
		if math.IsNaN(e.Count) || e.Count < least || e.Count > most {
			return &invalid.Field{Field: "count", Value: invalid.FormatNumber(e.Count), Allowed: fmt.Sprintf("%s from %g to %g", of, least, most)}
		}
		return nil
	}
	if slices.Contains([]string{"share", "behind", "ready"}, e.What) && !s.Begun {
		return "", &invalid.Field{Field: "what", Value: e.What, Allowed: "first that it was sown or planted: until then there is nothing to see of it"}
	}
	switch e.What {
	case "set":
		if e.Day == 0 || e.Day == s.Date {
			return "held " + name + " of " + s.Date.Short(), nil
		}
		if s.Begun {
			return "", &invalid.Field{Field: "day", Value: e.Day.String(), Allowed: "no other day: it was begun on " + s.Date.Short() + "; say when it was done instead"}
		}
		p.Day += e.Day - s.Date
		return fmt.Sprintf("moved %s from %s to %s", name, s.Date.Short(), e.Day.Short()), nil
	case "count":
		if err := count(1, 200000, "plants"); err != nil {
			return "", err
		}
		p.Plants, p.Asked = int(e.Count), max(s.Plants, s.Wants)
		return fmt.Sprintf("counted %d plants of %s", p.Plants, name), nil
	case "way":
		p.Method = e.Method
		return fmt.Sprintf("%s of %s: %s", name, s.Date.Short(), methodWords[e.Method]), nil
	case "done":
		return c.doneTask(s, p, e, on())
	case "share":
		if err := count(0, 100, "plants in a hundred"); err != nil {
			return "", err
		}
		p.Asked = max(p.Asked, s.Plants)
		p.Plants = max(1, int(float64(s.Plants)*e.Count/100))
		if p.Up == nil {
			day := on()
			p.Up = &day
		}
		return fmt.Sprintf("%.0f in a hundred of %s stand", e.Count, name), nil
	case "behind":
		if err := count(-60, 120, "days"); err != nil {
			return "", err
		}
		p.Behind += int(e.Count)
		if e.Count < 0 {
			return fmt.Sprintf("%s of %s is %.0f days ahead", name, s.Date.Short(), -e.Count), nil
		}
		return fmt.Sprintf("%s of %s is %.0f days behind", name, s.Date.Short(), e.Count), nil
	case "ready":
		if s.FirstPick == nil {
			return "", &invalid.Field{Field: "what", Value: "ready", Allowed: "something else: nothing is picked of it"}
		}
		if on() <= s.Day {
			return "", &invalid.Field{Field: "day", Value: on().String(), Allowed: "a day after " + s.Day.Short() + ", when it went into the ground"}
		}
		p.Behind += int(on() - *s.FirstPick)
		p.Behind = max(-120, min(120, p.Behind))
		p.Done = logged(p.Done, record.Done{What: work.Pick, Day: on()})
		return fmt.Sprintf("first picked %s on %s", name, on().Short()), nil
	case "ended":
		day := on()
		p.Ended, p.Lost = &day, true
		if p.Plants == 0 {
			p.Plants = s.Plants
		}
		if !p.Begun() {
			return fmt.Sprintf("%s of %s is not sown", name, s.Date.Short()), nil
		}
		return fmt.Sprintf("%s of %s ended on %s", name, s.Date.Short(), day.Short()), nil
	}
	return "", &invalid.Field{Field: "what", Value: e.What, Allowed: "one of set, count, way, done, share, behind, ready, ended"}
}

var methodWords = map[season.Method]string{"": "as the book has it", season.Direct: "sown in place", season.Indoors: "raised indoors", season.Bought: "bought as starts"}

// doneTask puts a task that was done into a planting, with its real day and
// count.
func (c *computed) doneTask(s *sown, p *record.Planting, e Event, day civil.Date) (string, error) {
	k := slices.IndexFunc(s.Tasks, func(t work.Task) bool { return t.What == e.Task })
	if k < 0 {
		return "", &invalid.Field{Field: "task", Value: e.Task, Allowed: "a task of this sowing"}
	}
	t := s.Tasks[k]
	if e.Count < 0 || math.IsNaN(e.Count) || e.Count > 1e6 {
		return "", &invalid.Field{Field: "count", Value: invalid.FormatNumber(e.Count), Allowed: "how much of it was done, 0 for all"}
	}
	if day > c.in.AsOf {
		return "", &invalid.Field{Field: "day", Value: day.String(), Allowed: "a day that has been: what is still to come is moved, not done"}
	}
	scale := 1.0
	if e.Count > 0 && t.Count > 0 {
		scale = e.Count / t.Count
	}
	counts := func() { // what was really sown or set out decides how many plants there are
		p.Asked = max(p.Asked, s.Plants)
		p.Plants = max(1, int(math.Round(float64(s.Plants)*scale)))
	}
	switch t.What {
	case work.Sow:
		p.Sown = &day
		p.Day += day - s.Date
		counts()
	case work.PlantOut:
		if s.Method == "raised" {
			p.Out = &day
			if p.Sown == nil {
				sown := day - (s.Day - s.Date)
				p.Sown = &sown
			}
		} else {
			p.Sown = &day
		}
		p.Day = day
		counts()
	case work.UpBy:
		p.Up = &day
	case work.Pick, work.Lift:
		if !s.Begun || day <= s.Day {
			return "", &invalid.Field{Field: "task", Value: t.Do, Allowed: "first that it was sown or planted, and on which day before"}
		}
		if s.FirstPick != nil {
			p.Behind = max(-120, min(120, p.Behind+int(day-*s.FirstPick)))
		}
	case work.Clear:
		p.Ended = &day
	}
	p.Done = logged(p.Done, record.Done{What: t.What, Day: day, Count: e.Count})
	words := fmt.Sprintf("%s: %s", lower(t.Do), lower(s.CropName))
	if e.Count > 0 && t.Count > 0 && scale != 1 {
		words += fmt.Sprintf(", %g of %g %s", e.Count, math.Round(t.Count*10)/10, t.Unit)
	}
	return words + ", " + day.Short(), nil
}

// logged puts a thing done among the others, in the place of the same one.
func logged(all []record.Done, d record.Done) []record.Done {
	if k := slices.IndexFunc(all, func(o record.Done) bool { return o.What == d.What }); k >= 0 {
		all[k] = d
		return all
	}
	return append(all, d)
}
