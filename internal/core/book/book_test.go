package book

import (
	"io/fs"
	"strings"
	"testing"
	"testing/fstest"
)

func files(t *testing.T) fstest.MapFS {
	t.Helper()
	out := fstest.MapFS{}
	sub, err := fs.Sub(data, "data")
	if err != nil {
		t.Fatal(err)
	}
	entries, err := fs.ReadDir(sub, ".")
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range entries {
		body, err := fs.ReadFile(sub, e.Name())
		if err != nil {
			t.Fatal(err)
		}
		out[e.Name()] = &fstest.MapFile{Data: body}
	}
	return out
}

func TestEveryRowLoads(t *testing.T) {
	b, err := Load(files(t))
	if err != nil {
		t.Fatal(err)
	}
	if got := len(b.Crops()); got != 108 {
		t.Errorf("%d crops, want 108", got)
	}
	if got := len(b.Preparations()); got < 100 {
		t.Errorf("%d preparations, want all of the file", got)
	}
	if len(b.Pairings) != 36 || len(b.Cautions) < 60 {
		t.Errorf("%d pairings, %d cautions", len(b.Pairings), len(b.Cautions))
	}
	if salsa := b.Preparation("tomato-salsa-canned"); len(salsa.Parts) != 2 || salsa.Load(salsa.JarLitre) != 7 {
		t.Errorf("salsa: %+v", salsa)
	}
	for _, p := range b.Preparations() {
		if p.Unit == "litre" && (p.JarLitre < 0.2 || p.JarLitre > 4) {
			t.Errorf("%s: %q is no jar of a known size", p.ID, p.Jar)
		}
	}
}

func TestABadRowNamesFileLineAndColumn(t *testing.T) {
	cases := []struct {
		name, file, old, new, want string
	}{
		{"no number", "crops.csv", "eggplant,Eggplant,eggplant,Solanum melongena,Solanaceae,fruit,annual,transplant,seed,very-tender,,2", "eggplant,Eggplant,eggplant,Solanum melongena,Solanaceae,fruit,annual,transplant,seed,very-tender,,two", `crops.csv:7: plant_out_weeks is "two"`},
		{"a winter nobody has", "crops.csv", ",yes,14.7,,yes,row yields", ",perhaps,14.7,,yes,row yields", `winter is "perhaps"`},
		{"out of range", "preparations.csv", "litre,1.44,US quart jar 0.946 L,12,0,acidified,90", "litre,144,US quart jar 0.946 L,12,0,acidified,90", `preparations.csv:2: raw_kg_per_unit is "144"`},
		{"unknown crop", "nutrition.csv", "eggplant,120", "aubergine,120", `nutrition.csv:7: crop is "aubergine"`},
		{"unknown word", "crops.csv", "okra,Okra,okra,Abelmoschus esculentus,Malvaceae,fruit", "okra,Okra,okra,Abelmoschus esculentus,Malvaceae,fruits", `crops.csv:18: group is "fruits"`},
		{"missing column", "dense.csv", "seed_g_per_m2", "seed", `dense.csv:1: seed_g_per_m2 is ""`},
		{"short row", "perennials.csv", "rhubarb,-2,8,3,0,0.5,1,12", "rhubarb,-2,8", `perennials.csv:3: row is "rhubarb,-2"`},
		{"twice", "crops.csv", "\ntomato-paste,", "\ntomato-slicing,", `crops.csv:3: id is "tomato-slicing"`},
		{"unknown caution", "preparations.csv", "garlic-herb-oil,drying ratio", "garlic-oil,drying ratio", `names caution "garlic-oil"`},
		{"NaN", "crops.csv", ",3.8,7.0,180,", ",NaN,7.0,180,", `crops.csv:2: yield_typ is "NaN"`},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			fsys := files(t)
			body := string(fsys[c.file].Data)
			if !strings.Contains(body, c.old) {
				t.Fatalf("%s has no %q", c.file, c.old)
			}
			fsys[c.file] = &fstest.MapFile{Data: []byte(strings.Replace(body, c.old, c.new, 1))}
			_, err := Load(fsys)
			if err == nil || !strings.Contains(err.Error(), c.want) {
				t.Fatalf("got %v, want %s", err, c.want)
			}
		})
	}
}

func TestOverrulesLieOnTop(t *testing.T) {
	usual := Usual()
	own, rules, _, err := usual.With([]Overrule{
		{Subject: "crop/carrot", Field: "yield", Value: 0.09}, {Subject: "crop/carrot", Field: "edible", Value: 0.8},
		{Subject: "preparation/tomato-sauce-thick", Field: "raw", Value: 3.4}, {Subject: "household", Field: "cull", Value: 0.08},
	})
	if err != nil {
		t.Fatal(err)
	}
	if own.Crop("carrot").Yield.Value != 0.09 || usual.Crop("carrot").Yield.Value != 0.074 {
		t.Error("a household's yield must be its own and leave the book alone")
	}
	if own.Food("carrot")[0] != own.Crop("carrot") || own.Crops()[36] != own.Crop("carrot") {
		t.Error("a food's kinds and the list must hold the overruled crop")
	}
	if own.Preparation("tomato-sauce-thick").Raw != 3.4 || rules.Cull != 0.08 {
		t.Error("preparation or rule not overruled")
	}
	assumed, ok := own.Crop("carrot").Assumed("yield")
	value, was, set := assumed.Value, assumed.Usual, assumed.Set
	if value != 0.09 || was != 0.074 || !set || !ok {
		t.Errorf("assumption: %v %v %v %v", value, was, set, ok)
	}
	for _, bad := range []Overrule{
		{Subject: "crop/unicorn", Field: "yield", Value: 1}, {Subject: "crop/carrot", Field: "colour", Value: 1}, {Subject: "crop/carrot", Field: "yield", Value: -1},
		{Subject: "crop/carrot", Field: "edible", Value: 1.2}, {Subject: "barn", Field: "cull", Value: 0.1}, {Subject: "household", Field: "cull", Value: 0.9}, {Subject: "crop/garlic", Field: "germination", Value: 0.5},
	} {
		if _, _, _, err := usual.With([]Overrule{bad}); err == nil {
			t.Errorf("%+v was taken", bad)
		}
	}
}

// Nobody has to know the Latin name of a family: each of the book has an English one, and a
// household's own crop has that of the crop it starts from.
func TestFamiliesHaveEnglishNames(t *testing.T) {
	for id, want := range map[string]string{"carrot": "carrot family", "parsnip": "carrot family", "tomato-slicing": "tomato family", "leek": "onion family"} {
		if got := Usual().Crop(id).FamilyName; got != want {
			t.Errorf("%s is of the %q, want the %q", id, got, want)
		}
	}
}
