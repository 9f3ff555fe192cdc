package bed

import (
	"testing"

	"inventory/internal/core/invalid"
)

// Beds of which only the measures are known get a name and a place; none lies over another or off the plot, also
// beside beds that are there.
func TestLayOutFindsAPlaceForEveryBed(t *testing.T) {
	var add []Bed
	for i := range 21 {
		add = append(add, Bed{Length: 4 + float64(i%3), Width: 1.2})
	}
	plot, first := LayOut(nil, nil, add)
	plot, more := LayOut(&plot, first, []Bed{{Length: 30, Width: 0.75}})
	all := append(first, more...)
	names := map[string]bool{}
	for i := range all {
		all[i].ID = all[i].Name
		names[all[i].Name] = true
	}
	check := invalid.NewCheck()
	plot.Validate(check)
	ValidateAll(check, &plot, nil, all)
	if err := check.Err(); err != nil {
		t.Error(err)
	}
	if len(names) != 22 {
		t.Errorf("%d names for 22 beds", len(names))
	}
	if milli(first[1].Y-first[0].Y) != milli(1.2+PathWidth) || first[8].Y != first[0].Y {
		t.Errorf("the second bed lies at %g, the ninth at %g, %g", first[1].Y, first[8].X, first[8].Y)
	}
}
