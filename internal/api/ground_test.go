package api

import (
	"encoding/json"
	"net/http"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/season"
)

// The layout of the demo keeps the contract: every plant has its ground or is
// told to have none, and nothing lies over anything else.
func TestTheLayoutKeepsTheContract(t *testing.T) {
	doc, s := strict(t), served(t, true)
	status, body, _ := call(t, s, "/api/layout", nil)
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	var value any
	if err := json.Unmarshal(body, &value); err != nil {
		t.Fatal(err)
	}
	if err := doc.Components.Schemas["Layout"].Value.VisitJSON(value); err != nil {
		t.Error(err)
	}
	l, st := decoded[Layout](t, body), state(t, s)
	if l.Revision != st.Revision || len(l.Pieces) < 60 || l.Placed < 0.8*l.Need {
		t.Errorf("revision %d of %d, %d pieces, %.0f of %.0f m² weeks", l.Revision, st.Revision, len(l.Pieces), l.Placed, l.Need)
	}
	for i, a := range l.Pieces {
		for _, b := range l.Pieces[:i] {
			if a.Bed == b.Bed && a.From < b.To && b.From < a.To && a.At < b.At+b.Length-1e-6 && b.At < a.At+a.Length-1e-6 && a.With != b.Planting && b.With != a.Planting {
				t.Fatalf("%+v lies over %+v", a, b)
			}
		}
	}
	for _, sow := range st.Plan.Sowings {
		placed := slices.ContainsFunc(l.Pieces, func(p Piece) bool { return p.Planting == sow.ID })
		left := slices.ContainsFunc(l.Left, func(p LeftOut) bool { return p.Planting == sow.ID })
		if sow.Method != season.Tray && sow.Plants > 0 && placed == left {
			t.Errorf("%s is placed %v and left out %v", sow.ID, placed, left)
		}
	}
}

// The wishes are fitted to the ground by one edit, which feeds what was told, and one undo
// brings every wish back.
func TestTheWishesAreFittedToTheGround(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	_, body, _ := call(t, s, "/api/layout", nil)
	if fed := decoded[Layout](t, body).Fed; fed == nil || fed.WeeksFed >= before.Plan.Tally.WeeksFed || len(fed.Wishes) == 0 {
		t.Fatalf("all of the demo has ground: %+v", fed)
	}
	_, body, _ = call(t, s, "/api/fitted-wishes", nil)
	proposal := decoded[FittedWishes](t, body).Proposal
	if proposal == nil || proposal.After.WeeksFed <= proposal.Before.WeeksFed {
		t.Fatalf("%s", body)
	}
	do, takeBack := editing(t, s)
	e := Edit{Command: "put-wishes", Remove: &proposal.Change.Remove}
	if len(proposal.Change.Wishes) > 0 {
		e.Wishes = &proposal.Change.Wishes
	}
	after := do(e, 200)
	if len(after.Household.Wishes) != len(before.Household.Wishes)-len(proposal.Change.Remove) || !strings.HasPrefix(after.Words, "fitted the wishes") {
		t.Errorf("%d wishes, %q", len(after.Household.Wishes), after.Words)
	}
	_, body, _ = call(t, s, "/api/layout", nil)
	if l := decoded[Layout](t, body); l.Fed.WeeksFed != proposal.After.WeeksFed || len(l.Left) > 0 || len(l.Fed.Wishes) > 0 {
		t.Errorf("%d weeks fed, %d sowings without ground, %d were told", l.Fed.WeeksFed, len(l.Left), proposal.After.WeeksFed)
	}
	if _, body, _ = call(t, s, "/api/fitted-wishes", nil); decoded[FittedWishes](t, body).Proposal != nil {
		t.Errorf("what fits is fitted again: %s", body)
	}
	takeBack()
	if now := state(t, s); len(now.Household.Wishes) != len(before.Household.Wishes) || now.Plan.Tally != before.Plan.Tally {
		t.Errorf("undone: %+v", now.Plan.Tally)
	}
	_, body, _ = call(t, s, "/api/working?figure=tally/weeks_fed", nil)
	if w := decoded[Working](t, body); int(w.Value) != proposal.Before.WeeksFed {
		t.Errorf("the working of the weeks fed comes to %g", w.Value)
	}
}

// Beds are laid out from a plot's measures, changed, refused where they would lie
// over each other, and taken back.
func TestBedsAreLaidOut(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	do, takeBack := editing(t, s)
	target := func(id string) *string { return &id }
	for _, b := range before.Household.Beds {
		do(Edit{Command: "remove-bed", Target: target(b.ID)}, 200)
	}
	_, body, _ := call(t, s, "/api/layout", nil)
	if l := decoded[Layout](t, body); len(l.Pieces) != 0 || len(l.Left) == 0 || l.Left[0].Why.String() != "there is no bed yet" {
		t.Errorf("without beds: %d pieces, %+v", len(l.Pieces), l.Left)
	}
	plot := bed.Plot{Length: 14, Width: 9, Bearing: 20}
	_, body, _ = call(t, s, "/api/plot-divide", DivideAsk{Plot: plot, Width: 1.2, Path: 0.9, Margin: 0.5})
	shares := decoded[[]Share](t, body)
	if len(shares) != 3 || shares[0].Area < shares[1].Area {
		t.Fatalf("%+v", shares)
	}
	got := do(Edit{Command: "add-beds", Plot: &plot, Beds: &shares[0].Beds}, 200)
	if len(got.Household.Beds) != len(shares[0].Beds) || got.Household.Plot.Length != 14 || !strings.HasPrefix(got.Words, "laid out") {
		t.Errorf("%q: %d beds", got.Words, len(got.Household.Beds))
	}
	one := got.Household.Beds[0]
	one.Name = "The long bed"
	if got = do(Edit{Command: "change-bed", Bed: &one}, 200); got.Household.Beds[0].Name != one.Name {
		t.Errorf("%+v", got.Household.Beds[0])
	}
	over := one
	over.ID, over.Name, over.X = "", "Another", one.X+0.3
	do(Edit{Command: "add-bed", Bed: &over}, 422)
	over.X = 400
	do(Edit{Command: "add-bed", Bed: &over}, 422)
	over.Length = -1
	do(Edit{Command: "add-bed", Bed: &over}, 422)
	none := []bed.Bed{}
	do(Edit{Command: "add-beds", Beds: &none}, 422)
	takeBack()
	a, _ := json.Marshal(before.Household)
	z, _ := json.Marshal(state(t, s).Household)
	if string(a) != string(z) {
		t.Errorf("taken back, the household is\n%s\nnot\n%s", z, a)
	}
	for _, wrong := range []DivideAsk{{Plot: plot, Width: 0, Path: 0.9}, {Plot: bed.Plot{Length: -3, Width: 2}, Width: 1.2, Path: 0.9}} {
		if status, body, _ := call(t, s, "/api/plot-divide", wrong); status != http.StatusUnprocessableEntity {
			t.Errorf("%d %s", status, body)
		}
	}
}

func TestThePlotAsADrawing(t *testing.T) {
	s := served(t, true)
	status, body, header := call(t, s, "/api/plot.svg?day=2027-08-01", nil)
	if status != http.StatusOK || header.Get("Content-Type") != "image/svg+xml" || !strings.Contains(string(body), `width="330mm"`) || !strings.Contains(string(body), "Tomato, paste") {
		t.Errorf("%d %s %.300s", status, header.Get("Content-Type"), body)
	}
	if status, body, _ = call(t, s, "/api/plot.svg?day=today", nil); status != http.StatusUnprocessableEntity {
		t.Errorf("%d %s", status, body)
	}
}

// A sowing put where its family stood last year is refused, then bent and marked,
// and let go again.
func TestASowingIsPutInABed(t *testing.T) {
	s := served(t, true)
	st := state(t, s)
	var sowing, weir string
	for _, sow := range st.Plan.Sowings {
		if sow.Crop == "tomato-slicing" {
			sowing = sow.ID
		}
	}
	for _, b := range st.Household.Beds {
		for _, stood := range b.Stood {
			if stood.Year == 2026 && slices.Contains(stood.Families, "Solanaceae") {
				weir = b.ID
			}
		}
	}
	ask := PlaceAsk{Client: "t", ID: "p1", Revision: st.Revision, Sowing: sowing, Bed: weir}
	status, body, _ := call(t, s, "/api/placements", ask)
	if status != http.StatusUnprocessableEntity || !strings.Contains(string(body), "the tomato family grew here in 2026") {
		t.Fatalf("%d %s", status, body)
	}
	bend := true
	ask.ID, ask.Bend = "p2", &bend
	status, body, _ = call(t, s, "/api/placements", ask)
	after := decoded[State](t, body)
	if status != http.StatusOK || len(after.Household.Placements) != len(st.Household.Placements)+1 || !strings.HasPrefix(after.Words, "put Tomato, slicing") {
		t.Fatalf("%d %.300s", status, body)
	}
	piece := func() Piece {
		_, body, _ := call(t, s, "/api/layout", nil)
		l := decoded[Layout](t, body)
		k := slices.IndexFunc(l.Pieces, func(p Piece) bool { return p.Planting == sowing })
		if k < 0 {
			t.Fatal("it stands nowhere")
		}
		return l.Pieces[k]
	}
	if p := piece(); p.Bed != weir || !p.Held || p.Exception != 2026 {
		t.Errorf("%+v", p)
	}
	status, body, _ = call(t, s, "/api/edits", Edit{Client: "t", ID: "p3", Revision: after.Revision, Command: "remove-placement", Target: &sowing})
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	if p := piece(); p.Held || p.Exception != 0 {
		t.Errorf("let go: %+v", p)
	}
}

// The next year is begun by one edit: what stands is told before, the beds remember what stood
// in them, and one undo brings the year back.
func TestTheNextYearIsBegunAndTakenBack(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	_, body, _ := call(t, s, "/api/year-turn", nil)
	turn := decoded[YearTurn](t, body)
	if turn.Year != before.Household.Year+1 || len(turn.Goes) == 0 || len(turn.Stood) == 0 || turn.Lots != len(before.Household.Lots) {
		t.Fatalf("%s", body)
	}
	status, body, _ := call(t, s, "/api/year-turn", YearTurnAsked{Client: "t", ID: "turn", Revision: before.Revision})
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	after := decoded[State](t, body)
	kept := 0
	for _, b := range after.Household.Beds {
		for _, x := range b.Stood {
			if x.Year == before.Household.Year {
				kept++
			}
		}
	}
	if after.Household.Year != turn.Year || after.Household.Since != before.Household.Since || kept == 0 {
		t.Errorf("year %d, since %v, %d families kept", after.Household.Year, after.Household.Since, kept)
	}
	step(t, s, "undo", "back")
	if now := state(t, s); now.Household.Year != before.Household.Year || now.Plan.Tally != before.Plan.Tally || len(now.Household.Placements) != len(before.Household.Placements) {
		t.Errorf("taken back: %d", now.Household.Year)
	}
}

// What is at hand is answered without an edit, mistakes are told at their line, and a sowing's
// chance before the frost is told where frost ends it.
func TestWhatIsAtHandIsAnswered(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	_, body, _ := call(t, s, "/api/from-what-there-is", AtHand{Haves: []Have{{What: "seeds", Crop: "kale", Number: 100}, {What: "bed", Number: 2.5, Width: 1.2}}})
	if got := decoded[[]Gives](t, body); len(got) < 2 {
		t.Errorf("%s", body)
	}
	status, body, _ := call(t, s, "/api/from-what-there-is", AtHand{Haves: []Have{{What: "seeds", Crop: "kale", Number: 100}, {What: "stock", Crop: "kale", Number: 2}}})
	if status != http.StatusUnprocessableEntity || !strings.Contains(string(body), "haves[1].what") {
		t.Errorf("%d %s", status, body)
	}
	told := 0
	for _, x := range before.Plan.Sowings {
		if x.Crop != "tomato-paste" && x.Crop != "kale" {
			continue
		}
		_, body, _ := call(t, s, "/api/sowing-chances?sowing="+x.ID, nil)
		if c := decoded[Chances](t, body); (c.InTime != nil) != (x.Crop == "tomato-paste") {
			t.Errorf("%s: %s", x.CropName, body)
		}
		told++
	}
	if now := state(t, s); told < 2 || now.Revision != before.Revision {
		t.Errorf("%d chances asked, revision %d after %d", told, now.Revision, before.Revision)
	}
}
