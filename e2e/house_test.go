package e2e

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// choose opens a select by its label and takes the option of a text.
func (p *page) choose(label, option string) {
	p.t.Helper()
	p.chooseIn("body", label, option)
}

// chooseIn chooses in a list of one part of the page.
func (p *page) chooseIn(part, label, option string) {
	p.t.Helper()
	p.see(part + ` [aria-label="` + label + `"]`)
	p.eval(`(part, l) => document.querySelector(part + ' [aria-label="' + l + '"]').closest('.el-select__wrapper').click()`, part, label)
	p.option(option)
}

// option takes the option of a text in the list that is open. It is pressed by the page itself:
// the list may still be moving to its place.
func (p *page) option(option string) {
	p.t.Helper()
	p.until("the option "+option, `o => [...document.querySelectorAll('.el-select-dropdown__item')].some(e => e.getClientRects().length && e.textContent.trim() === o)`, option)
	p.eval(`o => [...document.querySelectorAll('.el-select-dropdown__item')].find(e => e.getClientRects().length && e.textContent.trim() === o).click()`, option)
}

func TestAWarmerStoreKeepsForFewerWeeks(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house")
	fed := p.planned("weeks_fed")
	p.fill(`[aria-label="Temperature of Earth cellar"]`, "11")
	p.shows(".notice", "Changed Earth cellar")
	p.see(`[data-tally] .change`)
	if now := p.planned("weeks_fed"); now >= fed {
		t.Errorf("at 11 °C %g weeks are fed, at 3 °C %g", now, fed)
	}
	p.fill(`[aria-label="Temperature of Earth cellar"]`, "90")
	p.shows(`[aria-label="Storage places"] .wrong`, "Enter a number from -30 to 40")
	p.fill(`[aria-label="Temperature of Earth cellar"]`, "3")
	p.shows(".notice", "Changed Earth cellar")
	p.gone(`[aria-label="Storage places"] .wrong`)
	p.clickNamed(`[aria-label="Storage places"] .link`, "Add a storage place")
	p.see(`[aria-label="Name of storage place 4"]`)
	p.fill(`[aria-label="Name of storage place 4"]`, "Shed")
	p.shows(".notice", "Changed Shed")
	p.click(`[aria-label="Remove Shed"]`)
	p.shows(".notice", "Removed Shed")
}

func TestGuestsAndTimesAway(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/house")
	eaters := `[data-figure="house/eaters"]`
	before := p.value(eaters)
	p.clickNamed(`[aria-label="Guests"] .link`, "Add guests")
	p.see(`[aria-label="Who comes, 2"]`)
	p.fill(`[aria-label="How many people: Guests"]`, "40")
	p.shows(".notice", "Changed Guests")
	if now := p.value(eaters); now <= before {
		t.Errorf("with forty guests %g eaters, before %g", now, before)
	}
	p.fill(`[aria-label="Guests, from, day"]`, "45")
	p.shows(`[aria-label="Guests"] .wrong`, "a day such as 08-01")
	p.fill(`[aria-label="Guests, from, day"]`, "23")
	p.gone(`[aria-label="Guests"] .wrong`)
	p.shows(".notice", "Changed Guests")
	p.click(`[aria-label="Remove Guests"]`)
	p.shows(".notice", "Removed Guests")
	p.must(p.named(`.members .link`, "^at home$").Focus())
	p.press(input.Enter)
	p.clickNamed(".spans .link", "Add time away")
	p.shows(".members", "away 1 Aug – 14 Aug")
	p.click(eaters)
	p.shows(".drawer", "Away and guests, over the year")
	p.clickNamed(".spans .link", "Remove")
	p.shows(".notice", "Changed Wenna")
}

func TestRiskAndYearMoveTheDates(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house")
	p.choose("How much frost risk do you take?", "Less: a week later in spring, a week earlier in autumn")
	p.shows(".notice", "Changed the household")
	p.fill(`[aria-label="The food year begins in"]`, "1066")
	p.shows(`[aria-label="Household and rules"] .wrong`, "a number from 1950 to 2150")
	p.fill(`[aria-label="The food year begins in"]`, "2028")
	p.shows(".tally", "year 2028/29")
	p.fill(`[aria-label="Name of the household"]`, "The weir house")
	p.shows(".tally h1", "The weir house")
	p = a.open("/sowings")
	p.shows(`[data-sowing="28-w3-canned-1"]`, "12 May") // planted out a week later than the usual 5 May
}

func TestAnotherClimate(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house")
	p.choose("Start from a climate like yours", "No frost, hot summers")
	p.shows(`[aria-label="Location and climate"]`, "not saved yet")
	p.clickNamed("button", "Cancel")
	p.until("the old latitude", `() => document.querySelector('[aria-label="Latitude"]').value === '47.5'`)
	p.choose("Start from a climate like yours", "No frost, hot summers")
	p.clickNamed("button", "Save")
	p.shows(".notice", "Changed the place")
	p = a.open("/table")
	p.gone(".scale .frost")
	p.shows(".scale", "Feb")
}

func TestAWishSaidInFull(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	p.click(`[data-wish="w1"] .title`)
	p.shows(".editor .uses", "Summer carrot")
	p.shows(".editor .uses", "the variety that keeps longest, 26 weeks")
	p.shows(".editor .uses", "Goes into the earth cellar about")
	p.click(`.editor [aria-label="from storage used sooner"]`)
	p.until("the store first", `() => document.querySelector('.editor .order .one')?.textContent.trim() === 'from storage'`)
	p.choose("How often to sow", "every … days")
	p.fill(`[aria-label="Days between"]`, "1")
	p.shows(".editor .wrong", "Enter a number from 3 to 120")
	p.must(p.see(`[aria-label="Days between"]`).SelectAllText())
	p.must(p.see(`[aria-label="Days between"]`).Input("21"))
	p.choose("Enough in how many years of 10?", "in 9 years of 10")
	p.choose("In the bed", "in a staggered grid")
	p.clickNamed(".editor button", "Save")
	p.gone(".editor")
	p.shows(`[data-wish="w1"]`, "from storage, then fresh")
	_, body := a.get("/api/household-file")
	for _, want := range []string{`"cellar",`, `"kind": "every"`, `"days": 21`, `"confidence": 0.9`, `"layout": "block"`} {
		if first, _, _ := strings.Cut(body, `"id": "w2"`); !strings.Contains(first, want) {
			t.Errorf("the file has no %s", want)
		}
	}
	p.click(`[data-wish="w1"] .title`)
	p.see(".editor")
	p.must(p.see(`.editor [aria-label="Note"]`).Focus())
	p.press(input.Escape)
	p.gone(".editor")
}

func TestThePrintedLeafHasNoControls(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	p.see("[data-sowing]")
	hidden := p.eval(`() => [...document.styleSheets].some(s => [...s.cssRules].some(r => r.media && r.media.mediaText === 'print' && r.cssText.includes('.no-print')))`)
	if hidden != "true" {
		t.Error("nothing is kept off the paper")
	}
	pdf, err := p.PDF(&proto.PagePrintToPDF{})
	if err != nil {
		t.Fatal(err)
	}
	head := make([]byte, 5)
	if _, err := pdf.Read(head); err != nil || string(head) != "%PDF-" {
		t.Errorf("%q %v", head, err)
	}
}
