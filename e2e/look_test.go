package e2e

import (
	"os"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
)

func TestLook(t *testing.T) {
	if os.Getenv("LOOK") == "" {
		t.Skip()
	}
	a := start(t, "demo")
	p := a.open("/ground")
	p.see("[data-piece]")
	p.eval(`() => { const r = document.querySelector('[aria-label="The day that is shown"]'); r.value = Number(r.max) * 0.45; r.dispatchEvent(new Event('input')) }`)
	time.Sleep(400 * time.Millisecond)
	p.shot("/tmp/shots/1plot.png")
	p.clickNamed(".ways-out button", "What would help")
	p.see("[data-way]")
	p.shot("/tmp/shots/2ways.png")
	p.must(p.see(`[data-piece="27-w3-canned-1"]`).Focus())
	p.press(input.Enter)
	p.see("[data-choice]")
	p.shot("/tmp/shots/3card.png")
	p = a.open("/ground/year")
	p.see("[data-part]")
	time.Sleep(300 * time.Millisecond)
	p.shot("/tmp/shots/4year.png")
	p = a.open("/ground/beds")
	p.see("[data-bed]")
	p.click(`[aria-label="More of Sluice bed"]`)
	time.Sleep(300 * time.Millisecond)
	p.shot("/tmp/shots/5beds.png")
	p = a.open("/ground/care")
	p.see("[data-order]")
	time.Sleep(300 * time.Millisecond)
	p.shot("/tmp/shots/6care.png")
}
