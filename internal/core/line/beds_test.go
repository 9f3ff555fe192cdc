package line

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

// Beds are typed as people say them: how many, how long, how wide, in the units of their tape.
func TestBedsAreRead(t *testing.T) {
	for text, want := range map[string]string{
		"4 beds of 8 × 1.2 m":                      "4 of 8 × 1.2",
		"4 beds of 8 x 1,2 m":                      "4 of 8 × 1.2",
		"six raised beds 1.2 by 8 m each":          "6 of 8 × 1.2",
		"8 x 1.2":                                  "1 of 8 × 1.2",
		"a bed of 25 ft x 30 in":                   "1 of 7.62 × 0.76",
		"3 beds 4' x 8'":                           "3 of 2.44 × 1.22",
		"3 of 4x8ft":                               "3 of 2.44 × 1.22",
		"2 beds of 800 x 120 cm":                   "2 of 8 × 1.2",
		"4 beds of 8 x 1.2 m, 2 of 5 by 1 m":       "4 of 8 × 1.2, 2 of 5 × 1",
		"4 beds of 8 x 1.2 m and a bed of 5 x 1 m": "4 of 8 × 1.2, 1 of 5 × 1",
	} {
		beds, err := Beds(text, false)
		if err != nil {
			t.Errorf("%q: %v", text, err)
			continue
		}
		var got []string
		for i := 0; i < len(beds); {
			n := 1
			for i+n < len(beds) && beds[i+n].Length == beds[i].Length {
				n++
			}
			got = append(got, fmt.Sprintf("%d of %g × %g", n, round2(beds[i].Length), round2(beds[i].Width)))
			i += n
		}
		if s := strings.Join(got, ", "); s != want {
			t.Errorf("%q is read as %s, want %s", text, s, want)
		}
	}
	if beds, err := Beds("2 beds of 20 x 4", true); err != nil || len(beds) != 2 || round2(beds[0].Length) != 6.1 {
		t.Errorf("in feet: %v, %v", beds, err)
	}
}

func round2(v float64) float64 { return math.Round(v*100) / 100 }

// What cannot be a bed is refused with an example of what can.
func TestBedsThatCannotBe(t *testing.T) {
	for text, part := range map[string]string{
		"":                  "Type how many beds",
		"some beds":         "Say how many beds",
		"4 beds":            "Say how many beds",
		"0 beds of 8 x 1 m": "Enter 1 to 60",
		"8 x 1 m, 99999999999999999999 beds of 8 x 1 m": "Enter 1 to 60",
		"61 beds of 8 x 1 m":                            "Enter 1 to 60",
		"2 beds of 8 x 1.2 cm":                          "Is the unit right?",
		"2 beds of 800 x 1 m":                           "Is the unit right?",
	} {
		_, err := Beds(text, false)
		var f *invalid.Field
		if !errors.As(err, &f) || f.Field != "line" || !strings.Contains(f.Advice(), part) {
			t.Errorf("%q: %v", text, err)
		}
	}
}

// No line makes the reader fail, and what it reads can be laid out.
func FuzzBeds(f *testing.F) {
	f.Add("4 beds of 8 × 1.2 m, 2 of 25 ft by 30 in")
	f.Fuzz(func(t *testing.T, text string) {
		beds, err := Beds(text, len(text)%2 == 0)
		if err != nil {
			return
		}
		for _, b := range beds {
			if !(b.Width >= 0.2 && b.Length <= 200 && b.Length >= b.Width) {
				t.Errorf("%q: %g × %g m", text, b.Length, b.Width)
			}
		}
	})
}
