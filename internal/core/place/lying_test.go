package place

import (
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func TestWhenACoverLies(t *testing.T) {
	day := func(m, d int) int { return civil.MonthDay{Month: m, Day: d}.YearDay() }
	for _, c := range []struct {
		cover  Cover
		day    int
		picked bool
		lies   bool
	}{
		{"fleece", day(7, 1), true, true},
		{"fleece 03-01 to 05-15", day(3, 1), false, true},
		{"fleece 03-01 to 05-15", day(5, 15), true, true},
		{"fleece 03-01 to 05-15", day(5, 16), false, false},
		{"tunnel 10-01 to 03-31", day(1, 10), false, true},
		{"tunnel 10-01 to 03-31", day(6, 10), false, false},
		{"net until picking", day(6, 1), false, true},
		{"net until picking", day(6, 1), true, false},
		{"fleece from picking", day(9, 1), true, true},
		{"fleece from picking", day(9, 1), false, false},
	} {
		l, ok := c.cover.Lying()
		if got := l.OnDay(c.day, c.picked); !ok || got != c.lies {
			t.Errorf("%s on day %d, picked %t: %t", c.cover, c.day, c.picked, got)
		}
	}
}

func TestCoversThatCannotBe(t *testing.T) {
	for cover, ok := range map[Cover]bool{"": true, "net": true, "fleece 03-01 to 05-15": true, "blanket": false, "fleece sometimes": false, "fleece 13-01 to 05-15": false, " until picking": false, "fleece 03-01": false} {
		c := invalid.NewCheck()
		ValidateCover(c, "cover", cover)
		if (c.Err() == nil) != ok {
			t.Errorf("%q: %v", cover, c.Err())
		}
	}
}

// In spring alone a cover moves the last frost and not the first, in autumn alone the
// first and not the last; a day that it does not lie on is as in the open.
func TestACoverHelpsWhileItLies(t *testing.T) {
	open := Build(Examples()[0].Place)
	all := open.Under(Tunnel)
	spring, autumn := open.Under("tunnel 02-15 to 06-01"), open.Under("tunnel 09-01 to 12-31")
	if all.Last == open.Last || spring.Last != all.Last || spring.First != open.First || autumn.Last != open.Last || autumn.First == open.First {
		t.Errorf("open %d–%d, all %d–%d, spring %d–%d, autumn %d–%d", open.Last, open.First, all.Last, all.First, spring.Last, spring.First, autumn.Last, autumn.First)
	}
	october := civil.MonthDay{Month: 10, Day: 20}.YearDay()
	if spring.Mean[october] != open.Mean[october] || autumn.Mean[october] != all.Mean[october] {
		t.Error("October is warmed by a cover of spring, or not by one of autumn")
	}
	if u, f := open.Under("fleece until picking"), open.Under("fleece from picking"); u.Last == open.Last || u.First != open.First || f.Last != open.Last || f.First == open.First {
		t.Errorf("until picking %d–%d, from picking %d–%d, open %d–%d", u.Last, u.First, f.Last, f.First, open.Last, open.First)
	}
}
