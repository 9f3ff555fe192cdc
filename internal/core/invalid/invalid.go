// Package invalid describes input errors: the field, its value and what is allowed. Every
// room of the core reports mistakes with it, so that an interface can put the message at the
// field.
package invalid

import (
	"errors"
	"fmt"
	"math"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"
)

// Field is one value that does not work.
type Field struct {
	// Field is the path of the value, such as "wishes[3].amount.number".
	Field string
	// Value is what was given, as text.
	Value string
	// Allowed says what would be right: a whole sentence that begins with a capital letter, or
	// what one is to enter, such as "a day such as 2027-04-28".
	Allowed string
	// OfBook tells that the value could stand with another crop book: it names a
	// crop, a food or a preparation, or what only some of them have.
	OfBook bool
}

// Advice returns what would be right as a whole sentence.
func (f *Field) Advice() string {
	advice := f.Allowed
	if first, _ := utf8.DecodeRuneInString(advice); !unicode.IsUpper(first) {
		advice = "Enter " + advice
	}
	if strings.HasSuffix(advice, ".") || strings.HasSuffix(advice, "?") {
		return advice
	}
	return advice + "."
}

// Error returns the field, the value and what would be right, for the command line.
func (f *Field) Error() string {
	if f.Value == "" {
		return fmt.Sprintf("%s: %s", f.Field, f.Advice())
	}
	return fmt.Sprintf("%s: “%s” does not work. %s", f.Field, f.Value, f.Advice())
}

// Fields are several mistakes found in one look, in the order of the document.
type Fields []*Field

// Error joins the mistakes, one to a line.
func (fs Fields) Error() string {
	parts := make([]string, len(fs))
	for i, f := range fs {
		parts[i] = f.Error()
	}
	return strings.Join(parts, "\n")
}

// All returns the field mistakes inside err, or nil when it holds none.
func All(err error) Fields {
	var fs Fields
	if errors.As(err, &fs) {
		return fs
	}
	var f *Field
	if errors.As(err, &f) {
		return Fields{f}
	}
	return nil
}

// Check gathers mistakes under a path.
type Check struct {
	path   string
	found  *Fields
	ofBook bool
}

// NewCheck starts a look at a document.
func NewCheck() Check { return Check{found: &Fields{}} }

// At looks at a part of the document: a field's name or, for lists, "name[i]".
func (c Check) At(name string) Check {
	if c.path != "" {
		name = c.path + "." + name
	}
	return Check{path: name, found: c.found, ofBook: c.ofBook}
}

// OfBook looks at what hangs on the crop book.
func (c Check) OfBook() Check {
	c.ofBook = true
	return c
}

// Index looks at element i of a list.
func (c Check) Index(name string, i int) Check { return c.At(Element(name, i)) }

// Element names element i of a list.
func Element(name string, i int) string { return name + "[" + strconv.Itoa(i) + "]" }

// Add notes a mistake at a field of the part looked at.
func (c Check) Add(field, value, allowed string) {
	*c.found = append(*c.found, &Field{Field: c.At(field).path, Value: value, Allowed: allowed, OfBook: c.ofBook})
}

// Number demands a finite number from least to most.
func (c Check) Number(field string, value, least, most float64) {
	if math.IsNaN(value) || value < least || value > most {
		c.Add(field, FormatNumber(value), fmt.Sprintf("a number from %s to %s", FormatNumber(least), FormatNumber(most)))
	}
}

// Positive demands a finite number above zero and at most most.
func (c Check) Positive(field string, value, most float64) {
	if math.IsNaN(value) || value <= 0 || value > most {
		c.Add(field, FormatNumber(value), fmt.Sprintf("a number above 0, at most %s", FormatNumber(most)))
	}
}

// Text demands a text that is not blank and at most most characters long.
func (c Check) Text(field, value string, most int) {
	switch n := len([]rune(strings.TrimSpace(value))); {
	case n == 0:
		c.Add(field, "", fmt.Sprintf("a text of 1 to %d characters", most))
	case n > most:
		c.Add(field, string([]rune(value)[:20])+"…", fmt.Sprintf("a text of 1 to %d characters", most))
	}
}

// OneOf demands one of the given words.
func (c Check) OneOf(field, value string, words ...string) {
	for _, w := range words {
		if w == value {
			return
		}
	}
	c.Add(field, value, "one of "+strings.Join(words, ", "))
}

// Err returns what was found, or nil.
func (c Check) Err() error {
	if len(*c.found) == 0 {
		return nil
	}
	return *c.found
}

// FormatNumber writes a number without needless digits.
func FormatNumber(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }
