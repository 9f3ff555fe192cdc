package plan

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// stored returns the lot that a task puts into a storage place; nil where it puts none there.
// What must cure first goes in when it has cured, all else when it is lifted or picked. Count
// is how much of the task was done, 0 for all: of what is lifted for the table too, the part
// that is kept. A task that was ticked before puts nothing there again.
func (s *sown) stored(p *record.Planting, t work.Task, count float64, day civil.Date) *stock.Lot {
	k := slices.IndexFunc(s.parts, func(x part) bool { return x.d.form == wish.Cellar && !x.d.part })
	if k < 0 {
		return nil
	}
	d := s.parts[k].d
	if _, again := doneBefore(p, t.What); again || !goesInBy(d.crop, t.What) {
		return nil
	}
	all := t.Count
	if count > 0 {
		all = count
	}
	if t.What != work.Cured || count == 0 { // who says how much has cured says what goes in
		all *= s.shareKept()
	}
	lot := stock.Lot{Food: d.crop.Food, Form: string(wish.Cellar), Size: 1, Unit: string(amount.Kilogram), PutUp: day}
	switch pieces := t.Unit == amount.Piece; {
	case pieces && d.key.pieces: // it is wished by the piece
		lot.Unit, lot.Count = string(amount.Piece), math.Max(1, math.Round(all))
	case pieces:
		lot.Count = all * d.crop.Piece.Or(0) / 1000
	default:
		lot.Count = all
	}
	lot.Count = math.Round(lot.Count*10) / 10
	if lot.Count <= 0 {
		return nil
	}
	if d.use.Store != nil {
		lot.Store = d.use.Store.ID
	}
	return &lot
}

// goesInBy reports whether a crop goes into a storage place by a task.
func goesInBy(c *book.Crop, what string) bool {
	if c.Harvest != book.Once || c.Store == book.GroundStorage {
		return false
	}
	if c.CureDays.Or(0) > 0 {
		return what == work.Cured
	}
	return what == work.Lift || what == work.Pick
}

// shareKept returns which share of a sowing's harvest is for keeping whole, by what its uses
// need.
func (s *sown) shareKept() float64 {
	all, kept := 0.0, 0.0
	for _, x := range s.parts {
		all += x.need
		if x.d.form == wish.Cellar {
			kept += x.need
		}
	}
	if all <= 0 {
		return 1
	}
	return kept / all
}
