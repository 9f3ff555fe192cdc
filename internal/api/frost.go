package api

import (
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/plan"
)

// GetFrostNights answers with the nights to come in which frost may kill what stands.
func (s *Server) GetFrostNights(c *echo.Context) error {
	nights, err := s.app.FrostNights(c.Request().Context(), s.station)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, FrostNights{Nights: nights})
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
