package api

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"path/filepath"
	"slices"
	"strings"
	"sync"
	"syscall"
	"testing"
	"testing/fstest"
	"time"

	"github.com/getkin/kin-openapi/openapi3"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// served is the application on a file of its own; begun with the demo household
// where withDemo is set.
func served(tb testing.TB, withDemo bool) *httptest.Server {
	tb.Helper()
	return servedWith(tb, withDemo, nil)
}

// servedWith serves the demo household with entries of its record.
func servedWith(tb testing.TB, withDemo bool, entries []record.Entry) *httptest.Server {
	tb.Helper()
	st, err := store.Open(context.Background(), filepath.Join(tb.TempDir(), "a.db"))
	if err != nil {
		tb.Fatal(err)
	}
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		tb.Fatal(err)
	}
	if withDemo {
		own := h
		own.Entries = entries
		if _, err := st.Apply(context.Background(), store.Edit{ID: "begin", Command: "begin", Household: &own}); err != nil {
			tb.Fatal(err)
		}
	}
	files := fstest.MapFS{"index.html": {Data: []byte("<title>Inventory</title>")}, "assets/a.js": {Data: []byte("let a")}}
	handler, err := New(Options{Store: st, AsOf: func() civil.Date { return civil.Of(2027, 1, 12) }, Demos: []DemoHousehold{{ID: "mill-house", Words: "The mill house", Household: h}}, Web: files})
	if err != nil {
		tb.Fatal(err)
	}
	s := httptest.NewServer(handler)
	tb.Cleanup(func() { s.Close(); _ = st.Close() })
	return s
}

// call sends a body as JSON (or fetches, where it is nil) and returns the answer.
func call(tb testing.TB, s *httptest.Server, path string, body any) (int, []byte, http.Header) {
	tb.Helper()
	method, reader := http.MethodGet, io.Reader(nil)
	if body != nil {
		method = http.MethodPost
		text, ok := body.(string)
		if !ok {
			b, err := json.Marshal(body)
			if err != nil {
				tb.Fatal(err)
			}
			text = string(b)
		}
		reader = strings.NewReader(text)
	}
	req, err := http.NewRequestWithContext(context.Background(), method, s.URL+path, reader)
	if err != nil {
		tb.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	res, err := s.Client().Do(req)
	if err != nil {
		tb.Fatal(err)
	}
	defer res.Body.Close()
	out, err := io.ReadAll(res.Body)
	if err != nil {
		tb.Fatal(err)
	}
	return res.StatusCode, out, res.Header
}

func decoded[T any](tb testing.TB, body []byte) (out T) {
	tb.Helper()
	if err := json.Unmarshal(body, &out); err != nil {
		tb.Fatalf("%v in %s", err, body)
	}
	return out
}

func state(t *testing.T, s *httptest.Server) State {
	t.Helper()
	status, body, _ := call(t, s, "/api/state", nil)
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	return decoded[State](t, body)
}

// step undoes or redoes the last edit, naming it as it stands, and returns the answer.
func step(t *testing.T, s *httptest.Server, do, id string) State {
	t.Helper()
	st := state(t, s)
	of := st.Undo
	if do == "redo" {
		of = st.Redo
	}
	status, body, _ := call(t, s, "/api/"+do, Step{Client: "t", ID: id, Revision: of.Revision, Edit: of.Edit})
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	return decoded[State](t, body)
}

// strict closes every object of the contract, so that a field the contract does
// not name is found too.
func strict(t *testing.T) *openapi3.T {
	t.Helper()
	doc, err := openapi3.NewLoader().LoadFromFile("../../api/openapi.yaml")
	if err != nil {
		t.Fatal(err)
	}
	closed := false
	var walk func(*openapi3.SchemaRef)
	walk = func(r *openapi3.SchemaRef) {
		if r == nil || r.Ref != "" || r.Value == nil {
			return
		}
		if len(r.Value.Properties) > 0 {
			r.Value.AdditionalProperties.Has = &closed
		}
		for _, p := range r.Value.Properties {
			walk(p)
		}
		walk(r.Value.Items)
	}
	for _, r := range doc.Components.Schemas {
		walk(r)
	}
	return doc
}

// editing returns what does an edit and expects a status of its answer, and what
// takes all of them back again.
func editing(t *testing.T, s *httptest.Server) (do func(e Edit, wanted int) State, takeBack func()) {
	t.Helper()
	first := state(t, s).Revision
	revision, n := first, 0
	do = func(e Edit, wanted int) State {
		t.Helper()
		n++
		e.Client, e.ID, e.Revision = "t", fmt.Sprint("edit", n), revision
		status, body, _ := call(t, s, "/api/edits", e)
		if status != wanted {
			t.Fatalf("%s: %d %s", e.Command, status, body)
		}
		if status != http.StatusOK {
			return State{}
		}
		out := decoded[State](t, body)
		revision = out.Revision
		return out
	}
	takeBack = func() {
		t.Helper()
		for range revision - first {
			n++
			step(t, s, "undo", fmt.Sprint("back", n))
		}
	}
	return do, takeBack
}

func TestAnswersKeepTheContract(t *testing.T) {
	doc, s := strict(t), served(t, true)
	keeps := func(schema string, body []byte) {
		t.Helper()
		var value any
		if err := json.Unmarshal(body, &value); err != nil {
			t.Fatal(err)
		}
		if err := doc.Components.Schemas[schema].Value.VisitJSON(value); err != nil {
			t.Errorf("%s: %v", schema, err)
		}
	}
	get := func(path, schema string) []byte {
		t.Helper()
		_, body, _ := call(t, s, path, nil)
		keeps(schema, body)
		return body
	}
	before := decoded[State](t, get("/api/state", "State"))
	get("/api/reference", "Reference")
	_, demos, _ := call(t, s, "/api/demo-households", nil)
	for _, d := range decoded[[]json.RawMessage](t, demos) {
		keeps("DemoHousehold", d)
	}
	get("/api/working?figure=tally/area", "Working")
	get("/api/working?figure=wish/w3/canned/harvested", "Working")
	get("/api/working?figure=wish/w99/plants", "Problem")
	w := before.Household.Wishes[2]
	w.Amount.Number = 26
	edit := Edit{Client: "t", ID: "1", Revision: before.Revision, Command: "change-wish", Wish: &w}
	_, body, _ := call(t, s, "/api/edits", edit)
	keeps("State", body)
	after := decoded[State](t, body)
	if after.Before == nil || after.Before.Plants != before.Plan.Tally.Plants || after.Plan.Tally.Plants >= before.Plan.Tally.Plants {
		t.Errorf("the edit answers with %+v before and %+v after", after.Before, after.Plan.Tally)
	}
	_, body, _ = call(t, s, "/api/undo", Step{Client: "t", ID: "2", Revision: after.Undo.Revision, Edit: after.Undo.Edit})
	keeps("State", body)
	_, body, _ = call(t, s, "/api/redo", Step{Client: "t", ID: "3", Revision: after.Undo.Revision, Edit: after.Undo.Edit})
	keeps("State", body)
	_, body, _ = call(t, s, "/api/lines", Line{Text: "35 qt tomato sauce"})
	for _, r := range decoded[[]json.RawMessage](t, body) {
		keeps("Reading", r)
	}
}

func TestProblemsSayWhatWhereAndWhatWouldBeRight(t *testing.T) {
	s := served(t, true)
	st := state(t, s)
	w := st.Household.Wishes[0]
	bad := w
	bad.Amount.Number = -2
	edit := func(e Edit) Edit { e.Client, e.ID = "t", t.Name(); return e }
	for name, c := range map[string]struct {
		path   string
		body   any
		status int
		field  string
		says   string
	}{
		"negative":       {"/api/edits", edit(Edit{Revision: st.Revision, Command: "change-wish", Wish: &bad}), 422, "amount.number", "above 0"},
		"NaN":            {"/api/edits", `{"client":"t","id":"n","revision":1,"command":"add-wish","wish":{"amount":{"number":NaN}}}`, 400, "", "line 1"},
		"unknown field":  {"/api/edits", `{"client":"t","id":"n","revision":1,"command":"add-wish","wash":{}}`, 400, "", `there is no field "wash"`},
		"cut short":      {"/api/edits", `{"client":"t","id":"n"`, 400, "", "stops early"},
		"two documents":  {"/api/edits", `{}{}`, 400, "", "follows the end"},
		"future":         {"/api/edits", edit(Edit{Revision: 77, Command: "remove-wish"}), 422, "revision", "from 0 to"},
		"nothing undone": {"/api/redo", Step{Client: "t", ID: "r", Revision: 1, Edit: "begin"}, 409, "", "nothing left to redo"},
		"undo of what":   {"/api/undo", `{}`, 422, "client", "may not be left out"},
		"a line":         {"/api/lines", Line{Text: "plums 2x week"}, 422, "line", "“plums” is not understood"},
		"50 MB":          {"/api/edits", `{"client":"` + strings.Repeat("x", 50<<20) + `"}`, 413, "", "larger"},
		"no such path":   {"/api/weather", nil, 404, "", ""},
	} {
		status, body, header := call(t, s, c.path, c.body)
		p := decoded[Problem](t, body)
		if status != c.status || p.Status != c.status || header.Get("Content-Type") != "application/problem+json" || !strings.Contains(string(body), c.says) && !strings.Contains(p.Detail, c.says) {
			t.Errorf("%s: %d %s", name, status, body)
		}
		if c.field != "" && (p.Fields == nil || (*p.Fields)[0].Field != c.field) {
			t.Errorf("%s: %+v, want the field %s", name, p, c.field)
		}
	}
	if now := state(t, s); now.Revision != st.Revision {
		t.Errorf("a refused edit moved the revision from %d to %d", st.Revision, now.Revision)
	}
	// Two editors: the slower one is told what stands now, and overwrites nothing.
	first, second := w, w
	first.Amount.Number, second.Amount.Number = 3, 5
	call(t, s, "/api/edits", Edit{Client: "a", ID: "a", Revision: st.Revision, Command: "change-wish", Wish: &first})
	status, body, _ := call(t, s, "/api/edits", Edit{Client: "b", ID: "b", Revision: st.Revision, Command: "change-wish", Wish: &second})
	if p := decoded[Problem](t, body); status != http.StatusConflict || p.Revision == nil || *p.Revision != st.Revision+1 || !strings.Contains(fmt.Sprint(p.Theirs), "number:3") {
		t.Errorf("%d %s", status, body)
	}
	// The same edit sent twice is done once.
	_, again, _ := call(t, s, "/api/edits", Edit{Client: "a", ID: "a", Revision: st.Revision, Command: "change-wish", Wish: &first})
	if got := decoded[State](t, again); got.Revision != st.Revision+1 {
		t.Errorf("sent twice it stands at revision %d", got.Revision)
	}
}

func TestOtherSitesMayNotEdit(t *testing.T) {
	s := served(t, true)
	req, err := http.NewRequestWithContext(context.Background(), http.MethodPost, s.URL+"/api/undo", strings.NewReader(`{"client":"x","id":"x","revision":1,"edit":"begin"}`))
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Origin", "http://elsewhere.example")
	req.Header.Set("Sec-Fetch-Site", "cross-site")
	res, err := s.Client().Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	if res.StatusCode != http.StatusForbidden {
		t.Errorf("another site got %d", res.StatusCode)
	}
}

func TestAnEmptyFileBeginsWithTheYearAhead(t *testing.T) {
	s := served(t, false)
	if st := state(t, s); st.Household != nil || st.Plan != nil || st.Revision != 0 {
		t.Fatalf("%+v", st)
	}
	if status, _, _ := call(t, s, "/api/working?figure=tally/plants", nil); status != 404 {
		t.Errorf("a figure of no household: %d", status)
	}
	_, body, _ := call(t, s, "/api/demo-households", nil)
	h := decoded[[]DemoHousehold](t, body)[0].Household
	h.Year = 0
	status, body, _ := call(t, s, "/api/edits", Edit{Client: "t", ID: "1", Command: "begin", Household: &h})
	if got := decoded[State](t, body); status != 200 || got.Household.Year != 2027 || got.Plan == nil {
		t.Errorf("%d %.200s", status, body)
	}
}

func TestTheHouseholdFileCanBePlanned(t *testing.T) {
	s := served(t, true)
	_, body, header := call(t, s, "/api/household-file", nil)
	h, err := exchange.ReadHousehold(bytes.NewReader(body))
	if err != nil || !strings.Contains(header.Get("Content-Disposition"), "household.json") {
		t.Fatal(err, header)
	}
	p, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h})
	if err != nil || p.Tally != state(t, s).Plan.Tally {
		t.Errorf("%+v %v", p.Tally, err)
	}
}

func TestUnknownPathsServeTheApp(t *testing.T) {
	s := served(t, true)
	for path, want := range map[string]string{"/": "Inventory", "/sowings": "Inventory", "/assets/a.js": "let a", "/../etc/passwd": "Inventory"} {
		status, body, header := call(t, s, path, nil)
		if status != 200 || !strings.Contains(string(body), want) || header.Get("Content-Security-Policy") == "" {
			t.Errorf("%s: %d %s", path, status, body)
		}
	}
	if status, _, _ := call(t, s, "/assets/gone.js", nil); status != 404 {
		t.Errorf("an asset that is not there: %d", status)
	}
}

// Many edit at once: every edit is done once, none is lost, and the plan that
// answers belongs to its revision.
func TestManyEditAtOnce(t *testing.T) {
	s := served(t, true)
	st := state(t, s)
	const editors = 12
	var wait sync.WaitGroup
	revisions := make([]int, editors)
	for i := range editors {
		wait.Go(func() {
			w := st.Household.Wishes[i]
			w.Note = fmt.Sprint("by editor ", i)
			for range 3 { // the phone that sends again
				status, body, _ := call(t, s, "/api/edits", Edit{Client: fmt.Sprint(i), ID: fmt.Sprint("e", i), Revision: st.Revision, Command: "change-wish", Wish: &w})
				if status != 200 {
					t.Errorf("editor %d: %d %s", i, status, body)
				}
				got := decoded[State](t, body)
				revisions[i] = max(revisions[i], got.Revision)
				if len(got.Plan.Wishes) != len(got.Household.Wishes) {
					t.Errorf("editor %d is answered with a plan of %d wishes", i, len(got.Plan.Wishes))
				}
			}
		})
	}
	wait.Wait()
	now := state(t, s)
	if now.Revision != st.Revision+editors {
		t.Errorf("revision %d after %d edits on %d", now.Revision, editors, st.Revision)
	}
	for i := range editors {
		if now.Household.Wishes[i].Note != fmt.Sprint("by editor ", i) {
			t.Errorf("the edit of editor %d is lost: %q", i, now.Household.Wishes[i].Note)
		}
	}
}

// processor returns the time that this process has used on all processors.
func processor(b *testing.B) time.Duration {
	b.Helper()
	var u syscall.Rusage
	if err := syscall.Getrusage(syscall.RUSAGE_SELF, &u); err != nil {
		b.Fatal(err)
	}
	return time.Duration(u.Utime.Nano() + u.Stime.Nano())
}

func BenchmarkEditOverHTTP(b *testing.B) { edits(b, served(b, true)) }

// Ten years of entries, 20 000 of them: harvests, where they went, and jars taken from the shelf.
func BenchmarkEditWithTenYearsOfEntries(b *testing.B) { edits(b, servedWith(b, true, tenYears())) }

// tenYears makes 20 000 entries.
func tenYears() []record.Entry {
	foods := []string{"tomato", "snap bean", "carrot", "potato", "lettuce", "kale", "onion", "cucumber"}
	out := make([]record.Entry, 0, 20_000)
	for i := range 10_000 {
		day := civil.Of(2017, 1, 1) + civil.Date(i*3600/10_000)
		food := foods[i%len(foods)]
		out = append(out,
			record.Entry{ID: fmt.Sprint("h", i), Day: day, Act: record.Harvest, Food: food, Gram: 1500, Order: 2*i + 1, Who: "Ada"},
			record.Entry{ID: fmt.Sprint("u", i), Day: day, Act: record.Use, Food: food, Gram: 1000, To: record.Given, Order: 2*i + 2, Who: "Ada"})
	}
	return out
}

func edits(b *testing.B, s *httptest.Server) {
	_, body, _ := call(b, s, "/api/state", nil)
	st := decoded[State](b, body)
	w, revision := st.Household.Wishes[2], st.Revision
	var took []time.Duration
	size := 0
	before := processor(b)
	for b.Loop() {
		w.Amount.Number = float64(20 + revision%2)
		begin := time.Now()
		status, body, _ := call(b, s, fmt.Sprint("/api/edits?since=", revision), Edit{Client: "b", ID: fmt.Sprint(revision), Revision: revision, Command: "change-wish", Wish: &w})
		took = append(took, time.Since(begin))
		if status != 200 {
			b.Fatal(status)
		}
		size = len(body)
		revision++
	}
	b.ReportMetric((processor(b)-before).Seconds()*1000/float64(len(took)), "ms-processor")
	slices.Sort(took)
	b.ReportMetric(float64(took[len(took)/2].Microseconds())/1000, "ms-median")
	b.ReportMetric(float64(size), "B-unpacked")
}

// A line is read with the seasons of the place: of the household, or of the climate that
// is chosen to begin with.
func TestALineIsReadAtItsPlace(t *testing.T) {
	for _, c := range []struct {
		demo    bool
		climate string
		months  string
	}{{true, "", "June to August"}, {false, "", "June to August"}, {false, southern(t), "December to February"}} {
		s := served(t, c.demo)
		l := Line{Text: "courgettes 2x week in summer"}
		if c.climate != "" {
			l.Climate = &c.climate
		}
		_, body, _ := call(t, s, "/api/lines", l)
		if got := decoded[[]Reading](t, body); len(got) != 1 || !strings.Contains(got[0].Words, c.months) || got[0].Notes == nil {
			t.Errorf("%+v: %s", c, body)
		}
	}
}

func southern(t *testing.T) string {
	t.Helper()
	for _, x := range place.Examples() {
		if x.Place.Latitude < 0 {
			return x.ID
		}
	}
	t.Fatal("no climate of the south")
	return ""
}
