package place

import (
	"slices"

	"inventory/internal/core/civil"
)

// Example is a made-up climate to begin from, until the household enters its own.
type Example struct {
	ID    string
	Words string // how a grower would tell the climate is like theirs
	Place Place
}

// Examples lists the climates to begin from. The places are invented.
func Examples() []Example { return slices.Clone(examples) }

// examples are a dozen climates, from far north to far south; temperatures in °C, rain in mm.
var examples = []Example{
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
	{"continental", "Very cold winters, hot summers", Place{
		Name: "Inland hills, 45° N", Latitude: 45, Altitude: 220,
		MeanMax:   [12]float64{-3, 0, 7, 14, 21, 26, 28, 27, 22, 15, 6, -1},
		MeanMin:   [12]float64{-13, -10, -4, 2, 8, 13, 16, 15, 10, 4, -2, -9},
		Rain:      [12]float64{35, 30, 40, 55, 80, 95, 90, 80, 65, 55, 45, 40},
		LastFrost: civil.MonthDay{Month: 5, Day: 8}, FirstFrost: civil.MonthDay{Month: 10, Day: 2}, FrostSpread: 10,
	}},
	{"oceanic", "Cool coast, mild winters", Place{
		Name: "West coast, 52° N", Latitude: 52, Altitude: 40,
		MeanMax:   [12]float64{7, 7.5, 10, 13, 16, 19, 21, 21, 18, 14, 10, 8},
		MeanMin:   [12]float64{2, 2, 3, 5, 8, 11, 13, 13, 11, 8, 5, 3},
		Rain:      [12]float64{80, 60, 60, 55, 55, 55, 60, 65, 70, 85, 85, 85},
		LastFrost: civil.MonthDay{Month: 4, Day: 10}, FirstFrost: civil.MonthDay{Month: 11, Day: 10}, FrostSpread: 10,
	}},
	{"north", "Long cold winters, short cool summers", Place{
		Name: "Northern lakes, 60° N", Latitude: 60, Altitude: 60,
		MeanMax:   [12]float64{-2, -1, 3, 8, 14, 18, 20, 19, 14, 8, 3, 0},
		MeanMin:   [12]float64{-7, -7, -4, 0, 5, 10, 12, 11, 7, 3, -1, -5},
		Rain:      [12]float64{45, 35, 35, 35, 40, 60, 70, 75, 65, 65, 60, 55},
		LastFrost: civil.MonthDay{Month: 5, Day: 20}, FirstFrost: civil.MonthDay{Month: 9, Day: 25}, FrostSpread: 10,
	}},
	{"mediterranean", "Mild wet winters, dry hot summers", Place{
		Name: "Dry hills, 38° N", Latitude: 38, Altitude: 120,
		MeanMax:   [12]float64{13, 14, 17, 20, 25, 30, 33, 33, 28, 23, 18, 14},
		MeanMin:   [12]float64{5, 5, 7, 9, 13, 17, 20, 20, 17, 13, 9, 6},
		Rain:      [12]float64{80, 70, 55, 40, 25, 10, 3, 6, 25, 60, 85, 90},
		LastFrost: civil.MonthDay{Month: 2, Day: 15}, FirstFrost: civil.MonthDay{Month: 12, Day: 20}, FrostSpread: 10,
	}},
	{"mild-coast", "No frost, cool summers", Place{
		Name: "Fog coast, 36° N", Latitude: 36, Altitude: 20,
		MeanMax:   [12]float64{16, 17, 18, 19, 21, 22, 23, 24, 24, 22, 19, 16},
		MeanMin:   [12]float64{8, 8, 9, 10, 11, 13, 14, 15, 14, 12, 10, 8},
		Rain:      [12]float64{100, 95, 80, 35, 12, 4, 1, 2, 5, 25, 60, 90},
		FrostFree: true,
	}},
	{"desert", "Very hot dry summers, light frosts", Place{
		Name: "Dry basin, 33° N", Latitude: 33, Altitude: 350,
		MeanMax:   [12]float64{19, 22, 26, 30, 35, 40, 41, 40, 37, 31, 24, 19},
		MeanMin:   [12]float64{7, 9, 12, 15, 20, 25, 28, 28, 24, 18, 11, 7},
		Rain:      [12]float64{20, 20, 22, 8, 4, 2, 25, 25, 18, 15, 15, 22},
		LastFrost: civil.MonthDay{Month: 2, Day: 5}, FirstFrost: civil.MonthDay{Month: 12, Day: 10}, FrostSpread: 10,
	}},
	{"highland", "Cool all year, no frost", Place{
		Name: "High valley near the equator, 5° N", Latitude: 5, Altitude: 2100,
		MeanMax:   [12]float64{22, 22.5, 22.5, 22, 21.5, 21, 20.5, 20.5, 21, 21.5, 21.5, 21.5},
		MeanMin:   [12]float64{9, 9.5, 10, 11, 11, 10.5, 10, 10, 10, 10.5, 10.5, 9.5},
		Rain:      [12]float64{40, 50, 90, 150, 110, 50, 40, 45, 60, 140, 130, 60},
		FrostFree: true,
	}},
	{"south", "Cool summers, light frosts, southern half of the world", Place{
		Name: "South island, 43° S", Latitude: -43, Altitude: 50,
		MeanMax:   [12]float64{21, 21, 19, 17, 14, 11, 11, 12, 14, 16, 18, 19},
		MeanMin:   [12]float64{12, 12, 10, 8, 6, 4, 3, 4, 6, 7, 9, 11},
		Rain:      [12]float64{55, 50, 55, 60, 65, 65, 70, 65, 60, 60, 55, 60},
		LastFrost: civil.MonthDay{Month: 10, Day: 15}, FirstFrost: civil.MonthDay{Month: 5, Day: 10}, FrostSpread: 10,
	}},
	{"mirrored", "Cold winters, warm summers, southern half of the world", Place{
		Name: "River plain, 47.5° S", Latitude: -47.5, Altitude: 160,
		MeanMax:   [12]float64{26, 25, 21, 15, 8, 4, 3, 5, 10, 15, 20, 23},
		MeanMin:   [12]float64{14, 13, 9, 5, 1, -3, -4, -3, 0, 4, 8, 12},
		Rain:      [12]float64{75, 75, 60, 60, 60, 55, 50, 40, 50, 60, 75, 80},
		LastFrost: civil.MonthDay{Month: 10, Day: 28}, FirstFrost: civil.MonthDay{Month: 4, Day: 14}, FrostSpread: 10,
	}},
}
