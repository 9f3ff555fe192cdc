package exchange

import (
	"fmt"
	"io"
	"time"

	ics "github.com/arran4/golang-ical"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
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
	cal.SetName("Inventory " + p.Year)
	at := func(d civil.Date) time.Time { return time.Unix(int64(d)*86400, 0).UTC() }
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if s.Stands {
			continue
		}
		add := func(what string, day civil.Date, title, more string) {
			e := cal.AddEvent(fmt.Sprintf("%s-%s@inventory", s.ID, what))
			e.SetDtStampTime(at(p.AsOf))
			e.SetAllDayStartAt(at(day))
			e.SetAllDayEndAt(at(day + 1))
			e.SetSummary(title + " " + s.CropName)
			if more != "" {
				e.SetDescription(more)
			}
		}
		say := func(v float64, u amount.Unit) string { return amount.Format(v, u, system) }
		for _, t := range s.Tasks {
			day := t.Day
			if t.Done != 0 {
				day = t.Done
			}
			if !t.Moot {
				add(t.What, day, t.Do+":", t.Words(say))
			}
		}
	}
	return cal.SerializeTo(w, ics.WithNewLineWindows)
}
