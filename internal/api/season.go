package api

import (
	"crypto/subtle"
	"fmt"
	"net/http"
	"strings"

	"github.com/labstack/echo/v5"

	"inventory/internal/app"
	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/exchange"
)

// PostLog records what somebody did to a sowing or saw of it.
func (s *Server) PostLog(c *echo.Context, params PostLogParams) error {
	var b Log
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.Log(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, b.Event)
	return s.done(c, params.Since, d, err)
}

// PostLogAll records what somebody did to several sowings, as one edit.
func (s *Server) PostLogAll(c *echo.Context, params PostLogAllParams) error {
	var b LogAll
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.LogAll(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, b.Events)
	return s.done(c, params.Since, d, err)
}

// PostDaybookRead answers with what a line of the daybook comes to.
func (s *Server) PostDaybookRead(c *echo.Context) error {
	var b DaybookText
	if err := decode(c, &b); err != nil {
		return err
	}
	m, err := s.app.ReadLine(c.Request().Context(), b.Text)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, DaybookMeaning{Words: m.Words})
}

// PostDaybookLine enters what a line of the daybook comes to.
func (s *Server) PostDaybookLine(c *echo.Context, params PostDaybookLineParams) error {
	var b DaybookLine
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.WriteLine(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, b.Text, given(b.Photos))
	return s.done(c, params.Since, d, err)
}

// GetEntries answers with what was recorded between two days.
func (s *Server) GetEntries(c *echo.Context, params GetEntriesParams) error {
	from, to, err := s.span(params.From, params.To)
	if err != nil {
		return err
	}
	look := app.Looked{From: from, To: to, Find: given(params.Find), Food: given(params.Food), Bed: given(params.Bed), Sowing: given(params.Sowing), Lot: given(params.Lot)}
	if params.Kind != nil {
		look.Kind = string(*params.Kind)
	}
	out, err := s.app.Entries(c.Request().Context(), look)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// given returns what a request may leave out; its zero value where it did.
func given[T any](value *T) (none T) {
	if value == nil {
		return none
	}
	return *value
}

// GetEarlier answers with what was recorded in these days of earlier years.
func (s *Server) GetEarlier(c *echo.Context) error {
	out, err := s.app.Earlier(c.Request().Context(), s.app.Today())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// span reads a span of days.
func (s *Server) span(from, to string) (first, last civil.Date, err error) {
	if first, err = s.day(&from); err == nil {
		last, err = s.day(&to)
	}
	return first, last, err
}

// GetBalances answers with what came in between two days, and where it went.
func (s *Server) GetBalances(c *echo.Context, params GetBalancesParams) error {
	from, to, err := s.span(params.From, params.To)
	if err != nil {
		return err
	}
	out, err := s.app.Balances(c.Request().Context(), from, to)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, out)
}

// PostEntries records what happened.
func (s *Server) PostEntries(c *echo.Context, params PostEntriesParams) error {
	var b EntriesAsked
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.Record(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, b.Entries)
	return s.done(c, params.Since, d, err)
}

// PostGrowing puts down what grows already, or is to be begun from what is at hand, as one edit.
func (s *Server) PostGrowing(c *echo.Context, params PostGrowingParams) error {
	var b GrowingAll
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.Grow(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision}, b.Growing)
	return s.done(c, params.Since, d, err)
}

// PostHoldPlaces holds every place in the beds as the layout has it now.
func (s *Server) PostHoldPlaces(c *echo.Context, params PostHoldPlacesParams) error {
	var b HoldAsked
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := s.app.Hold(c.Request().Context(), app.Stamp{Client: b.Client, ID: b.ID, Revision: b.Revision})
	return s.done(c, params.Since, d, err)
}

// PostWeatherRead derives a place from a weather record, and changes nothing.
func (s *Server) PostWeatherRead(c *echo.Context) error {
	var f WeatherFile
	if err := decodeFile(c, &f); err != nil {
		return err
	}
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	days, notes, err := exchange.ReadWeather(strings.NewReader(f.Text), f.Degrees == "F")
	if err != nil {
		return err
	}
	record, err := s.record(now.Input.Household.Place, days, notes)
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
	now, err := s.app.Begun(ctx)
	if err != nil {
		return err
	}
	places, err := exchange.StationPlaces(ctx, b.Address)
	if err != nil {
		return err
	}
	out := StationAnswer{Places: []StationPlace{}}
	at := now.Input.Household.Place
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
	said := append([]string{}, notes...)
	for _, n := range r.Notes {
		said = append(said, n.String())
	}
	recent := []place.Day{}
	for _, d := range days {
		if d.Date <= s.app.Today() && d.Date > s.app.Today()-civil.Date(recentDays) {
			recent = append(recent, d)
		}
	}
	return WeatherRecord{Place: r.Place, Years: r.Years, Days: r.Days, Notes: said, Recent: recent}, nil
}

// GetCalendar answers with the dates of all sowings as an iCalendar file.
func (s *Server) GetCalendar(c *echo.Context, params GetCalendarParams) error {
	c.Response().Header().Set("Content-Disposition", `attachment; filename="sowings.ics"`)
	us := params.Units != nil && string(*params.Units) == string(amount.US)
	return s.calendar(c, us)
}

// GetCalendarFeed answers with the same calendar under an address to subscribe to.
func (s *Server) GetCalendarFeed(c *echo.Context, secret string, params GetCalendarFeedParams) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	if subtle.ConstantTimeCompare([]byte(secret), []byte(now.Snapshot.Calendar)) != 1 {
		return &refusal{http.StatusNotFound, "no such calendar", "there is no calendar at this address; Sowings shows the address to subscribe to"}
	}
	us := params.Units != nil && string(*params.Units) == string(amount.US)
	return s.calendar(c, us)
}

// calendarFeed returns where the calendar of a household is, below the contract's
// own address.
func calendarFeed(secret string) string { return "/calendar/" + secret + "/sowings.ics" }

func (s *Server) calendar(c *echo.Context, us bool) error {
	laid, err := s.app.Layout(c.Request().Context())
	if err != nil {
		return err
	}
	beds, err := ground.BedWorkOf(laid.Of.Input.Household, laid.Of.Plan, laid.Input, laid.Layout)
	if err != nil {
		return err
	}
	system := amount.Metric
	if us {
		system = amount.US
	}
	c.Response().Header().Set("Content-Type", "text/calendar; charset=utf-8")
	return exchange.WriteCalendar(c.Response(), laid.Of.Plan, beds.Turns, system)
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
