package ground

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"inventory/internal/core/supply"
	"inventory/internal/core/wish"
)

// Less of a wish: a full load of jars, or a quarter; never more, never nothing.
func TestLessOfAWish(t *testing.T) {
	for _, c := range []struct {
		kind   wish.AmountKind
		number float64
		load   *plan.Load
		want   float64
		words  string
	}{
		{wish.Jars, 28, &plan.Load{Jars: 7, Below: 28, Above: 28}, 21, "21 jars instead of 28"},
		{wish.Jars, 30, &plan.Load{Jars: 7, Below: 28, Above: 35}, 28, "28 jars instead of 30"},
		{wish.Jars, 7, &plan.Load{Jars: 7, Below: 7, Above: 7}, 5, "5 jars instead of 7"},
		{wish.Meals, 2, nil, 1.5, "1.5 meals a week instead of 2"},
		{wish.Meals, 0.1, nil, 0, ""},
		{wish.PiecesYear, 60, nil, 45, "45 pieces a year instead of 60"},
		{wish.DriedKg, 4, nil, 3, "a quarter less"},
		{wish.WeightYear, 1, nil, 0.75, "a quarter less"},
	} {
		got, words := less(wish.Wish{Amount: wish.Amount{Kind: c.kind, Number: c.number}}, plan.Wish{Load: c.load})
		if got != c.want || say.That(words).String() != c.words {
			t.Errorf("%g of %s: %g, %q; want %g, %q", c.number, c.kind, got, words, c.want, c.words)
		}
	}
}

// A bed that is proposed lies on the plot with a path to every other one; where
// there is no room, none is.
func TestWhereAnotherBedFits(t *testing.T) {
	beds := []bed.Bed{{ID: "a", X: 1, Y: 1, Length: 8, Width: 1.2}, {ID: "b", X: 1, Y: 3.1, Length: 4, Width: 1.2}}
	for _, plot := range []*bed.Plot{nil, {Length: 10, Width: 8}, {Length: 10, Width: 6.5}} {
		found := false
		for _, y := range steps(plot, beds, false) {
			for _, x := range steps(plot, beds, true) {
				b := bed.Bed{X: x, Y: y, Length: 2.5, Width: 1.2}
				if !fitsOn(plot, beds, b) {
					continue
				}
				found = true
				if plot != nil && (x+2.5 > plot.Length || y+1.2 > plot.Width) {
					t.Errorf("%+v lies off the plot", b)
				}
				for _, o := range beds {
					if x < o.X+o.Length+bed.PathWidth-1e-9 && o.X < x+2.5+bed.PathWidth-1e-9 && y < o.Y+o.Width+bed.PathWidth-1e-9 && o.Y < y+1.2+bed.PathWidth-1e-9 {
						t.Errorf("%+v has no path to %s", b, o.ID)
					}
				}
			}
		}
		if !found {
			t.Errorf("no room for a bed on %+v", plot)
		}
	}
	tight := &bed.Plot{Length: 10, Width: 2.4}
	for _, x := range steps(tight, beds[:1], true) {
		if fitsOn(tight, beds[:1], bed.Bed{X: x, Y: 0, Length: 2.5, Width: 1.2}) {
			t.Errorf("a bed at %g lies on the path of the other", x)
		}
	}
}

// What has no ground finds some when another is cleared.
func TestTheFirstLaterDay(t *testing.T) {
	kale := crop("kale")
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: 1.2}}}
	f := newLaying(newSite(Input{Plantings: []Planting{{Crop: kale, Planted: 1}}, Beds: in.Beds, Edge: 0.1}))
	all := f.holds(0, 0, 4*tenths)
	in.Plantings = []Planting{{ID: "first", Crop: kale, Planted: all, From: spring, To: spring + 30}, {ID: "second", Crop: kale, Planted: all, From: spring + 10, To: spring + 60, Priority: 2}}
	f = newLaying(newSite(in))
	f.lay(0, 0, 0, f.whole[0][0], all)
	if by, k := f.firstLater(1); by != 21 || k != 0 { // the first third day on which it is free
		t.Errorf("by %d days in bed %d", by, k)
	}
	in.Plantings[0].To = spring + 200
	f = newLaying(newSite(in))
	f.lay(0, 0, 0, f.whole[0][0], all)
	if by, _ := f.firstLater(1); by != 0 {
		t.Errorf("by %d days, though nothing is cleared", by)
	}
}

// By week, what is taken is the ground of the pieces that stand, what is short that
// of those left out, and never is more taken than there is.
func TestTheWeeksAddUp(t *testing.T) {
	for i, in := range gardens()[:6] {
		l := Fit(in)
		width := map[string]float64{}
		owned := 0.0
		for _, b := range in.Beds {
			width[b.ID] = b.Width
			owned += b.Area()
		}
		if math.Abs(l.Owned-owned) > 1e-9 || math.Abs(l.Need-l.Placed-l.Short) > 1e-6 {
			t.Errorf("garden %d: %g of %g owned, %g needed, %g placed, %g short", i, l.Owned, owned, l.Need, l.Placed, l.Short)
		}
		left := map[string]bool{}
		for _, x := range l.Unplaced {
			left[x.Planting] = true
		}
		for _, w := range l.Weeks {
			taken, short := 0.0, 0
			for _, p := range l.Pieces {
				if p.From <= w.Day+3 && w.Day+3 < p.To {
					taken += p.Length * width[p.Bed]
				}
			}
			for _, p := range in.Plantings {
				if left[p.ID] && p.From <= w.Day+3 && w.Day+3 < p.To {
					short++
				}
			}
			if math.Abs(w.Taken-taken) > 1e-6 || w.Taken > owned+1e-6 || w.Short > 0 != (short > 0) {
				t.Errorf("garden %d, %v: %g taken, want %g of %g; %g short of %d plantings", i, w.Day, w.Taken, taken, owned, w.Short, short)
			}
		}
	}
}

// How the plants of a piece lie: as many as it holds, in rows, across, in a block,
// in pots.
func TestSpacingHoldsThePlants(t *testing.T) {
	field := bed.Bed{ID: "f", Kind: bed.Open, Length: 12, Width: 6}
	pots := bed.Bed{ID: "p", Kind: bed.Containers, Count: 20, Litre: 60}.Filled()
	raised := bed.Bed{ID: "r", Length: 8, Width: 1.2}
	for _, c := range []struct {
		bed    bed.Bed
		layout wish.Layout
		crop   string
	}{{raised, wish.Rows, "carrot"}, {raised, wish.Across, "sweet-corn-late"}, {raised, wish.Block, "lettuce-head"}, {field, wish.Plot, "winter-squash"}, {pots, wish.Rows, "pepper-sweet"}} {
		in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{c.bed}, Plantings: []Planting{{ID: "p", Crop: crop(c.crop), Layout: c.layout, Planted: 17, From: spring, To: spring + 90}}}
		l := Fit(in)
		if len(l.Pieces) != 1 {
			t.Errorf("%s %s: %+v", c.layout, c.crop, l.Unplaced)
			continue
		}
		p := l.Pieces[0]
		steps := p.Length / p.Plant
		if p.Across {
			steps = p.Length / p.Line
			if c.bed.Kind == bed.Containers {
				steps = p.Length / c.bed.One()
			}
		}
		if p.Lines < 1 || p.Line <= 0 || p.Plant <= 0 || math.Round(steps)*float64(p.Lines) < 17 || p.Shifted != (c.layout == wish.Block) {
			t.Errorf("%s %s: 17 plants in %+v", c.layout, c.crop, p)
		}
	}
}

// Lines are laid anew where what follows on the same ground has another number of
// them, and only there.
func TestLinesAreLaidAnew(t *testing.T) {
	b := bed.Bed{ID: "a", Name: "A", Length: 6, Width: 1.2}
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{b}, Plantings: []Planting{{ID: "c", Crop: crop("carrot")}, {ID: "k", Crop: crop("kale")}, {ID: "b", Crop: crop("pole-bean")}}}
	pieces := []Piece{
		{Planting: "c", Bed: "a", Length: 3, Planted: 40, Lines: 4, Line: 0.3, Plant: 0.05, From: spring, To: spring + 60},
		{Planting: "k", Bed: "a", Length: 3, Planted: 10, Lines: 2, Line: 0.5, Plant: 0.5, From: spring + 67, To: spring + 120},
		{Planting: "b", Bed: "a", At: 3, Length: 3, Planted: 20, Lines: 2, Line: 0.7, Plant: 0.15, From: spring + 20, To: spring + 90},
	}
	crops := []supply.Crop{}
	for _, p := range pieces {
		crops = append(crops, in.crop(b, p))
	}
	got := in.lines(b, pieces, crops, bed.UsualCustoms())
	if len(got.Relays) != 1 || got.Relays[0] != (supply.Relay{Day: (civil.Date(spring) + 67).String(), Crop: "Kale", From: 4, To: 2}) {
		t.Errorf("%+v", got.Relays)
	}
	// The beans climb two rows of 3 m, each on three posts.
	if got.Drip != 3*4+3*2 || got.Emitters != 60 || got.Trellis != 6 || got.Posts != 6 || strings.Join(got.For, " ") != "Pole bean" {
		t.Errorf("%+v", got)
	}
	field := bed.Bed{ID: "f", Kind: bed.Open, Length: 20, Width: 5}
	rows := []Piece{{Planting: "b", Bed: "f", Length: 2.8, Planted: 120, Lines: 33, Line: 0.7, Plant: 0.15, Across: true, From: spring, To: spring + 60}}
	if got := in.lines(field, rows, []supply.Crop{in.crop(field, rows[0])}, bed.UsualCustoms()); got.Drip != 20 || got.Trellis != 20 || got.Posts != 12 || len(got.Relays) != 0 {
		t.Errorf("four rows across a field of 5 m: %+v", got)
	}
	corn := []Piece{{Planting: "k", Bed: "a", Length: 3, Planted: 20, Lines: 5, Line: 0.75, Plant: 0.25, Across: true, From: spring, To: spring + 60}}
	if got := in.lines(b, corn, []supply.Crop{in.crop(b, corn[0])}, bed.UsualCustoms()); got.Drip != 12 || got.Posts != 0 {
		t.Errorf("rows across a bed of 1.2 m: %+v", got)
	}
	if crops[0].Rows != 12 || crops[1].Feed == "" || math.Abs(crops[2].Area-3.6) > 1e-9 {
		t.Errorf("%+v", crops)
	}
}
