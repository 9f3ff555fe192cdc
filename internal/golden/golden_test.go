package golden

import (
	"bytes"
	"crypto/sha256"
	"encoding/csv"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
)

var update = flag.Bool("update", false, "write testdata/plans.csv anew")

// randomHouseholds is how many drawn households are held, beside the demo's.
const randomHouseholds = 200

// line is what is kept of one household.
type line struct{ name, input, plan, workings, layout string }

func hash(t *testing.T, v any) string {
	t.Helper()
	text, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return fmt.Sprintf("%x", sha256.Sum256(text))[:24]
}

// lineOf computes a household's plan and, where it has beds, its layout.
func lineOf(t *testing.T, name string, in plan.Input) line {
	t.Helper()
	in.Memory = nil
	l := line{name: name, input: hash(t, struct {
		AsOf      civil.Date
		Household any
	}{in.AsOf, in.Household})}
	p, err := plan.Compute(in)
	if err != nil {
		l.plan = "refused: " + err.Error()
		return l
	}
	l.plan = hash(t, p)
	sums, err := plan.Workings(in)
	if err != nil {
		t.Fatal(err)
	}
	l.workings = hash(t, sums)
	if len(in.Household.Beds) == 0 {
		return l
	}
	to, err := ground.InputOf(in, p)
	if err != nil {
		t.Fatal(err)
	}
	l.layout = hash(t, ground.Fit(to))
	return l
}

func TestPlansAndLayoutsAreAsTheyWere(t *testing.T) {
	places := elevenPlaces()
	var got []line
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	for _, day := range []civil.Date{civil.Of(2027, 1, 12), civil.Of(2027, 7, 15)} {
		got = append(got, lineOf(t, "demo "+day.String(), plan.Input{AsOf: day, Household: h}))
	}
	for i, p := range places {
		h.Place, h.Weather = p, nil
		got = append(got, lineOf(t, fmt.Sprintf("demo at place %d", i+1), plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h}))
	}
	for seed := range randomHouseholds {
		got = append(got, lineOf(t, fmt.Sprintf("drawn %d", seed), Household(seed, places)))
	}
	path := filepath.Join("testdata", "plans.csv")
	if *update {
		write(t, path, got)
		return
	}
	file, err := os.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	rows, err := csv.NewReader(file).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	want := rows[1:]
	if len(want) != len(got) {
		t.Fatalf("%d households are held, %d were computed", len(want), len(got))
	}
	var inputs, plans, workings, layouts []string
	for i, g := range got {
		w := line{want[i][0], want[i][1], want[i][2], want[i][3], want[i][4]}
		switch {
		case g == w:
		case g.name != w.name || g.input != w.input:
			inputs = append(inputs, g.name)
		case g.plan != w.plan:
			plans = append(plans, g.name)
		case g.workings != w.workings:
			workings = append(workings, g.name)
		default:
			layouts = append(layouts, g.name)
		}
	}
	for what, names := range map[string][]string{"inputs": inputs, "plans": plans, "workings": workings, "layouts": layouts} {
		if len(names) > 0 {
			t.Errorf("%d %s are not as they were: %s\nWhere that is meant, run: go test ./internal/golden -update", len(names), what, strings.Join(names[:min(8, len(names))], ", "))
		}
	}
}

// Drawn households must say something: most have plans with sowings, gaps and stores.
func TestDrawnHouseholdsArePlanned(t *testing.T) {
	places, planned, recorded, laid := elevenPlaces(), 0, 0, 0
	for seed := range randomHouseholds {
		in := Household(seed, places)
		if p, err := plan.Compute(in); err == nil && len(p.Sowings) > 0 {
			planned++
		}
		if len(in.Household.Plantings) > 0 {
			recorded++
		}
		if len(in.Household.Beds) > 0 {
			laid++
		}
	}
	if planned < 170 || recorded < 40 || laid < 60 {
		t.Errorf("of %d households %d have sowings, %d a recorded season, %d beds", randomHouseholds, planned, recorded, laid)
	}
}

// elevenPlaces are climates from the frost-free tropics to a short northern season.
func elevenPlaces() []place.Place {
	day := func(text string) (m civil.MonthDay) {
		if text != "" {
			if err := m.UnmarshalText([]byte(text)); err != nil {
				panic(err)
			}
		}
		return m
	}
	at := func(latitude float64, max, min [12]float64, last, first string) place.Place {
		p := place.Place{Name: "A place", Latitude: latitude, Altitude: 160, MeanMax: max, MeanMin: min, FrostFree: last == "", LastFrost: day(last), FirstFrost: day(first), FrostSpread: 10}
		for m := range p.Rain {
			p.Rain[m] = 55
		}
		return p
	}
	return []place.Place{
		at(47.5, [12]float64{3, 5, 10, 15, 20, 23, 26, 25, 21, 15, 8, 4}, [12]float64{-4, -3, 0, 4, 8, 12, 14, 13, 9, 5, 1, -3}, "04-28", "10-14"),
		at(-47.5, [12]float64{26, 25, 21, 15, 8, 4, 3, 5, 10, 15, 20, 23}, [12]float64{14, 13, 9, 5, 1, -3, -4, -3, 0, 4, 8, 12}, "10-28", "04-14"),
		at(45, [12]float64{-3, 0, 7, 14, 21, 26, 28, 27, 22, 15, 6, -1}, [12]float64{-13, -10, -4, 2, 8, 13, 16, 15, 10, 4, -2, -9}, "05-08", "10-02"),
		at(38, [12]float64{13, 14, 17, 20, 25, 30, 33, 33, 28, 23, 18, 14}, [12]float64{5, 5, 7, 9, 13, 17, 20, 20, 17, 13, 9, 6}, "02-15", "12-20"),
		at(36, [12]float64{16, 17, 18, 19, 21, 22, 23, 24, 24, 22, 19, 16}, [12]float64{8, 8, 9, 10, 11, 13, 14, 15, 14, 12, 10, 8}, "", ""),
		at(33, [12]float64{19, 22, 26, 30, 35, 40, 41, 40, 37, 31, 24, 19}, [12]float64{7, 9, 12, 15, 20, 25, 28, 28, 24, 18, 11, 7}, "02-05", "12-10"),
		at(60, [12]float64{-2, -1, 3, 8, 14, 18, 20, 19, 14, 8, 3, 0}, [12]float64{-7, -7, -4, 0, 5, 10, 12, 11, 7, 3, -1, -5}, "05-20", "09-25"),
		at(5, [12]float64{22, 22.5, 22.5, 22, 21.5, 21, 20.5, 20.5, 21, 21.5, 21.5, 21.5}, [12]float64{9, 9.5, 10, 11, 11, 10.5, 10, 10, 10, 10.5, 10.5, 9.5}, "", ""),
		at(-43, [12]float64{21, 21, 19, 17, 14, 11, 11, 12, 14, 16, 18, 19}, [12]float64{12, 12, 10, 8, 6, 4, 3, 4, 6, 7, 9, 11}, "10-15", "05-10"),
		at(52, [12]float64{7, 7.5, 10, 13, 16, 19, 21, 21, 18, 14, 10, 8}, [12]float64{2, 2, 3, 5, 8, 11, 13, 13, 11, 8, 5, 3}, "04-10", "11-10"),
		at(24, [12]float64{23, 25, 28, 31, 33, 33, 32, 32, 32, 30, 27, 24}, [12]float64{12, 14, 17, 20, 23, 25, 25, 25, 24, 21, 17, 13}, "", ""),
	}
}

func write(t *testing.T, path string, lines []line) {
	t.Helper()
	var out bytes.Buffer
	w := csv.NewWriter(&out)
	rows := [][]string{{"household", "input", "plan", "workings", "layout"}}
	for _, l := range lines {
		rows = append(rows, []string{l.name, l.input, l.plan, l.workings, l.layout})
	}
	if err := w.WriteAll(rows); err != nil {
		t.Fatal(err)
	}
	if err := os.MkdirAll(filepath.Dir(path), 0o755); err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(path, out.Bytes(), 0o644); err != nil {
		t.Fatal(err)
	}
}
