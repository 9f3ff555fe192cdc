package household

import "inventory/internal/core/invalid"

// Measure is a container or a bundle that the household counts by instead of weighing: weighed once
// for a food, its weight is known from then on. The food is named as people entered it; one that
// the crop book no longer has does no harm.
type Measure struct {
	ID   string  `json:"id"`
	Name string  `json:"name"` // bucket, crate, bunch
	Food string  `json:"food"`
	Kg   float64 `json:"kg"` // that one holds
}

// The heaviest that one measure may hold.
const heaviestMeasure = 500 // kg

// Validate looks at a measure.
func (m Measure) Validate(c invalid.Check) {
	c.Text("name", m.Name, 40)
	c.Text("food", m.Food, 60)
	c.Positive("kg", m.Kg, heaviestMeasure)
}

// MeasureOf returns what one measure of a food holds, kg; 0 where it was never weighed.
func (h Household) MeasureOf(name, food string) float64 {
	for _, m := range h.Measures {
		if m.Name == name && m.Food == food {
			return m.Kg
		}
	}
	return 0
}
