package table

import (
	"slices"
	"strings"

	"inventory/internal/core/book"
)

// covers tells whether every query word is among the words, and how many words
// of the name the query left unsaid.
func covers(words, query []string) (unsaid int, ok bool) {
	for _, q := range query {
		if !slices.Contains(words, q) {
			return 0, false
		}
	}
	return len(words) - len(query), true
}

// match finds what the names of the line fit best: of a preparation where the
// amount is put up, of a food or kind otherwise.
func (p parsed) match(b *book.Book) []match {
	query := make([]string, 0, len(p.names)+1)
	for _, n := range p.names {
		query = append(query, book.Words(n)...)
	}
	if len(query) == 0 {
		return nil
	}
	names := b.Names().With(query)
	weighed := p.hasUnit && (p.unit.Unit == "kg" || p.unit.Unit == "L" || p.unit.Unit == "jars")
	putUp := !p.weekly && !p.times && (weighed || !p.hasUnit)
	if putUp {
		if found := p.matchPreparations(b, names, query); len(found) > 0 {
			return found
		}
	}
	least := 1 << 30
	var out []match
	for _, n := range names {
		if n.Prep != nil {
			continue
		}
		unsaid, ok := covers(n.Words, query)
		if !ok || unsaid > least {
			continue
		}
		if unsaid < least {
			least, out = unsaid, nil
		}
		m := match{food: n.Food}
		if n.Crop != nil && len(b.Food(n.Food)) > 1 { // else there is nothing to choose
			m.kind = n.Crop.ID
		}
		if !slices.Contains(out, m) {
			out = append(out, m)
		}
	}
	return out
}

// matchPreparations finds the preparations that the words fit, by their own
// name or by that of a food with the form said beside it.
func (p parsed) matchPreparations(b *book.Book, names []*book.Name, query []string) (out []match) {
	var form Form
	for _, f := range p.forms {
		if f.PutUp() {
			form = f
		}
	}
	least := 1 << 30
	for _, n := range names {
		prep := n.Prep
		if prep == nil || form != "" && prep.Form != string(form) {
			continue
		}
		food := n.Food
		unsaid, ok := covers(n.Words, query)
		if !ok && form != "" { // "frozen peas", "dried tomatoes"
			for i, words := range n.Foods {
				if u, yes := covers(words, query); yes {
					unsaid, ok, food = u+len(n.Words), true, b.Crop(prep.Crops[i]).Food
					break
				}
			}
		}
		if !ok || unsaid > least {
			continue
		}
		if form == "" && !saysMoreThanFood(b, prep, query) {
			continue // "5 lb tomatoes" is a weight of tomatoes, not a jar
		}
		if unsaid < least {
			least, out = unsaid, nil
		}
		out = append(out, match{food: food, prep: prep})
	}
	return out
}

// saysMoreThanFood tells whether a query names something made, not just a food.
func saysMoreThanFood(b *book.Book, prep *book.Preparation, query []string) bool {
	for _, n := range b.Names().With(query) {
		if n.Prep == nil && slices.ContainsFunc(prep.Crops, func(id string) bool { return b.Crop(id).Food == n.Food }) {
			if _, ok := covers(n.Words, query); ok {
				return false
			}
		}
	}
	return true
}

// nearestWords names the food nearest to a misspelling, to be put behind an
// error, or nothing where none is near.
func nearestWords(b *book.Book, said string) string {
	said = strings.Join(book.Words(said), " ")
	if said == "" || len(said) > 40 {
		return ""
	}
	nearest, distance := -1, 1+len(said)/3
	for i, f := range b.Names().Foods() {
		if d := editDistance(said, f); d < distance {
			nearest, distance = i, d
		}
	}
	if nearest < 0 {
		return ""
	}
	return "; the nearest is " + b.Foods()[nearest]
}

// editDistance counts the letters to change, drop or put in to get from a to b
// (Levenshtein 1966).
func editDistance(a, b string) int {
	row := make([]int, len(b)+1)
	for j := range row {
		row[j] = j
	}
	for i := range len(a) {
		diagonal := row[0]
		row[0] = i + 1
		for j := range len(b) {
			change := diagonal
			if a[i] != b[j] {
				change++
			}
			diagonal = row[j+1]
			row[j+1] = min(change, row[j]+1, row[j+1]+1)
		}
	}
	return row[len(b)]
}
