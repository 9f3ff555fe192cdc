package bed

import (
	"fmt"

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

// Kin tells whether a green manure keeps a family off a stretch of a bed for some years:
// one that stood there before the family would.
func (b Bed) Kin(family string, years int, from civil.Date) bool {
	for _, g := range b.Green {
		if g.Family == family && years > 0 && g.Sown < from && from < g.Until+civil.Date(365*years) {
			return true
		}
	}
	return false
}
