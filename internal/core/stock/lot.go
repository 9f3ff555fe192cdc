package stock

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Lot is something that stands on the shelf, in the store or in the freezer.
type Lot struct {
	ID          string     `json:"id"`
	Food        string     `json:"food"`
	Form        string     `json:"form"`                  // cellar, canned, frozen …
	Preparation string     `json:"preparation,omitempty"` // what it is made into, where it is put up
	Count       float64    `json:"count"`                 // jars, boxes, sacks or pieces
	Size        float64    `json:"size"`                  // what one holds, in Unit; 1 for pieces
	Unit        string     `json:"unit"`                  // L, kg or pieces
	PutUp       civil.Date `json:"put_up"`
	Until       civil.Date `json:"until,omitzero"` // keeps until; none: as long as the book says
	Store       string     `json:"store,omitempty"`
	Note        string     `json:"note,omitempty"`
}

// Amount returns all of the lot in its unit.
func (l Lot) Amount() float64 { return l.Count * l.Size }

// MostLots bounds the lots of one household.
const MostLots = 5000

// Validate looks for what cannot stand in a lot; the food, form and preparation
// are the table's to judge.
func (l Lot) Validate(c invalid.Check) {
	c.OneOf("unit", l.Unit, "L", "kg", "pieces")
	c.Positive("count", l.Count, 20000)
	c.Positive("size", l.Size, 2000)
	switch {
	case l.PutUp == 0:
		c.Add("put_up", "", "the day it was put up or stored, such as 2026-09-20")
	case l.PutUp < civil.Of(1950, 1, 1) || l.PutUp > civil.Of(2151, 1, 1):
		c.Add("put_up", l.PutUp.String(), "a day from 1950 to 2150")
	}
	if l.Until != 0 && l.Until < l.PutUp {
		c.Add("until", l.Until.String(), "a day after it was put up, "+l.PutUp.String())
	}
	if len([]rune(l.Note)) > 200 {
		c.Text("note", l.Note, 200)
	}
}

// Stock is a lot as it is drawn from.
type Stock struct {
	Amount float64    // in the unit of the draw
	PutUp  civil.Date // the oldest is taken first
	Until  civil.Date // dropped after this day
	Loss   float64    // share lost a month while it stands
}

// Pool is what several users draw from, oldest first.
type Pool struct{ stocks []*Stock }

// NewPool makes a pool of stocks, none of which is changed by others later.
func NewPool(stocks []Stock) *Pool {
	p := &Pool{}
	for i := range stocks {
		p.stocks = append(p.stocks, &stocks[i])
	}
	slices.SortStableFunc(p.stocks, func(a, b *Stock) int {
		return cmp.Or(cmp.Compare(a.PutUp, b.PutUp), cmp.Compare(a.Until, b.Until))
	})
	return p
}

// Draw takes up to an amount on a day and returns what it got. What has expired
// by then is no longer there.
func (p *Pool) Draw(amount float64, day civil.Date) (got float64) {
	for _, s := range p.stocks {
		if amount-got <= 1e-12 {
			break
		}
		if s.Until >= day {
			take := math.Min(s.Amount, amount-got)
			s.Amount -= take
			got += take
		}
	}
	return got
}

// Has returns what can be drawn on a day.
func (p *Pool) Has(day civil.Date) (sum float64) {
	for _, s := range p.stocks {
		if s.Until >= day {
			sum += s.Amount
		}
	}
	return sum
}

// daysPerMonth is a month of the store-loss reckoning.
const daysPerMonth = 4.345 * 7

// Wait lets days go by, in which what loses by the month loses.
func (p *Pool) Wait(days int) {
	for _, s := range p.stocks {
		if s.Loss > 0 && s.Amount > 0 {
			s.Amount *= math.Pow(1-s.Loss, float64(days)/daysPerMonth)
		}
	}
}

// Of returns the pool of some of the stocks a pool was made of, by their place
// in the list; they stay the same stocks, so that what one draws the other lacks.
func (p *Pool) Of(stocks []Stock, which []int) *Pool {
	out := &Pool{}
	for _, s := range p.stocks {
		for _, i := range which {
			if s == &stocks[i] {
				out.stocks = append(out.stocks, s)
			}
		}
	}
	return out
}
