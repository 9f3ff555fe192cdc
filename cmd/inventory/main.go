// Command inventory is the application: it serves the household's year in the
// browser, and prints a plan from a household file.
package main

import (
	"context"
	"fmt"
	"os"
	"os/signal"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"inventory/internal/core/civil"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := root().ExecuteContext(ctx); err != nil {
		fmt.Fprintln(os.Stderr, "inventory:", err)
		os.Exit(1)
	}
}

func root() *cobra.Command {
	c := &cobra.Command{
		Use:   "inventory",
		Short: "A household's food year: from what the family eats to what is sown, and when",
		Long: `Inventory works out, from what a family eats and puts up in a year, the
harvested weights, plants, seed and starts, bed area and staggered sowings with
their dates, and shows the working of every figure.`,
		SilenceUsage:  true,
		SilenceErrors: true,
	}
	c.AddCommand(serveCommand(), demoCommand(), planCommand(), importCommand(), exportCommand(), backupCommand(), restoreCommand(), stationCommand(), scaleCommand(), versionCommand())
	c.CompletionOptions.HiddenDefaultCmd = true
	return c
}

// asOfFlag is a date that stands in for today's.
type asOfFlag struct{ text string }

func (f *asOfFlag) add(c *cobra.Command) {
	c.Flags().StringVar(&f.text, "as-of", "", "plan as if today were this `DATE`, such as 2027-02-01 (default: today)")
}

// clock returns what tells the date: the flag's, or today's in local time.
func (f *asOfFlag) clock() (func() civil.Date, error) {
	if f.text == "" {
		return func() civil.Date {
			y, m, d := time.Now().Date()
			return civil.Of(y, int(m), d)
		}, nil
	}
	d, err := civil.Parse(f.text)
	if err != nil {
		return nil, fmt.Errorf("--as-of: %w", err)
	}
	return func() civil.Date { return d }, nil
}

type clockFunc = func() civil.Date

// dash writes a date, or a dash for none.
func dash(d *civil.Date) string {
	if d == nil {
		return "–"
	}
	return d.String()
}
