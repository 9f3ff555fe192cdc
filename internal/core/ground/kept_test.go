package ground

import (
	"encoding/json"
	"fmt"
	"reflect"
	"regexp"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

func crop(id string) *book.Crop { return book.Usual().Crop(id) }

// agree makes an input whose layout has been agreed to.
func agree(in Input) (Input, Layout) {
	out := Fit(in)
	in.Baseline = out.Laid()
	return in, out
}

// After agreeing, the same plan gives the same layout; a small edit moves nothing
// that need not move.
func TestFitKeepsUnaffectedPlantings(t *testing.T) {
	for i, garden := range gardens()[:8] {
		if i%2 == 1 { // with some that share ground
			garden.Pairs = book.Usual().Pairings
			for k := range garden.Plantings {
				if k%5 == 0 {
					garden.Plantings[k].Crop = crop([]string{"radish", "parsnip", "lettuce-leaf", "leek"}[k/5%4])
				}
			}
		}
		in, first := agree(garden)
		where := func(l Layout) map[string][]string {
			out := map[string][]string{}
			for _, p := range l.Pieces {
				out[p.Planting] = append(out[p.Planting], fmt.Sprintf("%s %.3f", p.Bed, p.At))
			}
			return out
		}
		before := where(first)
		same := where(Fit(in))
		for id, at := range before {
			if !reflect.DeepEqual(same[id], at) {
				t.Errorf("garden %d: nothing changed, but %s moved from %v to %v", i, id, at, same[id])
			}
		}
		// A small planting shrinks, another is gone, one comes that has room where the gone one was.
		less := in
		less.Plantings = slices.Clone(in.Plantings)
		gone := slices.IndexFunc(less.Plantings, func(p Planting) bool {
			at := slices.IndexFunc(first.Pieces, func(q Piece) bool { return q.Planting == p.ID })
			return at > len(first.Pieces)/3 && len(before[p.ID]) == 1
		})
		less.Plantings[gone].ID = "new"
		for k := range less.Plantings {
			if k != gone && k%7 == 0 && less.Plantings[k].Planted > 4 {
				less.Plantings[k].Planted--
			}
		}
		out := Fit(less)
		check(t, fmt.Sprint("garden ", i, " after an edit"), less, out)
		after := where(out)
		for id, at := range before {
			if _, there := after[id]; there && id != less.Plantings[gone].ID && !reflect.DeepEqual(after[id], at) && len(at) == len(after[id]) {
				t.Errorf("garden %d: %s moved from %v to %v", i, id, at, after[id])
			}
		}
		if _, placed := after["new"]; !placed {
			t.Errorf("garden %d: what came in place of the other has no ground", i)
		}
	}
}

// What must move says where it was agreed to stand.
func TestWhatMovedSaysSo(t *testing.T) {
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 5, Width: 1.2}, {ID: "b", Name: "B", Length: 5, Width: 1.2}},
		Plantings: []Planting{{ID: "p", Crop: crop("kale"), Planted: 16, From: spring, To: spring + 90}, {ID: "q", Crop: crop("carrot"), Planted: 40, From: spring, To: spring + 90}}}
	in, first := agree(in)
	was := first.Pieces[slices.IndexFunc(first.Pieces, func(p Piece) bool { return p.Planting == "p" })]
	k := slices.IndexFunc(in.Beds, func(b bed.Bed) bool { return b.ID == was.Bed })
	in.Beds = slices.Clone(in.Beds)
	in.Beds[k].Stands = []bed.Standing{{Name: "Leek", Length: 5, Until: spring + 30}}
	out := Fit(in)
	check(t, "something is there", in, out)
	for _, p := range out.Pieces {
		if p.Bed == was.Bed {
			t.Errorf("%+v lies where a leek stands", p)
		}
		if p.Planting == "p" && p.Was != "" && p.Was != was.Bed {
			t.Errorf("it says that it was in %s", p.Was)
		}
	}
}

// A crop that stands keeps its ground until it is cleared, and counts for the
// rotation.
func TestWhatStandsKeepsItsGround(t *testing.T) {
	onion, leek := crop("onion-bulb"), crop("leek")
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 4, Width: 1.2, Stands: []bed.Standing{{Name: "Leek", Family: leek.Family, At: 1, Length: 2, Until: spring + 20}}}}}
	in.Plantings = []Planting{{ID: "o", Crop: onion, Planted: 30, From: spring + 40, To: spring + 90}}
	if out := Fit(in); len(out.Unplaced) != 1 || out.Unplaced[0].Why.Fact != say.FamilyTooLately {
		t.Errorf("%+v", out)
	}
	in.Exceptions = []string{onion.Family}
	if out := Fit(in); len(out.Pieces) != 1 || out.Pieces[0].Exception != 2026 {
		t.Errorf("bent for the family: %+v", out.Pieces)
	}
	in.Plantings[0].Crop, in.Plantings[0].Planted = crop("carrot"), 60
	in.Plantings[0].From = spring
	for planted := 20; planted < 300; planted += 40 {
		in.Plantings[0].Planted = planted
		check(t, "beside what stands", in, Fit(in))
	}
	in.Clear = 7 // the days to clear and refill are kept after it, too
	in.Beds[0].Stands[0].At, in.Beds[0].Stands[0].Length = 0, 4
	for from, left := range map[civil.Date]int{spring + 26: 1, spring + 27: 0} {
		in.Plantings[0].From = from
		if out := Fit(in); len(out.Unplaced) != left {
			t.Errorf("from %s on: %+v", from, out.Unplaced)
		}
	}
}

// Interplanting: the short crop goes between the long one only where the pair is
// admitted, for its weeks and in its room.
func TestInterplanting(t *testing.T) {
	pair := book.Usual().Pairings[slices.IndexFunc(book.Usual().Pairings, func(p book.Pairing) bool { return p.ID == "carrot-radish" })]
	carrot, radish := crop(pair.Long), crop(pair.Short)
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "a", Name: "A", Length: 6, Width: 1.2}}}
	f := newSite(Input{Plantings: []Planting{{Crop: carrot, Planted: 1}, {Crop: radish, Planted: 1}}, Beds: in.Beds, Edge: 0.1})
	in.Plantings = []Planting{
		{ID: "long", Crop: carrot, Planted: f.holds(0, 0, 6*tenths), From: spring, To: spring + 100},
		{ID: "short", Crop: radish, Planted: f.holds(1, 0, 0.8*tenths), From: spring, To: spring + civil.Date(7*pair.WeeksTogether), Priority: 2},
	}
	if out := Fit(in); len(out.Unplaced) != 1 {
		t.Errorf("not admitted, but both have ground: %+v", out.Pieces)
	}
	in.Pairs = []book.Pairing{pair}
	out := Fit(in)
	check(t, "admitted", in, out)
	i := slices.IndexFunc(out.Pieces, func(p Piece) bool { return p.Planting == "short" })
	if i < 0 || out.Pieces[i].With != "long" || out.Pieces[i].Pair != pair.ID {
		t.Fatalf("admitted: %+v", out)
	}
	for _, w := range out.Weeks {
		if w.Taken > 6*1.2+1e-9 {
			t.Errorf("%v: %g m² taken of 7.2", w.Day, w.Taken)
		}
	}
	look, err := LookAt(in, out, "short")
	if err != nil || !strings.Contains(fmt.Sprint(look.Why), pair.Why) {
		t.Errorf("%+v, %v", look, err)
	}
	longer, wider := in, in
	longer.Plantings, wider.Plantings = slices.Clone(in.Plantings), slices.Clone(in.Plantings)
	longer.Plantings[1].To += 7
	wider.Plantings[1].Planted = f.holds(1, 0, 1.2*tenths)
	for name, in := range map[string]Input{"too long": longer, "too wide": wider} {
		if out := Fit(in); len(out.Unplaced) != 1 {
			t.Errorf("%s, but both have ground: %+v", name, out.Pieces)
		}
	}
	longer.Plantings[1].Last = longer.Plantings[1].To - 8 // its last cut is in time
	if out := Fit(longer); len(out.Unplaced) != 0 {
		t.Errorf("to its last cut it is not too long: %+v", out.Unplaced)
	}
}

// The gardens with every pair of the book admitted and with crops standing in them
// hold all rules too, and place no less.
func TestGardensShared(t *testing.T) {
	for i, in := range gardens()[:10] {
		plain := Fit(in)
		in.Pairs = book.Usual().Pairings
		for k := range in.Plantings {
			if k%3 == 0 {
				in.Plantings[k].Crop = crop([]string{"radish", "lettuce-leaf", "carrot", "leek"}[k/3%4])
			}
		}
		check(t, fmt.Sprint("shared ", i), in, Fit(in))
		for k := range in.Beds {
			if k%2 == 0 {
				in.Beds[k].Stands = []bed.Standing{{Name: "Kale", Family: "Brassicaceae", At: 1, Length: 2, Until: spring + 60}}
			}
		}
		out := Fit(in)
		check(t, fmt.Sprint("standing ", i), in, out)
		if plain.Need <= 0 || out.Placed+out.Short > out.Need+1e-6 || out.Placed+out.Short < out.Need-1e-6 {
			t.Errorf("%g placed and %g short of %g", out.Placed, out.Short, out.Need)
		}
	}
}

// Open plots and containers take plantings by their own measure.
func TestOtherGround(t *testing.T) {
	open := bed.Bed{ID: "o", Name: "Field", Kind: bed.Open, Length: 20, Width: 10}
	pots := bed.Bed{ID: "c", Name: "Pots", Kind: bed.Containers, Count: 10, Litre: 40}.Filled()
	tomato, lettuce := crop("tomato-paste"), crop("lettuce-leaf")
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{open}, Plantings: []Planting{{ID: "p", Crop: tomato, Layout: wish.Plot, Planted: 32, From: spring, To: spring + 90}}}
	out := Fit(in)
	if rows := float64((32 + int(10/(tomato.InRow.Value/100)) - 1) / int(10/(tomato.InRow.Value/100))); len(out.Pieces) != 1 || out.Pieces[0].Length < rows*tomato.RowGap.Value/100-1e-6 || out.Pieces[0].Length > rows*tomato.RowGap.Value/100+1e-6 || !out.Pieces[0].Across {
		t.Errorf("rows across a field: %+v", out)
	}
	in.Beds = []bed.Bed{pots}
	if out := Fit(in); len(out.Unplaced) != 1 || !strings.Contains(out.Unplaced[0].Why.String(), "without beds") {
		t.Errorf("a plot's planting in pots: %+v", out)
	}
	in.Plantings = []Planting{{ID: "t", Crop: tomato, Planted: 6, From: spring, To: spring + 90}, {ID: "l", Crop: lettuce, Planted: 4, From: spring, To: spring + 50}}
	out = Fit(in)
	check(t, "pots", in, out)
	length := map[string]float64{}
	for _, p := range out.Pieces {
		length[p.Planting] += p.Length
	}
	if got := length["t"] / pots.One(); got < 6-1e-6 || got > 6+1e-6 {
		t.Errorf("six tomatoes in %g pots", got)
	}
	if got := length["l"] / pots.One(); got > 4+1e-6 || got <= 0 {
		t.Errorf("four lettuces in %g pots", got)
	}
}

// Given the choice, a tall crop stands in the bed towards the pole, and in a bed
// that runs to it at that end; the other way round south of the equator.
func TestTallOnesTowardsThePole(t *testing.T) {
	rows := []bed.Bed{{ID: "front", Name: "Front", Length: 6, Width: 1.2, Climb: true}, {ID: "mid", Name: "Mid", Y: 2.1, Length: 6, Width: 1.2, Climb: true}, {ID: "back", Name: "Back", Y: 4.2, Length: 6, Width: 1.2, Climb: true}}
	beans, low := crop("pole-bean"), crop("onion-bulb")
	in := Input{Edge: 0.1, Year: 2027, Beds: rows, Plantings: []Planting{{ID: "tall", Crop: beans, Planted: 60, From: spring, To: spring + 90}}}
	where := func(in Input, id string) Piece {
		out := Fit(in)
		return out.Pieces[slices.IndexFunc(out.Pieces, func(p Piece) bool { return p.Planting == id })]
	}
	for _, c := range []struct {
		plot  bed.Plot
		south bool
		want  string
	}{{bed.Plot{}, false, "back"}, {bed.Plot{Bearing: 180}, false, "front"}, {bed.Plot{}, true, "front"}} {
		in.Bearing, in.South = map[string]float64{"": c.plot.Bearing}, c.south
		if got := where(in, "tall"); got.Bed != c.want || len(got.Drawbacks) > 0 {
			t.Errorf("%+v, south %v: it stands in %s, %v", c.plot, c.south, got.Bed, got.Drawbacks)
		}
	}
	in.Bearing, in.South = nil, false
	in.Plantings = append(in.Plantings, Planting{ID: "low", Crop: low, Planted: 80, From: spring, To: spring + 90})
	in.Placed = []bed.Placement{{Sowing: "tall", Bed: "mid"}, {Sowing: "low", Bed: "back"}}
	if got := where(in, "tall"); !slices.Contains(got.Drawbacks, say.That(say.Shades{Bed: "Back"})) {
		t.Errorf("tall before low: %v", got.Drawbacks)
	}
	in.Beds, in.Placed = []bed.Bed{{ID: "n", Length: 12, Width: 1.2, Turned: true, Climb: true}}, nil
	if tall, low := where(in, "tall"), where(in, "low"); tall.At < low.At {
		t.Errorf("in one bed that runs north the tall one is at %g m, the low one at %g m", tall.At, low.At)
	}
}

// What was really sown stays where it was sown, in its pieces, whatever the rest of
// the plan does, and though its family may not be there.
func TestWhatIsSownStays(t *testing.T) {
	for _, garden := range gardens()[:8] {
		l := Fit(garden)
		in := garden
		want := map[string][]Piece{}
		for i, p := range in.Plantings {
			if i%4 == 0 {
				if at := StandsAt(in, l, p.ID); at != nil {
					in.Placed = append(in.Placed, *at)
				}
			}
		}
		for _, p := range l.Pieces {
			want[p.Planting] = append(want[p.Planting], p)
		}
		// The rest comes in another order, some of it twice as large; every bed has seen its family.
		in.Plantings = slices.Clone(in.Plantings)
		in.Beds = slices.Clone(in.Beds)
		in.Seed += 99
		for i := range in.Plantings {
			if i%4 == 1 {
				in.Plantings[i].Planted *= 2
			}
		}
		for k := range in.Beds {
			in.Beds[k].Stood = []bed.Stood{{Year: 2026, Families: []string{in.Plantings[0].Crop.Family}}}
		}
		stand := 0
		for _, p := range Fit(in).Pieces {
			if !p.Stands {
				continue
			}
			stand++
			if !slices.ContainsFunc(want[p.Planting], func(q Piece) bool { return q.Bed == p.Bed && q.At == p.At && q.Planted == p.Planted }) {
				t.Errorf("%s was sown at %+v and lies at %s %g", p.Planting, want[p.Planting], p.Bed, p.At)
			}
			if again := StandsAt(in, Fit(in), p.Planting); again != nil {
				t.Errorf("%s stands twice: %+v", p.Planting, again)
			}
		}
		if stand < len(in.Placed) || len(in.Placed) == 0 {
			t.Errorf("%d pieces stand of %d sowings", stand, len(in.Placed))
		}
	}
}

// An early and a late climber share the one trellis, one after the other.
func TestClimbersShareATrellis(t *testing.T) {
	in := Input{Edge: 0.1, Year: 2027, Beds: []bed.Bed{{ID: "bare", Length: 6, Width: 1.2}, {ID: "wire", Length: 6, Width: 1.2, Y: 5, Climb: true}}}
	in.Plantings = []Planting{{ID: "late", Crop: crop("pole-bean"), Planted: 40, From: spring + 90, To: spring + 170}, {ID: "early", Crop: crop("snap-pea"), Planted: 60, From: spring, To: spring + 85}}
	for _, p := range Fit(in).Pieces {
		if p.Bed != "wire" || len(p.Drawbacks) > 0 {
			t.Errorf("%+v", p)
		}
	}
}

// bare is a length that is not marked.
var bare = regexp.MustCompile(`[0-9] (m|cm)\b`)

// A look at a planting gives every bed once, the best first, and reasons.
func TestLookAtListsEveryBed(t *testing.T) {
	in := gardens()[4]
	in.Beds[2].Stood = []bed.Stood{{Year: 2026, Families: book.Usual().Families()}}
	l := Fit(in)
	for _, p := range l.Pieces {
		look, err := LookAt(in, l, p.Planting)
		if err != nil || len(look.Choices) != len(in.Beds) || len(look.Why) == 0 {
			t.Fatalf("%+v, %v", look, err)
		}
		for _, words := range look.Why { // lengths are read in the reader's own units
			if bare.MatchString(words.String()) || strings.Contains(amount.Render(words.String(), amount.US), "|") {
				t.Errorf("%q", words)
			}
		}
		for i, c := range look.Choices {
			if bare.MatchString(c.Refused.String() + fmt.Sprint(c.Drawbacks)) {
				t.Errorf("%s: %s %v", c.Name, c.Refused, c.Drawbacks)
			}
			if i > 0 && c.class() < look.Choices[i-1].class() {
				t.Errorf("%s comes after %s", c.Name, look.Choices[i-1].Name)
			}
			if c.Bed == in.Beds[2].ID && c.Exception != 2026 && c.Refused.IsZero() {
				t.Errorf("%s: %+v", p.Planting, c)
			}
			if c.class() == 0 { // what is free is free: put there, nothing else moves
				at := c.Free[0].From
				for _, q := range l.Pieces {
					if q.Planting != p.Planting && q.Bed == c.Bed && q.From < p.To && p.From < q.To && q.At < at+c.Length-1e-6 && at < q.At+q.Length-1e-6 {
						t.Errorf("%s at %g in %s lies over %+v", p.Planting, at, c.Bed, q)
					}
				}
			}
		}
	}
	if _, err := LookAt(in, l, "nothing"); err == nil {
		t.Error("there is no such planting")
	}
}

// A thousand beds are fitted too.
func TestAThousandBeds(t *testing.T) {
	in := Input{Edge: 0.1, Year: 2027, Steps: 5}
	for k := range 1000 {
		in.Beds = append(in.Beds, bed.Bed{ID: fmt.Sprint(k), Length: 2, Width: 1.2, Y: float64(k) * 2})
	}
	in.Plantings = []Planting{{ID: "long", Crop: crop("carrot"), Planted: 100000, From: spring, To: spring + 90}, {ID: "p", Crop: crop("kale"), Planted: 4, From: spring, To: spring + 90}}
	out := Fit(in)
	check(t, "a thousand beds", in, out)
	if len(out.Unplaced) != 1 || out.Unplaced[0].Planting != "long" {
		t.Errorf("%+v", out.Unplaced)
	}
}

// FuzzFit holds layouts of whatever garden to what must never be.
func FuzzFit(f *testing.F) {
	f.Add(uint64(1), uint8(3), uint8(20), true)
	f.Add(uint64(7), uint8(1), uint8(9), false)
	f.Fuzz(func(t *testing.T, seed uint64, beds, plantings uint8, full bool) {
		in := garden(seed, 1+int(beds%6), 2+int(plantings%30), full)
		in.Steps, in.Pairs = 40, book.Usual().Pairings
		out := Fit(in)
		check(t, "fuzzed", in, out)
		again, err := json.Marshal(Fit(in))
		if first, _ := json.Marshal(out); err != nil || string(first) != string(again) {
			t.Fatal("the same garden is laid out otherwise")
		}
	})
}
