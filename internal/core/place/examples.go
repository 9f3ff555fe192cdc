package place

import (
	"inventory/internal/core/civil"
)

// Example is a made-up climate to begin from, until the household enters its own.
type Example struct {
	ID    string
	Words string // how a grower would tell the climate is like theirs
	Place Place
}

// Examples lists the climates to begin from. The places are invented.
func Examples() []Example {
	return []Example{
		{"river-plain", "Cold winters, warm summers", Place{
			Name: "River plain, 47.5° N", Latitude: 47.5, Altitude: 160,
			MeanMax:   [12]float64{3, 5, 10, 15, 20, 23, 26, 25, 21, 15, 8, 4},
			MeanMin:   [12]float64{-4, -3, 0, 4, 8, 12, 14, 13, 9, 5, 1, -3},
			Rain:      [12]float64{50, 40, 50, 60, 75, 80, 75, 75, 60, 60, 60, 55},
			LastFrost: civil.MonthDay{Month: 4, Day: 28}, FirstFrost: civil.MonthDay{Month: 10, Day: 14}, FrostSpread: 10,
		}},
		{"south-coast", "Cool summers, southern half of the world", Place{
			Name: "South coast, 43° S", Latitude: -43, Altitude: 30,
			MeanMax:   [12]float64{21, 21, 19, 17, 14, 12, 11, 12, 14, 16, 18, 20},
			MeanMin:   [12]float64{11, 11, 9, 7, 4, 2, 1, 2, 4, 6, 8, 10},
			Rain:      [12]float64{45, 40, 45, 50, 60, 60, 65, 60, 50, 50, 45, 50},
			LastFrost: civil.MonthDay{Month: 10, Day: 5}, FirstFrost: civil.MonthDay{Month: 5, Day: 2}, FrostSpread: 12,
		}},
		{"hot-lowland", "No frost, hot summers", Place{
			Name: "Hot lowland, 24° N", Latitude: 24, Altitude: 40,
			MeanMax: [12]float64{24, 26, 29, 32, 34, 34, 33, 33, 32, 31, 28, 25},
			MeanMin: [12]float64{13, 14, 17, 21, 24, 26, 26, 26, 25, 22, 18, 14},
			Rain:    [12]float64{15, 20, 25, 40, 110, 210, 260, 250, 190, 90, 25, 15}, FrostFree: true,
		}},
	}
}
