package table

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// A wish that counts plants and says how they are eaten goes the other way round: from the
// plants to what they give. They are begun once, and nothing is sown beside them to make up.

// Stand is how plants stand: the ground of each, m², and what that leaves of the usual yield, 0 to 1 and over.
type Stand struct{ Ground, Factor float64 }

// asWeight turns a wish of plants that are eaten into one of a weight of the year, begun once,
// and reports whether it is such a wish. The weight itself follows from the start: until then it is 1 kg.
func asWeight(w *wish.Wish) bool {
	if !w.Amount.Kind.Unweighed() || w.FeedsNobody() {
		return false
	}
	typical := 0.0 // it is what the plants give, not what they are to give
	w.Amount = wish.Amount{Kind: wish.WeightYear, Number: 1}
	w.Stagger, w.Confidence = wish.Stagger{Kind: wish.OneGo}, &typical
	if w.Season.Kind == wish.AllYear && w.Forms[0] == wish.Fresh {
		w.Season.Kind = wish.While
	}
	return true
}

// harvestOfPlants sets how many plants a wish counts, and what they give in an average year
// from the start they are begun with.
func (rs *Resolver) harvestOfPlants(r *Resolved) {
	if len(r.Uses) == 0 {
		return
	}
	u := &r.Uses[0]
	stand := rs.StandOf(u.Crop, r.Said.Layout)
	r.Plants = plantsOf(r.Said.Amount, u.Crop, stand)
	most := 0.0
	if u.Form == wish.Fresh { // what falls into the weeks that it feeds
		for i, st := range u.Season.Starts {
			most = math.Max(most, u.Season.ShareOf(st, u.Season.Feeds[i]))
		}
	}
	for _, i := range u.Lot {
		st := u.Season.Starts[i]
		most = math.Max(most, u.Season.ShareOf(st, 0))
	}
	r.Gives = float64(r.Plants) * u.Crop.Gives() * stand.Factor * most * (1 - u.Crop.FailProb)
}

// Times makes what a wish wants in every week so many times as much.
func (r *Resolved) Times(k float64) {
	r.Wish.Amount.Number *= k
	for week := range r.Wanted {
		r.Wanted[week] *= k
		for i := range r.Uses {
			r.Uses[i].Amount[week] *= k
		}
	}
}

// plantsOf returns how many plants stand in an amount that counts them, or their row or area.
func plantsOf(a wish.Amount, c *book.Crop, stand Stand) int {
	n := a.Number
	switch a.Kind.Unit() {
	case amount.SquareMetre:
		n /= stand.Ground
	case amount.Metre:
		n /= c.InRow.Value / 100
	}
	return max(1, amount.FloorWhole(n))
}

// oneStart leaves a season the one start that feeds most of the given weeks; none where it has none.
func oneStart(s *season.Season, weeks season.Weeks) *season.Season {
	if k := s.Best(weeks); k >= 0 {
		return s.Only([]int{k})
	}
	return s.Only(nil)
}
