package line

import (
	"fmt"
	"math"
	"strings"

	"inventory/internal/core/book"
)

// Choice is a whole line that somebody may have meant who typed only a food.
type Choice struct {
	Line string
	Reading
}

// The amounts that are offered for a food without one: meals a week for all, and for each adult
// so many kilograms, pounds, pieces and jars in a year.
const (
	fewMeals  = 1
	manyMeals = 3
	kgAdult   = 5
	lbAdult   = 10
	oneAdult  = 10
	jarsAdult = 3
)

// Choices returns lines to choose from for a line that names a food and no amount: meals, a
// weight, pieces, jars, as far as the food is counted so, in amounts for so many adults. It is
// empty for a line that has an amount, or that names nothing.
func Choices(text string, b *book.Book, at Where, adults float64, pounds bool) []Choice {
	out := []Choice{}
	text = strings.TrimSpace(text)
	if _, err := Wish(text, b, at); err == nil || text == "" {
		return out
	}
	each := func(n float64) string { return fmt.Sprint(max(1, math.Round(n*adults))) }
	lines := []string{
		fmt.Sprintf("%s %dx week", text, fewMeals), fmt.Sprintf("%s %dx week", text, manyMeals),
		each(kgAdult) + " kg " + text, each(oneAdult) + " heads " + text, each(jarsAdult) + " quarts " + text,
	}
	if pounds {
		lines[2] = each(lbAdult) + " lb " + text
	}
	for _, l := range lines {
		if found, err := Wish(l, b, at); err == nil {
			out = append(out, Choice{l, found[0]})
		}
	}
	return out
}
