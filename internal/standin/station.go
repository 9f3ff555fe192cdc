// Package standin holds small simulated devices and services that ship with the
// application, each reached by the client that a real one would be reached by.
package standin

import (
	"encoding/csv"
	"encoding/json"
	"net/http"
	"strconv"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// StationYears is how many whole years of days the station has of each place.
const StationYears = 12

// StationNights is for how many nights ahead the station forecasts.
const StationNights = 5

const noSuchPlace = "there is no such place; GET /places lists them"

// Station is a simulated weather station. It answers GET /places with its places
// as JSON, GET /days?place=ID with the days of one as CSV: DATE, TMAX, TMIN
// (°C) and PRCP (mm), to the day before the date it is, and GET /nights?place=ID with the
// lowest temperatures that it forecasts, as CSV: DATE (of the morning) and TMIN (°C).
func Station(asOf func() civil.Date) http.Handler {
	mux := http.NewServeMux()
	examples := place.Examples()
	mux.HandleFunc("GET /places", func(w http.ResponseWriter, _ *http.Request) {
		type entry struct {
			ID        string  `json:"id"`
			Name      string  `json:"name"`
			Latitude  float64 `json:"latitude"`
			Altitude  float64 `json:"altitude"`
			Simulated bool    `json:"simulated"`
		}
		out := make([]entry, len(examples))
		for i, e := range examples {
			out[i] = entry{e.ID, e.Place.Name, e.Place.Latitude, e.Place.Altitude, true}
		}
		w.Header().Set("Content-Type", "application/json")
		_ = json.NewEncoder(w).Encode(out) // the client may have gone
	})
	mux.HandleFunc("GET /days", func(w http.ResponseWriter, r *http.Request) {
		for i, e := range examples {
			if e.ID != r.URL.Query().Get("place") {
				continue
			}
			year, _, _ := asOf().Split()
			w.Header().Set("Content-Type", "text/csv; charset=utf-8")
			out := csv.NewWriter(w)
			_ = out.Write([]string{"DATE", "TMAX", "TMIN", "PRCP"})
			number := func(v float64) string { return strconv.FormatFloat(v, 'f', 1, 64) }
			for _, d := range place.Generate(e.Place, uint64(1000+i), civil.Of(year-StationYears, 1, 1), asOf()-1) {
				_ = out.Write([]string{d.Date.String(), number(d.Max), number(d.Min), number(*d.Rain)})
			}
			out.Flush()
			return
		}
		http.Error(w, noSuchPlace, http.StatusNotFound)
	})
	mux.HandleFunc("GET /nights", func(w http.ResponseWriter, r *http.Request) {
		for i, e := range examples {
			if e.ID != r.URL.Query().Get("place") {
				continue
			}
			w.Header().Set("Content-Type", "text/csv; charset=utf-8")
			out := csv.NewWriter(w)
			_ = out.Write([]string{"DATE", "TMIN"})
			// Its forecast is the weather that it will have had.
			year, _, _ := asOf().Split()
			all := place.Generate(e.Place, uint64(1000+i), civil.Of(year-StationYears, 1, 1), asOf()+StationNights)
			for _, d := range all[len(all)-StationNights:] {
				_ = out.Write([]string{d.Date.String(), strconv.FormatFloat(d.Min, 'f', 1, 64)})
			}
			out.Flush()
			return
		}
		http.Error(w, noSuchPlace, http.StatusNotFound)
	})
	return mux
}
