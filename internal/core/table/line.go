package table

import (
	"errors"
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
	if p.another != "" {
		return nil, wrong("one number; “" + p.another + "” is a second one")
	}
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
		for _, w := range p.wishes(b, m, &firstErr) {
			check := invalid.NewCheck()
			w.Validate(check, b)
			if fs := invalid.All(check.Err()); fs == nil {
				out = append(out, Reading{w, Words(w, b)})
			} else if firstErr == nil {
				firstErr = errors.New(fs[0].Allowed)
			}
		}
	}
	if len(out) == 0 {
		return nil, wrong(firstErr.Error())
	}
	return out[:min(len(out), mostReadings)], nil
}

// mostReadings is how many readings of a line are worth offering.
const mostReadings = 6

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
	priority  Priority
	portion   float64 // g, where a second number says it
	another   string  // a second number that says nothing
}

var formWords = map[string]Form{
	"fresh": Fresh, "cellar": Cellar, "stored": Cellar, "canned": Canned, "juiced": Juiced, "frozen": Frozen,
	"dried": Dried, "pickled": Pickled, "fermented": Fermented, "freezer": Frozen, "store": Cellar,
}

// quiet are words that say nothing of their own.
var quiet = map[string]bool{
	"": true, "of": true, "a": true, "an": true, "and": true, "the": true, "in": true, "for": true, "we": true, "eat": true, "want": true,
	"from": true, "to": true, "or": true, "then": true, "some": true, "about": true, "with": true, "please": true, "as": true, "until": true,
	"it": true, "each": true, "is": true, "round": true, "i": true, "us": true, "our": true, "till": true, "through": true,
}

var months = func() map[string]int {
	m := map[string]int{"sept": 9}
	for i, name := range monthNames {
		m[strings.ToLower(name)], m[strings.ToLower(name[:3])] = i+1, i+1
	}
	return m
}()

// parseWords takes a line apart; what it does not know is a name.
func parseWords(line string) parsed {
	p := parsed{season: Season{Kind: AllYear}}
	words := strings.FieldsFunc(strings.ToLower(line), func(r rune) bool {
		return unicode.IsSpace(r) || r == ';' || r == '(' || r == ')' || r == ':'
	})
	for i := range words {
		words[i] = strings.Trim(words[i], ",.!?")
	}
	for i := 0; i < len(words); i++ {
		word, next := words[i], ""
		if i+1 < len(words) {
			next = words[i+1]
		}
		if head, tail, ok := strings.Cut(word, "/"); ok && (tail == "week" || tail == "wk" || tail == "year" || tail == "yr") {
			p.weekly, p.yearly = tail[0] == 'w', tail[0] == 'y'
			word = head
		}
		switch used := p.phrase(words[i:]); {
		case used > 0:
			i += used - 1
			continue
		case p.numberWord(word, next, &i), p.month(word):
			continue
		}
		p.word(word)
	}
	return p
}

// phrase reads what takes more than a word: "a week", "while it lasts", "a
// must"; it returns how many words it took.
func (p *parsed) phrase(words []string) int {
	next, third := "", ""
	if len(words) > 1 {
		next = words[1]
	}
	if len(words) > 2 {
		third = words[2]
	}
	switch word := words[0]; {
	case word == "while" && next == "it" && third == "lasts":
		p.season = Season{Kind: While}
		return 3
	case word == "in" && next == "season", word == "all" && next == "season":
		p.season = Season{Kind: While}
		return 2
	case word == "year-round":
		p.season = Season{Kind: AllYear}
		return 1
	case word == "year" && next == "round":
		p.season = Season{Kind: AllYear}
		return 2
	case (word == "a" || word == "definitely") && next == "must":
		p.priority = Must
		return 2
	case word == "nice" && next == "to" && third == "have":
		p.priority = Nice
		return 3
	case (word == "a" || word == "one") && next == "dozen" && !p.hasNumber:
		p.number, p.hasNumber = 12, true
		return 2
	case word == "root" && next == "cellar":
		return p.form(Cellar, 2)
	}
	if p.period(words[0], next) {
		switch words[0] {
		case "a", "per", "each", "all", "every", "the":
			return 2
		}
		return 1
	}
	return 0
}

func (p *parsed) form(f Form, used int) int {
	if !slices.Contains(p.forms, f) {
		p.forms = append(p.forms, f)
	}
	return used
}

// month reads "may-oct", "may", "october"; two single ones are from and to.
func (p *parsed) month(word string) bool {
	a, z, pair := strings.Cut(word, "-")
	if !pair {
		a, z, pair = strings.Cut(word, "–")
	}
	switch {
	case pair && months[a] > 0 && months[z] > 0:
		p.season = Season{Kind: Months, From: months[a], To: months[z]}
	case months[word] == 0:
		return false
	case p.season.Kind == Months:
		p.season.To = months[word]
	default:
		p.season = Season{Kind: Months, From: months[word], To: months[word]}
	}
	return true
}

// word reads one word that stands for itself.
func (p *parsed) word(word string) {
	if f, ok := formWords[word]; ok {
		p.form(f, 1)
		return
	}
	switch word {
	case "x", "times":
		p.times = p.hasNumber
	case "once", "twice", "thrice":
		p.number, p.hasNumber, p.times = map[string]float64{"once": 1, "twice": 2, "thrice": 3}[word], true, true
	case "dozen":
		p.number *= 12
	case "must":
		p.priority = Must
	default:
		if u, ok := amount.ParseUnit(word); ok && p.hasNumber {
			switch {
			case !p.hasUnit:
				p.unit, p.hasUnit = u, true
				p.times = p.times || u.Unit == amount.Meal
				return
			case u.Unit == amount.Jar && p.unit.Container != "": // "quart jars"
				return
			}
		}
		if !quiet[word] {
			p.names = append(p.names, word)
		}
	}
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

// numberWord reads "35", "1 1/2", "2x", "35qt", and behind a number of meals a
// second one that is the portion: "2x week, 150 g".
func (p *parsed) numberWord(word, next string, i *int) bool {
	cut := strings.IndexFunc(word, func(r rune) bool { return unicode.IsLetter(r) })
	tail := ""
	if cut > 0 {
		word, tail = word[:cut], word[cut:]
	}
	v, ok := amount.ParseNumber(word)
	if !ok {
		if v, ok = numberWords[word]; !ok || tail != "" {
			return false
		}
	}
	if f, ok := amount.ParseNumber(next); ok && tail == "" && f < 1 && strings.ContainsAny(next, "/½¼¾⅓⅔⅛") {
		v += f
		*i++
	}
	u, known := amount.ParseUnit(tail)
	if p.hasNumber {
		if tail == "" {
			if u, known = amount.ParseUnit(next); known {
				*i++
			}
		}
		if known && u.Unit == amount.Kilogram && p.portion == 0 {
			p.portion = v * u.Factor * 1000
		} else {
			p.another = word + tail
		}
		return true
	}
	p.number, p.hasNumber = v, true
	switch {
	case tail == "x":
		p.times = true
	case known:
		p.unit, p.hasUnit = u, true
	case tail != "":
		p.names = append(p.names, tail)
	}
	return true
}

var numberWords = map[string]float64{"one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10, "half": 0.5}

// match is a food, kind or preparation that the names of a line fit.
type match struct {
	food, kind string
	prep       *book.Preparation
}

// wishes makes the wishes that the line may ask for, for one match: several
// where a form it names can be had by several preparations. What is wrong goes
// into err, the first of them.
func (p parsed) wishes(b *book.Book, m match, err *error) []Wish {
	w, wrong := p.wish(b, m)
	if wrong != nil {
		if *err == nil {
			*err = wrong
		}
		return nil
	}
	out := []Wish{w}
	for _, f := range w.Forms {
		if !f.PutUp() || w.PreparationFor(f, b) != nil {
			continue
		}
		var more []Wish
		for _, prep := range b.Preparations() {
			if prep.Form != string(f) || !slices.ContainsFunc(prep.Crops, func(id string) bool {
				c := b.Crop(id)
				return c.Food == m.food && (m.kind == "" || m.kind == id)
			}) {
				continue
			}
			for _, w := range out {
				w.Preparations = append(slices.Clone(w.Preparations), prep.ID)
				more = append(more, w)
			}
		}
		if len(more) == 0 {
			if *err == nil {
				*err = fmt.Errorf("another form: the book has no way of having %s %s", m.food, f)
			}
			return nil
		}
		out = more
	}
	return out
}

// wish makes the wish that the line asks for, for one match; preparations of
// forms beside the match's own are still open.
func (p parsed) wish(b *book.Book, m match) (Wish, error) {
	w := Wish{
		Food: m.food, Kind: m.kind, Season: p.season, Priority: Want, Stagger: Stagger{Kind: ByNeed},
		Amount: Amount{Number: p.number},
	}
	if p.priority != "" {
		w.Priority = p.priority
	}
	if m.prep != nil {
		w.Forms, w.Preparations = []Form{Form(m.prep.Form)}, []string{m.prep.ID}
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
		w.Amount.Kind, w.Amount.Portion = Meals, p.portion
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
	if p.portion > 0 && w.Amount.Kind != Meals {
		return w, fmt.Errorf("one amount; a weight behind it is the portion of a number of meals a week")
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
