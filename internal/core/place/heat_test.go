package place

import (
	"math"
	"testing"
)

// Example H: single sine, with a base and a cap.
func TestDegreeDays(t *testing.T) {
	for _, c := range []struct{ lowest, highest, base, limit, want float64 }{
		{4, 20, 5, 99, 7.11}, {4, 20, 10, 99, 3.63}, {18, 34, 10, 30, 15.13}, {-2, 12, 5, 99, 2.23},
		{12, 18, 10, 30, 5}, {-5, 4, 5, 30, 0}, {31, 39, 10, 30, 20},
	} {
		if got := DegreeDays(c.lowest, c.highest, c.base, c.limit); math.Abs(got-c.want) > 0.005 {
			t.Errorf("%g–%g above %g: %.4f, want %g", c.lowest, c.highest, c.base, got, c.want)
		}
	}
}

// The same area by adding up a sine in small steps.
func TestDegreeDaysByHand(t *testing.T) {
	for lowest := -8.0; lowest < 22; lowest += 3.7 {
		for swing := 0.5; swing < 18; swing += 2.3 {
			const steps = 20000
			var sum float64
			for i := range steps {
				air := lowest + swing/2*(1+math.Sin(2*math.Pi*(float64(i)+0.5)/steps))
				sum += math.Max(0, math.Min(air, 28)-6) / steps
			}
			if got := DegreeDays(lowest, lowest+swing, 6, 28); math.Abs(got-sum) > 1e-4 {
				t.Errorf("%g to %g: %g, added up %g", lowest, lowest+swing, got, sum)
			}
		}
	}
}

func TestLightSlowsTheShortDays(t *testing.T) {
	for hours, want := range map[float64]float64{16: 1, 12: 1, 10: 0.6, 8: 0.2, 5: 0.2} {
		if got := LightFactor(hours); math.Abs(got-want) > 1e-12 {
			t.Errorf("%g h: %g, want %g", hours, got, want)
		}
	}
}

// Example I: day length, and the days under ten hours.
func TestDayLengthOfTheExamples(t *testing.T) {
	for latitude, want := range map[float64][4]float64{46: {12.15, 15.75, 12.20, 8.64}, -41: {12.16, 9.22, 12.12, 15.13}} {
		for i, day := range []int{80, 172, 266, 355} {
			if got := DayLength(latitude, day); math.Abs(got-want[i]) > 0.05 {
				t.Errorf("%g°, day %d: %.3f h, want %g", latitude, day, got, want[i])
			}
		}
	}
	if DayLength(46, 309) >= 10 || DayLength(46, 308) < 10 || DayLength(46, 39) >= 10 || DayLength(46, 40) < 10 {
		t.Error("at 46° N the days are under ten hours from day 309 to day 39")
	}
}

func TestSoilAndFrost(t *testing.T) {
	y := Build(Examples()[0].Place)
	if d := y.Soil[200] - y.Mean[197]; math.Abs(d-2) > 0.1 {
		t.Errorf("in summer the soil is %g over the air", d)
	}
	if d := y.Soil[350] - y.Mean[347]; math.Abs(d) > 0.1 {
		t.Errorf("in winter the soil is %g over the air", d)
	}
	if a, b, c := y.FrostAfter(0), y.FrostAfter(10), y.FrostAfter(-10); math.Abs(a-0.5) > 1e-12 || math.Abs(b-0.1587) > 1e-4 || math.Abs(b+c-1) > 1e-12 {
		t.Errorf("%g %g %g", a, b, c)
	}
	if Build(Examples()[2].Place).FrostAfter(-100) != 0 {
		t.Error("frost where there is none")
	}
}
