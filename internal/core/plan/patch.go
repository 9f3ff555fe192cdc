package plan

import (
	"math"

	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/say"
)

// patch plans a perennial: what is growing already, by its age, and what is still to be
// planted for the household to have a full crop one day.
func (z *sizer) patch(base string, r *row, ask reckon.Ask, figures []string) {
	p := r.crop.Patch
	var grown int
	var bearing float64
	for _, h := range z.in.Household.Patches {
		if h.Crop != r.crop.ID {
			continue
		}
		age := z.in.Household.Year - h.Planted + 1
		grown += h.Plants
		bearing += float64(h.Plants) * p.Bears(age)
		if float64(age) > p.StandYears {
			z.note(r, say.PatchIsOld{Planted: h.Planted, Age: age, Stands: p.StandYears})
		}
	}
	ask.Bearing = p.Bears(1)
	if grown == 0 {
		z.plantPatch(base, r, ask, figures, true)
		return
	}
	z.note(r, say.PatchGives{Plants: grown, Crop: r.crop.Short(), Share: bearing / float64(grown)})
	whole := z.trying.Sow(base, r.crop, r.key.layout, ask)
	share := math.Min(1, float64(grown)/math.Max(1, float64(whole.Plants)))
	z.add(r, z.desk.Stands("sowing/"+r.id+"-stands", r.crop, r.key.layout, grown, bearing, whole, share), r.id+"-stands", figures, true)
	if share < 1-1e-9 {
		for i := range ask.Parts {
			ask.Parts[i].Need.Amount *= 1 - share
		}
		ask.Beside = true
		z.plantPatch(base, r, ask, figures, false)
	}
}

func (z *sizer) note(r *row, fact say.Fact) { z.out.notes.add(r.uses[0].d.wish, fact) }

// plantPatch adds a new patch, in the coming spring. It may be picked only from the year in
// which it first bears; where nothing else is growing, the weeks it is to feed are gaps
// until then.
func (z *sizer) plantPatch(base string, r *row, ask reckon.Ask, figures []string, alone bool) {
	sw := z.add(r, z.desk.Sow(base, r.crop, r.key.layout, ask), r.id, figures, false)
	if sw == nil {
		return
	}
	sw.moveBy(z.untilSpring(sw.Date))
	p := r.crop.Patch
	first := 1
	for p.Bears(first) <= 0 {
		first++
	}
	year, _, _ := sw.Day.Split()
	if first == 1 {
		z.note(r, say.NewPatchGives{Share: p.Bears(1), FullFrom: p.FullBearingYear})
		return
	}
	sw.FirstPick, sw.LastPick, sw.Feeds, sw.barren = nil, nil, []int{}, true
	for i := range sw.For {
		sw.For[i].Need = 0
	}
	z.note(r, say.NewPatchBears{Planted: year, First: year + first - 1, Share: p.Bears(first), Full: year + int(p.FullBearingYear) - 1})
	if alone {
		for _, u := range r.uses {
			z.out.unfed = append(z.out.unfed, unfed{u.d, u.d.use.Weeks})
		}
	}
}

// untilSpring returns by how many days a date moves, whole years, to lie within a year from
// today.
func (z *sizer) untilSpring(d civil.Date) (by civil.Date) {
	for d+by < z.in.AsOf {
		by += place.Days
	}
	for d+by-place.Days >= z.in.AsOf {
		by -= place.Days
	}
	return by
}

// moveBy moves all days of a sowing.
func (s *sown) moveBy(days civil.Date) {
	for _, day := range []*civil.Date{s.HardenOff, s.PlantOut, s.UpBy, s.FirstPick, s.LastPick} {
		if day != nil {
			*day += days
		}
	}
	s.Date, s.Day, s.Clear = s.Date+days, s.Day+days, s.Clear+days
}
