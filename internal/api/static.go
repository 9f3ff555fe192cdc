package api

import (
	"bytes"
	"errors"
	"io/fs"
	"net/http"
	"path"
	"strings"
	"time"

	"github.com/labstack/echo/v5"
)

// static serves the interface's files; every path that is no file is a place of
// the interface and gets its one page.
func static(e *echo.Echo, web fs.FS) error {
	page, err := fs.ReadFile(web, "index.html")
	if errors.Is(err, fs.ErrNotExist) {
		page = []byte("<!doctype html><title>Inventory</title><p>The interface was not built into this binary: run make build.")
	} else if err != nil {
		return err
	}
	e.GET("/*", func(c *echo.Context) error {
		h := c.Response().Header()
		h.Set("Content-Security-Policy", "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; base-uri 'none'; frame-ancestors 'none'")
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Referrer-Policy", "no-referrer")
		name := strings.TrimPrefix(path.Clean(c.Request().URL.Path), "/")
		if body, err := fs.ReadFile(web, name); err == nil && name != "index.html" {
			if strings.HasPrefix(name, "assets/") { // named by their content
				h.Set("Cache-Control", "public, max-age=31536000, immutable")
			}
			body = packed(c, web, name, body)
			http.ServeContent(c.Response(), c.Request(), name, time.Time{}, bytes.NewReader(body))
			return nil
		}
		if strings.HasPrefix(name, "assets/") {
			return echo.ErrNotFound
		}
		h.Set("Cache-Control", "no-cache")
		return c.HTMLBlob(http.StatusOK, page)
	})
	return nil
}

// packed returns a file as it was packed by the build, in the best way that the client
// understands, and says so in the answer; or the file itself.
func packed(c *echo.Context, web fs.FS, name string, body []byte) []byte {
	for _, p := range []struct{ coding, end string }{{"br", ".br"}, {"gzip", ".gz"}} {
		small, err := fs.ReadFile(web, name+p.end)
		if err != nil {
			continue
		}
		c.Response().Header().Set("Vary", "Accept-Encoding")
		if accepts(c.Request().Header.Get("Accept-Encoding"), p.coding) {
			c.Response().Header().Set("Content-Encoding", p.coding)
			return small
		}
	}
	return body
}

// accepts reports whether an Accept-Encoding header names a coding, and not to refuse it.
func accepts(header, coding string) bool {
	for _, part := range strings.Split(header, ",") {
		name, quality, _ := strings.Cut(strings.TrimSpace(part), ";")
		if strings.TrimSpace(name) == coding {
			q := strings.TrimSpace(quality)
			return q != "q=0" && q != "q=0.0" && q != "q=0.00" && q != "q=0.000"
		}
	}
	return false
}
