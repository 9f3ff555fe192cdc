package plan

import (
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// Two weather records whose numbers add up to the same are two records: a plan with the one
// in memory is not given for the other.
func TestRecordsThatCancelInASumAreToldApart(t *testing.T) {
	day := func(n int, max, min float64) place.Day {
		return place.Day{Date: civil.Of(2027, 3, 1) + civil.Date(n), Max: max, Min: min}
	}
	a := []place.Day{day(0, 10, 2), day(1, 12, 3), day(2, 14, 4)}
	b := []place.Day{day(0, 11, 2), day(1, 10, 3), day(2, 15, 4)} // 10+24+42 = 11+20+45
	if sum := func(days []place.Day) (v float64) {
		for i, d := range days {
			v += d.Max * float64(i+1)
		}
		return v
	}; sum(a) != sum(b) {
		t.Fatalf("%g, %g", sum(a), sum(b))
	}
	if apart(a) == apart(b) || apart(a) != apart(append([]place.Day{}, a...)) || apart(nil) == apart(a) {
		t.Errorf("%x, %x, %x", apart(a), apart(b), apart(nil))
	}
}
