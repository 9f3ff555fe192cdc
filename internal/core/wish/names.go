package wish

import (
	"strings"

	"inventory/internal/core/book"
)

// nearestWords names the food nearest to a misspelling, to be put behind an
// error, or nothing where none is near.
func NearestWords(b *book.Book, said string) string {
	said = strings.Join(book.Words(said), " ")
	if said == "" || len(said) > 40 {
		return ""
	}
	nearest, distance := "", 1+len(said)/3
	for _, f := range b.Foods() {
		if d := book.Edits(said, strings.Join(book.Words(f), " ")); d < distance {
			nearest, distance = f, d
		}
	}
	if nearest == "" {
		return ""
	}
	return "; the nearest is " + nearest
}

// UsualForms returns the forms a wish has where the family names none: fresh, and from
// the store where a kind keeps whole.
func UsualForms(b *book.Book, food, kind string) []Form {
	out := []Form{Fresh}
	for _, c := range b.Food(food) {
		if (kind == "" || c.ID == kind) && KeepsWhole(c) && c.Weighed() {
			return append(out, Cellar)
		}
	}
	return out
}
