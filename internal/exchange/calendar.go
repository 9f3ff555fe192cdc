package exchange

import (
	"fmt"
	"io"
	"strings"

	"github.com/arran4/golang-ical"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/work"
)

// WriteCalendar writes the dates of a plan's sowings as iCalendar (RFC 5545):
// whole days, one event for each thing to do. The names of the events stay the
// same from one writing to the next, so that a calendar which reads the file
// again updates them instead of doubling them. Quantities are in a system of
// units. The stamp is the plan's own date, so that the same plan gives the same
// file.
func WriteCalendar(w io.Writer, p plan.Plan, system amount.System) error {
	cal := ics.NewCalendar()
	cal.SetProductId("-//Inventory//Sowings//EN")
	cal.SetMethod(ics.MethodPublish)
	cal.SetName("Inventory " + oneLine(p.Year))
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if s.Stands {
			continue
		}
		add := func(what string, day civil.Date, title, more string) {
			e := cal.AddEvent(fmt.Sprintf("%s-%s@inventory", s.ID, what))
			e.SetDtStampTime(p.AsOf.Midnight())
			e.SetAllDayStartAt(day.Midnight())
			e.SetAllDayEndAt((day + 1).Midnight())
			e.SetSummary(oneLine(title + " " + s.CropName))
			if more != "" {
				e.SetDescription(oneLine(more))
			}
		}
		say := func(v float64, u amount.Unit) string { return amount.Format(v, u, system) }
		for _, t := range s.Tasks {
			day := t.Day
			if t.Done != 0 {
				day = t.Done
			}
			if t.State != work.Skipped {
				add(t.What, day, t.Do+":", t.Words(say))
			}
		}
	}
	return cal.SerializeTo(w, ics.WithNewLineWindows)
}

// oneLine keeps a text in its line of the file: a carriage return or another control
// character would end it, and what follows would be read as another property.
func oneLine(s string) string { return strings.Join(strings.Fields(CleanText(s)), " ") }
