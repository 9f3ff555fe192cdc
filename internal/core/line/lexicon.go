package line

import (
	"slices"
	"strings"
	"sync"

	"inventory/internal/core/book"
)

// Lexicon finds what words stand for. It is made once for a book and is not changed
// afterwards.
type Lexicon struct {
	exact   map[string][]book.Word // as written
	plural  map[string][]book.Word // the last word singular
	loose   map[string][]book.Word // every word singular
	begins  map[string]bool        // the first word, singular, of something of several words
	singles []string               // foods, kinds, preparations and months of one word, for slips of the pen
	base    *Lexicon               // what the book is shipped with, under a household's own
}

// most is how many words the longest phrase has.
const most = 7

var usual = sync.OnceValue(func() *Lexicon {
	b := book.Usual()
	return compile(b, b.Everyday(), b.Crops(), b.Preparations(), b.Foods())
})

// LexiconOf returns the words of a book, the household's own crops and preparations
// among them.
func LexiconOf(b *book.Book) *Lexicon {
	base := usual()
	shipped := book.Usual()
	var crops []*book.Crop
	var foods []string
	for _, c := range b.Crops() {
		if c.Own {
			crops = append(crops, c)
			if shipped.Food(c.Food) == nil {
				foods = append(foods, c.Food)
			}
		}
	}
	var preparations []*book.Preparation
	for _, p := range b.Preparations() {
		if shipped.Preparation(p.ID) == nil {
			preparations = append(preparations, p)
		}
	}
	if len(crops)+len(preparations) == 0 {
		return base
	}
	own := compile(b, nil, crops, preparations, foods)
	own.base = base
	return own
}

func compile(b *book.Book, words []book.Word, crops []*book.Crop, preparations []*book.Preparation, foods []string) *Lexicon {
	l := &Lexicon{exact: map[string][]book.Word{}, plural: map[string][]book.Word{}, loose: map[string][]book.Word{}, begins: map[string]bool{}}
	for _, f := range foods {
		l.add(book.Word{Text: f, Kind: book.FoodWord, Means: []string{f}})
	}
	for _, c := range crops {
		w := book.Word{Kind: book.KindWord, Means: []string{c.ID}}
		for _, name := range called(c.Name) {
			if !l.isFood(name) {
				w.Text = name
				l.add(w)
			}
		}
		if name := strings.ReplaceAll(c.ID, "-", " "); !c.Own && !l.isFood(name) && len(b.Food(c.Food)) > 1 {
			w.Text = name
			l.add(w)
		}
	}
	for _, p := range preparations {
		for _, name := range called(p.Name) {
			if !l.isFood(name) {
				l.add(book.Word{Text: name, Kind: book.PreparationWord, Means: []string{p.ID}})
			}
		}
	}
	for _, w := range words {
		l.add(w)
	}
	for i, name := range months {
		for _, text := range []string{name, name[:3]} {
			l.add(book.Word{Text: text, Kind: MonthWord, Means: []string{name}, Kg: float64(i + 1)})
		}
	}
	l.add(book.Word{Text: "sept", Kind: MonthWord, Means: []string{"september"}, Kg: 9})
	for _, d := range weekdays {
		l.add(book.Word{Text: d, Kind: book.FrequencyWord, Means: []string{"weekday"}})
	}
	slices.Sort(l.singles)
	l.singles = slices.Compact(l.singles)
	return l
}

// MonthWord is a month; Kg holds its number. Months are no words of the book: their
// names are the language's.
const MonthWord book.WordKind = "month"

var months = []string{"january", "february", "march", "april", "may", "june", "july", "august", "september", "october", "november", "december"}
var weekdays = []string{"monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"}

// called returns how a name of the book is said: "Tomato sauce, thin" is said so, and
// as thin tomato sauce. What stands in brackets is left out.
func called(name string) []string {
	short, _, _ := strings.Cut(strings.ToLower(name), "(")
	pieces := strings.Split(short, ",")
	for i := range pieces {
		pieces[i] = strings.TrimSpace(pieces[i])
	}
	out := []string{strings.Join(pieces, " ")}
	if len(pieces) == 2 {
		out = append(out, pieces[1]+" "+pieces[0])
	}
	return out
}

func (l *Lexicon) isFood(name string) bool {
	if l.base != nil && l.base.isFood(name) {
		return true
	}
	return slices.ContainsFunc(append(l.exact[plain(name)], l.plural[last(plain(name))]...), func(w book.Word) bool { return w.Kind == book.FoodWord })
}

// plain takes hyphens, accents of typing and the like off a name.
func plain(name string) string { return join(tokens(name)) }

// last puts the last word of a name in the singular.
func last(name string) string {
	head, tail := "", name
	if i := strings.LastIndexByte(name, ' '); i >= 0 {
		head, tail = name[:i+1], name[i+1:]
	}
	return head + book.Singular(tail)
}

// every puts each word of a name in the singular.
func every(name string) string {
	ws := strings.Split(name, " ")
	for i, w := range ws {
		ws[i] = book.Singular(w)
	}
	return strings.Join(ws, " ")
}

func (l *Lexicon) add(w book.Word) {
	text := plain(w.Text)
	put := func(m map[string][]book.Word, key string) {
		same := func(o book.Word) bool { return o.Kind == w.Kind && slices.Equal(o.Means, w.Means) }
		if !slices.ContainsFunc(m[key], same) {
			m[key] = append(m[key], w)
		}
	}
	put(l.exact, text)
	if !pluralOnly[text] {
		put(l.plural, last(text))
		put(l.loose, every(text))
	}
	first, _, several := strings.Cut(text, " ")
	if several {
		l.begins[book.Singular(first)] = true
		return
	}
	switch w.Kind {
	case book.FoodWord, book.KindWord, book.PreparationWord, MonthWord:
		if len(text) >= leastSlip && !pluralOnly[text] {
			l.singles = append(l.singles, text)
		}
	}
}

// pluralOnly are foods whose singular is another word: green tomatoes are no greens.
var pluralOnly = map[string]bool{"greens": true, "earlies": true, "chats": true, "limas": true, "savories": true}

// find returns what a phrase stands for: as written before in the plural, and before
// any number of each of its words.
func (l *Lexicon) find(phrase string) []book.Word {
	if l.base != nil { // the household's own names go before
		for _, m := range []func(*Lexicon) []book.Word{
			func(x *Lexicon) []book.Word { return x.exact[phrase] },
			func(x *Lexicon) []book.Word { return x.plural[last(phrase)] },
		} {
			if own := m(l); own != nil {
				return own
			}
		}
		return l.base.find(phrase)
	}
	if found := l.exact[phrase]; found != nil {
		return found
	}
	return l.plural[last(phrase)]
}

func (l *Lexicon) findLoosely(phrase string) []book.Word {
	if found := l.loose[every(phrase)]; found != nil || l.base == nil {
		return found
	}
	return l.base.findLoosely(phrase)
}

func (l *Lexicon) maybe(first string) bool {
	return l.begins[book.Singular(first)] || l.base != nil && l.base.maybe(first)
}

// longest returns the longest run of words, from the first on, that stands for
// something.
func (l *Lexicon) longest(ts []token) (Part, int) {
	n := min(most, len(ts))
	if !l.maybe(ts[0].text) {
		n = 1
	}
	for k := 1; k < n; k++ {
		if ts[k].comma {
			n = k
		}
	}
	for _, find := range []func(string) []book.Word{l.find, l.findLoosely} {
		for k := n; k > 0; k-- {
			if k == 1 && ts[0].numeric {
				break
			}
			phrase := join(ts[:k])
			if found := find(phrase); found != nil {
				return Part{Text: phrase, Words: found}, k
			}
		}
	}
	return Part{}, 0
}

// quiet are words that say nothing of their own.
var quiet = func() map[string]bool {
	out := map[string]bool{}
	for _, w := range strings.Fields("of the for in and with we eat want need needs like would please as it is i us our my on by at that then or to from till until through thru between up only just a an x - who which all per fresh-picked this these those they them are be can home sow sown sowing sowings sowed resow resown every apart fortnight since starting after onwards onward rather good nice fine people persons adults mouths long") {
		out[w] = true
	}
	return out
}()

// leastSlip is how many letters a word must have for a slip of the pen to be looked
// for in it: pear is not pea.
const leastSlip = 5

// single reads one word that stands for nothing as it is written: it may be quiet, or
// a slip of the pen where one word of the book alone is near.
func (l *Lexicon) single(text string) Part {
	if quiet[text] {
		return Part{Text: text, Quiet: true}
	}
	if near := l.nearest(text); near != "" {
		return Part{Text: text, Words: l.find(near), Slip: near}
	}
	return Part{Text: text}
}

// nearest returns the one word of the book that a slip of the pen was meant to be, or
// nothing. A slip keeps the first letter; short words may have one letter wrong, long
// ones two.
//
// One function, since one pass finds the nearest word.
func (l *Lexicon) nearest(text string) string {
	word := book.Singular(text)
	n := len([]rune(word))
	if n < leastSlip {
		return ""
	}
	least, near, several := 1, "", false
	if n >= 8 {
		least = 2
	}
	all := l.singles
	if l.base != nil {
		all = append(slices.Clone(all), l.base.singles...)
	}
	for _, w := range all {
		s := book.Singular(w)
		if s[0] != word[0] || len(s)-len(word) > least || len(word)-len(s) > least {
			continue
		}
		switch d := book.Edits(word, s); {
		case d > least, least == 1 && len(s) == len(word) && d == 1 && !swapped(word, s): // chives are no chiles
		case d < least || near == "":
			least, near, several = d, w, false
		case !sameMeaning(l.find(near), l.find(w)):
			several = true
		}
	}
	if several {
		return ""
	}
	return near
}

// swapped reports whether two words of a length differ by two neighbours that changed
// places.
func swapped(a, b string) bool {
	for i := range len(a) - 1 {
		if a[i] != b[i] {
			return a[i] == b[i+1] && a[i+1] == b[i] && a[i+2:] == b[i+2:]
		}
	}
	return false
}

func sameMeaning(a, b []book.Word) bool {
	return len(a) > 0 && len(b) > 0 && a[0].Kind == b[0].Kind && slices.Equal(a[0].Means, b[0].Means)
}

// closest returns a food near enough to a word to be asked about.
func (l *Lexicon) closest(word string) string {
	best, least := "", 1+len(word)/3
	if len(word) < 4 {
		return ""
	}
	all := l.singles
	if l.base != nil {
		all = append(slices.Clone(all), l.base.singles...)
	}
	for _, w := range all {
		if d := book.Edits(book.Singular(word), book.Singular(w)); d < least {
			best, least = w, d
		}
	}
	return best
}
