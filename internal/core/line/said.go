package line

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// quantity is a number and what it counts.
type quantity struct {
	number  float64
	text    string      // as it was typed
	unit    []book.Word // what the unit may be; nil: a bare number
	missing bool        // the number: "jars of peas"
	of      float64     // litres of a container that is counted, where the line says so
}

// said is what the parts of a line say.
type said struct {
	quantities []quantity
	times      float64 // of "2x", "twice"; 0 where there is none
	weekly     float64 // how often in a week; 0: not by the week
	yearly     bool
	bare       bool // a frequency alone counts meals: every day, twice a month

	forms     []wish.Form
	formTexts map[wish.Form]string // how each was typed
	purposes  []wish.Form          // of forms said as a purpose: for drying
	subject   []Part               // foods, kinds and preparations, as they come
	season    wish.Season
	spanned   bool   // a season is said
	openEnd   string // the note that it has no end, where only its beginning is said
	// shelved is set where a form of what is put up is said for the rest of the year:
	// "then frozen", "frozen in winter".
	shelved bool

	priority wish.Priority
	stagger  wish.Stagger
	whom     *wish.Whom
	children bool // whom is the children: each, or all together
	meal     bool // the food was named as a dish: a salad

	ask   string   // what must be said first: how many, how often, when
	notes []string // what was taken for granted
}

// wrong is a refusal: which words, and what would be right, as a sentence.
type wrong struct{ word, sentence string }

func (w *wrong) Error() string { return w.sentence }

func refuse(word, format string, args ...any) error {
	return &wrong{word, fmt.Sprintf(format, args...)}
}

// gather reads what the parts of a line say. Each part that it does not understand is
// an error that names it.
func (r *reader) gather(parts []Part) (*said, error) {
	for _, p := range parts {
		if p.Unknown() {
			return nil, r.unknown(p.Text)
		}
	}
	s := &said{season: wish.Season{Kind: wish.AllYear}}
	for i := 0; i < len(parts); {
		used, err := r.take(s, parts, i)
		if err != nil {
			return nil, err
		}
		i += used
	}
	for _, p := range parts {
		if p.Slip != "" {
			s.note("“%s” is read as %s", p.Text, p.Slip)
		}
	}
	return s, nil
}

func (s *said) note(format string, args ...any) {
	if n := fmt.Sprintf(format, args...); !slices.Contains(s.notes, n) {
		s.notes = append(s.notes, n)
	}
}

// take reads the part at i, with those behind it that belong to it, and returns how
// many it took.
//
// One function, since each kind of phrase is one case.
func (r *reader) take(s *said, parts []Part, i int) (int, error) {
	p := parts[i]
	if used := r.sowings(s, parts[i:]); used > 0 {
		return used, nil
	}
	if used := s.every(parts[i:]); used > 0 {
		return used, nil
	}
	if used := r.months(s, parts[i:]); used > 0 {
		return used, nil
	}
	if used := s.size(parts[i:]); used > 0 {
		return used, nil
	}
	if used := s.forSome(parts[i:]); used > 0 {
		return used, nil
	}
	if p.Text == "each" && (i+1 < len(parts) && parts[i+1].Text == "of" || several(parts)) {
		return 1, nil // of each of some foods, not for each of the people
	}
	next := Part{}
	if i+1 < len(parts) {
		next = parts[i+1]
	}
	if p.Numeric {
		return s.number(p, next), nil
	}
	if p.Quiet {
		if (p.Text == "a" || p.Text == "an") && len(next.Words) > 0 && !s.counted() {
			if _, thing := next.Is(book.UnitWord); thing || next.subject() {
				s.quantities = append(s.quantities, quantity{number: 1, text: p.Text})
			}
		}
		return 1, nil
	}
	if _, made := p.Is(book.PreparationWord); made && !slices.ContainsFunc(parts, func(o Part) bool { return o.Text != p.Text && o.subject() }) {
		s.subject = append(s.subject, p) // "jam" is what is made, unless the berries are named
		return 1, nil
	}
	switch w := p.Words[0]; w.Kind {
	case book.NumberWord:
		return s.numberWord(p, w), nil
	case book.UnitWord:
		s.unit(p)
	case book.FrequencyWord:
		return s.frequency(parts[i:], w), nil
	case book.SeasonWord:
		r.seasonWord(s, w)
	case book.FormWord:
		s.form(p.Text, wish.Form(w.Means[0]), i > 0 && parts[i-1].Text == "then")
		if i+1 < len(parts) && p.Comma && wish.Form(w.Means[0]).PutUp() && next.season() {
			s.shelved = true
			return 2, nil
		}
	case book.EaterWord:
		s.eater(w)
	case book.PriorityWord:
		s.priority = wish.Priority(w.Means[0])
	case book.SowingsWord:
		if w.Means[0] == "early" {
			s.stagger.Early = true
		} else {
			s.stagger.Kind = wish.OneGo
		}
	default:
		s.meal = s.meal || strings.HasPrefix(w.Note, "a meal")
		s.subject = append(s.subject, p)
	}
	return 1, nil
}

// forSome reads for how many people it is: "for 4", "for four people".
func (s *said) forSome(parts []Part) int {
	if parts[0].Text != "for" || len(parts) < 2 {
		return 0
	}
	n, ok := parts[1].value()
	people := len(parts) > 2 && peopleWords[parts[2].Text]
	if !ok || n != float64(int(n)) || !people && len(parts) > 2 && !parts[2].Comma && !parts[2].Quiet {
		return 0
	}
	s.whom = &wish.Whom{People: int(n)}
	if people {
		return 3
	}
	return 2
}

var peopleWords = map[string]bool{"people": true, "persons": true, "adults": true, "mouths": true}

// several reports whether a line names several foods.
func several(parts []Part) bool {
	n := 0
	for _, p := range parts {
		if p.subject() {
			n++
		}
	}
	return n > 1
}

// subject reports whether a part names what is wished.
func (p Part) subject() bool {
	return slices.ContainsFunc(p.Words, func(w book.Word) bool {
		return w.Kind == book.FoodWord || w.Kind == book.KindWord || w.Kind == book.PreparationWord
	})
}

// season reports whether a part names a season of the year, or the rest of it.
func (p Part) season() bool {
	w, ok := p.Is(book.SeasonWord)
	return ok && (strings.HasPrefix(w.Means[0], "months:") || p.Text == "the rest of the year")
}

func (s *said) counted() bool { return len(s.quantities) > 0 || s.times > 0 }

// number reads a bare number, and the x behind it as times.
func (s *said) number(p, next Part) int {
	if next.Text == "x" && s.times == 0 {
		s.times = p.Number
		return 2
	}
	s.put(p.Number, p.Text)
	if p.Range {
		s.note("of %s the larger is taken", p.Text)
	}
	return 1
}

// put adds a number; behind another bare one it multiplies it where it is a dozen and
// the like, which numberWord does, and else stands for itself.
func (s *said) put(n float64, text string) {
	s.quantities = append(s.quantities, quantity{number: n, text: text})
}

// numberWord is one function, since each way of writing a number is one case.
func (s *said) numberWord(p Part, w book.Word) int {
	switch means := w.Means[0]; means {
	case "ask":
		s.ask = "how much"
	case "quiet":
	default:
		low, high, isRange := strings.Cut(means, "-")
		v, _ := strconv.ParseFloat(low, 64)
		if isRange {
			v, _ = strconv.ParseFloat(high, 64)
			s.note("of %s the larger is taken", p.Text)
		}
		last := len(s.quantities) - 1
		switch {
		case last >= 0 && s.quantities[last].unit == nil && (v == 12 || v == 20 || v == 100) && s.quantities[last].number < 20: // "3 dozen"
			s.quantities[last].number *= v
		case last >= 0 && s.quantities[last].unit == nil && v < 10 && tens(s.quantities[last]): // "thirty-five"
			s.quantities[last].number += v
		case v < 1 && last >= 0 && s.quantities[last].unit == nil && s.quantities[last].number == 1 && (s.quantities[last].text == "a" || s.quantities[last].text == "one"):
			s.quantities[last].number = v // "a half"
		default:
			s.put(v, p.Text)
		}
	}
	return 1
}

// tens reports whether a number was written as twenty, thirty and so on.
func tens(q quantity) bool { return strings.HasSuffix(q.text, "ty") && q.number >= 20 }

// size reads how large a container is: "20 x 500 ml", "two 5 gallon crocks".
func (s *said) size(parts []Part) int {
	last := len(s.quantities) - 1
	bare := last >= 0 && s.quantities[last].unit == nil
	k := 0
	if parts[0].Numeric && len(parts) > 3 && parts[1].Text == "x" && parts[2].Numeric {
		if l, ok := litres(parts[3]); ok {
			s.quantities = append(s.quantities, quantity{number: parts[0].Number, text: parts[0].Text, unit: jarWord, of: parts[2].Number * l})
			return 4 + container(parts[4:])
		}
	}
	if !bare || !parts[0].Numeric || len(parts) < 3 {
		return 0
	}
	l, ok := litres(parts[1])
	if k = container(parts[2:]); !ok || k == 0 {
		return 0
	}
	s.quantities[last].unit, s.quantities[last].of = jarWord, parts[0].Number*l
	return 2 + k
}

// container counts the parts that name what is filled.
func container(parts []Part) int {
	if len(parts) > 0 {
		if w, ok := parts[0].Is(book.UnitWord); ok && strings.HasPrefix(w.Means[0], "jar:") {
			return 1
		}
	}
	return 0
}

var jarWord = []book.Word{{Text: "jar", Kind: book.UnitWord, Means: []string{"jar:"}}}

// litres returns what a unit of volume holds.
func litres(p Part) (float64, bool) {
	w, ok := p.Is(book.UnitWord)
	if !ok {
		return 0, false
	}
	kind, v, _ := strings.Cut(w.Means[0], ":")
	n, err := strconv.ParseFloat(v, 64)
	return n, err == nil && (kind == "litre" || kind == "jar")
}

// unit gives the last number its unit.
func (s *said) unit(p Part) {
	last := len(s.quantities) - 1
	switch kind, _, _ := strings.Cut(p.Words[0].Means[0], ":"); {
	case last >= 0 && s.quantities[last].unit == nil:
		s.quantities[last].unit = p.Words
		s.quantities[last].text += " " + p.Text
	case kind == "jar" && last >= 0: // "quart jars": said already
	case kind == "share": // "half a bushel"
		s.quantities = append(s.quantities, quantity{number: 1, text: p.Text, unit: p.Words})
	case kind == "meal": // "for dinner"
	default:
		s.quantities = append(s.quantities, quantity{text: p.Text, unit: p.Words, missing: true})
	}
}

func (s *said) form(text string, f wish.Form, then bool) {
	if s.formTexts == nil {
		s.formTexts = map[wish.Form]string{}
	}
	s.formTexts[f] = text
	if strings.HasSuffix(text, "ing") || strings.HasPrefix(text, "to ") || strings.HasPrefix(text, "for ") {
		s.purposes = append(s.purposes, f)
	}
	if !slices.Contains(s.forms, f) {
		s.forms = append(s.forms, f)
	}
	s.shelved = s.shelved || then && f.PutUp()
}

// eater reads for whom it is.
func (s *said) eater(w book.Word) {
	kind, value, _ := strings.Cut(w.Means[0], ":")
	switch kind {
	case "per":
		s.whom = &wish.Whom{Per: wish.Per(value)}
		s.children = value == "child"
	case "people":
		if n, err := strconv.Atoi(value); err == nil {
			s.whom = &wish.Whom{People: n}
		}
	default:
		s.whom = &wish.Whom{Use: wish.Beside(kind)}
	}
}
