package line

import (
	"encoding/csv"
	"fmt"
	"math"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/wish"
)

// The demo's place: frost to late April and from mid October.
var north = Where{LastFrost: 4, FirstFrost: 10}

// asked is one row of testdata/lines.csv: a line and what a family means by it.
type asked map[string]string

func readLines(t testing.TB) []asked { return readRows(t, "testdata/lines.csv") }

// readRows reads a file of lines, a row by its heads.
func readRows(t testing.TB, file string) (out []asked) {
	f, err := os.Open(file)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	for _, row := range rows[1:] {
		a := asked{}
		for i, head := range rows[0] {
			a[head] = row[i]
		}
		out = append(out, a)
	}
	return out
}

// notes returns the keys of a row's note.
func (a asked) notes() map[string]string {
	out := map[string]string{}
	for _, n := range strings.Split(a["note"], " ; ") {
		if k, v, ok := strings.Cut(strings.TrimSpace(n), "="); ok {
			out[k] = v
		} else if n != "" {
			out[strings.TrimSpace(n)] = ""
		}
	}
	return out
}

// misread says how a line is read otherwise than a row expects; nothing where it is
// read so.
func (a asked) misread(got []Reading, err error) string {
	notes := a.notes()
	if word, refused := notes["refuse"]; refused {
		fs := invalid.All(err)
		switch {
		case err == nil:
			return "understood as " + got[0].Words
		case strings.TrimSpace(word) == "" && fs[0].Value != "", !strings.Contains(fs[0].Value, strings.TrimSpace(word)):
			return fmt.Sprintf("refused for %q: %s", fs[0].Value, fs[0].Allowed)
		}
		return ""
	}
	if a["amount_kind"] == "" {
		if err == nil {
			return "understood as " + got[0].Words
		}
		if fs := invalid.All(err); !strings.Contains(fs[0].Allowed, "how much") && !strings.Contains(fs[0].Allowed, "not known") {
			return fs[0].Allowed
		}
		return ""
	}
	if err != nil {
		return err.Error()
	}
	return a.differs(got, notes)
}

func (a asked) differs(got []Reading, notes map[string]string) string {
	w := got[0].Wish
	offered := func(field string, of func(wish.Wish) string, also ...string) string {
		if a[field] == "" && field != "kind" {
			return ""
		}
		want := strings.Split(a[field], "|")
		for _, alternative := range want {
			if !slices.ContainsFunc(got, func(r Reading) bool { return of(r.Wish) == alternative || slices.Contains(also, of(r.Wish)) }) {
				return fmt.Sprintf("%s %q is not offered", field, alternative)
			}
		}
		for _, r := range got {
			if v := of(r.Wish); !slices.Contains(want, v) && !slices.Contains(also, v) && r.Wish.Amount.Kind == w.Amount.Kind {
				return fmt.Sprintf("%s %q is offered", field, v)
			}
		}
		return ""
	}
	forms := func(w wish.Wish) string {
		var out []string
		for _, f := range w.Forms {
			out = append(out, string(f))
		}
		return strings.Join(out, ";")
	}
	for _, d := range []string{
		offered("food", func(w wish.Wish) string { return w.Food }),
		offered("kind", func(w wish.Wish) string { return w.Variety }),
		offered("preparation", func(w wish.Wish) string { return strings.Join(w.Preparations, " ") }),
	} {
		if d != "" {
			return d
		}
	}
	if f := forms(w); !slices.Contains(strings.Split(a["forms"], "|"), f) && f != notes["or-forms"] {
		return "forms " + f
	}
	if d := a.amount(w.Amount, notes); d != "" {
		return d
	}
	if d := a.season(w.Season, notes); d != "" {
		return d
	}
	stagger := string(w.Stagger.Kind)
	switch w.Stagger.Kind {
	case wish.Every:
		stagger += fmt.Sprintf(":%d", w.Stagger.Days)
	case wish.Times:
		stagger += fmt.Sprintf(":%d", w.Stagger.Sowings)
	}
	if stagger != a["stagger"] {
		return "sown " + stagger
	}
	priority := notes["priority"]
	if priority == "" {
		priority = "want"
	}
	whom := w.For
	if whom == nil {
		whom = &wish.Whom{}
	}
	_, early := notes["early"]
	switch {
	case string(w.Priority) != priority:
		return "priority " + string(w.Priority)
	case strings.Split(notes["per"]+" ", " ")[0] != string(whom.Per):
		return "per " + string(whom.Per)
	case notes["use"] != string(whom.Use):
		return "for " + string(whom.Use)
	case notes["people"] != "" && notes["people"] != "all" && notes["people"] != fmt.Sprint(whom.People):
		return fmt.Sprintf("for %d", whom.People)
	case early != w.Stagger.Early:
		return "early row"
	}
	return ""
}

func (a asked) amount(got wish.Amount, notes map[string]string) string {
	number, _ := strconv.ParseFloat(a["number"], 64)
	kind := a["amount_kind"]
	if notes["pieces"] != "" && got.Kind == wish.PiecesYear {
		number, _ = strconv.ParseFloat(notes["pieces"], 64)
		kind = string(wish.PiecesYear)
	}
	if string(got.Kind) != kind || math.Abs(got.Number-number) > 0.005*number+0.0006 {
		return fmt.Sprintf("%g %s", got.Number, got.Kind)
	}
	jar, _ := strconv.ParseFloat(a["jar_l"], 64)
	if math.Abs(got.Jar-jar) > 0.001 {
		return fmt.Sprintf("jars of %g litres", got.Jar)
	}
	if portion, _ := strconv.ParseFloat(notes["portion"], 64); got.Portion != portion {
		return fmt.Sprintf("portions of %g g", got.Portion)
	}
	return ""
}

func (a asked) season(got wish.Season, notes map[string]string) string {
	said := func(s wish.Season) string {
		if s.Kind != wish.Months {
			return string(s.Kind)
		}
		out := fmt.Sprintf("%d-%d", s.From, s.To)
		for _, o := range s.Also {
			out += fmt.Sprintf("+%d-%d", o.From, o.To)
		}
		return out
	}
	want := string(wish.AllYear)
	switch {
	case a["season_from"] == "while":
		want = "while"
	case a["season_from"] != "":
		want = a["season_from"] + "-" + a["season_to"]
	}
	if two, ok := notes["two"]; ok {
		want += "+" + two
	}
	if is := said(got); is != want && is != notes["or-season"] {
		return "in " + is
	}
	return ""
}

// Of the lines that families write, so many are read as they mean them.
func TestLinesAreReadAsFamiliesMeanThem(t *testing.T) {
	const wanted = 205
	lines, right := readLines(t), 0
	for _, a := range lines {
		got, err := Wish(a["line"], book.Usual(), north)
		if d := a.misread(got, err); d != "" {
			t.Logf("%q: %s", a["line"], d)
			continue
		}
		right++
	}
	if t.Logf("%d of %d", right, len(lines)); right < wanted {
		t.Errorf("%d of %d lines are read as they are meant, want %d", right, len(lines), wanted)
	}
}
