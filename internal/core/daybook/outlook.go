package daybook

import (
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
)

// Outlook is what was picked of a planting, and what is still to come of it, kg.
type Outlook struct {
	Sowing     string  `json:"sowing"`
	Expected   float64 `json:"expected"` // of the whole planting, before anything was picked
	Picked     float64 `json:"picked"`
	Low        float64 `json:"low"` // to come: no less in nine seasons of ten
	Likely     float64 `json:"likely"`
	High       float64 `json:"high"` // no more in nine seasons of ten
	NearlyOver bool    `json:"nearly_over"`
}

// PickedOf returns what was picked of every sowing until a day.
func PickedOf(rec *record.Record, today civil.Date) map[string]plan.Picked {
	out := map[string]plan.Picked{}
	for _, e := range rec.Entries() {
		if e.Act != record.Harvest || e.Sowing == "" || e.Day > today {
			continue
		}
		p, there := out[e.Sowing]
		if !there {
			p.First = e.Day
		}
		p.Kg, p.Share, p.Last = p.Kg+float64(e.Gram)/1000, p.Share+e.Share, p.Last || e.Last
		out[e.Sowing] = p
	}
	return out
}

// Outlooks returns the outlook of every planting of which something was picked: of the others
// nothing is known but what was expected.
func Outlooks(courses []plan.Course, picked map[string]plan.Picked, today civil.Date) []Outlook {
	out := []Outlook{}
	for i := range courses {
		c := &courses[i]
		p, there := picked[c.Sowing]
		if !there {
			continue
		}
		o := c.ToCome(p, true, today)
		out = append(out, Outlook{Sowing: c.Sowing, Expected: c.Kg, Picked: p.Kg, Low: o.Low, Likely: o.Likely, High: o.High, NearlyOver: o.NearlyOver})
	}
	return out
}
