package table

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
)

func TestLines(t *testing.T) {
	for line, want := range map[string][]string{
		"35 qt tomato sauce":                           {"35 quart jars · Tomato sauce, thin", "35 quart jars · Tomato sauce, thick"},
		"35 quarts of thick tomato sauce":              {"35 quart jars · Tomato sauce, thick"},
		"carrots 2x week":                              {"2 meals a week · Carrot · fresh, then cellar"},
		"2x a week carrots":                            {"2 meals a week · Carrot · fresh, then cellar"},
		"Carrots twice a week":                         {"2 meals a week · Carrot · fresh, then cellar"},
		"6 heads lettuce/week may-oct":                 {"6 pieces a week · Lettuce · fresh · May to October"},
		"5 lb onions a week oct-mar, cellar":           {"2.268 kg a week · Onion · cellar · October to March"},
		"24 pints salsa":                               {"24 pint jars · Salsa, tomato and pepper, acidified, canned"},
		"12 L frozen peas":                             {"12 litres · Peas, frozen"},
		"16 half-pints strawberry jam":                 {"16 half-pint jars · Strawberry jam"},
		"110 bulbs garlic":                             {"110 pieces a year · Garlic · fresh, then cellar"},
		"24 marigold plants":                           {"24 plants · Marigold"},
		"1 1/2 kg kale a week":                         {"1.5 kg a week · Kale · fresh"},
		"2 m2 sweet alyssum":                           {"2 m² · Sweet alyssum"},
		"40 ears sweet corn":                           {"40 pieces a year · Sweet corn · fresh"},
		"bush beans 2x week":                           {"2 meals a week · Bush bean · fresh"},
		"40 qt thick tomato sauce a must":              {"40 quart jars · Tomato sauce, thick · a must"},
		"35 quart jars thick tomato sauce":             {"35 quart jars · Tomato sauce, thick"},
		"carrots 2x week all year":                     {"2 meals a week · Carrot · fresh, then cellar"},
		"CARROTS, 3 times a week, 150 g":               {"3 meals a week of 150 g · Carrot · fresh, then cellar"},
		"a dozen ears of sweet corn a week":            {"12 pieces a week · Sweet corn · fresh"},
		"lettuce two heads a week from may to october": {"2 pieces a week · Lettuce · fresh · May to October"},
		"tomatoes 4x a week while it lasts":            {"4 meals a week · Tomato · fresh · while it lasts"},
		"shelling peas 2x week fresh or frozen":        {"2 meals a week · Shelling pea · fresh, then peas, frozen"},
		"snap beans 2x week fresh, pickled":            {"2 meals a week · Snap bean · fresh, then dilly beans (pickled green beans)"},
		"½ kg pea shoots a week":                       {"0.5 kg a week · Pea shoots · fresh"},
	} {
		got, err := ParseLine(line, book.Usual())
		if err != nil {
			t.Errorf("%q: %v", line, err)
			continue
		}
		var words []string
		for _, r := range got {
			words = append(words, r.Words)
		}
		if strings.Join(words, " | ") != strings.Join(want, " | ") {
			t.Errorf("%q was understood as %q, want %q", line, words, want)
		}
	}
}

func TestWhatKeepsAndIsWishedByTheYearIsGrownInOneGo(t *testing.T) {
	for line, want := range map[string]StaggerKind{
		"10 heads cabbage a year": OneGo, "5 kg onions a year": OneGo, "40 ears sweet corn": ByNeed, "1 kg onions a week": ByNeed,
	} {
		got, err := ParseLine(line, book.Usual())
		if err != nil || got[0].Wish.Stagger.Kind != want {
			t.Errorf("%q: %+v %v, want sown %s", line, got, err, want)
		}
	}
	one, err := ParseLine("potatoes once a week", book.Usual())
	if err != nil || one[0].Words != "1 meal a week · Potato · fresh, then cellar" {
		t.Errorf("%+v %v", one, err)
	}
}

func TestLinesThatCannotBeUnderstood(t *testing.T) {
	for line, want := range map[string]string{
		"": "how much of what", "   ": "how much of what", "tomatoes": "a number", "35 qt": "the name of a food",
		"carots 2x week": "the nearest is carrot", "3 kg moon cheese": "a food of the crop book", "400000 qt thick tomato sauce": "at most 5000",
		"2x carrots": `"a week"`, "12 carrots": "a unit", "5 heads carrots a week spinach": "a food of the crop book",
		"3 jars carrots": "what is to be made", strings.Repeat("a", 300): "at most 200 characters", "0 kg kale a week": "above 0",
		"carrots 2x week 3": "a second one", "lettuce 2x week frozen": "no way of having lettuce frozen",
		"4 heads spinach a week": "nobody counts spinach in pieces",
	} {
		got, err := ParseLine(line, book.Usual())
		if err == nil {
			t.Errorf("%q was understood as %q", line, got[0].Words)
			continue
		}
		if fs := invalid.All(err); len(fs) != 1 || fs[0].Field != "line" || !strings.Contains(fs[0].Allowed, want) {
			t.Errorf("%q: %v, want it to say %q", line, err, want)
		}
	}
}

// Whatever is typed: no panic, and what is understood can stand.
func FuzzParseLine(f *testing.F) {
	for _, s := range []string{"35 qt tomato sauce", "carrots 2x week", "6 heads lettuce/week may-oct", "1½ kg", "/week", "2x", "5 lb onions a week oct-mar, cellar", "½/2 x x"} {
		f.Add(s)
	}
	b := book.Usual()
	f.Fuzz(func(t *testing.T, line string) {
		got, err := ParseLine(line, b)
		if (err == nil) == (len(got) == 0) {
			t.Fatalf("%q: %d readings and %v", line, len(got), err)
		}
		for _, r := range got {
			check := invalid.NewCheck()
			r.Wish.Validate(check, b)
			if err := check.Err(); err != nil || math.IsNaN(r.Wish.Amount.Number) || r.Words == "" {
				t.Fatalf("%q was understood as %+v: %v", line, r.Wish, err)
			}
		}
	})
}

func BenchmarkParseLine(b *testing.B) {
	usual := book.Usual()
	for b.Loop() {
		if _, err := ParseLine("35 qt thick tomato sauce", usual); err != nil {
			b.Fatal(err)
		}
	}
}
