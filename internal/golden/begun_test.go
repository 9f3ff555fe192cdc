package golden

import (
	"bytes"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/exchange"
)

// Whoever begins, at eleven places and through the year: nothing is to be begun before that day,
// nothing is overdue or missed, there is something to begin, and of what can be begun no more it
// is said when it can be again.
func TestBegunOnAnyDayAtElevenPlaces(t *testing.T) {
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	h.Plantings, h.Patches, h.Lots, h.Weather, h.Placements = nil, nil, nil, nil, nil
	const apart = 19 // days; no multiple of a week
	over := 0
	for i, at := range elevenPlaces() {
		h.Place = at
		memory := &plan.Memory{}
		for day := civil.Of(2027, 1, 3); day < civil.Of(2027, 1, 3)+place.Days; day += apart {
			h.Year, h.Since = h.FirstYear(day), day
			p, err := plan.Compute(plan.Input{AsOf: day, Household: h, Memory: memory})
			if err != nil {
				t.Fatal(err)
			}
			begins := 0
			for _, s := range p.Sowings {
				if s.Method == season.Patch || s.Early {
					continue
				}
				begins++
				if s.Date < day || s.Late || s.Presumed {
					t.Errorf("place %d, begun on %s: %s is to be started on %s", i+1, day, s.CropName, s.Date)
				}
			}
			if begins == 0 || len(p.Missed) > 0 || p.Tally.WeeksFed == 0 {
				t.Errorf("place %d, begun on %s: %d sowings, %d missed, %d weeks fed", i+1, day, begins, len(p.Missed), p.Tally.WeeksFed)
			}
			for _, o := range p.Over {
				over++
				if o.Again < day || o.Last >= day { // now, for the next year
					t.Errorf("place %d, begun on %s: %s could be begun until %s, and again from %s", i+1, day, o.CropName, o.Last, o.Again)
				}
			}
		}
	}
	if over < 100 {
		t.Errorf("only %d times something could be begun no more", over)
	}
}
