package main

import (
	"runtime/debug"
	"testing"
)

func TestVersionWords(t *testing.T) {
	of := func(commit, at, modified string) *debug.BuildInfo {
		return &debug.BuildInfo{GoVersion: "go1.26.8", Settings: []debug.BuildSetting{{Key: "vcs.revision", Value: commit}, {Key: "vcs.time", Value: at}, {Key: "vcs.modified", Value: modified}}}
	}
	for _, c := range []struct {
		info *debug.BuildInfo
		ok   bool
		want string
	}{
		{nil, false, "inventory, an unknown build"},
		{&debug.BuildInfo{GoVersion: "go1.26.8"}, true, "inventory, a build outside version control, go1.26.8"},
		{of("0123456789abcdef", "2027-01-12T08:00:00Z", "false"), true, "inventory, commit 0123456789ab of 2027-01-12T08:00:00Z, go1.26.8"},
		{of("0123456789abcdef", "2027-01-12T08:00:00Z", "true"), true, "inventory, commit 0123456789ab of 2027-01-12T08:00:00Z, go1.26.8, with changes that are not committed"},
	} {
		if got := versionWords(c.info, c.ok); got != c.want {
			t.Errorf("got %q, want %q", got, c.want)
		}
	}
}
