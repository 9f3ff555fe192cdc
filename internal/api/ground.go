package api

import (
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
)

// GetLayout answers with where everything stands. It is fitted apart from the
// edits, so that none of them waits for it.
func (s *Server) GetLayout(c *echo.Context) error {
	snap, err := s.store.Load(c.Request().Context())
	if err != nil {
		return err
	}
	if snap.Household == nil {
		return &refusal{http.StatusNotFound, "no household", "there is no household yet"}
	}
	s.mu.Lock()
	last := s.fitted
	s.mu.Unlock()
	if last != nil && last.Revision == snap.Revision {
		return c.JSON(http.StatusOK, last)
	}
	r, err := s.plan(snap)
	if err != nil {
		return err
	}
	h := snap.Household
	b, rules, _, err := h.Book(book.Usual())
	if err != nil {
		return err
	}
	l := ground.Fit(ground.Input{Plantings: ground.PlantingsOf(r.plan, b, h.Wishes), Beds: h.Beds, Edge: rules.Edge, Year: h.Year})
	out := &Layout{Revision: snap.Revision, Pieces: l.Pieces, Left: l.Left, Need: l.Need, Placed: l.Placed}
	s.mu.Lock()
	s.fitted = out
	s.mu.Unlock()
	return c.JSON(http.StatusOK, out)
}

// PostPlotDivide proposes how a plot may be divided, and changes nothing.
func (s *Server) PostPlotDivide(c *echo.Context) error {
	var a DivideAsk
	if err := decode(c, &a); err != nil {
		return err
	}
	check := invalid.NewCheck()
	a.Plot.Validate(check.At("plot"))
	check.Number("width", a.Width, 0.3, 5)
	check.Number("path", a.Path, 0.2, 10)
	check.Number("margin", a.Margin, 0, 20)
	if err := check.Err(); err != nil {
		return err
	}
	shares := bed.Divide(a.Plot, a.Width, a.Path, a.Margin)
	if shares == nil {
		shares = []bed.Share{}
	}
	return c.JSON(http.StatusOK, shares)
}
