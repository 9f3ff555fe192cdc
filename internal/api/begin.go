package api

import (
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/bed"
	"inventory/internal/core/line"
	"inventory/internal/core/place"
	"inventory/internal/core/wish"
)

// GetStarters lists the foods to begin with, in the amounts that are usual for the household.
func (s *Server) GetStarters(c *echo.Context, params GetStartersParams) error {
	b, h, err := s.app.Book(c.Request().Context())
	if err != nil {
		return err
	}
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	found, err := line.Starters(b, line.At(h.Place), now.Plan.AdultEquivalents, params.While != nil && *params.While)
	if err != nil {
		return err
	}
	out := make([]Starter, len(found))
	for i, x := range found {
		x.Wish.Fill()
		out[i] = Starter{Habit: x.Habit, Name: x.Words, Said: wish.Words(x.Wish, b), Wish: x.Wish}
	}
	return c.JSON(http.StatusOK, out)
}

// PostBedLine says what beds a line means and where they would lie, and changes nothing.
func (s *Server) PostBedLine(c *echo.Context) error {
	var ask BedLine
	if err := decode(c, &ask); err != nil {
		return err
	}
	_, h, err := s.app.Book(c.Request().Context())
	if err != nil {
		return err
	}
	beds, err := line.Beds(ask.Text, ask.Feet)
	if err != nil {
		return err
	}
	var plot *bed.Plot
	var have []bed.Bed
	if h != nil {
		plot, have = h.Plot, bed.OnPlot(h.Beds, "")
	}
	whole, laid := bed.LayOut(plot, have, beds)
	for i := range laid {
		laid[i] = laid[i].Filled()
	}
	return c.JSON(http.StatusOK, BedsRead{Plot: whole, Beds: laid})
}

// PostClimateKnown gives the twelve months that fit what people know, and changes nothing.
func (s *Server) PostClimateKnown(c *echo.Context) error {
	var known place.Known
	if err := decode(c, &known); err != nil {
		return err
	}
	found, err := known.Place("Our place")
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, found)
}
