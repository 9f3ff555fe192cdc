package daybook

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Bag is what somebody who does not sit at the table gets of a food this week: the animals, or whom
// the household gives to. Grams.
type Bag struct {
	Wish   string    `json:"wish"`
	Title  string    `json:"title"`
	Food   string    `json:"food"`
	To     record.To `json:"to"`
	Note   string    `json:"note,omitempty"` // of the wish: who it is
	Wanted int       `json:"wanted"`
	Gone   int       `json:"gone"` // of it this week
	Now    int       `json:"now"`  // that can go there today: no more than is wanted, and than came in and is not said of
}

// goesTo is where what a wish is grown for goes.
var goesTo = map[wish.Beside]record.To{wish.ForAnimals: record.Animals, wish.ForGiving: record.Given}

// Bags lists what the animals and others want this week, from Monday on. What goes to one
// place is counted for its wishes in their order.
func Bags(p *plan.Plan, wishes []wish.Wish, b *book.Book, rec *record.Record, today civil.Date) []Bag {
	out := []Bag{}
	type goal struct {
		food string
		to   record.To
	}
	gone, there := map[goal]int{}, map[string]int{}
	for _, e := range rec.Span(today.Monday(), today) {
		if e.Act == record.Use {
			gone[goal{e.Food, e.To}] += e.Gram
		}
	}
	for i, w := range wishes {
		if !w.For.Away() || i >= len(p.Wishes) {
			continue
		}
		x := Bag{Wish: w.ID, Title: p.Wishes[i].Title, Food: w.Food, To: goesTo[w.For.Use], Note: w.Note, Wanted: wantedIn(&p.Wishes[i], weekOf(p, today), b, w)}
		if x.Wanted == 0 {
			continue
		}
		at := goal{w.Food, x.To}
		x.Gone = min(gone[at], x.Wanted)
		gone[at] -= x.Gone
		if _, seen := there[w.Food]; !seen {
			keep := record.KeepDays(b, w.Food)
			l, _ := rec.LedgerOf(w.Food, keep) // what does not hold was refused
			there[w.Food], _ = l.Waiting(today - civil.Date(keep))
		}
		x.Now = min(x.Wanted-x.Gone, there[w.Food])
		there[w.Food] -= x.Now
		out = append(out, x)
	}
	return out
}

// weekOf returns the week of the table year that a day falls in; the year is a circle.
func weekOf(p *plan.Plan, day civil.Date) int {
	return season.WeekOf((int(day-p.Weeks[0])%place.Days + place.Days) % place.Days)
}

// wantedIn returns what a wish wants in a week, grams.
func wantedIn(x *plan.Wish, week int, b *book.Book, w wish.Wish) int {
	if week < 0 || week >= len(x.Wanted) {
		return 0
	}
	n := x.Wanted[week]
	if x.Unit == amount.Piece {
		n *= pieceGram(b, w.Food, w.Variety) / 1000
	}
	return int(math.Round(1000 * n))
}
