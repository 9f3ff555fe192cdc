package e2e

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"

	"inventory/demo"
)

// Ticks that are made while nothing answers are all kept, in their order, say that
// they wait, and are sent once when the binary is back.
func TestTicksWithoutAConnectionAreAllSent(t *testing.T) {
	t.Parallel()
	a := startOn(t, "demo", "2027-04-21")
	p := a.open("/daybook", 390, 844)
	p.see("[data-task]")
	crops := strings.Split(p.eval(`() => [...new Set([...document.querySelectorAll('[data-task="sow"]')].map(e => e.dataset.crop))].slice(0, 3).join('|')`), "|")
	if len(crops) != 3 {
		t.Fatalf("there is only %q to sow", crops)
	}
	a.stop()
	for _, crop := range crops {
		line := `[data-task="sow"][data-crop="` + crop + `"]`
		p.click(line + " .tick")
		p.shows(line, "waiting to be sent")
	}
	p.shows("[data-waiting]", "3 entries are kept on this device")
	p.clickNamed("[data-waiting] button", "Show what waits")
	p.shows("[data-waiting] li", crops[0]+" 2027-04-21")
	if kept := p.eval(`() => Object.keys(localStorage).filter(k => k.startsWith('inventory.waiting.')).map(k => JSON.parse(localStorage[k]).length).join()`); kept != "3" {
		t.Errorf("%s entries outlast a reload, want 3", kept)
	}
	a.run()
	p.shows(".notice", "Inventory answers again: all 3 entries that waited were sent")
	p.gone("[data-waiting]")
	for _, crop := range crops {
		p.shows("[data-standing]", crop)
	}
	if _, body := a.get("/api/household-file"); strings.Count(body, `"sown": "2027-04-21"`) != 3 {
		t.Errorf("%d sowings were put down, want 3", strings.Count(body, `"sown": "2027-04-21"`))
	}
}

// An entry that is refused when it is sent at last is told, and the rest goes on.
func TestWhatIsRefusedLaterIsTold(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	p.see(sauce)
	other := a.open("/table")
	other.see(sauce)
	other.fill(amountOf("w3"), "30")
	other.shows(".notice", "Changed 30 quart jars")
	a.stop()
	p.fill(amountOf("w3"), "28")
	p.shows("[data-waiting]", "One entry is kept")
	p.fill(amountOf("w1"), "3")
	p.shows("[data-waiting]", "2 entries are kept")
	a.run()
	p.tryNow()
	p.shows("[data-refused]", "One entry was not taken")
	p.shows("[data-refused]", "Change wish: tomato")
	p.until("carrots of 3 meals, sauce of the other's 30 jars", `(c, s) => document.querySelector(c).value === '3' && document.querySelector(s).value === '30'`, amountOf("w1"), amountOf("w3"))
	p.clickNamed("[data-refused] button", "Close")
	p.gone("[data-refused]")
}

// A place that was never loaded says so while nothing answers, and opens afterwards.
func TestAPlaceThatIsNotLoadedSaysSo(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/table")
	p.see(sauce)
	a.stop()
	p.clickNamed(".spine a", "Shelves")
	p.shows("[data-missing]", "has not been opened on this device yet")
	a.run()
	p.see("[data-lot]") // it looks by itself whether it is answered again
}

// A household that was saved is put back on the first screen.
func TestBeginFromAHouseholdFile(t *testing.T) {
	t.Parallel()
	a := start(t, "serve")
	p := a.open("/")
	p.see("[data-demo]")
	choose := func(text string) {
		file := filepath.Join(t.TempDir(), "household.json")
		p.must(os.WriteFile(file, []byte(text), 0o600))
		p.must(p.see(`[aria-label="Open a household file"]`).SetFiles([]string{file}))
	}
	choose(strings.Replace(string(demo.MillHouse), `"latitude": 47.5`, `"latitude": 475`, 1))
	p.shows(".welcome .wrong", "place.latitude: “475” does not work. Enter a number from -70 to 70")
	choose("date,note\n2027-05-01,planted beans\n")
	p.shows(".welcome .wrong", "it is not JSON, line 1")
	choose(string(demo.MillHouse))
	p.shows(".welcome .read", "The mill house, year 2027: 5 people, 40 wishes, 11 beds")
	p.click("[data-take-file]")
	p.see(sauce)
}

// Each made-up household is offered to a newcomer, and opens on all its places.
func TestTheOtherDemoHouseholds(t *testing.T) {
	t.Parallel()
	for _, d := range demo.Households[1:] {
		a := start(t, "serve")
		p := a.open("/")
		p.click(`[data-demo="` + d.ID + `"]`)
		p.see(".wish")
		for _, place := range []string{"Year", "Sowings", "Ground", "Daybook", "House"} {
			p.clickNamed(".spine a", place)
			p.see("main h2")
			p.gone(".problem")
		}
	}
}

// What the crop book does not know is told, planned around, and mended by hand.
func TestAnUnknownNameIsMendedOrRemoved(t *testing.T) {
	t.Parallel()
	db, file := filepath.Join(t.TempDir(), "h.db"), filepath.Join(t.TempDir(), "h.json")
	text := strings.Replace(string(demo.MillHouse), `{ "food": "carrot",`, `{ "food": "griffin root",`, 1)
	text = strings.Replace(text, `"habits": [`, `"habits": [ { "crop": "griffin", "school": "temperature" },`, 1)
	if err := os.WriteFile(file, []byte(text), 0o600); err != nil {
		t.Fatal(err)
	}
	if out, err := binaryOutput("import", file, "--db", db); err != nil {
		t.Fatalf("%v %s", err, out)
	}
	a := &app{t: t, db: db, verb: "serve", addr: "127.0.0.1:0", asOf: asOf}
	a.run()
	t.Cleanup(a.stop)
	p := a.open("/table")
	p.see(sauce)
	p.shows(".unknown", "2 entries are not in the crop book")
	p.fill(amountOf("w3"), "28")
	p.shows(".notice", "Changed 28 quart jars")
	p.must(p.see(`[aria-label="New name for griffin root"]`).Input("carrot"))
	p.option("carrot")
	p.clickNamed(`[data-unknown="griffin root"] button`, "Use this name")
	p.gone(`[data-unknown="griffin root"]`)
	p.must(p.named(`[data-unknown="griffin"] button`, "Remove").Focus())
	p.press(input.Enter)
	p.gone(".unknown")
	p.press('u')
	p.shows(".unknown", "griffin")
}

// The controls begin with what was typed, and the risked row is a box that can be
// ticked.
func TestTheControlsTakeWhatWasTyped(t *testing.T) {
	t.Parallel()
	p := start(t, "demo").open("/table")
	p.must(p.see(`[aria-label="New wish"]`).Input("6 heads lettuce a week may-oct"))
	p.shows(".readings", "ettuce")
	p.clickNamed(".add .link", "Fill in a form")
	p.until("lettuce in the controls", `() => document.querySelector('.editor [aria-label="How much"]')?.value === '6'`)
	p.click("[data-early]")
	p.clickNamed(".editor button", "^Add$")
	p.shows(".notice", "Added 6 pieces a week")
	p.until("an empty line", `() => document.querySelector('[aria-label="New wish"]').value === ''`)
	p.clickNamed(".ledger > :last-child .title", "ettuce")
	p.until("the box still ticked", `() => document.querySelector('[data-early] input, input[data-early]')?.checked`)
}

// House gives a backup by one press.
func TestHouseGivesABackup(t *testing.T) {
	t.Parallel()
	a := start(t, "demo")
	p := a.open("/house")
	wait := p.Browser().WaitDownload(t.TempDir())
	p.see("[data-backup]").MustScrollIntoView()
	p.must(p.see("[data-backup]").Click(proto.InputMouseButtonLeft, 1))
	if info := wait(); info == nil || !strings.HasPrefix(info.SuggestedFilename, "the-mill-house-2027-01-12-edit-1") {
		t.Errorf("%+v", info)
	}
}
