package e2e

import (
	"fmt"
	"io"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// gaps returns how many weeks of a wish's ribbon nothing feeds.
func (p *page) gaps(wish string) int {
	p.t.Helper()
	p.see(`[data-wish="` + wish + `"] svg`)
	return int(number(p.t, p.eval(`w => document.querySelector('[data-wish="' + w + '"] [data-source="gap"]')?.dataset.weeks ?? 0`, wish)))
}

// overTheYear opens Sowings as a timeline.
func (p *page) overTheYear() {
	p.t.Helper()
	p.see("[data-sowing]")
	p.clickNamed(".choice button", "over the year")
	p.see("[data-bar]")
}

func TestASowingIsMovedByKeys(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	before := p.gaps("w1") // carrots, fresh and from the store
	fed := p.tally("weeks_fed")
	p.press('g', 's')
	p.overTheYear()
	bar := `[data-crop="carrot-storage"] [data-bar] [role="slider"]`
	day := p.text(`[data-crop="carrot-storage"] [data-bar] b`)
	p.must(p.see(bar).Focus())
	p.must(p.Keyboard.Press(input.ShiftLeft))
	for range 9 {
		p.press(input.ArrowLeft)
	}
	p.must(p.Keyboard.Release(input.ShiftLeft))
	p.shows(".notice", "Moved storage carrot from "+day)
	p.shows(`[data-crop="carrot-storage"]`, "date fixed by you")
	p.shows(".notice", "changed")
	if now := p.tally("weeks_fed"); now >= fed {
		t.Errorf("lifted nine weeks early the carrots feed as long: %g weeks, before %g", now, fed)
	}
	p.press('g', 't')
	if now := p.gaps("w1"); now <= before {
		t.Errorf("%d gaps in the ribbon, before %d", now, before)
	}
	p.press('u')
	p.shows(".notice", "Undid")
	p.until("the gap closed", `([w, n]) => Number(document.querySelector('[data-wish="' + w + '"] [data-source="gap"]')?.dataset.weeks ?? 0) === n`, []any{"w1", before})
}

func TestASowingIsDrawnByHand(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	p.overTheYear()
	axis := p.see(`[data-crop="beet"] [data-bar] .axis`)
	p.must(axis.ScrollIntoView())
	box := axis.MustShape().Box()
	day := p.text(`[data-crop="beet"] [data-bar] b`)
	y := box.Y + box.Height/2
	p.must(p.Mouse.MoveTo(proto.NewPoint(box.X+box.Width/2, y)))
	p.must(p.Mouse.Down(proto.InputMouseButtonLeft, 1))
	p.must(p.Mouse.MoveLinear(proto.NewPoint(box.X+box.Width/2-40, y), 6))
	p.must(p.Mouse.Up(proto.InputMouseButtonLeft, 1))
	p.shows(".notice", "Moved beet from "+day)
	// Opened, it may be let go again.
	p.click(`[data-crop="beet"] [data-bar] .for`)
	p.clickNamed(".panel .link", "Let the plan choose again")
	p.shows(".notice", "Let the plan choose again")
	p.shows(`[data-crop="beet"] [data-bar]`, day)
}

func TestACropsOwnWays(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	p.overTheYear()
	p.click(`[data-crop="pepper-sweet"] .name`)
	was := p.text(`[data-crop="pepper-sweet"] .why p`)
	p.choose("First date set by", "when it is warm enough")
	p.shows(`[data-crop="pepper-sweet"] .why`, "average low")
	if now := p.text(`[data-crop="pepper-sweet"] .why p`); now == was {
		t.Errorf("by temperature the window is still %q", now)
	}
	p.fill(`[data-crop="pepper-sweet"] [aria-label="Not in the bed before, day"]`, "5")
	p.choose("Not in the bed before, month", "June")
	p.shows(`[data-crop="pepper-sweet"] .why`, "you said not before 5 Jun")
}

func TestATaskIsPutDownWithLess(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-03-17").open("/daybook")
	line := `[data-task="sow"][data-crop="Pepper, sweet"]`
	p.shows(line, "42 cells")
	p.click(line + " .what")
	p.fill(line+` [aria-label^="How much was done"]`, "30")
	p.clickNamed(line+" .el-button", "Save")
	p.shows(".notice", "30 of 42 cells")
	p.clickNamed(".notice .link", "what changed")
	p.shows(".moves", "Pepper")
	p.until("the line gone", `s => ![...document.querySelectorAll(s)].some(e => e.textContent.includes('42 cells'))`, line)
	p.shows("[data-standing]", "Pepper, sweet")
	p.shows("[data-standing]", "wanted")
	p.shows(".done", "30 cells")
	p.press('u')
	p.shows(line, "42 cells")
	// Done with one press, and half of it comes up.
	p.click(line + " .tick")
	p.shows(".done", "Pepper")
	p.must(p.named("[data-standing] .what", "Pepper, sweet").Click(proto.InputMouseButtonLeft, 1))
	p.must(p.named("[data-standing]", "Pepper, sweet").MustElementR("button", "half came up").Click(proto.InputMouseButtonLeft, 1))
	p.shows(".notice", "50 of 100 plants")
	p.must(p.named("[data-standing]", "Pepper, sweet").MustElementR("button", "three weeks behind").Click(proto.InputMouseButtonLeft, 1))
	p.shows("[data-standing]", "21 days behind")
}

func TestAFutureDayIsNotDone(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-03-17").open("/daybook")
	line := `[data-task="sow"][data-crop="Pepper, sweet"]`
	p.click(line + " .what")
	field := p.see(line + ` .date input`)
	p.must(field.SelectAllText())
	p.must(field.Input("1 April"))
	p.clickNamed(line+" .el-button", "Save")
	p.shows(line+" .wrong", "Choose today or an earlier day")
	p.see(line)
}

func TestThePlanIsAgreedTo(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	p.clickNamed(".agree .link", "Keep this plan")
	p.shows(".agree", "No changes since")
	p.press('g', 't')
	p.see(".wish")
	p.must(p.see(`[aria-label="New wish"]`).Input("12 pints thick tomato sauce"))
	p.shows(".readings", "Understood:")
	p.press(input.Enter)
	p.shows(".notice", "dded")
	p.press(input.Escape)
	p.press('g', 's')
	p.shows(".agree", "changed since")
	p.clickNamed(".agree .link", "changed since")
	p.shows(".agree .moves", "Tomato, paste")
	p.clickNamed(".agree .link", "Keep the new plan")
	p.shows(".agree", "No changes since")
}

func TestAWeatherFileMovesTheWindows(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/sowings")
	p.overTheYear()
	window := `[data-crop="tomato-paste"] .window`
	p.see(window)
	was := p.eval(`s => document.querySelector(s).title`, window)
	var text strings.Builder
	text.WriteString("Date,TMin,TMax\n")
	for day := 0; day < 6*365; day++ {
		d := dateOf(2020, 1, 1).AddDate(0, 0, day)
		low, high := 6, 24
		if d.YearDay() < 145 || d.YearDay() > 265 { // frosts until late May, from late September on
			low, high = -2, 9
		}
		fmt.Fprintf(&text, "%s,%d,%d\n", d.Format(time.DateOnly), low, high)
	}
	file := filepath.Join(t.TempDir(), "cold.csv")
	p.must(os.WriteFile(file, []byte(text.String()), 0o644))
	p.press('g', 'h')
	p.must(p.see(`input[type="file"][aria-label="A weather file"]`).SetFiles([]string{file}))
	p.shows(`[role="status"]`, "From 2190 days")
	p.clickNamed("button", "Save")
	p.shows(".notice", "Changed the place")
	p.press('g', 's')
	p.overTheYear()
	if now := p.eval(`s => document.querySelector(s)?.title ?? 'none'`, window); now == was || !strings.Contains(now, "May") && !strings.Contains(now, "none") && !strings.Contains(now, "Apr") {
		t.Errorf("before %q, now %q", was, now)
	}
}

func TestTheStationIsFetched(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/house")
	p.clickNamed(".weather .link", "weather station")
	p.until("the address of the station", `() => document.querySelector('[aria-label="Address of the weather station"]').value.startsWith('http://')`)
	p.clickNamed(".weather .el-button", "Show its locations")
	p.clickNamed(".weather .link", "South coast")
	p.shows(`[role="status"]`, "11 whole years")
	p.clickNamed("button", "Save")
	p.shows(".notice", "recorded weather")
	p.shows(`[aria-label="Location and climate"]`, "days of real weather")
	p.until("the southern latitude", `() => document.querySelector('[aria-label="Latitude"]').value.includes('43')`)
	p.shows(".place-chart", "this year’s days")
	p.fill(`[aria-label="Address of the weather station"]`, "http://127.0.0.1:1")
	p.shows(".wrong", "a station that answers")
	p.clickNamed(".link", "Remove this weather")
	p.shows(".notice", "Removed the recorded weather")
}

var pdfPage = regexp.MustCompile(`/Type\s*/Page[^s]`)

func TestTheSheetsPrintAPageAMonth(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	for _, kind := range []string{"sowing", "raising"} {
		for _, paper := range []struct {
			name          string
			width, height float64
		}{{"A4", 595, 842}, {"Letter", 612, 792}} {
			p := a.open("/sowings/sheet/" + kind)
			p.see(".sheet")
			p.clickNamed(".choice button", paper.name)
			months := number(t, p.eval(`() => document.querySelectorAll('.sheet').length`))
			r, err := p.PDF(&proto.PagePrintToPDF{PreferCSSPageSize: true})
			p.must(err)
			body, err := io.ReadAll(r)
			p.must(err)
			if pages := len(pdfPage.FindAll(body, -1)); pages != int(months) || months < 5 {
				t.Errorf("%s on %s: %d pages for %g months", kind, paper.name, pages, months)
			}
			box := regexp.MustCompile(`/MediaBox\s*\[\s*0\s+0\s+([\d.]+)\s+([\d.]+)`).FindSubmatch(body)
			if box == nil || number(t, string(box[1])) < paper.width-2 || number(t, string(box[1])) > paper.width+2 || number(t, string(box[2])) < paper.height-2 || number(t, string(box[2])) > paper.height+2 {
				t.Errorf("%s is printed on %s", paper.name, box)
			}
		}
	}
}

func TestTheMoonIsShownWhenAsked(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/daybook")
	p.see(".daybook")
	if strings.Contains(p.text(".daybook"), "Full") {
		t.Error("the moon shows unasked")
	}
	p.clickNamed(".el-checkbox", "show the moon")
	p.shows(".daybook", "Full 22 Jan")
	p.shows(".daybook", "No date in the plan depends on it")
}

func dateOf(year, month, day int) time.Time {
	return time.Date(year, time.Month(month), day, 0, 0, 0, 0, time.UTC)
}

// On a phone, with one thumb: the boxes are large, nothing is cut off, and what
// is put down by mistake is taken back.
func TestTheDaybookOnAPhone(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-21").open("/daybook", 390, 844)
	p.see("[data-task]")
	if wide := number(t, p.eval(`() => document.documentElement.scrollWidth`)); wide > 390 {
		t.Errorf("the page is %g wide", wide)
	}
	small := p.eval(`() => [...document.querySelectorAll('.tick')].filter(e => e.getBoundingClientRect().height < 40 || e.getBoundingClientRect().width < 40).length`)
	if small != "0" {
		t.Errorf("%s boxes are too small for a thumb", small)
	}
	box := `[data-task="sow"][data-crop="Spinach"] .tick`
	p.click(box)
	p.shows(".notice", "Sow in the bed: spinach, 21 Apr")
	p.shows("[data-standing]", "Spinach")
	p.clickNamed(".notice .link", "Undo")
	p.shows(".notice", "Undid")
	p.until("spinach no longer stands", `() => ![...document.querySelectorAll('[data-standing]')].some(e => e.textContent.includes('Spinach'))`)
	p.press(']')
	p.shows(".todo h3", "Week of 26 Apr")
	p.press('[')
	p.shows(".todo h3", "This week")
}

// What will not be sown is given up, and does not come again.
func TestASowingIsGivenUp(t *testing.T) {
	t.Parallel()
	p := startOn(t, "demo", "2027-04-01").open("/daybook")
	line := `[data-task="sow"][data-crop="Chard"]`
	p.click(line + " .what")
	p.clickNamed(line+" .link", "Skip it")
	p.shows(".notice", "Chard of 24 Mar is not sown")
	p.until("the overdue chard gone", `() => !document.querySelector('[aria-label="Overdue"] [data-crop="Chard"]')`)
	p.press('u')
	p.see(`[aria-label="Overdue"] [data-crop="Chard"]`)
}
