package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/shelf"
	"inventory/internal/core/table"
)

// Standing is a lot on the shelf today: until when it keeps, and when it will be
// eaten up at the rate of the wishes that draw on it.
type Standing struct {
	Lot     string      `json:"lot"`
	Amount  float64     `json:"amount"`
	Unit    amount.Unit `json:"unit"`
	Until   civil.Date  `json:"until"`
	Expired bool        `json:"expired"`
	Wish    string      `json:"wish,omitempty"`     // the first wish that draws on it
	RunsOut *civil.Date `json:"runs_out,omitempty"` // none: it lasts until it expires
	Wasted  float64     `json:"wasted"`             // what will still be there when it expires
}

// crumbs is the share of a lot that is no longer worth a week: jars are of a
// quart to six figures, not to the last.
const crumbs = 1e-4

// shelf says what stands on the shelf today and how long it lasts. Every lot is
// eaten at the rate of the wishes it serves, the oldest first, on through the
// years until it is gone or expires.
func (c *computation) shelf() {
	c.plan.Shelf = []Standing{}
	lots := c.in.Household.Lots
	type drawing struct {
		r *table.Resolved
		u *table.Use
	}
	stocks := make([]shelf.Stock, len(lots))
	users := make([][]drawing, len(lots))
	for i, l := range lots {
		until := c.resolver.Keeps(l)
		st := Standing{Lot: l.ID, Amount: l.Amount(), Unit: amount.Unit(l.Unit), Until: until, Expired: until < c.in.AsOf}
		stocks[i] = shelf.Stock{Amount: l.Amount(), PutUp: l.PutUp, Until: until}
		for k := range c.resolved {
			r := &c.resolved[k]
			for n := range r.Uses {
				if u := &r.Uses[n]; table.Serves(l, &r.Wish, u) {
					users[i] = append(users[i], drawing{r, u})
					if st.Wish == "" {
						st.Wish = r.Wish.ID
					}
				}
			}
		}
		c.plan.Shelf = append(c.plan.Shelf, st)
	}
	// Lots that serve the same wishes are drawn down together.
	order := make([]int, len(lots))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(lots[a].PutUp, lots[b].PutUp) })
	drawnBy := map[*table.Use]float64{} // what is still to be drawn this week
	for day := c.in.AsOf; day < c.in.AsOf+2*365; day += 7 {
		week := season.WeekOf(int(day - c.start))
		clear(drawnBy)
		for _, i := range order {
			st := &c.plan.Shelf[i]
			if stocks[i].Amount <= crumbs*st.Amount || st.Wasted > 0 {
				continue
			}
			if day > stocks[i].Until {
				st.Wasted = stocks[i].Amount
				continue
			}
			for _, d := range users[i] {
				want, seen := drawnBy[d.u]
				if !seen {
					want = c.resolver.Drawn(&d.r.Wish, d.u, week, d.r.Takes(d.u, week))
				}
				take := min(want, stocks[i].Amount)
				stocks[i].Amount -= take
				drawnBy[d.u] = want - take
			}
			if stocks[i].Amount <= crumbs*st.Amount {
				out := day
				st.RunsOut = &out
			}
		}
	}
}
