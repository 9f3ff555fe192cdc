package reckon

import (
	"math"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// Bed is the ground that plants are reckoned into: width and the edge kept free
// on each side, m.
type Bed struct{ Width, Edge float64 }

// Stand says how a crop stands in a bed.
type Stand struct {
	Layout wish.Layout
	Rows   int     // rows along the bed, or plants in a row across it
	Step   float64 // m of bed length that one row across, or one plant along, takes
	Ground float64 // m² that a plant gets
	Room   float64 // r: that ground as a share of the usual one
	Factor float64 // of the usual yield of a plant, by the density law
}

// tenths turns metres into whole tenths of a millimetre, in which inches are whole
// too, so that ⌊(0.6 − 0.2) / 0.2⌋ is 2.
func tenths(m float64) int { return int(math.Round(m * 10000)) }

func fits(b Bed, apart float64) int {
	usable, step := tenths(b.Width-2*b.Edge), max(1, tenths(apart))
	if usable < 0 {
		return 1
	}
	return usable/step + 1 // one row is always possible
}

// Crowding returns the yield of a plant with r times the usual ground, as a
// share of its usual yield: the reciprocal yield-density law, 1/y linear in
// density, with closeness k (Shinozaki and Kira 1956).
func Crowding(r, k float64) float64 { return (1 + k) * r / (r + k) }

// UsualLayout returns the layout of a crop where the household names none: rows
// along the bed, across it for corn.
func UsualLayout(c *book.Crop) wish.Layout {
	if c.WindPollinated() {
		return wish.Across
	}
	return wish.Rows
}

// overrun is how far a sprawling crop may run over the bed's edges, m.
const overrun = 0.6

// StandIn returns how a crop stands in a bed by a layout.
func StandIn(c *book.Crop, layout wish.Layout, b Bed) Stand {
	if layout == "" {
		layout = UsualLayout(c)
	}
	inRow, row, d := c.InRow.Value/100, c.RowGap.Value/100, c.Block.Value/100
	s := Stand{Layout: layout}
	switch layout {
	case wish.Across:
		s.Rows = fits(b, inRow)
		s.Step, s.Ground = row, b.Width*row/float64(s.Rows)
	case wish.Block:
		s.Rows = fits(b, 0.866*d)
		s.Step, s.Ground = d, b.Width*d/float64(s.Rows)
	case wish.Plot:
		s.Rows, s.Step, s.Ground = 1, inRow, inRow*row
	default:
		s.Rows = fits(b, row)
		s.Step, s.Ground = inRow, b.Width*inRow/float64(s.Rows)
	}
	if s.Rows == 1 && c.Sprawls && layout != wish.Plot {
		s.Ground = math.Min(row, b.Width+overrun) * inRow
	}
	s.Room = s.Ground / c.UsualGround()
	if s.Rows == 1 && layout != wish.Plot {
		s.Room = math.Max(1, s.Room) // a single row has no neighbour to crowd it
	}
	s.Factor = Crowding(s.Room, c.Closeness)
	return s
}

// PlantsInRow returns how many plants stand in a row of a length, m, at the usual spacing.
func PlantsInRow(c *book.Crop, metres float64) int {
	return amount.FloorWhole(metres / (c.InRow.Value / 100))
}

// PlantsOnBed returns how many plants stand on a length of a bed of a width, m, in as many rows
// as it takes. Edge is kept free on each side, of a narrow bed a third of its width at most.
func PlantsOnBed(c *book.Crop, metres, width, edge float64) int {
	s := StandIn(c, "", Bed{Width: width, Edge: math.Min(edge, width/3)})
	return amount.FloorWhole(math.Floor(metres/s.Step+1e-9) * float64(s.Rows))
}

// Takes returns the bed length (m) and the area (m²) that a number planted
// takes, and the metres of row: all rows of that length.
func (s Stand) Takes(planted int, b Bed) (length, area, rowMetres float64) {
	lines := math.Ceil(float64(planted) / float64(s.Rows))
	switch s.Layout {
	case wish.Plot:
		return float64(planted) * s.Step, float64(planted) * s.Ground, float64(planted) * s.Step
	case wish.Across:
		length = lines * s.Step
		return length, length * b.Width, lines * math.Max(0, b.Width-2*b.Edge)
	}
	length = lines * s.Step
	return length, length * b.Width, length * float64(s.Rows)
}

// wholeBlock raises a number of plants to the least block of full rows in which the
// wind fills the ears, where the book gives one.
func (s Stand) wholeBlock(n int, c *book.Crop) int {
	if c.LeastRows.Known && s.Layout == wish.Across {
		return max(n, int(c.LeastRows.Value)*s.Rows)
	}
	return n
}

// Germination returns the share of seed that comes up after some years in the
// box: the fresh rate within its life, then halved for each further half life.
func Germination(fresh, life, age float64) float64 {
	if age <= life || life <= 0 {
		return fresh
	}
	return fresh * math.Exp2(-(age-life)/(life/2))
}

// SeedsToAStation returns the least number of seeds of which at least one comes
// up in 95 of 100 stations, and the share of stations then taken.
func SeedsToAStation(germination float64) (m int, occupied float64) {
	germination = math.Max(0.01, math.Min(1, germination))
	for m = 1; ; m++ {
		occupied = 1 - math.Pow(1-germination, float64(m))
		if occupied >= 0.95-1e-9 {
			return m, occupied
		}
	}
}
