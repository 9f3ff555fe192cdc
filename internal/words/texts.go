// Package words finds the texts that people read: on screen, on paper, in refusals and on
// the command line. It reads the sources of the program, so that the tests of this package can hold
// every text to the glossary of docs/words.md. Nothing of it is part of the program.
package words

import (
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
)

// Text is one text of a source file.
type Text struct {
	File string // its path below the root, with slashes
	Line int    // the first line is 1
	Text string // as it is shown; what is filled in later is shown as …
}

// Find returns the texts of every source file below root that makes something to read: Go files
// but for tests and what is generated, Vue components and TypeScript.
func Find(root string) ([]Text, error) {
	var all []Text
	for _, room := range []string{"cmd", "demo", "internal", "web/src"} {
		err := filepath.WalkDir(filepath.Join(root, room), func(path string, entry fs.DirEntry, err error) error {
			if err != nil || entry.IsDir() {
				return err
			}
			read := reader(path)
			if read == nil {
				return nil
			}
			source, err := os.ReadFile(path)
			if err != nil {
				return err
			}
			short, err := filepath.Rel(root, path)
			if err != nil {
				return err
			}
			found, err := read(string(source))
			if err != nil {
				return fmt.Errorf("%s: %w", short, err)
			}
			for _, text := range found {
				text.File = filepath.ToSlash(short)
				all = append(all, text)
			}
			return nil
		})
		if err != nil {
			return nil, err
		}
	}
	return all, nil
}

// reader returns how the texts of a file are found, or nil where a file has none to read.
func reader(path string) func(string) ([]Text, error) {
	switch {
	case strings.HasSuffix(path, "_test.go"), strings.Contains(path, ".gen."),
		strings.Contains(filepath.ToSlash(path), "/gen/"), strings.Contains(filepath.ToSlash(path), "internal/words/"):
		return nil
	case strings.HasSuffix(path, ".go"):
		return inGo
	case strings.HasSuffix(path, ".vue"):
		return func(source string) ([]Text, error) { return inVue(source), nil }
	case strings.HasSuffix(path, ".ts"):
		return func(source string) ([]Text, error) { return inScript(source, 1), nil }
	}
	return nil
}

// sql is how a statement of the database begins; nobody reads it.
var sql = regexp.MustCompile(`^\s*(SELECT|INSERT|UPDATE|DELETE|PRAGMA|VACUUM|CREATE|BEGIN|COMMIT) `)

// readable reports whether a string is something to read and not a code, a path or a format:
// it has a word and a space, or it is one word with a capital letter.
func readable(s string) bool {
	s = strings.TrimSpace(s)
	if drawn.MatchString(s) || selector.MatchString(s) {
		return false
	}
	if sql.MatchString(s) || strings.ContainsAny(s, "{}") && strings.Contains(s, ":") {
		return false
	}
	return sentence.MatchString(s) || label.MatchString(s)
}

var (
	sentence = regexp.MustCompile(`[A-Za-zÀ-ÿ]{2,}[,.:;!?)”’]* |[ …][A-Za-zÀ-ÿ]{2,}`)
	label    = regexp.MustCompile(`^[A-Z][a-zà-ÿ-]+[.:?!]?$`)
	drawn    = regexp.MustCompile(`^<(svg|rect|g|line|path|text|pattern|circle|!doctype) |^" |^</`)
	selector = regexp.MustCompile(`^[.\[#][a-z-]+`)
	verb     = regexp.MustCompile(`%[-+#0-9.\[\]]*[a-zA-Z]`)
)

// inGo returns the readable string literals of a Go file, without import paths and tags.
func inGo(source string) ([]Text, error) {
	files := token.NewFileSet()
	file, err := parser.ParseFile(files, "", source, 0)
	if err != nil {
		return nil, err
	}
	var texts []Text
	ast.Inspect(file, func(node ast.Node) bool {
		switch node := node.(type) {
		case *ast.ImportSpec, *ast.StructType:
			return false
		case *ast.BasicLit:
			if node.Kind != token.STRING {
				return true
			}
			s, err := strconv.Unquote(node.Value)
			if err == nil && readable(s) {
				texts = append(texts, Text{Line: files.Position(node.Pos()).Line, Text: verb.ReplaceAllString(s, "…")})
			}
		}
		return true
	})
	return texts, nil
}

var (
	comment   = regexp.MustCompile(`(?s)<!--.*?-->`)
	tag       = regexp.MustCompile(`(?s)<(?:[^<>"']|"[^"]*"|'[^']*')*>`)
	attribute = regexp.MustCompile(`(?s)([:@#\w.-]+)="([^"]*)"`)
	mustache  = regexp.MustCompile(`(?s)\{\{.*?\}\}`)
	spaces    = regexp.MustCompile(`\s+`)
)

// shown lists the attributes of an element that people read.
var shown = map[string]bool{"label": true, "title": true, "placeholder": true, "aria-label": true, "alt": true,
	"content": true, "empty": true, "head": true, "heading": true, "name-of": true, "what": true, "text": true, "description": true}

// inVue returns the texts of a component: what stands between its elements, the attributes that are read,
// and the strings in what it works out.
func inVue(source string) []Text {
	open, end := strings.Index(source, "<template>"), strings.LastIndex(source, "</template>")
	if open < 0 || end < 0 {
		return inScript(source, 1)
	}
	blank := func(s string) string { return strings.Repeat("\n", strings.Count(s, "\n")) }
	template := comment.ReplaceAllStringFunc(source[open+len("<template>"):end], blank)
	first := 1 + strings.Count(source[:open], "\n")
	var texts []Text
	at := func(offset int) int { return first + strings.Count(template[:offset], "\n") }
	last := 0
	between := func(from, to int) {
		part := template[from:to]
		for _, m := range mustache.FindAllStringIndex(part, -1) {
			texts = append(texts, inScript(part[m[0]:m[1]], at(from+m[0]))...)
		}
		said := spaces.ReplaceAllString(strings.TrimSpace(mustache.ReplaceAllString(part, "…")), " ")
		if regexp.MustCompile(`[A-Za-z]{2,}`).MatchString(said) {
			texts = append(texts, Text{Line: at(from + len(part) - len(strings.TrimLeft(part, " \n\t"))), Text: said})
		}
	}
	for _, m := range tag.FindAllStringIndex(template, -1) {
		between(last, m[0])
		last = m[1]
		for _, a := range attribute.FindAllStringSubmatchIndex(template[m[0]:m[1]], -1) {
			name, value := template[m[0]+a[2]:m[0]+a[3]], template[m[0]+a[4]:m[0]+a[5]]
			switch {
			case shown[name]:
				texts = append(texts, Text{Line: at(m[0] + a[4]), Text: value})
			case strings.ContainsAny(name[:1], ":@#v"):
				texts = append(texts, inScript(value, at(m[0]+a[4]))...)
			}
		}
	}
	between(last, len(template))
	script := source[:open]
	if open < strings.Index(source, "<script") {
		script = source[end:]
	}
	if style := strings.Index(script, "<style"); style >= 0 {
		script = script[:style]
	}
	return append(texts, inScript(script, 1)...)
}

// inScript returns the readable strings of TypeScript, from a line on. Comments and imports are left out.
func inScript(source string, line int) []Text {
	var texts []Text
	for i := 0; i < len(source); {
		switch c := source[i]; {
		case c == '\n':
			line++
			i++
		case strings.HasPrefix(source[i:], "//"):
			i += max(1, strings.IndexByte(source[i:]+"\n", '\n'))
		case strings.HasPrefix(source[i:], "/*"):
			n := strings.Index(source[i:], "*/")
			if n < 0 {
				return texts
			}
			line += strings.Count(source[i:i+n], "\n")
			i += n + 2
		case c == '\'' || c == '"' || c == '`':
			s, n := literal(source[i:])
			before := strings.TrimRight(source[:i], " ")
			if !strings.HasSuffix(before, "from") && !(strings.HasSuffix(before, "[") && !strings.Contains(s, " ")) && readable(s) {
				texts = append(texts, Text{Line: line, Text: spaces.ReplaceAllString(s, " ")})
			}
			if c == '`' {
				texts = append(texts, within(source[i:i+n], line)...)
			}
			line += strings.Count(source[i:i+n], "\n")
			i += n
		default:
			i++
		}
	}
	return texts
}

// literal reads a string that begins a source, and returns it with … for what is filled in, and its length.
func literal(source string) (string, int) {
	var s strings.Builder
	quote := source[0]
	for i := 1; i < len(source); i++ {
		switch {
		case source[i] == '\\' && i+1 < len(source):
			i++
			if source[i] == 'n' {
				s.WriteByte('\n')
			} else {
				s.WriteByte(source[i])
			}
		case source[i] == quote:
			return s.String(), i + 1
		case quote != '`' && source[i] == '\n':
			return "", 1 // an apostrophe of a text, no string
		case quote == '`' && strings.HasPrefix(source[i:], "${"):
			i += hole(source[i:]) - 1
			s.WriteString("…")
		default:
			s.WriteByte(source[i])
		}
	}
	return "", 1
}

// hole returns the length of a ${…} that begins a source.
func hole(source string) int {
	depth := 0
	for i := 0; i < len(source); i++ {
		switch source[i] {
		case '{':
			depth++
		case '}':
			if depth--; depth == 0 {
				return i + 1
			}
		case '`', '\'':
			if i > 1 {
				_, n := literal(source[i:])
				i += n - 1
			}
		}
	}
	return len(source)
}

// within returns the readable strings in the holes of a template string.
func within(source string, line int) []Text {
	var texts []Text
	for i := 1; i < len(source); i++ {
		if strings.HasPrefix(source[i:], "${") {
			n := hole(source[i:])
			texts = append(texts, inScript(source[i+2:i+n-1], line+strings.Count(source[:i], "\n"))...)
			i += n - 1
		}
	}
	return texts
}
