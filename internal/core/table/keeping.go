package table

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// lot finds the starts of what is kept: those set by hand, and as many more as
// the wish wants, on the days that were agreed while they still may be.
func (rs *Resolver) lot(u *Use, w wish.Wish) {
	if u.Form == wish.Cellar {
		u.Season = u.Season.ForStore(rs.fromStore(w))
	}
	// A crock is filled in the cool of autumn: what is gathered once for it is timed
	// like a late keeper.
	late := Late(u.Crop, u.Season) || u.Form == wish.Fermented && u.Crop.Harvest == book.Once && !u.Season.Endless()
	m := w.Stagger.Sowings
	if m == 0 {
		m = rs.split(u, w)
	}
	plain := baselineStarts(rs.BaselineDays, u.Crop, w.Cover, false, u.Season)
	if len(plain) != m {
		plain = u.Season.Lot(late, m, rs.liking(u, w))
	}
	before := u.Season
	rs.addRecorded(u, w)
	first := len(u.Season.Starts) - len(u.Recorded)
	for i := range u.Recorded {
		if u.Recorded[i].Start.End > u.Recorded[i].Start.Ready {
			u.Lot = append(u.Lot, first+i)
		}
	}
	for range u.Recorded {
		plain = withoutNearest(before, plain, u.Recorded)
	}
	u.Lot = append(u.Lot, plain...)
}

// fromStore returns the weeks in which a wish is eaten from the store: all the year
// where it is eaten fresh before, else those it is wanted in.
func (rs *Resolver) fromStore(w wish.Wish) season.Weeks {
	if slices.Contains(w.Forms, wish.Fresh) {
		return season.AllYear
	}
	return rs.inSeason(w)
}

// Late reports whether a lot of a crop is timed to be lifted near the autumn limit; where
// nothing ever stops growth there is none.
func Late(c *book.Crop, s *season.Season) bool {
	return c.StoreWhen == "late" && c.Harvest == book.Once && !s.Endless()
}

// liking returns how a lot that is stored in its own season likes its starts: by the
// weeks that the wish can then have fed, over all its forms. Bulbs, legumes and grain
// go by their days, so that the first is right.
func (rs *Resolver) liking(u *Use, w wish.Wish) func(season.Start) int {
	if u.Form != wish.Cellar || u.Crop.Harvest != book.Once {
		return nil
	}
	switch u.Crop.Group {
	case "bulb", "legume", "grain":
		return nil
	}
	wanted := rs.inSeason(w)
	var fresh season.Weeks
	if slices.Contains(w.Forms, wish.Fresh) {
		for _, c := range rs.Book.Food(w.Food) {
			if w.Variety == "" || w.Variety == c.ID {
				fresh |= rs.Seasons(c, w.Cover).Fresh()
			}
		}
	}
	return func(st season.Start) int {
		_, weeks, _, _ := rs.cellar(u, st)
		return ((fresh | weeks) & wanted).Count()
	}
}

// cellar returns the store in which a lot lies, the weeks that it feeds, the week in
// which it is stored and for how many weeks it keeps. What stands in the bed as in a store feeds until it freezes
// or runs to seed.
func (rs *Resolver) cellar(u *Use, st season.Start) (store *stock.StoragePlace, feeds season.Weeks, kept, weeks int) {
	var life float64
	store, life = stock.Best(u.Crop, rs.Household.Storage)
	kept = season.WeekOf(st.Ready + int(u.Crop.CureDays.Or(0)))
	if u.Crop.Store == book.GroundStorage {
		life = float64(st.End-st.Sure) / 7
		kept = season.WeekOf(st.Sure)
	}
	weeks = min(amount.FloorWhole(life), season.WeeksPerYear-1)
	for k := range weeks {
		feeds = feeds.With((kept + 1 + k) % season.WeeksPerYear)
	}
	return store, feeds, kept, weeks
}

// mostSplit bounds how many sowings a lot is split into unasked.
const mostSplit = 4

// split returns in how many sowings a lot is grown where the household has not
// said: one, or as many as keep what is gathered within what the kitchen can put
// up while it is picked, or holds, and then keeps.
func (rs *Resolver) split(u *Use, w wish.Wish) int {
	if u.Prep == nil || rs.Batches <= 0 || u.Prep.BatchUnits <= 0 || u.Crop.GoesOn || u.Crop.Perennial() {
		return 1
	}
	units := w.Amount.Number
	switch kind := w.Amount.Kind; {
	case !kind.PutUp():
		return 1
	case kind.Unit() == amount.Jar:
		units *= wish.JarLitre(w, u.Prep)
	}
	days := u.Crop.HarvestDays
	if u.Crop.Harvest == book.Once {
		days = u.Crop.HoldDays
	}
	weeks := math.Max(1, math.Floor((days+u.Crop.KeepDays.Or(0))/7))
	return max(1, min(mostSplit, amount.CeilWhole(units/u.Prep.BatchUnits/(rs.Batches*weeks))))
}

// withoutNearest leaves out the start nearest to any of the plantings.
func withoutNearest(s *season.Season, starts []int, hands []*RecordedSowing) []int {
	nearest, least := -1, place.Days
	for k, i := range starts {
		for _, h := range hands {
			if d := distance(h.Start.Day, s.Starts[i].Day); d < least {
				nearest, least = k, d
			}
		}
	}
	if nearest < 0 {
		return starts
	}
	return slices.Delete(slices.Clone(starts), nearest, nearest+1)
}

// apartFrom leaves out the starts that lie nearer to a planting than half the
// interval.
func apartFrom(s *season.Season, starts []int, hands []*RecordedSowing, days int) (out []int) {
	for _, i := range starts {
		if !slices.ContainsFunc(hands, func(h *RecordedSowing) bool { return 2*distance(h.Start.Day, s.Starts[i].Day) < days }) {
			out = append(out, i)
		}
	}
	return out
}
