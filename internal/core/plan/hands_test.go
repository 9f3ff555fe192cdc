package plan

import (
	"errors"
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// after returns the input after an event.
func after(t *testing.T, in Input, e Event) Input {
	t.Helper()
	out, err := Log(in, e)
	if err != nil || out.Happened.String() == "" || out.Planting == nil {
		t.Fatalf("%+v: %v %q", e, err, out.Happened.String())
	}
	p := *out.Planting
	in.Household.Plantings = slices.Clone(in.Household.Plantings)
	if k := slices.IndexFunc(in.Household.Plantings, func(o record.Planting) bool { return o.ID == p.ID }); k >= 0 {
		in.Household.Plantings[k] = p
	} else {
		in.Household.Plantings = append(in.Household.Plantings, p)
	}
	return in
}

func sowingOf(t *testing.T, p Plan, id string) Sowing {
	t.Helper()
	k := slices.IndexFunc(p.Sowings, func(s Sowing) bool { return s.ID == id })
	if k < 0 {
		t.Fatalf("the plan has no sowing %s", id)
	}
	return p.Sowings[k]
}

// of returns the sowings of a crop, in their order.
func of(p Plan, crop string) (out []Sowing) {
	for _, s := range p.Sowings {
		if s.Crop == crop {
			out = append(out, s)
		}
	}
	return out
}

func wanting(w ...wish.Wish) Input {
	h := everything().Household
	h.Wishes = w
	h.Lots, h.Patches = nil, nil
	return Input{AsOf: civil.Of(2027, 1, 12), Household: h, Memory: &Memory{}}
}

func lettuce(n float64) wish.Wish {
	return wish.Wish{ID: "w1", Food: "lettuce", Variety: "lettuce-head", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: n}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
}

func carrots() wish.Wish {
	return wish.Wish{ID: "w1", Food: "carrot", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.Meals, Number: 2}, Season: wish.Season{Kind: wish.Months, From: 11, To: 3}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
}

// To hold a sowing where it is changes nothing, whichever it is.
func TestFixingADateKeepsThePlan(t *testing.T) {
	in := everything()
	in.Memory = &Memory{}
	before := planned(t, in)
	for _, s := range before.Sowings {
		if s.Method == season.Patch || s.Early {
			continue
		}
		now := planned(t, after(t, in, Event{Sowing: s.ID, What: "set"}))
		if m := Moves(before.Baseline().Sowings, now.Baseline().Sowings); len(m) > 0 {
			t.Errorf("%s of %s held: %+v", s.ID, s.Date, m)
		}
		if !sowingOf(t, now, s.ID).Set || now.Tally.WeeksFed != before.Tally.WeeksFed {
			t.Errorf("%s: set %v, %d weeks fed, before %d", s.ID, sowingOf(t, now, s.ID).Set, now.Tally.WeeksFed, before.Tally.WeeksFed)
		}
	}
}

// Six heads of lettuce a week: from the first week a start can feed to the last,
// no hole, and no sowing of more than 1.6 times what its weeks ask.
func TestSixHeadsOfLettuceAWeek(t *testing.T) {
	c, err := worked(wanting(lettuce(6)), nil)
	if err != nil {
		t.Fatal(err)
	}
	p := c.plan
	fed := season.Weeks(0)
	for _, s := range p.Sowings {
		for _, w := range s.Feeds {
			if fed.Has(w) {
				t.Errorf("week %d is fed twice", w)
			}
			fed = fed.With(w)
		}
		if heads := 6 * float64(len(s.Feeds)); float64(s.Plants) > 1.6*heads {
			t.Errorf("%d plants on %s for %g heads", s.Plants, s.Date, heads)
		}
	}
	can := c.sown[0].season.Fresh()
	if (can&^fed).Count() > 1 || fed.Count() < 10 || fed != can && !slices.ContainsFunc(p.Wishes[0].Notes, func(n say.Note) bool { return strings.Contains(n.String(), "too close to the one of") }) {
		t.Errorf("fed in %v, could be in %v", fed.List(), can.List())
	}
	first, last := fed.List()[0], fed.List()[fed.Count()-1]
	if hole := last - first + 1 - fed.Count(); hole > 0 && can.Count() == last-first+1 {
		t.Errorf("%d weeks of a hole from %d to %d", hole, first, last)
	}
}

// A sowing that comes up half feeds what it can; the rest of its weeks goes to
// another one, and what moved is listed.
func TestFewerCellsAreMadeUpFor(t *testing.T) {
	in := wanting(lettuce(6))
	in.AsOf = civil.Of(2027, 5, 3)
	before := planned(t, in)
	k := slices.IndexFunc(before.Sowings, func(s Sowing) bool { return s.Date >= in.AsOf && s.Method == season.Indoors && len(s.Feeds) >= 2 })
	if k < 0 {
		k = slices.IndexFunc(before.Sowings, func(s Sowing) bool { return len(s.Feeds) >= 2 })
	}
	s := before.Sowings[k]
	in.AsOf = s.Date
	before = planned(t, in)
	task := s.Tasks[0]
	now := planned(t, after(t, in, Event{Sowing: s.ID, What: "done", Task: task.What, Day: s.Date, Count: math.Floor(task.Count / 2)}))
	mine := sowingOf(t, now, s.ID)
	if !mine.Begun || mine.Plants >= s.Plants || mine.Wants == 0 && mine.Plants == s.Plants || mine.Tasks[0].Done != s.Date {
		t.Errorf("half was sown: %d plants of %d, begun %v, %+v", mine.Plants, s.Plants, mine.Begun, mine.Tasks[0])
	}
	if len(mine.Feeds) >= len(s.Feeds) || len(mine.Feeds) == 0 {
		t.Errorf("it feeds %v, before %v", mine.Feeds, s.Feeds)
	}
	if now.Tally.WeeksFed < before.Tally.WeeksFed {
		t.Errorf("%d weeks fed, before %d: others should have stepped in", now.Tally.WeeksFed, before.Tally.WeeksFed)
	}
	moves := Moves(before.Baseline().Sowings, now.Baseline().Sowings)
	if len(moves) < 2 || !slices.ContainsFunc(moves, func(m Move) bool { return m.Sowing == s.ID && m.Was == s.Plants && m.Is == mine.Plants }) {
		t.Errorf("moves: %+v", moves)
	}
}

// A lot lifted long before its time runs out: weeks that it fed go hungry.
func TestALotMovedEarlyLeavesAGap(t *testing.T) {
	in := wanting(carrots())
	before := planned(t, in)
	lot := before.Sowings[0]
	now := planned(t, after(t, in, Event{Sowing: lot.ID, What: "set", Day: lot.Date - 70}))
	if moved := sowingOf(t, now, lot.ID); moved.Date != lot.Date-70 || !moved.Set || moved.Begun {
		t.Errorf("moved to %s, set %v", moved.Date, moved.Set)
	}
	if now.Tally.WeeksFed >= before.Tally.WeeksFed {
		t.Errorf("%d weeks fed, before %d", now.Tally.WeeksFed, before.Tally.WeeksFed)
	}
	// Half of the lot counted: another takes the rest.
	half := planned(t, after(t, in, Event{Sowing: lot.ID, What: "count", Count: float64(lot.Plants / 2)}))
	if all := of(half, lot.Crop); len(all) != 2 || math.Abs(float64(all[0].Plants+all[1].Plants-lot.Plants)) > 0.1*float64(lot.Plants) {
		t.Errorf("%d plants were wanted: %d sowings", lot.Plants, len(all))
	}
}

// Sown late, a sowing is not wanted a second time on the day that is past; the
// weeks that it can no longer feed are gaps, or fed by what can still be sown.
func TestPastSowingsAreNotPlannedAgain(t *testing.T) {
	in := wanting(lettuce(6))
	before := planned(t, in)
	first := before.Sowings[0]
	in.AsOf = first.Date + 40
	for name, e := range map[string]Event{
		"sown late": {Sowing: first.ID, What: "done", Task: first.Tasks[0].What, Day: in.AsOf},
		"not sown":  {Sowing: first.ID, What: "ended", Day: in.AsOf},
	} {
		now := planned(t, after(t, in, e))
		for _, s := range now.Sowings {
			if was := slices.ContainsFunc(before.Sowings, func(o Sowing) bool { return o.Date == s.Date }); s.ID != first.ID && s.Date < in.AsOf && !was {
				t.Errorf("%s: %s is still to be begun on %s, as of %s", name, s.ID, s.Date, in.AsOf)
			}
		}
		if late := sowingOf(t, now, first.ID); late.Late {
			t.Errorf("%s: it still counts as late", name)
		}
		if late := sowingOf(t, now, first.ID); name == "not sown" && (late.Plants != 0 || late.Area != 0 || late.Likely != 0) {
			t.Errorf("what was never sown has %d plants on %g m²", late.Plants, late.Area)
		}
		gaps := gapsOf(&now.Wishes[0])
		if gaps == 0 || now.Wishes[0].WeeksFed+gaps != now.Wishes[0].WeeksWanted {
			t.Errorf("%s: %d weeks fed, %d gaps of %d", name, now.Wishes[0].WeeksFed, gaps, now.Wishes[0].WeeksWanted)
		}
	}
}

// What is seen in the bed moves the sowing, whichever word it is said in.
func TestWhatIsSeenMovesTheSowing(t *testing.T) {
	base := wanting(lettuce(6))
	first := planned(t, base).Sowings[0]
	in := after(t, base, Event{Sowing: first.ID, What: "set"})
	in.AsOf = first.Date + 30
	in = after(t, in, Event{Sowing: first.ID, What: "done", Task: first.Tasks[0].What, Day: first.Date + 2})
	begun := sowingOf(t, planned(t, in), first.ID)
	if begun.Date != first.Date+2 || !begun.Begun || begun.Late {
		t.Errorf("begun on %s, late %v", begun.Date, begun.Late)
	}
	for _, c := range []struct {
		name string
		e    Event
		ok   func(was, is Sowing) bool
	}{
		{"three weeks behind", Event{What: "behind", Count: 21}, func(was, is Sowing) bool { return *is.FirstPick == *was.FirstPick+21 && is.Behind == 21 }},
		{"half up", Event{What: "share", Count: 50}, func(was, is Sowing) bool { return is.Plants == was.Plants/2 && is.Wants >= is.Plants }},
		{"bolting", Event{What: "ended", Day: in.AsOf}, func(was, is Sowing) bool { return is.Over && len(is.Feeds) == 0 && is.FirstPick == nil }},
		{"ready early", Event{What: "ready", Day: *begun.FirstPick - 3}, func(was, is Sowing) bool { return *is.FirstPick == *was.FirstPick-3 }},
	} {
		e := c.e
		e.Sowing = first.ID
		if is := sowingOf(t, planned(t, after(t, in, e)), first.ID); !c.ok(begun, is) {
			t.Errorf("%s: before %+v\nafter %+v", c.name, begun, is)
		}
	}
	lost := planned(t, after(t, in, Event{Sowing: first.ID, What: "ended", Day: in.AsOf}))
	if lost.Tally.Sowings <= 1 {
		t.Error("nothing was sown in place of what was lost")
	}
}

// What cannot be said of a sowing is refused with what would be right.
func TestEventsThatCannotBe(t *testing.T) {
	in := wanting(lettuce(6), wish.Wish{ID: "w2", Food: "rhubarb", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}})
	p := planned(t, in)
	id := of(p, "lettuce-head")[0].ID
	patch := of(p, "rhubarb")[0].ID
	for _, e := range []Event{
		{Sowing: "27-nobody", What: "set"}, {Sowing: id, What: "sing"}, {Sowing: id, What: "count", Count: 0}, {Sowing: id, What: "count", Count: math.NaN()},
		{Sowing: id, What: "share", Count: 120}, {Sowing: id, What: "behind", Count: 500}, {Sowing: id, What: "done", Task: "dance"},
		{Sowing: id, What: "done", Task: "sow", Day: in.AsOf + 1}, {Sowing: id, What: "done", Task: "sow", Count: -1}, {Sowing: patch, What: "set"},
	} {
		var field *invalid.Field
		if _, err := Log(in, e); !errors.As(err, &field) || field.Allowed == "" {
			t.Errorf("%+v: %v", e, err)
		}
	}
	out, err := Log(in, Event{Sowing: patch, What: "done", Task: "plant-out", Count: 3})
	if err != nil || out.Patch == nil || out.Patch.Plants != 3 || out.Patch.Planted != 2027 {
		t.Errorf("a patch that was planted: %+v %v", out.Patch, err)
	}
}

// Agreed and left alone, the plan stays as it is; after an edit, what is agreed
// stays where it can, and what moves is listed.
func TestAnAgreedPlanStaysClose(t *testing.T) {
	in := everything()
	in.Memory = &Memory{}
	p := planned(t, in)
	a := p.Baseline()
	a.Year = in.Household.Year
	in.Household.Baseline = &a
	if again := planned(t, in); len(again.Changed) != 0 {
		t.Errorf("nothing was changed, yet: %+v", again.Changed)
	}
	in = wanting(lettuce(6))
	p = planned(t, in)
	a = p.Baseline()
	a.Year = in.Household.Year
	in.Household.Baseline = &a
	in.Household.Wishes[0].Season = wish.Season{Kind: wish.Months, From: 6, To: 9} // fewer weeks: by itself the walk would begin elsewhere
	now := planned(t, in)
	days := map[civil.Date]bool{}
	for _, s := range a.Sowings {
		days[s.Date] = true
	}
	for _, s := range now.Sowings {
		if !days[s.Date] {
			t.Errorf("%s is no day that was agreed", s.Date)
		}
	}
	if len(now.Changed) == 0 || !slices.ContainsFunc(now.Changed, func(m Move) bool { return m.What == "dropped" }) {
		t.Errorf("the sowings no longer wanted are not listed: %+v", now.Changed)
	}
}

// Not before, not after, by temperature, raised or bought: the household's ways
// with a crop move its window, and say so at the edge.
func TestHabitsMoveTheWindow(t *testing.T) {
	in := wanting(wish.Wish{ID: "w1", Food: "snap bean", Variety: "bush-bean", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 2}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}})
	usual := planned(t, in).Windows[0].Windows[0]
	in.Household.Habits = []household.Habit{{Crop: "bush-bean", NotBefore: civil.MonthDay{Month: 6, Day: 5}, NotAfter: civil.MonthDay{Month: 7, Day: 1}}}
	w := planned(t, in).Windows[0].Windows[0]
	if w.First != civil.Of(2027, 6, 5) || w.Last != civil.Of(2027, 7, 1) || !strings.Contains(w.FirstWhy.String(), "not before 5 Jun") || !strings.Contains(w.LastWhy.String(), "not after 1 Jul") {
		t.Errorf("usual %+v, with limits %+v", usual, w)
	}
	tomato := wanting(wish.Wish{ID: "w1", Food: "tomato", Variety: "tomato-slicing", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 2}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}})
	frost := planned(t, tomato)
	tomato.Household.School = season.ByTemperature
	heat := planned(t, tomato)
	if heat.Windows[0].Windows[0].First == frost.Windows[0].Windows[0].First || !strings.Contains(heat.Windows[0].Windows[0].FirstWhy.String(), "average low is below 7") {
		t.Errorf("by temperature %+v", heat.Windows[0].Windows[0])
	}
	tomato.Household.School = ""
	tomato.Household.Habits = []household.Habit{{Crop: "tomato-slicing", Method: season.Bought}}
	bought := planned(t, tomato).Sowings[0]
	raised := frost.Sowings[0]
	if bought.Method != season.Bought || bought.Date != *raised.PlantOut || bought.Seeds != 0 || bought.Cells != 0 || bought.SetOut != raised.SetOut {
		t.Errorf("bought: %+v", bought)
	}
	// One sowing alone may be bought.
	in = wanting(lettuce(6))
	id := planned(t, in).Sowings[1].ID
	if one := sowingOf(t, planned(t, after(t, in, Event{Sowing: id, What: "way", Method: season.Bought})), id); one.Method != season.Bought {
		t.Errorf("one of them is %s", one.Method)
	}
}

// Real days that were cold put the harvest off; those still to come do not.
func TestTheWeatherThatHasBeen(t *testing.T) {
	in := wanting(lettuce(6))
	first := planned(t, in).Sowings[0]
	for d := civil.Of(2027, 1, 1); d <= civil.Of(2027, 6, 30); d++ {
		y := place.Build(in.Household.Place)
		in.Household.Weather = append(in.Household.Weather, place.Day{Date: d, Max: y.Max[d.YearDay()] - 4, Min: y.Min[d.YearDay()] - 4})
	}
	in.Household.Plantings = []record.Planting{{ID: first.ID, Crop: first.Crop, Method: first.Choice, Day: first.Day, Sown: &first.Date, Plants: first.Plants, For: []record.Purpose{{Wish: "w1", Form: wish.Fresh}}}}
	early := sowingOf(t, planned(t, in), first.ID) // as of January, none of the cold days has been
	in.AsOf = civil.Of(2027, 6, 1)
	late := sowingOf(t, planned(t, in), first.ID)
	if *late.FirstPick < *early.FirstPick+5 || *early.FirstPick != *first.FirstPick {
		t.Errorf("ready %s by the normals, %s after a cold spring (%s in January)", first.FirstPick, late.FirstPick, early.FirstPick)
	}
}

// So many times, and one cheap row early.
func TestSoManyTimesAndARowEarly(t *testing.T) {
	w := lettuce(6)
	w.Stagger = wish.Stagger{Kind: wish.Times, Sowings: 5}
	if p := planned(t, wanting(w)); len(p.Sowings) != 5 {
		t.Errorf("five sowings, got %d", len(p.Sowings))
	}
	w.Stagger = wish.Stagger{Kind: wish.ByNeed, Early: true}
	plain, risked := planned(t, wanting(lettuce(6))), planned(t, wanting(w))
	k := slices.IndexFunc(risked.Sowings, func(s Sowing) bool { return s.Early })
	if k < 0 || len(risked.Sowings) != len(plain.Sowings)+1 || len(risked.Sowings[k].Feeds) != 0 || risked.Sowings[k].Plants == 0 {
		t.Fatalf("no early row among %d sowings", len(risked.Sowings))
	}
	if risked.Wishes[0].Average != plain.Wishes[0].Average || risked.Tally.WeeksFed != plain.Tally.WeeksFed {
		t.Error("something is counted on the early row")
	}
	// Once it is sown it is a sowing like any other.
	in := wanting(w)
	in.AsOf = risked.Sowings[k].Date
	id := risked.Sowings[k].ID
	if s := sowingOf(t, planned(t, after(t, in, Event{Sowing: id, What: "done", Task: risked.Sowings[k].Tasks[0].What, Day: in.AsOf})), id); s.Early || !s.Begun {
		t.Errorf("after it is sown: %+v", s)
	}
}

// Two kinds of corn do not flower together where the season lets them apart.
func TestCornIsKeptApart(t *testing.T) {
	flour := wish.Wish{ID: "w2", Food: "flour corn", Forms: []wish.Form{wish.Dried}, Preparations: []string{"flour-corn-shelled"}, Amount: wish.Amount{Kind: wish.DriedKg, Number: 4}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	sweet := wish.Wish{ID: "w1", Food: "sweet corn", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: 8}, Season: wish.Season{Kind: wish.Months, From: 8, To: 8}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	p := planned(t, wanting(sweet, flour))
	var clash, apart int
	for _, s := range p.Sowings {
		if s.Layout != wish.Across || s.Rows == 0 {
			t.Errorf("corn stands in a block of rows, not %q", s.Layout)
		}
		if !s.Crosses.IsZero() {
			clash++
			if !strings.Contains(s.Crosses.String(), "pollen") {
				t.Errorf("%q", s.Crosses)
			}
		} else {
			apart++
		}
	}
	if clash+apart < 2 {
		t.Errorf("%d sowings of corn", len(p.Sowings))
	}
	// Held together by hand, the clash is shown with the day that would avoid it.
	in := wanting(sweet, flour)
	corn := of(p, "flour-corn")
	if len(corn) == 0 {
		t.Fatal("no flour corn is sown")
	}
	together := 0
	for d := civil.Date(-28); d <= 42; d += 7 {
		for _, s := range planned(t, after(t, in, Event{Sowing: corn[0].ID, What: "set", Day: corn[0].Date + d})).Sowings {
			if strings.Contains(s.Crosses.String(), "it would flower two weeks apart") || strings.Contains(s.Crosses.String(), "no day of its season") {
				together++
			}
		}
	}
	if together == 0 {
		t.Error("corn moved about is never found to flower with the other")
	}
}

// The day that is advised against a crossing runs into no other crossing.
func TestTheDayAgainstACrossingIsFree(t *testing.T) {
	flourCorn := wish.Wish{ID: "w2", Food: "flour corn", Forms: []wish.Form{wish.Dried}, Preparations: []string{"flour-corn-shelled"}, Amount: wish.Amount{Kind: wish.DriedKg, Number: 3}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	sweet := func(id, kind string, month int) wish.Wish {
		return wish.Wish{ID: id, Food: "sweet corn", Variety: kind, Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: 8}, Season: wish.Season{Kind: wish.Months, From: month, To: month}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	}
	in := wanting(sweet("w1", "sweet-corn-early", 8), flourCorn, sweet("w3", "sweet-corn-late", 9))
	flour := of(planned(t, in), "flour-corn")
	if len(flour) == 0 {
		t.Fatal("no flour corn is sown")
	}
	advised := 0
	for d := civil.Date(-21); d <= 28; d += 7 {
		moved := after(t, in, Event{Sowing: flour[0].ID, What: "set", Day: flour[0].Date + d})
		p := planned(t, moved)
		for _, s := range p.Sowings {
			_, day, found := strings.Cut(s.Crosses.String(), "; started on ")
			if !found {
				continue
			}
			advised++
			to := s.Date - 120
			for !strings.HasPrefix(day, to.Short()+" ") {
				to++
			}
			in := moved
			for _, o := range p.Sowings { // all others stay where they are
				if o.ID != s.ID {
					in = after(t, in, Event{Sowing: o.ID, What: "set", Day: o.Date})
				}
			}
			if got := sowingOf(t, planned(t, after(t, in, Event{Sowing: s.ID, What: "set", Day: to})), s.ID); !got.Crosses.IsZero() {
				t.Errorf("%s begun on %s as advised: %s", s.ID, to, got.Crosses)
			}
		}
	}
	if advised == 0 {
		t.Error("no day was advised")
	}
}

// A place mirrored to the other half of the world, its months moved by six, has
// the same windows half a year later and a plan that feeds the same weeks.
func TestWindowsAtTheMirroredPlace(t *testing.T) {
	north := everything()
	north.Memory = nil
	south := north
	p := &south.Household.Place
	p.Latitude = -p.Latitude
	for m := range 12 {
		p.MeanMax[m], p.MeanMin[m], p.Rain[m] = north.Household.Place.MeanMax[(m+6)%12], north.Household.Place.MeanMin[(m+6)%12], north.Household.Place.Rain[(m+6)%12]
	}
	half := func(m civil.MonthDay) civil.MonthDay {
		_, month, day := (m.In(2027) + 183).Split()
		return civil.MonthDay{Month: month, Day: day}
	}
	p.LastFrost, p.FirstFrost = half(p.LastFrost), half(p.FirstFrost)
	south.Household.Wishes = slices.Clone(south.Household.Wishes)
	for i := range south.Household.Wishes { // months of the wishes move with the rest
		if w := &south.Household.Wishes[i]; w.Season.Kind == wish.Months {
			w.Season.From, w.Season.To = (w.Season.From+5)%12+1, (w.Season.To+5)%12+1
		}
	}
	south.Household.Members = slices.Clone(north.Household.Members)
	for _, h := range []*household.Household{&north.Household, &south.Household} { // nobody away, no guests: those come by the calendar
		h.Guests, h.Lots = nil, nil
		h.Members = slices.Clone(h.Members)
		for i := range h.Members {
			h.Members[i].Away = nil
		}
	}
	north.AsOf, south.AsOf = north.Household.YearStart()-350, south.Household.YearStart()-350 // nothing is past
	a, b := planned(t, north), planned(t, south)
	fields := map[string]CropWindows{}
	for _, f := range b.Windows {
		fields[f.Crop+string(f.Cover)] = f
	}
	first := func(p Plan, d civil.Date) civil.Date { return d - p.Weeks[0] }
	for _, f := range a.Windows {
		g, ok := fields[f.Crop+string(f.Cover)]
		if !ok || len(g.Windows) != len(f.Windows) {
			t.Errorf("%s: %d windows in the north, %d in the south", f.Crop, len(f.Windows), len(g.Windows))
			continue
		}
		for i, w := range f.Windows {
			away := first(a, w.First) - first(b, g.Windows[i].First)
			if max(away, -away) > 4 {
				t.Errorf("%s begins %d days apart: %s (%s), %s (%s)", f.Crop, away, w.First, w.FirstWhy, g.Windows[i].First, g.Windows[i].FirstWhy)
			}
		}
	}
	for i := range a.Wishes {
		if d := a.Wishes[i].WeeksFed - b.Wishes[i].WeeksFed; d > 2 || d < -2 {
			t.Errorf("%s is fed in %d weeks in the north, in %d in the south", a.Wishes[i].Title, a.Wishes[i].WeeksFed, b.Wishes[i].WeeksFed)
		}
	}
}

// A lot that is gathered all at once and would swamp the kitchen is split, unless
// the household has said in how many sowings it wants it.
func TestALotWithinTheKitchensReach(t *testing.T) {
	corn := wish.Wish{ID: "w1", Food: "sweet corn", Forms: []wish.Form{wish.Canned}, Preparations: []string{"corn-canned"}, Amount: wish.Amount{Kind: wish.Jars, Number: 260, Jar: 0.473}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	in := wanting(corn)
	b, _, _, err := in.Household.Book(book.Usual())
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range b.Preparations() {
		if slices.Contains(p.Crops, "sweet-corn-late") && p.Form == "canned" && p.Unit == "litre" {
			in.Household.Wishes[0].Preparations = []string{p.ID}
		}
	}
	split := planned(t, in)
	in.Household.Wishes[0].Stagger.Sowings = 1
	once := planned(t, in)
	if len(split.Sowings) < 2 || len(once.Sowings) != 1 {
		t.Errorf("%d sowings, %d where one was wanted", len(split.Sowings), len(once.Sowings))
	}
	over := func(p Plan) (sum float64) {
		for _, o := range p.Kitchen.Over {
			sum += o
		}
		return sum
	}
	if over(split) >= over(once)/2 {
		t.Errorf("%.1f batches too many, in one go %.1f", over(split), over(once))
	}
}

// Merging and pins included, every week of a by-need wish that a permitted start
// could feed is fed, by sowings whose weeks are those of the wish.
func TestNoWeekThatAStartCouldFeedGoesUnfed(t *testing.T) {
	for _, in := range []Input{everything(), wanting(lettuce(6)), wanting(lettuce(1), lettuceAgain(9))} {
		c, err := worked(in, nil)
		if err != nil {
			t.Fatal(err)
		}
		for _, a := range c.demands {
			w := c.weeks.wishes[a.wish]
			if a.form != wish.Fresh || a.part || w.Wish.Stagger.Kind != wish.ByNeed || a.crop.Perennial() {
				continue
			}
			var fed season.Weeks
			for _, m := range c.served[a.wish] {
				if m.f().Form == string(wish.Fresh) && !m.f().Part && m.s.Crop == a.crop.ID {
					for _, week := range m.s.Feeds {
						fed = fed.With(week)
					}
				}
			}
			for week := range season.WeeksPerYear {
				said := slices.ContainsFunc(c.plan.Wishes[a.wish].Notes, func(n say.Note) bool {
					var weeks []civil.Date
					switch told := n.Fact.(type) {
					case say.TooNear:
						weeks = told.Weeks
					case say.TooDear:
						weeks = told.Weeks
					}
					return slices.Contains(weeks, c.start+civil.Date(7*week))
				})
				if w.Wanted[week] > 0 && w.Source[week] == wish.Gap && a.use.Season.Fresh().Has(week) && !said {
					t.Errorf("%s: a start could feed week %d", w.Wish.ID, week)
				}
				if w.Uses[a.of].Weeks.Has(week) && !fed.Has(week) && c.plan.Wishes[a.wish].Plants > 0 {
					t.Errorf("%s: no sowing feeds week %d", w.Wish.ID, week)
				}
			}
		}
	}
}

func lettuceAgain(n float64) wish.Wish {
	w := lettuce(n)
	w.ID, w.Layout = "w2", wish.Block
	return w
}

// A cross that the household accepts is not told, and moves nothing.
func TestACrossThatOneAccepts(t *testing.T) {
	flour := wish.Wish{ID: "w2", Food: "flour corn", Forms: []wish.Form{wish.Dried}, Preparations: []string{"flour-corn-shelled"}, Amount: wish.Amount{Kind: wish.DriedKg, Number: 4}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	sweet := wish.Wish{ID: "w1", Food: "sweet corn", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: 8}, Season: wish.Season{Kind: wish.Months, From: 8, To: 9}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	in := wanting(sweet, flour)
	told := func(p Plan) (n int) {
		for _, s := range p.Sowings {
			if !s.Crosses.IsZero() {
				n++
			}
		}
		return n
	}
	first := of(planned(t, in), "flour-corn")[0]
	in = after(t, in, Event{Sowing: first.ID, What: "set", Day: of(planned(t, in), "sweet-corn-early")[0].Date})
	if told(planned(t, in)) == 0 {
		t.Fatal("nothing crosses")
	}
	for _, crop := range []string{"flour-corn", "sweet-corn-early", "sweet-corn-late"} {
		in.Household.Habits = append(in.Household.Habits, household.Habit{Crop: crop, Crosses: true})
	}
	if n := told(planned(t, in)); n > 0 {
		t.Errorf("%d crosses are told though they are accepted", n)
	}
}
