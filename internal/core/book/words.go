package book

import (
	"strings"
)

// WordKind says what an everyday word stands for.
type WordKind string

// The kinds of words.
const (
	FoodWord        WordKind = "food"        // foods of the book, several with |
	KindWord        WordKind = "kind"        // a crop, or crop/use for a second use of it
	FormWord        WordKind = "form"        // how a food comes to the table
	PreparationWord WordKind = "preparation" // preparations of the book, several with |
	UnitWord        WordKind = "unit"        // what a number counts
	FrequencyWord   WordKind = "frequency"   // how often
	SeasonWord      WordKind = "season"      // in which part of the year
	NumberWord      WordKind = "number"      // a number written out
	EaterWord       WordKind = "eater"       // for whom
	PriorityWord    WordKind = "priority"    // how much it matters
	SowingsWord     WordKind = "sowings"     // how its sowings follow each other
)

// Word is an everyday word or phrase and what a household means by it.
type Word struct {
	Text  string
	Kind  WordKind
	Means []string // alternatives; what each looks like depends on the kind, see words.csv
	South string   // of a season: its months south of the equator
	Note  string
	Kg    float64 // of a unit: what one weighs of the food that Means names
}

func (b *Book) readWord(s *sheet) {
	w := Word{
		Text: strings.ToLower(s.must("word")), Note: s.text("note"),
		Kind: WordKind(s.word("kind_of", "food", "kind", "form", "preparation", "unit", "frequency", "season", "number", "eater", "priority", "sowings")),
		Kg:   s.maybe("kg", 0.0001, 1000).Value,
	}
	means := s.must("means")
	if w.Kind == SeasonWord {
		means, w.South, _ = strings.Cut(means, "|south:")
	}
	w.Means = strings.Split(means, "|")
	b.wordList = append(b.wordList, w)
}

// Everyday returns the everyday words that the book is shipped with. The household's
// own crops and preparations are not among them.
func (b *Book) Everyday() []Word { return b.wordList }
