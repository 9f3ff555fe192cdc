package table

import (
	"slices"

	"inventory/internal/core/household"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// each reports whether a member is one of those who each get the amount of a wish.
func each(p wish.Per, m household.Member) bool {
	switch p {
	case wish.PerChild:
		return slices.Contains([]household.Band{household.Teen, household.Child, household.SmallChild}, m.Band)
	case wish.PerInfant:
		return m.Band == household.Infant
	}
	return true
}

// people makes an amount for each of some the amount of them all, and says who eats
// of the wish.
func (rs *Resolver) people(r *Resolved, w *wish.Wish) {
	r.AdultEquivalents = *rs.eaters(w)
	if w.For == nil || w.For.Per == "" || w.Amount.Kind.Counts(wish.CountsMeals) {
		return
	}
	if w.For.Per == wish.PerEater {
		for _, e := range r.AdultEquivalents {
			r.Heads += e / season.WeeksPerYear
		}
	} else {
		for _, m := range rs.Household.Members {
			if each(w.For.Per, m) {
				r.Heads++
			}
		}
	}
	if r.Heads == 0 {
		r.note(say.NobodyItIsFor)
	}
	w.Amount.Number *= r.Heads
}

// eaters returns who eats of a wish in each week: all at the table, or some of them. It must
// not be changed.
func (rs *Resolver) eaters(w *wish.Wish) *[season.WeeksPerYear]float64 {
	if w.For == nil || w.For.Away() || w.For.Use == "" && w.For.People == 0 && (w.For.Per == "" || w.For.Per == wish.PerMember || w.For.Per == wish.PerEater) {
		return &rs.AdultEquivalents
	}
	if found, ok := rs.whom[*w.For]; ok {
		return found
	}
	var out [season.WeeksPerYear]float64
	switch h := rs.Household; {
	case w.For.People > 0:
		for week, all := range rs.AdultEquivalents {
			if all > 0 {
				out[week] = float64(w.For.People)
			}
		}
	case w.For.Use == wish.ForGuests:
		h.Members = nil
		out = h.AdultEquivalents()
	default:
		h.Guests = nil
		h.Members = slices.DeleteFunc(slices.Clone(h.Members), func(m household.Member) bool { return !each(w.For.Per, m) })
		out = h.AdultEquivalents()
	}
	if rs.whom == nil {
		rs.whom = map[wish.Whom]*[season.WeeksPerYear]float64{}
	}
	rs.whom[*w.For] = &out
	return &out
}

// weigh makes a weight of pieces that are put up: a freezer is filled by weight.
func (rs *Resolver) weigh(r *Resolved, w *wish.Wish) {
	if w.Amount.Kind != wish.PiecesYear || len(w.Forms) != 1 || !w.Forms[0].PutUp() {
		return
	}
	c, _ := chooser{book: rs.Book}.kind(*w, w.Forms[0], w.PreparationFor(w.Forms[0], rs.Book))
	if c == nil {
		return
	}
	n := w.Amount.Number
	w.Amount.Kind, w.Amount.Number = wish.WeightYear, n*c.Piece.Value/1000
	w.Left *= c.Piece.Value / 1000
	r.note(say.PiecesWeigh{Pieces: n, Gram: c.Piece.Value, Kilogram: w.Amount.Number})
}
