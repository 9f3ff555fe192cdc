package e2e

import (
	"encoding/csv"
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
)

// modules opens an empty page with the built modules of the interface on it, as
// window.m. They are run as they are shipped, and need no page of the application.
func modules(t *testing.T) *page {
	t.Helper()
	dir := filepath.Join("..", "web", "modules")
	if _, err := os.Stat(filepath.Join(dir, "modules.js")); err != nil {
		t.Fatalf("the modules are not built: run make web/modules/modules.js (%v)", err)
	}
	mux := http.NewServeMux()
	mux.Handle("/modules.js", http.FileServer(http.Dir(dir)))
	mux.HandleFunc("/", func(w http.ResponseWriter, _ *http.Request) {
		_, _ = fmt.Fprint(w, `<!doctype html><script type="module">import * as m from '/modules.js'; window.m = m</script>`)
	})
	server := httptest.NewServer(mux)
	t.Cleanup(server.Close)
	p := (&app{t: t, url: server.URL}).open("/")
	p.until("the modules", `() => !!window.m`)
	return p
}

// units are all units as the reference tells them.
func units(t *testing.T, a *app) string {
	t.Helper()
	_, body := a.get("/api/reference")
	var r struct {
		Units json.RawMessage `json:"units"`
	}
	if err := json.Unmarshal([]byte(body), &r); err != nil {
		t.Fatal(err)
	}
	return string(r.Units)
}

// The core's test reads the same table, so numbers are written alike in both.
func TestNumbersAreWrittenAsTheCoreWritesThem(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	known := units(t, a)
	p := modules(t)
	file, err := os.Open(filepath.Join("..", "internal", "core", "amount", "testdata", "numbers.csv"))
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	rows, err := csv.NewReader(file).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	for _, row := range rows[1:] {
		v, err := strconv.ParseFloat(row[0], 64)
		if err != nil {
			t.Fatal(err)
		}
		got := p.eval(`(units, v, unit, system) => {
			const u = JSON.parse(units).find(u => u.unit === unit)
			return m.sayOf(v, u ? u[system] : { unit, factor: 1, offset: 0, decimals: 0 })
		}`, known, v, row[1], row[2])
		if got != row[3] {
			t.Errorf("%s %s in %s is %q, want %q", row[0], row[1], row[2], got, row[3])
		}
	}
}

func TestTypedNumbersAreRead(t *testing.T) {
	t.Parallel()
	p := modules(t)
	for text, want := range map[string]string{
		"2.5": "2.5", "2,5": "2.5", " 3 ": "3", "−4": "-4", ".5": "0.5", "1e3": "1000",
		"": "NaN", "two": "NaN", "1.2.3": "NaN", "5 kg": "NaN", "1,200.5": "NaN",
	} {
		if got := p.eval(`t => String(m.plainNumber(t))`, text); got != want {
			t.Errorf("%q is read as %s, want %s", text, got, want)
		}
	}
	// What a field shows is read as the same value, in every unit that converts.
	pounds := `{unit: 'lb', factor: 1 / 0.45359237, offset: 0, decimals: 1}`
	fahrenheit := `{unit: '°F', factor: 1.8, offset: 32, decimals: 0}`
	for _, unit := range []string{pounds, fahrenheit} {
		for _, v := range []string{"0", "1", "37.5", "-12.25", "1234.5"} {
			if got := p.eval(`(unit, v) => { const s = eval('(' + unit + ')'); return String(Math.abs(m.readOf(m.entryOf(Number(v), s), s) - Number(v)) < 0.005 * Math.max(1, Math.abs(v))) }`, unit, v); got != "true" {
				t.Errorf("%s in %s is not read as it was shown", v, unit)
			}
		}
	}
	// A ruler, a scale and a jar are read as people write them.
	for text, want := range map[string]string{
		"4 ft 6 in|feet": "4.5", "4' 6\"|feet": "4.5", "6 in|feet": "0.5", "3.5|feet": "3.5", "1 1/2|inches": "1.5", "1½|inches": "1.5", "3/4 in|inches": "0.75",
		"2 lb 4 oz|pounds": "2.25", "8 oz|pounds": "0.5", "1.5|pounds": "1.5", "2 gal|quarts": "8", "1 pint|quarts": "0.5", "3 cups|quarts": "0.75",
		"4 kg|pounds": "NaN", "a few|feet": "NaN", "1/0|inches": "NaN", "|feet": "NaN",
	} {
		typed, style, _ := strings.Cut(text, "|")
		if got := p.eval(`(t, style) => String(m.readOf(t, {unit: '', factor: 1, offset: 0, decimals: 1, style}))`, typed, style); got != want {
			t.Errorf("%q in %s is read as %s, want %s", typed, style, got, want)
		}
	}
	if got := p.eval(`() => m.preciseOf(123.456789, {unit: 'kg', factor: 1, offset: 0, decimals: 1}).number + ' ' + m.preciseOf(1234567.8, {unit: '', factor: 1, offset: 0, decimals: 0}).number`); got != "123.46 1\u2009234\u2009568" {
		t.Errorf("five figures are %q", got)
	}
}

// A day is read as people say it; one without a year is the nearest.
func TestTypedDaysAreRead(t *testing.T) {
	t.Parallel()
	p := modules(t)
	for text, want := range map[string]string{
		"15 Jul 2027": "2027-07-15", "15 jul": "2027-07-15", "July 15": "2027-07-15", "jul 15, 2026": "2026-07-15", "3rd June": "2027-06-03", "1. Aug.": "2027-08-01",
		"2 jan": "2028-01-02", "2027-06-01": "2027-06-01", "2027-6-1": "2027-06-01", "today": "2027-10-20", "Yesterday": "2027-10-19", "tomorrow": "2027-10-21",
		"31 Feb": "", "32 May": "", "29 Feb 2028": "2028-02-29", "29 Feb 2027": "", "soon": "", "": "", "5": "", "7/15": "", "15 ju": "", "0 May": "", "2027-13-01": "",
	} {
		if got := p.eval(`t => m.readDay(t, '2027-10-20', '2027-10-20')`, text); got != want {
			t.Errorf("%q is read as %q, want %q", text, got, want)
		}
	}
}

// draft is what the editor of a wish knows beside the wish, with metric units.
const draft = `const facts = {
	unitOf: kind => ({'kg-year': 'kg', 'kg-week': 'kg', volume: 'L'})[kind] ?? '',
	formOf: id => ref.preparations.find(p => p.id === id)?.form,
	entry: (v, unit) => m.entryOf(v, {unit, factor: 1, offset: 0, decimals: 0}),
	read: (t, unit) => m.readOf(t, {unit, factor: 1, offset: 0, decimals: 0}),
}
const kind = k => ref.amount_kinds.find(x => x.kind === k)
const chosenOf = w => ({
	unit: facts.unitOf(w.amount.kind), weekly: !!kind(w.amount.kind).weekly, unweighed: kind(w.amount.kind).counts === 'plants',
	putUp: ['volume', 'dried'].includes(kind(w.amount.kind).counts), onePiece: true, possible: ref.forms.map(f => f.form),
});`

// Opening the editor of a wish and saving it again changes nothing of it.
func TestAWishComesOutOfItsFieldsAsItWentIn(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	_, state := a.get("/api/state")
	_, reference := a.get("/api/reference")
	p := modules(t)
	if got := p.eval(`(state, reference) => {
		const ref = JSON.parse(reference)
		`+draft+`
		// Fields that are not said are those that say nothing.
		const plain = w => JSON.stringify(w, (k, v) => v === '' || v === 0 || v === false || v === null || (Array.isArray(v) && !v.length) ? undefined : v && typeof v === 'object' && !Array.isArray(v) ? Object.fromEntries(Object.entries(v).sort()) : v)
		return JSON.parse(state).household.wishes.flatMap(w => {
			const { wish, wrong } = m.wishOf(m.fieldsOf(w, facts), w, chosenOf(w), facts)
			// Days between sowings are kept only where they are asked for.
			const want = { ...w, stagger: { ...w.stagger, days: ['every', 'times'].includes(w.stagger.kind) ? w.stagger.days : 0 } }
			return plain(wish) === plain(want) && !Object.keys(wrong).length ? [] : [plain(want) + ' became ' + plain(wish)]
		}).join('\n')
	}`, state, reference); got != "" {
		t.Error(got)
	}
}

func TestTheFieldsOfAWishSayIt(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	_, reference := a.get("/api/reference")
	p := modules(t)
	const carrots = `{id: 'w1', food: 'carrot', forms: ['fresh', 'cellar'], amount: {kind: 'meals', number: 2}, season: {kind: 'all-year'}, priority: 'must', stagger: {kind: 'need'}}`
	cases := []struct{ name, change, read, want string }{
		{"a number", `f.number = '3,5'`, `w.amount.number`, `3.5`},
		{"no number", `f.number = 'some'`, `e['amount.number']`, `"“some” is not a number. Enter one, such as 26."`},
		{"an empty number", `f.number = ' '`, `e['amount.number']`, `"Enter a number."`},
		{"a portion", `f.portion = '120'`, `w.amount.portion`, `120`},
		{"months", `f.seasonKind = 'months'; f.from = 5; f.to = 9; f.also = [{from: 11, to: 12}]`, `w.season`, `{"kind":"months","from":5,"to":9,"also":[{"from":11,"to":12}]}`},
		{"for some", `f.whom = 'people'; f.people = '3'`, `w.for`, `{"people":3}`},
		{"for each child", `f.whom = 'child'`, `w.for`, `{"per":"child"}`},
		{"for the animals", `f.whom = 'animals'`, `w.for`, `{"use":"animals"}`},
		{"a cover while it helps", `f.cover = 'fleece'; f.lies = ''`, `w.cover`, `"fleece"`},
		{"a cover until picking", `f.cover = 'fleece'; f.lies = 'until picking'`, `w.cover`, `"fleece until picking"`},
		{"a cover from day to day", `f.cover = 'tunnel'; f.lies = 'days'; f.coverFrom = '03-10'; f.coverTo = '05-20'`, `w.cover`, `"tunnel 03-10 to 05-20"`},
		{"every ten days", `f.stagger = 'every'; f.days = '10'`, `w.stagger.days`, `10`},
		{"every, with no days", `f.stagger = 'every'; f.days = ''`, `e['stagger.days']`, `"Enter a number."`},
		{"… times a year, spread evenly", `f.stagger = 'times'; f.days = ''; f.sowings = '4'`, `[w.stagger.days, w.stagger.sowings]`, `[0,4]`},
		{"an early row only as often as needed for no gaps", `f.early = true; f.stagger = 'once'`, `w.stagger.early`, `false`},
		{"a form that the food has not", `f.forms = ['fresh', 'juiced']; c.possible = ['fresh']`, `w.forms`, `["fresh"]`},
		{"one form of plants that are counted", `c.unweighed = true; c.possible = ['fresh', 'cellar']`, `w.forms`, `["fresh"]`},
		{"no form of plants that feed nobody", `c.unweighed = true; f.forms = []`, `w.forms`, `[]`},
		{"a size", `f.piece = '400'`, `w.piece`, `400`},
		{"a size where one is not counted", `f.piece = '400'; c.onePiece = false`, `w.piece`, `0`},
		{"how surely", `f.confidence = '0.9'`, `w.confidence`, `0.9`},
		{"a story that ran out", `c.weekly = false; f.storied = true; f.had = '40'; f.ranOut = '02-15'; f.began = '10-01'; f.given = '2'`, `w.story`, `{"had":40,"from":"10-01","ran_out":"02-15","given":2}`},
		{"a story that lasted", `c.weekly = false; f.storied = true; f.had = '40'; f.leftThen = '6'`, `w.story`, `{"had":40,"left":6}`},
		{"no story by the week", `f.storied = true; f.had = '40'`, `w.story ?? null`, `null`},
	}
	for _, c := range cases {
		got := p.eval(fmt.Sprintf(`reference => {
			const ref = JSON.parse(reference)
			%s
			const was = %s
			const f = m.fieldsOf(was, facts), c = chosenOf(was)
			%s
			const { wish: w, wrong: e } = m.wishOf(f, was, c, facts)
			return JSON.stringify(%s)
		}`, draft, carrots, c.change, c.read), reference)
		if got != c.want {
			t.Errorf("%s: %s, want %s", c.name, got, c.want)
		}
	}
}

// The answer to an edit tells what has changed; put together it is the whole state, and
// what is the same keeps its identity.
func TestPartsPutTogetherAreTheWholeState(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	_, before := a.get("/api/state")
	p := a.open("/table")
	p.see(sauce)
	p.fill(amountOf("w3"), "30")
	p.shows(".notice", "Changed 30 quart jars")
	var was struct {
		Revision int `json:"revision"`
	}
	if err := json.Unmarshal([]byte(before), &was); err != nil {
		t.Fatal(err)
	}
	_, parts := a.get(fmt.Sprintf("/api/state?since=%d", was.Revision))
	_, after := a.get("/api/state")
	if !strings.Contains(parts, `"parts"`) || len(parts) > len(after)/2 {
		t.Fatalf("the answer since %d has %d bytes, the whole %d", was.Revision, len(parts), len(after))
	}
	m := modules(t)
	if got := m.eval(`(before, parts, after) => {
		const was = JSON.parse(before), now = m.merged(was, JSON.parse(parts)), want = JSON.parse(after)
		const sorted = x => JSON.stringify(x, (k, v) => v && typeof v === 'object' && !Array.isArray(v) ? Object.fromEntries(Object.entries(v).sort()) : v)
		for (const of of ['household', 'plan']) for (const key of Object.keys(want[of]))
			if (sorted(now[of][key]) !== sorted(want[of][key])) return of + '.' + key + ' differs'
		const same = now.plan.sowings.filter(s => was.plan.sowings.includes(s)).length
		if (same < now.plan.sowings.length / 2) return 'only ' + same + ' sowings are the same'
		const other = JSON.parse(parts)
		other.from++
		return m.merged(was, other) === undefined ? '' : 'parts of another revision were taken'
	}`, before, parts, after); got != "" {
		t.Error(got)
	}
}

// The dots of a piece stand as far apart as the plants do, within the bed.
func TestPlantsAreDrawnAsTheyStand(t *testing.T) {
	t.Parallel()
	p := modules(t)
	cases := []struct {
		name, piece, bed   string
		id                 string
		wide, high, fw, fh float64
	}{
		{"three rows along", `{across: false, line: 0.3, plant: 0.1, lines: 3, length: 2}`, `{width: 1.2, length: 8, turned: false}`, "along", 0.1, 0.3, 2, 0.9},
		{"rows across", `{across: true, line: 0.4, plant: 0.3, lines: 9, length: 2}`, `{width: 1.2, length: 8, turned: false}`, "across", 0.4, 0.3, 2, 1.2},
		{"a turned bed", `{across: false, line: 0.3, plant: 0.1, lines: 3, length: 2}`, `{width: 1.2, length: 8, turned: true}`, "crosswise", 0.3, 0.1, 0.9, 2},
		{"shifted rows", `{across: false, line: 0.3, plant: 0.3, lines: 2, length: 2, shifted: true}`, `{width: 1.2, length: 8, turned: false}`, "shifted", 0.3, 0.6, 2, 0.6},
	}
	for _, c := range cases {
		got := p.eval(fmt.Sprintf(`() => { const s = m.spots(%s, %s, '%s'); return [s.pw, s.ph, s.fw, s.fh].map(v => v.toFixed(3)).join(' ') + ' ' + s.dots.length }`, c.piece, c.bed, c.id))
		dots := 1
		if c.id == "shifted" {
			dots = 2
		}
		if want := fmt.Sprintf("%.3f %.3f %.3f %.3f %d", c.wide, c.high, c.fw, c.fh, dots); got != want {
			t.Errorf("%s: %s, want %s", c.name, got, want)
		}
	}
}

func TestDaysAreDrawnInTheirPlace(t *testing.T) {
	t.Parallel()
	p := modules(t)
	if got := p.eval(`() => {
		const s = m.timeScale(m.dayNumber('2027-01-01'), m.dayNumber('2027-12-31') + 1, 365)
		return [s.x('2027-01-01'), s.x('2027-03-01'), s.x('2026-05-01'), s.x('2028-05-01'), s.dayAt(59) === m.dayNumber('2027-03-01'),
			s.span('2027-03-01', '2027-03-01', 2), s.months().length, s.months()[0].name + s.months()[0].year, s.months(40).length].join(' ')
	}`); got != "0 59 0 365 true 2 12 Jan2027 11" {
		t.Errorf("drawn at %s", got)
	}
	if got := p.eval(`() => m.firstRows([{title: 'a', rows: [1, 2, 3]}, {title: 'b', rows: [4, 5]}, {title: 'c', rows: [6]}], 4).map(g => g.title + g.rows.length).join(' ')`); got != "a3 b1" {
		t.Errorf("the first four rows are %s", got)
	}
	if got := p.eval(`() => m.coverSaid('fleece 03-01 to 05-15') + ' · ' + m.coverSaid('net') + ' · ' + m.fullDay('2027-04-08') + ' · ' + m.weekday('2027-04-08')`); got != "fleece from 1 Mar to 15 May · net · 8 Apr 2027 · Thursday" {
		t.Errorf("said as %s", got)
	}
}
