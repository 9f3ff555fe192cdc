package api

import (
	"fmt"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/store"
)

// The enums of the contract list what the tables of facts list: a new line in a table
// must be let through, and a line that is gone must not.
func TestEnumsOfTheContractFollowTheFacts(t *testing.T) {
	doc := strict(t)
	enum := func(schema, field string) (out []string) {
		s := doc.Components.Schemas[schema].Value
		if field != "" {
			s = s.Properties[field].Value
		}
		for _, v := range s.Enum {
			out = append(out, fmt.Sprint(v))
		}
		return out
	}
	var kinds, forms, events []string
	for _, f := range wish.AmountKinds() {
		kinds = append(kinds, string(f.Kind))
	}
	for _, f := range wish.Forms {
		forms = append(forms, string(f))
	}
	for _, e := range plan.Events() {
		events = append(events, string(e))
	}
	commands := slices.DeleteFunc(store.Commands(), func(c string) bool {
		return c == "put-planting" || c == "put-plantings" || c == "put-placement" || c == "turn-year" || c == "record" // made by the log, by placing, by the year's turn and by entries alone
	})
	for _, c := range []struct {
		schema, field string
		want          []string
	}{
		{"AmountKind", "", kinds}, {"Form", "", forms}, {"SowingWay", "", season.Chosen()},
		{"SowingEvent", "what", events}, {"Edit", "command", commands},
	} {
		got := enum(c.schema, c.field)
		slices.Sort(got)
		want := slices.Sorted(slices.Values(c.want))
		if !slices.Equal(got, want) {
			t.Errorf("%s %s: the contract has %v, the table %v", c.schema, c.field, got, want)
		}
	}
}

// The interface's files are sent as the build packed them, to those who understand that.
func TestFilesAreSentPacked(t *testing.T) {
	e := echo.New()
	web := fstest.MapFS{
		"index.html": {Data: []byte("<title>Inventory</title>")}, "assets/a.js": {Data: []byte("plain")},
		"assets/a.js.br": {Data: []byte("brotli")}, "assets/a.js.gz": {Data: []byte("gzip")},
	}
	if err := static(e, web); err != nil {
		t.Fatal(err)
	}
	for accepts, want := range map[string]string{"": "plain", "gzip, deflate, br": "brotli", "gzip": "gzip", "br;q=0, gzip;q=0.5": "gzip", "identity": "plain"} {
		r := httptest.NewRequest(http.MethodGet, "/assets/a.js", nil)
		r.Header.Set("Accept-Encoding", accepts)
		w := httptest.NewRecorder()
		e.ServeHTTP(w, r)
		coding := map[string]string{"brotli": "br", "gzip": "gzip"}[want]
		if w.Body.String() != want || w.Header().Get("Content-Encoding") != coding || w.Header().Get("Vary") != "Accept-Encoding" || !strings.Contains(w.Header().Get("Content-Type"), "javascript") {
			t.Errorf("%q: %q, %v", accepts, w.Body.String(), w.Header())
		}
	}
}
