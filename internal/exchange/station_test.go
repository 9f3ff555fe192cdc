package exchange

import (
	"context"
	"fmt"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/standin"
)

// The simulated station gives years of days of each of its places, from which the
// place's own climate comes out.
func TestTheSimulatedStation(t *testing.T) {
	s := httptest.NewServer(standin.Station(func() civil.Date { return civil.Of(2027, 3, 5) }))
	defer s.Close()
	places, err := StationPlaces(context.Background(), s.URL)
	if err != nil || len(places) != len(place.Examples()) {
		t.Fatalf("%d places: %v", len(places), err)
	}
	for i, p := range places {
		if !p.Simulated || p.Latitude != place.Examples()[i].Place.Latitude {
			t.Errorf("%+v", p)
		}
		days, notes, err := StationDays(context.Background(), s.URL+"/", p.ID)
		if err != nil || len(notes) != 0 {
			t.Fatalf("%s: %v %q", p.ID, err, notes)
		}
		if first, last := days[0].Date, days[len(days)-1].Date; first != civil.Of(2015, 1, 1) || last != civil.Of(2027, 3, 4) || len(days) != int(last-first)+1 {
			t.Errorf("%s: %d days from %s to %s", p.ID, len(days), first, last)
		}
		again, _, err := StationDays(context.Background(), s.URL, p.ID)
		if err != nil || again[100].Max != days[100].Max || again[4000].Min != days[4000].Min {
			t.Errorf("%s: asked again it has other weather: %v", p.ID, err)
		}
		if r, err := place.FromWeather(place.Place{Latitude: p.Latitude}, days); err != nil || r.Place.FrostFree != place.Examples()[i].Place.FrostFree && !mild(place.Examples()[i].Place) {
			t.Errorf("%s: %+v %v", p.ID, r.Place, err)
		}
	}
}

// What is no station is told by its address, with what would be right.
func TestWhatIsNoStation(t *testing.T) {
	answers := map[string]http.HandlerFunc{
		"a list of JSON":  func(w http.ResponseWriter, _ *http.Request) { fmt.Fprint(w, "<html>hello</html>") },
		"as JSON":         func(w http.ResponseWriter, _ *http.Request) { fmt.Fprint(w, "[]") },
		"weather station": func(w http.ResponseWriter, _ *http.Request) { http.Error(w, "no", http.StatusTeapot) },
	}
	for want, answer := range answers {
		s := httptest.NewServer(answer)
		_, err := StationPlaces(context.Background(), s.URL)
		s.Close()
		if err == nil || !strings.Contains(err.Error(), strings.TrimPrefix(want, "a list of ")) {
			t.Errorf("%v, wanted something of %q", err, want)
		}
	}
	for _, address := range []string{"", "nowhere at all", "gopher://x", "http://", "127.0.0.1:1"} {
		if _, err := StationPlaces(context.Background(), address); err == nil {
			t.Errorf("%q is taken for a station", address)
		}
	}
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, _, err := StationDays(ctx, "http://127.0.0.1:1", "x"); err == nil {
		t.Error("a request given up came back with days")
	}
}

// The forecast of the simulated station is the weather that it later has had.
func TestTheStationForecastsNights(t *testing.T) {
	today := civil.Of(2027, 5, 8)
	s := httptest.NewServer(standin.Station(func() civil.Date { return today }))
	defer s.Close()
	nights, err := StationNights(context.Background(), s.URL, "river-plain")
	if err != nil || len(nights) != standin.StationNights || nights[0].Date != today+1 {
		t.Fatalf("%+v: %v", nights, err)
	}
	today += 30
	days, _, err := StationDays(context.Background(), s.URL, "river-plain")
	if err != nil {
		t.Fatal(err)
	}
	for _, n := range nights {
		if had := days[int(n.Date-days[0].Date)]; had.Min != n.Min {
			t.Errorf("forecast for %s %g °C, it was %g", n.Date, n.Min, had.Min)
		}
	}
	if _, err := StationNights(context.Background(), s.URL, "nowhere"); err == nil {
		t.Error("a place that the station does not have has a forecast")
	}
}

// A forecast that cannot be read is refused, whatever is wrong with it.
func TestWhatIsNoForecast(t *testing.T) {
	for _, text := range []string{"", "<html>", "DATE,TMIN\n2027-13-40,1\n", "DATE,TMIN\n2027-05-09,warm\n", "DATE,TMIN\n2027-05-09,-300\n", "DATE,TMIN\n2027-05-09,NaN\n", "day,low\n", "DATE,TMIN\n" + strings.Repeat("2027-05-09,1\n", 40)} {
		s := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { fmt.Fprint(w, text) }))
		nights, err := StationNights(context.Background(), s.URL, "x")
		s.Close()
		if err == nil {
			t.Errorf("%q is read as %v", text, nights)
		}
	}
}

// mild reports whether the nights of the coldest month are so mild that a dozen years may have a frost or none.
func mild(p place.Place) bool { return slices.Min(p.MeanMin[:]) > 3 && slices.Min(p.MeanMin[:]) < 10 }
