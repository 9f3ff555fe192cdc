package stock

import (
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/wish"
)

// ValidateLot looks for what cannot stand in one lot.
//
// One function, since each rule is one case.
func ValidateLot(c invalid.Check, l Lot, b *book.Book) {
	l.Validate(c)
	c = c.OfBook()
	kinds := b.Food(l.Food)
	f := wish.Form(l.Form)
	switch {
	case kinds == nil:
		c.Add("food", l.Food, "a food of the crop book"+wish.NearestWords(b, l.Food))
		return
	case f == wish.Fresh || !slices.Contains(wish.Forms, f):
		c.OneOf("form", l.Form, wish.KeptNames()...)
		return
	}
	p := b.Preparation(l.Preparation)
	switch {
	case l.Preparation != "" && (p == nil || p.Form != l.Form):
		c.Add("preparation", l.Preparation, "a preparation that is "+l.Form+", or none")
	case p != nil && !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return slices.Contains(p.Crops, k.ID) }):
		c.Add("preparation", l.Preparation, "a preparation of "+l.Food)
	case f.PutUp() && l.Unit == "pieces":
		c.Add("unit", l.Unit, "L or kg, for what is put up")
	case p != nil && (p.Unit == "kg") != (l.Unit == "kg"):
		c.Add("unit", l.Unit, map[string]string{"kg": "kg", "litre": "L"}[p.Unit]+": so "+p.Name+" is measured")
	case f == wish.Cellar && l.Unit == "L":
		c.Add("unit", l.Unit, "kg or pieces, for what is kept whole")
	case f == wish.Cellar && !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return k.StoreWeeks.Value > 0 }):
		c.Add("form", l.Form, "another form: "+l.Food+" does not keep whole")
	}
}
