package store

import (
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/stock"
)

// setHabit changes how a crop is grown; a habit that says nothing is forgotten.
func (d *drafter) setHabit(e *Edit) error {
	if e.Habit == nil {
		return missing("habit")
	}
	if _, there := d.state.items[key{habitKind.name, e.Habit.Crop}]; e.Habit.Empty() {
		if !there {
			return nil
		}
		return d.drop(habitKind, e.Habit.Crop)
	}
	err := d.set(habitKind, e.Habit.Crop, 0, e.Habit)
	d.words = "changed how " + d.name(d.about) + " is grown"
	return err
}

// putPlanting records a sowing, and where it is growing.
func (d *drafter) putPlanting(e *Edit) error {
	if e.Planting == nil || e.Planting.ID == "" {
		return missing("planting")
	}
	if err := d.holdPlaces(e); err != nil {
		return err
	}
	if e.Lot != nil { // some of it goes into a storage place
		if err := d.shelve([]stock.Lot{*e.Lot}); err != nil {
			return err
		}
	}
	err := d.set(plantingKind, e.Planting.ID, 0, e.Planting)
	if err == nil && e.Placement != nil { // it grows where it was to grow
		err = d.set(placementKind, e.Placement.Sowing, 0, e.Placement)
		d.about = key{plantingKind.name, e.Planting.ID}
	}
	if d.words = e.Words; d.words == "" {
		d.words = "set " + d.name(d.about)
	}
	return err
}

// shelve puts lots of the harvest on the shelf.
func (d *drafter) shelve(lots []stock.Lot) error {
	for i := range lots {
		if lots[i].ID == "" {
			lots[i].ID = NewID("l")
		}
		if err := d.set(lotKind, lots[i].ID, 0, &lots[i]); err != nil {
			return err
		}
	}
	return nil
}

// holdPlaces keeps what has a place where it is, where an entry asks for it.
func (d *drafter) holdPlaces(e *Edit) error {
	if e.Customs == nil {
		return nil
	}
	e.Customs.Number()
	return d.set(customsKind, "", 0, e.Customs)
}

// putPlantings records several sowings, and where they are growing.
func (d *drafter) putPlantings(e *Edit) error {
	if len(e.Plantings)+len(e.Patches) == 0 {
		return missing("plantings")
	}
	if err := d.holdPlaces(e); err != nil {
		return err
	}
	if err := d.shelve(e.Lots); err != nil {
		return err
	}
	for i := range e.Patches {
		e.Patches[i].ID = NewID("p")
		if err := d.set(patchKind, e.Patches[i].ID, 0, &e.Patches[i]); err != nil {
			return err
		}
	}
	if err := d.placeAll(e.Placements); err != nil {
		return err
	}
	for i := range e.Plantings {
		if err := d.set(plantingKind, e.Plantings[i].ID, 0, &e.Plantings[i]); err != nil {
			return err
		}
	}
	d.words = e.Words
	return nil
}

// placeAll puts sowings in their beds.
func (d *drafter) placeAll(all []bed.Placement) error {
	for i := range all {
		if err := d.set(placementKind, all[i].Sowing, 0, &all[i]); err != nil {
			return err
		}
	}
	return nil
}

func (d *drafter) removePlanting(e *Edit) error {
	err := d.drop(plantingKind, e.Target)
	if err == nil {
		d.words = "let the plan choose again: " + d.words[len("removed "):]
	}
	return err
}

func (d *drafter) keepPlan(e *Edit) error {
	if e.Agreement == nil {
		return missing("agreement")
	}
	d.words = "kept the plan"
	return d.set(baselineKind, "", 0, e.Agreement)
}

func (d *drafter) dropPlan(*Edit) error {
	err := d.drop(baselineKind, "")
	d.words = "stopped keeping the plan"
	return err
}

// weather keeps the days of weather that have been, with the place where that
// changed too.
func (d *drafter) weather(e *Edit) error {
	if e.Place != nil {
		if err := d.set(placeKind, "", 0, e.Place); err != nil {
			return err
		}
	}
	k := key{Kind: weatherKind.name}
	if _, there := d.state.items[k]; len(e.Weather) == 0 && there {
		if err := d.drop(weatherKind, ""); err != nil {
			return err
		}
		d.words = "removed the recorded weather"
	} else if len(e.Weather) > 0 {
		if err := d.set(weatherKind, "", 0, e.Weather); err != nil {
			return err
		}
		d.words = "added recorded weather"
	}
	if e.Place != nil {
		d.words = strings.TrimSuffix("changed the place and "+d.words, " and ")
		d.about = key{Kind: placeKind.name}
	}
	return nil
}
