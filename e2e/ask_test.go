package e2e

import "testing"

// A packet, young plants, tubers, a row and a bed are each answered on one screen, with nothing
// changed; what cannot be is said at its line.
func TestWhatHaveI(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/table")
	p.see(".wish")
	p.press('g', 'a')
	p.shows("h2", "What have I?")
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
