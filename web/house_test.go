package web

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// sources gives every source file of the interface with an ending to a function, but for
// what is generated.
func sources(t *testing.T, ending string, look func(path, text string)) {
	t.Helper()
	n := 0
	err := filepath.WalkDir("src", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ending) || strings.HasSuffix(path, ".gen.ts") {
			return err
		}
		text, err := os.ReadFile(path)
		n++
		look(filepath.ToSlash(path), string(text))
		return err
	})
	if err != nil || n == 0 {
		t.Fatalf("%d files that end in %s, %v", n, ending, err)
	}
}

// A component holds one idea.
func TestComponentsAreShort(t *testing.T) {
	const most = 250 // lines
	for _, ending := range []string{".vue", ".ts"} {
		sources(t, ending, func(path, text string) {
			if n := strings.Count(text, "\n"); n > most {
				t.Errorf("%s has %d lines, more than %d: split it by idea", path, n, most)
			}
		})
	}
}

var spacing = regexp.MustCompile(`(?m)^\s*((?:font-size|gap|row-gap|column-gap|padding[a-z-]*|margin[a-z-]*):[^;]*\d(?:rem|px)[^;]*);`)

// Sizes of type and spaces are those of the tokens in style/base.css; em stands for what
// goes with the type around it.
func TestStylesUseTheTokens(t *testing.T) {
	look := func(path, text string) {
		if path == "src/style/base.css" { // it defines them, and the size that a rem is
			return
		}
		for _, found := range spacing.FindAllStringSubmatch(text, -1) {
			t.Errorf("%s: %s; take a --type or a --space", path, found[1])
		}
	}
	sources(t, ".vue", look)
	sources(t, ".css", look)
}

var rule = regexp.MustCompile(`\b0\.9463\d*|\b0\.4731\d*|\b0\.4535\d*|\b28\.349\d*|\b0\.3048\b`)

// The interface converts nothing by figures of its own: units come from the binary.
func TestNoUnitIsConvertedHere(t *testing.T) {
	look := func(path, text string) {
		for _, found := range rule.FindAllString(text, -1) {
			t.Errorf("%s: %s is a unit that the core knows", path, found)
		}
	}
	sources(t, ".vue", look)
	sources(t, ".ts", look)
}
