package e2e

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// task is something that people come to do: where they are when they begin, and the most key
// presses and clicks that it may take from there.
type task struct {
	name  string
	at    string // the page on which they are
	most  int
	steps func(p *page)
}

// do does tasks one after the other in one household, and holds each to its presses.
func do(t *testing.T, day string, tasks []task) {
	for name, size := range map[string][]int{"desk": {1280, 800}, "phone": {390, 844}} {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			a := startOn(t, "demo", day)
			for _, x := range tasks {
				p := a.open(x.at, size...)
				p.see("h2")
				x.steps(p)
				if p.presses > x.most {
					t.Errorf("%s took %d presses, want at most %d", x.name, p.presses, x.most)
				}
				t.Logf("%s: %d presses", x.name, p.presses)
				p.must(p.Close())
			}
		})
	}
}

// line types a line into a field, and enters it.
func (p *page) line(field, text string) {
	p.t.Helper()
	p.click(field)
	p.typed(text)
	p.shows("body", "Understood:")
	p.press(input.Enter)
}

// Ten tasks of a first year, in winter at the table.
func TestTenTasksOfAFirstYear(t *testing.T) {
	t.Parallel()
	do(t, "2027-01-12", []task{
		{"add a food by its name alone", "/table", 10, func(p *page) {
			p.click(`[aria-label="New wish"]`)
			p.typed("mizuna")
			p.clickNamed(".reading", "meal")
			p.shows(".readings", "Understood:")
			p.press(input.Enter)
			p.shows(".notice", "dded")
		}},
		{"change how often it is eaten", "/table", 4, func(p *page) {
			p.fill(amountOf("w1"), "3")
			p.see(".notice")
		}},
		{"see how a number is worked out, and use a figure of one's own", "/table", 12, func(p *page) {
			p.click(sauce + ` [data-figure="wish/w3/canned/harvested"]`)
			p.shows(".drawer", "Harvested weight")
			p.clickNamed(".drawer .link", "Use my figure")
			p.press('1', '0', input.Enter)
			p.shows(".drawer", "your figure")
		}},
		{"take that back", "/table", 1, func(p *page) {
			p.see(`[data-tally]`)
			p.press('u')
			p.shows(".notice", "Undid")
		}},
		{"say that guests come", "/house", 2, func(p *page) {
			p.clickNamed(`[aria-label="Guests"] .link`, "Add guests")
			p.see(`[aria-label="How many people: Guests"]`)
		}},
		{"say which soil a bed has", "/ground/beds", 4, func(p *page) {
			p.click(`[data-bed="b1"] [aria-expanded]`)
			p.presses += 2 // the list is opened, and a soil pressed
			p.chooseIn(`[data-bed="b1"]`, "Kind of soil", "clay: stays wet")
			p.shows(".notice", "Mill bed")
		}},
		{"fit the wishes to the beds", "/ground", 3, func(p *page) {
			p.clickNamed(".views button", "fit the wishes")
			p.see(".fit-wishes")
		}},
		{"ask how many plants some jars want", "/ask", 30, func(p *page) {
			p.click(`[aria-label="How many plants for"]`)
			p.typed("20 qt tomato sauce")
			p.shows(`[data-question="plants"] [data-preview]`, "sowing from")
		}},
		{"keep the plan", "/sowings", 2, func(p *page) {
			p.clickNamed(".agree .link", "Keep this plan")
			p.shows(".agree", "No changes since")
		}},
		{"get the seed and shopping list", "/daybook", 3, func(p *page) {
			p.click(`.links [href="/paper"]`)
			p.click(`[href="/paper/shopping"]`)
			p.shows(".paper", "Seed")
		}},
	})
}

// Ten tasks of a week in spring, in the garden with dirty hands.
func TestTenTasksOfASpringWeek(t *testing.T) {
	t.Parallel()
	do(t, "2027-04-21", []task{
		{"tick a sowing that is done", "/daybook", 1, func(p *page) {
			p.click(`[data-task="sow"] .tick`)
			p.see(".notice") // there is none before
		}},
		{"enter that another was done yesterday", "/daybook", 14, func(p *page) {
			line := `[data-task="sow"]`
			p.click(line + " .what")
			p.click(line + " .date .earlier")
			p.clickNamed(line+" .el-button", "Save")
			p.see(".notice")
		}},
		{"weigh in what was picked", "/daybook", 25, func(p *page) {
			p.line(`[aria-label="What happened, as one line"]`, "0.5 kg spinach")
			p.shows(`[aria-label="Recorded in the last seven days"]`, "0.5 kg")
		}},
		{"take jars from the shelf", "/shelves", 30, func(p *page) {
			p.line(`[aria-label="What happened, as one line"]`, "took 1 jar of strawberry jam")
			p.shows(".notice", "taken")
		}},
		{"add a job of one's own", "/daybook/work", 30, func(p *page) {
			p.click(`[aria-label="What is the job?"]`)
			p.typed("Mend the fence")
			p.press(input.Enter)
			p.until("the job has its row", `() => [...document.querySelectorAll('.job input')].some(i => i.value === 'Mend the fence')`)
		}},
		{"tick it", "/daybook", 1, func(p *page) {
			p.click(`[data-chore="Mend the fence"] .tick`)
			p.gone(`[data-chore="Mend the fence"]`)
		}},
		{"choose what is done for a crop", "/daybook/work?crop=tomato-slicing", 2, func(p *page) {
			p.click(`[aria-label="Use: Tie up the new growth"]`)
			p.see(`[data-step="Tie up the new growth"]`)
		}},
		{"see what stands in a bed", "/ground", 3, func(p *page) {
			if p.eval(`() => innerWidth < 600`) == "true" {
				p.click(`[aria-label="The next bed"]`)
				p.shows(".one", "Next")
				return
			}
			p.click(`[data-plot-bed] .label`)
			p.see(".free-ground")
		}},
		{"enter which pest was seen, and see what keeps it off", "/daybook/work", 40, func(p *page) {
			p.click(`[aria-label="Which pest did you see?"]`)
			p.typed("Slugs")
			p.presses += 2 // the list is opened, and a crop pressed
			p.choose("On which crop", "Kale")
			p.clickNamed("button", "Enter it")
			p.clickNamed(`[data-seen="Slugs"] button`, "What keeps it off")
			p.clickNamed(`[data-seen="Slugs"] .ways button`, "See what that changes")
			p.see(`[data-seen="Slugs"] .foresight`)
		}},
		{"see what to water", "/daybook", 1, func(p *page) {
			p.shows(".water", "Water this week")
			p.clickNamed(".water .link", "Show all")
			p.until("all beds that want water", `() => document.querySelectorAll('.water li').length > 3`)
		}},
		{"get the week on paper", "/daybook", 2, func(p *page) {
			p.click(`[href="/paper/week"]`)
			p.shows(".card", "Week of 19 Apr 2027")
		}},
	})
}
