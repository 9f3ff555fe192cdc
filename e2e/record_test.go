package e2e

import (
	"fmt"
	"inventory/internal/standin"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
)

// A line of the daybook says what came in and where it went; what is understood is shown before,
// what cannot be is told at the line and nothing typed is lost; one undo takes it back.
func TestALineOfTheDaybook(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook")
	line := `[aria-label="What happened, as one line"]`
	p.must(p.see(line).Input("3 kg plums"))
	p.shows(".log-line .wrong", "“plums” is not understood")
	p.must(p.see(line).SelectAllText())
	p.must(p.see(line).Input("3 heads lettuce to the neighbour, 1 lost to slugs"))
	p.shows(".understood", "Head lettuce: 4 came in")
	p.press(input.Enter)
	p.shows(".entries", "given away")
	p.shows(".entries", "lost (slugs)")
	if n := number(t, p.eval(`() => document.querySelectorAll('.entries li').length`)); n != 3 {
		t.Errorf("%g entries, want a harvest and two uses", n)
	}
	p.must(p.see(line).Input("gave mum 40 kg of kale"))
	p.press(input.Enter)
	p.shows(".log-line .wrong", "so much kale came in")
	if left := p.eval(fmt.Sprintf(`() => document.querySelector('%s').value`, strings.ReplaceAll(line, `"`, `\"`))); left != "gave mum 40 kg of kale" {
		t.Errorf("what was typed is lost: %q", left)
	}
	p.must(p.see(line).SelectAllText())
	p.must(p.see(line).Input("3 kg chard"))
	p.press(input.Enter)
	p.shows("[data-outlook]", "3 kg picked of")
	p.shows("[data-outlook]", "to come")
	p.clickNamed(".where button", "animals") // where it went, at one press
	p.shows(".entries", "3 kg for the animals")
	p.gone(".where")
	p.must(p.see(line).Input("chard two weeks behind"))
	p.press(input.Enter)
	p.shows(".notice", "behind")
	p.press(input.Escape)
	p.must(p.see("h2").Focus())
	for range 4 {
		p.press('u')
		p.shows(".notice", "Undid")
	}
	p.gone(".entries")
	p.gone("[data-outlook]")
}

// A jar is taken at one press; a changed number is a count of the shelf; what is used up stands
// apart; all of it is undone.
func TestAJarIsTakenAndTheShelfIsCounted(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/shelves")
	p.see("[data-lot]")
	jars := `[aria-label^="How many: Tomato sauce"]`
	before := number(t, p.eval(`() => document.querySelector('[aria-label^="How many: Tomato sauce"]').value`))
	p.click(`[aria-label^="Take 1 of Tomato sauce"]`)
	p.shows(".notice", "1 taken from the shelf")
	there := func(n float64) {
		t.Helper()
		p.until(fmt.Sprintf("%g jars", n), `n => Number(document.querySelector('[aria-label^="How many: Tomato sauce"]').value) === n`, n)
	}
	there(before - 1)
	p.fill(jars, "4")
	p.shows(".notice", "4 counted on the shelf")
	there(4)
	p.fill(jars, "0")
	p.shows(".used", "used up")
	p.press('u')
	there(4)
	p.press('u')
	there(before - 1)
	p.press('u')
	there(before)
}

// Three crops are weighed on a scale whose address is entered in House; it breaks off in between and
// comes back, and what it never settles on is not taken. Two presses from the Daybook enter a harvest.
func TestThreeCropsAreWeighed(t *testing.T) {
	t.Parallel()
	device := httptest.NewServer(standin.NewScale(time.Now))
	defer device.Close()
	simulate := func(body string) {
		t.Helper()
		res, err := http.Post(device.URL+"/simulate", "application/json", strings.NewReader(body))
		if err != nil || res.StatusCode != http.StatusNoContent {
			t.Fatalf("%s: %v", body, err)
		}
		_ = res.Body.Close()
	}
	p := livedOn(t, "2027-08-20").open("/house")
	address := `[aria-label="Address of the scale"]`
	p.must(p.see(address).Input(device.URL + "/nowhere"))
	p.clickNamed(`[aria-label="Kitchen scale"] button`, "Save and try it")
	p.shows(`[aria-label="Kitchen scale"] .wrong`, "what answers there is none")
	p.must(p.see(address).SelectAllText())
	p.must(p.see(address).Input(device.URL))
	p.clickNamed(`[aria-label="Kitchen scale"] button`, "Save and try it")
	p.shows(`[aria-label="Kitchen scale"]`, "It answers: 0")

	p.press('g', 'd')
	p.clickNamed(".today a", "Weigh in") // the first press
	p.shows("[data-scale]", "stable")
	simulate(`{"kg": 0.35}`)
	p.shows("[data-scale] .shows", "0.35")
	p.shows("[data-scale]", "stable")
	p.clickNamed("[data-scale] button", "Tare the empty basket")
	p.until("the basket is tared", `() => Number(document.querySelector('[data-scale] .shows b').textContent) === 0`)
	simulate(`{"kg": 2.75}`)
	p.clickNamed(`[data-picking="tomato-slicing"] button`, "Tomato, slicing") // the second: it waits until the weight is stable
	p.shows(".entries", "Tomato, slicing: 2.4 kg came in")

	simulate(`{"gone": true}`)
	p.shows("[data-scale]", "The scale cannot be read")
	p.fill(`[data-picking="chard"] [aria-label="What it weighs: Chard"]`, "1.2") // typed meanwhile
	p.shows(".entries", "Chard: 1.2 kg came in")
	simulate(`{"gone": false, "kg": 1.25, "unit": "lb"}`)
	p.shows("[data-scale]", "stable")
	p.clickNamed(`[data-picking="kale"] button`, "Kale")
	p.shows(".entries", "Kale: 0.9 kg came in")

	simulate(`{"kg": 20}`)
	p.shows("[data-scale]", "too heavy for the scale")
	p.clickNamed(`[data-picking="kale"] button`, "Kale")
	p.shows(".weigh .wrong", "it is overloaded")
	simulate(`{"kg": 0.35}`)
	p.shows("[data-scale]", "stable")
	p.clickNamed(`[data-picking="kale"] button`, "Kale")
	p.shows(".weigh .wrong", "it shows nothing")
	if n := number(t, p.eval(`() => document.querySelectorAll('.entries li').length`)); n != 3 {
		t.Errorf("%g entries, three crops were weighed", n)
	}
	for range 3 {
		p.press('u')
		p.shows(".notice", "Undid")
	}
	p.gone(".entries")
}

// An evening in the kitchen: what came in waits until it must be used, a load is filled of which one
// jar does not seal, and the shelf has the others.
func TestAnEveningInTheKitchen(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook/kitchen")
	p.shows(".kitchen", "Nothing is waiting in the kitchen")
	p.press('g', 'd')
	line := `[aria-label="What happened, as one line"]`
	p.must(p.see(line).Input("22 kg paste tomatoes"))
	p.press(input.Enter)
	p.shows(".entries", "Tomato, paste: 22 kg came in")
	p.clickNamed(".today a", "Put up")
	p.shows(`[data-waits="tomato"]`, "22 kg")
	p.shows(`[data-waits="tomato"]`, "use by 1 Sep 2027")
	sauce := `[data-makes="tomato-sauce-thick"]`
	p.shows(sauce, "the plan still needs")
	p.clickNamed(sauce+" button", "Put up as")
	p.shows(sauce, "tested recipe")
	p.fill(sauce+` [aria-label="Filled"]`, "0")
	p.clickNamed(sauce+" button", "Add to shelf")
	p.shows(sauce+" .wrong", "Enter how many were filled")
	p.fill(sauce+` [aria-label="Filled"]`, "7")
	p.fill(sauce+` [aria-label="Did not seal"]`, "9")
	p.clickNamed(sauce+" button", "Add to shelf")
	p.shows(sauce+" .wrong", "0 to 7")
	p.fill(sauce+` [aria-label="Did not seal"]`, "1")
	p.clickNamed(sauce+" button", "Add to shelf")
	p.shows(".entries", "Tomato sauce, thick: 7 filled, 1 did not seal")
	p.press('g', 'l')
	p.until("six jars on the shelf", `() => [...document.querySelectorAll('[aria-label^="How many: Tomato sauce, thick"]')].some(e => e.value === '6')`)
	p.press('u')
	p.until("they are gone", `() => ![...document.querySelectorAll('[aria-label^="How many: Tomato sauce, thick"]')].some(e => e.value === '6')`)
}

// What came in of each food and where it went stands in one table; entries are found by their words.
func TestWhatCameInOverTheYear(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook/record")
	p.shows(".record", "Nothing was recorded in these days")
	p.press('g', 'd')
	line := `[aria-label="What happened, as one line"]`
	for _, text := range []string{"8 kg slicing tomatoes on 1 august, 2 kg to the neighbour", "3 kg chard", "aphids on the kale"} {
		p.must(p.see(line).Input(text))
		p.press(input.Enter)
		p.until("it is entered", `() => !document.querySelector('[aria-label="What happened, as one line"]').value`)
	}
	p.clickNamed(".today a", "What came in")
	p.shows(`[data-balance="tomato"]`, "8 kg")
	p.shows(`[data-balance="tomato"]`, "6 kg") // not said
	p.shows(`[data-balance="chard"]`, "3 kg")
	p.shows(".entries", "Noted: aphids on the kale")
	p.must(p.see(`[aria-label="Find in the records"]`).Input("kale aphids"))
	p.until("one is found", `() => document.querySelectorAll('.entries li').length === 1`)
	p.must(p.see(`[aria-label="Find in the records"]`).Input(" unicorns"))
	p.shows(".record", "No entry in these days holds")
	p.choose("Which days", "this week")
	p.gone(`[data-balance="tomato"]`)
	p.shows(`[data-balance="chard"]`, "3 kg")
}
