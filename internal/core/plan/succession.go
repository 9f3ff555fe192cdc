package plan

import (
	"fmt"
	"math"
	"slices"
	"strconv"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// row is a sowing with all that is asked of it, not yet sized.
type row struct {
	key  groupKey
	id   string
	crop *book.Crop
	of   int // sowings of its group, for the fewest plants worth growing
	uses []rowUse

	hand   *table.RecordedSowing
	early  bool
	merged say.Note // which other sowing was sown with it, or why its day was changed
}

// rowUse is a sowing for one demand.
type rowUse struct {
	d *demand
	s sowing.Sowing
}

// succession is the result of staggering: the sowings, the weeks that none of them feeds,
// and what there is to say of them.
type succession struct {
	rows  []*row
	unfed []unfed
	notes notes
	used  map[*record.Planting]bool // recorded sowings that serve a wish
	lots  lots
}

// rowAt is what sowings have alike that become one.
type rowAt struct {
	bed    groupKey
	day    int
	raised bool
	early  bool
	hand   *record.Planting
}

// successions staggers the demands of each group, and joins sowings of one day and bed.
func successions(b *basis, rec recorded, w weeks, demands []*demand) succession {
	groups := map[groupKey][]*demand{}
	var order []groupKey
	for _, d := range demands {
		if groups[d.key] == nil {
			order = append(order, d.key)
		}
		groups[d.key] = append(groups[d.key], d)
	}
	out := succession{used: map[*record.Planting]bool{}, lots: lots{}}
	byDay := map[rowAt]*row{}
	for _, key := range order {
		g := &group{b, w, key, groups[key]}
		rows, gaps := g.stagger(rec.taken, out.lots, &out.notes)
		out.unfed = append(out.unfed, gaps...)
		for _, r := range rows {
			start := r.uses[0].s.Start
			at := rowAt{bed: key.bed(), day: start.Day, raised: start.Raised, early: r.early}
			if r.hand != nil {
				at.hand = r.hand.Planting
				out.used[at.hand] = true
			}
			if same := byDay[at]; same != nil {
				same.uses = append(same.uses, r.uses...)
				same.of = min(same.of, r.of)
				continue
			}
			byDay[at] = r
			out.rows = append(out.rows, r)
		}
	}
	out.unfed = append(out.unfed, out.lots.unfed(demands, &out.notes)...)
	return out
}

// group is the demands that are sown together.
type group struct {
	*basis
	weeks   weeks
	key     groupKey
	demands []*demand
}

// together returns the use that the whole group makes: the weeks and the recorded sowings
// of all its demands.
func (g *group) together() table.Use {
	all := *g.demands[0].use
	all.Weeks = 0
	for _, d := range g.demands {
		all.Weeks |= d.use.Weeks
		for _, h := range d.use.Recorded {
			if slices.Contains(all.Recorded, h) {
				continue
			}
			all.Recorded = append(slices.Clip(all.Recorded), h)
			all.Season = all.Season.With(h.Start)
			if all.Lot != nil && h.Start.End > h.Start.Ready {
				all.Lot = append(slices.Clip(all.Lot), len(all.Season.Starts)-1)
			}
		}
	}
	return all
}

// stagger makes the sowings of a group: the fresh weeks of all its demands are walked
// together. Taken are the names of recorded sowings; what is missing of lots is noted in short.
func (g *group) stagger(taken map[string]bool, short lots, said *notes) (rows []*row, gaps []unfed) {
	first, all := g.demands[0], g.together()
	w := g.weeks.wishes[first.wish].Wish
	without := g.letBe(all)
	all.Weeks &^= without
	sowings := sowing.Plan(all, w.Stagger, sowing.Known{
		Now:    g.dayOf(g.in.AsOf),
		Today:  g.today,
		Bound:  g.bound(all.Season, all.Recorded),
		Begin:  func(like season.Start, day int) season.Start { return g.startLike(first.crop, g.key.cover, like, day) },
		Agreed: g.weeks.resolver.BaselineDays.Days(first.crop.ID, g.key.cover, g.key.fresh),
		Feeds:  func(h *table.RecordedSowing, run []int) int { return g.feedsOf(all.Season, h, run) },
		Gives:  g.givesOf,
		LetBe:  g.wasToGive,
	})
	prefix := fmt.Sprintf("%02d-%s-%s-", g.in.Household.Year%100, w.ID, first.name())
	n := 0
	var fed season.Weeks
	for _, s := range sowings {
		r := &row{key: g.key, crop: first.crop, hand: s.Hand, early: s.Early}
		switch {
		case s.Hand != nil:
			r.id = s.Hand.ID
		case s.Early:
			r.id = prefix + "early"
		case g.named[at(prefix, s.Start)] != "":
			r.id = g.named[at(prefix, s.Start)]
		default:
			for n++; taken[prefix+strconv.Itoa(n)]; n++ {
			}
			r.id = prefix + strconv.Itoa(n)
		}
		if !s.Early {
			fed |= s.Run
		}
		for _, d := range g.demands {
			mine := s
			mine.Run = s.Run & d.use.Weeks
			if mine.Run != 0 || d.form == "" {
				r.uses = append(r.uses, rowUse{d, mine})
			}
		}
		if len(r.uses) == 0 && s.Hand != nil { // it is growing though no week needs it
			r.uses = []rowUse{{first, s}}
		}
		if len(r.uses) > 0 {
			rows = append(rows, r)
		}
	}
	for _, r := range rows {
		r.of = len(rows)
	}
	short.short(g, sowings)
	if g.key.fresh {
		gaps = append(g.gaps(all.Weeks&^fed, all.Season, sowings, said), g.leftWithout(without&^fed, said)...)
	}
	return rows, gaps
}

// namedAt is what a sowing keeps its name by.
type namedAt struct {
	prefix string // of its wish and form
	day    int
	raised bool
}

func at(prefix string, st season.Start) namedAt { return namedAt{prefix, st.Day, st.Raised} }

// startLike returns the start of a crop on a day, by the same method as another start.
func (b *basis) startLike(crop *book.Crop, cover place.Cover, like season.Start, day int) season.Start {
	way := season.UsualMethod
	switch {
	case like.Bought:
		way = season.Bought
	case like.Raised:
		way = season.Indoors
	}
	st, _ := b.begin(crop, place.Air{Cover: cover}, way, day)
	return st
}

// enough is the share of the plants wanted that counts as all of them.
const enough = 0.95

// wants returns the plants that a group would want from a start for a run of weeks.
func (g *group) wants(s *season.Season, st season.Start, run season.Weeks) int {
	var parts []reckon.Part
	share := s.ShareOf(st, run)
	for _, d := range g.demands {
		need := d.lot
		if d.form == wish.Fresh && !d.part {
			if run&d.use.Weeks == 0 {
				continue
			}
			need = g.trying.Harvest("", "need", "", g.weeks.wishes[d.wish], *d.use, run&d.use.Weeks)
		}
		parts = append(parts, reckon.Part{Need: need, Confidence: d.confidence, Share: share, Of: 1})
	}
	if len(parts) == 0 || share <= 0 {
		return 0
	}
	return g.trying.Sow("", g.demands[0].crop, g.key.layout, reckon.Ask{Raised: st.Raised, Bought: st.Bought, Parts: parts, Bearing: 1}).Plants
}

// feedsOf returns how many of the weeks of a run the plants counted for a recorded sowing
// can feed.
func (g *group) feedsOf(s *season.Season, h *table.RecordedSowing, run []int) int {
	for n := len(run); n > 0; n-- {
		var weeks season.Weeks
		for _, w := range run[:n] {
			weeks = weeks.With(w)
		}
		want := float64(g.wants(s, h.Start, weeks))
		if got := float64(h.Plants); got >= enough*want || n == 1 && got >= want/2 { // half of one week's food is eaten too
			return n
		}
	}
	return 0
}

// givesOf returns the share of a group's lots that the plants counted for a recorded
// sowing give.
func (g *group) givesOf(h *table.RecordedSowing, share float64) float64 {
	if share <= 0 {
		return 0
	}
	d := g.demands[0]
	if d.form == "" { // plants that nobody weighs
		w := g.weeks.wishes[d.wish].Wish
		return math.Min(1, float64(h.Plants)/float64(g.trying.Count("", d.crop, w.Layout, reckon.Ask{}, w, 1).Plants))
	}
	want := g.wants(d.use.Season, h.Start, d.use.Weeks)
	if want == 0 {
		return 1
	}
	return math.Min(1, float64(h.Plants)/float64(want))
}
