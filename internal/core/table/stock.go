package table

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// keptAs returns the kind of its food that a lot of the cellar is taken for, the one
// that keeps longest in the store it stands in, and how many weeks that is. What is
// stored is stored because it keeps: nobody puts early potatoes in the cellar.
func (rs *Resolver) keptAs(l stock.Lot) (kind *book.Crop, weeks float64) {
	for _, c := range rs.Book.Food(l.Food) {
		life := c.StoreWeeks.Or(0)
		for _, s := range rs.Household.Storage {
			if s.ID == l.Store {
				life = stock.Life(c, s.Temperature, s.Damp)
			}
		}
		if l.Store == "" {
			_, life = stock.Best(c, rs.Household.Storage)
		}
		if kind == nil || life > weeks {
			kind, weeks = c, life
		}
	}
	return kind, weeks
}

// Keeps returns the day until which a lot keeps: as it says itself, or as long
// as its preparation, or its kind in the store it stands in.
func (rs *Resolver) Keeps(l stock.Lot) civil.Date {
	if l.Until != 0 {
		return l.Until
	}
	if wish.Form(l.Form) == wish.Cellar {
		_, weeks := rs.keptAs(l)
		return l.PutUp + civil.Date(7*weeks)
	}
	months := 0.0
	if p := rs.Book.Preparation(l.Preparation); p != nil {
		months = p.KeepsMonths
	} else {
		for _, p := range rs.Book.Preparations() {
			if p.Form == l.Form && slices.ContainsFunc(p.Crops, func(id string) bool { return rs.Book.Crop(id).Food == l.Food }) {
				months = math.Max(months, p.KeepsMonths)
			}
		}
	}
	return l.PutUp + civil.Date(months*365.25/12)
}

// serves reports whether a lot can feed a use of a wish.
func (l lotOf) serves(w *wish.Wish, u *Use) bool {
	if l.Food != w.Food || l.Form != string(u.Form) || l.Unit != string(u.drawnIn(w)) {
		return false
	}
	return l.Preparation == "" || u.Prep == nil || l.Preparation == u.Prep.ID
}

type lotOf struct{ stock.Lot }

// drawnIn returns the unit in which a use is taken out of the store.
func (u *Use) drawnIn(w *wish.Wish) amount.Unit {
	switch {
	case u.Prep != nil && u.Prep.Unit == "litre":
		return amount.Litre
	case w.Amount.Kind.Counts(wish.CountsPieces):
		return amount.Piece
	}
	return amount.Kilogram
}

// Drawn returns what a use takes out of its store for an amount in the wish's
// unit in week w: kg as they come out of the store, pieces, litres or kg dried.
func (rs *Resolver) Drawn(w *wish.Wish, u *Use, week int, a float64) float64 {
	switch w.Amount.Kind.Counted() {
	case wish.CountsMeals:
		edible := a * rs.eaters(w)[week] * rs.portion(w, u.Crop) / 1000
		if u.Crop.Edible <= 0 {
			return 0
		}
		if u.Prep != nil {
			return edible / u.Crop.Edible / u.Prep.Raw
		}
		return edible / u.Crop.Edible / (1 - rs.Cull)
	case wish.CountsVolume:
		if w.Amount.Kind.Unit() == amount.Jar {
			return a * wish.JarLitre(*w, u.Prep)
		}
	case wish.CountsWeight:
		if u.Prep != nil { // wished as harvested weight
			return a * (1 - rs.Cull) * (1 - rs.Spoil) / u.Prep.Raw
		}
	}
	return a
}

func (rs *Resolver) portion(w *wish.Wish, c *book.Crop) float64 {
	if w.Amount.Portion > 0 {
		return w.Amount.Portion
	}
	return c.Portion.Value
}
