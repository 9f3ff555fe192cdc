package plan

import (
	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/working"
)

// kitchenFigures records the sums of the kitchen.
func (b *basis) kitchenFigures(w weeks, k *kitchenWork, all []*sown, served [][]served) {
	for i := range k.wishes {
		x := &k.wishes[i]
		if k.byWish[i].batches == 0 {
			continue
		}
		s := b.desk.Recorder.Open("wish/"+x.ID, "hours", x.Title, "hours of kitchen work")
		if !s.On() {
			continue
		}
		s.Do(working.Start, "Nothing put up yet", 0, amount.Hour, working.Reckoned)
		for _, u := range w.wishes[i].Uses {
			if u.Prep == nil {
				continue
			}
			var batches float64
			for _, m := range served[i] {
				if m.f().Form == string(u.Form) && !m.f().Part {
					for _, l := range b.lots(m) {
						batches += l.batches
					}
				}
			}
			s.Do(working.Plus, u.Prep.Name, batches*u.Prep.Minutes/60, amount.Hour, working.Reckoned)
			s.Note("%.1f batches of %s, %.0f minutes hands on each", batches, amount.Mark(u.Prep.BatchUnits, unitOf(u.Prep)), u.Prep.Minutes)
		}
		s.Is("Together", amount.Hour).Close(amount.Hour)
	}
	b.harvestFigure(k, all)
	s := b.desk.Recorder.Open("kitchen", "capacity", "", "What the kitchen can put up in a week")
	b.desk.Rule(s, working.Start, "evenings")
	b.desk.Rule(s, working.Times, "batches")
	s.Is("Batches a week", amount.Batch).Close(amount.Batch)
}

// harvestFigure records what comes in in the fullest week, sowing by sowing.
func (b *basis) harvestFigure(k *kitchenWork, all []*sown) {
	peak := 0
	for w, kg := range k.HarvestKg {
		if kg > k.HarvestKg[peak] {
			peak = w
		}
	}
	s := b.desk.Recorder.Open("kitchen", "harvest", "", "Harvested in the fullest week of an average year")
	if !s.On() {
		return
	}
	s.Do(working.Start, "Nothing yet", 0, amount.Kilogram, working.Reckoned)
	for _, sw := range all {
		var kg float64
		for i := range sw.parts {
			kg += sw.part(i).arrives()[peak]
		}
		if kg > 1e-9 {
			s.Do(working.Plus, sw.CropName+", "+sw.Date.Short(), kg, amount.Kilogram, working.Reckoned).Link("sowing/"+sw.ID, "average")
			s.Note("this week's share of what the sowing gives")
		}
	}
	s.Is("In the week of "+b.weekStart(peak).Words(), amount.Kilogram).Close(amount.Kilogram)
}

func unitOf(p *book.Preparation) amount.Unit {
	if p.Unit == "kg" {
		return amount.Kilogram
	}
	return amount.Litre
}
