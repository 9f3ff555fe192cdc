package api

import (
	"context"
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/table"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// fitted is a layout with the plan it belongs to.
type fitted struct {
	of     *reckoned
	layout *Layout
}

// layout returns where everything stands, from memory where it is of the
// household as it stands.
func (s *Server) layout(snap store.Snapshot) (*Layout, *reckoned, error) {
	r, err := s.plan(snap)
	if err != nil {
		return nil, nil, err
	}
	s.mu.Lock()
	last := s.fitted
	s.mu.Unlock()
	if last != nil && last.of == r { // the same household on the same day
		return last.layout, r, nil
	}
	in, err := fitFrom(snap.Household, r)
	if err != nil {
		return nil, nil, err
	}
	l := ground.Fit(in)
	out := &Layout{Revision: snap.Revision, Pieces: l.Pieces, Left: l.Left, Need: l.Need, Placed: l.Placed}
	s.mu.Lock()
	s.fitted = &fitted{r, out}
	s.mu.Unlock()
	return out, r, nil
}

// fitFrom returns what the layout of a household follows from.
func fitFrom(h *table.Household, r *reckoned) (ground.Input, error) {
	b, rules, _, err := h.Book(book.Usual())
	if err != nil {
		return ground.Input{}, err
	}
	return ground.Input{Plantings: ground.PlantingsOf(r.plan, b, h.Wishes), Beds: h.Beds, Placed: h.Placements, Edge: rules.Edge, Year: h.Year}, nil
}

// PostPlacement puts a sowing in a bed.
func (s *Server) PostPlacement(c *echo.Context) error {
	var b PlaceAsk
	if err := decode(c, &b); err != nil {
		return err
	}
	return s.change(c, func(ctx context.Context) (store.Snapshot, error) {
		if again, snap, err := s.store.Seen(ctx, b.ID); err != nil || again {
			return snap, err
		}
		snap, err := s.begun(c)
		if err != nil {
			return store.Snapshot{}, err
		}
		r, err := s.plan(snap)
		if err != nil {
			return store.Snapshot{}, err
		}
		in, err := fitFrom(snap.Household, r)
		if err != nil {
			return store.Snapshot{}, err
		}
		at := -1.0
		if b.At != nil {
			at = max(0, *b.At)
		}
		p, err := ground.Put(in, b.Sowing, b.Bed, at, b.Bend != nil && *b.Bend)
		if err != nil {
			return store.Snapshot{}, err
		}
		words := "put it in another bed"
		for _, sow := range r.plan.Sowings {
			for _, bed := range in.Beds {
				if sow.ID == p.Sowing && bed.ID == p.Bed {
					words = "put " + sow.CropName + " of " + sow.Date.Short() + " in " + bed.Name
				}
			}
		}
		return s.store.Apply(ctx, store.Edit{Client: b.Client, ID: b.ID, Revision: b.Revision, Command: "put-placement", Placement: &p, Words: words})
	})
}

// begun returns the household as it stands; a refusal where there is none yet.
func (s *Server) begun(c *echo.Context) (store.Snapshot, error) {
	snap, err := s.store.Load(c.Request().Context())
	if err == nil && snap.Household == nil {
		err = &refusal{http.StatusNotFound, "no household", "there is no household yet"}
	}
	return snap, err
}

// GetLayout answers with where everything stands. It is fitted apart from the
// edits, so that none of them waits for it.
func (s *Server) GetLayout(c *echo.Context) error {
	snap, err := s.begun(c)
	if err != nil {
		return err
	}
	l, _, err := s.layout(snap)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, l)
}

// GetPlotDrawing answers with the beds as SVG, to scale.
func (s *Server) GetPlotDrawing(c *echo.Context, params GetPlotDrawingParams) error {
	snap, err := s.begun(c)
	if err != nil {
		return err
	}
	day := s.asOf()
	if params.Day != nil {
		if day, err = civil.Parse(*params.Day); err != nil {
			return &invalid.Field{Field: "day", Value: *params.Day, Allowed: "a day such as 2027-08-01"}
		}
	}
	l, r, err := s.layout(snap)
	if err != nil {
		return err
	}
	names := map[string]string{}
	for _, sow := range r.plan.Sowings {
		names[sow.ID] = sow.CropName
	}
	c.Response().Header().Set("Content-Type", "image/svg+xml")
	return exchange.WritePlot(c.Response(), snap.Household.Plot, snap.Household.Beds, l.Pieces, day, func(id string) string { return names[id] })
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
