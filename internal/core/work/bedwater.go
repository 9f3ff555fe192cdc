package work

import (
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// Drinking is a bed as far as its water goes.
type Drinking struct {
	ID, Name string
	Texture  string // of its soil: sand, loam, clay; empty: not said
	By       string // how it is watered: can, none; empty: by the household's drip lines
	Crops    []Thirst
	Hourly   func(day civil.Date) float64 // litres an hour that the drip lines give that lie on a day
}

// BedWater is the water of one bed, week by week.
type BedWater struct {
	Bed   string    `json:"bed"`
	Name  string    `json:"name"`
	By    string    `json:"by,omitempty"` // can: carried there; none: rain alone
	Weeks []BedWeek `json:"weeks"`
}

// BedWeek is the water of a bed in one week.
type BedWeek struct {
	Day      civil.Date `json:"day"`            // its first
	Rain     float64    `json:"rain"`           // mm: measured until yesterday, usual from today on
	Litres   float64    `json:"litres"`         // to be given
	Cans     int        `json:"cans,omitempty"` // that are carried for that
	Minutes  float64    `json:"minutes"`        // that its drip lines run for that, together; 0: none lie there
	Goes     int        `json:"goes"`           // over which it is shared: sand holds little at a time, clay takes it slowly
	Critical []string   `json:"critical"`       // crops for which it matters most, with why
	Seeds    []string   `json:"seeds"`          // crops whose rows must stay damp every day until they are up
}

// brought reckons how the water of a week comes to a bed: in cans, or in minutes of its drip
// lines.
func (b *Drinking) brought(week *BedWeek) {
	switch b.By {
	case bed.ByCan:
		week.Cans = int(math.Ceil(week.Litres/bed.CanLitres - 1e-9))
	case "":
		if hourly := b.Hourly(week.Day + 3); hourly > 0 {
			week.Minutes = week.Litres / hourly * 60
		}
	}
}

// goes is how often a week a bed is watered by its soil: sand holds the water of two or three
// days, clay that of a week. Soil of which nothing is said is taken for loam.
var goes = map[string]int{bed.Sand: 3, "": 2, bed.Loam: 2, bed.Clay: 1}

// WaterBeds reckons the water of beds in the weeks that begin on given days. The rain of days
// before today is what was measured, where it was; of all others it is the normals'.
func WaterBeds(weeks []civil.Date, beds []Drinking, p place.Place, weather []place.Day, today civil.Date) []BedWater {
	daily, high, low := rainOf(p.Rain), place.Curve(p.MeanMax), place.Curve(p.MeanMin)
	fell := map[civil.Date]float64{}
	for _, d := range weather {
		if d.Rain != nil && d.Date < today {
			fell[d.Date] = *d.Rain
		}
	}
	out := make([]BedWater, 0, len(beds))
	for _, b := range beds {
		w := BedWater{Bed: b.ID, Name: b.Name, By: b.By, Weeks: []BedWeek{}}
		for _, day := range weeks {
			week := BedWeek{Day: day, Goes: goes[b.Texture], Seeds: []string{}}
			for d := day; d < day+7; d++ {
				if mm, measured := fell[d]; measured {
					week.Rain += mm
				} else {
					week.Rain += daily[d.YearDay()]
				}
			}
			_, week.Litres, week.Critical = drink(day, b.Crops, week.Rain, rests(high, low, day))
			b.brought(&week)
			for _, c := range b.Crops {
				if c.Sown && c.From < day+7 && c.Up > day && !slices.Contains(week.Seeds, c.Name) {
					week.Seeds = append(week.Seeds, c.Name)
				}
			}
			w.Weeks = append(w.Weeks, week)
		}
		out = append(out, w)
	}
	return out
}
