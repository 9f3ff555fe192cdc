package demo_test

import (
	"bytes"
	"encoding/json"
	"image/jpeg"
	"testing"

	"inventory/demo"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/learn"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/exchange"
)

func millHouse(t *testing.T) household.Household {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	return h
}

// The record of the two years holds: of no food more was used than came in, from no lot more was
// taken than there was; every entry may stand. It says what is true in this garden: the poor year,
// the poor bed and the old seed are in it. Written twice it is the same.
func TestTheTwoYearsHold(t *testing.T) {
	for _, day := range []civil.Date{civil.Of(2026, 8, 1), civil.Of(2027, 4, 21), civil.Of(2028, 2, 1)} {
		h := millHouse(t)
		b, _, _, err := h.Book(book.Usual())
		if err != nil {
			t.Fatal(err)
		}
		y, err := demo.TwoYears(h, day)
		if err != nil {
			t.Fatal(err)
		}
		if day == civil.Of(2027, 4, 21) {
			again, _ := demo.TwoYears(millHouse(t), day)
			one, _ := json.Marshal(y)
			two, _ := json.Marshal(again)
			if !bytes.Equal(one, two) {
				t.Fatal("written twice it is not the same")
			}
		}
		if len(y.Past) != 2 || y.Past[0].ID != "2025" || len(y.Past[1].Plan.Sowings) < 60 || y.Past[1].Plan.Year != 2026 {
			t.Errorf("%d plans of years that have ended", len(y.Past))
		}
		check := invalid.NewCheck()
		all := make([]*record.Entry, len(y.Entries))
		foods := map[string]bool{}
		for i := range y.Entries {
			e := &y.Entries[i]
			e.Validate(check.Index("entries", i), b)
			if e.Day > day {
				t.Fatalf("%s: an entry of %s", day, e.Day)
			}
			all[i], foods[e.Food] = e, true
		}
		if err := check.Err(); err != nil {
			t.Fatal(err)
		}
		rec := record.Of(all)
		for food := range foods {
			if food == "" {
				continue
			}
			if _, err := rec.LedgerOf(food, record.KeepDays(b, food)); err != nil {
				t.Errorf("%s: %s: %v", day, food, err)
			}
		}
		for _, l := range y.Lots {
			if _, err := rec.BalanceOf(l, civil.Of(2030, 1, 1)); err != nil {
				t.Errorf("%s: %s: %v", day, l.ID, err)
			}
		}
		for i, body := range y.Photographs {
			if _, err := jpeg.Decode(bytes.NewReader(body)); err != nil {
				t.Errorf("photograph %d: %v", i, err)
			}
		}
		if day == civil.Of(2027, 4, 21) {
			truths(t, y, h)
		}
	}
}

// truths looks whether the record shows what it was drawn from.
func truths(t *testing.T, y demo.Years, h household.Household) {
	t.Helper()
	acts, sum := map[record.Act]int{}, map[string]int{}
	for _, e := range y.Entries {
		acts[e.Act]++
		if e.Act == record.Harvest {
			year, _, _ := e.Day.Split()
			sum[e.Food+" "+civil.Of(year, 1, 1).String()[:4]] += e.Gram
		}
	}
	if len(y.Entries) < 1200 || acts[record.Harvest] < 500 || acts[record.PutUp] < 30 || acts[record.Draw] < 200 || acts[record.Note] < 25 || len(y.Photographs) < 10 {
		t.Errorf("%d entries: %v, %d photographs", len(y.Entries), acts, len(y.Photographs))
	}
	for food, most := range map[string]float64{"tomato": 0.95, "carrot": 0.62, "cabbage": 0.95} { // of the good year, the poor one gave so much at most
		if share := float64(sum[food+" 2026"]) / float64(sum[food+" 2025"]); share > most || share < 0.25 {
			t.Errorf("%s: in 2026 %.2f of what 2025 gave", food, share)
		}
	}
	beds := map[string]bool{}
	for _, b := range h.Beds {
		beds[b.Name] = true
	}
	for name := range demo.Truth.Bed {
		if !beds[name] {
			t.Errorf("something is true of %s, which is no bed", name)
		}
	}
	for _, of := range []map[string]float64{demo.Truth.Kind, demo.Truth.Up} {
		for id := range of {
			if book.Usual().Crop(id) == nil {
				t.Errorf("something is true of %s, which is no kind", id)
			}
		}
	}
}

// What came in this year is of plantings that were begun, and no later than today.
func TestWhatCameInThisYear(t *testing.T) {
	h := millHouse(t)
	in := plan.Input{AsOf: civil.Of(2027, 8, 20), Household: h, Memory: &plan.Memory{}}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if in, _, err = in.Logged(demo.Begun(p)); err != nil {
		t.Fatal(err)
	}
	if p, err = plan.Compute(in); err != nil {
		t.Fatal(err)
	}
	begun := map[string]bool{}
	for _, s := range p.Sowings {
		begun[s.ID] = s.Begun
	}
	entries, err := demo.ThisYear(in)
	if err != nil || len(entries) < 60 {
		t.Fatalf("%d entries, %v", len(entries), err)
	}
	for _, e := range entries {
		if e.Day > in.AsOf || e.Act == record.Harvest && !begun[e.Sowing] {
			t.Errorf("%+v", e)
		}
	}
}

// What is true in the made-up garden and was never said is found in its record, with fitting doubt: the
// poor bed first, the poor year, the good paste tomatoes.
func TestTheHiddenTruthsAreFound(t *testing.T) {
	h := millHouse(t)
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		t.Fatal(err)
	}
	y, err := demo.TwoYears(h, civil.Of(2027, 1, 12))
	if err != nil {
		t.Fatal(err)
	}
	h.Past = y.Past
	entries := make([]*record.Entry, len(y.Entries))
	for i := range y.Entries {
		entries[i] = &y.Entries[i]
	}
	l := learn.Of(h.Teaches(nil, entries), b)
	if n := l.Yields.Count(); n < 60 {
		t.Errorf("learned from %d plantings", n)
	}
	beds := map[string]string{}
	for _, x := range h.Beds {
		beds[x.Name] = x.ID
	}
	holds := func(what string, e learn.Estimate, truth float64) {
		t.Helper()
		if e.Low() > truth || e.High() < truth || e.High()/e.Low() > 2.2 {
			t.Errorf("%s is %.2f (%.2f to %.2f), in truth %.2f", what, e.Middle(), e.Low(), e.High(), truth)
		}
	}
	for name, truth := range demo.Truth.Bed {
		holds(name, l.Yields.Of(learn.Effect{Sort: learn.OfBed, Of: beds[name]}), truth)
	}
	for kind, truth := range demo.Truth.Kind {
		crop := b.Crop(kind)
		holds(kind, l.Yields.Own(learn.Planting{Food: crop.Food, Kind: kind}), truth)
	}
	if first := l.Told()[0]; first.Sort != learn.OfBed || first.Of != beds["Reed bed"] {
		t.Errorf("told first of the beds: %+v", first)
	}
	if good, poor := l.Yields.Of(learn.Year(2025)).Mean, l.Yields.Of(learn.Year(2026)).Mean; poor > -0.5 || good < poor+0.5 {
		t.Errorf("2025 was %.2f, 2026 %.2f standard deviations", good, poor)
	}
}
