package e2e

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/go-rod/rod/lib/proto"
)

// TestScreenshots walks through the main views of the demo household; with
// INVENTORY_SCREENSHOTS it leaves the pictures of the documentation there.
func TestScreenshots(t *testing.T) {
	dir := os.Getenv("INVENTORY_SCREENSHOTS")
	keep := func(p *page, name string) {
		if dir != "" {
			p.until("what has ground is worked out", `() => !document.querySelector('[data-tally].pending')`)
			p.shot(filepath.Join(dir, name+".png"))
		}
	}
	a := start(t, "demo")
	p := a.open("/table")
	p.see(`[data-wish="w3"] .title`)
	p.click(`[data-wish="w3"] [data-figure$="/harvested"]`)
	p.shows(".drawer", "Harvested weight")
	keep(p, "table")

	p = a.open("/sowings")
	p.see("[data-sowing]")
	keep(p, "sowings")

	p = a.open("/ask")
	p.eval(`() => localStorage.setItem('inventory.haves', JSON.stringify([
		{ what: 'seeds', crop: 'kale', number: 100 }, { what: 'plants', crop: 'tomato-paste', number: 24 },
		{ what: 'stock', crop: 'potato-early', number: 2.3 }, { what: 'bed', crop: '', number: 2.4, width: 1.2 }]))`)
	p.must(p.Reload())
	p.see("[data-gives]")
	keep(p, "ask")

	p = a.open("/house")
	p.see(".chart")
	keep(p, "house")

	p = a.open("/year")
	p.see("[data-food]")
	keep(p, "year")

	p = a.open("/year/14")
	p.see("[data-eaten]")
	keep(p, "week")

	p = a.open("/house/book")
	p.see("[data-book]")
	p.fill(`[aria-label="Find in the book"]`, "bean")
	p.click(`[data-book="ferry-bean"] .head`)
	p.see(`[data-book="ferry-bean"] .body`)
	keep(p, "book")

	p = a.open("/table")
	p.must(proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-color-scheme", Value: "dark"}}}.Call(p.Page))
	p.see(`[data-wish="w3"] .title`)
	p.click(`[data-wish="w1"] .title`)
	p.see(".editor")
	keep(p, "table-dark")

	p = a.open("/ground/year")
	p.scrubTo("2027-08-02")
	p.clickNamed(".ways-out button", "What would help")
	p.see("[data-remedy]")
	keep(p, "ground-year")

	summer := livedOn(t, "2027-07-15")
	p = summer.open("/ground")
	p.see("[data-freed]")
	p.click(`[data-piece^="27-w3-canned"]`)
	p.see("[data-choice]")
	keep(p, "ground")
	spring := recordedOn(t, "2027-04-21")
	p = spring.open("/shelves")
	p.see(".drawn")
	keep(p, "shelves")
	p = spring.open("/daybook")
	p.see("[data-lesson]")
	keep(p, "daybook")
	p = spring.open("/house/learned")
	p.see("[data-effect]")
	keep(p, "learned")
	p = recordedOn(t, "2027-11-20").open("/year-end")
	p.see("[data-food]")
	keep(p, "year-end")
	late := recordedOn(t, "2027-08-20")
	p = late.open("/daybook/kitchen")
	p.clickNamed(`[data-makes="tomato-sauce-thick"] button`, "Put up as")
	p = late.open("/daybook/weigh", 390, 844)
	p.shows("[data-scale]", "Put it on")
	p.fill(`[aria-label="Put on the simulated scale"]`, "2.4")
	p.clickNamed("[data-scale] .link", "Put it on")
	p.shows("[data-scale] .shows", "2.4")
	p.shows("[data-scale]", "stable")
	keep(p, "weigh-phone")
	p = spring.open("/paper/week")
	p.see(".card li")
	keep(p, "week-card")
	p = summer.open("/ground", 390, 844)
	p.see(".one .strip button")
	keep(p, "ground-phone")
	p = summer.open("/daybook", 390, 844)
	p.see("[data-task]")
	keep(p, "daybook-phone")

	p = start(t, "serve").open("/")
	p.see(".welcome")
	keep(p, "welcome")
}
