package plan

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/forecast"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Picked is what came in of a sowing until today.
type Picked struct {
	Kg    float64
	First civil.Date // day of the first picking
	Share float64    // of what is harvested once: how much of the row was lifted
	Last  bool       // the picking is over
}

// ToCome says what is still to come of a planting: by what came in of it until today, or where nothing
// did by the plan. What is harvested once stands until it is lifted, whenever that was due; of the
// rest what was not picked by now is not to come.
func (c *Course) ToCome(p Picked, picked bool, today civil.Date) forecast.Outlook {
	switch {
	case c.Gone:
		return forecast.Outlook{NearlyOver: true, Below: 0.5}
	case picked:
		return c.outlook(p, today)
	}
	out := c.Expected()
	if !c.Once {
		left := 1 - c.Over(int(today-c.First)+1)
		out.Low, out.Likely, out.High = left*out.Low, left*out.Likely, left*out.High
	}
	return out
}

// Due returns which share of a planting was to come in until a day. What is harvested once is due when
// it is lifted: until then it stands, and nothing is missing.
func (c *Course) Due(p Picked, picked bool, day civil.Date) float64 {
	switch {
	case !c.Once:
		return c.Over(int(day-c.First) + 1)
	case c.Gone || p.Last:
		return 1
	case !picked:
		return 0
	case p.Share > 0:
		return math.Min(1, p.Share)
	}
	return math.Min(1, p.Kg/c.Kg)
}

// Expected says what a planting gives in all before anything came in of it.
func (c *Course) Expected() forecast.Outlook {
	variance := forecast.Variance(c.CV)
	out := forecast.ToCome(c.prior(variance), forecast.Picking{Expected: c.Kg, Weeks: float64(c.Days) / 7, Weighed: c.Weighed, Variance: variance})
	out.Likely = c.Kg
	return out
}

// outlook says what is still to come of a planting of which something came in.
func (c *Course) outlook(p Picked, today civil.Date) forecast.Outlook {
	days := int(today-p.First) + 1
	over := c.Over(days)
	if c.Once { // not by its days: by how much of the row was lifted
		over = math.Min(1, p.Share)
	}
	if p.Last {
		over = 1
	}
	if c.Once && over == 0 { // nobody said how much of the row it was: what stands is what was not lifted
		rest := math.Max(0, c.Kg-p.Kg)
		return forecast.Outlook{Low: rest, Likely: rest, High: rest, Below: 0.5}
	}
	variance := forecast.Variance(c.CV)
	return forecast.ToCome(c.prior(variance), forecast.Picking{
		Expected: c.Kg, Picked: p.Kg, Share: over, Weeks: float64(c.Days-days) / 7, Weighed: c.Weighed, Variance: variance,
	})
}

// weighed returns how much of what comes in of a sowing is weighed: as was said of it, else as usually.
func (b *basis) weighed(s *sown) record.Weighed {
	usual := record.MostWeighed
	if l := b.in.Household.Learning; l != nil && l.Weighs != "" {
		usual = l.Weighs
	}
	if s.hand != nil && s.hand.Planting != nil && s.hand.Said != "" {
		return s.hand.Said
	}
	return usual
}

// prior is what is believed of the season's factor of a planting before it is picked: the household's own
// figure is in what is expected of it already, with its doubt; where none was learned, that gardens differ.
func (c *Course) prior(variance float64) forecast.Prior {
	if c.Doubt > 0 {
		return forecast.Prior{Mean: -variance / 2, Variance: variance + c.Doubt*c.Doubt}
	}
	return forecast.Unrecorded(variance)
}

// weekFed is the share of what a week wants from which on the week counts as fed.
const weekFed = 0.75

// byWhatCame returns the weeks of the coming year as what came in until today foretells them, and
// tells wishes how many of their jars can really be filled. What is needed does not change by it.
func (b *basis) byWhatCame(w weeks, wishes []Wish, all [][]served, factors map[*sown]float64) weeks {
	out := w
	for i := range wishes {
		gaps, kept := b.fallShort(w.wishes[i].Coming[:], all[i], factors)
		if len(gaps) > 0 {
			out = out.own([]*demand{all[i][0].part().d})
			for _, week := range gaps {
				out.wishes[i].Coming[week] = wish.Gap
			}
		}
		n, done := wishes[i].ToFill, filled(w.wishes[i])
		if likely := max(0, int(kept*float64(n+done)+1e-9)-done); likely < n && kept < 1 {
			wishes[i].Notes = append(wishes[i].Notes, say.That(say.FillByWhatCame{Jars: n, Likely: likely}))
		}
	}
	return out
}

// factors returns what is to come of every sowing that serves a wish, as a share of what the plan
// expects; nil where nothing was picked.
func (b *basis) factors(all [][]served) map[*sown]float64 {
	if len(b.in.Picked) == 0 {
		return nil
	}
	out := map[*sown]float64{}
	for _, of := range all {
		for _, m := range of {
			if _, seen := out[m.s]; !seen {
				out[m.s] = b.comesTo(m.s)
			}
		}
	}
	return out
}

// kitchenAhead returns the batches to be put up in each week as what came in foretells them.
func (b *basis) kitchenAhead(wishes []Wish, all [][]served, factors map[*sown]float64) []float64 {
	k := newKitchen(b.desk.Rules.Evenings*b.desk.Rules.Batches, wishes)
	var lots []lot
	for _, of := range all {
		ahead := b.standAhead(of, factors)
		for _, m := range of {
			if p := m.part(); !p.d.form.PutUp() || p.d.part {
				continue
			}
			for _, l := range b.lots(m) {
				if f := factors[m.s]; ahead.Has(l.from) && f != 1 {
					l.batches, l.kg = f*l.batches, f*l.kg
				}
				if l.batches > 0 {
					lots = append(lots, l)
				}
			}
		}
	}
	for year := range 2 { // as in the kitchen's own year
		lots = k.putUp(lots, year == 1)
	}
	return k.Batches
}

// comesTo returns what is to come of a sowing as a share of what the plan expects of it from today
// on; 1 where nothing was picked of it.
func (b *basis) comesTo(s *sown) float64 {
	p, picked := b.in.Picked[s.ID]
	if !picked {
		return 1
	}
	c, ok := b.courseOf(s)
	if !ok {
		return 1
	}
	planned := c.Kg * (1 - c.Over(int(b.in.AsOf-c.First)+1))
	if planned < 0.01*c.Kg {
		return 1 // nearly over by the plan too
	}
	return c.ToCome(p, true, b.in.AsOf).Likely / planned
}

// fallShort returns the weeks from today on in which what is fresh does not reach, of those that
// count as fed; and the share of what is put up of a wish that can really be filled.
func (b *basis) fallShort(coming []wish.Form, of []served, factors map[*sown]float64) (gaps []int, kept float64) {
	var wanted, comes [season.WeeksPerYear]float64
	var need, fills float64
	ahead := b.standAhead(of, factors)
	for _, m := range of {
		f, form := m.f(), m.part().d.form
		if f.Part || f.Average <= 0 {
			continue
		}
		if form == wish.Fresh {
			for week, kg := range m.arrives() {
				wanted[week] += kg * f.Need / f.Average
				comes[week] += kg * factors[m.s]
			}
		} else if form.PutUp() {
			need += f.Need
			fills += math.Min(f.Need, f.Average*b.whole(m.s, factors[m.s]))
		}
	}
	for _, week := range ahead.List() {
		if coming[week] == wish.Fresh && wanted[week] > 0 && comes[week] < weekFed*wanted[week] {
			gaps = append(gaps, week)
		}
	}
	if need == 0 {
		return gaps, 1
	}
	return gaps, fills / need
}

// standAhead returns the weeks from today on in which something is picked of what was picked before.
func (b *basis) standAhead(of []served, factors map[*sown]float64) (out season.Weeks) {
	for _, m := range of {
		if m.s.LastPick == nil || m.s.FirstPick == nil || factors[m.s] == 1 {
			continue
		}
		for d := max(b.in.AsOf, *m.s.FirstPick); d <= *m.s.LastPick+6; d += 7 {
			out = out.With(season.WeekOf((b.dayOf(d)%place.Days + place.Days) % place.Days))
		}
	}
	return out
}

// whole returns what a sowing gives in all as a share of what was expected: what came in and what is
// to come.
func (b *basis) whole(s *sown, factor float64) float64 {
	p, picked := b.in.Picked[s.ID]
	c, ok := b.courseOf(s)
	if !picked || !ok || factor == 1 {
		return 1
	}
	return (p.Kg + c.ToCome(p, true, b.in.AsOf).Likely) / c.Kg
}

// gone reports whether nothing more is to come of a sowing.
func (s *sown) gone() bool {
	return s.Over || s.hand != nil && s.hand.Planting != nil && slices.ContainsFunc(s.hand.Planting.Done, func(d record.Done) bool { return d.What == record.Lift && !d.Part })
}

// courseOf returns how the picking of a sowing is expected to go; false where it has none.
func (b *basis) courseOf(s *sown) (Course, bool) {
	crop := b.desk.Book.Crop(s.Crop)
	if s.FirstPick == nil || s.season == nil || len(s.parts) == 0 || crop == nil {
		return Course{}, false
	}
	st := s.parts[0].s.Start
	kg := s.Likely
	if s.Unit == amount.Piece {
		kg *= crop.Piece.Value / 1000
	}
	if kg <= 0 || st.End <= st.Ready {
		return Course{}, false
	}
	return Course{
		Sowing: s.ID, Crop: s.Crop, Kg: kg, CV: crop.YieldCV.Or(usualCV), Doubt: crop.OwnYield.Sd, Weighed: b.weighed(s), First: *s.FirstPick, Days: st.End - st.Ready,
		Once: crop.Harvest == book.Once, Begun: s.Begun, Gone: s.gone(), season: s.season, start: st,
	}, true
}
