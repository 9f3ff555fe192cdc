package api

import (
	"errors"
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/invalid"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// PostPhotograph takes a photograph in: it is written anew, so that only the picture is kept.
func (s *Server) PostPhotograph(c *echo.Context) error {
	ctx := c.Request().Context()
	if _, err := s.app.Begun(ctx); err != nil {
		return err
	}
	body := http.MaxBytesReader(c.Response(), c.Request().Body, exchange.LargestPhotograph+1)
	shown, small, err := exchange.ReadPhotograph(body)
	if err != nil && invalid.All(err) == nil {
		return brokenOff(err)
	} else if err != nil {
		return err
	}
	id, err := s.store.AddPhotograph(ctx, store.Photograph{Body: shown, Small: small})
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, PhotographSent{ID: id})
}

// GetPhotograph answers with a photograph. What an id names never changes.
func (s *Server) GetPhotograph(c *echo.Context, id string, params GetPhotographParams) error {
	body, err := s.store.Photograph(c.Request().Context(), id, given(params.Small))
	if errors.Is(err, store.ErrNoPhotograph) {
		return &refusal{http.StatusNotFound, "no photograph", err.Error()}
	} else if err != nil {
		return err
	}
	c.Response().Header().Set("Cache-Control", "private, max-age=31536000, immutable")
	return c.Blob(http.StatusOK, "image/jpeg", body)
}
