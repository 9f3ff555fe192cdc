package app

import (
	"context"
	"log/slog"
	"math"
	"sync"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
)

// forecasts keeps what a weather station forecasts: it is asked once a day.
type forecasts struct {
	sync.Mutex
	last *forecast // nil: none yet
}

// forecast is what a station forecasts for a place on a day.
type forecast struct {
	station string
	day     civil.Date
	at      [2]float64 // latitude, altitude
	nights  []place.Night
}

// A place of a station is the household's where it lies as far north and as high.
const (
	sameDegrees = 0.05
	sameMetres  = 50
)

// FrostNights returns the nights to come in which frost may kill what stands, by the weather
// station at an address. There is none where the address is empty, or the station gives no
// forecast for the household's place.
func (a *App) FrostNights(ctx context.Context, station string) ([]plan.FrostNight, error) {
	now, own, err := a.withBook(ctx)
	if err != nil {
		return nil, err
	}
	return plan.FrostNights(now.Plan, own, a.nights(ctx, station, now.Input.Household.Place)), nil
}

// nights returns what a weather station forecasts for a place. A station that does not answer
// is no mistake of whoever asks: it is noted, and asked again the next time.
func (a *App) nights(ctx context.Context, station string, at place.Place) []place.Night {
	if station == "" {
		return nil
	}
	a.forecasts.Lock()
	defer a.forecasts.Unlock()
	here := [2]float64{at.Latitude, at.Altitude}
	if f := a.forecasts.last; f != nil && f.station == station && f.day == a.Today() && f.at == here {
		return f.nights
	}
	places, err := exchange.StationPlaces(ctx, station)
	if err != nil {
		slog.InfoContext(ctx, "the weather station gives no places", "error", err)
		return nil
	}
	f := &forecast{station: station, day: a.Today(), at: here}
	for _, p := range places {
		if math.Abs(p.Latitude-at.Latitude) > sameDegrees || math.Abs(p.Altitude-at.Altitude) > sameMetres {
			continue
		}
		if f.nights, err = exchange.StationNights(ctx, station, p.ID); err != nil {
			slog.InfoContext(ctx, "the weather station gives no forecast", "error", err)
			return nil
		}
		break
	}
	a.forecasts.last = f
	return f.nights
}
