package ground_test

import (
	"slices"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

// Once places are held, a new wish moves nothing that has a place to another bed, and what is
// held keeps its old place when more is held.
func TestHeldPlacesStay(t *testing.T) {
	in, p, _, l := mill(t, nil)
	if ground.Held(in) || ground.InSeason(p) {
		t.Fatal("the demo in January holds places, or is in its season")
	}
	in.Household.Customs = ground.HoldPlaces(in, l)
	if in.Household.Customs == nil || !ground.Held(in) {
		t.Fatal("nothing is held")
	}
	if again := ground.HoldPlaces(in, l); again != nil {
		t.Error("what is held already is held again")
	}
	h := in.Household
	h.Wishes = append(slices.Clone(h.Wishes), wish.Wish{ID: "new", Food: "cabbage", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 1}, Season: wish.Season{Kind: wish.AllYear}, Priority: wish.MustHave, Stagger: wish.Stagger{Kind: wish.ByNeed}})
	changed := in
	changed.Household = h
	p2, _, after, err := ground.Of(changed)
	if err != nil {
		t.Fatal(err)
	}
	beds := func(l ground.Layout) map[string][]string {
		out := map[string][]string{}
		for _, x := range l.Pieces {
			out[x.Planting] = append(out[x.Planting], x.Bed)
		}
		return out
	}
	before, now := beds(l), beds(after)
	moved := 0
	for id, was := range before {
		is, there := now[id]
		if !there || slices.ContainsFunc(is, func(b string) bool { return slices.Contains(was, b) }) {
			continue
		}
		moved++
		// Every move is told, with the bed that was held.
		i := slices.IndexFunc(after.Pieces, func(x ground.Piece) bool { return x.Planting == id })
		if after.Pieces[i].Was == "" {
			t.Errorf("%s moved from %v to %v, and it is not told", id, was, is)
		}
	}
	if moved > len(before)/20 {
		t.Errorf("%d of %d plantings changed their bed by one wish more", moved, len(before))
	}
	if len(p2.Sowings) <= len(p.Sowings) {
		t.Fatal("the new wish has no sowing")
	}
	more := ground.HoldPlaces(changed, after)
	if more == nil {
		t.Fatal("what came anew is not held")
	}
	for _, x := range in.Household.Customs.Arranged.Laid {
		if !slices.Contains(more.Arranged.Laid, x) {
			t.Errorf("%s is held at another place than before", x.Sowing)
		}
	}
}

// What a household agreed to is where its places begin; places of another year are not held.
func TestAgreedPlacesAreHeld(t *testing.T) {
	in, p, _, l := mill(t, nil)
	base := p.Baseline()
	base.Year, base.Laid = in.Household.Year, []bed.Laid{{Sowing: "agreed", Bed: in.Household.Beds[0].ID, Planted: 3}}
	in.Household.Baseline = &base
	if !ground.Held(in) {
		t.Error("what is agreed to is not held")
	}
	u := ground.HoldPlaces(in, l)
	if u == nil || !slices.Contains(u.Arranged.Laid, base.Laid[0]) {
		t.Error("what was agreed to lost its place")
	}
	in.Household.Baseline = nil
	in.Household.Customs = u
	in.Household.Year++
	if ground.Held(in) {
		t.Error("the places of last year are held")
	}
}

// The season has begun when something was begun, or was to be.
func TestTheSeasonBeginsWithTheFirstSowing(t *testing.T) {
	begun := []record.Planting{{ID: "x", Crop: "onion-bulb", Day: civil.Of(2027, 4, 20)}}
	_, p, _, _ := mill(t, func(h *household.Household) { h.Plantings = append(h.Plantings, begun...) })
	if ground.InSeason(p) {
		t.Error("what is only fixed on a day begins the season")
	}
	in, _, _, _ := mill(t, nil)
	in.AsOf = civil.Of(2027, 7, 15)
	late, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if !ground.InSeason(late) {
		t.Error("in July with nothing put down the season has not begun")
	}
}

func TestWhatFallsFree(t *testing.T) {
	day := func(m, d int) civil.Date { return civil.Of(2027, m, d) }
	piece := func(id, bed string, at, length float64, from, to civil.Date) ground.Piece {
		return ground.Piece{Planting: id, Bed: bed, At: at, Length: length, From: from, To: to}
	}
	l := ground.Layout{Pieces: []ground.Piece{
		piece("garlic", "a", 0, 2, day(1, 1), day(7, 20)),
		piece("spinach", "a", 1, 2, day(9, 1), day(11, 1)),  // takes half of it from September
		piece("peas", "a", 3, 1, day(3, 1), day(7, 10)),     // followed at once
		piece("beans", "a", 3, 1, day(7, 10), day(9, 30)),   // free for the rest of the year
		piece("radish", "b", 0, 1, day(6, 1), day(7, 12)),   // free for three weeks only
		piece("lettuce", "b", 0, 1, day(8, 5), day(12, 20)), // in more than three months
		piece("turnip", "c", 0, 0.5, day(5, 1), day(8, 1)),  // short, and free for four weeks
		piece("kale", "c", 0, 1, day(8, 29), day(12, 1)),
		piece("row", "b", 4, 0.4, day(6, 1), day(7, 12)), // too short for anything
		piece("early", "b", 2, 1, day(4, 1), day(7, 1)),  // over today
	}}
	got := ground.FallsFree(l, day(7, 1))
	want := []ground.Freed{
		{Bed: "a", From: 0, To: 2, Day: day(7, 20), After: "garlic", Until: day(9, 1), Next: "spinach"},
		{Bed: "c", From: 0, To: 0.5, Day: day(8, 1), After: "turnip", Until: day(8, 29), Next: "kale"},
		{Bed: "a", From: 3, To: 4, Day: day(9, 30), After: "beans"},
	}
	if !slices.Equal(got, want) {
		t.Errorf("falls free\n%+v, wanted\n%+v", got, want)
	}
}
