package plan

import (
	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/wish"
)

// Foresight is what a change would come to, before it is taken: the whole plan reckoned
// again with it.
type Foresight struct {
	Before Tally     `json:"before"`
	After  Tally     `json:"after"`
	Wishes []FedMove `json:"wishes"` // whose fed weeks would be others
	Moves  []Move    `json:"moves"`  // sowings that would be others, at most mostMoves
	More   int       `json:"more"`   // how many more of them
}

// FedMove is a wish whose fed weeks change.
type FedMove struct {
	Title string `json:"title"`
	Was   int    `json:"was"`
	Is    int    `json:"is"`
}

// mostMoves is how many moved sowings are told one by one.
const mostMoves = 12

// Foresee reckons what a change would come to. The error is an invalid.Fields about the
// change where it cannot stand.
func Foresee(in Input, change Change) (Foresight, error) {
	before, err := Compute(in)
	if err != nil {
		return Foresight{}, err
	}
	if o := change.Overrule; o != nil {
		if _, _, _, err := book.Usual().With([]book.Overrule{*o}); err != nil && book.Usual().Crop(cropOf(o.Subject)) != nil {
			return Foresight{}, err // told of the one that is asked about
		}
	}
	_, after, err := in.Changed(change)
	if err != nil {
		return Foresight{}, err
	}
	f := Foresight{Before: before.Tally, After: after.Tally, Wishes: []FedMove{}, Moves: Moves(before.Baseline().Sowings, after.Baseline().Sowings)}
	for i, w := range after.Wishes {
		if was := before.Wishes[i].WeeksFed; was != w.WeeksFed {
			f.Wishes = append(f.Wishes, FedMove{w.Title, was, w.WeeksFed})
		}
	}
	if n := len(f.Moves); n > mostMoves {
		f.Moves, f.More = f.Moves[:mostMoves], n-mostMoves
	}
	return f, nil
}

func cropOf(subject string) string {
	const crop = "crop/"
	if len(subject) > len(crop) && subject[:len(crop)] == crop {
		return subject[len(crop):]
	}
	return ""
}

// NewCover refuses a cover that a wish is newly given where it does nothing for any of
// its uses here, as an invalid.Field. A cover that the wish has already is left: what it
// does hangs on the place, which may have changed.
func NewCover(in Input, w wish.Wish) error {
	if w.Cover == place.NoCover {
		return nil
	}
	for _, had := range in.Household.Wishes {
		if had.ID == w.ID && had.Cover == w.Cover && had.Food == w.Food && had.Variety == w.Variety {
			return nil
		}
	}
	w.Fill()
	in.Household.Wishes, in.Household.Plantings, in.Household.Baseline = []wish.Wish{w}, nil, nil
	c, err := worked(in, nil)
	if err != nil || len(c.weeks.wishes) != 1 || len(c.weeks.wishes[0].Uses) == 0 {
		return nil // what else is wrong with the wish is told by its edit
	}
	if r := c.weeks.wishes[0]; r.IdleCovers >= len(r.Uses) {
		return &invalid.Field{Field: "cover", Value: string(w.Cover.Kind()), Allowed: "Choose no cover: it does nothing here. The crop is sown and picked on the same days without it."}
	}
	return nil
}
