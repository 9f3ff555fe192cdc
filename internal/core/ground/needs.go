package ground

import (
	"cmp"
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/caution"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/supply"
	"inventory/internal/core/work"
)

// Needs is what the ground is to be given: filled with, fed, watered.
type Needs struct {
	BedArea    float64         `json:"bed_area"`   // m²
	Containers float64         `json:"containers"` // litres that all pots and grow bags hold
	PathArea   float64         `json:"path_area"`  // m²; 0 where no plot is measured
	Orders     []supply.Order  `json:"orders"`
	Cost       float64         `json:"cost"` // of the cheaper of bulk and bags, where both are known
	Fed        []supply.Fed    `json:"fed"`
	Dose       []supply.Dose   `json:"dose"` // the recipe for all beds together
	Lines      []supply.Lines  `json:"lines"`
	Drip       float64         `json:"drip"`
	Emitters   int             `json:"emitters"`
	Trellis    float64         `json:"trellis"`
	Posts      int             `json:"posts"`
	Stakes     int             `json:"stakes"`
	Cages      int             `json:"cages"`
	Water      []work.Watering `json:"water"`
	Litres     float64         `json:"litres"` // to be given in the year
	Tap        float64         `json:"tap"`    // of them, what the barrels do not have
	Driest     int             `json:"driest"` // the week with most to be given
	Cautions   []string        `json:"cautions"`
}

// NeedsOf reckons what the ground of a layout is to be given.
func NeedsOf(h household.Household, p plan.Plan, fit Input, l Layout) Needs {
	u := bed.UsualCustoms()
	if h.Customs != nil {
		u = *h.Customs
	}
	n := Needs{Orders: []supply.Order{}, Fed: []supply.Fed{}, Dose: []supply.Dose{}, Lines: []supply.Lines{}}
	for _, b := range h.Beds {
		if n.Containers += b.Holds(); b.Kind != bed.Containers {
			n.BedArea += b.Area()
		}
	}
	n.PathArea = pathsOf(h)
	for _, m := range u.Materials {
		o := supply.Fill(map[string]float64{"beds": n.BedArea, "paths": n.PathArea}[m.Over], m)
		if m.Over == bed.OverContainers {
			o = supply.FillContainers(n.Containers, m)
		}
		n.Orders = append(n.Orders, o)
		if o.Cheaper == "bulk" {
			n.Cost += o.BulkCost
		} else if o.Cheaper == "bags" {
			n.Cost += o.BagCost
		}
	}
	n.perBed(h, fit, l, u)
	n.water(h, p, fit, l, u)
	n.Cautions = cautionsOf(u, n)
	return n
}

// perBed reckons what each bed is fed, and the lines laid in it.
func (n *Needs) perBed(h household.Household, fit Input, l Layout, u bed.Customs) {
	n.Dose = make([]supply.Dose, len(u.Recipe))
	for i, a := range u.Recipe {
		n.Dose[i].Name = a.Name
	}
	for _, b := range fit.Beds {
		var crops []supply.Crop
		var mine []Piece
		for _, p := range l.Pieces {
			if p.Bed == b.ID {
				mine = append(mine, p)
				crops = append(crops, fit.crop(b, p))
			}
		}
		fed := supply.Feed(b, u.Recipe, crops, greenBrings(b, u, fit.Year))
		for i, d := range fed.Doses {
			n.Dose[i].Kg += d.Kg
		}
		n.Fed = append(n.Fed, fed)
		lines := fit.lines(b, mine, crops, u)
		if h.PlotOf(&b).Water != "" { // there is no tap for drip lines
			lines.Drip, lines.Emitters = 0, 0
		}
		n.Lines = append(n.Lines, lines)
		n.Drip, n.Emitters = n.Drip+lines.Drip, n.Emitters+lines.Emitters
		n.Trellis, n.Posts, n.Stakes, n.Cages = n.Trellis+lines.Trellis, n.Posts+lines.Posts, n.Stakes+lines.Stakes, n.Cages+lines.Cages
	}
}

// greenBrings returns the nitrogen, g per m² of a bed, that the green manures bring which
// are worked in in a year.
func greenBrings(b bed.Bed, u bed.Customs, year int) (sum float64) {
	for _, g := range b.Green {
		if m := u.GreenManure(book.Usual(), g.Crop); m != nil && g.Until >= civil.Of(year, 1, 1) && g.Until < civil.Of(year+1, 1, 1) && b.Length > 0 {
			sum += m.Nitrogen * g.Length / b.Length
		}
	}
	return sum
}

// crop returns a piece as feeding and lines see it.
func (in Input) crop(b bed.Bed, p Piece) supply.Crop {
	i := slices.IndexFunc(in.Plantings, func(q Planting) bool { return q.ID == p.Planting })
	c := in.Plantings[i].Crop
	out := supply.Crop{Name: c.Short(), Feed: c.Feed, Support: c.Support, Area: p.Length * b.Width, Length: p.Length, Plants: p.Planted, Lines: p.Lines}
	if p.Across {
		out.Rows = math.Round(p.Length/p.Line) * float64(max(1, p.Lines)) * p.Plant
	} else {
		out.Rows = p.Length * float64(p.Lines)
	}
	return out
}

// besideLines is how far apart drip lines lie along a bed whose rows run across it, m.
const besideLines = 0.3

// dripLines returns the drip lines along the bed that a piece has.
func dripLines(b bed.Bed, p Piece) int {
	if p.Across {
		return max(1, int(b.Width/besideLines+1e-9))
	}
	return p.Lines
}

// dripOf returns the length of drip line that a piece has, m. The rows of an open plot have
// theirs across it.
func dripOf(b bed.Bed, p Piece) float64 {
	if b.Kind == bed.Open {
		return math.Round(p.Length/p.Line) * b.Width
	}
	return p.Length * float64(dripLines(b, p))
}

// lines returns what is laid and put up in a bed: a drip line along each row; where
// the rows of a bed run across it, along the bed, one for every 0.3 m of its width.
// The rows of an open plot have theirs across it.
//
// One function, since drip, trellis, stakes and cages are counted over the same days.
func (in Input) lines(b bed.Bed, mine []Piece, crops []supply.Crop, u bed.Customs) supply.Lines {
	out := supply.Lines{Bed: b.ID, Name: b.Name, Relays: []supply.Relay{}, For: []string{}}
	count := func(i int) int { return dripLines(b, mine[i]) }
	drip := func(i int) float64 { return dripOf(b, mine[i]) }
	rows := func(i int) (many int, long float64) { // those that run across a bed are as long as it is wide
		if mine[i].Across && b.Kind != bed.Containers {
			return int(math.Round(mine[i].Length / mine[i].Line)), b.Width
		}
		return max(1, crops[i].Lines), mine[i].Length
	}
	if b.Kind == bed.Open {
		rows = func(i int) (int, float64) { return int(math.Round(mine[i].Length / mine[i].Line)), b.Width }
	}
	days := []civil.Date{}
	for _, p := range mine {
		days = append(days, p.From)
	}
	at := func(day civil.Date, of func(i int) float64) (sum float64) {
		for i, p := range mine {
			if p.From <= day && day < p.To {
				sum += of(i)
			}
		}
		return sum
	}
	for _, day := range days {
		out.Drip = math.Max(out.Drip, at(day, drip))
		climbing := func(of func(many int, long float64) float64) float64 {
			return at(day, func(i int) float64 {
				if crops[i].Support != book.Trellis {
					return 0
				}
				return of(rows(i))
			})
		}
		out.Trellis = math.Max(out.Trellis, climbing(func(many int, long float64) float64 { return float64(many) * long }))
		out.Posts = max(out.Posts, int(climbing(func(many int, long float64) float64 { return float64(many * supply.Posts(long, u.Posts)) })))
		of := func(support book.Support) int {
			return int(at(day, func(i int) float64 {
				if crops[i].Support == support {
					return float64(crops[i].Plants)
				}
				return 0
			}))
		}
		out.Stakes, out.Cages = max(out.Stakes, of(book.Stake)), max(out.Cages, of(book.Cage))
	}
	for i := range mine {
		if s := crops[i].Support; s != "none" && s != "" && !slices.Contains(out.For, crops[i].Name) {
			out.For = append(out.For, crops[i].Name)
		}
	}
	out.Emitters = supply.Emitters(out.Drip, u.Emitters)
	if b.Kind != bed.Open { // there the rows themselves lie anew
		out.Relays = relays(mine, crops, count)
	}
	return out
}

// relays finds where a planting that follows another on the same ground has
// another number of lines.
func relays(mine []Piece, crops []supply.Crop, count func(int) int) []supply.Relay {
	out := []supply.Relay{}
	for i, p := range mine {
		last := beforeOn(mine, i)
		if last >= 0 && count(last) != count(i) {
			out = append(out, supply.Relay{Day: p.From.String(), Crop: crops[i].Name, From: count(last), To: count(i)})
		}
	}
	slices.SortStableFunc(out, func(a, b supply.Relay) int { return cmp.Compare(a.Day, b.Day) })
	return out
}

// thirsts returns the plantings of a layout as far as water goes: of the beds that are asked for.
func thirsts(p plan.Plan, fit Input, l Layout, of func(bed string) bool) (crops []work.Thirst) {
	for _, s := range p.Sowings {
		t := work.Thirst{Crop: nil, Name: s.CropName, Sown: s.Method == season.Direct}
		for _, g := range fit.Plantings {
			if g.ID == s.ID {
				t.Crop, t.From, t.To = g.Crop, g.From, g.To
			}
		}
		if t.Crop == nil {
			continue
		}
		if s.FirstPick != nil {
			t.First = *s.FirstPick
		}
		if s.UpBy != nil {
			t.Up = *s.UpBy
		}
		for _, piece := range l.Pieces {
			if piece.Planting == s.ID && piece.With == "" && of(piece.Bed) {
				i := slices.IndexFunc(fit.Beds, func(b bed.Bed) bool { return b.ID == piece.Bed })
				t.Area += piece.Length * fit.Beds[i].Width
			}
		}
		if t.Area > 0 {
			crops = append(crops, t)
		}
	}
	return crops
}

// water reckons the water of the table year's weeks.
func (n *Needs) water(h household.Household, p plan.Plan, fit Input, l Layout, u bed.Customs) {
	watered := func(id string) bool {
		i := slices.IndexFunc(h.Beds, func(b bed.Bed) bool { return b.ID == id })
		return i >= 0 && h.PlotOf(&h.Beds[i]).Water != bed.NoWater
	}
	crops := thirsts(p, fit, l, watered)
	n.Water = work.Water(p.Weeks, crops, h.Place, u.Barrels, u.Roof)
	for i, w := range n.Water {
		n.Litres, n.Tap = n.Litres+w.Give, n.Tap+w.Tap
		if w.Give > n.Water[n.Driest].Give {
			n.Driest = i
		}
	}
}

// cautionsOf returns the warnings that belong to what is done: digging, filling and
// feeding beds, manure, dust, barrels, what is built.
func cautionsOf(u bed.Customs, n Needs) []string {
	tasks := []string{}
	if n.BedArea > 0 {
		tasks = append(tasks, "dig", "build-bed", "soil-test", "water")
	}
	if len(u.Materials) > 0 {
		tasks = append(tasks, "apply-mulch", "apply-compost", "mix-potting-soil")
	}
	for _, a := range u.Recipe {
		if a.Manure {
			tasks = append(tasks, "apply-manure")
		} else {
			tasks = append(tasks, "apply-fertilizer", "apply-lime")
		}
	}
	if u.Barrels > 0 {
		tasks = append(tasks, "fill-rain-barrel")
	}
	if n.Trellis > 0 {
		tasks = append(tasks, "build-trellis")
	}
	out := []string{}
	b := book.Usual()
	for _, c := range b.Cautions {
		for _, t := range tasks {
			if caution.Fits(c.When, caution.Setting{Task: t}) && !slices.Contains(out, c.ID) {
				out = append(out, c.ID)
			}
		}
	}
	return out
}
