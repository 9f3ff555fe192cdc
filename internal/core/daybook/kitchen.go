package daybook

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/caution"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

// Waits is a food that came in and waits in the kitchen.
type Waits struct {
	Food  string     `json:"food"`
	Gram  int        `json:"gram"` // of which nothing is said yet
	By    civil.Date `json:"by"`   // the oldest of it must be used by then
	Makes []Makes    `json:"makes"`
}

// Makes is one thing that what waits can be put up as.
type Makes struct {
	Preparation string   `json:"preparation"`
	Name        string   `json:"name"`
	Form        string   `json:"form"`
	Litre       float64  `json:"litre"`  // of its usual container
	Jars        int      `json:"jars"`   // whole containers that all that waits fills
	Load        int      `json:"load"`   // containers of a full load
	Loads       int      `json:"loads"`  // full loads that it makes
	Wanted      int      `json:"wanted"` // containers that the plan still wants; 0: nobody wished for it
	Fill        int      `json:"fill"`   // containers to fill first: a full load where it makes one, and no more than is wanted
	Minutes     float64  `json:"minutes"`
	Cautions    []string `json:"cautions"`
}

// Kitchen lists what waits to be put up on a day, what must be used first at the top; and of each
// what the plan wants of it, or else how it is frozen.
func Kitchen(p *plan.Plan, wishes []wish.Wish, b *book.Book, rec *record.Record, today civil.Date) []Waits {
	seen := map[string]bool{}
	out := []Waits{}
	for _, e := range rec.Span(today-longestKept, today) {
		if !e.ComesIn() || seen[e.Food] {
			continue
		}
		seen[e.Food] = true
		keep := record.KeepDays(b, e.Food)
		l, _ := rec.LedgerOf(e.Food, keep) // what does not hold was refused
		gram, oldest := l.Waiting(today - civil.Date(keep))
		if gram == 0 {
			continue
		}
		w := Waits{Food: e.Food, Gram: gram, By: oldest + civil.Date(keep), Makes: []Makes{}}
		for _, prep := range b.Preparations() {
			if m, ok := makes(prep, gram, e.Food, p, wishes, b); ok {
				w.Makes = append(w.Makes, m)
			}
		}
		slices.SortStableFunc(w.Makes, func(a, b Makes) int { return cmp.Compare(b.Wanted, a.Wanted) })
		if w.Makes = w.Makes[:min(len(w.Makes), mostMakes)]; len(w.Makes) > 0 {
			out = append(out, w)
		}
	}
	slices.SortStableFunc(out, func(a, b Waits) int { return cmp.Or(cmp.Compare(a.By, b.By), cmp.Compare(a.Food, b.Food)) })
	return out
}

// longestKept is for how many days back it is looked for what waits, and mostMakes how many ways of
// putting a food up are shown.
const (
	longestKept = 120
	mostMakes   = 4
)

// makes says what an amount of a food can be put up as; false where the plan does not want it and it
// is no freezing.
func makes(prep *book.Preparation, gram int, food string, p *plan.Plan, wishes []wish.Wish, b *book.Book) (Makes, bool) {
	if prep.Raw <= 0 || prep.Unit != "litre" || !slices.ContainsFunc(prep.Crops, func(id string) bool { return b.Crop(id) != nil && b.Crop(id).Food == food }) {
		return Makes{}, false
	}
	m := Makes{Preparation: prep.ID, Name: prep.Name, Form: prep.Form, Litre: cmp.Or(prep.JarLitre, 1), Minutes: prep.Minutes, Cautions: caution.OfPreparation(b, prep)}
	for i, w := range wishes {
		if slices.Contains(w.Preparations, prep.ID) && w.Food == food && i < len(p.Wishes) {
			m.Wanted += p.Wishes[i].ToFill
			m.Litre = cmp.Or(w.Amount.Jar, m.Litre)
		}
	}
	m.Jars = int(math.Floor(float64(gram)/1000/prep.Raw/m.Litre + 1e-9))
	m.Load = max(1, prep.Load(m.Litre))
	m.Loads = m.Jars / m.Load
	if m.Fill = min(m.Jars, m.Load); m.Wanted > 0 {
		m.Fill = min(m.Fill, m.Wanted)
	}
	if m.Cautions == nil {
		m.Cautions = []string{}
	}
	return m, m.Wanted > 0 || prep.Form == string(wish.Frozen) && len(prep.Parts) == 0
}
