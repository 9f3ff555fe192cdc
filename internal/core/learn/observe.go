package learn

import (
	"cmp"
	"maps"
	"math"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// Doubtful is a planting that gave so little or so much that a slip of the pen is likelier: it teaches
// nothing until somebody has looked at it.
type Doubtful struct {
	Crop  string  `json:"crop"`
	Year  int     `json:"year"`
	Ratio float64 `json:"ratio"` // of what the book expects
}

// What is asked about: a fifth of what the book expects, or five times as much.
const (
	littleAsked = 0.2
	muchAsked   = 5
)

// around is how many days before and after the expected picking a harvest is still taken for a
// planting's, where nobody said which planting it came from.
const around = 45

// byCount is the variance added where what came in was counted and not weighed.
const byCount = 0.15 * 0.15

// seen is what came in of a planting, or of several that nobody told apart.
type seen struct {
	of      []*record.Grown
	gram    int
	counted bool
	beds    map[string]int // grams
	last    bool
}

// Observed holds what was harvested against what was expected, planting by planting. Harvests that name
// no sowing belong to all plantings of their crop that were to be picked then and that nobody named:
// they count together as one. What is not over, was lost, or was not weighed teaches nothing. Usual is
// the household's usual answer to "was it weighed?".
func Observed(grown []record.Grown, harvests []*record.Entry, usual record.Weighed) (out []Planting, doubtful []Doubtful) {
	for _, s := range together(grown, harvests) {
		p, said := s.planting(usual)
		switch {
		case said == 0 || p.Ratio == 0 || s.waits():
		case p.Ratio < littleAsked || p.Ratio > muchAsked:
			doubtful = append(doubtful, Doubtful{p.Kind, p.Year, p.Ratio})
		default:
			out = append(out, p)
		}
	}
	return out, doubtful
}

// together puts harvests to their plantings, in the order of the plantings' days.
func together(grown []record.Grown, harvests []*record.Entry) (out []*seen) {
	order := make([]*record.Grown, len(grown))
	for i := range grown {
		order[i] = &grown[i]
	}
	slices.SortFunc(order, func(a, b *record.Grown) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID)) })
	byID, byCrop := map[string]*seen{}, map[string][]*record.Grown{}
	for _, g := range order {
		byID[g.ID] = &seen{of: []*record.Grown{g}, beds: map[string]int{}}
		byCrop[g.Crop] = append(byCrop[g.Crop], g)
	}
	for _, e := range harvests {
		if s := byID[e.Sowing]; s != nil {
			s.add(e)
		}
	}
	pools := map[poolKey]*seen{}
	for _, e := range harvests {
		if e.Sowing == "" {
			if year, found := yearOf(byCrop[e.Crop], e.Day); found {
				poolOf(pools, byID, byCrop[e.Crop], poolKey{e.Crop, year}).add(e)
			}
		}
	}
	told := map[*seen]bool{}
	for _, g := range order {
		s := byID[g.ID]
		if p := pools[poolKey{g.Crop, g.Year}]; p != nil && slices.Contains(p.of, g) {
			s = p
		}
		if !told[s] {
			told[s] = true
			out = append(out, s)
		}
	}
	return out
}

// poolKey names the plantings of a crop in a year that nobody told apart.
type poolKey struct {
	crop string
	year int
}

// yearOf returns the year of the planting that was to be picked nearest to a day; false where none was to
// be picked around it.
func yearOf(of []*record.Grown, day civil.Date) (year int, found bool) {
	nearest := civil.Date(around)
	for _, g := range of {
		away := max(0, g.First-day, day-g.Last)
		if away <= nearest && (!found || away < nearest) {
			nearest, year, found = away, g.Year, true
		}
	}
	return year, found
}

// poolOf returns the plantings of a crop in a year that no harvest names.
func poolOf(pools map[poolKey]*seen, byID map[string]*seen, of []*record.Grown, k poolKey) *seen {
	p := pools[k]
	if p == nil {
		p = &seen{beds: map[string]int{}}
		for _, g := range of {
			if g.Year == k.year && byID[g.ID].gram == 0 {
				p.of = append(p.of, g)
			}
		}
		pools[k] = p
	}
	return p
}

// add puts a harvest to what came in.
func (s *seen) add(e *record.Entry) {
	s.gram += e.Gram
	s.counted = s.counted || e.Pieces > 0
	s.last = s.last || e.Last
	if e.Bed != "" {
		s.beds[e.Bed] += e.Gram
	}
}

// waits reports whether more may come of some of the plantings.
func (s *seen) waits() bool {
	return !s.last && slices.ContainsFunc(s.of, func(g *record.Grown) bool { return !g.Over })
}

// planting returns what was seen as one planting, and how much of it was weighed: 0 where it teaches
// nothing.
func (s *seen) planting(usual record.Weighed) (p Planting, weighed float64) {
	if len(s.of) == 0 || s.gram == 0 {
		return p, 0
	}
	first := s.of[0]
	p = Planting{ID: first.ID, Day: first.Day, Food: first.Food, Kind: first.Crop, Method: first.Method, Year: first.Year, Spread: math.Log(1 + first.CV*first.CV)}
	kg, said := 0.0, first.Said
	for _, g := range s.of {
		p.Plants, kg = p.Plants+g.Plants, kg+g.Kg
		if g.Method != first.Method {
			p.Method = "" // not told apart
		}
	}
	if kg <= 0 || p.Plants <= 0 {
		return p, 0
	}
	weighed, p.Unsure = cmp.Or(said, usual).Share()
	if weighed == 0 {
		return p, 0
	}
	if s.counted {
		p.Unsure += byCount
	}
	p.Ratio = float64(s.gram) / 1000 / kg / weighed
	p.Beds = s.inBeds()
	return p, weighed
}

// inBeds returns the beds by their share: as the harvests say, or else as it was laid.
func (s *seen) inBeds() (out []Part) {
	sum := 0
	for _, g := range s.beds {
		sum += g
	}
	if sum > 0 {
		for _, bed := range slices.Sorted(maps.Keys(s.beds)) {
			out = append(out, Part{bed, float64(s.beds[bed]) / float64(sum)})
		}
		return out
	}
	shares, all := map[string]float64{}, 0.0
	for _, g := range s.of {
		for _, b := range g.Beds {
			shares[b.Bed] += b.Share * g.Kg
			all += b.Share * g.Kg
		}
	}
	for _, bed := range slices.Sorted(maps.Keys(shares)) {
		out = append(out, Part{bed, shares[bed] / all})
	}
	return out
}

// Fared returns how the plantings of each crop fared, season by season: how many there were, and how many
// were lost outright. Those of which nothing came in and nothing was said count for nothing.
func Fared(grown []record.Grown, harvests []*record.Entry) map[string][]Stood {
	by := map[poolKey]*Stood{}
	for _, s := range together(grown, harvests) {
		for _, g := range s.of {
			if !g.Lost && (s.gram == 0 || s.waits()) {
				continue
			}
			k := poolKey{g.Crop, g.Year}
			if by[k] == nil {
				by[k] = &Stood{}
			}
			by[k].Plantings++
			if g.Lost {
				by[k].Lost++
			}
		}
	}
	out := map[string][]Stood{}
	for _, k := range slices.SortedFunc(maps.Keys(by), func(a, b poolKey) int { return cmp.Or(cmp.Compare(a.crop, b.crop), cmp.Compare(a.year, b.year)) }) {
		out[k.crop] = append(out[k.crop], *by[k])
	}
	return out
}
