package plan

import (
	"sync"

	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
)

// Memory keeps a place's daily tables and the seasons of the book's crops there
// from one plan to the next, so that they are worked out once for a place, a
// risk and a start of the year and not at every edit. It changes no plan: what
// it gives back is what would be worked out again. It may be used by several
// plans at once. The zero Memory is ready for use.
type Memory struct {
	mu      sync.Mutex
	of      remembered
	year    *place.Year
	under   map[place.Cover]*place.Year
	seasons map[seasonKey]*season.Season
}

// remembered is what seasons hang on, beside the crop.
type remembered struct {
	place place.Place
	risk  season.Risk
	start int
}

// recall returns the daily tables of a household's place, and makes the memory
// forget what belongs to another.
func (m *Memory) recall(of remembered) *place.Year {
	m.mu.Lock()
	defer m.mu.Unlock()
	return m.tables(of)
}

func (m *Memory) tables(of remembered) *place.Year {
	if m.year == nil || m.of != of {
		m.of, m.year = of, place.Build(of.place)
		m.under = map[place.Cover]*place.Year{place.NoCover: m.year}
		m.seasons = map[seasonKey]*season.Season{}
	}
	return m.year
}

// season returns the season of a crop under a cover. Only the book's own rows are
// kept: a household's figures make a crop of its own of every plan.
func (m *Memory) season(of remembered, key seasonKey) *season.Season {
	m.mu.Lock()
	defer m.mu.Unlock()
	m.tables(of) // another plan may have come between
	if s := m.seasons[key]; s != nil {
		return s
	}
	year := m.under[key.cover]
	if year == nil {
		year = m.year.Under(key.cover)
		m.under[key.cover] = year
	}
	s := season.Of(key.crop, year, of.risk, of.start)
	if book.Usual().Crop(key.crop.ID) == key.crop {
		m.seasons[key] = s
	}
	return s
}
