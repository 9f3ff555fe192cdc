package record

import (
	"cmp"
	"slices"
	"strconv"
	"strings"
	"sync"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Act is what an entry says happened.
type Act string

// The acts. Harvest, Bought and Unweighed bring a food in; Use and PutUp say where it went;
// Draw and Count are of a lot on the shelf.
const (
	Harvest   Act = "harvest"
	Bought    Act = "bought" // bought, or given to us
	Unweighed Act = "more"   // more came in that nobody weighed
	Use       Act = "use"
	PutUp     Act = "put-up"
	Draw      Act = "draw"
	Count     Act = "count"
	Note      Act = "note"
)

// To is where something that came in went, or what was taken from a lot for.
type To string

// Where something went. Of a lot, Table is eaten and Lost is spoiled.
const (
	Table   To = "table"
	Storage To = "storage" // makes a lot
	Jars    To = "put-up"
	Given   To = "given"
	Animals To = "animals"
	Compost To = "compost"
	Lost    To = "lost"
	Seed    To = "seed"
	Dried   To = "dried" // dried and trimmed away
)

// Places lists where something can go, in the order of choices.
func Places() []To {
	return []To{Table, Storage, Jars, Given, Animals, Compost, Lost, Seed, Dried}
}

// Entry is what somebody says happened. The plan never changes it. Weights are whole grams, so
// that nothing is lost in rounding.
type Entry struct {
	ID  string     `json:"id"`
	Day civil.Date `json:"day"`
	Act Act        `json:"act"`
	Who string     `json:"who,omitempty"` // the device that it was entered on

	// Order is the place among the entries of a day: what is entered first comes first. The
	// store gives it; a corrected entry keeps its own.
	Order int `json:"order,omitempty"`

	Food   string `json:"food,omitempty"`
	Crop   string `json:"crop,omitempty"`   // the kind, where it is known
	Sowing string `json:"sowing,omitempty"` // the planting it came from
	Bed    string `json:"bed,omitempty"`
	Lot    string `json:"lot,omitempty"` // that was drawn from or counted, or that was made

	Gram    int     `json:"gram,omitempty"`
	Pieces  float64 `json:"pieces,omitempty"`  // counted, and not weighed: Gram is by the usual weight of one
	Measure string  `json:"measure,omitempty"` // what was counted, where it was no pieces: bucket
	Jars    float64 `json:"jars,omitempty"`    // containers: filled, failed ones among them; drawn; counted

	To     To      `json:"to,omitempty"`
	Reason string  `json:"reason,omitempty"` // why it was lost or is spoiled
	Last   bool    `json:"last,omitempty"`   // the planting is over with it
	Share  float64 `json:"share,omitempty"`  // of what is harvested once: how much of the row was lifted; 0: not said

	Preparation string  `json:"preparation,omitempty"`
	Litre       float64 `json:"litre,omitempty"`  // that one container holds
	Failed      int     `json:"failed,omitempty"` // containers that did not seal
	Hours       float64 `json:"hours,omitempty"`

	Note   string   `json:"note,omitempty"`
	Lesson bool     `json:"lesson,omitempty"` // the note is to be seen again whenever what it is about comes up
	Pest   string   `json:"pest,omitempty"`   // that the note is about
	Photos []string `json:"photos,omitempty"` // ids of photographs
	Said   Said     `json:"said,omitempty"`   // a note in passing, of a food
}

// Said is what people say of a food in passing.
type Said string

// What is said.
const (
	SaidRanOut  Said = "ran-out"
	SaidTooMuch Said = "too-much"
	SaidNobody  Said = "nobody" // nobody eats it
)

// MostEntries bounds the entries of a household: some fifty years of them.
const MostEntries = 100_000

// The most that one entry may hold: more is a slip of the pen.
const (
	MostGram   = 500_000
	MostCount  = 5000
	MostHours  = 48
	MostPhotos = 12
)

// ComesIn reports whether the entry brings something in.
func (e *Entry) ComesIn() bool { return e.Act == Harvest || e.Act == Bought || e.Act == Unweighed }

// Goes returns where the entry says that something which came in went; empty where it does not.
func (e *Entry) Goes() To {
	switch e.Act {
	case Use:
		return e.To
	case PutUp:
		return Jars
	}
	return ""
}

// Validate looks for what cannot stand in one entry by itself.
//
// One function, since each act is one case.
func (e *Entry) Validate(c invalid.Check, b *book.Book) {
	c.OneOf("act", string(e.Act), string(Harvest), string(Bought), string(Unweighed), string(Use), string(PutUp), string(Draw), string(Count), string(Note))
	if e.Day < civil.Of(1950, 1, 1) || e.Day > civil.Of(2151, 1, 1) {
		c.Add("day", e.Day.String(), "a day from 1950 to 2150")
	}
	c.Number("gram", float64(e.Gram), 0, MostGram)
	c.Number("pieces", e.Pieces, 0, MostCount)
	c.Number("jars", e.Jars, 0, MostCount)
	c.Number("hours", e.Hours, 0, MostHours)
	c.Number("share", e.Share, 0, 1)
	c.Number("failed", float64(e.Failed), 0, e.Jars)
	for field, text := range map[string]string{"who": e.Who, "reason": e.Reason, "measure": e.Measure} {
		if len([]rune(text)) > 60 {
			c.Text(field, text, 60)
		}
	}
	e.validateNote(c, b)
	switch e.Act {
	case Note:
	case Draw, Count:
		if e.Lot == "" {
			c.Add("lot", "", "Choose what it was taken from.")
		}
		if e.Act == Draw && e.Gram == 0 && e.Jars == 0 {
			c.Add("jars", "0", "how much was taken")
		}
	default:
		e.validateFood(c, b)
	}
	if e.Act == Use || e.Act == Draw {
		c.OneOf("to", string(e.To), placeNames(e.Act == Draw)...)
	}
}

// validateNote looks at what was written and photographed.
func (e *Entry) validateNote(c invalid.Check, b *book.Book) {
	if len([]rune(e.Note)) > 2000 {
		c.Text("note", e.Note, 2000)
	}
	if len([]rune(e.Pest)) > 60 {
		c.Text("pest", e.Pest, 60)
	}
	if len(e.Photos) > MostPhotos {
		c.Add("photos", strconv.Itoa(len(e.Photos)), "at most 12 photographs")
	}
	if e.validateSaid(c); e.Act != Note {
		return
	}
	if strings.TrimSpace(e.Note) == "" && e.Said == "" && (len(e.Photos) == 0 || e.Lesson) {
		c.Add("note", "", "what is to be noted")
	}
	if e.Lesson && e.Food == "" && e.Bed == "" && e.Pest == "" {
		c.Add("lesson", "true", "a lesson about a food, a bed or a pest, so that it can be told when that comes up")
	}
	if e.Food != "" && b.Food(e.Food) == nil {
		c.OfBook().Add("food", e.Food, "a food of the crop book"+wish.NearestWords(b, e.Food))
	}
}

// validateSaid looks at what is said of a food in passing.
func (e *Entry) validateSaid(c invalid.Check) {
	c.OneOf("said", string(e.Said), "", string(SaidRanOut), string(SaidTooMuch), string(SaidNobody))
	if e.Said != "" && (e.Food == "" || e.Act != Note) {
		c.Add("said", string(e.Said), "a note in passing about a food")
	}
}

// validateFood looks at what came in, and at where it went.
func (e *Entry) validateFood(c invalid.Check, b *book.Book) {
	kinds := b.Food(e.Food)
	if kinds == nil {
		c.OfBook().Add("food", e.Food, "a food of the crop book"+wish.NearestWords(b, e.Food))
		return
	}
	if e.Crop != "" && !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return k.ID == e.Crop }) {
		c.OfBook().Add("crop", e.Crop, "a variety of "+e.Food+", or none")
	}
	if e.Gram == 0 && e.Act != PutUp {
		c.Add("gram", "0", "how much it was")
	}
	if e.Act != PutUp {
		return
	}
	p := b.Preparation(e.Preparation)
	if p == nil {
		c.OfBook().Add("preparation", e.Preparation, "a preparation of the book")
	}
	if e.Jars == 0 {
		c.Add("jars", "0", "how many were filled")
	}
	c.Positive("litre", e.Litre, 25)
}

// placeNames lists where something may go as a file writes it: from the garden, or from a lot.
func placeNames(ofLot bool) (out []string) {
	for _, t := range Places() {
		if !ofLot || t == Table || t == Given || t == Animals || t == Lost || t == Jars {
			out = append(out, string(t))
		}
	}
	return out
}

// Record is what was entered, by its days. It is never changed: With and Without return others. It
// may be read by several at once.
type Record struct {
	entries []*Entry

	once  sync.Once
	byLot map[string][]*Entry // draws and counts, found when they are first asked for
}

// ofLot returns the draws and counts of a lot, by their days.
func (r *Record) ofLot(id string) []*Entry {
	if r == nil {
		return nil
	}
	r.once.Do(func() {
		r.byLot = map[string][]*Entry{}
		for _, e := range r.entries {
			if e.Act == Draw || e.Act == Count {
				r.byLot[e.Lot] = append(r.byLot[e.Lot], e)
			}
		}
	})
	return r.byLot[id]
}

// Of returns the record of some entries, in any order.
func Of(entries []*Entry) *Record {
	out := slices.Clone(entries)
	slices.SortStableFunc(out, compare)
	return &Record{entries: out}
}

func compare(a, b *Entry) int {
	return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.Order, b.Order), cmp.Compare(a.ID, b.ID))
}

// Next returns the order of an entry that is entered after all others.
func (r *Record) Next() int {
	most := 0
	for _, e := range r.Entries() {
		most = max(most, e.Order)
	}
	return most + 1
}

// Entries returns the entries by their days; nobody may change them.
func (r *Record) Entries() []*Entry {
	if r == nil {
		return nil
	}
	return r.entries
}

// Find returns an entry by its id; nil where there is none.
func (r *Record) Find(id string) *Entry {
	for _, e := range r.Entries() {
		if e.ID == id {
			return e
		}
	}
	return nil
}

// With returns the record with an entry, in place of the one with its id where there is one.
func (r *Record) With(e *Entry) *Record { return r.Changed(map[string]*Entry{e.ID: e}) }

// Without returns the record without an entry.
func (r *Record) Without(id string) *Record { return r.Changed(map[string]*Entry{id: nil}) }

// Changed returns the record with entries by their ids in place of those that are there; of an
// id without an entry it has none.
func (r *Record) Changed(by map[string]*Entry) *Record {
	out := make([]*Entry, 0, len(r.Entries())+len(by))
	for _, e := range r.Entries() {
		if _, changed := by[e.ID]; !changed {
			out = append(out, e)
		}
	}
	kept := len(out)
	for _, e := range by {
		if e != nil {
			out = append(out, e)
		}
	}
	if len(out) == kept+1 { // the usual case: one entry, put in its place
		e := out[kept]
		at, _ := slices.BinarySearchFunc(out[:kept], e, compare)
		copy(out[at+1:], out[at:kept])
		out[at] = e
	} else if len(out) > kept {
		slices.SortStableFunc(out, compare)
	}
	return &Record{entries: out}
}

// Span returns the entries of the days from one to another, the last among them.
func (r *Record) Span(from, to civil.Date) []*Entry {
	all := r.Entries()
	at := func(day civil.Date) int {
		i, _ := slices.BinarySearchFunc(all, day, func(e *Entry, day civil.Date) int { return cmp.Compare(e.Day, day) })
		return i
	}
	return all[at(from):max(at(from), at(to+1))]
}

// Containers reports whether a lot is drawn from by its containers: jars, bags, pieces. What is
// kept by weight is drawn by weight.
func Containers(l stock.Lot) bool { return l.Unit != "kg" }
