package book

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"slices"
	"strconv"
	"strings"
)

// BadRow is a row of a CSV file that cannot stand: file, line and column.
type BadRow struct {
	File   string
	Line   int
	Column string
	Value  string
	Want   string
}

// Error names file, line and column first, as a compiler does.
func (b *BadRow) Error() string {
	return fmt.Sprintf("%s:%d: %s is %q: %s", b.File, b.Line, b.Column, b.Value, b.Want)
}

// sheet reads a CSV file by column names and gathers what is wrong with it.
type sheet struct {
	file    string
	columns map[string]int
	row     []string
	line    int
	bad     []error
}

func (s *sheet) fail(column, value, want string) {
	s.bad = append(s.bad, &BadRow{s.file, s.line, column, value, want})
}

// readSheet calls each for every row; each reads its columns through the sheet.
func readSheet(files fs.FS, file string, columns []string, each func(*sheet)) error {
	f, err := files.Open(file)
	if err != nil {
		return fmt.Errorf("the book: %w", err)
	}
	defer f.Close()
	r := csv.NewReader(f)
	r.FieldsPerRecord = -1
	head, err := r.Read()
	if err != nil {
		return fmt.Errorf("%s:1: no header line: %w", file, err)
	}
	s := &sheet{file: file, columns: map[string]int{}}
	for i, h := range head {
		s.columns[h] = i
	}
	for _, c := range columns {
		if _, ok := s.columns[c]; !ok {
			return &BadRow{file, 1, c, "", "a column of this name is wanted"}
		}
	}
	for {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return fmt.Errorf("%s: %w", file, err)
		}
		s.line, _ = r.FieldPos(0)
		if len(row) != len(head) {
			s.fail("row", strings.Join(row[:min(2, len(row))], ","), fmt.Sprintf("%d columns are wanted, it has %d", len(head), len(row)))
			continue
		}
		s.row = row
		each(s)
	}
	return errors.Join(s.bad...)
}

func (s *sheet) text(column string) string { return strings.TrimSpace(s.row[s.columns[column]]) }

func (s *sheet) must(column string) string {
	t := s.text(column)
	if t == "" {
		s.fail(column, "", "a text is wanted")
	}
	return t
}

func (s *sheet) key(column string) string {
	t := s.must(column)
	for _, r := range t {
		if (r < 'a' || r > 'z') && (r < '0' || r > '9') && r != '-' {
			s.fail(column, t, "a key of small letters, digits and hyphens is wanted")
			break
		}
	}
	return t
}

func (s *sheet) word(column string, allowed ...string) string {
	t := s.text(column)
	if !slices.Contains(allowed, t) {
		s.fail(column, t, "one of "+strings.Join(allowed, ", ")+" is wanted")
	}
	return t
}

func (s *sheet) list(column string) []string {
	var out []string
	for t := range strings.SplitSeq(s.text(column), ";") {
		if t = strings.TrimSpace(t); t != "" {
			out = append(out, t)
		}
	}
	return out
}

func (s *sheet) maybe(column string, least, most float64) Maybe {
	t := s.text(column)
	if t == "" {
		return Maybe{}
	}
	v, err := strconv.ParseFloat(t, 64)
	if err != nil || !(v >= least && v <= most) {
		s.fail(column, t, fmt.Sprintf("a number from %g to %g is wanted", least, most))
		return Maybe{}
	}
	return Maybe{v, true}
}

func (s *sheet) number(column string, least, most float64) float64 {
	m := s.maybe(column, least, most)
	if !m.Known && s.text(column) == "" {
		s.fail(column, "", fmt.Sprintf("a number from %g to %g is wanted", least, most))
	}
	return m.Value
}
