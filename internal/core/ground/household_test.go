package ground_test

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"math"
	"reflect"
	"slices"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
	"inventory/internal/exchange"
)

// mill is the demo household in January.
func mill(t testing.TB, change func(*household.Household)) (plan.Input, plan.Plan, ground.Input, ground.Layout) {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	if change != nil {
		change(&h)
	}
	in := plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h, Memory: &plan.Memory{}}
	p, fit, l, err := ground.Of(in)
	if err != nil {
		t.Fatal(err)
	}
	return in, p, fit, l
}

// The demo household, which admits the interplantings that are usual in its garden,
// shares at least four grounds, each within the limits of its pair.
func TestTheDemoSharesGround(t *testing.T) {
	_, _, fit, l := mill(t, nil)
	shared := 0
	for _, p := range l.Pieces {
		if p.With == "" {
			continue
		}
		shared++
		pair := fit.Pairs[slices.IndexFunc(fit.Pairs, func(q book.Pairing) bool { return q.ID == p.Pair })]
		short := fit.Plantings[slices.IndexFunc(fit.Plantings, func(q ground.Planting) bool { return q.ID == p.Planting })]
		long := fit.Plantings[slices.IndexFunc(fit.Plantings, func(q ground.Planting) bool { return q.ID == p.With })]
		if weeks := float64(min(short.Last+1, long.To)-max(short.From, long.From)) / 7; weeks > pair.WeeksTogether {
			t.Errorf("%s stands with %s for %g weeks, at most %g", p.Planting, p.With, weeks, pair.WeeksTogether)
		}
	}
	if shared < 4 {
		t.Errorf("%d plantings share ground", shared)
	}
}

// Every way out does what it says: the household changed as it says has that much
// less short. What costs nothing comes first.
func TestWaysOutOfAShortage(t *testing.T) {
	in, p, fit, l := mill(t, func(h *household.Household) { h.Beds = h.Beds[:7]; h.Customs = nil })
	if l.Short <= 0 {
		t.Fatal("seven beds are enough, so there is nothing to test")
	}
	ways, err := ground.Remedies(context.Background(), in, p, fit, l, nil)
	if err != nil || len(ways) < 5 {
		t.Fatalf("%d ways, %v", len(ways), err)
	}
	commands := map[plan.Command]bool{}
	for i, w := range ways {
		if i > 0 && (ways[i-1].Costs() && !w.Costs() || ways[i-1].Costs() == w.Costs() && w.Gains > ways[i-1].Gains+0.1) || w.Gains <= 0 || math.Abs(l.Short-w.Short-w.Gains) > 1e-6 {
			t.Errorf("%+v", w)
		}
		commands[w.Command] = true
		if fewer := strings.Contains(w.Words.String(), "instead of") && w.Command == "change-wish"; (fewer || w.Command == "remove-wish") && !w.Less {
			t.Errorf("%s: it does not say that less is wished for", w.Words)
		}
		changed := in
		h := &changed.Household
		switch w.Command {
		case "change-wish":
			h.Wishes = slices.Clone(h.Wishes)
			k := slices.IndexFunc(h.Wishes, func(x wish.Wish) bool { return x.ID == w.Wish.ID })
			h.Wishes[k] = *w.Wish
		case "remove-wish":
			h.Wishes = slices.DeleteFunc(slices.Clone(h.Wishes), func(x wish.Wish) bool { return x.ID == w.Target })
		case "set-customs":
			h.Customs = w.Customs
		case "overrule":
			h.Overrules = append(slices.Clone(h.Overrules), *w.Overrule)
		case "log":
			out, err := plan.Log(in, *w.Event)
			if err != nil {
				t.Errorf("%s: %v", w.Words, err)
				continue
			}
			h.Plantings = append(slices.Clone(h.Plantings), *out.Planting)
		case "add-bed":
			b := *w.Bed
			b.ID = "another"
			h.Beds = append(slices.Clone(h.Beds), b)
		default:
			t.Errorf("%q is no command that can be pressed", w.Command)
			continue
		}
		_, _, after, err := ground.Of(changed)
		if err != nil || math.Abs(after.Short-w.Short) > 1e-6 {
			t.Errorf("%s: it says %.2f m² weeks are left short, they are %.2f (%v)", w.Words, w.Short, after.Short, err)
		}
	}
	for _, c := range []plan.Command{plan.ChangeWish, plan.RemoveWish, plan.AddBed} {
		if !commands[c] {
			t.Errorf("no way by %s among %d", c, len(ways))
		}
	}
	in, p, fit, l = mill(t, func(h *household.Household) { h.Wishes = h.Wishes[:1] })
	if ways, err := ground.Remedies(context.Background(), in, p, fit, l, nil); err != nil || len(ways) != 0 || l.Short != 0 {
		t.Errorf("nothing is short, but there are %d ways (%v)", len(ways), err)
	}
}

// Whatever can still go into a free stretch fits it, is ready before the next one
// comes, and is not begun in the past.
func TestWhatCanStillGoIn(t *testing.T) {
	in, p, fit, l := mill(t, nil)
	found, wished, green, under := 0, 0, 0, 0
	for _, b := range fit.Beds {
		for _, day := range []civil.Date{civil.Of(2027, 1, 12), civil.Of(2027, 6, 20), civil.Of(2027, 8, 10)} {
			free, err := ground.StillGoes(in, p, fit, l, b.ID, day)
			if err != nil {
				t.Fatal(err)
			}
			for _, f := range free {
				if f.From < 0 || f.To > b.Length+1e-6 || f.Under == "" && f.To-f.From < 0.5-1e-6 {
					t.Errorf("%s: %+v", b.Name, f.Stretch)
				}
				for _, g := range f.Green {
					green++
					if g.Sow < day || g.Until <= g.Sow || g.Ready < g.Until || f.Until != 0 && g.Ready > f.Until || g.Seed <= 0 {
						t.Errorf("%s, %v to %v: %+v", b.Name, day, f.Until, g)
					}
				}
				if f.Under != "" {
					under++
					continue
				}
				for _, q := range l.Pieces {
					if q.Bed == b.ID && q.From <= day && day < q.To && q.At < f.To-1e-6 && f.From < q.At+q.Length-1e-6 {
						t.Errorf("%s on %v: %s is there", b.Name, day, q.Planting)
					}
				}
				for _, g := range f.CanFollow {
					found++
					if g.Of != "" {
						wished++
					}
					if g.Plants <= 0 || g.Gives <= 0 || g.Sow < in.AsOf || g.In < day || g.First < g.In || g.Last < g.First || f.Until != 0 && g.Last >= f.Until {
						t.Errorf("%s, %v to %v: %+v", b.Name, day, f.Until, g)
					}
				}
			}
		}
	}
	if found < 25 || wished == 0 || green < 20 || under == 0 {
		t.Errorf("only %d crops can go in, %d of them wished, and %d green manures; %d stretches to sow under", found, wished, green, under)
	}
	if _, err := ground.StillGoes(in, p, fit, l, "nowhere", in.AsOf); err == nil {
		t.Error("there is no such bed")
	}
}

// What the ground is given adds up: the recipe over all beds, litres by week, lines
// by bed; what brings too much is flagged.
func TestNeedsAddUp(t *testing.T) {
	in, p, fit, l := mill(t, func(h *household.Household) {
		u := bed.UsualCustoms()
		u.Materials = []bed.Material{{ID: "c", Name: "Compost", Over: "beds", Depth: 0.03, Bulk: 1, BulkPrice: 40, Bag: 40, BagPrice: 5}, {ID: "w", Name: "Wood chip", Over: "paths", Depth: 0.08, Bulk: 1, Bag: 60}}
		u.Recipe = []bed.Amendment{{ID: "a", Name: "Compost", Amount: 5, Unit: "kg", Per: 1, Of: "m²", Nitrogen: 0.003}, {ID: "m", Name: "Manure", Amount: 3, Unit: "kg", Per: 1, Of: "m²", Nitrogen: 0.006, Manure: true}}
		u.Barrels, u.Roof = 1200, 60
		h.Customs = &u
	})
	n := ground.NeedsOf(in.Household, p, fit, l)
	area := 0.0
	for _, b := range in.Household.Beds {
		area += b.Area()
	}
	if math.Abs(n.BedArea-area) > 1e-9 || math.Abs(n.Orders[0].Cubic-area*0.03) > 1e-9 || math.Abs(n.Orders[1].Area-(in.Household.Plot.Length*in.Household.Plot.Width-area)) > 1e-9 {
		t.Errorf("%g m² of bed: %+v", area, n.Orders)
	}
	if math.Abs(n.Dose[0].Kg-5*area) > 1e-6 {
		t.Errorf("%g kg of compost", n.Dose[0].Kg)
	}
	much, drip, give := 0, 0.0, 0.0
	for _, f := range n.Fed {
		if f.Much {
			much++
		}
		if math.Abs(f.Brings-33) > 1e-6 || f.Takes < 0 {
			t.Errorf("%+v", f)
		}
	}
	for _, b := range n.Lines {
		drip += b.Drip
		for i, r := range b.Relays {
			if r.From == r.To || i > 0 && r.Day < b.Relays[i-1].Day {
				t.Errorf("%s: %+v", b.Name, r)
			}
		}
	}
	for _, w := range n.Water {
		give += w.Give
	}
	if much == 0 || math.Abs(drip-n.Drip) > 1e-9 || math.Abs(give-n.Litres) > 1e-6 || n.Tap > n.Litres || n.Litres <= 0 || len(n.Water) != 52 {
		t.Errorf("%d beds with too much, %g m of line, %g litres of which %g from the tap", much, n.Drip, n.Litres, n.Tap)
	}
	for _, id := range []string{"raw-manure", "buried-utilities", "rain-barrel", "herbicide-residue"} {
		if !slices.Contains(n.Cautions, id) {
			t.Errorf("no warning %s among %s", id, strings.Join(n.Cautions, ", "))
		}
	}
	plain := ground.NeedsOf(household.Household{}, plan.Plan{}, ground.Input{}, ground.Layout{})
	if text, err := json.Marshal(plain); err != nil || strings.Contains(string(text), "null") {
		t.Errorf("of nothing: %s", text)
	}
}

// An edit that touches no ground gives the same input; one that does, another.
func TestSameGround(t *testing.T) {
	_, _, first, _ := mill(t, nil)
	_, _, noted, _ := mill(t, func(h *household.Household) { h.Wishes[0].Note = "Sweeter ones."; h.Members[0].Name = "Wenda" })
	_, _, longer, _ := mill(t, func(h *household.Household) { h.Beds[0].Length++ })
	_, _, fewer, _ := mill(t, func(h *household.Household) { h.Wishes = h.Wishes[1:] })
	if !ground.Same(first, noted) {
		t.Error("a note moves the ground")
	}
	if ground.Same(first, longer) || ground.Same(first, fewer) {
		t.Error("other ground, or other plantings, count as the same")
	}
}

func BenchmarkFitDemo(b *testing.B) {
	_, _, fit, _ := mill(b, nil)
	b.ReportMetric(float64(len(fit.Plantings)), "plantings")
	for b.Loop() {
		ground.Fit(fit)
	}
}

func BenchmarkWays(b *testing.B) {
	in, p, fit, l := mill(b, func(h *household.Household) { h.Beds = h.Beds[:8] })
	for b.Loop() {
		if _, err := ground.Remedies(context.Background(), in, p, fit, l, nil); err != nil {
			b.Fatal(err)
		}
	}
}

// Searching on finds a layout in which more lies, says how much, and laid out by it the
// ground holds that much; the same question has the same answer, whichever seed ends first.
func TestSearchingOnFindsABetterLayout(t *testing.T) {
	in, _, fit, _ := mill(t, func(h *household.Household) { h.Beds = h.Beds[:8]; h.Customs = nil })
	few := fit
	few.Steps = 20 // a layout that can be bettered
	l := ground.Fit(few)
	found, err := ground.Better(context.Background(), in, fit, l)
	if err != nil || len(found) != 1 {
		t.Fatalf("%v, %v", found, err)
	}
	r := found[0]
	again, _ := ground.Better(context.Background(), in, fit, l)
	if !reflect.DeepEqual(found, again) {
		t.Error("asked again it finds another layout")
	}
	taken, err := in.With(r.Change)
	if err != nil {
		t.Fatal(err)
	}
	_, _, after, err := ground.Of(taken)
	if err != nil || r.Gains < 0.5 || math.Abs(l.Short-r.Gains-r.Short) > 1e-6 || after.Short > r.Short+1e-6 {
		t.Errorf("%v m² weeks are short; it gains %v, leaves %v, and taken %v are short (%v)", l.Short, r.Gains, r.Short, after.Short, err)
	}
	moved := 0
	for _, p := range after.Pieces {
		if p.Was != "" {
			moved++
		}
	}
	if moved > 0 {
		t.Errorf("%d pieces do not lie where the layout taken has them", moved)
	}
	ended, end := context.WithCancel(context.Background())
	end()
	if _, err := ground.Better(ended, in, fit, l); !errors.Is(err, context.Canceled) {
		t.Errorf("nobody waits, but it searches on: %v", err)
	}
	l.Short = 0
	if found, err := ground.Better(context.Background(), in, fit, l); err != nil || len(found) != 0 {
		t.Errorf("nothing is short, but it finds %v (%v)", found, err)
	}
}

// A bed in a hollow has frost longer: what is planted out there before that is out of season,
// and the fit puts it in another bed where one is free.
func TestAColdBedIsNotForWhatIsPlantedEarly(t *testing.T) {
	_, _, fit, l := mill(t, func(h *household.Household) {
		w := wish.Wish{ID: "t", Food: "tomato", Variety: "tomato-slicing", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Plants, Number: 6}}
		w.Fill()
		h.Wishes, h.Plantings, h.Placements, h.Patches, h.Baseline, h.Plot = []wish.Wish{w}, nil, nil, nil, nil, nil
		h.Beds = []bed.Bed{{ID: "hollow", Name: "Hollow", Length: 8, Width: 1.2, Climb: true, Warmth: place.Warmth{Warmer: -3}}, {ID: "high", Name: "High", Y: 3, Length: 8, Width: 1.2, Climb: true}}
	})
	if len(l.Pieces) != 1 || l.Pieces[0].Bed != "high" || len(l.Pieces[0].Drawbacks) > 0 {
		t.Fatalf("tomatoes stand in %+v", l.Pieces)
	}
	fit.Placed = []bed.Placement{{Sowing: l.Pieces[0].Planting, Bed: "hollow"}}
	if got := ground.Fit(fit).Pieces[0]; len(got.Drawbacks) != 1 || !strings.Contains(got.Drawbacks[0].String(), "frost") {
		t.Errorf("put in the hollow: %v", got.Drawbacks)
	}
}
