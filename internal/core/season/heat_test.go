package season

import (
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
)

// Every start of every crop at every place: ready by its heat, within its shares
// of the catalogue's days, with slack that grows with the care of the household.
func TestEveryStartByHeat(t *testing.T) {
	for _, e := range place.Examples() {
		y := place.Build(e.Place)
		for _, crop := range book.Usual().Crops() {
			if crop.Perennial() || crop.Dense != nil {
				continue
			}
			bold, careful := Of(crop, y, Rules{Risk: Bold}, y.Last), Of(crop, y, Rules{Risk: Careful}, y.Last)
			for _, st := range bold.Starts {
				if st.Winters { // the days it waits are not counted
					continue
				}
				indoors, plain := float64(st.Day-st.Sow), float64(st.Plain-st.Day)
				took := float64(st.Ready-st.Day) + indoors
				if least, most := leastShare*(indoors+plain), mostShare*(indoors+plain); took < least-1 || took > most+1 {
					t.Fatalf("%s %s: %g days of %g to %g", e.ID, crop.ID, took, least, most)
				}
				if st.Sure != st.Ready {
					t.Fatalf("%s %s: bold growers plan for no slack: %+v", e.ID, crop.ID, st)
				}
			}
			for _, st := range careful.Starts {
				if st.Sure < st.Ready {
					t.Fatalf("%s %s: %+v", e.ID, crop.ID, st)
				}
			}
			// Ready days follow the days of sowing: who sows later never picks sooner.
			for i := 1; i < len(bold.Starts); i++ {
				a, b := bold.Starts[i-1], bold.Starts[i]
				if b.Day == a.Day+1 && !a.Winters && b.Ready < a.Ready {
					t.Fatalf("%s %s: begun on %d ready on %d, a day later on %d", e.ID, crop.ID, a.Day, a.Ready, b.Ready)
				}
			}
		}
	}
}

// Under a tunnel spring comes sooner and autumn later; the soil warms with it.
func TestACoverMovesTheWindows(t *testing.T) {
	y := place.Build(place.Examples()[0].Place)
	for _, id := range []string{"lettuce-head", "spinach", "bush-bean", "carrot"} {
		crop := book.Usual().Crop(id)
		open, under := Of(crop, y, Rules{Risk: UsualRisk}, y.Last), Of(crop, y.Under(place.Tunnel), Rules{Risk: UsualRisk}, y.Last)
		if under.Fresh().Count() <= open.Fresh().Count() {
			t.Errorf("%s is fresh in %d weeks under a tunnel, in %d in the open", id, under.Fresh().Count(), open.Fresh().Count())
		}
	}
	cold := place.Place{Latitude: 60, FrostFree: true}
	for m := range 12 {
		cold.MeanMax[m], cold.MeanMin[m] = 9, 3
	}
	for _, id := range []string{"tomato-slicing", "melon", "okra"} { // refused, calmly
		if s := Of(book.Usual().Crop(id), place.Build(cold), Rules{Risk: UsualRisk}, 0); len(s.Starts) != 0 || !strings.Contains(s.Why.String(), "colder than") && !strings.Contains(s.Why.String(), "degree-days") {
			t.Errorf("%s where no mean is over 6 °C: %d starts, %q", id, len(s.Starts), s.Why)
		}
	}
}
