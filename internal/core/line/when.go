package line

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// When in the year a wish holds: seasons by their names, months from and to.

// seasonWord reads a season of the year by its name.
func (r *reader) seasonWord(s *said, w book.Word) {
	means := w.Means[0]
	if r.at.South && w.South != "" {
		means = "months:" + w.South
	}
	kind, value, _ := strings.Cut(means, ":")
	switch kind {
	case "all-year":
		s.season, s.spanned = wish.Season{Kind: wish.AllYear}, true
	case "while":
		s.season, s.spanned = wish.Season{Kind: wish.While}, true
	case "purpose": // "for the winter": what a yearly amount is kept for
	case "months":
		s.span(value)
		if strings.HasPrefix(w.Note, "ask") {
			s.note("“%s” is taken as %s", w.Text, s.season.Months())
		}
	case "from":
		r.from(s, r.month(value))
	case "to":
		r.to(s, r.month(value), w.Text)
	default:
		if w.Text == "the rest of the year" {
			s.shelved = true
		} else {
			s.note("the months are not said: all year is taken; name them, such as “April to June”")
		}
	}
}

// span reads "6-8", or two of them joined by a plus.
func (s *said) span(value string) {
	season := wish.Season{Kind: wish.Months}
	for i, one := range strings.Split(value, "+") {
		a, b, _ := strings.Cut(one, "-")
		from, _ := strconv.Atoi(a)
		to, _ := strconv.Atoi(b)
		if i == 0 {
			season.From, season.To = from, to
		} else {
			season.Also = append(season.Also, wish.MonthRun{From: from, To: to})
		}
	}
	if s.spanned && s.season.Kind == wish.Months { // "in spring and in autumn"
		s.season.Also = append(append(s.season.Also, wish.MonthRun{From: season.From, To: season.To}), season.Also...)
		return
	}
	s.season, s.spanned = season, true
}

// month reads a month by its number, or that of the frost.
func (r *reader) month(value string) int {
	if value == "frost" {
		return r.at.FirstFrost
	}
	n, _ := strconv.Atoi(value)
	return n
}

// from begins a season that has no end: the year's is taken, and said.
func (r *reader) from(s *said, from int) {
	if from == 0 {
		s.note("there is no frost here: all year is taken")
		return
	}
	s.season, s.spanned = wish.Season{Kind: wish.Months, From: from, To: 12}, true
	s.openEnd = fmt.Sprintf("until when is not said: %s to December is taken", wish.MonthName(from))
	s.note("%s", s.openEnd)
}

// to ends a season that has no beginning: the first month of the growing season is
// taken, and said.
func (r *reader) to(s *said, to int, text string) {
	if to == 0 {
		s.note("there is no frost here: all year is taken")
		return
	}
	begin := r.at.LastFrost
	if begin == 0 {
		begin = to%12 + 1
	}
	if s.openEnd != "" { // "from March until the frost"
		begin = s.season.From
		s.notes = slices.DeleteFunc(s.notes, func(n string) bool { return n == s.openEnd })
	}
	s.season, s.spanned = wish.Season{Kind: wish.Months, From: begin, To: to}, true
	s.note("“%s” is taken as %s", text, s.season.Months())
}

// months reads months: one alone is that month, two are from and to, "from June on"
// is open.
//
// One function, since each way of saying a time is one case.
func (r *reader) months(s *said, parts []Part) int {
	month := func(k int) int {
		if k < len(parts) {
			if w, ok := parts[k].Is(MonthWord); ok {
				return int(w.Kg)
			}
		}
		return 0
	}
	text := func(k int) string {
		if k < len(parts) {
			return parts[k].Text
		}
		return ""
	}
	k, open, upTo := 0, false, false
	switch text(0) {
	case "from", "after", "starting", "since":
		open = true
		if k++; text(k) == "in" {
			k++
		}
	case "until", "till":
		upTo = true
		k++
	case "in", "between", "through":
		k++
	}
	first := month(k)
	if first == 0 {
		return 0
	}
	k++
	for j := k; j <= k+1; j++ {
		if second := month(j); second > 0 && (j == k || monthLink[text(k)]) {
			s.span(strconv.Itoa(first) + "-" + strconv.Itoa(second))
			return j + 1
		}
	}
	switch {
	case upTo:
		r.to(s, first, "until "+wish.MonthName(first))
	case text(k) == "on" || text(k) == "onwards" || text(k) == "onward":
		r.from(s, first)
		k++
	case open:
		r.from(s, first)
	default:
		s.span(strconv.Itoa(first) + "-" + strconv.Itoa(first))
	}
	return k
}

var monthLink = map[string]bool{"to": true, "till": true, "until": true, "thru": true, "through": true, "and": true, "or": true}
