package api

import (
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/standin"
)

// What is put down of a sowing moves it and is listed; said twice it is done
// once; taken back it is gone.
func TestTheLog(t *testing.T) {
	doc, s := strict(t), served(t, true)
	before := state(t, s)
	k := slices.IndexFunc(before.Plan.Sowings, func(s Sowing) bool { return s.Method == season.Indoors && len(s.Feeds) > 1 })
	lettuce := before.Plan.Sowings[k]
	entry := Log{Client: "t", ID: "l1", Revision: before.Revision, Event: SowingEvent{Sowing: lettuce.ID, What: "set", Day: lettuce.Date + 7}}
	status, body, _ := call(t, s, "/api/log", entry)
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	var value any
	if err := json.Unmarshal(body, &value); err != nil {
		t.Fatal(err)
	}
	if err := doc.Components.Schemas["State"].Value.VisitJSON(value); err != nil {
		t.Error(err)
	}
	after := decoded[State](t, body)
	if !strings.HasPrefix(after.Words, "moved ") || after.Moves == nil || len(*after.Moves) == 0 || len(after.Household.Plantings) != len(before.Household.Plantings)+1 {
		t.Errorf("%q, %+v", after.Words, after.Moves)
	}
	if status, body, _ = call(t, s, "/api/log", entry); status != 200 || decoded[State](t, body).Revision != after.Revision {
		t.Errorf("said twice: %d %s", status, body[:min(200, len(body))])
	}
	entry.ID, entry.Event.What = "l2", "sing"
	if status, body, _ = call(t, s, "/api/log", entry); status != http.StatusUnprocessableEntity || !strings.Contains(string(body), "one of set") {
		t.Errorf("%d %s", status, body)
	}
	entry.ID, entry.Event = "l3", SowingEvent{Sowing: "27-nobody", What: "set"}
	if status, _, _ = call(t, s, "/api/log", entry); status != http.StatusUnprocessableEntity {
		t.Errorf("a sowing that is not there: %d", status)
	}
	if back := step(t, s, "undo", "u1"); len(back.Household.Plantings) != len(before.Household.Plantings) || back.Plan.Tally != before.Plan.Tally {
		t.Error("taken back, the plan is not as it was")
	}
}

// Several sowings are put down as one edit: what follows is foreseen before it, one undo
// takes all of it back, and a mistake in one of them changes nothing.
func TestTheLogOfSeveral(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	var events []SowingEvent
	for _, x := range before.Plan.Sowings {
		if !x.Begun && x.Method == season.Direct && len(events) < 3 {
			events = append(events, SowingEvent{Sowing: x.ID, What: "set", Day: x.Date + 6})
		}
	}
	status, body, _ := call(t, s, "/api/foresight", Change{Command: "log-all", Events: events})
	if status != http.StatusOK || len(decoded[Foresight](t, body).Moves) < 3 {
		t.Fatalf("%d %s", status, body)
	}
	status, body, _ = call(t, s, "/api/log-all", LogAll{Client: "t", ID: "a1", Revision: before.Revision, Events: events})
	after := decoded[State](t, body)
	if status != http.StatusOK || after.Words != "recorded what happened to 3 sowings" || len(after.Household.Plantings) != len(before.Household.Plantings)+3 || after.Revision != before.Revision+1 {
		t.Fatalf("%d %s: %d plantings", status, after.Words, len(after.Household.Plantings))
	}
	bad := append(slices.Clone(events[:1]), SowingEvent{Sowing: "27-nobody", What: "as-planned"})
	if status, body, _ = call(t, s, "/api/log-all", LogAll{Client: "t", ID: "a2", Revision: after.Revision, Events: bad}); status != http.StatusUnprocessableEntity || !strings.Contains(string(body), "events[1].sowing") {
		t.Errorf("%d %s", status, body)
	}
	if back := step(t, s, "undo", "u1"); len(back.Household.Plantings) != len(before.Household.Plantings) || back.Plan.Tally != before.Plan.Tally {
		t.Error("taken back, the plan is not as it was")
	}
}

// The commands of the season, done and taken back.
func TestCommandsOfTheSeason(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	do, takeBack := editing(t, s)
	got := do(Edit{Command: "set-habit", Habit: &household.Habit{Crop: "tomato-slicing", Method: season.Bought, NotBefore: civil.MonthDay{Month: 5, Day: 20}}}, 200)
	k := slices.IndexFunc(got.Plan.Sowings, func(s Sowing) bool { return s.Crop == "tomato-slicing" })
	if tomato := got.Plan.Sowings[k]; tomato.Method != season.Bought || tomato.Date < civil.Of(2027, 5, 20) || !strings.Contains(got.Words, "tomato") {
		t.Errorf("%q: %s on %s", got.Words, tomato.Method, tomato.Date)
	}
	do(Edit{Command: "set-habit", Habit: &household.Habit{Crop: "potato-early", Method: season.Indoors}}, 422)
	do(Edit{Command: "set-habit", Habit: &household.Habit{Crop: "carrot", DayLength: "long"}}, 422)
	do(Edit{Command: "set-habit", Habit: &household.Habit{Crop: "nothing"}}, 200) // there is none to forget
	if got = do(Edit{Command: "set-habit", Habit: &household.Habit{Crop: "tomato-slicing"}}, 200); len(got.Household.Habits) != len(before.Household.Habits) {
		t.Errorf("%+v", got.Household.Habits)
	}
	got = do(Edit{Command: "agree"}, 200)
	if a := got.Household.Baseline; a == nil || a.Plants != got.Plan.Tally.Plants || a.Year != 2027 || len(a.Sowings) < 90 || len(got.Plan.Changed) != 0 {
		t.Errorf("agreed: %+v, changed %d", a, len(got.Plan.Changed))
	}
	w := got.Household.Wishes[4] // lettuce
	w.Amount.Number *= 2
	if got = do(Edit{Command: "change-wish", Wish: &w}, 200); len(got.Plan.Changed) == 0 {
		t.Error("what changed since is not listed")
	}
	if got = do(Edit{Command: "disagree"}, 200); got.Household.Baseline != nil || len(got.Plan.Changed) != 0 {
		t.Error("the agreement was not taken back")
	}
	days := []place.Day{{Date: civil.Of(2027, 1, 1), Max: 4, Min: -2}, {Date: civil.Of(2027, 1, 2), Max: 5, Min: 1}}
	moved := before.Household.Place
	moved.Altitude = 200
	if got = do(Edit{Command: "set-weather", Place: &moved, Weather: &days}, 200); len(got.Household.Weather) != 2 || got.Household.Place.Altitude != 200 {
		t.Errorf("%+v", got.Household.Weather)
	}
	backwards := []place.Day{days[1], days[0]}
	do(Edit{Command: "set-weather", Weather: &backwards}, 422)
	none := []place.Day{}
	if got = do(Edit{Command: "set-weather", Weather: &none}, 200); len(got.Household.Weather) != 0 {
		t.Errorf("%+v", got.Household.Weather)
	}
	gone := before.Household.Plantings[0].ID
	if got = do(Edit{Command: "remove-planting", Target: &gone}, 200); len(got.Household.Plantings) != len(before.Household.Plantings)-1 || !strings.Contains(got.Words, "garlic") {
		t.Errorf("%q", got.Words)
	}
	takeBack()
	a, _ := json.Marshal(before.Household)
	z, _ := json.Marshal(state(t, s).Household)
	if string(a) != string(z) {
		t.Errorf("taken back, the household is\n%s\nnot\n%s", z, a)
	}
}

// The simulated station is asked by its address, like a real one; what does not
// answer as a station is said.
func TestTheStationIsFetched(t *testing.T) {
	doc, s := strict(t), served(t, true)
	station := httptest.NewServer(standin.Station(func() civil.Date { return civil.Of(2027, 1, 12) }))
	defer station.Close()
	ask := func(address, id string) (int, []byte) {
		status, body, _ := call(t, s, "/api/station-read", StationAsk{Address: address, Station: &id})
		return status, body
	}
	status, body := ask(station.URL, "")
	if places := decoded[StationAnswer](t, body); status != 200 || len(places.Places) != len(place.Examples()) || places.Record != nil {
		t.Fatalf("%d %s", status, body)
	}
	status, body = ask(strings.TrimPrefix(station.URL, "http://"), "river-plain")
	var value any
	if err := json.Unmarshal(body, &value); err != nil {
		t.Fatal(err)
	}
	if err := doc.Components.Schemas["StationAnswer"].Value.VisitJSON(value); err != nil {
		t.Error(err)
	}
	r := decoded[StationAnswer](t, body).Record
	if status != 200 || r == nil || r.Years != 12 || len(r.Recent) < 390 || r.Place.FrostFree || r.Place.MeanMax[6] < 23 || r.Place.MeanMax[6] > 29 {
		t.Fatalf("%d %+v", status, r)
	}
	if last := r.Place.LastFrost; last.Month < 4 || last.Month > 5 {
		t.Errorf("the last frost is %s", last)
	}
	if status, body = ask(station.URL, "the-moon"); status != http.StatusUnprocessableEntity {
		t.Errorf("%d %s", status, body)
	}
	page := httptest.NewServer(http.NotFoundHandler())
	defer page.Close()
	for _, address := range []string{"", "ftp://here", "http://127.0.0.1:1", page.URL, "::"} {
		if status, body = ask(address, ""); status != http.StatusUnprocessableEntity || !strings.Contains(string(body), "address") {
			t.Errorf("%q: %d %s", address, status, body)
		}
	}
}

func TestThePlaceIsDrawn(t *testing.T) {
	s := served(t, true)
	p := place.Examples()[0].Place
	status, body, _ := call(t, s, "/api/place-chart", p)
	c := decoded[PlaceChart](t, body)
	if status != 200 || len(c.Max) != 74 || c.Max[0] != c.Max[73] || c.FrostFree != 169 || c.Frost[0] != 1 || c.Frost[36] > 0.01 {
		t.Errorf("%d %+v", status, c)
	}
	p.MeanMax[3] = -40
	if status, body, _ = call(t, s, "/api/place-chart", p); status != http.StatusUnprocessableEntity {
		t.Errorf("%d %s", status, body)
	}
	feed := "/api" + *state(t, s).Calendar
	if status, _, _ := call(t, s, "/api/calendar/guessed/sowings.ics", nil); status != http.StatusNotFound {
		t.Errorf("the calendar under a guessed address: %d", status)
	}
	for _, path := range []string{"/api/calendar", feed + "?units=us"} {
		status, body, header := call(t, s, path, nil)
		if status != 200 || !strings.HasPrefix(string(body), "BEGIN:VCALENDAR") || !strings.HasPrefix(header.Get("Content-Type"), "text/calendar") {
			t.Errorf("%s: %d %q", path, status, header.Get("Content-Type"))
		}
		if feed := strings.Contains(path, ".ics"); feed == (header.Get("Content-Disposition") != "") {
			t.Errorf("%s: %q", path, header.Get("Content-Disposition"))
		}
	}
}
