package household

import (
	"fmt"

	"inventory/internal/core/invalid"
	"inventory/internal/core/learn"
	"inventory/internal/core/record"
)

// Learning is what a household says of what its record teaches: how much of its harvest is usually
// weighed, and what of the figures found is switched off, or said by itself.
type Learning struct {
	Weighs   record.Weighed `json:"weighs,omitempty"`   // the usual answer to "was it weighed?"; empty: most
	Known    []learn.Known  `json:"known,omitempty"`    // effects; a factor of 1 is switched off
	Switched []string       `json:"switched,omitempty"` // other figures that are switched off: loss/<crop>, raw/<preparation>
}

// Validate looks at what is said of learning.
func (l Learning) Validate(c invalid.Check) {
	l.Weighs.Validate(c, "weighs")
	if len(l.Known) > MostWishes || len(l.Switched) > MostWishes {
		c.Add("known", fmt.Sprint(len(l.Known)), fmt.Sprintf("at most %d", MostWishes))
		return
	}
	for i, k := range l.Known {
		at := c.Index("known", i)
		at.OneOf("sort", string(k.Sort), string(learn.OfFood), string(learn.OfKind), string(learn.OfBed), string(learn.OfMethod))
		at.Text("of", k.Of, 100)
		at.Number("factor", k.Factor, 0.05, 20)
	}
	for i, s := range l.Switched {
		c.Text(invalid.Element("switched", i), s, 120)
	}
}

// off returns what is switched off, to be looked up.
func (l Learning) off() map[string]bool {
	out := map[string]bool{}
	for _, s := range l.Switched {
		out[s] = true
	}
	return out
}

// Teaches returns what the household's record holds that teaches: the plantings of the years that have
// ended and those of this year, what was entered, and what it says of it.
func (h Household) Teaches(thisYear []record.Grown, entries []*record.Entry) learn.Record {
	r := learn.Record{Entries: entries}
	for _, y := range h.Past {
		r.Grown = append(r.Grown, y.Grown...)
	}
	r.Grown = append(r.Grown, thisYear...)
	if h.Learning != nil {
		r.Usual, r.Known, r.Switched = h.Learning.Weighs, h.Learning.Known, h.Learning.off()
	}
	return r
}
