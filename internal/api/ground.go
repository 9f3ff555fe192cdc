package api

import (
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/app"
	"inventory/internal/core/backwards"
	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
)

// PostPlacement puts a sowing in a bed.
func (s *Server) PostPlacement(c *echo.Context, params PostPlacementParams) error {
	var b PlaceAsk
	if err := decode(c, &b); err != nil {
		return err
	}
	ask := app.Placing{Sowing: b.Sowing, Bed: b.Bed, At: -1, Exception: b.Bend != nil && *b.Bend, Stays: b.Stays != nil && *b.Stays}
	if b.At != nil {
		ask.At = max(0, *b.At)
	}
	d, err := s.app.Place(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, ask)
	return s.done(c, params.Since, d, err)
}

// GetLayout answers with where everything stands. It is fitted apart from the
// edits, so that none of them waits for it.
func (s *Server) GetLayout(c *echo.Context) error {
	f, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	l, h := f.Layout, f.Of.Snapshot.Household
	out := Layout{Revision: f.Of.Snapshot.Revision, Pieces: l.Pieces, Left: l.Unplaced, Need: l.Need, Placed: l.Placed, Most: l.Most, Short: l.Short, Owned: l.Owned, Weeks: l.Weeks, Suns: []BedSun{}, Fed: f.Fed, Held: ground.Held(f.Of.Input), InSeason: ground.InSeason(f.Of.Plan), Frees: ground.FallsFree(l, f.Of.Input.AsOf)}
	for _, b := range f.Input.Beds {
		sun := BedSun{Bed: b.ID, Class: b.Sun}
		if plot := h.PlotOf(&b); len(plot.Obstacles) > 0 {
			hours := bed.SunHours(h.Place.Latitude, *plot, b)
			list := hours[:]
			sun.Hours = &list
		}
		out.Suns = append(out.Suns, sun)
	}
	return c.JSON(http.StatusOK, out)
}

// GetFittedWishes answers with what of the wishes to grow so that all of it has ground.
func (s *Server) GetFittedWishes(c *echo.Context) error {
	p, err := s.app.FitWishes(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, FittedWishes{Proposal: p})
}

// PostFromWhatThereIs answers with what can be made of what is at hand; it changes nothing.
func (s *Server) PostFromWhatThereIs(c *echo.Context) error {
	var b AtHand
	if err := decode(c, &b); err != nil {
		return err
	}
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	out, err := backwards.From(now.Input, now.Plan, b.Haves)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetSowingChances answers with the chance that a sowing is ready before the frost.
func (s *Server) GetSowingChances(c *echo.Context, params GetSowingChancesParams) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	out, err := plan.ChancesOf(now.Input, params.Sowing)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetYearTurn answers with what goes over into the next table year.
func (s *Server) GetYearTurn(c *echo.Context) error {
	t, err := s.app.YearTurn(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, t)
}

// GetYearBefore answers with the table year that was ended last.
func (s *Server) GetYearBefore(c *echo.Context) error {
	y, err := s.app.YearBefore(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, YearBefore{Year: y})
}

// PostYearTurn begins the next table year.
func (s *Server) PostYearTurn(c *echo.Context, params PostYearTurnParams) error {
	var b YearTurnAsked
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.TurnYear(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, listOf(b.Wishes), listOf(b.Remove))
	return s.done(c, params.Since, d, err)
}

// GetGroundLook answers with why a sowing stands where it does.
func (s *Server) GetGroundLook(c *echo.Context, params GetGroundLookParams) error {
	f, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	look, err := ground.LookAt(f.Input, f.Layout, params.Sowing)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, look)
}

// GetGroundFree answers with what can still go into a bed.
func (s *Server) GetGroundFree(c *echo.Context, params GetGroundFreeParams) error {
	f, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	day, err := s.day(params.Day)
	if err != nil {
		return err
	}
	free, err := ground.StillGoes(f.Of.Input, f.Of.Plan, f.Input, f.Layout, params.Bed, day)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, free)
}

// GetGroundNeeds answers with what the ground is to be given.
func (s *Server) GetGroundNeeds(c *echo.Context) error {
	f, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, ground.NeedsOf(f.Of.Input.Household, f.Of.Plan, f.Input, f.Layout))
}

// GetBedWork answers with the turns of the beds and their water.
func (s *Server) GetBedWork(c *echo.Context) error {
	f, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	out, err := ground.BedWorkOf(f.Of.Input.Household, f.Of.Plan, f.Input, f.Layout)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// GetShopping answers with what is to be got for the sowings to come.
func (s *Server) GetShopping(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, plan.Shopping(&now.Plan))
}

// PostBedBeside says where a bed lies that is measured from another one.
func (s *Server) PostBedBeside(c *echo.Context) error {
	var a BesideAsk
	if err := decode(c, &a); err != nil {
		return err
	}
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	for _, o := range now.Snapshot.Household.Beds {
		if o.ID == a.Of {
			out, err := a.Bed.Filled().Beside(o, a.Side, a.Apart)
			if err != nil {
				return err
			}
			return c.JSON(http.StatusOK, out)
		}
	}
	return &invalid.Field{Field: "of", Value: a.Of, Allowed: "Choose one of your beds. This one may have been removed."}
}

// day reads the day that is asked for, the date it is where none is.
func (s *Server) day(asked *string) (civil.Date, error) {
	if asked == nil {
		return s.app.Today(), nil
	}
	day, err := civil.Parse(*asked)
	if err != nil {
		return 0, &invalid.Field{Field: "day", Value: *asked, Allowed: "a day such as 2027-08-01"}
	}
	return day, nil
}

// GetPlotDrawing answers with the beds as SVG, to scale.
func (s *Server) GetPlotDrawing(c *echo.Context, params GetPlotDrawingParams) error {
	day, err := s.day(params.Day)
	if err != nil {
		return err
	}
	f, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	h, id := f.Of.Snapshot.Household, ""
	if params.Plot != nil {
		id = *params.Plot
	}
	names := map[string]string{}
	for _, sow := range f.Of.Plan.Sowings {
		names[sow.ID] = sow.CropName
	}
	c.Response().Header().Set("Content-Type", "image/svg+xml")
	return exchange.WritePlot(c.Response(), bed.PlotOf(h.Plot, h.Plots, id), bed.OnPlot(h.Beds, id), f.Layout.Pieces, day, func(id string) string { return names[id] })
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
