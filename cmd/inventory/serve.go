package main

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"net"
	"net/http"
	"os"
	"runtime/debug"
	"slices"
	"strings"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"inventory/demo"
	"inventory/internal/api"
	"inventory/internal/app"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/stock"
	"inventory/internal/exchange"
	"inventory/internal/standin"
	"inventory/internal/store"
	"inventory/web"
)

const usualAddress = "127.0.0.1:8580"

// serving is how a household is served.
type serving struct {
	db, addr, station, scale string
	asOf                     asOfFlag
	open                     bool     // others than this machine may reach it
	hosts                    []string // further names it answers to
	untouched                bool     // the demo household has put nothing down
	record                   bool     // it has a record of what came in
	demo                     string   // the id of the made-up household that an empty file begins with; empty: none
	asDemo                   bool
}

func (s *serving) add(c *cobra.Command, db, what string) {
	c.Flags().StringVar(&s.db, "db", db, what)
	c.Flags().StringVar(&s.addr, "addr", usualAddress, "`HOST:PORT` to serve on")
	c.Flags().BoolVar(&s.open, "open", false, "serve on an address that other machines can reach")
	c.Flags().StringArrayVar(&s.hosts, "host", nil, "a further `NAME` to answer to, such as garden.home (repeatable)")
	s.asOf.add(c)
}

func serveCommand() *cobra.Command {
	var s serving
	c := &cobra.Command{
		Use:   "serve",
		Short: "Serve the household in the browser",
		Long: `Serve the household in the browser. The household lives in one file; a file
that is not there is made, and the first screen leads to a first wish.`,
		Example: "  inventory serve\n  inventory serve --db ~/our-year.db --addr 127.0.0.1:9000",
		Args:    cobra.NoArgs,
		RunE:    func(c *cobra.Command, _ []string) error { return s.serve(c) },
	}
	s.add(c, usualFile, "the household's `FILE`")
	c.Flags().StringVar(&s.station, "station", "", "`ADDRESS` of a weather station to offer in House")
	c.Flags().StringVar(&s.scale, "scale", "", "`ADDRESS` of a kitchen scale, where House names none")
	return c
}

func demoCommand() *cobra.Command {
	s := serving{asDemo: true}
	c := &cobra.Command{
		Use:   "demo",
		Short: "Serve a made-up household to look around in",
		Long: `Serve a made-up household to look around in. It lives in a file of its own and
keeps your edits; delete the file to start again.`,
		Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error { return s.serve(c) },
	}
	s.add(c, "inventory-demo.db", "the demo's `FILE`")
	c.Flags().BoolVar(&s.untouched, "untouched", false, "begin with a household that has recorded nothing until today")
	c.Flags().BoolVar(&s.record, "record", true, "with what came in this year and in the two years before")
	c.Flags().StringVar(&s.demo, "of", "", "`ONE` of "+strings.Join(demoNames(), ", "))
	return c
}

func demoNames() (names []string) {
	for _, d := range demo.Households {
		names = append(names, d.ID)
	}
	return names
}

// What a slow or silent client may take, and how long a stop waits for those that
// are still being answered.
const (
	slowHeader = 10 * time.Second
	slowBody   = 30 * time.Second
	idleClient = 2 * time.Minute
)

var lastWait = 5 * time.Second

// lessCollecting lets the heap grow to three times what is in use before it is collected, where
// GOGC does not say otherwise. The heap of a household is small (some 15 MB): that costs 15 to
// 30 MB more and saves an eighth of the processor time of an edit.
func lessCollecting() {
	if os.Getenv("GOGC") == "" {
		debug.SetGCPercent(200)
	}
}

// serve runs until the context ends, then lets requests finish.
func (s *serving) serve(c *cobra.Command) error {
	ctx := c.Context()
	clock, err := s.asOf.clock()
	if err != nil {
		return err
	}
	l, err := s.listen(c)
	if err != nil {
		return err
	}
	defer l.Close()
	st, err := store.Open(ctx, s.db)
	if err != nil {
		return err
	}
	defer st.Close()
	if s.asDemo {
		for _, beside := range []struct {
			what    string
			device  http.Handler
			address *string
		}{{"weather station", standin.Station(clock), &s.station}, {"kitchen scale", standin.NewScale(time.Now), &s.scale}} {
			end, err := demoDevice(beside.what, beside.device, beside.address)
			if err != nil {
				return err
			}
			defer end()
		}
	}
	handler, err := s.prepare(ctx, st, clock)
	if err != nil {
		return err
	}
	lessCollecting()
	fmt.Fprintf(c.OutOrStdout(), "Inventory is at http://%s (%s); Ctrl-C ends it.\n", l.Addr(), s.db)
	requests, giveUp := context.WithCancel(context.WithoutCancel(ctx))
	defer giveUp()
	server := &http.Server{
		Handler: handler, ReadHeaderTimeout: slowHeader, ReadTimeout: slowBody, IdleTimeout: idleClient,
		BaseContext: func(net.Listener) context.Context { return requests },
	}
	done := make(chan error, 1)
	go func() { done <- server.Serve(l) }()
	select {
	case err := <-done:
		return err
	case <-ctx.Done():
	}
	end, cancel := context.WithTimeout(context.WithoutCancel(ctx), lastWait)
	defer cancel()
	if err := server.Shutdown(end); !errors.Is(err, context.DeadlineExceeded) {
		return err
	}
	giveUp() // who still sends or waits is cut off; every edit is whole or not at all
	return server.Close()
}

// listen opens the address, and refuses one that other machines reach unless that
// was asked for.
func (s *serving) listen(c *cobra.Command) (net.Listener, error) {
	l, err := net.Listen("tcp", s.addr)
	if errors.Is(err, syscall.EADDRINUSE) {
		return nil, fmt.Errorf("%s is in use; is Inventory running already? Name another with --addr HOST:PORT", s.addr)
	} else if err != nil {
		return nil, fmt.Errorf("cannot serve on %s: %w", s.addr, err)
	}
	if at, ok := l.Addr().(*net.TCPAddr); ok && at.IP.IsLoopback() {
		return l, nil
	}
	if !s.open {
		return nil, errors.Join(fmt.Errorf("other machines can reach %s, and everybody who reaches it can read and change the household: there is no password yet. If that is what you want, say --open", l.Addr()), l.Close())
	}
	fmt.Fprintln(c.OutOrStdout(), "Open: everybody who can reach this address can read and change the household; there is no password yet. Do not do this on a network that you share with strangers.")
	return l, nil
}

// prepare makes the handler, with the demo household in an empty demo file.
func (s *serving) prepare(ctx context.Context, st *store.Store, clock func() civil.Date) (http.Handler, error) {
	var demos []api.DemoHousehold
	for _, d := range demo.Households {
		h, err := exchange.ReadHousehold(bytes.NewReader(d.File))
		if err != nil {
			return nil, fmt.Errorf("the demo household %s: %w", d.ID, err)
		}
		demos = append(demos, api.DemoHousehold{ID: d.ID, Words: d.Words, Household: h})
	}
	if s.asDemo {
		i := max(0, slices.IndexFunc(demos, func(d api.DemoHousehold) bool { return d.ID == s.demo }))
		if s.demo != "" && demos[i].ID != s.demo {
			return nil, fmt.Errorf("there is no demo household %q; there are %s", s.demo, strings.Join(demoNames(), ", "))
		}
		snap, err := st.Load(ctx)
		if err == nil && snap.Household == nil {
			h := demos[i].Household
			if i == 0 && s.record && !s.untouched {
				if h, err = twoYears(ctx, st, h, clock()); err != nil {
					return nil, err
				}
			}
			_, err = app.Begin(ctx, st, "demo", "begin-demo", h)
			if err == nil && !s.untouched {
				err = lived(ctx, app.New(st, clock), s.record)
			}
		}
		if err != nil {
			return nil, fmt.Errorf("the demo household: %w", err)
		}
	}
	name, _ := os.Hostname() // a machine without a name has none to answer to
	return api.New(api.Options{Store: st, AsOf: clock, Demos: demos, Station: s.station, Scale: s.scale, Web: web.Files(), Hosts: api.Hosts{Open: s.open, Names: s.names(name)}})
}

// lived lets a made-up household live up to today: what it had to begin, then what it saw and
// brought in; what stood on the shelf too long is thrown out. Recorded, what came in is weighed.
func lived(ctx context.Context, a *app.App, recorded bool) error {
	for i, of := range []func(plan.Plan) []plan.Event{demo.Begun, demo.Seen, demo.Cleared} {
		now, err := a.Begun(ctx)
		if err != nil {
			return err
		}
		events := of(now.Plan)
		if len(events) == 0 {
			continue
		}
		by := app.Stamp{Client: "demo", ID: fmt.Sprint("lived-", i), Revision: now.Snapshot.Revision}
		if _, err := a.LogAll(ctx, by, events); err != nil {
			return err
		}
	}
	now, err := a.Begun(ctx)
	if err != nil {
		return err
	}
	for _, id := range demo.Spoilt(now.Plan) {
		done, err := a.Edit(ctx, store.Edit{Client: "demo", ID: "lived-" + id, Revision: now.Snapshot.Revision, Command: "remove-lot", Target: id})
		if err != nil {
			return err
		}
		now = done.Planned
	}
	if !recorded {
		return nil
	}
	entries, err := demo.ThisYear(now.Input)
	if err != nil || len(entries) == 0 {
		return err
	}
	for i := range entries {
		entries[i].ID = "now-" + entries[i].ID
	}
	_, err = a.Edit(ctx, store.Edit{Client: "demo", ID: "lived-entries", Revision: now.Snapshot.Revision, Command: "record", Entries: entries, Words: "weighed in what came in"})
	return err
}

// twoYears gives the first made-up household the record of the two years before its own, with
// its photographs.
func twoYears(ctx context.Context, st *store.Store, h household.Household, today civil.Date) (household.Household, error) {
	y, err := demo.TwoYears(h, today)
	if err != nil {
		return h, fmt.Errorf("the record of the demo household: %w", err)
	}
	ids := map[string]string{}
	for i, body := range y.Photographs {
		shown, small, err := exchange.ReadPhotograph(bytes.NewReader(body))
		if err != nil {
			return h, err
		}
		if ids[fmt.Sprint("photo-", i)], err = st.AddPhotograph(ctx, store.Photograph{Body: shown, Small: small}); err != nil {
			return h, err
		}
	}
	for i := range y.Entries {
		for k, id := range y.Entries[i].Photos {
			y.Entries[i].Photos[k] = ids[id]
		}
	}
	h.Entries, h.Past = y.Entries, y.Past
	lots := map[string]bool{}
	for _, l := range y.Lots {
		lots[l.ID] = true
	}
	h.Lots = append(slices.DeleteFunc(slices.Clone(h.Lots), func(l stock.Lot) bool { return lots[l.ID] }), y.Lots...)
	return h, nil
}

// names are those it answers to beside this machine's own address.
func (s *serving) names(machine string) []string {
	if !s.open || machine == "" {
		return s.hosts
	}
	return append([]string{machine, machine + ".local"}, s.hosts...)
}

// demoDevice runs a simulated device beside the demo, at an address of its own, and returns what
// ends it.
func demoDevice(what string, device http.Handler, address *string) (end func(), err error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, fmt.Errorf("the demo's %s: %w", what, err)
	}
	*address = "http://" + l.Addr().String()
	server := &http.Server{Handler: device, ReadHeaderTimeout: 10 * time.Second}
	go func() { _ = server.Serve(l) }()
	return func() { _ = server.Close() }, nil
}

// stationCommand runs the simulated weather station alone.
func stationCommand() *cobra.Command {
	var addr string
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "station",
		Short: "Run a simulated weather station with made-up places",
		Long: `Run a simulated weather station: GET /places lists its made-up places, GET
/days?place=ID gives the days of one as CSV. Name it to "inventory serve" with
--station, as you would a real one.`,
		Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			clock, err := asOf.clock()
			if err != nil {
				return err
			}
			return runDevice(c, "weather station", addr, standin.Station(clock))
		},
	}
	c.Flags().StringVar(&addr, "addr", "127.0.0.1:8590", "`HOST:PORT` to serve on")
	asOf.add(c)
	return c
}

// runDevice runs a simulated device alone until it is ended.
func runDevice(c *cobra.Command, what, addr string, device http.Handler) error {
	l, err := net.Listen("tcp", addr)
	if err != nil {
		return fmt.Errorf("cannot serve on %s: %w", addr, err)
	}
	fmt.Fprintf(c.OutOrStdout(), "The simulated %s is at http://%s; Ctrl-C ends it.\n", what, l.Addr())
	server := &http.Server{Handler: device, ReadHeaderTimeout: 10 * time.Second}
	context.AfterFunc(c.Context(), func() { _ = server.Close() })
	if err := server.Serve(l); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	return nil
}

// scaleCommand runs the simulated kitchen scale alone.
func scaleCommand() *cobra.Command {
	var addr string
	c := &cobra.Command{
		Use:   "scale",
		Short: "Run a simulated kitchen scale",
		Long: `Run a simulated kitchen scale: GET /weight gives what it shows, POST /tare calls
what lies on it nothing, POST /simulate {"kg": 2.4} puts something on it. Name it in
House, or to "inventory serve" with --scale, as you would a real one.`,
		Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			return runDevice(c, "kitchen scale", addr, standin.NewScale(time.Now))
		},
	}
	c.Flags().StringVar(&addr, "addr", "127.0.0.1:8591", "`HOST:PORT` to serve on")
	return c
}
