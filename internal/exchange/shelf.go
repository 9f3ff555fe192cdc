package exchange

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// shelfColumns are the columns of the shelf file, in the order it is written in.
// A file to be read needs food, form, count and put_up; the order is free.
var shelfColumns = []string{"food", "form", "preparation", "count", "size", "unit", "put_up", "until", "store", "note"}

// ReadShelf reads a CSV of what stands on the shelf. Its first line names the
// columns; see docs/shelf-file.md. Preparations and stores go by id or by name.
// All that is wrong is returned as invalid.Fields, each named by line and column.
func ReadShelf(r io.Reader, b *book.Book, stores []stock.StoragePlace) ([]stock.Lot, error) {
	read := csv.NewReader(r)
	read.FieldsPerRecord = -1
	read.TrimLeadingSpace = true
	head, err := read.Read()
	if errors.Is(err, io.EOF) {
		return nil, &invalid.Field{Field: "line 1", Allowed: "Line 1 must name the columns: " + strings.Join(shelfColumns, ",")}
	}
	if err != nil {
		return nil, csvError(err)
	}
	if strings.Count(head[0], ";") > 2 && len(head) == 1 { // spreadsheets of half of Europe
		return nil, &invalid.Field{Field: "line 1", Value: head[0], Allowed: "columns with commas between them; this file has semicolons. Save it as CSV with commas"}
	}
	columns := map[string]int{}
	for i, name := range head {
		columns[strings.ToLower(strings.Trim(strings.TrimPrefix(name, "\ufeff"), " "))] = i
	}
	var wrong invalid.Fields
	for _, need := range []string{"food", "form", "count", "put_up"} {
		if _, ok := columns[need]; !ok {
			wrong = append(wrong, &invalid.Field{Field: "line 1", Value: strings.Join(head, ","), Allowed: "a column named " + need + "; the columns are " + strings.Join(shelfColumns, ",")})
		}
	}
	for name := range columns {
		if name != "" && !slices.Contains(shelfColumns, name) {
			wrong = append(wrong, &invalid.Field{Field: "line 1", Value: name, Allowed: "one of the columns " + strings.Join(shelfColumns, ",")})
		}
	}
	if len(wrong) > 0 {
		return nil, wrong
	}
	lots := []stock.Lot{}
	for {
		row, err := read.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, csvError(err)
		}
		if strings.TrimSpace(strings.Join(row, "")) == "" {
			continue
		}
		line, _ := read.FieldPos(0)
		l, bad := readLot(row, columns, b, stores)
		for _, f := range bad {
			wrong = append(wrong, &invalid.Field{Field: fmt.Sprintf("line %d, %s", line, f.Field), Value: f.Value, Allowed: f.Allowed})
		}
		if lots = append(lots, l); len(lots) > stock.MostLots {
			return nil, &invalid.Field{Field: fmt.Sprintf("line %d", line), Value: fmt.Sprint(len(lots)), Allowed: fmt.Sprintf("at most %d lots", stock.MostLots)}
		}
	}
	switch {
	case len(wrong) > 0:
		return nil, wrong
	case len(lots) == 0:
		return nil, &invalid.Field{Field: "line 2", Allowed: "a line for each lot, such as tomato,canned,tomato-sauce-thick,12,0.946,L,2026-09-20,,,"}
	}
	return lots, nil
}

func csvError(err error) error {
	var parse *csv.ParseError
	if errors.As(err, &parse) {
		return &invalid.Field{Field: fmt.Sprintf("line %d", parse.Line), Value: parse.Err.Error(), Allowed: "comma-separated values. Put a text with a comma or quotes in it in quotes."}
	}
	return err
}

// readLot reads one line of the shelf file.
func readLot(row []string, columns map[string]int, b *book.Book, stores []stock.StoragePlace) (stock.Lot, invalid.Fields) {
	var wrong invalid.Fields
	text := func(name string) string {
		if i, ok := columns[name]; ok && i < len(row) {
			return unguarded(CleanText(row[i]))
		}
		return ""
	}
	number := func(name string, blank float64) float64 {
		s := text(name)
		if s == "" {
			return blank
		}
		v, ok := amount.ParseNumber(s)
		if !ok {
			wrong = append(wrong, &invalid.Field{Field: name, Value: s, Allowed: "a number"})
		}
		return v
	}
	date := func(name string) civil.Date {
		s := text(name)
		if s == "" {
			return 0
		}
		d, err := civil.Parse(s)
		if err != nil {
			wrong = append(wrong, &invalid.Field{Field: name, Value: s, Allowed: "a date such as 2026-09-20"})
			return civil.Of(2000, 1, 1)
		}
		return d
	}
	l := stock.Lot{
		Food: strings.ToLower(text("food")), Form: strings.ToLower(text("form")), Preparation: text("preparation"),
		Count: number("count", 0), Unit: text("unit"), PutUp: date("put_up"), Until: date("until"), Store: text("store"), Note: text("note"),
	}
	p := b.Preparation(l.Preparation)
	for _, q := range b.Preparations() {
		if p == nil && strings.EqualFold(q.Name, l.Preparation) {
			p, l.Preparation = q, q.ID
		}
	}
	size := 1.0
	if l.Unit == "" {
		l.Unit = "kg"
		if wish.Form(l.Form).PutUp() && (p == nil || p.Unit == "litre") {
			l.Unit = "L"
		}
	}
	if l.Unit == "L" && p != nil && p.JarLitre > 0 {
		size = p.JarLitre
	}
	l.Size = number("size", size)
	for _, s := range stores {
		if strings.EqualFold(s.Name, l.Store) {
			l.Store = s.ID
		}
	}
	if l.Store != "" && !slices.ContainsFunc(stores, func(s stock.StoragePlace) bool { return s.ID == l.Store }) {
		wrong = append(wrong, &invalid.Field{Field: "store", Value: l.Store, Allowed: "the name of one of your storage places, or nothing"})
	}
	check := invalid.NewCheck()
	stock.ValidateLot(check, l, b)
	return l, append(wrong, invalid.All(check.Err())...)
}

// WriteShelf writes what stands on the shelf as CSV.
func WriteShelf(w io.Writer, lots []stock.Lot, stores []stock.StoragePlace) error {
	out := csv.NewWriter(w)
	if err := out.Write(shelfColumns); err != nil {
		return err
	}
	number := func(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }
	for _, l := range lots {
		until, store := "", l.Store
		if l.Until != 0 {
			until = l.Until.String()
		}
		for _, s := range stores {
			if s.ID == l.Store {
				store = s.Name
			}
		}
		if err := out.Write([]string{guarded(l.Food), guarded(l.Form), guarded(l.Preparation), number(l.Count), number(l.Size), l.Unit, l.PutUp.String(), until, guarded(store), guarded(l.Note)}); err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}

// guarded puts an apostrophe before a text that a spreadsheet would reckon as a
// formula; unguarded takes it off again.
func guarded(text string) string {
	if text != "" && strings.ContainsRune(formulaMarks, rune(text[0])) {
		return "'" + text
	}
	return text
}

func unguarded(text string) string {
	if len(text) > 1 && text[0] == '\'' && strings.ContainsRune(formulaMarks, rune(text[1])) {
		return text[1:]
	}
	return text
}

// formulaMarks are the first characters by which spreadsheets know a formula.
const formulaMarks = "=+-@"
