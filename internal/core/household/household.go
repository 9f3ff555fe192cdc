// Package household holds what a household says of itself for one year: who eats, where
// it lives, what it wants, has and has recorded. It checks that all of it can be, and
// sets apart what the crop book does not know. A Household is a value: its functions
// return changed copies.
package household

import (
	"fmt"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Household is all that a household says of itself for one year.
type Household struct {
	Name      string               `json:"name"`
	Year      int                  `json:"year"`           // calendar year in which the table year begins
	Start     civil.MonthDay       `json:"start"`          // first day of the table year; none: the median last frost, or 1 January
	Since     civil.Date           `json:"since,omitzero"` // the day on which it began with the plan: what was to be begun before is not missed
	Risk      season.Risk          `json:"risk"`
	Scale     string               `json:"scale,omitempty"` // where the kitchen scale answers; empty: there is none
	Place     place.Place          `json:"place"`
	Members   []Member             `json:"members"`
	Guests    []Guest              `json:"guests"`
	Storage   []stock.StoragePlace `json:"stores"`
	Wishes    []wish.Wish          `json:"wishes"`
	Overrules []book.Overrule      `json:"overrules"`

	Lots            []stock.Lot           `json:"lots"`      // what stands on the shelf today
	PutIn           []stock.Lot           `json:"-"`         // the same as it was put in, less what spoiled; nil: nothing was taken from it
	Patches         []Patch               `json:"patches"`   // perennials that stand already
	Measures        []Measure             `json:"measures"`  // what it counts by instead of weighing
	OwnCrops        []book.OwnCrop        `json:"own_crops"` // crops and kinds of the household's own
	OwnPreparations []book.OwnPreparation `json:"own_preparations"`

	School    season.School     `json:"school,omitempty"` // how the spring edge is found; empty: by frost
	Habits    []Habit           `json:"habits"`           // how single crops are grown
	Plantings []record.Planting `json:"plantings"`        // sowings set by hand, and those really sown
	Care      []book.CareStep   `json:"care"`             // what it does for its crops while they grow
	Chores    []Chore           `json:"chores"`           // jobs of its own, that no sowing asks for
	Sightings []Sighting        `json:"sightings"`        // when pests were first seen
	Baseline  *record.Baseline  `json:"agreed,omitempty"`
	Weather   []place.Day       `json:"weather"` // the days that have been

	Past     []PastYear `json:"past,omitempty"`     // the years that have ended
	Learning *Learning  `json:"learning,omitempty"` // what it says of what its record teaches; nil: nothing

	Plot  *bed.Plot  `json:"plot,omitempty"`  // the land the beds lie on
	Plots []bed.Plot `json:"plots,omitempty"` // further pieces of land, and sites that are thought of
	Beds  []bed.Bed  `json:"beds"`

	Placements []bed.Placement `json:"placements"`        // sowings put in a bed by hand
	Customs    *bed.Customs    `json:"customs,omitempty"` // how the ground is kept; nil: nothing said

	Entries []record.Entry `json:"entries,omitempty"` // what was recorded, in a household file alone: at work the record is kept beside the household
}

// Patch is a perennial that stands already.
type Patch struct {
	ID      string `json:"id"`
	Crop    string `json:"crop"`
	Plants  int    `json:"plants"`
	Planted int    `json:"planted"` // calendar year
}

// Validate looks at a patch.
func (p Patch) Validate(c invalid.Check, b *book.Book) {
	if crop := b.Crop(p.Crop); crop == nil || !crop.Perennial() {
		c.OfBook().Add("crop", p.Crop, "a plant that stays for years, such as asparagus")
	}
	c.Number("plants", float64(p.Plants), 1, 20000)
	c.Number("planted", float64(p.Planted), 1900, 2150)
}

// Book returns the book with the household's own crops, preparations and
// figures on top, and its rules with the usual values of those it has set.
func (h Household) Book(usual *book.Book) (*book.Book, book.Rules, map[string]float64, error) {
	b, err := usual.WithOwn(h.OwnCrops, h.OwnPreparations)
	if err != nil {
		return nil, book.Rules{}, nil, err
	}
	if own := h.plantedOut(); own != nil {
		b = b.Grown(own)
	}
	return b.With(h.Overrules)
}

// MostWishes bounds a household's wishes, members and the like, so that one
// wrong file cannot fill the machine.
const MostWishes = 500

// Validate looks for everything that cannot stand in a household, and returns
// it as invalid.Fields with paths into the document.
func (h Household) Validate(usual *book.Book) error {
	b, err := usual.WithOwn(h.OwnCrops, h.OwnPreparations)
	if err != nil {
		return err
	}
	return h.validate(b)
}

// validate is Validate with a book that holds the household's own crops.
func (h Household) validate(b *book.Book) error {
	c := invalid.NewCheck()
	h.validateSettings(c)
	h.Place.Validate(c.At("place"))
	if len(h.Members) == 0 {
		c.Add("members", "", "at least one person who eats here")
	}
	if !h.validateLengths(c) {
		return c.Err()
	}
	families := b.Families()
	validateList(c, "members", h.Members, func(x Member) string { return x.ID }, Member.Validate)
	validateList(c, "guests", h.Guests, func(x Guest) string { return x.ID }, Guest.Validate)
	validateList(c, "stores", h.Storage, func(x stock.StoragePlace) string { return x.ID }, stock.StoragePlace.Validate)
	validateList(c, "wishes", h.Wishes, func(x wish.Wish) string { return x.ID }, func(x wish.Wish, at invalid.Check) { x.Validate(at, b) })
	validateList(c, "past", h.Past, func(y PastYear) string { return y.ID }, func(y PastYear, at invalid.Check) { y.Validate(at, b) })
	validateList(c, "measures", h.Measures, func(m Measure) string { return m.ID }, func(m Measure, at invalid.Check) { m.Validate(at) })
	validateList(c, "patches", h.Patches, func(x Patch) string { return x.ID }, func(x Patch, at invalid.Check) { x.Validate(at, b) })
	validateList(c, "habits", h.Habits, func(x Habit) string { return x.Crop }, func(x Habit, at invalid.Check) { x.Validate(at, b) })
	validateList(c, "care", h.Care, func(x book.CareStep) string { return x.ID }, func(x book.CareStep, at invalid.Check) { x.Validate(at, b) })
	validateList(c, "sightings", h.Sightings, func(x Sighting) string { return x.ID }, func(x Sighting, at invalid.Check) { x.Validate(at, b) })
	validateList(c, "chores", h.Chores, func(x Chore) string { return x.ID }, Chore.Validate)
	validateList(c, "plantings", h.Plantings, func(x record.Planting) string { return x.ID }, func(x record.Planting, at invalid.Check) { x.Validate(at, b) })
	place.ValidateDays(c, h.Weather)
	if h.Plot != nil {
		h.Plot.Validate(c.At("plot"))
	}
	if h.Learning != nil {
		h.Learning.Validate(c.At("learning"))
	}
	validateList(c, "plots", h.Plots, func(x bed.Plot) string { return x.ID }, bed.Plot.Validate)
	validateList(c, "beds", h.Beds, func(x bed.Bed) string { return x.ID }, func(x bed.Bed, at invalid.Check) { x.Validate(at, families) })
	if h.Customs != nil {
		pairs := make([]string, len(b.Pairings))
		for i, p := range b.Pairings {
			pairs[i] = p.ID
		}
		h.Customs.Validate(c.At("customs"), families, pairs)
	}
	bed.ValidateAll(c, h.Plot, h.Plots, h.Beds)
	validateList(c, "placements", h.Placements, func(x bed.Placement) string { return x.Sowing }, bed.Placement.Validate)
	validateList(c, "entries", h.Entries, func(x record.Entry) string { return x.ID }, func(x record.Entry, at invalid.Check) { x.Validate(at, b) })
	validateList(c, "lots", h.Lots, func(x stock.Lot) string { return x.ID }, func(x stock.Lot, at invalid.Check) { stock.ValidateLot(at, x, b) })
	seen := map[string]bool{}
	for i, o := range h.Overrules {
		if key := o.Subject + " " + o.Field; seen[key] {
			c.Index("overrules", i).Add("field", o.Field, "each figure once")
		} else {
			seen[key] = true
		}
	}
	return c.Err()
}

// validateLengths reports whether all lists are of a length that can be.
func (h Household) validateLengths(c invalid.Check) bool {
	for _, l := range []struct {
		name    string
		n, most int
	}{{"members", len(h.Members), MostWishes}, {"guests", len(h.Guests), MostWishes}, {"stores", len(h.Storage), MostWishes}, {"wishes", len(h.Wishes), MostWishes},
		{"overrules", len(h.Overrules), MostWishes}, {"patches", len(h.Patches), MostWishes}, {"measures", len(h.Measures), MostWishes}, {"care", len(h.Care), MostWishes}, {"chores", len(h.Chores), MostWishes}, {"sightings", len(h.Sightings), MostWishes}, {"past", len(h.Past), MostYears}, {"own_crops", len(h.OwnCrops), MostWishes},
		{"own_preparations", len(h.OwnPreparations), MostWishes}, {"habits", len(h.Habits), MostWishes}, {"plantings", len(h.Plantings), record.MostPlantings},
		{"beds", len(h.Beds), bed.MostBeds}, {"plots", len(h.Plots), bed.MostPlots}, {"placements", len(h.Placements), record.MostPlantings}, {"lots", len(h.Lots), stock.MostLots}, {"entries", len(h.Entries), record.MostEntries}} {
		if l.n > l.most {
			c.Add(l.name, fmt.Sprint(l.n), fmt.Sprintf("at most %d", l.most))
			return false
		}
	}
	return true
}

// validateList looks at every entry of a list, and that each has an id of its own.
func validateList[T any](c invalid.Check, name string, list []T, id func(T) string, look func(T, invalid.Check)) {
	if len(list) == 0 {
		return
	}
	ids := make(map[string]bool, len(list))
	for i, x := range list {
		at := c.Index(name, i)
		switch own := id(x); {
		case own == "" || len(own) > 64:
			at.Add("id", own, "an id of 1 to 64 characters")
		case ids[own]:
			at.Add("id", own, "an id of its own; another has it")
		}
		ids[id(x)] = true
		look(x, at)
	}
}

func (h Household) validateSettings(c invalid.Check) {
	c.Text("name", h.Name, 80)
	c.Number("year", float64(h.Year), 1950, 2150)
	if !h.Start.IsZero() && !h.Start.Valid() {
		c.Add("start", h.Start.String(), "a day such as 04-28, or none for the last frost")
	}
	c.OneOf("risk", string(h.Risk), string(season.Careful), string(season.UsualRisk), string(season.Bold))
	c.OneOf("school", string(h.School), "", string(season.ByFrost), string(season.ByTemperature))
}

// YearStart returns the first day of the table year: the household's own, or
// the median last spring frost, or 1 January where there is none.
func (h Household) YearStart() civil.Date {
	switch {
	case !h.Start.IsZero():
		return h.Start.In(h.Year)
	case !h.Place.FrostFree:
		return h.Place.LastFrost.In(h.Year)
	}
	return civil.Of(h.Year, 1, 1)
}

// FirstYear returns the year a household plans that begins on a day: the one
// whose table year lies ahead, or has begun so lately that an autumn and winter
// garden can still be sown.
func (h Household) FirstYear(asOf civil.Date) int {
	const lately = 110
	year, _, _ := asOf.Split()
	h.Year = year
	if h.YearStart()+lately < asOf {
		return year + 1
	}
	return year
}

// Agreements returns the days of the kept plan, where it is of this year.
func (h Household) BaselineDays() record.BaselineDays {
	if h.Baseline == nil || h.Baseline.Year != h.Year {
		return nil
	}
	return record.BaselineDaysOf(h.Baseline.Sowings, h.YearStart())
}

// Empty returns a household whose lists are there and empty, as files write them.
func Empty() *Household {
	return &Household{
		Members: []Member{}, Guests: []Guest{}, Storage: []stock.StoragePlace{}, Wishes: []wish.Wish{}, Overrules: []book.Overrule{},
		Lots: []stock.Lot{}, Patches: []Patch{}, Measures: []Measure{}, Care: []book.CareStep{}, Chores: []Chore{}, Sightings: []Sighting{}, OwnCrops: []book.OwnCrop{}, OwnPreparations: []book.OwnPreparation{},
		Habits: []Habit{}, Plantings: []record.Planting{}, Weather: []place.Day{}, Beds: []bed.Bed{}, Placements: []bed.Placement{},
	}
}
