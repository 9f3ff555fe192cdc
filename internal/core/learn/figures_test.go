package learn

import (
	"fmt"
	"math"
	"testing"
	"testing/quick"

	"inventory/internal/core/civil"
)

func TestGermination(t *testing.T) {
	near(t, "38 of 100", Germination(0.60, []Sown{{Seeds: 100, Up: 38}}), 0.453)
	near(t, "25 stations of two, 14 up", Germination(0.60, []Sown{{Seeds: 50, Up: 14, Each: 2}}), 0.439)
	near(t, "an old lot, 4 of 20", Germination(0.30, []Sown{{Seeds: 20, Up: 4}}), 0.250)
	near(t, "nothing counted", Germination(0.60, nil), 0.60)
}

func TestLosses(t *testing.T) {
	years := []Stood{{1, 1}, {1, 1}, {1, 0}, {1, 0}, {1, 0}, {1, 0}, {1, 0}, {1, 0}, {1, 0}}
	near(t, "2 of 9 in different years", Losses(0.06, years), 0.137)
	near(t, "4 stood", Losses(0.15, []Stood{{1, 0}, {1, 0}, {1, 0}, {1, 0}}), 0.107)
	near(t, "six of one season count as two", Losses(0.06, []Stood{{6, 3}}), (0.6+1)/12)
}

func TestDays(t *testing.T) {
	e := Days([]Heat{{Share: 910.0 / 840}, {Share: 880.0 / 840}, {Share: 955.0 / 840}})
	near(t, "three plantings", 840*e.Middle(), 883.9)
	near(t, "low", 840*e.Low(), 828.4)
	near(t, "high", 840*e.High(), 943.1)
	near(t, "one", 840*Days([]Heat{{Share: 910.0 / 840}}).Middle(), 862.7)
	if by, real := Days([]Heat{{Share: 1.1, Normal: true}}).Mean, Days([]Heat{{Share: 1.1}}).Mean; by >= real {
		t.Errorf("by normals %g, by real temperatures %g", by, real)
	}
}

func TestStorageLife(t *testing.T) {
	e := StorageLife([]Kept{{Share: 14.0 / 22}, {Share: 18.0 / 22}, {Share: 20.0 / 22, AtLeast: true}, {Share: 25.0 / 22, AtLeast: true}})
	near(t, "four lots", 22*e.Middle(), 21.4)
	near(t, "low", 22*e.Low(), 18.1)
	near(t, "high", 22*e.High(), 25.3)
	near(t, "two thrown out", 22*StorageLife([]Kept{{Share: 14.0 / 22}, {Share: 18.0 / 22}}).Middle(), 18.7)
	near(t, "two eaten up", 22*StorageLife([]Kept{{Share: 12.0 / 22, AtLeast: true}, {Share: 15.0 / 22, AtLeast: true}}).Middle(), 22.7)
}

func TestCookingDownAndAppetite(t *testing.T) {
	const book = 3.1497
	near(t, "two batches", CookingDown(book, []float64{23.0 / 6.62 / book, 21.5 / 6.62 / book}), 3.234)
	near(t, "eaten as wished", Appetite(20, 20), 1)
	near(t, "half of it in eight weeks", Appetite(4, 8), 0.75)
	near(t, "nothing recorded", Appetite(0, 0), 1)
}

// What is learned lies between what the book says and what was seen.
func TestWhatIsLearnedLiesBetweenBookAndRecord(t *testing.T) {
	if err := quick.Check(func(a, b, c uint8) bool {
		book, seen := 0.05+float64(a)/300, float64(b)/255
		n := 1 + float64(c%200)
		g := Germination(book, []Sown{{Seeds: n, Up: seen * n}})
		return g >= math.Min(book, seen)-1e-9 && g <= math.Max(book, seen)+1e-9
	}, nil); err != nil {
		t.Error(err)
	}
	if err := quick.Check(func(shares []uint8) bool {
		var lots []Kept
		most, least := 1.0, 1.0
		for i, s := range shares {
			k := Kept{Share: 0.1 + float64(s)/100, AtLeast: i%2 == 1}
			lots = append(lots, k)
			most = math.Max(most, k.Share)
			if !k.AtLeast {
				least = math.Min(least, k.Share)
			}
		}
		e := StorageLife(lots)
		return e.Sd > 0 && e.Sd <= keptDoubt+1e-9 && e.Middle() >= least-1e-9 && e.Middle() <= 3*most
	}, nil); err != nil {
		t.Error(err)
	}
}

// plots are those of a trial in one year, one bed, one sowing, alternating.
func plots(year int, a, b []float64) (out []Planting) {
	for i := range a {
		for kind, ratio := range map[string]float64{"A": a[i], "B": b[i]} {
			p := planting("carrot", kind, "1", year, 20, .30, ratio)
			p.ID, p.Day, p.Sowing = fmt.Sprint(year, kind, i), civil.Of(year, 4, 10), fmt.Sprint("trial", year)
			out = append(out, p)
		}
	}
	return out
}

func TestATrial(t *testing.T) {
	a, b := Effect{OfKind, "A"}, Effect{OfKind, "B"}
	first := plots(2025, []float64{.92, 1.05, .88, 1.10}, []float64{.80, .78, .95, .83})
	second := plots(2026, []float64{1.20, 1.02, 1.15, 1.31}, []float64{1.01, .97, 1.08, .88})
	o := Tried(first, nil, a, b)
	near(t, "the first year", o.Mean, 0.122)
	near(t, "its doubt", o.Sd, 0.139)
	near(t, "its chance", o.Chance, 0.809)
	own(t, "what A gave more", o.Estimate, 1.129, 0.945, 1.350)
	if o.Verdict != LooksBetter || o.Years != 2 {
		t.Errorf("after one year: %s, %d more years", o.Verdict, o.Years)
	}
	o = Tried(append(first, second...), nil, a, b)
	near(t, "both years", o.Mean, 0.143)
	near(t, "their doubt", o.Sd, 0.105)
	near(t, "their chance", o.Chance, 0.913)
	if o.Verdict != LooksBetter || o.Years != 1 {
		t.Errorf("after two years: %s, %d more years", o.Verdict, o.Years)
	}
	times := func(year int) []Planting {
		low := []float64{.95, 1.05, 1.00, .98}
		high := make([]float64, 4)
		for i := range low {
			high[i] = 1.3 * low[i]
		}
		return plots(year, high, low)
	}
	o = Tried(append(times(2025), times(2026)...), nil, a, b)
	own(t, "1.3 times", o.Estimate, 1.254, 1.096, 1.434)
	near(t, "its chance", o.Chance, 0.984)
	if o.Verdict != GaveMore || o.Years != 0 {
		t.Errorf("1.3 times: %s, %d more years", o.Verdict, o.Years)
	}
}

func TestYearsToTell(t *testing.T) {
	for _, c := range []struct {
		times, plots float64
		want         int
	}{{1.20, 2, 8}, {1.35, 2, 3}, {1.20, 4, 5}, {1.35, 4, 2}} {
		if got := YearsToTell(c.times, spread(.30), c.plots, 20); got != c.want {
			t.Errorf("%g times, %g plots: %d years, want %d", c.times, c.plots, got, c.want)
		}
	}
}
