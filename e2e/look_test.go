package e2e

import (
	"os"
	"testing"
)

func TestLook(t *testing.T) {
	if os.Getenv("LOOK") == "" {
		t.Skip()
	}
	a := startOn(t, "demo", "2027-05-05")
	p := a.open("/daybook")
	p.see(".todo li")
	p.shot("/tmp/shots/daybook.png")
	p = a.open("/sowings")
	p.see("[data-sowing]")
	p.clickNamed(".choice button", "over the year")
	p.see("[data-bar]")
	p.shot("/tmp/shots/time.png")
	p = a.open("/house")
	p.see(".chart")
	p.shot("/tmp/shots/house.png")
}
