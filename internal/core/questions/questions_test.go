package questions_test

import (
	"errors"
	"fmt"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/questions"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

var today = civil.Of(2027, 1, 12)

// facts are those of two adults who want lettuce while it lasts and potatoes all year, from two beds.
func facts(t *testing.T, entries ...*record.Entry) questions.Facts {
	t.Helper()
	h := household.Household{Name: "h", Year: 2027, Risk: "usual", Place: place.Examples()[0].Place,
		Members: []household.Member{{ID: "a", Name: "A", Band: "adult"}, {ID: "b", Name: "B", Band: "adult"}},
		Beds:    []bed.Bed{{ID: "b1", Name: "Mill bed", Length: 10, Width: 1.2, Stood: []bed.Stood{{Year: 2024, Families: []string{"Solanaceae"}}}}, {ID: "b2", Name: "Reed bed", Length: 10, Width: 1.2, Y: 3}},
		Wishes: []wish.Wish{
			{ID: "w1", Food: "lettuce", Variety: "lettuce-head", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: 4}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}},
			{ID: "w2", Food: "potato", Forms: []wish.Form{wish.Fresh, wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightWeek, Number: 1}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}},
		}}
	in := plan.Input{AsOf: today, Household: h, Memory: &plan.Memory{}}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	fit, err := ground.InputOf(in, p)
	if err != nil {
		t.Fatal(err)
	}
	rec := record.Of(entries)
	return questions.Facts{Plan: &p, Wishes: h.Wishes, Book: book.Usual(), Beds: h.Beds, Pieces: ground.Fit(fit).Pieces, Record: rec, Year: 2027}
}

// What is needed of a food between two days is its part of the weeks; the parts of the year add up to the year.
func TestNeededAddsUpToTheYear(t *testing.T) {
	f := facts(t)
	first, end := f.Plan.Weeks[0], f.Plan.Weeks[51]+6
	kg := func(from, to civil.Date) float64 {
		a, err := f.Needed("potato", from, to)
		if err != nil {
			t.Fatal(err)
		}
		var n float64
		_, rest, _ := strings.Cut(a.Said, "you need {")
		if _, err := fmt.Sscanf(rest, "%g", &n); err != nil {
			t.Fatalf("%q: %v", a.Said, err)
		}
		return n
	}
	all := kg(first, end)
	var sum float64
	for at := first; at <= end; at += 30 {
		sum += kg(at, min(at+29, end))
	}
	if all < 40 || sum-all > 0.01 || all-sum > 0.01 {
		t.Errorf("%g kg in the year, %g kg in its parts; a kilogram a week is eaten until stores run out", all, sum)
	}
	if week := kg(first, first+6); week < all/60 || week > all/45 {
		t.Errorf("%g kg in one week of %g", week, all)
	}
	if a, err := f.Needed("carrot", first, end); err != nil || a.Said != "Nothing: no wish asks for carrot." {
		t.Errorf("%+v, %v", a, err)
	}
}

// Sowings of a food are numbered by their days.
func TestSowingsAreNumbered(t *testing.T) {
	f := facts(t)
	all, err := f.Sowings("lettuce", 0)
	if err != nil || len(all.Rows) < 4 {
		t.Fatalf("%+v, %v", all, err)
	}
	third, err := f.Sowings("lettuce", 3)
	if err != nil || len(third.Rows) != 1 || third.Rows[0] != all.Rows[2] || !strings.HasPrefix(third.Said, "The third sowing of lettuce is started on ") {
		t.Errorf("%+v, %v", third, err)
	}
	if !strings.Contains(third.Rows[0].Head, "3 of ") || !strings.Contains(third.Rows[0].Text, "bed") {
		t.Errorf("%+v", third.Rows[0])
	}
	for _, number := range []int{-1, len(all.Rows) + 1} {
		var field *invalid.Field
		if _, err := f.Sowings("lettuce", number); !errors.As(err, &field) || field.Field != "number" {
			t.Errorf("%d: %v", number, err)
		}
	}
}

// What is next to do in a bed is the first open task of what lies in it.
func TestNextInABed(t *testing.T) {
	f := facts(t)
	for _, b := range f.Beds {
		a, err := f.Next(b.ID, today)
		if err != nil {
			t.Fatal(err)
		}
		var first civil.Date
		for _, p := range f.Pieces {
			if s := f.Plan.Sowing(p.Planting); p.Bed == b.ID && s != nil && (first == 0 || s.Date < first) {
				first = s.Date
			}
		}
		if first == 0 {
			if len(a.Rows) != 0 {
				t.Errorf("%s has nothing, and %+v is to do", b.Name, a.Rows)
			}
			continue
		}
		if len(a.Rows) == 0 || a.Rows[0].Head != first.Words() {
			t.Errorf("%s: the first sowing is on %s, told is %+v", b.Name, first, a)
		}
	}
}

// When something last grew in a bed is told by what was recorded, and else by its family.
func TestLastGrownInABed(t *testing.T) {
	picked := &record.Entry{ID: "e", Day: civil.Of(2026, 8, 3), Act: record.Harvest, Food: "tomato", Bed: "b2", Gram: 900, To: record.Table}
	f := facts(t, picked)
	for _, c := range []struct{ food, bed, said string }{
		{"tomato", "b2", "Tomato last grew in Reed bed in 2026."},
		{"tomato", "b1", "No tomato is recorded in Mill bed; a plant of its family grew there in 2024."},
		{"carrot", "b1", "Neither carrot nor its family is recorded in Mill bed."},
	} {
		a, err := f.Last(c.food, c.bed)
		if err != nil || a.Said != c.said {
			t.Errorf("%q, %v, want %q", a.Said, err, c.said)
		}
		if !strings.Contains(a.Working[0], "family") {
			t.Errorf("%q does not name the family", a.Working[0])
		}
	}
}

// What cannot be asked is told at its field.
func TestQuestionsThatCannotBeAsked(t *testing.T) {
	f := facts(t)
	_, food := f.Sowings("carot", 0)
	_, bedless := f.Next("b9", today)
	_, days := f.Needed("potato", f.Plan.Weeks[3], f.Plan.Weeks[2])
	for name, err := range map[string]error{"food": food, "bed": bedless, "to": days} {
		var field *invalid.Field
		if !errors.As(err, &field) || field.Field != name {
			t.Errorf("%s: %v", name, err)
		}
	}
}
