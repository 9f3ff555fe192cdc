package backwards

import (
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/reckon"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// fills returns the preparation of a kind that empty jars are to be filled with: the first that
// the household wishes for, else the first of the book that is made of this kind before others;
// nil where there is none, or where it is no jars that are at hand.
func (a *at) fills(x Have, c *book.Crop) *book.Preparation {
	if x.What != Empty {
		return nil
	}
	jarred := func(p *book.Preparation) bool {
		return p != nil && p.Unit == "litre" && p.JarLitre > 0 && p.Raw > 0 && !p.Own && p.Form != string(wish.Frozen) && slices.Contains(p.Crops, c.ID)
	}
	for _, w := range a.in.Household.Wishes {
		for _, id := range w.Preparations {
			if p := a.book.Preparation(id); jarred(p) {
				return p
			}
		}
	}
	for _, p := range a.book.Preparations() {
		if jarred(p) && p.Crops[0] == c.ID {
			return p
		}
	}
	return nil
}

// toFill sets how many plants fill so many jars in an average year, and the ground that they take.
func (a *at) toFill(g *Gives, x Have, c *book.Crop, p *book.Preparation, share float64) {
	each := c.Gives() * share * (1 - a.rules.Cull) * (1 - a.rules.Spoil)
	if each <= 0 {
		return
	}
	s := reckon.StandIn(c, "", reckon.Bed{Width: a.rules.BedWidth, Edge: a.rules.Edge})
	g.Plants = amount.CeilWhole(x.Number * x.Litre * p.Raw / (each * s.Factor))
	g.Area = float64(g.Plants) * s.Ground
}

// filled tells of the jars alone: what is put up is eaten from the shelf. It counts the weeks
// that a wish for them lacks, as far as they go; nothing where they cannot be filled this year.
func (a *at) filled(g *Gives, x Have, p *book.Preparation, thisYear bool) {
	g.Weeks = 0
	g.Jars = []JarsOf{{Preparation: p.Name, Count: x.Number, Unit: amount.Jar, Each: x.Litre}}
	i := slices.IndexFunc(a.in.Household.Wishes, func(w wish.Wish) bool { return slices.Contains(w.Preparations, p.ID) })
	if i < 0 || !thisYear {
		return
	}
	w, told := a.in.Household.Wishes[i], &a.plan.Wishes[i]
	lacks := 0
	for _, source := range told.Source {
		if source == wish.Gap {
			lacks++
		}
	}
	if w.Amount.Kind.Unit() == amount.Jar && w.Amount.Number > 0 {
		jar := wish.JarLitre(w, p)
		goes := amount.FloorWhole(x.Number * x.Litre / jar / w.Amount.Number * season.WeeksPerYear)
		lacks = min(lacks, goes)
	}
	g.Gaps, g.Wish = lacks, told.Title
}
