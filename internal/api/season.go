package api

import (
	"context"
	"crypto/subtle"
	"fmt"
	"net/http"
	"slices"
	"strings"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// PostLog puts down what somebody did to a sowing or saw of it. What it makes of
// the sowing is worked out against the plan as it stands.
func (s *Server) PostLog(c *echo.Context) error {
	var b Log
	if err := decode(c, &b); err != nil {
		return err
	}
	return s.change(c, func(ctx context.Context) (store.Snapshot, error) {
		in, err := s.input(ctx)
		if err != nil {
			return store.Snapshot{}, err
		}
		edit := store.Edit{Client: b.Client, ID: b.ID, Revision: b.Revision, Command: "put-planting"}
		if again, snap, err := s.store.Seen(ctx, b.ID); err != nil || again {
			return snap, err
		}
		out, err := plan.Log(in, b.Event)
		if err != nil {
			return store.Snapshot{}, err
		}
		edit.Planting, edit.Words = out.Planting, out.Words
		if edit.Placement, err = s.standsThere(ctx, out.Planting); err != nil {
			return store.Snapshot{}, err
		}
		if out.Patch != nil {
			edit.Command, edit.Patch = "add-patch", out.Patch
		}
		return s.store.Apply(ctx, edit)
	})
}

// standsThere returns where a planting stands, once it is in the ground: where the
// layout had it when it was sown or planted out.
func (s *Server) standsThere(ctx context.Context, p *record.Planting) (*bed.Placement, error) {
	if p == nil || p.Out == nil && p.Sown == nil {
		return nil, nil
	}
	snap, err := s.store.Load(ctx)
	if err != nil {
		return nil, err
	}
	f, err := s.layout(snap)
	if err != nil {
		return nil, err
	}
	i := slices.IndexFunc(f.of.plan.Sowings, func(x plan.Sowing) bool { return x.ID == p.ID })
	if i < 0 || p.Out == nil && f.of.plan.Sowings[i].Method == season.Indoors { // it stands indoors still
		return nil, nil
	}
	return ground.StandsAt(f.input, f.layout, p.ID), nil
}

// agreement returns what is kept of the plan as it stands, and of where everything
// stands by it: what was agreed before stays where it can.
// It is what was seen: of another revision nothing is kept, and the store refuses.
func (s *Server) agreement(ctx context.Context, command string, revision int) (*Agreement, error) {
	if command != "agree" {
		return nil, nil
	}
	snap, err := s.store.Load(ctx)
	if err != nil || snap.Household == nil || snap.Revision != revision {
		return nil, err
	}
	in, err := s.inputOf(snap)
	if err != nil {
		return nil, err
	}
	p, _, l, err := ground.Of(in)
	if err != nil {
		return nil, err
	}
	a := p.Baseline()
	a.Year, a.Laid = in.Household.Year, l.Laid()
	return &a, nil
}

// PostWeatherRead derives a place from a weather record, and changes nothing.
func (s *Server) PostWeatherRead(c *echo.Context) error {
	var f WeatherFile
	if err := decodeFile(c, &f); err != nil {
		return err
	}
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	days, notes, err := exchange.ReadWeather(strings.NewReader(f.Text), f.Degrees == "F")
	if err != nil {
		return err
	}
	record, err := s.record(in.Household.Place, days, notes)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, record)
}

// PostStationRead asks a weather station for its places, or for the record of
// one of them, and changes nothing.
func (s *Server) PostStationRead(c *echo.Context) error {
	var b StationAsk
	if err := decode(c, &b); err != nil {
		return err
	}
	ctx := c.Request().Context()
	in, err := s.input(ctx)
	if err != nil {
		return err
	}
	places, err := exchange.StationPlaces(ctx, b.Address)
	if err != nil {
		return err
	}
	out := StationAnswer{Places: []StationPlace{}}
	at := in.Household.Place
	for _, p := range places {
		out.Places = append(out.Places, StationPlace{ID: p.ID, Name: p.Name, Latitude: p.Latitude, Altitude: p.Altitude})
		if p.ID == text(b.Station) {
			at.Name, at.Latitude, at.Altitude = p.Name, p.Latitude, p.Altitude
		}
	}
	if text(b.Station) != "" {
		days, notes, err := exchange.StationDays(ctx, b.Address, text(b.Station))
		if err != nil {
			return err
		}
		record, err := s.record(at, days, notes)
		if err != nil {
			return err
		}
		out.Record = &record
	}
	return c.JSON(http.StatusOK, out)
}

// recentDays is how many of the last days of a record are kept as the weather
// that has been.
const recentDays = 400

// record derives a place and the days that have been from a weather record.
func (s *Server) record(at place.Place, days []place.Day, notes []string) (WeatherRecord, error) {
	r, err := place.FromWeather(at, days)
	if err != nil {
		return WeatherRecord{}, &invalid.Field{Field: "the file", Value: fmt.Sprintf("%d days", len(days)), Allowed: err.Error()}
	}
	recent := []place.Day{}
	for _, d := range days {
		if d.Date <= s.asOf() && d.Date > s.asOf()-civil.Date(recentDays) {
			recent = append(recent, d)
		}
	}
	return WeatherRecord{Place: r.Place, Years: r.Years, Days: r.Days, Notes: append(append([]string{}, notes...), r.Notes...), Recent: recent}, nil
}

// GetCalendar answers with the dates of all sowings as an iCalendar file.
func (s *Server) GetCalendar(c *echo.Context, params GetCalendarParams) error {
	c.Response().Header().Set("Content-Disposition", `attachment; filename="sowings.ics"`)
	us := params.Units != nil && string(*params.Units) == string(amount.US)
	return s.calendar(c, us)
}

// GetCalendarFeed answers with the same calendar under an address to subscribe to.
func (s *Server) GetCalendarFeed(c *echo.Context, secret string, params GetCalendarFeedParams) error {
	snap, err := s.begun(c)
	if err != nil {
		return err
	}
	if subtle.ConstantTimeCompare([]byte(secret), []byte(snap.Calendar)) != 1 {
		return &refusal{http.StatusNotFound, "no such calendar", "there is no calendar at this address; Sowings shows the address to subscribe to"}
	}
	us := params.Units != nil && string(*params.Units) == string(amount.US)
	return s.calendar(c, us)
}

// calendarFeed returns where the calendar of a household is, below the contract's
// own address.
func calendarFeed(secret string) string { return "/calendar/" + secret + "/sowings.ics" }

func (s *Server) calendar(c *echo.Context, us bool) error {
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	p, err := plan.Compute(in)
	if err != nil {
		return err
	}
	system := amount.Metric
	if us {
		system = amount.US
	}
	c.Response().Header().Set("Content-Type", "text/calendar; charset=utf-8")
	return exchange.WriteCalendar(c.Response(), p, system)
}

// PostPlaceChart draws the year of a place that may not be saved yet.
func (s *Server) PostPlaceChart(c *echo.Context) error {
	var p place.Place
	if err := decode(c, &p); err != nil {
		return err
	}
	check := invalid.NewCheck()
	p.Validate(check)
	if err := check.Err(); err != nil {
		return err
	}
	return c.JSON(http.StatusOK, place.Build(p).Chart())
}
