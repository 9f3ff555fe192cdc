package line

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// Starter is one food to begin with, with the amount that is usual for a household.
type Starter struct {
	Habit string // the meal habit that it belongs to
	Words string // what it is called
	Wish  wish.Wish
}

// Starters returns the foods of the book to begin with for as many people as eat like so many adults. What is put up
// is an amount for each adult, in whole jars or kilograms; what is eaten in meals is a number of meals, whose portions
// follow the people. With whileItLasts, what is only eaten fresh is wished for its own weeks alone, and not all
// year. It fails where the list of the book names what the book does not have.
func Starters(b *book.Book, at Where, adults float64, whileItLasts bool) ([]Starter, error) {
	var out []Starter
	for _, x := range b.Beginnings() {
		n := max(1, math.Round(x.PerAdult*adults))
		readings, err := Wish(strings.ReplaceAll(x.Line, "{n}", fmt.Sprint(n)), b, at)
		if err != nil {
			return nil, fmt.Errorf("begin.csv, %q: %w", x.Line, err)
		}
		w := readings[0].Wish
		if whileItLasts && slices.Equal(w.Forms, []wish.Form{wish.Fresh}) && w.Season.Kind == wish.AllYear {
			w.Season = wish.Season{Kind: wish.While}
		}
		out = append(out, Starter{Habit: x.Habit, Words: x.Words, Wish: w})
	}
	return out, nil
}
