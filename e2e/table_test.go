package e2e

import (
	"fmt"
	"math"
	"strconv"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// number reads a number as the interface writes it.
func number(t testing.TB, text string) float64 {
	t.Helper()
	text = strings.NewReplacer("\u2009", "", "−", "-", "\u00a0", " ").Replace(text)
	text = strings.Fields(text)[0]
	v, err := strconv.ParseFloat(text, 64)
	if err != nil {
		t.Fatalf("%q is no number: %v", text, err)
	}
	return v
}

const sauce = `[data-wish="w3"]`

// amountOf is the field with the number of a wish.
func amountOf(wish string) string { return `[data-wish="` + wish + `"] .amount input` }

func (p *page) value(selector string) float64 {
	p.t.Helper()
	text, err := p.see(selector).Text()
	p.must(err)
	return number(p.t, text)
}

func TestFewerJarsChangeEverythingThatHangsOnThem(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	plants, area := p.value(sauce+` [data-figure="wish/w3/plants"]`), p.value(sauce+` [data-figure="wish/w3/area"]`)
	ribbon := `() => [...document.querySelectorAll('` + sauce + ` svg [data-source="canned"]')].map(r => r.getAttribute('d')).join()`
	before := p.eval(ribbon)
	planned, filled := p.planned("jars"), p.tally("jars")
	p.fill(amountOf("w3"), "26")
	p.see(`[data-tally="plants"] .change`)
	p.shows(".notice", "Changed 26 quart jars")
	if now := p.value(sauce + ` [data-figure="wish/w3/plants"]`); now >= plants {
		t.Errorf("26 jars want %g plants, 35 wanted %g", now, plants)
	}
	if now := p.value(sauce + ` [data-figure="wish/w3/area"]`); now >= area {
		t.Errorf("26 jars want %g m², 35 wanted %g", now, area)
	}
	if after := p.eval(ribbon); after == before || before == "" {
		t.Error("the ribbon has not changed")
	}
	if now := p.planned("jars"); now != planned-9 {
		t.Errorf("%g jars are planned, before %g", now, planned)
	}
	// What is filled hangs on the ground that the others then find.
	if now, text := p.tally("jars"), p.text(`[data-tally="jars"] .change`); now != filled && !strings.HasPrefix(text, strings.Replace(fmt.Sprintf("%+g", now-filled), "-", "−", 1)) || now < filled && !strings.Contains(text, "worse") {
		t.Errorf("%g jars are filled, before %g, and the change is told as %q", now, filled, text)
	}
	for tally, want := range map[string]string{"plants": "−", "area": "−"} {
		if text := p.text(`[data-tally="` + tally + `"] .change`); !strings.HasPrefix(text, want) {
			t.Errorf("the tally's %s changed by %q, want %s…", tally, text, want)
		}
	}
	p.shows(sauce, "full canner loads: 21 or 28")
	p.clickNamed(sauce+" .loads button", "28")
	p.shows(".notice", "Changed 28 quart jars")
}

func TestTheWorkingIsTheSum(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.click(sauce + ` [data-figure="wish/w3/canned/harvested"]`)
	p.shows(".drawer", "Harvested weight")
	// Do the sum by hand, from what the drawer shows.
	var v float64
	lines := 0
	for _, row := range p.MustElements(".drawer tbody tr") {
		op := row.MustElement(".op").MustText()
		cell := strings.TrimPrefix(row.MustElement(".value").MustText(), "1 − ")
		n := number(t, cell)
		lost := strings.HasPrefix(row.MustElement(".value").MustText(), "1 − ")
		if strings.Contains(cell, "%") {
			n /= 100
		}
		if lost {
			n = 1 - n
		}
		switch op {
		case "":
			v = n
		case "−":
			v -= n
		case "×":
			v *= n
		case "÷":
			v /= n
		case "=":
			if math.Abs(v-n) > 1e-3*n {
				t.Errorf("by hand it is %g, the drawer says %g", v, n)
			}
		default:
			t.Errorf("an unknown step %q", op)
		}
		lines++
	}
	if shown := p.value(sauce + ` [data-figure="wish/w3/canned/harvested"]`); lines < 7 || math.Abs(v-shown) > 0.06 {
		t.Errorf("%d lines give %g, the table says %g", lines, v, shown)
	}
	p.shows(".drawer .cautions", "please read")
	p.click(".drawer .cautions summary")
	p.shows(".drawer .cautions", "current tested recipe")
	p.press(input.Escape)
	p.gone(".drawer")
}

func TestAnOverruledYieldStandsAfterARestart(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	before := p.value(sauce + ` [data-figure="wish/w3/plants"]`)
	p.click(sauce + ` [data-figure="wish/w3/plants"]`)
	p.clickNamed(".drawer td .link", "Tomato, paste")
	p.clickNamed(".drawer td .link", "Enough in 8 years of 10")
	yield := `.drawer [data-line="Yield of a plant at usual spacing"]`
	p.shows(yield, "usual figure")
	p.click(yield + " .do button")
	p.fill(".drawer .overrule input", "-1")
	p.shows(".drawer .wrong", "Enter a number from")
	p.fill(".drawer .overrule input", "much")
	p.shows(".drawer .wrong", "is not a number")
	p.fill(".drawer .overrule input", "3.5")
	p.shows(yield, "your figure; usual 3 kg")
	after := p.value(sauce + ` [data-figure="wish/w3/plants"]`)
	if after >= before {
		t.Errorf("with more from a plant it wants %g plants, before %g", after, before)
	}
	a.restart()
	p = a.open("/house")
	p.shows(`[aria-label="Your own figures"]`, "Tomato, paste")
	p.shows(`[aria-label="Your own figures"]`, "3.5 kg")
	p = a.open("/table")
	if now := p.value(sauce + ` [data-figure="wish/w3/plants"]`); now != after {
		t.Errorf("after the restart it wants %g plants, before %g", now, after)
	}
	p.click(sauce + ` [data-figure="wish/w3/plants"]`)
	p.clickNamed(".drawer td .link", "Tomato, paste")
	p.clickNamed(".drawer td .link", "Enough in 8 years of 10")
	p.clickNamed(yield+" .do button", "Use the usual figure")
	p.gone(yield + " .mine")
	if now := p.value(sauce + ` [data-figure="wish/w3/plants"]`); now != before {
		t.Errorf("put back it wants %g plants, want %g", now, before)
	}
}

func TestRemoveUndoRedo(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.click(sauce + " .title")
	p.clickNamed(".editor .link", "Remove")
	p.gone(sauce)
	p.shows(".notice", "Removed 35 quart jars")
	p.clickNamed(".steps button", "Undo")
	p.see(sauce)
	p.clickNamed(".steps button", "Redo")
	p.gone(sauce)
	p.clickNamed(".steps button", "Undo")
	p.see(sauce)
}

func TestAWishByLineAndByControls(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	line := `[aria-label="New wish"]`
	p.must(p.see(line).Input("plums 2x week"))
	p.shows(".readings .wrong", "“plums” is not understood")
	p.fill(line, "lettuce")
	p.shows(".readings", "How much? Choose one")
	p.must(p.see(line).SelectAllText())
	p.must(p.see(line).Input("carots 2x week in spring and autumn for the two of us"))
	p.shows(".readings", "2 meals a week · Carrot · fresh, then from storage · March to May and September to November · for 2")
	p.shows(".readings .notes", "“carots” is read as carrot")
	// Not entered: Enter would take the reading that is marked, once it is understood.
	p.must(p.see(line).SelectAllText())
	p.must(p.see(line).Input("12 qt tomato sauce"))
	p.shows(".readings", "It could mean one of these")
	p.clickNamed(".reading", "thick")
	p.press(input.Tab)
	p.must(p.see(line).Focus())
	p.press(input.Enter)
	p.shows(".ledger > :last-child .wish", "Tomato sauce, thick")

	// So many plants, and what they give: eaten fresh, unless it is said otherwise.
	p.must(p.see(line).Input("24 tomato plants"))
	p.shows(".readings", "24 plants · Tomato · fresh")
	p.press(input.Enter)
	p.see(`.ledger > :last-child [aria-label^="How much: Tomato, plants"]`)
	p.shows(".notice", "Added 24 plants · Tomato · fresh")

	p.clickNamed(".add .link", "Fill in a form")
	p.see(".editor")
	p.must(p.see(`.editor [aria-label="Food"]`).Input("parsnip"))
	p.until("the list cut down to it", `() => [...document.querySelectorAll('.el-select-dropdown__item')].filter(e => e.getClientRects().length).map(e => e.textContent).join() === 'parsnip'`)
	p.press(input.Enter)
	p.must(p.see(`.editor [aria-label="How much"]`).SelectAllText())
	p.must(p.see(`.editor [aria-label="How much"]`).Input("0"))
	p.clickNamed(".editor button", "^Add$")
	p.shows(".editor .wrong", "“0” does not work. Enter a number above 0")
	p.must(p.see(`.editor [aria-label="How much"]`).SelectAllText())
	p.must(p.see(`.editor [aria-label="How much"]`).Input("1.5"))
	p.clickNamed(".editor button", "^Add$")
	p.shows(".notice", "Added 1.5 meals a week · Parsnip")
	p.gone(".editor")
}

func TestReorderAndSort(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	first := `() => document.querySelector('.wish').dataset.wish`
	p.see(sauce)
	p.must(p.see(`[data-wish="w2"] .title`).Focus())
	p.must(p.Keyboard.Press(input.AltLeft))
	p.press(input.ArrowUp)
	p.must(p.Keyboard.Release(input.AltLeft))
	p.shows(".notice", "Moved 3 meals a week · Potato")
	if got := p.eval(first); got != "w2" {
		t.Errorf("the first wish is %s, want w2", got)
	}
	p.fill(`[aria-label="Find a food"]`, "garlic")
	p.until("one wish", `() => document.querySelectorAll('.wish').length === 1`)
}

func TestBadAmountsAreToldAtTheField(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	for typed, want := range map[string]string{"-5": "Enter a number above 0", "many": "is not a number", "1e12": "Enter a number above 0", "400000": "at most 5000", "NaN": "is not a number", "0": "above 0"} {
		p.fill(amountOf("w3"), typed)
		p.shows(sauce+" .wrong", want)
		if kept := p.eval(`s => document.querySelector(s).value`, amountOf("w3")); kept != typed {
			t.Errorf("%q was typed, %q is there", typed, kept)
		}
	}
	p.press(input.Escape)
	if _, body := a.get("/api/state"); !strings.Contains(body, `"revision":1,`) {
		t.Error("a refused amount was saved")
	}
}

func TestTwoEditTheSameWish(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	one, two := a.open("/table"), a.open("/table")
	two.see(sauce)
	one.fill(amountOf("w3"), "28")
	one.shows(".notice", "Changed 28 quart jars")
	two.fill(amountOf("w3"), "21")
	two.shows(".problem", "Somebody else changed this first")
	two.until("the other's number", `s => document.querySelector(s).value === '28'`, amountOf("w3"))
}

// tryNow sends Show what waits at once, where the page has not done so by itself meanwhile: it
// looks every few seconds whether it is answered.
func (p *page) tryNow() {
	p.t.Helper()
	p.eval(`() => [...document.querySelectorAll('[data-waiting] button')].find(b => b.textContent === 'Try again')?.click()`)
}

func TestNothingTypedIsLostWhenTheBinaryStops(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	p.see(sauce)
	a.stop()
	p.fill(amountOf("w3"), "28")
	p.shows("[data-waiting]", "One entry is kept on this device")
	if kept := p.eval(`s => document.querySelector(s).value`, amountOf("w3")); kept != "28" {
		t.Errorf("%q is there, want 28", kept)
	}
	p.named("[data-waiting] button", "Try again")
	a.run()
	p.tryNow()
	p.shows(".notice", "Inventory answers again: what waited was sent")
	p.until("the wish of 28 jars", `s => document.querySelector(s).value === '28'`, amountOf("w3"))
	if _, body := a.get("/api/state"); !strings.Contains(body, `"number":28`) {
		t.Error("the edit was not sent")
	}
}

func TestUnitsAreRemembered(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	kg := p.value(sauce + ` [data-figure="wish/w3/canned/harvested"]`)
	p.clickNamed(".units button", "US")
	p.shows(sauce+` [data-figure="wish/w3/canned/harvested"]`, "lb")
	if lb := p.value(sauce + ` [data-figure="wish/w3/canned/harvested"]`); math.Abs(lb-kg/0.45359237) > 0.2 {
		t.Errorf("%g kg are %g lb", kg, lb)
	}
	p.shows(`[data-tally="area"]`, "sq ft")
	p.must(p.Reload())
	p.shows(sauce+` [data-figure="wish/w3/canned/harvested"]`, "lb")
	// What is typed is read in the units shown.
	p.fill(amountOf("w6"), "3")
	p.shows(".notice", "Changed 1.361 kg a week")
	p.clickNamed(".units button", "metric")
	p.until("kilograms", fmt.Sprintf(`s => Math.abs(Number(document.querySelector(s).value) - %g) < 0.001`, 3*0.45359237), amountOf("w6"))
}
