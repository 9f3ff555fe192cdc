package caution

import (
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/book"
)

func TestWhichCautionBelongsWhere(t *testing.T) {
	b := book.Usual()
	for _, c := range []struct {
		name    string
		setting Setting
		want    []string
		not     []string
	}{
		{"rhubarb", Of(b.Crop("rhubarb")), []string{"rhubarb-leaves", "pet-hazards"}, []string{"pressure-canning", "raw-limas"}},
		{"potato", Of(b.Crop("potato-maincrop")), []string{"green-potatoes", "nightshade-foliage"}, []string{"cellar-air"}},
		{"potato in the cellar", Setting{Crop: "potato-maincrop", Group: "tuber", Store: "cool-moist"}, []string{"green-potatoes", "cellar-air", "cellar-ethylene"}, nil},
		{"shoots", Of(b.Crop("pea-shoots")), []string{"sprouts-microgreens", "treated-seed"}, nil},
		{"flowers", Of(b.Crop("calendula")), []string{"edible-flowers", "allergies"}, nil},
		{"runner bean", Of(b.Crop("runner-bean")), []string{"raw-kidney-beans"}, nil},
		{"manure", Setting{Task: "apply-manure"}, []string{"raw-manure", "herbicide-residue"}, []string{"lime-dust"}},
		{"nothing", Setting{}, nil, []string{"rhubarb-leaves", "tested-recipes"}},
	} {
		got := For(b, c.setting)
		for _, id := range c.want {
			if !slices.Contains(got, id) {
				t.Errorf("%s: %s is missing from %v", c.name, id, got)
			}
		}
		for _, id := range c.not {
			if slices.Contains(got, id) {
				t.Errorf("%s: %s does not belong", c.name, id)
			}
		}
	}
}

func TestFits(t *testing.T) {
	for when, want := range map[string]bool{
		"crop:a,b": true, "crop:b": false, "group:x;crop:a": true, "group:y;crop:a": false, "crop:z | group:x": true, "form:canned": false,
	} {
		parsed, ok := book.ParseWhen(when)
		if !ok {
			t.Fatalf("%q cannot be read", when)
		}
		if got := Fits(parsed, Setting{Crop: "a", Group: "x"}); got != want {
			t.Errorf("%q: %v, want %v", when, got, want)
		}
	}
}

func TestAWhenThatCannotBeRead(t *testing.T) {
	for _, when := range []string{"", "crop", "crop:", ":a", "crop:a | ", "crop:a;"} {
		if got, ok := book.ParseWhen(when); ok {
			t.Errorf("%q was read as %v", when, got)
		}
	}
	if Fits(nil, Setting{Crop: "a"}) {
		t.Error("no condition fits everything")
	}
}

// No warning gives a processing time for the jar or a pressure, and every one
// sends people on.
func TestCautionsDeferToOthers(t *testing.T) {
	for _, c := range book.Usual().Cautions {
		if c.Topic == "" || len(c.Text) < 60 {
			t.Errorf("%s says too little", c.ID)
		}
		for _, dose := range []string{" psi", " kPa", "minutes in boiling"} {
			if strings.Contains(c.Text, dose) {
				t.Errorf("%s gives a dose: %s", c.ID, dose)
			}
		}
	}
}
