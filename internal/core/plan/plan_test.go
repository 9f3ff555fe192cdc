package plan

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"runtime"
	"slices"
	"strings"
	"testing"
	"time"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// ford is a small household whose members eat 3.4 in all.
func ford(wishes ...wish.Wish) Input {
	for i := range wishes {
		wishes[i].ID = fmt.Sprintf("w%d", i+1)
		wishes[i].Fill()
	}
	return Input{AsOf: civil.Of(2027, 1, 12), Household: household.Household{
		Name: "The ford", Year: 2027, Risk: season.UsualRisk, Place: place.Examples()[0].Place,
		Members: []household.Member{{ID: "a", Name: "A", Band: household.Adult}, {ID: "b", Name: "B", Band: household.Adult}, {ID: "c", Name: "C", Band: household.Teen}, {ID: "d", Name: "D", Band: household.Infant}},
		Storage: []stock.StoragePlace{{ID: "s", Name: "Cellar", Temperature: 2, Damp: true}},
		Wishes:  wishes,
	}}
}

func meals(food string, n float64, forms ...wish.Form) wish.Wish {
	return wish.Wish{Food: food, Forms: forms, Amount: wish.Amount{Kind: wish.Meals, Number: n}}
}

func sauce(jars float64) wish.Wish {
	return wish.Wish{Food: "tomato", Forms: []wish.Form{wish.Canned}, Preparation: "tomato-sauce-thick", Amount: wish.Amount{Kind: wish.Jars, Number: jars, Jar: amount.LitresPerQuart}}
}

func planned(t *testing.T, in Input) Plan {
	t.Helper()
	p, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// everything is a household with every amount kind and form, for the tests that
// want a full plan.
func everything() Input {
	half := 0.9
	salsa := wish.Wish{Food: "tomato", Forms: []wish.Form{wish.Canned}, Preparation: "tomato-salsa-canned", Amount: wish.Amount{Kind: wish.Jars, Number: 24, Jar: 0.473}}
	lettuce := wish.Wish{Food: "lettuce", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesWeek, Number: 6}, Season: wish.Season{Kind: wish.Months, From: 5, To: 10}}
	corn := wish.Wish{Food: "sweet corn", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.PiecesYear, Number: 60}, Stagger: wish.Stagger{Kind: wish.Every, Days: 14}}
	spinach := meals("spinach", 1, wish.Fresh, wish.Frozen)
	spinach.Preparation = "greens-frozen"
	beans := wish.Wish{Food: "dry bean", Forms: []wish.Form{wish.Dried}, Preparation: "dry-bean-threshed", Amount: wish.Amount{Kind: wish.DriedKg, Number: 4}, Layout: wish.Block}
	kraut := wish.Wish{Food: "cabbage", Forms: []wish.Form{wish.Fermented}, Preparation: "sauerkraut", Amount: wish.Amount{Kind: wish.Litres, Number: 15}, Left: 3}
	garlic := wish.Wish{Food: "garlic", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.PiecesYear, Number: 70}, Confidence: &half}
	twice := sauce(35)
	twice.Stagger.Sowings, twice.Priority = 2, wish.MustHave
	in := ford(
		meals("carrot", 2, wish.Fresh, wish.Cellar), twice, salsa, lettuce, corn, spinach, beans, kraut, garlic,
		wish.Wish{Food: "onion", Forms: []wish.Form{wish.Fresh, wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightWeek, Number: 1.1}},
		wish.Wish{Food: "leek", Forms: []wish.Form{wish.Cellar}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 12}},
		wish.Wish{Food: "pea shoots", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.WeightWeek, Number: 0.2}},
		wish.Wish{Food: "marigold", Amount: wish.Amount{Kind: wish.Plants, Number: 24}},
		wish.Wish{Food: "sweet alyssum", Amount: wish.Amount{Kind: wish.Area, Number: 1.5}},
		meals("asparagus", 1, wish.Fresh), meals("tomato", 3, wish.Fresh), meals("kale", 2, wish.Fresh),
	)
	in.Household.Overrules = []book.Overrule{{Subject: "crop/carrot", Field: "yield", Value: 0.09}, {Subject: "household", Field: "cull", Value: 0.08}}
	return in
}

// Every figure's working, done again line by line, gives the figure.
func TestEveryWorkingAddsUp(t *testing.T) {
	in := everything()
	all, err := Workings(in)
	if err != nil {
		t.Fatal(err)
	}
	if len(all) < 300 {
		t.Fatalf("only %d workings", len(all))
	}
	seen := map[string]bool{}
	for _, w := range all {
		if seen[w.Figure] {
			t.Errorf("two workings of %s", w.Figure)
		}
		seen[w.Figure] = true
		if d := w.Check(); d > 1e-9 || math.IsNaN(d) {
			t.Errorf("%s is off by %g: %+v", w.Figure, d, w)
		}
	}
	for _, w := range all { // every figure a line refers to has a working itself
		for _, l := range w.Lines {
			if l.Figure != "" && !seen[l.Figure] {
				t.Errorf("%s refers to %s, which has no working", w.Figure, l.Figure)
			}
		}
	}
}

// The figures of the plan are those of the workings.
func TestFiguresAreTheirWorkings(t *testing.T) {
	in := everything()
	p := planned(t, in)
	all, err := Workings(in)
	if err != nil {
		t.Fatal(err)
	}
	value := map[string]float64{}
	for _, w := range all {
		value[w.Figure] = w.Value
	}
	check := func(figure string, want float64) {
		t.Helper()
		if got, ok := value[figure]; !ok || math.Abs(got-want) > 1e-9*math.Max(1, math.Abs(want)) {
			t.Errorf("%s: the working gives %g (%v), the plan %g", figure, got, ok, want)
		}
	}
	check("tally/plants", float64(p.Tally.Plants))
	check("tally/area", p.Tally.Area)
	check("tally/weeks_fed", float64(p.Tally.WeeksFed))
	check("tally/jars", float64(p.Tally.Jars))
	for _, w := range p.Wishes {
		check("wish/"+w.ID+"/plants", float64(w.Plants))
		check("wish/"+w.ID+"/area", w.Area)
		check("wish/"+w.ID+"/left_over", w.LeftOver)
	}
	for _, s := range p.Sowings {
		check("sowing/"+s.ID+"/area", s.Area)
		if s.Method != season.Tray {
			check("sowing/"+s.ID+"/plants", float64(s.Plants))
		}
		if s.Form != "" {
			check("sowing/"+s.ID+"/need", s.Need)
			check("sowing/"+s.ID+"/likely", s.Likely)
		}
	}
}

// Example M: nothing hangs on order, time zone or the number of cores.
func TestTheSamePlanToTheByte(t *testing.T) {
	text := func(in Input) []byte {
		p := planned(t, in)
		slices.SortFunc(p.Wishes, func(a, b Wish) int { return strings.Compare(a.ID, b.ID) })
		out, err := json.Marshal(p)
		if err != nil {
			t.Fatal(err)
		}
		return out
	}
	want := text(everything())
	zone, cores := time.Local, runtime.GOMAXPROCS(0)
	defer func() { time.Local = zone; runtime.GOMAXPROCS(cores) }()
	r := rand.New(rand.NewPCG(7, 8))
	for i := range 6 {
		in := everything()
		h := &in.Household
		r.Shuffle(len(h.Members), func(a, b int) { h.Members[a], h.Members[b] = h.Members[b], h.Members[a] })
		r.Shuffle(len(h.Overrules), func(a, b int) { h.Overrules[a], h.Overrules[b] = h.Overrules[b], h.Overrules[a] })
		time.Local = time.FixedZone("far", (i-3)*4*3600)
		runtime.GOMAXPROCS(1 + i%2)
		if got := text(in); !bytes.Equal(got, want) {
			t.Fatalf("shuffle %d gives another plan", i)
		}
		// The order of the wishes says whose name a shared sowing bears, no more.
		r.Shuffle(len(h.Wishes), func(a, b int) { h.Wishes[a], h.Wishes[b] = h.Wishes[b], h.Wishes[a] })
		a, b := planned(t, in).Tally, planned(t, everything()).Tally
		if a.Plants != b.Plants || a.WeeksFed != b.WeeksFed || a.Jars != b.Jars || a.Sowings != b.Sowings || math.Abs(a.Area-b.Area) > 1e-9 || math.Abs(a.Freezer-b.Freezer) > 1e-9 {
			t.Fatalf("shuffle %d of the wishes gives %+v, not %+v", i, a, b)
		}
	}
}

// A memory changes no plan, whatever it was used for before and beside.
func TestAMemoryChangesNothing(t *testing.T) {
	memory := &Memory{}
	plans := func(m *Memory) (out []string) {
		for _, e := range place.Examples() {
			for _, risk := range []season.Risk{season.Careful, season.Bold} {
				in := everything()
				in.Household.Place, in.Household.Risk, in.Memory = e.Place, risk, m
				in.Household.Wishes[0].Cover = place.Tunnel
				text, err := json.Marshal(planned(t, in))
				if err != nil {
					t.Error(err)
				}
				out = append(out, string(text))
			}
		}
		return out
	}
	want := plans(nil)
	done := make(chan []string)
	for range 3 {
		go func() { done <- append(plans(memory), plans(memory)...) }()
	}
	for range 3 {
		if got := <-done; !slices.Equal(got, append(slices.Clone(want), want...)) {
			t.Error("with a memory the plans are others")
		}
	}
}

// Every crop of the book with every amount kind and form it allows.
func TestEveryCropWithEveryAmount(t *testing.T) {
	kinds := []wish.AmountKind{wish.Meals, wish.WeightWeek, wish.WeightYear, wish.PiecesWeek, wish.PiecesYear, wish.Jars, wish.Litres, wish.DriedKg, wish.Plants, wish.Area, wish.RowLength}
	tried := 0
	try := func(w wish.Wish) {
		in := ford(w)
		if in.Household.Validate(book.Usual()) != nil {
			return // the book does not allow it
		}
		tried++
		p := planned(t, in)
		name := fmt.Sprintf("%s %s %v", w.Variety, w.Amount.Kind, w.Forms)
		sound(t, name, p)
	}
	for _, c := range book.Usual().Crops() {
		for _, k := range kinds {
			if k.Unweighed() {
				try(wish.Wish{Food: c.Food, Variety: c.ID, Amount: wish.Amount{Kind: k, Number: 7}})
			}
			for _, forms := range [][]wish.Form{{wish.Fresh}, {wish.Cellar}, {wish.Fresh, wish.Cellar}} {
				try(wish.Wish{Food: c.Food, Variety: c.ID, Forms: forms, Amount: wish.Amount{Kind: k, Number: 7}})
			}
			for _, prep := range book.Usual().Preparations() {
				if slices.Contains(prep.Crops, c.ID) {
					try(wish.Wish{Food: c.Food, Variety: c.ID, Forms: []wish.Form{wish.Form(prep.Form)}, Preparation: prep.ID, Amount: wish.Amount{Kind: k, Number: 7}})
				}
			}
		}
	}
	if tried < 1000 {
		t.Errorf("only %d wishes could be tried", tried)
	}
}

// sound looks for what no plan may have.
func sound(t *testing.T, name string, p Plan) {
	t.Helper()
	text, err := json.Marshal(p) // NaN and infinities have no JSON
	if err != nil {
		t.Fatalf("%s: %v", name, err)
	}
	if bytes.Contains(text, []byte("%!")) {
		t.Errorf("%s: badly said: %s", name, text)
	}
	for _, w := range p.Wishes {
		fed, gap := 0, 0
		for i, wanted := range w.Wanted {
			switch {
			case wanted < 0 || (wanted > 0) != (w.Source[i] != ""):
				t.Fatalf("%s: week %d wants %g from %q", name, i, wanted, w.Source[i])
			case w.Source[i] == wish.Gap:
				gap++
			case wanted > 0:
				fed++
			}
		}
		if fed != w.WeeksFed || fed+gap != w.WeeksWanted {
			t.Errorf("%s: %d fed and %d gaps of %d wanted", name, w.WeeksFed, gap, w.WeeksWanted)
		}
		if fed > 0 && w.Harvested <= 0 && !w.Enough {
			t.Errorf("%s: weeks are fed by nothing", name)
		}
		if w.Harvested < 0 || w.Area < 0 || w.Average < 0 {
			t.Errorf("%s: something is negative: %+v", name, w)
		}
	}
	for _, s := range p.Sowings {
		if s.Method != season.Tray && (s.Plants < 1 || s.SetOut+s.Stations == 0 && s.DrillM <= 0) || s.Area <= 0 {
			t.Errorf("%s: a sowing of nothing: %+v", name, s)
		}
		if s.FirstPick != nil && (*s.FirstPick < s.Date && s.Method != season.Patch || *s.LastPick < *s.FirstPick || s.Clear < *s.LastPick && s.Method != season.Patch) {
			t.Errorf("%s: dates out of order: %+v", name, s)
		}
		if s.Low > s.Likely || s.Likely > s.High || s.FirstWhy.IsZero() || s.LastWhy.IsZero() {
			t.Errorf("%s: %+v", name, s)
		}
	}
}

func TestTwiceTheEatersIsTwiceTheWeight(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh, wish.Cellar), meals("kale", 1, wish.Fresh))
	once := planned(t, in)
	for i := range in.Household.Members {
		twice := 2 * in.Household.Members[i].Eats()
		in.Household.Members[i].Appetite = &twice
	}
	for i, w := range planned(t, in).Wishes {
		if math.Abs(w.Harvested-2*once.Wishes[i].Harvested) > 1e-9 {
			t.Errorf("%s: %g for twice the eaters of %g", w.Title, w.Harvested, once.Wishes[i].Harvested)
		}
	}
}

func TestMoreWishedNeverGivesLess(t *testing.T) {
	last := Wish{}
	for jars := 1.0; jars <= 80; jars += 3 {
		w := planned(t, ford(sauce(jars))).Wishes[0]
		if w.Average < last.Average || w.Plants < last.Plants {
			t.Errorf("%g jars: %d plants giving %g, fewer had %d giving %g", jars, w.Plants, w.Average, last.Plants, last.Average)
		}
		last = w
	}
	for left := 0.0; left <= 40; left += 5 {
		s := sauce(35)
		s.Left = left
		w := planned(t, ford(s)).Wishes[0]
		if w.Plants > last.Plants {
			t.Errorf("%g left wants more plants than less left", left)
		}
		if left >= 35 && (!w.Enough || w.SowingCount != 0 || w.WeeksFed == 0) {
			t.Errorf("%g left of 35 is enough: %+v", left, w)
		}
		last = w
	}
}

func TestSauceThroughThePlan(t *testing.T) {
	in := ford(sauce(35))
	in.Household.Overrules = []book.Overrule{
		{Subject: "preparation/tomato-sauce-thick", Field: "raw", Value: 3.1497},
		{Subject: "crop/tomato-paste", Field: "yield", Value: 3.5}, {Subject: "crop/tomato-paste", Field: "yield_cv", Value: 0.30},
		{Subject: "crop/tomato-paste", Field: "fail_prob", Value: 0.05},
	}
	in.Household.Wishes[0].Layout = wish.Plot // at its own spacing, so that a plant gives all of it
	w := planned(t, in).Wishes[0]
	if w.Plants != 41 || math.Abs(w.Harvested-112.06) > 0.56 || math.Abs(w.LeftOver-24.3) > 0.12 {
		t.Errorf("%d plants for %g kg, %g left over; want 41, 112.06, 24.3", w.Plants, w.Harvested, w.LeftOver)
	}
	if w.Load == nil || *w.Load != (Load{Jars: 7, Below: 35, Above: 35}) {
		t.Errorf("loads: %+v", w.Load)
	}
	nearly := 0.95
	in.Household.Wishes[0].Confidence = &nearly
	if w = planned(t, in).Wishes[0]; !strings.Contains(w.Uses[0].Short.String(), "with 2 sowings 68 plants are enough") {
		t.Errorf("95 years of 100 from one sowing: %q", w.Uses[0].Short)
	}
	in.Household.Wishes[0].Stagger.Sowings = 2
	if w = planned(t, in).Wishes[0]; w.Plants != 68 || w.SowingCount != 2 {
		t.Errorf("from two sowings: %d plants in %d", w.Plants, w.SowingCount)
	}
	in = ford(sauce(26))
	if load := planned(t, in).Wishes[0].Load; load.Below != 21 || load.Above != 28 {
		t.Errorf("26 jars lie between %d and %d", load.Below, load.Above)
	}
}

func TestSalsaAsksForThreeCrops(t *testing.T) {
	w := everything().Household.Wishes[2]
	got := map[string]float64{}
	for _, u := range planned(t, ford(w)).Wishes[0].Uses {
		got[u.Crop] = u.Harvested
	}
	litres := 24 * 0.473
	for crop, raw := range map[string]float64{"tomato-paste": 0.68, "pepper-sweet": 0.27, "onion-bulb": 0.14} {
		if want := litres * raw / 0.98 / 0.95; math.Abs(got[crop]-want) > 0.005*want {
			t.Errorf("%s: %g kg, want %g", crop, got[crop], want)
		}
	}
}

func TestCautionsStandWhereTheyBelong(t *testing.T) {
	kale := meals("kale", 1, wish.Fresh)
	potato := meals("potato", 2, wish.Cellar)
	p := planned(t, ford(sauce(7), potato, kale, meals("rhubarb", 1, wish.Fresh)))
	for i, want := range [][]string{{"tested-recipes", "acidify-tomatoes", "nightshade-foliage"}, {"green-potatoes", "cellar-air"}, {}, {"rhubarb-leaves"}} {
		got := p.Wishes[i].Cautions
		for _, id := range want {
			if !slices.Contains(got, id) {
				t.Errorf("%s: no word of %s in %v", p.Wishes[i].Title, id, got)
			}
		}
		if len(slices.Compact(slices.Sorted(slices.Values(got)))) != len(got) {
			t.Errorf("%s: a caution stands twice: %v", p.Wishes[i].Title, got)
		}
	}
	if len(p.Wishes[2].Cautions) != 0 {
		t.Errorf("kale is harmless: %v", p.Wishes[2].Cautions)
	}
	if note := p.Wishes[3].Notes; len(note) != 1 || !strings.Contains(note[0].String(), "it is first picked in 2028, with 50 % of a full crop") {
		t.Errorf("a perennial says what it is reckoned from: %q", note)
	}
}

func TestCornComesInBlocks(t *testing.T) {
	for _, s := range planned(t, ford(everything().Household.Wishes[4])).Sowings {
		if s.Layout != wish.Across || s.Plants < 4*s.Rows || s.Plants < 16 {
			t.Errorf("%d corn plants in %s of %d", s.Plants, s.Layout, s.Rows)
		}
	}
}

func TestAPlaceWithoutASeasonSaysSo(t *testing.T) {
	in := ford(meals("winter purslane", 1, wish.Fresh))
	in.Household.Place = place.Examples()[2].Place
	w := planned(t, in).Wishes[0]
	if w.WeeksFed != 0 || w.WeeksWanted != 52 || len(w.Notes) == 0 || !strings.Contains(w.Notes[0].String(), "days over 20 °C") && !strings.Contains(w.Notes[0].String(), "68 °F") {
		t.Errorf("winter purslane in the heat: %d fed, %q", w.WeeksFed, w.Notes)
	}
}

// The mirrored place, half a year later, feeds the same weeks but for two.
func TestTheMirroredPlace(t *testing.T) {
	in := ford(meals("carrot", 2, wish.Fresh, wish.Cellar), meals("snap bean", 2, wish.Fresh), sauce(20))
	north := planned(t, in)
	p := &in.Household.Place
	old := *p
	p.Latitude = -old.Latitude
	for m := range 12 {
		p.MeanMax[m], p.MeanMin[m] = old.MeanMax[(m+6)%12], old.MeanMin[(m+6)%12]
	}
	p.LastFrost, p.FirstFrost = civil.MonthDay{Month: 10, Day: 28}, civil.MonthDay{Month: 4, Day: 14}
	south := planned(t, in)
	for i := range north.Wishes {
		differ := 0
		for w := range north.Wishes[i].Source {
			if north.Wishes[i].Source[w] != south.Wishes[i].Source[w] {
				differ++
			}
		}
		if differ > 2 {
			t.Errorf("%s: %d weeks differ", north.Wishes[i].Title, differ)
		}
	}
}

func TestExplainKnowsItsFigures(t *testing.T) {
	in := everything()
	w, err := Explain(in, "wish/w2/canned/harvested")
	if err != nil || w.Unit != amount.Kilogram || len(w.Lines) < 6 {
		t.Errorf("%+v %v", w, err)
	}
	if _, err := Explain(in, "wish/w99/plants"); err == nil {
		t.Error("a figure that is not there was explained")
	}
	in.Household.Members = nil
	if _, err := Explain(in, "tally/plants"); err == nil {
		t.Error("a household that cannot stand was explained")
	}
}
