package api

import (
	"encoding/json"
	"fmt"
	"net"
	"net/http"
	"net/netip"
	"slices"
	"strings"
)

// Hosts are the names under which the application answers. A page of another site
// can make a browser look up a name of its own at this machine's address, and would
// then read the household as if it were part of it; so other names are refused.
type Hosts struct {
	Open  bool     // not only this machine may reach it: addresses in figures are names of it too
	Names []string // further names, such as garden.home
}

// Allows reports whether a request's Host header names this application.
func (h Hosts) Allows(header string) bool {
	name := header
	if host, _, err := net.SplitHostPort(header); err == nil {
		name = host
	}
	name = strings.ToLower(strings.TrimSuffix(strings.Trim(name, "[]"), "."))
	if name == "localhost" || name == "127.0.0.1" || name == "::1" {
		return true
	}
	if _, err := netip.ParseAddr(name); err == nil {
		return h.Open // nobody can make a name of their own out of figures
	}
	return slices.ContainsFunc(h.Names, func(n string) bool { return strings.EqualFold(n, name) })
}

// only lets through what is addressed to this application.
func (h Hosts) only(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if h.Allows(r.Host) {
			next.ServeHTTP(w, r)
			return
		}
		w.Header().Set("Content-Type", "application/problem+json")
		w.WriteHeader(http.StatusMisdirectedRequest)
		_ = json.NewEncoder(w).Encode(Problem{ // a client that has gone needs no answer
			Type: "about:blank", Title: "Another name", Status: http.StatusMisdirectedRequest,
			Detail: fmt.Sprintf("Inventory does not answer to the name %q. Open it under localhost, or start it with --host and the name.", r.Host),
		})
	})
}
