package ground_test

import (
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
)

// lived is the demo household on a day of its year, with nearly all put down that its plan
// had to begin until then, each where it grows.
func lived(t *testing.T, day civil.Date) (plan.Input, plan.Plan, ground.Input, ground.Layout) {
	t.Helper()
	in, _, _, _ := mill(t, nil)
	in.AsOf = day
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if in, _, err = in.Logged(demo.Begun(p)); err != nil {
		t.Fatal(err)
	}
	for { // until all that has ground stands where it is
		p, fit, l, err := ground.Of(in)
		if err != nil {
			t.Fatal(err)
		}
		before := len(in.Household.Placements)
		for _, s := range p.Sowings {
			if at := ground.StandsAt(fit, l, s.ID); s.InBed && at != nil {
				in.Household.Placements = append(slices.Clone(in.Household.Placements), *at)
			}
		}
		if len(in.Household.Placements) == before {
			return in, p, fit, l
		}
	}
}

// bedsOf lists in which beds a sowing lies.
func bedsOf(l ground.Layout, sowing string) (out []string) {
	for _, q := range l.Pieces {
		if q.Planting == sowing {
			out = append(out, q.Bed)
		}
	}
	slices.Sort(out)
	return slices.Compact(out)
}

// turned is an input after its year was turned: each placement in its place, as the file keeps
// them.
func turned(in plan.Input, turn ground.Turn) plan.Input {
	h := &in.Household
	h.Year, h.Beds, h.Placements = turn.Year, turn.Beds, slices.Clone(h.Placements)
	for _, at := range turn.Placements {
		if k := slices.IndexFunc(h.Placements, func(x bed.Placement) bool { return x.Sowing == at.Sowing }); k >= 0 {
			h.Placements[k] = at
		} else {
			h.Placements = append(h.Placements, at)
		}
	}
	return in
}

// A year is turned forward on random days from when the tender crops are gone to spring: what stands in the one stands
// in the other, once, in its bed; and turned back, the plan is what it was.
func TestTheTurnOfTheYearLosesAndDoublesNothing(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 31))
	stood := 0
	for range 8 {
		day := civil.Of(2027, 10, 25) + civil.Date(r.IntN(180))
		in, p, fit, l := lived(t, day)
		turn, err := ground.TurnOf(in, p, fit, l)
		if err != nil {
			t.Fatal(err)
		}
		next := turned(in, turn)
		q, _, after, err := ground.Of(next)
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range p.Sowings {
			if !s.InBed || s.Clear <= day { // what its last day is past of may be cleared or not
				continue
			}
			var twins []plan.Sowing
			for _, x := range q.Sowings {
				if x.ID == s.ID || s.Stands && x.Stands && strings.TrimPrefix(s.ID, "27") == strings.TrimPrefix(x.ID, "28") {
					twins = append(twins, x)
				}
			}
			stood++
			if len(twins) != 1 || !twins[0].InBed {
				t.Errorf("%v: %s %s stands, and in the next year %d times", day, s.CropName, s.ID, len(twins))
				continue
			}
			x := twins[0]
			if was, is := bedsOf(l, s.ID), bedsOf(after, x.ID); len(was) > 0 && !slices.Equal(was, is) {
				t.Errorf("%v: %s stood in %v and stands in %v in the next year", day, s.CropName, was, is)
			}
			if !slices.ContainsFunc(turn.Goes, func(g ground.GoesOver) bool { return g.Sowing == x.ID }) {
				t.Errorf("%v: it is not told that %s goes over", day, s.CropName)
			}
		}
		for _, x := range q.Sowings {
			if s := p.Sowing(x.ID); x.InBed && !x.Stands && (s == nil || !s.InBed) {
				t.Errorf("%v: %s stands in the next year and not in this one", day, x.CropName)
			}
		}
		back := next
		back.Household.Year--
		again, _, before, err := ground.Of(back)
		if err != nil {
			t.Fatal(err)
		}
		if !reflect.DeepEqual(again, p) || !reflect.DeepEqual(before, l) {
			t.Errorf("%v: turned forward and back the plan is another: %v, %v", day, reflect.DeepEqual(again, p), reflect.DeepEqual(before, l))
		}
	}
	if stood < 20 {
		t.Errorf("only %d plantings stood: this shows nothing", stood)
	}
}

// The families of the year that ends are kept as they stood: of what was sown or planted, in
// its bed, and not of what was only planned.
func TestFamiliesAreKeptAsTheyStood(t *testing.T) {
	in, p, fit, l := lived(t, civil.Of(2028, 1, 10))
	turn, err := ground.TurnOf(in, p, fit, l)
	if err != nil {
		t.Fatal(err)
	}
	begun := map[string]bool{}
	for _, q := range l.Pieces {
		s := p.Sowing(q.Planting)
		begun[q.Bed+q.Family] = begun[q.Bed+q.Family] || s.Begun || s.Stands
	}
	kept := map[string]bool{}
	for _, b := range turn.Beds {
		for _, s := range b.Stood {
			for _, f := range s.Families {
				if s.Year == 2027 {
					kept[b.ID+f] = true
				}
			}
		}
	}
	for at, was := range begun {
		if kept[at] != was {
			t.Errorf("%s: begun %v, kept %v", at, was, kept[at])
		}
	}
	for _, q := range l.Pieces { // and in the stretch where it stood
		s := p.Sowing(q.Planting)
		k := slices.IndexFunc(turn.Beds, func(b bed.Bed) bool { return b.ID == q.Bed })
		stretch := slices.ContainsFunc(turn.Beds[k].Stood, func(x bed.Stood) bool {
			return x.Year == 2027 && slices.Contains(x.Families, q.Family) && (x.Length == 0 || x.At <= q.At+0.01 && q.At+q.Length <= x.At+x.Length+0.01)
		})
		if (s.Begun || s.Stands) && !stretch {
			t.Errorf("%s stood at %g m of %s for %g m, and it is not kept", s.CropName, q.At, q.Bed, q.Length)
		}
	}
	if len(kept) < 11 {
		t.Errorf("%d families are kept of eleven beds", len(kept))
	}
}

// A family that stood in a stretch of a bed stays out of that stretch for its years, and of no
// other; where it stood in the whole bed, it stays out of it.
func TestAFamilyStaysOutOfItsStretch(t *testing.T) {
	c := book.Usual().Crop("potato-maincrop")
	years := int(c.RotationYears.Or(0))
	b := bed.Bed{ID: "b", Length: 10, Width: 1.2, Stood: []bed.Stood{{Year: 2027, Families: []string{c.Family}, At: 2, Length: 3}}}
	for _, x := range []struct {
		year       int
		at, length float64
		last       int
	}{
		{2028, 0, 2, 0}, {2028, 0, 2.5, 2027}, {2028, 4.9, 2, 2027}, {2028, 5, 5, 0},
		{2027 + years, 3, 1, 2027}, {2028 + years, 3, 1, 0}, {2027, 3, 1, 0},
	} {
		if last := ground.RotationOn(b, c, x.year, x.at, x.length); last != x.last {
			t.Errorf("%d, %g m from %g m: %d, want %d", x.year, x.length, x.at, last, x.last)
		}
	}
	if last := ground.Rotation(b, c, 2028); last != 0 {
		t.Errorf("a stretch bars the whole bed: %d", last)
	}
	b.Stood[0].Length = 0
	if last := ground.RotationOn(b, c, 2028, 8, 1); last != 2027 {
		t.Errorf("what stood in the whole bed bars no stretch of it: %d", last)
	}
}

// In the year after, what is laid lies nowhere over a stretch in which its family stood too
// lately, and a bed whose other stretches are free is used.
func TestTheNextYearKeepsTheRotationOfEachStretch(t *testing.T) {
	in, p, fit, l := lived(t, civil.Of(2028, 1, 10))
	turn, err := ground.TurnOf(in, p, fit, l)
	if err != nil {
		t.Fatal(err)
	}
	q, next, after, err := ground.Of(turned(in, turn))
	if err != nil {
		t.Fatal(err)
	}
	beside := 0
	for _, x := range after.Pieces {
		s := q.Sowing(x.Planting)
		k := slices.IndexFunc(turn.Beds, func(b bed.Bed) bool { return b.ID == x.Bed })
		if x.Held || slices.Contains(next.Exceptions, x.Family) {
			continue
		}
		c := book.Usual().Crop(s.Crop)
		if c == nil {
			continue // the household's own
		}
		if last := ground.RotationOn(turn.Beds[k], c, turn.Year, x.At, x.Length); last > 0 || x.Exception > 0 {
			t.Errorf("%s lies where its family stood in %d", s.CropName, last)
		}
		if ground.RotationOn(turn.Beds[k], c, turn.Year, 0, turn.Beds[k].Length) > 0 {
			beside++
		}
	}
	if beside == 0 {
		t.Error("nothing lies beside a stretch in which its family stood")
	}
}
