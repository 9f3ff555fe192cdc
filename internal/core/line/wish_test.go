package line

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
)

func words(t *testing.T, line string, at Where) (out []string) {
	t.Helper()
	got, err := Wish(line, book.Usual(), at)
	if err != nil {
		t.Errorf("%q: %v", line, err)
	}
	for _, r := range got {
		out = append(out, r.Words)
	}
	return out
}

// Lines that are not in the file of what families write, read as a reader of English
// would.
func TestLinesInOtherWords(t *testing.T) {
	for line, want := range map[string][]string{
		"35 qt tomato sauce":                                     {"35 quart jars · Tomato sauce, thin", "35 quart jars · Tomato sauce, thick"},
		"2x a week carrots":                                      {"2 meals a week · Carrot · fresh, then from storage"},
		"CARROTS, 3 times a week, 150 g":                         {"3 meals a week of 150 g · Carrot · fresh, then from storage"},
		"24 pints salsa":                                         {"24 pint jars · Salsa, tomato and pepper, acidified, canned"},
		"110 bulbs garlic":                                       {"110 pieces a year · Garlic · fresh, then from storage"},
		"40 qt thick tomato sauce a must":                        {"40 quart jars · Tomato sauce, thick · must have"},
		"lettuce two heads a week from may to october":           {"2 pieces a week · Lettuce · fresh · May to October"},
		"snap beans 2x week fresh, pickled":                      {"2 meals a week · Snap bean · fresh, then dilly beans (pickled green beans)"},
		"10 m row of carrots":                                    {"10 m of row · Carrot · fresh", "10 m of row · Carrot"},
		"a 30 foot row of green beans":                           {"9.144 m of row · Snap bean · fresh", "9.144 m of row · Snap bean"},
		"24 tomato plants for sauce":                             {"24 plants · Tomato · tomato sauce, thin", "24 plants · Tomato · tomato sauce, thick"},
		"30 potato plants for storage":                           {"30 plants · Potato · from storage"},
		"a couple of cucumbers a week in august and september":   {"2 pieces a week · Cucumber · fresh · August to September"},
		"can 20 quarts of corn":                                  {"20 quart jars · Sweet corn, whole kernel, canned", "20 quart jars · Sweet corn, cut, frozen"},
		"fifty leeks for the winter":                             {"50 pieces a year · Leek · fresh, then from storage"},
		"lettuce, 3 heads a week, two sowings three weeks apart": {"3 pieces a week · Lettuce · fresh · 2 sowings, 21 days apart"},
		"lettuce 4 a week, sow every 10 days":                    {"4 pieces a week · Lettuce · fresh · sown every 10 days"},
		"1 lb 4 oz parsley a year":                               {"0.567 kg a year · Parsley · fresh"},
		"6-8 lettuces a month":                                   {"1.846 pieces a week · Lettuce · fresh"},
		"a jar of salsa a week":                                  {"52 pint jars · Salsa, tomato and pepper, acidified, canned"},
		"30 kg swedes for the pig":                               {"30 kg a year · Rutabaga · fresh, then from storage · for the animals"},
		"carrots for the guests 2 kg a week":                     {"2 kg a week · Carrot · fresh, then from storage · for guests"},
		"sweet corn 4 ears a week per person jul-aug":            {"4 pieces a week · Sweet corn · fresh · July to August · for each of you"},
		"carrots 2x week aug-sep and jan-feb":                    {"2 meals a week · Carrot · fresh, then from storage · August to September and January to February"},
		"frozen spinach 10 bags":                                 {"10 pint jars · Greens, frozen · spinach"},
		"tomatoes 30 lb for sauce":                               {"13.608 kg a year · Tomato · tomato sauce, thin", "13.608 kg a year · Tomato · tomato sauce, thick"},
		"36 ears of corn to freeze":                              {"36 pieces a year · Sweet corn · sweet corn, cut, frozen"},
		"tomatoes till frost 3x week":                            {"3 meals a week · Tomato · fresh · April to October"},
		"a cabbage every 3 weeks":                                {"0.333 pieces a week · Cabbage · fresh, then from storage"},
		"potatoes on mondays and thursdays":                      {"2 meals a week · Potato · fresh, then from storage"},
		"5 lbs each of carrots and beets a month":                {"0.523 kg a week · Carrot · fresh, then from storage", "0.523 kg a week · Beet · fresh, then from storage"},
		"carrots 2x week for 2":                                  {"2 meals a week · Carrot · fresh, then from storage · for 2"},
		"carrots 2x week for three people in summer":             {"2 meals a week · Carrot · fresh, then from storage · June to August · for 3"},
		"2 rows of beets 20 feet long":                           {"12.192 m of row · Beet · fresh", "12.192 m of row · Beet"},
		"lettuce 6 heads weekly from april until first frost":    {"6 pieces a week · Lettuce · fresh · April to October"},
		"lettuce 6 heads weekly from march until the frost":      {"6 pieces a week · Lettuce · fresh · March to October"},
		"carrots 5 a week for lunch boxes":                       {"5 pieces a week · Carrot · fresh, then from storage · for each child", "5 pieces a week · Carrot · fresh, then from storage"},
		"12 qt beets pickled and 8 pints dilly beans":            {"12 quart jars · Beets, pickled", "8 pint jars · Dilly beans (pickled green beans)"},
	} {
		if got := words(t, line, north); !slices.Equal(got, want) {
			t.Errorf("%q was understood as %q, want %q", line, got, want)
		}
	}
}

// Seasons are other months in the south, and where there is no frost nothing ends by it.
func TestSeasonsHangOnThePlace(t *testing.T) {
	for _, c := range []struct {
		line string
		at   Where
		want string
	}{
		{"courgettes 2x week in summer", Where{South: true, LastFrost: 10, FirstFrost: 4}, "December to February"},
		{"courgettes 2x week in summer", north, "June to August"},
		{"kale 1x week in winter", Where{South: true, LastFrost: 10, FirstFrost: 4}, "June to August"},
		{"beans 2x week until the frost", Where{South: true, LastFrost: 10, FirstFrost: 4}, "October to April"},
		{"beans 2x week fresh until the frost", Where{}, "2 meals a week"},
	} {
		if got := words(t, c.line, c.at); len(got) == 0 || !strings.Contains(got[0], c.want) {
			t.Errorf("%q is read as %q, want %s", c.line, got, c.want)
		}
	}
	if got := words(t, "20 pumpkins", Where{South: true}); len(got) != 2 {
		t.Errorf("in the south a pumpkin is any keeping squash, or the pie pumpkin: %q", got)
	}
	if got := words(t, "20 pumpkins", north); len(got) != 1 {
		t.Errorf("in the north a pumpkin is a pumpkin: %q", got)
	}
}

// Words that the book does not have are refused, and named; none is taken for another.
func TestUnknownWordsAreRefusedAndNamed(t *testing.T) {
	for _, food := range strings.Fields(`plums pears grapes chives lemons tomatillos rice lentils chickpeas cherries figs olives bananas lavender rosemary
		oregano sorrel lovage borage tarragon cress watercress currants gooseberries elderberries cranberries walnuts peanuts ginger turmeric
		artichoke-hearts cardoons skirret okrah-leaf quinoa amaranth buckwheat oats wheat barley hops honey milk cheese butter bread mushrooms truffles`) {
		for _, line := range []string{food + " 2x week", "5 kg " + food, "3 " + food + " a week in summer", "carrots 2x week " + food} {
			got, err := Wish(line, book.Usual(), north)
			fs := invalid.All(err)
			if err == nil {
				t.Errorf("%q was understood as %q", line, got[0].Words)
			} else if !strings.HasPrefix(food, fs[0].Value) || fs[0].Value == "" || !strings.Contains(fs[0].Allowed, "“"+fs[0].Value+"”") {
				if food != "artichoke-hearts" && food != "okrah-leaf" { // of two words, the second is named
					t.Errorf("%q is refused for %q: %s", line, fs[0].Value, fs[0].Allowed)
				}
			}
		}
	}
}

func TestLinesThatAreRefused(t *testing.T) {
	for line, want := range map[string]string{
		"": "how much of what", "   ": "how much of what", "tomatoes": "Say how much", "35 qt": "Name a food", "400000 qt thick tomato sauce": "at most 5000",
		"2x carrots": "how often", "basil 12": "what the number counts", strings.Repeat("a", 300): "at most 200 characters", "0 kg kale a week": "above 0",
		"carrots 2x week 3": "two amounts", "lettuce 2x week frozen": "“frozen” is not understood of lettuce", "4 heads spinach a week": "“heads” does not fit spinach",
		"carrots 2x week except july": "“except” is not understood", "no tomatoes": "“no” is not understood", "a bucket of peas": "What a bucket holds",
		"2 kg tomatoes 3x week 5 kg": "two amounts", "lettuce now and then": "how much", "lettuce 2 heads now and then": "how often", "tomtoes 5 kg 3 L": "two amounts", "zucchini relish 6 jars": "“relish” is not made of zucchini",
	} {
		got, err := Wish(line, book.Usual(), north)
		if err == nil {
			t.Errorf("%q was understood as %q", line, got[0].Words)
			continue
		}
		if fs := invalid.All(err); len(fs) != 1 || fs[0].Field != "line" || !strings.Contains(fs[0].Allowed, want) {
			t.Errorf("%q: %v, want it to say %q", line, err, want)
		}
	}
}

// A slip of the pen is read, and said.
func TestSlipsOfThePenAreSaid(t *testing.T) {
	for slip, food := range map[string]string{"lettcue": "lettuce", "cucumbres": "cucumber", "oniosn": "onion", "brocolli": "broccoli", "aspergus": "asparagus", "parsnipe": "parsnip", "cabage": "cabbage"} {
		got, err := Wish(slip+" 2x week", book.Usual(), north)
		if err != nil || got[0].Wish.Food != food || len(got[0].Notes) == 0 || !strings.Contains(got[0].Notes[0], slip) {
			t.Errorf("%q: %v %v, want %s and the slip said", slip, got, err, food)
		}
	}
}

// A household's own crops and preparations are known by their names.
func TestOwnNamesAreKnown(t *testing.T) {
	b, err := book.Usual().WithOwn([]book.OwnCrop{{ID: "mine", From: "pole-bean", Food: "snap bean", Name: "River bean"}, {ID: "yours", From: "carrot", Food: "silver root", Name: "Silver root"}},
		[]book.OwnPreparation{{ID: "aunt", From: "tomato-salsa-canned", Name: "Aunt's relish"}})
	if err != nil {
		t.Fatal(err)
	}
	for line, want := range map[string]string{"river beans 2x week": "River bean", "silver roots 5 kg": "Silver root", "12 pints aunt's relish": "Aunt's relish", "carrots 2x week": "Carrot"} {
		got, err := Wish(line, b, north)
		if err != nil || !strings.Contains(got[0].Words, want) {
			t.Errorf("%q: %v %v, want %s", line, got, err, want)
		}
	}
	if _, err := Wish("river beans 2x week", book.Usual(), north); err == nil {
		t.Error("the usual book knows a household's bean")
	}
}

// Every food, kind and preparation is understood by its own name.
func TestEverythingIsFoundByItsName(t *testing.T) {
	b := book.Usual()
	for _, food := range b.Foods() {
		if got, err := Wish("5 plants "+food, b, north); err != nil && b.Food(food)[0].Dense == nil || err == nil && !slices.ContainsFunc(got, func(r Reading) bool { return r.Wish.Food == food }) {
			t.Errorf("%s: %v %v", food, got, err)
		}
	}
	for _, p := range b.Preparations() {
		unit := "5 quarts "
		if p.Unit == "kg" {
			unit = "1 kg "
		}
		name := called(p.Name)[0]
		if got, err := Wish(unit+name, b, north); err != nil || !slices.ContainsFunc(got, func(r Reading) bool { return slices.Contains(r.Wish.Preparations, p.ID) }) {
			t.Errorf("%s: %v %v", name, got, err)
		}
	}
}

func ExampleWish() {
	for _, line := range []string{"35 qt tomato sauce", "a tomato a day each, jul to sep", "5 kg quinces"} {
		readings, err := Wish(line, book.Usual(), Where{LastFrost: 4, FirstFrost: 10})
		for _, f := range invalid.All(err) {
			fmt.Println(f.Allowed)
		}
		for _, r := range readings {
			fmt.Println(r.Words)
		}
	}
	// Output:
	// 35 quart jars · Tomato sauce, thin
	// 35 quart jars · Tomato sauce, thick
	// 7 pieces a week · Tomato · fresh · July to September · for each of you
	// “quinces” is not understood: the crop book has no such food, amount or time.
}

// Whatever is typed: no panic, and what is understood can stand.
func FuzzWish(f *testing.F) {
	for _, a := range readLines(f) {
		f.Add(a["line"])
	}
	for _, s := range []string{"1½ kg", "/week", "2x", "½/2 x x", "20 x 500 ml", "from on", "a", "two 5 gallon", "every", "sow every", "-5 kg", "1/2/3 peas"} {
		f.Add(s)
	}
	b := book.Usual()
	f.Fuzz(func(t *testing.T, line string) {
		got, err := Wish(line, b, north)
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
		if fs := invalid.All(err); err != nil && (len(fs) != 1 || fs[0].Field != "line" || fs[0].Allowed == "") {
			t.Fatalf("%q is refused with %v", line, err)
		}
	})
}

func BenchmarkWish(b *testing.B) {
	usual := book.Usual()
	LexiconOf(usual)
	for b.Loop() {
		if _, err := Wish("35 qt thick tomato sauce", usual, north); err != nil {
			b.Fatal(err)
		}
	}
}
