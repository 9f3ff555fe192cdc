package e2e

import (
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
)

// Whoever comes back after months catches up in a few presses: all that was to be begun is
// put down at once, what it changes is shown before, and undo takes all of it back.
func TestCatchingUpInAFewPresses(t *testing.T) {
	t.Parallel()
	a := startOn(t, "demo", "2027-07-15")
	p := a.open("/daybook")
	p.shows(".behind", "were not recorded")
	fed := p.tally("weeks_fed")
	if fed > 700 {
		t.Errorf("%g weeks are fed by a garden in which only garlic was planted", fed)
	}
	p.clickNamed(".behind a", "Catch up")
	p.see("[data-undone]")
	lines := number(t, p.eval(`() => document.querySelectorAll('[data-undone]').length`))
	if lines < 50 {
		t.Fatalf("%g lines to catch up with in July", lines)
	}
	p.clickNamed(".act .link", "All") // one press
	p.clickNamed(".act button", "Done as planned")
	p.shows(".foresight", "weeks fed")
	if now := p.tally("weeks_fed"); now != fed {
		t.Errorf("it is only shown, but %g weeks are fed, before %g", now, fed)
	}
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(".notice", "Recorded what happened to")
	p.shows(".catch-up", "Nothing is overdue")
	if now := p.tally("weeks_fed"); now < 800 {
		t.Errorf("all is put down, and %g weeks are fed, before %g", now, fed)
	}
	p.press('u')
	p.shows(".notice", "Undid")
	p.until("all of it is back", `n => document.querySelectorAll('[data-undone]').length === n`, lines)
}

// One sowing was not begun, another on a later day; a day that is still to come is refused.
func TestCatchingUpLineByLine(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/daybook/catch-up")
	p.see("[data-undone]")
	p.clickNamed(".place-bar .choice button", "by bed")
	p.shows(".catch-up h3", " bed")
	p.clickNamed(".catch-up h3 button", "Select these")
	p.until("a bed's lines chosen", `() => [...document.querySelectorAll('.catch-up section')].some(s => { const all = [...s.querySelectorAll('[data-undone] input')]; return all.length && all.every(e => e.checked) })`)
	p.clickNamed(".act .link", "None")
	p.clickNamed(".place-bar .choice button", "by day")
	p.click(`[data-undone="27-w3-canned-1"] .el-checkbox`)
	p.fill(`input[aria-label="Done on"]`, "30 May 2027")
	p.clickNamed(".act button", "Done on this day")
	p.shows(".catch-up .wrong", "Choose today or an earlier day")
	p.fill(`input[aria-label="Done on"]`, "2 April")
	p.clickNamed(".act button", "Done on this day")
	p.shows(".foresight", "Tomato, paste")
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(".notice", "Started tomato, paste on 2 Apr")
	p.gone(`[data-undone="27-w3-canned-1"]`)
	p.click(`[data-undone]:first-child .el-checkbox`)
	p.clickNamed(".act button", "Not done")
	p.until("what follows is reckoned", `() => !!document.querySelector('.foresight button:not([disabled])')?.textContent.includes('Use this')`)
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(".notice", "is not sown")
	p.click(`[data-undone]:first-child .el-checkbox`)
	p.clickNamed(".act button", "leave it out")
	p.until("what follows is reckoned", `() => !!document.querySelector('.foresight button:not([disabled])')?.textContent.includes('Use this')`)
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(".notice", "is left out")
	p.press('u')
	p.shows(".notice", "Undid")
}

// The demo household has lived up to the day: what it had to begin is put down, one sowing
// is lost, one came up thin, and the Daybook is of a garden in its season.
func TestTheDemoHasLivedUpToTheDay(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-07-15").open("/daybook")
	p.see("[data-standing]")
	if behind := p.text(".behind"); behind != "" {
		t.Errorf("the household has lived until today, but is told: %s", behind)
	}
	if stand := number(t, p.eval(`() => document.querySelectorAll('[data-standing]').length`)); stand < 20 {
		t.Errorf("%g sowings stand in July", stand)
	}
	if fed := p.tally("weeks_fed"); fed < 800 {
		t.Errorf("%g weeks are fed", fed)
	}
}

// Whoever begins on 20 July gets this year's autumn and winter garden: nothing to catch up
// with, no sowing in the past, and what can be had no more with the day from which it can.
func TestBegunOnTheTwentiethOfJuly(t *testing.T) {
	t.Parallel()
	p := startOn(t, "serve", "2027-07-20").open("/")
	p.begun("carrots 2x week")
	p.see(".wish")
	p.shows(".tally", "year 2027/28")
	p.must(p.see(`[aria-label="New wish"]`).Input("tomatoes 3x week while it lasts"))
	p.shows(".readings", "Understood:")
	p.press(input.Enter)
	p.shows(".notice", "Added")
	p.shows(".over summary", "can no longer be started this year")
	p.click(".over summary")
	p.shows("[data-over]", "again from")
	if fed := p.tally("weeks_fed"); fed < 10 {
		t.Errorf("%g weeks are fed by a garden begun in July", fed)
	}
	p.press('g', 'd')
	p.see(".daybook")
	if behind := p.text(".behind"); behind != "" {
		t.Errorf("who begins today is told: %s", behind)
	}
	p.press('g', 's')
	p.see("[data-sowing]")
	if late := p.text("[data-sowing] .late"); late != "" {
		t.Errorf("a sowing is %s", late)
	}
}

// In July something was lost to animals: what follows is shown before, then it is put down with
// its cause, and stands no more; undo brings it back.
func TestALossIsPutDownWithItsCause(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-07-15").open("/daybook")
	p.see("[data-standing]")
	standing := number(t, p.eval(`() => document.querySelectorAll('[data-standing]').length`))
	id := p.eval(`() => [...document.querySelectorAll('[data-standing]')].find(e => e.textContent.includes('Leek')).dataset.standing`)
	line := `[data-standing="` + id + `"]`
	p.click(line + " .what")
	p.clickNamed(line+" .chip", "some or all failed")
	p.choose("Why it was lost", "animals")
	p.clickNamed(line+" .buttons button", "What changes?")
	p.shows(line+" .foresight", "nothing is left")
	p.shows(line+" .foresight", "weeks fed") // it is worked out, and can be taken
	p.clickNamed(line+" .foresight button", "Use this")
	p.shows(".notice", "ended on 15 Jul: animals")
	p.until("one stands less", `n => document.querySelectorAll('[data-standing]').length === n`, standing-1)
	got, err := p.Evaluate(rod.Eval(`id => fetch('/api/state').then(r => r.json()).then(s => JSON.stringify(s.household.plantings.find(x => x.id === id)?.losses))`, id).ByPromise())
	p.must(err)
	if text := got.Value.Str(); !strings.Contains(text, `"cause":"animals"`) {
		t.Errorf("the loss is kept as %s", text)
	}
	p.press('u')
	p.until("it stands again", `n => document.querySelectorAll('[data-standing]').length === n`, standing)
}

// A whole bed is lost at once: what stood in it alone stands no more, and one undo brings all of
// it back.
func TestAWholeBedIsLost(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-07-15").open("/ground")
	p.see(`[data-plot-bed="b1"] .bed`)
	p.eval(`() => document.querySelector('[data-plot-bed="b1"] .bed').dispatchEvent(new MouseEvent('click', { bubbles: true }))`) // what stands there covers its middle
	p.see("[data-bed-loss]")
	lost := number(t, p.text("[data-bed-loss]"))
	p.click("[data-bed-loss] button")
	p.choose("Why it was lost", "frost")
	p.clickNamed("[data-loss] .buttons button", "What changes?")
	p.shows("[data-loss] .foresight", "weeks fed")
	p.clickNamed("[data-loss] .foresight button", "Use this")
	p.shows(".notice", "Recorded what happened to")
	p.gone("[data-bed-loss]")
	count := `() => fetch('/api/state').then(r => r.json()).then(s => s.household.plantings.filter(x => (x.losses ?? []).some(l => l.cause === 'frost')).length)`
	got, err := p.Evaluate(rod.Eval(count).ByPromise())
	p.must(err)
	if n := got.Value.Num(); n != lost || lost == 0 {
		t.Errorf("%g plantings were lost, %g stood in the bed", n, lost)
	}
	p.press('u')
	p.see("[data-bed-loss]")
}
