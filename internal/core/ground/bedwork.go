package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/supply"
	"inventory/internal/core/work"
)

// BedWork is the work that belongs to beds rather than to sowings.
type BedWork struct {
	Turns []BedTurn       `json:"turns"` // by day
	Water []work.BedWater `json:"water"` // this week and those after it, by bed
}

// BedTurn is one job between two plantings: a crop is cleared from a bed, the ground is made ready,
// and what follows is planted there. It takes the place of clearing the crop.
type BedTurn struct {
	Sowing  string     `json:"sowing"` // that is cleared
	Crop    string     `json:"crop"`   // its name
	Bed     string     `json:"bed"`
	Name    string     `json:"name"` // of the bed
	Day     civil.Date `json:"day"`  // on which the crop is cleared
	Minutes float64    `json:"minutes"`
	Parts   []TurnPart `json:"parts"` // in the order in which they are done
}

// TurnPart is one thing to do in a bed's turn.
type TurnPart struct {
	Do    string      `json:"do"`
	Day   civil.Date  `json:"day"`
	Count float64     `json:"count,omitempty"`
	Unit  amount.Unit `json:"unit,omitempty"`
	Crop  string      `json:"crop,omitempty"`   // of planting: what is planted
	At    float64     `json:"at,omitempty"`     // m along the bed
	Long  float64     `json:"length,omitempty"` // m of it
}

// weeksOfWater is for how many weeks the water of the beds is told.
const weeksOfWater = 6

// wateringIn is the water that ground is given before it is planted, mm: so much wets a dry
// bed to the depth of a trowel.
const wateringIn = 10

// BedWorkOf returns the work in the beds of a layout.
func BedWorkOf(h household.Household, p plan.Plan, fit Input, l Layout) (BedWork, error) {
	u := bed.UsualCustoms()
	if h.Customs != nil {
		u = *h.Customs
	}
	_, rules, _, err := h.Book(book.Usual())
	if err != nil {
		return BedWork{}, err
	}
	out := BedWork{Turns: []BedTurn{}}
	monday := p.AsOf - civil.Date((int(p.AsOf.Midnight().Weekday())+6)%7)
	weeks := make([]civil.Date, weeksOfWater)
	for i := range weeks {
		weeks[i] = monday + civil.Date(7*i)
	}
	var drinking []work.Drinking
	for _, b := range fit.Beds {
		mine := slices.DeleteFunc(slices.Clone(l.Pieces), func(q Piece) bool { return q.Bed != b.ID })
		out.Turns = append(out.Turns, turnsOf(fit, p, b, mine, u, rules)...)
		drinking = append(drinking, work.Drinking{ID: b.ID, Name: b.Name, Texture: b.Texture, By: h.PlotOf(&b).Water, Crops: thirsts(p, fit, l, func(id string) bool { return id == b.ID }), Hourly: func(day civil.Date) float64 {
			metres := 0.0
			for _, q := range mine {
				if q.From <= day && day < q.To && q.With == "" {
					metres += dripOf(b, q)
				}
			}
			return float64(supply.Emitters(metres, u.Emitters)) * u.FlowOf()
		}})
	}
	out.Water = work.WaterBeds(weeks, drinking, h.Place, h.Weather, p.AsOf)
	slices.SortStableFunc(out.Turns, func(a, b BedTurn) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.Name, b.Name)) })
	return out, nil
}

// turnsOf returns the turns of one bed: one for each sowing that is cleared from it and that
// something follows on some of its ground.
func turnsOf(fit Input, p plan.Plan, b bed.Bed, mine []Piece, u bed.Customs, rules book.Rules) (out []BedTurn) {
	next := map[string][]following{}
	for i, q := range mine {
		if before := beforeOn(mine, i); before >= 0 && q.With == "" {
			f := following{Piece: q, after: mine[before]}
			next[f.after.Planting] = append(next[f.after.Planting], f)
		}
	}
	topped := span{}
	for _, id := range turning(mine, next) {
		s := p.Sowing(id)
		if s == nil {
			continue
		}
		t := BedTurn{Sowing: id, Crop: s.CropName, Bed: b.ID, Name: b.Name, Day: s.Clear}
		area := 0.0
		for _, q := range mine {
			if q.Planting == id && q.With == "" {
				area += q.Length * b.Width
			}
		}
		t.Minutes = area * rules.MinutesClear
		t.Parts = append(t.Parts, TurnPart{Do: "Clear what is left of the crop", Day: s.Clear, Count: area, Unit: amount.SquareMetre})
		t.Parts = append(t.Parts, fit.turnParts(b, s.Clear, next[id], u, &topped)...)
		out = append(out, t)
	}
	return out
}

// following is a piece that follows another on some of its ground.
type following struct {
	Piece
	after Piece
}

// shared returns the stretch that both have.
func (f following) shared() (at, length float64) {
	at = math.Max(f.At, f.after.At)
	return at, math.Min(f.At+f.Length, f.after.At+f.after.Length) - at
}

// turning lists the sowings of a bed that something follows, in the order in which they are
// cleared.
func turning(mine []Piece, next map[string][]following) (ids []string) {
	mine = slices.Clone(mine)
	slices.SortStableFunc(mine, func(a, b Piece) int { return cmp.Compare(a.To, b.To) })
	for _, q := range mine {
		if len(next[q.Planting]) > 0 && !slices.Contains(ids, q.Planting) {
			ids = append(ids, q.Planting)
		}
	}
	return ids
}

// beforeOn returns the piece that last stood on some of the ground of a piece before it; -1
// where none did.
func beforeOn(mine []Piece, i int) int {
	p, last := mine[i], -1
	for j, q := range mine {
		if q.To <= p.From && q.At < p.At+p.Length-1e-6 && p.At < q.At+q.Length-1e-6 && (last < 0 || q.To > mine[last].To) {
			last = j
		}
	}
	return last
}

// turnParts returns what is done after clearing: rest, soil, doses, lines, water, planting. The
// soil of each stretch is topped up once.
func (in Input) turnParts(b bed.Bed, cleared civil.Date, next []following, u bed.Customs, topped *span) (out []TurnPart) {
	slices.SortStableFunc(next, func(a, b following) int { return cmp.Or(cmp.Compare(a.From, b.From), cmp.Compare(a.At, b.At)) })
	for _, f := range next {
		at, length := f.shared()
		area := length * b.Width
		part := func(do string, day civil.Date, count float64, unit amount.Unit) {
			out = append(out, TurnPart{Do: do, Day: day, Count: count, Unit: unit, At: at, Long: length})
		}
		if rest := f.From - cleared; rest > 1 {
			part("Let the ground rest", cleared, float64(rest), amount.Day)
		}
		if fresh := topped.add(at, at+length); fresh > 1e-6 && b.Settles > 0 && b.Soil > 0 {
			part("Top the soil up", f.From, fresh*b.Width*b.Soil*b.Settles*1000, amount.Litre)
		}
		crop := in.crop(b, f.Piece)
		share := length / f.Length
		crop.Area, crop.Rows, crop.Plants = area, crop.Rows*share, int(math.Round(float64(crop.Plants)*share))
		for _, a := range u.Recipe {
			if d := supply.DoseOf(a, b, []supply.Crop{crop}); a.Turn && d.Kg > 0 {
				part("Give "+a.Name, f.From, d.Kg, amount.Kilogram)
			}
		}
		if lay, lies := dripLines(b, f.Piece), dripLines(b, f.after); lay != lies && b.Kind != bed.Open {
			part("Lay drip lines", f.From, float64(lay), amount.None)
		}
		part("Water the ground", f.From, area*wateringIn, amount.Litre)
		out = append(out, TurnPart{Do: "Sow or plant", Day: f.From, Count: float64(f.Planted), Crop: crop.Name, At: f.At, Long: f.Length})
	}
	return out
}

// span is a set of stretches of a bed, m, apart from one another.
type span [][2]float64

// add puts a stretch in, and returns how much of it was not there before, m.
func (s *span) add(from, to float64) (fresh float64) {
	fresh = to - from
	for _, o := range *s {
		fresh -= math.Max(0, math.Min(o[1], to)-math.Max(o[0], from))
	}
	apart := span{}
	for _, o := range *s {
		if o[1] < from || to < o[0] {
			apart = append(apart, o)
		} else {
			from, to = math.Min(from, o[0]), math.Max(to, o[1])
		}
	}
	*s = append(apart, [2]float64{from, to})
	return math.Max(0, fresh)
}
