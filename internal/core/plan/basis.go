package plan

import (
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/working"
)

// basis is what every step reads: the input, the book with the household's own figures,
// the rules, the year and the climate. No step changes it.
type basis struct {
	in     Input // fitted to the book
	desk   *reckon.Desk
	trying *reckon.Desk // the same desk, for sizes that are only tried: it records nothing
	start  civil.Date   // first day of the table year
	eaters [season.WeeksPerYear]float64
	year   *place.Year // the place's daily tables, without a cover
	air    air
	anyDay bool                       // days that are past count like others
	today  bool                       // nothing new is begun before the day it is
	named  map[namedAt]string         // names of the sowings as if nothing were past: they keep them
	before map[string]*table.Resolved // the wishes as if nothing were past, by name
}

// air gives the seasons of crops at the household's place. It keeps those that were
// asked for; keeping them changes no result.
type air struct {
	memory  *Memory
	of      remembered
	been    []place.Day // days of this year that replace the averages
	seasons map[grownIn]*season.Season
	left    map[grownIn]*season.Season // those of them that may still be begun
}

// grownIn names a crop in an air; the household's rules for it are always the same in
// one plan.
type grownIn struct {
	crop *book.Crop
	air  place.Air
}

// basisOf works out what every step reads, of an input that was fitted to the book.
func basisOf(in Input, rec *working.Recorder) (*basis, error) {
	h := in.Household
	own, rules, usualRules, err := h.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	own = own.Taught(in.Taught)
	if in.Memory == nil {
		in.Memory = &Memory{}
	}
	b := &basis{
		in: in, start: h.YearStart(), eaters: h.AdultEquivalents(),
		desk:   &reckon.Desk{Book: own, Rules: rules, UsualRules: usualRules, Recorder: rec},
		trying: &reckon.Desk{Book: own, Rules: rules, UsualRules: usualRules},
	}
	been := place.ThisYear(h.Place, h.Weather, in.AsOf)
	b.air = air{in.Memory, remembered{h.Place, apart(been), b.start.YearDay()}, been, map[grownIn]*season.Season{}, map[grownIn]*season.Season{}}
	b.year = in.Memory.recall(b.air.of, been)
	return b, nil
}

// season returns what of a crop's season here in the open or under a cover may still be begun.
func (b *basis) season(crop *book.Crop, cover place.Cover) *season.Season {
	s := b.wholeSeason(crop, place.Air{Cover: cover})
	if !b.today {
		return s
	}
	at := grownIn{crop, place.Air{Cover: cover}}
	left := b.air.left[at]
	if left == nil {
		left = s.From(b.dayOf(b.in.AsOf))
		b.air.left[at] = left
	}
	return left
}

// seasonUnder returns a crop's season under a cover, as if nothing were past.
func (b *basis) seasonUnder(crop *book.Crop, cover place.Cover) *season.Season {
	return b.wholeSeason(crop, place.Air{Cover: cover})
}

// wholeSeason returns a crop's season here in an air, as if nothing were past.
func (b *basis) wholeSeason(crop *book.Crop, in place.Air) *season.Season {
	at := grownIn{crop, in}
	s := b.air.seasons[at]
	if s == nil {
		s = b.air.memory.season(b.air.of, b.air.been, seasonKey{crop, in, b.in.Household.Rules(crop.ID)})
		b.air.seasons[at] = s
	}
	return s
}

// begin returns the start of a crop that takes the ground on a day, counted from the
// start of the table year, by a method: UsualWay is that of the household. The text says
// why the day is outside the crop's season; it is empty where it is not.
func (b *basis) begin(crop *book.Crop, in place.Air, way season.Method, day int) (season.Start, say.Note) {
	rules := b.in.Household.Rules(crop.ID)
	if way != season.UsualMethod {
		rules.Method = way
	}
	return b.air.memory.begin(b.air.of, b.air.been, seasonKey{crop, in, rules}, day)
}

// date returns the date of a day of the table year.
func (b *basis) date(day int) civil.Date { return b.start + civil.Date(day) }

// dayOf returns the day of the table year of a date.
func (b *basis) dayOf(d civil.Date) int { return int(d - b.start) }

// weekStart returns the first day of a week of the table year.
func (b *basis) weekStart(week int) civil.Date { return b.date(7 * week) }
