package daybook

import (
	"slices"
	"strings"
	"unicode"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/stock"
)

// Names returns the ids of what a word may stand for by its name: the kinds and preparations of the
// book, the beds and the lots that have a word which begins so. Whoever searches by a name finds
// what was entered of it, also after it was called otherwise.
func Names(word string, b *book.Book, beds []bed.Bed, lots []stock.Lot) (out []string) {
	word = strings.ToLower(word)
	has := func(name string) bool {
		words := strings.FieldsFunc(strings.ToLower(name), func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) })
		return slices.ContainsFunc(words, func(w string) bool { return strings.HasPrefix(w, word) })
	}
	for _, c := range b.Crops() {
		if has(c.Name) {
			out = append(out, c.ID)
		}
	}
	preparations := map[string]bool{}
	for _, p := range b.Preparations() {
		if has(p.Name) {
			out, preparations[p.ID] = append(out, p.ID), true
		}
	}
	for _, x := range beds {
		if has(x.Name) {
			out = append(out, x.ID)
		}
	}
	for _, l := range lots {
		if preparations[l.Preparation] || has(l.Food) {
			out = append(out, l.ID)
		}
	}
	return out
}
