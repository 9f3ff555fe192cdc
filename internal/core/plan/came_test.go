package plan

import (
	"math"
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

// A week counts as fed from three quarters of what it wants on; what is reckoned is what its sowings
// need, not what they bring in an average year.
func TestAWeekThatFallsShort(t *testing.T) {
	in := ford(wish.Wish{Food: "tomato", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.WeightWeek, Number: 2}, Season: wish.Season{Kind: wish.While}})
	c, err := worked(in, nil)
	if err != nil {
		t.Fatal(err)
	}
	of := c.served[0]
	after := func(share float64) (gaps int) {
		factors := map[*sown]float64{}
		for _, m := range of {
			factors[m.s] = share * m.f().Need / m.f().Average // so much of what is needed
		}
		weeks, _ := c.fallShort(c.plan.Wishes[0].Coming, of, factors)
		return len(weeks)
	}
	if enough, short := after(0.76), after(0.74); enough != 0 || short < 4 {
		t.Errorf("%d weeks short of 76 in a hundred, %d of 74", enough, short)
	}
}

// What was cleared brings nothing more; what is harvested once stands until it is lifted, whatever the
// date, and goes by the share of its row; of the rest what was not picked by now is not to come.
func TestWhatIsToComeOfAPlanting(t *testing.T) {
	in := ford(meals("tomato", 3, wish.Fresh), wish.Wish{Food: "potato", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 40}})
	courses, err := Courses(in)
	if err != nil {
		t.Fatal(err)
	}
	seen := map[bool]bool{}
	for _, c := range courses {
		seen[c.Once] = true
		late := c.First + civil.Date(c.Days) + 30
		rest, before := c.ToCome(Picked{}, false, late), c.ToCome(Picked{}, false, c.First-10)
		if want := map[bool]float64{true: c.Kg, false: 0}[c.Once]; math.Abs(rest.Likely-want) > 1e-9 || math.Abs(before.Likely-c.Kg) > 1e-9 || before.Low >= c.Kg || before.High <= c.Kg {
			t.Errorf("%s: %g kg long after its time, %+v before, of %g", c.Crop, rest.Likely, before, c.Kg)
		}
		if c.Once {
			if half := c.ToCome(Picked{Kg: c.Kg / 2, First: c.First, Share: 0.5}, true, late); half.Likely < 0.3*c.Kg || half.Likely > 0.75*c.Kg {
				t.Errorf("%s: half of the row is lifted, %+v to come of %g", c.Crop, half, c.Kg)
			}
		}
		if due := c.Due(Picked{}, false, late); due < 0.999 == !c.Once {
			t.Errorf("%s: %g of it is due long after its time", c.Crop, due)
		}
		c.Gone = true
		if o := c.ToCome(Picked{Kg: 1, First: c.First}, true, c.First+3); o.Likely != 0 || o.High != 0 {
			t.Errorf("%s is gone: %+v", c.Crop, o)
		}
	}
	if !seen[true] || !seen[false] {
		t.Errorf("%d courses", len(courses))
	}
}
