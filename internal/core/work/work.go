// Package work turns sowings into work: dated tasks with their counts and
// minutes, the hours each week takes, and the trays on the raising shelf.
package work

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
)

// The things there are to do, by the names that stay the same from plan to plan.
const (
	Sow      = "sow"
	PotOn    = "pot-on"
	Harden   = "harden-off"
	PlantOut = "plant-out"
	CoverOn  = "cover-on"
	CoverOff = "cover-off"
	UpBy     = "up-by"
	Thin     = "thin"
	Support  = "support"
	Hill     = "hill"
	Pick     = "pick"
	Lift     = record.Lift
	Cured    = "cured"
	LastPick = "last-pick"
	Clear    = "clear"
	Care     = "care-" // what a household does for a crop: before the id of its step
)

// State is how a task stands on the day of the plan.
type State string

// The states of a task.
const (
	Open      State = "open"      // to be done on its day, or today
	Overdue   State = "overdue"   // its day has passed
	Forgotten State = "forgotten" // its day passed so long ago that nobody will do it any more
	Waiting   State = "waiting"   // it follows something that was not done on its day
	Skipped   State = "skipped"   // something after it is done, or the sowing has ended
	Finished  State = "done"
)

// forgottenAfter is for how many days an overdue task is shown.
const forgottenAfter = 45

// StateOn returns the state of an open task on a day. First says that it starts its sowing,
// begun that the sowing is made, late that its start is overdue.
func (t Task) StateOn(today civil.Date, first, begun, late bool) State {
	switch {
	case t.Done != 0:
		return Finished
	case !first && !begun && (late || t.Day < today):
		return Waiting
	case t.Day >= today:
		return Open
	case t.Day < today-forgottenAfter:
		return Forgotten
	}
	return Overdue
}

// Task is one dated thing to do for a sowing.
type Task struct {
	What    string      `json:"what"`
	Do      string      `json:"do"` // in words, before the name of the crop
	Day     civil.Date  `json:"day"`
	Until   civil.Date  `json:"until,omitzero"`  // of what goes on: the last day
	Every   int         `json:"every,omitempty"` // days between, of what goes on; 0: once
	Count   float64     `json:"count,omitempty"` // what there is to do of it
	Unit    amount.Unit `json:"unit,omitempty"`
	Each    int         `json:"each,omitempty"` // seeds to a cell or station
	Noun    string      `json:"noun,omitempty"` // what is counted, where the unit does not say it: tubers, of row
	Minutes float64     `json:"minutes"`        // of all of it
	State   State       `json:"state"`
	Done    civil.Date  `json:"done,omitzero"`
	Got     float64     `json:"got,omitempty"` // what was really done of it
}

// Starts reports whether a task begins a sowing or brings it into the bed.
func (t Task) Starts() bool { return t.What == Sow || t.What == PlantOut }

// Job is a sowing as the work sees it. Days that are zero are none.
type Job struct {
	Crop   *book.Crop
	Method season.Method

	Date, Harden, Out, Up, First, Last, Clear civil.Date

	Cells, SetOut, Stations, Each, Plants int
	Drill, SeedGram, Area, Gives          float64 // m, g, m², kg or pieces
	Unit                                  amount.Unit
	Stock                                 string          // what planting stock is called: tubers, cloves
	Kept                                  bool            // it goes into a store
	Steps                                 []book.CareStep // what the household does for the crop

	Cover  string    // what it is called: fleece, net; empty where there is none
	Covers []Covered // when it lies, in order
	Hoops  int       // that hold it
}

// Covered is a span of days in which a cover lies: put on on the first and taken off on
// the last.
type Covered struct{ On, Off civil.Date }

// How long after it is up a sowing is thinned and staked, and after it is
// planted hilled, days.
const (
	thinAfter    = 10
	supportAfter = 14
	hillAfter    = 21
)

// pottedOn is the fewest weeks indoors after which starts are potted on.
const pottedOn = 6

// Tasks returns what there is to do for a job, in the order of its days.
func Tasks(j Job, r book.Rules) []Task {
	var room [16]Task // on the stack: most sowings have fewer than eight tasks
	out, stands := start(room[:0], j, r)
	out = cover(out, j)
	out = tend(out, j, r, stands)
	out = care(out, j, stands)
	out = append(out, j.harvest(r)...)
	if j.Method.OneYear() {
		out = add(out, Task{What: Clear, Do: "Clear", Day: j.Clear, Count: j.Area, Unit: amount.SquareMetre, Minutes: j.Area * r.MinutesClear})
	}
	slices.SortStableFunc(out, func(a, b Task) int { return int(a.Day - b.Day) })
	return slices.Clone(out)
}

// add adds a task; one without a day is none.
func add(out []Task, t Task) []Task {
	if t.Day == 0 {
		return out
	}
	return append(out, t)
}

// start adds what there is to do to start a crop, and returns the day from which it is in
// the bed.
func start(out []Task, j Job, r book.Rules) (_ []Task, stands civil.Date) {
	stands = j.Date
	switch j.Method {
	case season.Indoors:
		stands = j.Out
		out = add(out, Task{What: Sow, Do: "Sow indoors", Day: j.Date, Count: float64(j.Cells), Unit: amount.Cell, Each: j.Each, Minutes: float64(j.Cells) * r.MinutesCell})
		if j.Crop.RaiseWeeks.Or(0) >= pottedOn && j.Out-j.Date > 35 {
			out = add(out, Task{What: PotOn, Do: "Move to bigger pots", Day: j.Date + (j.Out-j.Date)/2, Count: float64(j.SetOut), Unit: amount.Start, Minutes: float64(j.SetOut) * r.MinutesCell})
		}
		out = add(out, Task{What: Harden, Do: "Start hardening off", Day: j.Harden, Count: float64(j.SetOut), Unit: amount.Start, Minutes: 15})
		out = add(out, Task{What: PlantOut, Do: "Plant out", Day: j.Out, Count: float64(j.SetOut), Unit: amount.Start, Minutes: float64(j.SetOut) * r.MinutesPlant})
	case season.Bought:
		out = add(out, Task{What: PlantOut, Do: "Buy and plant out", Day: j.Date, Count: float64(j.SetOut), Unit: amount.Start, Minutes: float64(j.SetOut) * r.MinutesPlant})
	case season.Stock:
		out = add(out, Task{What: PlantOut, Do: "Plant", Day: j.Date, Count: float64(j.SetOut), Unit: amount.Start, Noun: j.Stock, Minutes: float64(j.SetOut) * r.MinutesPlant})
	case season.Patch:
		out = add(out, Task{What: PlantOut, Do: "Plant the patch", Day: j.Date, Count: float64(max(j.SetOut, j.Plants)), Unit: amount.Start, Noun: j.Stock, Minutes: float64(j.SetOut) * r.MinutesPlant})
	case season.Tray:
		out = add(out, Task{What: Sow, Do: "Sow on trays", Day: j.Date, Count: j.SeedGram, Unit: amount.Gram, Minutes: 10})
	default:
		t := Task{What: Sow, Do: "Sow in the bed", Day: j.Date, Count: float64(j.Stations), Unit: amount.Station, Each: j.Each, Minutes: j.Area * r.MinutesSow}
		if j.Drill > 0 {
			t.Count, t.Unit, t.Each, t.Noun = j.Drill, amount.Metre, 0, "of row"
		}
		out = add(out, t)
	}
	return out, stands
}

// cover adds putting covers on and taking them off.
func cover(out []Task, j Job) []Task {
	for i, c := range j.Covers {
		again := ""
		if i > 0 {
			again = fmt.Sprintf("-%d", i+1)
		}
		on, off := "Put the "+j.Cover+" on", "Take the "+j.Cover+" off"
		if j.Cover == "tunnel" || j.Cover == "frame" {
			on, off = "Shut the "+j.Cover, "Open the "+j.Cover
		} else if j.Hoops > 0 {
			on += fmt.Sprintf(", over %d hoops", j.Hoops)
		}
		out = add(out, Task{What: CoverOn + again, Do: on, Day: c.On, Count: j.Area, Unit: amount.SquareMetre, Minutes: j.Area})
		out = add(out, Task{What: CoverOff + again, Do: off, Day: c.Off, Count: j.Area, Unit: amount.SquareMetre, Minutes: j.Area / 2})
	}
	return out
}

// tend adds what there is to do while a crop grows.
func tend(out []Task, j Job, r book.Rules, stands civil.Date) []Task {
	if j.Up != 0 {
		out = add(out, Task{What: UpBy, Do: "Check seedlings", Day: j.Up, Count: float64(j.Plants), Unit: amount.Plant})
	}
	up := stands
	if j.Method == season.Direct && j.Up != 0 {
		up = j.Up
		if (j.Drill > 0 || j.Each > 1) && !j.instead(Thin) {
			out = add(out, Task{What: Thin, Do: "Thin", Day: j.Up + thinAfter, Count: float64(j.Plants), Unit: amount.Plant, Minutes: j.Area * r.MinutesThin})
		}
	}
	if s := j.Crop.Support; s != "" && s != book.NoSupport && j.Method != season.Patch && !j.instead(Support) {
		out = add(out, Task{What: Support, Do: supports[s], Day: up + supportAfter, Count: float64(j.Plants), Unit: amount.Plant, Minutes: float64(j.Plants) * r.MinutesPlant})
	}
	if j.Crop.Hill && !j.instead(Hill) {
		out = add(out, Task{What: Hill, Do: "Hill", Day: stands + hillAfter, Count: j.Area, Unit: amount.SquareMetre, Minutes: j.Area * r.MinutesThin})
	}
	return out
}

var supports = map[book.Support]string{book.Stake: "Stake", book.Cage: "Set the cages", book.Trellis: "Tie to the trellis", book.RidgeString: "String the ridge"}

// harvest returns the tasks of bringing in.
func (j Job) harvest(r book.Rules) (out []Task) {
	if j.First == 0 {
		return nil
	}
	weight := j.Gives
	if j.Unit == amount.Piece && j.Crop.Piece.Known {
		weight *= j.Crop.Piece.Value / 1000
	}
	t := Task{What: Pick, Do: "Pick", Day: j.First, Count: j.Gives, Unit: j.Unit, Minutes: weight * r.MinutesPick}
	if j.Crop.Harvest == book.Once && !j.Crop.Perennial() {
		if j.Crop.Group == book.Root || j.Crop.Group == book.Bulb || j.Crop.Group == book.Tuber {
			t.What, t.Do = Lift, "Lift"
		}
		if out = []Task{t}; j.Kept && j.Crop.CureDays.Or(0) > 0 {
			out[0].Do += " and cure"
			out = append(out, Task{What: Cured, Do: "Cured: move to storage", Day: j.First + civil.Date(j.Crop.CureDays.Value), Count: j.Gives, Unit: j.Unit, Minutes: weight})
		}
		return out
	}
	t.Do, t.Until, t.Every = "First picking", j.Last, Between(j.Crop)
	if out = []Task{t}; j.Last > j.First {
		out = append(out, Task{What: LastPick, Do: "Last picking", Day: j.Last})
	}
	return out
}

// Between returns the days between two pickings of a crop: as long as what is
// ready may hang, a week at most.
func Between(c *book.Crop) int {
	if c.Harvest == book.Cut {
		return 7
	}
	return max(1, min(7, int(math.Round(c.HoldDays))))
}

// Trays returns how many trays of the raising shelf so many cells fill.
func Trays(cells int, r book.Rules) float64 { return float64(cells) / math.Max(1, r.TrayCells) }

// Words says what there is to do of a task; say writes a quantity. It is empty
// where the name says all.
func (t Task) Words(say func(float64, amount.Unit) string) string {
	if t.Count <= 0 {
		return ""
	}
	text := say(t.Count, t.Unit)
	switch {
	case strings.HasPrefix(t.Noun, "of "):
		text += " " + t.Noun
	case t.Noun != "":
		text = fmt.Sprintf("%.0f %s", t.Count, t.Noun)
	}
	switch {
	case t.Each == 1:
		text += ", 1 seed to each"
	case t.Each > 1:
		text += fmt.Sprintf(", %d seeds to each", t.Each)
	case t.What == Pick || t.What == Lift:
		text = "likely " + text
	}
	if t.Every > 0 && t.Until > t.Day {
		text += fmt.Sprintf("; every %d days until %s", t.Every, t.Until.Short())
	}
	return text
}
