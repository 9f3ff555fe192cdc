package plan

import (
	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// recorded are the recorded sowings from which this table year is harvested, in the
// household's order, and the names that they take.
type recorded struct {
	byCrop   map[string][]*table.RecordedSowing
	taken    map[string]bool
	leftover []*table.RecordedSowing // harvested before this table year, and standing still: they take bed space
}

// recordedSowings collects the sowings harvested in this table year: those that mature in
// it and those already growing on its first day.
func recordedSowings(b *basis) recorded {
	out := recorded{byCrop: map[string][]*table.RecordedSowing{}, taken: map[string]bool{}}
	for i := range b.in.Household.Plantings {
		p := &b.in.Household.Plantings[i]
		crop := b.desk.Book.Crop(p.Crop)
		if crop == nil {
			continue
		}
		h := b.recordedSowing(p, crop)
		st := &h.Start
		if st.Ready >= place.Days || st.Ready < 0 && st.End <= 0 { // it is of another year
			if st.End = standsUntil(h, crop); b.standsStill(h) {
				out.leftover = append(out.leftover, h)
				out.taken[p.ID] = true
			}
			continue
		}
		if st.Ready < 0 { // it was growing when the year began: what is left of it counts
			st.Ready, st.Sure = 0, 0
		}
		out.taken[p.ID] = true
		out.byCrop[p.Crop] = append(out.byCrop[p.Crop], h)
	}
	return out
}

// standsUntil returns the day after the last on which a recorded sowing stands: what was sown
// only to be kept is lifted when it is ready, or later where it stands well.
func standsUntil(h *table.RecordedSowing, crop *book.Crop) int {
	kept := len(h.For) > 0 && crop.Harvest == book.Once && crop.Store != book.GroundStorage
	for _, p := range h.For {
		kept = kept && p.Form != wish.Fresh && p.Form != ""
	}
	if kept {
		return min(h.Start.End, max(h.Start.Ready, h.Start.Lift)+1)
	}
	return h.Start.End
}

// leapSlack is by how many days the end of a sowing may fall elsewhere when it is reckoned from
// the next year's start: seasons have no 29 February, and a day earlier in a cool autumn is up
// to three days of standing.
const leapSlack = 4

// standsStill reports whether what is harvested before this table year is in a bed today: it
// is picked still, or waits to be cleared.
func (b *basis) standsStill(h *table.RecordedSowing) bool {
	today := b.dayOf(b.in.AsOf)
	return h.Start.Ready < 0 && today < h.Start.End+int(b.desk.Rules.ClearDays)+leapSlack && h.InBed(h.Start.Raised && !h.Start.Bought, b.in.AsOf)
}

// recordedSowing returns a sowing with its start, harvest and end, computed from its
// recorded dates and delay.
func (b *basis) recordedSowing(p *record.Planting, crop *book.Crop) *table.RecordedSowing {
	h := &table.RecordedSowing{Planting: p, Air: b.in.Household.AirOver(b.year, p.ID)}
	if p.Cover != place.NoCover { // its own goes before that of the bed
		h.Air.Cover = p.Cover
	}
	h.Start, h.Why = b.begin(crop, h.Air, p.Method, b.dayOf(p.Day))
	st := &h.Start
	if p.Sown != nil {
		st.Sow = b.dayOf(*p.Sown)
	}
	st.Ready, st.Sure = st.Ready+p.Behind, st.Sure+p.Behind
	if full := st.End + p.Behind; p.Behind < 0 || full > st.Ready && b.survives(crop, full) {
		st.End = full
	}
	st.End = max(st.End, st.Ready)
	if p.Ended != nil {
		st.End = max(st.Ready, min(st.End, b.dayOf(*p.Ended)))
		if p.Lost && *p.Ended <= b.date(st.Ready) {
			st.End = st.Ready
		}
	}
	return h
}

// survives reports whether a crop may still be picked until a day: no frost that would
// kill it comes before.
func (b *basis) survives(crop *book.Crop, until int) bool {
	if b.year.FrostFree || crop.Frost == book.Hardy {
		return true
	}
	first := ((b.year.First-b.start.YearDay())%place.Days + place.Days) % place.Days
	if until <= 0 { // of the year before
		first -= place.Days
	}
	return until <= first
}

// bound returns the weeks that sown or skipped plantings were planned to feed. Only
// sowings that can still be made may feed them now: nothing is sown on a past date.
func (b *basis) bound(s *season.Season, hands []*table.RecordedSowing) (weeks season.Weeks) {
	for _, h := range hands {
		if h.Planned == nil || !h.Begun() && !h.Lost {
			continue
		}
		indoors := h.Start.Day - h.Start.Sow
		if h.Sown != nil { // the planned days indoors, whatever they became
			indoors = int(h.Day - *h.Sown)
		}
		st, _ := b.begin(s.Crop, place.Air{Cover: h.Cover, Warmer: h.Air.Warmer}, h.Method, b.dayOf(*h.Planned)+indoors)
		if st.Ready >= 0 && st.Ready < place.Days {
			weeks |= s.FedBy(st)
		}
	}
	return weeks
}

// of returns what follows from a recorded sowing of this table year.
func (r recorded) find(p *record.Planting) *table.RecordedSowing {
	for _, h := range r.byCrop[p.Crop] {
		if h.Planting == p {
			return h
		}
	}
	return nil
}
