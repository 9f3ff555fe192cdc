package learn

import (
	"fmt"
	"math"
	"testing"

	"inventory/internal/core/civil"
)

// spread is the variance of the logarithm of a yield, from its coefficient of variation.
func spread(cv float64) float64 { return math.Log(1 + cv*cv) }

// near fails where a figure is not within half a percent, or a tenth of it where it is near nothing.
func near(t *testing.T, what string, got, want float64) {
	t.Helper()
	if math.Abs(got-want) > math.Max(0.005*math.Abs(want), 0.0006) {
		t.Errorf("%s: %.4f, want %.4f", what, got, want)
	}
}

func own(t *testing.T, what string, e Estimate, middle, low, high float64) {
	t.Helper()
	near(t, what, e.Middle(), middle)
	near(t, what+", low", e.Low(), low)
	near(t, what+", high", e.High(), high)
}

func in(bed string) []Part { return []Part{{bed, 1}} }

func planting(food, kind, bed string, year int, plants, cv, ratio float64) Planting {
	p := Planting{Food: food, Kind: kind, Year: year, Day: civil.Of(year, 5, 1), Plants: plants, Spread: spread(cv), Ratio: ratio}
	if bed != "" {
		p.Beds = in(bed)
	}
	p.ID = fmt.Sprint(food, kind, bed, year, ratio)
	return p
}

// A poor year is not blamed on the kind, nor a poor bed on the year: three foods, two beds, two years.
func TestThreeFoodsTwoBedsTwoYears(t *testing.T) {
	y := Fit([]Planting{
		planting("tomato", "paste", "1", 2025, 20, .35, .70), planting("bean", "bush", "2", 2025, 150, .30, .85), planting("carrot", "carrot", "1", 2025, 300, .30, .60),
		planting("tomato", "paste", "2", 2026, 24, .35, 1.10), planting("tomato", "cherry", "2", 2026, 12, .30, .80),
		planting("bean", "bush", "1", 2026, 150, .30, .90), planting("carrot", "carrot", "2", 2026, 300, .30, .95),
	}, nil)
	of := func(food, kind, bed string) Estimate { return y.Own(planting(food, kind, bed, 2027, 10, .3, 1)) }
	own(t, "paste, bed 1", of("tomato", "paste", "1"), 0.892, 0.675, 1.180)
	own(t, "paste, bed 2", of("tomato", "paste", "2"), 0.982, 0.746, 1.291)
	own(t, "cherry, bed 2", of("tomato", "cherry", "2"), 0.892, 0.666, 1.195)
	own(t, "another tomato, bed 2", of("tomato", "slicing", "2"), 0.951, 0.656, 1.380)
	own(t, "bush bean, bed 1", of("bean", "bush", "1"), 0.899, 0.698, 1.157)
	own(t, "carrot, bed 2", of("carrot", "carrot", "2"), 0.879, 0.683, 1.131)
	own(t, "leek, never grown, bed 1", of("leek", "leek", "1"), 0.930, 0.570, 1.516)
	own(t, "leek in a new bed", of("leek", "leek", "9"), 1, 0.606, 1.649)
	near(t, "bed 1", y.Of(Effect{OfBed, "1"}).Mean, -0.073)
	near(t, "doubt of bed 1", y.Of(Effect{OfBed, "1"}).Sd, 0.125)
	near(t, "bed 2", y.Of(Effect{OfBed, "2"}).Mean, 0.023)
	near(t, "2025", y.Of(Year(2025)).Mean, -0.567)
	near(t, "2026", y.Of(Year(2026)).Mean, 0.257)
	d := y.Apart(Effect{OfKind, "paste"}, Effect{OfKind, "cherry"})
	near(t, "paste and cherry apart", d.Mean, 0.096)
	near(t, "their doubt", d.Sd, 0.216)
}

// Methods, crops that vary little, a planting in two beds, one that was weighed in part.
func TestMethodsAndPartlyWeighed(t *testing.T) {
	with := func(p Planting, method string) Planting { p.Method = method; return p }
	shared := planting("lettuce", "head", "A", 2025, 40, .35, .75)
	shared.Beds = []Part{{"A", .6}, {"B", .4}}
	most := planting("cabbage", "storage", "A", 2025, 8, .30, .50/.8)
	most.Unsure = 0.15 * 0.15
	y := Fit([]Planting{
		planting("kale", "kale", "A", 2025, 30, .20, 1.20), with(planting("kale", "kale", "B", 2025, 30, .20, .90), "fleece"), shared,
		planting("lettuce", "head", "B", 2025, 40, .35, .65), with(planting("lettuce", "leaf", "A", 2025, 60, .25, 1.05), "fleece"), most,
		with(planting("kale", "kale", "A", 2026, 25, .20, 1.35), "fleece"), planting("lettuce", "head", "B", 2026, 40, .35, 1), planting("lettuce", "leaf", "B", 2026, 60, .25, 1.30), planting("cabbage", "storage", "B", 2026, 10, .30, .90),
	}, nil)
	of := func(p Planting) Estimate { return y.Own(p) }
	own(t, "kale A", of(planting("kale", "kale", "A", 2027, 1, .2, 1)), 1.242, 1.026, 1.502)
	own(t, "kale A under fleece", of(with(planting("kale", "kale", "A", 2027, 1, .2, 1), "fleece")), 1.209, 1.009, 1.448)
	own(t, "head B", of(planting("lettuce", "head", "B", 2027, 1, .2, 1)), 0.918, 0.720, 1.171)
	own(t, "leaf A", of(planting("lettuce", "leaf", "A", 2027, 1, .2, 1)), 1.236, 0.986, 1.549)
	own(t, "storage cabbage A", of(planting("cabbage", "storage", "A", 2027, 1, .2, 1)), 0.906, 0.691, 1.188)
	red := planting("cabbage", "red", "A", 2027, 1, .3, 1)
	red.Beds = []Part{{"A", .5}, {"B", .5}}
	own(t, "red cabbage, half A half B", of(red), 0.901, 0.614, 1.322)
	mean, variance := y.InSeason(planting("lettuce", "head", "B", 2026, 40, .35, 1))
	near(t, "another head in B in 2026", mean, -0.005)
	near(t, "its doubt", math.Sqrt(variance), 0.307)
}

// One kind in one bed, each planting in a year of its own; and what a year in which all gave less by
// 0.3 does to the own yield of a crop, by how many crops stood in how many beds.
func TestAPoorYearIsNotBlamedOnTheKind(t *testing.T) {
	one := []Planting{planting("kale", "kale", "A", 2024, 20, .30, .8)}
	own(t, "one planting", Fit(one, nil).Own(one[0]), 0.897, 0.658, 1.222)
	three := append(one, planting("kale", "kale", "A", 2025, 20, .30, .8), planting("kale", "kale", "A", 2026, 20, .30, .8))
	own(t, "three plantings", Fit(three, nil).Own(one[0]), 0.864, 0.703, 1.063)

	// Every z lower by 0.3: the plantings' own spread and that of their plants are put back.
	year := func(y, crops, beds int, z float64) (out []Planting) {
		for i := range crops {
			p := planting(fmt.Sprint("food", i), fmt.Sprint("kind", i), fmt.Sprint("bed", i%beds), y, 20, .30, 1)
			p.Ratio = math.Exp(z - (p.Spread+ofPlant/p.Plants)/2)
			out = append(out, p)
		}
		return out
	}
	for _, c := range []struct {
		crops, beds int
		after       bool // an ordinary year
		want        float64
	}{{1, 1, false, 0.831}, {6, 6, false, 0.879}, {12, 12, false, 0.910}, {30, 30, false, 0.949}, {12, 3, false, 0.887}, {12, 1, false, 0.849}, {12, 1, true, 0.899}, {12, 3, true, 0.918}, {12, 12, true, 0.931}} {
		var all []Planting
		if c.after {
			all = year(2025, c.crops, c.beds, 0)
		}
		all = append(all, year(2026, c.crops, c.beds, -0.3)...)
		near(t, fmt.Sprintf("%d crops in %d beds, after an ordinary year %v", c.crops, c.beds, c.after), Fit(all, nil).Own(all[0]).Middle(), c.want)
	}
}

// Nothing recorded: everything is as the book says, with the doubt that gardens differ.
func TestNothingRecorded(t *testing.T) {
	own(t, "of nothing", Fit(nil, nil).Own(planting("kale", "kale", "A", 2027, 20, .3, 1)), 1, 0.606, 1.649)
}

// An effect that is switched off or overruled counts as known, and the others are found anew.
func TestAKnownEffectIsTakenAsItIs(t *testing.T) {
	all := []Planting{planting("kale", "kale", "A", 2025, 20, .30, .8), planting("kale", "kale", "A", 2026, 20, .30, .8), planting("leek", "leek", "A", 2026, 20, .30, .8)}
	bed := Effect{OfBed, "A"}
	usual, off, told := Fit(all, nil), Fit(all, map[Effect]float64{bed: 0}), Fit(all, map[Effect]float64{bed: math.Log(0.8)})
	if e := off.Of(bed); e.Mean != 0 || e.Sd != 0 {
		t.Errorf("switched off, the bed is %+v", e)
	}
	kale := Effect{OfFood, "kale"}
	if a, b, c := off.Of(kale).Mean, usual.Of(kale).Mean, told.Of(kale).Mean; a >= b || b >= c {
		t.Errorf("kale is %g with the bed off, %g as found, %g with the bed told", a, b, c)
	}
	near(t, "the told bed in a new planting", told.Own(planting("chard", "chard", "A", 2027, 20, .3, 1)).Middle(), 0.8)
}
