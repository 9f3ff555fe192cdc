package core_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// rooms is the order of the house: a room may import only those above it.
var rooms = []string{"invalid", "civil", "amount", "say", "working", "book", "caution", "place", "season", "bed", "wish", "stock", "record", "learn", "household", "table", "sowing", "reckon", "forecast", "work", "supply", "line", "plan", "ground", "backwards", "daybook", "questions", "yearend"}

// pure are the packages of the standard library that a pure core may use: none
// of them reads a clock, a file, a network or a generator of its own seed.
var pure = []string{"gonum.org/v1/gonum/mat",
	"cmp", "reflect", "errors", "fmt", "maps", "math", "math/bits", "regexp", "slices", "sort", "strconv", "strings", "sync", "sync/atomic", "unicode", "unicode/utf8",
	"context",               // to end what nobody waits for any longer
	"encoding/json", "time", // time: for the calendar alone, see below
	"golang.org/x/text/language", "golang.org/x/text/message", "golang.org/x/text/number", // to write numbers
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

// How long and how branched a function of the core may be: longer ones say in their comment
// why they are one function.
const mostLines, mostWeight = 60, 15

// Functions fit a screen and can be followed, or say why they are one function.
func TestFunctionsFitAScreen(t *testing.T) {
	set := token.NewFileSet()
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		file, err := parser.ParseFile(set, path, nil, parser.ParseComments)
		if err != nil {
			return err
		}
		for _, x := range file.Decls {
			f, ok := x.(*ast.FuncDecl)
			if !ok || f.Body == nil || strings.Contains(f.Doc.Text(), "ne function, since ") {
				continue
			}
			lines := set.Position(f.End()).Line - set.Position(f.Pos()).Line + 1
			if w := weight(f); lines > mostLines || w > mostWeight {
				t.Errorf("%s: %s has %d lines and weight %d", path, f.Name.Name, lines, w)
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}

// weight is the cyclomatic weight of a function: one more than its branches (McCabe 1976).
func weight(f *ast.FuncDecl) int {
	n := 1
	ast.Inspect(f, func(x ast.Node) bool {
		switch v := x.(type) {
		case *ast.IfStmt, *ast.ForStmt, *ast.RangeStmt:
			n++
		case *ast.CaseClause:
			n += order(v.List != nil)
		case *ast.BinaryExpr:
			n += order(v.Op == token.LAND || v.Op == token.LOR)
		}
		return true
	})
	return n
}

func order(b bool) int {
	if b {
		return 1
	}
	return 0
}

// named are strings that must not be written in the core where a type has them: methods of
// starting, usual starts, groups, supports, storage; and the names of single crops and
// plant families, which are data.
var named = regexp.MustCompile(`"(raised|tray|vegetative|transplant|trellis|[A-Z][a-z]+aceae|Zea mays|leek|garlic|tomato|potato)"`)

// Where there is a type there is no string, and no crop is named in code.
func TestNoStringsWhereTypesAre(t *testing.T) {
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		if path == "book/rows.go" || path == "book/classes.go" || path == "season/method.go" { // where they are read and defined
			return nil
		}
		body, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		for i, line := range strings.Split(string(body), "\n") {
			if code, _, _ := strings.Cut(line, "//"); named.MatchString(code) && !strings.Contains(code, "`json:") {
				t.Errorf("%s:%d: %s", path, i+1, strings.TrimSpace(line))
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}
