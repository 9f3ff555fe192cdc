package plan

import (
	"cmp"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
)

// FrostNight is a night to come in which frost may kill something that stands in a bed.
type FrostNight struct {
	place.Night
	AtRisk []AtRisk `json:"at_risk"`
}

// AtRisk is a sowing that a night may kill.
type AtRisk struct {
	Sowing   string `json:"sowing"`
	CropName string `json:"crop_name"`
	Plants   int    `json:"plants"`
}

// NearGround is by how much it may be colder at the plants than a station says, °C: it measures
// at 1.5 to 2 m above the ground, and on clear, calm nights the coldest air lies on it.
const NearGround = 2

// FrostNights returns the nights in which frost may kill something that stands in a bed of a
// plan today, with what that is, the most plants first. A cover that lies over it then shields it
// from as many degrees as it does, and ground that is warmer than the place, or colder, counts as it is.
func FrostNights(p Plan, b *book.Book, nights []place.Night) []FrostNight {
	out := []FrostNight{}
	for _, n := range nights {
		at := FrostNight{Night: n, AtRisk: []AtRisk{}}
		for i := range p.Sowings {
			s := &p.Sowings[i]
			crop := b.Crop(s.Crop)
			if crop == nil || !s.InBed || s.Over || s.Method == season.Patch {
				continue
			}
			if n.Min-NearGround+s.Warmer+s.shielded(n.Date) <= crop.FrostKill {
				at.AtRisk = append(at.AtRisk, AtRisk{s.ID, s.CropName, s.Plants})
			}
		}
		slices.SortStableFunc(at.AtRisk, func(a, b AtRisk) int { return cmp.Compare(b.Plants, a.Plants) })
		if len(at.AtRisk) > 0 {
			out = append(out, at)
		}
	}
	return out
}

// shielded returns from how many degrees of frost the cover of a sowing shields it on a day.
func (s *Sowing) shielded(day civil.Date) float64 {
	cover := place.Cover(s.Cover)
	picked := s.FirstPick != nil && *s.FirstPick <= day
	if l, ok := cover.Lying(); !ok || !l.OnDay(day.YearDay(), picked) {
		return 0
	}
	return place.Coverings[cover.Kind()].Shields
}
