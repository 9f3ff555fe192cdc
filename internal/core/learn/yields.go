// Package learn finds a household's own figures in its record: what its ground, its kinds and its
// ways give of what the book says, how long its harvest keeps, what of its sowings is lost. It knows
// nothing of plans: what was expected comes to it as numbers.
package learn

import (
	"cmp"
	"math"
	"slices"
	"strconv"

	"gonum.org/v1/gonum/mat"

	"inventory/internal/core/civil"
)

// Planting is a planting that is over and of which what came in was recorded.
type Planting struct {
	ID     string
	Day    civil.Date // on which it took the ground
	Food   string
	Kind   string // the row of the crop book, or the household's own kind
	Beds   []Part // in which it stood, by its share of ground; they add up to 1
	Method string // a way of growing that is told apart, such as a cover; empty: none
	Year   int    // the table year in which its first picking lies
	Plants float64
	Spread float64 // variance σ² of the logarithm of a season's yield
	Ratio  float64 // harvested of what the book expects of so many plants, on their ground, in their weeks
	Unsure float64 // variance added by what was not weighed
	Sowing string  // that it is a plot of; empty: it is none
}

// Part is a share in something.
type Part struct {
	Of    string
	Share float64
}

// Sort is a sort of effect.
type Sort string

// The effects that a yield is made of. A year is the number of standard deviations by which it was
// better or worse.
const (
	OfFood   Sort = "food"
	OfKind   Sort = "kind"
	OfBed    Sort = "bed"
	OfMethod Sort = "method"
	OfYear   Sort = "year"
)

// Standard deviations of the effects in the logarithm of the yield before anything is recorded:
// gardens differ by about a third in what a crop gives, kinds by a fifth, beds and ways of growing
// by a sixth.
var before = map[Sort]float64{OfFood: 0.30, OfKind: 0.20, OfBed: 0.15, OfMethod: 0.15, OfYear: 1}

// How the variance σ² of a season's yield falls to the year that all crops share, the year of the
// food, the year of the kind, and the planting itself; and the variance between plants.
const (
	ofYear     = 1.0 / 4
	ofFoodYear = 1.0 / 6
	ofKindYear = 1.0 / 12
	ofPlanting = 1.0 / 2
	ofPlant    = 0.16
)

// ofPlots is the variance between plots of one sowing: they share its day, its seed and its ground.
func ofPlots(spread float64) float64 { return math.Min(0.12*0.12, spread*ofYear) }

// Effect names one effect.
type Effect struct {
	Sort Sort   `json:"sort"`
	Of   string `json:"of"`
}

// Yields is a linear mixed model of the logarithms of yields, solved: the best linear unbiased
// prediction of its effects (Henderson, Best linear unbiased estimation and prediction under a
// selection model, Biometrics 31, 1975). The terms of a food and a kind in a year are not unknowns
// but stand in the covariance of the residuals. It is not changed once it is made.
type Yields struct {
	all     []Planting
	columns map[Effect]int
	known   map[Effect]float64 // switched off or overruled
	effects []float64          // in the order of the columns, each as a number of its standard deviations
	inverse *mat.SymDense      // covariance of the effects
	scale   float64            // by which intervals are wider than the priors say
	blocks  []block
	of      map[group]int // blocks by their food and year
}

// group is what a food's plantings of a year have in common.
type group struct {
	food string
	year int
}

// block is the plantings of a food in a year, whose residuals hang together.
type block struct {
	rows    []int
	inverse mat.SymDense // of their covariance
}

// Fit solves the model for plantings, in the order of their days whatever order they come in. An
// effect that is known is taken as it is: 0 is one that is switched off.
func Fit(all []Planting, known map[Effect]float64) *Yields {
	y := &Yields{all: slices.Clone(all), known: known, columns: map[Effect]int{}, of: map[group]int{}, scale: 1}
	slices.SortFunc(y.all, func(a, b Planting) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID)) })
	for i, p := range y.all {
		for _, l := range p.loads() {
			if _, is := known[l.Effect]; is {
				continue
			}
			if _, seen := y.columns[l.Effect]; !seen {
				y.columns[l.Effect] = len(y.columns)
			}
		}
		k := group{p.Food, p.Year}
		at, seen := y.of[k]
		if !seen {
			at = len(y.blocks)
			y.of[k] = at
			y.blocks = append(y.blocks, block{})
		}
		y.blocks[at].rows = append(y.blocks[at].rows, i)
	}
	if len(y.all) > 0 {
		y.solve()
	}
	return y
}

// load is how much of an effect a planting carries, in its standard deviations.
type load struct {
	Effect
	by float64
}

// Year names the effect of a table year.
func Year(year int) Effect { return Effect{OfYear, strconv.Itoa(year)} }

// loads returns the effects that a planting carries.
func (p *Planting) loads() []load {
	out := []load{{Effect{OfFood, p.Food}, before[OfFood]}, {Effect{OfKind, p.Kind}, before[OfKind]}}
	for _, b := range p.Beds {
		out = append(out, load{Effect{OfBed, b.Of}, before[OfBed] * b.Share})
	}
	if p.Method != "" {
		out = append(out, load{Effect{OfMethod, p.Method}, before[OfMethod]})
	}
	return append(out, load{Year(p.Year), math.Sqrt(p.Spread * ofYear)})
}

// z is the logarithm of what a planting gave of what was expected of it, less what is known of it. Its
// mean is that of its effects.
func (y *Yields) z(p *Planting) float64 {
	z := math.Log(p.Ratio) + (p.Spread+ofPlant/p.Plants)/2
	for _, l := range p.loads() {
		if v, is := y.known[l.Effect]; is {
			z -= v * l.by / before[l.Sort]
		}
	}
	return z
}

// covariance returns that of what the effects leave of two plantings of a food in a year.
func covariance(p, q *Planting) float64 {
	both := math.Sqrt(p.Spread * q.Spread)
	c := both * ofFoodYear
	if p.Kind == q.Kind {
		c += both * ofKindYear
	}
	switch {
	case p == q && p.Sowing != "":
		c += p.Spread*ofPlanting + ofPlots(p.Spread) + ofPlant/p.Plants + p.Unsure
	case p == q:
		c += p.Spread*ofPlanting + ofPlant/p.Plants + p.Unsure
	case p.Sowing != "" && p.Sowing == q.Sowing:
		c += both * ofPlanting
	}
	return c
}

// solve finds the effects: (I + Z'R⁻¹Z) u = Z'R⁻¹z, with columns multiplied by the standard
// deviations of their effects.
func (y *Yields) solve() {
	n := len(y.columns)
	a, right := mat.NewSymDense(max(1, n), nil), make([]float64, max(1, n))
	for i := range max(1, n) {
		a.SetSym(i, i, 1)
	}
	square := 0.0
	for i := range y.blocks {
		b := &y.blocks[i]
		b.invert(y.all)
		rows := make([][]load, len(b.rows))
		for r, at := range b.rows {
			rows[r] = y.free(&y.all[at])
		}
		for r, at := range b.rows {
			for s, other := range b.rows {
				w := b.inverse.At(r, s)
				z := y.z(&y.all[other])
				square += y.z(&y.all[at]) * w * z
				for _, l := range rows[r] {
					right[y.columns[l.Effect]] += l.by * w * z
					for _, m := range rows[s] {
						if i, j := y.columns[l.Effect], y.columns[m.Effect]; i <= j {
							a.SetSym(i, j, a.At(i, j)+l.by*w*m.by)
						}
					}
				}
			}
		}
	}
	var chol mat.Cholesky
	chol.Factorize(a) // it is the identity and a square: positive definite whatever was recorded
	u := mat.NewVecDense(max(1, n), nil)
	_ = chol.SolveVecTo(u, mat.NewVecDense(max(1, n), right))
	y.inverse = mat.NewSymDense(max(1, n), nil)
	_ = chol.InverseTo(y.inverse)
	y.effects = u.RawVector().Data
	for i, v := range y.effects {
		square -= right[i] * v
	}
	const worth = 10 // plantings by which the priors speak for themselves
	y.scale = math.Sqrt(math.Max(1, (square+worth)/(float64(len(y.all))+worth)))
}

// free returns the effects of a planting that are not known.
func (y *Yields) free(p *Planting) []load {
	return slices.DeleteFunc(p.loads(), func(l load) bool {
		_, is := y.known[l.Effect]
		return is
	})
}

// invert works out the inverse covariance of a block.
func (b *block) invert(all []Planting) {
	n := len(b.rows)
	r := mat.NewSymDense(n, nil)
	for i, at := range b.rows {
		for j := i; j < n; j++ {
			r.SetSym(i, j, covariance(&all[at], &all[b.rows[j]]))
		}
	}
	var chol mat.Cholesky
	chol.Factorize(r)
	_ = chol.InverseTo(&b.inverse)
}

// Estimate is a figure in the logarithm, with its standard deviation.
type Estimate struct{ Mean, Sd float64 }

// Z80 is how many standard deviations lie between the middle and the tenth or ninetieth percent.
const Z80 = 1.2816

// Middle, Low and High return a figure as a factor: its middle, and what it lies under in one case of
// ten, and over in one of ten.
func (e Estimate) Middle() float64 { return math.Exp(e.Mean) }

// Low returns the tenth percent.
func (e Estimate) Low() float64 { return math.Exp(e.Mean - Z80*e.Sd) }

// High returns the ninetieth percent.
func (e Estimate) High() float64 { return math.Exp(e.Mean + Z80*e.Sd) }

// sum returns the estimate of a sum of effects. What was never seen is 0 with the variance that it had
// before.
func (y *Yields) sum(loads []load) Estimate {
	var mean, variance float64
	var seen []load
	for _, l := range loads {
		if v, is := y.known[l.Effect]; is {
			mean += v * l.by / before[l.Sort]
			continue
		}
		if at, is := y.columns[l.Effect]; is {
			mean += l.by * y.effects[at]
			seen = append(seen, l)
			continue
		}
		variance += l.by * l.by
	}
	for _, l := range seen {
		for _, m := range seen {
			variance += l.by * m.by * y.inverse.At(y.columns[l.Effect], y.columns[m.Effect])
		}
	}
	return Estimate{mean, y.scale * math.Sqrt(variance)}
}

// Own returns what a planting to come gives of what the book says, in a year like any other: food,
// kind, bed and method together. Beds that are not known yet are none.
func (y *Yields) Own(p Planting) Estimate {
	loads := p.loads()
	return y.sum(loads[:len(loads)-1]) // without the year
}

// Of returns one effect; of a year as a number of standard deviations.
func (y *Yields) Of(e Effect) Estimate { return y.sum([]load{{e, before[e.Sort]}}) }

// Apart returns the difference of two kinds or two methods.
func (y *Yields) Apart(a, b Effect) Estimate {
	return y.sum([]load{{a, before[a.Sort]}, {b, -before[b.Sort]}})
}

// InSeason returns what is known of a planting of a season of which others are over: its effects, the
// season's year, and what its food and its kind did in it, as mean and variance of the logarithm of its
// factor. The mean of the factor's own spread is taken off.
func (y *Yields) InSeason(p Planting) (mean, variance float64) {
	loads := p.loads()
	own := ofFoodYear + ofKindYear
	variance = p.Spread*own + p.Spread*ofPlanting + ofPlant/p.Plants
	mean = -(p.Spread + ofPlant/p.Plants) / 2
	if at, seen := y.of[group{p.Food, p.Year}]; seen {
		b := &y.blocks[at]
		k := make([]float64, len(b.rows))
		for r, i := range b.rows {
			q := y.all[i]
			k[r] = covariance(&p, &q)
		}
		for r, i := range b.rows {
			weight := 0.0
			for s := range b.rows {
				weight += b.inverse.At(r, s) * k[s]
			}
			variance -= k[r] * weight
			mean += weight * y.z(&y.all[i])
			for _, l := range y.free(&y.all[i]) { // less what the effects explain of it, with their doubt
				loads = append(loads, load{l.Effect, -l.by * weight})
			}
		}
	}
	e := y.sum(loads)
	return mean + e.Mean, variance + e.Sd*e.Sd
}

// Plantings returns the plantings that carry an effect, in the order of their days.
func (y *Yields) Plantings(e Effect) (out []Planting) {
	for _, p := range y.all {
		if slices.ContainsFunc(p.loads(), func(l load) bool { return l.Effect == e }) {
			out = append(out, p)
		}
	}
	return out
}

// Count returns how many plantings it was found from.
func (y *Yields) Count() int { return len(y.all) }

// Effects returns the effects that were found, by sort and name.
func (y *Yields) Effects() []Effect {
	out := make([]Effect, 0, len(y.columns))
	for e := range y.columns {
		out = append(out, e)
	}
	slices.SortFunc(out, func(a, b Effect) int { return cmp.Or(cmp.Compare(a.Sort, b.Sort), cmp.Compare(a.Of, b.Of)) })
	return out
}
