package ground_test

import (
	"math"
	"slices"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/household"
)

// Each planting that follows another in a bed is in one turn, after what stood there is cleared;
// the soil of a bed that settles is topped up once; what is given at each planting is given at
// each; a yearly dose is in none.
func TestTurnsOfBeds(t *testing.T) {
	in, p, fit, l := mill(t, func(h *household.Household) {
		u := bed.UsualCustoms()
		u.Recipe = []bed.Amendment{{ID: "a", Name: "compost", Amount: 2, Unit: "kg", Per: 1, Of: "m²", Turn: true}, {ID: "b", Name: "lime", Amount: 1, Unit: "kg", Per: 1, Of: "m²"}}
		h.Customs = &u
		for i := range h.Beds {
			h.Beds[i].Soil, h.Beds[i].Settles = 0.3, 0.1
		}
	})
	w, err := ground.BedWorkOf(in.Household, p, fit, l)
	if err != nil {
		t.Fatal(err)
	}
	planted, topped := 0, map[string]float64{}
	for i, turn := range w.Turns {
		if i > 0 && turn.Day < w.Turns[i-1].Day {
			t.Errorf("%v comes after %v", turn.Day, w.Turns[i-1].Day)
		}
		if s := p.Sowing(turn.Sowing); s == nil || s.Clear != turn.Day || turn.Minutes <= 0 || turn.Parts[0].Count <= 0 {
			t.Errorf("%s in %s: %+v", turn.Crop, turn.Name, turn)
		}
		compost, plantings := 0, 0
		for _, part := range turn.Parts {
			if part.Day < turn.Day {
				t.Errorf("%s on %v, before %s is cleared on %v", part.Do, part.Day, turn.Crop, turn.Day)
			}
			switch part.Do {
			case "Sow or plant":
				plantings++
				if part.Crop == "" || part.Count < 1 {
					t.Errorf("nothing is planted: %+v", part)
				}
			case "Give compost":
				compost++
				width := bedOf(fit.Beds, turn.Bed).Width
				if math.Abs(part.Count-2*part.Long*width) > 1e-6 {
					t.Errorf("%g kg over %g m", part.Count, part.Long)
				}
			case "Give lime":
				t.Error("lime is given once a year, in no turn")
			case "Top the soil up":
				if most := part.Long * bedOf(fit.Beds, turn.Bed).Width * 0.3 * 0.1 * 1000; part.Count > most+1e-6 || part.Count <= 0 {
					t.Errorf("%g litres of soil on %g m, wanted at most %g", part.Count, part.Long, most)
				}
				topped[turn.Bed] += part.Count
			}
		}
		if compost != plantings || plantings == 0 {
			t.Errorf("%s in %s: %d plantings, compost %d times", turn.Crop, turn.Name, plantings, compost)
		}
		planted += plantings
	}
	following := 0
	for _, q := range l.Pieces {
		if q.With == "" && slices.ContainsFunc(l.Pieces, func(o ground.Piece) bool {
			return o.Bed == q.Bed && o.To <= q.From && o.At < q.At+q.Length-1e-6 && q.At < o.At+o.Length-1e-6
		}) {
			following++
		}
	}
	if planted != following || following < 10 {
		t.Errorf("%d plantings are in turns, %d follow another", planted, following)
	}
	for id, litres := range topped { // no stretch twice
		if b := bedOf(fit.Beds, id); litres > b.Area()*0.3*0.1*1000+1e-6 {
			t.Errorf("%s is topped up with %g litres", b.Name, litres)
		}
	}
	if len(topped) == 0 {
		t.Error("no bed is topped up")
	}
}

func bedOf(beds []bed.Bed, id string) bed.Bed {
	return beds[slices.IndexFunc(beds, func(b bed.Bed) bool { return b.ID == id })]
}

// The water of the beds together is the water of the garden, in every week.
func TestWaterOfBedsIsThatOfTheGarden(t *testing.T) {
	in, p, fit, l := mill(t, func(h *household.Household) { h.Weather = nil })
	w, err := ground.BedWorkOf(in.Household, p, fit, l)
	if err != nil || len(w.Water) != len(fit.Beds) {
		t.Fatal(err, len(w.Water))
	}
	weeks := make([]civil.Date, len(w.Water[0].Weeks))
	for k, week := range w.Water[0].Weeks {
		weeks[k] = week.Day
		if week.Day.Midnight().Weekday() != 1 || week.Day > p.AsOf+7*civil.Date(k) || week.Day+7 <= p.AsOf {
			t.Errorf("week %d begins on %v, today is %v", k, week.Day, p.AsOf)
		}
	}
	p.Weeks = weeks
	whole := ground.NeedsOf(in.Household, p, fit, l).Water
	for k := range weeks {
		sum := 0.0
		for _, b := range w.Water {
			sum += b.Weeks[k].Litres
			if b.Weeks[k].Litres > 0 && b.Weeks[k].Minutes <= 0 {
				t.Errorf("%s: %g litres in no time", b.Name, b.Weeks[k].Litres)
			}
		}
		if math.Abs(sum-whole[k].Give) > 1e-6 {
			t.Errorf("week of %v: %g litres by bed, %g in all", weeks[k], sum, whole[k].Give)
		}
	}
}
