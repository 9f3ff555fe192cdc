package daybook

import (
	"bytes"
	"fmt"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/exchange"
)

// lived is the mill house on a day, with all that was due by then begun.
func lived(t *testing.T, day civil.Date) Now {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	in := plan.Input{AsOf: day, Household: h}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if in, _, err = in.Logged(demo.Begun(p)); err != nil {
		t.Fatal(err)
	}
	if p, err = plan.Compute(in); err != nil {
		t.Fatal(err)
	}
	n := 0
	return Now{Input: in, Plan: &p, Record: record.Of(nil), Lots: h.Lots, NewID: func(letter string) string { n++; return fmt.Sprint(letter, n) }}
}

// short says an entry and an event in a few words, to be compared.
func short(m Meaning) string {
	var out []string
	for _, e := range m.Entries {
		words := fmt.Sprintf("%s %s %s", e.Act, e.Food, e.Crop)
		for _, part := range []string{fmt.Sprintf("%d g", e.Gram), fmt.Sprintf("%g pieces", e.Pieces), fmt.Sprintf("%g jars", e.Jars), fmt.Sprintf("%d failed", e.Failed), string(e.To), e.Reason, fmt.Sprintf("%g of it", e.Share)} {
			if !strings.HasPrefix(part, "0 ") && part != "" {
				words += " " + part
			}
		}
		if e.Last {
			words += " last"
		}
		if e.Sowing != "" {
			words += " of a sowing"
		}
		out = append(out, strings.Join(strings.Fields(words), " "))
	}
	for _, e := range m.Events {
		words := fmt.Sprintf("%s %s", e.What, e.Task)
		if e.Count != 0 {
			words += fmt.Sprintf(" %g", e.Count)
		}
		if e.Cause != "" {
			words += " " + string(e.Cause)
		}
		out = append(out, strings.Join(strings.Fields(words), " "))
	}
	return strings.Join(out, "; ")
}

// What lines come to on the first of August: which sowing is meant, what a piece weighs, what is
// taken from the shelf.
func TestWhatLinesComeTo(t *testing.T) {
	comeTo(t, lived(t, civil.Of(2027, 4, 21)), map[string]string{
		"planted 30 potatoes":     "as-planned; count 30",
		"planted out 18 tomatoes": "done plant-out; count 18",
		"potted on 24 peppers":    "done pot-on",
		"14 of 25 peas up":        "share 56",
		"sowed half the carrots":  "as-planned 50",
		"thinned the spinach":     "done thin",
		"weeded Mill bed":         "note",
	})
	comeTo(t, lived(t, civil.Of(2027, 8, 1)), map[string]string{
		"2.4 kg slicing tomatoes": "harvest tomato tomato-slicing 2400 g of a sowing",
		// An ear weighs 300 g by the book, a head of lettuce 340 g, a bulb of garlic 60 g.
		"12 ears, 3 to the neighbour":                       "harvest sweet corn sweet-corn-late 3600 g 12 pieces of a sowing; use sweet corn 900 g given",
		"3 heads lettuce to the neighbour, 1 lost to slugs": "harvest lettuce lettuce-head 1360 g 4 pieces of a sowing; use lettuce 1020 g given; use lettuce 340 g lost slugs",
		"dug all the garlic, 82 bulbs":                      "harvest garlic garlic 4920 g 82 pieces 1 of it last of a sowing; done clear",
		"lifted half the potatoes 31 kg into the cellar":    "harvest potato potato-early 31000 g 0.5 of it of a sowing; use potato 31000 g storage",
		"put up 7 quarts of beans, one did not seal":        "put-up snap bean 7 jars 1 failed",
		"took 2 jars of sauce":                              "draw tomato 2 jars table",
		"two jars of tomato sauce spoiled":                  "draw tomato 2 jars lost spoiled",
		"11 jars of sauce left":                             "count tomato 11 jars",
		"aphids on the kale":                                "note kale of a sowing",
		"15 mm rain":                                        "note",
		"deer ate half the chard":                           "share 50 animals",
		"frost got the basil":                               "ended frost",
		"spinach bolted":                                    "ended bolted",
		"tomatoes two weeks behind":                         "behind 14",
		"sowed spinach":                                     "as-planned",
		"4 kg tomatoes, 3 into the freezer":                 "harvest tomato tomato-slicing 4000 g of a sowing; put-up tomato 3000 g 5 jars",
	})
}

// comeTo looks at what lines come to.
func comeTo(t *testing.T, now Now, lines map[string]string) {
	t.Helper()
	for text, want := range lines {
		m, err := Understand(now, text)
		got := short(m)
		if err != nil {
			got = err.Error()
		}
		if got != want {
			t.Errorf("%q: %s\nwant %s", text, got, want)
		}
		if err == nil && len(m.Words) == 0 {
			t.Errorf("%q is not told in words", text)
		}
	}
}

// What is taken is the oldest first, over several lots where one is not enough; of a count what is
// missing is of the oldest.
func TestTheOldestLotIsTaken(t *testing.T) {
	now := lived(t, civil.Of(2027, 8, 1))
	lot := func(id string, n float64, put civil.Date) stock.Lot {
		return stock.Lot{ID: id, Food: "snap bean", Form: "canned", Preparation: "green-bean-canned", Count: n, Size: 0.9464, Unit: "L", PutUp: put}
	}
	now.Lots = []stock.Lot{lot("new", 6, civil.Of(2026, 9, 1)), lot("old", 2, civil.Of(2025, 9, 1)), lot("later", 9, civil.Of(2027, 9, 1))}
	jars := func(text string) string {
		m, err := Understand(now, text)
		if err != nil {
			return invalid.All(err)[0].Allowed
		}
		var out []string
		for _, e := range m.Entries {
			out = append(out, fmt.Sprintf("%s %g", e.Lot, e.Jars))
		}
		return strings.Join(out, ", ")
	}
	for text, want := range map[string]string{
		"took a jar of beans":            "old 1",
		"took 5 jars of beans":           "old 2, new 3",
		"took 9 jars of beans":           "There is not that much Green beans, canned on the shelf, only 8. If there is more, correct it in Shelves.",
		"7 jars of beans left":           "new 6, old 1",
		"3 jars of beans left":           "new 3, old 0",
		"counted 12 jars of beans":       "new 10, old 2",
		"took 2 jars of peas":            "There is no “Peas, canned” on the shelf. Add it in Shelves first.",
		"took 2 kg beans from the shelf": "There is no snap bean on the shelf. Add it in Shelves first.",
	} {
		if got := jars(text); got != want {
			t.Errorf("%q: %s, want %s", text, got, want)
		}
	}
}

// What is put up takes what the book says that it takes, and no more than came in and is not said
// of; what was said goes before.
func TestWhatIsPutUpTakes(t *testing.T) {
	now := lived(t, civil.Of(2027, 8, 1))
	now.Record = now.Record.With(&record.Entry{ID: "a", Day: civil.Of(2027, 7, 30), Act: record.Harvest, Food: "tomato", Gram: 20_000})
	gram := func(text string) int {
		t.Helper()
		m, err := Understand(now, text)
		if err != nil {
			t.Fatalf("%q: %v", text, err)
		}
		if len(m.Lots) != 1 || m.Lots[0].ID != m.Entries[0].Lot || m.Lots[0].Count != m.Entries[0].Jars-float64(m.Entries[0].Failed) {
			t.Errorf("%q makes %+v", text, m.Lots)
		}
		return m.Entries[0].Gram
	}
	one := gram("put up a quart of thick tomato sauce")
	if three := gram("put up 3 quarts of thick tomato sauce"); three < 3*one-2 || three > 3*one+2 || one < 1500 || one > 4000 {
		t.Errorf("a quart takes %d g, three %d", one, three)
	}
	if all := gram("put up 40 quarts of thick tomato sauce"); all != 20_000 {
		t.Errorf("forty quarts take %d g of the 20 kg that are there", all)
	}
	if said := gram("put up 4 quarts of thick tomato sauce from 9 kg tomatoes"); said != 9000 {
		t.Errorf("%d g, 9 kg were said", said)
	}
}

// Every entry is told in words, with what it is of.
func TestEntriesInWords(t *testing.T) {
	lots := []stock.Lot{{ID: "l", Food: "tomato", Form: "canned", Preparation: "tomato-sauce-thick"}}
	for _, c := range []struct {
		e    record.Entry
		want string
	}{
		{record.Entry{Act: record.Harvest, Food: "tomato", Crop: "tomato-cherry", Gram: 1200}, "Tomato, cherry: {1.2|kg} came in"},
		{record.Entry{Act: record.Harvest, Food: "sweet corn", Gram: 3360, Pieces: 12, Last: true}, "Sweet corn: 12 came in, about {3.36|kg}, the last"},
		{record.Entry{Act: record.Bought, Food: "apple", Gram: 5000}, "Apple: {5|kg} came in, bought or given to you"},
		{record.Entry{Act: record.Use, Food: "kale", Gram: 2000, To: record.Animals}, "Kale: {2|kg} for the animals"},
		{record.Entry{Act: record.Use, Food: "lettuce", Gram: 400, To: record.Lost, Reason: "slugs"}, "Lettuce: {0.4|kg} lost (slugs)"},
		{record.Entry{Act: record.PutUp, Food: "tomato", Preparation: "tomato-sauce-thick", Jars: 7, Failed: 1, Gram: 15000}, "Tomato sauce, thick: 7 filled, 1 did not seal, from {15|kg}"},
		{record.Entry{Act: record.Draw, Food: "tomato", Lot: "l", Jars: 1, To: record.Table}, "Tomato sauce, thick: 1 taken from the shelf"},
		{record.Entry{Act: record.Draw, Food: "tomato", Lot: "l", Jars: 2, To: record.Lost, Reason: "mouldy"}, "Tomato sauce, thick: 2 taken from the shelf, lost (mouldy)"},
		{record.Entry{Act: record.Draw, Food: "potato", Gram: 2000, To: record.Given}, "Potato: {2|kg} taken from the shelf, given away"},
		{record.Entry{Act: record.Count, Food: "tomato", Lot: "l", Jars: 11}, "Tomato sauce, thick: 11 counted on the shelf"},
		{record.Entry{Act: record.Count, Food: "potato", Gram: 900}, "Potato: {0.9|kg} counted on the shelf"},
		{record.Entry{Act: record.Note, Note: "aphids"}, "Noted: aphids"},
	} {
		if got := Words(c.e, book.Usual(), lots); got != c.want {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
}
