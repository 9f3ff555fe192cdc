package place

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/say"
)

// Day is one day of a weather record.
type Day struct {
	Date civil.Date `json:"date"`
	Max  float64    `json:"max"` // °C
	Min  float64    `json:"min"`
	Rain *float64   `json:"rain,omitempty"` // mm; nil where it was not measured
}

// Record is what a weather record says of a place.
type Record struct {
	Place Place      // normals, frosts and their spread; the rest as it was
	Years int        // years with enough days to count
	Days  int        // days read
	Notes []say.Note // what the grower should know of it
}

// enoughDays is how many days a year must have to count for its frosts, and
// fewestMonth how many a month must have in all the years together.
const (
	enoughDays  = 330
	fewestMonth = 20
	usualSpread = 10
	// killing is the minimum, °C, at or below which a night counts as a frost.
	killing = 0
)

// FromWeather derives a place's normals, its median frosts and their spread from
// a record of days, on top of what is known of the place: its name, latitude and
// altitude, and its rain where the record has none. A record that is too short is
// an error that says what is wanted.
func FromWeather(p Place, days []Day) (Record, error) {
	r := Record{Place: p, Days: len(days)}
	var n, rainDays [12]int
	var maxima, minima, rain [12]float64
	byYear := map[int][]Day{}
	for _, d := range days {
		y, m, _ := d.Date.Split()
		n[m-1]++
		maxima[m-1] += d.Max
		minima[m-1] += d.Min
		if d.Rain != nil {
			rain[m-1] += *d.Rain
			rainDays[m-1]++
		}
		if p.Latitude < 0 { // the southern growing year runs over New Year
			if m >= 7 {
				y++
			}
		}
		byYear[y] = append(byYear[y], d)
	}
	for m := range 12 {
		if n[m] < fewestMonth {
			return Record{}, fmt.Errorf("a year of days at least; month %d has only %d of them", m+1, n[m])
		}
		round := func(v float64) float64 { return math.Round(v*10) / 10 }
		r.Place.MeanMax[m], r.Place.MeanMin[m] = round(maxima[m]/float64(n[m])), round(minima[m]/float64(n[m]))
		if rainDays[m] >= fewestMonth {
			r.Place.Rain[m] = math.Round(rain[m] / float64(rainDays[m]) * 365.25 / 12)
		}
	}
	if rainDays[0] < fewestMonth {
		r.Notes = append(r.Notes, say.That(say.NoRain))
	}
	r.frosts(byYear)
	return r, nil
}

// frosts finds the median last spring and first autumn frost and their spread.
//
// One function, since a year of a record is read in one pass.
func (r *Record) frosts(byYear map[int][]Day) {
	var last, first []float64 // days from midwinter
	frostless := 0
	years := make([]int, 0, len(byYear))
	for y := range byYear {
		years = append(years, y)
	}
	slices.Sort(years)
	for _, y := range years {
		if len(byYear[y]) < enoughDays {
			continue
		}
		r.Years++
		spring, autumn := math.NaN(), math.NaN()
		for _, d := range byYear[y] {
			if d.Min > killing {
				continue
			}
			x := float64(r.fromMidwinter(d.Date))
			if x < Days/2 {
				if math.IsNaN(spring) || x > spring {
					spring = x
				}
			} else if math.IsNaN(autumn) || x < autumn {
				autumn = x
			}
		}
		if math.IsNaN(spring) && math.IsNaN(autumn) {
			frostless++
			continue
		}
		if !math.IsNaN(spring) {
			last = append(last, spring)
		}
		if !math.IsNaN(autumn) {
			first = append(first, autumn)
		}
	}
	if r.Years == 0 {
		r.Notes = append(r.Notes, say.That(say.FrostsAsTheyWere))
		return
	}
	if 2*frostless > r.Years || len(last) == 0 || len(first) == 0 {
		r.Place.FrostFree, r.Place.LastFrost, r.Place.FirstFrost = true, civil.MonthDay{}, civil.MonthDay{}
		r.Notes = append(r.Notes, say.That(say.FrostFreeYears{Without: frostless, Of: r.Years}))
		return
	}
	r.Place.FrostFree = false
	r.Place.LastFrost, r.Place.FirstFrost = r.day(median(last)), r.day(median(first))
	if r.Years < 5 {
		r.Place.FrostSpread = usualSpread
		r.Notes = append(r.Notes, say.That(say.FewYears{Years: r.Years}))
		return
	}
	r.Place.FrostSpread = math.Round((deviation(last)+deviation(first))/2*10) / 10
}

// midwinter is the year day from which frosts are counted: 1 January in the
// north, 1 July in the south.
func (r *Record) midwinter() int {
	if r.Place.Latitude < 0 {
		return 181
	}
	return 0
}

func (r *Record) fromMidwinter(d civil.Date) int { return mod(d.YearDay()-r.midwinter(), Days) }

func (r *Record) day(x float64) civil.MonthDay {
	_, m, d := (civil.Of(2001, 1, 1) + civil.Date(mod(int(math.Round(x))+r.midwinter(), Days))).Split()
	return civil.MonthDay{Month: m, Day: d}
}

func median(v []float64) float64 {
	s := slices.Sorted(slices.Values(v))
	if n := len(s); n%2 == 1 {
		return s[n/2]
	}
	return (s[len(s)/2-1] + s[len(s)/2]) / 2
}

// deviation is the standard deviation of a sample.
func deviation(v []float64) float64 {
	if len(v) < 2 {
		return usualSpread
	}
	var mean, sum float64
	for _, x := range v {
		mean += x / float64(len(v))
	}
	for _, x := range v {
		sum += (x - mean) * (x - mean)
	}
	return math.Sqrt(sum / float64(len(v)-1))
}

// Night is a night to come, by a forecast.
type Night struct {
	Date civil.Date `json:"date"` // of the morning after it
	Min  float64    `json:"min"`  // the lowest temperature at 1.5 to 2 m, °C
}
