package plan

import (
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
)

// apartDays is how many days two kinds of corn must flower apart, and greenDays and
// ripeDays how long before the harvest they flower: eaten green, and ripened on the
// stalk. The book has no flowering dates; these are usual for garden maize.
const apartDays, greenDays, ripeDays = 14, 20, 55

// flowers returns the day on which a start of corn flowers.
func flowers(s *season.Season, st season.Start) int {
	if s.Crop.HoldDays > 20 || s.Crop.Store != book.NoStorage { // ripened on the stalk
		return st.Ready - ripeDays
	}
	return st.Ready - greenDays
}

// floweringApart returns the sowings with the lots of one kind of corn moved to a day on
// which it flowers apart from the other kinds, where its season has one.
//
// One function, since a start is tried against all others.
func floweringApart(b *basis, rows []*row) []*row {
	out := slices.Clone(rows)
	var corn []int
	for i, r := range out {
		if r.crop.WindPollinated() && r.uses[0].d.form != "" {
			corn = append(corn, i)
		}
	}
	clear := func(r *row, st season.Start) bool {
		for _, k := range corn {
			o := out[k]
			if o.crop.ID == r.crop.ID {
				continue
			}
			d := flowers(r.uses[0].d.use.Season, st) - flowers(o.uses[0].d.use.Season, o.uses[0].s.Start)
			if max(d, -d) < apartDays {
				return false
			}
		}
		return true
	}
	for _, k := range corn {
		r := out[k]
		now := r.uses[0].s.Start
		if r.hand != nil || r.key.fresh || b.in.Household.MayCross(r.crop.ID) || clear(r, now) {
			continue
		}
		s := r.uses[0].d.use.Season
		best := -1
		for i, st := range s.Starts {
			if !clear(r, st) || b.today && st.Sow < b.dayOf(b.in.AsOf) {
				continue
			}
			if best < 0 || distance(st.Day, now.Day) < distance(s.Starts[best].Day, now.Day) {
				best = i
			}
		}
		if best >= 0 {
			out[k] = r.movedTo(s, s.Starts[best], say.FlowersApart{Begun: b.date(s.Starts[best].Sow), Instead: b.date(now.Sow)})
		}
	}
	return out
}

// movedTo returns a sowing of a lot on another day of its season, and why it is.
func (r *row) movedTo(s *season.Season, st season.Start, why say.Fact) *row {
	moved := *r
	moved.uses = slices.Clone(r.uses)
	for k := range moved.uses {
		moved.uses[k].s.Start = st
		moved.uses[k].s.Share = s.Share(st, st.Ready, st.End)
	}
	moved.merged = say.That(why)
	return &moved
}

// distance is how far apart two days are.
func distance(a, b int) int { return max(a-b, b-a) }

// crossings says of each sowing of corn, by its place among the sowings, with which other
// kind it flowers, and which day would avoid it.
func crossings(b *basis, sown []*sown) []say.Note {
	out := make([]say.Note, len(sown))
	type flowering struct{ at, day int }
	var corn []flowering
	for i, s := range sown {
		crop := b.desk.Book.Crop(s.Crop)
		if crop.WindPollinated() && s.season != nil && s.FirstPick != nil {
			corn = append(corn, flowering{i, flowers(s.season, season.Start{Ready: b.dayOf(*s.FirstPick)})})
		}
	}
	for _, x := range corn {
		mine := sown[x.at]
		if b.in.Household.MayCross(mine.Crop) {
			continue
		}
		var others []int
		for _, o := range corn {
			if mine.Crop != sown[o.at].Crop {
				others = append(others, o.day)
			}
		}
		for _, o := range corn {
			other := sown[o.at]
			if mine.Crop == other.Crop || distance(x.day, o.day) >= apartDays {
				continue
			}
			said := say.Crosses{Within: distance(x.day, o.day), Other: other.CropName, Sown: other.Date}
			said.Apart, said.Avoids = b.avoids(mine, others)
			out[x.at] = say.That(said)
			break
		}
	}
	return out
}

// avoids returns the day nearest to a sowing's own on which it flowers apart from every
// sowing of another kind, and whether there is one.
func (b *basis) avoids(s *sown, others []int) (found civil.Date, ok bool) {
	for _, st := range s.season.Starts {
		day := b.date(st.Sow)
		near := func(other int) bool { return distance(flowers(s.season, st), other) < apartDays }
		if !slices.ContainsFunc(others, near) && (!ok || max(day-s.Date, s.Date-day) < max(found-s.Date, s.Date-found)) {
			found, ok = day, true
		}
	}
	return found, ok
}
