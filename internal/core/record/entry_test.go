package record

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/stock"
)

func day(n int) civil.Date { return civil.Of(2027, 7, 1) + civil.Date(n) }

// came and went make entries of snap beans, numbered by their place.
func came(n, gram int) *Entry {
	return &Entry{ID: fmt.Sprintf("c%d-%d", n, gram), Day: day(n), Act: Harvest, Food: "snap bean", Gram: gram}
}

func went(n, gram int, to To) *Entry {
	return &Entry{ID: fmt.Sprintf("u%d-%s", n, to), Day: day(n), Act: Use, Food: "snap bean", Gram: gram, To: to}
}

// Example BI of the worked examples: keep_days 7.
func TestBalanceByHand(t *testing.T) {
	bought := came(6, 2000)
	bought.Act = Bought
	put := went(5, 7000, "")
	put.Act = PutUp
	r := Of([]*Entry{came(1, 4000), came(4, 6500), bought, went(1, 1000, Table), put, went(5, 1500, Given), went(6, 300, Compost)})
	l, err := r.LedgerOf("snap bean", 7)
	if err != nil {
		t.Fatal(err)
	}
	all := l.Over(day(1), day(6))
	if all.CameIn != 12500 || all.Went[Table] != 1000 || all.Went[Jars] != 7000 || all.Went[Given] != 1500 || all.Went[Compost] != 300 || all.NotSaid != 2700 {
		t.Errorf("%+v", all)
	}
	if gram, oldest := l.Waiting(day(2)); gram != 2700 || oldest != day(4) {
		t.Errorf("%d g wait since %s", gram, oldest)
	}
	if gram, _ := l.Waiting(day(5)); gram != 2000 {
		t.Errorf("%d g wait of what came in since day 5", gram)
	}
	if l.LeftOf("c4-6500") != 700 || l.LeftOf("c1-4000") != 0 || l.LeftOf("nothing") != 0 {
		t.Errorf("%d g are left of day 4, want 700", l.LeftOf("c4-6500"))
	}
	for on, want := range map[int]int{1: 0, 4: 700, 6: 2000} {
		if got := l.Over(day(on), day(on)).NotSaid; got != want {
			t.Errorf("of day %d %d g are not said, want %d", on, got, want)
		}
	}
	if _, err := r.With(went(6, 2701, Lost)).LedgerOf("snap bean", 7); err == nil {
		t.Error("2701 g more are not refused")
	} else if much := new(TooMuch); !errors.As(err, &much) || much.There != 2700 {
		t.Errorf("refused for %v", err)
	}
	if _, err := r.With(went(6, 2700, Lost)).LedgerOf("snap bean", 7); err != nil {
		t.Errorf("2700 g more: %v", err)
	}

	// Of what is older than keep_days, the newest is taken first.
	l, err = Of([]*Entry{came(1, 4000), came(3, 500), went(9, 600, Table)}).LedgerOf("snap bean", 7)
	if err != nil || l.Over(day(3), day(3)).Went[Table] != 500 || l.Over(day(1), day(1)).Went[Table] != 100 {
		t.Errorf("%+v %+v %v", l.Over(day(3), day(3)), l.Over(day(1), day(1)), err)
	}
	if _, err := Of([]*Entry{came(5, 1000), went(4, 10, Table)}).LedgerOf("snap bean", 7); err == nil {
		t.Error("what came in tomorrow is used today")
	}
}

// A use that names its kind is of that kind, as far as it goes; of the others after it.
func TestAUseIsOfItsKind(t *testing.T) {
	of := func(e *Entry, crop string) *Entry {
		e.Crop = crop
		return e
	}
	pole, bush := of(came(1, 3000), "pole-bean"), of(came(2, 1000), "bush-bean")
	left := func(e *Entry) (int, int) {
		t.Helper()
		l, err := Of([]*Entry{pole, bush, e}).LedgerOf("snap bean", 7)
		if err != nil {
			t.Fatal(err)
		}
		return l.LeftOf(pole.ID), l.LeftOf(bush.ID)
	}
	for _, c := range []struct {
		crop       string
		gram       int
		pole, bush int
	}{{"", 500, 2500, 1000}, {"bush-bean", 500, 3000, 500}, {"bush-bean", 1400, 2600, 0}, {"pole-bean", 3500, 0, 500}} {
		if p, b := left(of(went(3, c.gram, Given), c.crop)); p != c.pole || b != c.bush {
			t.Errorf("%d g of %q given: %d and %d left, want %d and %d", c.gram, c.crop, p, b, c.pole, c.bush)
		}
	}
}

// Whatever is entered, no gram appears or vanishes, no use exceeds what there is, and the order
// of entry does not matter.
func TestNoGramAppearsOrVanishes(t *testing.T) {
	for seed := range uint64(300) {
		rng := rand.New(rand.NewPCG(seed, 1))
		r := Of(nil)
		var in, out int
		for i := range 60 {
			e := came(rng.IntN(40), 1+rng.IntN(3000))
			e.ID = fmt.Sprint("e", i)
			if rng.IntN(2) == 0 {
				e.Act, e.To = Use, Places()[rng.IntN(len(Places()))]
			}
			with := r.With(e)
			if _, err := with.LedgerOf("snap bean", 7); err != nil {
				continue // refused
			}
			r = with
			if e.ComesIn() {
				in += e.Gram
			} else {
				out += e.Gram
			}
		}
		keep := rng.IntN(20)
		l, err := r.LedgerOf("snap bean", keep)
		if err != nil {
			t.Fatal(err)
		}
		check := func(b Balance) (went int) {
			for _, n := range b.Went {
				if n < 0 {
					t.Fatalf("%+v", b)
				}
				went += n
			}
			if b.CameIn != went+b.NotSaid || b.NotSaid < 0 {
				t.Fatalf("seed %d: %d g came in, %d went, %d are not said", seed, b.CameIn, went, b.NotSaid)
			}
			return went
		}
		if whole := l.Over(day(0), day(40)); whole.CameIn != in || check(whole) != out {
			t.Fatalf("seed %d: %d g in and %d out, want %d and %d", seed, whole.CameIn, check(whole), in, out)
		}
		sum := 0
		for n := range 41 {
			check(l.Over(day(n), day(n)))
			sum += l.Over(day(n), day(n)).CameIn
		}
		if sum != in {
			t.Fatalf("seed %d: by days %d g, want %d", seed, sum, in)
		}
		shuffled := append([]*Entry{}, r.Entries()...)
		rng.Shuffle(len(shuffled), func(i, j int) { shuffled[i], shuffled[j] = shuffled[j], shuffled[i] })
		other, err := Of(shuffled).LedgerOf("snap bean", keep)
		if a, b := fmt.Sprint(l.Over(day(3), day(20))), fmt.Sprint(other.Over(day(3), day(20))); err != nil || a != b {
			t.Fatalf("seed %d: %s, in another order %s", seed, a, b)
		}
	}
}

// What was put in a lot is what went, what a count found missing and what is there.
func TestTheBalanceOfALot(t *testing.T) {
	jars := stock.Lot{ID: "j", Count: 12, Size: 0.9464, Unit: "L"}
	sack := stock.Lot{ID: "s", Count: 2, Size: 10, Unit: "kg"}
	draw := func(id string, n int, lot string, jars float64, gram int, to To) *Entry {
		return &Entry{ID: id, Day: day(n), Act: Draw, Lot: lot, Jars: jars, Gram: gram, To: to}
	}
	r := Of([]*Entry{
		draw("a", 1, "j", 1, 0, Table), draw("b", 3, "j", 2, 0, Lost), {ID: "c", Day: day(5), Act: Count, Lot: "j", Jars: 8}, draw("d", 6, "j", 3, 0, Given),
		draw("e", 2, "s", 0, 2500, Table), {ID: "f", Day: day(9), Act: Count, Lot: "s", Gram: 18000}, draw("g", 10, "s", 1, 0, Animals),
	})
	check := func(l stock.Lot, b LotBalance, there, unrecorded int) {
		t.Helper()
		sum := b.Unrecorded + b.There
		for _, n := range b.Went {
			sum += n
		}
		if sum != b.PutIn || b.There != there || b.Unrecorded != unrecorded {
			t.Errorf("%s: %+v, want %d there and %d unrecorded", l.ID, b, there, unrecorded)
		}
	}
	b, err := r.BalanceOf(jars, day(20))
	check(jars, b, 5000, 1000)
	if err != nil || b.Counted != day(5) {
		t.Errorf("%+v %v", b, err)
	}
	b, err = r.BalanceOf(sack, day(20))
	check(sack, b, 8000, -500) // half a kilogram more was there than the entries say
	if err != nil {
		t.Error(err)
	}
	if b, _ = r.BalanceOf(jars, day(2)); b.There != 11000 {
		t.Errorf("on the second day %d", b.There)
	}
	var not *NotThere
	if _, err := r.With(draw("h", 7, "j", 6, 0, Table)).BalanceOf(jars, day(20)); !errors.As(err, &not) || not.There != 5000 {
		t.Errorf("six of five: %v", err)
	}
	if in := r.PutIn([]stock.Lot{jars, sack}, day(20)); len(in) != 2 || in[0].Count != 10 || in[1].Amount() != 20 {
		t.Errorf("put in, less two jars that spoiled: %+v", in)
	}
	if in := Of(nil).PutIn([]stock.Lot{jars}, day(20)); in != nil {
		t.Errorf("nothing was taken: %+v", in)
	}
	standing := r.With(draw("h", 7, "j", 5, 0, Table)).Standing([]stock.Lot{jars, sack, {ID: "n", Count: 1, Size: 1, Unit: "L"}}, day(20))
	if len(standing) != 2 || standing[0].ID != "s" || standing[0].Amount() != 8 || standing[1].Count != 1 {
		t.Errorf("%+v", standing)
	}
}

// With puts an entry in the place of the one that it corrects, and Without is its inverse.
func TestARecordIsNeverChanged(t *testing.T) {
	r := Of([]*Entry{came(3, 30), came(1, 10)})
	with := r.With(came(2, 20))
	if len(r.Entries()) != 2 || len(with.Entries()) != 3 || with.Entries()[1].Gram != 20 {
		t.Fatalf("%d and %d entries", len(r.Entries()), len(with.Entries()))
	}
	later := *came(1, 10)
	later.Day = day(9)
	if moved := with.With(&later); len(moved.Entries()) != 3 || moved.Entries()[2].ID != later.ID || moved.Find(later.ID).Day != day(9) {
		t.Errorf("%+v", moved.Entries())
	}
	if back := with.Without("c2-20"); len(back.Entries()) != 2 || back.Find("c2-20") != nil {
		t.Error("it is still there")
	}
	if some := with.Span(day(2), day(3)); len(some) != 2 || some[0].Gram != 20 {
		t.Errorf("%+v", some)
	}
	if none := with.Span(day(4), day(2)); len(none) != 0 {
		t.Errorf("%+v", none)
	}
	var empty *Record
	if len(empty.Entries()) != 0 || empty.Find("a") != nil || len(empty.With(came(1, 1)).Entries()) != 1 {
		t.Error("nothing recorded is not an empty record")
	}
}

// What cannot stand is refused at its field.
func TestEntriesThatCannotStand(t *testing.T) {
	good := func() *Entry { return came(1, 1000) }
	filled := func(e *Entry) {
		e.Act, e.Preparation, e.Jars, e.Litre = PutUp, "green-bean-canned", 7, 0.9464
	}
	for _, c := range []struct {
		field  string
		change func(*Entry)
	}{
		{"", func(*Entry) {}}, {"", filled}, {"", func(e *Entry) { filled(e); e.Failed = 7 }},
		{"", func(e *Entry) { e.Gram = MostGram }}, {"gram", func(e *Entry) { e.Gram = MostGram + 1 }},
		{"gram", func(e *Entry) { e.Gram = -5 }}, {"gram", func(e *Entry) { e.Gram = 0 }},
		{"food", func(e *Entry) { e.Food = "moon cheese" }}, {"crop", func(e *Entry) { e.Crop = "carrot" }},
		{"act", func(e *Entry) { e.Act = "sold" }}, {"day", func(e *Entry) { e.Day = 0 }},
		{"to", func(e *Entry) { e.Act, e.To = Use, "away" }}, {"to", func(e *Entry) { e.Act, e.To, e.Lot, e.Jars = Draw, Compost, "l", 1 }},
		{"lot", func(e *Entry) { e.Act, e.Jars = Count, 1 }}, {"jars", func(e *Entry) { e.Act, e.Lot, e.Gram, e.To = Draw, "l", 0, Table }},
		{"note", func(e *Entry) { e.Act = Note }}, {"", func(e *Entry) { e.Act, e.Note = Note, "aphids" }},
		{"note", func(e *Entry) { e.Note = strings.Repeat("x", 2001) }}, {"reason", func(e *Entry) { e.Reason = strings.Repeat("x", 61) }},
		{"failed", func(e *Entry) { filled(e); e.Failed = 8 }}, {"jars", func(e *Entry) { filled(e); e.Jars = 0 }},
		{"preparation", func(e *Entry) { filled(e); e.Preparation = "moon jam" }}, {"litre", func(e *Entry) { filled(e); e.Litre = 0 }},
		{"share", func(e *Entry) { e.Share = 1.5 }}, {"hours", func(e *Entry) { e.Hours = 49 }},
	} {
		e := good()
		c.change(e)
		check := invalid.NewCheck()
		e.Validate(check, book.Usual())
		all := invalid.All(check.Err())
		if c.field == "" && all != nil || c.field != "" && (len(all) == 0 || all[0].Field != c.field) {
			t.Errorf("%q: %+v: %v", c.field, *e, check.Err())
		}
	}
}
