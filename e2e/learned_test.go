package e2e

import "testing"

// What the record teaches is told with what it was learned from; a bed is switched off, said by hand and
// learned again, and the plan follows.
func TestWhatTheGardenTeaches(t *testing.T) {
	t.Parallel()
	p := recordedOn(t, "2027-04-21").open("/house")
	p.clickNamed(".parts a", "What your garden teaches")
	p.shows(".learned", "2026 was a poor year")
	reed := `[data-effect="Reed bed"]`
	p.shows(reed, "% less than your other beds (in 8 of 10 cases")
	p.shows(".learned", "Learned from")
	p.shows("[data-learned]", "the book says")
	p.click(`[aria-label="Switch off: Reed bed"]`)
	p.shows(reed, "is switched off")
	p.click(`[aria-label="Say it yourself: Reed bed"]`)
	p.fill(reed+` [aria-label="By how much Reed bed gives more"]`, "-30")
	p.shows(reed, "gives 30 % less than your other beds, as you say")
	p.click(`[aria-label="Learn it again: Reed bed"]`)
	p.shows(reed, "in 8 of 10 cases")
	p.clickNamed(".steps button", "Undo")
	p.shows(reed, "as you say")
}

// Where nothing was weighed nothing is learned, and it is said what to do.
func TestNothingIsLearnedYet(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.begun("6 heads lettuce a week may-oct")
	p.eval(`() => { location.href = '/house/learned' }`)
	p.shows(".learned", "Nothing is learned yet")
}
