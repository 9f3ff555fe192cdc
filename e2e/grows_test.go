package e2e

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// Whoever begins on 20 July puts down what is growing already, sees what follows, and has it in its
// bed, in the Daybook and on Ground; one undo takes it back.
func TestWhatGrowsIsPutDown(t *testing.T) {
	t.Parallel()
	a := startOn(t, "demo", "2027-07-20")
	p := a.open("/daybook")
	p.clickNamed(".daybook a", "Enter it|what is growing already")
	p.see("[data-grows]")
	fill := func(row string, what, count string) {
		p.chooseIn(row, "Crop", what)
		p.fill(row+` [aria-label="How many"]`, count)
	}
	first := "[data-grows]:nth-of-type(1)"
	fill(first, "Tomato, slicing (indeterminate)", "12")
	p.chooseIn(first, "In which bed", "Reed bed")
	p.fill(first+` [aria-label="How many weeks ago"]`, "8")
	p.until("the day eight weeks ago", `s => document.querySelector(s).value === '25 May 2027'`, first+` input[aria-label="On which day"]`)
	second := "[data-grows]:nth-of-type(2)"
	p.see(second)
	fill(second, "Storage carrot", "6")
	p.chooseIn(second, "Measured in", "m of row")
	p.clickNamed(".grows button", "What changes")
	p.shows(".foresight", "weeks fed")
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(".notice", "Recorded 2 crops that are growing already")
	p.clickNamed(".spine a", "Daybook")
	p.shows("[data-standing]", "Tomato, slicing")
	p.clickNamed(".spine a", "Ground")
	p.shows(`[data-plot-bed] [data-piece^="grows-tomato-slicing"] title`, "Tomato, slicing, 12 plants")
	p.see(`[data-piece^="grows-tomato-slicing"] .piece.stands`)
	p.shows("[data-held]", "Beds are kept")
}

// What cannot grow is told at its line, and nothing typed is lost.
func TestAWrongLineOfWhatGrowsIsTold(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-07-20").open("/daybook/growing")
	p.choose("Crop", "Tomato, slicing (indeterminate)")
	p.fill(`[aria-label="How many"]`, "4000")
	p.choose("In which bed", "Reed bed")
	p.clickNamed(".grows button", "What changes")
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows("[data-grows] .wrong", "or leave the bed out")
	p.until("what was typed", `() => document.querySelector('[aria-label="How many"]').value === '4000'`)
}

// What is at hand is planned so by two presses.
func TestWhatIsAtHandIsPlanned(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/ask")
	p.clickNamed(".add button", "young plants")
	p.choose("Kind: young plants", "Tomato, slicing (indeterminate)")
	p.shows("[data-gives]", "Tomato, slicing")
	p.clickNamed("[data-gives] button", "Plan this")
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(".notice", "omato, slicing is to be started on")
	p.clickNamed(".notice .link", "Undo")
	p.shows(".notice", "Undid")
}

// In the season the first look at Ground holds the places; what falls free is told, and shows
// what can follow.
func TestPlacesAreHeldInTheSeason(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-07-15").open("/ground")
	p.shows("[data-held]", "Beds are kept")
	p.click("[data-freed] button")
	p.shows(".free-ground", "free on")
	field := p.see(`.scrub .date input`)
	p.must(field.SelectAllText())
	p.must(field.Input("1 Sep 2027"))
	p.must(field.Type(input.Enter))
	p.shows(".scrub .when", "1 Sep")
	p.clickNamed(".scrub button", "Today")
	p.shows(".scrub .when", "15 Jul")
	p.press(input.Escape)
	p.clickNamed("[data-held] button", "Choose all beds again")
	p.shows(".notice", "Kept every bed as it is") // the season goes on: the new places are held
}

// A frost night that the station forecasts is told in the Daybook; the list of sowings says how
// sure each is before the frost of autumn.
func TestFrostIsForetold(t *testing.T) {
	t.Parallel()
	a := livedOn(t, "2027-05-10")
	p := a.open("/daybook")
	p.shows("[data-frost]", "Frost is possible in the night to Thursday, 13 May")
	p.shows("[data-frost] li", "Tomato, paste")
	p.clickNamed(".spine a", "Sowings")
	p.shows("[data-chance]", "ready before frost")
}
