package plan

import (
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/wish"
)

// Of a row counted thin as many plants stand in proportion; its gaps sown again make it whole, and
// it is asked about anew when the new seed should be up.
func TestAStandIsCountedAndRefilled(t *testing.T) {
	in := ford(meals("snap bean", 2, wish.Fresh))
	in.AsOf = civil.Of(2027, 6, 20)
	p := planned(t, in)
	var id string
	for _, s := range p.Sowings {
		if (s.Presumed || s.Late) && s.Stations > 4 {
			id = s.ID
			break
		}
	}
	for _, m := range p.Missed {
		if id == "" {
			id = m.ID
		}
	}
	if id == "" {
		t.Fatal("nothing was to be sown by then")
	}
	log := func(e Event) *Sowing {
		t.Helper()
		e.Sowing = id
		next, _, err := in.Logged([]Event{e})
		if err != nil {
			t.Fatalf("%+v: %v", e, err)
		}
		in = next
		p = planned(t, in)
		return p.Sowing(id)
	}
	whole := *log(Event{What: AsPlanned})
	of := max(whole.Stations, whole.Cells)
	if of < 4 {
		t.Fatalf("%d stations", of)
	}
	if _, _, err := in.Logged([]Event{{Sowing: id, What: Refilled}}); len(invalid.All(err)) != 1 {
		t.Errorf("refilled before it was counted: %v", err)
	}
	if _, _, err := in.Logged([]Event{{Sowing: id, What: Standing, Count: float64(of + 1)}}); len(invalid.All(err)) != 1 {
		t.Errorf("more are up than were sown: %v", err)
	}
	half := log(Event{What: Standing, Count: float64(of / 2)})
	if want := float64(whole.Plants) * float64(of/2) / float64(of); float64(half.Plants) < want-1 || float64(half.Plants) > want+1 || half.Wants < whole.Plants {
		t.Errorf("%d of %d stations are up: %d plants of %d", of/2, of, half.Plants, whole.Plants)
	}
	again := log(Event{What: Refilled, Day: in.AsOf})
	if again.Plants != whole.Plants || again.UpBy == nil || *again.UpBy <= *whole.UpBy || *again.UpBy <= in.AsOf {
		t.Errorf("refilled: %d plants of %d, up by %v, before by %v", again.Plants, whole.Plants, again.UpBy, whole.UpBy)
	}
	more := log(Event{What: Standing, Count: float64(of - 2)})
	if more.Plants > whole.Plants {
		t.Errorf("counted once more: %d plants of %d", more.Plants, whole.Plants)
	}
	if last := log(Event{What: Refilled, Day: in.AsOf}); last.Plants != whole.Plants {
		t.Errorf("refilled once more: %d plants of %d", last.Plants, whole.Plants)
	}
}
