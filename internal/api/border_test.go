package api

import (
	"bytes"
	"context"
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"inventory/internal/exchange"
	"inventory/internal/store"
)

// What the contract does not allow is refused at its field, before anything is made
// of it.
func TestRequestsKeepTheContract(t *testing.T) {
	s := served(t, true)
	long := strings.Repeat("x", 101)
	for name, c := range map[string]struct {
		path, body string
		field      string
		says       string
	}{
		"no name of an edit": {"/api/edits", `{"client":"t","revision":1,"command":"agree"}`, "id", "left out"},
		"a long id":          {"/api/edits", `{"client":"t","id":"` + long + `","revision":1,"command":"agree"}`, "id", "at most 100 characters"},
		"a long note":        {"/api/edits", `{"client":"t","id":"i","revision":1,"command":"add-lot","lot":{"id":"l","food":"carrot","form":"cellar","count":1,"size":1,"unit":"kg","put_up":"2026-10-01","note":"` + strings.Repeat("n", 501) + `"}}`, "lot.note", "at most"},
		"no such command":    {"/api/edits", `{"client":"t","id":"i","revision":1,"command":"paint"}`, "command", "one of begin"},
		"eleven months":      {"/api/place-chart", `{"name":"","latitude":1,"altitude":1,"mean_max":[1,2,3,4,5,6,7,8,9,10,11],"mean_min":[1,2,3,4,5,6,7,8,9,10,11,12],"rain":[1,2,3,4,5,6,7,8,9,10,11,12],"frost_free":true,"last_frost":"","first_frost":"","frost_spread":0}`, "mean_max", "a list of 12"},
		"a text for a list":  {"/api/edits", `{"client":"t","id":"i","revision":1,"command":"add-lots","lots":"many"}`, "lots", "a list"},
		"unknown units":      {"/api/calendar?units=stones", "", "units", "one of metric, us"},
		"units twice":        {"/api/calendar?units=us&units=us", "", "units", "one value"},
		"a week of words":    {"/api/week?week=may", "", "week", "a whole number"},
	} {
		var body any
		if c.body != "" {
			body = c.body
		}
		status, out, _ := call(t, s, c.path, body)
		p := decoded[Problem](t, out)
		if status != http.StatusUnprocessableEntity || p.Fields == nil || (*p.Fields)[0].Field != c.field || !strings.Contains((*p.Fields)[0].Allowed, c.says) {
			t.Errorf("%s: %d %s", name, status, out)
		}
	}
	if status, out, _ := call(t, s, "/api/edits", `{"client":"t","id":"i","id":"j","revision":1,"command":"agree"}`); status != http.StatusBadRequest || !strings.Contains(string(out), "given twice") {
		t.Errorf("a field given twice: %d %s", status, out)
	}
}

// Texts lose what nobody types on purpose.
func TestTextsAreCleanedAtTheBorder(t *testing.T) {
	s := served(t, true)
	do, _ := editing(t, s)
	w := state(t, s).Household.Wishes[0]
	w.Note = "  one\r\nBEGIN:VEVENT \u202Etxt.exe\x07\t! "
	st := do(Edit{Command: "change-wish", Wish: &w}, http.StatusOK)
	if got := st.Household.Wishes[0].Note; got != "one\nBEGIN:VEVENT txt.exe !" {
		t.Errorf("%q", got)
	}
}

// A name that the crop book does not know locks nothing: state, layout, calendar
// and edits go on, and the entry is told.
func TestWhatTheBookDoesNotKnowIsPlannedAround(t *testing.T) {
	s := served(t, false)
	_, body, _ := call(t, s, "/api/demo-households", nil)
	h := decoded[[]DemoHousehold](t, body)[0].Household
	h.Wishes[4].Food, h.Plantings[0].Crop = "griffin", "griffin"
	if status, out, _ := call(t, s, "/api/edits", Edit{Client: "t", ID: "b", Command: "begin", Household: &h}); status != http.StatusOK {
		t.Fatalf("%d %s", status, out)
	}
	for _, path := range []string{"/api/state", "/api/layout", "/api/calendar", "/api/book", "/api/reference", "/api/week?week=3", "/api/ground-needs", "/api/shelf-file", "/api/household-file"} {
		if status, out, _ := call(t, s, path, nil); status != http.StatusOK {
			t.Errorf("%s: %d %.300s", path, status, out)
		}
	}
	st := state(t, s)
	if len(st.Plan.Unknown) != 2 || st.Plan.Unknown[0].Name != "griffin" || len(st.Household.Wishes) != len(st.Plan.Wishes)+1 {
		t.Fatalf("%+v", st.Plan.Unknown)
	}
	do, _ := editing(t, s)
	do(Edit{Command: "call-it", Call: &store.Call{Of: "food", Unknown: "griffin", Known: "lettuce"}}, http.StatusOK)
	target := "griffin"
	if st := do(Edit{Command: "remove-unknown", Target: &target}, http.StatusOK); len(st.Plan.Unknown) != 0 {
		t.Errorf("%+v", st.Plan.Unknown)
	}
}

// A household file is read as it was written, and what is wrong in it is named.
func TestAHouseholdFileIsReadBack(t *testing.T) {
	s := served(t, true)
	_, file, _ := call(t, s, "/api/household-file", nil)
	_, body, _ := call(t, s, "/api/household-file-read", HouseholdFile{Text: string(file)})
	read := decoded[HouseholdRead](t, body)
	var again bytes.Buffer
	if err := exchange.WriteHousehold(&again, read.Household); err != nil || again.String() != string(file) || len(read.Unknown) != 0 {
		t.Errorf("%v: the file is not what it was", err)
	}
	for name, c := range map[string]struct{ was, is, says string }{
		"a latitude": {`"latitude": 47.5`, `"latitude": 97`, "place.latitude"},
		"an amount":  {`"number": 35`, `"number": -35`, "wishes[2].amount.number"},
		"months":     {`"mean_max": [`, `"mean_max": [1,`, "place.mean_max"},
		"a name":     {`"risk":`, `"rusk":`, "rusk"},
		"cut short":  {"", "", "stops early"},
	} {
		text := strings.Replace(string(file), c.was, c.is, 1)
		if c.was == "" {
			text = text[:len(text)/2]
		}
		if status, out, _ := call(t, s, "/api/household-file-read", HouseholdFile{Text: text}); status != http.StatusUnprocessableEntity || !strings.Contains(string(out), c.says) {
			t.Errorf("%s: %d %.300s", name, status, out)
		}
	}
}

// The backup that House offers opens as the household it was taken of.
func TestTheBackupIsTheHousehold(t *testing.T) {
	s := served(t, true)
	want := state(t, s)
	status, body, head := call(t, s, "/api/backup", nil)
	if status != http.StatusOK || !strings.Contains(head.Get("Content-Disposition"), "the-mill-house-2027-01-12-edit-1.db") {
		t.Fatalf("%d %s", status, head.Get("Content-Disposition"))
	}
	file := filepath.Join(t.TempDir(), "b.db")
	if err := os.WriteFile(file, body, 0o600); err != nil {
		t.Fatal(err)
	}
	st, err := store.Open(context.Background(), file)
	if err != nil {
		t.Fatal(err)
	}
	defer st.Close()
	got, err := st.Load(context.Background())
	if err != nil || got.Revision != want.Revision || len(got.Household.Wishes) != len(want.Household.Wishes) {
		t.Errorf("%d, %v", got.Revision, err)
	}
	if status, _, _ := call(t, served(t, false), "/api/backup", nil); status != http.StatusNotFound {
		t.Errorf("a backup of nothing: %d", status)
	}
}

// A plan that nobody has seen is not agreed to.
func TestAgreeNamesTheRevisionThatWasSeen(t *testing.T) {
	s := served(t, true)
	seen := state(t, s).Revision
	do, _ := editing(t, s)
	target := "w1"
	do(Edit{Command: "remove-wish", Target: &target}, http.StatusOK)
	status, body, _ := call(t, s, "/api/edits", Edit{Client: "t", ID: "a", Revision: seen, Command: "agree"})
	if status != http.StatusConflict || state(t, s).Household.Baseline != nil {
		t.Errorf("%d %s", status, body)
	}
	status, body, _ = call(t, s, "/api/edits", Edit{Client: "t", ID: "b", Revision: seen + 1, Command: "agree"})
	if status != http.StatusOK || decoded[State](t, body).Household.Baseline == nil {
		t.Errorf("%d %.300s", status, body)
	}
}

func TestOnlyItsOwnNamesAreAnswered(t *testing.T) {
	for _, c := range []struct {
		hosts Hosts
		name  string
		want  bool
	}{
		{Hosts{}, "localhost:8580", true}, {Hosts{}, "127.0.0.1", true}, {Hosts{}, "[::1]:8580", true}, {Hosts{}, "LOCALHOST.", true},
		{Hosts{}, "garden.example", false}, {Hosts{}, "localhost.garden.example", false}, {Hosts{}, "192.168.1.20:8580", false}, {Hosts{}, "", false},
		{Hosts{Names: []string{"garden.home"}}, "Garden.Home:80", true}, {Hosts{Names: []string{"garden.home"}}, "garden.away", false},
		{Hosts{Open: true}, "192.168.1.20:8580", true}, {Hosts{Open: true}, "[fd00::20]:8580", true}, {Hosts{Open: true}, "garden.example", false},
	} {
		if got := c.hosts.Allows(c.name); got != c.want {
			t.Errorf("%+v answers to %q: %v", c.hosts, c.name, got)
		}
	}
	s := served(t, true)
	for _, path := range []string{"/", "/api/state", "/api/backup"} {
		req := httptest.NewRequest(http.MethodGet, path, nil)
		req.Host = "garden.example"
		w := httptest.NewRecorder()
		s.Config.Handler.ServeHTTP(w, req)
		if w.Code != http.StatusMisdirectedRequest || !strings.Contains(w.Body.String(), "--host") {
			t.Errorf("%s: %d %s", path, w.Code, w.Body)
		}
	}
}

// What fails outside the program is told in words.
func TestFailuresAreToldInWords(t *testing.T) {
	for name, c := range map[string]struct {
		err    error
		status int
	}{
		"read-only":   {&store.Unusable{File: "/f.db", Why: "may not be written"}, http.StatusInsufficientStorage},
		"held":        {&store.Unusable{File: "/f.db", Why: "is held by another program", Busy: true}, http.StatusServiceUnavailable},
		"full":        {store.ErrFull, http.StatusInsufficientStorage},
		"gone away":   {context.Canceled, http.StatusRequestTimeout},
		"in between":  {&store.NotLast{Do: "undo", Last: &store.LastEdit{Words: "changed carrots"}}, http.StatusConflict},
		"older input": {&store.Clash{Kind: "plan", Theirs: json.RawMessage("null")}, http.StatusConflict},
	} {
		if p := problemOf(c.err); p.Status != c.status || p.Detail == "" {
			t.Errorf("%s: %+v", name, p)
		}
	}
}
