package plan

import (
	"math/bits"
	"slices"

	"inventory/internal/core/reckon"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/wish"
)

// tooSmall is the share of the largest sowing of its bed under which a sowing is not
// worth the work.
const tooSmall = 0.1

// merged adds each sowing under tooSmall to another sowing of the same crop that feeds
// the same weeks. It never creates a gap.
//
// One function, since a bed is gone through once.
func merged(b *basis, w weeks, rows []*row) []*row {
	beds := map[groupKey][]int{}
	var order []groupKey
	for i, r := range rows {
		k := r.key.bed()
		if beds[k] == nil {
			order = append(order, k)
		}
		beds[k] = append(beds[k], i)
	}
	out := slices.Clone(rows)
	gone := map[int]bool{}
	for _, k := range order {
		bed := beds[k]
		crop := out[bed[0]].crop
		if len(bed) < 2 || k.counted != "" || crop.Perennial() || crop.Dense != nil {
			continue
		}
		plants, largest := make([]int, len(bed)), 0
		for n, i := range bed {
			plants[n] = b.plantsOf(w, out[i])
			largest = max(largest, plants[n])
		}
		for n, i := range bed {
			r := out[i]
			few := float64(plants[n]) < tooSmall*float64(largest) || float64(plants[n]) < crop.MinPlants
			if !few || r.hand != nil || r.early || !onlyFresh(r) {
				continue
			}
			if to := takes(out, bed, gone, i); to >= 0 {
				out[to] = b.joined(out[to], r, plants[n])
				gone[i] = true
			}
		}
	}
	var left []*row
	for i, r := range out {
		if !gone[i] {
			left = append(left, r)
		}
	}
	return left
}

func onlyFresh(r *row) bool {
	return !slices.ContainsFunc(r.uses, func(u rowUse) bool { return u.d.form != wish.Fresh || u.d.part })
}

// plantsOf returns about how many plants a sowing would have.
func (b *basis) plantsOf(w weeks, r *row) int {
	var parts []reckon.Part
	for _, u := range r.uses {
		need := u.d.lot
		need.Amount *= u.s.Part
		if u.d.form == wish.Fresh && !u.d.part {
			need = b.trying.Harvest("", "need", "", w.wishes[u.d.wish], *u.d.use, u.s.Run)
		}
		if u.s.Share > 0 {
			parts = append(parts, reckon.Part{Need: need, Confidence: u.d.confidence, Share: u.s.Share, Of: u.s.Of})
		}
	}
	if len(parts) == 0 {
		return 0
	}
	return b.trying.Sow("", r.crop, r.key.layout, reckon.Ask{Raised: true, Parts: parts, Bearing: 1}).Plants
}

// takes returns which sowing of the same bed feeds all the weeks of a small one and is
// ready nearest to it; -1 where none does.
func takes(rows []*row, bed []int, gone map[int]bool, small int) (best int) {
	r := rows[small]
	var run season.Weeks
	for _, u := range r.uses {
		run |= u.s.Run
	}
	best, least := -1, 1<<(bits.UintSize-2)
	for _, i := range bed {
		o := rows[i]
		if i == small || gone[i] || o.early || o.hand != nil && (o.hand.Plants > 0 || o.hand.Begun()) {
			continue
		}
		st := o.uses[0].s.Start
		if run&^o.uses[0].d.use.Season.FedBy(st) != 0 {
			continue
		}
		if away := distance(st.Ready, r.uses[0].s.Start.Ready); away < least {
			best, least = i, away
		}
	}
	return best
}

// joined returns a sowing with what is asked of another one added to it.
func (b *basis) joined(to, r *row, plants int) *row {
	sum := *to
	sum.uses = slices.Clone(to.uses)
	st := to.uses[0].s.Start
	for _, u := range r.uses {
		k := slices.IndexFunc(sum.uses, func(o rowUse) bool { return o.d == u.d })
		run := u.s.Run
		if k >= 0 {
			run |= sum.uses[k].s.Run
		}
		s := sowing.Sowing{Start: st, Run: run, Share: u.d.use.Season.ShareOf(st, run), Of: 1, Part: 1, Hand: to.hand}
		if k >= 0 {
			sum.uses[k].s = s
		} else {
			sum.uses = append(sum.uses, rowUse{u.d, s})
		}
	}
	sum.merged = say.That(say.SownWith{Date: b.date(r.uses[0].s.Start.Sow), Plants: plants})
	return &sum
}
