package plan_test

import (
	"math"
	"strconv"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/learn"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

// kaleRecord is a household that grew kale in two years and got half of what the book says.
func kaleRecord(t *testing.T) (plan.Input, *record.Record) {
	t.Helper()
	in := demoInput(t)
	w := wish.Wish{ID: "k", Food: "kale", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 40}}
	w.Fill()
	in.Household.Wishes, in.Household.Plantings, in.Household.Patches, in.Household.Placements = []wish.Wish{w}, nil, nil, nil
	in.Household.Learning = &household.Learning{Weighs: record.AllWeighed}
	in.Household.Past = nil
	var entries []*record.Entry
	for _, year := range []int{2025, 2026} {
		g := record.Grown{ID: "k" + string(rune('0'+year%10)), Crop: "kale", Food: "kale", Year: year, Day: civil.Of(year, 5, 1), First: civil.Of(year, 7, 1), Last: civil.Of(year, 11, 1), Plants: 30, Kg: 20, CV: 0.25, Over: true}
		in.Household.Past = append(in.Household.Past, household.PastYear{ID: strconv.Itoa(year), Grown: []record.Grown{g}})
		entries = append(entries, &record.Entry{ID: g.ID, Act: record.Harvest, Food: "kale", Crop: "kale", Sowing: g.ID, Day: civil.Of(year, 8, 1), Gram: 10_000})
	}
	rec := (&record.Record{}).Changed(map[string]*record.Entry{entries[0].ID: entries[0], entries[1].ID: entries[1]})
	return in, rec
}

// A household whose kale gave half of what the book says plants more of it, is told so in the working,
// and may switch it off or say its own yield.
func TestThePlanGoesByWhatWasLearned(t *testing.T) {
	in, rec := kaleRecord(t)
	planned := func(in plan.Input) (*learn.Learned, plan.Plan, plan.Input) {
		l, taught, err := plan.Learned(in, rec)
		if err != nil {
			t.Fatal(err)
		}
		p, err := plan.Compute(taught)
		if err != nil {
			t.Fatal(err)
		}
		return l, p, taught
	}
	usual, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	l, p, taught := planned(in)
	own := l.Yields.Own(learn.Planting{Food: "kale", Kind: "kale", Beds: []learn.Part{{Of: learn.NoBed, Share: 1}}}).Middle()
	if own > 0.8 || own < 0.5 {
		t.Fatalf("own kale is %g", own)
	}
	if got, want := float64(p.Tally.Plants), float64(usual.Tally.Plants)/own; math.Abs(got/want-1) > 0.1 {
		t.Errorf("%g plants, want about %g", got, want)
	}
	works, err := plan.Workings(taught)
	if err != nil {
		t.Fatal(err)
	}
	told := false
	for _, w := range works {
		for _, line := range w.Lines {
			told = told || line.Name == "What yours give of that" && strings.Contains(line.Note, "2 plantings in 2 years") && math.Abs(line.Value-own) < 1e-9
		}
	}
	if !told {
		t.Error("no working tells it")
	}
	width := func(in plan.Input) float64 {
		courses, err := plan.Courses(in)
		if err != nil {
			t.Fatal(err)
		}
		e := courses[0].Expected()
		return e.High / e.Low
	}
	if learned, unknown := width(taught), width(in); learned >= unknown {
		t.Errorf("what is to come lies within %.2f times with what was learned, within %.2f without", learned, unknown)
	}
	if s := p.Sowings[0]; (s.High-s.Low)/s.Likely <= (usual.Sowings[0].High-usual.Sowings[0].Low)/usual.Sowings[0].Likely {
		t.Error("the doubt of what was learned makes no year poorer or better")
	}

	in.Household.Learning.Known = []learn.Known{{Effect: learn.Effect{Sort: learn.OfFood, Of: "kale"}, Factor: 1}, {Effect: learn.Effect{Sort: learn.OfKind, Of: "kale"}, Factor: 1}}
	if _, off, _ := planned(in); off.Tally.Plants != usual.Tally.Plants {
		t.Errorf("switched off there are %d plants, want %d", off.Tally.Plants, usual.Tally.Plants)
	}
	in.Household.Learning.Known = nil
	crop := book.Usual().Crop("kale")
	in.Household.Overrules = []book.Overrule{{Subject: "crop/kale", Field: "yield", Value: crop.Yield.Value}}
	if _, set, _ := planned(in); set.Tally.Plants != usual.Tally.Plants {
		t.Errorf("with a yield of its own there are %d plants, want %d", set.Tally.Plants, usual.Tally.Plants)
	}
}

// What stands this year is told with what the book expects of it, whatever was learned; what was not
// begun is not told, and what is over is.
func TestWhatGrewThisYear(t *testing.T) {
	in, rec := kaleRecord(t)
	out := civil.Of(2027, 5, 10)
	in.Household.Plantings = []record.Planting{{ID: "27-k-fresh-1", Crop: "kale", Day: out, Out: &out, Plants: 12, For: []record.Purpose{{Wish: "k", Form: wish.Fresh}}, Said: record.HalfWeighed}}
	in.Household.Placements = nil
	in.AsOf = civil.Of(2027, 7, 20)
	of := func(in plan.Input) []record.Grown {
		grown, err := plan.GrownIn(in)
		if err != nil {
			t.Fatal(err)
		}
		return grown
	}
	usual := of(in)
	if len(usual) != 1 || usual[0].Plants != 12 || usual[0].Over || usual[0].Year != 2027 || usual[0].Said != record.HalfWeighed {
		t.Fatalf("it grew %+v", usual)
	}
	_, taught, err := plan.Learned(in, rec)
	if err != nil {
		t.Fatal(err)
	}
	if got := of(taught); got[0].Kg != usual[0].Kg {
		t.Errorf("with what was learned %g kg are expected, by the book %g", got[0].Kg, usual[0].Kg)
	}
	if each, book := usual[0].Kg/12, book.Usual().Crop("kale").Yield.Value; each < 0.4*book || each > 1.4*book {
		t.Errorf("a plant is to give %g kg, the book says %g", each, book)
	}
	in.AsOf = civil.Of(2028, 4, 20)
	if got := of(in); len(got) != 1 || !got[0].Over {
		t.Error("in the next spring it is not over")
	}
}
