package main

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"inventory/demo"
)

func command(stdin string, args ...string) (string, error) {
	var out bytes.Buffer
	c := root()
	c.SetArgs(args)
	c.SetIn(strings.NewReader(stdin))
	c.SetOut(&out)
	c.SetErr(io.Discard)
	err := c.ExecuteContext(context.Background())
	return out.String(), err
}

func TestPlanPrintsTheSamePlanAsTextAndJSON(t *testing.T) {
	file := filepath.Join(t.TempDir(), "h.json")
	if err := os.WriteFile(file, demo.MillHouse, 0o600); err != nil {
		t.Fatal(err)
	}
	text, err := command("", "plan", file, "--as-of", "2027-01-12")
	if err != nil {
		t.Fatal(err)
	}
	out, err := command(string(demo.MillHouse), "plan", "-", "--json", "--as-of", "2027-01-12")
	if err != nil {
		t.Fatal(err)
	}
	var p struct {
		Tally struct {
			Plants   int `json:"plants"`
			WeeksFed int `json:"weeks_fed"`
		} `json:"tally"`
		Wishes []json.RawMessage `json:"wishes"`
	}
	if err := json.Unmarshal([]byte(out), &p); err != nil {
		t.Fatal(err)
	}
	for _, want := range []string{fmt.Sprintf("%d plants in", p.Tally.Plants), fmt.Sprintf("%d of ", p.Tally.WeeksFed), "Tomato sauce, thick", "2027-01-27", "kg"} {
		if !strings.Contains(text, want) {
			t.Errorf("the text does not say %q:\n%s", want, text)
		}
	}
	if strings.Contains(text, "{") || strings.Contains(text, "NaN") {
		t.Error("the text has marks left in it")
	}
	us, err := command(string(demo.MillHouse), "plan", "-", "--us", "--as-of", "2027-01-12")
	if err != nil || !strings.Contains(us, " lb") || !strings.Contains(us, "sq ft") || strings.Contains(us, " m²  ") {
		t.Errorf("US units: %v\n%s", err, us)
	}
}

func TestCommandsThatCannotBeDone(t *testing.T) {
	dir := t.TempDir()
	notes := filepath.Join(dir, "notes.db")
	if err := os.WriteFile(notes, []byte(strings.Repeat("not a database ", 100)), 0o600); err != nil {
		t.Fatal(err)
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	for _, c := range []struct {
		stdin string
		args  []string
		want  string
	}{
		{"", []string{"plan", filepath.Join(dir, "none.json")}, "no such file"},
		{"", []string{"plan", "-"}, "is empty"},
		{"{", []string{"plan", "-"}, "stops early"},
		{strings.Replace(string(demo.MillHouse), `"latitude": 47.5`, `"latitude": 91`, 1), []string{"plan", "-"}, "place.latitude"},
		{string(demo.MillHouse), []string{"plan", "-", "--as-of", "yesterday"}, "is not a date"},
		{"", []string{"plan"}, "accepts 1 arg"},
		{"", []string{"serve", "--db", notes}, "is not a database"},
		{"", []string{"serve", "--db", filepath.Join(dir, "none", "a.db")}, "is not there"},
		{"", []string{"serve", "--db", filepath.Join(dir, "a.db"), "--addr", l.Addr().String()}, "is in use"},
	} {
		if _, err := command(c.stdin, c.args...); err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("%v: got %v, want it to say %q", c.args, err, c.want)
		}
	}
}

func TestHelpReadsWell(t *testing.T) {
	for _, args := range [][]string{{"--help"}, {"serve", "--help"}, {"demo", "--help"}, {"plan", "--help"}} {
		out, err := command("", args...)
		if err != nil || len(out) < 200 {
			t.Errorf("%v: %v %q", args, err, out)
		}
		for i, line := range strings.Split(out, "\n") {
			if len([]rune(line)) > 100 {
				t.Errorf("%v: line %d is %d characters long: %s", args, i+1, len([]rune(line)), line)
			}
		}
	}
}

// served runs a command until it says its address, and returns it.
func served(tb testing.TB, args ...string) (url string, stop func()) {
	tb.Helper()
	ctx, cancel := context.WithCancel(context.Background())
	r, w := io.Pipe()
	c := root()
	c.SetArgs(args)
	c.SetOut(w)
	done := make(chan error, 1)
	go func() {
		err := c.ExecuteContext(ctx)
		_ = w.CloseWithError(io.EOF)
		done <- err
	}()
	said := make([]byte, 1024)
	n, err := r.Read(said)
	if err != nil {
		tb.Fatalf("the command ended: %v", <-done)
	}
	_, rest, _ := strings.Cut(string(said[:n]), "http://")
	go func() { _, _ = io.Copy(io.Discard, r) }()
	return "http://" + strings.Fields(rest)[0], func() {
		cancel()
		if err := <-done; err != nil && err != http.ErrServerClosed {
			tb.Error(err)
		}
	}
}

func TestTheDemoKeepsItsEdits(t *testing.T) {
	file := filepath.Join(t.TempDir(), "demo.db")
	for i, want := range []int{1, 2} { // the second start finds the household of the first
		url, stop := served(t, "demo", "--db", file, "--addr", "127.0.0.1:0", "--as-of", "2027-01-12", "--untouched")
		if i == 1 {
			res, err := http.Post(url+"/api/edits", "application/json", strings.NewReader(`{"client":"t","id":"x","revision":1,"command":"remove-wish","target":"w1"}`))
			if err != nil {
				t.Fatal(err)
			}
			_ = res.Body.Close()
		}
		res, err := http.Get(url + "/api/state")
		if err != nil {
			t.Fatal(err)
		}
		var st struct{ Revision int }
		if err := json.NewDecoder(res.Body).Decode(&st); err != nil || st.Revision != want {
			t.Errorf("start %d stands at revision %d (%v), want %d", i+1, st.Revision, err, want)
		}
		_ = res.Body.Close()
		stop()
	}
}

func BenchmarkStartToServing(b *testing.B) {
	dir := b.TempDir()
	i := 0
	for b.Loop() {
		i++
		url, stop := served(b, "demo", "--db", filepath.Join(dir, fmt.Sprint(i, ".db")), "--addr", "127.0.0.1:0", "--as-of", "2027-01-12")
		res, err := http.Get(url + "/api/state")
		if err != nil {
			b.Fatal(err)
		}
		_ = res.Body.Close()
		stop()
	}
}
