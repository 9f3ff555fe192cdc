package book

import (
	"fmt"
	"slices"

	"inventory/internal/core/invalid"
)

// Stage is a day in the life of a sowing from which care is counted.
type Stage string

// The stages of a sowing.
const (
	StageSown  Stage = "sown"       // the seed is sown, indoors or in the bed
	StageUp    Stage = "up"         // seedlings should be up; of what is planted: the day it is planted
	StageBed   Stage = "in-bed"     // it stands in the bed: sown there or planted out
	StageFirst Stage = "first-pick" // first picking, or lifting
	StageLast  Stage = "last-pick"  // last picking
	StageClear Stage = "clear"      // the bed is cleared
)

// stages lists all stages in the order of a sowing's life.
var stages = []string{string(StageSown), string(StageUp), string(StageBed), string(StageFirst), string(StageLast), string(StageClear)}

// CareStep is one thing that a household does for a crop while it grows: what, so many
// days before or after a stage, once or again and again.
type CareStep struct {
	ID      string  `json:"id"`
	Crop    string  `json:"crop"` // its id in the crop book
	Do      string  `json:"do"`   // in words, before the name of the crop: Side feed
	From    Stage   `json:"from"`
	Days    int     `json:"days"`              // after that stage; negative: before it
	Every   int     `json:"every,omitempty"`   // days between two times; 0: once
	Times   int     `json:"times,omitempty"`   // how often at most; 0: until Until
	Until   Stage   `json:"until,omitempty"`   // the stage that ends it; empty: until the bed is cleared
	Minutes float64 `json:"minutes"`           // for one time, per Per
	Per     Per     `json:"per"`               //
	Instead string  `json:"instead,omitempty"` // the usual task that it takes the place of: thin, hill, support; empty: none
}

// Per is what minutes are counted by.
type Per string

// What minutes are counted by.
const (
	PerPlant Per = "plant"
	PerArea  Per = "m2"
	PerTime  Per = "once" // all of it together
)

// The bounds of a step: longer before or after a stage nothing is done.
const (
	mostCareDays  = 400
	mostCareTimes = 60
)

// instead lists the usual tasks that a step may take the place of.
var instead = []string{"", "thin", "hill", "support"}

// Validate looks at a step.
func (s CareStep) Validate(c invalid.Check, b *Book) {
	if b.Crop(s.Crop) == nil {
		c.OfBook().Add("crop", s.Crop, "a crop of the book")
	}
	c.Text("do", s.Do, 60)
	c.OneOf("from", string(s.From), stages...)
	if s.Until != "" {
		c.OneOf("until", string(s.Until), stages...)
	}
	c.Number("days", float64(s.Days), -mostCareDays, mostCareDays)
	c.Number("every", float64(s.Every), 0, mostCareDays)
	c.Number("times", float64(s.Times), 0, mostCareTimes)
	c.Number("minutes", s.Minutes, 0, 600)
	c.OneOf("per", string(s.Per), string(PerPlant), string(PerArea), string(PerTime))
	c.OneOf("instead", s.Instead, instead...)
}

// UsualCare is a step that many gardeners do, to choose from. Its step has no crop.
type UsualCare struct {
	CareStep
	Suits []string // foods and groups of crops that it is usual for
}

func (b *Book) readCare(s *sheet) {
	u := UsualCare{Suits: s.list("suits"), CareStep: CareStep{
		ID: s.must("id"), Do: s.must("do"),
		From: Stage(s.word("from", stages...)), Until: Stage(s.word("until", append([]string{""}, stages...)...)),
		Days: int(s.number("days", -mostCareDays, mostCareDays)), Every: int(s.number("every", 0, mostCareDays)), Times: int(s.number("times", 0, mostCareTimes)),
		Minutes: s.number("minutes", 0, 600), Per: Per(s.word("per", string(PerPlant), string(PerArea), string(PerTime))),
		Instead: s.word("instead", instead...),
	}}
	if u.Every == 0 && u.Times > 1 {
		s.fail("every", fmt.Sprint(u.Every), "the days between the times are wanted")
	}
	b.care = append(b.care, u)
}

// CareFor returns the usual steps for a crop, each for that crop, in the order of the book.
func (b *Book) CareFor(c *Crop) []CareStep {
	out := []CareStep{}
	for _, u := range b.care {
		if slices.Contains(u.Suits, c.Food) || slices.Contains(u.Suits, string(c.Group)) {
			step := u.CareStep
			step.Crop = c.ID
			out = append(out, step)
		}
	}
	return out
}

// potDepth is how deep a young plant is set of which the book says nothing else.
const potDepth = "as deep as in its pot"

// readSetDepth reads how deep the young plants of a food are set. It comes after the crops.
func (b *Book) readSetDepth(s *sheet) {
	food, words := s.must("food"), s.must("words")
	if len(b.foods[food]) == 0 {
		s.fail("food", food, "a food of crops.csv is wanted")
	}
	for _, c := range b.foods[food] {
		c.SetDepth = words
	}
}

// DepthSet returns how deep a young plant is set, in words.
func (c *Crop) DepthSet() string {
	if c.SetDepth != "" {
		return c.SetDepth
	}
	return potDepth
}
