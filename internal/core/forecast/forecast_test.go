package forecast

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"inventory/internal/core/record"
)

// Example P of the worked examples: cv 0.35, own known and 1.
func ExampleToCome() {
	variance := Variance(0.35)
	for _, c := range []struct{ picked, share, weeks float64 }{{0.6, 0.25, 6}, {0.6, 0.75, 2}, {1.4, 0.5, 4}} {
		p := Picking{Expected: 100, Picked: 100 * c.picked * c.share, Share: c.share, Weeks: c.weeks, Weighed: record.AllWeighed, Variance: variance}
		o := ToCome(Own(1, variance), p)
		left := 100 * (1 - c.share)
		fmt.Printf("%.3f (%.3f to %.3f)\n", o.Factor, o.Low/left, o.High/left)
	}
	p := Picking{Expected: 100, Picked: 15, Share: 0.25, Weeks: 6, Weighed: record.AllWeighed, Variance: variance}
	o := ToCome(Unrecorded(variance), p)
	fmt.Printf("nothing recorded: %.3f (%.3f to %.3f)\n", o.Factor, o.Low/75, o.High/75)
	// Output:
	// 0.882 (0.541 to 1.318)
	// 0.698 (0.429 to 1.097)
	// 1.175 (0.745 to 1.745)
	// nothing recorded: 0.839 (0.447 to 1.351)
}

// In simulated seasons, up to four fifths of the curve, what came lies in the band of 80 % in 74 to
// 86 of a hundred.
func TestTheBandHolds(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 11))
	variance := Variance(0.35)
	for _, known := range []bool{true, false} {
		in, all := 0, 0
		for range 4000 {
			own, prior := 1.0, Own(1, variance)
			if !known {
				own, prior = math.Exp(rng.NormFloat64()*math.Sqrt(unknownVariance)), Unrecorded(variance)
			}
			weeks := 4 + rng.IntN(10)
			factor := own * math.Exp(rng.NormFloat64()*math.Sqrt(variance)-variance/2)
			each := make([]float64, weeks)
			total := 0.0
			for w := range each {
				each[w] = factor / float64(weeks) * math.Exp(rng.NormFloat64()*math.Sqrt(weeklySwing)-weeklySwing/2)
				total += each[w]
			}
			over := 1 + rng.IntN(max(1, weeks*4/5))
			share := float64(over) / float64(weeks)
			if share > 0.8 {
				continue
			}
			picked := 0.0
			for _, kg := range each[:over] {
				picked += kg
			}
			o := ToCome(prior, Picking{Expected: 1, Picked: picked, Share: share, Weeks: float64(weeks - over), Weighed: record.AllWeighed, Variance: variance})
			if rest := total - picked; rest >= o.Low && rest <= o.High {
				in++
			}
			all++
		}
		if held := 100 * float64(in) / float64(all); held < 74 || held > 86 {
			t.Errorf("own known %v: the band holds %.1f of a hundred seasons", known, held)
		}
	}
}

// The more is over, the less the prior counts; what is not weighed widens the band; before the first
// picking it is the prior's.
func TestWhatMovesTheForecast(t *testing.T) {
	variance := Variance(0.3)
	at := func(picked, share float64, w record.Weighed) Outlook {
		return ToCome(Own(1, variance), Picking{Expected: 10, Picked: picked, Share: share, Weeks: 5, Weighed: w, Variance: variance})
	}
	none := at(0, 0, record.AllWeighed)
	if math.Abs(none.Factor-1) > 1e-12 || math.Abs(none.Likely-10) > 1e-9 || none.Low >= none.Likely || none.High <= none.Likely {
		t.Errorf("before the first picking %+v", none)
	}
	if early, late := at(0.5, 0.1, record.AllWeighed), at(4, 0.8, record.AllWeighed); early.Factor <= late.Factor || late.Factor > 0.7 {
		t.Errorf("half of what was expected: early %.2f, late %.2f", early.Factor, late.Factor)
	}
	width := func(o Outlook) float64 { return math.Log(o.High / o.Low) }
	all, most, half := at(2, 0.4, record.AllWeighed), at(1.6, 0.4, record.MostWeighed), at(1, 0.4, record.HalfWeighed)
	if !(width(all) < width(most) && width(most) < width(half)) || math.Abs(all.Factor-most.Factor) > 0.1 {
		t.Errorf("weighed all %+v, most %+v, half %+v", all, most, half)
	}
	if over := at(9, 0.95, record.AllWeighed); !over.NearlyOver || over.Likely > 1 {
		t.Errorf("nearly over: %+v", over)
	}
	if end := at(9, 1, record.AllWeighed); end.Likely != 0 || end.High != 0 {
		t.Errorf("over: %+v", end)
	}
	if open := ToCome(Unrecorded(variance), Picking{Expected: 10, Weeks: 5, Weighed: record.AllWeighed, Variance: variance}); math.Abs(open.Factor-1) > 1e-12 {
		t.Errorf("before the first picking, with nothing recorded, the factor is %g", open.Factor)
	}
	// By hand: half of what was expected at half of the curve; v = ln(1.09) + 0.01 + 0, 0.15² or 0.25².
	for w, want := range map[record.Weighed]float64{record.AllWeighed: 0.72067, record.MostWeighed: 0.74707, record.HalfWeighed: 0.78352} {
		weighed, _ := w.Share()
		if got := at(2.5*weighed, 0.5, w).Factor; math.Abs(got-want) > 2e-5 {
			t.Errorf("weighed %s: factor %.5f, want %.5f", w, got, want)
		}
	}
	if none := at(9, 0.5, record.NoneWeighed); none.Factor != at(0, 0.5, record.AllWeighed).Factor {
		t.Errorf("hardly weighed, the factor is %g", none.Factor)
	}
	if least := at(0.2, 0.001, record.AllWeighed); math.Abs(least.Factor-at(0.2, 0.02, record.AllWeighed).Factor) > 1e-12 {
		t.Errorf("less than a fiftieth of the curve: %+v", least)
	}
}
