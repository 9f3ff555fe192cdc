package backwards

import (
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
	"inventory/internal/core/wish"
)

// Worth of a wish: the weeks that it feeds, grown in full, and never under so many, so that
// flowers and what feeds few weeks count too; times what its priority weighs. The last tenth
// of it counts half.
const (
	leastWeeks = 13
	firstPart  = 0.9
	lastPart   = 1 - firstPart
	lastWorth  = 0.5
)

// weights is what a wish weighs by its priority.
var weights = map[wish.Priority]float64{wish.MustHave: 100, wish.WouldLike: 3, "": 3, wish.NiceToHave: 1}

// worthOf returns what a wish is worth, grown in full.
func worthOf(w *wish.Wish, p *plan.Wish) float64 {
	return weights[w.Priority] * math.Max(leastWeeks, float64(p.WeeksFed))
}

// valueOf returns which part of its worth a wish has that is grown to a share of 0 to 1.
func valueOf(share float64) float64 {
	first := math.Min(share, firstPart)
	return first + lastWorth*(share-first)
}

// rows is what the wishes take of the ground, week by week.
type rows struct {
	first civil.Date  // of the first week
	owned float64     // m² of all beds
	fixed []float64   // of each week: what stands or is fixed by hand, m²
	takes [][]float64 // of each week, by wish: what it takes grown in full, m²
	never []bool      // of each wish: a part of it can lie in no bed
}

// rowsOf works out what each wish takes. What several wishes share of a sowing goes by their
// parts of its ground.
func rowsOf(p *plan.Plan, fit ground.Input) rows {
	taken, owned := ground.LeastTaken(fit)
	out := rows{owned: owned, never: make([]bool, len(p.Wishes))}
	if len(taken) == 0 {
		return out
	}
	of := map[string]int{}
	for i := range p.Wishes {
		of[p.Wishes[i].ID] = i
	}
	sowings := map[string]*plan.Sowing{}
	for i := range p.Sowings {
		sowings[p.Sowings[i].ID] = &p.Sowings[i]
	}
	out.first = taken[0].From
	last := taken[0].To
	for _, t := range taken {
		out.first, last = min(out.first, t.From), max(last, t.To)
	}
	weeks := int(last-out.first)/7 + 1
	out.fixed, out.takes = make([]float64, weeks), make([][]float64, weeks)
	for k := range out.takes {
		out.takes[k] = make([]float64, len(p.Wishes))
	}
	for _, t := range taken {
		s := sowings[t.Planting]
		if s == nil {
			continue
		}
		held := t.Held || s.Begun || s.Set || s.Stands
		if math.IsInf(t.Area, 1) {
			for _, f := range s.For {
				out.never[of[f.Wish]] = out.never[of[f.Wish]] || !held
			}
			continue
		}
		out.take(t, s, of, held)
	}
	return out
}

// take puts what a planting takes into the weeks in whose middle it stands.
func (r *rows) take(t ground.Taken, s *plan.Sowing, of map[string]int, held bool) {
	var all float64
	for _, f := range s.For {
		all += f.Area
	}
	for k := range r.takes {
		if middle := r.first + civil.Date(7*k+3); middle < t.From || middle >= t.To {
			continue
		}
		if held || all <= 0 {
			r.fixed[k] += t.Area
			continue
		}
		for _, f := range s.For {
			r.takes[k][of[f.Wish]] += t.Area * f.Area / all
		}
	}
}

// room returns how much ground of a week is left for what can be grown more or less of, of
// which only a share is counted on.
func (r *rows) room(week int, share float64) float64 {
	return math.Max(0, r.owned*share-r.fixed[week])
}
