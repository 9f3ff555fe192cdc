package e2e

import (
	"testing"

	"github.com/go-rod/rod/lib/proto"
)

func TestLook(t *testing.T) {
	a := start(t, "demo")
	p := a.open("/year")
	p.see("[data-food]")
	p.shot("/tmp/shots/year.png")
	p = a.open("/year/14")
	p.see("[data-eaten]")
	p.shot("/tmp/shots/week.png")
	p = a.open("/shelves")
	p.see("[data-lot]")
	p.shot("/tmp/shots/shelves.png")
	p = a.open("/house/book")
	p.see("[data-book]")
	p.click(`[data-book="pole-bean"] .head`)
	p.shot("/tmp/shots/book.png")
	p = a.open("/house", 1280, 1600)
	p.see(".chart")
	p.shot("/tmp/shots/house.png")
	p = a.open("/table")
	p.see(`[data-wish="w1"] .title`)
	p.click(`[data-wish="w1"] .title`)
	p.see(".editor .ways-list li")
	p.shot("/tmp/shots/table.png")
	p = a.open("/year", 390, 844)
	p.see("[data-food]")
	p.shot("/tmp/shots/year-phone.png")
	p = a.open("/year/14", 390, 844)
	p.see("[data-eaten]")
	p.shot("/tmp/shots/week-phone.png")
	_ = proto.PageCaptureScreenshotFormatPng
}
