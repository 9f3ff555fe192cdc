package line

import (
	"fmt"
	"math"
	"strconv"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// The day on which the lines are read: a Wednesday.
var logDay = civil.Of(2027, 7, 14)

var logBeds = []string{"Mill bed", "Reed bed"}

// readLogLines returns the rows of testdata/log.csv by their lines: each line, and what a family
// means by it.
func readLogLines(t testing.TB) (out [][]asked) {
	for _, a := range readRows(t, "testdata/log.csv") {
		if a["entry"] == "1" {
			out = append(out, nil)
		}
		out[len(out)-1] = append(out[len(out)-1], a)
	}
	return out
}

// dayOf returns the day that a row means.
func dayOf(text string) civil.Date {
	switch {
	case text == "":
		return logDay
	case text == "last-saturday":
		return logDay - 4
	case strings.HasPrefix(text, "-") && len(text) == 2:
		return logDay - civil.Date(text[1]-'0')
	}
	m, d, _ := strings.Cut(text, "-")
	month, _ := strconv.Atoi(m)
	day, _ := strconv.Atoi(d)
	return civil.Of(2027, month, day)
}

// mislogged says how a line is read otherwise than its rows expect; nothing where it is so.
func mislogged(rows []asked, got []Logged, err error) string {
	switch act := rows[0]["act"]; {
	case act == "refuse":
		if err == nil {
			return fmt.Sprintf("understood: %+v", got)
		}
		word := strings.TrimPrefix(rows[0]["note"], "word=")
		if word == rows[0]["note"] {
			word = strings.TrimPrefix(rows[0]["which"], "word=")
		}
		if f := invalid.All(err)[0]; !strings.Contains(word, strings.TrimSpace(f.Value)) || f.Value == "" {
			return fmt.Sprintf("refused for %q, want %q", f.Value, word)
		}
		return ""
	case err != nil:
		return err.Error()
	case act == "ask":
		if len(got) == 0 || got[0].Ask == "" {
			return fmt.Sprintf("nothing is asked: %+v", got)
		}
		return ""
	case len(got) != len(rows):
		return fmt.Sprintf("%d things: %+v", len(got), got)
	}
	for i, a := range rows {
		if d := a.unlike(got[i]); d != "" {
			return fmt.Sprintf("%d: %s", i+1, d)
		}
	}
	return ""
}

// unlike says in what a thing read differs from a row.
func (a asked) unlike(l Logged) string {
	to := map[string]string{"storage": "store"}[string(l.To)]
	if to == "" {
		to = string(l.To)
	}
	for name, got := range map[string]string{
		"act": string(l.Act), "food": l.Food, "kind": l.Kind, "preparation": strings.Join(l.Preparations, "|"), "unit": l.Unit, "to": to, "which": l.Which,
	} {
		if got != a[name] {
			return fmt.Sprintf("%s %q, want %q", name, got, a[name])
		}
	}
	for name, got := range map[string]float64{"number": l.Number, "of": l.Of, "kg": l.Kg, "jar_l": l.Litre, "failed": float64(l.Failed)} {
		want := 0.0
		if a[name] != "" {
			want, _ = strconv.ParseFloat(a[name], 64)
		}
		if math.Abs(got-want) > 0.0006*math.Max(1, math.Abs(want)) {
			return fmt.Sprintf("%s %g, want %q", name, got, a[name])
		}
	}
	notes := a.notes()
	for name, got := range map[string]string{"reason": l.Reason, "what": l.What} {
		if want, there := notes[name]; there && want != got {
			return fmt.Sprintf("%s %q, want %q", name, got, want)
		}
	}
	if (notes["last"] == "yes") != l.Last {
		return fmt.Sprintf("last %v", l.Last)
	}
	if want := dayOf(a["day"]); l.Day != want {
		return fmt.Sprintf("on %s, want %s", l.Day, want)
	}
	return ""
}

func TestDaybookLinesAreReadAsFamiliesMeanThem(t *testing.T) {
	right, all := 0, readLogLines(t)
	for _, rows := range all {
		got, err := Log(rows[0]["line"], book.Usual(), logDay, logBeds)
		if d := mislogged(rows, got, err); d != "" {
			t.Logf("%s. %q: %s", rows[0]["line_no"], rows[0]["line"], d)
			continue
		}
		right++
	}
	t.Logf("%d of %d", right, len(all))
	if right < 82 {
		t.Errorf("%d of %d lines are read as they are meant, want all", right, len(all))
	}
}

// Lines beside those of the file: what they come to, in short.
func TestDaybookLinesInOtherWords(t *testing.T) {
	for text, want := range map[string]string{
		"12 kg of potatoes, 2 kg to the neighbour, 1 kg lost to rot": "harvest potato 12 kg; use potato 2 kg given; use potato 1 kg lost",
		"2 kg tomatoes and 1 kg beans to the freezer":                "harvest tomato 2 kg; harvest snap bean 1 kg; use snap bean 1 kg put-up",
		"3 bunches of kale":                     "harvest kale 3 bunch",
		"Picked 12 ears of corn.":               "harvest sweet corn 12 piece",
		"lifted the last potatoes 12 kg":        "harvest potato 12 kg",
		"took a jar of strawberry jam":          "draw strawberry 1 jar",
		"canned 7 quarts beans":                 "put-up snap bean 7 jar",
		"half the peas came up":                 "up shelling pea 0.5 share",
		"slugs got most of the lettuce":         "lost lettuce 0.8 share",
		"sowed the second beets":                "sown beet 1 share",
		"planted 30 potatoes on 3 april":        "planted potato 30 plant",
		"WEEDED REED BED":                       "done",
		"watered the tomatoes for 20 minutes":   "done tomato",
		"10 mm rain last night":                 "weather 10 mm",
		"6 quarts of beans left in the cellar":  "count snap bean 6 jar",
		"kale":                                  "harvest kale ask",
		"put up 7 jars":                         "put-up 7 jar ask",
		"eggs":                                  "refuse eggs",
		"weeded the moon":                       "refuse moon",
		"beans 1 kg on 31 february":             "refuse 31 february",
		"30 of 25 corn up":                      "refuse 30",
		"3 kg beans next week":                  "refuse next week",
		"":                                      "refuse",
		strings.Repeat("kg beans ", 40):         "refuse kg beans kg beans kg…",
		"tomatoes 1.2 kg cherry 0.4 unicorns 3": "refuse unicorns",
	} {
		got, err := Log(text, book.Usual(), logDay, logBeds)
		var said []string
		for _, l := range got {
			words := string(l.Act)
			if l.Food != "" {
				words += " " + l.Food
			}
			if l.Number != 0 {
				words += fmt.Sprintf(" %g %s", l.Number, l.Unit)
			}
			if l.To != "" {
				words += " " + string(l.To)
			}
			if l.Ask != "" {
				words += " ask"
			}
			said = append(said, words)
		}
		if err != nil {
			said = []string{strings.TrimSpace("refuse " + invalid.All(err)[0].Value)}
		}
		if was := strings.Join(said, "; "); was != want {
			t.Errorf("%q: %s, want %s", text, was, want)
		}
	}
}

// Whatever is typed is understood or refused in a sentence; what is understood is of the book, is
// no less than nothing and has happened.
func FuzzDaybookLine(f *testing.F) {
	for _, rows := range readLogLines(f) {
		f.Add(rows[0]["line"])
	}
	f.Fuzz(func(t *testing.T, text string) {
		got, err := Log(text, book.Usual(), logDay, logBeds)
		if err != nil {
			if fs := invalid.All(err); len(fs) != 1 || fs[0].Allowed == "" {
				t.Fatalf("%q: %v", text, err)
			}
			return
		}
		if len(got) == 0 {
			t.Fatalf("%q: neither understood nor refused", text)
		}
		for _, l := range got {
			behind := l.Act == LogSeen && l.Unit == "days"
			if l.Day > logDay || !behind && l.Number < 0 || l.Kg < 0 || l.Food != "" && book.Usual().Food(l.Food) == nil {
				t.Fatalf("%q: %+v", text, l)
			}
		}
	})
}
