package api

import (
	"bytes"
	"image"
	"image/png"
	"net/http"
	"slices"
	"testing"
	"time"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// A photograph is sent, shown and small; what is none is refused at the field, and nothing breaks.
func TestPhotographsOverHTTP(t *testing.T) {
	s := served(t, true)
	var body bytes.Buffer
	if err := png.Encode(&body, image.NewRGBA(image.Rect(0, 0, 900, 600))); err != nil {
		t.Fatal(err)
	}
	status, answer, _ := call(t, s, "/api/photographs", body.String())
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, answer)
	}
	id := decoded[PhotographSent](t, answer).ID
	for path, width := range map[string]int{"/api/photographs/" + id: 900, "/api/photographs/" + id + "?small=true": 320} {
		status, answer, header := call(t, s, path, nil)
		size, format, err := image.DecodeConfig(bytes.NewReader(answer))
		if status != http.StatusOK || err != nil || format != "jpeg" || size.Width != width || header.Get("Content-Type") != "image/jpeg" {
			t.Errorf("%s: %d %v %s %v", path, status, size, format, err)
		}
	}
	if status, _, _ := call(t, s, "/api/photographs/pnone", nil); status != http.StatusNotFound {
		t.Errorf("one that is not there: %d", status)
	}
	for what, sent := range map[string]string{"nothing": "", "a text": "date,food\n", "40 MB": body.String() + string(make([]byte, 40<<20))} {
		status, answer, _ := call(t, s, "/api/photographs", sent)
		p := decoded[Problem](t, answer)
		if status != http.StatusUnprocessableEntity || p.Fields == nil || (*p.Fields)[0].Field != "photograph" {
			t.Errorf("%s: %d %s", what, status, answer)
		}
	}
}

// Entries are found by what is asked of them: kind, food and words together.
func TestEntriesAreLookedFor(t *testing.T) {
	s := servedWith(t, true, []record.Entry{
		{ID: "a", Day: civil.Of(2027, 1, 5), Act: record.Note, Food: "carrot", Note: "set it deeper", Lesson: true},
		{ID: "b", Day: civil.Of(2027, 1, 6), Act: record.Note, Food: "carrot", Note: "thin"},
		{ID: "c", Day: civil.Of(2027, 1, 7), Act: record.Harvest, Food: "carrot", Gram: 900},
	})
	for query, want := range map[string]int{
		"": 3, "&food=carrot": 3, "&kind=lessons": 1, "&kind=note": 2, "&find=deeper": 1, "&find=carrots": 3, "&kind=harvest&find=deeper": 0, "&food=kale": 0, "&bed=none": 0,
	} {
		_, body, _ := call(t, s, "/api/entries?from=1950-01-01&to=2100-01-01"+query, nil)
		if got := decoded[EntriesTold](t, body); len(got.Entries) != want {
			t.Errorf("%q: %d entries, want %d: %.200s", query, len(got.Entries), want, body)
		}
	}
	if status, _, _ := call(t, s, "/api/entries?from=1950-01-01&to=2100-01-01&kind=moons", nil); status != http.StatusUnprocessableEntity {
		t.Errorf("a kind that is none: %d", status)
	}
}

// Two words in ten years of entries, 20 000 of them.
func BenchmarkSearchTenYears(b *testing.B) {
	s := servedWith(b, true, tenYears())
	var took []time.Duration
	for b.Loop() {
		begin := time.Now()
		status, _, _ := call(b, s, "/api/entries?from=1950-01-01&to=2100-01-01&find=given%20carrots", nil)
		took = append(took, time.Since(begin))
		if status != http.StatusOK {
			b.Fatal(status)
		}
	}
	slices.Sort(took)
	b.ReportMetric(float64(took[len(took)/2].Microseconds())/1000, "ms-median")
}
