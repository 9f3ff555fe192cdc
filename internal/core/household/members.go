package household

import (
	"slices"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
)

// Band is an age band with its usual appetite.
type Band string

// The age bands.
const (
	Adult      Band = "adult"
	Teen       Band = "teen"
	Child      Band = "child"       // 7 to 12
	SmallChild Band = "small-child" // 3 to 6
	Infant     Band = "infant"      // under three
)

var appetites = map[Band]float64{Adult: 1, Teen: 1.15, Child: 0.75, SmallChild: 0.5, Infant: 0.25}

// UsualAppetite returns the appetite of an age band, 1 being an adult's.
func UsualAppetite(b Band) float64 { return appetites[b] }

// Member is one of those who eat here.
type Member struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Band     Band     `json:"band"`
	Appetite *float64 `json:"appetite,omitempty"` // the member's own; nil: the band's
	Away     []Span   `json:"away,omitempty"`
}

// Eats returns the member's appetite, 1 being an adult's.
func (m Member) Eats() float64 {
	if m.Appetite != nil {
		return *m.Appetite
	}
	return appetites[m.Band]
}

// Span is a run of days that comes round every year, both ends included.
type Span struct {
	From civil.MonthDay `json:"from"`
	To   civil.MonthDay `json:"to"`
}

// Guest is company for a span of the year.
type Guest struct {
	ID               string  `json:"id"`
	Name             string  `json:"name"`
	AdultEquivalents float64 `json:"eaters"` // eater-equivalents, an adult being 1
	Span
}

func (s Span) has(yearDay int) bool {
	from, to := s.From.YearDay(), s.To.YearDay()
	if from <= to {
		return from <= yearDay && yearDay <= to
	}
	return yearDay >= from || yearDay <= to
}

func (s Span) validate(c invalid.Check) {
	if !s.From.Valid() {
		c.Add("from", s.From.String(), "a day such as 08-01")
	}
	if !s.To.Valid() {
		c.Add("to", s.To.String(), "a day such as 08-31")
	}
}

// Validate looks at a member.
func (m Member) Validate(c invalid.Check) {
	c.Text("name", m.Name, 60)
	c.OneOf("band", string(m.Band), string(Adult), string(Teen), string(Child), string(SmallChild), string(Infant))
	if m.Appetite != nil {
		c.Number("appetite", *m.Appetite, 0, 3)
	}
	for i, s := range m.Away {
		s.validate(c.Index("away", i))
	}
}

// Validate looks at guests.
func (g Guest) Validate(c invalid.Check) {
	c.Text("name", g.Name, 60)
	c.Positive("eaters", g.AdultEquivalents, 200)
	g.Span.validate(c)
}

// Eaters returns E(w): the eater-equivalents at the table in each week of the
// year, a day away counting as a seventh of a week. Members are summed in the
// order of their ids, so that the sum does not hang on how they are listed.
func (h Household) AdultEquivalents() (e [season.WeeksPerYear]float64) {
	members := slices.Clone(h.Members)
	slices.SortFunc(members, func(a, b Member) int { return strings.Compare(a.ID, b.ID) })
	guests := slices.Clone(h.Guests)
	slices.SortFunc(guests, func(a, b Guest) int { return strings.Compare(a.ID, b.ID) })
	eats := make([]float64, len(members))
	for i, m := range members {
		eats[i] = m.Eats()
	}
	first := h.YearStart().YearDay()
	for w := range e {
		days := 7
		if w == season.WeeksPerYear-1 {
			days = place.Days - 7*w
		}
		for d := range days {
			yearDay := (first + 7*w + d) % place.Days
			for i := range members {
				home := true
				for _, s := range members[i].Away {
					home = home && !s.has(yearDay)
				}
				if home {
					e[w] += eats[i] / float64(days)
				}
			}
			for i := range guests {
				if guests[i].has(yearDay) {
					e[w] += guests[i].AdultEquivalents / float64(days)
				}
			}
		}
	}
	return e
}
