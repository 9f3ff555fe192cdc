package plan

import (
	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
)

// Standing is a lot on the shelf today: until when it keeps, and when it will be
// eaten up at the rate of the wishes that draw on it.
type ShelfItem struct {
	Lot     string      `json:"lot"`
	Amount  float64     `json:"amount"`
	Count   float64     `json:"count"` // containers that are there
	Unit    amount.Unit `json:"unit"`
	Until   civil.Date  `json:"until"`
	Expired bool        `json:"expired"`
	Wish    string      `json:"wish,omitempty"`     // the first wish that draws on it
	RunsOut *civil.Date `json:"runs_out,omitempty"` // none: it lasts until it expires
	Wasted  float64     `json:"wasted"`             // what will still be there when it expires
}

// shelfOf tells what is on the shelf today and how long it lasts.
func shelfOf(b *basis, w weeks) []ShelfItem {
	out := []ShelfItem{}
	lots := b.in.Household.Lots
	for i, f := range w.resolver.Fates(w.wishes, b.in.AsOf) {
		st := ShelfItem{Lot: lots[i].ID, Amount: lots[i].Amount(), Count: lots[i].Count, Unit: amount.Unit(lots[i].Unit), Until: f.Until, Expired: f.Until < b.in.AsOf, Wish: f.Wish, Wasted: f.Wasted}
		if f.RunsOut != 0 {
			st.RunsOut = &f.RunsOut
		}
		out = append(out, st)
	}
	return out
}
