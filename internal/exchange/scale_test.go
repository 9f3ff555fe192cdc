package exchange

import (
	"context"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"inventory/internal/core/invalid"
	"inventory/internal/standin"
)

// The stand-in behaves as a scale does, and is read by the client of a real one: it settles, tares,
// is overloaded, shows pounds, and breaks off.
func TestAScaleIsRead(t *testing.T) {
	now := time.Date(2027, 7, 1, 9, 0, 0, 0, time.UTC)
	scale := standin.NewScale(func() time.Time { return now })
	server := httptest.NewServer(scale)
	defer server.Close()
	ctx := context.Background()
	read := func() ScaleReading {
		t.Helper()
		r, err := ReadScale(ctx, server.URL)
		if err != nil {
			t.Fatal(err)
		}
		return r
	}
	simulate := func(body string) {
		t.Helper()
		res, err := http.Post(server.URL+"/simulate", "application/json", strings.NewReader(body))
		if err != nil || res.StatusCode != http.StatusNoContent {
			t.Fatal(res, err)
		}
		_ = res.Body.Close()
	}
	if r := read(); r.Gram != 0 || !r.Stable || !r.Simulated {
		t.Errorf("empty: %+v", r)
	}
	if err := SimulateScale(ctx, server.URL, 2.4); err != nil {
		t.Fatal(err)
	}
	now = now.Add(200 * time.Millisecond)
	if r := read(); r.Stable || r.Gram == 2400 {
		t.Errorf("it is stable at once: %+v", r)
	}
	now = now.Add(2 * time.Second)
	if r := read(); r.Gram != 2400 || !r.Stable {
		t.Errorf("it never settles: %+v", r)
	}
	if err := TareScale(ctx, server.URL); err != nil || read().Gram != 0 {
		t.Errorf("tared: %v %+v", err, read())
	}
	simulate(`{"kg": 3.9, "unit": "lb"}`)
	now = now.Add(2 * time.Second)
	if r := read(); r.Gram != 1500 || !r.Stable {
		t.Errorf("in pounds: %+v", r)
	}
	simulate(`{"kg": 16}`)
	if r := read(); !r.Overload {
		t.Errorf("16 kg: %+v", r)
	}
	simulate(`{"kg": 1, "restless": true}`)
	now = now.Add(time.Minute)
	if r := read(); r.Stable {
		t.Errorf("a scale that never settles is stable: %+v", r)
	}
	for _, c := range []struct{ body, want string }{{`{"nonsense": true}`, "cannot be read"}, {`{"gone": true, "nonsense": false}`, "nothing came"}} {
		simulate(c.body)
		if _, err := ReadScale(ctx, server.URL); !strings.Contains(said(err), c.want) {
			t.Errorf("%s: %v", c.body, err)
		}
	}
	simulate(`{"gone": false, "restless": false}`)
	now = now.Add(time.Minute)
	if r := read(); !r.Stable {
		t.Errorf("back again: %+v", r)
	}
}

func said(err error) string {
	if all := invalid.All(err); len(all) > 0 && all[0].Field == "scale" {
		return all[0].Allowed
	}
	return ""
}

// What is no scale is told as that, whatever it answers.
func TestWhatIsNoScale(t *testing.T) {
	for body, want := range map[string]string{
		`{"weight": 1e9, "unit": "kg"}`: "cannot be read", `{"weight": 2, "unit": "stone"}`: "cannot be read", `{"unit": "kg"}`: "cannot be read", `[]`: "cannot be read", ``: "cannot be read",
	} {
		server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write([]byte(body)) }))
		if _, err := ReadScale(context.Background(), server.URL); !strings.Contains(said(err), want) {
			t.Errorf("%s: %v", body, err)
		}
		server.Close()
	}
	server := httptest.NewServer(http.NotFoundHandler())
	defer server.Close()
	for address, want := range map[string]string{
		server.URL: "is none", "ftp://scale": "such as http", "": "such as http", "http://169.254.169.254": "leads elsewhere", "127.0.0.1:1": "nothing came",
	} {
		if _, err := ReadScale(context.Background(), address); !strings.Contains(said(err), want) {
			t.Errorf("%q: %v", address, err)
		}
	}
	if err := SimulateScale(context.Background(), server.URL, -1); err == nil {
		t.Error("less than nothing is put on it")
	}
	for address, want := range map[string]float64{`{"weight": 500, "unit": "g"}`: 500, `{"weight": 16, "unit": "oz"}`: 454, `{"weight": -0.35, "unit": "kg"}`: -350} {
		server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write([]byte(address)) }))
		if r, err := ReadScale(context.Background(), server.URL); err != nil || float64(r.Gram) != want {
			t.Errorf("%s: %+v %v", address, r, err)
		}
		server.Close()
	}
}
