package bed

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

func TestBedsThatOverlapAreRefused(t *testing.T) {
	plot := &Plot{Length: 12, Width: 8}
	a := Bed{ID: "a", Name: "North bed", Length: 6, Width: 1.2}
	for _, c := range []struct {
		name string
		b    Bed
		want string
	}{
		{"beside it", Bed{Name: "b", X: 0, Y: 1.2, Length: 6, Width: 1.2}, ""},
		{"edge to edge", Bed{Name: "b", X: 6, Y: 0, Length: 6, Width: 1.2}, ""},
		{"over it", Bed{Name: "b", X: 5, Y: 1, Length: 4, Width: 1}, "beside North bed: they overlap by 1.00 × 0.20 m"},
		{"turned over it", Bed{Name: "b", X: 2, Y: 0.5, Length: 4, Width: 1, Turned: true}, "they overlap by 1.00 × 0.70 m"},
		{"off the plot", Bed{Name: "b", X: 8, Y: 3, Length: 6, Width: 1.2}, "a place on the plot"},
	} {
		check := invalid.NewCheck()
		ValidateAll(check, plot, nil, []Bed{a, c.b})
		err := check.Err()
		if (err == nil) != (c.want == "") || err != nil && !strings.Contains(err.Error(), c.want) {
			t.Errorf("%s: %v, want %q", c.name, err, c.want)
		}
	}
}

func TestABedThatCannotBe(t *testing.T) {
	for field, b := range map[string]Bed{
		"length":            {Name: "b", Length: 0, Width: 1},
		"width":             {Name: "b", Length: 3, Width: -1},
		"x":                 {Name: "b", Length: 3, Width: 1, X: math.NaN()},
		"soil":              {Name: "b", Length: 3, Width: 1, Soil: 9},
		"sun":               {Name: "b", Length: 3, Width: 1, Sun: "moon"},
		"name":              {Length: 3, Width: 1},
		"stood[0].families": {Name: "b", Length: 3, Width: 1, Stood: []Stood{{Year: 2026, Families: []string{"Dragons"}}}},
	} {
		check := invalid.NewCheck()
		b.Validate(check, []string{"Solanaceae"})
		all := invalid.All(check.Err())
		if len(all) != 1 || all[0].Field != field {
			t.Errorf("%s: %v", field, check.Err())
		}
	}
}

// A plot divided: the beds lie on it, apart by the path, and no further one fits.
func TestDivide(t *testing.T) {
	for _, p := range []Plot{{Length: 12, Width: 8}, {Length: 6, Width: 1.2}, {Length: 30, Width: 4.7}, {Length: 3, Width: 40}} {
		for _, margin := range []float64{0, 0.3} {
			shares := Divide(p, WidestBed, 0.9, margin)
			for k, s := range shares {
				check := invalid.NewCheck()
				ValidateAll(check, &p, nil, s.Beds)
				if check.Err() != nil || len(s.Beds) == 0 {
					t.Fatalf("%+v: %v", p, check.Err())
				}
				if s.Left < -1e-9 || s.Left >= WidestBed+0.9 {
					t.Errorf("%+v: %g m are left, room for another bed", p, s.Left)
				}
				if math.Abs(s.Area+s.Paths-p.Length*p.Width) > 1e-9 {
					t.Errorf("%+v: beds %g and paths %g", p, s.Area, s.Paths)
				}
				if k > 0 && s.Area > shares[0].Area+1e-9 {
					t.Errorf("%+v: the second way has more bed", p)
				}
			}
		}
	}
	if none := Divide(Plot{Length: 1, Width: 1}, WidestBed, 0.9, 0); len(none) != 0 {
		t.Errorf("%d ways on a square metre", len(none))
	}
}
