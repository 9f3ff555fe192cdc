package record

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/stock"
)

// LotBalance is what became of a lot. The figures are thousandths: of a kilogram where the lot is
// kept by weight, else of a container. PutIn is Went, Unrecorded and There together.
type LotBalance struct {
	PutIn      int        `json:"put_in"`
	Went       map[To]int `json:"went"`
	Unrecorded int        `json:"unrecorded"` // what a count found missing, or, below 0, found besides
	There      int        `json:"there"`
	Counted    civil.Date `json:"counted,omitzero"` // the day of the last count
}

// NotThere is returned where more is taken from a lot than there is in it.
type NotThere struct {
	Entry *Entry
	Asked int // thousandths
	There int
}

// Error says what there is.
func (n *NotThere) Error() string {
	return fmt.Sprintf("there is %g of it on %s", float64(n.There)/1000, n.Entry.Day.Short())
}

// There returns what is in a lot as it stands, in thousandths: of a kilogram where it is kept by
// weight, else of a container.
func There(l stock.Lot) int {
	if Containers(l) {
		return int(math.Round(l.Count * 1000))
	}
	return int(math.Round(l.Amount() * 1000))
}

// Measured sets how much an entry takes from a lot or counts in it, in thousandths.
func (e *Entry) Measured(l stock.Lot, thousandths int) {
	if Containers(l) {
		e.Jars = float64(thousandths) / 1000
	} else {
		e.Gram = thousandths
	}
}

// thousandths returns what an entry takes from a lot or counts in it.
func (e *Entry) thousandths(l stock.Lot) int {
	switch {
	case !Containers(l) && e.Gram > 0:
		return e.Gram
	case !Containers(l):
		return int(math.Round(e.Jars * l.Size * 1000))
	}
	return int(math.Round(e.Jars * 1000))
}

// BalanceOf reckons what became of a lot, up to a day and with it. The error is a *NotThere: the
// first draw of more than there was. What is expected but not found by a count is unrecorded,
// and a later draw goes by the count.
func (r *Record) BalanceOf(l stock.Lot, upTo civil.Date) (LotBalance, error) {
	out := LotBalance{Went: map[To]int{}, PutIn: There(l), There: There(l)}
	for _, e := range r.ofLot(l.ID) {
		if e.Day > upTo {
			continue
		}
		switch n := e.thousandths(l); e.Act {
		case Draw:
			if n > out.There {
				return out, &NotThere{e, n, out.There}
			}
			out.There -= n
			out.Went[e.To] += n
		case Count:
			out.Unrecorded += out.There - n
			out.There, out.Counted = n, e.Day
		}
	}
	return out, nil
}

// PutIn returns the lots as they were put in, less what spoiled of them; nil where nothing was ever
// taken from them or counted.
func (r *Record) PutIn(lots []stock.Lot, day civil.Date) []stock.Lot {
	if !slices.ContainsFunc(lots, func(l stock.Lot) bool { return r.ofLot(l.ID) != nil }) {
		return nil
	}
	out := make([]stock.Lot, 0, len(lots))
	for _, l := range lots {
		b, _ := r.BalanceOf(l, day) // what cannot be is refused when it is entered
		if b.PutIn > b.Went[Lost] {
			l.Count *= 1 - float64(b.Went[Lost])/float64(b.PutIn)
			out = append(out, l)
		}
	}
	return out
}

// Standing returns the lots with what is there of them on a day; what is used up is left out.
func (r *Record) Standing(lots []stock.Lot, day civil.Date) []stock.Lot {
	if !slices.ContainsFunc(lots, func(l stock.Lot) bool { return r.ofLot(l.ID) != nil }) {
		return lots
	}
	out := make([]stock.Lot, 0, len(lots))
	for _, l := range lots {
		if r.ofLot(l.ID) != nil {
			b, _ := r.BalanceOf(l, day) // what cannot be is refused when it is entered
			if b.There <= 0 {
				continue
			}
			if Containers(l) {
				l.Count = float64(b.There) / 1000
			} else {
				l.Count = float64(b.There) / 1000 / l.Size
			}
		}
		out = append(out, l)
	}
	return out
}
