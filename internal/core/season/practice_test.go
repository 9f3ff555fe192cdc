package season

import (
	"encoding/csv"
	"fmt"
	"os"
	"strconv"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// table reads a CSV of testdata; the first row names the columns.
func table(t testing.TB, name string) (rows []map[string]string) {
	t.Helper()
	f, err := os.Open("testdata/" + name)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	all, err := csv.NewReader(f).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range all[1:] {
		row := map[string]string{}
		for i, v := range r {
			row[all[0][i]] = v
		}
		rows = append(rows, row)
	}
	return rows
}

// elevenPlaces are the made-up places that the rules of the season are held to.
func elevenPlaces(t testing.TB) map[string]*place.Year {
	t.Helper()
	out := map[string]*place.Year{}
	for _, r := range table(t, "places.csv") {
		number := func(s string) float64 {
			v, err := strconv.ParseFloat(s, 64)
			if err != nil {
				t.Fatal(err)
			}
			return v
		}
		p := place.Place{Name: r["name"], Latitude: number(r["latitude"]), FrostFree: r["last_frost"] == "", FrostSpread: 10}
		for m := range 12 {
			p.MeanMax[m], p.MeanMin[m] = number(r[fmt.Sprint("max", m+1)]), number(r[fmt.Sprint("min", m+1)])
		}
		if !p.FrostFree {
			for day, into := range map[string]*civil.MonthDay{r["last_frost"]: &p.LastFrost, r["first_frost"]: &p.FirstFrost} {
				if err := into.UnmarshalText([]byte(day)); err != nil {
					t.Fatal(err)
				}
			}
		}
		out[r["id"]] = place.Build(p)
	}
	return out
}

// monthDay writes a day counted from the median last frost.
func dayName(y *place.Year, x int) string {
	_, m, d := (civil.Of(2001, 1, 1) + civil.Date(y.Day(x))).Split()
	return fmt.Sprintf("%02d-%02d", m, d)
}

// The windows that a practised grower would expect, written down in practice.csv
// before they were reckoned. Both edges lie within three and a half weeks of what is
// written; where the program differs, the row says why in its column differs, and both
// of its edges in reckoned.
func TestWindowsAsPractised(t *testing.T) {
	places := elevenPlaces(t)
	const near = 24
	seen := map[string]bool{}
	for _, r := range table(t, "practice.csv") {
		y := places[r["place"]]
		c := book.Usual().Crop(r["crop"])
		if y == nil || c == nil {
			t.Fatalf("no %s or %s", r["place"], r["crop"])
		}
		seen[r["place"]] = true
		day := func(text string) int {
			var m civil.MonthDay
			if err := m.UnmarshalText([]byte(text)); err != nil {
				t.Fatal(err)
			}
			return m.YearDay()
		}
		off := func(a, b int) int {
			d := mod(a-b, place.Days)
			return min(d, place.Days-d)
		}
		first, last := day(r["first"]), day(r["last"])
		s := Of(c, y, Rules{Risk: UsualRisk}, y.Last)
		best, got := 2*place.Days, "never"
		for _, w := range s.Windows {
			a, b := y.Day(w.First.Day), y.Day(w.Last.Day)
			if miss := max(off(a, first), off(b, last)); miss < best {
				best, got = miss, dayName(y, w.First.Day)+" to "+dayName(y, w.Last.Day)
			}
		}
		year := r["first"] == "01-01" && r["last"] == "12-31" && s.Fresh() == AllYear
		switch {
		case r["differs"] == "" && best > near && !year:
			t.Errorf("%s %s: practice says %s to %s, reckoned is %s (%s)", r["place"], r["crop"], r["first"], r["last"], got, s.Why)
		case r["differs"] != "" && got != r["reckoned"]:
			t.Errorf("%s %s: reckoned is %s; practice.csv says %s, and why it differs", r["place"], r["crop"], got, r["reckoned"])
		}
	}
	if len(seen) != len(places) {
		t.Errorf("only %d of %d places are looked at", len(seen), len(places))
	}
}
