package api

import (
	"context"
	"log/slog"
	"math"
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
)

// forecast is what a station forecasts for a place on a day. It is asked once a day.
type forecast struct {
	day    civil.Date
	at     [2]float64 // latitude, altitude
	nights []place.Night
}

// GetFrostNights answers with the nights to come in which frost may kill what stands.
func (s *Server) GetFrostNights(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	own, _, _, err := now.Input.Household.Book(book.Usual())
	if err != nil {
		return err
	}
	nights := s.nights(c.Request().Context(), now.Input.Household.Place)
	return c.JSON(http.StatusOK, FrostNights{Nights: plan.FrostNights(now.Plan, own, nights)})
}

// nights returns what the weather station forecasts for a place: the one of its places that
// lies as far north and as high. A station that does not answer is no mistake of whoever
// asks; it is asked again the next time.
func (s *Server) nights(ctx context.Context, at place.Place) []place.Night {
	if s.station == "" {
		return nil
	}
	s.forecasting.Lock()
	defer s.forecasting.Unlock()
	here := [2]float64{at.Latitude, at.Altitude}
	if f := s.forecast; f != nil && f.day == s.app.Today() && f.at == here {
		return f.nights
	}
	places, err := exchange.StationPlaces(ctx, s.station)
	if err != nil {
		slog.InfoContext(ctx, "the weather station gives no places", "error", err)
		return nil
	}
	const sameDegrees, sameMetres = 0.05, 50
	f := &forecast{day: s.app.Today(), at: here}
	for _, p := range places {
		if math.Abs(p.Latitude-at.Latitude) > sameDegrees || math.Abs(p.Altitude-at.Altitude) > sameMetres {
			continue
		}
		if f.nights, err = exchange.StationNights(ctx, s.station, p.ID); err != nil {
			slog.InfoContext(ctx, "the weather station gives no forecast", "error", err)
			return nil
		}
		break
	}
	s.forecast = f
	return f.nights
}

// GetFrostChances answers with the chance of each sowing to be ready before the first frost.
func (s *Server) GetFrostChances(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	chances, err := plan.FrostChances(now.Input)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, FrostChances{Chances: chances})
}
