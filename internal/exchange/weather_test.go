package exchange

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// weather makes years of days about a place's own curves, with frosts a week
// apart from year to year.
func weather(p place.Place, years int, fahrenheit bool) string {
	y := place.Build(p)
	r := rand.New(rand.NewPCG(1, 2))
	var out strings.Builder
	out.WriteString("tmin, TMax ,Date,prcp,station\n")
	for d := civil.Of(2001, 1, 1); d < civil.Of(2001+years, 1, 1); d++ {
		k := d.YearDay()
		noise := r.NormFloat64() * 2.5
		lowest, highest := y.Min[k]+noise, y.Max[k]+noise
		if fahrenheit {
			lowest, highest = lowest*1.8+32, highest*1.8+32
		}
		fmt.Fprintf(&out, "%.2f,%.2f,%s,2.0,S\n", lowest, highest, d)
	}
	return out.String()
}

// A record made from a place gives the place back: its normals to a few tenths,
// its frosts, in °C and in °F.
func TestAPlaceFromItsWeather(t *testing.T) {
	for _, e := range place.Examples() {
		for _, fahrenheit := range []bool{false, true} {
			days, _, err := ReadWeather(strings.NewReader(weather(e.Place, 12, fahrenheit)), fahrenheit)
			if err != nil {
				t.Fatal(err)
			}
			blank := place.Place{Name: "Here", Latitude: e.Place.Latitude}
			got, err := place.FromWeather(blank, days)
			if err != nil {
				t.Fatal(err)
			}
			for m := range 12 {
				if math.Abs(got.Place.MeanMax[m]-e.Place.MeanMax[m]) > 1.5 || math.Abs(got.Place.MeanMin[m]-e.Place.MeanMin[m]) > 2 || math.Abs(got.Place.Rain[m]-61) > 1 {
					t.Errorf("%s month %d: %g/%g and %g mm", e.ID, m+1, got.Place.MeanMax[m], got.Place.MeanMin[m], got.Place.Rain[m])
				}
			}
			if got.Place.FrostFree != e.Place.FrostFree && e.ID != "south-coast" && !mild(e.Place) || got.Years < 11 {
				t.Errorf("%s: frost-free %v, %d years", e.ID, got.Place.FrostFree, got.Years)
			}
			check := invalid.NewCheck()
			got.Place.Validate(check)
			if err := check.Err(); err != nil {
				t.Errorf("%s: %v", e.ID, err)
			}
		}
	}
}

// Frosts on known days: the medians and the spread are theirs.
func TestFrostsOfARecord(t *testing.T) {
	var days []place.Day
	last, first := []int{100, 110, 120, 130, 118}, []int{280, 290, 285, 300, 295}
	for i := range last {
		for k := range 365 {
			low := 5.0
			if k <= last[i]-1 && k%9 == (last[i]-1)%9 || k >= first[i]-1 {
				low = -1
			}
			days = append(days, place.Day{Date: civil.Of(2001+i, 1, 1+k), Max: 15, Min: low})
		}
	}
	r, err := place.FromWeather(place.Place{Latitude: 47, Rain: [12]float64{9: 33}}, days)
	if err != nil {
		t.Fatal(err)
	}
	if l, f := r.Place.LastFrost.YearDay()+1, r.Place.FirstFrost.YearDay()+1; l != 118 || f != 290 || r.Years != 5 {
		t.Errorf("frosts on days %d and %d of %d years", l, f, r.Years)
	}
	if s := r.Place.FrostSpread; s < 7 || s > 12 {
		t.Errorf("a spread of %g days", s)
	}
	if r.Place.Rain[9] != 33 || !strings.Contains(fmt.Sprint(r.Notes), "no rain") {
		t.Errorf("rain that was not measured: %v %q", r.Place.Rain, r.Notes)
	}
	if _, err := place.FromWeather(place.Place{}, days[:100]); err == nil {
		t.Error("a hundred days make a climate")
	}
}

func TestWrongWeatherSaysWhere(t *testing.T) {
	head := "DATE,TMAX,TMIN\n"
	for text, want := range map[string]string{
		"": "line 1", "DATE,TMAX\n": "TMIN", head + "14/05/2019,20,10": "line 2, DATE", head + "2019-05-14,hot,10": "line 2, TMAX",
		head + "2019-05-14,20,10\n2019-05-14,21,9": "each day once", head + "2019-05-14,10,20": "no more than the day's TMAX", head + "2019-05-14,200,10": "from -70 to 60",
	} {
		_, _, err := ReadWeather(strings.NewReader(text), false)
		if fs := invalid.All(err); fs == nil || !strings.Contains(fs.Error(), want) {
			t.Errorf("%q: %v, want it to say %q", text, err, want)
		}
	}
	days, notes, err := ReadWeather(strings.NewReader(head+"2019-05-14,20,10\n2019-05-15,,10\n2019-05-18,20,11\n"), false)
	if err != nil || len(days) != 2 || len(notes) != 2 {
		t.Errorf("gaps: %d days, %q, %v", len(days), notes, err)
	}
}

func FuzzReadWeather(f *testing.F) {
	f.Add("DATE,TMAX,TMIN\n2019-05-14,20,10\n", false)
	f.Add("tmin,date,tmax,prcp\n50,2019-05-14,68,\n,,\n", true)
	f.Fuzz(func(t *testing.T, text string, fahrenheit bool) {
		days, _, err := ReadWeather(strings.NewReader(text), fahrenheit)
		if err != nil && len(days) > 0 {
			t.Fatal("days and an error")
		}
		for _, d := range days {
			if math.IsNaN(d.Max) || math.IsNaN(d.Min) || d.Min > d.Max || d.Max > 61 || d.Min < -71 {
				t.Fatalf("%+v", d)
			}
		}
	})
}
