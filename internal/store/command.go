package store

import (
	"crypto/rand"
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Edit is a command with what it is about. Which of the fields it wants goes by
// the command.
type Edit struct {
	Client   string // who edits: a name of the browser's or the person's own
	ID       string // the client's own id of the edit, so that a repeat does nothing
	Revision int    // the revision that the edit was made against
	Command  string
	Follows  []string // ids of the client's edits that were made before this one against the same revision

	Household      *household.Household // begin
	Settings       *Settings            // set-household
	Place          *place.Place         // set-place
	Member         *household.Member    // add-member, change-member
	Guest          *household.Guest     // add-guest, change-guest
	Store          *stock.StoragePlace  // add-store, change-store
	Wish           *wish.Wish           // add-wish, change-wish
	Overrule       *book.Overrule       // overrule, put-back
	Lot            *stock.Lot           // add-lot, change-lot
	Lots           []stock.Lot          // add-lots
	Patch          *household.Patch     // add-patch, change-patch
	OwnCrop        *book.OwnCrop        // add-own-crop, change-own-crop
	OwnPreparation *book.OwnPreparation // add-own-preparation, change-own-preparation
	Habit          *household.Habit     // set-habit; an empty one forgets it
	Planting       *record.Planting     // put-planting
	Agreement      *record.Baseline     // agree
	Weather        []place.Day          // set-weather, with or without a place
	Plot           *bed.Plot            // add-beds: the land they lie on, where it changes
	Bed            *bed.Bed             // add-bed, change-bed
	Beds           []bed.Bed            // add-beds
	Placement      *bed.Placement       // put-placement; put-planting: where it then stands
	Parts          int                  // divide-bed: into how many
	Customs        *bed.Customs         // set-customs
	Words          string               // put-planting: what happened
	Target         string               // remove-…, move-wish
	After          string               // move-wish: the wish to stand behind; empty: to the front
	Call           *Call                // call-it
}

// Call puts a name of the crop book in place of one that it does not know.
type Call struct {
	Of      string `json:"of"` // crop, food, preparation
	Unknown string `json:"unknown"`
	Known   string `json:"known"`
}

// Commands lists the names of the commands there are.
var Commands = []string{
	"begin", "set-household", "set-place",
	"add-member", "change-member", "remove-member", "add-guest", "change-guest", "remove-guest",
	"add-store", "change-store", "remove-store", "add-wish", "change-wish", "remove-wish", "move-wish",
	"overrule", "put-back",
	"add-lot", "change-lot", "remove-lot", "add-lots", "add-patch", "change-patch", "remove-patch",
	"add-own-crop", "change-own-crop", "remove-own-crop", "add-own-preparation", "change-own-preparation", "remove-own-preparation",
	"set-habit", "put-planting", "remove-planting", "agree", "disagree", "set-weather",
	"add-beds", "add-bed", "change-bed", "change-beds", "remove-bed", "divide-bed", "put-placement", "remove-placement", "set-customs",
	"call-it", "remove-unknown",
}

// drafter makes the changes of a command against a state.
type drafter struct {
	state   *state
	changes []Change
	words   string
	about   key // the item whose fields a validation error is about
	begins  bool
}

func missing(field string) error {
	return &invalid.Field{Field: field, Allowed: "what the command is about"}
}

// set changes or adds one item. Position 0 keeps the old one, or goes to the end.
func (d *drafter) set(kind, id string, position float64, value any) error {
	v, err := json.Marshal(value)
	if err != nil {
		return err
	}
	k := key{kind, id}
	c := Change{Kind: kind, ID: id}
	if old, ok := d.state.items[k]; ok {
		c.Before = &old
		if position == 0 {
			position = old.Position
		}
	} else if position == 0 {
		position = d.last(kind) + 1
	}
	c.After = &item{position, v}
	if old, ok := d.state.items[k]; !ok {
		d.state.order = append(d.state.order, k)
	} else if old.Position == position && string(old.Value) == string(v) {
		d.about = k
		return nil // nothing changes
	}
	d.state.items[k] = *c.After
	d.changes = append(d.changes, c)
	d.about = k
	return nil
}

func (d *drafter) last(kind string) (position float64) {
	for k, it := range d.state.items {
		if k.Kind == kind && it.Position > position {
			position = it.Position
		}
	}
	return position
}

func (d *drafter) drop(kind, id string) error {
	k := key{kind, id}
	old, ok := d.state.items[k]
	if !ok {
		return &invalid.Field{Field: "target", Value: id, Allowed: "a " + kind + " that is there; somebody may have removed it"}
	}
	d.words = "removed " + d.name(k)
	d.changes = append(d.changes, Change{Kind: kind, ID: id, Before: &old})
	delete(d.state.items, k)
	d.state.order = slices.DeleteFunc(d.state.order, func(o key) bool { return o == k })
	return nil
}

// name says an item in a few words.
func (d *drafter) name(k key) string {
	v := d.state.items[k].Value
	switch k.Kind {
	case kindWish:
		var w wish.Wish
		if json.Unmarshal(v, &w) == nil && w.Food != "" {
			return wish.Words(w, d.book())
		}
	case kindLot:
		var l stock.Lot
		if json.Unmarshal(v, &l) == nil {
			return fmt.Sprintf("%s %s %s", invalid.FormatNumber(l.Count), l.Form, l.Food)
		}
	case kindPatch:
		var p household.Patch
		if json.Unmarshal(v, &p) == nil {
			return fmt.Sprintf("the patch of %d %s", p.Plants, p.Crop)
		}
	case kindHabit:
		if c := d.book().Crop(k.ID); c != nil {
			return strings.ToLower(c.Short())
		}
	case kindPlanting:
		var p record.Planting
		if json.Unmarshal(v, &p) == nil {
			if c := d.book().Crop(p.Crop); c != nil {
				return strings.ToLower(c.Short()) + " of " + p.Day.Short()
			}
		}
	case kindMember, kindGuest, kindStore, kindBed, kindOwnCrop, kindOwnPrep:
		var n struct{ Name string }
		if json.Unmarshal(v, &n) == nil {
			return n.Name
		}
	case kindOverrule:
		var o book.Overrule
		if json.Unmarshal(v, &o) == nil {
			_, what, _ := strings.Cut(o.Subject, "/")
			return strings.TrimSpace(strings.ReplaceAll(o.Field, "_", " ") + " " + what)
		}
	}
	return k.Kind
}

// book returns the book with the household's own crops and preparations as they
// stand in the draft; what cannot stand is left out.
func (d *drafter) book() *book.Book {
	if h, err := d.state.household(); err == nil && h != nil {
		if b, err := book.Usual().WithOwn(h.OwnCrops, h.OwnPreparations); err == nil {
			return b
		}
	}
	return book.Usual()
}

// newID makes an id that no other item of its kind has.
func newID(letter string) string { return letter + strings.ToLower(rand.Text()[:10]) }

// draft makes the changes of an edit.
func (d *drafter) draft(e *Edit) error {
	verb, kind, _ := strings.Cut(e.Command, "-")
	_, begun := d.state.items[key{Kind: kindHousehold}]
	if !slices.Contains(Commands, e.Command) {
		return &invalid.Field{Field: "command", Value: e.Command, Allowed: "one of " + strings.Join(Commands, ", ")}
	}
	if begun == (e.Command == "begin") {
		if begun {
			return &invalid.Field{Field: "command", Value: e.Command, Allowed: "an edit: this file has a household already"}
		}
		return &invalid.Field{Field: "command", Value: e.Command, Allowed: "begin: this file has no household yet"}
	}
	if done, err := d.seasonEdit(e); done {
		return err
	}
	switch {
	case e.Command == "begin":
		return d.begin(e.Household)
	case e.Command == "set-household":
		if e.Settings == nil {
			return missing("settings")
		}
		d.words = "changed the household"
		return d.set(kindHousehold, "", 0, e.Settings)
	case e.Command == "set-place":
		if e.Place == nil {
			return missing("place")
		}
		d.words = "changed the place"
		return d.set(kindPlace, "", 0, e.Place)
	case e.Command == "overrule", e.Command == "put-back":
		return d.overrule(e)
	case e.Command == "add-lots":
		return d.addLots(e.Lots)
	case e.Command == "move-wish":
		return d.move(e.Target, e.After)
	case e.Command == "call-it":
		return d.callIt(e.Call)
	case e.Command == "remove-unknown":
		return d.removeUnknown(e.Target)
	case e.Command == "remove-store":
		return d.removeStore(e.Target)
	case verb == "remove":
		return d.drop(kind, e.Target)
	}
	return d.put(e, verb, kind)
}

// put adds or changes an item of a list.
func (d *drafter) put(e *Edit, verb, kind string) error {
	var id *string
	var value any
	switch {
	case kind == kindMember && e.Member != nil:
		id, value = &e.Member.ID, e.Member
	case kind == kindGuest && e.Guest != nil:
		id, value = &e.Guest.ID, e.Guest
	case kind == kindStore && e.Store != nil:
		id, value = &e.Store.ID, e.Store
	case kind == kindWish && e.Wish != nil:
		e.Wish.Fill()
		id, value = &e.Wish.ID, e.Wish
	case kind == kindLot && e.Lot != nil:
		if err := d.standsIn("store", e.Lot); err != nil {
			return err
		}
		id, value = &e.Lot.ID, e.Lot
	case kind == kindPatch && e.Patch != nil:
		id, value = &e.Patch.ID, e.Patch
	case kind == kindBed && e.Bed != nil:
		*e.Bed = e.Bed.Filled()
		id, value = &e.Bed.ID, e.Bed
	case kind == kindOwnCrop && e.OwnCrop != nil:
		id, value = &e.OwnCrop.ID, e.OwnCrop
	case kind == kindOwnPrep && e.OwnPreparation != nil:
		id, value = &e.OwnPreparation.ID, e.OwnPreparation
	default:
		return missing(kind)
	}
	_, there := d.state.items[key{kind, *id}]
	if verb == "add" {
		if *id == "" {
			*id = newID(kind[:1])
		}
		if there {
			return &invalid.Field{Field: "id", Value: *id, Allowed: "an id of its own; another " + kind + " has it"}
		}
	} else if !there {
		return &invalid.Field{Field: "id", Value: *id, Allowed: "a " + kind + " that is there; somebody may have removed it"}
	}
	if err := d.set(kind, *id, 0, value); err != nil {
		return err
	}
	d.words = map[string]string{"add": "added ", "change": "changed "}[verb] + d.name(d.about)
	return nil
}

// removeStore removes a store; what stands in it then stands in none.
func (d *drafter) removeStore(id string) error {
	for _, k := range slices.Clone(d.state.order) {
		var l stock.Lot
		if k.Kind != kindLot {
			continue
		}
		if err := json.Unmarshal(d.state.items[k].Value, &l); err != nil {
			return err
		}
		if l.Store == id {
			l.Store = ""
			if err := d.set(kindLot, k.ID, 0, &l); err != nil {
				return err
			}
		}
	}
	return d.drop(kindStore, id)
}

// standsIn looks whether the store that a lot names is there.
func (d *drafter) standsIn(field string, l *stock.Lot) error {
	if _, there := d.state.items[key{kindStore, l.Store}]; l.Store != "" && !there {
		return &invalid.Field{Field: field, Value: l.Store, Allowed: "a store of the household, or none"}
	}
	return nil
}

// addLots puts several lots on the shelf at once.
func (d *drafter) addLots(lots []stock.Lot) error {
	if len(lots) == 0 {
		return missing("lots")
	}
	for i := range lots {
		l := &lots[i]
		if err := d.standsIn(fmt.Sprintf("lots[%d].store", i), l); err != nil {
			return err
		}
		if l.ID == "" {
			l.ID = newID("l")
		}
		if _, there := d.state.items[key{kindLot, l.ID}]; there {
			return &invalid.Field{Field: fmt.Sprintf("lots[%d].id", i), Value: l.ID, Allowed: "an id of its own; another lot has it"}
		}
		if err := d.set(kindLot, l.ID, 0, l); err != nil {
			return err
		}
	}
	d.words = fmt.Sprintf("put %d lots on the shelf", len(lots))
	if len(lots) == 1 {
		d.words = "put " + d.name(d.about) + " on the shelf"
	}
	return nil
}

// begin writes a whole household into an empty file.
func (d *drafter) begin(h *household.Household) error {
	if h == nil {
		return missing("household")
	}
	d.words, d.begins = "began the household", true
	for i, l := range h.Lots {
		if l.Store != "" && !slices.ContainsFunc(h.Storage, func(s stock.StoragePlace) bool { return s.ID == l.Store }) {
			return &invalid.Field{Field: fmt.Sprintf("lots[%d].store", i), Value: l.Store, Allowed: "the id of one of the household's stores, or none"}
		}
	}
	err := d.set(kindHousehold, "", 0, Settings{h.Name, h.Year, h.Start, h.Risk, h.School})
	if err == nil {
		err = d.set(kindPlace, "", 0, h.Place)
	}
	if err != nil {
		return err
	}
	err = lists(h, func(kind string, id *string, value any) error {
		if *id == "" {
			*id = newID(kind[:1])
		}
		if _, twice := d.state.items[key{kind, *id}]; twice {
			return &invalid.Field{Field: "id", Value: *id, Allowed: "an id of its own; another " + kind + " has it"}
		}
		return d.set(kind, *id, 0, value)
	})
	for _, single := range []struct {
		kind  string
		there bool
		value any
	}{
		{kindAgreement, h.Baseline != nil, h.Baseline}, {kindWeather, len(h.Weather) > 0, h.Weather},
		{kindPlot, h.Plot != nil, h.Plot}, {kindCustoms, h.Customs != nil, h.Customs},
	} {
		if err == nil && single.there {
			err = d.set(single.kind, "", 0, single.value)
		}
	}
	d.about = key{}
	return err
}

// lists tells of every entry of the household's lists, in their order: its kind, its
// id, which may be given one, and its value.
func lists(h *household.Household, tell func(kind string, id *string, value any) error) (err error) {
	each := func(n int, tell func(i int) error) {
		for i := 0; i < n && err == nil; i++ {
			err = tell(i)
		}
	}
	each(len(h.Members), func(i int) error { return tell(kindMember, &h.Members[i].ID, &h.Members[i]) })
	each(len(h.Guests), func(i int) error { return tell(kindGuest, &h.Guests[i].ID, &h.Guests[i]) })
	each(len(h.Storage), func(i int) error { return tell(kindStore, &h.Storage[i].ID, &h.Storage[i]) })
	each(len(h.Wishes), func(i int) error {
		h.Wishes[i].Fill()
		return tell(kindWish, &h.Wishes[i].ID, &h.Wishes[i])
	})
	each(len(h.OwnCrops), func(i int) error { return tell(kindOwnCrop, &h.OwnCrops[i].ID, &h.OwnCrops[i]) })
	each(len(h.OwnPreparations), func(i int) error { return tell(kindOwnPrep, &h.OwnPreparations[i].ID, &h.OwnPreparations[i]) })
	each(len(h.Lots), func(i int) error { return tell(kindLot, &h.Lots[i].ID, &h.Lots[i]) })
	each(len(h.Patches), func(i int) error { return tell(kindPatch, &h.Patches[i].ID, &h.Patches[i]) })
	each(len(h.Habits), func(i int) error { return tell(kindHabit, &h.Habits[i].Crop, &h.Habits[i]) })
	each(len(h.Plantings), func(i int) error { return tell(kindPlanting, &h.Plantings[i].ID, &h.Plantings[i]) })
	each(len(h.Beds), func(i int) error {
		h.Beds[i] = h.Beds[i].Filled()
		return tell(kindBed, &h.Beds[i].ID, &h.Beds[i])
	})
	each(len(h.Placements), func(i int) error { return tell(kindPlacement, &h.Placements[i].Sowing, &h.Placements[i]) })
	each(len(h.Overrules), func(i int) error {
		id := h.Overrules[i].Subject + " " + h.Overrules[i].Field
		return tell(kindOverrule, &id, &h.Overrules[i])
	})
	return err
}

func (d *drafter) overrule(e *Edit) error {
	if e.Overrule == nil {
		return missing("overrule")
	}
	id := e.Overrule.Subject + " " + e.Overrule.Field
	if e.Command == "put-back" {
		if err := d.drop(kindOverrule, id); err != nil {
			return err
		}
		d.words = "put back the usual " + strings.TrimPrefix(d.words, "removed ")
		return nil
	}
	if err := d.set(kindOverrule, id, 0, e.Overrule); err != nil {
		return err
	}
	value := invalid.FormatNumber(e.Overrule.Value)
	if e.Overrule.Choice != "" {
		value = e.Overrule.Choice
	}
	d.words = fmt.Sprintf("overruled %s: %s", d.name(d.about), value)
	return nil
}

// move puts a wish behind another one, half way to the one that follows.
func (d *drafter) move(id, after string) error {
	var wishes []key
	for _, k := range d.state.order {
		if k.Kind == kindWish {
			wishes = append(wishes, k)
		}
	}
	slices.SortStableFunc(wishes, func(a, b key) int {
		switch x, y := d.state.items[a].Position, d.state.items[b].Position; {
		case x < y:
			return -1
		case x > y:
			return 1
		}
		return strings.Compare(a.ID, b.ID)
	})
	me := slices.Index(wishes, key{kindWish, id})
	if me < 0 {
		return &invalid.Field{Field: "target", Value: id, Allowed: "a wish that is there; somebody may have removed it"}
	}
	wishes = slices.Delete(wishes, me, me+1)
	at := 0
	if after != "" {
		if at = slices.Index(wishes, key{kindWish, after}) + 1; at == 0 {
			return &invalid.Field{Field: "after", Value: after, Allowed: "another wish that is there, or nothing for the front"}
		}
	}
	low, high := 0.0, d.last(kindWish)+1
	if at > 0 {
		low = d.state.items[wishes[at-1]].Position
	}
	if at < len(wishes) {
		high = d.state.items[wishes[at]].Position
	}
	k := key{kindWish, id}
	old := d.state.items[k]
	moved := item{(low + high) / 2, old.Value}
	d.state.items[k] = moved
	d.changes = append(d.changes, Change{Kind: kindWish, ID: id, Before: &old, After: &moved})
	d.words = "moved " + d.name(k)
	return nil
}
