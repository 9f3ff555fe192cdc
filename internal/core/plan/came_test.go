package plan

import (
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/wish"
)

// What came in moves the coming year and the jars that can be filled, and nothing of what is wanted:
// little makes gaps and fewer jars, as much as expected makes none.
func TestWhatCameInMovesTheComingYear(t *testing.T) {
	in := ford(wish.Wish{Food: "tomato", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.WeightWeek, Number: 2}, Season: wish.Season{Kind: wish.While}}, sauce(21))
	in.AsOf = civil.Of(2027, 8, 25)
	p := planned(t, in)
	var all []Event
	for _, s := range p.Sowings {
		if s.Presumed || s.Late {
			all = append(all, Event{Sowing: s.ID, What: AsPlanned})
		}
	}
	for _, m := range p.Missed {
		all = append(all, Event{Sowing: m.ID, What: AsPlanned})
	}
	in, _, err := in.Logged(all)
	if err != nil {
		t.Fatal(err)
	}
	courses, err := Courses(in)
	if err != nil {
		t.Fatal(err)
	}
	after := func(share float64) (gaps, short int, p Plan) {
		t.Helper()
		in.Picked = map[string]Picked{}
		for i := range courses {
			c := &courses[i]
			if c.Begun && c.First <= in.AsOf {
				in.Picked[c.Sowing] = Picked{Kg: share * c.Kg * c.Over(int(in.AsOf-c.First)+1), First: c.First}
			}
		}
		p = planned(t, in)
		for _, f := range p.Wishes[0].Coming {
			if f == wish.Gap {
				gaps++
			}
		}
		for _, n := range p.Wishes[1].Notes {
			if strings.Contains(n.String(), "can be filled") {
				short++
			}
		}
		return gaps, short, p
	}
	_, _, before := after(0)
	if len(in.Picked) < 2 {
		t.Fatalf("%d plantings were picked", len(in.Picked))
	}
	usual, full, asPlanned := after(1)
	few, less, poor := after(0.15)
	if full != 0 || less != 1 {
		t.Errorf("jars: told %d times after a usual season, %d times after a poor one", full, less)
	}
	if few <= usual {
		t.Errorf("gaps: %d after a usual season, %d after a poor one", usual, few)
	}
	sum := func(all []float64) (n float64) {
		for _, x := range all {
			n += x
		}
		return n
	}
	if before.Kitchen.Ahead == nil || sum(poor.Kitchen.Ahead) >= 0.9*sum(poor.Kitchen.Batches) || sum(asPlanned.Kitchen.Ahead) < 0.95*sum(asPlanned.Kitchen.Batches) {
		t.Errorf("batches ahead: %.1f after a usual season, %.1f after a poor one, %.1f in the plan", sum(asPlanned.Kitchen.Ahead), sum(poor.Kitchen.Ahead), sum(poor.Kitchen.Batches))
	}
	for _, x := range []Plan{asPlanned, poor} {
		if x.Tally != before.Tally || x.Wishes[0].WeeksFed != before.Wishes[0].WeeksFed || x.Wishes[1].ToFill != before.Wishes[1].ToFill || len(x.Sowings) != len(before.Sowings) {
			t.Error("what came in moved what is wanted")
		}
	}
}
