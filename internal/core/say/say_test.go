package say

import (
	"encoding/json"
	"go/ast"
	"go/parser"
	"go/token"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

var may, june = civil.Of(2027, 5, 12), civil.Of(2027, 6, 1)

// Each fact that has a choice of words, or counts, or marks an amount, says it as written here.
func TestSentences(t *testing.T) {
	limit := Limit{What: ColdShortDays, About: civil.MonthDay{Month: 10, Day: 14}}
	for _, c := range []struct {
		fact Fact
		want string
	}{
		{OnlyKind, "the only variety in the book"},
		{ReadyTooLate{Ready: civil.MonthDay{Month: 11, Day: 2}, Limit: limit}, "ready 2 Nov, too late for the cold, short days in which it stops growing, about 14 Oct"},
		{NeverReadyBefore{Limit{What: FirstAutumnFrost}}, "it is not ready before the first autumn frost"},
		{PickedTooShort{Days: 3, Limit: Limit{What: KillingFreeze{-2}}}, "only 3 days of picking before the freeze at -2 °C that kills it"},
		{SaidNotBefore{civil.MonthDay{Month: 2, Day: 29}}, "you said not before 29 Feb"},
		{TooLateToPlant{-3}, "planted later than -3 weeks from the last frost it gives no crop"},
		{FromLastFrost{}, "at the usual last frost"},
		{FromLastFrost{Weeks: 1}, "1 week after the usual last frost"},
		{FromLastFrost{Weeks: -2, Caution: Bold}, "2 weeks before the usual last frost, and a week earlier to take more risk"},
		{FromLastFrost{Weeks: 2, Caution: Careful}, "2 weeks after the usual last frost, and a week later to take less risk"},
		{Earlier{BeforeAutumnFrost}, "it is earlier than two weeks before the first autumn frost"},
		{Raised{That(SoilTooCold{8})}, "sown indoors: the soil is colder than 8 °C"},
		{NotHere{Crop: "Okra", Why: That(NoWarmDay)}, "Okra cannot be grown here: no day of the year is warm enough"},
		{NotHere{Crop: "Okra", Why: That(NoWarmDay), Instead: []string{"Bean"}, Covered: true}, "Okra cannot be grown here: no day of the year is warm enough; what would work: Bean, or the same under a tunnel"},
		{TooNear{Weeks: []civil.Date{may}, Would: june, Beside: may}, "the week of 12 May is not fed: only a sowing on 1 Jun would help, and that is too close to the one of 12 May"},
		{TooDear{Weeks: []civil.Date{may, june, june + 7}, Times: 4}, "the weeks of 12 May, 1 Jun and 8 Jun are not fed: they would need 4.0 times as many plants as a good week"},
		{AnotherSowing{Sowings: 1, Reach: 0.9}, "needs another sowing: 1 gives enough in at most 9.0 years of 10, since all may fail"},
		{AnotherSowing{Sowings: 1, Reach: 0.9, Better: 40}, "needs another sowing: 1 gives enough in at most 9.0 years of 10, since all may fail; with 2 sowings 40 plants are enough"},
		{PatchGives{Plants: 20, Crop: "Asparagus", Share: 0.5}, "your 20 asparagus plants give 50 % of a full crop this year"},
		{Crosses{Within: 6, Other: "Sweet corn", Sown: may}, "in flower within 6 days of the sweet corn of 12 May, whose pollen spoils the ears; no day of its season keeps them apart. Grow only one of them, or grow them far apart"},
		{Crosses{Within: 6, Other: "Sweet corn", Sown: may, Apart: june, Avoids: true}, "in flower within 6 days of the sweet corn of 12 May, whose pollen spoils the ears; started on 1 Jun it would flower two weeks apart"},
		{StoodLately{Family: "carrot family", Beds: []string{"East"}}, "The carrot family grew too recently in East."},
		{NoFreeStretch{[]string{"East", "West", "Long"}}, "At that time there is no free space that long in East, West and Long."},
		{CannotLie{[]string{"a", "b", "c", "d", "e"}}, "It cannot grow in 5 beds."},
		{OnlyAgainst{Bed: "East", Drawbacks: []Note{That(LittleSun), That(Shades{"West"})}}, "East has drawbacks: less than 4 hours of sun there, it shades West."},
		{NextBest{Bed: "East", Drawbacks: []Note{That(NothingToClimb)}}, "Next best: East, though no trellis."},
		{GrowUnder{"tunnel"}, "grow it under a tunnel"},
		{OfWish{"Beans", AQuarterLess}, "Beans: a quarter less"},
		{Less{To: 21, Words: "jars", Of: 28}, "21 jars instead of 28"},
		{DaysBehind{Crop: "Bush bean", Of: may, Days: 4}, "bush bean of 12 May is 4 days behind"},
		{DaysBehind{Crop: "Bush bean", Of: may, Days: -4}, "bush bean of 12 May is 4 days ahead"},
		{DidTask{Task: "Sow", Crop: "Carrot", On: may}, "sow: carrot, 12 May"},
		{DidTask{Task: "Sow", Crop: "Carrot", Done: 3, Of: 6, Unit: "m", On: may}, "sow: carrot, 3 of 6 m, 12 May"},
	} {
		if got := That(c.fact).String(); got != c.want {
			t.Errorf("%T: %q, want %q", c.fact, got, c.want)
		}
	}
}

// An amount within a sentence is written in the reader's own units.
func TestAmountsAreInTheReadersUnits(t *testing.T) {
	for _, c := range []struct {
		fact           Fact
		metric, custom string
	}{
		{NoFreeLength{2.5}, "what is growing there, or was placed there by you, leaves no 2.5 m free at that time", "what is growing there, or was placed there by you, leaves no 8 ft 2 in free at that time"},
		{BuyWeight{4}, "buy 4 kg", "buy 8 lb 13 oz"},
		{BuyPieces{Pieces: 12, Kilogram: 3}, "buy 12 pieces, about 3 kg", "buy 12 pieces, about 6 lb 10 oz"},
		{TooSmall{Wanted: 100, Least: 250}, "spacing alone cannot make them as small as 100 g; at their closest they weigh about 250 g", "spacing alone cannot make them as small as 3.5 oz; at their closest they weigh about 8.8 oz"},
	} {
		metric, custom := amount.Render(c.fact.String(), amount.Metric), amount.Render(c.fact.String(), amount.US)
		if metric != c.metric || custom != c.custom {
			t.Errorf("%T: %q and %q", c.fact, metric, custom)
		}
	}
}

// Every code has a sentence of its own, and no sentence belongs to no code.
func TestEveryCodeHasASentence(t *testing.T) {
	file, err := parser.ParseFile(token.NewFileSet(), "codes.go", nil, 0)
	if err != nil {
		t.Fatal(err)
	}
	var codes []string
	ast.Inspect(file, func(n ast.Node) bool {
		spec, ok := n.(*ast.ValueSpec)
		if !ok {
			return true
		}
		if name, ok := spec.Type.(*ast.Ident); ok && name.Name == "Code" {
			codes = append(codes, strings.Trim(spec.Values[0].(*ast.BasicLit).Value, `"`))
		}
		return true
	})
	if len(codes) < 40 || len(codes) != len(sentences) {
		t.Fatalf("%d codes, %d sentences", len(codes), len(sentences))
	}
	var said []string
	for _, c := range codes {
		text := Code(c).String()
		if text == "" || slices.Contains(said, text) {
			t.Errorf("%s says %q", c, text)
		}
		said = append(said, text)
	}
}

// A note is its sentence in JSON, and one that says nothing is left out.
func TestNotesInJSON(t *testing.T) {
	type told struct {
		Why  Note   `json:"why,omitzero"`
		More []Note `json:"more"`
	}
	for _, c := range []struct {
		in   told
		want string
	}{
		{told{That(UsualKind), []Note{That(Grow{"leek"})}}, `{"why":"the usual variety","more":["grow leek"]}`},
		{told{Note{}, []Note{}}, `{"more":[]}`},
	} {
		text, err := json.Marshal(c.in)
		if err != nil || string(text) != c.want {
			t.Errorf("%s, %v; want %s", text, err, c.want)
		}
		var back told
		if err := json.Unmarshal(text, &back); err != nil || back.Why.String() != c.in.Why.String() || len(back.More) != len(c.in.More) || back.Why.IsZero() != c.in.Why.IsZero() {
			t.Errorf("%s is read as %v, %v", text, back, err)
		}
	}
}
