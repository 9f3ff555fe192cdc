package e2e

import (
	"os"
	"testing"

	"github.com/go-rod/rod/lib/proto"
)

func TestLook(t *testing.T) {
	if os.Getenv("LOOK") == "" {
		t.Skip()
	}
	a := startOn(t, "demo", "2027-04-21")
	p := a.open("/daybook")
	p.see(".todo li")
	for _, c := range []string{"Pepper, sweet", "Shelling pea", "Head lettuce", "Spinach", "Potato, maincrop", "Broccoli", "Chard", "Snap pea", "Tomato, paste", "Bulb onion", "Radish", "Leek", "Celeriac", "Dill", "Parsley", "Marigold"} {
		for range 3 {
			if p.eval(`c => { const b = document.querySelector('[data-task="sow"][data-crop="' + c + '"] .tick, [data-task="plant-out"][data-crop="' + c + '"] .tick'); if (!b || !b.closest('section').getAttribute('aria-label').includes('Over')) return 'no'; b.click(); return 'yes' }`, c) == "no" {
				break
			}
			p.until("quiet", `() => !document.querySelector('.tick:disabled')`)
		}
	}
	p.eval(`() => window.scrollTo(0, 0)`)
	p.shot("/tmp/shots/daybook.png")
	p = a.open("/daybook", 390, 844)
	p.see(".todo li")
	p.shot("/tmp/shots/daybook-phone.png")
	p = a.open("/daybook")
	p.must(proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-color-scheme", Value: "dark"}}}.Call(p.Page))
	p.see(".todo li")
	p.shot("/tmp/shots/daybook-dark.png")
	p = a.open("/sowings", 390, 844)
	p.overTheYear()
	p.click(`[data-crop="beet"] [data-bar] .for`)
	p.see(".panel")
	p.shot("/tmp/shots/time-phone.png")
}
