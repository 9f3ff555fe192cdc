package table

import (
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// chooser picks the kind of a food that suits a use.
type chooser struct {
	book    *book.Book
	seasons func(*book.Crop) *season.Season
}

// kind returns the crop for one use of a wish and why it is that one; nil
// where no kind will do.
//
// One function, since each use is one case, with its reason.
func (ch chooser) kind(w wish.Wish, form wish.Form, prep *book.Preparation) (*book.Crop, say.Fact) {
	kinds := ch.book.Food(w.Food)
	if w.Variety != "" {
		kinds = []*book.Crop{ch.book.Crop(w.Variety)}
	}
	will := func(c *book.Crop) bool {
		switch {
		case w.FeedsNobody():
			return c.Dense == nil
		case !c.Weighed(), form == wish.Cellar && !wish.KeepsWhole(c),
			form.PutUp() && (prep == nil || !slices.Contains(prep.Crops, c.ID)):
			return false
		case w.Amount.Kind.Counts(wish.CountsPieces):
			return wish.CountedInPieces(c)
		case w.Amount.Kind.Counts(wish.CountsMeals) && w.Amount.Portion == 0:
			return c.Portion.Value > 0
		}
		return true
	}
	kinds = slices.DeleteFunc(slices.Clone(kinds), func(c *book.Crop) bool { return !will(c) })
	switch {
	case len(kinds) == 0:
		return nil, nil
	case w.Variety != "":
		return kinds[0], say.ChosenKind
	case len(kinds) == 1 && len(ch.book.Food(w.Food)) == 1:
		return kinds[0], say.OnlyKind
	case w.FeedsNobody():
		return kinds[0], say.UsualKind
	case form == wish.Cellar:
		c := best(kinds, func(c *book.Crop) float64 { return c.StoreWeeks.Value })
		return c, say.KeepsLongest{Weeks: c.StoreWeeks.Value}
	case form.PutUp():
		c := forPuttingUp(kinds, prep)
		if c.Harvest == book.Once {
			return c, say.AllAtOnce
		}
		return c, say.ComesWithin{Days: c.HarvestDays}
	}
	// One sowing of a kind that goes on gives a little every day; the book lists
	// the ordinary one of them first.
	for _, c := range kinds {
		if c.GoesOn {
			if n := ch.seasons(c).Fresh().Count(); n > 0 {
				return c, say.GoesOnGiving{Weeks: n}
			}
		}
	}
	c := best(kinds, func(c *book.Crop) float64 { return float64(ch.seasons(c).Fresh().Count()) })
	return c, say.FreshLongest{Weeks: ch.seasons(c).Fresh().Count()}
}

// thrifty is how many times the least ground a kind may ask for its weight and still be
// taken for being the better one for a preparation.
const thrifty = 1.25

// forPuttingUp picks the kind for a preparation: of those that come together, and do
// not go on giving a little every day where another does not, the first in the
// preparation's own order that asks for no more than a quarter more ground than the
// thriftiest. For what is pickled or fermented whole the order alone counts: nobody
// takes slicing cucumbers for the crock because they bear more.
func forPuttingUp(kinds []*book.Crop, prep *book.Preparation) *book.Crop {
	together := slices.DeleteFunc(slices.Clone(kinds), func(c *book.Crop) bool { return c.GoesOn })
	if len(together) == 0 {
		together = kinds
	}
	ground := func(c *book.Crop) float64 { return c.UsualGround() / math.Max(1e-9, c.Gives()*(1-c.FailProb)) }
	least := math.Inf(1)
	for _, c := range together {
		least = math.Min(least, ground(c))
	}
	whole := prep.Form == string(wish.Pickled) || prep.Form == string(wish.Fermented)
	for _, id := range prep.Crops {
		for _, c := range together {
			if c.ID == id && (whole || ground(c) <= least*thrifty+1e-9) {
				return c
			}
		}
	}
	return together[0]
}

// best returns the first of the crops for which the score is greatest.
func best(kinds []*book.Crop, score func(*book.Crop) float64) (top *book.Crop) {
	most := math.Inf(-1)
	for _, c := range kinds {
		if s := score(c); s > most {
			top, most = c, s
		}
	}
	return top
}
