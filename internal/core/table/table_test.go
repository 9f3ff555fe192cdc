package table

import (
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/shelf"
)

func household() Household {
	return Household{
		Name: "The ford", Year: 2027, Risk: season.UsualRisk, Place: place.Examples()[0].Place,
		Members: []Member{
			{ID: "1", Name: "A", Band: Adult}, {ID: "2", Name: "B", Band: Adult}, {ID: "3", Name: "C", Band: Teen},
			{ID: "4", Name: "D", Band: Child}, {ID: "5", Name: "E", Band: SmallChild},
		},
	}
}

func wish(food string, kind Kind, number float64, forms ...Form) Wish {
	w := Wish{ID: "w", Food: food, Forms: forms, Amount: Amount{Kind: kind, Number: number}}
	w.Fill()
	return w
}

func resolver(h Household) *Resolver {
	y, start := place.Build(h.Place), h.YearStart().YearDay()
	return &Resolver{Household: h, Book: book.Usual(), Eaters: h.Eaters(), Cull: 0.05, Spoil: 0.02, Seasons: func(c *book.Crop, cover place.Cover) *season.Season {
		return season.Of(c, y.Under(cover), season.Rules{Risk: h.Risk}, start)
	}}
}

// Example G: eaters.
func TestEaters(t *testing.T) {
	h := household()
	for w, e := range h.Eaters() {
		if math.Abs(e-4.4) > 1e-9 {
			t.Fatalf("week %d has %g eaters, want 4.4", w, e)
		}
	}
	// Away all August; the year begins on 28 April.
	h.Members[2].Away = []Span{{civil.MonthDay{Month: 8, Day: 1}, civil.MonthDay{Month: 8, Day: 31}}}
	h.Guests = []Guest{{ID: "g", Name: "G", Eaters: 3, Span: Span{civil.MonthDay{Month: 12, Day: 25}, civil.MonthDay{Month: 1, Day: 2}}}}
	e := h.Eaters()
	var away, guests float64
	for _, v := range e {
		away += math.Max(0, 4.4-v) * 7
		guests += math.Max(0, v-4.4) * 7
	}
	if math.Abs(away-1.15*31) > 1e-6 {
		t.Errorf("a teen away for 31 days is %g eater-days less, want %g", away, 1.15*31)
	}
	if math.Abs(guests-3*9) > 1e-6 {
		t.Errorf("three guests over New Year for 9 days are %g eater-days, want 27", guests)
	}
}

func TestWeeksAreFedByTheFormsInOrder(t *testing.T) {
	rs := resolver(household())
	w := wish("carrot", Meals, 2, Fresh, Cellar)
	r := rs.Resolve(w)
	count := map[Form]int{}
	for week, s := range r.Source {
		count[s]++
		if r.Wanted[week] != 2 || r.Fed(week) != 2 && s != Gap {
			t.Fatalf("week %d: wanted %g, fed %g by %q", week, r.Wanted[week], r.Fed(week), s)
		}
	}
	if count[Fresh] < 16 || count[Cellar] == 0 || count[Fresh]+count[Cellar]+count[Gap] != 52 {
		t.Errorf("carrots: %v", count)
	}
	if r.Uses[0].Crop.ID != "carrot" || r.Uses[1].Crop.ID != "carrot-storage" {
		t.Errorf("kinds: %s and %s", r.Uses[0].Crop.ID, r.Uses[1].Crop.ID)
	}
	// The store first: it feeds all the weeks it keeps, fresh the rest.
	w.Forms = []Form{Cellar, Fresh}
	turned := rs.Resolve(w)
	if turned.Uses[0].Weeks.Count() != 26 || turned.Uses[1].Weeks.Count() >= count[Fresh] {
		t.Errorf("the store first: %d weeks from it, %d fresh", turned.Uses[0].Weeks.Count(), turned.Uses[1].Weeks.Count())
	}
	// A warmer cellar keeps for fewer weeks.
	rs.Household.Stores = []shelf.Store{{ID: "s", Name: "S", Temperature: 10, Damp: true}}
	if warm := rs.Resolve(w); warm.Uses[0].Life != 13 {
		t.Errorf("at 10 °C it keeps %d weeks, want 13", warm.Uses[0].Life)
	}
}

func TestSeasonsOfAWish(t *testing.T) {
	rs := resolver(household())
	w := wish("lettuce", PiecesWeek, 6, Fresh)
	w.Season = Season{Kind: Months, From: 5, To: 10}
	r := rs.Resolve(w)
	wanted := 0
	for week := range r.Wanted {
		if r.Wanted[week] > 0 {
			wanted++
		}
	}
	if wanted < 26 || wanted > 27 || r.Uses[0].Crop.ID != "lettuce-head" {
		t.Errorf("May to October is %d weeks of %s", wanted, r.Uses[0].Crop.ID)
	}
	w.Season = Season{Kind: Months, From: 11, To: 2} // over New Year
	r = rs.Resolve(w)
	if r.Wanted[season.WeekOf(250)] == 0 || r.Wanted[season.WeekOf(60)] != 0 {
		t.Error("November to February must run over New Year")
	}
	w.Season = Season{Kind: While}
	r = rs.Resolve(w)
	if slices.Contains(r.Source[:], Gap) || !slices.Contains(r.Source[:], Fresh) {
		t.Errorf("while it lasts no gap is counted: %v", r.Source)
	}
}

func TestJarsFeedTheWeeksTheyKeep(t *testing.T) {
	rs := resolver(household())
	w := wish("cabbage", Litres, 15, Fermented)
	w.Preparations = []string{"sauerkraut"} // keeps six months, and is not eaten for the first four weeks
	r := rs.Resolve(w)
	var sum float64
	fed := 0
	for week := range r.Wanted {
		sum += r.Fed(week)
		if r.Source[week] == Fermented {
			fed++
		}
	}
	if math.Abs(sum-15) > 1e-9 || fed != 22 {
		t.Errorf("15 L feed %g over %d weeks", sum, fed)
	}
	w.Left = 15
	if !rs.Resolve(w).Enough {
		t.Error("as much left as wished is enough")
	}
}

func TestTheKindSuitsTheUse(t *testing.T) {
	rs := resolver(household())
	sauce := wish("tomato", Jars, 35, Canned)
	sauce.Preparations = []string{"tomato-sauce-thick"}
	for _, c := range []struct {
		w    Wish
		want string
	}{
		{sauce, "tomato-paste"}, {wish("tomato", Meals, 3, Fresh), "tomato-slicing"}, {wish("snap bean", Meals, 2, Fresh), "pole-bean"},
		{wish("potato", Meals, 2, Cellar), "potato-maincrop"}, {wish("lettuce", PiecesWeek, 2, Fresh), "lettuce-head"},
		{wish("marigold", Plants, 12), "marigold"},
	} {
		r := rs.Resolve(c.w)
		if r.Uses[0].Crop.ID != c.want || r.Uses[0].Why == "" {
			t.Errorf("%s for %v: %s (%s), want %s", c.w.Food, c.w.Forms, r.Uses[0].Crop.ID, r.Uses[0].Why, c.want)
		}
	}
}

func TestWhatCannotBeWished(t *testing.T) {
	b := book.Usual()
	cases := []struct {
		name  string
		spoil func(*Wish)
		field string
	}{
		{"negative", func(w *Wish) { w.Amount.Number = -1 }, "amount.number"},
		{"zero", func(w *Wish) { w.Amount.Number = 0 }, "amount.number"},
		{"NaN", func(w *Wish) { w.Amount.Number = math.NaN() }, "amount.number"},
		{"infinite", func(w *Wish) { w.Amount.Number = math.Inf(1) }, "amount.number"},
		{"1e12", func(w *Wish) { w.Amount.Number = 1e12 }, "amount.number"},
		{"unknown food", func(w *Wish) { w.Food = "carot" }, "food"},
		{"a kind of another food", func(w *Wish) { w.Kind = "leek" }, "kind"},
		{"a form it has not", func(w *Wish) { w.Forms = []Form{"smoked"} }, "forms[0]"},
		{"a form twice", func(w *Wish) { w.Forms = []Form{Fresh, Fresh} }, "forms[1]"},
		{"no form", func(w *Wish) { w.Forms = nil }, "forms"},
		{"put up without a preparation", func(w *Wish) { w.Forms = []Form{Frozen} }, "preparations"},
		{"a preparation of another crop", func(w *Wish) { w.Forms, w.Preparations = []Form{Frozen}, []string{"pea-frozen"} }, "preparations[0]"},
		{"a preparation nothing is put up by", func(w *Wish) { w.Preparations = []string{"carrot-frozen"} }, "preparations[0]"},
		{"jars of something dried", func(w *Wish) {
			w.Forms, w.Preparations, w.Amount = []Form{Dried}, []string{"carrot-dried"}, Amount{Kind: Jars, Number: 3}
		}, "amount.kind"},
		{"months out of range", func(w *Wish) { w.Season = Season{Kind: Months, From: 0, To: 13} }, "season.from"},
		{"a chance of 2", func(w *Wish) { two := 2.0; w.Confidence = &two }, "confidence"},
		{"left below nothing", func(w *Wish) { w.Left = -2 }, "left"},
		{"every day", func(w *Wish) { w.Stagger = Stagger{Kind: Every, Days: 1} }, "stagger.days"},
		{"a priority there is not", func(w *Wish) { w.Priority = "perhaps" }, "priority"},
		{"an unknown amount", func(w *Wish) { w.Amount.Kind = "buckets" }, "amount.kind"},
		{"a long note", func(w *Wish) { w.Note = strings.Repeat("x", 501) }, "note"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			w := wish("carrot", Meals, 2, Fresh)
			c.spoil(&w)
			check := invalid.NewCheck()
			w.Validate(check, b)
			err := check.Err()
			if !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == c.field }) {
				t.Fatalf("got %v, want a mistake at %s", err, c.field)
			}
		})
	}
	check := invalid.NewCheck()
	jars := wish("tomato", Jars, 400000, Canned)
	jars.Preparations = []string{"tomato-sauce-thick"}
	jars.Validate(check, b)
	if check.Err() == nil {
		t.Error("400 000 jars were taken")
	}
	cellar := wish("spinach", Meals, 2, Cellar)
	check = invalid.NewCheck()
	cellar.Validate(check, b)
	if check.Err() == nil {
		t.Error("spinach was taken into the cellar")
	}
}

func TestWhatCannotBeAHousehold(t *testing.T) {
	for name, spoil := range map[string]func(*Household){
		"members":         func(h *Household) { h.Members = nil },
		"name":            func(h *Household) { h.Name = "  " },
		"year":            func(h *Household) { h.Year = 12 },
		"members[1].id":   func(h *Household) { h.Members[1].ID = "1" },
		"members[0].name": func(h *Household) { h.Members[0].Name = "" },
		"members[0].band": func(h *Household) { h.Members[0].Band = "giant" },
		"risk":            func(h *Household) { h.Risk = "reckless" },
		"wishes":          func(h *Household) { h.Wishes = make([]Wish, MostWishes+1) },
		"overrules[1].field": func(h *Household) {
			h.Overrules = []book.Overrule{{Subject: "household", Field: "cull", Value: 0.1}, {Subject: "household", Field: "cull", Value: 0.2}}
		},
	} {
		h := household()
		spoil(&h)
		if err := h.Validate(book.Usual()); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == name }) {
			t.Errorf("%s: got %v", name, err)
		}
	}
}

func TestTheFirstYear(t *testing.T) {
	h := household()
	for asOf, want := range map[civil.Date]int{civil.Of(2026, 11, 25): 2027, civil.Of(2027, 3, 1): 2027, civil.Of(2027, 6, 1): 2027, civil.Of(2027, 9, 1): 2028} {
		if got := h.FirstYear(asOf); got != want {
			t.Errorf("begun on %s the year is %d, want %d", asOf, got, want)
		}
	}
}

// What is set by hand and what stands on the shelf, where it cannot be.
func TestWhatCannotBeSetByHand(t *testing.T) {
	b := book.Usual()
	for field, spoil := range map[string]func(*Wish){
		"cover":           func(w *Wish) { w.Cover = "blanket" },
		"piece":           func(w *Wish) { w.Piece = 90000 },
		"pins[0].day":     func(w *Wish) { w.Pins = []Pin{{civil.MonthDay{Month: 2, Day: 31}, Fresh}} },
		"pins[0].source":  func(w *Wish) { w.Pins = []Pin{{civil.MonthDay{Month: 2, Day: 1}, Frozen}} },
		"pins":            func(w *Wish) { w.Pins = make([]Pin, 60) },
		"story.had":       func(w *Wish) { w.Story = &Story{Had: 3} },
		"preparations":    func(w *Wish) { w.Forms = append(w.Forms, Canned) },
		"preparations[0]": func(w *Wish) { w.Preparations = []string{"sauerkraut"} },
	} {
		w := wish("carrot", Meals, 2, Fresh, Cellar)
		spoil(&w)
		check := invalid.NewCheck()
		w.Validate(check, b)
		if err := check.Err(); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == field }) {
			t.Errorf("want a mistake at %s, got %v", field, err)
		}
	}
	for field, story := range map[string]Story{
		"story.left": {Had: 10, Left: 7, Given: 4}, "story.ran_out": {Had: 10, From: civil.MonthDay{Month: 9, Day: 1}, RanOut: civil.MonthDay{Month: 2, Day: 30}},
		"story.from": {Had: 10, RanOut: civil.MonthDay{Month: 2, Day: 3}}, "story.given": {Had: 10, Given: -1},
	} {
		w := wish("beet", WeightYear, 20, Cellar)
		w.Story = &story
		check := invalid.NewCheck()
		w.Validate(check, b)
		if err := check.Err(); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == field }) {
			t.Errorf("want a mistake at %s, got %v", field, err)
		}
	}
	for field, lot := range map[string]shelf.Lot{
		"food": {Food: "moon cheese"}, "form": {Food: "beet", Form: "fresh"}, "unit": {Food: "tomato", Form: "canned", Unit: "pieces"},
		"preparation": {Food: "beet", Form: "canned", Preparation: "tomato-juice"},
	} {
		lot.Count, lot.Size, lot.PutUp = 1, 1, civil.Of(2026, 9, 1)
		if lot.Unit == "" {
			lot.Unit = "kg"
		}
		check := invalid.NewCheck()
		ValidateLot(check, lot, b)
		if err := check.Err(); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == field }) {
			t.Errorf("want a mistake at %s of a lot, got %v", field, err)
		}
	}
}

// An older file's one preparation becomes the first of several.
func TestFillMovesTheOnePreparation(t *testing.T) {
	w := Wish{Food: "tomato", Forms: []Form{Canned}, Preparation: "tomato-juice"}
	w.Fill()
	w.Fill()
	if len(w.Preparations) != 1 || w.Preparations[0] != "tomato-juice" || w.Preparation != "" {
		t.Errorf("%+v", w)
	}
}
