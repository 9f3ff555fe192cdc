package learn

import "math"

// Sown is one count of what came up: a sowing, or a test on damp paper.
type Sown struct {
	Seeds float64 // that were counted on; of stations, the seeds in all of them
	Up    float64 // seeds that came up; of stations, the stations in which any did
	Each  float64 // seeds in a station; 0 or 1: seeds were counted one by one
}

// How much a count of what came up can teach: the book's rate is worth so many seeds, and one sowing
// no more than so many, since the bed and not only the lot decides.
const (
	seedsOfBook   = 20
	seedsOfSowing = 40
)

// Germination returns the share of a lot's seed that comes up, from the book's rate and what was
// counted: the mean of a beta distribution.
func Germination(book float64, counts []Sown) float64 {
	g := book
	const rounds = 200 // it stands after some ten
	for range rounds {
		up, seeds := seedsOfBook*book, float64(seedsOfBook)
		for _, c := range counts {
			if c.Seeds <= 0 {
				continue
			}
			came := c.Up
			if c.Each > 1 { // a station with something in it has more than one seed up
				came *= c.Each * g / (1 - math.Pow(1-g, c.Each))
			}
			counted := math.Min(seedsOfSowing, c.Seeds)
			up += counted * math.Min(1, came/c.Seeds)
			seeds += counted
		}
		now := up / seeds
		if math.Abs(now-g) < 1e-9 {
			return now
		}
		g = now
	}
	return g
}

// Stood is how the plantings of a crop fared in one season.
type Stood struct{ Plantings, Lost int }

// Losses returns the chance that a planting of a crop is lost outright, from the book's, which is worth
// ten plantings. In one season at most two plantings count: what took one took the others too.
func Losses(book float64, seasons []Stood) float64 {
	const worth, most = 10, 2
	lost, all := worth*book, float64(worth)
	for _, s := range seasons {
		if s.Plantings == 0 {
			continue
		}
		n := math.Min(most, float64(s.Plantings))
		lost += n * float64(s.Lost) / float64(s.Plantings)
		all += n
	}
	return lost / all
}

// Heat is how much heat a planting really had until its first picking, as a share of what the book
// says that it needs.
type Heat struct {
	Share  float64
	Normal bool // by the averages of the place, since nobody had the temperatures of those days
}

// What is believed of the heat that a crop needs, in the logarithm: the book may be wrong by eight
// percent, one planting by eleven, and the averages by six more.
const (
	heatDoubt   = 0.08
	heatSd      = 0.113
	normalHeat  = 0.06
	heatVarBook = heatDoubt * heatDoubt
)

// Days returns what a crop's heat must be multiplied by.
func Days(seen []Heat) Estimate {
	precision, sum := 1/heatVarBook, 0.0
	for _, h := range seen {
		v := heatSd * heatSd
		if h.Normal {
			v += normalHeat * normalHeat
		}
		precision += 1 / v
		sum += math.Log(h.Share) / v
	}
	return Estimate{sum / precision, math.Sqrt(1 / precision)}
}

// Kept is how long a lot of whole produce lasted, as a share of the weeks that it keeps there by the
// book.
type Kept struct {
	Share   float64
	AtLeast bool // it was eaten up, given away or put up before
}

// Lots of one crop differ by thirty percent in how long they keep, and the book may be wrong by about
// a fifth.
const (
	keptSd    = 0.30
	keptDoubt = 0.21
)

// StorageLife returns what the weeks that a crop keeps must be multiplied by: the greatest likelihood
// with the book as its prior, by Newton's method. Of a lot that was eaten up only that it lasted as
// long is known.
func StorageLife(lots []Kept) Estimate {
	at, curve := 0.0, 1/(keptDoubt*keptDoubt)
	const rounds = 60
	for range rounds {
		slope := -at / (keptDoubt * keptDoubt)
		curve = 1 / (keptDoubt * keptDoubt)
		for _, l := range lots {
			x := (math.Log(l.Share) - at) / keptSd
			if !l.AtLeast {
				slope += x / keptSd
				curve += 1 / (keptSd * keptSd)
				continue
			}
			h := hazard(x)
			slope += h / keptSd
			curve += h * (h - x) / (keptSd * keptSd)
		}
		step := slope / curve
		at += step
		if math.Abs(step) < 1e-10 {
			break
		}
	}
	return Estimate{at, 1 / math.Sqrt(curve)}
}

// hazard is the density of the normal distribution over what lies beyond it.
func hazard(x float64) float64 {
	return math.Exp(-x*x/2) / math.Sqrt(2*math.Pi) / (math.Erfc(x/math.Sqrt2) / 2)
}

// CookingDown returns how much raw food a unit of a preparation takes, from the book's, which is worth
// three batches, and from what batches really took for one unit, each as a share of the book's.
func CookingDown(book float64, batches []float64) float64 {
	const worth = 3
	sum := float64(worth)
	for _, b := range batches {
		sum += b
	}
	return book * sum / float64(worth+len(batches))
}

// Appetite returns how much is really eaten of what was wished: the wish is worth eight weeks. Drawn is
// the sum over the weeks of which anything was recorded of what was eaten, as a share of the week's
// wish.
func Appetite(drawn float64, weeks int) float64 {
	const worth = 8
	return (worth + drawn) / float64(worth+weeks)
}
