package plan

import (
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/sowing"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// hardeningDays is how long young plants are hardened off before planting out.
const hardeningDays = 7

// dated is a sowing with its dates, and the days on which it takes bed space.
type dated struct {
	Sowing
	ground span
}

// upBy returns the day by which a sowing of a day should be up, or its gaps where they were sown again.
func upBy(s sowing.Sowing, sown civil.Date, crop *book.Crop) civil.Date {
	if s.Hand != nil && s.Hand.Planting != nil && s.Hand.Planting.Refill != nil {
		sown = *s.Hand.Planting.Refill
	}
	return sown + civil.Date(crop.GermDaysMax.Value)
}

// dates returns when a sowing is begun, planted out, up, picked and cleared.
func (b *basis) dates(crop *book.Crop, form wish.Form, s sowing.Sowing) dated {
	at := func(d int) *civil.Date { date := b.date(d); return &date }
	sw := dated{Sowing: Sowing{Crop: crop.ID, CropName: crop.Short(), Form: string(form), Date: b.date(s.Start.Sow), Day: b.date(s.Start.Day), Early: s.Early, Feeds: s.Run.List(), Days: s.Start.Ready - s.Start.Day}}
	sw.Method, sw.Choice = season.MethodOf(crop, s.Start)
	switch sw.Method {
	case season.Indoors:
		sw.HardenOff, sw.PlantOut = at(s.Start.Day-hardeningDays), at(s.Start.Day)
	case season.Stock:
		sw.PlantOut = at(s.Start.Day)
	}
	seasonal := sw.Method.OneYear()
	if crop.GermDaysMax.Known && sw.Method != season.Patch && sw.Method != season.Bought {
		up := upBy(s, b.date(s.Start.Sow), crop)
		sw.UpBy = &up
	}
	last := lastPick(crop, form, s)
	if form != "" {
		sw.FirstPick, sw.LastPick = at(s.Start.Ready), at(last)
		if seasonal {
			sw.PlainPick, sw.SurePick = at(s.Start.Plain), at(s.Start.Sure)
		}
	}
	if crop.Frost != book.Hardy && seasonal {
		sw.Frost = b.year.FrostAfter(b.sinceFrost(s.Start.Day))
	}
	end := last + 1 + int(b.desk.Rules.ClearDays)
	sw.Clear, sw.ground = b.date(end), span{s.Start.Day, end}
	switch sw.Method {
	case season.Patch: // it holds its ground the year round
		sw.ground = span{s.Start.Day, s.Start.Day + place.Days}
		sw.Clear = sw.Date + civil.Date(365.25*crop.Patch.StandYears)
	case season.Tray:
		sw.ground, sw.Clear = span{}, b.date(last+1)
	}
	sw.Late = sw.Date < b.in.AsOf && sw.Method != season.Patch
	if s.Hand != nil {
		sw.recorded(b, s.Hand)
	}
	return sw
}

// recorded puts into a sowing what was recorded of it.
func (s *dated) recorded(b *basis, h *table.RecordedSowing) {
	if h.Presumed {
		s.Presumed = true
		return
	}
	s.Set, s.SetWhy, s.Begun, s.Behind = true, h.Why, h.Begun(), h.Behind
	s.InBed = s.Method.InBed() && h.InBed(s.Method == season.Indoors, b.in.AsOf)
	s.Late = s.Late && !s.Begun && !h.Lost
	if h.Out != nil {
		s.PlantOut = h.Out
	}
	if h.Ended == nil {
		return
	}
	s.Over = *h.Ended <= b.in.AsOf
	s.Clear = min(s.Clear, *h.Ended+civil.Date(b.desk.Rules.ClearDays))
	s.ground.to = min(s.ground.to, b.dayOf(s.Clear))
	if s.FirstPick != nil && *s.FirstPick >= *h.Ended {
		s.FirstPick, s.LastPick, s.PlainPick, s.SurePick = nil, nil, nil, nil
	}
}

// sinceFrost returns the days from the nearest usual last frost to a day of the table year.
func (b *basis) sinceFrost(day int) int {
	d := ((day+b.start.YearDay()-b.year.Last)%place.Days + place.Days) % place.Days
	if d > place.Days/2 {
		d -= place.Days
	}
	return d
}

// and returns a sowing that lasts as long as another part of it needs.
func (s dated) and(o dated) dated {
	s.Feeds = slices.Clone(s.Feeds)
	for _, w := range o.Feeds {
		if i, found := slices.BinarySearch(s.Feeds, w); !found {
			s.Feeds = slices.Insert(s.Feeds, i, w)
		}
	}
	if o.LastPick != nil && (s.LastPick == nil || *o.LastPick > *s.LastPick) {
		s.LastPick = o.LastPick
	}
	s.Clear = max(s.Clear, o.Clear)
	s.ground.to = max(s.ground.to, o.ground.to)
	return s
}

// edges says why a sowing cannot be earlier or later, by its window.
func edges(in *season.Season, sow int) (first, last say.Note) {
	for _, w := range in.Windows {
		if sow >= min(w.First.Sow, w.Last.Sow) && sow <= max(w.First.Sow, w.Last.Sow) || len(in.Windows) == 1 {
			return w.FirstWhy, w.LastWhy
		}
	}
	return say.Note{}, say.Note{}
}

// lastPick is the last day on which something of a sowing is gathered for the
// weeks it feeds. Standing in the ground as a store it holds the bed until the
// last week eaten.
func lastPick(crop *book.Crop, form wish.Form, s sowing.Sowing) int {
	switch {
	case form == "":
		return s.Start.End - 1
	case form == wish.Cellar && crop.Store == book.GroundStorage:
		last := s.Start.Ready
		for d := s.Start.Ready; d < s.Start.Ready+place.Days-7; d++ {
			if s.Run.Has(season.WeekOf(d)) {
				last = d
			}
		}
		return last
	case form != wish.Fresh && crop.Harvest == book.Once:
		return s.Start.Ready
	case form != wish.Fresh:
		return s.Start.End - 1
	}
	last := s.Start.Ready
	for d := s.Start.Ready; d < s.Start.End; d++ {
		if s.Run.Has(season.WeekOf(d)) {
			last = d
		}
	}
	return last
}
