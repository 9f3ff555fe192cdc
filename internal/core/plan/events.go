package plan

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/work"
)

// Event is what somebody did to a sowing, or saw of it.
type Event struct {
	Sowing string        `json:"sowing"` // its id in the plan
	What   EventKind     `json:"what"`
	Day    civil.Date    `json:"day,omitzero"` // zero: today
	Count  float64       `json:"count,omitempty"`
	Task   string        `json:"task,omitempty"` // for Done: which of its tasks
	Method season.Method `json:"way,omitempty"`
	Note   string        `json:"note,omitempty"`
	Cause  record.Cause  `json:"cause,omitempty"` // of a loss: for Ended and Survived

	Weighed record.Weighed `json:"weighed,omitempty"` // for WasWeighed; empty: as usual
}

// EventKind is what can be said of a sowing.
type EventKind string

// The kinds of event. What is known of each is in events.
const (
	Fix        EventKind = "set"        // fixed where it is; with a day: begun on that day
	Counted    EventKind = "count"      // so many plants: Count
	ByMethod   EventKind = "way"        // begun by another method: Method
	AsPlanned  EventKind = "as-planned" // begun as it was planned, on its day or on Day, and planted out if that day has come; of a hundred plants so many: Count, 0 for all
	Done       EventKind = "done"       // a task was done on a day, and of it so much: Task, Day, Count; 0 counts as all
	Survived   EventKind = "share"      // so many in a hundred came up or are alive: Count
	Standing   EventKind = "stood"      // so many stations, cells or plants were counted up: Count
	Refilled   EventKind = "refill"     // the gaps were sown again
	Behind     EventKind = "behind"     // so many days behind the plan: Count; ahead of it: less than 0
	Ready      EventKind = "ready"      // the first was picked on a day
	WasWeighed EventKind = "weighed"    // how much of what came in was weighed: Weighed
	LetBe      EventKind = "let-be"     // it was not begun, and nothing is to be begun in its place
	Ended      EventKind = "ended"      // it bolted, failed or was eaten: from a day on it gives nothing
)

// eventFacts is all that is known of a kind of event.
type eventFacts struct {
	kind        EventKind
	growing     bool    // it can be said only of what was sown or planted
	least, most float64 // bounds of Count
	of          string  // what Count counts; empty: the event has no bounds of its own
	apply       func(c *computed, s *sown, p *record.Planting, e Event) (happened say.Fact, err error)
}

var events = []eventFacts{
	{kind: Fix, apply: fix},
	{kind: Counted, least: 1, most: 200000, of: "plants", apply: count},
	{kind: ByMethod, apply: byMethod},
	{kind: AsPlanned, apply: asPlanned},
	{kind: Done, apply: (*computed).doneTask},
	{kind: Survived, growing: true, most: 100, of: "plants of 100", apply: survived},
	{kind: Standing, growing: true, most: 200000, of: "places that are up", apply: standing},
	{kind: Refilled, growing: true, apply: refilled},
	{kind: Behind, growing: true, least: -60, most: 120, of: "days", apply: behind},
	{kind: Ready, growing: true, apply: ready},
	{kind: WasWeighed, growing: true, apply: wasWeighed},
	{kind: LetBe, apply: letBe},
	{kind: Ended, apply: ended},
}

// Events lists the kinds of event.
func Events() []EventKind {
	out := make([]EventKind, len(events))
	for i, f := range events {
		out[i] = f.kind
	}
	return out
}

// happened puts an event into what is recorded of a sowing, and returns what happened.
func (c *computed) happened(s *sown, p *record.Planting, e Event) (say.Fact, error) {
	if e.Day == 0 && e.What != Fix && e.What != AsPlanned {
		e.Day = c.in.AsOf
	}
	names := make([]string, len(events))
	for i, f := range events {
		names[i] = string(f.kind)
		switch {
		case f.kind != e.What:
			continue
		case f.growing && !s.Begun:
			return nil, &invalid.Field{Field: "what", Value: string(e.What), Allowed: "Record first that it was sown or planted."}
		case !known(e.Cause):
			return nil, &invalid.Field{Field: "cause", Value: string(e.Cause), Allowed: "a cause of losses, such as frost, or none"}
		case f.of != "" && (math.IsNaN(e.Count) || e.Count < f.least || e.Count > f.most):
			return nil, &invalid.Field{Field: "count", Value: invalid.FormatNumber(e.Count), Allowed: fmt.Sprintf("%s from %g to %g", f.of, f.least, f.most)}
		}
		return f.apply(c, s, p, e)
	}
	return nil, &invalid.Field{Field: "what", Value: string(e.What), Allowed: "one of " + strings.Join(names, ", ")}
}

func fix(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	if e.Day == 0 || e.Day == s.Date {
		return say.HeldSowing{Crop: s.CropName, On: s.Date}, nil
	}
	if s.Begun {
		return nil, &invalid.Field{Field: "day", Value: e.Day.String(), Allowed: "Already started on " + s.Date.Short() + ". Change that date instead."}
	}
	p.Day += e.Day - s.Date
	return say.MovedSowing{Crop: s.CropName, From: s.Date, To: e.Day}, nil
}

// broughtIn are the tasks of the harvest: nobody says that they were done by saying that a sowing
// was begun.
var broughtIn = []string{work.Pick, work.LastPick, work.Lift, work.Cured, work.Clear}

// asPlanned records that a sowing was begun as the plan had it, all of it or so many plants in a
// hundred, on its day where no other is given, and that all went on by its days until today: it came up, was thinned, planted out.
func asPlanned(c *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	day := e.Day
	if day == 0 {
		day = s.Date
	}
	switch {
	case s.Begun:
		return nil, &invalid.Field{Field: "what", Value: string(e.What), Allowed: "Report something else. It was started on " + s.Date.Short() + " already"}
	case day > c.in.AsOf:
		return nil, &invalid.Field{Field: "day", Value: day.String(), Allowed: "Choose today or an earlier day. To plan ahead, change the date."}
	case math.IsNaN(e.Count) || e.Count < 0 || e.Count > 100:
		return nil, &invalid.Field{Field: "count", Value: invalid.FormatNumber(e.Count), Allowed: "the number of plants of 100; 0 means all"}
	}
	share := 1.0
	if e.Count > 0 {
		share = e.Count / 100
	}
	later := day - s.Date
	p.Sown, p.Day = &day, s.Day+later
	p.Asked, p.Plants = max(p.Asked, s.Plants), max(1, int(math.Round(share*float64(s.Plants))))
	for _, t := range s.Tasks { // what was due since is done too, but for what is brought in
		on := t.Day + later
		if on > c.in.AsOf || slices.Contains(broughtIn, t.What) {
			continue
		}
		switch {
		case t.What == work.PlantOut && s.Method == season.Indoors:
			p.Out = &on
		case t.What == work.UpBy:
			p.Up = &on
		}
		p.Done = logged(p.Done, record.Done{What: t.What, Day: on})
	}
	return say.BegunOn{Crop: s.CropName, On: day, Share: e.Count}, nil
}

func count(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	p.Plants, p.Asked = int(e.Count), max(s.Plants, s.Wants)
	return say.CountedPlants{Plants: p.Plants, Crop: s.CropName}, nil
}

func byMethod(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	p.Method = e.Method
	return say.BegunBy{Crop: s.CropName, On: s.Date, Method: e.Method.Facts().Words}, nil
}

func survived(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	p.Asked = max(p.Asked, s.Plants)
	p.Plants = max(1, int(float64(s.Plants)*e.Count/100))
	if p.Up == nil {
		p.Up = &e.Day
	}
	if e.Cause != "" {
		p.Losses = append(slices.Clone(p.Losses), record.Loss{Day: e.Day, Left: e.Count, Cause: e.Cause})
	}
	return say.Stands{Share: e.Count, Crop: s.CropName}, nil
}

// places returns how many places of a sowing seed was put in: stations, cells, or else plants.
func places(s *sown) int {
	if n := max(s.Stations, s.Cells); n > 0 {
		return n
	}
	return s.Plants
}

// standing records how many places of a sowing were counted up: of its plants stand as many, in
// proportion. What is known of its places is told before it was first counted.
func standing(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	all := places(s)
	if p.Of > 0 {
		all = p.Of
	}
	up := int(e.Count)
	if up > all {
		return nil, &invalid.Field{Field: "count", Value: invalid.FormatNumber(e.Count), Allowed: fmt.Sprintf("at most %d, because that many were sown", all)}
	}
	p.Asked = max(p.Asked, s.Plants)
	p.Stood, p.Of, p.Up, p.Refill = up, all, &e.Day, nil // counted anew: its gaps may be sown once more
	p.Plants = max(1, int(math.Round(float64(p.Asked)*float64(up)/float64(all))))
	return say.CountedUp{Crop: s.CropName, Up: up, Of: all}, nil
}

// refilled records that the gaps of a sowing were sown again: it is whole once more, and is asked
// about when the new seed should be up.
func refilled(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	if p.Stood >= p.Of {
		return nil, &invalid.Field{Field: "what", Value: string(e.What), Allowed: "Enter first how many came up."}
	}
	gaps := p.Of - p.Stood
	p.Plants, p.Refill, p.Up = max(p.Asked, p.Plants), &e.Day, nil
	return say.GapsRefilled{Crop: s.CropName, Gaps: gaps}, nil
}

func behind(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	p.Behind += int(e.Count)
	return say.DaysBehind{Crop: s.CropName, Of: s.Date, Days: e.Count}, nil
}

// mostBehind bounds how far a sowing may be behind or ahead, days.
const mostBehind = 120

func ready(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	if s.FirstPick == nil {
		return nil, &invalid.Field{Field: "what", Value: string(e.What), Allowed: "This sowing has no harvest. Report something else."}
	}
	if e.Day <= s.Day {
		return nil, &invalid.Field{Field: "day", Value: e.Day.String(), Allowed: "a day after " + s.Day.Short() + ", when it was sown or planted"}
	}
	p.Behind = max(-mostBehind, min(mostBehind, p.Behind+int(e.Day-*s.FirstPick)))
	p.Done = logged(p.Done, record.Done{What: work.Pick, Day: e.Day})
	return say.FirstPicked{Crop: s.CropName, On: e.Day}, nil
}

func ended(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	p.Ended, p.Lost = &e.Day, true
	if p.Plants == 0 {
		p.Plants = s.Plants
	}
	if !p.Begun() {
		return say.NotSown{Crop: s.CropName, Of: s.Date}, nil
	}
	p.Losses = append(slices.Clone(p.Losses), record.Loss{Day: e.Day, Cause: e.Cause})
	why, _ := e.Cause.Words()
	return say.EndedOn{Crop: s.CropName, Of: s.Date, On: e.Day, Why: why}, nil
}

// letBe records that a sowing was not begun and that nothing is to be begun in its place: the
// weeks that it was to feed stay without.
func letBe(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	if s.Begun {
		return nil, &invalid.Field{Field: "what", Value: string(e.What), Allowed: "Report something else. It was started on " + s.Date.Short() + ". Report that it failed instead."}
	}
	p.Ended, p.Lost, p.LetBe = &e.Day, true, true
	p.Asked, p.Plants = max(p.Asked, s.Plants), max(1, s.Plants)
	for _, u := range s.parts {
		if u.d.key.fresh {
			p.Weeks = append(p.Weeks, u.s.Run.List()...)
		}
	}
	slices.Sort(p.Weeks)
	p.Weeks = slices.Compact(p.Weeks)
	return say.LetBe{Crop: s.CropName, Of: s.Date}, nil
}

// wasWeighed records how much of what came in of a sowing was weighed: what is learned from it goes by
// that.
func wasWeighed(_ *computed, s *sown, p *record.Planting, e Event) (say.Fact, error) {
	check := invalid.NewCheck()
	if e.Weighed.Validate(check, "weighed"); check.Err() != nil {
		return nil, &invalid.Field{Field: "weighed", Value: string(e.Weighed), Allowed: "all, most, half or none; empty: as usual"}
	}
	p.Said = e.Weighed
	share, _ := e.Weighed.Share()
	return say.WasWeighed{Crop: s.CropName, Of: s.Date, Usual: e.Weighed == "", Share: share}, nil
}

func known(c record.Cause) bool {
	_, ok := c.Words()
	return ok
}
