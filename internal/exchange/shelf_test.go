package exchange

import (
	"bytes"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/stock"
)

var cellar = []stock.StoragePlace{{ID: "s1", Name: "Earth cellar", Temperature: 3, Damp: true}}

// What is written is read again, lot by lot.
func TestTheShelfRoundTrip(t *testing.T) {
	lots := []stock.Lot{
		{Food: "carrot", Form: "cellar", Count: 2, Size: 12.5, Unit: "kg", PutUp: civil.Of(2026, 10, 18), Store: "s1", Note: "in sand, \"left\""},
		{Food: "tomato", Form: "canned", Preparation: "tomato-sauce-thick", Count: 12, Size: 0.946353, Unit: "L", PutUp: civil.Of(2026, 9, 6), Until: civil.Of(2027, 9, 1)},
		{Food: "garlic", Form: "cellar", Count: 31, Size: 1, Unit: "pieces", PutUp: civil.Of(2026, 7, 20)},
	}
	var out bytes.Buffer
	if err := WriteShelf(&out, lots, cellar); err != nil {
		t.Fatal(err)
	}
	got, err := ReadShelf(&out, book.Usual(), cellar)
	if err != nil || !slices.Equal(got, lots) {
		t.Errorf("%v\n%+v\n%+v", err, got, lots)
	}
}

// Any order of columns, a byte order mark, names for ids; size and unit filled in.
func TestTheShelfIsReadForgivingly(t *testing.T) {
	got, err := ReadShelf(strings.NewReader("\ufeffput_up,Count,form,food,store,preparation\n2026-09-20,8,Canned,Tomato,earth cellar,\"Tomato sauce, thick\"\n\n2026-10-01,1½,cellar,beet,,\n"), book.Usual(), cellar)
	if err != nil || len(got) != 2 {
		t.Fatalf("%+v %v", got, err)
	}
	if l := got[0]; l.Food != "tomato" || l.Preparation != "tomato-sauce-thick" || l.Unit != "L" || l.Size < 0.9 || l.Store != "s1" {
		t.Errorf("%+v", l)
	}
	if l := got[1]; l.Unit != "kg" || l.Size != 1 {
		t.Errorf("%+v", l)
	}
}

func TestWrongShelfFilesSayWhere(t *testing.T) {
	head := "food,form,count,put_up\n"
	for text, want := range map[string]string{
		"": "line 1",
		"food;form;count;put_up\nbeet;cellar;2;2026-10-01":            "semicolons",
		"food,form\nbeet,cellar":                                      "a column named count",
		"food,form,count,put_up,colour\nbeet,cellar,2,2026-10-01,red": "one of the columns",
		head:                                "a line for each lot",
		head + "carot,cellar,2,2026-10-01":  "the nearest is carrot",
		head + "beet,fresh,2,2026-10-01":    "line 2, form",
		head + "beet,cellar,two,2026-10-01": "line 2, count",
		head + "beet,cellar,2,1 Oct":        "line 2, put_up",
		head + "beet,cellar,2,2026-10-01\nlettuce,cellar,1,2026-10-01": "line 3, form",
		head + "\"beet,cellar,2": "line",
	} {
		got, err := ReadShelf(strings.NewReader(text), book.Usual(), nil)
		if err == nil {
			t.Errorf("%q was read as %+v", text, got)
			continue
		}
		if fs := invalid.All(err); fs == nil || !strings.Contains(fs.Error(), want) {
			t.Errorf("%q: %v, want it to say %q", text, err, want)
		}
	}
}

func FuzzReadShelf(f *testing.F) {
	f.Add("food,form,count,put_up\nbeet,cellar,2,2026-10-01")
	f.Add("food,form,preparation,count,size,unit,put_up,until,store,note\ntomato,canned,tomato-juice,3,1,L,2026-10-01,,,\"a, b\"")
	b := book.Usual()
	f.Fuzz(func(t *testing.T, text string) {
		lots, err := ReadShelf(strings.NewReader(text), b, cellar)
		if (err == nil) == (len(lots) == 0) {
			t.Fatalf("%d lots and %v", len(lots), err)
		}
		if err != nil {
			return
		}
		var out bytes.Buffer
		if err := WriteShelf(&out, lots, cellar); err != nil {
			t.Fatal(err)
		}
	})
}
