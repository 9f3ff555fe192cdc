package season

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

func at(t *testing.T, id, crop string, risk Risk) *Season {
	t.Helper()
	for _, e := range place.Examples() {
		if e.ID == id {
			y := place.Build(e.Place)
			return Of(book.Usual().Crop(crop), y, Rules{Risk: risk}, y.Last)
		}
	}
	t.Fatalf("no place %s", id)
	return nil
}

func TestWindowsByTheFrostRule(t *testing.T) {
	lastFrost := 0 // the table year begins on it
	pea, tomato := at(t, "river-plain", "shelling-pea", UsualRisk), at(t, "river-plain", "tomato-paste", UsualRisk)
	if pea.Windows[0].First.Day != lastFrost-35 || tomato.Windows[0].First.Day != 7 {
		t.Errorf("peas begin on day %d, tomatoes on %d", pea.Windows[0].First.Day, tomato.Windows[0].First.Day)
	}
	if s := tomato.Starts[0]; !s.Raised || s.Sow != s.Day-49 || s.Plain != s.Day+76 || s.Ready <= s.Plain {
		t.Errorf("tomatoes are raised for 7 weeks; planted in a cool May they are ready later than their 76 days: %+v", s)
	}
	for _, crop := range []string{"tomato-paste", "pepper-sweet", "winter-squash", "sweet-corn-late", "bush-bean"} {
		if s := at(t, "river-plain", crop, UsualRisk); len(s.Windows) == 0 {
			t.Errorf("%s has no window: %s", crop, s.Why)
		}
	}
	if spinach := at(t, "river-plain", "spinach", UsualRisk); len(spinach.Windows) != 2 {
		t.Errorf("spinach has %d windows, want two with a summer hole", len(spinach.Windows))
	}
	garlic := at(t, "river-plain", "garlic", UsualRisk).Windows[0]
	if garlic.First.Day > -180 || garlic.First.Ready < 0 || garlic.First.Ready > 100 {
		t.Errorf("garlic is planted in the autumn before and ready in summer: %+v", garlic.First)
	}
	if hot := at(t, "hot-lowland", "lettuce-head", UsualRisk); hot.Fresh().Has(WeekOf(180)) || hot.Fresh().Count() == 0 {
		t.Errorf("in the hot place lettuce moves to winter: %v", hot.Fresh().List())
	}
	if hot := at(t, "hot-lowland", "winter-purslane", UsualRisk); len(hot.Starts) != 0 || !strings.Contains(hot.Why.String(), "days over 20 °C") {
		t.Errorf("winter purslane in the hot place: %d starts, %q", len(hot.Starts), hot.Why)
	}
}

func TestRiskMovesTheEdges(t *testing.T) {
	for risk, shift := range map[Risk]int{Careful: 7, UsualRisk: 0, Bold: -7} {
		if got := at(t, "river-plain", "tomato-paste", risk).Windows[0].First.Day; got != 7+shift {
			t.Errorf("%s: tomatoes go out on day %d, want %d", risk, got, 7+shift)
		}
		// Beans wait for warm soil, whatever the frost does.
		if got := at(t, "river-plain", "bush-bean", risk).Windows[0]; got.First.Day < 7+shift || risk != Careful && !strings.Contains(got.FirstWhy.String(), "soil") {
			t.Errorf("%s: beans begin on day %d: %s", risk, got.First.Day, got.FirstWhy)
		}
		if got := at(t, "river-plain", "shelling-pea", risk).Starts[0].Day; got != -35 {
			t.Errorf("%s: hardy peas begin on day %d, want -35", risk, got)
		}
	}
}

// Every start of every crop at every place keeps what a start promises.
func TestEveryStart(t *testing.T) {
	for _, e := range place.Examples() {
		y := place.Build(e.Place)
		for _, crop := range book.Usual().Crops() {
			s := Of(crop, y, Rules{Risk: UsualRisk}, y.Last)
			if len(s.Starts) == 0 && s.Why.IsZero() {
				t.Errorf("%s %s: no start and no reason", e.ID, crop.ID)
			}
			for _, w := range s.Windows {
				if w.FirstWhy.IsZero() || w.LastWhy.IsZero() {
					t.Errorf("%s %s: an edge without a reason: %+v", e.ID, crop.ID, w)
				}
			}
			for i, st := range s.Starts {
				if st.Ready < 0 || st.Ready >= place.Days || st.End <= st.Ready || st.Sow > st.Day || st.Day > st.Ready && !crop.Perennial() {
					t.Fatalf("%s %s: %+v", e.ID, crop.ID, st)
				}
				var sum float64
				for _, v := range s.ByWeek(st) {
					sum += v
				}
				if whole := s.Share(st, st.Ready, st.End); math.Abs(sum-whole) > 1e-9 || whole > 1+1e-9 || whole <= 0 {
					t.Fatalf("%s %s: weeks sum to %g, the picking to %g", e.ID, crop.ID, sum, whole)
				}
				if crop.Harvest != book.Once && s.Feeds[i] == 0 {
					t.Fatalf("%s %s: %+v feeds no week", e.ID, crop.ID, st)
				}
			}
		}
	}
}

// The quick way of finding what a start feeds must agree with the plain one.
func TestFeedsAgreeWithTheWeeks(t *testing.T) {
	for _, id := range []string{"bush-bean", "spinach", "kale", "broccoli", "cucumber-slicing", "strawberry"} {
		s := at(t, "river-plain", id, UsualRisk)
		for i, st := range s.Starts {
			shares := s.ByWeek(st)
			best := 0.0
			for _, v := range shares {
				best = math.Max(best, v)
			}
			for w, v := range shares {
				if want := v > 0 && v >= best/2-1e-12; s.Feeds[i].Has(w) != want {
					t.Fatalf("%s started on %d: week %d fed %v, want %v", id, st.Day, w, s.Feeds[i].Has(w), want)
				}
			}
		}
	}
}

func TestACropGatheredOnceFeedsTheWeeksItCanBeEaten(t *testing.T) {
	for _, id := range []string{"lettuce-head", "leek", "radish", "parsnip", "garlic"} {
		s := at(t, "river-plain", id, UsualRisk)
		for i, st := range s.Starts {
			end := st.End + int(math.Min(4, s.Crop.KeepDays.Or(0)))
			var want Weeks
			for d := st.Sure; d < end; d++ {
				if day := d % place.Days; day%7 == 3 {
					want = want.With(WeekOf(day))
				}
			}
			if s.Feeds[i] != want {
				t.Fatalf("%s ready on day %d until %d feeds %v, want %v", id, st.Ready, end, s.Feeds[i].List(), want.List())
			}
		}
	}
}

func TestLots(t *testing.T) {
	carrot := at(t, "river-plain", "carrot-storage", UsualRisk)
	late := carrot.Lot(true, 2, nil)
	if len(late) != 2 || late[0] >= late[1] {
		t.Fatalf("two late lots: %v", late)
	}
	// No lot is squeezed against its limit: it is begun on the last day on which it is
	// ready with 15 % more heat, 28 days before the limit.
	g := newGround(carrot.Crop, place.Build(place.Examples()[0].Place), Rules{Risk: UsualRisk}, Direct)
	safe := func(st Start) bool { return g.gathers(st.Day, 1.15*g.need, 2)+28 <= g.limit }
	if st := carrot.Starts[late[1]]; !safe(st) || safe(carrot.Starts[late[1]+1]) || st.Day != 64 {
		t.Errorf("the late lot is begun on day %d, wanted on 64, 1 July", st.Day)
	}
	if first := carrot.Lot(false, 1, nil); len(first) != 1 || first[0] != 0 {
		t.Errorf("the early lot: %v", first)
	}
	if many := carrot.Lot(true, 40, nil); len(many) >= 40 {
		t.Errorf("%d lots a fortnight apart fit into one window", len(many))
	}
	if apart := carrot.Starts[late[1]].Day - carrot.Starts[late[0]].Day; apart != 14 {
		t.Errorf("two late lots are %d days apart, want a fortnight", apart)
	}
	if every := carrot.Every(14); carrot.Starts[every[1]].Day != carrot.Starts[every[0]].Day+14 {
		t.Errorf("every fortnight: %v", every)
	}
}

// flat is a place with one temperature all year and no frost, at the equator's
// long days made longer.
func flat(mean float64) *place.Year {
	p := place.Place{Latitude: 0, FrostFree: true}
	for m := range 12 {
		p.MeanMax[m], p.MeanMin[m] = mean+1e-9, mean-1e-9
	}
	return place.Build(p)
}

// Example H: 840 degree-days are 105 days at 18 °C, 84 at 20; at 26 °C they are
// there after 52.5, held at 56.
func TestReadyByHeat(t *testing.T) {
	crop := *book.Usual().Crop("bush-bean")
	crop.DTM, crop.TBase, crop.TRef, crop.TCap, crop.HeatMax = 70, 10, 22, 30, book.Maybe{}
	crop.SoilMin = book.Maybe{}
	if g := Needs(&crop, 70); g != 840 {
		t.Errorf("it needs %g degree-days", g)
	}
	for mean, want := range map[float64]int{18: 105, 20: 84, 26: 56} {
		s := Of(&crop, flat(mean), Rules{Risk: Bold}, 0)
		if len(s.Starts) == 0 {
			t.Fatalf("no start at %g °C: %s", mean, s.Why)
		}
		for _, st := range s.Starts {
			if got := st.Ready - st.Day; got != want || st.Plain-st.Day != 70 || st.Sure != st.Ready {
				t.Fatalf("%g °C: ready after %d days, want %d: %+v", mean, got, want, st)
			}
		}
	}
	// With slack it is planned for 4 and 10 % more heat, and at 12 °C it never comes.
	for risk, want := range map[Risk]int{UsualRisk: 110, Careful: 116} {
		if st := Of(&crop, flat(18), Rules{Risk: risk}, 0).Starts[0]; st.Ready-st.Day != 105 || st.Sure-st.Day != want {
			t.Errorf("%s: %+v, want the slack at %d days", risk, st, want)
		}
	}
	if s := Of(&crop, flat(13), Rules{Risk: UsualRisk}, 0); len(s.Starts) != 0 || !strings.Contains(s.Why.String(), "840 degree-days") {
		t.Errorf("at 13 °C: %d starts, %q", len(s.Starts), s.Why)
	}
}

// By the demo place: autumn stretches a catalogue's days, June shortens them,
// and a start with too few days left is refused for that.
func TestHeatAgainstTheCatalogue(t *testing.T) {
	on := func(crop, day string) Start {
		s := at(t, "river-plain", crop, UsualRisk)
		d := map[string]int{"5 Aug": 99, "10 Jun": 43}[day]
		for _, st := range s.Starts {
			if st.Day == d {
				return st
			}
		}
		t.Fatalf("%s on %s is not permitted: %+v", crop, day, s.Windows)
		return Start{}
	}
	if st := on("winter-radish", "5 Aug"); st.Ready <= st.Plain {
		t.Errorf("winter radish sown on 5 August is ready on day %d, by its catalogue on %d", st.Ready, st.Plain)
	}
	if s := at(t, "river-plain", "bush-bean", UsualRisk); s.Starts[len(s.Starts)/2].Ready >= s.Starts[len(s.Starts)/2].Plain {
		t.Errorf("beans sown in June are ready no sooner than in the catalogue: %+v", s.Starts[len(s.Starts)/2])
	}
	for _, crop := range []string{"tomato-slicing", "pepper-sweet"} { // still picked in the last week before the frost
		s := at(t, "river-plain", crop, UsualRisk)
		if first := s.Windows[0].First; first.End < 169-7 {
			t.Errorf("%s planted at its first day is picked until day %d; the frost comes on 169", crop, first.End)
		}
	}
	g := newGround(book.Usual().Crop("carrot-storage"), place.Build(place.Examples()[0].Place), Rules{Risk: UsualRisk}, Direct)
	if _, r := g.try(g.limit - 80); r.rule != readyTooLate || !strings.Contains(g.reason(r).String(), "before the cold") {
		t.Errorf("a 90-day carrot 80 days before the limit: %q", g.reason(r).String())
	}
	last := at(t, "river-plain", "carrot-storage", UsualRisk)
	late := last.Starts[last.Lot(true, 1, nil)[0]]
	if late.Ready > g.limit-28 || late.Lift < g.limit || late.Lift > g.limit+14 {
		t.Errorf("storage carrots are ready on day %d and lifted on %d at the latest; growth stops on %d", late.Ready, late.Lift, g.limit)
	}
	garlic := at(t, "river-plain", "garlic", UsualRisk)
	if st := garlic.Starts[len(garlic.Starts)/2]; st.Ready < 50 || st.Ready > 110 {
		t.Errorf("garlic planted in October is ready on day %d, wanted in summer", st.Ready)
	}
}

// Ready ten days before the middle of the first frost, with ten days' spread of the frost and
// none of the heat, a tender crop is in time in 84 of 100 years (one standard deviation); on that
// day in half of them. Where there is no frost, and of what is hardy, nothing is told.
func TestReadyBeforeTheFrost(t *testing.T) {
	tomato, kale := book.Usual().Crop("tomato-paste"), book.Usual().Crop("kale")
	y := place.Build(place.Place{LastFrost: civil.MonthDay{Month: 4, Day: 28}, FirstFrost: civil.MonthDay{Month: 10, Day: 14}, FrostSpread: 10})
	start := y.Last
	first := y.First - y.Last
	for ahead, want := range map[int]float64{10: 0.8413, 0: 0.5, -10: 0.1587, 20: 0.9772} {
		st := Start{Day: first - ahead, Ready: first - ahead, Sure: first - ahead}
		if ahead < 0 { // begun before that frost, and ready after it
			st.Day = first - 30
			if got, _ := BeforeFrost(tomato, y, Bold, start, st); got >= 0.5 {
				t.Errorf("ready %d days after the frost: %g", -ahead, got)
			}
			continue
		}
		got, ends := BeforeFrost(tomato, y, Bold, start, st)
		if !ends || math.Abs(got-want) > 0.001 {
			t.Errorf("ready %d days before: %g, want %g", ahead, got, want)
		}
	}
	// A crop of 100 days has a heat of 8 days' spread: with the frost's ten, 12.8 in all.
	st := Start{Day: first - 110, Ready: first - 10, Sure: first - 10}
	if got, _ := BeforeFrost(tomato, y, Bold, start, st); math.Abs(got-0.7825) > 0.001 {
		t.Errorf("with the heat's spread: %g, want 0.7825", got)
	}
	if _, ends := BeforeFrost(kale, y, UsualRisk, start, st); ends {
		t.Error("the first frost ends kale")
	}
	mild := *y
	mild.FrostFree = true
	if _, ends := BeforeFrost(tomato, &mild, UsualRisk, start, st); ends {
		t.Error("a frost where there is none")
	}
}
