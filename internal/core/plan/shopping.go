package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/season"
)

// depths says how deep a sowing's seed, planting stock or young plants are put.
func (s *Sowing) depths(c *book.Crop) {
	s.Depth, s.SetDepth = c.Depth.Or(0), ""
	switch s.Method {
	case season.Bought:
		s.Depth, s.SetDepth = 0, c.DepthSet()
	case season.Indoors:
		s.SetDepth = c.DepthSet()
	case season.Tray:
		s.Depth = 0
	}
}

// Buy is what is to be got of one crop for the sowings that are still to be begun.
type Buy struct {
	Crop    string     `json:"crop"`
	Name    string     `json:"name"`
	Seeds   int        `json:"seeds,omitempty"`
	Gram    float64    `json:"gram,omitempty"`   // of seed
	Pieces  int        `json:"pieces,omitempty"` // of planting stock: tubers, cloves, sets
	Kg      float64    `json:"kg,omitempty"`     // that they weigh
	Stock   string     `json:"stock,omitempty"`  // what they are called
	Plants  int        `json:"plants,omitempty"` // young plants to be bought
	By      civil.Date `json:"by"`               // the day of the first of these sowings
	Sowings int        `json:"sowings"`
}

// Shopping lists what is to be got for the sowings that are still to be begun, by the day on
// which it is needed: seed, planting stock, young plants.
func Shopping(p *Plan) []Buy {
	out := []Buy{}
	for i := range p.Sowings {
		s := &p.Sowings[i]
		if s.Begun || s.Over || s.Stands {
			continue
		}
		k := slices.IndexFunc(out, func(b Buy) bool { return b.Crop == s.Crop })
		if k < 0 {
			k, out = len(out), append(out, Buy{Crop: s.Crop, Name: s.CropName, By: s.Date})
		}
		b := &out[k]
		b.By, b.Sowings = min(b.By, s.Date), b.Sowings+1
		switch s.Method {
		case season.Bought:
			b.Plants += s.SetOut
		case season.Stock, season.Patch:
			b.Pieces, b.Kg, b.Stock = b.Pieces+s.SetOut, b.Kg+s.StockKg, s.StockUnit
		default:
			b.Seeds, b.Gram = b.Seeds+s.Seeds, b.Gram+s.SeedGram
		}
	}
	slices.SortStableFunc(out, func(a, b Buy) int { return cmp.Or(cmp.Compare(a.By, b.By), cmp.Compare(a.Name, b.Name)) })
	return out
}
