package bed

import (
	"fmt"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Green is a green manure sown, or to be sown, on a stretch of a bed. It takes the
// ground until it is ready again, but for one sown under a standing crop.
type Green struct {
	Crop   string     `json:"crop"` // its id in the crop book
	Name   string     `json:"name"`
	Family string     `json:"family,omitempty"` // for the rotation
	At     float64    `json:"at"`               // m along the bed
	Length float64    `json:"length"`           // m
	Sown   civil.Date `json:"sown"`
	Until  civil.Date `json:"until"` // when it is cut and worked in, or dies
	Ready  civil.Date `json:"ready"` // when the next crop may follow
	Under  bool       `json:"under,omitempty"`
}

// mostGreen bounds the green manures of a bed.
const mostGreen = 60

func (b Bed) validateGreen(c invalid.Check) {
	if len(b.Green) > mostGreen {
		c.Add("green", fmt.Sprint(len(b.Green)), fmt.Sprintf("at most %d green manures", mostGreen))
		return
	}
	for i, g := range b.Green {
		at := c.Index("green", i)
		at.Text("name", g.Name, 60)
		at.Number("at", g.At, 0, b.Length)
		at.Number("length", g.Length, 0.1, b.Length)
		if g.At+g.Length > b.Length+1e-3 {
			at.Add("length", invalid.FormatNumber(g.Length), fmt.Sprintf("at most %s m from where it begins to the end of the bed", invalid.FormatNumber(b.Length-g.At)))
		}
		if g.Sown >= g.Until || g.Until > g.Ready || g.Ready > g.Sown+3*365 {
			at.Add("until", g.Until.String(), "a day after it is sown and not after the ground is ready again, within three years")
		}
	}
}

// Kin reports whether a green manure keeps a family off a stretch of a bed for some years:
// one that stood there before the family would.
func (b Bed) Kin(family string, years int, from civil.Date) bool {
	for _, g := range b.Green {
		if g.Family == family && years > 0 && g.Sown < from && from < g.Until+civil.Date(365*years) {
			return true
		}
	}
	return false
}

// OwnGreen is a green manure of the household's own, begun from a row of the book: its
// name, and the figures that it has otherwise.
type OwnGreen struct {
	ID       string  `json:"id"`
	From     string  `json:"from"` // the id of the row of the book
	Name     string  `json:"name"`
	Seed     float64 `json:"seed"`     // g of seed per m²
	Weeks    float64 `json:"weeks"`    // that it should grow to be worth it
	Wait     float64 `json:"wait"`     // weeks between working it in and the next crop
	Nitrogen float64 `json:"nitrogen"` // g per m² that it fixes
}

// GreenManures returns the green manures that a household can sow: the book's, and its
// own begun from them.
func (u *Customs) GreenManures(b *book.Book) []book.GreenManure {
	if u == nil || len(u.OwnGreen) == 0 {
		return b.GreenManures
	}
	out := slices.Clone(b.GreenManures)
	for _, own := range u.OwnGreen {
		from := b.GreenManure(own.From)
		if from == nil {
			continue
		}
		g := *from
		g.ID, g.Name, g.SeedGram, g.WeeksToWorth, g.WaitWeeks, g.Nitrogen = own.ID, own.Name, own.Seed, own.Weeks, own.Wait, own.Nitrogen
		g.WeeksMax = max(g.WeeksMax, own.Weeks)
		out = append(out, g)
	}
	return out
}

// GreenManure returns one of them by its id, or nil.
func (u *Customs) GreenManure(b *book.Book, id string) *book.GreenManure {
	all := u.GreenManures(b)
	if i := slices.IndexFunc(all, func(g book.GreenManure) bool { return g.ID == id }); i >= 0 {
		return &all[i]
	}
	return nil
}

func (u Customs) validateOwnGreen(c invalid.Check) {
	if len(u.OwnGreen) > mostGreen {
		c.Add("own_green", fmt.Sprint(len(u.OwnGreen)), fmt.Sprintf("at most %d green manures of your own", mostGreen))
		return
	}
	for i, g := range u.OwnGreen {
		at := c.Index("own_green", i)
		at.Text("name", g.Name, 60)
		at.Text("id", g.ID, 64)
		if book.Usual().GreenManure(g.From) == nil {
			at.OfBook().Add("from", g.From, "a green manure of the book, such as phacelia")
		}
		if book.Usual().GreenManure(g.ID) != nil || slices.ContainsFunc(u.OwnGreen[:i], func(o OwnGreen) bool { return o.ID == g.ID }) {
			at.Add("id", g.ID, "an id that no other green manure has")
		}
		at.Number("seed", g.Seed, 0.1, 100)
		at.Number("weeks", g.Weeks, 1, 52)
		at.Number("wait", g.Wait, 0, 20)
		at.Number("nitrogen", g.Nitrogen, 0, 50)
	}
}
