package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/caution"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// served is one sowing's part in a wish.
type served struct {
	s *sown
	k int // index of the part
}

func (m served) f() *Served  { return &m.s.For[m.k] }
func (m served) part() *part { return &m.s.parts[m.k] }

// servedBy lists for every wish the sowings that serve it, by date.
func servedBy(wishes int, all []*sown) [][]served {
	out := make([][]served, wishes)
	for _, s := range all {
		for k := range s.parts {
			of := s.parts[k].d.wish
			out[of] = append(out[of], served{s, k})
		}
	}
	for _, mine := range out {
		slices.SortStableFunc(mine, func(a, b served) int { return cmp.Compare(a.s.Date, b.s.Date) })
	}
	return out
}

// wishesOf tells what every wish comes to: its weeks, its uses, and the sums over the
// sowings that serve it. Said are the notes of the steps, in their order.
func wishesOf(b *basis, w weeks, asked asked, all []*sown, said ...notes) []Wish {
	out := make([]Wish, len(w.wishes))
	for i := range w.wishes {
		out[i] = b.outline(w.wishes[i], w.titles[i], asked.enough[i])
	}
	for _, d := range asked.demands {
		x := &out[d.wish]
		x.Uses = append(x.Uses, b.useOf(d, w.wishes[d.wish], x.HarvestUnit))
		b.cautions(x, d)
	}
	for _, list := range said {
		tell(out, list)
	}
	for _, s := range all {
		for k := range s.parts {
			d := s.parts[k].d
			out[d.wish].serve(d.in(out), s, k)
		}
		if s.barren {
			for k := range s.parts {
				d, need := s.parts[k].d, s.parts[k].need
				out[d.wish].Harvested -= need
				if d.form == wish.Fresh {
					d.in(out).Harvested -= need
				}
			}
		}
		if s.short.d != nil {
			s.short.d.in(out).Short = s.short.why
		}
	}
	return out
}

// in returns the use of the told wishes that tells of a demand.
func (d *demand) in(wishes []Wish) *Use { return &wishes[d.wish].Uses[d.told] }

// outline tells of a wish what does not hang on its sowings.
func (b *basis) outline(r *table.Resolved, title string, enough bool) Wish {
	w := &r.Wish
	out := Wish{
		ID: w.ID, Title: title, Words: wish.Words(r.Said, b.desk.Book), Unit: r.Unit, Number: r.Said.Amount.Number,
		Wanted: r.Wanted[:], Source: r.Source[:], Coming: r.Coming[:],
		Uses: []Use{}, Notes: append([]say.Note{}, r.Notes...), Cautions: []string{},
		HarvestUnit: harvestUnit(w), Confidence: w.ConfidenceFor(""),
	}
	for k, s := range r.Source {
		if r.Wanted[k] > 0 {
			out.WeeksWanted++
			switch s {
			case wish.Bought:
				out.WeeksBought++
			case wish.Gap:
			default:
				out.WeeksFed++
			}
		}
	}
	if len(r.Uses) > 0 {
		out.Confidence = w.ConfidenceFor(r.Uses[0].Form)
	}
	out.OnShelf, out.Enough = onShelf(r), enough
	out.loads(b, *w)
	return out
}

// useOf tells of a use what does not hang on its sowings.
func (b *basis) useOf(d *demand, r *table.Resolved, unit amount.Unit) Use {
	u := d.use
	if d.part {
		return Use{Form: string(d.form), Part: true, Crop: d.crop.ID, CropName: d.crop.Short(), Why: d.why, Weeks: u.Weeks.Count(), Unit: amount.Kilogram, Figure: d.base, Harvested: d.lot.Amount}
	}
	out := Use{Form: string(u.Form), Crop: u.Crop.ID, CropName: u.Crop.Short(), Why: d.why, Weeks: r.Uses[d.of].Weeks.Count(), Unit: unit, Figure: d.base, Harvested: d.lot.Amount}
	if u.Form != wish.Fresh && u.Form != "" && len(u.Lot) > 0 {
		kept := b.weekStart(u.Kept)
		out.Kept, out.Life = &kept, u.Life
	}
	if u.Store != nil {
		out.Store = u.Store.Name
	}
	if u.Prep != nil {
		out.Preparation = u.Prep.Name
	}
	if u.OnShelf {
		out.Left, out.LeftUnit, out.LeftShare = u.Left, u.DrawnIn(r.Wish), u.LeftShare
	}
	return out
}

// serve adds a sowing's part to a wish and to its use.
func (w *Wish) serve(res *Use, s *sown, k int) {
	f, p := &s.For[k], &s.parts[k]
	res.Plants += f.Plants
	res.Area += f.Area
	res.Average += f.Average
	w.SowingCount++
	w.Plants += f.Plants
	if s.Plants > 0 {
		w.RowMetres += s.rowMetres * float64(f.Plants) / float64(s.Plants)
	}
	if s.Method != season.Tray {
		w.Area += f.Area
	}
	if p.d.part {
		return
	}
	w.Average += f.Average
	if p.d.form != "" {
		w.Harvested += p.need
		if p.d.form == wish.Fresh {
			res.Harvested += p.need
		}
	}
}

// cautions adds the book's warnings that belong to a use, each once: those of
// the preparation first, then those of the crop and of its store.
func (b *basis) cautions(out *Wish, d *demand) {
	if d.part {
		return
	}
	u := d.use
	setting := caution.Of(u.Crop)
	if u.Form == wish.Cellar {
		setting.Store = string(u.Crop.Store)
	}
	ids := b.in.Memory.cautions(b.desk.Book, setting)
	if u.Prep != nil {
		ids = append(caution.OfPreparation(b.desk.Book, u.Prep), ids...)
	}
	for _, id := range ids {
		if !slices.Contains(out.Cautions, id) {
			out.Cautions = append(out.Cautions, id)
		}
	}
}

// loads sets a wish in jars against full loads.
func (w *Wish) loads(b *basis, x wish.Wish) {
	prep := x.Made(b.desk.Book)
	if x.Amount.Kind.Unit() != amount.Jar || prep == nil {
		return
	}
	jar := wish.JarLitre(x, prep)
	w.JarLitre = jar
	per := prep.Load(jar)
	if per == 0 {
		return
	}
	whole := amount.FloorWhole(x.Amount.Number / float64(per))
	w.Load = &Load{Jars: per, Below: whole * per, Above: amount.CeilWhole(x.Amount.Number/float64(per)) * per}
}
