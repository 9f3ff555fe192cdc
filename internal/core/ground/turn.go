package ground

import (
	"cmp"
	"math"
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

	Coming *OtherYear `json:"coming,omitempty"` // the year that begins, as it would be; nil where nobody asked

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
	where := out.families(p, l, b, h.Year)
	out.plantings(in, p, coming, fit, l, where)
	slices.SortStableFunc(out.Goes, func(a, b GoesOver) int { return strings.Compare(a.Crop, b.Crop) })
	return out, nil
}

// families puts into the beds what stood in them in the year that ends, and returns in which
// beds each sowing stood.
func (out *Turn) families(p plan.Plan, l Layout, b *book.Book, year int) map[string][]string {
	where, stood := map[string][]string{}, map[string][]bed.Stood{}
	for _, q := range l.Pieces {
		s := p.Sowing(q.Planting)
		if s == nil || !s.Begun && !s.Stands && !s.InBed {
			continue
		}
		where[q.Planting] = with(where[q.Planting], q.Bed)
		if c := b.Crop(s.Crop); c != nil {
			stood[q.Bed] = append(stood[q.Bed], bed.Stood{Year: year, Families: []string{c.Family}, At: round(q.At), Length: round(q.Length)})
		}
	}
	for i := range out.Beds {
		k := &out.Beds[i]
		if len(stood[k.ID]) == 0 {
			continue
		}
		told := BedStood{Bed: k.Name}
		for _, s := range stood[k.ID] {
			told.Families = with(told.Families, s.Families[0])
		}
		k.Stood = withStretches(k.Stood, stood[k.ID])
		out.Stood = append(out.Stood, told)
	}
	return where
}

// plantings puts in what stands in both years, and where. Where says in which beds each sowing
// stood in the year that ends.
func (out *Turn) plantings(in plan.Input, p, coming plan.Plan, fit Input, l Layout, where map[string][]string) {
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
			g.Beds = append(g.Beds, out.Beds[slices.IndexFunc(out.Beds, func(x bed.Bed) bool { return x.ID == id })].Name)
		}
		if !s.Stands {
			g.Until = &s.Clear
		}
		out.Goes = append(out.Goes, g)
	}
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

// withStretches adds the stretches in which families stood in a year to a bed's history. Those
// of one family that touch or lie over each other become one; what is known already is not
// added again.
func withStretches(list, more []bed.Stood) []bed.Stood {
	more = slices.Clone(more)
	slices.SortFunc(more, func(a, b bed.Stood) int {
		return cmp.Or(strings.Compare(a.Families[0], b.Families[0]), cmp.Compare(a.At, b.At), cmp.Compare(a.Length, b.Length))
	})
	const touch = 0.01 // m
	var merged []bed.Stood
	for _, s := range more {
		if n := len(merged) - 1; n >= 0 && merged[n].Families[0] == s.Families[0] && s.At <= merged[n].At+merged[n].Length+touch {
			merged[n].Length = round(math.Max(merged[n].Length, s.At+s.Length-merged[n].At))
			continue
		}
		merged = append(merged, s)
	}
	list = slices.Clone(list)
	for _, s := range merged {
		known := slices.ContainsFunc(list, func(o bed.Stood) bool {
			return o.Year == s.Year && slices.Contains(o.Families, s.Families[0]) && (o.Length == 0 || o.At <= s.At+touch && s.At+s.Length <= o.At+o.Length+touch)
		})
		if !known {
			list = append(list, s)
		}
	}
	slices.SortStableFunc(list, func(a, b bed.Stood) int { return a.Year - b.Year })
	return list
}

// round keeps a length to the centimetre.
func round(m float64) float64 { return math.Round(m*100) / 100 }

// with adds a text to a sorted list unless it is there.
func with(list []string, text string) []string {
	if i, found := slices.BinarySearch(list, text); !found {
		list = slices.Insert(list, i, text)
	}
	return list
}
