package exchange

import (
	"context"
	"encoding/csv"
	"encoding/json"
	"errors"
	"io"
	"net"
	"net/http"
	"net/netip"
	"net/url"
	"strconv"
	"strings"
	"syscall"
	"time"

	"inventory/internal/core/civil"
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

	mostStationPlaces = 500
)

// StationPlaces asks a weather station which places it has. An address that
// cannot be, or a station that does not answer, is an invalid.Field.
func StationPlaces(ctx context.Context, address string) ([]StationPlace, error) {
	body, err := ask(ctx, address, "/places", nil)
	if err != nil {
		return nil, err
	}
	var out []StationPlace
	if err := json.Unmarshal(body, &out); err != nil || len(out) == 0 || len(out) > mostStationPlaces {
		return nil, &invalid.Field{Field: "address", Value: address, Allowed: "a station that lists its places as JSON under /places"}
	}
	for i := range out {
		p := &out[i]
		Clean(p)
		if p.ID == "" || p.Name == "" || len(p.ID) > 100 || len(p.Name) > 200 {
			return nil, &invalid.Field{Field: "address", Value: address, Allowed: "a station whose places have an id and a name"}
		}
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
	days, notes, err := ReadWeather(strings.NewReader(string(body)), false)
	if err != nil {
		return nil, nil, &invalid.Field{Field: "address", Value: address, Allowed: "a station that gives its days as CSV with date, max and min under /days; what came cannot be read"}
	}
	return days, notes, nil
}

// mostNights bounds the nights of a forecast.
const mostNights = 30

// StationNights fetches the nights that a weather station forecasts for a place.
func StationNights(ctx context.Context, address, id string) ([]place.Night, error) {
	body, err := ask(ctx, address, "/nights", url.Values{"place": {id}})
	if err != nil {
		return nil, err
	}
	wrong := &invalid.Field{Field: "address", Value: address, Allowed: "a station that gives its forecast as CSV with DATE and TMIN under /nights; what came cannot be read"}
	rows, err := csv.NewReader(strings.NewReader(string(body))).ReadAll()
	if err != nil || len(rows) == 0 || len(rows) > mostNights+1 || len(rows[0]) != 2 || rows[0][0] != "DATE" || rows[0][1] != "TMIN" {
		return nil, wrong
	}
	out := []place.Night{}
	for _, row := range rows[1:] {
		day, err := civil.Parse(row[0])
		low, err2 := strconv.ParseFloat(row[1], 64)
		if err != nil || err2 != nil || !(low > -90 && low < 60) {
			return nil, wrong
		}
		out = append(out, place.Night{Date: day, Min: low})
	}
	return out, nil
}

// stationAddress is what a right address looks like.
const stationAddress = "an address such as http://192.168.1.20:8090"

// errForbidden is what a connection to an address that no station has gives.
var errForbidden = errors.New("no weather station has such an address")

// reach is how stations are asked. An address that names the machine's own network
// link (169.254.x.x, fe80::), where some machines answer with their secrets, is not
// connected to, whatever name led there; and a station that sends on to another host
// is not followed, since nobody has named that one.
var reach = &http.Client{
	Transport: &http.Transport{DialContext: (&net.Dialer{Timeout: stationPatience, Control: func(_, address string, _ syscall.RawConn) error {
		at, err := netip.ParseAddrPort(address)
		if ip := at.Addr().Unmap(); err != nil || ip.IsLinkLocalUnicast() || ip.IsMulticast() || ip.IsUnspecified() {
			return errForbidden
		}
		return nil
	}}).DialContext},
	CheckRedirect: func(req *http.Request, via []*http.Request) error {
		if req.URL.Host != via[0].URL.Host || len(via) > 3 {
			return errForbidden
		}
		return nil
	},
}

// ask fetches what a station has under a path. What it says in an error is not
// repeated: it may come from something that is no station.
func ask(ctx context.Context, address, path string, query url.Values) ([]byte, error) {
	wrong := func(allowed string) error { return &invalid.Field{Field: "address", Value: address, Allowed: allowed} }
	if !strings.Contains(address, "://") {
		address = "http://" + address
	}
	u, err := url.Parse(address)
	if err != nil || u.Host == "" || u.Scheme != "http" && u.Scheme != "https" {
		return nil, wrong(stationAddress)
	}
	u = u.JoinPath(path)
	u.RawQuery = query.Encode()
	ctx, cancel := context.WithTimeout(ctx, stationPatience)
	defer cancel()
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, u.String(), nil)
	if err != nil {
		return nil, wrong(stationAddress)
	}
	res, err := reach.Do(req)
	switch {
	case errors.Is(err, errForbidden):
		return nil, wrong("the address of a station itself; this one leads elsewhere")
	case err != nil:
		return nil, wrong("a station that answers; nothing came from there")
	}
	defer res.Body.Close()
	body, err := io.ReadAll(io.LimitReader(res.Body, largestRecord))
	switch {
	case err != nil:
		return nil, wrong("a station that sends all it has; it broke off")
	case res.StatusCode != http.StatusOK:
		return nil, wrong("a weather station; what answers there is none")
	}
	return body, nil
}
