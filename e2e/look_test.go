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
	p.scrubTo("2027-08-02")
	p.must(p.see(`[data-piece="27-w3-canned-1"]`).Focus())
	p.press(input.Enter)
	p.see("[data-choice]")
	p.clickNamed(".card .link", "move it by keys")
	p.press(input.ArrowUp)
	time.Sleep(300 * time.Millisecond)
	p.shot("/tmp/shots/3card.png")
	p = a.open("/ground/year")
	p.see("[data-part]")
	time.Sleep(300 * time.Millisecond)
	p.shot("/tmp/shots/4year.png")
	p = a.open("/ground/care")
	p.see("[data-order]")
	time.Sleep(300 * time.Millisecond)
	p.eval(`() => window.scrollTo(0, 720)`)
	p.shot("/tmp/shots/6care.png")
	p = a.open("/ground/beds")
	p.see("[data-bed]")
	time.Sleep(300 * time.Millisecond)
	p.eval(`() => window.scrollTo(0, 560)`)
	p.shot("/tmp/shots/5beds.png")
	p = a.open("/ground", 390, 844)
	p.scrubTo("2027-08-02")
	time.Sleep(300 * time.Millisecond)
	p.shot("/tmp/shots/8phone.png")
}
