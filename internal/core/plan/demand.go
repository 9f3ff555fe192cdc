package plan

import (
	"fmt"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// demand is what one use of a wish asks of one crop. A preparation that takes another
// crop makes a demand of its own for it.
type demand struct {
	wish       int // the wish, of the household's
	of         int // the use of the wish; of a part, the use whose preparation takes it
	told       int // where the plan tells of it: index of Wish.Uses
	use        *table.Use
	form       wish.Form
	part       bool       // it is another crop that a preparation takes
	crop       *book.Crop // spaced as the wish wants it
	key        groupKey
	base       string      // of its figures
	lot        reckon.Need // the harvest of a form that is kept; fresh ones go by their weeks
	plants     int         // that the wish counts; 0: as many as it takes
	confidence float64
	why        say.Note // why this crop
}

// groupKey holds the properties that two demands must share to be sown together. Demands
// with equal keys are added up.
type groupKey struct {
	crop    string
	fresh   bool
	pieces  bool
	stagger wish.Stagger
	once    season.Weeks
	sowings int // of a lot that is kept
	layout  wish.Layout
	cover   place.Cover
	piece   float64
	counted string // the wish that counts its plants, which is sown alone
}

// bed is the part of a key by which sowings of one day become one sowing: one sowing may
// serve the table and the jars.
func (k groupKey) bed() groupKey {
	return groupKey{crop: k.crop, pieces: k.pieces, layout: k.layout, cover: k.cover, piece: k.piece, counted: k.counted}
}

// asked is what all the wishes ask of the garden.
type asked struct {
	demands []*demand // use by use, and after each the other crops that its preparation takes
	enough  []bool    // of each wish: what is left on the shelf meets it
	notes   notes
}

// demandsOf returns what the wishes ask of the garden.
func demandsOf(b *basis, w weeks) (out asked) {
	for i := range w.wishes {
		r := w.wishes[i]
		b.story(&r.Wish, w.titles[i])
		told := 0
		for k := range r.Uses {
			d := b.demandOf(w, i, k, &out.notes)
			d.told, told = told, told+1
			out.demands = append(out.demands, d)
			if p := d.use.Prep; p != nil && d.lot.Amount > 0 {
				for n, part := range p.Parts {
					x := b.demandOfPart(w, d, n, part, b.desk.Units(d.lot, p), &out.notes)
					x.told, told = told, told+1
					out.demands = append(out.demands, x)
				}
			}
		}
		out.enough = append(out.enough, r.Enough || metByShelf(r))
		if out.enough[i] {
			out.notes.add(i, say.EnoughOnShelf)
		}
	}
	return out
}

// onShelf reports whether something of a wish is on the shelf today.
func onShelf(r *table.Resolved) bool {
	return slices.ContainsFunc(r.Uses, func(u table.Use) bool { return u.OnShelf })
}

// metByShelf reports whether what will be left on the shelf meets all uses of a wish.
func metByShelf(r *table.Resolved) bool {
	return onShelf(r) && !slices.ContainsFunc(r.Uses, func(u table.Use) bool { return u.Weeks != 0 && u.LeftShare < 1 })
}

// story records how an amount follows from last year's.
func (b *basis) story(w *wish.Wish, title string) {
	if w.Story == nil {
		return
	}
	unit, st := w.Amount.Kind.Unit(), *w.Story
	s := b.desk.Recorder.Open("wish/"+w.ID, "wished", title, "wish, from last year's result")
	s.Do(working.Start, "Amount we had", st.Had, unit, working.Household)
	s.Do(working.Minus, "Left at the next harvest", st.Left, unit, working.Household)
	s.Do(working.Minus, "Given away", st.Given, unit, working.Household)
	s.Is("Eaten", unit)
	s.Do(working.Over, "Weeks it lasted", st.Lasted(), amount.Week, working.Household)
	if !st.RanOut.IsZero() {
		s.Note("from %s until it ran out, %s", st.From.In(2001).Short(), st.RanOut.In(2001).Short())
	}
	s.Do(working.Times, "Weeks in a year", 365.0/7, amount.Week, working.Reckoned)
	s.Is("A whole year at that rate", unit).Close(unit)
}

// harvestUnit is what the harvest for a wish is counted in: kg, or pieces.
func harvestUnit(w *wish.Wish) amount.Unit {
	if w.Amount.Kind.Counts(wish.CountsPieces) {
		return amount.Piece
	}
	return amount.Kilogram
}

// demandOf returns what one use of a wish asks for.
func (b *basis) demandOf(w weeks, i, k int, said *notes) *demand {
	r := w.wishes[i]
	u := &r.Uses[k]
	x := &r.Wish
	d := &demand{
		wish: i, of: k, use: u, form: u.Form, crop: u.Crop, why: u.Why, confidence: x.ConfidenceFor(u.Form), base: "wish/" + x.ID + "/" + formName(u.Form),
		key: groupKey{crop: u.Crop.ID, fresh: u.Form == wish.Fresh, pieces: harvestUnit(x) == amount.Piece, layout: x.Layout, piece: x.Piece, cover: x.Cover},
	}
	if x.Piece > 0 {
		spaced, cannot := reckon.ForPiece(u.Crop, x.Piece, x.Layout, b.desk.Bed())
		if d.crop = spaced; cannot != nil {
			said.add(i, cannot)
		}
	}
	if r.Plants > 0 {
		d.key.counted, d.plants = x.ID, r.Plants
	}
	switch u.Form {
	case "":
		d.key.counted = x.ID
	case wish.Fresh:
		d.key.stagger = x.Stagger
		if x.Stagger.Kind == wish.OneGo {
			d.key.once = u.Weeks // the one start is the best for these weeks
		}
	default:
		d.key.sowings = max(1, len(u.Lot))
		d.lot = b.desk.Harvest(d.base, "harvested", w.titles[i], r, *u, u.Weeks)
	}
	return d
}

// demandOfPart asks for another crop that a preparation takes, timed to the same
// putting-up where the crop's season allows it.
func (b *basis) demandOfPart(w weeks, main *demand, n int, part book.Part, units float64, said *notes) *demand {
	x, u := &w.wishes[main.wish].Wish, main.use
	crop := b.desk.Book.Crop(part.Crops[0])
	base := fmt.Sprintf("wish/%s/part%d", x.ID, n+1)
	if u.Form != x.Forms[0] {
		base = fmt.Sprintf("wish/%s/%s-part%d", x.ID, formName(u.Form), n+1)
	}
	s := b.season(crop, "")
	pu := &table.Use{Form: u.Form, Crop: crop, Season: s, Lot: s.Lot(table.Late(crop, s), 1, besideMain(s, u)), Weeks: u.Weeks}
	if pu.Recorded = w.resolver.RecordedFor(crop, "", x.ID, u.Form, true); len(pu.Recorded) > 0 {
		pu.Season, pu.Lot = s.With(), nil
		for _, h := range pu.Recorded {
			pu.Season = pu.Season.With(h.Start)
			pu.Lot = append(pu.Lot, len(pu.Season.Starts)-1)
		}
	}
	if over, ok := w.resolver.NoMore(s); ok && len(pu.Lot) == 0 {
		said.add(main.wish, over)
	} else if len(pu.Lot) == 0 {
		said.add(main.wish, say.PartNotHere{Crop: crop.Short(), Why: s.Why})
	}
	return &demand{
		wish: main.wish, of: main.of, use: pu, form: u.Form, part: true, crop: crop, base: base, confidence: x.ConfidenceFor(u.Form),
		lot: b.desk.Part(base, "harvested", crop.Short(), units, u.Prep, part),
		key: groupKey{crop: crop.ID, layout: x.Layout, sowings: 1}, why: say.That(say.PreparationTakes{Preparation: u.Prep.Name}),
	}
}

// besideMain returns how a part of a preparation likes its starts: by how much of its
// picking falls into the weeks in which the main crop is put up.
func besideMain(s *season.Season, main *table.Use) func(season.Start) int {
	var weeks season.Weeks
	for _, i := range main.Lot {
		st := main.Season.Starts[i]
		for w, v := range main.Season.ByWeek(st) {
			if v > 0 {
				weeks = weeks.With(w)
			}
		}
	}
	return func(st season.Start) int { return int(100 * s.RunShare(st, weeks)) }
}

func formName(f wish.Form) string {
	if f == "" {
		return "plants"
	}
	return string(f)
}

// name is a demand's part of a figure's name, within its wish.
func (d *demand) name() string {
	if !d.part {
		return formName(d.form)
	}
	id := d.base[len("wish/"):]
	for i := range id {
		if id[i] == '/' {
			return id[i+1:]
		}
	}
	return id
}
