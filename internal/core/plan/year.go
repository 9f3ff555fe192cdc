package plan

import (
	"fmt"

	"inventory/internal/core/amount"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/working"
)

// yearOf tells of the year itself: its weeks, its frosts, its warmest week, who eats.
func yearOf(b *basis) (p Plan) {
	p.AsOf, p.Unknown = b.in.AsOf, append([]household.Unknown{}, b.in.Unknown...)
	p.Year = fmt.Sprintf("%d/%02d", b.in.Household.Year, (b.in.Household.Year+1)%100)
	if _, m, d := b.start.Split(); m == 1 && d == 1 {
		p.Year = fmt.Sprint(b.in.Household.Year)
	}
	p.Moons = place.Moons(b.in.AsOf-7, b.in.AsOf+28)
	for w := range b.eaters {
		max := 0.0
		for d := range 7 {
			max += b.year.Max[(b.start.YearDay()+7*w+d)%place.Days] / 7
		}
		if w == 0 || max > p.WarmestC {
			p.Warmest, p.WarmestC = w, max
		}
	}
	p.EmptyShelf = len(b.in.Household.Lots) == 0
	for w, e := range b.eaters {
		p.Weeks = append(p.Weeks, b.weekStart(w))
		p.AdultEquivalents += e / season.WeeksPerYear
	}
	p.LastFrost, p.FirstFrost = -1, -1
	if !b.year.FrostFree {
		p.LastFrost = season.WeekOf(b.year.Last - b.start.YearDay())
		p.FirstFrost = season.WeekOf(b.year.First - b.start.YearDay())
	}
	s := b.desk.Recorder.Open("house", "eaters", "", "People, as adults")
	s.Do(working.Start, "Nobody yet", 0, amount.Eater, working.Household)
	for _, m := range b.in.Household.Members {
		s.Do(working.Plus, m.Name, m.Eats(), amount.Eater, working.Household)
		if len(m.Away) > 0 {
			s.Note("away for a part of the year")
		}
	}
	s.Is("When everybody is at home", amount.Eater)
	if diff := p.AdultEquivalents - s.Value(); diff > 1e-9 || diff < -1e-9 {
		s.Do(working.Plus, "Away and guests, over the year", diff, amount.Eater, working.Household)
		s.Is("On average over the year", amount.Eater)
	}
	s.Close(amount.Eater)
	return p
}
