package plan

import (
	"cmp"
	"fmt"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// Week is one week of the ledger: what is eaten and from where, what comes in,
// what the kitchen does.
type Week struct {
	Week             int        `json:"week"`
	From             civil.Date `json:"from"`
	To               civil.Date `json:"to"`
	AdultEquivalents float64    `json:"eaters"`
	Eaten            []Eaten    `json:"eaten"`
	Coming           []Coming   `json:"coming"`
	Kitchen          []Batch    `json:"kitchen"`
	Batches          float64    `json:"batches"`
	Can              float64    `json:"can"`   // batches
	Hours            float64    `json:"hours"` // of putting up

	Garden []GardenHours `json:"garden"` // what the work in the garden is, the most first
}

// Eaten is one wish in one week.
type Eaten struct {
	Wish     string      `json:"wish"`
	Title    string      `json:"title"`
	Amount   float64     `json:"amount"`
	Unit     amount.Unit `json:"unit"`
	Source   string      `json:"source"`
	Ahead    string      `json:"ahead"`          // the source in the year that comes, from the shelf as it stands
	From     string      `json:"from,omitempty"` // the store, the sowing or the preparation
	Take     float64     `json:"take"`           // what is taken out of the bed, store, jar or freezer
	TakeUnit amount.Unit `json:"take_unit"`
	Sources  []string    `json:"sources"` // what the week could be pinned to
	Pinned   bool        `json:"pinned"`
	Figure   string      `json:"figure,omitempty"` // whose working says how much the whole use takes
}

// Coming is what comes in of one crop in one week of an average year.
type Coming struct {
	Sowing string   `json:"sowing"`
	Crop   string   `json:"crop"`
	Kg     float64  `json:"kg"`
	Pieces float64  `json:"pieces"`
	For    []string `json:"for"` // titles of the wishes it serves
}

// WeekOf returns one week of a household's ledger, 0 to 51.
//
// One function, since it fills the whole of a week.
func WeekOf(in Input, n int) (Week, error) {
	if n < 0 || n >= season.WeeksPerYear {
		return Week{}, fmt.Errorf("there is no week %d; the year has weeks 0 to 51", n)
	}
	c, err := worked(in, nil)
	if err != nil {
		return Week{}, err
	}
	k := &c.kitchen
	out := Week{Week: n, From: c.weekStart(n), To: c.date(7*n + 6), AdultEquivalents: c.eaters[n],
		Eaten: []Eaten{}, Coming: []Coming{}, Kitchen: k.parts(n), Batches: k.Batches[n], Can: k.Capacity, Hours: k.Hours[n], Garden: c.gardenIn(n)}
	for i := range c.weeks.wishes {
		if r := c.weeks.wishes[i]; r.Wanted[n] > 0 {
			out.Eaten = append(out.Eaten, c.eatenIn(i, r, n))
		}
	}
	for _, s := range c.sown {
		in := Coming{Sowing: s.ID, Crop: s.CropName}
		for i := range s.parts {
			m := s.part(i)
			kg := m.arrives()[n]
			if kg <= 1e-9 {
				continue
			}
			in.Kg += kg
			if m.part().d.key.pieces && m.part().d.crop.Piece.Value > 0 {
				in.Pieces += kg * 1000 / m.part().d.crop.Piece.Value
			}
			if !slices.Contains(in.For, m.f().Title) {
				in.For = append(in.For, m.f().Title)
			}
		}
		if in.Kg <= 0 {
			continue
		}
		if i := slices.IndexFunc(out.Coming, func(o Coming) bool { return o.Crop == in.Crop && (o.Pieces > 0) == (in.Pieces > 0) }); i >= 0 {
			same := &out.Coming[i]
			same.Kg, same.Pieces = same.Kg+in.Kg, same.Pieces+in.Pieces
			for _, f := range in.For {
				if !slices.Contains(same.For, f) {
					same.For = append(same.For, f)
				}
			}
			continue
		}
		out.Coming = append(out.Coming, in)
	}
	slices.SortStableFunc(out.Coming, func(a, b Coming) int { return cmp.Compare(b.Kg, a.Kg) })
	return out, nil
}

// eatenIn says one wish in one week.
func (c *computed) eatenIn(i int, r *table.Resolved, n int) Eaten {
	e := Eaten{Wish: r.Wish.ID, Title: c.plan.Wishes[i].Title, Amount: r.Wanted[n], Unit: r.Unit, Source: string(r.Source[n]), Ahead: string(r.Coming[n]), Sources: []string{}}
	for k := range r.Uses {
		u := &r.Uses[k]
		if u.CanFeed.Has(n) {
			e.Sources = append(e.Sources, string(u.Form))
		}
		if !u.Weeks.Has(n) {
			continue
		}
		e.Figure = "wish/" + r.Wish.ID + "/" + formName(u.Form) + "/harvested"
		e.Take, e.TakeUnit = c.weeks.storeUnit(r, u, n, u.Amount[n]), amount.Kilogram
		switch {
		case u.Form == wish.Fresh:
			e.From = u.Crop.Short()
			if u.DrawnIn(r.Wish) == amount.Piece {
				e.Take, e.TakeUnit = u.Amount[n], amount.Piece
			}
		case u.Prep != nil:
			e.From, e.TakeUnit = u.Prep.Name, unitOf(u.Prep)
		case u.Store != nil:
			e.From = u.Store.Name
		default:
			e.From = "the bed, kept until needed"
		}
	}
	e.Sources = append(e.Sources, string(wish.Bought))
	first := c.start.YearDay()
	for _, p := range r.Wish.Pins {
		e.Pinned = e.Pinned || season.WeekOf(p.Day.YearDay()-first) == n
	}
	return e
}
