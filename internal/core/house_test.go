package core_test

import (
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// rooms is the order of the house: a room may import only those above it.
var rooms = []string{"invalid", "civil", "amount", "working", "book", "caution", "place", "season", "bed", "wish", "stock", "record", "household", "table", "sowing", "reckon", "work", "supply", "line", "plan", "ground"}

// pure are the packages of the standard library that a pure core may use: none
// of them reads a clock, a file, a network or a generator of its own seed.
var pure = []string{
	"cmp", "reflect", "errors", "fmt", "maps", "math", "math/bits", "slices", "sort", "strconv", "strings", "sync", "unicode",
	"context",               // to end what nobody waits for any longer
	"encoding/json", "time", // time: for the calendar alone, see below
	"embed", "encoding/csv", "io", "io/fs", // the embedded book
}

func TestTheCoreIsPureAndInOrder(t *testing.T) {
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		room := strings.Split(filepath.ToSlash(path), "/")[0]
		place := slices.Index(rooms, room)
		if place < 0 {
			t.Errorf("%s lies in no room of the house", path)
		}
		file, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, i := range file.Imports {
			name, err := strconv.Unquote(i.Path.Value)
			if err != nil {
				return err
			}
			if other, ok := strings.CutPrefix(name, "inventory/internal/core/"); ok {
				if at := slices.Index(rooms, other); at < 0 || at >= place {
					t.Errorf("%s imports %s, which does not stand above it", path, other)
				}
			} else if !slices.Contains(pure, name) {
				t.Errorf("%s imports %s, which a pure core does not need", path, name)
			}
		}
		body, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		for _, word := range []string{"time.Now", "time.Local", "time.Since", "rand."} {
			if strings.Contains(string(body), word) {
				t.Errorf("%s uses %s", path, word)
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}
