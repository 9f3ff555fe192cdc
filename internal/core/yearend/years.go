package yearend

import (
	"cmp"
	"maps"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
)

// Years is the years that were recorded side by side, the oldest first.
type Years struct {
	Years []OneYear    `json:"years"`
	Crops []CropYears  `json:"crops"` // those first of which most came in
	Beds  []CropsInBed `json:"beds"`  // in the household's order
}

// OneYear is what came of a table year in all.
type OneYear struct {
	Year     int      `json:"year"` // in which it began
	Kg       float64  `json:"kg"`   // that came in
	Expected float64  `json:"expected"`
	Area     float64  `json:"area"`             // m² of bed that the household has today
	Jars     float64  `json:"jars"`             // containers put up, those that failed not counted
	Lost     float64  `json:"lost"`             // kg
	Given    float64  `json:"given"`            // kg
	Hours    float64  `json:"hours"`            // of putting up that were told
	Warmer   *float64 `json:"warmer,omitempty"` // °C than the normals, over the days that were recorded; none: too few
	Rain     *float64 `json:"rain,omitempty"`   // mm more than the normals over those days
	Days     int      `json:"days"`             // of weather that were recorded
}

// CropYears is a crop through the years.
type CropYears struct {
	Crop  string     `json:"crop"`
	Name  string     `json:"name"`
	Kg    float64    `json:"kg"` // in all years
	Years []CropYear `json:"years"`
}

// CropYear is a crop in one year.
type CropYear struct {
	Year     int         `json:"year"`
	Kg       float64     `json:"kg"`
	Expected float64     `json:"expected"` // kg, by the book; 0: nothing was planned or written down
	Plants   float64     `json:"plants"`
	First    *civil.Date `json:"first,omitempty"` // the first picking
	Last     *civil.Date `json:"last,omitempty"`
}

// CropsInBed is a bed through the years.
type CropsInBed struct {
	Bed   string    `json:"bed"`
	Name  string    `json:"name"`
	Years []BedYear `json:"years"`
}

// BedYear is a bed in one year: what stood in it, and what came in of it where the harvests say the bed.
type BedYear struct {
	Year  int      `json:"year"`
	Crops []string `json:"crops"`
	Kg    float64  `json:"kg"`
}

// leastWeather is of how many days the weather must be recorded before a year is called warmer or wetter.
const leastWeather = 60

// SideBySide puts the years that were recorded beside each other. The plantings of this year are those of
// the input; of a year that has ended, those that were kept with it.
func SideBySide(in plan.Input, rec *record.Record) (Years, error) {
	h := in.Household
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		return Years{}, err
	}
	grown, err := plan.GrownIn(in)
	if err != nil {
		return Years{}, err
	}
	for _, y := range h.Past {
		grown = append(grown, y.Grown...)
	}
	s := &side{in: in, book: b, years: map[int]*OneYear{}, crops: map[string]map[int]*CropYear{}, beds: map[string]map[int]*BedYear{}}
	for _, e := range rec.Span(civil.Of(1950, 1, 1), in.AsOf) {
		s.enter(e)
	}
	for i := range grown {
		s.grew(&grown[i])
	}
	return s.told(), nil
}

// side is the years being put beside each other.
type side struct {
	in    plan.Input
	book  *book.Book
	years map[int]*OneYear
	crops map[string]map[int]*CropYear
	beds  map[string]map[int]*BedYear
}

// yearOf returns the table year of a day.
func (s *side) yearOf(day civil.Date) int {
	year, _, _ := day.Split()
	h := s.in.Household
	if h.Year = year; day < h.YearStart() {
		year--
	}
	return year
}

func (s *side) year(year int) *OneYear {
	if s.years[year] == nil {
		s.years[year] = &OneYear{Year: year}
	}
	return s.years[year]
}

func (s *side) crop(crop string, year int) *CropYear {
	if s.crops[crop] == nil {
		s.crops[crop] = map[int]*CropYear{}
	}
	if s.crops[crop][year] == nil {
		s.crops[crop][year] = &CropYear{Year: year}
	}
	return s.crops[crop][year]
}

func (s *side) bed(bed string, year int) *BedYear {
	if s.beds[bed] == nil {
		s.beds[bed] = map[int]*BedYear{}
	}
	if s.beds[bed][year] == nil {
		s.beds[bed][year] = &BedYear{Year: year, Crops: []string{}}
	}
	return s.beds[bed][year]
}

// enter puts an entry into its year.
func (s *side) enter(e *record.Entry) {
	if e.Act == record.Note || e.Act == record.Count {
		return
	}
	year, kg := s.yearOf(e.Day), float64(e.Gram)/1000
	y := s.year(year)
	switch {
	case e.Act == record.Harvest:
		y.Kg += kg
		if e.Crop != "" {
			c := s.crop(e.Crop, year)
			c.Kg += kg
			if c.First == nil || e.Day < *c.First {
				c.First = &e.Day
			}
			if c.Last == nil || e.Day > *c.Last {
				c.Last = &e.Day
			}
		}
		if e.Bed != "" {
			s.bed(e.Bed, year).Kg += kg
		}
	case e.Act == record.PutUp:
		y.Jars, y.Hours = y.Jars+e.Jars-float64(e.Failed), y.Hours+e.Hours
	case e.To == record.Lost:
		y.Lost += kg
	case e.To == record.Given:
		y.Given += kg
	}
}

// grew puts a planting into its year.
func (s *side) grew(g *record.Grown) {
	crop := s.book.Crop(g.Crop)
	if crop == nil || s.years[g.Year] == nil { // nothing was recorded of that year
		return
	}
	s.year(g.Year).Expected += g.Kg
	c := s.crop(g.Crop, g.Year)
	c.Expected, c.Plants = c.Expected+g.Kg, c.Plants+g.Plants
	for _, b := range g.Beds {
		if in := s.bed(b.Bed, g.Year); !slices.Contains(in.Crops, crop.Short()) {
			in.Crops = append(in.Crops, crop.Short())
		}
	}
}

// weather says by how much the recorded days of a year were warmer and wetter than the normals.
func (s *side) weather(y *OneYear) {
	year := place.Build(s.in.Household.Place)
	rain := place.Curve(s.in.Household.Place.Rain) // mm a month, day by day
	var warmer, wetter float64
	wet := 0
	for _, d := range s.in.Household.Weather {
		if s.yearOf(d.Date) != y.Year {
			continue
		}
		y.Days++
		warmer += (d.Max+d.Min)/2 - year.Mean[d.Date.YearDay()]
		if d.Rain != nil {
			wet++
			wetter += *d.Rain - rain[d.Date.YearDay()]*12/365
		}
	}
	if y.Days >= leastWeather {
		warmer /= float64(y.Days)
		y.Warmer = &warmer
	}
	if wet >= leastWeather {
		y.Rain = &wetter
	}
}

// told puts all in order.
func (s *side) told() Years {
	out := Years{Years: []OneYear{}, Crops: []CropYears{}, Beds: []CropsInBed{}}
	area := 0.0
	for _, b := range s.in.Household.Beds {
		area += b.Area()
	}
	for _, year := range slices.Sorted(maps.Keys(s.years)) {
		y := s.years[year]
		y.Area = area
		s.weather(y)
		out.Years = append(out.Years, *y)
	}
	for _, id := range slices.Sorted(maps.Keys(s.crops)) {
		crop := s.book.Crop(id)
		if crop == nil {
			continue
		}
		c := CropYears{Crop: id, Name: crop.Name}
		for _, year := range slices.Sorted(maps.Keys(s.crops[id])) {
			c.Years = append(c.Years, *s.crops[id][year])
			c.Kg += s.crops[id][year].Kg
		}
		out.Crops = append(out.Crops, c)
	}
	slices.SortStableFunc(out.Crops, func(a, b CropYears) int { return cmp.Compare(b.Kg, a.Kg) })
	for _, b := range s.in.Household.Beds {
		if s.beds[b.ID] == nil {
			continue
		}
		c := CropsInBed{Bed: b.ID, Name: b.Name}
		for _, year := range slices.Sorted(maps.Keys(s.beds[b.ID])) {
			c.Years = append(c.Years, *s.beds[b.ID][year])
		}
		out.Beds = append(out.Beds, c)
	}
	return out
}
