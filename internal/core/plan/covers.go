package plan

import (
	"slices"

	"inventory/internal/core/place"
	"inventory/internal/core/work"
)

// hoopsApart is how far apart the hoops stand that hold a cover, m.
const hoopsApart = 1

// coverNames says a cover in the middle of a sentence.
var coverNames = map[place.Cover]string{place.Fleece: "fleece", place.Net: "net", place.Frame: "frame", place.Tunnel: "tunnel", place.Shade: "shade cloth"}

// Nobody takes a cover off for less than a fortnight, or puts one on for less than a
// week.
const leastOpen, leastCovered = 14, 7

// covered returns when the cover of a sowing lies while it stands: a warming one in cool
// days, shade in warm ones, a net always.
func (b *basis) covered(s *sown) (out []work.Covered) {
	cover := place.Coverings[place.Cover(s.Cover).Kind()]
	lying, _ := place.Cover(s.Cover).Lying()
	lies := func(d int) bool {
		day := b.date(d)
		if !lying.OnDay(day.YearDay(), s.FirstPick != nil && day >= *s.FirstPick) {
			return false
		}
		if !lying.From.IsZero() { // the household's own days go before the weather's
			return true
		}
		warm := b.year.Max[((d+b.start.YearDay())%place.Days+place.Days)%place.Days] > place.OpenAbove
		return cover == (place.Covering{}) || warm == (cover.Max < 0)
	}
	for d := s.ground.from; d < s.ground.to; d++ {
		if !lies(d) {
			continue
		}
		on := d
		for d < s.ground.to && lies(d) {
			d++
		}
		if last := len(out) - 1; last >= 0 && b.date(on)-out[last].Off < leastOpen {
			out[last].Off = b.date(d)
			continue
		}
		out = append(out, work.Covered{On: b.date(on), Off: b.date(d)})
	}
	return slices.DeleteFunc(out, func(x work.Covered) bool { return x.Off-x.On < leastCovered })
}
