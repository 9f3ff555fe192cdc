package book

import (
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

// What a grower decides on a crop, and where it must be found afterwards.
func TestWhatAGrowerDecidesOnACrop(t *testing.T) {
	for _, c := range []struct {
		crop   string
		o      Overrule
		is     func(*Crop) bool
		noBook bool // the book has no figure of its own
	}{
		{"parsnip", Overrule{Field: "raise_weeks", Value: 5}, func(c *Crop) bool { return c.RaiseWeeks == Maybe{5, true} }, true},
		{"broccoli", Overrule{Field: "raise_weeks", Value: 6}, func(c *Crop) bool { return c.RaiseWeeks.Value == 6 }, false},
		{"zucchini", Overrule{Field: "per_station", Value: 3}, func(c *Crop) bool { return c.PerStation.Value == 3 }, false},
		{"carrot", Overrule{Field: "depth", Value: 2}, func(c *Crop) bool { return c.Depth.Value == 2 }, false},
		{"carrot", Overrule{Field: "min_plants", Value: 40}, func(c *Crop) bool { return c.MinPlants == 40 }, false},
		{"leek", Overrule{Field: "direct_weeks", Value: -2}, func(c *Crop) bool { return c.DirectWeeks.Value == -2 }, false},
		{"kale", Overrule{Field: "latest_weeks", Value: 10}, func(c *Crop) bool { return c.LatestWeeks.Value == 10 }, true},
		{"bush-bean", Overrule{Field: "soil_min", Value: 12}, func(c *Crop) bool { return c.SoilMin.Value == 12 }, false},
		{"spinach", Overrule{Field: "heat_max", Value: 26}, func(c *Crop) bool { return c.HeatMax.Value == 26 }, false},
		{"leek", Overrule{Field: "frost_kill", Value: -20}, func(c *Crop) bool { return c.FrostKill == -20 }, false},
		{"chard", Overrule{Field: "frost", Choice: "hardy"}, func(c *Crop) bool { return c.Frost == Hardy }, false},
		{"parsnip", Overrule{Field: "winter", Choice: "yes"}, func(c *Crop) bool { return c.Winter == MayWinter }, false},
		{"leek", Overrule{Field: "winter", Choice: "no"}, func(c *Crop) bool { return c.Winter == BeforeWinter }, false},
		{"leek", Overrule{Field: "bolt_hours", Value: 15}, func(c *Crop) bool { return c.BoltHours.Value == 15 }, false},
		{"broccoli", Overrule{Field: "harvest", Choice: "once"}, func(c *Crop) bool { return c.Harvest == Once }, false},
		{"bush-bean", Overrule{Field: "goes_on", Choice: "yes"}, func(c *Crop) bool { return c.GoesOn }, false},
		{"zucchini", Overrule{Field: "store", Choice: "warm-dry"}, func(c *Crop) bool { return c.Store == "warm-dry" && c.StoreWeeks.Value == 4 && c.StoreLoss.Known }, false},
		{"carrot", Overrule{Field: "rotation_years", Value: 0}, func(c *Crop) bool { return c.RotationYears == Maybe{0, true} }, false},
		{"carrot", Overrule{Field: "root_depth", Value: 70}, func(c *Crop) bool { return c.RootDepth.Value == 70 }, false},
	} {
		c.o.Subject, c.o.Why = "crop/"+c.crop, "so it is here"
		own, _, _, err := Usual().With([]Overrule{c.o})
		if err != nil {
			t.Errorf("%s of %s: %v", c.o.Field, c.crop, err)
			continue
		}
		a, ok := own.Crop(c.crop).Assumed(c.o.Field)
		if !c.is(own.Crop(c.crop)) || !ok || !a.Set || a.NoUsual != c.noBook || a.Chosen != c.o.Choice && a.Choices != nil {
			t.Errorf("%s of %s: %+v", c.o.Field, c.crop, a)
		}
		if usual, ok := Usual().Crop(c.crop).Assumed(c.o.Field); !ok || usual.Set || usual.Known == c.noBook {
			t.Errorf("%s of %s in the book: %+v", c.o.Field, c.crop, usual)
		}
	}
}

func TestWhatCannotBeDecidedOnACrop(t *testing.T) {
	for field, o := range map[string]Overrule{
		"field":  {Subject: "crop/garlic", Field: "raise_weeks", Value: 3}, // it is planted as cloves
		"choice": {Subject: "crop/leek", Field: "winter", Choice: "perhaps"},
		"value":  {Subject: "crop/leek", Field: "depth", Value: 80},
		"why":    {Subject: "crop/leek", Field: "depth", Value: 8, Why: strings.Repeat("a", LongestWhy+1)},
	} {
		_, _, _, err := Usual().With([]Overrule{o})
		if fs := invalid.All(err); len(fs) != 1 || fs[0].Field != "overrules[0]."+field {
			t.Errorf("%+v: %v", o, err)
		}
	}
	for _, o := range []Overrule{{Subject: "crop/asparagus", Field: "winter", Choice: "no"}, {Subject: "crop/pea-shoots", Field: "store", Choice: "dry"}} {
		_, _, _, err := Usual().With([]Overrule{o})
		if fs := invalid.All(err); len(fs) != 1 || !fs[0].OfBook {
			t.Errorf("%+v: %v", o, err)
		}
	}
}

// Every crop of a season has every choice, with one of its words as it is.
func TestEveryChoiceIsOneOfItsWords(t *testing.T) {
	for _, c := range Usual().Crops() {
		for _, a := range Assumptions()["crop"] {
			is, ok := c.Assumed(a.Field)
			if !ok || is.Choices == nil {
				continue
			}
			found := false
			for _, one := range is.Choices {
				found = found || one.Value == is.Chosen && one.Words != ""
			}
			if !found {
				t.Errorf("%s of %s is %q", a.Field, c.ID, is.Chosen)
			}
		}
	}
	for _, a := range Assumptions()["crop"] {
		found := false
		for _, p := range Parts {
			found = found || p == a.Part
		}
		if !found {
			t.Errorf("%s is about %q, which is none of the parts", a.Field, a.Part)
		}
	}
}

// What the book sows in place gets weeks indoors where a household raises it, and what
// it raises a day in the open where the household sows it; what the book has stays.
func TestABookForAHouseholdsOwnWays(t *testing.T) {
	usual := Usual()
	own := usual.Grown(map[string]bool{"parsnip": true, "celeriac": false, "broccoli": true, "potato-early": true, "nothing": false})
	if c := own.Crop("parsnip"); c.RaiseWeeks != (Maybe{4, true}) || c.PlantOutWeeks != usual.Crop("parsnip").DirectWeeks {
		t.Errorf("parsnip: %+v %+v", c.RaiseWeeks, c.PlantOutWeeks)
	}
	if c := own.Crop("celeriac"); !c.DirectWeeks.Known || c.DirectWeeks != usual.Crop("celeriac").PlantOutWeeks {
		t.Errorf("celeriac: %+v", c.DirectWeeks)
	}
	if own.Crop("broccoli") != usual.Crop("broccoli") || own.Crop("potato-early") != usual.Crop("potato-early") || usual.Crop("parsnip").RaiseWeeks.Known {
		t.Error("what the book has, or what is no seed, has changed")
	}
	if own.Food("parsnip")[0] != own.Crop("parsnip") {
		t.Error("the food's kinds do not hold it")
	}
}
