package plan

import (
	"inventory/internal/core/amount"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// tallyOf takes the sums over all wishes. A sowing that serves several wishes is
// counted once.
func tallyOf(b *basis, wishes []Wish, sowings int) (t Tally) {
	t.Sowings = sowings
	fed := b.desk.Recorder.Open("tally", "weeks_fed", "", "Weeks fed, wish by wish")
	plants := b.desk.Recorder.Open("tally", "plants", "", "Plants")
	jars := b.desk.Recorder.Open("tally", "jars", "", "Jars to fill")
	for _, s := range []*working.Sheet{fed, plants, jars} {
		s.Do(working.Start, "No wishes yet", 0, amount.None, working.Reckoned)
	}
	for i := range wishes {
		w := &wishes[i]
		t.WeeksFed += w.WeeksFed
		t.WeeksWanted += w.WeeksWanted
		t.Gaps += w.WeeksWanted - w.WeeksFed - w.WeeksBought
		t.Plants += w.Plants
		figure := "wish/" + w.ID
		if w.WeeksWanted > 0 {
			fed.Do(working.Plus, w.Title, float64(w.WeeksFed), amount.Week, working.Reckoned).Link(figure, "fed")
			if fed.On() {
				fed.Note("of %d wanted", w.WeeksWanted)
			}
		}
		if w.Plants > 0 {
			plants.Do(working.Plus, w.Title, float64(w.Plants), amount.Plant, working.Reckoned).Link(figure, "plants")
		}
		if w.ToFill > 0 {
			t.Jars += w.ToFill
			jars.Do(working.Plus, w.Title, float64(w.ToFill), amount.Jar, working.Reckoned)
		}
	}
	fed.Is("Weeks fed", amount.Week).Close(amount.Week)
	plants.Is("Plants", amount.Plant).Close(amount.Plant)
	jars.Is("Jars to fill", amount.Jar).Close(amount.Jar)
	return t
}

// nearlyFull is by what share of a jar the lots of a wish may miss a whole one: jars that are
// entered by their name hold a little more or less than those of the wish.
const nearlyFull = 0.05

// filled returns how many jars of a wish that counts them were put up from this year's harvest
// and stand on the shelf.
func filled(r *table.Resolved) int {
	if r.Wish.Amount.Kind.Unit() != amount.Jar || len(r.Uses) == 0 {
		return 0
	}
	u := &r.Uses[0]
	if litre := wish.JarLitre(r.Wish, u.Prep); litre > 0 {
		return amount.FloorWhole(u.PutUp/litre + nearlyFull)
	}
	return 0
}

// toFill returns the jars that a wish still fills: those it is counted in, or, where it is
// wished by weight or as meals, those that what is put up comes to, in the
// preparation's usual jar. What is frozen or dried fills none; what is wished in litres
// is counted in litres. What was put up this year already is filled.
// No jar is filled from what no sowing brings in any more.
func (b *basis) toFill(i int, r *table.Resolved, demands []*demand, short lots) (jars int) {
	switch kind := r.Wish.Amount.Kind; {
	case kind.Unit() == amount.Jar:
		if len(r.Uses) > 0 {
			jars = amount.CeilWhole((1-short[lotAt{i, 0}])*reckon.ToFill(r.Wish, r.Uses[0])) - filled(r)
		}
	case kind.Counts(wish.CountsWeight), kind.Counts(wish.CountsMeals):
		for _, d := range demands {
			if p := d.use.Prep; d.wish == i && !d.part && p != nil && p.Unit == "litre" && p.JarLitre > 0 && d.form != wish.Frozen && d.lot.Amount > 0 {
				jars += max(0, amount.CeilWhole(((1-short[lotAt{i, d.of}])*b.desk.Units(d.lot, p)-d.use.PutUp)/p.JarLitre))
			}
		}
	}
	return max(0, jars)
}

// fullestWeek returns the bed area in the week in which the sowings take most of it, m²,
// and that week.
//
// One function, since the area is found and shown by the same rule.
func fullestWeek(b *basis, all []*sown) (most float64, fullest int) {
	var area [season.WeeksPerYear]float64
	takes := func(s *sown, week int) bool { // on the circle of the year, at the week's fourth day
		if s.ground.to-s.ground.from >= place.Days {
			return true
		}
		for d := 7*week + 3 - 2*place.Days; d < 3*place.Days; d += place.Days {
			if s.ground.from <= d && d < s.ground.to {
				return true
			}
		}
		return false
	}
	for _, s := range all {
		if s.Method == season.Tray {
			continue
		}
		for w := range area {
			if takes(s, w) {
				area[w] += s.Area
			}
		}
	}
	for w, a := range area {
		if a > most+1e-9 {
			most, fullest = a, w
		}
	}
	s := b.desk.Recorder.Open("tally", "area", "", "Bed area in the fullest week")
	s.Do(working.Start, "No plants yet", 0, amount.SquareMetre, working.Reckoned)
	if s.On() {
		for _, sw := range all {
			if sw.Method != season.Tray && takes(sw, fullest) && most > 0 {
				from := sw.Date
				if sw.PlantOut != nil {
					from = *sw.PlantOut
				}
				s.Do(working.Plus, sw.CropName+", "+from.Short()+" to "+sw.Clear.Short(), sw.Area, amount.SquareMetre, working.Reckoned).Link("sowing/"+sw.ID, "area")
			}
		}
	}
	s.Is("Taken in the week of "+b.weekStart(fullest).Words(), amount.SquareMetre)
	s.Close(amount.SquareMetre)
	return most, fullest
}
