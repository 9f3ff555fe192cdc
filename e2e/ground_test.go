package e2e

import (
	"io"
	"net/http"
	"regexp"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// scrubTo shows the ground on a day, by the slider.
func (p *page) scrubTo(day string) {
	p.t.Helper()
	p.see("[data-piece], [data-part]")
	p.eval(`day => {
		const r = document.querySelector('[aria-label="The day that is shown"]')
		const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
		const [d, m, y] = document.querySelector('.when').textContent.trim().split(' ')
		const now = Date.UTC(+y, months.indexOf(m), +d)
		r.value = Number(r.value) + Math.round((Date.parse(day) - now) / 864e5)
		r.dispatchEvent(new Event('input'))
	}`, day)
}

// shortage is what the ground is short of, m² · weeks, once the layout on the screen is of
// the plan as it stands.
func (p *page) shortage() float64 {
	p.t.Helper()
	p.until("the layout of this plan", `() => document.querySelector('.sum') && !document.querySelector('.sum [data-old]')`)
	got, err := p.Evaluate(rod.Eval(`() => fetch('/api/layout').then(r => r.json()).then(l => l.short)`).ByPromise())
	p.must(err)
	return got.Value.Num()
}

// From a measured plot to beds, all by keyboard and figures; a bed that would lie
// over another is refused with how far.
func TestAPlotIsDividedIntoBeds(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.begun("6 heads lettuce a week may-oct")
	p.see(".wish")
	p.press('g', 'o')
	p.fill(`[aria-label="Length of the plot"]`, "12")
	p.fill(`[aria-label="Width of the plot"]`, "8")
	p.clickNamed(".divide button", "How many beds fit")
	p.shows(".shares", "5 beds")
	p.eval(`() => [...document.querySelectorAll('.shares li')].find(e => e.textContent.includes('5 beds')).querySelector('.link').click()`)
	p.shows(".notice", "Laid out 5 beds")
	p.shows(".sum", "everything has room")
	p.until("five beds drawn", `() => document.querySelectorAll('[data-plot-bed]').length === 5`)
	p.press('n')
	row := `[data-bed=""]`
	p.fill(row+` [aria-label="From the left"]`, "0.5")
	p.fill(row+` [aria-label="From the front edge"]`, "0.5")
	p.must(p.named(row+" .link", "Add").Focus())
	p.press(input.Enter)
	p.shows(row+" .wrong", "overlap by")
	p.fill(row+` [aria-label="Length"]`, "-2")
	p.press(input.Enter)
	p.clickNamed(row+" .link", "Add")
	p.shows(row+" .wrong", "a number from 0.2 to 500")
	// Measured from a bed that is there, it lies beside it: off the plot here, and told so.
	p.fill(row+` [aria-label="Length"]`, "3")
	p.choose("Placed beside", "Bed 5")
	p.until("a place beside it", `() => document.querySelector('[data-bed=""] [aria-label="From the left"]').value !== '0.5'`)
	p.clickNamed(row+" .link", "Cancel")
	p.gone(row)
	// The arrow keys move a bed; the next one is in the way.
	p.must(p.see(`.bed .grip`).Focus())
	p.press(input.ArrowRight)
	p.shows(".notice", "Changed Bed 1")
	// One of them becomes three, and twelve grow bags stand beside.
	p.click(`[aria-label="More of Bed 5"]`)
	p.fill(`[aria-label="Into how many parts"]`, "3")
	p.clickNamed(".divide .link", "Split this bed")
	p.shows(".notice", "Divided Bed 5 into 3")
	p.until("seven beds", `() => document.querySelectorAll('.bed[data-bed]').length === 7`)
}

// The week scrubbed to August shows what stands then; a bed less leaves more
// without ground, and taking that back mends it.
func TestTheGroundIsScrubbed(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	p.see("[data-piece]")
	p.scrubTo("2027-08-02")
	p.shows(".when", "2 Aug 2027")
	p.shows(".plot", "Tomato, paste")
	p.press(']')
	p.shows(".when", "9 Aug 2027")
	short := p.shortage()
	p.clickNamed(".choice button", "the beds")
	p.clickNamed(`[data-bed] .link`, "Remove")
	p.shows(".notice", "Removed")
	if more := p.shortage(); more <= short {
		t.Errorf("with a bed less %g m² weeks are short, before %g", more, short)
	}
	p.press('u')
	p.shows(".notice", "Undid")
	if now := p.shortage(); now != short {
		t.Errorf("taken back, %g m² weeks are short, before %g", now, short)
	}
}

// A planting moved by keys into a bed where its family stood last year: the rules
// answer while it is held there, the rotation is bent, and the mark is seen; taken
// back, it is gone from there.
func TestTheRotationIsBent(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	p.scrubTo("2027-08-02")
	p.must(p.see(`[data-piece="27-w3-canned-1"]`).Focus())
	p.press(input.Enter)
	p.shows(".card", "Tomato, paste")
	p.shows(".card", "The tomato family grew too recently in")
	p.shows(".card", "Next best")
	p.clickNamed(".card .link", "all 10 beds")
	p.shows(`.card [data-choice="b1"]`, "same family there in 2026")
	p.click(`[aria-label="Move it to Mill bed"]`)
	p.shows(".card .wrong", "the tomato family grew here in 2026 and may return in")
	p.clickNamed(".card .link", "Move it by keys")
	p.shows(".in-hand", "Tomato, paste over")
	p.until("what the rules say", `() => !document.querySelector('.in-hand')?.textContent.includes("Checking")`)
	for range 10 { // up to the first bed
		p.press(input.ArrowUp)
	}
	p.shows(".in-hand", "over Mill bed")
	p.shows(".in-hand", "same family grew there in 2026")
	p.press(input.Enter) // the rule holds against it
	p.clickNamed(".in-hand button", "Allow it here this year")
	p.shows(".notice", "Put Tomato, paste of")
	p.gone(".in-hand")
	p.shows(".card", "exception: same family here in 2026")
	p.shows(".card", "fixed by you")
	p.see(".piece.bent")
	p.press('u')
	p.shows(".notice", "Undid")
	p.gone(".piece.bent")
	p.clickNamed(".spine button", "US")
	p.must(p.see(`[data-piece="27-w3-canned-1"]`).Focus()) // in hand on the plot too
	p.press('m')
	p.shows(".in-hand", "Tomato, paste over Alder bed")
	p.press(input.Escape)
	p.gone(".in-hand")
	p.shows(`.card [data-choice="b9"]`, "it needs 68 ft 11 in, the bed has 65 ft 7 in")
}

// A planting dragged to another bed of the chart lies there, and stays.
func TestAPlantingIsDragged(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground/year")
	p.see("[data-part]")
	p.shortage()
	part := p.see(`[data-band="b4"] [data-part="27-w3-canned-1"]`)
	p.must(part.ScrollIntoView())
	box, err := part.Shape()
	p.must(err)
	at := box.Box()
	band, err := p.see(`[data-band="b2"] svg`).Shape()
	p.must(err)
	p.must(p.Mouse.MoveTo(proto.Point{X: at.X + at.Width/2, Y: at.Y + 4}))
	p.must(p.Mouse.Down(proto.InputMouseButtonLeft, 1))
	p.must(p.Mouse.MoveLinear(proto.Point{X: at.X + at.Width/2, Y: band.Box().Y + 5}, 6))
	p.shows(".in-hand", "over Weir bed")
	p.until("what the rules say", `() => /would move|free/.test(document.querySelector('.in-hand')?.textContent ?? '')`)
	p.must(p.Mouse.Up(proto.InputMouseButtonLeft, 1))
	p.shows(".notice", "Put Tomato, paste of")
	p.see(`[data-band="b2"] [data-part="27-w3-canned-1"].held`)
	p.shortage()
	// And by keys alone: taken in hand, three beds down, put down.
	p.must(p.see(`[data-band="b2"] [data-part="27-w3-canned-1"]`).Focus())
	p.press('m')
	p.until("what the rules say", `() => /would move|free/.test(document.querySelector('.in-hand')?.textContent ?? '')`)
	for _, over := range []string{"Ford bed", "Alder bed", "Heron bed"} {
		p.press(input.ArrowDown)
		p.shows(".in-hand", "over "+over)
	}
	p.press(input.Enter)
	p.see(`[data-band="b5"] [data-part="27-w3-canned-1"].held`)
	p.gone(".in-hand")
	p.must(p.see(`[data-band="b5"] [data-part="27-w3-canned-1"]`).Focus())
	p.press('m')
	p.see(".in-hand")
	p.press(input.Escape)
	p.gone(".in-hand")
}

// A way out is tried, the shortage falls by what it said, and undo brings it back.
func TestAWayOutIsTried(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	p.see("[data-left]")
	short := p.shortage()
	p.clickNamed(".ways-out button", "What would help?")
	p.see("[data-remedy]")
	gain := number(t, regexp.MustCompile(`([\d.]+) m² weeks more`).FindStringSubmatch(p.text("[data-remedy] .does"))[1])
	p.click(`[data-remedy] .link`)
	p.see(".notice")
	if now := p.shortage(); now >= short || short-now < gain-1 || short-now > gain+1 {
		t.Errorf("%g m² weeks were short, the way takes away %g, now %g are", short, gain, now)
	}
	p.press('u')
	p.shows(".notice", "Undid")
	if now := p.shortage(); now != short {
		t.Errorf("taken back, %g m² weeks are short, before %g", now, short)
	}
}

// While nothing is edited a better layout is searched for. It is offered, and the layout
// stays as it is until it is taken; then so much more has ground as was said, and undo
// brings the old one back.
func TestABetterLayoutIsOffered(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	short := p.shortage()
	p.shows("[data-offer]", "plantings in other beds")
	gain := number(t, regexp.MustCompile(`([\d.]+) m² weeks more`).FindStringSubmatch(p.text("[data-offer]"))[1])
	if now := p.shortage(); now != short {
		t.Errorf("it is only offered, but the shortage is %g after %g", now, short)
	}
	p.clickNamed("[data-offer] button", "Use this")
	p.see(".notice")
	if now := p.shortage(); gain <= 0 || short-now < gain-1 || short-now > gain+1 {
		t.Errorf("%g m² weeks were short, it gives ground to %g, now %g are", short, gain, now)
	}
	p.press('u')
	p.shows(".notice", "Undid")
	if now := p.shortage(); now != short {
		t.Errorf("taken back, %g m² weeks are short, before %g", now, short)
	}
}

// A long search says how far it has come, and can be stopped and begun again.
func TestALongSearchIsStopped(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	p.see("[data-left]")
	p.clickNamed(".ways-out button", "What would help?")
	p.until("how far it has come", `() => /\d+ of \d+ options checked/.test(document.querySelector('.ways-out .remedies')?.textContent ?? '')`)
	p.clickNamed(".ways-out .remedies button", "Stop")
	p.gone(".ways-out .remedies")
	p.clickNamed(".ways-out button", "What would help?")
	p.see("[data-remedy]")
}

// A crop that stands keeps its ground: it is drawn, nothing is laid on it, and once
// it is cleared the ground is free again.
func TestWhatStandsKeepsItsGround(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground/beds")
	p.click(`[aria-label="More of Heron bed"]`)
	p.clickNamed(".now .link", "Add what is growing here")
	p.choose("Growing here", "Leek")
	p.fill(`[aria-label="Length of bed"]`, "40")
	p.eval(`() => { const e = document.querySelector('[aria-label="Growing until"]'); e.value = '2027-09-01'; e.dispatchEvent(new Event('input')) }`)
	p.clickNamed(".standing button", "Save")
	p.shows(".wrong", "at most 30.00 m")
	p.fill(`[aria-label="Length of bed"]`, "30")
	p.clickNamed(".standing button", "Save")
	p.shows(".notice", "Changed Heron bed")
	p.shows(".now", "Leek on 30 m")
	p.clickNamed(".choice button", "over the year")
	p.shortage()
	p.see(`[data-band="b5"] .stands`)
	p.until("nothing laid on it", `() => [...document.querySelectorAll('[data-band="b5"] [data-part]')].every(e => +e.getAttribute('x') >= +document.querySelector('[data-band="b5"] .stands').getAttribute('width') - 1)`)
	p.clickNamed(".choice button", "the beds")
	p.click(`[aria-label="More of Heron bed"]`)
	p.click(`[aria-label="Cleared: Leek"]`)
	p.shows(".notice", "Changed Heron bed")
	p.gone(`.now b`)
}

// The plot prints on one page, the beds a card each; the drawing opens by itself,
// and a bed of 30 m is 300 mm long on paper at 1 : 100.
func TestTheGroundOnPaper(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/ground/sheet?day=2027-08-02")
	p.see(".plot-sheet [data-piece]")
	r, err := p.PDF(&proto.PagePrintToPDF{PreferCSSPageSize: true})
	p.must(err)
	body, err := io.ReadAll(r)
	p.must(err)
	if pages := len(pdfPage.FindAll(body, -1)); pages != 1 {
		t.Errorf("the plot prints on %d pages", pages)
	}
	p.clickNamed(".choice button", "a card for each bed")
	p.until("a card for each bed", `() => document.querySelectorAll('.bed-card').length === 11`)
	p.shows(".bed-card", "grew before: 2025")
	got, err := http.Get(a.url + "/api/plot.svg?day=2027-08-02")
	p.must(err)
	defer got.Body.Close()
	if kind := got.Header.Get("Content-Type"); got.StatusCode != http.StatusOK || kind != "image/svg+xml" {
		t.Fatalf("%d %s", got.StatusCode, kind)
	}
	p = a.open("/api/plot.svg?day=2027-08-02")
	p.until("a bed of 300 mm", `() => {
		const bed = document.querySelector('[id="bed-b1"] rect').getBoundingClientRect()
		return document.documentElement.tagName === 'svg' && Math.abs(bed.width / 96 * 25.4 - 300) < 1.5 && Math.abs(bed.height / 96 * 25.4 - 12) < 0.8
	}`)
}

// What the ground is given: a material with both prices says which is cheaper, too
// much is flagged, and the barrels spare the tap.
func TestTheGroundIsCaredFor(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground/care")
	p.shows(`[data-order="Compost"]`, "7.20 m³")
	p.shows(`[data-order="Compost"]`, "bulk, by 544.00")
	p.fill(`[aria-label="Material"]`, "Topsoil")
	p.fill(`[aria-label="How deep"]`, "-1")
	p.clickNamed(`[aria-label="Fill and cover"] button`, "Add")
	p.shows(".care .wrong", "above 0")
	p.fill(`[aria-label="How deep"]`, "20")
	p.clickNamed(`[aria-label="Fill and cover"] button`, "Add")
	p.shows(`[data-order="Topsoil"]`, "72 m³")
	p.fill(`[aria-label="What you spread"]`, "Old manure")
	p.fill(`[aria-label="How much of it"]`, "5")
	p.fill(`[aria-label="Nitrogen in it"]`, "0.6")
	p.clickNamed(`[aria-label="Feed"] button`, "Add")
	p.shows(`[aria-label="Feed"]`, "too much in 11 beds")
	p.shows(".cautions", "Before you dig, spread, build")
	tap := p.text(`[aria-label="Water"] .quiet b`)
	p.fill(`[aria-label="Rain barrels hold"]`, "9000")
	p.until("less from the tap", `was => document.querySelector('[aria-label="Water"] .quiet b').textContent !== was`, tap)
}

// What can still go into a bed on a day.
func TestWhatCanStillGoIn(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	p.scrubTo("2027-09-06")
	p.click(`[data-plot-bed="b5"] .bed`)
	p.shows(".free-ground", "Heron bed, free on 6 Sep")
	p.shows(".free-ground", "crops that still fit")
	p.shows(".free-ground", "Radish")
	p.clickNamed(".free-ground .green > .link", "all")
	p.click(`.free-ground [data-green="winter-rye"] .link`)
	p.shows(".free-ground .sown", "Winter rye")
	p.clickNamed(".steps button", "Undo")
	p.gone(".free-ground .sown")
	p.press(input.Escape)
	p.gone(".free-ground")
}

// What throws a shadow gives the beds their hours of sun; a pairing is ticked, a
// family bent, a year of history put down; each can be taken back.
func TestHowTheGroundIsKept(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground/beds")
	p.click(`[aria-label="More of Weir bed"]`)
	p.shows(`[data-bed="b2"] .sun`, "Hours of sun by month")
	sun := p.text(`[data-bed="b2"] .sun`)
	p.fill(`[aria-label="What throws shade"]`, "Poplars")
	p.fill(`[aria-label="Its height"]`, "25")
	p.fill(`[aria-label="Its distance"]`, "16")
	p.fill(`[aria-label="Its width"]`, "60")
	p.clickNamed(`[aria-label="The plot"] button`, "Add")
	p.shows(`[aria-label="The plot"]`, "Poplars, 25 m high")
	p.until("less sun", `was => document.querySelector('[data-bed="b2"] .sun').textContent !== was`, sun)
	p.click(`[aria-label="Remove Poplars"]`)
	p.until("the sun as before", `was => document.querySelector('[data-bed="b2"] .sun').innerText === was`, sun)
	p.clickNamed(`[aria-label="Rules for the beds"] .el-checkbox`, "Spinach between Bush bean")
	p.shows(".notice", "Changed the rules for beds")
	p.click(`[aria-label="Mill bed in 2024: nothing recorded"]`)
	p.choose("Families in Mill bed in 2024", "corn family flour corn, popcorn, sweet corn · Poaceae")
	p.shows(".notice", "Changed Mill bed")
	p.until("what was put down", `() => document.body.textContent.includes('corn family')`)
	p.press(input.Escape)
	p.press('u')
	p.shows(".notice", "Undid")
	p.clickNamed(`[aria-label="Families by bed and year"] .link`, "Record 2027 as planned")
	p.shows(".notice", "Changed 11 beds")
	p.shows(`[aria-label="Families by bed and year"]`, "2027 is recorded as planned")
}

// In the garden one wants to know where: the Daybook and the list of sowings say in
// which bed, but not of what is done indoors.
func TestWhereItGoes(t *testing.T) {
	t.Parallel()
	a := startOn(t, "demo", "2027-05-04")
	p := a.open("/daybook", 390, 844)
	line := `[data-task="sow"][data-crop="Dry bean"]`
	p.shows(line+" .more", "bed from")
	bed := strings.TrimSpace(p.text(line + " .more span"))
	p.click(line + " .tick")
	p.gone(line)
	// Sown, it stands there, and the card says so.
	p = a.open("/ground/year")
	p.must(p.see(`[data-part].held[aria-label^="Dry bean in "]`).Focus())
	p.press(input.Enter)
	p.shows(".card", "it grows here")
	p.shows(".card", "It was sown or planted here.")
	if where := p.text(".card .where b"); !strings.Contains(bed, where) {
		t.Errorf("it was to go to %q, and stands in %q", bed, where)
	}
	p = startOn(t, "demo", "2027-03-16").open("/daybook")
	p.see(`[data-task="sow"][data-crop="Tomato, paste"]`)
	if text := p.text(`[data-task="sow"][data-crop="Tomato, paste"]`); strings.Contains(text, "bed") {
		t.Errorf("sown indoors: %q", text)
	}
}

// What stands already, in a bed that nobody has said, is asked for; said, it stays.
func TestWhatStandsIsAskedFor(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/ground")
	p.shortage()
	p.gone("[data-unsaid]")
	p.click(`[data-piece="27-w37-fresh-1-stands"]`)
	p.shows(".card", "It was sown or planted here.")
	p.clickNamed(".card .link", "Let the plan choose the bed")
	p.shows(".notice", "Undo")
	p.press(input.Escape)
	p.shows(`[data-unsaid="27-w37-fresh-1-stands"]`, "bed from")
	p.clickNamed(`[data-unsaid] .link`, "Yes")
	p.shows(".notice", "Recorded where Asparagus")
	p.gone("[data-unsaid]")
}

// A household with nothing but an open plot and a few pots has its ground too.
func TestAFieldAndPots(t *testing.T) {
	t.Parallel()
	p := start(t, "serve").open("/")
	p.begun("20 heads lettuce")
	p.see(".wish")
	p.press('g', 'o')
	p.see(".divide")
	p.press('n')
	row := `[data-bed=""]`
	p.choose("What it is", "containers, grow bags")
	p.fill(row+` [aria-label="Containers"]`, "40")
	p.clickNamed(row+" .link", "Add")
	p.shows(row+" .wrong", "a number from 1 to 2000")
	p.fill(row+` [aria-label="Litres of one"]`, "60")
	p.clickNamed(row+" .link", "Add")
	p.shows(".notice", "Added Bed 1")
	p.shows(".sum", "6.1 m² in 1 bed")
	p.see("[data-piece]")
	p.until("the pots", `() => document.querySelectorAll('.pot').length === 39`)
	p.press('n')
	p.choose("What it is", "rows in a plot without beds")
	p.fill(row+` [aria-label="Length"]`, "10")
	p.fill(row+` [aria-label="Width"]`, "6")
	p.clickNamed(row+" .link", "Add")
	p.shows(".notice", "Added Bed 2")
	p.shows(".sum", "66.1 m² in 2 beds")
	p.shows(".sum", "everything has room")
}

// A step of the scrubber, by the browser's own count of the time spent in scripts.
func BenchmarkScrubber(b *testing.B) {
	p := start(b, "demo").open("/ground")
	p.scrubTo("2027-03-01")
	p.shortage()
	p.must(proto.PerformanceEnable{}.Call(p))
	spent := func() map[string]float64 { // seconds
		m, err := proto.PerformanceGetMetrics{}.Call(p)
		p.must(err)
		out := map[string]float64{}
		for _, x := range m.Metrics {
			out[x.Name] = x.Value
		}
		return out
	}
	const steps = 40
	before := spent()
	n := 0
	for b.Loop() {
		n++
		p.eval(`async n => {
			const r = document.querySelector('[aria-label="The day that is shown"]')
			for (let i = 0; i < n; i++) {
				r.value = Number(r.value) + 7 < Number(r.max) ? Number(r.value) + 7 : 0
				r.dispatchEvent(new Event('input'))
				await new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
			}
		}`, steps)
	}
	after := spent()
	for metric, unit := range map[string]string{"ScriptDuration": "ms-script/step", "TaskDuration": "ms-task/step"} {
		b.ReportMetric((after[metric]-before[metric])*1000/float64(n*steps), unit)
	}
}
