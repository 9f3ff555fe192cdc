package line

import (
	"errors"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/wish"
)

// Where is where a line is read: seasons and frosts have other months in other places.
type Where struct {
	South                 bool // of the equator
	LastFrost, FirstFrost int  // months of the median frosts, 1 to 12; 0 where there is none
}

// At returns where a place lies, as lines are read there.
func At(p place.Place) Where {
	w := Where{South: p.Latitude < 0}
	if !p.FrostFree {
		w.LastFrost, w.FirstFrost = int(p.LastFrost.Month), int(p.FirstFrost.Month)
	}
	return w
}

// Reading is one way of understanding a line: the wish, without an id, and the
// words that say what was understood.
type Reading struct {
	Wish  wish.Wish
	Words string
	Notes []string // what was taken for granted, and what was read for a slip of the pen
}

// mostReadings is how many readings of a line are worth offering.
const mostReadings = 8

// reader reads lines by one book at one place.
type reader struct {
	book *book.Book
	lex  *Lexicon
	at   Where
}

// Wish reads a wish typed as one line, such as "35 qt tomato sauce" or "carrots twice
// a week". It returns every way the line can be understood, the likeliest first;
// several only where the words fit several things. A line that cannot be understood
// gives an invalid.Field named "line": its Value is the word that is not understood
// (empty where something is missing), its Allowed is a sentence that says what would
// be right.
func Wish(text string, b *book.Book, at Where) ([]Reading, error) {
	if strings.TrimSpace(text) == "" {
		return nil, asField(refuse("", `Type how much of what, such as “35 qt tomato sauce” or “carrots 2x week”.`))
	}
	if n := len([]rune(text)); n > Longest {
		return nil, asField(refuse(string([]rune(text)[:20])+"…", "A line has at most %d characters; this one has %d.", Longest, n))
	}
	r := &reader{b, LexiconOf(b), at}
	out, err := r.wishes(Scan(text, r.lex))
	if err != nil {
		return nil, asField(err)
	}
	return out[:min(len(out), mostReadings)], nil
}

func asField(err error) error {
	var w *wrong
	if errors.As(err, &w) {
		return &invalid.Field{Field: "line", Value: w.word, Allowed: w.sentence}
	}
	return err
}

// wishes reads the parts of a line; two wishes joined by "and" are each offered.
//
// One function, since each reading is tried in one order.
func (r *reader) wishes(parts []Part) ([]Reading, error) {
	s, err := r.gather(parts)
	if err != nil {
		return nil, err
	}
	if at := two(parts); at > 0 {
		first, err := r.wishes(parts[:at])
		if err != nil {
			return nil, err
		}
		second, err := r.wishes(parts[at:])
		if err != nil {
			return nil, err
		}
		out := append(first, second...)
		for i := range out {
			out[i].Notes = append(out[i].Notes, "the line holds two wishes: add one, then the other")
		}
		return out, nil
	}
	if s.ask == "how much" || len(s.quantities) == 0 && s.times == 0 && !s.bare {
		return nil, r.howMuch(s)
	}
	if s.ask != "" {
		return nil, refuse("", "Say how much, and how often: how many times a week, or how much in the year.")
	}
	if len(s.subject) == 0 {
		return nil, refuse("", "Name a food too: %s of what?", quantityWords(s))
	}
	about, err := r.subjects(s)
	if err != nil {
		return nil, err
	}
	var out []Reading
	var first error
	for _, m := range about {
		found, err := r.read(s, m)
		if err != nil && first == nil {
			first = err
		}
		out = append(out, found...)
	}
	if len(out) == 0 {
		return nil, first
	}
	return out, nil
}

func quantityWords(s *said) string {
	if len(s.quantities) > 0 {
		return s.quantities[0].text
	}
	return "so much"
}

// two returns where a second wish begins in a line: behind "and" or a comma, where
// both sides have a number and a food.
func two(parts []Part) int {
	whole := func(ps []Part) bool {
		number, food := false, false
		for _, p := range ps {
			_, n := p.value()
			number, food = number || n, food || p.subject()
		}
		return number && food
	}
	for i := 1; i < len(parts); i++ {
		if (parts[i].Text == "and" || parts[i].Comma) && whole(parts[:i]) && whole(parts[i:]) {
			return i
		}
	}
	return 0
}

// howMuch asks for the amount of what is named.
func (r *reader) howMuch(s *said) error {
	if len(s.subject) == 0 {
		return refuse("", "Say how much of what, such as “35 qt tomato sauce” or “carrots 2x week”.")
	}
	name := s.subject[0].Text
	return refuse("", "Say how much: “%s 2x week” for meals, “5 kg %s” for a weight, or a number of pieces or jars.", name, name)
}

// unknown refuses a word that the book does not have, and names the nearest food.
func (r *reader) unknown(word string) error {
	near := ""
	if n := r.lex.closest(word); n != "" {
		near = " Did you mean " + n + "?"
	}
	if word == "herbs" || word == "herb" {
		near = " Name the herb, such as basil, dill or parsley."
	}
	return refuse(word, "“%s” is not understood: the crop book has no such food, amount or time.%s", word, near)
}

// subject is a food, a kind or a preparation that a line may be about.
type subject struct {
	text       string
	food, kind string
	prep       *book.Preparation
}

// subjects returns what a line may be about, the likeliest first. A preparation beside a
// food that it is not made of is refused.
//
// One function, since each way of naming a food is one case.
func (r *reader) subjects(s *said) (out []subject, err error) {
	add := func(m subject) {
		if !slices.Contains(out, m) {
			out = append(out, m)
		}
	}
	var preps, foods []Part
	for _, p := range s.subject {
		if _, ok := p.Is(book.PreparationWord); ok {
			preps = append(preps, p)
		} else {
			foods = append(foods, p)
		}
	}
	for _, p := range preps {
		for _, w := range p.Words {
			if w.Kind != book.PreparationWord {
				continue
			}
			for _, id := range w.Means {
				prep := r.book.Preparation(id)
				if prep == nil {
					continue
				}
				for _, food := range r.foodsOf(prep, p.Text, foods) {
					add(subject{p.Text, food, "", prep})
				}
			}
		}
	}
	if len(out) > 0 {
		return out, nil
	}
	if len(preps) > 0 && len(foods) > 0 {
		return nil, refuse(preps[0].Text, "“%s” is not made of %s in the crop book. Name one of them alone, or another way of putting it up.", preps[0].Text, foods[0].Text)
	}
	for _, p := range foods {
		for _, w := range p.Words {
			for _, id := range w.Means {
				switch {
				case w.Kind == book.FoodWord && r.book.Food(id) != nil:
					if id == "winter squash" && len(w.Means) == 2 && w.Means[0] == "pumpkin" && !r.at.South {
						continue // any keeping squash is a pumpkin in the south alone
					}
					if id == "rutabaga" && w.Means[0] == "turnip" {
						continue // a turnip is a rutabaga in some regions alone
					}
					add(subject{text: p.Text, food: id})
				case w.Kind == book.KindWord && r.book.Crop(id) != nil:
					c := r.book.Crop(id)
					m := subject{text: p.Text, food: c.Food, kind: id}
					if len(r.book.Food(c.Food)) == 1 {
						m.kind = ""
					}
					add(m)
				}
			}
		}
	}
	return out, nil
}

// foodsOf returns the foods that a preparation may be of, by what the line names
// beside it or within its own name; its first food where the line names none.
func (r *reader) foodsOf(prep *book.Preparation, text string, beside []Part) (out []string) {
	may := func(food string) {
		if slices.ContainsFunc(prep.Crops, func(id string) bool { return r.book.Crop(id).Food == food }) && !slices.Contains(out, food) {
			out = append(out, food)
		}
	}
	named := func(words []book.Word) {
		for _, w := range words {
			for _, id := range w.Means {
				switch {
				case w.Kind == book.FoodWord:
					may(id)
				case w.Kind == book.KindWord && r.book.Crop(id) != nil:
					may(r.book.Crop(id).Food)
				}
			}
		}
	}
	for _, p := range beside {
		named(p.Words)
	}
	if len(beside) > 0 {
		return out
	}
	for _, word := range strings.Fields(text) {
		named(r.lex.find(word))
	}
	if len(out) == 0 {
		may(r.book.Crop(prep.Crops[0]).Food)
	}
	return out
}

// read makes the wishes that a line asks for, for one thing it may be about.
//
// One function, since the parts of a line are read in one order.
func (r *reader) read(s *said, m subject) (out []Reading, err error) {
	if len(s.subject) > 1 && m.prep == nil && !slices.ContainsFunc(s.subject, func(p Part) bool { return p.Text == m.text }) {
		return nil, nil
	}
	w := wish.Wish{Food: m.food, Variety: m.kind, Season: s.season, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}, For: s.whom}
	if s.priority != "" {
		w.Priority = s.priority
	}
	notes := slices.Clone(s.notes)
	if len(s.subject) > 1 && m.prep == nil {
		notes = append(notes, "the line names several foods: each is offered by itself")
	}
	a, err := r.amount(s, m)
	if err != nil {
		return nil, err
	}
	w.Amount = a.amount
	notes = append(notes, a.notes...)
	if m.prep == nil && a.prep != nil {
		m.prep = a.prep
	}
	all, err := r.formed(s, m, w, a)
	if err != nil {
		return nil, err
	}
	var first error
	for _, w := range all {
		r.staggered(s, &w)
		check := invalid.NewCheck()
		w.Validate(check, r.book)
		if fs := invalid.All(check.Err()); fs != nil {
			if first == nil {
				first = r.unfit(s, w, fs[0])
			}
			continue
		}
		out = append(out, Reading{w, wish.Words(w, r.book), notes})
		if s.children && w.Amount.Kind != wish.Meals { // five for each child, or in all?
			whole := w
			whole.For = nil
			out = append(out, Reading{whole, wish.Words(whole, r.book), notes})
		}
	}
	if a.planted > 0 { // "100 cloves": to eat, or to plant
		plants := wish.Wish{Food: w.Food, Variety: w.Variety, Season: w.Season, Priority: w.Priority, Stagger: w.Stagger, Amount: wish.Amount{Kind: wish.Plants, Number: a.planted}, Forms: []wish.Form{}}
		out = append(out, Reading{plants, wish.Words(plants, r.book) + ", to plant", notes})
	}
	if len(out) == 0 {
		return nil, first
	}
	return out, nil
}

// unfit refuses a wish that the book cannot hold, by the word of the line that asks
// for it.
func (r *reader) unfit(s *said, w wish.Wish, f *invalid.Field) error {
	word := ""
	if f.Field == "amount.kind" && len(s.quantities) > 0 && s.quantities[0].unit != nil {
		word = s.quantities[0].unit[0].Text
		if _, typed, ok := strings.Cut(s.quantities[0].text, " "); ok {
			word = typed
		}
	}
	if word != "" {
		return refuse(word, "“%s” does not fit %s. %s", word, w.Food, f.Advice())
	}
	return refuse(f.Value, "%s", f.Advice())
}

// staggered sets how the sowings of a wish follow each other: what is said, or in one
// go what keeps whole and is wished by the year.
func (r *reader) staggered(s *said, w *wish.Wish) {
	early := s.stagger.Early
	if s.stagger.Kind != "" {
		w.Stagger = s.stagger
		if w.Stagger.Kind == wish.Every || w.Stagger.Kind == wish.Times {
			w.Stagger.Early = early
		}
		return
	}
	w.Stagger.Early = early
	if !w.Amount.Kind.Weekly() && slices.Contains(w.Forms, wish.Cellar) {
		w.Stagger.Kind = wish.OneGo
	}
}

// parse reads the value behind the colon of a unit.
func parse(means string) (kind, of string, v float64) {
	kind, rest, _ := strings.Cut(means, ":")
	if v, err := strconv.ParseFloat(rest, 64); err == nil {
		return kind, "", v
	}
	of, last, ok := strings.Cut(rest, ":")
	if ok {
		v, _ = strconv.ParseFloat(last, 64)
	}
	return kind, of, v
}
