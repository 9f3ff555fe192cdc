// Package api serves the interface and the contract of api/openapi.yaml over
// HTTP: the state of the household with its plan, edits, workings.
package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"net/http"
	"strings"
	"syscall"

	"github.com/labstack/echo/v5"
	"github.com/labstack/echo/v5/middleware"

	"inventory/internal/app"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/line"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/stock"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// Server answers the contract for one household: it decodes, calls the application and
// encodes.
type Server struct {
	app   *app.App
	store *store.Store
	demos []DemoHousehold

	scale   string // address of the kitchen scale it knows of; empty for none
	station string // address of the weather station it knows of; empty for none
}

// Options are what the application is made of.
type Options struct {
	Store   *store.Store
	AsOf    func() civil.Date // tells the date it is
	Demos   []DemoHousehold   // the made-up households offered to a newcomer
	Station string            // address of the weather station it knows of; empty for none
	Scale   string            // address of the kitchen scale it knows of; empty for none
	Web     fs.FS             // the interface's files
	Hosts   Hosts             // the names it answers to
}

// New makes the handler of the whole application: the contract under /api, the
// interface's files under everything else.
func New(o Options) (http.Handler, error) {
	s := &Server{app: app.New(o.Store, o.AsOf), store: o.Store, demos: o.Demos, station: o.Station, scale: o.Scale}
	e := echo.New()
	e.HTTPErrorHandler = problems
	e.Use(middleware.Recover())
	// The interface's own files were packed when they were built; answers are made at every
	// edit, and packed quickly.
	e.Use(middleware.GzipWithConfig(middleware.GzipConfig{Level: 1, Skipper: func(c *echo.Context) bool {
		return !strings.HasPrefix(c.Request().URL.Path, "/api/")
	}}))
	b, err := newBorder()
	if err != nil {
		return nil, err
	}
	e.Use(b.check)
	RegisterHandlersWithBaseURL(e, s, "/api")
	e.Any("/api/*", func(*echo.Context) error { return echo.ErrNotFound })
	if err := static(e, o.Web); err != nil {
		return nil, err
	}
	// Other sites open in the same browser may not edit the household.
	return o.Hosts.only(http.NewCrossOriginProtection().Handler(e)), nil
}

// stateOf tells the household with its plan; of a revision that the client has and that is
// still kept only what has changed since.
func stateOf(now, since *app.Planned) State {
	snap := now.Snapshot
	out := State{Revision: snap.Revision, Undo: snap.Undo, Redo: snap.Redo, Words: snap.Words}
	if snap.Household == nil {
		return out
	}
	if snap.Ended > 0 {
		out.Ended = &snap.Ended
	}
	feed := calendarFeed(snap.Calendar)
	out.Calendar = &feed
	if since == nil || since.Snapshot.Household == nil {
		out.Household, out.Plan = snap.Household, &now.Plan
		return out
	}
	parts := []StatePart{}
	for _, p := range app.Parts(since, now) {
		part := StatePart{Path: p.Path}
		if p.Names == nil {
			part.Value = &p.Value
		} else {
			key := app.NameOf(p.Path)
			part.Key, part.Names, part.Items = &key, &p.Names, &p.Items
		}
		parts = append(parts, part)
	}
	out.From, out.Parts = &since.Snapshot.Revision, &parts
	return out
}

// GetState answers with the household and its plan.
func (s *Server) GetState(c *echo.Context, params GetStateParams) error {
	now, err := s.app.Now(c.Request().Context())
	if err != nil {
		return err
	}
	tag := fmt.Sprintf(`"%d-%s"`, now.Snapshot.Revision, now.Today)
	c.Response().Header().Set("ETag", tag)
	c.Response().Header().Set("Cache-Control", "no-cache")
	if c.Request().Header.Get("If-None-Match") == tag {
		return c.NoContent(http.StatusNotModified)
	}
	return c.JSON(http.StatusOK, stateOf(now, s.kept(params.Since)))
}

// kept returns the household at the revision that a client has; nil where it is not kept.
func (s *Server) kept(since *int) *app.Planned {
	if since == nil {
		return nil
	}
	return s.app.At(*since)
}

// done answers an edit with the new state and what it has moved.
func (s *Server) done(c *echo.Context, since *int, d app.Done, err error) error {
	if err != nil {
		return err
	}
	out := stateOf(d.Planned, s.kept(since))
	if b := d.Before; b != nil && b.Snapshot.Household != nil {
		moves := plan.Moves(b.Plan.Baseline().Sowings, d.Plan.Baseline().Sowings)
		out.Before, out.Moves = &b.Plan.Tally, &moves
	}
	return c.JSON(http.StatusOK, out)
}

// PostEdit does one edit.
func (s *Server) PostEdit(c *echo.Context, params PostEditParams) error {
	var e Edit
	if err := decode(c, &e); err != nil {
		return err
	}
	d, err := s.app.Edit(c.Request().Context(), carried(e))
	return s.done(c, params.Since, d, err)
}

// carried returns an edit as the application takes it.
func carried(e Edit) store.Edit {
	return store.Edit{
		Client: e.Client, ID: e.ID, Revision: e.Revision, Command: string(e.Command), Follows: listOf(e.Follows),
		Household: e.Household, Settings: e.Settings, Place: e.Place, Weather: listOf(e.Weather), Member: e.Member, Guest: e.Guest, Store: e.Store,
		Wish: e.Wish, Wishes: listOf(e.Wishes), Remove: listOf(e.Remove), Overrule: e.Overrule, Habit: e.Habit, CareStep: e.CareStep, Chore: e.Chore, Sighting: e.Sighting,
		Lot: e.Lot, Lots: listOf(e.Lots), Patch: e.Patch, Measure: e.Measure, OwnCrop: e.OwnCrop, OwnPreparation: e.OwnPreparation,
		Plot: e.Plot, Bed: e.Bed, Beds: listOf(e.Beds), Parts: number(e.Parts), Customs: e.Customs, Learning: e.Learning,
		Call: e.Call, Target: text(e.Target), After: text(e.After),
	}
}

func listOf[T any](p *[]T) []T {
	if p == nil {
		return nil
	}
	return *p
}

func number(p *int) int {
	if p == nil {
		return 0
	}
	return *p
}

func text(p *string) string {
	if p == nil {
		return ""
	}
	return *p
}

// PostUndo takes the last edit back.
func (s *Server) PostUndo(c *echo.Context, params PostUndoParams) error {
	return s.step(c, params.Since, s.app.Undo)
}

// PostRedo does the last edit taken back again.
func (s *Server) PostRedo(c *echo.Context, params PostRedoParams) error {
	return s.step(c, params.Since, s.app.Redo)
}

func (s *Server) step(c *echo.Context, since *int, do func(ctx context.Context, client, id string, of store.LastEdit) (app.Done, error)) error {
	var b Step
	if err := decode(c, &b); err != nil {
		return err
	}
	d, err := do(c.Request().Context(), b.Client, b.ID, store.LastEdit{Revision: b.Revision, Edit: b.Edit})
	return s.done(c, since, d, err)
}

// GetWorking answers with the working of one figure.
func (s *Server) GetWorking(c *echo.Context, params GetWorkingParams) error {
	w, err := s.app.Explain(c.Request().Context(), params.Figure)
	if errors.Is(err, plan.ErrNoFigure) {
		return &refusal{http.StatusNotFound, "no such figure", err.Error()}
	}
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, w)
}

// GetWeek answers with one week of the ledger.
func (s *Server) GetWeek(c *echo.Context, params GetWeekParams) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	w, err := plan.WeekOf(now.Input, params.Week)
	if err != nil {
		return &refusal{http.StatusNotFound, "no such week", err.Error()}
	}
	return c.JSON(http.StatusOK, w)
}

// GetRemedies answers with what would mend a gap, a week with too much to put up, or a
// shortage of ground.
func (s *Server) GetRemedies(c *echo.Context, params GetRemediesParams) error {
	ctx := c.Request().Context()
	of := app.Trouble{Week: params.Week, Layout: params.Layout != nil && *params.Layout}
	switch ground := params.Ground != nil && *params.Ground || of.Layout; {
	case params.Wish != nil:
		of = app.Trouble{Wish: *params.Wish}
	case params.Week == nil && !ground:
		return &refusal{http.StatusBadRequest, "not understood", "remedies of what? Name a wish or a week, or ask for the ground or the layout"}
	}
	found, err := s.app.Remedies(ctx, of)
	switch {
	case ctx.Err() != nil, errors.Is(err, app.ErrNoHousehold):
		return err
	case err != nil:
		return &refusal{http.StatusNotFound, "no remedies", err.Error()}
	}
	return c.JSON(http.StatusOK, found)
}

// GetRemediesProgress answers with how far the search for what would make the shortage of
// ground less has come.
func (s *Server) GetRemediesProgress(c *echo.Context) error {
	done, of, err := s.app.Progress(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, Progress{Done: done, Of: of})
}

// GetBook answers with the crop book as the household has it.
func (s *Server) GetBook(c *echo.Context) error {
	b, _, err := s.app.Book(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, cropBook(b))
}

// PostLotsRead reads a CSV of what stands on the shelf, and changes nothing.
func (s *Server) PostLotsRead(c *echo.Context) error {
	var l Line
	if err := decodeFile(c, &l); err != nil {
		return err
	}
	b, h, err := s.app.Book(c.Request().Context())
	if err != nil {
		return err
	}
	var stores []stock.StoragePlace
	if h != nil {
		stores = h.Storage
	}
	lots, err := exchange.ReadShelf(strings.NewReader(l.Text), b, stores)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, lots)
}

// GetShelfFile answers with what stands on the shelf as CSV.
func (s *Server) GetShelfFile(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	h := c.Response().Header()
	h.Set("Content-Type", "text/csv; charset=utf-8")
	h.Set("Content-Disposition", `attachment; filename="shelf.csv"`)
	return exchange.WriteShelf(c.Response(), now.Input.Household.Lots, now.Input.Household.Storage)
}

// PostLine says what a line means, and changes nothing.
func (s *Server) PostLine(c *echo.Context) error {
	var l Line
	if err := decode(c, &l); err != nil {
		return err
	}
	b, at, err := s.whereRead(c, l)
	if err != nil {
		return err
	}
	found, err := line.Wish(l.Text, b, at)
	if err != nil {
		return err
	}
	out := make([]Reading, len(found))
	for i, r := range found {
		r.Wish.Fill()
		out[i] = Reading{Wish: r.Wish, Words: r.Words, Notes: append([]string{}, r.Notes...)}
	}
	return c.JSON(http.StatusOK, out)
}

// whereRead returns the book and the place that a line is read by.
func (s *Server) whereRead(c *echo.Context, l Line) (*book.Book, line.Where, error) {
	b, h, err := s.app.Book(c.Request().Context())
	if err != nil {
		return nil, line.Where{}, err
	}
	if h != nil {
		return b, line.At(h.Place), nil
	}
	if l.Climate != nil { // nobody lives here yet: the climate that is chosen to begin with
		for _, x := range place.Examples() {
			if x.ID == *l.Climate {
				return b, line.At(x.Place), nil
			}
		}
	}
	return b, line.Where{}, nil
}

// PostLineChoices offers whole lines for one that names a food alone, and changes nothing.
func (s *Server) PostLineChoices(c *echo.Context) error {
	var l Line
	if err := decode(c, &l); err != nil {
		return err
	}
	b, at, err := s.whereRead(c, l)
	if err != nil {
		return err
	}
	adults := 1.0
	if now, err := s.app.Begun(c.Request().Context()); err == nil {
		adults = now.Plan.AdultEquivalents
	}
	out := []LineChoice{}
	for _, x := range line.Choices(l.Text, b, at, adults, l.Pounds != nil && *l.Pounds) {
		x.Wish.Fill()
		out = append(out, LineChoice{Line: x.Line, Wish: x.Wish, Words: x.Words})
	}
	return c.JSON(http.StatusOK, out)
}

// PostForesight says what a change would come to, and makes none.
func (s *Server) PostForesight(c *echo.Context) error {
	var change Change
	if err := decode(c, &change); err != nil {
		return err
	}
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	found, err := plan.Foresee(now.Input, change)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, found)
}

// GetReference answers with the book's names, the units and the like, the
// household's own crops and preparations among them.
func (s *Server) GetReference(c *echo.Context) error {
	b, _, err := s.app.Book(c.Request().Context())
	if err != nil {
		return err
	}
	c.Response().Header().Set("Cache-Control", "no-cache")
	r := reference(b)
	r.Station = s.station
	return c.JSON(http.StatusOK, r)
}

// GetHouseholdFile answers with the household as a file.
func (s *Server) GetHouseholdFile(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	h := c.Response().Header()
	h.Set("Content-Type", "application/json")
	h.Set("Content-Disposition", `attachment; filename="household.json"`)
	return exchange.WriteHousehold(c.Response(), now.Snapshot.File())
}

var _ ServerInterface = (*Server)(nil)

// problems turns every error into a problem detail (RFC 9457).
func problems(c *echo.Context, err error) {
	if c.Request().Context().Err() != nil || errors.Is(err, syscall.EPIPE) || errors.Is(err, syscall.ECONNRESET) {
		slog.Debug("the client has gone", "path", c.Request().URL.Path)
		return
	}
	p := problemOf(err)
	if p.Status >= 500 {
		slog.Error("request failed", "path", c.Request().URL.Path, "error", err)
	}
	c.Response().Header().Set("Content-Type", "application/problem+json")
	c.Response().WriteHeader(p.Status)
	if err := json.NewEncoder(c.Response()).Encode(p); err != nil {
		slog.Debug("the answer could not be written", "error", err) // the client has gone
	}
}
