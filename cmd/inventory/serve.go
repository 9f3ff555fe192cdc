package main

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"inventory/demo"
	"inventory/internal/api"
	"inventory/internal/core/civil"
	"inventory/internal/exchange"
	"inventory/internal/standin"
	"inventory/internal/store"
	"inventory/web"
)

const usualAddress = "127.0.0.1:8580"

func serveCommand() *cobra.Command {
	var db, addr, station string
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "serve",
		Short: "Serve the household in the browser",
		Long: `Serve the household in the browser. The household lives in one file; a file
that is not there is made, and the first screen leads to a first wish.`,
		Example: "  inventory serve\n  inventory serve --db ~/our-year.db --addr 127.0.0.1:9000",
		Args:    cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			return serve(c, db, addr, station, asOf, false)
		},
	}
	c.Flags().StringVar(&db, "db", "inventory.db", "the household's `FILE`")
	c.Flags().StringVar(&addr, "addr", usualAddress, "`HOST:PORT` to serve on")
	c.Flags().StringVar(&station, "station", "", "`ADDRESS` of a weather station to offer in House")
	asOf.add(c)
	return c
}

func demoCommand() *cobra.Command {
	var db, addr string
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "demo",
		Short: "Serve a made-up household to look around in",
		Long: `Serve a made-up household to look around in. It lives in a file of its own and
keeps your edits; remove the file to start over.`,
		Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			return serve(c, db, addr, "", asOf, true)
		},
	}
	c.Flags().StringVar(&db, "db", "inventory-demo.db", "the demo's `FILE`")
	c.Flags().StringVar(&addr, "addr", usualAddress, "`HOST:PORT` to serve on")
	asOf.add(c)
	return c
}

// serve runs until the context ends, then lets requests finish.
func serve(c *cobra.Command, db, addr, station string, asOf asOfFlag, withDemo bool) error {
	ctx := c.Context()
	clock, err := asOf.clock()
	if err != nil {
		return err
	}
	if dir := filepath.Dir(db); dir != "." {
		if info, err := os.Stat(dir); err != nil || !info.IsDir() {
			return fmt.Errorf("the folder %s of the file %s is not there", dir, filepath.Base(db))
		}
	}
	st, err := store.Open(ctx, db)
	if err != nil {
		return err
	}
	defer st.Close()
	if withDemo {
		end, err := demoStation(clock, &station)
		if err != nil {
			return err
		}
		defer end()
	}
	handler, err := prepare(ctx, st, clock, station, withDemo)
	if err != nil {
		return err
	}
	l, err := net.Listen("tcp", addr)
	if errors.Is(err, syscall.EADDRINUSE) {
		return fmt.Errorf("%s is in use; is Inventory running already? Name another with --addr HOST:PORT", addr)
	} else if err != nil {
		return fmt.Errorf("cannot serve on %s: %w", addr, err)
	}
	fmt.Fprintf(c.OutOrStdout(), "Inventory is at http://%s (%s); Ctrl-C ends it.\n", l.Addr(), db)
	server := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second}
	done := make(chan error, 1)
	go func() { done <- server.Serve(l) }()
	select {
	case err := <-done:
		return err
	case <-ctx.Done():
	}
	end, cancel := context.WithTimeout(context.WithoutCancel(ctx), 5*time.Second)
	defer cancel()
	return server.Shutdown(end)
}

// prepare makes the handler, with the demo household in an empty demo file.
func prepare(ctx context.Context, st *store.Store, clock func() civil.Date, station string, withDemo bool) (http.Handler, error) {
	household, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		return nil, fmt.Errorf("the demo household: %w", err)
	}
	if withDemo {
		snap, err := st.Load(ctx)
		if err != nil {
			return nil, err
		}
		if snap.Revision == 0 {
			own := household
			if _, err := st.Apply(ctx, store.Edit{Client: "demo", ID: "begin-demo", Command: "begin", Household: &own}); err != nil {
				return nil, fmt.Errorf("the demo household: %w", err)
			}
		}
	}
	return api.New(st, clock, household, station, web.Files())
}

// demoStation runs the simulated weather station beside the demo, at an address
// of its own, and returns what ends it.
func demoStation(clock func() civil.Date, address *string) (end func(), err error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, fmt.Errorf("the demo's weather station: %w", err)
	}
	*address = "http://" + l.Addr().String()
	server := &http.Server{Handler: standin.Station(clock), ReadHeaderTimeout: 10 * time.Second}
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
			l, err := net.Listen("tcp", addr)
			if err != nil {
				return fmt.Errorf("cannot serve on %s: %w", addr, err)
			}
			fmt.Fprintf(c.OutOrStdout(), "The simulated weather station is at http://%s; Ctrl-C ends it.\n", l.Addr())
			server := &http.Server{Handler: standin.Station(clock), ReadHeaderTimeout: 10 * time.Second}
			context.AfterFunc(c.Context(), func() { _ = server.Close() })
			if err := server.Serve(l); !errors.Is(err, http.ErrServerClosed) {
				return err
			}
			return nil
		},
	}
	c.Flags().StringVar(&addr, "addr", "127.0.0.1:8590", "`HOST:PORT` to serve on")
	asOf.add(c)
	return c
}
