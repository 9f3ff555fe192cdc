package plan

import (
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/wish"
)

// A sowing goes with another one where it would have under a tenth of the plants of the
// largest of its bed, and the other one feeds its weeks too.
func TestOnlyTheSmallestSowingsAreMerged(t *testing.T) {
	w := wish.Wish{ID: "w1", Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.WeightWeek, Number: 20}}
	w.Fill()
	fitted, err := wanting(w).Fitted()
	if err != nil {
		t.Fatal(err)
	}
	b, err := basisOf(fitted, nil)
	if err != nil {
		t.Fatal(err)
	}
	weeks := sourcesOfWeeks(b, recorded{})
	d := demandsOf(b, weeks).demands[0]
	s := d.use.Season
	largest := 0
	for i := range s.Starts {
		if s.FedBy(s.Starts[i]).Count() > s.FedBy(s.Starts[largest]).Count() {
			largest = i
		}
	}
	st := s.Starts[largest]
	feeds := s.FedBy(st).List()
	if len(feeds) < 16 {
		t.Fatalf("kale is fresh in %d weeks from one sowing", len(feeds))
	}
	rowOf := func(id string, days int, weeks []int) *row {
		start := st
		start.Day, start.Sow, start.Ready = start.Day+days, start.Sow+days, start.Ready+days
		var run season.Weeks
		for _, w := range weeks {
			run = run.With(w)
		}
		return &row{key: d.key, id: id, crop: d.crop, of: 2, uses: []rowUse{{d, sowing.Sowing{Start: start, Run: run, Share: s.ShareOf(st, run), Of: 1, Part: 1}}}}
	}
	seen := [2]int{}
	for n := 2; n < len(feeds); n++ {
		large, small := rowOf("large", 0, feeds[:n]), rowOf("small", 30, feeds[n:n+1])
		plants, most := b.plantsOf(weeks, small), b.plantsOf(weeks, large)
		if plants >= most || float64(plants) < d.crop.MinPlants {
			continue
		}
		want, k := 2, 0
		if 10*plants < most {
			want, k = 1, 1
		}
		seen[k]++
		if got := merged(b, weeks, []*row{large, small}); len(got) != want {
			t.Errorf("%d plants beside %d: %d sowings, want %d", plants, most, len(got), want)
		} else if want == 1 && (got[0].id != "large" || got[0].uses[0].s.Run.Count() != n+1) {
			t.Errorf("merged it feeds %v", got[0].uses[0].s.Run.List())
		}
	}
	if seen[0] == 0 || seen[1] == 0 {
		t.Errorf("%d pairs stay apart, %d are merged: the test looks at nothing", seen[0], seen[1])
	}
}

// Corn of two kinds crosses where it flowers less than a fortnight apart.
func TestCornCrossesWithinAFortnight(t *testing.T) {
	in := wanting(lettuce(1))
	fitted, err := in.Fitted()
	if err != nil {
		t.Fatal(err)
	}
	b, err := basisOf(fitted, nil)
	if err != nil {
		t.Fatal(err)
	}
	corn := func(crop string, ready int) *sown {
		c := b.desk.Book.Crop(crop)
		first := b.date(ready)
		return &sown{Sowing: Sowing{Crop: crop, CropName: c.Short(), Date: first, FirstPick: &first}, season: b.season(c, place.NoCover)}
	}
	// Eaten green it flowers 20 days before the harvest, ripened on the stalk 55 days.
	for days, crosses := range map[int]bool{0: true, 8: true, 13: true, 14: false, 20: false} {
		sweet, flour := corn("sweet-corn-early", 100), corn("flour-corn", 100+35+days)
		for i, words := range crossings(b, []*sown{sweet, flour}) {
			if (!words.IsZero()) != crosses {
				t.Errorf("%d days apart, sowing %d: %q", days, i, words)
			}
		}
	}
}

// A cover comes off for a fortnight or not at all, and goes on for a week or not at all.
func TestCoversAreNotMovedForDays(t *testing.T) {
	for _, c := range []struct {
		name      string
		cool      []int // runs of days: cool, warm, cool, …
		want, end int   // times that it is put on, and the day on which it comes off last
	}{
		{"five warm days", []int{20, 5, 20, 55}, 1, 45},
		{"thirteen warm days", []int{20, 13, 20, 47}, 1, 53},
		{"a warm fortnight", []int{20, 14, 20, 46}, 2, 54},
		{"six cool days", []int{0, 30, 6, 64}, 0, 0},
		{"a cool week", []int{0, 30, 7, 63}, 1, 37},
	} {
		b := &basis{start: civil.Of(2027, 1, 1), year: &place.Year{}}
		day, warm := 0, false
		for _, n := range c.cool {
			for range n {
				b.year.Max[day] = 5
				if warm {
					b.year.Max[day] = place.OpenAbove + 5
				}
				day++
			}
			warm = !warm
		}
		s := &sown{Sowing: Sowing{Cover: string(place.Fleece)}, ground: span{0, 100}}
		got := b.covered(s)
		if len(got) != c.want || c.want > 0 && got[len(got)-1].Off != b.date(c.end) {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}

// Plants counted for a recorded sowing feed as many weeks as they are enough for: 95 % count
// as all, and half of one week's food is eaten too.
func TestCountedPlantsFeedTheirWeeks(t *testing.T) {
	in := wanting(lettuce(6))
	s := planned(t, in).Sowings[0]
	weeks := func(plants int) int {
		now := planned(t, after(t, in, Event{Sowing: s.ID, What: Counted, Count: float64(plants)}))
		return len(sowingOf(t, now, s.ID).Feeds)
	}
	all := len(s.Feeds)
	if all < 2 {
		t.Skipf("the first sowing feeds %d weeks", all)
	}
	if got := weeks(s.Plants); got != all {
		t.Errorf("all plants feed %d of %d weeks", got, all)
	}
	if got := weeks(s.Plants / 2); got >= all || got < 1 {
		t.Errorf("half the plants feed %d of %d weeks", got, all)
	}
}

// An early row is sown a fortnight before the first sowing.
func TestTheEarlyRowIsAFortnightEarly(t *testing.T) {
	w := wish.Wish{ID: "w1", Food: "snap bean", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 3}, Stagger: wish.Stagger{Kind: wish.ByNeed, Early: true}}
	w.Fill()
	p := planned(t, wanting(w))
	var early, first *Sowing
	for i := range p.Sowings {
		switch s := &p.Sowings[i]; {
		case s.Early:
			early = s
		case first == nil || s.Date < first.Date:
			first = s
		}
	}
	if early == nil || first == nil || first.Day-early.Day != 14 {
		t.Fatalf("early %+v, first %+v", early, first)
	}
}
