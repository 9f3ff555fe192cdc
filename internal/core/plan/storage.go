package plan

import (
	"inventory/internal/core/amount"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// Room is a store or the freezer against what is put into it.
type StorageUse struct {
	ID    string      `json:"id"` // a store's, or freezer
	Name  string      `json:"name"`
	Unit  amount.Unit `json:"unit"`  // kg, or L
	Peak  float64     `json:"peak"`  // in it when it is fullest
	Week  int         `json:"week"`  // when that is
	Holds float64     `json:"holds"` // 0: nobody has measured it
}

// storage is how full each store and the freezer become.
type storage struct {
	rooms   []StorageUse
	freezer float64   // L in the freezer when it is fullest
	frozen  []float64 // of each wish: L into the freezer
}

// storageOf works out how full each store and the freezer become.
func storageOf(b *basis, w weeks, wishes []Wish) storage {
	out := storage{rooms: []StorageUse{}, frozen: make([]float64, len(wishes))}
	room := func(r StorageUse, in func(*table.Use) bool) StorageUse {
		r, used := w.fill(r, in)
		if used || r.Holds > 0 {
			out.rooms = append(out.rooms, r)
			b.roomFigure(w, wishes, r, in)
		}
		return r
	}
	for _, st := range b.in.Household.Storage {
		room(StorageUse{ID: st.ID, Name: st.Name, Unit: amount.Kilogram, Holds: st.RoomKg}, func(u *table.Use) bool { return u.Store != nil && u.Store.ID == st.ID })
	}
	out.freezer = room(StorageUse{ID: "freezer", Name: "Freezer", Unit: amount.Litre, Holds: b.desk.Rules.Freezer}, func(u *table.Use) bool { return u.Form == wish.Frozen }).Peak
	for i := range w.wishes {
		r := w.wishes[i]
		for k := range r.Uses {
			if u := &r.Uses[k]; u.Form == wish.Frozen {
				out.frozen[i] += w.stored(r, u)
			}
		}
	}
	return out
}

// stored returns what goes into a use's store this year, in what it is drawn in.
func (w weeks) stored(r *table.Resolved, u *table.Use) (sum float64) {
	for week, a := range u.Amount {
		sum += w.storeUnit(r, u, week, a)
	}
	return sum * (1 - u.LeftShare)
}

// storeUnit is what is drawn in a week in kg or litres; pieces are weighed.
func (w weeks) storeUnit(r *table.Resolved, u *table.Use, week int, a float64) float64 {
	if a == 0 {
		return 0
	}
	v := w.resolver.Drawn(&r.Wish, u, week, a)
	if u.DrawnIn(r.Wish) == amount.Piece {
		v *= u.Crop.Piece.Or(0) / 1000
	}
	return v
}

// fill adds up, use by use, what lies in a store each week: it is filled when the new crop
// comes and drawn from in the weeks it feeds. It reports whether any use is kept there.
func (w weeks) fill(out StorageUse, in func(*table.Use) bool) (_ StorageUse, any bool) {
	var level [season.WeeksPerYear]float64
	for i := range w.wishes {
		r := w.wishes[i]
		for k := range r.Uses {
			u := &r.Uses[k]
			if !in(u) || u.Weeks == 0 {
				continue
			}
			any = true
			var drawn [season.WeeksPerYear]float64
			var there float64
			for week, a := range u.Amount {
				drawn[week] = w.storeUnit(r, u, week, a)
				there += drawn[week]
			}
			for n := range season.WeeksPerYear {
				week := (u.Kept + n) % season.WeeksPerYear
				level[week] += there
				there -= drawn[week]
			}
		}
	}
	for week, v := range level {
		if v > out.Peak+1e-9 {
			out.Peak, out.Week = v, week
		}
	}
	return out, any
}

// roomFigure records what lies in a store when it is fullest, use by use.
func (b *basis) roomFigure(w weeks, wishes []Wish, out StorageUse, in func(*table.Use) bool) {
	s := b.desk.Recorder.Open("room/"+out.ID, "peak", out.Name, "in it when it is fullest")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing in it", 0, out.Unit, working.Reckoned)
	for i := range w.wishes {
		r := w.wishes[i]
		for k := range r.Uses {
			u := &r.Uses[k]
			if !in(u) || u.Weeks == 0 {
				continue
			}
			var whole, eaten float64
			for n := range season.WeeksPerYear {
				week := (u.Kept + n) % season.WeeksPerYear
				drawn := w.storeUnit(r, u, week, u.Amount[week])
				whole += drawn
				if n < (out.Week-u.Kept+season.WeeksPerYear)%season.WeeksPerYear {
					eaten += drawn
				}
			}
			if there := whole - eaten; there > 1e-9 {
				s.Do(working.Plus, wishes[i].Title, there, out.Unit, working.Reckoned)
				s.Note("of %s, the rest eaten by then", amount.Mark(whole, out.Unit))
			}
		}
	}
	s.Is("In the week of "+b.weekStart(out.Week).Words(), out.Unit).Close(out.Unit)
}
