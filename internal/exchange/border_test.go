package exchange

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/stock"
)

// Every made-up household is an ordinary file, stands, and has a plan that feeds
// most of its weeks and that its beds can be laid out for.
func TestEveryDemoHouseholdIsPlanned(t *testing.T) {
	for _, d := range demo.Households {
		h, err := ReadHousehold(bytes.NewReader(d.File))
		if err != nil {
			t.Fatalf("%s: %v", d.ID, err)
		}
		p, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h})
		if err != nil {
			t.Fatalf("%s: %v", d.ID, err)
		}
		if len(p.Unknown) > 0 || p.Tally.WeeksFed*10 < p.Tally.WeeksWanted*7 || p.Tally.Plants < 500 {
			t.Errorf("%s: %d of %d weeks, %d plants, unknown %v", d.ID, p.Tally.WeeksFed, p.Tally.WeeksWanted, p.Tally.Plants, p.Unknown)
		}
		for _, w := range p.Wishes {
			if w.WeeksFed == 0 && w.WeeksWanted > 0 {
				t.Errorf("%s: %s feeds no week: %q", d.ID, w.Words, w.Notes)
			}
		}
	}
}

// What docs/household-file.md lets a file leave out may be left out, one by one and
// all at once.
func TestAFileMayLeaveOutWhatTheDocsSay(t *testing.T) {
	optional := []string{
		"start", "risk", "school", "guests", "habits", "agreed", "placements", "customs", "weather", "patches", "overrules", "lots",
		"frost_spread", "id", "appetite", "away", "room_kg", "season", "priority", "confidence", "left", "story", "cover", "piece", "pins",
		"stagger", "layout", "note", "portion", "until", "sun", "climb", "edge", "stood", "stands", "settles", "measured", "emitters", "posts", "turned",
	}
	var without func(value any, drop []string) any
	without = func(value any, drop []string) any {
		switch v := value.(type) {
		case map[string]any:
			for k, x := range v {
				_, own := v["from"]
				_, stands := v["family"]
				named := k == "id" && (own || v["day"] != nil) // own crops and sowings are named by the household
				if slices.Contains(drop, k) && !named && !(k == "until" && stands) {
					delete(v, k)
				} else {
					v[k] = without(x, drop)
				}
			}
		case []any:
			for i := range v {
				v[i] = without(v[i], drop)
			}
		}
		return value
	}
	for _, drop := range append([][]string{optional}, slices.Collect(slices.Chunk(optional, 1))...) {
		var file any
		if err := json.Unmarshal(demo.MillHouse, &file); err != nil {
			t.Fatal(err)
		}
		body, err := json.Marshal(without(file, drop))
		if err != nil {
			t.Fatal(err)
		}
		h, err := ReadHousehold(bytes.NewReader(body))
		if err != nil {
			t.Errorf("without %v: %v", drop, err)
			continue
		}
		if _, unknown, err := h.Fitting(book.Usual()); err != nil || len(unknown) > 0 {
			t.Errorf("without %v: %v %v", drop, err, unknown)
		}
	}
}

func TestAFileThatSaysAThingTwiceOrHalf(t *testing.T) {
	whole := string(demo.MillHouse)
	for name, c := range map[string]struct{ was, is, want string }{
		"a field twice":   {`"risk": "usual",`, "\"risk\": \"usual\",\n\"risk\": \"bold\",", `line 6: "risk" is given twice`},
		"deep in a list":  {`{ "food": "carrot",`, `{ "food": "leek", "food": "carrot",`, `"food" is given twice`},
		"thirteen months": {`"mean_min": [`, `"mean_min": [1, `, `place.mean_min: “a list of 13” does not work`},
		"eleven months":   {`"rain": [50, `, `"rain": [`, `place.rain: “a list of 11” does not work`},
	} {
		_, err := ReadHousehold(strings.NewReader(strings.Replace(whole, c.was, c.is, 1)))
		if err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("%s: %v, want it to say %q", name, err, c.want)
		}
	}
}

func TestCleanTextLeavesWhatPeopleWrite(t *testing.T) {
	for text, want := range map[string]string{
		"  kale ": "kale", "Möhren & Lauch, 2½ kg – süß": "Möhren & Lauch, 2½ kg – süß", "two\nlines": "two\nlines", "two\r\nlines": "two\nlines",
		"a\tb": "a b", "bell\x07": "bell", "\u202Egnp.exe": "gnp.exe", "\u2066x\u2069": "x", "\uFEFFfood": "food", "日本": "日本", "": "",
	} {
		if got := CleanText(text); got != want || CleanText(got) != got {
			t.Errorf("%q becomes %q, want %q", text, got, want)
		}
	}
}

func FuzzCleanText(f *testing.F) {
	for _, s := range []string{"kale", "\r\n", "\u202E", "=1+1", "\xff"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		got := CleanText(s)
		if CleanText(got) != got || strings.ContainsAny(got, "\r\t\x00\u202E\u2066") {
			t.Errorf("%q becomes %q", s, got)
		}
		if line := oneLine(s); strings.ContainsAny(line, "\r\n") {
			t.Errorf("%q is several lines: %q", s, line)
		}
		if unguarded(guarded(got)) != got {
			t.Errorf("%q does not come back from a CSV", got)
		}
	})
}

// A spreadsheet reckons no text of the shelf file as a formula, and the text comes
// back as it was.
func TestTheShelfFileHoldsNoFormulas(t *testing.T) {
	note := `=HYPERLINK("http://elsewhere.example","jam")`
	lots := []stock.Lot{{ID: "l1", Food: "carrot", Form: "cellar", Count: 1, Size: 5, Unit: "kg", PutUp: civil.Of(2026, 10, 1), Store: "s1", Note: note}}
	stores := []stock.StoragePlace{{ID: "s1", Name: "@cellar"}}
	var out bytes.Buffer
	if err := WriteShelf(&out, lots, stores); err != nil {
		t.Fatal(err)
	}
	if text := out.String(); strings.Contains(text, ",@") || strings.Contains(text, `"=`) {
		t.Errorf("a cell begins like a formula: %s", text)
	}
	back, err := ReadShelf(&out, book.Usual(), stores)
	if err != nil || back[0].Note != note || back[0].Store != "s1" {
		t.Errorf("%+v %v", back, err)
	}
}

// No text ends its line of the calendar.
func TestTheCalendarHasOnlyItsOwnLines(t *testing.T) {
	h, err := ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	h.OwnCrops[0].Name = "Ferry\rATTACH:http://elsewhere.example\rbean"
	p, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h})
	if err != nil {
		t.Fatal(err)
	}
	var out bytes.Buffer
	if err := WriteCalendar(&out, p, nil, amount.Metric); err != nil {
		t.Fatal(err)
	}
	if !strings.Contains(out.String(), "Ferry") {
		t.Fatal("the crop is not in the calendar")
	}
	if n := strings.Count(strings.ReplaceAll(out.String(), "\r\n", ""), "\r"); n > 0 {
		t.Errorf("%d carriage returns stand within lines", n)
	}
}

// What answers in a station's place does not get its words repeated, and leads
// nowhere else.
func TestAStationLeadsNowhereElse(t *testing.T) {
	ctx := context.Background()
	asked := 0
	other := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		asked++
		fmt.Fprint(w, `[{"id":"a","name":"secret"}]`)
	}))
	defer other.Close()
	sends := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		http.Redirect(w, r, other.URL+r.URL.Path, http.StatusFound)
	}))
	defer sends.Close()
	if _, err := StationPlaces(ctx, sends.URL); err == nil || asked > 0 {
		t.Errorf("another host was asked %d times: %v", asked, err)
	}
	for _, address := range []string{"http://169.254.169.254/", "http://[fe80::1]:80/", "http://0.0.0.0:1/", "http://[::ffff:169.254.1.1]/"} {
		if _, err := StationPlaces(ctx, address); err == nil || !strings.Contains(err.Error(), "leads elsewhere") {
			t.Errorf("%s: %v", address, err)
		}
	}
	talks := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.URL.Path == "/places" {
			w.WriteHeader(http.StatusForbidden)
		}
		fmt.Fprint(w, "DATE,TMAX,TMIN\nhunter2,hunter2,hunter2\n")
	}))
	defer talks.Close()
	// The address may be repeated: its port can hold the number of the answer.
	_, err := StationPlaces(ctx, talks.URL)
	if err == nil {
		t.Fatal("what forbids is read as a station")
	}
	if told := strings.ReplaceAll(err.Error(), talks.URL, ""); strings.Contains(told, "hunter2") || strings.Contains(told, "403") {
		t.Error(told)
	}
	if _, _, err := StationDays(ctx, talks.URL, "a"); err == nil || strings.Contains(err.Error(), "hunter2") || invalid.All(err) == nil {
		t.Error(err)
	}
}
