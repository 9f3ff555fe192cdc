package plan

import (
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
)

// Course is how the picking of a planting that grows is expected to go.
type Course struct {
	Sowing  string
	Crop    string
	Kg      float64 // that the whole planting is likely to give
	CV      float64 // coefficient of variation of a season's yield
	Doubt   float64 // standard deviation of the logarithm of the household's own yield; 0: nothing was learned of it
	First   civil.Date
	Weighed record.Weighed // how much of what comes in is weighed
	Days    int            // from the first picking to the last, both counted
	Once    bool
	Begun   bool
	Gone    bool // it was cleared, lost or lifted whole: nothing more is to come

	season *season.Season
	start  season.Start
}

// Over returns the share of the picking that is over at the end of so many days from its first day,
// 0 to 1.
func (c *Course) Over(days int) float64 {
	whole := c.season.Share(c.start, c.start.Ready, c.start.End)
	if whole <= 0 {
		return 1
	}
	return min(1, c.season.Share(c.start, c.start.Ready, c.start.Ready+max(0, days))/whole)
}

// Between returns how much a planting that gives so much in all gives from one day to another, the
// last not counted, where its picking begins on a day.
func (c *Course) Between(kg float64, first, from, to civil.Date) float64 {
	return kg * (c.Over(int(to-first)) - c.Over(int(from-first)))
}

// usualCV is the spread of a season's yield where the book has none for a crop.
const usualCV = 0.3

// Courses returns how the picking of all plantings of the plan is expected to go, of those that are
// not begun yet too.
func Courses(in Input) ([]Course, error) {
	c, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	var out []Course
	for _, s := range c.sown {
		if course, ok := c.courseOf(s); ok {
			out = append(out, course)
		}
	}
	return out, nil
}
