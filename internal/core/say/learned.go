package say

import (
	"fmt"
	"math"
)

// YearWas is what a year was like for all that grew: by what share an ordinary crop gave more, or less.
type YearWas struct {
	Good, Poor bool
	Share      float64
}

func (x YearWas) String() string {
	percent := math.Abs(100 * x.Share)
	switch {
	case x.Good:
		return fmt.Sprintf("a good year: crops gave about %.0f %% more", percent)
	case x.Poor:
		return fmt.Sprintf("a poor year: crops gave about %.0f %% less", percent)
	}
	return "an ordinary year"
}
