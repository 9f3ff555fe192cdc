package plan

import (
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
)

// Chances are those of a sowing to be ready before the first autumn frost: on its day, and
// begun ten days earlier or later. One that frost does not end, or that may not be begun then,
// has none.
type Chances struct {
	InTime  *float64 `json:"in_time"`
	Earlier *float64 `json:"earlier"`
	Later   *float64 `json:"later"`
}

// besideDays is by how many days a sowing is tried earlier and later.
const besideDays = 10

// ChancesOf returns the chances of a sowing of the plan. The error is an invalid.Field where
// the plan has no such sowing.
func ChancesOf(in Input, sowing string) (Chances, error) {
	c, err := worked(in, nil)
	if err != nil {
		return Chances{}, err
	}
	s := c.plan.Sowing(sowing)
	if s == nil {
		return Chances{}, &invalid.Field{Field: "sowing", Value: sowing, Allowed: "Choose a sowing of the plan. This one may have changed since."}
	}
	out := Chances{InTime: c.chance(s, 0)}
	if !s.Begun && out.InTime != nil {
		out.Earlier, out.Later = c.chance(s, -besideDays), c.chance(s, besideDays)
	}
	return out, nil
}

// FrostChances returns the chance of every sowing of the plan that has one to be ready before the
// first autumn frost, by its name.
func FrostChances(in Input) (map[string]float64, error) {
	c, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	out := map[string]float64{}
	for i := range c.plan.Sowings {
		s := &c.plan.Sowings[i]
		if p := c.chance(s, 0); p != nil && !s.Over {
			out[s.ID] = *p
		}
	}
	return out, nil
}

// chance is that of a sowing begun so many days later; nil where it has none.
func (c *computed) chance(s *Sowing, later int) *float64 {
	crop := c.desk.Book.Crop(s.Crop)
	if crop == nil || !s.Method.OneYear() {
		return nil
	}
	st, why := c.begin(crop, s.air(), s.Choice, c.dayOf(s.Day)+later)
	if later != 0 && (!why.IsZero() || c.date(st.Sow) < c.in.AsOf) {
		return nil
	}
	st.Ready, st.Sure = st.Ready+s.Behind, st.Sure+s.Behind
	chance, ends := season.BeforeFrost(crop, c.year, c.in.Household.Risk, c.start.YearDay(), st)
	if !ends {
		return nil
	}
	return &chance
}
