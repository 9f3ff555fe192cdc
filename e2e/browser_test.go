// Package e2e drives the real binary in headless Chromium, as a household would.
package e2e

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/launcher"
	"github.com/go-rod/rod/lib/proto"
)

var (
	binary  string
	browser *rod.Browser
)

// patience is how long a test waits for what must come; nothing waits longer
// than it takes.
const patience = 20 * time.Second

func TestMain(m *testing.M) {
	code, err := run(m)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		code = 1
	}
	os.Exit(code)
}

func run(m *testing.M) (int, error) {
	binary = os.Getenv("INVENTORY_BINARY")
	if binary == "" {
		binary = filepath.Join("..", "bin", "inventory")
	}
	if _, err := os.Stat(binary); err != nil {
		return 0, fmt.Errorf("the binary is not built: run make build (%w)", err)
	}
	chromium, err := exec.LookPath("chromium")
	if err != nil {
		return 0, fmt.Errorf("chromium is not installed: run make chromium (%w)", err)
	}
	l := launcher.New().Bin(chromium).NoSandbox(true).Headless(true).Leakless(false).
		Set("disable-gpu").Set("disable-quic").Set("no-first-run").Set("disable-background-networking").
		Set("disable-component-update").Set("disable-sync").Set("hide-scrollbars")
	url, err := l.Launch()
	if err != nil {
		return 0, fmt.Errorf("chromium does not start: %w", err)
	}
	defer l.Cleanup()
	browser = rod.New().ControlURL(url)
	if err := browser.Connect(); err != nil {
		return 0, err
	}
	defer browser.Close()
	return m.Run(), nil
}

// app is the binary running on a file.
type app struct {
	t    testing.TB
	cmd  *exec.Cmd
	url  string
	db   string
	verb string
	addr string
	asOf string

	lived    bool // the demo household has put down what it did until the day
	recorded bool // and what came in
}

// leaves are the pages there are, each with something that is on it once it is
// drawn.
var leaves = map[string]string{
	"/table": ".wish", "/year": "[data-food]", "/year/14": "[data-eaten]", "/sowings": "[data-sowing]", "/sowings/sheet/sowing": ".sheet",
	"/ground": "[data-piece]", "/ground/year": "[data-part]", "/ground/beds": "[data-bed]", "/ground/care": "[data-order]", "/ground/sheet": "[data-piece]",
	"/daybook": ".daybook", "/shelves": "[data-lot]", "/house": ".chart", "/house/book": "[data-book]",
}

// asOf is the day all browser tests take place on.
const asOf = "2027-01-12"

// start runs the binary; the demo where verb is "demo".
func start(t testing.TB, verb string) *app { return startOn(t, verb, asOf) }

// startOn runs the binary as if it were another day.
func startOn(t testing.TB, verb, day string) *app {
	t.Helper()
	a := &app{t: t, db: filepath.Join(t.TempDir(), "household.db"), verb: verb, addr: "127.0.0.1:0", asOf: day}
	a.run()
	t.Cleanup(a.stop)
	return a
}

// recordedOn runs the demo as if its household had lived up to a day, with all that it recorded in
// this year and the two before.
func recordedOn(t testing.TB, day string) *app {
	t.Helper()
	a := &app{t: t, db: filepath.Join(t.TempDir(), "household.db"), verb: "demo", addr: "127.0.0.1:0", asOf: day, lived: true, recorded: true}
	a.run()
	t.Cleanup(a.stop)
	return a
}

// livedOn runs the demo as if its household had lived up to a day and weighed nothing.
func livedOn(t testing.TB, day string) *app {
	t.Helper()
	a := &app{t: t, db: filepath.Join(t.TempDir(), "household.db"), verb: "demo", addr: "127.0.0.1:0", asOf: day, lived: true}
	a.run()
	t.Cleanup(a.stop)
	return a
}

func (a *app) run() {
	a.t.Helper()
	args := []string{a.verb, "--db", a.db, "--addr", a.addr, "--as-of", a.asOf}
	if a.verb == "demo" && !a.lived {
		args = append(args, "--untouched")
	} else if a.verb == "demo" && !a.recorded {
		args = append(args, "--record=false")
	}
	a.cmd = exec.Command(binary, args...)
	a.cmd.Stderr = os.Stderr
	out, err := a.cmd.StdoutPipe()
	if err != nil {
		a.t.Fatal(err)
	}
	if err := a.cmd.Start(); err != nil {
		a.t.Fatal(err)
	}
	var said [4096]byte
	n, err := out.Read(said[:]) // the line is written whole, once it serves
	if err != nil {
		a.t.Fatalf("the binary says nothing: %v", err)
	}
	_, rest, ok := strings.Cut(string(said[:n]), "http://")
	if !ok {
		a.t.Fatalf("the binary says %q", said[:n])
	}
	a.addr = strings.Fields(rest)[0]
	a.url = "http://" + a.addr
	go func() { _, _ = io.Copy(io.Discard, out) }()
}

func (a *app) stop() {
	_ = a.cmd.Process.Signal(syscall.SIGTERM)
	_ = a.cmd.Wait()
}

// restart ends the binary and runs it again on the same file and address.
func (a *app) restart() {
	a.t.Helper()
	a.stop()
	a.run()
}

// page is a tab in a browser of its own, 1280×800 unless told otherwise.
type page struct {
	*rod.Page
	t       testing.TB
	presses int // keys pressed and clicks made
}

func (a *app) open(path string, size ...int) *page {
	a.t.Helper()
	own, err := browser.Incognito()
	if err != nil {
		a.t.Fatal(err)
	}
	p, err := own.Page(proto.TargetCreateTarget{URL: "about:blank"})
	if err != nil {
		a.t.Fatal(err)
	}
	a.t.Cleanup(func() { _ = p.Close() })
	width, height := 1280, 800
	if len(size) == 2 {
		width, height = size[0], size[1]
	}
	pg := &page{Page: p.Timeout(6 * patience), t: a.t}
	pg.must(pg.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: width, Height: height, DeviceScaleFactor: 1, Mobile: width < 600}))
	pg.must(pg.Navigate(a.url + path))
	return pg
}

func (p *page) must(err error) {
	p.t.Helper()
	if err != nil {
		p.t.Fatal(err)
	}
}

// see waits until a selector is on the page and returns the element.
func (p *page) see(selector string) *rod.Element {
	p.t.Helper()
	el, err := p.Page.Timeout(patience).Element(selector)
	if err != nil {
		p.t.Fatalf("%s is not on the page: %v\n%s", selector, err, p.text("body"))
	}
	return el.CancelTimeout()
}

// named waits for an element of a selector whose text fits a regular expression; one that the
// browser has not drawn yet, since it lies below the fold, has its text too.
func (p *page) named(selector, text string) *rod.Element {
	p.t.Helper()
	el, err := p.Page.Timeout(patience).ElementByJS(rod.Eval(`(s, r) => [...document.querySelectorAll(s)].find(e => new RegExp(r).test(e.textContent.replace(/\s+/g, ' ').trim())) ?? null`, selector, text))
	if err != nil {
		p.t.Fatalf("no %s says %q: %v\n%s", selector, text, err, p.text("body"))
	}
	return el.CancelTimeout()
}

// begun starts a household of two adults from an empty file, with one wish typed as a line in Table.
func (p *page) begun(line string) {
	p.t.Helper()
	p.clickNamed(".welcome button", "Next: what you eat")
	p.see("[data-starter]")
	p.press('g', 't')
	p.must(p.see(`[aria-label="New wish"]`).Input(line))
	p.shows(".readings", "Understood:")
	p.press(input.Enter)
	p.see(".wish")
	p.press(input.Escape) // out of the field, so that keys are keys again
}

// text returns the text of what a selector finds now, or nothing.
func (p *page) text(selector string) string {
	els, err := p.Elements(selector)
	if err != nil || len(els) == 0 {
		return ""
	}
	s, err := els[0].Text()
	if err != nil {
		return ""
	}
	return s
}

// until waits for a condition on the page, given as a JavaScript function.
func (p *page) until(what, js string, args ...any) {
	p.t.Helper()
	if err := p.Page.Timeout(patience).Wait(rod.Eval(js, args...)); err != nil {
		p.t.Fatalf("%s never came: %v\n%s", what, err, p.text("body"))
	}
}

// shows waits until the text of a selector contains a text.
func (p *page) shows(selector, text string) {
	p.t.Helper()
	p.until(fmt.Sprintf("%q in %s", text, selector), `(s, t) => [...document.querySelectorAll(s)].some(e => e.textContent.replace(/\s+/g, ' ').includes(t))`, selector, text)
}

// gone waits until a selector finds nothing.
func (p *page) gone(selector string) {
	p.t.Helper()
	p.until(selector+" gone", `s => !document.querySelector(s)`, selector)
}

func (p *page) click(selector string) {
	p.t.Helper()
	p.hit(func() *rod.Element { return p.see(selector) })
}

func (p *page) clickNamed(selector, text string) {
	p.t.Helper()
	p.hit(func() *rod.Element { return p.named(selector, text) })
}

// resting is a promise that an element lies where it lay one frame before.
const resting = `() => new Promise(r => {
	let was = ''
	const look = () => {
		const b = this.getBoundingClientRect()
		const now = [b.x, b.y, b.width, b.height].join()
		if (now === was) return r()
		was = now
		requestAnimationFrame(look)
	}
	look()
})`

// awaitPress notes on the page whether the next press of the pointer meets an element.
const awaitPress = `() => {
	window.pressed = ''
	const to = this
	window.addEventListener('pointerdown', e => window.pressed = e.composedPath().includes(to) ? 'met' : 'missed', { capture: true, once: true })
}`

// missed tells whether a press met another element than the one meant: the page has moved between
// the look for the place and the press. On a page that the press has left, it has met.
func (p *page) missed() bool {
	now, err := p.Eval(`() => window.pressed`)
	return err == nil && now.Value.Str() == "missed"
}

// hit clicks an element. One that cannot be reached, since the page or a list is moving, is found
// and tried again in the next frames.
func (p *page) hit(find func() *rod.Element) {
	p.t.Helper()
	p.presses++
	const tries = 60
	for n := 1; ; n++ {
		el := find()
		if err := el.ScrollIntoView(); err == nil { // else it is gone: the click tells so
			_, _ = el.Evaluate(rod.Eval(resting).ByPromise())
		}
		_, _ = el.Eval(awaitPress)
		err := el.Click(proto.InputMouseButtonLeft, 1)
		if err == nil && n < tries && p.missed() {
			continue
		}
		var hidden *rod.InvisibleShapeError
		var covered *rod.CoveredError
		if n == tries || !errors.As(err, &hidden) && !errors.As(err, &covered) {
			p.must(err)
			return
		}
		p.awaited(`() => new Promise(r => requestAnimationFrame(r))`)
	}
}

// fill replaces the text of a field and leaves it with Enter.
func (p *page) fill(selector, text string) {
	p.t.Helper()
	el := p.see(selector)
	p.must(el.SelectAllText())
	p.must(el.Input(text))
	p.presses += 1 + len([]rune(text)) // the field is clicked, which marks its text
	p.press(input.Enter)
}

func (p *page) press(keys ...input.Key) {
	p.t.Helper()
	p.presses += len(keys)
	p.must(p.Keyboard.Type(keys...))
}

// typed types a text key by key, as a person does.
func (p *page) typed(text string) {
	p.t.Helper()
	p.presses += len([]rune(text))
	for _, r := range text {
		p.must(p.Keyboard.Type(input.Key(r)))
	}
}

// eval runs JavaScript and returns what it gives as text.
func (p *page) eval(js string, args ...any) string {
	p.t.Helper()
	v, err := p.Page.Eval(js, args...)
	if err != nil {
		p.t.Fatalf("%s: %v", js, err)
	}
	return v.Value.String()
}

// shot takes a picture into a file.
func (p *page) shot(file string) {
	p.t.Helper()
	p.until("the fonts", `() => document.fonts.status === 'loaded'`)
	png, err := p.Screenshot(false, nil)
	p.must(err)
	p.must(os.WriteFile(file, png, 0o644))
}

// get fetches a path of the application.
func (a *app) get(path string) (int, string) {
	a.t.Helper()
	ctx, cancel := context.WithTimeout(context.Background(), patience)
	defer cancel()
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, a.url+path, nil)
	if err != nil {
		a.t.Fatal(err)
	}
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		a.t.Fatal(err)
	}
	defer res.Body.Close()
	body, err := io.ReadAll(res.Body)
	if err != nil {
		a.t.Fatal(err)
	}
	return res.StatusCode, string(body)
}

// taken returns an address that somebody listens on already.
func taken(t *testing.T) (addr string) {
	t.Helper()
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = l.Close() })
	return l.Addr().String()
}

// binaryOutput runs the binary to its end.
func binaryOutput(args ...string) (string, error) {
	ctx, cancel := context.WithTimeout(context.Background(), patience)
	defer cancel()
	out, err := exec.CommandContext(ctx, binary, args...).CombinedOutput()
	return string(out), err
}
