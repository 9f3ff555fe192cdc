package main

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"
	"text/tabwriter"

	"github.com/spf13/cobra"

	"inventory/internal/core/amount"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/exchange"
)

func planCommand() *cobra.Command {
	var asJSON, us bool
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "plan FILE",
		Short: "Print the plan of a household file",
		Long: `Print the plan of a household file, without a server or a database. The file is
JSON of format "` + exchange.HouseholdFormat + `" (docs/household-file.md); "-" reads it from
standard input.`,
		Example: "  inventory plan demo/mill-house.json\n  inventory plan our-year.json --json --as-of 2027-02-01",
		Args:    cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			clock, err := asOf.clock()
			if err != nil {
				return err
			}
			p, err := readPlan(c.InOrStdin(), args[0], clock)
			if err != nil {
				return err
			}
			if asJSON {
				e := json.NewEncoder(c.OutOrStdout())
				e.SetIndent("", "  ")
				return e.Encode(p)
			}
			system := amount.Metric
			if us {
				system = amount.US
			}
			return printPlan(c.OutOrStdout(), p, system)
		},
	}
	c.Flags().BoolVar(&asJSON, "json", false, "print JSON instead of text")
	c.Flags().BoolVar(&us, "us", false, "print US units (text only)")
	asOf.add(c)
	return c
}

func readPlan(stdin io.Reader, file string, clock clockFunc) (plan.Plan, error) {
	h, err := readHousehold(stdin, file)
	if err != nil {
		return plan.Plan{}, err
	}
	entries := map[string]*record.Entry{}
	for i := range h.Entries {
		entries[h.Entries[i].ID] = &h.Entries[i]
	}
	_, in, err := plan.Learned(plan.Input{AsOf: clock(), Household: h}, (&record.Record{}).Changed(entries))
	if err != nil {
		return plan.Plan{}, cannot(file, "cannot be planned", err)
	}
	p, err := plan.Compute(in)
	if err != nil {
		return plan.Plan{}, cannot(file, "cannot be planned", err)
	}
	return p, nil
}

// cannot lists the mistakes in a file, one to a line.
func cannot(file, what string, err error) error {
	return fmt.Errorf("%s %s:\n  %s", file, what, strings.ReplaceAll(err.Error(), "\n", "\n  "))
}

// printPlan writes a plan as aligned text.
func printPlan(out io.Writer, p plan.Plan, system amount.System) error {
	show := func(v float64, u amount.Unit) string { return amount.Format(v, u, system) }
	t := p.Tally
	fmt.Fprintf(out, "The year %s, as of %s\n", p.Year, p.AsOf.Words())
	fmt.Fprintf(out, "%d of %d weeks fed, wish by wish; %d plants in %d sowings; %s of bed in the fullest week; %d jars to fill\n\n",
		t.WeeksFed, t.WeeksWanted, t.Plants, t.Sowings, show(t.Area, amount.SquareMetre), t.Jars)
	w := tabwriter.NewWriter(out, 0, 0, 2, ' ', tabwriter.AlignRight|tabwriter.TabIndent)
	fmt.Fprintln(w, "fed\tof\tharvest needed\tplants\tbed\tsowings\tleft over\t  wish")
	for _, x := range p.Wishes {
		fmt.Fprintf(w, "%d\t%d\t%s\t%d\t%s\t%d\t%s\t  %s\n", x.WeeksFed, x.WeeksWanted, show(x.Harvested, x.HarvestUnit), x.Plants,
			show(x.Area, amount.SquareMetre), x.SowingCount, show(x.LeftOver, x.HarvestUnit), x.Words)
	}
	if err := w.Flush(); err != nil {
		return err
	}
	for _, x := range p.Wishes {
		for _, n := range x.Notes {
			fmt.Fprintf(out, "  %s: %s\n", x.Title, amount.Render(n.String(), system))
		}
	}
	tellUnknown(out, p.Unknown)
	fmt.Fprintln(out)
	w = tabwriter.NewWriter(out, 0, 0, 2, ' ', 0)
	fmt.Fprintln(w, "sow or plant\tplant out\tcrop\tseed, cells, stock\tplants\trow\tbed\tfirst pick\tlast pick\tlikely")
	for _, s := range p.Sowings {
		date := s.Date.String()
		if s.Late {
			date += " late"
		}
		fmt.Fprintf(w, "%s\t%s\t%s\t%s\t%d\t%s\t%s\t%s\t%s\t%s\n", date, dash(s.PlantOut), s.CropName, sown(s, show), s.Plants,
			show(s.RowMetres, amount.Metre), show(s.Area, amount.SquareMetre), dash(s.FirstPick), dash(s.LastPick), show(s.Likely, s.Unit))
	}
	return w.Flush()
}

func sown(s plan.Sowing, show func(float64, amount.Unit) string) string {
	switch {
	case s.Method == "patch" && s.Cells == 0, s.Method == "stock":
		text := fmt.Sprintf("%d %s", s.SetOut, s.StockUnit)
		if s.StockKg > 0 {
			text += ", " + show(s.StockKg, amount.Kilogram)
		}
		return text
	case s.Cells > 0:
		return fmt.Sprintf("%d cells, %d seeds", s.Cells, s.Seeds)
	case s.Method == "tray":
		return show(s.SeedGram, amount.Gram) + " of seed"
	case s.DrillM > 0:
		return fmt.Sprintf("%s of row, %d seeds", show(s.DrillM, amount.Metre), s.Seeds)
	}
	return fmt.Sprintf("%d spots of %d seeds", s.Stations, s.PerPlace)
}
