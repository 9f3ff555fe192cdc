package e2e

import (
	"encoding/json"
	"fmt"
	"os"
	"slices"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// busy is how long the page's main thread has worked so far, ms of its processor time: other
// programs may have the processor meanwhile. What it does for this test's own commands is no
// work of the page.
func (p *page) busy() float64 {
	p.t.Helper()
	got, err := proto.PerformanceGetMetrics{}.Call(p)
	if err != nil {
		p.t.Fatal(err)
	}
	all := map[string]float64{}
	for _, m := range got.Metrics {
		all[m.Name] = 1000 * m.Value
	}
	if all["TaskDuration"] == 0 {
		p.t.Fatal("the browser does not say how long it worked")
	}
	return all["TaskDuration"] - all["DevToolsCommandDuration"]
}

// awaited evaluates what gives a promise, and waits for it without asking again: asking
// would be work of the page's main thread.
func (p *page) awaited(js string, args ...any) {
	p.t.Helper()
	_, err := p.Evaluate(rod.Eval(js, args...).ByPromise())
	p.must(err)
}

// awaitedText returns what a promise gives, as text.
func (p *page) awaitedText(js string, args ...any) string {
	p.t.Helper()
	v, err := p.Evaluate(rod.Eval(js, args...).ByPromise())
	p.must(err)
	return v.Value.Str()
}

// idle waits until the main thread has nothing to do.
func (p *page) idle() { p.awaited(`() => new Promise(r => requestIdleCallback(r))`) }

// painted is a promise of what is on the screen once a selector matches so many. What is
// posted in a frame's callback arrives when that frame is painted; to wait for a second frame
// would be work that no user asks for.
const painted = `new Promise(r => {
	const after = () => requestAnimationFrame(() => {
		const c = new MessageChannel()
		c.port1.onmessage = () => r(true)
		c.port2.postMessage(0)
	})
	const seen = () => document.querySelectorAll(selector).length >= many && [...document.querySelectorAll(selector)].some(e => e.textContent.includes(text))
	if (seen()) return after()
	const o = new MutationObserver(() => seen() && (o.disconnect(), after()))
	o.observe(document.body, { childList: true, subtree: true, characterData: true })
})`

// work is how long the main thread works from an act until a selector matches so many
// elements, one of them with a text, and they are painted, ms.
func (p *page) work(act func(), selector string, many int, text string) float64 {
	p.t.Helper()
	p.idle()
	p.awaited(`(selector, many, text) => { window.painted = `+painted+`; return true }`, selector, many, text)
	before := p.busy()
	act()
	p.awaited(`() => window.painted`)
	return p.busy() - before
}

// The main thread does some work for an edit and for opening Sowings. How much goes to
// docs/benchmarks.md where INVENTORY_REPORT names a file.
func TestTheMainThread(t *testing.T) {
	p := start(t, "demo").open("/table")
	p.must(proto.PerformanceEnable{TimeDomain: proto.PerformanceEnableTimeDomainThreadTicks}.Call(p))
	p.see(sauce)
	p.until("the page at rest", `() => document.fonts.status === 'loaded' && performance.now() > 1000`)
	var edits, answered []float64
	for i := range 9 {
		number := fmt.Sprint(26 + i) // another one each time, so that its notice is new
		el := p.see(amountOf("w3"))
		p.must(el.SelectAllText())
		p.must(p.InsertText(number)) // typed, and not yet sent: that is what Enter does
		p.idle()
		before := p.busy()
		p.work(func() { p.press(input.Enter) }, ".notice", 1, "Changed "+number+" quart jars")
		answered = append(answered, p.busy()-before)
		// The ground is fitted anew then, and what has ground is painted: that belongs to the edit.
		p.until("the ground fitted", `() => !document.querySelector('[data-tally].pending')`)
		p.awaited(`() => new Promise(r => requestAnimationFrame(() => requestIdleCallback(r)))`)
		edits = append(edits, p.busy()-before)
	}
	slices.Sort(answered)
	slices.Sort(edits)
	sowings := int(p.tally("sowings"))
	opened := p.work(func() { p.eval(`() => document.querySelector('.spine a[href="/sowings"]').click()`) }, "[data-sowing]", 1, "")
	all := opened + p.work(func() {}, "[data-sowing]", sowings, "")
	if answered[0] <= 0 || edits[0] < answered[0] || opened <= 0 || all < opened {
		t.Fatalf("an edit took %v ms, opening %v of %v", edits, opened, all)
	}
	t.Logf("an edit %.1f ms (%.1f to %.1f), of it until its answer is painted %.1f (%.1f to %.1f), Sowings opened %.0f ms, all of it %.0f ms", edits[4], edits[0], edits[8], answered[4], answered[0], answered[8], opened, all)
	if file := os.Getenv("INVENTORY_REPORT"); file != "" {
		text, err := json.Marshal(map[string]float64{"edit_ms": edits[4], "edit_answered_ms": answered[4], "sowings_first_ms": opened, "sowings_all_ms": all})
		p.must(err)
		p.must(os.WriteFile(file+".thread", text, 0o600))
	}
}
