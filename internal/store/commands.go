package store

import (
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
)

// command is a named edit with the changes that it makes.
type command struct {
	name string
	do   func(d *drafter, e *Edit) error
}

// turnsYear is the command that ends a table year.
const turnsYear = "turn-year"

// commands are the edits that there are, beside add-, change- and remove- for the kinds that
// are edited plainly.
var commands = withPlain([]command{
	{"begin", func(d *drafter, e *Edit) error { return d.begin(e.Household) }},
	{"set-household", func(d *drafter, e *Edit) error { return d.setHousehold(e.Settings) }},
	{turnsYear, func(d *drafter, e *Edit) error { return d.turnYear(e) }},
	{"set-scale", func(d *drafter, e *Edit) error { return d.setScale(e.Target) }},
	{"set-place", func(d *drafter, e *Edit) error { return d.setPlace(e.Place) }},
	{"set-weather", (*drafter).weather},
	{"remove-store", func(d *drafter, e *Edit) error { return d.removeStore(e.Target) }},
	{"put-wishes", (*drafter).putWishes},
	{"move-wish", func(d *drafter, e *Edit) error { return d.move(e.Target, e.After) }},
	{"overrule", (*drafter).overrule},
	{"put-back", (*drafter).overrule},
	{"add-lots", func(d *drafter, e *Edit) error { return d.addLots(e.Lots) }},
	{"set-habit", (*drafter).setHabit},
	{"put-planting", (*drafter).putPlanting},
	{"put-plantings", (*drafter).putPlantings},
	{"remove-planting", (*drafter).removePlanting},
	{"agree", (*drafter).keepPlan},
	{"disagree", (*drafter).dropPlan},
	{"put-placement", (*drafter).place},
	{"remove-placement", (*drafter).unplace},
	{"add-beds", func(d *drafter, e *Edit) error { return d.addBeds(e.Plot, e.Beds) }},
	{"change-beds", func(d *drafter, e *Edit) error { return d.changeBeds(e.Beds) }},
	{"divide-bed", func(d *drafter, e *Edit) error { return d.divideBed(e.Target, e.Parts) }},
	{"set-customs", (*drafter).setCustoms},
	{"set-learning", (*drafter).setLearning},
	{"record", (*drafter).recordAll},
	{"remove-entry", func(d *drafter, e *Edit) error { return d.removeEntry(e.Target) }},
	{"call-it", func(d *drafter, e *Edit) error { return d.callIt(e.Call) }},
	{"remove-unknown", func(d *drafter, e *Edit) error { return d.removeUnknown(e.Target) }},
})

// plain are the kinds with an add, a change and a remove command of their own.
var plain = []*kind{memberKind, guestKind, storeKind, wishKind, lotKind, patchKind, measureKind, careKind, choreKind, sightingKind, ownCropKind, ownPrepKind, furtherPlotKind, bedKind}

func withPlain(all []command) []command {
	for _, k := range plain {
		for _, c := range []command{
			{"add-" + k.name, func(d *drafter, e *Edit) error { return d.put(k, e, true) }},
			{"change-" + k.name, func(d *drafter, e *Edit) error { return d.put(k, e, false) }},
			{"remove-" + k.name, func(d *drafter, e *Edit) error { return d.drop(k, e.Target) }},
		} {
			if !slices.ContainsFunc(all, func(o command) bool { return o.name == c.name }) {
				all = append(all, c)
			}
		}
	}
	return all
}

// Commands lists the names of the commands there are.
func Commands() []string {
	out := make([]string, len(commands))
	for i, c := range commands {
		out[i] = c.name
	}
	return out
}

// draft makes the changes of an edit.
func (d *drafter) draft(e *Edit) error {
	i := slices.IndexFunc(commands, func(c command) bool { return c.name == e.Command })
	if i < 0 {
		return &invalid.Field{Field: "command", Value: e.Command, Allowed: "one of " + strings.Join(Commands(), ", ")}
	}
	if _, begun := d.state.items[key{Kind: householdKind.name}]; begun == (e.Command == "begin") {
		if begun {
			return &invalid.Field{Field: "command", Value: e.Command, Allowed: "an edit: this file has a household already"}
		}
		return &invalid.Field{Field: "command", Value: e.Command, Allowed: "begin: this file has no household yet"}
	}
	return commands[i].do(d, e)
}

func (d *drafter) setHousehold(s *Settings) error {
	if s == nil {
		return missing("settings")
	}
	was, err := read[Settings](d.state.items[key{Kind: householdKind.name}])
	if err != nil {
		return err
	}
	s.Since, s.Scale = was.Since, was.Scale
	err = d.set(householdKind, "", 0, s)
	d.words = "changed the household"
	return err
}

// setScale says where the kitchen scale answers; empty: there is none.
func (d *drafter) setScale(address string) error {
	if len(address) > 200 {
		return &invalid.Field{Field: "target", Value: address[:200], Allowed: "an address of at most 200 characters"}
	}
	was, err := read[Settings](d.state.items[key{Kind: householdKind.name}])
	if err != nil {
		return err
	}
	was.Scale = address
	err = d.set(householdKind, "", 0, &was)
	d.words = "changed where the scale answers"
	return err
}

// turnYear begins another table year, and keeps what stood in the beds in the one that ends and
// where what goes over stands.
func (d *drafter) turnYear(e *Edit) error {
	if len(e.Beds) > 0 {
		if err := d.changeBeds(e.Beds); err != nil {
			return err
		}
	}
	if err := d.placeAll(e.Placements); err != nil {
		return err
	}
	if e.Past != nil {
		if err := d.set(pastKind, e.Past.ID, 0, e.Past); err != nil {
			return err
		}
	}
	if len(e.Wishes)+len(e.Remove) > 0 {
		if err := d.putWishes(e); err != nil {
			return err
		}
	}
	if err := d.setHousehold(e.Settings); err != nil {
		return err
	}
	d.words, d.about = fmt.Sprintf("began the year %d", e.Settings.Year), key{}
	return nil
}

func (d *drafter) setPlace(p *place.Place) error {
	if p == nil {
		return missing("place")
	}
	d.words = "changed the place"
	return d.set(placeKind, "", 0, p)
}
