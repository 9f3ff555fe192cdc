package e2e

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// The sheets say what is to be got, done and picked, with boxes to tick by hand.
func TestSheetsToPrint(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/paper/shopping")
	p.shows(".paper h3", "Seed")
	p.shows(".paper h3", "For the beds")
	p.until("a line for each thing, with a box", `() => document.querySelectorAll('.paper tr .box').length > 30`)
	p.shows(".paper td", "Compost")
	p.clickNamed(".spine button", "US")
	p.shows(".paper td", "cu yd")
	p.clickNamed(".spine button", "metric")

	p = a.open("/paper/care")
	p.clickNamed(".choice button", "half a year")
	p.shows(".paper h3", "Mill bed")
	p.shows(".paper td", "Earth up potato, maincrop")

	p = livedOn(t, "2027-07-15").open("/paper/picking")
	p.shows(".paper .crop", "Garlic")
	p.until("a box for each day", `() => [...document.querySelectorAll('.paper thead th')].map(e => e.textContent).join().includes('Mon,Tue,Wed,Thu,Fri,Sat,Sun')`)
}

// What a bed wants between two crops is one folded line with the clearing of the first.
func TestABedsTurnIsOneLine(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-07-15").open("/daybook")
	p.see("[data-task]")
	for range 8 {
		if p.eval(`() => !!document.querySelector('.turn')`) == "true" {
			break
		}
		p.press(']')
	}
	p.click(".turn summary")
	p.shows(".turn summary", "ready for the next crop")
	p.shows(".turn li", "Clear what is left of the crop")
	p.shows(".turn li", "Water the ground")
	p.shows(".turn li", "Sow or plant")
}

// In bright sun the screen is black on white; this device remembers it.
func TestBrightSun(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/daybook", 390, 844)
	white := `() => getComputedStyle(document.body).backgroundColor === 'rgb(255, 255, 255)' && getComputedStyle(document.body).color === 'rgb(0, 0, 0)'`
	p.clickNamed(".links button", "Bright sun")
	p.until("black on white", white)
	p.must(p.Reload())
	p.until("black on white again", white)
	p.clickNamed(".links button", "Bright sun")
	p.until("the usual screen", `() => getComputedStyle(document.body).backgroundColor !== 'rgb(255, 255, 255)'`)
}

// A figure is explained where it stands, and the explanation goes away by a key.
func TestWhatIsThis(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.click(`[aria-label="What is this? Gap"]`)
	p.shows(".what-is .said", "A week in which you want a food")
	p.press(input.Escape)
	p.gone(".what-is .said")
	p = start(t, "demo").open("/house")
	p.click(`[aria-label^="What is this? Kitchen evenings"]`)
	p.shows(".what-is .said", "On how many evenings a week")
}

// The crop book is sorted by depth and by sun, and found by them.
func TestTheCropBookByDepthAndSun(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/house/book")
	p.see("[data-book]")
	p.choose("Sorted by", "by sowing depth")
	p.until("the deepest last", `() => { const all = [...document.querySelectorAll('[data-book]')]; return all.at(-1).dataset.book === 'asparagus' }`)
	p.fill(`[aria-label="Find in the book"]`, "part shade lettuce")
	p.until("what has both words", `() => { const all = [...document.querySelectorAll('[data-book] .head')].map(e => e.textContent.toLowerCase()); return all.length > 0 && all.length < 12 && all.every(t => t.includes('part shade') && t.includes('lettuce')) }`)
}
