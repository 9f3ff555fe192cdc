package ground

import (
	"slices"
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
)

// Turn is the step from one table year to the next: what goes over by itself.
type Turn struct {
	Year  int        `json:"year"` // that begins
	From  civil.Date `json:"from"` // its first day
	Goes  []GoesOver `json:"goes"` // what stands, by crop
	Lots  int        `json:"lots"` // on the shelf
	Stood []BedStood `json:"stood"`
	Beds  []bed.Bed  `json:"-"` // all beds, with what stood in them in the year that ends

	// Where what goes over stands, by the names that it has in the year that begins: a sowing is
	// named after its year, and a patch stands for many.
	Placements []bed.Placement `json:"-"`
}

// GoesOver is a planting that stands in both years.
type GoesOver struct {
	Sowing string      `json:"sowing"`
	Crop   string      `json:"crop"`
	Beds   []string    `json:"beds"`            // names
	Until  *civil.Date `json:"until,omitempty"` // when it is cleared; nil: it stands for years
}

// BedStood is what stood in a bed in the year that ends: the rotation goes by it.
type BedStood struct {
	Bed      string   `json:"bed"` // its name
	Families []string `json:"families"`
}

// TurnOf says what goes over into the next table year. Families are kept as they really
// stood: of what was sown, planted or stands, in the beds where it was, also where it was
// moved by hand; what was only planned stood nowhere. in, p, fit and l are the year that ends.
func TurnOf(in plan.Input, p plan.Plan, fit Input, l Layout) (Turn, error) {
	h := in.Household
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		return Turn{}, err
	}
	next := in
	next.Household.Year++
	coming, err := plan.Compute(next)
	if err != nil {
		return Turn{}, err
	}
	out := Turn{Year: next.Household.Year, From: next.Household.YearStart(), Goes: []GoesOver{}, Lots: len(h.Lots), Stood: []BedStood{}, Beds: slices.Clone(h.Beds)}
	where := map[string][]string{}
	stood := map[string][]string{}
	for _, q := range l.Pieces {
		s := p.Sowing(q.Planting)
		if s == nil || !s.Begun && !s.Stands && !s.InBed {
			continue
		}
		where[q.Planting] = with(where[q.Planting], q.Bed)
		if c := b.Crop(s.Crop); c != nil {
			stood[q.Bed] = with(stood[q.Bed], c.Family)
		}
	}
	for i := range out.Beds {
		k := &out.Beds[i]
		if families := stood[k.ID]; len(families) > 0 {
			k.Stood = withYear(k.Stood, h.Year, families)
			out.Stood = append(out.Stood, BedStood{k.Name, families})
		}
	}
	for i := range coming.Sowings {
		s := &coming.Sowings[i]
		if !s.InBed {
			continue
		}
		was := s.ID
		if before := patchBefore(p, coming, i); before != nil {
			was = before.ID
		}
		where[s.ID] = where[was]
		if at := placed(in, fit, l, was); at != nil {
			at.Sowing = s.ID
			out.Placements = append(out.Placements, *at)
		}
		g := GoesOver{Sowing: s.ID, Crop: s.CropName, Beds: []string{}}
		for _, id := range where[s.ID] {
			g.Beds = append(g.Beds, h.Beds[slices.IndexFunc(h.Beds, func(x bed.Bed) bool { return x.ID == id })].Name)
		}
		if !s.Stands {
			g.Until = &s.Clear
		}
		out.Goes = append(out.Goes, g)
	}
	slices.SortStableFunc(out.Goes, func(a, b GoesOver) int { return strings.Compare(a.Crop, b.Crop) })
	return out, nil
}

// placed returns where a sowing stands: where it was put, else where the layout has it; nil
// where it has no ground.
func placed(in plan.Input, fit Input, l Layout, sowing string) *bed.Placement {
	for _, at := range in.Household.Placements {
		if at.Sowing == sowing {
			return &at
		}
	}
	return StandsAt(fit, l, sowing)
}

// patchBefore finds a patch of the year that begins in the year that ends: of the patches of
// one crop and wish the one that comes as far on in the list. It returns nil where a sowing is
// no patch, or was not there.
func patchBefore(p, coming plan.Plan, i int) *plan.Sowing {
	s := &coming.Sowings[i]
	if !s.Stands {
		return nil
	}
	alike := func(x *plan.Sowing) bool { return x.Stands && x.Wish == s.Wish && x.Crop == s.Crop }
	nth := 0
	for k := range i {
		if alike(&coming.Sowings[k]) {
			nth++
		}
	}
	for k := range p.Sowings {
		if alike(&p.Sowings[k]) {
			if nth == 0 {
				return &p.Sowings[k]
			}
			nth--
		}
	}
	return nil
}

// withYear adds families to those that stood in a bed in a year.
func withYear(list []bed.Stood, year int, families []string) []bed.Stood {
	list = slices.Clone(list)
	i := slices.IndexFunc(list, func(s bed.Stood) bool { return s.Year == year })
	if i < 0 {
		list, i = append(list, bed.Stood{Year: year}), len(list)
	}
	all := slices.Clone(list[i].Families)
	for _, f := range families {
		all = with(all, f)
	}
	list[i].Families = all
	slices.SortFunc(list, func(a, b bed.Stood) int { return a.Year - b.Year })
	return list
}

// with adds a text to a sorted list unless it is there.
func with(list []string, text string) []string {
	if i, found := slices.BinarySearch(list, text); !found {
		list = slices.Insert(list, i, text)
	}
	return list
}
