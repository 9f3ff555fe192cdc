package daybook

import (
	"cmp"
	"slices"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
)

// LotRate is how fast a lot is really drawn on: by what was taken of its kind in the last weeks, but for what was spoiled.
type LotRate struct {
	Lot     string     `json:"lot"`
	PerWeek float64    `json:"per_week"`          // of its kind: containers, or kg of what is kept by weight
	RunsOut civil.Date `json:"runs_out,omitzero"` // when the lot is eaten up at this rate, the oldest first; none: later than it keeps account of

	Unrecorded float64 `json:"unrecorded"` // what a count did not find of it, less what one found besides
}

// The days whose draws tell the rate, the least that are reckoned with, and how far ahead it is
// foretold.
const (
	rateDays  = 56
	leastDays = 14
	mostAhead = 730
)

// kindOfLot is what lots have in common that are drawn on one after the other.
type kindOfLot struct {
	food, form, preparation, unit string
	size                          float64
}

// Rates returns how fast the lots that stand are drawn on. Lots put up later than the last weeks
// count the days since then alone. Of what nobody has taken from, and that no count found wrong,
// nothing is told.
func Rates(rec *record.Record, lots []stock.Lot, today civil.Date) []LotRate {
	kind := func(l stock.Lot) kindOfLot {
		size := l.Size
		if !record.Containers(l) {
			size = 0 // by weight, whatever one sack held
		}
		return kindOfLot{l.Food, l.Form, l.Preparation, l.Unit, size}
	}
	of, first := map[string]kindOfLot{}, map[kindOfLot]civil.Date{}
	for _, l := range lots {
		k := kind(l)
		of[l.ID] = k
		if day, there := first[k]; !there || l.PutUp < day {
			first[k] = l.PutUp
		}
	}
	taken := map[kindOfLot]float64{}
	for _, e := range rec.Span(today-rateDays+1, today) {
		if k, there := of[e.Lot]; there && e.Act == record.Draw && e.To != record.Lost {
			if k.size == 0 {
				taken[k] += float64(e.Gram) / 1000
			} else {
				taken[k] += e.Jars
			}
		}
	}
	standing := rec.Standing(lots, today)
	slices.SortStableFunc(standing, func(a, b stock.Lot) int { return cmp.Compare(a.PutUp, b.PutUp) })
	before := map[kindOfLot]float64{}
	out := []LotRate{}
	for _, l := range standing {
		k := kind(l)
		r := LotRate{Lot: l.ID}
		if i := slices.IndexFunc(lots, func(x stock.Lot) bool { return x.ID == l.ID }); i >= 0 {
			balance, _ := rec.BalanceOf(lots[i], today) // what does not hold was refused
			r.Unrecorded = float64(balance.Unrecorded) / 1000
		}
		if taken[k] <= 0 {
			if r.Unrecorded != 0 {
				out = append(out, r)
			}
			continue
		}
		days := min(rateDays, max(leastDays, int(today-first[k])+1))
		r.PerWeek = taken[k] / float64(days) * 7
		before[k] += float64(record.There(l)) / 1000
		if ahead := before[k] / r.PerWeek * 7; ahead <= mostAhead {
			r.RunsOut = today + civil.Date(ahead)
		}
		out = append(out, r)
	}
	return out
}
