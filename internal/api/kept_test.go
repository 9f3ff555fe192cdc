package api

import (
	"encoding/json"
	"fmt"
	"net/http"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/season"
)

// What the ground answers keeps the contract, and what is wrong is refused with
// what would be right.
func TestTheGroundKeepsTheContract(t *testing.T) {
	doc, s := strict(t), served(t, true)
	st := state(t, s)
	first := st.Household.Beds[0].ID
	for path, schema := range map[string]string{
		"/api/ground-look?sowing=" + st.Plan.Sowings[3].ID: "Look",
		"/api/ground-needs":                      "Needs",
		"/api/ground-free?bed=b2&day=2027-10-20": "[]FreePatch",
		"/api/remedies?ground=true":              "[]Remedy",
	} {
		status, body, _ := call(t, s, path, nil)
		if status != http.StatusOK {
			t.Errorf("%s: %d %s", path, status, body)
			continue
		}
		values := []any{nil}
		if name, many := strings.CutPrefix(schema, "[]"); many {
			schema = name
			if err := json.Unmarshal(body, &values); err != nil || len(values) == 0 {
				t.Errorf("%s: %v, %.200s", path, err, body)
			}
		} else if err := json.Unmarshal(body, &values[0]); err != nil {
			t.Error(err)
		}
		for _, v := range values {
			if err := doc.Components.Schemas[schema].Value.VisitJSON(v); err != nil {
				t.Errorf("%s: %v", path, err)
			}
		}
	}
	for path, word := range map[string]string{
		"/api/ground-look?sowing=nothing":          "Choose a sowing that grows in a bed",
		"/api/ground-free?bed=nowhere":             "Choose one of your beds",
		"/api/ground-free?bed=" + first + "&day=x": "a day such as",
	} {
		if status, body, _ := call(t, s, path, nil); status != http.StatusUnprocessableEntity || !strings.Contains(string(body), word) {
			t.Errorf("%s: %d %s", path, status, body)
		}
	}
}

// Beds are measured from one another, divided, given their customs; all of it can
// be taken back.
func TestBedsAreKept(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	do, takeBack := editing(t, s)
	first := before.Household.Beds[0]
	status, body, _ := call(t, s, "/api/bed-beside", BesideAsk{Bed: bed.Bed{Length: 2, Width: 1.2}, Of: first.ID, Side: "behind", Apart: 0.9})
	if b := decoded[bed.Bed](t, body); status != http.StatusOK || b.X != first.X || b.Y != first.Y+first.Width+0.9 {
		t.Errorf("%d %s", status, body)
	}
	for _, wrong := range []BesideAsk{{Of: first.ID, Side: "under"}, {Of: "nowhere", Side: "left"}, {Of: first.ID, Side: "left", Apart: 40}} {
		if status, body, _ := call(t, s, "/api/bed-beside", wrong); status != http.StatusUnprocessableEntity {
			t.Errorf("%+v: %d %s", wrong, status, body)
		}
	}
	id, three, many := first.ID, 3, 40
	do(Edit{Command: "divide-bed", Target: &id, Parts: &many}, 422)
	got := do(Edit{Command: "divide-bed", Target: &id, Parts: &three}, 200)
	if n := len(got.Household.Beds); n != len(before.Household.Beds)+2 || got.Household.Beds[1].Name != first.Name+" b" || len(got.Household.Beds[2].Stood) != len(first.Stood) {
		t.Errorf("%d beds, %+v", n, got.Household.Beds[:3])
	}
	pots := bed.Bed{Name: "Pots", Kind: bed.Containers, Count: 10, Litre: 40, X: 22, Y: 18}
	if got = do(Edit{Command: "add-bed", Bed: &pots}, 200); got.Household.Beds[len(got.Household.Beds)-1].Width != 0.342 {
		t.Errorf("%+v", got.Household.Beds[len(got.Household.Beds)-1])
	}
	u := bed.UsualCustoms()
	u.Recipe = []bed.Amendment{{Name: "Compost", Amount: 4, Unit: "kg", Per: 1, Of: "m²", Nitrogen: 0.003}}
	got = do(Edit{Command: "set-customs", Customs: &u}, 200)
	if got.Household.Customs == nil || len(got.Household.Customs.Recipe) != 1 || got.Household.Customs.Recipe[0].ID == "" {
		t.Errorf("%+v", got.Household.Customs)
	}
	all := got.Household.Beds
	for i := range all {
		all[i].Stood = append(all[i].Stood, bed.Stood{Year: 2027, Families: []string{"Fabaceae"}})
	}
	if got = do(Edit{Command: "change-beds", Beds: &all}, 200); len(got.Household.Beds[3].Stood) != len(all[3].Stood) || got.Words != fmt.Sprintf("changed %d beds", len(all)) {
		t.Errorf("%s: %+v", got.Words, got.Household.Beds[3])
	}
	gone := []bed.Bed{{ID: "gone", Name: "Gone", Length: 2, Width: 1}}
	do(Edit{Command: "change-beds", Beds: &gone}, 422)
	var thousand []bed.Bed
	for i := range 1000 {
		thousand = append(thousand, bed.Bed{Name: fmt.Sprint("Bed ", i), X: 40, Y: float64(i) * 2, Length: 2, Width: 1})
	}
	do(Edit{Command: "add-beds", Beds: &thousand}, 422)
	u.Pairs = []string{"mice-cats"}
	do(Edit{Command: "set-customs", Customs: &u}, 422)
	takeBack()
	a, _ := json.Marshal(before.Household)
	z, _ := json.Marshal(state(t, s).Household)
	if string(a) != string(z) {
		t.Errorf("taken back, the household is\n%s\nnot\n%s", z, a)
	}
}

// After agreeing, a note moves nothing, and a wish less moves nothing that stays.
func TestTheLayoutStaysAsAgreed(t *testing.T) {
	s := served(t, true)
	do, _ := editing(t, s)
	laid := func() map[string][]Piece {
		_, body, _ := call(t, s, "/api/layout", nil)
		out := map[string][]Piece{}
		for _, p := range decoded[Layout](t, body).Pieces {
			out[p.Planting] = append(out[p.Planting], p)
		}
		return out
	}
	got := do(Edit{Command: "agree"}, 200)
	if got.Household.Baseline == nil || len(got.Household.Baseline.Laid) < 60 {
		t.Fatalf("%+v", got.Household.Baseline)
	}
	agreed := laid()
	radish := slices.IndexFunc(got.Household.Wishes, func(w Wish) bool { return w.Food == "radish" })
	w := got.Household.Wishes[radish]
	w.Note = "White ones."
	do(Edit{Command: "change-wish", Wish: &w}, 200)
	do(Edit{Command: "remove-wish", Target: &w.ID}, 200)
	moved, kept := 0, 0
	for id, pieces := range laid() {
		for i, p := range pieces {
			if was := agreed[id]; len(was) == len(pieces) && (was[i].Bed != p.Bed || was[i].At != p.At) {
				moved++
			} else if len(was) > 0 {
				kept++
			}
		}
	}
	if moved > 0 || kept < 60 {
		t.Errorf("%d pieces moved and %d stayed after a wish was taken away", moved, kept)
	}
}

// What is put down as sown in place stays in its bed; what is sown indoors stands in
// none until it is planted out; taken back, both are free again.
func TestWhatIsSownStandsWhereItWas(t *testing.T) {
	s := served(t, true)
	st := state(t, s)
	pick := func(method season.Method) string {
		return st.Plan.Sowings[slices.IndexFunc(st.Plan.Sowings, func(x Sowing) bool { return x.Method == method && !x.Begun })].ID
	}
	direct, raised := pick("direct"), pick("raised")
	log := func(n string, e SowingEvent) State {
		t.Helper()
		status, body, _ := call(t, s, "/api/log", Log{Client: "t", ID: n, Revision: st.Revision, Event: e})
		if status != http.StatusOK {
			t.Fatalf("%d %s", status, body)
		}
		st = decoded[State](t, body)
		return st
	}
	first, _ := json.Marshal(st.Household)
	log("a", SowingEvent{Sowing: raised, What: "done", Task: "sow"})
	kept := len(st.Household.Placements) // those of the file
	if kept != 5 {
		t.Errorf("sown indoors, it stands %+v", st.Household.Placements)
	}
	_, body, _ := call(t, s, "/api/layout", nil) // another day of sowing may move others
	before := decoded[Layout](t, body)
	log("b", SowingEvent{Sowing: direct, What: "done", Task: "sow"})
	at := slices.IndexFunc(before.Pieces, func(p Piece) bool { return p.Planting == direct })
	if p := st.Household.Placements[kept:]; len(p) != 1 || !p[0].Stands || p[0].Sowing != direct || p[0].Bed != before.Pieces[at].Bed || p[0].At != before.Pieces[at].At {
		t.Errorf("it lay at %+v, and stands %+v", before.Pieces[at], p)
	}
	log("c", SowingEvent{Sowing: raised, What: "done", Task: "plant-out"})
	if len(st.Household.Placements) != kept+2 {
		t.Errorf("planted out, it stands %+v", st.Household.Placements)
	}
	_, body, _ = call(t, s, "/api/layout", nil)
	for _, p := range decoded[Layout](t, body).Pieces {
		said := slices.ContainsFunc(st.Household.Placements, func(x Placement) bool { return x.Sowing == p.Planting })
		if said != p.Stands {
			t.Errorf("%+v", p)
		}
	}
	for _, n := range []string{"d", "e", "f"} {
		step(t, s, "undo", n)
	}
	if now, _ := json.Marshal(state(t, s).Household); string(now) != string(first) {
		t.Errorf("taken back, it is\n%s\nnot\n%s", now, first)
	}
}

// A patch that stands is where it is said to be: where the layout has it, or put in
// a bed, whatever stood there; what does not stand yet cannot stay.
func TestAPatchStandsWhereItIs(t *testing.T) {
	s := served(t, true)
	do, _ := editing(t, s)
	const patch = "27-w37-fresh-1-stands"
	id := patch
	st := do(Edit{Command: "remove-placement", Target: &id}, 200)
	ask := func(n string, a PlaceAsk, wanted int) State {
		t.Helper()
		a.Client, a.ID, a.Revision = "t", n, st.Revision
		status, body, _ := call(t, s, "/api/placements", a)
		if status != wanted {
			t.Fatalf("%s: %d %s", n, status, body)
		}
		if status != http.StatusOK {
			return State{}
		}
		st = decoded[State](t, body)
		return st
	}
	yes := true
	_, body, _ := call(t, s, "/api/layout", nil)
	l := decoded[Layout](t, body)
	at := l.Pieces[slices.IndexFunc(l.Pieces, func(p Piece) bool { return p.Planting == patch })]
	ask("stay", PlaceAsk{Sowing: patch, Stays: &yes}, 200)
	if p := st.Household.Placements[len(st.Household.Placements)-1]; p.Sowing != patch || !p.Stands || p.Bed != at.Bed || p.At != at.At {
		t.Errorf("%+v, where the layout had it at %+v", p, at)
	}
	ask("twice", PlaceAsk{Sowing: patch, Stays: &yes}, 422)
	ask("not yet", PlaceAsk{Sowing: "27-w3-canned-1", Stays: &yes}, 422)
	ask("moved", PlaceAsk{Sowing: patch, Bed: "b2"}, 200)
	if p := st.Household.Placements[len(st.Household.Placements)-1]; p.Bed != "b2" || !p.Stands || len(p.Parts) != 0 {
		t.Errorf("%+v", p)
	}
}
