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
	Wishes         []wish.Wish          // put-wishes: as they then are
	Remove         []string             // put-wishes: those that are left out
	Overrule       *book.Overrule       // overrule, put-back
	Lot            *stock.Lot           // add-lot, change-lot; put-planting: what goes into a storage place by it
	Lots           []stock.Lot          // add-lots; put-plantings, record: what goes into a storage place by them
	Patch          *household.Patch     // add-patch, change-patch
	Past           *household.PastYear  // turn-year: the year that ends
	Measure        *household.Measure   // add-measure, change-measure
	OwnCrop        *book.OwnCrop        // add-own-crop, change-own-crop
	OwnPreparation *book.OwnPreparation // add-own-preparation, change-own-preparation
	Habit          *household.Habit     // set-habit; an empty one forgets it
	CareStep       *book.CareStep       // add-care-step, change-care-step
	Chore          *household.Chore     // add-chore, change-chore
	Sighting       *household.Sighting  // add-sighting, change-sighting
	Planting       *record.Planting     // put-planting
	Plantings      []record.Planting    // put-plantings; record: of which something is said beside the entries
	Patches        []household.Patch    // put-plantings: perennials among them
	Placements     []bed.Placement      // put-plantings: where they then stand
	Entries        []record.Entry       // record: what happened; with an id that is there, in its place
	Agreement      *record.Baseline     // agree
	Weather        []place.Day          // set-weather, with or without a place
	Plot           *bed.Plot            // add-beds: the land they lie on, where it changes; add-further-plot, change-further-plot
	Bed            *bed.Bed             // add-bed, change-bed
	Beds           []bed.Bed            // add-beds
	Placement      *bed.Placement       // put-placement; put-planting: where it then stands
	Parts          int                  // divide-bed: into how many
	Learning       *household.Learning  // set-learning
	Customs        *bed.Customs         // set-customs; put-planting, put-plantings: with what then has its place held
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

// drafter makes the changes of a command against a state.
type drafter struct {
	state   *state
	changes []Change
	words   string
	about   key // the item whose fields a validation error is about
	begins  bool

	photograph func(id string) (bool, error) // whether a photograph is kept
}

func missing(field string) error {
	return &invalid.Field{Field: field, Allowed: "what the command is about"}
}

// set changes or adds one item. Position 0 keeps the old one, or goes to the end.
func (d *drafter) set(of *kind, id string, position float64, value any) error {
	v, err := json.Marshal(value)
	if err != nil {
		return err
	}
	k := key{of.name, id}
	c := Change{Kind: of.name, ID: id}
	if old, ok := d.state.items[k]; ok {
		c.Before = &old
		if position == 0 {
			position = old.Position
		}
	} else if position == 0 {
		position = d.last(of.name) + 1
	}
	after := newItem(position, v)
	c.After = &after
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

func (d *drafter) drop(of *kind, id string) error {
	k := key{of.name, id}
	old, ok := d.state.items[k]
	if !ok {
		return &invalid.Field{Field: "target", Value: id, Allowed: "a " + of.name + " that is there; somebody may have removed it"}
	}
	d.words = "removed " + d.name(k)
	d.changes = append(d.changes, Change{Kind: of.name, ID: id, Before: &old})
	delete(d.state.items, k)
	d.state.order = slices.DeleteFunc(d.state.order, func(o key) bool { return o == k })
	return nil
}

// name says an item in a few words.
func (d *drafter) name(k key) string {
	kind, err := kindOf(k.Kind)
	if err != nil {
		return k.Kind
	}
	return kind.nameOf(d.state.items[k].Value, d.book())
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

// NewID makes an id that no other item has; it begins with a letter of its kind.
func NewID(letter string) string { return letter + strings.ToLower(rand.Text()[:10]) }

// put adds or changes an item of a list.
func (d *drafter) put(of *kind, e *Edit, add bool) error {
	name := of.name
	id, value := of.ofEdit(e)
	if id == nil {
		return missing(name)
	}
	if of == lotKind {
		if err := d.standsIn("store", e.Lot); err != nil {
			return err
		}
	}
	_, there := d.state.items[key{name, *id}]
	if add {
		if *id == "" {
			*id = NewID(name[:1])
		}
		if there {
			return &invalid.Field{Field: "id", Value: *id, Allowed: "an id of its own; another " + name + " has it"}
		}
	} else if !there {
		return &invalid.Field{Field: "id", Value: *id, Allowed: "a " + name + " that is there; somebody may have removed it"}
	}
	if err := d.set(of, *id, 0, value); err != nil {
		return err
	}
	d.words = map[bool]string{true: "added ", false: "changed "}[add] + d.name(d.about)
	return nil
}

// removeStore removes a store; what stands in it then stands in none.
func (d *drafter) removeStore(id string) error {
	for _, k := range slices.Clone(d.state.order) {
		var l stock.Lot
		if k.Kind != lotKind.name {
			continue
		}
		if err := json.Unmarshal(d.state.items[k].Value, &l); err != nil {
			return err
		}
		if l.Store == id {
			l.Store = ""
			if err := d.set(lotKind, k.ID, 0, &l); err != nil {
				return err
			}
		}
	}
	return d.drop(storeKind, id)
}

// standsIn looks whether the store that a lot names is there.
func (d *drafter) standsIn(field string, l *stock.Lot) error {
	if _, there := d.state.items[key{storeKind.name, l.Store}]; l.Store != "" && !there {
		return &invalid.Field{Field: field, Value: l.Store, Allowed: "one of your storage places, or none"}
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
			l.ID = NewID("l")
		}
		if _, there := d.state.items[key{lotKind.name, l.ID}]; there {
			return &invalid.Field{Field: fmt.Sprintf("lots[%d].id", i), Value: l.ID, Allowed: "an id of its own; another lot has it"}
		}
		if err := d.set(lotKind, l.ID, 0, l); err != nil {
			return err
		}
	}
	d.words = fmt.Sprintf("added %d items to the shelf", len(lots))
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
			return &invalid.Field{Field: fmt.Sprintf("lots[%d].store", i), Value: l.Store, Allowed: "the id of one of your storage places, or none"}
		}
	}
	for _, k := range kinds {
		err := k.each(h, func(id *string, value any) error {
			if k.list != "" && *id == "" {
				*id = NewID(k.name[:1])
			}
			if _, twice := d.state.items[key{k.name, *id}]; twice {
				return &invalid.Field{Field: "id", Value: *id, Allowed: "an id of its own; another " + k.name + " has it"}
			}
			return d.set(k, *id, 0, value)
		})
		if err != nil {
			return err
		}
	}
	d.about = key{}
	if err := fit(h.Entries, d.book()); err != nil {
		return err
	}
	return d.enter(h.Entries)
}

func (d *drafter) overrule(e *Edit) error {
	if e.Overrule == nil {
		return missing("overrule")
	}
	id := e.Overrule.Subject + " " + e.Overrule.Field
	if e.Command == "put-back" {
		if err := d.drop(overruleKind, id); err != nil {
			return err
		}
		d.words = "used the usual figure for " + strings.TrimPrefix(d.words, "removed ")
		return nil
	}
	if err := d.set(overruleKind, id, 0, e.Overrule); err != nil {
		return err
	}
	value := invalid.FormatNumber(e.Overrule.Value)
	if e.Overrule.Choice != "" {
		value = e.Overrule.Choice
	}
	d.words = fmt.Sprintf("used your figure for %s: %s", d.name(d.about), value)
	return nil
}

// move puts a wish behind another one, half way to the one that follows.
func (d *drafter) move(id, after string) error {
	var wishes []key
	for _, k := range d.state.order {
		if k.Kind == wishKind.name {
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
	me := slices.Index(wishes, key{wishKind.name, id})
	if me < 0 {
		return &invalid.Field{Field: "target", Value: id, Allowed: "Choose one of your wishes. This one may have been removed."}
	}
	wishes = slices.Delete(wishes, me, me+1)
	at := 0
	if after != "" {
		if at = slices.Index(wishes, key{wishKind.name, after}) + 1; at == 0 {
			return &invalid.Field{Field: "after", Value: after, Allowed: "another of your wishes, or nothing for the front"}
		}
	}
	low, high := 0.0, d.last(wishKind.name)+1
	if at > 0 {
		low = d.state.items[wishes[at-1]].Position
	}
	if at < len(wishes) {
		high = d.state.items[wishes[at]].Position
	}
	k := key{wishKind.name, id}
	old := d.state.items[k]
	moved := newItem((low+high)/2, old.Value)
	d.state.items[k] = moved
	d.changes = append(d.changes, Change{Kind: wishKind.name, ID: id, Before: &old, After: &moved})
	d.words = "moved " + d.name(k)
	return nil
}
