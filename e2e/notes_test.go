package e2e

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

const (
	dayLine   = `[aria-label="What happened, as one line"]`
	photoPick = `.log-line [aria-label="Take or choose photographs"]`
)

// photograph leaves a photograph in a file; its camera says where it was taken.
func photograph(t *testing.T, name string) string {
	t.Helper()
	picture := image.NewRGBA(image.Rect(0, 0, 2000, 1000))
	for i := range picture.Pix {
		picture.Pix[i] = 200
	}
	picture.Set(5, 5, color.Black)
	var body bytes.Buffer
	if err := jpeg.Encode(&body, picture, nil); err != nil {
		t.Fatal(err)
	}
	said := "Exif\x00\x00 GPS 47.5 N"
	whole := append([]byte("\xff\xd8\xff\xe1\x00"+string(rune(len(said)+2))+said), body.Bytes()[2:]...)
	return file(t, name, whole)
}

func file(t *testing.T, name string, body []byte) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), name)
	if err := os.WriteFile(path, body, 0o600); err != nil {
		t.Fatal(err)
	}
	return path
}

// A photograph is attached to a line of the Daybook, is made smaller, loses what the camera says, and
// is found by its note; what is no photograph is told at the place. All of it is undone.
func TestAPhotographIsFoundByItsNote(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook")
	p.see(dayLine)
	for name, body := range map[string]string{"empty.jpg": "", "list.jpg": "date,food\n2027-08-01,bean\n"} {
		p.must(p.see(photoPick).SetFiles([]string{file(t, name, []byte(body))}))
		p.shows(".log-line .wrong", name)
	}
	p.must(p.see(photoPick).SetFiles([]string{photograph(t, "leaf.jpg")}))
	p.see(".log-line .strip img")
	p.must(p.see(dayLine).Input("brown spots on the low leaves"))
	p.press(input.Enter)
	p.shows(".entries", "Noted: brown spots on the low leaves")
	p.see(".entries .strip img")
	kept := p.eval(`async () => {
		const small = document.querySelector('.entries .strip img').getAttribute('src')
		const body = await (await fetch(small.replace('?small=true', ''))).blob()
		return (await createImageBitmap(body)).width + ((await body.text()).includes('GPS') ? ' with its place' : '')
	}`)
	if kept != "1600" {
		t.Errorf("kept: %s pixels wide", kept)
	}
	p.clickNamed(".today a", "What came in")
	p.must(p.see(`[aria-label="Find in the records"]`).Input("spot leaves"))
	p.choose("Which entries", "with photographs")
	p.until("one is found", `() => document.querySelectorAll('.entries li').length === 1`)
	p.click(".entries .strip button")
	p.see(".el-dialog img")
	p.press(input.Escape)
	p.gone(".el-dialog img")
	p.choose("Which entries", "lessons")
	p.shows(".record", "No entry in these days")
	p.clickNamed(".place-bar a", "Back to the Daybook")
	p.see(".entries .strip img")
	p.press('u')
	p.gone(".entries")
}

// What is learnt about a food stands on its page and beside the next work on it, and is taken back.
func TestALessonComesUpAgain(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook/crop/lettuce")
	note := `[aria-label="Note about lettuce"]`
	p.must(p.see(note).Input("boards against the slugs"))
	p.clickNamed(".notes .el-checkbox", "a lesson")
	p.must(p.see(`[aria-label="Which pest"]`).Input("slugs"))
	p.clickNamed(".notes button", "Save")
	p.shows(".notes li", "boards against the slugs")
	p.shows(".notes li", "a lesson")
	p.press('g', 'd')
	p.shows(`[data-task][data-crop*="ettuce"] [data-lesson]`, "2027, slugs: boards against the slugs")
	if n := number(t, p.eval(`() => document.querySelectorAll('[data-lesson]').length`)); n != 1 {
		t.Errorf("the lesson is told %g times", n)
	}
	p.press('u')
	p.gone("[data-lesson]")
}

// What came in moves what is foretold: on the food's page, and over the year.
func TestTheForecastMoves(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook/crop/tomato")
	p.shows(".said", "Nothing has been weighed in yet")
	before := p.text(".said b")
	p.press('g', 'd')
	p.must(p.see(dayLine).Input("150 kg paste tomatoes"))
	p.press(input.Enter)
	p.shows(".entries", "150 kg came in")
	p.clickNamed(".today a", "What came in")
	p.clickNamed(`[data-balance="tomato"] a`, "Tomato")
	p.shows(".said", "Ahead: 150 kg picked")
	p.see(".picked")
	if after := p.text(".said b"); after == before {
		t.Errorf("still %s to come", after)
	}
	p.press('g', 'y')
	p.clickNamed(".so-far button", "The season so far")
	p.shows(`[data-season="tomato"]`, "150 kg")
	p.press('u')
	p.gone(".so-far")
}

// These days of earlier years stand beside today, and a search finds what was done then.
func TestTheRecordOfTwoYears(t *testing.T) {
	t.Parallel()
	p := recordedOn(t, "2027-04-21").open("/daybook")
	p.shows(`[aria-label="These days in earlier years"]`, "2026")
	p.clickNamed(".today a", "What came in")
	p.choose("Which days", "all years")
	p.must(p.see(`[aria-label="Find in the records"]`).Input("reed water"))
	p.shows(".entries", "Water stays in the wheel tracks")
	p.until("one is found", `() => document.querySelectorAll('.entries li').length === 1`)
	p.must(p.see(`[aria-label="Find in the records"]`).SelectAllText())
	p.must(p.see(`[aria-label="Find in the records"]`).Input("sauce"))
	p.shows(".found", "On the shelf")
	p.clickNamed(".found a", "Tomato sauce, thick")
	p.see(".lot.scanned")
}

// A shelf is counted in one go: Enter goes on, what is missing is told as unrecorded; several are
// taken at once for a reason; the label of a lot leads to it. All of it is undone.
func TestTheShelfIsCountedInOneGo(t *testing.T) {
	t.Parallel()
	p := recordedOn(t, "2027-04-21").open("/shelves/count")
	p.must(p.see(`[aria-label^="Counted: Dill pickles"]`).Input("14"))
	p.press(input.Enter)
	p.typed("16") // the next one: green beans, of which there are 17
	p.shows(`[data-count]:has([aria-label^="Counted: Green beans"])`, "1 used without a record")
	p.must(p.see(`[aria-label^="Counted: Strawberry jam"]`).Input("many"))
	p.shows(`[data-count]:has([aria-label^="Counted: Strawberry jam"])`, "Enter a number")
	p.until("it cannot be kept", `() => document.querySelector('.keep').disabled`)
	p.must(p.see(`[aria-label^="Counted: Strawberry jam"]`).SelectAllText())
	p.must(p.see(`[aria-label^="Counted: Strawberry jam"]`).Input("8"))
	p.clickNamed("button", "Save the count of 3 items")
	beans := `[aria-label^="How many: Green beans"]`
	is := func(n string) {
		t.Helper()
		p.until(n+" glasses of beans", `n => document.querySelector('[aria-label^="How many: Green beans"]')?.value === n`, n)
	}
	p.see(beans)
	is("16")
	p.shows(`.lot:has(`+beans+`)`, "used 0.6 a week")
	p.click(`.lot:has(` + beans + `) [aria-label^="More of"]`)
	p.shows(".more", "1 used without a record")
	p.must(p.see(`[aria-label^="How many to take of Green beans"]`).Input("2"))
	p.choose("What for", "spoiled")
	p.must(p.see(`[aria-label="What was wrong with it"]`).Input("lid up"))
	p.clickNamed(".more button", "Take")
	is("14")
	p.clickNamed(".bar a", "Labels")
	p.see("[data-label] img")
	p.until("the code is drawn", `() => document.querySelector('[data-label] img').naturalWidth > 0`)
	p.press('g', 'l')
	for _, n := range []string{"16", "17"} {
		p.press('u')
		is(n)
	}
}

// Who does not weigh counts: a bucket is asked about, weighed once, and is a weight from then on.
func TestABucketIsWeighedOnce(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-08-20").open("/daybook")
	say := func(text string) {
		t.Helper()
		p.must(p.see(dayLine).SelectAllText())
		p.must(p.see(dayLine).Input(text))
		p.press(input.Enter)
	}
	say("2 buckets of beans")
	p.shows(".log-line .wrong", "a bucket of snap bean is 3 kg")
	say("a bucket of beans is 3.1 kg")
	p.shows(".notice", "bucket")
	say("2 buckets of beans")
	p.shows(".entries", "2 buckets came in, about 6.2 kg")
	p.clickNamed(".today a", "Weigh in")
	p.click(`[aria-label^="One bucket of"]`)
	p.shows(".entries", "1 bucket came in, about 3.1 kg")
	p.press('g', 'h')
	p.shows(`[aria-label="Your own measures"]`, "of")
	if v := p.eval(`() => document.querySelector('[aria-label="What a bucket of snap bean weighs"]').value`); !strings.HasPrefix(v, "3.1") {
		t.Errorf("a bucket weighs %s", v)
	}
}

// A row that came up thin is counted; its gaps are sown again, and it is asked about anew.
func TestAThinRowIsCountedAndRefilled(t *testing.T) {
	t.Parallel()
	p := livedOn(t, "2027-06-10").open("/daybook")
	p.see("[data-standing]")
	row := `[data-standing]:has(.stand form)`
	p.eval(`() => [...document.querySelectorAll('[data-standing] .what')].forEach(b => b.getAttribute('aria-expanded') === 'false' && b.click())`)
	p.see(row)
	p.must(p.see(row + ` [aria-label^="How many came up"]`).Input("100000"))
	p.clickNamed(row+" button", "Save")
	p.shows(row+" .wrong", "that many were sown")
	p.must(p.see(row + ` [aria-label^="How many came up"]`).SelectAllText())
	p.must(p.see(row + ` [aria-label^="How many came up"]`).Input("2"))
	p.clickNamed(row+" button", "Save")
	p.shows(".stand", "came up.")
	p.shows(".stand .link", "sown again today")
	p.eval(`() => document.querySelector('.stand .link').click()`) // the row has moved: what is up stands lower
	p.shows(".stand", "Gaps sown again on 10 Jun")
	p.press('u')
	p.shows(".stand", "sown again today")
}
