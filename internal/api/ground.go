package api

import (
	"context"
	"net/http"
	"slices"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// fitted is a layout with the plan it belongs to.
type fitted struct {
	of     *reckoned
	input  ground.Input
	layout ground.Layout
}

// layout returns where everything stands, from memory where it is of the
// household as it stands. What changes no ground is not fitted anew.
func (s *Server) layout(snap store.Snapshot) (*fitted, error) {
	r, err := s.plan(snap)
	if err != nil {
		return nil, err
	}
	s.fitting.Lock() // who asks for the same layout waits for it, and does not fit it too
	defer s.fitting.Unlock()
	last := s.fitted
	if last != nil && last.of == r { // the same household on the same day
		return last, nil
	}
	in, err := ground.InputOf(r.input, r.plan)
	if err != nil {
		return nil, err
	}
	out := &fitted{of: r, input: in}
	if last != nil && ground.Same(last.input, in) {
		out.layout = last.layout
	} else {
		out.layout = ground.Fit(in)
	}
	s.fitted = out
	return out, nil
}

// laid returns the layout of the household as it stands.
func (s *Server) laid(c *echo.Context) (*fitted, store.Snapshot, error) {
	snap, err := s.begun(c)
	if err != nil {
		return nil, snap, err
	}
	f, err := s.layout(snap)
	return f, snap, err
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
		p, words, err := s.placed(snap, b)
		if err != nil {
			return store.Snapshot{}, err
		}
		return s.store.Apply(ctx, store.Edit{Client: b.Client, ID: b.ID, Revision: b.Revision, Command: "put-placement", Placement: p, Words: words})
	})
}

// placed works out where a sowing is put, and says it. What stands in the ground
// already stands where it is put, whatever stood there before.
func (s *Server) placed(snap store.Snapshot, b PlaceAsk) (*bed.Placement, string, error) {
	f, err := s.layout(snap)
	if err != nil {
		return nil, "", err
	}
	name, stands := b.Sowing, false
	if i := slices.IndexFunc(f.of.plan.Sowings, func(x plan.Sowing) bool { return x.ID == b.Sowing }); i >= 0 {
		x := f.of.plan.Sowings[i]
		name = x.CropName + " of " + x.Date.Short()
		stands = x.Stands || x.Begun && x.Method != season.Indoors
	}
	if b.Stays != nil && *b.Stays {
		if p := ground.StandsAt(f.input, f.layout, b.Sowing); p != nil && stands {
			return p, "put down where " + name + " stands", nil
		}
		return nil, "", &invalid.Field{Field: "sowing", Value: b.Sowing, Allowed: "a sowing that stands already, has its ground in the layout and has not been put down there"}
	}
	at := -1.0
	if b.At != nil {
		at = max(0, *b.At)
	}
	p, err := ground.Put(f.input, b.Sowing, b.Bed, at, stands || b.Bend != nil && *b.Bend)
	if err != nil {
		return nil, "", err
	}
	p.Stands = p.Stands || stands
	words := "put it in another bed"
	for _, k := range f.input.Beds {
		if k.ID == p.Bed {
			words = "put " + name + " in " + k.Name
		}
	}
	return &p, words, nil
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
	f, snap, err := s.laid(c)
	if err != nil {
		return err
	}
	l, h := f.layout, snap.Household
	out := Layout{Revision: snap.Revision, Pieces: l.Pieces, Left: l.Unplaced, Need: l.Need, Placed: l.Placed, Short: l.Short, Owned: l.Owned, Weeks: l.Weeks, Suns: []BedSun{}}
	for i, b := range f.input.Beds {
		sun := BedSun{Bed: b.ID, Class: b.Sun}
		if h.Plot != nil && len(h.Plot.Obstacles) > 0 {
			hours := bed.SunHours(h.Place.Latitude, *h.Plot, f.input.Beds[i])
			list := hours[:]
			sun.Hours = &list
		}
		out.Suns = append(out.Suns, sun)
	}
	return c.JSON(http.StatusOK, out)
}

// GetGroundLook answers with why a sowing stands where it does.
func (s *Server) GetGroundLook(c *echo.Context, params GetGroundLookParams) error {
	f, _, err := s.laid(c)
	if err != nil {
		return err
	}
	look, err := ground.LookAt(f.input, f.layout, params.Sowing)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, look)
}

// GetGroundWays answers with what would make the shortage of ground less.
func (s *Server) GetGroundWays(c *echo.Context) error {
	f, _, err := s.laid(c)
	if err != nil {
		return err
	}
	ways, err := ground.Remedies(c.Request().Context(), f.of.input, f.of.plan, f.input, f.layout)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, ways)
}

// GetGroundFree answers with what can still go into a bed.
func (s *Server) GetGroundFree(c *echo.Context, params GetGroundFreeParams) error {
	f, _, err := s.laid(c)
	if err != nil {
		return err
	}
	day, err := s.day(params.Day)
	if err != nil {
		return err
	}
	free, err := ground.StillGoes(f.of.input, f.of.plan, f.input, f.layout, params.Bed, day)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, free)
}

// GetGroundNeeds answers with what the ground is to be given.
func (s *Server) GetGroundNeeds(c *echo.Context) error {
	f, _, err := s.laid(c)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, ground.NeedsOf(f.of.input.Household, f.of.plan, f.input, f.layout))
}

// PostBedBeside says where a bed lies that is measured from another one.
func (s *Server) PostBedBeside(c *echo.Context) error {
	var a BesideAsk
	if err := decode(c, &a); err != nil {
		return err
	}
	snap, err := s.begun(c)
	if err != nil {
		return err
	}
	for _, o := range snap.Household.Beds {
		if o.ID == a.Of {
			out, err := a.Bed.Filled().Beside(o, a.Side, a.Apart)
			if err != nil {
				return err
			}
			return c.JSON(http.StatusOK, out)
		}
	}
	return &invalid.Field{Field: "of", Value: a.Of, Allowed: "a bed that is there; somebody may have removed it"}
}

// day reads the day that is asked for, the date it is where none is.
func (s *Server) day(asked *string) (civil.Date, error) {
	if asked == nil {
		return s.asOf(), nil
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
	f, snap, err := s.laid(c)
	if err != nil {
		return err
	}
	names := map[string]string{}
	for _, sow := range f.of.plan.Sowings {
		names[sow.ID] = sow.CropName
	}
	c.Response().Header().Set("Content-Type", "image/svg+xml")
	return exchange.WritePlot(c.Response(), snap.Household.Plot, snap.Household.Beds, f.layout.Pieces, day, func(id string) string { return names[id] })
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
