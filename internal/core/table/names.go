package table

import (
	"slices"
	"strings"
	"unicode"

	"inventory/internal/core/book"
)

// singular takes the plural off an English word, near enough for matching.
func singular(w string) string {
	switch {
	case strings.HasSuffix(w, "ies") && len(w) > 4:
		return w[:len(w)-3] + "y"
	case strings.HasSuffix(w, "oes"), strings.HasSuffix(w, "shes"), strings.HasSuffix(w, "ches"), strings.HasSuffix(w, "sses"):
		return w[:len(w)-2]
	case strings.HasSuffix(w, "ss"), strings.HasSuffix(w, "us"):
		return w
	case strings.HasSuffix(w, "s") && len(w) > 3:
		return w[:len(w)-1]
	}
	return w
}

func nameWords(s string) []string {
	ws := strings.FieldsFunc(strings.ToLower(s), func(r rune) bool { return !unicode.IsLetter(r) && r != '-' && r != '\'' })
	for i, w := range ws {
		ws[i] = singular(w)
	}
	return ws
}

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
		query = append(query, nameWords(n)...)
	}
	weighed := p.hasUnit && (p.unit.Unit == "kg" || p.unit.Unit == "L" || p.unit.Unit == "jars")
	putUp := !p.weekly && !p.times && (weighed || !p.hasUnit)
	if putUp {
		if found := p.matchPreparations(b, query); len(found) > 0 {
			return found
		}
	}
	least := 1 << 30
	var out []match
	take := func(m match, words []string) {
		unsaid, ok := covers(words, query)
		if !ok || unsaid > least {
			return
		}
		if unsaid < least {
			least, out = unsaid, nil
		}
		if !slices.Contains(out, m) {
			out = append(out, m)
		}
	}
	for _, f := range b.Foods() {
		take(match{food: f}, nameWords(f))
	}
	for _, c := range b.Crops() {
		name, _, _ := strings.Cut(c.Name, "(")
		m := match{food: c.Food, kind: c.ID}
		if len(b.Food(c.Food)) == 1 {
			m.kind = "" // there is nothing to choose
		}
		take(m, nameWords(name))
	}
	return out
}

// matchPreparations finds the preparations that the words fit, by their own
// name or by that of a food with the form said beside it.
func (p parsed) matchPreparations(b *book.Book, query []string) (out []match) {
	var form Form
	for _, f := range p.forms {
		if f.PutUp() {
			form = f
		}
	}
	least := 1 << 30
	for _, prep := range b.Preparations() {
		if form != "" && prep.Form != string(form) {
			continue
		}
		food := b.Crop(prep.Crops[0]).Food
		words := nameWords(prep.Name)
		unsaid, ok := covers(words, query)
		for _, id := range prep.Crops { // "frozen peas", "dried tomatoes"
			if u, yes := covers(nameWords(b.Crop(id).Food), query); !ok && yes && form != "" {
				unsaid, ok, food = u+len(words), true, b.Crop(id).Food
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
	for _, id := range prep.Crops {
		if _, ok := covers(nameWords(b.Crop(id).Food+" "+b.Crop(id).Name), query); ok {
			return false
		}
	}
	return true
}

// nearestWords names the food nearest to a misspelling, to be put behind an
// error, or nothing where none is near.
func nearestWords(b *book.Book, said string) string {
	said = strings.Join(nameWords(said), " ")
	if said == "" || len(said) > 40 {
		return ""
	}
	nearest, distance := "", 1+len(said)/3
	for _, f := range b.Foods() {
		if d := editDistance(said, singular(f)); d < distance {
			nearest, distance = f, d
		}
	}
	if nearest == "" {
		return ""
	}
	return "; the nearest is " + nearest
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
