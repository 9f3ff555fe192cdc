package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
)

// tally returns a figure of the tally as a number, once it is worked out what has ground.
func (p *page) tally(key string) float64 {
	p.t.Helper()
	p.until("the tally of this plan", `() => document.querySelector('[data-tally]') && !document.querySelector('[data-tally].pending')`)
	return number(p.t, p.text(`[data-tally="`+key+`"] .figure`))
}

// planned is a figure of the plan's own tally, as if there were room for all.
func (p *page) planned(key string) float64 {
	p.t.Helper()
	got, err := p.Evaluate(rod.Eval(`k => fetch('/api/state').then(r => r.json()).then(s => s.plan.tally[k])`, key).ByPromise())
	p.must(err)
	return got.Value.Num()
}

func TestThreeLinesGiveThreeRibbons(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.see(".wish")
	line := `[aria-label="New wish"]`
	for i, text := range []string{"rutabaga 1x week nov-mar, cellar", "half kg chard a week while it lasts", "12 pints thick tomato sauce"} {
		p.must(p.see(line).Input(text))
		p.shows(".readings", "Understood:")
		p.press(input.Enter)
		p.until("the new ribbon", `n => document.querySelectorAll('.ledger .wish').length === n && !!document.querySelector('.ledger > :last-child .wish svg [data-source]')`, 41+i)
	}
	p.shows(`.ledger > :last-child .wish`, "pint jars")
}

func TestAGapIsClosedByTickingFrozen(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.shows(`[data-wish="w1"] .short`, "8")
	freezer, plants := p.tally("freezer"), p.tally("plants")
	p.click(`[data-wish="w1"] .title`)
	p.shows(".remedies", "Carrots, frozen")
	p.shows(".remedies", "fills all 8")
	p.clickNamed(".editor .el-checkbox", "frozen")
	p.clickNamed(".editor button", "Save")
	p.gone(".editor")
	p.shows(`[data-wish="w1"] .short`, "–")
	p.see(`[data-wish="w1"] [data-source="frozen"]`)
	if now := p.tally("freezer"); now <= freezer {
		t.Errorf("the freezer holds %g L, before %g", now, freezer)
	}
	if now := p.tally("plants"); now <= plants {
		t.Errorf("it takes %g plants, before %g", now, plants)
	}
	p.see(`[data-tally="freezer"] .change`)
}

func TestAWayOutOfTheListIsTaken(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/year")
	p.clickNamed(`[data-food="w6"] button`, "25")
	p.clickNamed(".remedies li", "^Buy")
	p.click(`[aria-label^="Use this: buy"]`)
	p.shows(`[data-food="w6"]`, "–")
	p.see(`[data-food="w6"] rect[data-source="bought"]`)
	p.shows(".notice", "Changed 1.1 kg a week · Onion")
}

func TestWhatStandsOnTheShelfNeedNotBeGrown(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	pickles := `[data-wish="w12"] [data-figure="wish/w12/pickled/harvested"]`
	p.see(pickles)
	before := p.value(pickles)
	p.clickNamed(".spine a", "Shelves")
	p.clickNamed(".shelves button", "Add to shelf")
	p.see(".lot-form")
	p.must(p.see(`[aria-label="Food"]`).Input("dill pickles, fresh"))
	p.until("the list cut down to it", `() => [...document.querySelectorAll('.el-select-dropdown__item')].filter(e => e.getClientRects().length).length === 1`)
	p.press(input.Enter)
	p.fill(`.lot-form [aria-label="Put up or stored on"]`, "last week")
	p.shows(".lot-form .wrong", "a date such as 2026-09-20")
	p.fill(`.lot-form [aria-label="Put up or stored on"]`, "2026-09-01")
	p.shows(".lot-form .wrong", "a number above 0")
	p.fill(`.lot-form [aria-label="How many"]`, "12")
	p.clickNamed(".lot-form button", "Add")
	p.gone(".lot-form")
	p.shows(".notice", "Added 12 pickled cucumber")
	p.clickNamed(".spine a", "Table")
	p.see(pickles)
	if now := p.value(pickles); now >= before {
		t.Errorf("with twelve jars more on the shelf it takes %g, before %g", now, before)
	}
	p.click(pickles)
	p.shows(".drawer", "Still on the shelf at the next harvest")
}

func TestTheShelfIsReadFromAFile(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/shelves")
	p.see("[data-lot]")
	write := func(name, text string) string {
		file := filepath.Join(t.TempDir(), name)
		p.must(os.WriteFile(file, []byte(text), 0o600))
		return file
	}
	head := "food,form,preparation,count,size,unit,put_up,until,store,note\n"
	p.must(p.see(`input[type="file"]`).SetFiles([]string{write("wrong.csv", head+"carot,cellar,,1,10,kg,2026-10-01,,,\nbeet,cellar,,two,10,kg,2026-10-01,,Attic,\n")}))
	p.shows(".shelves .wrong", "line 2, food: “carot” does not work. Enter a food of the crop book; the nearest is carrot")
	p.shows(".shelves .wrong", "line 3, count")
	p.shows(".shelves .wrong", "the name of one of your storage places")
	p.must(p.see(`input[type="file"]`).SetFiles([]string{write("right.csv", head+"parsnip,cellar,,3,5,kg,2026-11-02,,Earth cellar,under straw\ntomato,juiced,tomato-juice,6,,,2026-09-01,,,\n")}))
	p.shows(".read", "2 items in the file")
	p.clickNamed(".read button", "Add all to shelf")
	p.shows(".notice", "Added 2 items to the shelf")
	p.shows(".shelves", "under straw")
	_, csv := a.get("/api/shelf-file")
	if !strings.Contains(csv, "parsnip,cellar,,3,5,kg,2026-11-02,,Earth cellar,under straw") || !strings.Contains(csv, "tomato,juiced,tomato-juice,6,0.946353,L,2026-09-01") {
		t.Errorf("the file written is\n%s", csv)
	}
}

// A weather file moves the windows: a place with frosts three weeks later sows
// its tomatoes later.
func TestAWeatherFileMovesTheDates(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house")
	p.see(".chart")
	dir := t.TempDir()
	wrong := filepath.Join(dir, "wrong.csv")
	p.must(os.WriteFile(wrong, []byte("DATE,TMAX,TMIN\n2019-01-01,3,-2\n2019-01-02,warm,-2\n"), 0o600))
	p.must(p.see(`[aria-label="A weather file"]`).SetFiles([]string{wrong}))
	p.shows(`[aria-label="Location and climate"] .wrong`, "line 3, TMAX: “warm” does not work. Enter a number from -70 to 60")
	maxima := []float64{3, 5, 10, 15, 20, 23, 26, 25, 21, 15, 8, 4}
	var text strings.Builder
	text.WriteString("date,tmax,tmin\n")
	for year := 2015; year < 2022; year++ {
		for month := 1; month <= 12; month++ {
			for d := 1; d <= 28; d++ {
				lowest := maxima[month-1] - 9
				if month == 5 && d == 18+year%3 || month == 9 && d == 25 {
					lowest = -1
				} else if month > 5 && month < 10 {
					lowest = max(lowest, 2)
				}
				fmt.Fprintf(&text, "%d-%02d-%02d,%g,%g\n", year, month, d, maxima[month-1], lowest)
			}
			if month == 1 || month == 7 { // a year wants 330 days
				fmt.Fprintf(&text, "%d-%02d-29,%g,%g\n", year, month, maxima[month-1], maxima[month-1]-9)
			}
		}
	}
	right := filepath.Join(dir, "right.csv")
	p.must(os.WriteFile(right, []byte(text.String()), 0o600))
	p.must(p.see(`[aria-label="A weather file"]`).SetFiles([]string{right}))
	p.shows(`[aria-label="Location and climate"]`, "7 whole years")
	p.clickNamed("button", "Save")
	p.shows(".notice", "Changed the place")
	p = a.open("/sowings")
	p.shows(`[data-sowing="27-w3-canned-1"]`, "26 May") // planted out a week after 19 May, no longer on 5 May
}

func TestAWeekIsOpenedAndPinned(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/year")
	p.see(`[data-food="w1"] rect`)
	p.must(p.see(".ledger").Focus())
	for range 14 {
		p.press(input.ArrowRight)
	}
	p.shows(".caption", "week of 4 Aug")
	p.press(input.Enter)
	p.shows(".week-page h2", "4 Aug – 10 Aug 2027")
	p.shows(`[data-eaten="w1"]`, "Summer carrot")
	p.shows(".side", "Tomato, paste")
	p.shows(".side", "batches possible")
	fed := p.planned("weeks_fed")
	p.click(`[aria-label="Pin Carrot this week"]`)
	p.choose("Where Carrot comes from this week", "bought")
	p.see(`[data-eaten="w1"][data-source="bought"]`)
	if now := p.planned("weeks_fed"); now != fed-1 {
		t.Errorf("%g weeks are fed, before %g", now, fed)
	}
	p.press(']')
	p.shows(".week-page h2", "11 Aug")
	p.see(`[data-eaten="w1"][data-source="fresh"]`)
	p.press('[')
	p.shows(`[data-eaten="w1"]`, "pinned")
	p.click(`[aria-label="Pin Carrot this week"]`)
	p.choose("Where Carrot comes from this week", "usual order")
	p.see(`[data-eaten="w1"][data-source="fresh"]`)
	p.clickNamed(".week-page .link", "the year")
	p.see(`[data-food="w1"]`)
}

func TestTheKitchenIsTooFullAndIsRelieved(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.see(amountOf("w9"))
	p.fill(amountOf("w9"), "140")
	p.shows(".spine", "too much to put up")
	p.clickNamed(".spine a", "Year")
	p.see(`[aria-label="To put up by week"] [data-over]`)
	p.shows(".overs", "more than the kitchen can do")
	if asked := p.eval(`() => performance.getEntriesByType('resource').filter(e => e.name.includes('/api/remedies')).length`); asked != "0" {
		t.Errorf("the ways of full weeks were reckoned %s times before anybody asked", asked)
	}
	p.clickNamed(".overs button", "What would help")
	p.shows(".overs .remedies", "One more kitchen evening in every week")
	p.shows(".overs .remedies", "Green beans, canned")
	p.press('u')
	p.shows(".spine", "the kitchen can keep up")
	p.gone(`[aria-label="To put up by week"] [data-over]`)
	p.press('U')
	p.see(`[aria-label="To put up by week"] [data-over]`)
	if p.text(".overs .remedies") == "" {
		p.clickNamed(".overs button", "What would help")
	}
	p.clickNamed(".overs .remedies li .what", "Green beans, canned: .* jars instead of 140")
	p.click(`.overs [aria-label^="Use this: Green beans, canned:"][aria-label*="jars instead"]`)
	p.shows(".notice", "Changed")
}

func TestSalsaBringsThreeCrops(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.click(`[data-wish="w13"] .title`)
	for _, crop := range []string{"Tomato, paste", "Pepper, sweet", "Bulb onion"} {
		p.shows(".editor .uses", crop)
	}
	p.shows(".editor .uses", "needs it")
	p.shows(".editor .put-up", "24 jars and as many lids")
	p.click(".editor .put-up [data-figure]")
	p.shows(".drawer", "minutes hands on each")
}

func TestTheCropBook(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house/book")
	p.shows(`[data-book="ferry-bean"]`, "mine")
	p.shows(`[data-book="ferry-bean"]`, "1 figure of yours")
	p.press('f')
	p.typed("parsnip")
	p.until("one row", `() => document.querySelectorAll('[data-book]').length === 1`)
	p.click(`[data-book="parsnip"] .head`)
	yield := `[data-book="parsnip"] [data-field="yield"] input`
	p.fill(yield, "0.3")
	p.shows(".foresight", "yield of a plant at usual spacing, from 0.1")
	p.shows(".foresight", "plants")
	p.shows(`[data-book="parsnip"] .foresight li`, "Parsnip")
	p.fill(`.foresight [aria-label="Why"]`, "Deep sand here")
	p.shows(`[data-book="parsnip"] [data-field="yield"]`, "Use the usual figure")
	p.shows(`[data-book="parsnip"] [data-field="yield"]`, "Deep sand here")
	p.fill(yield, "-3")
	p.shows(`[data-book="parsnip"] .wrong`, "does not work")
	p.fill(`[data-book="parsnip"] [data-field="raise_weeks"] input`, "5")
	p.shows(".foresight", "weeks indoors, from none to 5")
	p.clickNamed(".foresight button", "Cancel")
	p.gone(".foresight")
	p.click(`[data-book="parsnip"] [data-field="winter"] .el-select`)
	p.clickNamed(".el-select-dropdown__item", "it must")
	p.shows(".foresight", "grows on through the winter")
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.shows(`[data-book="parsnip"] [data-field="winter"]`, "usual no")
	p.click(`[data-book="parsnip"] .habit label:nth-of-type(2) .el-select`)
	p.clickNamed(".el-select-dropdown__item", "sown indoors")
	p.shows(".foresight", "How it is grown here")
	p.clickNamed(".foresight button:not([disabled])", "Use this")
	p.gone(".foresight")
	p.shows(`[data-book="parsnip"]`, "2 figures of yours")
	p.clickNamed(`[data-book="parsnip"] .link`, "Add my own variety")
	p.fill(`[aria-label="Its name"]`, "Long river parsnip")
	p.shows(".notice", "Added Long river parsnip")
	p = a.open("/table")
	p.see(".wish")
	p.must(p.see(`[aria-label="New wish"]`).Input("2 kg long river parsnips a year"))
	p.shows(".readings", "Long river parsnip")

	p = a.open("/house/book")
	p.clickNamed(".book button", "preparations")
	p.see(`[data-book="house-relish"]`)
	p.shows(`[data-book="house-relish"]`, "not a tested recipe")
	p.click(`[data-book="house-relish"] .head`)
	p.shows(`[data-book="house-relish"] .cautions`, "tested recipe")
}

func TestTheYearToComeBeginsWithTheShelf(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/year")
	p.see(`[data-food="w13"] rect`)
	gaps := func() float64 { return number(t, p.text(".totals .warn")) }
	round := gaps()
	p.clickNamed(".views button", "This coming year")
	p.shows(".about", "only what is on the shelf today")
	p.see(`[data-food="w13"] rect[data-source="gap"]`)
	if ahead := gaps(); ahead <= round {
		t.Errorf("This coming year has %g gaps, the circle %g", ahead, round)
	}
	p.clickNamed(".bar .choice button", "by source")
	p.shows(".ledger h3", "Mostly from jars")
	p.clickNamed(".bar .choice button", "by food")
	p.shows(".ledger h3", "Tomato")
}

// Sixty foods: nothing is cut off sideways, and how long the ledger takes to be
// painted goes to docs/benchmarks.md where INVENTORY_REPORT names a file.
func TestALedgerOfSixtyFoods(t *testing.T) {
	a := start(t, "demo")
	foods := []string{"turnip", "kohlrabi", "rutabaga", "cauliflower", "celery", "endive", "arugula", "scallion", "shallot", "broad bean", "melon", "eggplant", "collard", "tatsoi", "mizuna", "bok choy", "parsley", "dill", "cilantro", "mache", "winter radish", "napa cabbage", "okra"}
	for i, food := range foods {
		edit := fmt.Sprintf(`{"client":"t","id":"t%d","revision":%d,"command":"add-wish","wish":{"id":"","food":%q,"forms":["fresh"],"amount":{"kind":"meals","number":1,"portion":80},"season":{"kind":"all-year"},"priority":"want","stagger":{"kind":"need"}}}`, i, i+1, food)
		res, err := http.Post(a.url+"/api/edits", "application/json", bytes.NewBufferString(edit))
		if err != nil || res.StatusCode != http.StatusOK {
			t.Fatalf("%s: %v %v", food, res, err)
		}
		res.Body.Close()
	}
	p := a.open("/table")
	p.until("sixty wishes", `() => document.querySelectorAll('.wish').length >= 60`)
	p.clickNamed(".spine a", "Year")
	p.until("sixty rows", `() => document.querySelectorAll('[data-food]').length >= 60 && performance.getEntriesByName('ledger').length > 0`)
	if over := p.eval(`() => document.documentElement.scrollWidth - window.innerWidth`); over != "0" && !strings.HasPrefix(over, "-") {
		t.Errorf("sixty foods are %s px too wide", over)
	}
	painted, err := strconv.ParseFloat(p.eval(`() => performance.getEntriesByName('ledger')[0].duration`), 64)
	if err != nil || painted <= 0 {
		t.Fatalf("the browser measured %v: %v", painted, err)
	}
	if file := os.Getenv("INVENTORY_REPORT"); file != "" {
		text, err := json.Marshal(map[string]float64{"ledger_ms": painted})
		p.must(err)
		p.must(os.WriteFile(file+".ledger", text, 0o600))
	}
}
