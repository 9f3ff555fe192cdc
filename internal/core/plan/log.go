package plan

import (
	"errors"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// Outcome is what an event makes of a sowing: a planting, or, of a perennial that
// was planted, a patch; and the lot that goes into a storage place by it.
type Outcome struct {
	Planting *record.Planting
	Patch    *household.Patch
	Lot      *stock.Lot
	Happened say.Fact
}

// Log turns an event into what it makes of a sowing. An event that cannot be
// gives an invalid.Field.
func Log(in Input, e Event) (Outcome, error) {
	c, err := worked(in, nil)
	if err != nil {
		return Outcome{}, err
	}
	return c.log(e)
}

// log turns an event into what it makes of a sowing of a plan, or of one that it misses.
func (c *computed) log(e Event) (Outcome, error) {
	named := func(s *sown) bool { return s.ID == e.Sowing }
	k := slices.IndexFunc(c.sown, named)
	if k < 0 && slices.ContainsFunc(c.plan.Missed, func(m Missed) bool { return m.ID == e.Sowing }) {
		whole, err := c.asIfInTime()
		if err != nil {
			return Outcome{}, err
		}
		c, k = whole, slices.IndexFunc(whole.sown, named)
	}
	if k < 0 {
		return Outcome{}, &invalid.Field{Field: "sowing", Value: e.Sowing, Allowed: "Choose a sowing of the plan. This one may have changed since."}
	}
	s := c.sown[k]
	if s.Method == season.Patch {
		return c.planted(s, e)
	}
	p := c.planting(s)
	out := Outcome{Planting: &p}
	if k := slices.IndexFunc(s.Tasks, func(t work.Task) bool { return t.What == e.Task }); k >= 0 && e.What == Done {
		day := e.Day
		if day == 0 {
			day = c.in.AsOf
		}
		out.Lot = s.stored(&p, s.Tasks[k], e.Count, day)
	}
	var err error
	if out.Happened, err = c.happened(s, &p, e); err != nil {
		return Outcome{}, err
	}
	if did, ok := out.Happened.(say.DidTask); ok && out.Lot != nil {
		did.Stored, did.StoredUnit = out.Lot.Count, out.Lot.Unit
		out.Happened = did
	}
	if e.Note != "" {
		p.Note = e.Note
	}
	return out, nil
}

// Logged returns an input with events put down, and what each made of its sowing. They are
// of the plan as it is before the first of them, but for a second event of one sowing, which
// is of the plan after the first. A patch that was planted is not among what the input holds.
// The error is that of Log, with the place of its event.
func (in Input) Logged(events []Event) (Input, []Outcome, error) {
	c, err := worked(in, nil)
	if err != nil {
		return in, nil, err
	}
	out, put := make([]Outcome, 0, len(events)), map[string]bool{}
	for i, e := range events {
		if put[e.Sowing] {
			if c, err = worked(in, nil); err != nil {
				return in, nil, err
			}
			clear(put)
		}
		one, err := c.log(e)
		var wrong *invalid.Field
		if errors.As(err, &wrong) {
			return in, nil, &invalid.Field{Field: invalid.Element("events", i) + "." + wrong.Field, Value: wrong.Value, Allowed: wrong.Allowed}
		}
		if err != nil {
			return in, nil, err
		}
		put[e.Sowing] = true
		if out = append(out, one); one.Planting != nil {
			same := func(x record.Planting) bool { return x.ID == one.Planting.ID }
			in.Household.Plantings = append(slices.DeleteFunc(slices.Clone(in.Household.Plantings), same), *one.Planting)
		}
	}
	return in, out, nil
}

// planted makes a patch of a perennial that was planted.
func (c *computed) planted(s *sown, e Event) (Outcome, error) {
	if e.What != Done || e.Task != work.PlantOut || s.Stands {
		return Outcome{}, &invalid.Field{Field: "sowing", Value: s.CropName, Allowed: "Choose a sowing of this season. Add a patch in House."}
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
	return Outcome{Patch: &p, Happened: say.PlantedPatch{Plants: p.Plants, Crop: s.CropName}}, nil
}

// planting returns what is known of a sowing so far as a planting.
func (c *computed) planting(s *sown) record.Planting {
	if s.hand != nil && !s.hand.Presumed {
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

// doneTask puts a task that was done into a planting, with its real day and
// count.
//
// One function, since each task is one case.
func (c *computed) doneTask(s *sown, p *record.Planting, e Event) (say.Fact, error) {
	day := e.Day
	k := slices.IndexFunc(s.Tasks, func(t work.Task) bool { return t.What == e.Task })
	if k < 0 {
		return nil, &invalid.Field{Field: "task", Value: e.Task, Allowed: "Choose a task of this sowing."}
	}
	t := s.Tasks[k]
	if e.Count < 0 || math.IsNaN(e.Count) || e.Count > 1e6 {
		return nil, &invalid.Field{Field: "count", Value: invalid.FormatNumber(e.Count), Allowed: "how much of it was done; 0 means all"}
	}
	if day > c.in.AsOf {
		return nil, &invalid.Field{Field: "day", Value: day.String(), Allowed: "Choose today or an earlier day. To plan ahead, change the date."}
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
		if s.Method == season.Indoors {
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
			return nil, &invalid.Field{Field: "task", Value: t.Do, Allowed: "Record first that it was sown or planted, and on which day before"}
		}
		before, picked := doneBefore(p, t.What)
		if picked && day >= before { // picked once more: the first picking stays the first
			day = before
		} else if s.FirstPick != nil {
			p.Behind = max(-mostBehind, min(mostBehind, p.Behind+int(day-*s.FirstPick)))
		}
	case work.Clear:
		p.Ended = &day
	}
	part := t.What == work.Lift && scale < 1-1e-9
	p.Done = logged(p.Done, record.Done{What: t.What, Day: day, Count: e.Count, Part: part})
	did := say.DidTask{Task: t.Do, Crop: s.CropName, On: day}
	if scale != 1 {
		did.Done, did.Of, did.Unit = e.Count, math.Round(t.Count*10)/10, string(t.Unit)
	}
	return did, nil
}

// doneBefore returns the day on which a task of a planting was done already.
func doneBefore(p *record.Planting, what string) (day civil.Date, done bool) {
	for _, d := range p.Done {
		if d.What == what {
			return d.Day, true
		}
	}
	return 0, false
}

// logged puts a thing done among the others, in the place of the same one.
func logged(all []record.Done, d record.Done) []record.Done {
	if k := slices.IndexFunc(all, func(o record.Done) bool { return o.What == d.What }); k >= 0 {
		all[k] = d
		return all
	}
	return append(all, d)
}
