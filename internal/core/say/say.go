// Package say is the one place where what the core decided becomes English: reasons,
// refusals, warnings, remedies and what happened.
//
// The rooms of the core decide with facts: typed values, one type for each thing that
// can be said, or a Code where there are no values. A Note carries one fact; its sentence
// is made only when somebody reads it. Amounts within a sentence are marked
// (amount.Mark), so that amount.Render writes them in the reader's own units.
//
// Facts and notes are values and safe to share. The zero Note says nothing.
package say

import (
	"fmt"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// Fact is something that the core decided, with its values. Its String is its sentence,
// in English, without a full stop unless it is more than a clause.
type Fact interface{ String() string }

// Note is a fact that is told to somebody. In JSON it is its sentence.
type Note struct{ Fact Fact }

// That is the note of a fact; of nil it is the note that says nothing.
func That(f Fact) Note { return Note{f} }

// String is the sentence of the fact; empty where there is none.
func (n Note) String() string {
	if n.Fact == nil {
		return ""
	}
	return n.Fact.String()
}

// IsZero reports whether a note says nothing, so that JSON may leave it out.
func (n Note) IsZero() bool { return n.Fact == nil }

// MarshalText gives the sentence.
func (n Note) MarshalText() ([]byte, error) { return []byte(n.String()), nil }

// UnmarshalText reads a sentence back, as Words: its values are not known any more.
func (n *Note) UnmarshalText(text []byte) error {
	*n = Note{}
	if len(text) > 0 {
		n.Fact = Words(text)
	}
	return nil
}

// Words is a sentence that came in as words: from data, or read back from JSON.
type Words string

func (w Words) String() string { return string(w) }

// Code is a fact without values.
type Code string

// String is the sentence of a code.
func (c Code) String() string { return sentences[c] }

// lower writes the first letter of a name small, as within a sentence.
func lower(name string) string {
	if name == "" {
		return ""
	}
	return strings.ToLower(name[:1]) + name[1:]
}

// metres marks a length in metres, so that it is read in the reader's own units.
func metres(m float64) string { return amount.Mark(m, amount.Metre) }

// weeks writes so many weeks.
func weeks(n float64) string {
	if n == 1 {
		return "1 week"
	}
	return fmt.Sprintf("%.0f weeks", n)
}

// weeksFrom names weeks by their first days, with their verb: the week of 12 May is, the
// weeks of 12 May and 19 May are.
func weeksFrom(first []civil.Date) string {
	days := make([]string, len(first))
	for i, d := range first {
		days[i] = d.Short()
	}
	if len(days) == 1 {
		return "the week of " + days[0] + " is"
	}
	return "the weeks of " + strings.Join(days[:len(days)-1], ", ") + " and " + days[len(days)-1] + " are"
}

// list joins names as one says them; of many beds it says only how many.
func list(names []string) string {
	switch n := len(names); {
	case n == 0:
		return ""
	case n == 1:
		return names[0]
	case n > 4:
		return fmt.Sprintf("%d beds", n)
	default:
		return strings.Join(names[:n-1], ", ") + " and " + names[n-1]
	}
}

// join joins what several notes say, with commas.
func join(notes []Note) string {
	out := make([]string, len(notes))
	for i, n := range notes {
		out[i] = n.String()
	}
	return strings.Join(out, ", ")
}
