package e2e

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A second plot is added, said to be colder and without a tap, and compared with the first before
// a spade is lifted; divided into beds it is drawn apart.
func TestASecondPlotIsComparedAndDivided(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/ground/beds")
	p.must(p.see(`[aria-label="Name of another plot"]`).Input("By the road"))
	p.clickNamed(".another button", "Add the plot")
	road := `section[aria-label="By the road"] `
	p.fill(road+`[aria-label="Length of the plot"]`, "20")
	p.fill(road+`[aria-label="Width of the plot"]`, "10")
	p.choose("Warmth of By the road", "colder than the place")
	p.fill(road+`[aria-label="By how much By the road is colder"]`, "2")
	p.shows("[data-sites]", "2 °C colder")
	p.shows("[data-sites]", "room for 5 beds")
	p.choose("How the warmth of By the road is said", "days more of spring frost")
	p.shows(".notice", "By the road")
	p.until("two days are less than two degrees", `() => /By the road/.test(document.querySelector('[data-sites]').textContent) && !/2 °C colder/.test(document.querySelector('[data-sites]').textContent)`)

	p.clickNamed(road+"summary", "Divide it into beds")
	p.clickNamed(road+".divide button", "How many beds fit")
	p.shows(road+".shares", "5 beds")
	p.eval(`() => [...document.querySelectorAll('section[aria-label="By the road"] .shares li')].find(e => e.textContent.includes('5 beds')).querySelector('.link').click()`)
	p.shows(".notice", "Laid out 5 beds")
	p.clickNamed(".views button", "the plot")
	p.clickNamed(".choice button", "By the road")
	p.until("the five beds by the road are drawn", `() => document.querySelectorAll('[data-plot-bed]').length === 5`)
	p.clickNamed(".choice button", "The plot")
	p.until("those of the first plot are drawn", `() => document.querySelectorAll('[data-plot-bed]').length === 11`)
}

// A bed below a sunny wall is said to be warmer: what it is stays with it, and one undo takes it back.
func TestABedIsWarmer(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/ground/beds")
	p.click(`[aria-label="More of Mill bed"]`)
	p.choose("Warmth of the bed", "warmer than the plot")
	p.fill(`[aria-label="By how much the bed is warmer"]`, "1.5")
	p.shows(`[data-row] .notes`, "warmer ground")
	p.press(input.Escape)
	p.clickNamed(".notice .link", "Undo")
	p.until("it is like the plot again", `() => ![...document.querySelectorAll('[data-row] .notes')].some(e => e.textContent.includes('warmer ground'))`)
}
