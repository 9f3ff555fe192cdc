package e2e

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/proto"
)

// contrast gives, for every text on the page, its contrast with what lies under
// it (WCAG 2, relative luminance), where it is less than it should be.
const contrast = `() => {
  const parse = c => (c.match(/[\d.]+/g) || []).map(Number)
  const light = c => c.slice(0, 3).map(v => v / 255).map(v => v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4).reduce((s, v, i) => s + v * [0.2126, 0.7152, 0.0722][i], 0)
  const under = e => {
    for (; e; e = e.parentElement) {
      const c = parse(getComputedStyle(e).backgroundColor)
      if (c.length === 3 || c[3] > 0.99) return c
    }
    return [255, 255, 255]
  }
  const poor = new Set()
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  let n, seen = 0
  while ((n = walker.nextNode())) {
    const e = n.parentElement
    if (!n.textContent.trim() || !e.getClientRects().length || e.closest('svg, :disabled, .is-disabled, .hidden-words')) continue
    const style = getComputedStyle(e)
    if (!style.color.startsWith('rgb')) continue
    const a = light(parse(style.color)), b = light(under(e))
    const ratio = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
    seen++
    if (ratio < 4.5) poor.add(ratio.toFixed(2) + ' ' + e.className + ' ' + n.textContent.trim().slice(0, 30))
  }
  return JSON.stringify({ Seen: seen, Poor: [...poor].slice(0, 20) })
}`

// runTogether finds words of two elements that stand against each other without a
// space, as they do where a template loses the one between them.
const runTogether = `() => {
  const walker = document.createTreeWalker(document.querySelector('#app'), NodeFilter.SHOW_TEXT)
  const found = []
  let n, before
  const block = e => {
    while (getComputedStyle(e).display.startsWith('inline')) e = e.parentElement
    return e
  }
  while ((n = walker.nextNode())) {
    const e = n.parentElement
    if (!n.textContent.trim() || !e.getClientRects().length || e.closest('svg, .hidden-words, kbd')) continue
    const range = document.createRange()
    range.selectNodeContents(n)
    const boxes = range.getClientRects()
    const box = boxes[0], end = boxes[boxes.length - 1]
    if (before && box && before.block === block(e) && before.end && before.text.trim().length > 1 && Math.abs(box.top - before.end.top) < 12 && /[\p{L}\d.,;:!?)]$/u.test(before.text) && /^[\p{L}]/u.test(n.textContent) && Math.abs(box.left - before.end.right) < 1)
      found.push(before.text.slice(-20) + '|' + n.textContent.slice(0, 20))
    before = { text: n.textContent, end, block: block(e) }
  }
  return JSON.stringify(found)
}`

// Every place, in spring: its texts stand out in light and in dark, none run together,
// and nothing is wider than the screen, from the smallest telephone up. The width is
// held against what was asked for: a browser that emulates a telephone makes its window
// as wide as what does not fit.
func TestEveryPlaceCanBeReadEverywhere(t *testing.T) {
	t.Parallel()
	a, empty := startOn(t, "demo", "2027-04-21"), start(t, "serve")
	places := map[string]string{a.url + "/year/3": "[data-eaten]", empty.url + "/": "[data-demo]"}
	for path, see := range leaves {
		places[a.url+path] = see
	}
	scheme := func(p *page, value string) {
		p.t.Helper()
		p.must(proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-color-scheme", Value: value}}}.Call(p.Page))
	}
	for url, see := range places { // each in a tab of its own: a tab has its time
		t.Run(strings.TrimPrefix(url, a.url), func(t *testing.T) {
			t.Parallel()
			p := a.open("/api/reference")
			p.t = t
			for _, light := range []string{"dark", "light"} {
				scheme(p, light)
				p.must(p.Navigate(url))
				p.see(see)
				if url == a.url+"/table" {
					p.click(`[data-wish="w3"] [data-figure$="/harvested"]`)
					p.shows(".drawer", "Harvested weight")
				}
				var found struct {
					Seen int
					Poor []string
				}
				if err := json.Unmarshal([]byte(p.eval(contrast)), &found); err != nil {
					t.Fatal(err)
				}
				if found.Seen < 20 || len(found.Poor) > 0 {
					t.Errorf("%s %s: of %d texts these stand out too little: %q", light, url, found.Seen, found.Poor)
				}
			}
			for _, width := range []int{360, 390, 430, 1280} {
				p.must(p.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: width, Height: 800, DeviceScaleFactor: 1, Mobile: width < 600}))
				p.eval(`() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))`)
				if found := p.eval(runTogether); found != "[]" {
					t.Errorf("%s at %d px: words run together: %s", url, width, found)
				}
				if wide := number(t, p.eval(`() => document.documentElement.scrollWidth`)); wide > float64(width) {
					t.Errorf("%s is %g px wide on a screen of %d: %s", url, wide, width, p.eval(`w => [...document.querySelectorAll('main *')].filter(e => e.getBoundingClientRect().right > w + 1).slice(-3).map(e => e.tagName + '.' + e.className + ' ' + Math.round(e.getBoundingClientRect().right)).join(', ')`, width))
				}
			}
		})
	}
}
