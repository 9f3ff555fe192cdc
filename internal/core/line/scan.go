// Package line reads a line of text as a household would write it on a list: a wish
// ("35 qt tomato sauce", "carrots twice a week"). It takes the line apart by the words
// of the crop book, the longest first, and never passes over a word that it does not
// know. The same parts serve whatever else is written as a line.
package line

import (
	"strings"
	"unicode"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
)

// Longest bounds what is read as one line, in characters.
const Longest = 200

// Part is a run of words of a line that is understood together, or a number, or a
// word that is not understood.
type Part struct {
	Text  string      // as it was typed, in lower case
	Words []book.Word // what it may stand for; all of them are of one length
	// Number is set where the part is a number; Most where it is a range (two or
	// three), of which Number is the larger.
	Number  float64
	Numeric bool
	Range   bool
	Slip    string // the word of the book that a slip of the pen was read as
	Quiet   bool   // it says nothing of its own
	Comma   bool   // a comma stands before it
}

// Unknown reports whether nothing is known of the part.
func (p Part) Unknown() bool { return len(p.Words) == 0 && !p.Numeric && !p.Quiet }

// Is returns the first word of a kind that the part may stand for.
func (p Part) Is(kind book.WordKind) (book.Word, bool) {
	for _, w := range p.Words {
		if w.Kind == kind {
			return w, true
		}
	}
	return book.Word{}, false
}

// token is a word, a number or a sign.
type token struct {
	text    string
	number  float64
	numeric bool
	comma   bool // before it
	joined  bool // it follows without a space
}

// tokens takes a line apart into words and numbers.
//
// One function, since it is the one pass over the characters of a line.
func tokens(line string) (out []token) {
	runes := []rune(strings.ToLower(line))
	comma, joined := false, false
	add := func(t token) {
		t.comma, t.joined = comma, joined
		out = append(out, t)
		comma, joined = false, true
	}
	for i := 0; i < len(runes); {
		r := runes[i]
		next := func(k int) rune {
			if i+k < len(runes) {
				return runes[i+k]
			}
			return ' '
		}
		switch {
		case numeral(r):
			j := i
			for j < len(runes) && (numeral(runes[j]) || strings.ContainsRune(".,/", runes[j]) && j+1 < len(runes) && unicode.IsDigit(runes[j+1])) {
				j++
			}
			text := string(runes[i:j])
			v, ok := amount.ParseNumber(text)
			if !ok { // "1/2/3"
				add(token{text: text})
			} else if last := len(out) - 1; v < 1 && v > 0 && last >= 0 && out[last].numeric && !comma && strings.ContainsAny(text, "/½¼¾⅓⅔⅛") && out[last].number == float64(int(out[last].number)) {
				out[last].number += v // "1 1/2"
				out[last].text += " " + text
			} else {
				add(token{text: text, number: v, numeric: true})
			}
			i = j
		case unicode.IsLetter(r) || r == '²':
			j := i
			for j < len(runes) && (unicode.IsLetter(runes[j]) || unicode.IsDigit(runes[j]) || runes[j] == '²' || runes[j] == '\'' || runes[j] == '’') {
				j++
			}
			word := strings.TrimRight(strings.ReplaceAll(string(runes[i:j]), "’", "'"), "'")
			if word == "plus" {
				word = "and"
			}
			add(token{text: word})
			i = j
		case r == '/' && unicode.IsLetter(next(1)):
			j := i + 1
			for j < len(runes) && unicode.IsLetter(runes[j]) {
				j++
			}
			add(token{text: string(runes[i:j])})
			i = j
		case (r == '-' || r == '−') && numeral(next(1)) && !joined:
			j := i + 1
			for j < len(runes) && numeral(runes[j]) {
				j++
			}
			add(token{text: "-" + string(runes[i+1:j])})
			i = j
		case (r == '-' || r == '–') && numeral(next(1)) && joined && out[len(out)-1].numeric:
			add(token{text: "-"})
			i++
		case r == '×':
			add(token{text: "x"})
			i++
		case r == '&' || r == '+':
			add(token{text: "and"})
			i++
		case strings.ContainsRune(",;:!?()\"", r):
			comma, joined = true, false
			i++
		case unicode.IsSpace(r) || strings.ContainsRune(".-–—/~'’“”*", r):
			joined = false
			i++
		default: // a sign that nobody writes on a list
			add(token{text: string(r)})
			i++
		}
	}
	return out
}

func numeral(r rune) bool { return r >= '0' && r <= '9' || strings.ContainsRune("½¼¾⅓⅔⅛", r) }

// Scan takes a line apart by the words of the book.
func Scan(line string, lex *Lexicon) (parts []Part) {
	ts := tokens(line)
	for i := 0; i < len(ts); {
		p, used := lex.longest(ts[i:])
		if used == 0 {
			p, used = number(ts[i:])
		}
		if used == 0 {
			p, used = lex.single(ts[i].text), 1
		}
		p.Comma = ts[i].comma
		parts = append(parts, p)
		i += used
	}
	return parts
}

// number reads a number, or a range of which the larger end counts.
func number(ts []token) (Part, int) {
	if !ts[0].numeric {
		return Part{}, 0
	}
	p := Part{Text: ts[0].text, Number: ts[0].number, Numeric: true}
	if len(ts) > 2 && (ts[1].text == "-" || ts[1].text == "to" || ts[1].text == "or") && ts[2].numeric && ts[2].number > ts[0].number {
		return Part{Text: ts[0].text + "–" + ts[2].text, Number: ts[2].number, Numeric: true, Range: true}, 3
	}
	return p, 1
}

// join puts the texts of tokens together again.
func join(ts []token) string {
	texts := make([]string, len(ts))
	for i, t := range ts {
		texts[i] = t.text
	}
	return strings.Join(texts, " ")
}
