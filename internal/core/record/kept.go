package record

import (
	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
)

// Agreement is a plan as the household agreed to it: what the year's end is
// compared with, and what later reckonings stay close to.
type Baseline struct {
	On      civil.Date       `json:"on"`
	Year    int              `json:"year"` // the household's, when it was agreed
	Sowings []BaselineSowing `json:"sowings"`
	Fed     int              `json:"fed"` // weeks, of those wanted
	Wanted  int              `json:"wanted"`
	Plants  int              `json:"plants"`
	Area    float64          `json:"area"` // m² of bed in the fullest week
	Jars    int              `json:"jars"`

	Laid []bed.Laid `json:"laid,omitempty"` // where everything was to stand
}

// Agreed is one sowing of an agreed plan.
type BaselineSowing struct {
	ID       string      `json:"id"`
	Crop     string      `json:"crop"`
	CropName string      `json:"crop_name"`
	Cover    place.Cover `json:"cover,omitempty"`
	Fresh    bool        `json:"fresh"` // for the table; what is kept is timed on its own
	Date     civil.Date  `json:"date"`  // the first thing to do
	Day      civil.Date  `json:"day"`   // on which it takes the ground
	Plants   int         `json:"plants"`
	Area     float64     `json:"area"`
	Likely   float64     `json:"likely"` // harvest, kg or pieces
}

// Agreements are the days, counted from the start of the table year, that an
// agreed plan gave the sowings of a crop.
type BaselineDays map[agreedKey][]int

type agreedKey struct {
	crop  string
	cover place.Cover
	fresh bool
}

// Days returns the agreed days of a crop's sowings for the table, or of those
// that are kept.
func (a BaselineDays) Days(crop string, cover place.Cover, fresh bool) []int {
	return a[agreedKey{crop, cover, fresh}]
}

// AgreedDays returns the days of the sowings of a kept plan, counted from the start of
// the table year.
func BaselineDaysOf(sowings []BaselineSowing, start civil.Date) BaselineDays {
	out := BaselineDays{}
	for _, s := range sowings {
		k := agreedKey{s.Crop, s.Cover, s.Fresh}
		out[k] = append(out[k], int(s.Day-start))
	}
	return out
}
