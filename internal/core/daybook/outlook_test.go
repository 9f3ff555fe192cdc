package daybook

import (
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
)

// What came in moves what is still to come: less than expected lowers it, more raises it, the last
// picking ends it. Of what was not picked nothing is said.
func TestWhatCameInMovesWhatIsToCome(t *testing.T) {
	now := lived(t, civil.Of(2027, 9, 5))
	courses, err := plan.Courses(now.Input)
	if err != nil {
		t.Fatal(err)
	}
	var tomatoes *plan.Course
	for i := range courses {
		if courses[i].Crop == "tomato-slicing" {
			tomatoes = &courses[i]
		}
	}
	if tomatoes == nil || tomatoes.Kg < 10 || tomatoes.Days < 40 || tomatoes.Over(0) != 0 || tomatoes.Over(tomatoes.Days) < 0.999 {
		t.Fatalf("%+v", tomatoes)
	}
	if half := tomatoes.Over(tomatoes.Days / 2); half < 0.3 || half > 0.8 {
		t.Errorf("%g of the picking is over by half of its days", half)
	}
	first := tomatoes.First
	after := func(gram int, last bool) Outlook {
		t.Helper()
		rec := record.Of([]*record.Entry{
			{ID: "a", Day: first, Act: record.Harvest, Food: "tomato", Sowing: tomatoes.Sowing, Gram: gram / 2},
			{ID: "b", Day: now.Input.AsOf, Act: record.Harvest, Food: "tomato", Sowing: tomatoes.Sowing, Gram: gram - gram/2, Last: last},
			{ID: "c", Day: now.Input.AsOf + 1, Act: record.Harvest, Food: "tomato", Sowing: tomatoes.Sowing, Gram: 9999},
			{ID: "d", Day: first, Act: record.Harvest, Food: "tomato", Gram: 9999}, // nobody knows of which planting
		})
		all := Outlooks(courses, PickedOf(rec, now.Input.AsOf), now.Input.AsOf)
		if len(all) != 1 || all[0].Sowing != tomatoes.Sowing || all[0].Picked != float64(gram)/1000 || all[0].Expected != tomatoes.Kg {
			t.Fatalf("%+v", all)
		}
		return all[0]
	}
	due := tomatoes.Kg * tomatoes.Over(int(now.Input.AsOf-first)+1)
	little, much := after(int(300*due), false), after(int(1500*due), false)
	rest := tomatoes.Kg - due
	if little.Likely >= 0.8*rest || much.Likely <= rest || little.Low >= little.Likely || little.High <= little.Likely {
		t.Errorf("%.1f kg are due to come: after little %+v, after much %+v", rest, little, much)
	}
	if over := after(int(1000*due), true); over.Likely != 0 || over.High != 0 {
		t.Errorf("after the last %+v", over)
	}
	if none := Outlooks(courses, nil, now.Input.AsOf); len(none) != 0 {
		t.Errorf("nothing was picked: %+v", none)
	}
}

// What is harvested once goes by how much of the row was lifted.
func TestARowIsLiftedInParts(t *testing.T) {
	now := lived(t, civil.Of(2027, 9, 20))
	courses, err := plan.Courses(now.Input)
	if err != nil {
		t.Fatal(err)
	}
	for i := range courses {
		c := &courses[i]
		if !c.Once || c.Kg < 5 {
			continue
		}
		of := func(share float64) Outlook {
			rec := record.Of([]*record.Entry{{ID: "a", Day: now.Input.AsOf, Act: record.Harvest, Sowing: c.Sowing, Gram: int(400 * c.Kg), Share: share}})
			return Outlooks(courses, PickedOf(rec, now.Input.AsOf), now.Input.AsOf)[0]
		}
		if half := of(0.5); half.Likely < 0.25*c.Kg || half.Likely > 0.75*c.Kg {
			t.Errorf("%s: half is lifted, %+v", c.Crop, half)
		}
		if unsaid := of(0); unsaid.Likely < 0.59*c.Kg || unsaid.Likely > 0.61*c.Kg {
			t.Errorf("%s: two fifths of its weight came in, %+v", c.Crop, unsaid)
		}
		if all := of(1); all.Likely > 1e-9 {
			t.Errorf("%s: all is lifted, %+v", c.Crop, all)
		}
		return
	}
	t.Fatal("nothing that is lifted grows")
}
