package book

import (
	"slices"
	"strings"
	"unicode"
)

// Name is a food, a crop or a preparation with the words it can be called by.
type Name struct {
	Food  string
	Crop  *Crop        // nil for a food without a kind in mind
	Prep  *Preparation // nil but for a preparation
	Words []string     // of its name, singular
	Foods [][]string   // of a preparation: the words of each food it may be made of
}

// Names finds what words may mean.
type Names struct {
	byWord map[string][]*Name
	foods  []string // singular, in the order of Book.Foods
}

// Names returns the words that the book's foods, crops and preparations can be
// called by.
func (b *Book) Names() *Names {
	if b.names == nil {
		b.names = b.readNames()
	}
	return b.names
}

func (b *Book) readNames() *Names {
	n := &Names{byWord: map[string][]*Name{}}
	add := func(name *Name) {
		seen := slices.Clone(name.Words)
		for _, f := range name.Foods {
			seen = append(seen, f...)
		}
		slices.Sort(seen)
		for _, w := range slices.Compact(seen) {
			n.byWord[w] = append(n.byWord[w], name)
		}
	}
	for _, f := range b.Foods() {
		n.foods = append(n.foods, strings.Join(Words(f), " "))
		add(&Name{Food: f, Words: Words(f)})
	}
	for _, c := range b.crops {
		short, _, _ := strings.Cut(c.Name, "(")
		add(&Name{Food: c.Food, Crop: c, Words: Words(short)})
	}
	for _, p := range b.preparations {
		name := &Name{Food: b.byCrop[p.Crops[0]].Food, Prep: p, Words: Words(p.Name)}
		for _, id := range p.Crops {
			name.Foods = append(name.Foods, Words(b.byCrop[id].Food))
		}
		add(name)
	}
	return n
}

// With returns the names that have a word, by the word that the fewest have.
func (n *Names) With(words []string) (out []*Name) {
	for i, w := range words {
		if found := n.byWord[w]; i == 0 || len(found) < len(out) {
			out = found
		}
	}
	return out
}

// Foods returns the names of the foods, singular, in the order of Book.Foods.
func (n *Names) Foods() []string { return n.foods }

// Words returns the words of a name in lower case and singular.
func Words(s string) []string {
	ws := strings.FieldsFunc(strings.ToLower(s), func(r rune) bool { return !unicode.IsLetter(r) && r != '-' && r != '\'' })
	for i, w := range ws {
		ws[i] = Singular(w)
	}
	return ws
}

// Singular takes the plural off an English word, near enough for matching.
func Singular(w string) string {
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
