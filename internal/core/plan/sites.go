package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
)

// Site is a plot looked at as a place to grow, so that two can be compared before a spade is
// lifted.
type Site struct {
	Plot    string       `json:"plot"` // its id; empty: the first
	Name    string       `json:"name"`
	Land    float64      `json:"land"`            // m²
	Beds    int          `json:"beds"`            // that lie there, or into which it is usually divided
	BedArea float64      `json:"bed_area"`        // m² of them
	Planned bool         `json:"planned"`         // no bed lies there yet
	Sun     string       `json:"sun"`             // full, part, shade
	Hours   *[12]float64 `json:"hours,omitempty"` // of direct sun in the middle of it, by month, where obstacles are measured
	Warmer  float64      `json:"warmer"`          // °C than the place
	Water   string       `json:"water,omitempty"` // can, none; empty: as the household does

	LastFrost  *civil.Date `json:"last_frost,omitempty"` // the medians of this table year; none: frost-free
	FirstFrost *civil.Date `json:"first_frost,omitempty"`
	FrostFree  int         `json:"frost_free"` // days between them

	Crops []SiteCrop `json:"crops"` // of the plan, those that take most ground first
}

// SiteCrop is how a crop of the plan would do on a site.
type SiteCrop struct {
	Crop  string      `json:"crop"`
	Name  string      `json:"name"`
	First *civil.Date `json:"first,omitempty"` // the first harvest there can be; none: it cannot be grown there
	Last  *civil.Date `json:"last,omitempty"`  // the end of picking of what is begun last
	Weeks int         `json:"weeks"`           // that it can feed fresh from the bed
	Why   say.Note    `json:"why"`             // why it cannot be grown there, or what it lacks
}

// Sites looks at every plot of a household, the first one first. The crops are those of the
// plan, each in the open.
func Sites(in Input) ([]Site, error) {
	c, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	h := c.in.Household
	plots := []bed.Plot{}
	if h.Plot != nil {
		plots = append(plots, *h.Plot)
	}
	out := []Site{}
	for _, p := range append(plots, h.Plots...) {
		out = append(out, c.site(p))
	}
	return out, nil
}

// site looks at one plot.
func (c *computed) site(p bed.Plot) Site {
	h := c.in.Household
	middle := bed.Bed{Plot: p.ID, X: p.Length / 2, Y: p.Width / 2}
	s := Site{Plot: p.ID, Name: p.Name, Land: p.Length * p.Width, Sun: bed.SunClass(h.Place.Latitude, &p, middle), Warmer: c.year.Degrees(p.Warmth), Water: p.Water}
	if len(p.Obstacles) > 0 {
		hours := bed.SunHours(h.Place.Latitude, p, middle)
		s.Hours = &hours
	}
	beds := bed.OnPlot(h.Beds, p.ID)
	if s.Planned = len(beds) == 0; s.Planned {
		usual := bed.UsualDividing()
		if shares := bed.Divide(p, usual.Width, usual.Path, usual.Margin); len(shares) > 0 {
			beds = shares[0].Beds
		}
	}
	for _, b := range beds {
		s.Beds, s.BedArea = s.Beds+1, s.BedArea+b.Area()
	}
	air := place.Air{Warmer: s.Warmer}
	if y := c.year.In(air); !y.FrostFree {
		last := c.yearDay(y.Last)
		first := last + civil.Date((y.First-y.Last+place.Days)%place.Days)
		s.LastFrost, s.FirstFrost, s.FrostFree = &last, &first, int(first-last)
	}
	s.Crops = c.siteCrops(air, s.Sun)
	return s
}

// yearDay returns the date of a year day in the table year.
func (b *basis) yearDay(d int) civil.Date {
	return b.date(((d-b.start.YearDay())%place.Days + place.Days) % place.Days)
}

// siteCrops says of each crop of the plan how it does in an air and a sun.
func (c *computed) siteCrops(air place.Air, sun string) []SiteCrop {
	area := map[string]float64{}
	for _, s := range c.plan.Sowings {
		if s.Method.OneYear() {
			area[s.Crop] += s.Area
		}
	}
	out := []SiteCrop{}
	for id := range area {
		crop := c.desk.Book.Crop(id)
		s := c.wholeSeason(crop, air)
		x := SiteCrop{Crop: id, Name: crop.Name, Weeks: s.Fresh().Count(), Why: s.Why}
		for _, w := range s.Windows {
			first, last := c.date(w.First.Ready), c.date(w.Last.End)
			if x.First == nil || first < *x.First {
				x.First = &first
			}
			if x.Last == nil || last > *x.Last {
				x.Last = &last
			}
		}
		if x.First != nil {
			x.Why = crop.LacksIn(sun)
		}
		out = append(out, x)
	}
	slices.SortFunc(out, func(a, b SiteCrop) int {
		return cmp.Or(cmp.Compare(area[b.Crop], area[a.Crop]), cmp.Compare(a.Crop, b.Crop))
	})
	return out
}
