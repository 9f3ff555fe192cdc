package work

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
)

// onlyCare returns the tasks that are care.
func onlyCare(tasks []Task) (out []Task) {
	for _, t := range tasks {
		if t.CareOf() != "" {
			out = append(out, t)
		}
	}
	return out
}

func jobFor(crop string, steps ...book.CareStep) Job {
	day := civil.Of(2027, 5, 1)
	return Job{Crop: book.Usual().Crop(crop), Method: season.Indoors, Date: day, Harden: day + 35, Out: day + 42, Up: day + 8, First: day + 90, Last: day + 130, Clear: day + 131, Plants: 20, SetOut: 20, Cells: 24, Area: 6, Gives: 30, Unit: "kg", Steps: steps}
}

// Each stage is the day that its name says, of what is raised indoors.
func TestCareIsCountedFromItsStage(t *testing.T) {
	day := civil.Of(2027, 5, 1)
	for stage, want := range map[book.Stage]civil.Date{
		book.StageSown: day - 3, book.StageUp: day + 5, book.StageBed: day + 39, book.StageFirst: day + 87, book.StageLast: day + 127, book.StageClear: day + 128,
	} {
		got := onlyCare(Tasks(jobFor("tomato-slicing", book.CareStep{ID: "x", Do: "Look", From: stage, Days: -3, Per: book.PerTime, Minutes: 5}), book.UsualRules()))
		if len(got) != 1 || got[0].Day != want || got[0].Minutes != 5 {
			t.Errorf("%s: %+v, wanted on %v", stage, got, want)
		}
	}
}

// A step goes on every so many days, as often as it is said, and ends with its stage.
func TestCareGoesOn(t *testing.T) {
	for name, c := range map[string]struct {
		step  book.CareStep
		times int
		last  int // days after planting out
	}{
		"until the first picking":    {book.CareStep{Every: 10, Until: book.StageFirst}, 5, 40}, // at 0, 10, 20, 30, 40; picked from 48 on
		"three times":                {book.CareStep{Every: 10, Times: 3}, 3, 20},
		"until the bed is cleared":   {book.CareStep{Every: 30}, 3, 60}, // cleared on day 89
		"no more often than 60 days": {book.CareStep{Every: 1}, mostCare, mostCare - 1},
		"once":                       {book.CareStep{Times: 3}, 1, 0},
	} {
		c.step.ID, c.step.Do, c.step.From, c.step.Per = "x", "Tie", book.StageBed, book.PerTime
		got := onlyCare(Tasks(jobFor("tomato-slicing", c.step), book.UsualRules()))
		if len(got) != c.times || got[len(got)-1].Day != civil.Of(2027, 5, 1)+42+civil.Date(c.last) {
			t.Errorf("%s: %d times, the last on %v", name, len(got), got[len(got)-1].Day)
		}
		seen := map[string]bool{}
		for _, task := range got {
			if seen[task.What] || task.CareOf() != "x" {
				t.Errorf("%s: two are called %s", name, task.What)
			}
			seen[task.What] = true
		}
	}
}

func TestMinutesOfCare(t *testing.T) {
	for per, want := range map[book.Per]float64{book.PerPlant: 2 * 20, book.PerArea: 2 * 6, book.PerTime: 2} {
		got := onlyCare(Tasks(jobFor("tomato-slicing", book.CareStep{ID: "x", Do: "Tie", From: book.StageBed, Minutes: 2, Per: per}), book.UsualRules()))
		if got[0].Minutes != want {
			t.Errorf("per %s: %g minutes, wanted %g", per, got[0].Minutes, want)
		}
	}
}

// What stands instead of a usual task takes its place.
func TestCareTakesThePlaceOfAUsualTask(t *testing.T) {
	usual := func(tasks []Task, what string) bool {
		for _, x := range tasks {
			if x.What == what {
				return true
			}
		}
		return false
	}
	direct := func(crop string, steps ...book.CareStep) Job {
		j := jobFor(crop, steps...)
		j.Method, j.Out, j.Drill = season.Direct, 0, 12
		return j
	}
	for what, j := range map[string]func(...book.CareStep) Job{
		Support: func(s ...book.CareStep) Job { return jobFor("tomato-slicing", s...) },
		Thin:    func(s ...book.CareStep) Job { return direct("carrot", s...) },
		Hill:    func(s ...book.CareStep) Job { return jobFor("leek", s...) },
	} {
		step := book.CareStep{ID: "x", Do: "In our own way", From: book.StageBed, Per: book.PerTime}
		if !usual(Tasks(j(step), book.UsualRules()), what) {
			t.Errorf("%s is gone though nothing takes its place", what)
		}
		if step.Instead = what; usual(Tasks(j(step), book.UsualRules()), what) {
			t.Errorf("%s is still there", what)
		}
	}
}
