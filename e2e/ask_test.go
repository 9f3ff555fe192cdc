package e2e

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A packet, young plants, tubers, a row and a bed are each answered on one screen, with nothing
// changed; what cannot be is said at its line.
func TestWhatHaveI(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/table")
	p.see(".wish")
	p.press('g', 'a')
	p.shows(".ask h3", "What can I do with what I have?")
	fed := p.planned("weeks_fed")
	for _, c := range []struct{ button, label, kind, number, answer string }{
		{"seeds in a packet", "seeds in a packet", "Kale", "100", "from 100 seeds"},
		{"young plants", "young plants", "Tomato, slicing (indeterminate)", "24", "from 24 plants"},
		{"tubers, cloves or sets, by weight", "tubers, cloves or sets, by weight", "Potato, early", "2.3", "from 2.3 kg"},
		{"a row, by its length", "a row, by its length", "Bush bean (snap)", "10", "from 10 m of row"},
	} {
		p.clickNamed(".add button", c.button)
		p.fill(`[aria-label="How much: `+c.label+`"]`, c.number)
		p.choose("Kind: "+c.label, c.kind)
		p.shows("[data-gives]", c.answer)
		p.clickNamed("[data-have] button", "Remove")
		p.gone("[data-gives]")
	}
	p.clickNamed(".add button", "a bed, by length and width")
	p.shows("[data-gives]", "from a bed of 2.5 m by 1.2 m")
	p.clickNamed(".add button", "seeds in a packet")
	p.choose("Kind: seeds in a packet", "Garlic")
	p.shows("[data-have] .wrong", "is not grown from seed here")
	if now := p.planned("weeks_fed"); now != fed {
		t.Errorf("asking changed what is fed: %g weeks, before %g", now, fed)
	}
}

// Plain questions are forms of words: each is answered with its parts and its working, and asking changes nothing.
func TestPlainQuestions(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ask")
	plants := p.value(`[data-tally="plants"] .figure`)
	p.must(p.see(`[aria-label="How many plants for"]`).Input("35 qt thick tomato sauce"))
	p.shows(`[data-question="plants"] [data-preview]`, "m of row, 1 sowing from")
	p.shows(`[data-question="plants"] [data-preview] li`, "tomato, paste, sown indoors")
	p.choose("Food that is needed", "potato")
	p.shows(`[data-question="needed"] [data-answer]`, "of potato as harvested")
	p.shows(`[data-question="needed"] [data-answer]`, "How this is worked out")
	p.choose("Food that is sown", "lettuce")
	p.shows(`[data-question="sowings"] [data-answer]`, "sowings of lettuce, from")
	p.fill(`[aria-label="Number of the sowing"]`, "3")
	p.shows(`[data-question="sowings"] [data-answer]`, "The third sowing of lettuce is started on")
	p.fill(`[aria-label="Number of the sowing"]`, "90")
	p.shows(`[data-question="sowings"] .wrong`, "Enter a number from 1 to")
	p.choose("Next to do in", "Mill bed")
	p.shows(`[data-question="next"] [data-answer]`, "Next in Mill bed:")
	p.choose("Food that grew", "potato")
	p.choose("Bed that it grew in", "Reed bed")
	p.shows(`[data-question="last"] [data-answer]`, "belongs to the tomato family")
	if now := p.value(`[data-tally="plants"] .figure`); now != plants {
		t.Errorf("asking changed the plan from %g plants to %g", plants, now)
	}
	p = startOn(t, "demo", "2027-07-15").open("/ask") // a bed becomes free soon
	p.click(`[data-question="free"] summary`)
	p.click("[data-freed] button")
	p.shows(".ground", "free on")
}

// What a line would come to is told before Enter: plants, bed space, dates and weeks; then the wish is as was said.
func TestALineIsPreviewed(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.see(".wish")
	p.must(p.see(`[aria-label="New wish"]`).Input("melons 1x week while it lasts"))
	p.shows("[data-preview]", "weeks fed")
	said := strings.ReplaceAll(p.text("[data-preview]"), "\u00a0", " ")
	plants, _, _ := strings.Cut(said, " ")
	p.press(input.Enter)
	p.shows(".notice", "Added 1 meal a week")
	if row := p.eval(`() => [...document.querySelectorAll('.wish')].find(e => e.querySelector('.title')?.textContent.includes('Melon'))?.querySelector('[data-figure$="/plants"]')?.textContent.trim() ?? ''`); row != plants {
		t.Errorf("the preview said %q, the wish has %q plants", said, row)
	}
}

// From every place one key finds foods, beds, what is on the shelf, settings and words, and Enter goes there.
func TestFindAnything(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/year")
	p.see(".ledger")
	for _, c := range []struct{ words, found, there string }{
		{"mill bed", "Bed Mill bed", ".ground"},
		{"kitchen scale", "Setting Kitchen scale", `[aria-label="Kitchen scale"]`},
		{"parsnip", "Wish Parsnip", ".ledger .wish"},
		{"harden off", "Help Harden off", ".help"},
	} {
		p.press('/')
		p.must(p.see(`[aria-label="Find anything"]`).Input(c.words))
		p.shows("[data-found].at", c.found)
		p.press(input.Enter)
		p.see(c.there)
		p.until("the finder is closed", `() => ![...document.querySelectorAll('[data-find]')].some(e => e.getClientRects().length)`)
	}
	p.press('/')
	p.must(p.see(`[aria-label="Find anything"]`).Input("xyzzy"))
	p.shows("[data-find]", "Nothing has these words.")
}
