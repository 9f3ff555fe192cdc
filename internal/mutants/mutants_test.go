//go:build mutants

// Package mutants holds small changes to rules that the tests of their rooms must catch.
package mutants

import (
	"encoding/json"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
)

// least is how many of the changes must be caught.
const least = 27

// mutant is one small change to a rule.
type mutant struct{ what, file, old, new string }

func read(t *testing.T) (out []mutant) {
	t.Helper()
	text, err := os.ReadFile("mutants.txt")
	if err != nil {
		t.Fatal(err)
	}
	var lines []string
	for _, l := range strings.Split(string(text), "\n") {
		if l != "" && !strings.HasPrefix(l, "#") {
			lines = append(lines, l)
		}
	}
	if len(lines)%4 != 0 {
		t.Fatalf("mutants.txt has %d lines, which is no multiple of four", len(lines))
	}
	for i := 0; i < len(lines); i += 4 {
		out = append(out, mutant{lines[i], lines[i+1], lines[i+2], lines[i+3]})
	}
	return out
}

// Each change is laid over its file and the tests of its room are run: they must fail.
func TestMutantsAreCaught(t *testing.T) {
	root, err := filepath.Abs("../..")
	if err != nil {
		t.Fatal(err)
	}
	all := read(t)
	caught := 0
	for _, m := range all {
		path := filepath.Join(root, m.file)
		body, err := os.ReadFile(path)
		if err != nil {
			t.Fatal(err)
		}
		if n := strings.Count(string(body), m.old); n != 1 {
			t.Errorf("%s: the old text is in %s %d times", m.what, m.file, n)
			continue
		}
		room := filepath.Dir(m.file)
		if strings.HasSuffix(room, "/data") { // data is embedded by the room that it is of
			room = "internal/core/line"
		}
		out, err := tested(t, root, path, strings.Replace(string(body), m.old, m.new, 1), "./"+room)
		switch {
		case err == nil:
			t.Logf("alive: %s (%s)", m.what, m.file)
		case !strings.Contains(out, "--- FAIL"):
			t.Errorf("%s: the tests do not run: %s", m.what, out)
		default:
			caught++
		}
	}
	t.Logf("%d of %d changes are caught", caught, len(all))
	if caught < least {
		t.Errorf("%d of %d changes are caught, want at least %d", caught, len(all), least)
	}
}

// tested runs the tests of a package with other text in one file, and returns what they
// print.
func tested(t *testing.T, root, path, text, pkg string) (string, error) {
	t.Helper()
	dir := t.TempDir()
	changed := filepath.Join(dir, "changed")
	if err := os.WriteFile(changed, []byte(text), 0o644); err != nil {
		t.Fatal(err)
	}
	overlay, err := json.Marshal(map[string]map[string]string{"Replace": {path: changed}})
	if err != nil {
		t.Fatal(err)
	}
	file := filepath.Join(dir, "overlay.json")
	if err := os.WriteFile(file, overlay, 0o644); err != nil {
		t.Fatal(err)
	}
	cmd := exec.Command("go", "test", "-count=1", "-failfast", "-timeout", "10m", "-overlay", file, pkg)
	cmd.Dir = root
	out, err := cmd.CombinedOutput()
	return string(out), err
}
