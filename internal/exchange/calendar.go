package exchange

import (
	"fmt"
	"io"
	"strings"

	"github.com/arran4/golang-ical"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
	"inventory/internal/core/work"
)

// WriteCalendar writes the dates of a plan's sowings and of the household's own jobs as
// iCalendar (RFC 5545): whole days, one event for each thing to do; where a bed is made ready for
// the next crop, the turn tells with what. The names of the events stay the
// same from one writing to the next, so that a calendar which reads the file
// again updates them instead of doubling them. Quantities are in a system of
// units. The stamp is the plan's own date, so that the same plan gives the same
// file.
func WriteCalendar(w io.Writer, p plan.Plan, turns []ground.BedTurn, system amount.System) error {
	cal := ics.NewCalendar()
	cal.SetProductId("-//Inventory//Sowings//EN")
	cal.SetMethod(ics.MethodPublish)
	cal.SetName("Inventory " + oneLine(p.Year))
	add := func(id string, day civil.Date, title, more string) {
		e := cal.AddEvent(id + "@inventory")
		e.SetDtStampTime(p.AsOf.Midnight())
		e.SetAllDayStartAt(day.Midnight())
		e.SetAllDayEndAt((day + 1).Midnight())
		e.SetSummary(oneLine(title))
		if more != "" {
			e.SetDescription(oneLine(more))
		}
	}
	say := func(v float64, u amount.Unit) string { return amount.Format(v, u, system) }
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if s.Stands {
			continue
		}
		for _, t := range s.Tasks {
			day := t.Day
			if t.Done != 0 {
				day = t.Done
			}
			if t.State != work.Skipped {
				more := t.Words(say)
				if t.What == work.Clear {
					more += turnWords(turns, s.ID, say)
				}
				add(s.ID+"-"+t.What, day, t.Do+": "+s.CropName, more)
			}
		}
	}
	for _, d := range p.Chores {
		more := ""
		if d.Minutes > 0 {
			more = say(d.Minutes, amount.Minute)
		}
		add(fmt.Sprintf("chore-%s-%s", d.Chore, d.Day), d.Day, d.Name, more)
	}
	return cal.SerializeTo(w, ics.WithNewLineWindows)
}

// turnWords says what is done in the beds between a sowing and the next one; empty where
// nothing follows it.
func turnWords(turns []ground.BedTurn, sowing string, say func(float64, amount.Unit) string) (out string) {
	for _, t := range turns {
		if t.Sowing != sowing {
			continue
		}
		var parts []string
		for _, part := range t.Parts[1:] {
			words := strings.ToLower(part.Do)
			if part.Count > 0 && part.Unit != amount.None {
				words += " " + say(part.Count, part.Unit)
			}
			if part.Crop != "" {
				words += " " + strings.ToLower(part.Crop)
			}
			parts = append(parts, words+" ("+part.Day.Short()+")")
		}
		out += "; then in " + t.Name + ": " + strings.Join(parts, ", ")
	}
	return out
}

// oneLine keeps a text in its line of the file: a carriage return or another control
// character would end it, and what follows would be read as another property.
func oneLine(s string) string { return strings.Join(strings.Fields(CleanText(s)), " ") }
