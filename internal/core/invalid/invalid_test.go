package invalid

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"
)

func TestMistakesAreGatheredWithTheirPaths(t *testing.T) {
	c := NewCheck()
	if c.Err() != nil {
		t.Error("nothing is wrong yet")
	}
	w := c.Index("wishes", 3).At("amount")
	w.Positive("number", -2, 100)
	w.Positive("number", 0, 100)
	w.Positive("number", 50, 100)
	w.Number("portion", math.NaN(), 0, 2000)
	c.Text("name", "  ", 10)
	c.Text("name", strings.Repeat("ä", 11), 10)
	c.Text("name", strings.Repeat("ä", 10), 10)
	c.OneOf("risk", "reckless", "careful", "bold")
	c.OneOf("risk", "bold", "careful", "bold")
	got := All(fmt.Errorf("wrapped: %w", c.Err()))
	want := []string{"wishes[3].amount.number", "wishes[3].amount.number", "wishes[3].amount.portion", "name", "name", "risk"}
	if len(got) != len(want) {
		t.Fatalf("%d mistakes: %v", len(got), got)
	}
	for i, f := range got {
		if f.Field != want[i] {
			t.Errorf("mistake %d is at %s, want %s", i, f.Field, want[i])
		}
	}
	if text := got.Error(); !strings.Contains(text, `wishes[3].amount.number: “-2” does not work. Enter a number above 0, at most 100.`) || !strings.Contains(text, "name: Enter a text of 1 to 10 characters.") {
		t.Errorf("said as %s", text)
	}
}

func TestOtherErrorsAreNoMistakes(t *testing.T) {
	if All(errors.New("the disk is full")) != nil || All(nil) != nil {
		t.Error("found a mistake where there is none")
	}
	if one := All(fmt.Errorf("x: %w", &Field{Field: "a"})); len(one) != 1 {
		t.Errorf("a single mistake gives %v", one)
	}
	if FormatNumber(35) != "35" || FormatNumber(2.50) != "2.5" || FormatNumber(1e12) != "1000000000000" {
		t.Error("numbers carry needless digits")
	}
}

// What would be right is one whole sentence, whether it was written as one or as what is to be entered.
func TestAdviceIsASentence(t *testing.T) {
	for allowed, want := range map[string]string{
		"a day such as 04-28":                        "Enter a day such as 04-28.",
		"at most 10 beds":                            "Enter at most 10 beds.",
		"Choose one of your beds. This one is gone.": "Choose one of your beds. This one is gone.",
		"Leave the size empty":                       "Leave the size empty.",
		"Which food?":                                "Which food?",
	} {
		if got := (&Field{Allowed: allowed}).Advice(); got != want {
			t.Errorf("%q is said as %q, want %q", allowed, got, want)
		}
	}
}
