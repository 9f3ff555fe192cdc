// Package api serves the interface and the contract of api/openapi.yaml over
// HTTP: the state of the household with its plan, edits, workings.
package api

import (
	"context"
	"encoding/json"
	"errors"
	"io/fs"
	"log/slog"
	"net/http"
	"strings"
	"sync"
	"syscall"

	"github.com/labstack/echo/v5"
	"github.com/labstack/echo/v5/middleware"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/line"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/stock"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

// Server answers the contract for one household.
type Server struct {
	store *store.Store
	asOf  func() civil.Date
	demos []DemoHousehold

	station string // address of the weather station it knows of; empty for none

	memory plan.Memory // of the place's seasons, from one plan to the next

	fitting sync.Mutex
	fitted  *fitted // the last layout

	mu       sync.Mutex
	computed *reckoned // the last plan, so that reading it again costs nothing
}

// reckoned is a plan with what it belongs to.
type reckoned struct {
	revision int
	input    plan.Input
	plan     plan.Plan
}

// Options are what the application is made of.
type Options struct {
	Store   *store.Store
	AsOf    func() civil.Date // tells the date it is
	Demos   []DemoHousehold   // the made-up households offered to a newcomer
	Station string            // address of the weather station it knows of; empty for none
	Web     fs.FS             // the interface's files
	Hosts   Hosts             // the names it answers to
}

// New makes the handler of the whole application: the contract under /api, the
// interface's files under everything else.
func New(o Options) (http.Handler, error) {
	s := &Server{store: o.Store, asOf: o.AsOf, demos: o.Demos, station: o.Station}
	e := echo.New()
	e.HTTPErrorHandler = problems
	e.Use(middleware.Recover())
	// The interface's own files are fetched once and packed well; answers are made
	// anew at every edit, and packed quickly.
	ofAPI := func(c *echo.Context) bool { return strings.HasPrefix(c.Request().URL.Path, "/api/") }
	e.Use(middleware.GzipWithConfig(middleware.GzipConfig{Skipper: ofAPI}))
	e.Use(middleware.GzipWithConfig(middleware.GzipConfig{Level: 1, Skipper: func(c *echo.Context) bool { return !ofAPI(c) }}))
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

// plan returns the plan of a snapshot, from memory where it is the last one.
func (s *Server) plan(snap store.Snapshot) (*reckoned, error) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if r := s.computed; r != nil && r.revision == snap.Revision && r.input.AsOf == s.asOf() {
		return r, nil
	}
	in, err := s.inputOf(snap)
	if err != nil {
		return nil, err
	}
	p, err := plan.Compute(in)
	if err != nil {
		return nil, err
	}
	s.computed = &reckoned{snap.Revision, in, p}
	return s.computed, nil
}

// inputOf returns what the plan of a snapshot follows from, without what the crop
// book does not know.
func (s *Server) inputOf(snap store.Snapshot) (plan.Input, error) {
	return plan.Input{AsOf: s.asOf(), Household: *snap.Household, Memory: &s.memory}.Fitted()
}

// last returns the last plan there was, for the differences.
func (s *Server) last() *reckoned {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.computed
}

func (s *Server) state(snap store.Snapshot, before *reckoned) (State, error) {
	out := State{Revision: snap.Revision, Undo: snap.Undo, Redo: snap.Redo, Words: snap.Words, Household: snap.Household}
	if snap.Household != nil {
		feed := calendarFeed(snap.Calendar)
		out.Calendar = &feed
	}
	if snap.Household == nil {
		return out, nil
	}
	r, err := s.plan(snap)
	if err != nil {
		return State{}, err
	}
	out.Plan = &r.plan
	if before != nil {
		out.Before = &before.plan.Tally
		moves := plan.Moves(before.plan.Baseline().Sowings, r.plan.Baseline().Sowings)
		out.Moves = &moves
	}
	return out, nil
}

// GetState answers with the household and its plan.
func (s *Server) GetState(c *echo.Context) error {
	snap, err := s.store.Load(c.Request().Context())
	if err != nil {
		return err
	}
	state, err := s.state(snap, nil)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, state)
}

// change does one step on the household and answers with the new state.
func (s *Server) change(c *echo.Context, do func(context.Context) (store.Snapshot, error)) error {
	ctx := c.Request().Context()
	if s.last() == nil { // nothing reckoned yet in this run: what stood before is wanted for the differences
		if snap, err := s.store.Load(ctx); err == nil && snap.Household != nil {
			if _, err := s.plan(snap); err != nil {
				return err
			}
		}
	}
	before := s.last()
	snap, err := do(ctx)
	if err != nil {
		return err
	}
	state, err := s.state(snap, before)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, state)
}

// PostEdit does one edit.
func (s *Server) PostEdit(c *echo.Context) error {
	var e Edit
	if err := decode(c, &e); err != nil {
		return err
	}
	if e.Household != nil && e.Household.Year == 0 { // a newcomer's: the year that lies ahead
		e.Household.Year = e.Household.FirstYear(s.asOf())
	}
	if e.Wish != nil && e.Wish.Cover != "" {
		if in, err := s.input(c.Request().Context()); err == nil {
			if err := plan.NewCover(in, *e.Wish); err != nil {
				return err
			}
		}
	}
	return s.change(c, func(ctx context.Context) (store.Snapshot, error) {
		agreement, err := s.agreement(ctx, string(e.Command), e.Revision)
		if err != nil {
			return store.Snapshot{}, err
		}
		return s.store.Apply(ctx, store.Edit{
			Plot: e.Plot, Bed: e.Bed, Beds: listOf(e.Beds), Parts: number(e.Parts), Customs: e.Customs,
			Habit: e.Habit, Agreement: agreement, Weather: listOf(e.Weather),
			Client: e.Client, ID: e.ID, Revision: e.Revision, Command: string(e.Command),
			Call: e.Call, Follows: listOf(e.Follows),
			Household: e.Household, Settings: e.Settings, Place: e.Place, Member: e.Member, Guest: e.Guest,
			Store: e.Store, Wish: e.Wish, Overrule: e.Overrule, Lot: e.Lot, Lots: listOf(e.Lots), Patch: e.Patch, OwnCrop: e.OwnCrop, OwnPreparation: e.OwnPreparation, Target: text(e.Target), After: text(e.After),
		})
	})
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
func (s *Server) PostUndo(c *echo.Context) error { return s.step(c, s.store.Undo) }

// PostRedo does the last edit taken back again.
func (s *Server) PostRedo(c *echo.Context) error { return s.step(c, s.store.Redo) }

func (s *Server) step(c *echo.Context, do func(ctx context.Context, client, id string, of store.LastEdit) (store.Snapshot, error)) error {
	var b Step
	if err := decode(c, &b); err != nil {
		return err
	}
	return s.change(c, func(ctx context.Context) (store.Snapshot, error) {
		return do(ctx, b.Client, b.ID, store.LastEdit{Revision: b.Revision, Edit: b.Edit})
	})
}

// GetWorking answers with the working of one figure.
func (s *Server) GetWorking(c *echo.Context, params GetWorkingParams) error {
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	w, err := plan.Explain(in, params.Figure)
	if err != nil {
		return &refusal{http.StatusNotFound, "no such figure", err.Error()}
	}
	return c.JSON(http.StatusOK, w)
}

// input returns what the plan follows from; a refusal where there is no household.
func (s *Server) input(ctx context.Context) (plan.Input, error) {
	snap, err := s.store.Load(ctx)
	if err != nil {
		return plan.Input{}, err
	}
	if snap.Household == nil {
		return plan.Input{}, &refusal{http.StatusNotFound, "no household", "there is no household yet"}
	}
	return s.inputOf(snap)
}

// book returns the book as the household has it, the usual one where there is no
// household yet.
func (s *Server) book(ctx context.Context) (*book.Book, *household.Household, error) {
	snap, err := s.store.Load(ctx)
	if err != nil || snap.Household == nil {
		return book.Usual(), nil, err
	}
	in, err := s.inputOf(snap)
	if err != nil {
		return nil, nil, err
	}
	b, _, _, err := in.Household.Book(book.Usual())
	return b, &in.Household, err
}

// GetWeek answers with one week of the ledger.
func (s *Server) GetWeek(c *echo.Context, params GetWeekParams) error {
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	w, err := plan.WeekOf(in, params.Week)
	if err != nil {
		return &refusal{http.StatusNotFound, "no such week", err.Error()}
	}
	return c.JSON(http.StatusOK, w)
}

// GetWays answers with the ways of mending a gap or an overload.
func (s *Server) GetWays(c *echo.Context, params GetWaysParams) error {
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	var ways []plan.Remedy
	switch {
	case params.Wish != nil:
		ways, err = plan.Remedies(c.Request().Context(), in, *params.Wish)
	case params.Week != nil:
		ways, err = plan.KitchenRemedies(c.Request().Context(), in, *params.Week)
	default:
		return &refusal{http.StatusBadRequest, "not understood", "ways of what? Name a wish or a week"}
	}
	switch {
	case c.Request().Context().Err() != nil:
		return err
	case err != nil:
		return &refusal{http.StatusNotFound, "no ways", err.Error()}
	}
	return c.JSON(http.StatusOK, ways)
}

// GetBook answers with the crop book as the household has it.
func (s *Server) GetBook(c *echo.Context) error {
	b, _, err := s.book(c.Request().Context())
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
	b, h, err := s.book(c.Request().Context())
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
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	h := c.Response().Header()
	h.Set("Content-Type", "text/csv; charset=utf-8")
	h.Set("Content-Disposition", `attachment; filename="shelf.csv"`)
	return exchange.WriteShelf(c.Response(), in.Household.Lots, in.Household.Storage)
}

// PostLine says what a line means, and changes nothing.
func (s *Server) PostLine(c *echo.Context) error {
	var l Line
	if err := decode(c, &l); err != nil {
		return err
	}
	b, h, err := s.book(c.Request().Context())
	if err != nil {
		return err
	}
	at := line.Where{}
	if h != nil {
		at = line.At(h.Place)
	} else if l.Climate != nil { // nobody lives here yet: the climate that is chosen to begin with
		for _, x := range place.Examples() {
			if x.ID == *l.Climate {
				at = line.At(x.Place)
			}
		}
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

// PostForesight says what a change would come to, and makes none.
func (s *Server) PostForesight(c *echo.Context) error {
	var change Change
	if err := decode(c, &change); err != nil {
		return err
	}
	in, err := s.input(c.Request().Context())
	if err != nil {
		return err
	}
	found, err := plan.Foresee(in, plan.Change{Overrule: change.Overrule, Habit: change.Habit})
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, found)
}

// GetReference answers with the book's names, the units and the like, the
// household's own crops and preparations among them.
func (s *Server) GetReference(c *echo.Context) error {
	b, _, err := s.book(c.Request().Context())
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
	snap, err := s.store.Load(c.Request().Context())
	if err != nil {
		return err
	}
	if snap.Household == nil {
		return &refusal{http.StatusNotFound, "no household", "there is no household to write yet"}
	}
	h := c.Response().Header()
	h.Set("Content-Type", "application/json")
	h.Set("Content-Disposition", `attachment; filename="household.json"`)
	return exchange.WriteHousehold(c.Response(), *snap.Household)
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
