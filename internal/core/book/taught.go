package book

import "maps"

// Own is what a household's plantings of a crop give of what the book says, as its record teaches it.
type Own struct {
	Factor    float64 // the middle; 0: nothing was recorded
	Low, High float64 // it is less in one case of ten, and more in one of ten
	Sd        float64 // standard deviation of its logarithm
	Plantings int     // of the food that it was learned from
	Years     int
}

// Lesson is a figure that the record teaches in place of a usual one.
type Lesson struct {
	Value float64
	From  int // plantings, or batches, that it was learned from
}

// Taught is what a household's record teaches of the book's figures.
type Taught struct {
	Yields map[string]Own    // by crop
	Losses map[string]Lesson // chance that a sowing of a crop fails
	Raw    map[string]Lesson // kg of raw food for a unit of a preparation
}

// Taught returns the book with what the record teaches on top. A figure that the household has set itself
// stays as it set it.
func (b *Book) Taught(t Taught) *Book {
	o := overruling{usual: b, book: *b, changed: map[string]bool{}}
	for id, own := range t.Yields {
		if c := b.byCrop[id]; c != nil && own.Factor > 0 && !c.set("yield") {
			o.crop(id).OwnYield = own
		}
	}
	for id, l := range t.Losses {
		if c := b.byCrop[id]; c != nil && !c.set("fail_prob") {
			c = o.crop(id)
			c.learn("fail_prob", l, c.FailProb)
			c.FailProb = l.Value
		}
	}
	for id, l := range t.Raw {
		if p := b.byPrep[id]; p != nil && !p.set("raw") {
			p = o.preparation(id)
			p.taught = map[string]lesson{"raw": {l, p.Raw}}
			p.Raw = l.Value
		}
	}
	if len(o.changed) == 0 && !o.prepared {
		return b
	}
	o.book.relink(b, o.changed, o.prepared)
	return &o.book
}

// lesson is a figure that was learned, with the book's.
type lesson struct {
	Lesson
	usual float64
}

// set reports whether the household has set a figure of a crop.
func (c *Crop) set(field string) bool {
	_, is := c.usual[field]
	return is
}

// set reports whether the household has set a figure of a preparation.
func (p *Preparation) set(field string) bool {
	_, is := p.usual[field]
	return is
}

// learn notes that a figure was learned.
func (c *Crop) learn(field string, l Lesson, usual float64) {
	c.taught = maps.Clone(c.taught)
	if c.taught == nil {
		c.taught = map[string]lesson{}
	}
	c.taught[field] = lesson{l, usual}
}

// Gives returns what a plant gives at the usual spacing, kg: by the book or the household's own figure,
// times what the household's plantings give of that.
func (c *Crop) Gives() float64 {
	if c.OwnYield.Factor > 0 {
		return c.Yield.Value * c.OwnYield.Factor
	}
	return c.Yield.Value
}
