package work

import (
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
)

// mostCare bounds how often one step is done for one sowing: what goes on every day
// for a year is no list of dates any more.
const mostCare = 60

// instead reports whether a step of the household takes the place of a usual task.
func (j Job) instead(what string) bool {
	return slices.ContainsFunc(j.Steps, func(s book.CareStep) bool { return s.Instead == what })
}

// stage returns the day of a stage; zero where the sowing has none. Stands is the day from
// which it is in the bed.
func (j Job) stage(of book.Stage, stands civil.Date) civil.Date {
	switch of {
	case book.StageSown:
		return j.Date
	case book.StageUp:
		if j.Up != 0 {
			return j.Up
		}
		return j.Date
	case book.StageBed:
		return stands
	case book.StageFirst:
		return j.First
	case book.StageLast:
		return j.Last
	}
	return j.Clear
}

// care adds what the household does for the crop, each time of it as a task of its own.
func care(out []Task, j Job, stands civil.Date) []Task {
	for _, s := range j.Steps {
		from := j.stage(s.From, stands)
		if from == 0 {
			continue
		}
		t := Task{What: Care + s.ID, Do: s.Do, Day: from + civil.Date(s.Days), Minutes: s.Minutes}
		switch s.Per {
		case book.PerPlant:
			t.Count, t.Unit, t.Minutes = float64(j.Plants), amount.Plant, s.Minutes*float64(j.Plants)
		case book.PerArea:
			t.Count, t.Unit, t.Minutes = j.Area, amount.SquareMetre, s.Minutes*j.Area
		}
		out = add(out, t)
		for n, day := range repeats(s, t.Day, j.end(s, stands)) {
			t.What, t.Day = fmt.Sprintf("%s%s/%d", Care, s.ID, n+2), day
			out = add(out, t)
		}
	}
	return out
}

// end returns the day before which the last time of a step lies.
func (j Job) end(s book.CareStep, stands civil.Date) civil.Date {
	if s.Until != "" {
		if day := j.stage(s.Until, stands); day != 0 {
			return day
		}
	}
	return j.Clear
}

// repeats returns the days of a step after its first, before its end.
func repeats(s book.CareStep, first, end civil.Date) (days []civil.Date) {
	if s.Every == 0 {
		return nil
	}
	times := s.Times
	if times == 0 || times > mostCare {
		times = mostCare
	}
	for n := 1; n < times; n++ {
		day := first + civil.Date(n*s.Every)
		if day >= end {
			break
		}
		days = append(days, day)
	}
	return days
}

// CareOf returns the id of the step that a task is one time of; empty for other tasks.
func (t Task) CareOf() string {
	id, of := strings.CutPrefix(t.What, Care)
	if !of {
		return ""
	}
	id, _, _ = strings.Cut(id, "/")
	return id
}
