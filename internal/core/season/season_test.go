package season

import (
	"math"
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

func at(t *testing.T, id, crop string, risk Risk) *Season {
	t.Helper()
	for _, e := range place.Examples() {
		if e.ID == id {
			y := place.Build(e.Place)
			return Of(book.Usual().Crop(crop), y, risk, y.Last)
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
	if s := tomato.Starts[0]; !s.Raised || s.Sow != s.Day-49 || s.Ready != s.Day+76 {
		t.Errorf("tomatoes are raised for 7 weeks and ready 76 days after planting out: %+v", s)
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
	if cold := at(t, "hot-lowland", "spinach", UsualRisk); len(cold.Starts) != 0 || !strings.Contains(cold.Why, "too hot") {
		t.Errorf("spinach in the hot place: %d starts, %q", len(cold.Starts), cold.Why)
	}
}

func TestRiskMovesTheEdges(t *testing.T) {
	for risk, shift := range map[Risk]int{Careful: 7, UsualRisk: 0, Bold: -7} {
		if got := at(t, "river-plain", "bush-bean", risk).Starts[0].Day; got != 7+shift {
			t.Errorf("%s: beans begin on day %d, want %d", risk, got, 7+shift)
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
			s := Of(crop, y, UsualRisk, y.Last)
			if len(s.Starts) == 0 && s.Why == "" {
				t.Errorf("%s %s: no start and no reason", e.ID, crop.ID)
			}
			for _, w := range s.Windows {
				if w.FirstWhy == "" || w.LastWhy == "" {
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
			for d := st.Ready; d < end; d++ {
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
	late := carrot.Lot(true, 2)
	if len(late) != 2 || late[0] >= late[1] {
		t.Fatalf("two late lots: %v", late)
	}
	last := carrot.Starts[len(carrot.Starts)-1]
	if slack := last.Ready - carrot.Starts[late[1]].Ready; slack != 10 {
		t.Errorf("the late lot has %d days in hand, want 10", slack)
	}
	if first := carrot.Lot(false, 1); len(first) != 1 || first[0] != 0 {
		t.Errorf("the early lot: %v", first)
	}
	if many := carrot.Lot(true, 40); len(many) >= 40 {
		t.Errorf("%d lots a fortnight apart fit into one window", len(many))
	}
	if every := carrot.Every(14); carrot.Starts[every[1]].Day != carrot.Starts[every[0]].Day+14 {
		t.Errorf("every fortnight: %v", every)
	}
}
