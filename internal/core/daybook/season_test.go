package daybook

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
)

// The weeks of a season add up to what was expected until today and what is to come; what came in
// stands in its own week, moves what is to come, and is told as ahead or behind with how sure.
func TestTheSeasonSoFar(t *testing.T) {
	now := lived(t, civil.Of(2027, 8, 20))
	courses, err := plan.Courses(now.Input)
	if err != nil {
		t.Fatal(err)
	}
	start := now.Plan.Weeks[0]
	of := func(rec *record.Record, food string) FoodSeason {
		t.Helper()
		for _, s := range Seasons(courses, rec, book.Usual(), start, now.Input.AsOf) {
			if s.Food == food {
				return s
			}
		}
		t.Fatalf("nothing of %s", food)
		return FoodSeason{}
	}
	check := func(s FoodSeason) {
		t.Helper()
		var expected, low, high, picked float64
		for _, w := range s.Weeks {
			if w.Low > w.Expected+1e-9 || w.Expected > w.High+1e-9 {
				t.Errorf("%s in the week of %s: %+v", s.Food, w.From, w)
			}
			expected, low, high, picked = expected+w.Expected, low+w.Low, high+w.High, picked+w.Picked
		}
		if math.Abs(expected-s.ByNow-s.Likely) > 0.02*(s.ByNow+s.Likely)+0.01 || math.Abs(picked-s.Picked) > 1e-9 {
			t.Errorf("%s: the weeks add up to %.2f kg, by now %.2f and to come %.2f; picked %.2f of %.2f", s.Food, expected, s.ByNow, s.Likely, picked, s.Picked)
		}
	}
	nothing := of(record.Of(nil), "tomato")
	check(nothing)
	if nothing.Words != "" || nothing.Picked != 0 || nothing.ByNow <= 0 || math.Abs(nothing.ByNow+nothing.Likely-nothing.Expected) > 1e-6 {
		t.Errorf("%+v", nothing)
	}
	picks := func(share float64) *record.Record {
		var all []*record.Entry
		for i := range courses {
			c := &courses[i]
			if !strings.HasPrefix(c.Crop, "tomato") || !c.Begun || c.First > now.Input.AsOf {
				continue
			}
			for day := c.First; day <= now.Input.AsOf; day++ {
				gram := int(1000 * share * c.Between(c.Kg, c.First, day, day+1))
				all = append(all, &record.Entry{ID: c.Sowing + day.String(), Day: day, Act: record.Harvest, Food: "tomato", Sowing: c.Sowing, Gram: gram})
			}
		}
		return record.Of(all)
	}
	for _, c := range []struct {
		share float64
		says  string
	}{{0.2, "Behind"}, {0.97, "As expected"}, {2, "Ahead"}} {
		s := of(picks(c.share), "tomato")
		check(s)
		if !strings.HasPrefix(s.Words, c.says) {
			t.Errorf("%g of what was expected: %s", c.share, s.Words)
		}
		// Not all that came in was weighed, most likely: as much as expected means somewhat more.
		if (s.Likely < nothing.Likely) != (c.share < 0.8) {
			t.Errorf("%g of what was expected: %.1f kg are to come, %.1f were", c.share, s.Likely, nothing.Likely)
		}
	}
	if s := of(picks(0.2), "tomato"); !strings.Contains(s.Words, "sure") && !strings.Contains(s.Words, "likely") {
		t.Errorf("a fifth is no chance: %s", s.Words)
	}
	for day := civil.Of(2027, 5, 1); day < civil.Of(2028, 3, 1); day += 61 {
		for _, s := range Seasons(courses, record.Of(nil), book.Usual(), start, day) {
			check(s)
		}
	}
}

// How sure a difference is follows from its chance: nearly sure from 0.95, likely from 0.80.
func TestHowSureADifferenceIs(t *testing.T) {
	for _, c := range []struct {
		behind bool
		below  float64
		want   say.Sureness
	}{{true, 0.96, say.Sure}, {true, 0.94, say.Likely}, {true, 0.81, say.Likely}, {true, 0.79, say.Chance}, {false, 0.04, say.Sure}, {false, 0.19, say.Likely}, {false, 0.3, say.Chance}} {
		if got := sureness(c.behind, c.below); got != c.want {
			t.Errorf("%+v: %d", c, got)
		}
	}
}
