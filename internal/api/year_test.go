package api

import (
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/stock"
)

// Every answer about the year keeps the contract, unknown fields included.
func TestTheYearKeepsTheContract(t *testing.T) {
	doc, s := strict(t), served(t, true)
	keeps := func(schema string, body []byte) {
		t.Helper()
		var value any
		if err := json.Unmarshal(body, &value); err != nil {
			t.Fatalf("%v in %.200s", err, body)
		}
		if err := doc.Components.Schemas[schema].Value.VisitJSON(value); err != nil {
			t.Errorf("%s: %v", schema, err)
		}
	}
	each := func(schema string, body []byte) int {
		t.Helper()
		all := decoded[[]json.RawMessage](t, body)
		for _, one := range all {
			keeps(schema, one)
		}
		return len(all)
	}
	for _, n := range []int{0, 14, 51} {
		status, body, _ := call(t, s, fmt.Sprintf("/api/week?week=%d", n), nil)
		if status != http.StatusOK {
			t.Fatalf("week %d: %d %s", n, status, body)
		}
		keeps("Week", body)
	}
	_, body, _ := call(t, s, "/api/remedies?wish=w1", nil)
	if n := each("Remedy", body); n < 5 {
		t.Errorf("%d ways of closing the carrots' gap", n)
	}
	_, body, _ = call(t, s, "/api/remedies?week=3", nil)
	if n := each("Remedy", body); n != 0 {
		t.Errorf("a week that is not too full wants %d helps", n)
	}
	_, body, _ = call(t, s, "/api/book", nil)
	keeps("CropBook", body)
	b := decoded[CropBook](t, body)
	own := 0
	for _, c := range b.Crops {
		if c.Own {
			own++
		}
		if len(c.Figures) == 0 || len(c.Facts) == 0 {
			t.Errorf("%s stands in the book without figures or facts", c.ID)
		}
	}
	if own != 1 || len(b.Crops) != len(book.Usual().Crops())+1 || len(b.Preparations) != len(book.Usual().Preparations())+1 {
		t.Errorf("%d crops, %d of their own, %d preparations", len(b.Crops), own, len(b.Preparations))
	}
	_, body, _ = call(t, s, "/api/lots-read", Line{Text: "food,form,count,put_up\nbeet,cellar,3,2026-10-01\n"})
	if n := each("Lot", body); n != 1 {
		t.Errorf("%d lots were read", n)
	}
	_, body, _ = call(t, s, "/api/reference", nil)
	keeps("Reference", body)
	if !strings.Contains(string(body), "Ferry bean") || !strings.Contains(string(body), "not a tested recipe") {
		t.Error("the household's own crops and preparations are not in the reference")
	}
	_, body, _ = call(t, s, "/api/lines", Line{Text: "2 kg ferry beans a week"})
	if r := decoded[[]Reading](t, body); len(r) != 1 || r[0].Wish.Variety != "ferry-bean" {
		t.Errorf("a line with an own kind: %s", body)
	}
}

// What is written as a file comes with its type and a name to keep it by.
func TestFilesHaveTheirTypes(t *testing.T) {
	s := served(t, true)
	for path, want := range map[string][3]string{
		"/api/shelf-file":        {"text/csv", "shelf.csv", "food,form,preparation,count"},
		"/api/calendar?units=us": {"text/calendar", "sowings.ics", "BEGIN:VCALENDAR"},
	} {
		status, body, head := call(t, s, path, nil)
		if status != http.StatusOK || !strings.HasPrefix(head.Get("Content-Type"), want[0]) || !strings.Contains(head.Get("Content-Disposition"), want[1]) || !strings.HasPrefix(string(body), want[2]) {
			t.Errorf("%s: %d %s %s %.60s", path, status, head.Get("Content-Type"), head.Get("Content-Disposition"), body)
		}
	}
}

func TestQuestionsThatHaveNoAnswer(t *testing.T) {
	s, empty := served(t, true), served(t, false)
	for path, want := range map[string]string{
		"/api/week?week=52": "at most 51", "/api/week?week=-1": "at least 0", "/api/remedies": "Name a wish or a week", "/api/remedies?wish=w99": "no wish", "/api/remedies?week=99": "at most 51",
	} {
		if status, body, _ := call(t, s, path, nil); status < 400 || status >= 500 || !strings.Contains(string(body), want) {
			t.Errorf("%s: %d %s", path, status, body)
		}
	}
	for _, path := range []string{"/api/week?week=1", "/api/remedies?wish=w1", "/api/shelf-file", "/api/calendar"} {
		if status, body, _ := call(t, empty, path, nil); status != http.StatusNotFound || !strings.Contains(string(body), "no household") {
			t.Errorf("%s without a household: %d %s", path, status, body)
		}
	}
	if status, body, _ := call(t, s, "/api/weather-read", WeatherFile{Text: "DATE,TMAX,TMIN\n2020-01-01,3,-2\n", Degrees: "C"}); status != 422 || !strings.Contains(string(body), "a year of days") {
		t.Errorf("one day of weather: %d %s", status, body)
	}
	if status, body, _ := call(t, s, "/api/lots-read", Line{Text: "food,form\n"}); status != 422 || !strings.Contains(string(body), "a column named count") {
		t.Errorf("a file without columns: %d %s", status, body)
	}
}

// A weather file is read against the household's own place.
func TestWeatherIsRead(t *testing.T) {
	doc, s := strict(t), served(t, true)
	var text strings.Builder
	text.WriteString("DATE,TMAX,TMIN\n")
	for d := civil.Of(2018, 1, 1); d < civil.Of(2021, 1, 1); d++ {
		low := 41 // °F
		if d.YearDay() < 130 || d.YearDay() > 270 {
			low = 30
		}
		fmt.Fprintf(&text, "%s,68,%d\n", d, low)
	}
	status, body, _ := call(t, s, "/api/weather-read", WeatherFile{Text: text.String(), Degrees: "F"})
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	var value any
	if err := json.Unmarshal(body, &value); err != nil {
		t.Fatal(err)
	}
	if err := doc.Components.Schemas["WeatherRecord"].Value.VisitJSON(value); err != nil {
		t.Error(err)
	}
	r := decoded[WeatherRecord](t, body)
	if r.Place.Latitude != 47.5 || r.Place.MeanMax[6] != 20 || r.Place.MeanMin[6] != 5 || r.Years != 3 || r.Place.LastFrost.String() != "05-10" || r.Place.FirstFrost.String() != "09-29" {
		t.Errorf("%+v", r)
	}
}

// The commands of the shelf, the patches and the own rows, done and taken back.
func TestCommandsOfTheYear(t *testing.T) {
	s := served(t, true)
	before := state(t, s)
	do, takeBack := editing(t, s)
	target := func(id string) *string { return &id }
	lot := stock.Lot{Food: "parsnip", Form: "cellar", Count: 2, Size: 8, Unit: "kg", PutUp: civil.Of(2026, 11, 1)}
	added := do(Edit{Command: "add-lot", Lot: &lot}, 200)
	last := added.Household.Lots[len(added.Household.Lots)-1]
	if last.ID == "" || last.Food != "parsnip" || len(added.Plan.Shelf) != len(before.Plan.Shelf)+1 {
		t.Errorf("%+v", last)
	}
	last.Count = 5
	do(Edit{Command: "change-lot", Lot: &last}, 200)
	last.Count = -1
	do(Edit{Command: "change-lot", Lot: &last}, 422)
	do(Edit{Command: "remove-lot", Target: target(last.ID)}, 200)
	do(Edit{Command: "remove-lot", Target: target(last.ID)}, 422)
	lots := []stock.Lot{lot, lot}
	if got := do(Edit{Command: "add-lots", Lots: &lots}, 200); len(got.Household.Lots) != len(before.Household.Lots)+2 || !strings.Contains(got.Words, "added 2 items") {
		t.Errorf("%d lots, %q", len(got.Household.Lots), got.Words)
	}
	none := []stock.Lot{}
	do(Edit{Command: "add-lots", Lots: &none}, 422)
	do(Edit{Command: "add-patch", Patch: &household.Patch{Crop: "rhubarb", Plants: 4, Planted: 2020}}, 200)
	do(Edit{Command: "add-patch", Patch: &household.Patch{Crop: "carrot", Plants: 4, Planted: 2020}}, 422)
	got := do(Edit{Command: "add-own-crop", OwnCrop: &book.OwnCrop{ID: "mine", From: "kale", Food: "kale", Name: "Black river kale"}}, 200)
	if len(got.Household.OwnCrops) != 2 {
		t.Errorf("%+v", got.Household.OwnCrops)
	}
	do(Edit{Command: "add-own-crop", OwnCrop: &book.OwnCrop{ID: "mine", From: "kale", Food: "kale", Name: "Another"}}, 422)
	do(Edit{Command: "add-own-preparation", OwnPreparation: &book.OwnPreparation{From: "sauerkraut", Name: "Kale kraut", Crops: []string{"mine"}}}, 200)
	do(Edit{Command: "remove-own-crop", Target: target("mine")}, 422) // the kraut is made of it
	do(Edit{Command: "remove-own-crop", Target: target("ferry-bean")}, 422)
	takeBack()
	a, _ := json.Marshal(before.Household)
	z, _ := json.Marshal(state(t, s).Household)
	if string(a) != string(z) {
		t.Errorf("taken back, the household is\n%s\nnot\n%s", z, a)
	}
}
