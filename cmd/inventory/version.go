package main

import (
	"fmt"
	"runtime/debug"

	"github.com/spf13/cobra"
)

// versionCommand prints which build this is: the commit it was made from, as the Go command
// writes it into the binary.
func versionCommand() *cobra.Command {
	return &cobra.Command{
		Use:   "version",
		Short: "Print which build this is",
		Args:  cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			_, err := fmt.Fprintln(c.OutOrStdout(), versionWords(debug.ReadBuildInfo()))
			return err
		},
	}
}

// versionWords says a build in one line.
func versionWords(info *debug.BuildInfo, ok bool) string {
	if !ok {
		return "inventory, an unknown build"
	}
	set := map[string]string{}
	for _, s := range info.Settings {
		set[s.Key] = s.Value
	}
	commit := set["vcs.revision"]
	if commit == "" {
		return "inventory, a build outside version control, " + info.GoVersion
	}
	out := fmt.Sprintf("inventory, commit %.12s of %s, %s", commit, set["vcs.time"], info.GoVersion)
	if set["vcs.modified"] == "true" {
		out += ", with changes that are not committed"
	}
	return out
}
