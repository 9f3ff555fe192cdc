// Package record describes what happened: sowings that were made, moved or counted, and
// the plan that a household keeps to.
package record

import (
	"fmt"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Planting is a sowing with a date, count or event fixed or recorded by the user. The plan
// computes all others around it.
type Planting struct {
	ID     string        `json:"id"` // of the sowing it is
	Crop   string        `json:"crop"`
	Cover  place.Cover   `json:"cover,omitempty"`
	Method season.Method `json:"way,omitempty"`
	Day    civil.Date    `json:"day"`             // on which it takes the ground, or is to
	Sown   *civil.Date   `json:"sown,omitempty"`  // really sown, or planted where nothing is sown; nil: not yet
	Out    *civil.Date   `json:"out,omitempty"`   // really planted out
	Up     *civil.Date   `json:"up,omitempty"`    // seen to be up
	Asked  int           `json:"asked,omitempty"` // plants that the plan wanted when they were counted

	Planned *civil.Date `json:"planned,omitempty"` // when the plan wanted it begun

	Plants int         `json:"plants,omitempty"`   // that stand or are to; 0: as many as are reckoned
	Stood  int         `json:"stood,omitempty"`    // stations, cells or plants that were counted up
	Of     int         `json:"stood_of,omitempty"` // of so many
	Refill *civil.Date `json:"refill,omitempty"`   // the gaps were sown again
	Behind int         `json:"behind,omitempty"`   // days later than reckoned
	Ended  *civil.Date `json:"ended,omitempty"`    // bolted, failed or cleared: from then on it gives nothing
	Lost   bool        `json:"lost,omitempty"`     // it ended before its time
	LetBe  bool        `json:"let_be,omitempty"`   // it was not begun, and nothing is to be begun in its place
	Weeks  []int       `json:"weeks,omitempty"`    // of what is let be: the weeks of the table year that it was to feed fresh
	Said   Weighed     `json:"weighed,omitempty"`  // whether what came in was weighed; empty: the household's usual answer
	For    []Purpose   `json:"for"`                // what it was sown for
	Done   []Done      `json:"done,omitempty"`     // the rest that was done for it
	Losses []Loss      `json:"losses,omitempty"`
	Note   string      `json:"note,omitempty"`
}

// validateLists looks at what a planting was sown for, what was done for it and what of it was
// lost.
func (p Planting) validateLists(c invalid.Check) {
	for _, w := range p.Weeks {
		c.Number("weeks", float64(w), 0, season.WeeksPerYear-1)
	}
	if len(p.For) > 40 || len(p.Done) > 400 || len(p.Losses) > 100 {
		c.Add("for", fmt.Sprint(len(p.For)), "at most 40 purposes, 400 things done and 100 losses")
	}
	c.Number("stood", float64(p.Stood), 0, float64(p.Of))
	c.Number("stood_of", float64(p.Of), 0, 200_000)
	for i, l := range p.Losses {
		at := c.Index("losses", i)
		at.Number("left", l.Left, 0, 100)
		if _, ok := l.Cause.Words(); !ok {
			at.Add("cause", string(l.Cause), "a cause of losses, such as frost, or none")
		}
	}
	for i, d := range p.Done {
		c.Index("done", i).Text("what", d.What, 40)
		c.Index("done", i).Number("count", d.Count, 0, 1e6)
		if d.Day < civil.Of(1950, 1, 1) || d.Day > civil.Of(2151, 1, 1) {
			c.Index("done", i).Add("day", d.Day.String(), "a day from 1950 to 2150")
		}
	}
}

// Purpose is a use of a wish that a planting serves.
type Purpose struct {
	Wish string    `json:"wish"`
	Form wish.Form `json:"form"`
	Part bool      `json:"part,omitempty"` // another crop that the wish's preparation takes
}

// Done is a piece of work that was done for a planting.
type Done struct {
	What  string     `json:"what"` // the task, such as thin
	Day   civil.Date `json:"day"`
	Count float64    `json:"count,omitempty"`
	Part  bool       `json:"part,omitempty"` // of what is lifted: the rest stands still
}

// Lift is the task that takes a planting out of its bed.
const Lift = "lift"

// Loss is what was lost of a planting, and why.
type Loss struct {
	Day   civil.Date `json:"day"`
	Left  float64    `json:"left"` // plants in a hundred that were left; 0: it was lost outright
	Cause Cause      `json:"cause,omitempty"`
}

// Cause is why something was lost; empty: nobody said.
type Cause string

// CauseFacts is all that is known of a cause.
type CauseFacts struct {
	Cause Cause  `json:"cause"`
	Words string `json:"words"`
}

// causes are the causes of losses, in the order of choices.
var causes = []CauseFacts{
	{"frost", "frost"}, {"pests", "pests or disease"}, {"drought", "drought"}, {"wet", "too wet"}, {"animals", "animals"},
	{"seed", "poor seed"}, {"bolted", "ran to seed"}, {"forgotten", "forgotten"}, {"other", "something else"},
}

// Causes lists the causes of losses with their words.
func Causes() []CauseFacts { return slices.Clone(causes) }

// Words returns a cause in words, and whether there is such a cause. No cause has no words.
func (c Cause) Words() (words string, ok bool) {
	for _, f := range causes {
		if f.Cause == c {
			return f.Words, true
		}
	}
	return "", c == ""
}

// MostPlantings bounds the plantings of a household.
const MostPlantings = 3000

// Begun reports whether it has really been sown or planted.
func (p *Planting) Begun() bool { return p.Sown != nil || p.Out != nil }

// InBed reports whether it was in a bed on a day, as far as is recorded: planted out where it
// was sown indoors, else sown or planted; and neither ended nor lifted, but for a part.
func (p *Planting) InBed(indoors bool, day civil.Date) bool {
	if p.Ended != nil && *p.Ended <= day {
		return false
	}
	for _, d := range p.Done {
		if d.What == Lift && !d.Part && d.Day <= day {
			return false
		}
	}
	return p.Out != nil && *p.Out <= day || !indoors && p.Sown != nil && *p.Sown <= day
}

// Validate looks at a planting.
func (p Planting) Validate(c invalid.Check, b *book.Book) {
	crop := b.Crop(p.Crop)
	if crop == nil {
		c.OfBook().Add("crop", p.Crop, "a crop of the book")
		return
	}
	if crop.Perennial() {
		c.OfBook().Add("crop", p.Crop, "Choose a crop of one season. Plants that stay for years are entered as patches.")
	}
	place.ValidateCover(c, "cover", p.Cover)
	c.OneOf("way", string(p.Method), season.Chosen()...)
	if !season.MayBe(crop, p.Method) {
		c.OfBook().Add("way", string(p.Method), "a way in which "+crop.Short()+" can be grown")
	}
	day := func(field string, d civil.Date) {
		if d < civil.Of(1950, 1, 1) || d > civil.Of(2151, 1, 1) {
			c.Add(field, d.String(), "a day from 1950 to 2150")
		}
	}
	day("day", p.Day)
	for _, f := range []struct {
		field string
		day   *civil.Date
	}{{"sown", p.Sown}, {"out", p.Out}, {"up", p.Up}, {"ended", p.Ended}, {"planned", p.Planned}} {
		if f.day != nil {
			day(f.field, *f.day)
		}
	}
	c.Number("plants", float64(p.Plants), 0, 200000)
	c.Number("asked", float64(p.Asked), 0, 200000)
	c.Number("behind", float64(p.Behind), -120, 120)
	if len(p.Note) > 0 {
		c.Text("note", p.Note, 500)
	}
	p.validateLists(c)
}
