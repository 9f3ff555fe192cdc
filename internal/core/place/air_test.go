package place

import (
	"math"
	"slices"
	"testing"
	"testing/quick"

	"inventory/internal/core/invalid"
)

// A wall that faces the sun brings the last frost some days earlier for each degree, a hollow
// puts it off; the heat of every day changes by as much.
func TestGroundWarmerThanThePlace(t *testing.T) {
	y := Build(Examples()[0].Place)
	for _, c := range []struct {
		by          float64
		last, first int // days by which the frosts move at least, and at most 2 more for each degree
	}{{2, -12, 11}, {-2, 12, -11}, {0, 0, 0}} {
		u := y.In(Air{Warmer: c.by})
		last, first := u.Last-y.Last, u.First-y.First
		slack := 2 * int(math.Abs(c.by))
		if last*sign(c.last) < c.last*sign(c.last) || last*sign(c.last) > c.last*sign(c.last)+slack || first*sign(c.first) < c.first*sign(c.first) || first*sign(c.first) > c.first*sign(c.first)+slack+2 {
			t.Errorf("%+g °C: the frosts move by %d and %d days, want about %d and %d", c.by, last, first, c.last, c.first)
		}
		if got := u.Mean[200] - y.Mean[200]; math.Abs(got-c.by) > 1e-9 {
			t.Errorf("%+g °C: in July it is %g warmer", c.by, got)
		}
	}
	if both := y.In(Air{Cover: Tunnel, Warmer: 2}); both.Min[80] != y.Min[80]+6 || both.Last >= y.In(Air{Cover: Tunnel}).Last {
		t.Errorf("a tunnel on warm ground adds %g, its last frost is on day %d", both.Min[80]-y.Min[80], both.Last)
	}
	free := Build(Examples()[2].Place)
	if free.In(Air{Warmer: 2}).Last != free.Last {
		t.Error("where there is no frost, warmth moves none")
	}
}

func sign(n int) int {
	if n < 0 {
		return -1
	}
	return 1
}

// Days said are the days by which the frost comes earlier, to the tenth of a degree that they
// are turned into.
func TestDaysAreTurnedIntoDegrees(t *testing.T) {
	y := Build(Examples()[0].Place)
	for _, days := range []int{-14, -7, 7, 14} {
		by := y.Degrees(Warmth{Earlier: days})
		if got := y.Last - y.In(Air{Warmer: by}).Last; got < days-1 || got > days+1 {
			t.Errorf("%d days earlier are %g °C, which are %d days", days, by, got)
		}
	}
	if got := y.Degrees(Warmth{Warmer: 1.5}, Warmth{Warmer: -0.5}); got != 1 {
		t.Errorf("a plot and a bed add up to %g", got)
	}
	if got := y.Degrees(Warmth{Warmer: 5}, Warmth{Warmer: 5}); got != mostWarmer {
		t.Errorf("together at most %g, got %g", float64(mostWarmer), got)
	}
	if free := Build(Examples()[2].Place); free.Degrees(Warmth{Earlier: 10}) <= 0 {
		t.Error("where there is no frost, days earlier are no warmth")
	}
	for _, w := range []Warmth{{Warmer: 7}, {Earlier: -50}, {Warmer: 1, Earlier: 3}, {Warmer: math.NaN()}} {
		c := invalid.NewCheck()
		if w.Validate(c); c.Err() == nil {
			t.Errorf("%+v is let through", w)
		}
	}
}

// The warmer the ground, the earlier its last frost and the later its first one, at every place.
func TestWarmerGroundNeverHasMoreFrost(t *testing.T) {
	places := Examples()
	if err := quick.Check(func(n uint8, a, b int8) bool {
		y := Build(places[int(n)%len(places)].Place)
		low, high := float64(min(a, b))/20, float64(max(a, b))/20
		cold, warm := y.In(Air{Warmer: low}), y.In(Air{Warmer: high})
		if y.FrostFree {
			return cold.Last == y.Last
		}
		summer := slices.Index(y.Min[:], slices.Max(y.Min[:]))
		spring := func(u *Year) int { return mod(u.Last-summer-1, Days) }
		autumn := func(u *Year) int { return mod(u.First-summer, Days) }
		return spring(warm) <= spring(cold) && autumn(warm) >= autumn(cold)
	}, &quick.Config{MaxCount: 60}); err != nil {
		t.Error(err)
	}
}
