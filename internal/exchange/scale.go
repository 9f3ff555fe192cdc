package exchange

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"io"
	"math"
	"net/http"
	"net/url"
	"strings"
	"time"

	"inventory/internal/core/invalid"
)

// scalePatience is how long a scale may take to answer.
const scalePatience = 3 * time.Second

// MostOnScale is more than any kitchen scale bears, kg.
const MostOnScale = 500

// ScaleReading is what a scale shows.
type ScaleReading struct {
	Gram      int  `json:"gram"`
	Stable    bool `json:"stable"`
	Overload  bool `json:"overload"`
	Simulated bool `json:"simulated"`
}

// ReadScale asks a kitchen scale what it shows: GET /weight under its address, as the document
// "A scale that Inventory can read" has it. What is wrong is an invalid.Field named "scale".
func ReadScale(ctx context.Context, address string) (ScaleReading, error) {
	body, err := askScale(ctx, address, http.MethodGet, "/weight", nil)
	if err != nil {
		return ScaleReading{}, err
	}
	var r struct {
		Weight    *float64 `json:"weight"`
		Unit      string   `json:"unit"`
		Stable    bool     `json:"stable"`
		Overload  bool     `json:"overload"`
		Simulated bool     `json:"simulated"`
	}
	nonsense := &invalid.Field{Field: "scale", Value: address, Allowed: "a scale that answers with its weight in kg or lb as JSON; what came cannot be read"}
	if err := json.Unmarshal(body, &r); err != nil || r.Weight == nil {
		return ScaleReading{}, nonsense
	}
	kg := *r.Weight
	switch r.Unit {
	case "kg":
	case "g":
		kg /= 1000
	case "lb":
		kg *= 0.45359237
	case "oz":
		kg *= 0.028349523125
	default:
		return ScaleReading{}, nonsense
	}
	if math.IsNaN(kg) || math.Abs(kg) > MostOnScale {
		return ScaleReading{}, nonsense
	}
	return ScaleReading{Gram: int(math.Round(kg * 1000)), Stable: r.Stable, Overload: r.Overload, Simulated: r.Simulated}, nil
}

// TareScale calls what lies on a scale nothing.
func TareScale(ctx context.Context, address string) error {
	_, err := askScale(ctx, address, http.MethodPost, "/tare", nil)
	return err
}

// SimulateScale puts something on a simulated scale. A real one refuses.
func SimulateScale(ctx context.Context, address string, kg float64) error {
	if math.IsNaN(kg) || kg < 0 || kg > MostOnScale {
		return &invalid.Field{Field: "kg", Value: invalid.FormatNumber(kg), Allowed: "0 to 500 kg"}
	}
	body, err := json.Marshal(map[string]float64{"kg": kg})
	if err == nil {
		_, err = askScale(ctx, address, http.MethodPost, "/simulate", body)
	}
	return err
}

// askScale speaks to a scale. Nothing of what it says in an error is repeated.
func askScale(ctx context.Context, address, method, path string, send []byte) ([]byte, error) {
	wrong := func(allowed string) error { return &invalid.Field{Field: "scale", Value: address, Allowed: allowed} }
	if !strings.Contains(address, "://") {
		address = "http://" + address
	}
	u, err := url.Parse(address)
	if err != nil || u.Host == "" || u.Scheme != "http" && u.Scheme != "https" {
		return nil, wrong("the address of a scale, such as http://192.168.1.30:8091")
	}
	ctx, cancel := context.WithTimeout(ctx, scalePatience)
	defer cancel()
	req, err := http.NewRequestWithContext(ctx, method, u.JoinPath(path).String(), bytes.NewReader(send))
	if err != nil {
		return nil, wrong("the address of a scale, such as http://192.168.1.30:8091")
	}
	res, err := reach.Do(req)
	switch {
	case errors.Is(err, errForbidden):
		return nil, wrong("the address of a scale itself; this one leads elsewhere")
	case err != nil:
		return nil, wrong("a scale that answers; nothing came from there. Is it switched on, and in the same network?")
	}
	defer res.Body.Close()
	body, err := io.ReadAll(io.LimitReader(res.Body, 10_000))
	switch {
	case err != nil:
		return nil, wrong("a scale that sends all it has; it broke off")
	case res.StatusCode != http.StatusOK && res.StatusCode != http.StatusNoContent:
		return nil, wrong("a scale; what answers there is none")
	}
	return body, nil
}
