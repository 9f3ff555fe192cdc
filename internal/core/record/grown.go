package record

import (
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Grown is a planting of a year as what came in of it is held against: how many plants stood, where,
// and what the book expects of so many there. It is kept with a year that has ended, since the book
// and the household's rules may change.
type Grown struct {
	ID     string     `json:"id"` // of the sowing it was
	Crop   string     `json:"crop"`
	Food   string     `json:"food"`
	Method string     `json:"method,omitempty"` // a way of growing that is told apart: its cover
	Day    civil.Date `json:"day"`              // on which it took the ground
	First  civil.Date `json:"first"`            // the first picking that was expected, and the last
	Last   civil.Date `json:"last"`
	Year   int        `json:"year"` // the table year in which the first picking lies
	Plants float64    `json:"plants"`
	Kg     float64    `json:"kg"` // that the book expects of them, in their ground and weeks
	CV     float64    `json:"cv"` // by how much a season's yield varies
	Beds   []InBed    `json:"beds,omitempty"`
	Over   bool       `json:"over,omitempty"` // nothing more comes of it
	Lost   bool       `json:"lost,omitempty"`
	Said   Weighed    `json:"weighed,omitempty"`
}

// InBed is the share of a planting that stood in a bed.
type InBed struct {
	Bed   string  `json:"bed"`
	Share float64 `json:"share"`
}

// Weighed is the answer to "was it weighed?" when a planting is over.
type Weighed string

// The answers. None was not weighed enough to learn from; an empty one is the household's usual answer.
const (
	AllWeighed  Weighed = "all"
	MostWeighed Weighed = "most"
	HalfWeighed Weighed = "half"
	NoneWeighed Weighed = "none"
)

// Validate looks at an answer.
func (w Weighed) Validate(c invalid.Check, field string) {
	c.OneOf(field, string(w), "", string(AllWeighed), string(MostWeighed), string(HalfWeighed), string(NoneWeighed))
}

// Share returns how much of the harvest was weighed, and how much an answer adds to the variance of its
// logarithm; a share of 0 teaches nothing.
func (w Weighed) Share() (share, variance float64) {
	switch w {
	case AllWeighed:
		return 1, 0
	case HalfWeighed:
		return 0.5, 0.25 * 0.25
	case NoneWeighed:
		return 0, 0
	}
	return 0.8, 0.15 * 0.15
}
