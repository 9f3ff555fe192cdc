package exchange

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/url"
	"strings"
	"time"

	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// StationPlace is a place that a weather station has days of.
type StationPlace struct {
	ID        string  `json:"id"`
	Name      string  `json:"name"`
	Latitude  float64 `json:"latitude"`
	Altitude  float64 `json:"altitude"`
	Simulated bool    `json:"simulated,omitempty"`
}

// stationPatience is how long a station may take, and largestRecord how much it
// may send, bytes.
const (
	stationPatience = 15 * time.Second
	largestRecord   = 16 << 20
)

// StationPlaces asks a weather station which places it has. An address that
// cannot be, or a station that does not answer, is an invalid.Field.
func StationPlaces(ctx context.Context, address string) ([]StationPlace, error) {
	body, err := ask(ctx, address, "/places", nil)
	if err != nil {
		return nil, err
	}
	var out []StationPlace
	if err := json.Unmarshal(body, &out); err != nil || len(out) == 0 {
		return nil, &invalid.Field{Field: "address", Value: address, Allowed: "a station that lists its places as JSON under /places"}
	}
	return out, nil
}

// StationDays fetches the days that a weather station has of a place, and says
// what of them could not be read.
func StationDays(ctx context.Context, address, id string) ([]place.Day, []string, error) {
	body, err := ask(ctx, address, "/days", url.Values{"place": {id}})
	if err != nil {
		return nil, nil, err
	}
	return ReadWeather(strings.NewReader(string(body)), false)
}

func ask(ctx context.Context, address, path string, query url.Values) ([]byte, error) {
	wrong := func(allowed string) error { return &invalid.Field{Field: "address", Value: address, Allowed: allowed} }
	if !strings.Contains(address, "://") {
		address = "http://" + address
	}
	u, err := url.Parse(address)
	if err != nil || u.Host == "" || u.Scheme != "http" && u.Scheme != "https" {
		return nil, wrong("an address such as http://192.168.1.20:8090")
	}
	u = u.JoinPath(path)
	u.RawQuery = query.Encode()
	ctx, cancel := context.WithTimeout(ctx, stationPatience)
	defer cancel()
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, u.String(), nil)
	if err != nil {
		return nil, wrong("an address such as http://192.168.1.20:8090")
	}
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		return nil, wrong("a station that answers; nothing came from there")
	}
	defer res.Body.Close()
	body, err := io.ReadAll(io.LimitReader(res.Body, largestRecord))
	switch {
	case err != nil:
		return nil, wrong("a station that sends all it has; it broke off")
	case res.StatusCode != http.StatusOK:
		return nil, wrong(fmt.Sprintf("a weather station; from there came “%s”", res.Status))
	}
	return body, nil
}
