package ground

import (
	"reflect"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Planting is what needs ground for a time.
type Planting struct {
	ID       string // of its sowing
	Crop     *book.Crop
	Layout   wish.Layout
	Cover    place.Cover
	Planted  int        // places it takes: plants or stations; spares wait in their cells
	From, To civil.Date // To is the first day on which the ground is free again
	First    civil.Date // the first picking, or the one gathering; zero: none
	Last     civil.Date // the last picking; zero: none
	Priority int        // 0 must, 1 want, 2 nice to have

	InOne       int                 // plants in one pot or grow bag; 0: by their spacing
	OutOfSeason map[string]say.Note // by beds that are warmer or colder than the place: why it is out of season there
}

// Input is all that a layout follows from.
type Input struct {
	Plantings  []Planting
	Beds       []bed.Bed          // their Sun settled: full, part or shade
	Bearing    map[string]float64 // to which y points on each plot, degrees clockwise from north; none: north
	South      bool               // of the equator
	Placed     []bed.Placement    // by hand: they stay where they are
	Baseline   []bed.Laid         // where things were agreed to stand; a bed of no name: nowhere
	Exceptions []string           // families whose rotation is not kept
	Pairs      []book.Pairing     // interplantings that are admitted
	Edge       float64            // m, kept free at each edge of a bed
	Clear      civil.Date         // days to clear and refill after what stands now
	Year       int                // whose seasons the plantings are of, for the rotation
	Steps      int                // of improvement; 0: as many as the work allows
	Work       float64            // so many times the usual work; 0: once
	Seed       uint64
}

// InputOf returns what the layout of a household follows from, given its plan.
func InputOf(in plan.Input, p plan.Plan) (Input, error) {
	h := in.Household
	b, rules, _, err := h.Book(book.Usual())
	if err != nil {
		return Input{}, err
	}
	out := Input{
		Plantings: PlantingsOf(p, b, h.Wishes), Beds: slices.Clone(h.Beds), Bearing: bearings(h), South: h.Place.Latitude < 0,
		Placed: h.Placements, Edge: rules.Edge, Clear: civil.Date(rules.ClearDays), Year: h.Year,
	}
	for k := range out.Beds {
		out.Beds[k].Sun = bed.SunClass(h.Place.Latitude, h.PlotOf(&out.Beds[k]), out.Beds[k])
	}
	for i := range out.Plantings {
		out.Plantings[i].InOne = h.InOne(out.Plantings[i].Crop.ID)
	}
	outOfSeason(in, p, out.Plantings, out.Beds)
	if h.Baseline != nil && h.Baseline.Year == h.Year {
		out.Baseline = h.Baseline.Laid
	}
	if u := h.Customs; u != nil {
		out.Exceptions = u.Exceptions
		if u.Arranged != nil && u.Arranged.Year == h.Year {
			out.Baseline = u.Arranged.Laid
		}
		// The household's own go before those of the book.
		for _, own := range u.OwnPairs {
			if b.Crop(own.Long) != nil && b.Crop(own.Short) != nil {
				out.Pairs = append(out.Pairs, book.Pairing{ID: own.ID(), Long: own.Long, Short: own.Short, WeeksTogether: own.Weeks, RoomFraction: own.Share, Why: "your own pair", Timing: "easy"})
			}
		}
		for _, pair := range b.Pairings {
			if slices.Contains(u.Pairs, pair.ID) {
				out.Pairs = append(out.Pairs, pair)
			}
		}
	}
	return out, nil
}

// PlantingsOf returns what of a plan needs ground.
func PlantingsOf(p plan.Plan, b *book.Book, wishes []wish.Wish) (out []Planting) {
	priority := map[string]int{}
	for _, w := range wishes {
		priority[w.ID] = map[wish.Priority]int{wish.MustHave: 0, wish.NiceToHave: 2}[w.Priority]
		if w.Priority == wish.WouldLike || w.Priority == "" {
			priority[w.ID] = 1
		}
	}
	for _, s := range p.Sowings {
		crop := b.Crop(s.Crop)
		if crop == nil || s.Method == season.Tray || s.Plants == 0 || s.Clear <= s.Day {
			continue
		}
		g := Planting{ID: s.ID, Crop: crop, Layout: s.Layout, Cover: place.Cover(s.Cover), Planted: max(1, s.Planted), From: s.Day, To: s.Clear, Priority: 2}
		if s.FirstPick != nil && s.LastPick != nil {
			g.First, g.Last = *s.FirstPick, *s.LastPick
		}
		for _, f := range s.For {
			g.Priority = min(g.Priority, priority[f.Wish])
		}
		if s.Method == season.Patch { // it holds its ground through the whole year that is planned
			g.From, g.To = p.Weeks[0]-60, p.Weeks[0]+365
		}
		out = append(out, g)
	}
	return out
}

// Same reports whether two inputs give the same layout: an edit that touches no
// ground need not be fitted anew.
func Same(a, b Input) bool {
	same := func(p, q Planting) bool {
		return p.ID == q.ID && (p.Crop == q.Crop || reflect.DeepEqual(*p.Crop, *q.Crop)) && p.Layout == q.Layout && p.Cover == q.Cover &&
			p.Planted == q.Planted && p.From == q.From && p.To == q.To && p.Last == q.Last && p.Priority == q.Priority && p.InOne == q.InOne && reflect.DeepEqual(p.OutOfSeason, q.OutOfSeason)
	}
	if !slices.EqualFunc(a.Plantings, b.Plantings, same) {
		return false
	}
	a.Plantings, b.Plantings = nil, nil
	return reflect.DeepEqual(a, b)
}

// Laid returns a layout as an agreement keeps it.
func (l Layout) Laid() []bed.Laid {
	out := []bed.Laid{}
	for _, p := range l.Pieces {
		out = append(out, bed.Laid{Sowing: p.Planting, Bed: p.Bed, At: p.At, Planted: p.Planted})
	}
	for _, q := range l.Unplaced {
		out = append(out, bed.Laid{Sowing: q.Planting})
	}
	return out
}
