package plan

import (
	"testing"

	"inventory/internal/core/invalid"
)

// Of every sowing that frost ends a chance is told; begun ten days later it is never better, ten
// days earlier never worse, and one begun already has only its own. Hardy crops have none.
func TestTheChanceToBeReadyBeforeTheFrost(t *testing.T) {
	in := everything()
	in.Memory = &Memory{}
	p, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	told, beside, unsure := 0, 0, 0
	for _, s := range p.Sowings {
		c, err := ChancesOf(in, s.ID)
		if err != nil {
			t.Fatal(err)
		}
		if s.Crop == "kale" && c.InTime != nil {
			t.Errorf("%s is ended by frost with the chance %g", s.ID, *c.InTime)
		}
		if c.InTime == nil {
			if c.Earlier != nil || c.Later != nil {
				t.Errorf("%s has no chance of its own: %+v", s.ID, c)
			}
			continue
		}
		told++
		if *c.InTime < 0.5 || *c.InTime > 1 {
			t.Errorf("%s is ready in time with the chance %g", s.ID, *c.InTime)
		}
		if *c.InTime < 0.99 {
			unsure++
		}
		if s.Begun && (c.Earlier != nil || c.Later != nil) {
			t.Errorf("%s is begun and could be begun on another day", s.ID)
		}
		const near = 1e-9
		if c.Later != nil && *c.Later > *c.InTime+near || c.Earlier != nil && *c.Earlier < *c.InTime-near {
			t.Errorf("%s: %g, earlier %v, later %v", s.ID, *c.InTime, c.Earlier, c.Later)
		}
		if c.Later != nil && *c.Later < *c.InTime {
			beside++
		}
	}
	if told < 10 || beside < 5 || unsure == 0 {
		t.Errorf("%d sowings have a chance, %d fall when begun later, %d are unsure: this shows nothing", told, beside, unsure)
	}
	if _, err := ChancesOf(in, "99-none"); invalid.All(err) == nil {
		t.Errorf("a sowing that there is not: %v", err)
	}
}
