package household

import (
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Unknown is an entry of a household that the crop book does not know, or no longer
// allows: it was made with another version of the book. It is kept as it is and left
// out of the plan until somebody mends it or removes it.
type Unknown struct {
	Kind    string `json:"kind"` // wish, lot, patch, habit, care-step, sighting, planting, overrule, own-crop, own-preparation, bed, customs
	ID      string `json:"id"`
	Words   string `json:"words"`   // what it is, such as: the sowing of kale on 3 May 2027
	Of      string `json:"of"`      // what it names: crop, food or preparation; empty where it is something else
	Name    string `json:"name"`    // the name that is not known
	Field   string `json:"field"`   // where it stands in the entry
	Allowed string `json:"allowed"` // what would be right
}

// Fitting returns the household with nothing in it that the book does not know, and
// what was left out of it. The error is about the rest: what cannot stand with any
// book. A household that the book knows whole comes back as it is.
func (h Household) Fitting(usual *book.Book) (Household, []Unknown, error) {
	err := h.whole(usual)
	if !slices.ContainsFunc(invalid.All(err), func(f *invalid.Field) bool { return f.OfBook }) {
		return h, nil, err
	}
	s := &sieve{}
	b := s.own(&h, usual)
	h.Wishes = sifted(s, h.Wishes, "wish", func(w wish.Wish) (string, string) { return w.ID, "the wish for " + w.Food }, func(c invalid.Check, w wish.Wish) { w.Validate(c, b) })
	h.Lots = sifted(s, h.Lots, "lot", func(l stock.Lot) (string, string) {
		return l.ID, fmt.Sprintf("%s × %s of %s on the shelf", invalid.FormatNumber(l.Count), l.Form, l.Food)
	}, func(c invalid.Check, l stock.Lot) { stock.ValidateLot(c, l, b) })
	h.Patches = sifted(s, h.Patches, "patch", func(p Patch) (string, string) { return p.ID, fmt.Sprintf("the patch of %d %s", p.Plants, p.Crop) }, func(c invalid.Check, p Patch) { p.Validate(c, b) })
	h.Habits = sifted(s, h.Habits, "habit", func(x Habit) (string, string) { return x.Crop, "how you grow " + x.Crop }, func(c invalid.Check, x Habit) { x.Validate(c, b) })
	h.Care = sifted(s, h.Care, "care-step", func(x book.CareStep) (string, string) { return x.ID, "“" + x.Do + "” for " + x.Crop }, func(c invalid.Check, x book.CareStep) { x.Validate(c, b) })
	h.Sightings = sifted(s, h.Sightings, "sighting", func(x Sighting) (string, string) { return x.ID, x.Pest + " on " + x.Crop }, func(c invalid.Check, x Sighting) { x.Validate(c, b) })
	h.Plantings = sifted(s, h.Plantings, "planting", func(p record.Planting) (string, string) {
		return p.ID, "the sowing of " + p.Crop + " on " + p.Day.Words()
	}, func(c invalid.Check, p record.Planting) { p.Validate(c, b) })
	h.Overrules = sifted(s, h.Overrules, "overrule", func(o book.Overrule) (string, string) {
		return o.Subject + " " + o.Field, "your figure for " + strings.ReplaceAll(o.Field, "_", " ") + " of " + o.Subject
	}, func(c invalid.Check, o book.Overrule) {
		_, _, _, err := b.With([]book.Overrule{o})
		for _, f := range invalid.All(err) {
			if f.OfBook {
				c.OfBook().Add(strings.TrimPrefix(f.Field, "overrules[0]."), f.Value, f.Allowed)
			}
		}
	})
	s.ground(&h, b)
	return h, s.unknown, h.whole(usual)
}

// whole looks for everything that cannot stand, the household's own figures among
// it.
func (h Household) whole(usual *book.Book) error {
	b, err := usual.WithOwn(h.OwnCrops, h.OwnPreparations)
	if err != nil {
		return err
	}
	if err := h.validate(b); err != nil {
		return err
	}
	_, _, _, err = b.With(h.Overrules)
	return err
}

// sieve gathers what the book does not know.
type sieve struct{ unknown []Unknown }

// names says which kind of name a field holds.
var names = map[string]string{
	"food": "food", "kind": "crop", "crop": "crop", "from": "crop", "crops": "crop", "preparations": "preparation", "preparation": "preparation",
}

func (s *sieve) add(kind, id, words string, f *invalid.Field) {
	field, _, _ := strings.Cut(f.Field, "[")
	u := Unknown{Kind: kind, ID: id, Words: words, Of: names[field], Name: f.Value, Field: f.Field, Allowed: f.Allowed}
	if kind == "own-preparation" && field == "from" {
		u.Of = "preparation"
	}
	if subject, name, ok := strings.Cut(f.Value, "/"); ok && field == "subject" {
		u.Of, u.Name = subject, name
	}
	s.unknown = append(s.unknown, u)
}

// sifted returns the entries that the book knows.
func sifted[T any](s *sieve, list []T, kind string, name func(T) (id, words string), look func(invalid.Check, T)) []T {
	out := make([]T, 0, len(list))
	for _, x := range list {
		c := invalid.NewCheck()
		look(c, x)
		found := slices.DeleteFunc(slices.Clone(invalid.All(c.Err())), func(f *invalid.Field) bool { return !f.OfBook })
		if len(found) == 0 {
			out = append(out, x)
			continue
		}
		id, words := name(x)
		s.add(kind, id, words, found[0])
	}
	return out
}

// own sifts the household's own crops and preparations, and returns the book with
// those that stand. What stands on an unknown one is itself unknown then.
func (s *sieve) own(h *Household, usual *book.Book) *book.Book {
	var crops []book.OwnCrop
	h.OwnCrops = sifted(s, h.OwnCrops, "own-crop", func(o book.OwnCrop) (string, string) { return o.ID, "your own crop " + o.Name }, func(c invalid.Check, o book.OwnCrop) {
		_, err := usual.WithOwn(append(slices.Clone(crops), o), nil)
		if copyFields(c, err, invalid.Element("own_crops", len(crops))+".") {
			crops = append(crops, o)
		}
	})
	var preparations []book.OwnPreparation
	h.OwnPreparations = sifted(s, h.OwnPreparations, "own-preparation", func(o book.OwnPreparation) (string, string) { return o.ID, "your own preparation " + o.Name }, func(c invalid.Check, o book.OwnPreparation) {
		_, err := usual.WithOwn(crops, append(slices.Clone(preparations), o))
		if copyFields(c, err, invalid.Element("own_preparations", len(preparations))+".") {
			preparations = append(preparations, o)
		}
	})
	b, err := usual.WithOwn(crops, preparations)
	if err != nil { // only with a mistake that no book allows, which is told by whole
		return usual
	}
	return b
}

// copyFields puts the mistakes of an error into a check, without a prefix, and tells
// whether there were none.
func copyFields(c invalid.Check, err error, prefix string) bool {
	for _, f := range invalid.All(err) {
		if f.OfBook {
			c = c.OfBook()
		}
		c.Add(strings.TrimPrefix(f.Field, prefix), f.Value, f.Allowed)
	}
	return err == nil
}

// ground takes unknown families and pairs out of beds and customs; the bed itself
// stays.
func (s *sieve) ground(h *Household, b *book.Book) {
	families := b.Families()
	strange := func(f string) bool { return !slices.Contains(families, f) }
	h.Beds = slices.Clone(h.Beds)
	for i := range h.Beds {
		k := &h.Beds[i]
		c := invalid.NewCheck()
		k.Validate(c, families)
		s.addAll("bed", k.ID, "what grew or grows in "+k.Name, c)
		k.Stood, k.Stands = slices.Clone(k.Stood), slices.Clone(k.Stands)
		for j := range k.Stood {
			k.Stood[j].Families = slices.DeleteFunc(slices.Clone(k.Stood[j].Families), strange)
		}
		for j := range k.Stands {
			if strange(k.Stands[j].Family) {
				k.Stands[j].Family = ""
			}
		}
	}
	if h.Customs == nil {
		return
	}
	pairs := make([]string, len(b.Pairings))
	for i, p := range b.Pairings {
		pairs[i] = p.ID
	}
	u := *h.Customs
	c := invalid.NewCheck()
	u.Validate(c, families, pairs)
	s.addAll("customs", "", "the rules for your beds", c)
	u.Exceptions = slices.DeleteFunc(slices.Clone(u.Exceptions), strange)
	u.Pairs = slices.DeleteFunc(slices.Clone(u.Pairs), func(id string) bool { return !slices.Contains(pairs, id) })
	h.Customs = &u
}

// addAll adds all that hangs on the book among what a check has found.
func (s *sieve) addAll(kind, id, words string, c invalid.Check) {
	for _, f := range invalid.All(c.Err()) {
		if f.OfBook {
			s.add(kind, id, words, f)
		}
	}
}

// CallIt puts another name in place of one that the book does not know, wherever the
// household names it. Of says what it is the name of: crop, food or preparation.
func (h *Household) CallIt(of, unknown, known string) {
	swap := func(what string, name *string) {
		if what == of && *name == unknown {
			*name = known
		}
	}
	h.Wishes = slices.Clone(h.Wishes)
	for i := range h.Wishes {
		w := &h.Wishes[i]
		swap("food", &w.Food)
		swap("crop", &w.Variety)
		w.Preparations = slices.Clone(w.Preparations)
		for j := range w.Preparations {
			swap("preparation", &w.Preparations[j])
		}
	}
	h.Lots = slices.Clone(h.Lots)
	for i := range h.Lots {
		swap("food", &h.Lots[i].Food)
		swap("preparation", &h.Lots[i].Preparation)
	}
	crop := func(name *string) { swap("crop", name) }
	h.Patches = renamed(h.Patches, crop, func(x *Patch) *string { return &x.Crop })
	h.Habits = renamed(h.Habits, crop, func(x *Habit) *string { return &x.Crop })
	h.Care = renamed(h.Care, crop, func(x *book.CareStep) *string { return &x.Crop })
	h.Sightings = renamed(h.Sightings, crop, func(x *Sighting) *string { return &x.Crop })
	h.Plantings = renamed(h.Plantings, crop, func(x *record.Planting) *string { return &x.Crop })
	h.OwnCrops = renamed(h.OwnCrops, crop, func(x *book.OwnCrop) *string { return &x.From })
	h.OwnPreparations = slices.Clone(h.OwnPreparations)
	for i := range h.OwnPreparations {
		o := &h.OwnPreparations[i]
		swap("preparation", &o.From)
		o.Crops = slices.Clone(o.Crops)
		for j := range o.Crops {
			swap("crop", &o.Crops[j])
		}
	}
	h.Overrules = slices.Clone(h.Overrules)
	for i := range h.Overrules {
		if o := &h.Overrules[i]; o.Subject == of+"/"+unknown {
			o.Subject = of + "/" + known
		}
	}
}

// renamed returns a list in which what each entry names is swapped.
func renamed[T any](list []T, swap func(*string), name func(*T) *string) []T {
	list = slices.Clone(list)
	for i := range list {
		swap(name(&list[i]))
	}
	return list
}
