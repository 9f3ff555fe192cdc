package daybook

import (
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
)

// A bucket is asked about until it was weighed once; from then on so many buckets are a weight, of
// that food alone, and what is known of it may be said anew.
func TestAMeasureIsWeighedOnce(t *testing.T) {
	now := lived(t, civil.Of(2027, 7, 20))
	if _, err := Understand(now, "2 buckets of beans"); err == nil || !strings.Contains(invalid.All(err)[0].Allowed, "a bucket of snap bean is 3 kg") {
		t.Errorf("not weighed yet: %v", err)
	}
	for text, kg := range map[string]float64{"a bucket of beans is 3.1 kg": 3.1, "one bucket of beans weighs 6 lb": 6 * 0.45359237, "a bucket beans = 3.1kg": 3.1} {
		m, err := Understand(now, text)
		if err != nil || m.Measure == nil || m.Measure.Name != "bucket" || m.Measure.Food != "snap bean" || !near(m.Measure.Kg, kg) || len(m.Entries) > 0 {
			t.Errorf("%q: %+v %v", text, m.Measure, err)
		}
	}
	now.Input.Household.Measures = []household.Measure{{ID: "m1", Name: "bucket", Food: "snap bean", Kg: 3.1}, {ID: "m2", Name: "bunch", Food: "chard", Kg: 0.5}}
	m, err := Understand(now, "2 buckets of beans, 1 bunch of chard")
	if err != nil || len(m.Entries) != 2 || m.Entries[0].Gram != 6200 || m.Entries[0].Pieces != 2 || m.Entries[0].Measure != "bucket" || m.Entries[1].Gram != 500 {
		t.Fatalf("%+v %v", m.Entries, err)
	}
	if !strings.Contains(m.Words[0], "2 buckets came in, about {6.2|kg}") {
		t.Error(m.Words[0])
	}
	if _, err := Understand(now, "a bucket of peas"); err == nil {
		t.Error("peas were never weighed in a bucket")
	}
	if m, err = Understand(now, "a bucket of beans is 2.9 kg"); err != nil || m.Measure.ID != "m1" {
		t.Errorf("said anew: %+v %v", m.Measure, err)
	}
	for _, text := range []string{"a kg of beans is 3 kg", "a bucket of beans is 0 kg", "a bucket of moonflowers is 3 kg"} {
		if m, err := Understand(now, text); err == nil && m.Measure != nil {
			t.Errorf("%q: %+v", text, m.Measure)
		}
	}
	e := record.Entry{Food: "snap bean", Pieces: 3, Measure: "bucket"}
	if Measured(&e, now.Input.Household); e.Gram != 9300 {
		t.Errorf("three buckets by a press: %d g", e.Gram)
	}
}

func near(a, b float64) bool { return a-b < 1e-6 && b-a < 1e-6 }
