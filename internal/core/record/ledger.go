package record

import (
	"fmt"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
)

// Balance is what came in of a food during a span of days and where it went, in grams. What
// came in is what went to the places and NotSaid together.
type Balance struct {
	CameIn  int        `json:"came_in"`
	Went    map[To]int `json:"went"`
	NotSaid int        `json:"not_said"`
}

// Ledger books what a household says of one food: every use on what it came from.
type Ledger struct{ batches []*batch }

// batch is what came in by one entry.
type batch struct {
	id   string
	crop string
	day  civil.Date
	gram int
	left int
	went map[To]int
}

// TooMuch is returned where more of a food was used than came in and was not said of.
type TooMuch struct {
	Entry *Entry
	There int // grams that there are
}

// Error says what there is.
func (t *TooMuch) Error() string {
	return fmt.Sprintf("there is %d g of %s on %s", t.There, t.Entry.Food, t.Entry.Day.Short())
}

// LedgerOf books the entries of a food. A use that names its kind is booked on that kind first. A use is booked on the oldest of what came in during the
// last keepDays before it, then on the newest of what is older; what came in on its own day
// counts. The error is a *TooMuch: the first use that is more than there is.
func (r *Record) LedgerOf(food string, keepDays int) (*Ledger, error) {
	l := &Ledger{}
	var day civil.Date
	var uses []*Entry
	book := func() error {
		for _, e := range uses {
			if there := l.there(); e.Gram > there {
				return &TooMuch{e, there}
			}
			l.book(e, keepDays)
		}
		uses = nil
		return nil
	}
	for _, e := range r.Entries() {
		if e.Food != food {
			continue
		}
		if e.Day != day { // what came in on a day comes before what was used on it
			if err := book(); err != nil {
				return l, err
			}
			day = e.Day
		}
		switch {
		case e.ComesIn():
			l.batches = append(l.batches, &batch{e.ID, e.Crop, e.Day, e.Gram, e.Gram, map[To]int{}})
		case e.Goes() != "" && e.Gram > 0:
			uses = append(uses, e)
		}
	}
	return l, book()
}

// there returns what came in so far and was not said of.
func (l *Ledger) there() (gram int) {
	for _, b := range l.batches {
		gram += b.left
	}
	return gram
}

// book puts a use down on what it came from: where it says of which kind it is, on that kind first.
func (l *Ledger) book(e *Entry, keepDays int) {
	left := e.Gram
	if e.Crop != "" {
		left = l.bookOn(e, left, keepDays, func(b *batch) bool { return b.crop == e.Crop })
	}
	l.bookOn(e, left, keepDays, func(*batch) bool { return true })
}

// bookOn puts so many grams of a use down on some of what came in, and returns those that it did not hold.
func (l *Ledger) bookOn(e *Entry, left, keepDays int, on func(*batch) bool) int {
	take := func(b *batch) {
		if !on(b) {
			return
		}
		n := min(left, b.left)
		b.left -= n
		left -= n
		if n > 0 {
			b.went[e.Goes()] += n
		}
	}
	older := 0
	for i, b := range l.batches {
		if b.day < e.Day-civil.Date(keepDays) {
			older = i + 1
			continue
		}
		take(b)
	}
	for i := older - 1; i >= 0; i-- {
		take(l.batches[i])
	}
	return left
}

// Waiting returns the grams of what came in since a day of which nothing is said yet, and the day on
// which the oldest of it came in.
func (l *Ledger) Waiting(since civil.Date) (gram int, oldest civil.Date) {
	for _, b := range l.batches {
		if b.day < since || b.left == 0 {
			continue
		}
		if gram == 0 {
			oldest = b.day
		}
		gram += b.left
	}
	return gram, oldest
}

// LeftOf returns the grams of what came in by an entry of which nothing is said yet.
func (l *Ledger) LeftOf(id string) int {
	for _, b := range l.batches {
		if b.id == id {
			return b.left
		}
	}
	return 0
}

// Over returns the balance of what came in during a span, the last day counted.
func (l *Ledger) Over(from, to civil.Date) Balance {
	out := Balance{Went: map[To]int{}}
	for _, b := range l.batches {
		if b.day < from || b.day > to {
			continue
		}
		out.CameIn += b.gram
		out.NotSaid += b.left
		for to, n := range b.went {
			out.Went[to] += n
		}
	}
	return out
}

// usualKeepDays is how long what came in waits to be used, where the book does not say.
const usualKeepDays = 7

// KeepDays returns for how many days a food waits in the kitchen: the longest of its kinds.
func KeepDays(b *book.Book, food string) int {
	most := 0.0
	for _, k := range b.Food(food) {
		most = max(most, k.KeepDays.Or(usualKeepDays))
	}
	return int(most)
}
