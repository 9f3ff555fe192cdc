package book

import (
	"strings"
	"unicode"
)

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

// Edits counts the letters to change, drop, put in or swap with a neighbour to get
// from one word to another (Damerau 1964, optimal string alignment).
func Edits(from, to string) int {
	a, b := []rune(from), []rune(to)
	two, one, row := make([]int, len(b)+1), make([]int, len(b)+1), make([]int, len(b)+1)
	for j := range row {
		row[j] = j
	}
	for i := range a {
		two, one, row = one, row, two
		row[0] = i + 1
		for j := range b {
			change := one[j]
			if a[i] != b[j] {
				change++
			}
			row[j+1] = min(change, one[j+1]+1, row[j]+1)
			if i > 0 && j > 0 && a[i] == b[j-1] && a[i-1] == b[j] {
				row[j+1] = min(row[j+1], two[j-1]+1)
			}
		}
	}
	return row[len(b)]
}
