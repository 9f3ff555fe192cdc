package plan

import (
	"context"
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// A sowing that nobody recorded counts as put down for fourteen days, and then no more; a
// household may count only what it records.
func TestAnOverdueSowingCountsForSoLong(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh))
	first := planned(t, in).Sowings[0]
	for _, c := range []struct {
		days     civil.Date
		grace    float64
		presumed bool
	}{{0, 14, false}, {1, 14, true}, {14, 14, true}, {15, 14, false}, {1, 0, false}, {1, 3, true}, {4, 3, false}, {20, 30, true}} {
		late := in
		late.AsOf = first.Date + c.days
		late.Household.Overrules = []book.Overrule{{Subject: "household", Field: "overdue_days", Value: c.grace}}
		p := planned(t, late)
		k := slices.IndexFunc(p.Sowings, func(s Sowing) bool { return s.ID == first.ID })
		missed := slices.ContainsFunc(p.Missed, func(m Missed) bool {
			return m.ID == first.ID && m.Date == first.Date && m.Crop == first.Crop && slices.Equal(m.For, []string{"Carrot"}) && m.Weeks == len(first.Feeds)
		})
		switch counts := c.days == 0 || c.presumed; {
		case counts != (k >= 0) || missed == counts:
			t.Errorf("%d days after its day, with %g allowed: it counts: %v, missed: %v", c.days, c.grace, k >= 0, missed)
		case counts && (p.Sowings[k].Presumed != c.presumed || p.Sowings[k].Late != c.presumed || p.Sowings[k].Set || p.Sowings[k].Begun || p.Sowings[k].Date != first.Date || p.Sowings[k].Plants != first.Plants):
			t.Errorf("%d days after its day: %+v", c.days, p.Sowings[k])
		}
	}
}

// What is missed is recorded afterwards on its day, and counts again.
func TestAMissedSowingIsRecordedAfterAll(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh))
	first := planned(t, in).Sowings[0]
	in.AsOf = first.Date + 40
	missed := planned(t, in)
	if len(missed.Missed) == 0 || missed.Missed[0].ID != first.ID {
		t.Fatalf("%+v", missed.Missed)
	}
	next := after(t, in, Event{Sowing: first.ID, What: Done, Task: "sow", Day: first.Date})
	p := planned(t, next)
	s := sowingOf(t, p, first.ID)
	if !s.Begun || s.Date != first.Date || s.Plants != first.Plants || len(p.Missed) != len(missed.Missed)-1 || p.Tally.WeeksFed <= missed.Tally.WeeksFed {
		t.Errorf("%+v; %d weeks fed, %d before; still missed %+v", s, p.Tally.WeeksFed, missed.Tally.WeeksFed, p.Missed)
	}
}

// Each wish says which of its sowings count no more, how many weeks that costs, and which
// crop can be begun no more, with the day on which it can be again.
func TestWhatIsPastIsSaid(t *testing.T) {
	in := ford(meals("tomato", 3, wish.Fresh))
	in.Household.Wishes[0].Season = wish.Season{Kind: wish.While}
	whole := planned(t, in).Wishes[0]
	in.AsOf = civil.Of(2027, 8, 1)
	w := planned(t, in).Wishes[0]
	if w.WeeksFed != 0 || w.WeeksWanted != whole.WeeksWanted || w.Plants != 0 {
		t.Errorf("tomatoes that nobody sowed feed %d of %d weeks, before %d of %d", w.WeeksFed, w.WeeksWanted, whole.WeeksFed, whole.WeeksWanted)
	}
	var over say.NoMoreThisYear
	var gone say.NotPutDown
	for _, n := range w.Notes {
		switch told := n.Fact.(type) {
		case say.NoMoreThisYear:
			over = told
		case say.NotPutDown:
			gone = told
		}
	}
	if gone.Sowings == 0 || gone.Weeks != whole.WeeksFed || gone.First > gone.Last || gone.Last >= in.AsOf {
		t.Errorf("%+v of %d weeks", gone, whole.WeeksFed)
	}
	if over.Last >= in.AsOf || over.Again <= in.AsOf || over.Again-over.Last > place.Days || over.Now {
		t.Errorf("%+v", over)
	}
}

// On any day, at any place, with nothing put down: what the plan still wants to begin is
// begun on that day or later and its season permits it, what counts as put down is overdue
// by at most fourteen days, and nothing that is overdue for longer feeds a week.
func TestOnAnyDayNothingIsBegunInThePast(t *testing.T) {
	dice := rand.New(rand.NewPCG(14, 7))
	examples := place.Examples()
	for range 40 {
		in := everything()
		in.Memory = nil
		in.Household.Place = examples[dice.IntN(len(examples))].Place
		in.Household.Plantings = nil
		in.AsOf = in.Household.YearStart() + civil.Date(dice.IntN(place.Days+60)-120)
		where := fmt.Sprintf("%s on %s", in.Household.Place.Name, in.AsOf)
		p := planned(t, in)
		standsUp(t, where, p)
		for _, s := range p.Sowings {
			switch {
			case s.Method == season.Patch || s.Early:
			case s.Presumed:
				if overdue := in.AsOf - s.Date; overdue < 1 || overdue > 14 {
					t.Errorf("%s: %s of %s counts as put down", where, s.CropName, s.Date)
				}
			case s.Date < in.AsOf:
				t.Errorf("%s: %s is to be started on %s", where, s.CropName, s.Date)
			}
		}
		fed := map[string]map[int]bool{}
		for _, s := range p.Sowings {
			for _, f := range s.For {
				for _, week := range s.Feeds {
					if fed[f.Wish] == nil {
						fed[f.Wish] = map[int]bool{}
					}
					fed[f.Wish][week] = true
				}
			}
		}
		for _, w := range p.Wishes {
			for week, from := range w.Source {
				if from == wish.Fresh && !fed[w.ID][week] {
					t.Errorf("%s: week %d of %s is fresh, but nothing that stands or is to be sown feeds it", where, week, w.Title)
				}
			}
		}
		for _, w := range p.Wishes {
			for _, n := range w.Notes {
				if part, ok := n.Fact.(say.PartNotHere); ok && part.Why.IsZero() {
					t.Errorf("%s: %s: why %s cannot be grown is not said", where, w.Title, part.Crop)
				}
			}
		}
		for i, m := range p.Missed {
			if in.AsOf-m.Date <= 14 || i > 0 && m.Date < p.Missed[i-1].Date {
				t.Errorf("%s: %+v is missed", where, m)
			}
		}
	}
}

// With nothing put down the weeks fed fall through the year, but for a week or two that a
// reckoning anew finds.
func TestWithNothingPutDownThePlanFalls(t *testing.T) {
	in := everything()
	in.Household.Plantings = nil
	last := planned(t, in).Tally.WeeksFed
	begun := last
	for _, day := range []civil.Date{civil.Of(2027, 3, 1), civil.Of(2027, 4, 21), civil.Of(2027, 6, 1), civil.Of(2027, 7, 15), civil.Of(2027, 8, 20), civil.Of(2027, 10, 15)} {
		in.AsOf = day
		p := planned(t, in)
		if p.Tally.WeeksFed > last+last/100 {
			t.Errorf("%s: %d weeks are fed, %d before", day, p.Tally.WeeksFed, last)
		}
		last = p.Tally.WeeksFed
	}
	if last > begun/2 {
		t.Errorf("in October %d of %d weeks are fed by a garden in which nothing was sown", last, begun)
	}
}

// What was begun as planned has the planned plants and days; on a later day all moves with
// it; what was sown indoors was planted out too, where that day has come.
func TestBegunAsPlanned(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh), meals("tomato", 2, wish.Fresh))
	in.Household.Wishes[1].Season = wish.Season{Kind: wish.While}
	whole := planned(t, in)
	of := func(crop string) Sowing {
		return whole.Sowings[slices.IndexFunc(whole.Sowings, func(s Sowing) bool { return s.Crop == crop })]
	}
	carrot, tomato := of("carrot"), of("tomato-slicing")
	for _, c := range []struct {
		what  string
		asOf  civil.Date
		event Event
		holds func(p record.Planting) bool
	}{
		{"on its day", carrot.Date + 5, Event{Sowing: carrot.ID, What: AsPlanned}, func(p record.Planting) bool {
			return *p.Sown == carrot.Date && p.Day == carrot.Day && p.Plants == carrot.Plants && p.Out == nil
		}},
		{"three days later", carrot.Date + 5, Event{Sowing: carrot.ID, What: AsPlanned, Day: carrot.Date + 3}, func(p record.Planting) bool {
			return *p.Sown == carrot.Date+3 && p.Day == carrot.Day+3
		}},
		{"four in ten of it", carrot.Date + 5, Event{Sowing: carrot.ID, What: AsPlanned, Count: 40}, func(p record.Planting) bool {
			return p.Plants == int(math.Round(0.4*float64(carrot.Plants))) && p.Asked == carrot.Plants
		}},
		{"indoors still", tomato.Date + 5, Event{Sowing: tomato.ID, What: AsPlanned}, func(p record.Planting) bool {
			return *p.Sown == tomato.Date && p.Day == tomato.Day && p.Out == nil
		}},
		{"planted out since", *tomato.PlantOut + 60, Event{Sowing: tomato.ID, What: AsPlanned}, func(p record.Planting) bool {
			return *p.Sown == tomato.Date && *p.Out == *tomato.PlantOut && *p.Up == *tomato.UpBy && p.Plants == tomato.Plants && len(p.Done) >= 4
		}},
	} {
		now := in
		now.AsOf = c.asOf
		out, err := Log(now, c.event)
		if err != nil || !c.holds(*out.Planting) {
			t.Errorf("%s: %v, %+v", c.what, err, out.Planting)
		}
	}
	now := in
	now.AsOf = carrot.Date + 5
	var wrong *invalid.Field
	if _, _, err := now.Logged([]Event{{Sowing: carrot.ID, What: AsPlanned}, {Sowing: tomato.ID, What: AsPlanned, Day: now.AsOf + 1}}); !errors.As(err, &wrong) || wrong.Field != "events[1].day" {
		t.Errorf("a day that is to come: %v", err)
	}
	if _, _, err := now.Logged([]Event{{Sowing: carrot.ID, What: AsPlanned}, {Sowing: carrot.ID, What: AsPlanned}}); !errors.As(err, &wrong) || wrong.Field != "events[1].what" {
		t.Errorf("begun twice: %v", err)
	}
	if _, _, err := now.Logged([]Event{{Sowing: carrot.ID, What: AsPlanned, Count: 101}}); !errors.As(err, &wrong) || wrong.Field != "events[0].count" {
		t.Errorf("more than all of it: %v", err)
	}
	both, outcomes, err := now.Logged([]Event{{Sowing: carrot.ID, What: AsPlanned}, {Sowing: tomato.ID, What: AsPlanned}})
	if err != nil || len(outcomes) != 2 || len(both.Household.Plantings) != 2 || len(now.Household.Plantings) != 0 {
		t.Errorf("%v: %+v", err, outcomes)
	}
}

// Whoever puts down in July all that was to be begun has the plan that there was in January.
func TestAllPutDownIsThePlanAsItWas(t *testing.T) {
	in := everything()
	in.Household.Plantings, in.Household.Lots, in.Household.Weather = nil, nil, nil
	in.AsOf = in.Household.YearStart() - 350
	whole := planned(t, in)
	in.AsOf = civil.Of(2027, 7, 15)
	var events []Event
	for _, m := range planned(t, in).Missed {
		events = append(events, Event{Sowing: m.ID, What: AsPlanned})
	}
	for _, s := range planned(t, in).Sowings {
		if s.Presumed {
			events = append(events, Event{Sowing: s.ID, What: AsPlanned})
		}
	}
	done, _, err := in.Logged(events)
	if err != nil || len(events) < 10 {
		t.Fatalf("%d events: %v", len(events), err)
	}
	p := planned(t, done)
	if len(p.Missed) != 0 || p.Tally.WeeksFed < whole.Tally.WeeksFed-whole.Tally.WeeksFed/50 {
		t.Errorf("%d are missed still, %d weeks are fed, %d in the plan", len(p.Missed), p.Tally.WeeksFed, whole.Tally.WeeksFed)
	}
	for _, s := range p.Sowings {
		if s.Presumed {
			t.Errorf("%s of %s counts as put down, though it is recorded", s.CropName, s.Date)
		}
	}
}

// Whoever begins in July has nothing to catch up with: the plan is of what can still be
// begun, and lists what cannot, with the day from which it can again.
func TestBegunInTheMiddleOfTheYear(t *testing.T) {
	dice := rand.New(rand.NewPCG(3, 20))
	for _, e := range place.Examples() {
		for range 6 {
			in := everything()
			in.Memory = nil
			in.Household.Place, in.Household.Plantings, in.Household.Weather = e.Place, nil, nil
			in.AsOf = in.Household.YearStart() + civil.Date(dice.IntN(place.Days)-60)
			in.Household.Since = in.AsOf
			where := fmt.Sprintf("%s on %s", e.ID, in.AsOf)
			p := planned(t, in)
			standsUp(t, where, p)
			if len(p.Missed) != 0 {
				t.Errorf("%s: %d sowings from before it began are missed", where, len(p.Missed))
			}
			for _, s := range p.Sowings {
				if s.Method != season.Patch && !s.Early && (s.Date < in.AsOf || s.Presumed) {
					t.Errorf("%s: %s of %s", where, s.CropName, s.Date)
				}
			}
			for _, o := range p.Over {
				if o.Last >= in.AsOf || o.Again < in.AsOf || o.Title == "" || o.CropName == "" {
					t.Errorf("%s: %+v", where, o)
				}
			}
		}
	}
}

// When it is too late to sow, bought starts may still close the gap: that is offered with
// what it does, and it does it.
func TestBoughtStartsCloseAGapThatSowingCannot(t *testing.T) {
	in := ford(meals("tomato", 3, wish.Fresh))
	in.Household.Wishes[0].Season = wish.Season{Kind: wish.While}
	in.AsOf = civil.Of(2027, 5, 25)
	now := planned(t, in).Wishes[0]
	if now.WeeksFed != 0 || now.WeeksWanted == 0 {
		t.Fatalf("on 25 May tomatoes that were not sown feed %d of %d weeks", now.WeeksFed, now.WeeksWanted)
	}
	found, err := Remedies(context.Background(), in, "w1")
	if err != nil {
		t.Fatal(err)
	}
	k := slices.IndexFunc(found, func(r Remedy) bool { return r.Command == SetHabit && r.Habit.Method == season.Bought })
	if k < 0 {
		t.Fatalf("bought starts are not offered among %d remedies", len(found))
	}
	then, err := in.With(found[k].Change)
	if err != nil {
		t.Fatal(err)
	}
	if w := planned(t, then).Wishes[0]; w.WeeksFed != found[k].Weeks || w.WeeksFed == 0 || w.Plants == 0 {
		t.Errorf("%s says it feeds %d weeks, it feeds %d with %d plants", found[k].Words, found[k].Weeks, w.WeeksFed, w.Plants)
	}
}
