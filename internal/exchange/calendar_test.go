package exchange

import (
	"bytes"
	"slices"
	"strings"
	"testing"

	"github.com/arran4/golang-ical"

	"inventory/demo"
	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
	"inventory/internal/core/work"
)

func calendar(t *testing.T, system amount.System) string {
	t.Helper()
	h, err := ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	p, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h})
	if err != nil {
		t.Fatal(err)
	}
	cleared := slices.IndexFunc(p.Sowings, func(s plan.Sowing) bool {
		return slices.ContainsFunc(s.Tasks, func(t work.Task) bool { return t.What == work.Clear })
	})
	turns := []ground.BedTurn{{Sowing: p.Sowings[cleared].ID, Name: "Mill bed", Parts: []ground.TurnPart{{Do: "Clear what is left of the crop"}, {Do: "Water the ground", Day: p.AsOf, Count: 40, Unit: amount.Litre}, {Do: "Sow or plant", Day: p.AsOf, Crop: "Leek"}}}}
	var out bytes.Buffer
	if err := WriteCalendar(&out, p, turns, system); err != nil {
		t.Fatal(err)
	}
	return out.String()
}

// The file is read again by the library; no line is longer than 75 octets, every
// event has a name of its own and lasts a whole day.
func TestTheCalendarIsReadAgain(t *testing.T) {
	text := calendar(t, amount.Metric)
	for line := range strings.SplitSeq(text, "\r\n") {
		if len(line) > 75 || strings.Contains(line, "\n") {
			t.Fatalf("a line of %d octets: %q", len(line), line)
		}
	}
	cal, err := ics.ParseCalendar(strings.NewReader(text))
	if err != nil {
		t.Fatal(err)
	}
	seen := map[string]bool{}
	for _, e := range cal.Events() {
		if seen[e.Id()] {
			t.Errorf("two events are called %s", e.Id())
		}
		seen[e.Id()] = true
		from, err1 := e.GetAllDayStartAt()
		to, err2 := e.GetAllDayEndAt()
		if err1 != nil || err2 != nil || to.Sub(from).Hours() != 24 {
			t.Errorf("%s lasts from %v to %v: %v %v", e.Id(), from, to, err1, err2)
		}
	}
	flat := strings.ReplaceAll(text, "\r\n ", "")
	for _, want := range []string{"SUMMARY:Turn the compost", "SUMMARY:Earth up: Potato\\, maincrop", "then in Mill bed: water the ground 40 L (12 Jan)\\, sow or plant leek (12 Jan)"} {
		if !strings.Contains(flat, want) {
			t.Errorf("the file does not say %q", want)
		}
	}
	if len(seen) < 300 {
		t.Errorf("only %d events", len(seen))
	}
	if !strings.Contains(text, "VALUE=DATE:20270") || !strings.Contains(text, "Sow indoors: ") || strings.Contains(text, "<nil>") {
		t.Error("the events lack dates or words")
	}
	if again := calendar(t, amount.Metric); again != text {
		t.Error("the same plan gives another file")
	}
	if us := calendar(t, amount.US); !strings.Contains(us, "sq ft") || strings.Contains(us, " m²") {
		t.Error("in US units the ground is not in square feet")
	}
}
