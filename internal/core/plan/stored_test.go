package plan

import (
	"math"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// logged is what an event makes of a sowing.
func loggedOf(t *testing.T, in Input, e Event) Outcome {
	t.Helper()
	out, err := Log(in, e)
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// taskOf is a task of a sowing.
func taskOf(t *testing.T, s Sowing, what string) work.Task {
	t.Helper()
	for _, x := range s.Tasks {
		if x.What == what {
			return x
		}
	}
	t.Fatalf("%s of %s has no task %s", s.CropName, s.Date, what)
	return work.Task{}
}

// What is lifted for keeping stands on the shelf at once; what must cure first, when it has
// cured. Part of it is part of the lot; a second tick puts nothing there again.
func TestWhatIsBroughtInForKeepingStandsOnTheShelf(t *testing.T) {
	in, s := grown(t, wanting(carrots()), "carrot-storage", 2)
	lift := taskOf(t, s, work.Lift)
	out := loggedOf(t, in, Event{Sowing: s.ID, What: Done, Task: work.Lift})
	if l := out.Lot; l == nil || l.Food != "carrot" || l.Form != "cellar" || l.Unit != "kg" || math.Abs(l.Amount()-lift.Count) > 0.1 || l.PutUp != in.AsOf || l.Store == "" {
		t.Fatalf("carrots lifted for the cellar, %g %s: %+v", lift.Count, lift.Unit, l)
	}
	half := loggedOf(t, in, Event{Sowing: s.ID, What: Done, Task: work.Lift, Count: lift.Count / 2})
	if math.Abs(half.Lot.Amount()-lift.Count/2) > 0.1 {
		t.Errorf("half of %g kg lifted, %g kg on the shelf", lift.Count, half.Lot.Amount())
	}
	in.Household.Plantings[0] = *out.Planting
	if again := loggedOf(t, in, Event{Sowing: s.ID, What: Done, Task: work.Lift}); again.Lot != nil {
		t.Errorf("ticked again: %+v", again.Lot)
	}

	onions := wish.Wish{ID: "w1", Food: "onion", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 20}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	in, s = grown(t, wanting(onions), "onion-bulb", 30)
	if out := loggedOf(t, in, Event{Sowing: s.ID, What: Done, Task: work.Lift}); out.Lot != nil {
		t.Errorf("onions that must cure are on the shelf when they are lifted: %+v", out.Lot)
	}
	cured := loggedOf(t, in, Event{Sowing: s.ID, What: Done, Task: work.Cured, Count: 7})
	if cured.Lot == nil || cured.Lot.Amount() != 7 {
		t.Errorf("7 kg of onions cured: %+v", cured.Lot)
	}
}

// What is eaten from the bed goes on no shelf.
func TestWhatIsEatenFreshGoesOnNoShelf(t *testing.T) {
	in, s := grown(t, wanting(saladHeads()), "lettuce-head", 2)
	if out := loggedOf(t, in, Event{Sowing: s.ID, What: Done, Task: work.Pick}); out.Lot != nil {
		t.Errorf("lettuce picked: %+v", out.Lot)
	}
}

// Jars put up this summer are filled: what is still to fill is less by them, whatever else of
// the plan stays as it is. Those of the year before are not.
func TestJarsPutUpThisYearAreFilled(t *testing.T) {
	sauce := wish.Wish{ID: "w1", Food: "tomato", Forms: []wish.Form{wish.Canned}, Preparations: []string{"tomato-sauce-thick"}, Amount: wish.Amount{Kind: wish.Jars, Number: 30, Jar: 0.946353}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.MustHave, Stagger: wish.Stagger{Kind: wish.ByNeed}}
	in := wanting(sauce)
	in.AsOf = civil.Of(2027, 9, 10)
	p, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	s := of(p, "tomato-paste")
	if len(s) == 0 { // nothing was begun: as if all had been
		in.AsOf = civil.Of(2027, 1, 12)
		all := planned(t, in)
		in.AsOf = civil.Of(2027, 9, 10)
		for _, x := range of(all, "tomato-paste") {
			in = after(t, in, Event{Sowing: x.ID, What: AsPlanned})
		}
		p = planned(t, in)
	}
	lot := stock.Lot{ID: "l1", Food: "tomato", Form: "canned", Preparation: "tomato-sauce-thick", Count: 12, Size: 0.946, Unit: string(amount.Litre), PutUp: civil.Of(2027, 8, 30)}
	for _, c := range []struct {
		what   string
		change func(l *stock.Lot)
		filled int
	}{
		{"twelve quarts of this August", func(*stock.Lot) {}, 12},
		{"more than are wished", func(l *stock.Lot) { l.Count = 50 }, 30},
		{"of the year before", func(l *stock.Lot) { l.PutUp = civil.Of(2027, 1, 5) }, 0},
		{"salsa", func(l *stock.Lot) { l.Preparation = "salsa" }, 0},
	} {
		l, now := lot, in
		c.change(&l)
		now.Household.Lots = []stock.Lot{l}
		q := planned(t, now)
		if got := p.Wishes[0].ToFill - q.Wishes[0].ToFill; got != c.filled || q.Tally.Jars != q.Wishes[0].ToFill {
			t.Errorf("%s: %d to fill, before %d; %d in the tally", c.what, q.Wishes[0].ToFill, p.Wishes[0].ToFill, q.Tally.Jars)
		}
		if q.Tally.Plants != p.Tally.Plants {
			t.Errorf("%s: %d plants, before %d", c.what, q.Tally.Plants, p.Tally.Plants)
		}
	}
}
