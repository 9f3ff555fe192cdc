package plan

import (
	"slices"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// livedTo is everything on a day, with all put down as planned that was to be begun until then.
func livedTo(t *testing.T, day civil.Date) (Input, Plan) {
	t.Helper()
	in := everything()
	in.Memory, in.AsOf = &Memory{}, day
	p := planned(t, in)
	var events []Event
	for _, m := range p.Missed {
		events = append(events, Event{Sowing: m.ID, What: AsPlanned})
	}
	for _, s := range p.Sowings {
		if s.Presumed {
			events = append(events, Event{Sowing: s.ID, What: AsPlanned})
		}
	}
	in, _, err := in.Logged(events)
	if err != nil {
		t.Fatal(err)
	}
	return in, planned(t, in)
}

// lost is an input with a sowing lost outright today, and its plan.
func lost(t *testing.T, in Input, id string) Plan {
	t.Helper()
	out, err := Log(in, Event{Sowing: id, What: Ended})
	if err != nil {
		t.Fatal(err)
	}
	same := func(x record.Planting) bool { return x.ID == id }
	in.Household.Plantings = append(slices.DeleteFunc(slices.Clone(in.Household.Plantings), same), *out.Planting)
	return planned(t, in)
}

// Of two sowings of sauce tomatoes one is lost when nothing can be begun any more: half of the
// jars cannot be filled, the weeks at the end of the year go unfed, and both are said.
func TestHalfOfALotIsLost(t *testing.T) {
	in, before := livedTo(t, civil.Of(2027, 7, 15))
	var canned []Sowing
	for _, s := range before.Sowings {
		if s.Crop == "tomato-paste" && slices.ContainsFunc(s.For, func(f Served) bool { return f.Form == "canned" && !f.Part }) {
			canned = append(canned, s)
		}
	}
	if len(canned) != 2 {
		t.Fatalf("%d sowings of sauce tomatoes", len(canned))
	}
	id := canned[0].For[0].Wish
	wish := func(p Plan) Wish {
		return p.Wishes[slices.IndexFunc(p.Wishes, func(w Wish) bool { return w.ID == id })]
	}
	was, is := wish(before), wish(lost(t, in, canned[0].ID))
	if is.ToFill < was.ToFill*3/10 || is.ToFill > was.ToFill*7/10 || is.WeeksFed < 15 || is.WeeksFed > 37 {
		t.Errorf("one of two lost: %d jars to fill, before %d; %d weeks fed, before %d", is.ToFill, was.ToFill, is.WeeksFed, was.WeeksFed)
	}
	if len(is.Notes) <= len(was.Notes) {
		t.Error("nothing is said of it")
	}
	// What there is is eaten first: the weeks that go unfed are the last ones before the next harvest.
	kept := (int(*was.Uses[0].Kept-before.Weeks[0]) / 7) % 52
	if is.Source[kept] != "canned" || is.Source[(kept+51)%52] != "gap" {
		t.Errorf("the week it is put up is %s, the last one before it %s", is.Source[kept], is.Source[(kept+51)%52])
	}
}

// Whatever is given up, or lost before it is picked, in April or in July: it is sown again, or
// weeks or jars are less. Nothing is lost in silence.
func TestNothingIsLostInSilence(t *testing.T) {
	for _, day := range []civil.Date{civil.Of(2027, 4, 21), civil.Of(2027, 7, 15)} {
		in, before := livedTo(t, day)
		tried := 0
		for _, s := range before.Sowings {
			if s.Over || s.Early || !s.Method.OneYear() || s.FirstPick != nil && *s.FirstPick <= day {
				continue
			}
			tried++
			after := lost(t, in, s.ID)
			for _, f := range s.For {
				if f.Need == 0 || f.Part && f.Form == "canned" && f.Plants == 0 {
					continue
				}
				of := func(p Plan) Wish {
					return p.Wishes[slices.IndexFunc(p.Wishes, func(w Wish) bool { return w.ID == f.Wish })]
				}
				was, is := of(before), of(after)
				if is.WeeksFed < was.WeeksFed || is.ToFill < was.ToFill || sownAgain(before, after, s, f) {
					continue
				}
				t.Errorf("on %s %s of %s for %s, %s, is lost: %d weeks fed and %d jars as before, and nothing is sown again", day, s.CropName, s.Date, f.Title, f.Form, is.WeeksFed, is.ToFill)
			}
		}
		if tried < 20 {
			t.Errorf("only %d sowings tried on %s", tried, day)
		}
	}
}

// sownAgain reports whether a plan has a sowing of a crop for a use that is new, or larger than
// before.
func sownAgain(before, after Plan, s Sowing, f Served) bool {
	return slices.ContainsFunc(after.Sowings, func(x Sowing) bool {
		serves := slices.ContainsFunc(x.For, func(g Served) bool { return g.Wish == f.Wish && g.Form == f.Form && g.Part == f.Part })
		same := slices.ContainsFunc(before.Sowings, func(y Sowing) bool { return y.ID == x.ID && y.Plants >= x.Plants })
		return x.ID != s.ID && x.Crop == s.Crop && serves && !same
	})
}

// What is not begun and let be is not begun later: of fresh food its weeks stay without, of a lot
// its share. What is not begun without that is begun again where it still works.
func TestWhatIsLetBeStaysWithout(t *testing.T) {
	in := everything()
	in.Memory, in.AsOf = &Memory{}, civil.Of(2027, 4, 21)
	before := planned(t, in)
	fresh, kept := 0, 0
	for _, s := range before.Sowings {
		if !s.Presumed || len(s.For) != 1 || s.For[0].Part || s.For[0].Need == 0 {
			continue
		}
		f := s.For[0]
		of := func(p Plan) Wish {
			return p.Wishes[slices.IndexFunc(p.Wishes, func(w Wish) bool { return w.ID == f.Wish })]
		}
		let := planned(t, after(t, in, Event{Sowing: s.ID, What: LetBe}))
		if sownAgain(before, let, s, f) {
			t.Errorf("%s of %s is let be, and sown again", s.CropName, s.Date)
		}
		was, is := of(before), of(let)
		if f.Form == "fresh" {
			fresh++
			if len(s.Feeds) > 0 && is.WeeksFed != was.WeeksFed-len(s.Feeds) {
				t.Errorf("%s of %s was to feed %d weeks: %d fed, before %d", s.CropName, s.Date, len(s.Feeds), is.WeeksFed, was.WeeksFed)
			}
			continue
		}
		kept++
		if is.WeeksFed >= was.WeeksFed && is.ToFill >= was.ToFill {
			t.Errorf("%s of %s for %s is let be, and %d weeks are fed as before", s.CropName, s.Date, f.Form, is.WeeksFed)
		}
	}
	if fresh < 2 || kept < 1 {
		t.Errorf("only %d fresh sowings and %d of lots were tried", fresh, kept)
	}
	in, p := livedTo(t, in.AsOf)
	for _, s := range p.Sowings {
		if s.Begun {
			if _, err := Log(in, Event{Sowing: s.ID, What: LetBe}); err == nil {
				t.Errorf("%s of %s was begun, and is let be", s.CropName, s.Date)
			}
			break
		}
	}
}
