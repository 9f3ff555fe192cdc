package plan

import (
	"fmt"
	"inventory/internal/core/civil"
	"inventory/internal/exchange"
	"os"
	"testing"
)

func TestProbe(t *testing.T) {
	f, _ := os.Open("../../../demo/mill-house.json")
	h, err := exchange.ReadHousehold(f)
	if err != nil {
		t.Fatal(err)
	}
	in := Input{civil.Of(2026, 11, 25), h}
	p, err := Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	fmt.Printf("%+v\n", p.Tally)
	for _, w := range p.Wishes {
		fmt.Printf("%s | fed %d/%d harvest %.2f %s avg %.1f left %.1f plants %d area %.1f sow %d %v\n", w.Words, w.WeeksFed, w.WeeksWanted, w.Harvested, w.HarvestUnit, w.Average, w.LeftOver, w.Plants, w.Area, w.SowingCount, w.Notes)
		for _, u := range w.Uses {
			fmt.Printf("     %s %s (%s) weeks %d kept %v life %d harv %.1f plants %d area %.1f\n", u.Form, u.CropName, u.Why, u.Weeks, u.Kept, u.Life, u.Harvested, u.Plants, u.Area)
		}
	}
	for _, s := range p.Sowings {
		fmt.Printf("%s %s %s %s plants %d pick %v..%v clear %s late %v feeds %v\n", s.Date, s.ID, s.CropName, s.Method, s.Plants, s.FirstPick, s.LastPick, s.Clear, s.Late, s.Feeds)
	}
	ws, err := Workings(in)
	fmt.Println(len(ws), err)
	for _, w := range ws {
		if d := w.Check(); d > 1e-9 {
			fmt.Printf("BAD %s %v\n", w.Figure, d)
			for _, l := range w.Lines {
				fmt.Println("   ", l.Op, l.Name, l.Value, l.Unit)
			}
		}
	}
}
func BenchmarkProbe(b *testing.B) {
	f, _ := os.Open("../../../demo/mill-house.json")
	h, _ := exchange.ReadHousehold(f)
	for b.Loop() {
		Compute(Input{civil.Of(2026, 11, 25), h})
	}
}
