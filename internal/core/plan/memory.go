package plan

import (
	"math"
	"reflect"
	"slices"
	"sync"

	"inventory/internal/core/book"
	"inventory/internal/core/caution"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
)

// Memory keeps a place's daily tables and the seasons of the book's crops there
// from one plan to the next, so that they are worked out once for a place, its
// rules and a start of the year and not at every edit. It changes no plan: what
// it gives back is what would be worked out again. It may be used by several
// plans at once. The zero Memory is ready for use.
type Memory struct {
	mu      sync.Mutex
	of      remembered
	year    *place.Year
	in      map[place.Air]*place.Year
	seasons map[seasonKey]*season.Season
	own     map[ownKey]*season.Season
	warned  map[caution.Setting][]string
}

// ownKey names a crop with the household's own figures. Every plan makes such a crop
// anew, so it is found by its name and kept while its figures stay.
type ownKey struct {
	id    string
	air   place.Air
	rules season.Rules
}

// seasonKey names a season at one place: a crop, its air and the rules that it is grown
// by.
type seasonKey struct {
	crop  *book.Crop
	air   place.Air
	rules season.Rules
}

// remembered is what seasons hang on, beside the crop.
type remembered struct {
	place place.Place
	been  uint64 // a mark of the days of this year that replace the averages
	start int
}

// recall returns the daily tables of a household's place, and makes the memory
// forget what belongs to another.
func (m *Memory) recall(of remembered, been []place.Day) *place.Year {
	m.mu.Lock()
	defer m.mu.Unlock()
	return m.tables(of, been)
}

func (m *Memory) tables(of remembered, been []place.Day) *place.Year {
	if m.year == nil || m.of != of {
		m.of, m.year = of, place.Build(of.place, been...)
		m.in = map[place.Air]*place.Year{{}: m.year}
		m.seasons, m.own = map[seasonKey]*season.Season{}, map[ownKey]*season.Season{}
	}
	return m.year
}

// season returns the season of a crop in an air. Of a crop with the household's
// own figures it keeps the last.
func (m *Memory) season(of remembered, been []place.Day, key seasonKey) *season.Season {
	m.mu.Lock()
	defer m.mu.Unlock()
	m.tables(of, been) // another plan may have come between
	if s := m.seasons[key]; s != nil {
		return s
	}
	if book.Usual().Crop(key.crop.ID) == key.crop {
		s := season.Of(key.crop, m.tablesIn(key.air), key.rules, of.start)
		m.seasons[key] = s
		return s
	}
	own := ownKey{key.crop.ID, key.air, key.rules}
	s := m.own[own]
	if s == nil || !reflect.DeepEqual(s.Crop, key.crop) {
		s = season.Of(key.crop, m.tablesIn(key.air), key.rules, of.start)
		m.own[own] = s
	}
	return s
}

// cautions returns the book's warnings that belong to a setting. A household adds no warnings
// to the book's, so that they hang on the setting alone. The list must not be changed.
func (m *Memory) cautions(of *book.Book, s caution.Setting) []string {
	m.mu.Lock()
	defer m.mu.Unlock()
	ids, known := m.warned[s]
	if !known {
		if m.warned == nil {
			m.warned = map[caution.Setting][]string{}
		}
		ids = slices.Clip(caution.For(of, s))
		m.warned[s] = ids
	}
	return ids
}

// tablesIn returns the tables of the place in an air. The memory must be locked.
func (m *Memory) tablesIn(air place.Air) *place.Year {
	year := m.in[air]
	if year == nil {
		year = m.year.In(air)
		m.in[air] = year
	}
	return year
}

// begin returns the start for a date fixed by the user, and why that date is outside the
// season, if it is.
func (m *Memory) begin(of remembered, been []place.Day, key seasonKey, day int) (season.Start, say.Note) {
	m.mu.Lock()
	defer m.mu.Unlock()
	m.tables(of, been)
	return season.Begin(key.crop, m.tablesIn(key.air), key.rules, of.start, day)
}

// apart returns a mark of the days of a weather record: two records with other days have
// other marks. It is the 64-bit FNV-1a hash of every number of every day (Fowler, Noll and
// Vo 1991), which keeps the key small; a chance clash is one in 10¹⁹.
func apart(days []place.Day) uint64 {
	const offset, prime = 14695981039346656037, 1099511628211
	h := uint64(offset)
	add := func(v uint64) {
		for range 8 {
			h = (h ^ v&0xff) * prime
			v >>= 8
		}
	}
	for _, d := range days {
		add(uint64(d.Date))
		add(math.Float64bits(d.Max))
		add(math.Float64bits(d.Min))
	}
	return h
}
