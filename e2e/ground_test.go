package e2e

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// From a measured plot to beds, all by keyboard and figures; a bed that would lie
// over another is refused with how far.
func TestAPlotIsDividedIntoBeds(t *testing.T) {
	p := start(t, "serve").open("/")
	p.see(".welcome")
	p.fill(`[aria-label="A first wish"]`, "6 heads lettuce a week may-oct")
	p.see(".wish")
	p.press('g', 'o')
	p.fill(`[aria-label="Length of the plot"]`, "12")
	p.fill(`[aria-label="Width of the plot"]`, "8")
	p.clickNamed(".divide button", "How many beds fit")
	p.shows(".shares", "5 beds")
	p.clickNamed(".shares .link", "lay them out")
	p.shows(".notice", "Laid out 5 beds")
	p.shows(".sum", "all that is sown has its ground")
	p.until("five beds drawn", `() => document.querySelectorAll('[data-plot-bed]').length === 5 && document.querySelectorAll('[data-band]').length === 5`)
	p.press('n')
	row := `[data-bed=""]`
	p.fill(row+` [aria-label="From the front"]`, "0.5")
	p.clickNamed(row+" .link", "add")
	p.shows(row+" .wrong", "overlap by")
	p.clickNamed(row+" .link", "leave")
	p.gone(row)
	// The arrow keys move a bed; the next one is in the way.
	grip := `[data-band]`
	p.see(grip)
	p.must(p.see(`.bed .grip`).Focus())
	p.press(input.ArrowRight)
	p.shows(".notice", "Changed Bed 1")
}

// The week scrubbed to August shows what stands then; a bed less leaves more
// without ground, and taking that back mends it.
func TestTheGroundIsScrubbed(t *testing.T) {
	p := start(t, "demo").open("/ground")
	p.see("[data-piece]")
	winter := p.text(".when")
	p.eval(`() => { const r = document.querySelector('[aria-label="The day that is shown"]'); r.value = Number(r.max) * 0.4; r.dispatchEvent(new Event('input')) }`)
	p.until("another day", `w => document.querySelector('.when').textContent !== w`, winter)
	p.shows(".plot", "Tomato, paste")
	short := p.text(".sum .warn")
	p.press(']')
	p.clickNamed(`[data-bed] .link`, "remove")
	p.shows(".notice", "Removed")
	p.until("the shortage grown", `s => { const now = document.querySelector('.sum .warn'); return now && now.textContent !== s && !document.querySelector('.sum .quiet') }`, short)
	if now := p.text(".sum .warn"); strings.TrimSpace(now) == "" {
		t.Error("no shortage is told")
	}
	p.press('u')
	p.until("the shortage as before", `s => document.querySelector('.sum .warn')?.textContent === s && !document.querySelector('.sum .quiet')`, short)
}

// A planting put where its family stood last year is refused with the reason;
// bent, it stands there and is marked; taken back, it is gone from there.
func TestTheRotationIsBent(t *testing.T) {
	p := start(t, "demo").open("/ground")
	p.see("[data-piece]")
	p.eval(`() => { const r = document.querySelector('[aria-label="The day that is shown"]'); r.value = Number(r.max) * 0.4; r.dispatchEvent(new Event('input')) }`)
	p.shows(".plot", "Tomato, paste")
	p.must(p.see(`[data-piece="27-w3-canned-1"]`).Focus())
	p.press(input.Enter)
	p.shows(".card", "Tomato, paste")
	p.choose("Put it in another bed", "Mill bed") // where Solanaceae stood in 2026
	p.shows(".card .wrong", "Solanaceae stood in it in 2026 and may return in")
	p.clickNamed(".card button", "Bend the rotation")
	p.shows(".notice", "Put Tomato, paste of")
	p.shows(".card", "rotation bent: its family stood here in 2026")
	p.shows(".card", "held by hand")
	p.see(".piece.bent")
	p.press('u')
	p.shows(".notice", "Took back")
	p.gone(".piece.bent")
}
