package bed

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func TestContainersHaveTheirMeasuresFromTheirVolume(t *testing.T) {
	b := Bed{Kind: Containers, Count: 12, Litre: 40}.Filled()
	if b.Width != 0.342 || math.Abs(b.Length-12*0.342) > 1e-9 || b.Soil != 0.342 || math.Abs(b.One()-0.342) > 1e-9 {
		t.Errorf("%+v", b)
	}
	if same := (Bed{Length: 3, Width: 1}).Filled(); same.Length != 3 || same.One() != 0 {
		t.Errorf("a bed is changed: %+v", same)
	}
}

func TestSoilSettles(t *testing.T) {
	b := Bed{Soil: 0.4, Measured: 2025, Settles: 0.1}
	for year, want := range map[int]float64{2024: 0.4, 2025: 0.4, 2026: 0.36, 2027: 0.324} {
		if got := b.SoilIn(year); math.Abs(got-want) > 1e-9 {
			t.Errorf("%d: %g, want %g", year, got, want)
		}
	}
	if got := (Bed{Soil: 0.4}).SoilIn(2040); got != 0.4 {
		t.Errorf("what was never dated does not settle: %g", got)
	}
}

// The parts of a bed make up the whole, lie beside one another, and remember.
func TestABedIsDivided(t *testing.T) {
	whole := Bed{ID: "b", Name: "Long", X: 1, Y: 2, Length: 9, Width: 1.2, Stood: []Stood{{Year: 2026, Families: []string{"Fabaceae"}}, {Year: 2025, Families: []string{"Apiaceae"}, At: 2, Length: 2.5}}, Stands: []Standing{{Name: "Leek", At: 2, Length: 2.5, Until: 1}}}
	for _, turned := range []bool{false, true} {
		whole.Turned = turned
		parts := whole.Divided(3)
		area, stands := 0.0, 0.0
		for i, p := range parts {
			area += p.Area()
			for _, s := range p.Stands {
				stands += s.Length
			}
			if want := []int{2, 2, 1}[i]; len(p.Stood) != want || want == 2 && math.Abs(p.Stood[1].Length-[]float64{1, 1.5}[i]) > 1e-9 || p.ID != "" || p.Name == whole.Name {
				t.Errorf("part %+v", p)
			}
			for _, o := range parts[:i] {
				if x, _ := Overlap(p, o); x > 0 {
					t.Errorf("%s lies over %s", p.Name, o.Name)
				}
			}
		}
		if math.Abs(area-whole.Area()) > 1e-9 || math.Abs(stands-2.5) > 1e-9 || len(parts[0].Stands) != 1 || len(parts[1].Stands) != 1 {
			t.Errorf("%g m², %g m of leek", area, stands)
		}
	}
	pots := Bed{Kind: Containers, Count: 7, Litre: 40}.Filled().Divided(3)
	if pots[0].Count+pots[1].Count+pots[2].Count != 7 || math.Abs(pots[2].X+pots[2].Length-7*0.342) > 1e-9 {
		t.Errorf("pots %+v", pots)
	}
}

// On open ground a bed has the sun from rise to set; a wall on the side of the
// equator takes more of it in winter than in summer, one towards the pole almost
// none.
func TestSunHours(t *testing.T) {
	b := Bed{X: 9, Y: 9, Length: 2, Width: 2}
	plot := Plot{Length: 20, Width: 20}
	open := SunHours(47.5, plot, b)
	if open[5] < 15 || open[5] > 16.2 || open[11] < 8 || open[11] > 8.8 {
		t.Errorf("open ground: June %.1f h, December %.1f h", open[5], open[11])
	}
	south := plot
	south.Obstacles = []Obstacle{{Name: "barn", Height: 6, Distance: 9, Bearing: 180, Breadth: 40}}
	got := SunHours(47.5, south, b)
	if got[11] > 1 || got[5] < open[5]-1 {
		t.Errorf("a barn to the south: June %.1f h, December %.1f h", got[5], got[11])
	}
	north := plot
	north.Obstacles = []Obstacle{{Name: "barn", Height: 6, Distance: 9, Bearing: 0, Breadth: 10}}
	if got := SunHours(47.5, north, b); math.Abs(got[11]-open[11]) > 0.2 {
		t.Errorf("a barn to the north takes %.1f h in December", open[11]-got[11])
	}
	// Turned with the plot, the same barn stands in the same quarter of the sky.
	turned := south
	turned.Bearing = 90
	if got2 := SunHours(47.5, turned, b); math.Abs(got2[2]-got[2]) > 0.2 {
		t.Errorf("a turned plot: March %.1f h and %.1f h", got2[2], got[2])
	}
	// South of the equator it is the northern wall that shades.
	if got := SunHours(-43, north, b); got[5] > SunHours(-43, plot, b)[5]-3 {
		t.Errorf("in the south a northern barn leaves %.1f h in June", got[5])
	}
}

func TestSunClass(t *testing.T) {
	b := Bed{X: 9, Y: 9, Length: 2, Width: 2}
	walled := Plot{Length: 20, Width: 20, Obstacles: []Obstacle{{Name: "hall", Height: 30, Distance: 8, Bearing: 180, Breadth: 200}}}
	for _, c := range []struct {
		name string
		plot *Plot
		sun  string
		want string
	}{{"no plot", nil, "", "full"}, {"nothing is there", &Plot{Length: 20, Width: 20}, "", "full"}, {"by hand", &walled, "part", "part"}, {"walled", &walled, "", "part"}} {
		b.Sun = c.sun
		got := SunClass(47.5, c.plot, b)
		if c.name == "walled" && got == "full" || c.name != "walled" && got != c.want {
			t.Errorf("%s: %s", c.name, got)
		}
	}
}

func TestANarrowBedAlongTheEdge(t *testing.T) {
	shares := Divide(Plot{Length: 10, Width: 7.9}, 1.2, 0.9, 0.5) // 3 beds and 2.1 m over
	for _, s := range shares {
		if s.Narrow > WidestFromOneSide+1e-9 || s.Left < -1e-9 {
			t.Errorf("%+v", s)
		}
		for i, b := range s.Beds {
			x, y := b.Across()
			if b.X+x > 9.5+1e-9 || b.Y+y > 7.4+1e-9 {
				t.Errorf("%s lies over the margin", b.Name)
			}
			for _, o := range s.Beds[:i] {
				if over, _ := Overlap(b, o); over > 0 {
					t.Errorf("%s lies over %s", b.Name, o.Name)
				}
			}
		}
	}
	if len(shares) < 3 || shares[0].Narrow == 0 {
		t.Errorf("%d ways, the first with a narrow bed of %g m", len(shares), shares[0].Narrow)
	}
}

func TestWhatCannotStand(t *testing.T) {
	ok := Bed{Name: "Bed", Length: 6, Width: 1.2}
	until := civil.Of(2027, 3, 1)
	for name, c := range map[string]struct {
		change func(*Bed)
		field  string
	}{
		"no length":      {func(b *Bed) { b.Length = 0 }, "length"},
		"negative width": {func(b *Bed) { b.Width = -1 }, "width"},
		"unknown kind":   {func(b *Bed) { b.Kind = "hill" }, "kind"},
		"unknown cover":  {func(b *Bed) { b.Cover = "glass" }, "cover"},
		"no containers":  {func(b *Bed) { b.Kind = Containers }, "count"},
		"settles":        {func(b *Bed) { b.Settles = 0.9 }, "settles"},
		"unknown family": {func(b *Bed) { b.Stood = []Stood{{Year: 2026, Families: []string{"Draconidae"}}} }, "stood[0].families"},
		"stands beyond":  {func(b *Bed) { b.Stands = []Standing{{Name: "Leek", At: 4, Length: 3, Until: until}} }, "stands[0].length"},
		"stands twice": {func(b *Bed) {
			b.Stands = []Standing{{Name: "Leek", Length: 3, Until: until}, {Name: "Kale", At: 2, Length: 3, Until: until}}
		}, "stands[1].at"},
		"stands for ever":   {func(b *Bed) { b.Stands = []Standing{{Name: "Leek", Length: 3, Until: civil.Of(3000, 1, 1)}} }, "stands[0].until"},
		"unknown, standing": {func(b *Bed) { b.Stands = []Standing{{Name: "Leek", Family: "Leekaceae", Length: 3, Until: until}} }, "stands[0].family"},
	} {
		b, check := ok, invalid.NewCheck()
		c.change(&b)
		b.Validate(check, []string{"Fabaceae"})
		found := invalid.All(check.Err())
		if len(found) == 0 || found[0].Field != c.field {
			t.Errorf("%s: %v", name, found)
		}
	}
	check := invalid.NewCheck()
	Customs{Exceptions: []string{"Fabaceae"}, Pairs: []string{"carrot-radish"}, Emitters: 0.3, Posts: 2.5}.Validate(check, []string{"Fabaceae"}, []string{"carrot-radish"})
	if err := check.Err(); err != nil {
		t.Error(err)
	}
	Customs{Exceptions: []string{"X"}, Pairs: []string{"y"}, Recipe: []Amendment{{Name: "a", Amount: 1, Unit: "stone", Per: 1, Of: "m²"}}, Materials: []Material{{Name: "m", Over: "roof", Depth: 1, Bulk: 1, Bag: 1}}}.Validate(check, nil, nil)
	if text := check.Err().Error(); !strings.Contains(text, "pairs[0]") || !strings.Contains(text, "bent[0]") || !strings.Contains(text, "unit") || !strings.Contains(text, "over") {
		t.Error(text)
	}
}

// A bed measured from another lies that far from it, on the side that is said, in
// line with it; and they do not overlap.
func TestABedBesideAnother(t *testing.T) {
	for _, turned := range []bool{false, true} {
		o := Bed{ID: "o", X: 6, Y: 7, Length: 4, Width: 1.2, Turned: turned}
		ow, oh := o.Across()
		for side, want := range map[string][2]float64{"right": {6 + ow + 0.9, 7}, "left": {6 - 3 - 0.9, 7}, "behind": {6, 7 + oh + 0.9}, "before": {6, 7 - 1 - 0.9}} {
			b, err := Bed{Length: 3, Width: 1}.Beside(o, side, 0.9)
			if err != nil || math.Abs(b.X-want[0]) > 1e-9 || math.Abs(b.Y-want[1]) > 1e-9 {
				t.Errorf("%s, turned %v: %g, %g, want %v (%v)", side, turned, b.X, b.Y, want, err)
			}
			if x, _ := Overlap(b, o); x > 0 {
				t.Errorf("%s, turned %v: they overlap", side, turned)
			}
		}
		for _, wrong := range []struct {
			side  string
			apart float64
		}{{"under", 1}, {"left", 20}, {"before", 20}} {
			if _, err := (Bed{Length: 3, Width: 1}).Beside(o, wrong.side, wrong.apart); invalid.All(err) == nil {
				t.Errorf("%+v is not refused", wrong)
			}
		}
	}
}

func TestRatesOfARecipe(t *testing.T) {
	for _, c := range []struct {
		a    Amendment
		rate float64
		by   Basis
	}{
		{Amendment{Amount: 3, Unit: "kg", Per: 1, Of: "m²"}, 3, ByArea},
		{Amendment{Amount: 50, Unit: "g", Per: 10, Of: "m²"}, 0.005, ByArea},
		{Amendment{Amount: 2, Unit: "lb", Per: 100, Of: "sq ft"}, 2 * 0.45359237 / (100 * 0.09290304), ByArea},
		{Amendment{Amount: 8, Unit: "oz", Per: 10, Of: "ft of row"}, 0.5 * 0.45359237 / 3.048, ByRow},
		{Amendment{Amount: 100, Unit: "g", Per: 1, Of: "m of row"}, 0.1, ByRow},
		{Amendment{Amount: 1, Unit: "L", Bulk: 0.6, Per: 1, Of: "plant hole"}, 0.6, ByPlant},
		{Amendment{Amount: 1, Unit: "cup", Bulk: 1, Per: 2, Of: "plant hole"}, 0.2365882365 / 2, ByPlant},
		{Amendment{Amount: 4, Unit: "qt", Bulk: 1, Per: 1, Of: "m²"}, 4 * 0.946352946, ByArea},
		{Amendment{Amount: 1, Unit: "gal", Bulk: 1, Per: 1, Of: "m²"}, 3.785411784, ByArea},
		{Amendment{Amount: 100, Unit: "g", Per: 0, Of: "m²"}, 0, ByArea},
		{Amendment{Amount: 100, Unit: "g", Per: 1, Of: "acre"}, 0, ByArea},
	} {
		rate, by := c.a.Rate()
		if math.Abs(rate-c.rate) > 1e-9 || by != c.by {
			t.Errorf("%+v: %g, by %v; want %g, %v", c.a, rate, by, c.rate, c.by)
		}
	}
}

// A volume needs its weight; only the beds that are named are given what is for some.
func TestAnAmendmentByVolumeAndForSomeBeds(t *testing.T) {
	u := UsualCustoms()
	u.Recipe = []Amendment{{Name: "Ash", Amount: 1, Unit: "cup", Per: 1, Of: "plant hole"}}
	c := invalid.NewCheck()
	u.Validate(c, nil, nil)
	if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != "recipe[0].bulk" {
		t.Errorf("refused: %v", c.Err())
	}
	some := Amendment{Beds: []string{"b1"}}
	if !some.For("b1") || some.For("b2") || !(Amendment{}).For("b2") {
		t.Error("the wrong beds are given it")
	}
	if (Customs{}).FlowOf() != 2 || (Customs{Flow: 4}).FlowOf() != 4 {
		t.Error("the flow of the emitters")
	}
}

func TestCustomsAreNumbered(t *testing.T) {
	u := Customs{Materials: []Material{{Name: "a"}, {Name: "b", ID: "old"}}, Recipe: []Amendment{{Name: "c"}}}
	u.Number()
	if u.Exceptions == nil || u.Pairs == nil || u.Materials[0].ID == u.Materials[1].ID || u.Recipe[0].ID == "" {
		t.Errorf("%+v", u)
	}
}

// FuzzDivide holds every proposal to the plot: no bed over the margin, none over
// another, the paths as wide as wanted, and what is left over as told.
func FuzzDivide(f *testing.F) {
	f.Add(12.0, 8.0, 1.2, 0.9, 0.5)
	f.Add(3.0, 2.0, 0.75, 0.3, 0.0)
	f.Fuzz(func(t *testing.T, length, width, wide, path, margin float64) {
		in := func(v *float64, least, most float64) {
			if math.IsNaN(*v) || math.IsInf(*v, 0) {
				*v = least
			}
			*v = least + math.Mod(math.Abs(*v), most-least)
		}
		in(&length, 1, 60)
		in(&width, 1, 60)
		in(&wide, 0.3, 3)
		in(&path, 0.2, 3)
		in(&margin, 0, 2)
		last := math.Inf(1)
		for _, s := range Divide(Plot{Length: length, Width: width}, wide, path, margin) {
			if s.Area > last+1e-5 || s.Left < -1e-6 || math.Abs(s.Area+s.Paths-length*width) > 1e-6 {
				t.Fatalf("%+v", s)
			}
			last = s.Area
			for i, b := range s.Beds {
				x, y := b.Across()
				if b.X < margin-1e-9 || b.Y < margin-1e-9 || b.X+x > length-margin+1e-6 || b.Y+y > width-margin+1e-6 {
					t.Fatalf("%s lies over the margin of %g: %+v", b.Name, margin, b)
				}
				if i > 0 {
					before := s.Beds[i-1]
					apart := b.Y - before.Y - before.Width
					if s.Turned {
						apart = b.X - before.X - before.Width
					}
					if apart < path-1e-6 {
						t.Fatalf("a path of %g m, %g wanted", apart, path)
					}
				}
			}
		}
	})
}

// Beds lie on their own plot: they may have the same place on two plots, and must fit theirs.
func TestBedsOfSeveralPlots(t *testing.T) {
	first, others := &Plot{Length: 10, Width: 5}, []Plot{{ID: "road", Name: "By the road", Length: 4, Width: 4, Sun: "part"}}
	here, there := Bed{ID: "a", Name: "A", Length: 4, Width: 1.2}, Bed{ID: "b", Name: "B", Length: 4, Width: 1.2, Plot: "road"}
	for _, c := range []struct {
		name string
		bed  func(Bed) Bed
		ok   bool
	}{
		{"at the same place of another plot", func(b Bed) Bed { return b }, true},
		{"too long for its plot", func(b Bed) Bed { b.Length = 5; return b }, false},
		{"on a plot that is not there", func(b Bed) Bed { b.Plot = "gone"; return b }, false},
		{"over the other one", func(b Bed) Bed { b.Plot = ""; return b }, false},
	} {
		check := invalid.NewCheck()
		ValidateAll(check, first, others, []Bed{here, c.bed(there)})
		if err := check.Err(); (err == nil) != c.ok {
			t.Errorf("%s: %v", c.name, err)
		}
	}
	if got := SunClass(47.5, &others[0], there); got != "part" {
		t.Errorf("a bed of a plot in part sun has %s sun", got)
	}
	there.Sun = "full"
	if got := SunClass(47.5, &others[0], there); got != "full" {
		t.Errorf("what is said of the bed goes before the plot: %s", got)
	}
	if got := OnPlot([]Bed{here, there}, "road"); len(got) != 1 || got[0].ID != "b" {
		t.Errorf("by the road lie %v", got)
	}
}
