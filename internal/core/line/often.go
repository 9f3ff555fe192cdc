package line

import (
	"fmt"
	"strconv"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// How often: meals and pieces by the week, and sowings one after another.

// frequency reads how often: "2x week", "three times a month", "on Sundays".
func (s *said) frequency(parts []Part, w book.Word) int {
	kind, value, _ := strings.Cut(w.Means[0], ":")
	v, _ := strconv.ParseFloat(value, 64)
	switch kind {
	case "weekday":
		n := 0
		for k, p := range parts {
			if o, ok := p.Is(book.FrequencyWord); ok && o.Means[0] == "weekday" {
				n = k + 1
				s.weekly++
			} else if !p.Quiet {
				break
			}
		}
		s.bare = true
		return n
	case "week":
		if s.weekly > 0 && v == 1 { // "every day of the week"
			break
		}
		s.weekly, s.bare = v, true
	case "times":
		s.times = v
	case "year":
		s.yearly = true
	default:
		s.ask = "how often"
	}
	if strings.HasPrefix(w.Note, "ask") || strings.Contains(w.Note, "; ask") || strings.HasPrefix(w.Note, "also") {
		s.note("“%s” is taken as %s", w.Text, oftenWords(v))
	}
	return 1
}

func oftenWords(perWeek float64) string {
	if perWeek < 1 {
		return fmt.Sprintf("once in %.4g weeks", 1/perWeek)
	}
	return fmt.Sprintf("%.4g times a week", perWeek)
}

// value returns the number that a part says, in figures or in words.
func (p Part) value() (float64, bool) {
	if p.Numeric {
		return p.Number, true
	}
	if w, ok := p.Is(book.NumberWord); ok {
		v, err := strconv.ParseFloat(w.Means[0], 64)
		return v, err == nil
	}
	return 0, false
}

// daysOf reads "2 weeks", "10 days" or "week" at k; it returns the days and the part
// behind them, 0 days where there is no such thing.
func daysOf(parts []Part, k int) (days, end int) {
	n := 1.0
	if k < len(parts) {
		if v, ok := parts[k].value(); ok {
			n = v
			k++
		}
	}
	if k >= len(parts) {
		return 0, k
	}
	switch strings.TrimSuffix(parts[k].Text, "s") {
	case "week", "wk":
		return int(7 * n), k + 1
	case "day":
		return int(n), k + 1
	case "fortnight":
		return 14, k + 1
	}
	return 0, k
}

// every reads "every 3 weeks", "every 10 days".
func (s *said) every(parts []Part) int {
	if parts[0].Text != "every" || len(parts) < 3 {
		return 0
	}
	days, end := daysOf(parts, 1)
	if days == 0 {
		return 0
	}
	s.weekly, s.bare = 7/float64(days), true
	return end
}

// sowings reads how sowings follow each other: "sow every 2 weeks", "3 sowings",
// "two sowings three weeks apart".
//
// One function, since each way of saying it is one case.
func (r *reader) sowings(s *said, parts []Part) int {
	text := func(k int) string {
		if k < len(parts) {
			return parts[k].Text
		}
		return ""
	}
	switch strings.TrimPrefix(text(0), "re") {
	case "sow", "sown", "sowing", "sowed", "plant", "planted":
		k := 1
		if w, ok := (Part{}), false; k < len(parts) {
			if w = parts[k]; len(w.Words) > 0 {
				if f, isF := w.Is(book.FrequencyWord); isF && strings.HasPrefix(f.Means[0], "week:") {
					if v, err := strconv.ParseFloat(f.Means[0][len("week:"):], 64); err == nil && v > 0 {
						s.stagger.Kind, s.stagger.Days, ok = wish.Every, int(7/v+0.5), true
					}
				}
			}
			if ok {
				return 2
			}
		}
		if text(k) == "every" {
			if d, end := daysOf(parts, k+1); d > 0 {
				s.stagger.Kind, s.stagger.Days = wish.Every, d
				return end
			}
		}
	}
	if n, ok := parts[0].value(); ok && (text(1) == "sowings" || text(1) == "sowing") {
		s.stagger.Kind, s.stagger.Sowings = wish.Times, int(n)
		if d, end := daysOf(parts, 2); d > 0 && text(end) == "apart" {
			s.stagger.Days = d
			return end + 1
		}
		return 2
	}
	return 0
}
