package plan

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// hands finds the plantings that this table year's harvests come from: those
// ready within it, and those that stand when it begins.
func (c *computation) hands() {
	c.taken = map[string]bool{}
	c.resolver.Hands = map[string][]*table.Hand{}
	for i := range c.in.Household.Plantings {
		p := &c.in.Household.Plantings[i]
		crop := c.desk.Book.Crop(p.Crop)
		if crop == nil {
			continue
		}
		h := c.hand(p, crop)
		st := &h.Start
		if st.Ready >= place.Days || st.Ready < 0 && st.End <= 0 {
			continue // it is of another year
		}
		if st.Ready < 0 { // it stood when the year began: what is left of it counts
			st.Ready, st.Sure = 0, 0
		}
		c.taken[p.ID] = true
		c.resolver.Hands[p.Crop] = append(c.resolver.Hands[p.Crop], h)
	}
}

// hand lets follow what follows from a planting, as it was really seen.
func (c *computation) hand(p *record.Planting, crop *book.Crop) *table.Hand {
	rules := c.in.Household.Rules(crop.ID)
	if p.Way != season.UsualWay {
		rules.Way = p.Way
	}
	h := &table.Hand{Planting: p, Under: p.Cover}
	if h.Under == place.NoCover {
		h.Under = c.in.Household.CoverOver(p.ID)
	}
	h.Start, h.Why = c.in.Memory.begin(c.of, c.been, seasonKey{crop, h.Under, rules}, int(p.Day-c.start))
	st := &h.Start
	if p.Sown != nil {
		st.Sow = int(*p.Sown - c.start)
	}
	st.Ready, st.Sure = st.Ready+p.Behind, st.Sure+p.Behind
	if full := st.End + p.Behind; p.Behind < 0 || full > st.Ready && c.open(crop, full) {
		st.End = full
	}
	st.End = max(st.End, st.Ready)
	if p.Ended != nil {
		st.End = max(st.Ready, min(st.End, int(*p.Ended-c.start)))
		if p.Lost && *p.Ended <= c.start+dateOf(st.Ready) {
			st.End = st.Ready
		}
	}
	return h
}

// open tells whether a crop that is late may still be picked until a day: no
// frost that would kill it comes before.
func (c *computation) open(crop *book.Crop, until int) bool {
	if c.year.FrostFree || crop.Frost == book.Hardy {
		return true
	}
	first := ((c.year.First-c.start.YearDay())%place.Days + place.Days) % place.Days
	return until <= first
}

// byHand says of a sowing what was said and seen of it.
func (c *computation) byHand(sw *Sowing, h *table.Hand) {
	sw.Set, sw.SetWhy, sw.Begun, sw.Behind = true, h.Why, h.Begun(), h.Behind
	sw.Late = sw.Late && !sw.Begun && !h.Lost
	if h.Out != nil {
		sw.PlantOut = h.Out
	}
	if h.Ended == nil {
		return
	}
	sw.Over = *h.Ended <= c.in.AsOf
	sw.Clear = min(sw.Clear, *h.Ended+dateOf(int(c.desk.Rules.ClearDays)))
	sw.ground.to = min(sw.ground.to, int(sw.Clear-c.start))
	if sw.FirstPick != nil && *sw.FirstPick >= *h.Ended {
		sw.FirstPick, sw.LastPick, sw.PlainPick, sw.SurePick = nil, nil, nil, nil
	}
}

// handsOf puts the plantings of one use among those of its whole group.
func (c *computation) handsOf(all *table.Use, u *table.Use) {
	for _, h := range u.Hands {
		if slices.Contains(all.Hands, h) {
			continue
		}
		all.Hands = append(slices.Clip(all.Hands), h)
		all.Season = all.Season.With(h.Start)
		if all.Lot != nil && h.Start.End > h.Start.Ready {
			all.Lot = append(slices.Clip(all.Lot), len(all.Season.Starts)-1)
		}
	}
}

// counted returns how many plants somebody has counted for a sowing; 0 where
// they are reckoned.
func counted(r *row) int {
	if r.hand == nil {
		return 0
	}
	if r.hand.Plants == 0 && r.uses[0].s.Run == 0 && r.uses[0].a.form == wish.Fresh {
		return max(1, r.hand.Asked) // nothing is asked of it: as many as were when it was set
	}
	return r.hand.Plants
}

// bound returns the weeks that plantings really made, or given up, were to feed
// when they were planned. What is past binds: what they do not feed after all
// can be fed only by what is still to be begun.
func (c *computation) bound(s *season.Season, hands []*table.Hand) (weeks season.Weeks) {
	for _, h := range hands {
		if h.Planned == nil || !h.Begun() && !h.Lost {
			continue
		}
		rules := c.in.Household.Rules(h.Crop)
		if h.Way != season.UsualWay {
			rules.Way = h.Way
		}
		indoors := h.Start.Day - h.Start.Sow
		if h.Sown != nil { // the planned days indoors, whatever they became
			indoors = int(h.Day - *h.Sown)
		}
		st, _ := c.in.Memory.begin(c.of, c.been, seasonKey{s.Crop, h.Cover, rules}, int(*h.Planned-c.start)+indoors)
		if st.Ready >= 0 && st.Ready < place.Days {
			weeks |= s.FedBy(st)
		}
	}
	return weeks
}

// like lets follow what follows when a crop is begun on a day in the way of
// another start.
func (c *computation) like(crop *book.Crop, cover place.Cover, start season.Start, day int) season.Start {
	rules := c.in.Household.Rules(crop.ID)
	switch {
	case start.Bought:
		rules.Way = season.Bought
	case start.Raised:
		rules.Way = season.Raised
	}
	st, _ := c.in.Memory.begin(c.of, c.been, seasonKey{crop, cover, rules}, day)
	return st
}

// enough is the share of the plants reckoned that counts as all of them.
const enough = 0.95

// wants returns the plants that a group would want from a start for a run.
func (c *computation) wants(group []*asked, s *season.Season, st season.Start, run season.Weeks, layout wish.Layout) int {
	var parts []reckon.Part
	share := sowing.ShareOf(s, st, run)
	for _, a := range group {
		need := a.lot
		if a.form == wish.Fresh && !a.part {
			if run&a.use.Weeks == 0 {
				continue
			}
			need = c.quiet.Harvest("", "need", "", &c.resolved[a.wish], *a.use, run&a.use.Weeks)
		}
		parts = append(parts, reckon.Part{Need: need, Confidence: a.confidence, Share: share, Of: 1})
	}
	if len(parts) == 0 || share <= 0 {
		return 0
	}
	return c.quiet.Sow("", group[0].crop, layout, reckon.Ask{Raised: st.Raised, Bought: st.Bought, Parts: parts, Bearing: 1}).Plants
}

// feedsOf returns how many of the weeks of a run the plants counted for a
// planting can feed.
func (c *computation) feedsOf(key groupKey, group []*asked, s *season.Season, h *table.Hand, run []int) int {
	for n := len(run); n > 0; n-- {
		var weeks season.Weeks
		for _, w := range run[:n] {
			weeks = weeks.With(w)
		}
		want := float64(c.wants(group, s, h.Start, weeks, key.layout))
		if got := float64(h.Plants); got >= enough*want || n == 1 && got >= want/2 { // half of one week's food is eaten too
			return n
		}
	}
	return 0
}

// givesOf returns the share of a group's lots that the plants counted for a
// planting give.
func (c *computation) givesOf(group []*asked, h *table.Hand, share float64) float64 {
	if share <= 0 {
		return 0
	}
	if a := group[0]; a.form == "" { // plants that nobody weighs
		w := c.resolved[a.wish].Wish
		return math.Min(1, float64(h.Plants)/float64(c.quiet.Count("", a.crop, w.Layout, reckon.Ask{}, w, 1).Plants))
	}
	want := c.wants(group, group[0].use.Season, h.Start, group[0].use.Weeks, group[0].key.layout)
	if want == 0 {
		return 1
	}
	return math.Min(1, float64(h.Plants)/float64(want))
}

// starve marks the weeks that no sowing feeds: those that plantings were to feed and
// cannot, and those for which one would have to sow again within some days. It says
// which it is, and which sowing would close the gap.
func (c *computation) starve(group []*asked, weeks season.Weeks, s *season.Season, sowings []sowing.Sowing) {
	for _, a := range group {
		mine := a.use.Weeks & weeks
		if mine == 0 {
			continue
		}
		out := &c.plan.Wishes[a.wish]
		c.gaps(a, mine)
		left := mine
		type near struct{ sow, beside int }
		closes := map[near][]int{}
		var order []near
		for _, w := range mine.List() {
			if st, beside := crowded(s, sowings, w); beside != nil {
				left &^= season.Weeks(0).With(w)
				k := near{st.Sow, beside.Start.Sow}
				if closes[k] == nil {
					order = append(order, k)
				}
				closes[k] = append(closes[k], w)
			}
		}
		for _, k := range order { // weeks that one sowing would close are told together
			out.Notes = append(out.Notes, fmt.Sprintf("%s not fed: a sowing on %s would do it, but nobody sows again so near to that of %s",
				c.weeksOf(closes[k]), (c.start+civil.Date(k.sow)).Short(), (c.start+civil.Date(k.beside)).Short()))
		}
		dear := map[string][]int{}
		var prices []string
		for _, w := range left.List() {
			least := math.Inf(1)
			for i := range s.Starts {
				if s.Feeds[i].Has(w) {
					least = math.Min(least, s.Dear(i))
				}
			}
			if !math.IsInf(least, 1) && least > 0 {
				left &^= season.Weeks(0).With(w)
				price := fmt.Sprintf("%.1f", least)
				if dear[price] == nil {
					prices = append(prices, price)
				}
				dear[price] = append(dear[price], w)
			}
		}
		for _, price := range prices {
			out.Notes = append(out.Notes, fmt.Sprintf("%s not fed: it would take %s times the plants of a good week", c.weeksOf(dear[price]), price))
		}
		if left != 0 {
			out.Notes = append(out.Notes, fmt.Sprintf("what was sown and counted leaves %d weeks that nothing else can feed any more", left.Count()))
		}
	}
}

// weeksOf names weeks by their first days: the week of 12 May is, the weeks of 12 and
// 19 May are.
func (c *computation) weeksOf(weeks []int) string {
	days := make([]string, len(weeks))
	for i, w := range weeks {
		days[i] = (c.start + civil.Date(7*w)).Short()
	}
	if len(days) == 1 {
		return "the week of " + days[0] + " is"
	}
	return "the weeks of " + strings.Join(days[:len(days)-1], ", ") + " and " + days[len(days)-1] + " are"
}

// gaps takes weeks from what is to feed them: nothing does.
func (c *computation) gaps(a *asked, weeks season.Weeks) {
	if a.part {
		return
	}
	out := &c.plan.Wishes[a.wish]
	for _, w := range weeks.List() {
		out.Source[w] = wish.Gap
		if out.Coming[w] == a.form {
			out.Coming[w] = wish.Gap
		}
	}
	a.use.Weeks &^= weeks
	out.WeeksFed -= weeks.Count()
	out.Uses[a.res].Weeks -= weeks.Count()
}

// crowded returns the latest start that feeds a week and lies too near to another
// sowing, with that one; nil where there is none.
func crowded(s *season.Season, sowings []sowing.Sowing, week int) (found season.Start, beside *sowing.Sowing) {
	for i, st := range s.Starts {
		if s.Feeds[i].Has(week) {
			if o := sowing.Beside(sowings, st); o != nil {
				found, beside = st, o
			}
		}
	}
	return found, beside
}

// orphans shows the plantings that nobody wants any more: they stand all the
// same.
func (c *computation) orphans(used map[*record.Planting]bool) {
	for i := range c.in.Household.Plantings {
		p := &c.in.Household.Plantings[i]
		if used[p] || !c.taken[p.ID] {
			continue
		}
		crop := c.desk.Book.Crop(p.Crop)
		k := slices.IndexFunc(c.resolver.Hands[p.Crop], func(h *table.Hand) bool { return h.Planting == p })
		h := c.resolver.Hands[p.Crop][k]
		n := max(1, p.Plants, p.Asked)
		z := c.desk.Count("sowing/"+p.ID, crop, "", reckon.Ask{Raised: h.Start.Raised, Bought: h.Start.Bought}, wish.Wish{Amount: wish.Amount{Kind: wish.Plants, Number: float64(n)}}, 1)
		sw := c.dates(crop, "", sowing.Sowing{Start: h.Start, Of: 1, Part: 1, Hand: h})
		sw.ID, sw.Cover, sw.For, sw.Feeds, sw.hand = p.ID, string(p.Cover), []Served{}, []int{}, h
		sw.fill(z, crop)
		c.sowings = append(c.sowings, &sw)
	}
}
