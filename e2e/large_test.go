package e2e

import (
	"fmt"
	"slices"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
)

// many adds wishes to the demo household until it has so many: those that it has, again.
func (p *page) many(wishes int) {
	p.t.Helper()
	p.awaited(`async wishes => {
		const state = await (await fetch('/api/state')).json()
		const all = state.household.wishes
		let revision = state.revision
		for (let n = all.length; n < wishes; n++) {
			const wish = { ...all[n % all.length], id: 'many' + n }
			const r = await fetch('/api/edits', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ client: 'many', id: 'many' + n, revision, command: 'add-wish', wish }) })
			if (!r.ok) throw new Error(await r.text())
			revision = (await r.json()).revision
		}
	}`, wishes)
}

// BenchmarkATableOf120Wishes tells how long Year takes to its first screen and an edit until its
// answer is painted, with 120 wishes, ms of the clock.
func BenchmarkATableOf120Wishes(b *testing.B) {
	a := start(b, "demo")
	p := a.open("/table")
	p.see(".wish")
	p.many(120)
	var years, edits []float64
	for range 7 {
		y := a.open("/year")
		y.until("the first rows", `() => document.querySelectorAll(".ledger svg").length > 3`)
		years = append(years, y.clock(`() => performance.now()`))
		y.must(y.Close())
	}
	p.must(p.Reload())
	p.see(sauce)
	p.until("all rows", `() => document.querySelectorAll('.wish').length >= 120`)
	for i := range 9 {
		number := fmt.Sprint(26 + i)
		el := p.see(amountOf("w3"))
		p.must(el.SelectAllText())
		p.must(p.InsertText(number))
		p.idle()
		p.awaited(`(selector, many, text) => { window.began = performance.now(); window.painted = `+painted+`.then(() => performance.now() - window.began); return true }`, ".notice", 1, "Changed "+number+" quart jars")
		p.press(input.Enter)
		edits = append(edits, p.clock(`() => window.painted`))
		p.until("the ground fitted", `() => !document.querySelector('[data-tally].pending')`)
	}
	slices.Sort(years)
	slices.Sort(edits)
	b.ReportMetric(years[len(years)/2], "year-ms")
	b.ReportMetric(edits[len(edits)/2], "edit-ms")
	b.ReportMetric(0, "ns/op")
	b.Logf("Year %v ms, an edit %v ms", years, edits)
}

// clock returns a number that a page gives, or promises.
func (p *page) clock(js string) float64 {
	p.t.Helper()
	v, err := p.Evaluate(rod.Eval(js).ByPromise())
	p.must(err)
	return v.Value.Num()
}
