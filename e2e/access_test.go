package e2e

import (
	"fmt"
	"os"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// places are the pages that everybody comes to, with what is on each once it is there.
var places = []struct{ path, see string }{
	{"/table", ".wish"}, {"/year", ".ledger"}, {"/year/20", ".side"}, {"/sowings", "[data-sowing]"}, {"/ground", "[data-plot-bed], .one .strip"}, {"/ground/year", "[data-band]"},
	{"/ground/beds", "[data-bed]"}, {"/ground/care", ".care"}, {"/daybook", ".daybook"}, {"/daybook/record", ".record"}, {"/daybook/weigh", ".weigh"},
	{"/shelves", ".shelves"}, {"/ask", "[data-question]"}, {"/house", ".chart"}, {"/house/book", "[data-book]"}, {"/begin", "[data-starter]"},
	{"/daybook/work?crop=tomato-paste", "[data-step]"}, {"/paper", "dl"}, {"/paper/week", ".card h3"}, {"/paper/picking", ".paper h3"}, {"/paper/care", ".paper h2"}, {"/paper/shopping", ".paper td"},
	{"/year-end", "[data-year-of]"}, {"/year-end/years", ".years h2"}, {"/house/learned", ".learned h2"},
}

// dark shows pages to a browser that prefers them dark.
func (p *page) dark() {
	p.must(proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-color-scheme", Value: "dark"}}}.Call(p))
}

// On a phone no place is wider than the screen, all places are in the bar at its foot, and undo is too.
func TestNothingIsWiderThanAPhone(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table", 390, 844)
	for _, place := range places {
		p.must(p.Navigate(strings.TrimSuffix(p.eval(`() => location.origin`), "/") + place.path))
		p.see(place.see)
		p.until("fonts", `() => document.fonts.status === 'loaded'`)
		if wide := p.eval(`() => Math.max(document.documentElement.scrollWidth, document.body.scrollWidth)`); wide != "390" {
			which := p.eval(`() => [...document.querySelectorAll('body *')].filter(e => { const r = e.getBoundingClientRect(); let a = e; while (a = a.parentElement) if (getComputedStyle(a).overflowX !== 'visible') return false; return r.width && r.right > 391 }).slice(0, 4).map(e => e.tagName + '.' + e.className + ' ' + Math.round(e.getBoundingClientRect().right)).join('; ')`)
			t.Errorf("%s is %s px wide: %s", place.path, wide, which)
		}
		if bar := p.eval(`() => [...document.querySelectorAll('.spine li')].filter(e => { const r = e.getBoundingClientRect(); return r.height >= 43.5 && r.left >= 0 && r.right <= 390 && r.bottom <= 844 }).length`); bar != "11" {
			t.Errorf("%s: %s places and steps are in reach, want 9 places, undo and redo", place.path, bar)
		}
	}
}

// Inventory can be read aloud and seen by everybody: axe finds nothing against it, in any place, light and dark, on a
// desk and on a phone.
func TestAxeFindsNothing(t *testing.T) {
	t.Parallel()
	axe, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	if err != nil {
		t.Fatal(err)
	}
	for name, size := range map[string][]int{"desk": {1280, 800}, "phone": {390, 844}} {
		for _, dark := range []bool{false, true} {
			t.Run(fmt.Sprint(name, " dark ", dark), func(t *testing.T) {
				t.Parallel()
				a := start(t, "demo")
				for _, place := range places {
					p := a.open(place.path, size...)
					if dark {
						p.dark()
					}
					p.see(place.see)
					p.eval("() => {" + string(axe) + "\n}") // a script tag would not be allowed
					p.t = t
					found := p.awaitedText(`() => axe.run(document, {resultTypes: ['violations']}).then(r => r.violations.map(v => v.id + ': ' + v.help + ' ' + v.nodes.slice(0, 3).map(n => n.target.join(' ') + ' (' + (n.any[0]?.message ?? n.all[0]?.message ?? n.none[0]?.message ?? '') + ')').join(', ') + ' × ' + v.nodes.length).join('\n'))`)
					if found != "" {
						t.Errorf("%s:\n%s", place.path, found)
					}
					p.must(p.Close())
				}
			})
		}
	}
}

// By the keyboard alone one jumps over the places to the page, and comes to the end of a place's head in few stops.
func TestFewTabStopsToThePage(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	for _, path := range []string{"/table", "/year", "/sowings", "/ground", "/daybook", "/shelves", "/ask", "/house"} {
		p := a.open(path)
		p.see("main h2")
		p.press(input.Tab)
		if at := p.eval(`() => document.activeElement.textContent.trim()`); at != "Skip to the page" {
			t.Errorf("%s: the first stop is %q", path, at)
		}
		p.press(input.Enter)
		p.until("the page is in focus", `() => document.activeElement.tagName === 'MAIN'`)
		stops := p.eval(`() => { const head = document.querySelector('main h2').closest('header, .head') ?? document.querySelector('main h2'); return [...document.querySelectorAll('a[href], button, input, select, textarea, [tabindex="0"]')].filter(e => !e.disabled && e.tabIndex >= 0 && e.getClientRects().length && (head.contains(e) || head.compareDocumentPosition(e) & Node.DOCUMENT_POSITION_PRECEDING)).length }`)
		if len(stops) > 2 || len(stops) == 2 && stops >= "40" {
			t.Errorf("%s: %s stops to the end of its head, want fewer than 40", path, stops)
		}
	}
}
