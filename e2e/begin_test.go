package e2e

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// evening are twenty foods of a household that grows its first garden.
var evening = strings.Split("Lettuce|Tomatoes to eat fresh|Cucumbers|Radishes|Snap beans|Zucchini|Peas|Broccoli|Chard|Potatoes|Carrots|Onions|Cabbage|Beets|Winter squash|Tomato sauce|Dill pickles|Leeks|Kale|Parsley", "|")

// From nothing to a plan that fits, twenty foods and six beds, in fewer than 250 key presses and clicks, on a desk and on
// a phone.
func TestAFirstEvening(t *testing.T) {
	t.Parallel()
	for name, size := range map[string][]int{"desk": {1280, 800}, "phone": {390, 844}} {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			p := start(t, "serve").open("/", size...)
			p.see(".welcome")
			p.fill(`[aria-label="Teenagers"]`, "2")
			for _, food := range evening {
				p.clickNamed("[data-starter] .el-checkbox", "^"+food+"$")
				p.until(food+" is a wish", `name => [...document.querySelectorAll('[data-starter].on')].some(e => e.querySelector('.el-checkbox').textContent.trim() === name)`, food)
			}
			p.until("a ribbon, plants and bed space of each", `() => [...document.querySelectorAll('[data-starter].on')].every(e => e.querySelector('svg') && /plants?, [\d.]+\sm²/.test(e.textContent))`)
			p.click(`[aria-label="Beds in one line"]`)
			p.typed("6 beds of 8 x 1.2 m")
			p.shows(".bed-line", "6 beds of 8 m × 1.2 m: 57.6 m² of bed space")
			p.press(input.Enter)
			p.shows("[data-beds]", "6 beds, 57.6 m² of bed space")
			p.clickNamed(".fit-wishes button", "Grow this")
			p.click(`[href="/ground"]`)
			p.shows(".ground .sum", "everything has room")
			if p.presses >= 250 {
				t.Errorf("it took %d presses, want fewer than 250", p.presses)
			}
			t.Logf("%d presses", p.presses)
		})
	}
}

// The climate follows from what people know of theirs; what cannot be is told at its field, and nothing is lost.
func TestTheClimateFromWhatPeopleKnow(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.clickNamed(".welcome .choice button", "What I know of mine")
	p.fill(`[aria-label="Average high of the coldest month"]`, "40")
	p.shows(".climate .wrong", "“40” does not work. Enter a temperature below that of the warmest month.")
	p.clickNamed(".welcome button", "Next: what you eat")
	p.shows(".welcome .wrong", "Choose a climate first.")
	p.fill(`[aria-label="Average high of the coldest month"]`, "-2")
	p.clickNamed(".climate .choice button", "very cold nights")
	p.shows("[data-climate]", "January −1")
	p.clickNamed(".welcome button", "Next: what you eat")
	p.see("[data-starter]")
	p.press('g', 'h')
	p.shows(`[aria-label="Location and climate"]`, "Usual last spring frost")
}

// Fresh food all year is asked once, and changes what is ticked already.
func TestFreshFoodAllYearIsAskedOnce(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.clickNamed(".welcome button", "Next: what you eat")
	p.clickNamed("[data-starter] .el-checkbox", "^Lettuce$")
	weeks := `() => Number(document.querySelector('[data-tally="weeks_fed"] .of').textContent.replace(/\D/g, ''))`
	p.until("the weeks of lettuce while it lasts", `() => { const n = (`+weeks+`)(); return n > 10 && n < 52 }`)
	p.clickNamed(".season .choice button", "all year")
	p.until("all weeks of the year", `() => (`+weeks+`)() === 52`)
	p.clickNamed("[data-starter] .el-checkbox", "^Lettuce$")
	p.until("no wish", `() => !document.querySelector('[data-starter].on')`)
}

// Beds that cannot be read are refused with an example, and the line stays.
func TestBedsThatCannotBeRead(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.clickNamed(".welcome button", "Next: what you eat")
	p.click(`[aria-label="Beds in one line"]`)
	p.typed("some beds")
	p.shows(".bed-line .wrong", "for example “4 beds of 8 × 1.2 m”")
	p.press(input.Enter)
	if got := p.eval(`() => document.querySelector('[aria-label="Beds in one line"]').value`); got != "some beds" {
		t.Errorf("the line says %q", got)
	}
}

// A phone has the sowings of one month at a time, that of today first.
func TestSowingsAMonthAtATimeOnAPhone(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/sowings", 390, 844)
	p.shows("h3.month", "April 2027")
	if n := p.eval(`() => document.querySelectorAll('h3.month').length`); n != "1" {
		t.Errorf("%s months are shown, want 1", n)
	}
	p.click(`[aria-label="Next month"]`)
	p.shows("h3.month", "May 2027")
	p.click(`[aria-label="Previous month"]`)
	p.shows("h3.month", "April 2027")
}
