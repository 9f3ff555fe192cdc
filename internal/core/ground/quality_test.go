package ground

import (
	"encoding/json"
	"flag"
	"fmt"
	"math"
	"os"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
)

// hardGarden makes up a garden in which not everything fits: beds of unequal lengths and
// widths, some in part shade, families that may not return to some beds, and plantings of
// every length of time that together want about as much as there is.
func hardGarden(seed uint64) Input {
	d := draws(seed*2654435761 + 17)
	in := Input{Edge: 0.1, Year: 2027, Seed: seed}
	crops := []string{"bush-bean", "beet", "lettuce-head", "onion-bulb", "broccoli", "spinach", "carrot", "kale", "tomato-slicer", "pepper-sweet", "leek", "cucumber-slicing", "potato-early", "pea-shelling", "cabbage-storage"}
	var known []*book.Crop
	for _, id := range crops {
		if c := book.Usual().Crop(id); c != nil {
			known = append(known, c)
		}
	}
	beds := 5 + d.below(8)
	area := 0.0
	for k := range beds {
		b := bed.Bed{ID: fmt.Sprintf("b%d", k), Name: fmt.Sprint(k), Width: []float64{0.75, 0.9, 1.2, 1.5}[d.below(4)], Length: 2.5 + float64(d.below(16))/2, Y: float64(2 * k)}
		if d.below(4) == 0 {
			b.Sun = "part"
		}
		for range d.below(3) {
			b.Stood = append(b.Stood, bed.Stood{Year: 2025 + d.below(2), Families: []string{known[d.below(len(known))].Family}})
		}
		area += b.Area()
		in.Beds = append(in.Beds, b)
	}
	want := 0.0
	for n := 0; want < area*200*1.05; n++ { // 200 days of the season, and a little more than there is
		from := d.below(150)
		p := Planting{ID: fmt.Sprintf("p%03d", n), Crop: known[d.below(len(known))], From: spring + civil.Date(from), Priority: d.below(3)}
		p.To = p.From + civil.Date(40+d.below(100))
		p.Last = p.To - 8
		f := newSite(Input{Plantings: []Planting{p}, Beds: in.Beds[:1], Edge: in.Edge})
		p.Planted = max(1, f.holds(0, 0, (10+d.below(40))*tenths/10))
		in.Plantings = append(in.Plantings, p)
		want += float64(p.Planted) * p.Crop.InRow.Value * p.Crop.RowGap.Value / 10000 * float64(p.To-p.From)
	}
	return in
}

// valueOf is what a layout places, each planting by how much it is wanted: what the search
// seeks.
func valueOf(in Input, l Layout) (v float64) {
	left := map[string]float64{}
	for _, u := range l.Unplaced {
		left[u.Planting] = u.Need
	}
	f := newSite(in)
	for i, p := range in.Plantings {
		v += (f.need(i) - left[p.ID]) * float64(worthOf[p.Priority])
	}
	return v
}

// In ten hard gardens the fit finds 97 % of the best that is known, which is the best of
// what thirty times as many steps find; and nothing is ever above the bound.
func TestTheFitIsNearTheBestKnown(t *testing.T) {
	best := bestKnown(t)
	for seed := range uint64(10) {
		in := hardGarden(seed)
		l := Fit(in)
		check(t, fmt.Sprint("garden ", seed), in, l)
		if v := valueOf(in, l); v < 0.97*best[seed] {
			t.Errorf("garden %d: %.1f %% of the best known", seed, 100*v/best[seed])
		}
		if l.Placed > l.Most+1e-6 || l.Most > l.Need+1e-6 {
			t.Errorf("garden %d: %g placed, at most %g of %g", seed, l.Placed, l.Most, l.Need)
		}
	}
}

var renew = flag.Bool("renew", false, "search for the best known layouts again and write them")

// bestKnown returns the value of the best known layout of each hard garden. They are kept in
// testdata, since it takes half a minute to find them: go test ./internal/core/ground -renew
func bestKnown(t *testing.T) (best []float64) {
	t.Helper()
	const file = "testdata/best.json"
	if *renew {
		for seed := range uint64(10) {
			in := hardGarden(seed)
			v := valueOf(in, Fit(in))
			for s := range uint64(3) {
				in.Steps, in.Seed = 45_000, s+1
				v = max(v, valueOf(in, Fit(in)))
			}
			best = append(best, math.Round(v))
		}
		text, err := json.Marshal(best)
		if err != nil {
			t.Fatal(err)
		}
		if err := os.MkdirAll("testdata", 0o755); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(file, append(text, '\n'), 0o644); err != nil {
			t.Fatal(err)
		}
		return best
	}
	text, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	if err := json.Unmarshal(text, &best); err != nil {
		t.Fatal(err)
	}
	return best
}
