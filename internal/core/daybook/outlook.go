package daybook

import (
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/forecast"
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
	Below      float64 `json:"-"` // chance that the planting gives less than was expected
}

// Outlooks returns the outlook of every planting of which something was picked: of the others
// nothing is known but what was expected.
func Outlooks(courses []plan.Course, rec *record.Record, today civil.Date) []Outlook {
	type picked struct {
		gram  int
		first civil.Date
		share float64 // of what is harvested once: how much of the row was lifted
		last  bool
	}
	of := map[string]*picked{}
	for _, e := range rec.Entries() {
		if e.Act != record.Harvest || e.Sowing == "" || e.Day > today {
			continue
		}
		p := of[e.Sowing]
		if p == nil {
			p = &picked{first: e.Day}
			of[e.Sowing] = p
		}
		p.gram, p.share, p.last = p.gram+e.Gram, p.share+e.Share, p.last || e.Last
	}
	out := []Outlook{}
	for i := range courses {
		c := &courses[i]
		p := of[c.Sowing]
		if p == nil {
			continue
		}
		days := int(today-p.first) + 1
		over := c.Over(days)
		if c.Once { // not by its days: by how much of the row was lifted
			over = math.Min(1, p.share)
		}
		if p.last {
			over = 1
		}
		out = append(out, outlookOf(c, float64(p.gram)/1000, over, float64(c.Days-days)/7))
	}
	return out
}

// outlookOf says what is still to come of a planting of which a share of the picking is over.
func outlookOf(c *plan.Course, kg, over, weeks float64) Outlook {
	out := Outlook{Sowing: c.Sowing, Expected: c.Kg, Picked: kg}
	if c.Once && over == 0 { // nobody said how much of the row it was: what stands is what was not lifted
		out.Likely = math.Max(0, c.Kg-kg)
		out.Low, out.High, out.Below = out.Likely, out.Likely, 0.5
		return out
	}
	variance := forecast.Variance(c.CV)
	o := forecast.ToCome(forecast.Unrecorded(variance), forecast.Picking{Expected: c.Kg, Picked: kg, Share: over, Weeks: weeks, Weighed: forecast.Most, Variance: variance})
	out.Low, out.Likely, out.High, out.NearlyOver, out.Below = o.Low, o.Likely, o.High, o.NearlyOver, o.Below
	return out
}
