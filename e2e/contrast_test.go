package e2e

import (
	"encoding/json"
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

func TestTextStandsOutInLightAndDark(t *testing.T) {
	a := start(t, "demo")
	for _, scheme := range []string{"light", "dark"} {
		for path, see := range leaves {
			p := a.open(path)
			p.must(proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-color-scheme", Value: scheme}}}.Call(p.Page))
			p.see(see)
			if path == "/table" {
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
			if found.Seen < 40 || len(found.Poor) > 0 {
				t.Errorf("%s %s: of %d texts these stand out too little: %q", scheme, path, found.Seen, found.Poor)
			}
		}
	}
}
