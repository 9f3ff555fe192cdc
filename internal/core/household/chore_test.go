package household

import (
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func TestAChoreIsRefused(t *testing.T) {
	day := civil.Of(2027, 4, 1)
	for field, x := range map[string]Chore{
		"name":    {Day: day},
		"day":     {Name: "x"},
		"every":   {Name: "x", Day: day, Every: -1},
		"until":   {Name: "x", Day: day, Until: day - 1},
		"minutes": {Name: "x", Day: day, Minutes: 6001},
		"done":    {Name: "x", Day: day, Done: make([]civil.Date, MostDone+1)},
	} {
		c := invalid.NewCheck()
		x.Validate(c)
		if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: refused is %v", field, c.Err())
		}
	}
}

// The days on which a chore was done are kept in order, each once, the last ones of many.
func TestTheDaysOfAChore(t *testing.T) {
	x := Chore{Day: 10, Every: 7, Done: []civil.Date{30, 12, 30}}
	x.Fill()
	if !slices.Equal(x.Done, []civil.Date{12, 30}) || x.Next() != 37 {
		t.Errorf("%v, next %d", x.Done, x.Next())
	}
	for range MostDone + 5 {
		x.Done = append(x.Done, x.Done[len(x.Done)-1]+1)
	}
	x.Fill()
	if len(x.Done) != MostDone || x.Done[0] == 12 {
		t.Errorf("%d days are kept, from %d on", len(x.Done), x.Done[0])
	}
	if once := (Chore{Day: 10, Done: []civil.Date{11}}); once.Next() != 0 {
		t.Errorf("what is done once is due again on %d", once.Next())
	}
	if early := (Chore{Day: 100, Every: 5, Done: []civil.Date{20}}); early.Next() != 100 {
		t.Errorf("it begins on day 100, not %d", early.Next())
	}
}

func TestASightingIsRefused(t *testing.T) {
	day := civil.Of(2027, 4, 1)
	for field, x := range map[string]Sighting{
		"pest": {Crop: "kale", Day: day}, "crop": {Pest: "Aphids", Crop: "moonflower", Day: day}, "day": {Pest: "Aphids", Crop: "kale"},
	} {
		c := invalid.NewCheck()
		x.Validate(c, book.Usual())
		if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: refused is %v", field, c.Err())
		}
	}
}

// What the book does not know is left out of the plan and kept: care of a crop that is gone, too.
func TestCareOfACropThatIsGone(t *testing.T) {
	h := Empty()
	h.Care = []book.CareStep{{ID: "c1", Crop: "moonflower", Do: "Tie", From: book.StageUp, Per: book.PerTime}, {ID: "c2", Crop: "kale", Do: "Tie", From: book.StageUp, Per: book.PerTime}}
	h.Sightings = []Sighting{{ID: "s1", Pest: "Moths", Crop: "moonflower", Day: civil.Of(2027, 4, 1)}}
	fitted, unknown, _ := h.Fitting(book.Usual())
	if len(fitted.Care) != 1 || len(fitted.Sightings) != 0 || len(unknown) != 2 || unknown[0].Of != "crop" || unknown[0].Name != "moonflower" {
		t.Errorf("%+v and %+v; unknown %+v", fitted.Care, fitted.Sightings, unknown)
	}
	h.CallIt("crop", "moonflower", "chard")
	if h.Care[0].Crop != "chard" || h.Sightings[0].Crop != "chard" || h.CareOf("chard")[0].ID != "c1" {
		t.Errorf("it is called %s and %s", h.Care[0].Crop, h.Sightings[0].Crop)
	}
}
