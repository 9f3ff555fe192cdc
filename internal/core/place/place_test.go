package place

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func TestTheExamplesStand(t *testing.T) {
	for _, e := range Examples() {
		c := invalid.NewCheck()
		e.Place.Validate(c)
		if err := c.Err(); err != nil {
			t.Errorf("%s: %v", e.ID, err)
		}
	}
}

func TestWhatCannotBe(t *testing.T) {
	cases := []struct {
		name  string
		spoil func(*Place)
		field string
	}{
		{"latitude 91", func(p *Place) { p.Latitude = 91 }, "latitude"},
		{"latitude NaN", func(p *Place) { p.Latitude = math.NaN() }, "latitude"},
		{"no last frost", func(p *Place) { p.LastFrost = civil.MonthDay{} }, "last_frost"},
		{"30 February", func(p *Place) { p.LastFrost = civil.MonthDay{Month: 2, Day: 30} }, "last_frost"},
		{"no season", func(p *Place) { p.FirstFrost = civil.MonthDay{Month: 5, Day: 10} }, "first_frost"},
		{"frost in July", func(p *Place) { p.LastFrost = civil.MonthDay{Month: 7, Day: 20} }, "last_frost"},
		{"frosts the wrong way round", func(p *Place) { p.LastFrost, p.FirstFrost = p.FirstFrost, p.LastFrost }, "last_frost"},
		{"minimum above maximum", func(p *Place) { p.MeanMin[3] = 30 }, "mean_min[3]"},
		{"frost-free with frosts", func(p *Place) { p.FrostFree = true }, "frost_free"},
		{"spread", func(p *Place) { p.FrostSpread = 200 }, "frost_spread"},
		{"infinite rain", func(p *Place) { p.Rain[0] = math.Inf(1) }, "rain[0]"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			p := Examples()[0].Place
			c.spoil(&p)
			check := invalid.NewCheck()
			p.Validate(check)
			err := check.Err()
			if err == nil || invalid.All(err)[0].Field != c.field {
				t.Fatalf("got %v, want a mistake at %s", err, c.field)
			}
			if strings.Contains(err.Error(), "%!") {
				t.Errorf("badly said: %v", err)
			}
		})
	}
}

func TestTheCurveKeepsTheMonths(t *testing.T) {
	months := Examples()[0].Place.MeanMax
	daily := Curve(months)
	for m, mid := range midMonths {
		if got := daily[int(mid)-1]; math.Abs(got-months[m]) > 1.2 {
			t.Errorf("mid of month %d is %g, the month's mean %g", m+1, got, months[m])
		}
	}
	if step := math.Abs(daily[364] - daily[0]); step > 0.3 {
		t.Errorf("the curve jumps by %g over New Year", step)
	}
}

func TestDayLength(t *testing.T) {
	for _, c := range []struct {
		latitude float64
		day      int
		want     float64
	}{{46, 80, 12.15}, {46, 172, 15.75}, {46, 266, 12.20}, {46, 355, 8.64}, {-41, 172, 9.22}, {-41, 355, 15.13}} {
		if got := DayLength(c.latitude, c.day); math.Abs(got-c.want) > 0.02 {
			t.Errorf("%g° on day %d has %.2f h, want %.2f", c.latitude, c.day, got, c.want)
		}
	}
}
