package wish

import (
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// Story is what became of last year's crop of a wish: the amount for this year
// follows from it. Amounts are in the wish's own unit.
type Story struct {
	Had    float64        `json:"had"`              // what there was
	From   civil.MonthDay `json:"from,omitzero"`    // when the first of it was eaten
	RanOut civil.MonthDay `json:"ran_out,omitzero"` // when the last of it was; none: it lasted
	Left   float64        `json:"left,omitempty"`   // still there when the new crop came
	Given  float64        `json:"given,omitempty"`  // given away, or fed to animals
}

// yearWeeks is the length of a year in weeks of seven days.
const yearWeeks = place.Days / 7.0

// Eaten returns what the household itself ate.
func (s Story) Eaten() float64 { return s.Had - s.Left - s.Given }

// Lasted returns for how many weeks it was eaten: the whole year where it did
// not run out.
func (s Story) Lasted() float64 {
	if s.RanOut.IsZero() {
		return yearWeeks
	}
	days := ((s.RanOut.YearDay()-s.From.YearDay())%place.Days + place.Days) % place.Days
	return max(1, float64(days)/7)
}

// Number returns what a whole year at the rate at which it was eaten takes.
func (s Story) Number() float64 { return s.Eaten() / s.Lasted() * yearWeeks }

func (s Story) validate(c invalid.Check, k AmountKind) {
	if k.Weekly() || k.Unweighed() {
		c.Add("had", invalid.FormatNumber(s.Had), "Remove last year’s result. It works only for amounts of a year, such as jars or kg.")
		return
	}
	facts, _ := k.Facts()
	most := facts.Most
	c.Positive("had", s.Had, most)
	c.Number("left", s.Left, 0, most)
	c.Number("given", s.Given, 0, most)
	if s.Eaten() <= 0 && s.Had > 0 {
		c.Add("left", invalid.FormatNumber(s.Left), "Something must have been eaten: what was given away is as much as there was.")
	}
	if s.RanOut.IsZero() {
		return
	}
	if !s.RanOut.Valid() {
		c.Add("ran_out", s.RanOut.String(), "a day such as 02-20")
	}
	if s.From.IsZero() || !s.From.Valid() {
		c.Add("from", s.From.String(), "the day the first was eaten, such as 09-15")
	}
	if s.Left > 0 {
		c.Add("left", invalid.FormatNumber(s.Left), "Enter nothing left, if it ran out.")
	}
}
