package amount

import (
	"encoding/csv"
	"math"
	"os"
	"strconv"
	"testing"
)

func TestParseNumber(t *testing.T) {
	good := map[string]float64{"35": 35, "2.5": 2.5, "2,5": 2.5, "1,200": 1200, "1/2": 0.5, "½": 0.5, "1½": 1.5, " 7 ": 7, "0,125": 0.125}
	for s, want := range good {
		if got, ok := ParseNumber(s); !ok || math.Abs(got-want) > 1e-12 {
			t.Errorf("%q is %g (%v), want %g", s, got, ok, want)
		}
	}
	for _, s := range []string{"", "x", "-3", "1e9", "NaN", "Inf", "0x10", "1/0", "1.2.3", "½½x"} {
		if v, ok := ParseNumber(s); ok {
			t.Errorf("%q was read as %g", s, v)
		}
	}
}

func FuzzParseNumber(f *testing.F) {
	for _, s := range []string{"35", "1/2", "1½", "1,200", "-1", "1e12"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		if v, ok := ParseNumber(s); ok && (math.IsNaN(v) || v < 0) {
			t.Errorf("%q was read as %g", s, v)
		}
	})
}

// The interface writes the same table of numbers by its own code; see e2e.
func TestNumbersAreWrittenAsTheTableSays(t *testing.T) {
	file, err := os.Open("testdata/numbers.csv")
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	rows, err := csv.NewReader(file).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	for _, row := range rows[1:] {
		v, err := strconv.ParseFloat(row[0], 64)
		if err != nil {
			t.Fatal(err)
		}
		if got := Format(v, Unit(row[1]), System(row[2])); got != row[3] {
			t.Errorf("%s %s in %s is %q, want %q", row[0], row[1], row[2], got, row[3])
		}
	}
}

func TestRenderReplacesMarks(t *testing.T) {
	text := "takes " + Mark(1.5, Kilogram) + ", not {this}"
	if got := Render(text, Metric); got != "takes 1.5 kg, not {this}" {
		t.Errorf("got %q", got)
	}
	if got := Render(text, US); got != "takes 3 lb 5 oz, not {this}" {
		t.Errorf("got %q", got)
	}
}

func TestUnitsConvertThereAndBack(t *testing.T) {
	for _, s := range []System{Metric, US} {
		for u, sh := range Units(s) {
			if sh.Factor <= 0 {
				t.Errorf("%s in %s has factor %g", u, s, sh.Factor)
			}
		}
	}
	if CeilWhole(3.0000000001) != 3 || CeilWhole(3.001) != 4 || FloorWhole(2.9999999999) != 3 {
		t.Error("whole numbers must have 1e-9 in hand")
	}
}
