package work

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
)

func ExampleChores() {
	may := func(d int) civil.Date { return civil.Of(2027, 5, d) }
	straw := household.Chore{ID: "1", Name: "Turn the compost", Day: may(1), Every: 14, Minutes: 30, Done: []civil.Date{may(3)}}
	for _, d := range Chores([]household.Chore{straw}, may(1), may(31)+14, may(20)) {
		fmt.Println(d.Day.Short(), d.State)
	}
	// Output:
	// 3 May done
	// 17 May overdue
	// 3 Jun open
}

// What is done once is due on its day, overdue after it for as long as it is not done, and then
// never again.
func TestAChoreDoneOnce(t *testing.T) {
	day := civil.Of(2027, 3, 10)
	c := household.Chore{ID: "1", Name: "Clean the gutter", Day: day}
	for today, want := range map[civil.Date]State{day - 5: Open, day: Open, day + 1: Overdue, day + 300: Overdue} {
		got := Chores([]household.Chore{c}, today-14, today+30, today)
		if len(got) != 1 || got[0].State != want || got[0].Day != day {
			t.Errorf("on %v: %+v", today, got)
		}
	}
	c.Done = []civil.Date{day + 2}
	if got := Chores([]household.Chore{c}, day-14, day+30, day+5); len(got) != 1 || got[0].State != Finished || got[0].Day != day+2 {
		t.Errorf("done: %+v", got)
	}
}

// At any day, a chore has at most one time overdue; open times lie so many days apart; none
// lies after its end.
func TestChoresKeepTheirDistance(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 500 {
		day := civil.Of(2027, 1, 1) + civil.Date(r.IntN(300))
		c := household.Chore{ID: "1", Name: "x", Day: day, Every: 1 + r.IntN(40)}
		if r.IntN(2) == 0 {
			c.Until = day + civil.Date(r.IntN(200))
		}
		for range r.IntN(4) {
			c.Done = append(c.Done, day+civil.Date(r.IntN(100)))
		}
		c.Fill()
		today := day + civil.Date(r.IntN(200)-50)
		overdue, last := 0, civil.Date(0)
		for _, d := range Chores([]household.Chore{c}, today-14, today+200, today) {
			switch d.State {
			case Overdue:
				overdue++
			case Open:
				if last != 0 && d.Day-last != civil.Date(c.Every) || d.Day < today || c.Until != 0 && d.Day > c.Until {
					t.Fatalf("%+v on %v: %v after %v", c, today, d.Day, last)
				}
				last = d.Day
			}
		}
		if overdue > 1 {
			t.Fatalf("%+v on %v: %d overdue", c, today, overdue)
		}
	}
}
