package api

import (
	"fmt"
	"net/http"
	"os"
	"path/filepath"
	"strings"

	"github.com/labstack/echo/v5"

	"inventory/internal/app"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/exchange"
)

// GetBackup answers with a whole copy of the household's file, which has been opened
// and planned again.
func (s *Server) GetBackup(c *echo.Context) error {
	if _, err := s.app.Begun(c.Request().Context()); err != nil {
		return err
	}
	dir, err := os.MkdirTemp("", "inventory-backup")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	out := filepath.Join(dir, "backup.db")
	proof, err := app.Backup(c.Request().Context(), s.store, out, s.app.Today())
	if err != nil {
		return err
	}
	h := c.Response().Header()
	h.Set("Content-Type", "application/vnd.sqlite3")
	h.Set("Content-Disposition", fmt.Sprintf(`attachment; filename="%s-%s-edit-%d.db"`, fileName(proof.Name), s.app.Today(), proof.Revision))
	http.ServeFile(c.Response(), c.Request(), out)
	return nil
}

// fileName makes a name for a file of a household's name.
func fileName(name string) string {
	name = strings.Map(func(r rune) rune {
		switch {
		case 'a' <= r && r <= 'z', '0' <= r && r <= '9':
			return r
		}
		return '-'
	}, strings.ToLower(name))
	if name = strings.Trim(name, "-"); name == "" {
		return "household"
	}
	return name[:min(len(name), 40)]
}

// PostHouseholdFileRead reads a household file, and changes nothing.
func (s *Server) PostHouseholdFileRead(c *echo.Context) error {
	var f HouseholdFile
	if err := decodeFile(c, &f); err != nil {
		return err
	}
	h, err := exchange.ReadHousehold(strings.NewReader(f.Text))
	if err != nil {
		return &refusal{http.StatusUnprocessableEntity, "This is no household file", err.Error()}
	}
	_, unknown, err := h.Fitting(book.Usual())
	if err != nil {
		return err
	}
	if unknown == nil {
		unknown = []household.Unknown{}
	}
	return c.JSON(http.StatusOK, HouseholdRead{Household: h, Unknown: unknown})
}

// GetDemoHouseholds answers with the made-up households.
func (s *Server) GetDemoHouseholds(c *echo.Context) error {
	return c.JSON(http.StatusOK, s.demos)
}
