package plan

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// wishFigures records the sums of a wish, that of what an average year leaves over among them.
func (b *basis) wishFigures(out *Wish, mine []served) {
	base := "wish/" + out.ID
	total := func(name, title string, unit amount.Unit, value func(served) float64, whole func(*sown) float64, part string) {
		s := b.desk.Recorder.Open(base, name, out.Title, title)
		if !s.On() {
			return
		}
		s.Do(working.Start, "Nothing sown yet", 0, unit, working.Reckoned)
		for _, m := range mine {
			v := value(m)
			if v <= 0 {
				continue
			}
			s.Do(working.Plus, m.s.CropName+", "+m.s.Date.Words(), v, unit, working.Reckoned).Link("sowing/"+m.s.ID, part)
			if all := whole(m.s); math.Abs(all-v) > 1e-9*math.Max(1, all) {
				s.Note("its share of a sowing that serves several wishes, %s in all", amount.Mark(all, unit))
			}
		}
		s.Is("Together", unit).Close(unit)
	}
	total("plants", "plants", amount.Plant, func(m served) float64 { return float64(m.f().Plants) }, func(s *sown) float64 { return float64(s.Plants) }, "plants")
	total("area", "bed area of all its sowings", amount.SquareMetre, func(m served) float64 {
		if m.s.Method == season.Tray {
			return 0
		}
		return m.f().Area
	}, func(s *sown) float64 { return s.Area }, "area")
	total("harvested", "harvest needed", out.HarvestUnit, func(m served) float64 {
		if m.f().Part {
			return 0
		}
		return m.f().Need
	}, func(s *sown) float64 { return s.Need }, "need")
	s := b.desk.Recorder.Open(base, "left_over", out.Title, "left over in an average year")
	s.Do(working.Start, "An average year gives", out.Average, out.HarvestUnit, working.Reckoned).Link(base, "average")
	s.Do(working.Minus, "Harvest needed", out.Harvested, out.HarvestUnit, working.Reckoned).Link(base, "harvested")
	out.LeftOver = s.Is("Left over in an average year", out.HarvestUnit).Close(out.HarvestUnit)
	if math.Abs(out.LeftOver) < 1e-9 {
		out.LeftOver = 0
	}
	b.average(out)
	b.freshSums(out, mine)
	s = b.desk.Recorder.Open(base, "fed", out.Title, "weeks fed")
	s.Do(working.Start, "Weeks it is wanted", float64(out.WeeksWanted), amount.Week, working.Household)
	if out.WeeksBought > 0 {
		s.Do(working.Minus, "Weeks you buy for", float64(out.WeeksBought), amount.Week, working.Household)
	}
	s.Do(working.Minus, "Gap weeks", float64(out.WeeksWanted-out.WeeksFed-out.WeeksBought), amount.Week, working.Reckoned)
	s.Is("Weeks fed", amount.Week).Close(amount.Week)
}

// average records what an average year gives, use by use.
func (b *basis) average(out *Wish) {
	s := b.desk.Recorder.Open("wish/"+out.ID, "average", out.Title, "an average year")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing picked yet", 0, out.HarvestUnit, working.Reckoned)
	for _, u := range out.Uses {
		if !u.Part {
			s.Do(working.Plus, u.CropName+", "+u.Form, u.Average, u.Unit, working.Reckoned).Note("plants × yield × (1 − chance that it is lost), over its sowings")
		}
	}
	s.Is("Together", out.HarvestUnit).Close(out.HarvestUnit)
}

// freshSums records what is brought in fresh, a sum over sowings.
func (b *basis) freshSums(out *Wish, all []served) {
	for _, u := range out.Uses {
		if u.Form != string(wish.Fresh) || u.Part {
			continue
		}
		s := b.desk.Recorder.Open(u.Figure, "harvested", out.Title, "harvest needed, fresh")
		if !s.On() {
			continue
		}
		s.Do(working.Start, "Nothing yet", 0, out.HarvestUnit, working.Reckoned)
		for _, m := range all {
			if m.f().Form == u.Form && !m.f().Part {
				s.Do(working.Plus, "Sowing of "+m.s.Date.Words(), m.f().Need, out.HarvestUnit, working.Reckoned).Link(m.part().figure, "need")
			}
		}
		s.Is("Harvest needed", out.HarvestUnit).Close(out.HarvestUnit)
	}
}

// smallBatches says of which uses the best days of picking do not fill one batch.
func smallBatches(demands []*demand, wishes []Wish) (said notes) {
	for _, d := range demands {
		smallBatch(d, d.in(wishes), &said)
	}
	return said
}

// smallBatch says so where the best days of picking do not fill one batch.
func smallBatch(d *demand, res *Use, said *notes) {
	u := d.use
	if u.Prep == nil || d.part || len(u.Lot) == 0 || res.Average <= 0 || u.Crop.Harvest == book.Once || !canner(u.Prep) {
		return
	}
	batch := u.Prep.BatchUnits * u.Prep.Raw
	keep := max(1, int(u.Crop.KeepDays.Or(1)))
	st := u.Season.Starts[u.Lot[0]]
	best := 0.0
	for d := st.Ready; d < st.End; d++ {
		best = math.Max(best, u.Season.Share(st, d, d+keep))
	}
	share := u.Season.Share(st, st.Ready, st.End)
	gathered := best / share * res.Average / float64(len(u.Lot))
	if gathered < batch && gathered > 0 {
		plants := amount.CeilWhole(float64(res.Plants) * batch / gathered)
		said.add(d.wish, say.BatchNotFilled{Batch: batch, Days: keep, Gathered: gathered, Plants: plants})
	}
}

// canner reports whether a preparation comes in loads: half a load costs a whole
// evening. A dryer or a freezer takes what there is.
func canner(p *book.Preparation) bool {
	return p.Method == "boiling-water" || p.Method == "pressure-canner"
}

// youngPatches returns the demands that the coming year of a young patch does not feed: it
// does not yet bear half of what is asked of it. In a typical year it feeds its weeks.
func youngPatches(demands []*demand, wishes []Wish) (out []*demand) {
	for _, d := range demands {
		u := d.in(wishes)
		if d.form == wish.Fresh && d.crop.Perennial() && u.Harvested > 0 && u.Average < u.Harvested/2 {
			out = append(out, d)
		}
	}
	return out
}
