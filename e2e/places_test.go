package e2e

import (
	"encoding/json"
	"os"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

func TestFromEmptyToAFirstRibbon(t *testing.T) {
	t.Parallel()
	a := start(t, "serve")
	p := a.open("/")
	p.begun("carrots 2x week")
	p.see(`.wish svg [data-source="fresh"]`)
	p.shows(".wish", "Carrot")
	if p.value(`[data-tally="plants"] .figure`) <= 0 {
		t.Error("no plants for the first wish")
	}
	a.restart()
	p = a.open("/sowings")
	p.shows("[data-sowing]", "Summer carrot")
}

func TestAMemberMoreEatsMore(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/house")
	eaters := `[data-figure="house/eaters"]`
	before := p.value(eaters)
	p.clickNamed(`[aria-label="Who eats here"] .link`, "Add a person")
	p.see(`[data-tally="plants"] .change`)
	if now := p.value(eaters); now < before+0.99 {
		t.Errorf("%g eaters after %g", now, before)
	}
	name := `[aria-label="Name of person 6"]`
	p.fill(name, "")
	p.shows(`[aria-label="Who eats here"] .wrong`, "a text of 1 to 60 characters")
	p.fill(name, "Aunt Sorrel")
	p.shows(".notice", "Changed Aunt Sorrel")
	p.click(`[aria-label="Remove Aunt Sorrel"]`)
	p.shows(".notice", "Removed Aunt Sorrel")
}

func TestThePlaceIsHeldAgainstItself(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house")
	p.fill(`[aria-label="Latitude"] `, "91")
	p.clickNamed("button", "Save")
	p.shows(`[aria-label="Location and climate"] .wrong`, "“91” does not work. Enter a number from -70 to 70")
	p.fill(`[aria-label="Latitude"]`, "47.5")
	p.fill(`[aria-label="Last spring frost, day"]`, "31")
	p.clickNamed("button", "Save")
	p.shows(`[aria-label="Location and climate"] .wrong`, "a day of the year such as 04-28")
	p.fill(`[aria-label="Last spring frost, day"]`, "20")
	p.clickNamed("button", "Save")
	p.shows(".notice", "Changed the place")
	p.press(input.Escape)
	p.must(p.Navigate(p.eval(`() => location.origin`) + "/sowings"))
	p.see("[data-sowing]")
	p.clickNamed(".because", "23 Mar|24 Mar|16 Mar")
	p.shows("[data-sowing] .more", "Earliest date")
	p.shows("[data-sowing] .more", "by the seed packet")
	if code, ics := a.get("/api/calendar?units=us"); code != 200 || !strings.Contains(ics, "BEGIN:VCALENDAR") || !strings.Contains(ics, "Sow indoors: ") {
		t.Errorf("the calendar: %d %.80q", code, ics)
	}
}

func TestSowingsShowAllCounts(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	line := `[data-sowing="27-w3-canned-1"]`
	for _, want := range []string{"Tomato, paste", "Tomato sauce, thick", "cells", "seeds; plant out", "60 × 90 cm, 2 rows", "5 May", "5 Aug – 3 Sep", "kg"} {
		p.shows(line, want)
	}
	p.click(line + ` [data-figure$="/cells"]`)
	p.shows(".drawer", "Cells where at least 1 of 2 seeds comes up")
	p.clickNamed(".only button", "sown in the bed")
	p.gone(line)
	p.fill(`[aria-label="Find a sowing"]`, "zzz")
	p.shows(".empty", "No sowing matches")
}

func TestSowingsOverTheYear(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	p.see("[data-sowing]")
	p.clickNamed(".choice button", "over the year")
	p.until("a bar for each sowing", `() => document.querySelectorAll('[data-bar]').length === Number(document.querySelector('[data-tally="sowings"] .figure').textContent.trim())`)
	// A sowing begins within the field of its crop, and is picked after it is planted.
	if wrong := p.eval(`() => [...document.querySelectorAll('[data-crop]')].flatMap(g => {
		const fields = [...g.querySelectorAll('.window')].map(w => w.getBoundingClientRect())
		return [...g.querySelectorAll('[data-bar]')].filter(b => {
			const first = b.querySelector('i').getBoundingClientRect()
			return fields.length && !fields.some(f => first.left >= f.left - 3 && first.left <= f.right + 3)
		}).map(b => b.dataset.bar)
	}).join()`); wrong != "" {
		t.Errorf("outside the field of their crop: %s", wrong)
	}
	p.click(`[data-crop="broccoli"] .name`)
	p.shows(`[data-crop="broccoli"] .why`, "Not later: ")
	p.fill(`[aria-label="Find a sowing"]`, "lettuce")
	p.until("one crop", `() => document.querySelectorAll('[data-crop]').length === 1`)
}

// controls lists what must be reached by the Tab key, as the page has it now.
const controls = `() => {
  const seen = e => e.getClientRects().length && getComputedStyle(e).visibility !== 'hidden'
  return [...document.querySelectorAll('a[href], button:not(:disabled), input:not(:disabled), select, textarea, summary, [tabindex="0"]')]
    .filter(e => seen(e) || e.type === 'checkbox').map((e, i) => { e.dataset.stop = i; return e }).length
}`

func TestEverythingIsReachedByKeyboardAlone(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.see(".welcome")
	p.must(p.see(`[aria-label="Adults"]`).Focus())
	p.press(input.Enter) // two adults, in the climate that is chosen
	p.see("[data-starter]")
	p.press('g', 't')
	p.see(".table")
	p.press('n')
	p.typed("carrots 2x week")
	p.press(input.Enter)
	p.see(`.wish svg [data-source="fresh"]`)
	for _, c := range []struct {
		keys []input.Key
		see  string
	}{{[]input.Key{'g', 's'}, ".sow-grid.line"}, {[]input.Key{'g', 'h'}, ".chart"}, {[]input.Key{'g', 't'}, ".wish"}} {
		p.press(input.Escape)
		p.press(c.keys...)
		p.see(c.see)
		p.until("no control out of reach", `() => { document.activeElement.blur(); return true }`)
		var stops int
		if err := json.Unmarshal([]byte(p.eval(controls)), &stops); err != nil {
			t.Fatal(err)
		}
		for range stops + 5 {
			p.press(input.Tab)
			p.eval(`() => { if (document.activeElement.dataset) document.activeElement.dataset.reached = '1' }`)
		}
		if missed := p.eval(`() => [...document.querySelectorAll('[data-stop]:not([data-reached])')].map(e => e.outerHTML.slice(0, 120)).join('\n')`); missed != "" {
			t.Errorf("%s: Tab never reaches\n%s", c.see, missed)
		}
	}
	p.press(input.Escape)
	p.eval(`() => document.activeElement.blur()`)
	p.press('n')
	p.typed("3 kg kale a year")
	p.press(input.Enter)
	p.shows(".ledger", "Kale")
	p.eval(`() => document.activeElement.blur()`)
	p.eval(`() => document.querySelector('.wish .title').focus()`)
	p.press('w')
	p.see(".drawer")
	p.press(input.Escape)
	p.gone(".drawer")
	p.press('u')
	p.shows(".notice", "Undid: added 3 kg a year")
	p.press('U')
	p.shows(".notice", "Redid")
	p.press('?')
	p.shows(".el-dialog", "show how the number in focus is worked out")
	p.press(input.Escape)
	p.until("the help gone", `() => ![...document.querySelectorAll('.el-dialog')].some(e => e.getClientRects().length)`)
	p.eval(`() => document.querySelector('.wish svg').focus()`)
	p.press(input.ArrowRight, input.ArrowRight)
	p.shows(".ribbon .caption", "week of 12 May")
}

// The first load stays small and comes from the binary alone. Sizes go to
// docs/benchmarks.md where INVENTORY_REPORT names a file.
func TestTheFirstLoad(t *testing.T) {
	p := start(t, "demo").open("/table")
	p.see(sauce)
	p.until("the fonts", `() => document.fonts.status === 'loaded'`)
	var sizes struct {
		Code, Fonts float64
		Foreign     []string
	}
	if err := json.Unmarshal([]byte(p.eval(`() => {
		const all = performance.getEntriesByType('resource')
		const sum = f => all.filter(f).reduce((n, e) => n + e.encodedBodySize, 0)
		return JSON.stringify({
			Code: sum(e => /\.(js|css)$/.test(e.name)),
			Fonts: sum(e => /\.woff2$/.test(e.name)),
			Foreign: all.map(e => e.name).filter(n => !n.startsWith(location.origin)),
		})
	}`)), &sizes); err != nil {
		t.Fatal(err)
	}
	if len(sizes.Foreign) > 0 {
		t.Errorf("the page asks elsewhere: %v", sizes.Foreign)
	}
	if sizes.Code < 50_000 || sizes.Code > 350_000 || sizes.Fonts < 10_000 {
		t.Errorf("script and style are %.0f bytes compressed, fonts %.0f", sizes.Code, sizes.Fonts)
	}
	if file := os.Getenv("INVENTORY_REPORT"); file != "" {
		text, err := json.Marshal(sizes)
		if err != nil {
			t.Fatal(err)
		}
		p.must(os.WriteFile(file, text, 0o600))
	}
}

func TestThePortInUseAndTheWrongDatabase(t *testing.T) {
	t.Parallel()
	addr := taken(t)
	for _, c := range [][]string{{"serve", "--db", t.TempDir() + "/a.db", "--addr", addr}, {"serve", "--db", "/etc/passwd"}} {
		out, err := binaryOutput(c...)
		if err == nil || !strings.Contains(out, "inventory: ") || !strings.Contains(out, "in use") && !strings.Contains(out, "not a database") {
			t.Errorf("%v: %v %q", c, err, out)
		}
	}
}
