package e2e

import (
	"os"
	"testing"
)

func TestLook(t *testing.T) {
	if os.Getenv("LOOK") == "" {
		t.Skip()
	}
	a := startOn(t, "demo", "2027-01-12")
	p := a.open("/year")
	p.see("[data-food]")
	p.shot("/tmp/shots/year.png")
	p = a.open("/sowings/sheet/raising")
	p.see(".sheet")
	p.shot("/tmp/shots/raising.png")
	p = a.open("/sowings")
	p.see("[data-sowing]")
	p.click(`[data-sowing="27-w5-fresh-1"] .because`)
	p.see(".panel")
	p.shot("/tmp/shots/sowings.png")
	p = a.open("/house", 390, 844)
	p.see(".chart")
	p.clickNamed(".weather .link", "weather station")
	p.eval(`() => document.querySelector('.place-chart').scrollIntoView({block:'center'})`)
	p.shot("/tmp/shots/house-phone.png")
	p = startOn(t, "serve", "2027-04-12").open("/")
	p.see(".welcome")
}
