package exchange

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// mostWeatherDays bounds a weather file: two centuries of days.
const mostWeatherDays = 75_000

// ReadWeather reads a CSV of daily weather with the columns DATE, TMAX and TMIN,
// and PRCP (mm) where there is one, in any case and order; others are passed
// over. Dates are ISO 8601. fahrenheit says in which degrees the temperatures
// are. Days without both temperatures are gaps and are counted in the notes; a
// value that cannot be is an error with its line.
func ReadWeather(r io.Reader, fahrenheit bool) (days []place.Day, notes []string, err error) {
	read := csv.NewReader(r)
	read.FieldsPerRecord = -1
	read.TrimLeadingSpace = true
	head, err := read.Read()
	if errors.Is(err, io.EOF) {
		return nil, nil, &invalid.Field{Field: "line 1", Allowed: "a line that names the columns DATE,TMAX,TMIN"}
	}
	if err != nil {
		return nil, nil, csvError(err)
	}
	columns := map[string]int{}
	for i, name := range head {
		columns[strings.ToLower(strings.Trim(strings.TrimPrefix(name, "\ufeff"), " "))] = i
	}
	var wrong invalid.Fields
	for _, need := range []string{"date", "tmax", "tmin"} {
		if _, ok := columns[need]; !ok {
			wrong = append(wrong, &invalid.Field{Field: "line 1", Value: strings.Join(head, ","), Allowed: "a column named " + strings.ToUpper(need)})
		}
	}
	if len(wrong) > 0 {
		return nil, nil, wrong
	}
	w := weatherLines{columns: columns, fahrenheit: fahrenheit, seen: map[civil.Date]bool{}}
	for {
		row, err := read.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, nil, csvError(err)
		}
		line, _ := read.FieldPos(0)
		w.read(line, row)
		if len(w.days) > mostWeatherDays {
			return nil, nil, &invalid.Field{Field: fmt.Sprintf("line %d", line), Value: fmt.Sprint(len(w.days)), Allowed: fmt.Sprintf("at most %d days", mostWeatherDays)}
		}
	}
	if len(w.wrong) > 0 {
		return nil, nil, w.wrong[:min(len(w.wrong), 20)]
	}
	slices.SortFunc(w.days, func(a, b place.Day) int { return int(a.Date - b.Date) })
	if w.gaps > 0 {
		notes = append(notes, fmt.Sprintf("%d lines without a temperature are left out", w.gaps))
	}
	if n := len(w.days); n > 0 {
		if missing := int(w.days[n-1].Date-w.days[0].Date) + 1 - n; missing > 0 {
			notes = append(notes, fmt.Sprintf("%d days between the first and the last are missing", missing))
		}
	}
	return w.days, notes, nil
}

// weatherLines gathers the lines of a weather file.
type weatherLines struct {
	columns    map[string]int
	fahrenheit bool
	days       []place.Day
	seen       map[civil.Date]bool
	gaps       int
	wrong      invalid.Fields
}

func (w *weatherLines) text(row []string, name string) string {
	if i, ok := w.columns[name]; ok && i < len(row) {
		return strings.TrimSpace(row[i])
	}
	return ""
}

func (w *weatherLines) bad(line int, column, value, allowed string) {
	w.wrong = append(w.wrong, &invalid.Field{Field: fmt.Sprintf("line %d, %s", line, column), Value: value, Allowed: allowed})
}

// number reads a figure; NaN where there is none.
func (w *weatherLines) number(line int, row []string, name string, least, most float64) float64 {
	s := w.text(row, name)
	if s == "" || strings.EqualFold(s, "na") || s == "-" {
		return math.NaN()
	}
	v, err := strconv.ParseFloat(s, 64)
	if err != nil || math.IsNaN(v) || v < least || v > most {
		w.bad(line, strings.ToUpper(name), s, fmt.Sprintf("a number from %g to %g, or nothing", least, most))
		return math.NaN()
	}
	return v
}

func (w *weatherLines) read(line int, row []string) {
	if strings.TrimSpace(strings.Join(row, "")) == "" {
		return
	}
	date, err := civil.Parse(w.text(row, "date"))
	if err != nil {
		w.bad(line, "DATE", w.text(row, "date"), "a date such as 2019-05-14")
		return
	}
	if w.seen[date] {
		w.bad(line, "DATE", date.String(), "each day once")
		return
	}
	w.seen[date] = true
	least, most := -70.0, 60.0
	if w.fahrenheit {
		least, most = -94, 140
	}
	d := place.Day{Date: date, Max: w.number(line, row, "tmax", least, most), Min: w.number(line, row, "tmin", least, most)}
	if rain := w.number(line, row, "prcp", 0, 2000); !math.IsNaN(rain) {
		d.Rain = &rain
	}
	if math.IsNaN(d.Max) || math.IsNaN(d.Min) {
		w.gaps++
		return
	}
	if d.Min > d.Max {
		w.bad(line, "TMIN", w.text(row, "tmin"), "no more than the day's TMAX, "+w.text(row, "tmax"))
		return
	}
	if w.fahrenheit {
		d.Max, d.Min = (d.Max-32)/1.8, (d.Min-32)/1.8
	}
	w.days = append(w.days, d)
}
