package standin

import (
	"encoding/json"
	"math"
	"net/http"
	"sync"
	"time"
)

// What the simulated scale can: kilograms that it bears, how long a load swings, and within how
// many kilograms and after how long it calls a weight stable.
const (
	scaleCapacity = 15.0
	scaleSwing    = 350 * time.Millisecond
	scaleStable   = 1200 * time.Millisecond
	poundsPerKg   = 1 / 0.45359237
)

// Scale is a simulated kitchen scale with a network interface. It answers GET /weight with what
// it shows as JSON, and POST /tare by calling what lies on it nothing. POST /simulate puts so many
// kilograms on it, sets its unit, or takes it off the network: a real scale has no such thing.
type Scale struct {
	now func() time.Time

	mu       sync.Mutex
	load     float64 // kg that lie on it
	from     float64 // what it showed when the load changed
	changed  time.Time
	tare     float64
	unit     string
	gone     bool
	restless bool // it never settles
	nonsense bool
}

// NewScale returns a scale with nothing on it. Now tells the time.
func NewScale(now func() time.Time) *Scale {
	return &Scale{now: now, unit: "kg", changed: now().Add(-time.Hour)}
}

// Weight is what a scale answers.
type Weight struct {
	Weight    float64 `json:"weight"` // without the tare
	Unit      string  `json:"unit"`   // kg or lb
	Stable    bool    `json:"stable"`
	Overload  bool    `json:"overload"`
	Simulated bool    `json:"simulated,omitempty"`
}

// Simulate is what happens to a simulated scale.
type Simulate struct {
	Kg       *float64 `json:"kg,omitempty"`
	Unit     string   `json:"unit,omitempty"`
	Gone     *bool    `json:"gone,omitempty"`
	Restless *bool    `json:"restless,omitempty"`
	Nonsense *bool    `json:"nonsense,omitempty"`
}

// ServeHTTP answers as the scale.
func (s *Scale) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if r.Method == http.MethodPost && r.URL.Path == "/simulate" {
		s.simulate(w, r)
		return
	}
	if s.gone { // the connection breaks off
		if h, ok := w.(http.Hijacker); ok {
			if c, _, err := h.Hijack(); err == nil {
				_ = c.Close()
			}
		}
		return
	}
	switch r.Method + " " + r.URL.Path {
	case "GET /weight":
		w.Header().Set("Content-Type", "application/json")
		if s.nonsense {
			_, _ = w.Write([]byte(`{"weight": "heavy"}`))
			return
		}
		_ = json.NewEncoder(w).Encode(s.weight())
	case "POST /tare":
		s.tare = s.load
		w.WriteHeader(http.StatusNoContent)
	default:
		http.NotFound(w, r)
	}
}

// weight is what the scale shows now: it swings in on its load.
func (s *Scale) weight() Weight {
	out := Weight{Unit: s.unit, Simulated: true, Overload: s.load > scaleCapacity}
	if out.Overload {
		return out
	}
	since := s.now().Sub(s.changed)
	swing := math.Exp(-float64(since)/float64(scaleSwing)) * math.Cos(float64(since)/float64(scaleSwing)*3)
	kg := s.load + (s.from-s.load)*swing - s.tare
	if s.restless {
		kg += 0.05 * math.Sin(float64(since)/1e8)
	}
	out.Stable = since >= scaleStable && !s.restless
	if out.Stable {
		kg = s.load - s.tare
	}
	out.Weight = math.Round(kg*1000) / 1000
	if s.unit == "lb" {
		out.Weight = math.Round(kg*poundsPerKg*1000) / 1000
	}
	return out
}

func (s *Scale) simulate(w http.ResponseWriter, r *http.Request) {
	var x Simulate
	if err := json.NewDecoder(http.MaxBytesReader(w, r.Body, 1000)).Decode(&x); err != nil || x.Kg != nil && !(*x.Kg >= 0 && *x.Kg < 1000) || x.Unit != "" && x.Unit != "kg" && x.Unit != "lb" {
		http.Error(w, `{"kg": 0 to 1000, "unit": "kg" or "lb", "gone", "restless", "nonsense": true or false}`, http.StatusBadRequest)
		return
	}
	if x.Kg != nil {
		s.from, s.load, s.changed = s.load, *x.Kg, s.now()
	}
	if x.Unit != "" {
		s.unit = x.Unit
	}
	for at, to := range map[*bool]*bool{&s.gone: x.Gone, &s.restless: x.Restless, &s.nonsense: x.Nonsense} {
		if to != nil {
			*at = *to
		}
	}
	w.WriteHeader(http.StatusNoContent)
}
