package plan

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// eaten is a wish for meals of a kind, fresh, as long as it can be had.
func eaten(food, kind string) wish.Wish {
	return wish.Wish{ID: kind, Food: food, Variety: kind, Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 2}, Season: wish.Season{Kind: wish.While}, Priority: wish.WouldLike, Stagger: wish.Stagger{Kind: wish.ByNeed}}
}

func tomatoes() wish.Wish   { return eaten("tomato", "tomato-slicing") }
func leeks() wish.Wish      { return eaten("leek", "leek") }
func saladHeads() wish.Wish { return eaten("lettuce", "lettuce-head") }

// told is a plan of an input with what grows already put down.
func told(t *testing.T, in Input, all ...Growing) (Plan, Grown) {
	t.Helper()
	in, grown, err := in.Grow(all)
	if err != nil {
		t.Fatal(err)
	}
	p, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	return p, grown
}

// What grows already feeds what wants it, begun in time or not, and is in its bed.
func TestWhatGrowsAlreadyCounts(t *testing.T) {
	in := wanting(tomatoes())
	in.AsOf = civil.Of(in.Household.Year, 7, 20)
	without, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	set := civil.Of(in.Household.Year, 5, 20)
	p, grown := told(t, in, Growing{Crop: "tomato-slicing", Count: 12, By: ByPlants, Since: set, Set: true})
	s := sowingOf(t, p, grown.Of[0])
	if !s.InBed || s.Plants != 12 || s.Day != set || s.Method != season.Bought {
		t.Errorf("set out on 20 May: in its bed %v, %d plants of %v, %s", s.InBed, s.Plants, s.Day, s.Method)
	}
	if p.Tally.WeeksFed <= without.Tally.WeeksFed {
		t.Errorf("with twelve tomatoes that stand %d weeks are fed, without %d", p.Tally.WeeksFed, without.Tally.WeeksFed)
	}
	// What was due until today is done: nobody is asked for it.
	for _, x := range s.Tasks {
		if x.Day <= in.AsOf && (x.State == work.Overdue || x.State == work.Forgotten || x.State == work.Open) {
			t.Errorf("%s of %s is still to be done", x.Do, x.Day)
		}
	}
	// A grower picks the first from some ten weeks after setting out, before the end of August.
	if s.FirstPick == nil || *s.FirstPick < set+50 || *s.FirstPick > set+100 {
		t.Errorf("set out on 20 May, first picked %v", s.FirstPick)
	}
}

// It is as it is seen: picked already, or standing though its days are over.
func TestWhatGrowsIsAsItIsSeen(t *testing.T) {
	in := wanting(tomatoes(), saladHeads())
	in.AsOf = civil.Of(in.Household.Year, 7, 20)
	june := civil.Of(in.Household.Year, 6, 15)
	p, grown := told(t, in,
		Growing{Crop: "tomato-slicing", Count: 6, By: ByPlants, Since: june, Set: true, Picked: true},
		Growing{Crop: "tomato-slicing", Count: 6, By: ByPlants, Since: june, Set: true},
		Growing{Crop: "tomato-slicing", Count: 6, By: ByPlants, Since: june, Set: true, Behind: 14},
		Growing{Crop: "lettuce-head", Count: 10, By: ByPlants, Since: civil.Of(in.Household.Year, 4, 1)})
	picked, usual, behind := sowingOf(t, p, grown.Of[0]), sowingOf(t, p, grown.Of[1]), sowingOf(t, p, grown.Of[2])
	if *picked.FirstPick != in.AsOf || *usual.FirstPick <= in.AsOf || *behind.FirstPick != *usual.FirstPick+14 {
		t.Errorf("picked already: %v; as by its days: %v; two weeks behind: %v", picked.FirstPick, usual.FirstPick, behind.FirstPick)
	}
	if old := sowingOf(t, p, grown.Of[3]); !old.InBed || *old.LastPick < in.AsOf+5 || *old.LastPick > in.AsOf+7 {
		t.Errorf("lettuce of 1 April that stands on 20 July: in its bed %v, picked until %v", old.InBed, old.LastPick)
	}
}

// What was sown indoors and is not yet due to go out is in no bed; what is due is.
func TestWhatIsRaisedStandsInABedWhenItsTimeHasCome(t *testing.T) {
	in := wanting(leeks())
	in.AsOf = civil.Of(in.Household.Year, 6, 20)
	_, grown := told(t, in,
		Growing{Crop: "leek", Count: 40, By: ByPlants, Since: in.AsOf - 100},
		Growing{Crop: "leek", Count: 40, By: ByPlants, Since: in.AsOf - 20})
	old, young := grown.Plantings[0], grown.Plantings[1]
	if old.Method == season.Indoors && (old.Out == nil || grown.Of[0] == "") || young.Method == season.Indoors && (young.Out != nil || grown.Of[1] != "") {
		t.Errorf("sown 100 days ago: out %v; 20 days ago: out %v", old.Out, young.Out)
	}
}

func TestPlantsByMeasure(t *testing.T) {
	in := wanting(carrots())
	in.AsOf = civil.Of(in.Household.Year, 7, 20)
	in.Household.Beds = []bed.Bed{{ID: "b", Name: "Reed bed", Length: 8, Width: 0.75}}
	for _, x := range []struct {
		by     Measure
		count  float64
		bed    string
		plants int
	}{
		{ByPlants, 100, "", 100},
		{ByRow, 3, "", 50},      // one every 6 cm
		{ByBed, 2, "", 4 * 33},  // of 1.2 m less 15 cm on each side: four rows, 30 cm apart
		{ByBed, 2, "b", 2 * 33}, // of 75 cm: two rows
	} {
		_, grown := told(t, in, Growing{Crop: "carrot-storage", Count: x.count, By: x.by, Bed: x.bed, Since: in.AsOf - 60})
		if got := grown.Plantings[0].Plants; got != x.plants {
			t.Errorf("%v by %s in %q are %d plants, wanted %d", x.count, x.by, x.bed, got, x.plants)
		}
	}
}

func TestWhatStaysForYearsBecomesAPatch(t *testing.T) {
	in := wanting(eaten("asparagus", "asparagus"))
	in.AsOf = civil.Of(in.Household.Year, 7, 20)
	p, grown := told(t, in, Growing{Crop: "asparagus", Count: 20, By: ByPlants, Since: civil.Of(2021, 4, 1)})
	if len(grown.Patches) != 1 || grown.Patches[0].Planted != 2021 || grown.Patches[0].Plants != 20 || len(grown.Plantings) != 0 {
		t.Fatalf("twenty asparagus of 2021: %+v", grown)
	}
	if !slices.ContainsFunc(p.Sowings, func(s Sowing) bool { return s.Crop == "asparagus" && s.Stands }) {
		t.Error("the patch does not stand in the plan")
	}
}

func TestWhatCannotGrowIsRefused(t *testing.T) {
	in := wanting(tomatoes())
	in.AsOf = civil.Of(in.Household.Year, 7, 20)
	good := Growing{Crop: "tomato-slicing", Count: 12, By: ByPlants, Since: in.AsOf - 60, Set: true}
	for _, x := range []struct {
		field string
		wrong func(g *Growing)
	}{
		{"crop", func(g *Growing) { g.Crop = "moonflower" }},
		{"count", func(g *Growing) { g.Count = 0 }},
		{"count", func(g *Growing) { g.By, g.Count = ByRow, 0.01 }},
		{"by", func(g *Growing) { g.By = "heaps" }},
		{"bed", func(g *Growing) { g.Bed = "none such" }},
		{"since", func(g *Growing) { g.Since = in.AsOf + 1 }},
		{"since", func(g *Growing) { g.Since = in.AsOf - mostPast - 1 }},
		{"behind", func(g *Growing) { g.Behind = 200 }},
	} {
		bad := good
		x.wrong(&bad)
		_, _, err := in.Grow([]Growing{good, bad})
		fields := invalid.All(err)
		if len(fields) != 1 || !strings.HasSuffix(fields[0].Field, "growing[1]."+x.field) {
			t.Errorf("wrong %s: %v", x.field, err)
		}
	}
	if _, _, err := in.Grow(nil); err == nil {
		t.Error("nothing told, and nothing refused")
	}
	two, err := in.With(Change{Command: PutGrowing, Growing: []Growing{good, good}})
	if err != nil || two.Household.Plantings[0].ID == two.Household.Plantings[1].ID {
		t.Errorf("two alike have the names %v (%v)", two.Household.Plantings, err)
	}
}

// Whatever is told on whatever day: it is in the ground where it is told to be, keeps its
// ground from today on, but for what the frost has ended, and nothing is begun before today.
func TestWhatGrowsOnAnyDay(t *testing.T) {
	r := rand.New(rand.NewPCG(14, 3))
	crops := slices.DeleteFunc(slices.Clone(book.Usual().Crops()), func(c *book.Crop) bool { return c.Dense != nil || c.Perennial() })
	for range 120 {
		in := wanting(tomatoes(), carrots(), saladHeads(), leeks())
		in.AsOf = in.Household.YearStart() + civil.Date(r.IntN(360))
		crop := crops[r.IntN(len(crops))]
		g := Growing{Crop: crop.ID, Count: 5 + float64(r.IntN(40)), By: ByPlants, Since: in.AsOf - civil.Date(r.IntN(150)), Set: r.IntN(2) == 0, Picked: r.IntN(3) == 0, Behind: r.IntN(40) - 20}
		p, grown := told(t, in, g)
		p0 := grown.Plantings[0]
		if !p0.InBed(p0.Method == season.Indoors, in.AsOf) {
			continue
		}
		k := slices.IndexFunc(p.Sowings, func(s Sowing) bool { return s.ID == p0.ID })
		frost := in.Household.YearStart() + civil.Date(7*p.FirstFrost)
		if k >= 0 && (p.Sowings[k].Clear <= in.AsOf && (crop.Frost == book.Hardy || in.AsOf < frost) || !p.Sowings[k].InBed) {
			t.Errorf("on %v %+v: in its bed %v, cleared on %v; %+v", in.AsOf, g, p.Sowings[k].InBed, p.Sowings[k].Clear, p0)
		}
		for _, s := range p.Sowings {
			if !s.Begun && !s.Late && s.Method != season.Patch && s.Date < in.AsOf {
				t.Errorf("on %v %s is to be begun on %v", in.AsOf, s.Crop, s.Date)
			}
		}
	}
}
