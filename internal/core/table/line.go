package table

import (
	"fmt"
	"slices"
	"strings"
	"unicode"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
)

// Reading is one way of understanding a line: the wish, without an id, and the
// words that say what was understood.
type Reading struct {
	Wish  Wish
	Words string
}

// LongestLine bounds what is read as one line, in characters.
const LongestLine = 200

// ParseLine reads a wish typed as one line, such as "35 qt tomato sauce" or
// "carrots 2x week". It returns every way the line can be understood, the
// likeliest first; several only where the words fit several things. A line that
// cannot be understood gives an invalid.Field named "line" that says what is
// missing, or the nearest food.
func ParseLine(line string, b *book.Book) ([]Reading, error) {
	wrong := func(allowed string) error { return &invalid.Field{Field: "line", Value: line, Allowed: allowed} }
	if strings.TrimSpace(line) == "" {
		return nil, wrong(`how much of what, such as "35 qt tomato sauce" or "carrots 2x week"`)
	}
	if len([]rune(line)) > LongestLine {
		return nil, &invalid.Field{Field: "line", Value: string([]rune(line)[:20]) + "…", Allowed: fmt.Sprintf("at most %d characters", LongestLine)}
	}
	p := parseWords(line)
	if !p.hasNumber {
		return nil, wrong(`a number too, such as "35 qt" or "2x week"`)
	}
	if len(p.names) == 0 {
		return nil, wrong("the name of a food too")
	}
	found := p.match(b)
	if len(found) == 0 {
		return nil, wrong("a food of the crop book" + nearestWords(b, strings.Join(p.names, " ")))
	}
	var out []Reading
	var firstErr error
	for _, m := range found {
		w, err := p.wish(b, m)
		if err == nil {
			check := invalid.NewCheck()
			w.Validate(check, b)
			if fs := invalid.All(check.Err()); fs != nil {
				err = wrong(fs[0].Allowed)
			}
		} else {
			err = wrong(err.Error())
		}
		if err == nil {
			out = append(out, Reading{w, Words(w, b)})
		} else if firstErr == nil {
			firstErr = err
		}
	}
	if len(out) == 0 {
		return nil, firstErr
	}
	return out, nil
}

// parsed is a line taken apart.
type parsed struct {
	number    float64
	hasNumber bool
	unit      amount.Word
	hasUnit   bool
	times     bool // "2x"
	weekly    bool
	yearly    bool
	forms     []Form
	season    Season
	names     []string
}

var formWords = map[string]Form{
	"fresh": Fresh, "cellar": Cellar, "stored": Cellar, "canned": Canned, "juiced": Juiced, "frozen": Frozen,
	"dried": Dried, "pickled": Pickled, "fermented": Fermented,
}

var monthWords = []string{"jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"}

func month(word string) int {
	if len(word) < 3 {
		return 0
	}
	full := []string{"january", "february", "march", "april", "may", "june", "july", "august", "september", "october", "november", "december"}
	for i, f := range full {
		if word == monthWords[i] || word == f || word == "sept" && i == 8 {
			return i + 1
		}
	}
	return 0
}

// parseWords takes a line apart; what it does not know is a name.
func parseWords(line string) parsed {
	p := parsed{season: Season{Kind: AllYear}}
	words := strings.FieldsFunc(strings.ToLower(line), func(r rune) bool {
		return unicode.IsSpace(r) || r == ';' || r == '(' || r == ')' || r == ':'
	})
	for i := 0; i < len(words); i++ {
		word := strings.Trim(words[i], ",.")
		next := ""
		if i+1 < len(words) {
			next = strings.Trim(words[i+1], ",.")
		}
		if head, tail, ok := strings.Cut(word, "/"); ok && (tail == "week" || tail == "wk" || tail == "year" || tail == "yr") {
			p.weekly, p.yearly = tail[0] == 'w', tail[0] == 'y'
			word = head
			if word == "" {
				continue
			}
		}
		if p.period(word, next) {
			if word == "a" || word == "per" || word == "each" || word == "all" || word == "every" {
				i++
			}
			continue
		}
		if a, z, ok := strings.Cut(word, "-"); ok && month(a) > 0 && month(z) > 0 {
			p.season = Season{Kind: Months, From: month(a), To: month(z)}
			continue
		}
		if p.numberWord(word, next, &i) {
			continue
		}
		if f, ok := formWords[word]; ok && !slices.Contains(p.forms, f) {
			p.forms = append(p.forms, f)
			continue
		}
		switch word {
		case "", "of", "a", "and", "the", "in", "for", "we", "eat", "want":
		case "x", "times":
			p.times = p.hasNumber
		case "once", "twice":
			p.number, p.hasNumber, p.times = map[string]float64{"once": 1, "twice": 2}[word], true, true
		default:
			if u, ok := amount.ParseUnit(word); ok && p.hasNumber && !p.hasUnit {
				p.unit, p.hasUnit = u, true
				p.times = p.times || u.Unit == amount.Meal
				continue
			}
			p.names = append(p.names, word)
		}
	}
	return p
}

// period reads "a week", "weekly", "per year", "all year".
func (p *parsed) period(word, next string) bool {
	switch {
	case word == "week" || word == "weekly" || word == "wk",
		(word == "a" || word == "per" || word == "each" || word == "every") && (next == "week" || next == "wk"):
		p.weekly = true
	case word == "yearly" || word == "year",
		(word == "a" || word == "per" || word == "each" || word == "every") && next == "year":
		p.yearly = true
	case word == "all" && next == "year":
		p.season = Season{Kind: AllYear}
	default:
		return false
	}
	return true
}

// numberWord reads "35", "1 1/2", "2x", "35qt".
func (p *parsed) numberWord(word, next string, i *int) bool {
	if p.hasNumber {
		return false
	}
	cut := strings.IndexFunc(word, func(r rune) bool { return unicode.IsLetter(r) })
	tail := ""
	if cut > 0 {
		word, tail = word[:cut], word[cut:]
	}
	v, ok := amount.ParseNumber(word)
	if !ok {
		return false
	}
	p.number, p.hasNumber = v, true
	if f, ok := amount.ParseNumber(next); ok && tail == "" && f < 1 && strings.ContainsAny(next, "/½¼¾⅓⅔⅛") {
		p.number += f
		*i++
	}
	switch u, known := amount.ParseUnit(tail); {
	case tail == "x":
		p.times = true
	case known:
		p.unit, p.hasUnit = u, true
	case tail != "":
		p.names = append(p.names, tail)
	}
	return true
}

// match is a food, kind or preparation that the names of a line fit.
type match struct {
	food, kind string
	prep       *book.Preparation
}

// wish makes the wish that the line asks for, for one match.
func (p parsed) wish(b *book.Book, m match) (Wish, error) {
	w := Wish{
		Food: m.food, Kind: m.kind, Season: p.season, Priority: Want, Stagger: Stagger{Kind: ByNeed},
		Amount: Amount{Number: p.number},
	}
	if m.prep != nil {
		w.Forms, w.Preparation = []Form{Form(m.prep.Form)}, m.prep.ID
	}
	byPeriod := func(week, year Kind) Kind {
		if p.weekly {
			return week
		}
		return year
	}
	switch {
	case p.times || !p.hasUnit && p.weekly:
		if !p.weekly {
			return w, fmt.Errorf(`"a week" behind the number of meals`)
		}
		w.Amount.Kind = Meals
	case !p.hasUnit && m.prep != nil && m.prep.Unit == "litre":
		w.Amount.Kind = Jars
	case !p.hasUnit:
		return w, fmt.Errorf(`a unit behind the number, such as "kg", "qt", "heads" or "x week"`)
	case p.unit.Unit == amount.Jar:
		w.Amount.Kind = Jars
	case p.unit.Unit == amount.Litre && p.unit.Container != "":
		w.Amount.Kind, w.Amount.Jar = Jars, p.unit.Factor
	case p.unit.Unit == amount.Litre:
		w.Amount.Kind, w.Amount.Number = Litres, p.number*p.unit.Factor
	case p.unit.Unit == amount.Kilogram:
		w.Amount.Kind, w.Amount.Number = byPeriod(WeightWeek, WeightYear), p.number*p.unit.Factor
		if m.prep != nil && m.prep.Unit == "kg" {
			w.Amount.Kind = DriedKg
		}
	case p.unit.Unit == amount.Piece:
		w.Amount.Kind = byPeriod(PiecesWeek, PiecesYear)
	case p.unit.Unit == amount.Plant:
		w.Amount.Kind = Plants
	case p.unit.Unit == amount.SquareMetre:
		w.Amount.Kind, w.Amount.Number = Area, p.number*p.unit.Factor
	default:
		return w, fmt.Errorf("a weight, jars, pieces, meals, plants or an area")
	}
	if w.Amount.Kind.PutUp() && m.prep == nil {
		return w, fmt.Errorf("what is to be made of %s, such as %s", m.food, preparationNames(b, m))
	}
	if m.prep == nil && !w.Amount.Kind.Unweighed() {
		w.Forms = p.forms
		if len(w.Forms) == 0 {
			w.Forms = UsualForms(b, m.food, m.kind)
		}
		// What keeps and is wished by the year, not by the week, is grown in one
		// go: ten cabbages are not a sowing each.
		if !w.Amount.Kind.Weekly() && slices.Contains(w.Forms, Cellar) {
			w.Stagger.Kind = OneGo
		}
	}
	return w, nil
}

// UsualForms returns the forms a weekly wish has where the family names none:
// fresh, and from the store where a kind keeps whole.
func UsualForms(b *book.Book, food, kind string) []Form {
	out := []Form{Fresh}
	for _, c := range b.Food(food) {
		if (kind == "" || c.ID == kind) && c.Store != "none" && c.StoreWeeks.Value > 0 && c.Weighed() {
			return append(out, Cellar)
		}
	}
	return out
}

func preparationNames(b *book.Book, m match) string {
	var names []string
	for _, p := range b.Preparations() {
		if slices.ContainsFunc(p.Crops, func(id string) bool { return b.Crop(id).Food == m.food }) {
			names = append(names, strings.ToLower(p.Name))
		}
	}
	if len(names) == 0 {
		return "nothing that the book knows"
	}
	return strings.Join(names[:min(3, len(names))], "; ")
}
