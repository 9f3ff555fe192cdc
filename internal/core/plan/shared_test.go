package plan

import (
	"encoding/json"
	"testing"

	"inventory/internal/core/civil"
)

// Several requests plan one household at once with one memory, while much of the
// season is put down already. The plans are the same, and under the race detector
// nothing that one of them reads is written by another.
func TestPlansAtOnceShareOneMemory(t *testing.T) {
	in := everything()
	in.AsOf = civil.Of(2027, 1, 12)
	p := planned(t, in)
	for _, s := range p.Sowings {
		if len(in.Household.Plantings) == 40 {
			break
		}
		in.AsOf = max(in.AsOf, s.Date)
		if out, err := Log(in, Event{Sowing: s.ID, What: "set", Day: s.Date + 3}); err == nil && out.Planting != nil {
			in = after(t, in, Event{Sowing: s.ID, What: "set", Day: s.Date + 3})
		}
	}
	if n := len(in.Household.Plantings); n != 40 {
		t.Fatalf("%d plantings are put down, want 40", n)
	}
	text, err := json.Marshal(planned(t, in))
	if err != nil {
		t.Fatal(err)
	}
	in.Memory = &Memory{}
	done := make(chan string)
	for range 4 {
		go func() {
			p, err := Compute(in)
			if err != nil {
				t.Error(err)
			}
			again, _ := json.Marshal(p)
			done <- string(again)
		}()
	}
	for range 4 {
		if got := <-done; got != string(text) {
			t.Error("a plan made beside others is another plan")
		}
	}
}
