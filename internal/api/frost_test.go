package api

import (
	"bytes"
	"context"
	"net/http/httptest"
	"path/filepath"
	"sync/atomic"
	"testing"
	"testing/fstest"

	"net/http"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
	"inventory/internal/standin"
	"inventory/internal/store"
)

// A frost night that the station forecasts is told with what stands tender; the station is asked
// once a day, and one that does not answer leaves nothing said.
func TestFrostNights(t *testing.T) {
	today := civil.Of(2027, 5, 10)
	var asked atomic.Int32
	simulated := standin.Station(func() civil.Date { return today })
	station := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.URL.Path == "/nights" {
			asked.Add(1)
		}
		simulated.ServeHTTP(w, r)
	}))
	defer station.Close()
	st, err := store.Open(context.Background(), filepath.Join(t.TempDir(), "a.db"))
	if err != nil {
		t.Fatal(err)
	}
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := st.Apply(context.Background(), store.Edit{ID: "begin", Command: "begin", Household: &h}); err != nil {
		t.Fatal(err)
	}
	handler, err := New(Options{Store: st, AsOf: func() civil.Date { return today }, Station: station.URL, Web: fstest.MapFS{"index.html": {Data: []byte("<title>Inventory</title>")}}})
	if err != nil {
		t.Fatal(err)
	}
	s := httptest.NewServer(handler)
	t.Cleanup(func() { s.Close(); _ = st.Close() })
	frost := func() []plan.FrostNight {
		t.Helper()
		status, body, _ := call(t, s, "/api/frost-nights", nil)
		if status != http.StatusOK {
			t.Fatalf("%d %s", status, body)
		}
		return decoded[FrostNights](t, body).Nights
	}
	if got := frost(); len(got) != 0 {
		t.Errorf("with nothing tender in the beds: %+v", got)
	}
	now := state(t, s)
	status, body, _ := call(t, s, "/api/growing", GrowingAll{Client: "t", ID: "g1", Revision: now.Revision, Growing: []plan.Growing{{Crop: "tomato-slicing", Count: 9, By: plan.ByPlants, Since: today - 2, Set: true}}})
	if status != http.StatusOK {
		t.Fatalf("%d %s", status, body)
	}
	got := frost()
	if len(got) != 1 || got[0].Date != civil.Of(2027, 5, 13) || got[0].AtRisk[0].CropName != "Tomato, slicing" || got[0].AtRisk[0].Plants != 9 {
		t.Errorf("nine tomatoes before 0.5 °C: %+v", got)
	}
	if n := asked.Load(); n != 1 {
		t.Errorf("the station was asked %d times on one day", n)
	}
	today++
	if frost(); asked.Load() != 2 {
		t.Error("on a new day it is not asked")
	}
	station.Close()
	today++
	if got := frost(); len(got) != 0 {
		t.Errorf("the station is gone, and it is told %+v", got)
	}
}
