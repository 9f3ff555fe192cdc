package ground

import (
	"errors"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
)

// PlacesOf returns where things that grow already stand, each at the first free stretch of the
// bed that it is told to stand in; in is the input with them put down. What is told without a
// bed, and what is not in the ground yet, has no place. A bed without room for it is an
// invalid.Field.
func PlacesOf(in plan.Input, all []plan.Growing, grown plan.Grown) (out []bed.Placement, err error) {
	told := func(i int) bool { return all[i].Bed != "" && grown.Of[i] != "" }
	some := false
	for i := range all {
		some = some || told(i)
	}
	if !some {
		return nil, nil
	}
	p, err := plan.Compute(in)
	if err != nil {
		return nil, err
	}
	beds, err := InputOf(in, p)
	if err != nil {
		return nil, err
	}
	for i, g := range all {
		takes := slices.ContainsFunc(beds.Plantings, func(q Planting) bool { return q.ID == grown.Of[i] })
		if !told(i) || !takes { // what is not in this year's plan takes none of its ground
			continue
		}
		at, err := Put(beds, grown.Of[i], g.Bed, -1, true)
		var wrong *invalid.Field
		if errors.As(err, &wrong) {
			return nil, &invalid.Field{Field: invalid.Element("growing", i) + ".bed", Value: wrong.Value, Allowed: wrong.Allowed + "; or leave the bed out"}
		}
		if err != nil {
			return nil, err
		}
		at.Stands = true
		beds.Placed = append(slices.Clip(beds.Placed), at)
		out = append(out, at)
	}
	return out, nil
}
