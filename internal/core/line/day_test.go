package line

import (
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
)

// A line may say its day with or without the year; without, it is the last such day.
func TestTheDayOfALine(t *testing.T) {
	today := civil.Of(2027, 4, 21)
	for text, want := range map[string]civil.Date{
		"2 kg beans": today, "2 kg beans yesterday": today - 1, "2 kg beans on 3 april": civil.Of(2027, 4, 3), "2 kg beans on 3 aug": civil.Of(2026, 8, 3),
		"2 kg beans on 3 aug 2025": civil.Of(2025, 8, 3), "2 kg beans on august 3rd, 2026": civil.Of(2026, 8, 3), "on 21 april 2027 2 kg beans": today,
	} {
		all, err := Log(text, book.Usual(), today, nil)
		if err != nil || len(all) != 1 || all[0].Day != want || all[0].Kg != 2 {
			t.Errorf("%q: %+v %v, want %s", text, all, err, want)
		}
	}
	for text, says := range map[string]string{"2 kg beans on 3 aug 2027": "still to come", "2 kg beans on 31 june": "is no day of"} {
		if _, err := Log(text, book.Usual(), today, nil); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%q: %v", text, err)
		}
	}
}
