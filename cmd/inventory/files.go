package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"

	"github.com/spf13/cobra"

	"inventory/internal/app"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/exchange"
	"inventory/internal/store"
)

const usualFile = "inventory.db"

func importCommand() *cobra.Command {
	var db, folder string
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "import FILE",
		Short: "Begin a household from a household file",
		Long: `Begin a household from a household file (docs/household-file.md), such as House
or "inventory export" wrote. "-" reads it from standard input. The database must
have no household yet; one that is not there is made.`,
		Example: "  inventory import our-year.json --db our-year.db",
		Args:    cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			clock, err := asOf.clock()
			if err != nil {
				return err
			}
			h, err := readHousehold(c.InOrStdin(), args[0])
			if err != nil {
				return err
			}
			if h.Year == 0 {
				h.Year = h.FirstYear(clock())
			}
			_, unknown, err := h.Fitting(book.Usual())
			if err != nil {
				return cannot(args[0], "cannot be taken", err)
			}
			return withStore(c.Context(), db, store.Open, func(st *store.Store) error {
				if err := takePhotographs(c.Context(), st, folder); err != nil {
					return err
				}
				snap, err := app.Begin(c.Context(), st, "import", "import", h)
				if err != nil {
					return err
				}
				fmt.Fprintf(c.OutOrStdout(), "%s: %d wishes are now in %s. Start it with: inventory serve --db %s\n", snap.Household.Name, len(snap.Household.Wishes), db, db)
				tellUnknown(c.OutOrStdout(), unknown)
				return nil
			})
		},
	}
	c.Flags().StringVar(&db, "db", usualFile, "the household's `FILE`, to be made")
	c.Flags().StringVar(&folder, "photographs", "", "`FOLDER` with the photographs that were exported beside the file")
	asOf.add(c)
	return c
}

func exportCommand() *cobra.Command {
	var db, folder string
	c := &cobra.Command{
		Use:   "export [FILE]",
		Short: "Write the household as a household file",
		Long: `Write the household as a household file (docs/household-file.md): an open
format, to keep, to read or to begin another year's database from. Without FILE it
goes to standard output. It may run beside a server. The journal of edits is not in
it; for a copy with everything take "inventory backup".`,
		Example: "  inventory export our-year.json --db our-year.db",
		Args:    cobra.MaximumNArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return withStore(c.Context(), db, store.OpenThere, func(st *store.Store) error {
				snap, err := st.Load(c.Context())
				if err != nil {
					return err
				}
				if snap.Household == nil {
					return fmt.Errorf("%s has no household yet", db)
				}
				if folder != "" {
					if err := leavePhotographs(c.Context(), st, folder); err != nil {
						return err
					}
				}
				if len(args) == 0 {
					return exchange.WriteHousehold(c.OutOrStdout(), snap.File())
				}
				f, err := os.OpenFile(args[0], os.O_CREATE|os.O_EXCL|os.O_WRONLY, 0o600)
				if errors.Is(err, os.ErrExist) {
					return fmt.Errorf("%s is there already; name a file that is not", args[0])
				} else if err != nil {
					return err
				}
				return errors.Join(exchange.WriteHousehold(f, snap.File()), f.Sync(), f.Close())
			})
		},
	}
	c.Flags().StringVar(&db, "db", usualFile, "the household's `FILE`")
	c.Flags().StringVar(&folder, "photographs", "", "`FOLDER`, to be made, for the photographs")
	return c
}

func backupCommand() *cobra.Command {
	var db string
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "backup OUT",
		Short: "Write a whole copy of the household, and try it",
		Long: `Write a whole copy of the household with its journal into a new file, open the
copy and plan it again. It may run beside a server that is being edited.`,
		Example: "  inventory backup --db our-year.db /media/stick/our-year-2027-03-01.db",
		Args:    cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			clock, err := asOf.clock()
			if err != nil {
				return err
			}
			return withStore(c.Context(), db, store.OpenThere, func(st *store.Store) error {
				p, err := app.Backup(c.Context(), st, args[0], clock())
				if err != nil {
					return err
				}
				tellProof(c.OutOrStdout(), args[0], p)
				return nil
			})
		},
	}
	c.Flags().StringVar(&db, "db", usualFile, "the household's `FILE`")
	asOf.add(c)
	return c
}

func restoreCommand() *cobra.Command {
	var db string
	var asOf asOfFlag
	c := &cobra.Command{
		Use:   "restore BACKUP",
		Short: "Put a backup back, and try it",
		Long: `Put a backup back: write what it holds into a new database, open that and plan
it again. The backup stays as it is. A database that is there already is not
touched; move it away first, or name another.`,
		Example: "  inventory restore /media/stick/our-year-2027-03-01.db --db our-year.db",
		Args:    cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			clock, err := asOf.clock()
			if err != nil {
				return err
			}
			p, err := app.Restore(c.Context(), args[0], db, clock())
			if err != nil {
				return err
			}
			tellProof(c.OutOrStdout(), db, p)
			return nil
		},
	}
	c.Flags().StringVar(&db, "db", usualFile, "the household's `FILE`, to be made")
	asOf.add(c)
	return c
}

// withStore opens a database, does something with it, and closes it.
func withStore(ctx context.Context, db string, open func(context.Context, string) (*store.Store, error), do func(*store.Store) error) error {
	st, err := open(ctx, db)
	if err != nil {
		return err
	}
	return errors.Join(do(st), st.Close())
}

// readHousehold reads a household file; "-" is standard input.
func readHousehold(stdin io.Reader, file string) (household.Household, error) {
	in := stdin
	if file != "-" {
		f, err := os.Open(file)
		if err != nil {
			return household.Household{}, err
		}
		defer f.Close()
		in = f
	}
	h, err := exchange.ReadHousehold(in)
	if err != nil {
		return h, fmt.Errorf("%s: %w", file, err)
	}
	return h, nil
}

func tellProof(out io.Writer, file string, p app.Proof) {
	fmt.Fprintf(out, "%s holds %s at edit %d, %d wishes. It was opened and planned again.\n", file, p.Name, p.Revision, p.Wishes)
}

// tellUnknown lists what the crop book does not know.
func tellUnknown(out io.Writer, unknown []household.Unknown) {
	for _, u := range unknown {
		fmt.Fprintf(out, "Kept, but not planned: %s: %s is %q; right would be %s\n", u.Words, u.Field, u.Name, u.Allowed)
	}
}
