package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// GreenGoes is a green manure that can still go into a patch.
type GreenCanFollow struct {
	Crop     string     `json:"crop"`
	Name     string     `json:"name"`
	Family   string     `json:"family"`
	Sow      civil.Date `json:"sow"`
	Until    civil.Date `json:"until"`    // when it is cut and worked in, or dies
	Ready    civil.Date `json:"ready"`    // when the next crop may follow
	Dies     bool       `json:"dies"`     // frost ends it
	Seed     float64    `json:"seed"`     // g for the whole patch
	Nitrogen float64    `json:"nitrogen"` // g per m² that it fixes until then
	Kin      string     `json:"kin,omitempty"`
	Note     string     `json:"note"`
}

// How green manures grow: a day counts that is so many degrees above their base; one
// that is sown in autumn to stand through the winter is sown within some weeks.
const (
	grows       = 1.0
	autumnSown  = -20 // weeks from the last frost: what is earlier is of the autumn before
	autumnWeeks = 8
)

// greenGoes returns what follows where a green manure is sown on a day in open ground, at
// the latest three weeks later, and cut in time for the next crop (until; zero: nothing
// follows). It is false where it cannot be sown then, or would not grow for long enough
// to be worth it.
func greenGoes(g *book.GreenManure, y *place.Year, day, until civil.Date) (GreenCanFollow, bool) {
	for later := civil.Date(0); later <= 21; later += 7 {
		if out, ok := sownOn(g, y, day+later, until); ok {
			return out, true
		}
	}
	return GreenCanFollow{}, false
}

func sownOn(g *book.GreenManure, y *place.Year, sow, until civil.Date) (GreenCanFollow, bool) {
	d := sow.YearDay()
	opens := mod(y.Last + int(math.Round(7*g.SowFromWeeks)))
	coldest := slices.Index(y.Min[:], slices.Min(y.Min[:]))
	switch autumn := g.SowFromWeeks < autumnSown; {
	case autumn && mod(d-opens) > 7*autumnWeeks:
		return GreenCanFollow{}, false
	case !autumn && mod(opens-d) > 0 && mod(opens-d) <= mod(opens-coldest): // not before spring
		return GreenCanFollow{}, false
	case y.Soil[d] < g.SoilMin:
		return GreenCanFollow{}, false
	}
	wait := civil.Date(math.Round(7 * g.WaitWeeks))
	end := sow + civil.Date(math.Round(7*g.WeeksMax))
	if until > 0 {
		end = min(end, until-wait)
	}
	out := GreenCanFollow{Crop: g.ID, Name: g.Name, Family: g.Family, Sow: sow, Note: g.Note}
	grown := 0
	for day := sow; day < end; day++ {
		if freezes(g, y, day.YearDay()) {
			end, out.Dies = day, true
			break
		}
		if y.Mean[day.YearDay()] >= g.TBase+grows {
			grown++
		}
	}
	if float64(grown) < 7*g.WeeksToWorth {
		return GreenCanFollow{}, false
	}
	out.Until, out.Ready = end, end+wait
	out.Nitrogen = g.Nitrogen
	return out, true
}

// freezes reports whether a year day lies in the cold that kills a green manure: the mean
// minimum has then fallen so far under that of the first frost.
func freezes(g *book.GreenManure, y *place.Year, d int) bool {
	if y.FrostFree {
		return false
	}
	autumn := mod(d-y.First) < mod(y.Last-y.First)
	return autumn && y.Min[d] <= y.Min[y.First]-math.Max(0, -g.FrostKill)
}

func mod(d int) int { return ((d % place.Days) + place.Days) % place.Days }

// green adds to a free stretch the green manures that can go in: what is worth most
// first, by how soon it is sown, then by what it fixes.
func (free *FreeStretch) green(greens []book.GreenManure, y *place.Year, fit Input, k int, day civil.Date) {
	free.Green = []GreenCanFollow{}
	next := ""
	if i := slices.IndexFunc(fit.Plantings, func(p Planting) bool { return p.ID == free.Next }); i >= 0 {
		next = fit.Plantings[i].Crop.Family
	}
	for i := range greens {
		g := &greens[i]
		if free.Under != "" && !g.Undersow {
			continue
		}
		goes, ok := greenGoes(g, y, day, free.Until)
		if !ok {
			continue
		}
		goes.Seed = g.SeedGram * (free.To - free.From) * fit.Beds[k].Width
		switch {
		case next == g.Family:
			goes.Kin = "the same family as the next crop"
		case free.Under != "" && g.Family == free.family:
			goes.Kin = "the same family as what is growing there"
		case stoodLately(fit, k, g.Family, free.From, free.To):
			goes.Kin = "the same family grew here recently"
		}
		free.Green = append(free.Green, goes)
	}
	slices.SortStableFunc(free.Green, func(a, b GreenCanFollow) int {
		return cmp.Or(cmp.Compare(order(a.Kin != ""), order(b.Kin != "")), cmp.Compare(a.Sow, b.Sow), cmp.Compare(b.Nitrogen, a.Nitrogen), cmp.Compare(a.Name, b.Name))
	})
}

// stoodLately reports whether a family stood in a stretch of a bed within three years.
func stoodLately(fit Input, k int, family string, from, to float64) bool {
	for _, s := range fit.Beds[k].Stood {
		if s.Length > 0 && (s.At >= to || s.At+s.Length <= from) {
			continue
		}
		if s.Year >= fit.Year-3 && slices.Contains(s.Families, family) {
			return true
		}
	}
	return false
}

// What a green manure is sown under must be so tall, cm, and have stood so long, days:
// a hand high.
const (
	tallEnough = 50
	handHigh   = 28
)

// underOn returns the stretches of a bed in which something tall stands on a day that a
// green manure can be sown under, until the next thing takes the ground.
func underOn(fit Input, l Layout, k int, day civil.Date) (out []FreeStretch) {
	for _, p := range l.Pieces {
		i := slices.IndexFunc(fit.Plantings, func(q Planting) bool { return q.ID == p.Planting })
		if p.Bed != fit.Beds[k].ID || i < 0 || p.From+handHigh > day || day >= p.To || fit.Plantings[i].Crop.Height < tallEnough || p.With != "" {
			continue
		}
		under := FreeStretch{Stretch: Stretch{p.At, p.At + p.Length}, Under: p.Planting, CanFollow: []CanFollow{}, family: p.Family}
		for _, q := range l.Pieces {
			if q.Bed == p.Bed && q.From >= p.To && q.At < p.At+p.Length && p.At < q.At+q.Length && (under.Until == 0 || q.From < under.Until) {
				under.Until, under.Next = q.From, q.Planting
			}
		}
		out = append(out, under)
	}
	return out
}
