package plan

import (
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/work"
)

// grown is a plan's input some days after its first sowing of a crop is ready, with that put
// down as planned.
func grown(t *testing.T, in Input, crop string, days civil.Date) (Input, Sowing) {
	t.Helper()
	p, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	s := of(p, crop)[0]
	in.AsOf = *s.FirstPick + days
	in = after(t, in, Event{Sowing: s.ID, What: AsPlanned})
	if p, err = Compute(in); err != nil {
		t.Fatal(err)
	}
	return in, sowingOf(t, p, s.ID)
}

// The first picking stays the first: a second tick on a later day moves nothing, one on an
// earlier day corrects it.
func TestAPickMovesTheFirstPickOnlyOnce(t *testing.T) {
	in, s := grown(t, wanting(lettuce(6)), "lettuce-head", 12)
	pick := func(in Input, day civil.Date) (Input, Sowing) {
		in = after(t, in, Event{Sowing: s.ID, What: Done, Task: work.Pick, Day: day})
		p, err := Compute(in)
		if err != nil {
			t.Fatal(err)
		}
		return in, sowingOf(t, p, s.ID)
	}
	first := *s.FirstPick
	in, once := pick(in, first+3)
	if *once.FirstPick != first+3 || once.Behind != s.Behind+3 {
		t.Fatalf("picked three days late: first pick %v, %d days behind; planned %v", once.FirstPick, once.Behind, first)
	}
	in, twice := pick(in, first+9)
	if *twice.FirstPick != first+3 || twice.Behind != once.Behind {
		t.Errorf("picked again: first pick %v, %d days behind", twice.FirstPick, twice.Behind)
	}
	if _, corrected := pick(in, first+1); *corrected.FirstPick != first+1 {
		t.Errorf("corrected to a day after the planned one: first pick %v", corrected.FirstPick)
	}
}

// What is lifted is out of its bed; of what is lifted in part the rest stands.
func TestWhatIsLiftedStandsNoMore(t *testing.T) {
	in, s := grown(t, wanting(carrots()), "carrot-storage", 2)
	if !s.InBed {
		t.Fatal("the carrots do not stand")
	}
	var lift work.Task
	for _, x := range s.Tasks {
		if x.What == work.Lift {
			lift = x
		}
	}
	if lift.Count <= 0 {
		t.Fatalf("nothing says how much is lifted: %+v", s.Tasks)
	}
	for _, c := range []struct {
		name  string
		count float64
		inBed bool
	}{
		{"all of it", 0, false}, {"as much as was expected", lift.Count, false}, {"half of it", lift.Count / 2, true},
	} {
		p, err := Compute(after(t, in, Event{Sowing: s.ID, What: Done, Task: work.Lift, Count: c.count, Day: in.AsOf}))
		if err != nil {
			t.Fatal(err)
		}
		if got := sowingOf(t, p, s.ID); got.InBed != c.inBed {
			t.Errorf("%s is lifted: in its bed %v", c.name, got.InBed)
		}
	}
}

// A loss is kept with its day, how much was left and why, in part and outright; the weeks that
// then lack it are fed by another sowing where that still can be, else they are gaps.
func TestALossIsKeptWithItsCause(t *testing.T) {
	in, s := grown(t, wanting(lettuce(6)), "lettuce-head", -20)
	before, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	in = after(t, in, Event{Sowing: s.ID, What: Survived, Count: 40, Cause: "animals", Day: in.AsOf})
	in = after(t, in, Event{Sowing: s.ID, What: Ended, Cause: "frost", Day: in.AsOf})
	p := in.Household.Plantings[0]
	want := []record.Loss{{Day: in.AsOf, Left: 40, Cause: "animals"}, {Day: in.AsOf, Cause: "frost"}}
	if !slices.Equal(p.Losses, want) || !p.Lost {
		t.Errorf("%+v", p.Losses)
	}
	lost, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if got := sowingOf(t, lost, s.ID); len(got.Feeds) > 0 || got.InBed {
		t.Errorf("what was lost feeds %v", got.Feeds)
	}
	if lost.Tally.WeeksFed >= before.Tally.WeeksFed || lost.Tally.WeeksWanted != before.Tally.WeeksWanted {
		t.Errorf("%d of %d weeks are fed, before %d of %d", lost.Tally.WeeksFed, lost.Tally.WeeksWanted, before.Tally.WeeksFed, before.Tally.WeeksWanted)
	}
	for _, x := range lost.Sowings {
		if !x.Begun && !x.Presumed && x.Date < in.AsOf {
			t.Errorf("%s is to be sown on %v, which is past", x.ID, x.Date)
		}
	}
	if _, err := Log(in, Event{Sowing: s.ID, What: Ended, Cause: "dragons"}); invalid.All(err) == nil || invalid.All(err)[0].Field != "cause" {
		t.Errorf("a cause that is none: %v", err)
	}
	out, err := Log(in, Event{Sowing: s.ID, What: Ended, Cause: "frost"})
	if err != nil || !strings.HasSuffix(out.Happened.String(), ": frost") {
		t.Errorf("%v %v", out.Happened, err)
	}
}
