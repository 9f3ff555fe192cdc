package plan

import (
	"fmt"
	"math/bits"
	"slices"

	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/wish"
)

// tooSmall is the share of the largest sowing of its bed under which a sowing
// is not worth the work.
const tooSmall = 0.1

// merge lets a sowing too small to be worth it go with another of the same
// crop that feeds its weeks as well: no week goes unfed by it.
func (c *computation) merge(rows []*row) []*row {
	beds := map[groupKey][]*row{}
	var order []groupKey
	for _, r := range rows {
		k := r.key.bed()
		if beds[k] == nil {
			order = append(order, k)
		}
		beds[k] = append(beds[k], r)
	}
	gone := map[*row]bool{}
	for _, k := range order {
		bed := beds[k]
		if len(bed) < 2 || k.unweighed != "" || bed[0].crop.Perennial() || bed[0].crop.Dense != nil {
			continue
		}
		plants, largest := make([]int, len(bed)), 0
		for i, r := range bed {
			plants[i] = c.plantsOf(r)
			largest = max(largest, plants[i])
		}
		for i, r := range bed {
			few := float64(plants[i]) < tooSmall*float64(largest) || float64(plants[i]) < bed[0].crop.MinPlants
			if !few || r.hand != nil || r.early || !onlyFresh(r) {
				continue
			}
			if to := c.takes(bed, gone, r); to != nil {
				c.join(to, r, plants[i])
				gone[r] = true
			}
		}
	}
	return slices.DeleteFunc(rows, func(r *row) bool { return gone[r] })
}

func onlyFresh(r *row) bool {
	return !slices.ContainsFunc(r.uses, func(u rowUse) bool { return u.a.form != wish.Fresh || u.a.part })
}

// plantsOf returns about how many plants a sowing would have.
func (c *computation) plantsOf(r *row) int {
	var parts []reckon.Part
	for _, u := range r.uses {
		need := u.a.lot
		need.Amount *= u.s.Part
		if u.a.form == wish.Fresh && !u.a.part {
			need = c.quiet.Harvest("", "need", "", &c.resolved[u.a.wish], *u.a.use, u.s.Run)
		}
		if u.s.Share > 0 {
			parts = append(parts, reckon.Part{Need: need, Confidence: u.a.confidence, Share: u.s.Share, Of: u.s.Of})
		}
	}
	if len(parts) == 0 {
		return 0
	}
	return c.quiet.Sow("", r.crop, r.key.layout, reckon.Ask{Raised: true, Parts: parts, Bearing: 1}).Plants
}

// takes returns the sowing of the same bed that feeds all the weeks of a small
// one and is ready nearest to it; nil where none does.
func (c *computation) takes(bed []*row, gone map[*row]bool, r *row) (best *row) {
	var run season.Weeks
	for _, u := range r.uses {
		run |= u.s.Run
	}
	least := 1 << (bits.UintSize - 2)
	for _, o := range bed {
		if o == r || gone[o] || o.early || o.hand != nil && (o.hand.Plants > 0 || o.hand.Begun()) {
			continue
		}
		st := o.uses[0].s.Start
		if run&^o.uses[0].a.use.Season.FedBy(st) != 0 {
			continue
		}
		away := st.Ready - r.uses[0].s.Start.Ready
		if away = max(away, -away); away < least {
			best, least = o, away
		}
	}
	return best
}

// join moves what is asked of one sowing to another.
func (c *computation) join(to, r *row, plants int) {
	st := to.uses[0].s.Start
	for _, u := range r.uses {
		k := slices.IndexFunc(to.uses, func(o rowUse) bool { return o.a == u.a })
		run := u.s.Run
		if k >= 0 {
			run |= to.uses[k].s.Run
		}
		s := sowing.Sowing{Start: st, Run: run, Share: sowing.ShareOf(u.a.use.Season, st, run), Of: 1, Part: 1, Hand: to.hand}
		if k >= 0 {
			to.uses[k].s = s
		} else {
			to.uses = append(to.uses, rowUse{u.a, s})
		}
	}
	to.merged = fmt.Sprintf("the sowing of %s would have been of %d plants only; this one feeds its weeks as well", (c.start + dateOf(r.uses[0].s.Start.Sow)).Short(), plants)
}
