package plan

import (
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// Preview is what one more wish would come to, beside all that is wished already, before it is added.
type Preview struct {
	Plants      int             `json:"plants"`
	Area        float64         `json:"area"` // m²
	RowMetres   float64         `json:"row_metres"`
	Harvested   float64         `json:"harvested"` // harvest needed, in HarvestUnit
	HarvestUnit amount.Unit     `json:"harvest_unit"`
	WeeksFed    int             `json:"weeks_fed"`
	WeeksWanted int             `json:"weeks_wanted"`
	Sowings     []PreviewSowing `json:"sowings"` // by date
	Notes       []say.Note      `json:"notes"`
}

// PreviewSowing is one sowing that the wish would be grown by.
type PreviewSowing struct {
	CropName  string        `json:"crop_name"`
	Method    season.Method `json:"method"`
	Date      civil.Date    `json:"date"`
	PlantOut  *civil.Date   `json:"plant_out,omitempty"`
	FirstPick *civil.Date   `json:"first_pick,omitempty"`
	LastPick  *civil.Date   `json:"last_pick,omitempty"`
	Plants    int           `json:"plants"` // for this wish
	Area      float64       `json:"area"`   // m², for this wish
}

// PreviewWish returns what a wish would come to if it were added. The household is not changed. A wish that
// cannot be is an invalid.Fields.
func PreviewWish(in Input, w wish.Wish) (Preview, error) {
	const added = "preview"
	w.ID = added
	w.Fill()
	b, _, _, err := in.Household.Book(book.Usual())
	if err != nil {
		return Preview{}, err
	}
	c := invalid.NewCheck()
	if w.Validate(c, b); c.Err() != nil {
		return Preview{}, c.Err()
	}
	in.Household.Wishes = append(slices.Clip(in.Household.Wishes), w)
	p, err := Compute(in)
	if err != nil {
		return Preview{}, err
	}
	x := p.Wishes[slices.IndexFunc(p.Wishes, func(x Wish) bool { return x.ID == added })]
	out := Preview{Plants: x.Plants, Area: x.Area, RowMetres: x.RowMetres, Harvested: x.Harvested, HarvestUnit: x.HarvestUnit, WeeksFed: x.WeeksFed, WeeksWanted: x.WeeksWanted, Notes: x.Notes, Sowings: []PreviewSowing{}}
	for _, s := range p.Sowings {
		for _, f := range s.For {
			if f.Wish == added {
				out.Sowings = append(out.Sowings, PreviewSowing{CropName: s.CropName, Method: s.Method, Date: s.Date, PlantOut: s.PlantOut, FirstPick: s.FirstPick, LastPick: s.LastPick, Plants: f.Plants, Area: f.Area})
			}
		}
	}
	return out, nil
}
