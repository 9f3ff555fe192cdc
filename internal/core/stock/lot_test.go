package stock

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func TestTheOldestIsTakenFirst(t *testing.T) {
	day := civil.Of(2027, 1, 10)
	stocks := []Stock{
		{Amount: 5, PutUp: day - 10, Until: day + 300},
		{Amount: 4, PutUp: day - 200, Until: day + 60},
		{Amount: 9, PutUp: day - 500, Until: day - 1}, // expired
	}
	p := NewPool(stocks)
	if has := p.Has(day); has != 9 {
		t.Errorf("%g can be drawn, want 9: what has expired is not there", has)
	}
	if got := p.Draw(6, day); got != 6 || stocks[1].Amount != 0 || stocks[0].Amount != 3 || stocks[2].Amount != 9 {
		t.Errorf("drew %g and left %+v", got, stocks)
	}
	if got := p.Draw(6, day); got != 3 {
		t.Errorf("drew %g of the 3 that were left", got)
	}
}

func TestWhatStandsLosesByTheMonth(t *testing.T) {
	stocks := []Stock{{Amount: 100, Until: 1000, Loss: 0.04}, {Amount: 100, Until: 1000}}
	p := NewPool(stocks)
	for range 52 {
		p.Wait(7)
	}
	if want := 100 * math.Pow(0.96, 52/4.345); math.Abs(stocks[0].Amount-want) > 1e-9 || stocks[1].Amount != 100 {
		t.Errorf("after a year %+v, want %g and 100", stocks, want)
	}
}

// Two pools over the same stocks draw from the same jars.
func TestPoolsShareTheirStocks(t *testing.T) {
	stocks := []Stock{{Amount: 4, Until: 100}, {Amount: 6, Until: 100}}
	all := NewPool(stocks)
	one, both := all.Of(stocks, []int{0}), all.Of(stocks, []int{0, 1})
	if got := one.Draw(3, 5); got != 3 {
		t.Fatal(got)
	}
	if got := both.Draw(100, 5); got != 7 {
		t.Errorf("the other drew %g, want the 7 that are left", got)
	}
}

func TestLotsThatCannotStand(t *testing.T) {
	good := Lot{ID: "l", Food: "carrot", Form: "cellar", Count: 2, Size: 10, Unit: "kg", PutUp: civil.Of(2026, 10, 1)}
	for field, spoil := range map[string]func(*Lot){
		"": func(*Lot) {}, "count": func(l *Lot) { l.Count = 0 }, "size": func(l *Lot) { l.Size = math.NaN() }, "unit": func(l *Lot) { l.Unit = "buckets" },
		"put_up": func(l *Lot) { l.PutUp = 0 }, "until": func(l *Lot) { l.Until = l.PutUp - 1 },
	} {
		l := good
		spoil(&l)
		c := invalid.NewCheck()
		l.Validate(c)
		fs := invalid.All(c.Err())
		if field == "" && fs != nil || field != "" && (len(fs) != 1 || fs[0].Field != field) {
			t.Errorf("%q: %v", field, fs)
		}
	}
	if good.Amount() != 20 {
		t.Error("two sacks of ten are not twenty")
	}
}

// A lot must be of a food of the book, in a form and a unit in which it is kept.
func TestLotsThatTheBookDoesNotAllow(t *testing.T) {
	b := book.Usual()
	for field, lot := range map[string]Lot{
		"food": {Food: "moon cheese"}, "form": {Food: "beet", Form: "fresh"}, "unit": {Food: "tomato", Form: "canned", Unit: "pieces"},
		"preparation": {Food: "beet", Form: "canned", Preparation: "tomato-juice"},
	} {
		lot.Count, lot.Size, lot.PutUp = 1, 1, civil.Of(2026, 9, 1)
		if lot.Unit == "" {
			lot.Unit = "kg"
		}
		check := invalid.NewCheck()
		ValidateLot(check, lot, b)
		if err := check.Err(); !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.Field == field }) {
			t.Errorf("want a mistake at %s of a lot, got %v", field, err)
		}
	}
}
