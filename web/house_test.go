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

// everywhere are components that the framework has without an import.
var everywhere = map[string]bool{"RouterLink": true, "RouterView": true, "KeepAlive": true, "Transition": true, "TransitionGroup": true, "Teleport": true, "Component": true}

var component = regexp.MustCompile(`<([A-Z][A-Za-z0-9]*)[\s/>]`)

// Every component that a template uses is imported there: the browser would show an unknown one as an empty
// element, which looks like a control and does nothing.
func TestEveryComponentIsKnown(t *testing.T) {
	sources(t, ".vue", func(path, text string) {
		script, template, found := strings.Cut(text, "<template>")
		if !found {
			return
		}
		known := regexp.MustCompile(`import (?:\{[^}]*\}|[^'"]*) from|const [A-Z][A-Za-z0-9]* = defineAsyncComponent`).FindAllString(script, -1)
		imported := strings.Join(known, " ")
		own := strings.TrimSuffix(filepath.Base(path), ".vue")
		for _, m := range component.FindAllStringSubmatch(template, -1) {
			name := m[1]
			if !everywhere[name] && name != own && !regexp.MustCompile(`\b`+name+`\b`).MatchString(imported) {
				t.Errorf("%s uses <%s>, which it does not import", path, name)
			}
		}
	})
}

var pressed = regexp.MustCompile(`(?s)<(button|ElButton)\b((?:[^>"]|"[^"]*")*)>`)

// Every button does something when it is pressed: it has a handler, or it sends its form.
func TestEveryButtonDoesSomething(t *testing.T) {
	sources(t, ".vue", func(path, text string) {
		_, template, _ := strings.Cut(text, "<template>")
		for _, m := range pressed.FindAllStringSubmatch(template, -1) {
			if !strings.Contains(m[2], "@click") && !strings.Contains(m[2], `type="submit"`) && !strings.Contains(m[2], "@pointerdown") && !strings.Contains(m[2], "@mousedown") && !strings.Contains(m[2], "@keydown") {
				t.Errorf("%s has a button that does nothing: <%s%s>", path, m[1], m[2])
			}
		}
	})
}
