package demo_test

import (
	"bytes"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
)

// Each made-up household lives up to any day: what it had to begin is put down, one sowing
// is lost, one is thin, and nothing is refused.
func TestTheHouseholdsLiveUpToTheDay(t *testing.T) {
	for _, d := range demo.Households {
		for _, day := range []civil.Date{civil.Of(2027, 4, 21), civil.Of(2027, 7, 15), civil.Of(2027, 8, 20), civil.Of(2028, 1, 10)} {
			h, err := exchange.ReadHousehold(bytes.NewReader(d.File))
			if err != nil {
				t.Fatal(err)
			}
			in := plan.Input{AsOf: day, Household: h, Memory: &plan.Memory{}}
			untouched, err := plan.Compute(in)
			if err != nil {
				t.Fatal(err)
			}
			lost, thin := 0, 0
			for _, of := range []func(plan.Plan) []plan.Event{demo.Begun, demo.Seen, demo.Cleared} {
				p, err := plan.Compute(in)
				if err != nil {
					t.Fatal(err)
				}
				for _, e := range of(p) {
					switch e.What {
					case plan.Ended:
						lost++
					case plan.Survived:
						thin++
					}
				}
				if in, _, err = in.Logged(of(p)); err != nil {
					t.Fatalf("%s on %s: %v", d.ID, day, err)
				}
			}
			p, err := plan.Compute(in)
			if err != nil {
				t.Fatal(err)
			}
			if len(p.Missed) > 0 || lost > 1 || thin > 1 || p.Tally.WeeksFed < untouched.Tally.WeeksFed {
				t.Errorf("%s on %s: %d missed, %d lost, %d thin, %d weeks fed, %d untouched", d.ID, day, len(p.Missed), lost, thin, p.Tally.WeeksFed, untouched.Tally.WeeksFed)
			}
		}
	}
}
