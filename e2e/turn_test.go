package e2e

import (
	"strings"
	"testing"
)

// Where the beds do not hold all, Table says what is lost; one press fits the wishes to the
// ground, then all of it has some, and one undo brings every wish back.
func TestTheWishesAreFittedInOnePress(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.shows(".ground-line", "no room")
	p.see(".ledger path.bare")
	fed, wishes := p.tally("weeks_fed"), number(t, p.eval(`() => document.querySelectorAll('.ledger .wish').length`))
	p.clickNamed(".ground-line a", "Fit my wishes to the beds")
	p.see("[data-left-out]")
	left := number(t, p.eval(`() => document.querySelectorAll('[data-left-out]').length`))
	p.shows(".fit-wishes", "kept whole")
	p.clickNamed(".fit-wishes button", "Grow this")
	p.shows(".notice", "left out")
	p.until("fewer wishes", `n => document.querySelectorAll('.ledger .wish').length === n`, wishes-left)
	if now := p.tally("weeks_fed"); now <= fed {
		t.Errorf("%g weeks are fed, before %g", now, fed)
	}
	p.gone(".ground-line")
	p.press('u')
	p.shows(".notice", "Undid")
	p.until("every wish is back", `n => document.querySelectorAll('.ledger .wish').length === n`, wishes)
	if now := p.tally("weeks_fed"); now != fed {
		t.Errorf("taken back, %g weeks are fed, before %g", now, fed)
	}
	p.shows(".ground-line", "no room")
}

// In January the next year is begun: what stands is told before and goes on standing, with its
// bed; one undo brings the old year back.
func TestTheNextYearIsBegun(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2028-01-10").open("/year-end")
	p.shows(".tally", "year 2027/28")
	p.clickNamed(".turn button", "Look at the next year")
	p.shows("[data-coming]", "With your wishes as they are, 2028 would have")
	p.clickNamed("[data-coming] button", "sowings")
	p.shows("[data-coming] li", "Bulb onion")
	p.shows(".turn .over", "Kale")
	p.shows(".turn .over", "Leek")
	p.clickNamed(".turn button", "Start the year 2028")
	p.shows(".tally", "year 2028/29")
	p.press('g', 'd')
	p.shows("[data-standing]", "Kale")
	if where := p.eval(`() => [...document.querySelectorAll('[data-standing]')].find(e => e.textContent.includes('Kale'))?.textContent ?? ''`); !strings.Contains(where, "bed") {
		t.Errorf("the kale stands in no bed: %s", where)
	}
	p.press('g', 'e')
	p.clickNamed(".before button", "Look at the year 2027, which has ended")
	p.shows("[data-before]", "The year 2027 fed")
	p.clickNamed("[data-before] button", "sowings")
	p.shows("[data-before] li", "Sweet corn")
	p.press('u')
	p.gone(".before")
	p.shows(".tally", "year 2027/28")
}

// At the year's end each wish is told with what came of it; what is proposed for the next year is taken
// line by line, and begun with it; one undo takes wishes and year back.
func TestTheYearsEndMakesTheNextWishes(t *testing.T) {
	t.Parallel()
	p := recordedOn(t, "2027-11-20").open("/year-end")
	p.shows(`[data-food="potato"]`, "came in")
	p.shows(`[data-food="tomato"] [data-year-of]`, "weeks fed")
	p.shows(".all", "are proposed")
	// In passing: nobody eats it. Then it is proposed to grow none; taken back, it is not.
	lettuce := `[data-food="lettuce"] `
	p.clickNamed(lettuce+".said button", "nobody eats it")
	p.shows(lettuce, "You said that nobody eats it")
	p.shows(lettuce+".act", "Grow none next year")
	p.clickNamed(lettuce+".said button", "Remove")
	p.shows(lettuce+".said", "In passing")
	onion := `[data-food="onion"] [data-year-of]`
	p.shows(onion, "You ate")
	p.fill(onion+` .few input`, "2")
	p.click(onion + ` [aria-label^="Take it"]`)
	p.shows(onion, "Next year 2 kg a week")
	p.shows(".all", "1 is taken")
	p.clickNamed(".turn button", "Look at the next year")
	p.shows(".turn .over", "1 changed wish and none left out")
	p.clickNamed(".turn button", "Start the year 2028")
	p.shows(".tally", "year 2028/29")
	p.press('g', 't')
	p.until("two kilograms of onions", `() => [...document.querySelectorAll('.wish')].some(e => e.textContent.includes('Onion') && e.querySelector('input')?.value === '2')`)
	p.press('u')
	p.shows(".tally", "year 2027/28")
	p.until("as it was wished", `() => [...document.querySelectorAll('.wish')].some(e => e.textContent.includes('Onion') && e.querySelector('input')?.value === '1.1')`)
}

// The years stand side by side, in all, by crop and by bed.
func TestTheYearsSideBySide(t *testing.T) {
	t.Parallel()
	p := recordedOn(t, "2027-04-21").open("/year-end")
	p.clickNamed(".bar a", "The years side by side")
	p.shows(".years", "came in")
	p.shows(".years thead", "2026")
	p.must(p.see(`[aria-label="Find a crop"]`).Input("paste"))
	p.shows(`[data-years-of="tomato-paste"]`, "2025")
	p.until("other crops are gone", `() => document.querySelectorAll('[data-years-of]').length === 1`)
	p.clickNamed(".pick button", "each bed")
	p.shows(`[data-years-of="b6"]`, "2026")
}
