package api

import (
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/app"
	"inventory/internal/core/record"
	"inventory/internal/exchange"
)

// GetPickings answers with what is likely to come in today.
func (s *Server) GetPickings(c *echo.Context) error {
	out, err := s.app.Pickings(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetOutlooks answers with what is still to come of what was picked.
func (s *Server) GetOutlooks(c *echo.Context) error {
	out, err := s.app.Outlooks(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetSeasons answers with what was expected of every food, what came in and what is to come.
func (s *Server) GetSeasons(c *echo.Context) error {
	out, err := s.app.Seasons(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetShelfRates answers with how fast the lots on the shelf are really drawn on.
func (s *Server) GetShelfRates(c *echo.Context) error {
	out, err := s.app.Rates(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetCode answers with a text as a code to scan.
func (s *Server) GetCode(c *echo.Context, params GetCodeParams) error {
	code, err := exchange.Code(params.Text)
	if err != nil {
		return err
	}
	c.Response().Header().Set("Cache-Control", "private, max-age=86400")
	return c.Blob(http.StatusOK, "image/svg+xml", []byte(code))
}

// GetBags answers with what the animals and others want of what came in this week.
func (s *Server) GetBags(c *echo.Context) error {
	out, err := s.app.Bags(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetKitchen answers with what waits to be put up.
func (s *Server) GetKitchen(c *echo.Context) error {
	out, err := s.app.Kitchen(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetScale answers with what the household's scale shows.
func (s *Server) GetScale(c *echo.Context) error {
	r, err := s.app.Scale(c.Request().Context(), s.scale)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, r)
}

// PostScale tares the scale, or puts something on a simulated one.
func (s *Server) PostScale(c *echo.Context) error {
	var b ScaleDo
	if err := decode(c, &b); err != nil {
		return err
	}
	ctx := c.Request().Context()
	if b.Kg != nil {
		if err := s.app.Load(ctx, s.scale, *b.Kg); err != nil {
			return err
		}
	}
	if b.Tare != nil && *b.Tare {
		if err := s.app.Tare(ctx, s.scale); err != nil {
			return err
		}
	}
	return c.NoContent(http.StatusNoContent)
}

// PostWeigh enters what lies on the scale.
func (s *Server) PostWeigh(c *echo.Context, params PostWeighParams) error {
	var b WeighAsked
	if err := decode(c, &b); err != nil {
		return err
	}
	e := record.Entry{Food: b.Food}
	if b.Crop != nil {
		e.Crop = *b.Crop
	}
	if b.Sowing != nil {
		e.Sowing = *b.Sowing
	}
	d, err := s.app.Weigh(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, s.scale, e)
	return s.done(c, params.Since, d, err)
}
