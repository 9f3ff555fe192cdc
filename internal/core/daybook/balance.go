package daybook

import (
	"cmp"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// FoodBalance is what came in of a food during a span of days, and where it went.
type FoodBalance struct {
	Food string `json:"food"`
	record.Balance
}

// Balances returns the balance of every food of which something came in from one day to another, the
// most first.
func Balances(rec *record.Record, b *book.Book, from, to civil.Date) []FoodBalance {
	seen := map[string]bool{}
	out := []FoodBalance{}
	for _, e := range rec.Span(from, to) {
		if !e.ComesIn() || seen[e.Food] {
			continue
		}
		seen[e.Food] = true
		l, _ := rec.LedgerOf(e.Food, record.KeepDays(b, e.Food)) // what does not hold was refused
		out = append(out, FoodBalance{e.Food, l.Over(from, to)})
	}
	slices.SortFunc(out, func(a, b FoodBalance) int {
		return cmp.Or(cmp.Compare(b.CameIn, a.CameIn), cmp.Compare(a.Food, b.Food))
	})
	return out
}
