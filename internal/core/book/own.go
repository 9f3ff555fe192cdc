package book

import (
	"maps"
	"slices"
	"strings"

	"inventory/internal/core/invalid"
)

// OwnCrop is a crop or kind of the household's own. It starts as a copy of a
// row of the book; its figures are then overruled like any other's.
type OwnCrop struct {
	ID   string `json:"id"`
	From string `json:"from"` // the crop of the book it starts from
	Food string `json:"food"` // what the household calls it when it has no kind in mind
	Name string `json:"name"`
}

// OwnPreparation is a preparation of the household's own: no tested recipe. It
// starts as a copy of a row of the book.
type OwnPreparation struct {
	ID    string   `json:"id"`
	From  string   `json:"from"`
	Name  string   `json:"name"`
	Crops []string `json:"crops"` // what it is made of, best first; none: what the book's row is made of
}

// NotTested is put behind the name of every preparation of the household's own.
const NotTested = " (own, not a tested recipe)"

// WithOwn puts a household's own crops and preparations behind those of the
// book. What cannot stand is an invalid.Fields with paths such as own_crops[0].
func (b *Book) WithOwn(crops []OwnCrop, preparations []OwnPreparation) (*Book, error) {
	if len(crops) == 0 && len(preparations) == 0 {
		return b, nil
	}
	check := invalid.NewCheck()
	out := *b
	out.crops, out.preparations = slices.Clone(b.crops), slices.Clone(b.preparations)
	out.byCrop, out.byPrep, out.foods = maps.Clone(b.byCrop), maps.Clone(b.byPrep), maps.Clone(b.foods)
	for i, o := range crops {
		out.addOwnCrop(check.Index("own_crops", i), b, o)
	}
	for i, o := range preparations {
		out.addOwnPreparation(check.Index("own_preparations", i), b, o)
	}
	return &out, check.Err()
}

func (b *Book) addOwnCrop(c invalid.Check, usual *Book, o OwnCrop) {
	from := usual.byCrop[o.From]
	c.Text("name", o.Name, 60)
	c.Text("food", o.Food, 40)
	switch {
	case from == nil:
		c.OfBook().Add("from", o.From, "a crop of the book to start from")
		return
	case o.ID == "" || len(o.ID) > 64 || b.byCrop[o.ID] != nil:
		c.OfBook().Add("id", o.ID, "an id of 1 to 64 characters that no crop has yet")
		return
	case b.named(o.Name, o.ID):
		c.OfBook().Add("name", o.Name, "a name of its own; another crop has it")
	}
	own := *from
	own.ID, own.Name, own.Food, own.Own, own.From = o.ID, strings.TrimSpace(o.Name), strings.ToLower(strings.TrimSpace(o.Food)), true, from.ID
	own.Basis = "yours, from " + from.Name
	b.crops = append(b.crops, &own)
	b.byCrop[o.ID] = &own
	b.foods[own.Food] = append(slices.Clone(b.foods[own.Food]), &own)
	for i, p := range b.preparations { // it may be put up like the row it comes from
		if slices.Contains(p.Crops, from.ID) {
			q := *p
			q.Crops = append(slices.Clone(p.Crops), own.ID)
			b.preparations[i], b.byPrep[q.ID] = &q, &q
		}
	}
}

func (b *Book) named(name, except string) bool {
	return slices.ContainsFunc(b.crops, func(c *Crop) bool {
		return c.ID != except && strings.EqualFold(c.Name, strings.TrimSpace(name))
	})
}

func (b *Book) addOwnPreparation(c invalid.Check, usual *Book, o OwnPreparation) {
	from := usual.byPrep[o.From]
	c.Text("name", o.Name, 60)
	switch {
	case from == nil:
		c.OfBook().Add("from", o.From, "a preparation of the book to start from")
		return
	case o.ID == "" || len(o.ID) > 64 || b.byPrep[o.ID] != nil:
		c.OfBook().Add("id", o.ID, "an id of 1 to 64 characters that no preparation has yet")
		return
	}
	own := *from
	own.ID, own.Name, own.Own, own.From = o.ID, strings.TrimSpace(o.Name)+NotTested, true, from.ID
	own.Basis = "yours, from " + from.Name
	if len(o.Crops) > 0 {
		own.Crops, own.Parts = nil, nil // the parts belong to the recipe it came from
	}
	for _, id := range o.Crops {
		if crop := b.byCrop[id]; crop == nil || !crop.Weighed() {
			c.OfBook().Add("crops", id, "crops of the book that are weighed")
			return
		}
		own.Crops = append(own.Crops, id)
	}
	b.preparations = append(b.preparations, &own)
	b.byPrep[o.ID] = &own
}
