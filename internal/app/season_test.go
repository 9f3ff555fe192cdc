package app

import (
	"bytes"
	"context"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/work"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// lived is the application with the demo household on a day that the test moves on.
type lived struct {
	*App
	t   *testing.T
	day civil.Date
	n   int
}

func inSeason(t *testing.T, day civil.Date) *lived {
	t.Helper()
	st, err := store.Open(context.Background(), filepath.Join(t.TempDir(), "a.db"))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := st.Apply(context.Background(), store.Edit{ID: "begin", Command: "begin", Household: &h}); err != nil {
		t.Fatal(err)
	}
	s := &lived{t: t, day: day}
	s.App = New(st, func() civil.Date { return s.day })
	return s
}

// by stamps the next edit.
func (s *lived) by() Stamp {
	s.n++
	return Stamp{Client: "t", ID: strings.Repeat("x", s.n), Revision: s.now().Snapshot.Revision}
}

func (s *lived) now() *Planned {
	s.t.Helper()
	p, err := s.Now(context.Background())
	if err != nil {
		s.t.Fatal(err)
	}
	return p
}

// done takes an edit that must be done.
func (s *lived) done(d Done, err error) *Planned {
	s.t.Helper()
	if err != nil {
		s.t.Fatal(err)
	}
	return d.Planned
}

func (s *lived) undo() *Planned {
	s.t.Helper()
	of := s.now().Snapshot.Undo
	s.n++
	return s.done(s.Undo(context.Background(), "t", strings.Repeat("u", s.n), *of))
}

// What grows already, its beds and its patches are one edit, which one undo takes back.
func TestWhatGrowsIsOneEdit(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 7, 20))
	before := s.now().Input.Household
	in := before.Beds[2]
	after := s.done(s.Grow(context.Background(), s.by(), []plan.Growing{
		{Crop: "tomato-slicing", Bed: in.ID, Count: 6, By: plan.ByPlants, Since: s.day - 60, Set: true},
		{Crop: "rhubarb", Count: 2, By: plan.ByPlants, Since: civil.Of(2022, 4, 1)},
	})).Input.Household
	if len(after.Plantings) != len(before.Plantings)+1 || len(after.Patches) != len(before.Patches)+1 {
		t.Fatalf("%d plantings and %d patches, before %d and %d", len(after.Plantings), len(after.Patches), len(before.Plantings), len(before.Patches))
	}
	id := after.Plantings[len(after.Plantings)-1].ID
	i := slices.IndexFunc(after.Placements, func(p bed.Placement) bool { return p.Sowing == id })
	if i < 0 || after.Placements[i].Bed != in.ID || !after.Placements[i].Stands {
		t.Errorf("it does not stand in %s: %+v", in.Name, after.Placements)
	}
	if back := s.undo().Input.Household; len(back.Plantings) != len(before.Plantings) || len(back.Patches) != len(before.Patches) || len(back.Placements) != len(before.Placements) {
		t.Error("one undo does not take all of it back")
	}
}

// The first entry of something begun holds every place, in the same edit; held places are held
// once.
func TestTheFirstEntryHoldsThePlaces(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 4, 21))
	var id string
	for _, x := range s.now().Plan.Sowings {
		if x.Late && !x.Begun {
			id = x.ID
		}
	}
	fixed := s.done(s.Log(context.Background(), s.by(), plan.Event{Sowing: id, What: plan.Fix}))
	if u := fixed.Input.Household.Customs; u != nil && u.Arranged != nil {
		t.Error("a sowing that is only fixed holds the places")
	}
	begun := s.done(s.Log(context.Background(), s.by(), plan.Event{Sowing: id, What: plan.AsPlanned}))
	held := begun.Input.Household.Customs.Arranged
	if held == nil || len(held.Laid) < 60 {
		t.Fatalf("held: %+v", held)
	}
	if back := s.undo().Input.Household.Customs; back != nil && back.Arranged != nil {
		t.Error("the entry is taken back, and the places are held")
	}
	if _, err := s.Hold(context.Background(), s.by()); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Hold(context.Background(), s.by()); invalid.All(err) == nil {
		t.Errorf("held twice: %v", err)
	}
}

// What is lifted for keeping is on the shelf by the same edit.
func TestWhatIsLiftedGoesOnTheShelf(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 5, 1))
	begin := func() {
		t.Helper()
		if events := demo.Begun(s.now().Plan); len(events) > 0 {
			s.done(s.LogAll(context.Background(), s.by(), events))
		}
	}
	begin()
	s.day = civil.Of(2027, 8, 10)
	begin()
	s.day = civil.Of(2027, 11, 20)
	before := s.now()
	var events []plan.Event
	for _, x := range before.Plan.Sowings {
		for _, k := range x.Tasks {
			if x.Begun && (x.Crop == "beet" || x.Crop == "celeriac") && k.What == work.Lift && k.Day <= s.day {
				events = append(events, plan.Event{Sowing: x.ID, What: plan.Done, Task: work.Lift, Day: k.Day})
			}
		}
	}
	if len(events) != 2 {
		t.Fatalf("%d sowings of beet and celeriac to lift in November", len(events))
	}
	lots := len(before.Input.Household.Lots)
	one := s.done(s.Log(context.Background(), s.by(), events[0]))
	if got := one.Input.Household.Lots; len(got) != lots+1 || got[lots].Food != "beet" && got[lots].Food != "celeriac" || got[lots].PutUp != events[0].Day {
		t.Fatalf("%d lots, before %d", len(got), lots)
	}
	if !strings.Contains(one.Snapshot.Words, "now on the shelf") {
		t.Errorf("it is told as %q", one.Snapshot.Words)
	}
	if back := s.undo(); len(back.Input.Household.Lots) != lots {
		t.Error("taken back, the lot stands on the shelf")
	}
	many := s.done(s.LogAll(context.Background(), s.by(), events))
	if got := len(many.Input.Household.Lots); got != lots+len(events) {
		t.Errorf("%d lifted at once, %d lots more", len(events), got-lots)
	}
}

// The next year that is looked at from this one is the one that then begins.
func TestTheNextYearIsAsItWasLookedAt(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 5, 1))
	for _, day := range []civil.Date{s.day, civil.Of(2027, 8, 10), civil.Of(2027, 10, 20)} {
		s.day = day
		if events := demo.Begun(s.now().Plan); len(events) > 0 {
			s.done(s.LogAll(context.Background(), s.by(), events))
		}
	}
	revision := s.now().Snapshot.Revision
	turn, err := s.YearTurn(context.Background())
	if err != nil || turn.Coming == nil {
		t.Fatalf("%+v: %v", turn.Coming, err)
	}
	if s.now().Snapshot.Revision != revision || s.now().Input.Household.Year != 2027 {
		t.Error("to look at the next year changes something")
	}
	began := s.done(s.TurnYear(context.Background(), s.by(), nil, nil))
	if began.Plan.Tally != turn.Coming.Tally {
		t.Errorf("looked at: %+v\nbegun: %+v", turn.Coming.Tally, began.Plan.Tally)
	}
	l, err := s.Layout(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	if l.Fed.WeeksFed != turn.Coming.Fed.WeeksFed || l.Fed.Jars != turn.Coming.Fed.Jars {
		t.Errorf("with ground: looked at %d weeks and %d jars, begun %d and %d", turn.Coming.Fed.WeeksFed, turn.Coming.Fed.Jars, l.Fed.WeeksFed, l.Fed.Jars)
	}
	before := 0
	for _, x := range turn.Coming.Sowings {
		if x.Date < turn.From {
			before++
		}
	}
	if before == 0 || len(turn.Coming.Sowings) < 60 {
		t.Errorf("%d sowings, %d of them before the year begins", len(turn.Coming.Sowings), before)
	}
}

// The year that was ended can be looked at in the next one, whatever was edited since, and the
// look changes nothing; where the end is taken back there is no year before.
func TestTheYearBeforeCanBeLookedAt(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 5, 1))
	events := demo.Begun(s.now().Plan)
	s.done(s.LogAll(context.Background(), s.by(), events))
	s.day = civil.Of(2028, 1, 10)
	was := s.now()
	began := 0
	for i := range was.Plan.Sowings {
		if was.Plan.Sowings[i].Begun {
			began++
		}
	}
	before := func() *ground.OtherYear {
		t.Helper()
		y, err := s.YearBefore(context.Background())
		if err != nil {
			t.Fatal(err)
		}
		return y
	}
	if y := before(); y != nil {
		t.Fatalf("a year before though none was ended: %+v", y)
	}
	ends := s.now()
	turned := s.done(s.TurnYear(context.Background(), s.by(), nil, nil))
	past := turned.Snapshot.Household.Past
	if len(past) != 1 || past[0].ID != strconv.Itoa(ends.Snapshot.Household.Year) || past[0].Plan.Fed != ends.Plan.Tally.WeeksFed || len(past[0].Wishes) != len(ends.Snapshot.Household.Wishes) || len(past[0].Plan.Sowings) < len(ends.Plan.Sowings)/2 {
		t.Errorf("the year that ended is not kept: %d years", len(past))
	}
	by := s.by()
	wish := turned.Snapshot.Household.Wishes[0]
	s.done(s.Edit(context.Background(), store.Edit{Client: by.Client, ID: by.ID, Revision: by.Revision, Command: "remove-wish", Target: wish.ID}))
	revision := s.now().Snapshot.Revision
	y := before()
	if y == nil || y.Year != 2027 || len(y.Sowings) != began || began < 5 || y.Tally != was.Plan.Tally {
		t.Fatalf("the year before: %+v, %d sowings were begun, %+v", y, began, was.Plan.Tally)
	}
	if s.now().Snapshot.Revision != revision {
		t.Error("to look back changes something")
	}
	s.undo()
	s.undo()
	if y := before(); y != nil {
		t.Errorf("the end of the year was taken back: %+v", y)
	}
}
